package org.jalousie.server.testbed;

import java.time.Duration;
import java.util.Optional;
import java.util.function.Supplier;

/** Waits for what jobs bring about. */
public final class Wait {
    private Wait() {}

    /** @throws AssertionError naming what was waited for, after 150 seconds */
    public static <T> T until(String what, Supplier<Optional<T>> look) {
        long end = System.nanoTime() + Duration.ofSeconds(150).toNanos();
        while (System.nanoTime() < end) {
            Optional<T> found = look.get();
            if (found.isPresent()) return found.get();
            try {
                Thread.sleep(80);
            } catch (InterruptedException e) {
                Thread.currentThread().interrupt();
                throw new IllegalStateException(e);
            }
        }
        throw new AssertionError("waited 150 seconds in vain for: " + what);
    }

    public static void until(String what, java.util.function.BooleanSupplier look) {
        until(what, () -> look.getAsBoolean() ? Optional.of(true) : Optional.empty());
    }
}
