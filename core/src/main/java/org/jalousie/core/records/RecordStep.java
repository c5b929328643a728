package org.jalousie.core.records;

import java.util.Arrays;
import java.util.Collection;
import java.util.Comparator;
import java.util.EnumSet;
import java.util.Optional;
import java.util.Set;
import org.jalousie.core.agreement.Event;
import org.jalousie.core.agreement.State;

/** How far it has come with a record, as it is written back there. */
public enum RecordStep {
    /** Its data were taken in. */
    RECEIVED(Set.of()),
    /** Its agreement is there, to be checked. */
    MADE(Set.of(Event.Generated.class)),
    SENT(Set.of(Event.Sent.class)),
    /** Somebody has opened it for the first time. */
    SEEN(Set.of(Event.Viewed.class)),
    COMPLETED(Set.of(Event.Completed.class)),
    DECLINED(Set.of(Event.Declined.class)),
    EXPIRED(Set.of(Event.Expired.class)),
    WITHDRAWN(Set.of(Event.Withdrawn.class)),
    /** Its data can't be taken in; what has to be mended is told. */
    FAULTY(Set.of());

    private static final Set<RecordStep> IN_VAIN = EnumSet.of(DECLINED, EXPIRED, WITHDRAWN);

    private final Set<Class<? extends Event>> events;

    RecordStep(Set<Class<? extends Event>> events) {
        this.events = events;
    }

    /** What an event is a step to; empty for one that is none. */
    public static Optional<RecordStep> of(Event event) {
        return Arrays.stream(values())
                .filter(step -> step.events.contains(event.getClass()))
                .findFirst();
    }

    /** How far an agreement has come. @param seen whether somebody has opened it */
    public static RecordStep of(State state, boolean seen) {
        return switch (state) {
            case GENERATING -> RECEIVED;
            case CHECK -> MADE;
            case OUT, SEALING -> seen ? SEEN : SENT;
            case COMPLETED -> COMPLETED;
            case DECLINED -> DECLINED;
            case EXPIRED -> EXPIRED;
            case WITHDRAWN -> WITHDRAWN;
        };
    }

    /** How far several agreements have come together: as far as the last of them, unless one came to nothing. */
    public static RecordStep together(Collection<RecordStep> steps) {
        return steps.stream()
                .filter(RecordStep::inVain)
                .findFirst()
                .or(() -> steps.stream().min(Comparator.naturalOrder()))
                .orElse(RECEIVED);
    }

    /** Whether its agreement came to nothing. */
    public boolean inVain() {
        return IN_VAIN.contains(this);
    }
}
