package org.jalousie.core.agreement;

import java.time.Instant;
import java.util.Optional;

/**
 * How long a party has been waited for, and what has been done about it.
 *
 * @param since when its turn began
 * @param reminders how many times it was reminded; a warning is a reminder that says more
 * @param lastMail when it was reminded, warned or written to last
 * @param warned whether it was warned that the time runs out
 * @param toldEnd when it was told of another end than the one that the invitation names
 */
public record Waiting(
        Instant since, int reminders, Optional<Instant> lastMail, boolean warned, Optional<Instant> toldEnd) {
    Waiting(Instant since) {
        this(since, 0, Optional.empty(), false, Optional.empty());
    }

    /** A mail went that isn't a reminder. */
    Waiting writtenTo(Instant at) {
        return new Waiting(since, reminders, Optional.of(at), warned, toldEnd);
    }

    /** A mail went that told them of another end. */
    Waiting endsOtherwise(Instant at) {
        return new Waiting(since, reminders, Optional.of(at), false, Optional.of(at));
    }

    Waiting remindedAt(Instant at) {
        return new Waiting(since, reminders + 1, Optional.of(at), warned, toldEnd);
    }

    Waiting warnedAt(Instant at) {
        return new Waiting(since, reminders + 1, Optional.of(at), true, toldEnd);
    }
}
