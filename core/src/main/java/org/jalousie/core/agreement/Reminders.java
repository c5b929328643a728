package org.jalousie.core.agreement;

import java.time.Duration;
import java.time.Instant;
import java.util.LinkedHashMap;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Stream;
import org.jalousie.core.parties.Participant;
import org.jalousie.core.parties.PartyKey;

/**
 * When those whose turn it is are reminded.
 *
 * @param firstAfterDays after their turn began; 0 for no reminder at all
 * @param thenEveryDays after the reminder before; 0 for no further one
 */
public record Reminders(int firstAfterDays, int thenEveryDays) {
    /** When each party that is on turn is to be reminded next. */
    Map<PartyKey, Instant> due(Agreement agreement) {
        Map<PartyKey, Instant> due = new LinkedHashMap<>();
        for (Participant one : agreement.onTurn()) {
            Instant reminded = agreement.remindedAt().get(one.party());
            int days = reminded == null ? firstAfterDays : thenEveryDays;
            Instant since = reminded == null ? agreement.turnSince().get(one.party()) : reminded;
            // without a pause they would be reminded at every look
            if (days > 0) due.put(one.party(), since.plus(Duration.ofDays(days)));
        }
        return due;
    }

    /** When time alone next makes something happen: a reminder, or the end of the agreement; empty when nothing will. */
    public Optional<Instant> next(Agreement agreement) {
        if (agreement.state() != State.OUT) return Optional.empty();
        return Stream.concat(agreement.expiresAt().stream(), due(agreement).values().stream())
                .min(Instant::compareTo);
    }
}
