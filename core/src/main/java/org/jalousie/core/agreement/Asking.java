package org.jalousie.core.agreement;

import java.time.Instant;
import java.util.List;
import java.util.Optional;
import org.jalousie.core.parties.PartyKey;

/** Whether a party is asked for its part, and by which event: what went before that need not reach anybody any more. */
public final class Asking {
    private Asking() {}

    /** The newest that a mail asks for it by, by its number, that holds at {@code now}; empty when the party isn't asked for anything. */
    public static Optional<Integer> of(List<Entry> history, PartyKey party, Instant now) {
        Agreement agreement = Agreement.of(history);
        if (agreement.state() != State.OUT || agreement.hasRunOut(now) || agreement.standing(party) != Standing.TURN)
            return Optional.empty();
        return history.stream()
                .filter(entry -> asks(entry.event(), party))
                .map(Entry::sequence)
                .reduce((earlier, later) -> later);
    }

    private static boolean asks(Event event, PartyKey party) {
        return event instanceof Event.Invited invited && invited.party().equals(party)
                || event instanceof Event.ReminderSent reminder
                        && reminder.party().equals(party)
                || event instanceof Event.WarningSent warning && warning.party().equals(party)
                || event instanceof Event.LinkRenewed renewed && renewed.party().equals(party)
                || event instanceof Event.PersonChanged changed
                        && changed.party().equals(party)
                || event instanceof Event.EndChanged;
    }
}
