package org.jalousie.core.programs;

import com.fasterxml.jackson.annotation.JsonCreator;
import com.fasterxml.jackson.annotation.JsonValue;
import java.util.Arrays;
import java.util.Locale;
import java.util.Optional;
import org.jalousie.core.agreement.Event;

/** What other programs are told of. */
public enum NoticeKind {
    REQUEST_RECEIVED(null),
    AGREEMENT_MADE(Event.Created.class),
    /** Its documents are there, to be checked. */
    AGREEMENT_READY(Event.Generated.class),
    AGREEMENT_SENT(Event.Sent.class),
    /** It is somebody's turn. */
    AGREEMENT_INVITED(Event.Invited.class),
    AGREEMENT_VIEWED(Event.Viewed.class),
    AGREEMENT_FILLED(Event.FieldsCompleted.class),
    AGREEMENT_APPROVED(Event.Approved.class),
    AGREEMENT_SIGNED(Event.Signed.class),
    AGREEMENT_DECLINED(Event.Declined.class),
    AGREEMENT_WITHDRAWN(Event.Withdrawn.class),
    AGREEMENT_EXPIRED(Event.Expired.class),
    /** All have acted; the signed files are there. */
    AGREEMENT_COMPLETED(Event.Completed.class),
    /** Nothing has happened: somebody wants to see whether notices arrive. */
    TRIAL(null);

    private static final String PREFIX = "org.jalousie.";

    private final Class<? extends Event> event;

    NoticeKind(Class<? extends Event> event) {
        this.event = event;
    }

    /** What an event is told as; empty for one that isn't told. */
    public static Optional<NoticeKind> of(Event event) {
        return Arrays.stream(values())
                .filter(kind -> event.getClass().equals(kind.event))
                .findFirst();
    }

    /** @throws IllegalArgumentException for what is none */
    @JsonCreator
    public static NoticeKind named(String name) {
        return Arrays.stream(values())
                .filter(kind -> kind.toString().equals(name))
                .findFirst()
                .orElseThrow(() -> new IllegalArgumentException("no notice: " + name));
    }

    /** {@code agreement.signed} */
    @JsonValue
    @Override
    public String toString() {
        return name().toLowerCase(Locale.ROOT).replace('_', '.');
    }

    /** As a CloudEvent's type (CloudEvents 1.0.2, "type": prefixed with a reversed domain name). */
    public String type() {
        return PREFIX + this;
    }
}
