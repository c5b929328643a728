package org.jalousie.core.programs;

import java.time.Duration;
import java.util.List;
import java.util.Optional;

/** When something that another program didn't take is sent again: later and later, for some three days. */
public final class NextTry {
    private static final List<Duration> DELAYS = List.of(
            Duration.ofSeconds(5),
            Duration.ofSeconds(30),
            Duration.ofMinutes(2),
            Duration.ofMinutes(10),
            Duration.ofMinutes(30),
            Duration.ofHours(1),
            Duration.ofHours(2),
            Duration.ofHours(4),
            Duration.ofHours(8),
            Duration.ofHours(12),
            Duration.ofHours(24),
            Duration.ofHours(24));

    private NextTry() {}

    /** @param tries how often it was tried already; empty when it is given up */
    public static Optional<Duration> after(int tries) {
        return tries > DELAYS.size() ? Optional.empty() : Optional.of(DELAYS.get(Math.max(0, tries - 1)));
    }
}
