package org.jalousie.core.agreement;

import java.time.Instant;
import java.util.Optional;

/**
 * How long a party has been waited for, and what has been done about it.
 *
 * @param since when its turn began
 * @param reminders how many times it was reminded; a warning is a reminder that says more
 * @param lastMail when it was reminded or warned last
 * @param warned whether it was warned that the time runs out
 */
public record Waiting(Instant since, int reminders, Optional<Instant> lastMail, boolean warned) {
    Waiting(Instant since) {
        this(since, 0, Optional.empty(), false);
    }

    Waiting remindedAt(Instant at) {
        return new Waiting(since, reminders + 1, Optional.of(at), warned);
    }

    Waiting warnedAt(Instant at) {
        return new Waiting(since, reminders + 1, Optional.of(at), true);
    }
}
