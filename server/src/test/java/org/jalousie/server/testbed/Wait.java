package org.jalousie.server.testbed;

import java.time.Duration;
import java.util.List;
import java.util.Optional;
import java.util.concurrent.CopyOnWriteArrayList;
import java.util.function.Supplier;

/** Waits for what jobs bring about. */
public final class Wait {
    private static final List<Supplier<String>> WITNESSES = new CopyOnWriteArrayList<>();

    private Wait() {}

    /** Who is asked what went on when something was waited for in vain. */
    static void witness(Supplier<String> witness) {
        WITNESSES.add(witness);
    }

    /** @throws AssertionError naming what was waited for, and what the jobs were at, after 150 seconds */
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
        StringBuilder told = new StringBuilder("waited 150 seconds in vain for: " + what);
        for (Supplier<String> witness : WITNESSES) told.append("; ").append(witness.get());
        throw new AssertionError(told.toString());
    }

    public static void until(String what, java.util.function.BooleanSupplier look) {
        until(what, () -> look.getAsBoolean() ? Optional.of(true) : Optional.empty());
    }
}
