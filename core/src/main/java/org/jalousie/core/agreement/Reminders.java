package org.jalousie.core.agreement;

import java.time.Duration;
import java.time.Instant;
import java.util.LinkedHashMap;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Stream;
import org.jalousie.core.parties.Participant;

/**
 * When those whose turn it is are reminded.
 *
 * @param firstAfterDays after their turn began
 * @param thenEveryDays after the reminder before
 */
public record Reminders(int firstAfterDays, int thenEveryDays) {
    /** When each party that is on turn is to be reminded next. */
    Map<String, Instant> due(Agreement agreement) {
        Map<String, Instant> due = new LinkedHashMap<>();
        for (Participant one : agreement.onTurn()) {
            Instant reminded = agreement.remindedAt().get(one.party());
            due.put(
                    one.party(),
                    reminded == null
                            ? agreement.turnSince().get(one.party()).plus(Duration.ofDays(firstAfterDays))
                            : reminded.plus(Duration.ofDays(thenEveryDays)));
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
