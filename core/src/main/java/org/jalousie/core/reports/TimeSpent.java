package org.jalousie.core.reports;

import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.jalousie.core.agreement.Agreement;
import org.jalousie.core.agreement.Entry;
import org.jalousie.core.agreement.Event;
import org.jalousie.core.agreement.State;
import org.jalousie.core.parties.Participant;
import org.jalousie.core.parties.PartyKey;

/**
 * How long one part of a completed agreement's way took. Times are those of the events, day and night alike.
 *
 * @param part whose turn it was; of {@link Phase#ACTED} alone
 * @param length never negative
 */
public record TimeSpent(Phase phase, Optional<Part> part, Duration length) {
    /** A part of the way. Those of people who act at the same time lie over one another, so they don't add up. */
    public enum Phase {
        /** From the request until an agreement was made of it. */
        ASKED,
        /** From then until it was sent: made, checked, corrected. */
        PREPARED,
        /** From sending until the last one had acted. */
        OUT,
        /** One part's turn, from its beginning until they acted. */
        ACTED,
        /** From the last act until everything was sealed and filed. */
        FILED,
        /** From the request until it was filed. */
        WHOLE
    }

    /** A part of the route. @param stage its place in the order */
    public record Part(PartyKey party, String label, int stage) {}

    /**
     * Where the time of an agreement went.
     *
     * @param asked when it was asked for, where that is known
     * @return nothing for one that isn't completed: a turn that somebody never took says nothing of how long it takes
     */
    public static List<TimeSpent> of(List<Entry> history, Optional<Instant> asked) {
        Agreement agreement = Agreement.of(history);
        if (agreement.state() != State.COMPLETED) return List.of();
        Instant made = history.get(0).at();
        Instant sent = made;
        Instant last = made;
        Map<PartyKey, Instant> turns = new LinkedHashMap<>();
        Map<PartyKey, Instant> acts = new LinkedHashMap<>();
        for (Entry entry : history) {
            if (entry.event() instanceof Event.Sent) sent = last = entry.at();
            if (entry.event() instanceof Event.Invited invited) turns.putIfAbsent(invited.party(), entry.at());
            List<PartyKey> acted = acted(entry.event());
            acted.forEach(party -> acts.put(party, entry.at()));
            if (!acted.isEmpty() || entry.event() instanceof Event.PartSkipped) last = entry.at();
        }
        // a later attempt begins when the one before came to nothing, which isn't known here
        Optional<Instant> before =
                asked.filter(at -> agreement.created().replaces().isEmpty());
        List<TimeSpent> all = new ArrayList<>();
        before.ifPresent(at -> all.add(of(Phase.ASKED, at, made)));
        all.add(of(Phase.PREPARED, made, sent));
        all.add(of(Phase.OUT, sent, last));
        for (Participant one : agreement.participants())
            if (turns.containsKey(one.party()) && acts.containsKey(one.party()))
                all.add(new TimeSpent(
                        Phase.ACTED,
                        Optional.of(new Part(one.party(), one.label(), one.stage())),
                        between(turns.get(one.party()), acts.get(one.party()))));
        all.add(of(Phase.FILED, last, agreement.since()));
        all.add(of(Phase.WHOLE, before.filter(at -> at.isBefore(made)).orElse(made), agreement.since()));
        return all;
    }

    private static List<PartyKey> acted(Event event) {
        if (event instanceof Event.FieldsCompleted completed) return List.of(completed.party());
        if (event instanceof Event.Approved approved) return List.of(approved.party());
        if (event instanceof Event.SignedOnPaper paper) return paper.parties();
        return event instanceof Event.Signed signed ? List.of(signed.party()) : List.of();
    }

    private static TimeSpent of(Phase phase, Instant from, Instant to) {
        return new TimeSpent(phase, Optional.empty(), between(from, to));
    }

    /** A clock that was put back makes no time that is less than none. */
    private static Duration between(Instant from, Instant to) {
        return to.isBefore(from) ? Duration.ZERO : Duration.between(from, to);
    }
}
