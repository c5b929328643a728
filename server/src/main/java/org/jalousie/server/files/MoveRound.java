package org.jalousie.server.files;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.concurrent.ConcurrentSkipListSet;
import java.util.concurrent.ExecutionException;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Future;
import java.util.concurrent.atomic.AtomicInteger;
import java.util.function.BooleanSupplier;
import org.jalousie.core.data.Sha256;

/** Moves what lies in one place to another, file by file, some at once. */
final class MoveRound {
    private static final int AT_ONCE = 200;

    private final FilePlace from;
    private final FilePlace to;
    private final ExecutorService hands;
    private final AtomicInteger moved = new AtomicInteger();
    private final Set<Sha256> stuck = new ConcurrentSkipListSet<>(Comparator.comparing(Sha256::hex));

    /** Those that this round has looked at in vain: whatever lists them anew, it doesn't go on with them for ever. */
    private final Set<Sha256> passed = new ConcurrentSkipListSet<>(Comparator.comparing(Sha256::hex));

    /** @param hands that move them */
    MoveRound(FilePlace from, FilePlace to, ExecutorService hands) {
        this.from = from;
        this.to = to;
        this.hands = hands;
    }

    /** How many were moved since this was asked last. */
    int movedSince() {
        return moved.getAndSet(0);
    }

    /** Those that aren't what was kept, and stay where they are. */
    Set<Sha256> stuck() {
        return stuck;
    }

    /**
     * Goes on for as long as it is asked to.
     *
     * @return whether nothing is left that could be moved
     */
    boolean run(BooleanSupplier on) {
        while (on.getAsBoolean()) {
            List<Sha256> some = from.some(AT_ONCE, passed);
            if (some.isEmpty()) return true;
            List<Future<?>> all = new ArrayList<>();
            for (Sha256 name : some) all.add(hands.submit(() -> move(name)));
            all.forEach(MoveRound::finished);
        }
        return false;
    }

    private static void finished(Future<?> one) {
        try {
            one.get();
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
            throw new IllegalStateException("The server was stopping.", e);
        } catch (ExecutionException e) {
            if (e.getCause() instanceof RuntimeException known) throw known;
            throw new IllegalStateException(e.getCause());
        }
    }

    private void move(Sha256 name) {
        Optional<byte[]> bytes = from.asFound(name);
        if (bytes.isEmpty()) {
            passed.add(name);
            return;
        }
        boolean whole = FilePlace.isWhole(bytes, name);
        if (whole) to.keep(bytes.get());
        if (FilePlace.isWhole(to.asFound(name), name)) {
            from.remove(name);
            moved.incrementAndGet();
        } else if (whole) {
            throw new UncheckedIOException(
                    "What was kept in the new place isn't there.", new IOException("not read back"));
        } else {
            passed.add(name);
            stuck.add(name);
        }
    }
}
