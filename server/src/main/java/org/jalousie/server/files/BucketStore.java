package org.jalousie.server.files;

import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.concurrent.atomic.AtomicBoolean;
import java.util.concurrent.atomic.AtomicReference;
import java.util.function.Predicate;
import java.util.function.Supplier;
import org.jalousie.core.data.Sha256;
import org.jalousie.core.messages.Message;
import org.jalousie.server.adapters.Bucket;
import org.jalousie.server.adapters.BucketProblem;
import org.jalousie.server.adapters.ServiceAway;

/**
 * A file store in a bucket of storage that speaks S3. A file is there whole or not at all, and as soon as its name is given out; how
 * long nobody kept it anew is told by the storage's own clock.
 */
final class BucketStore implements FilePlace {
    private static final int AT_ONCE = 1_000;
    private static final String KEPT = "kept/";
    private static final String ASIDE = "aside/";

    private final Bucket bucket;
    private final String said;

    /** Why it was away when it was asked last; empty when it answered. */
    private final AtomicReference<Optional<Message>> away = new AtomicReference<>(Optional.empty());

    private final AtomicBoolean asking = new AtomicBoolean();

    BucketStore(Bucket bucket, String said) {
        this.bucket = bucket;
        this.said = said;
    }

    /**
     * Asks the bucket. While it is away only one at a time waits for its answer: many would hold all connections to the database.
     *
     * @throws ServiceAway when it doesn't do it just now
     */
    private <T> T asked(Supplier<T> work) {
        Optional<Message> before = away.get();
        if (before.isPresent() && !asking.compareAndSet(false, true)) throw away(before.get(), null);
        try {
            T done = work.get();
            away.set(Optional.empty());
            return done;
        } catch (BucketProblem e) {
            away.set(Optional.of(e.said()));
            throw away(e.said(), e);
        } finally {
            if (before.isPresent()) asking.set(false);
        }
    }

    private static ServiceAway away(Message said, Throwable cause) {
        return new ServiceAway(ServiceAway.Service.FILES, said, cause);
    }

    private static String kept(Sha256 name) {
        return KEPT + name.hex();
    }

    private static String aside(Sha256 name) {
        return ASIDE + name.hex();
    }

    @Override
    public String said() {
        return said;
    }

    @Override
    public Sha256 keep(byte[] bytes) {
        Sha256 name = Sha256.of(bytes);
        asked(() -> {
            bucket.put(kept(name), bytes);
            return name;
        });
        return name;
    }

    @Override
    public Optional<byte[]> asFound(Sha256 name) {
        return asked(() -> {
            Optional<byte[]> bytes = bucket.get(kept(name));
            if (bytes.isPresent()) return bytes;
            // when it comes back just now, the copy is there before the other one is gone
            broughtBack(name);
            return bucket.get(kept(name));
        });
    }

    private void broughtBack(Sha256 name) {
        if (bucket.changedAt(aside(name)).isEmpty()) return;
        bucket.copy(aside(name), kept(name));
        bucket.delete(aside(name));
    }

    @Override
    public void bringBack(Sha256 name) {
        asked(() -> {
            broughtBack(name);
            return name;
        });
    }

    @Override
    public void putAside(Sha256 name, Instant since) {
        asked(() -> {
            Optional<Instant> there = bucket.changedAt(aside(name));
            if (there.isPresent()) {
                if (there.get().isBefore(since)) bucket.delete(aside(name));
            } else if (bucket.copy(kept(name), aside(name))) {
                bucket.delete(kept(name));
            }
            return name;
        });
    }

    @Override
    public List<Sha256> untouchedSince(Instant moment) {
        List<Sha256> names = new ArrayList<>();
        for (String beginning : List.of(KEPT, ASIDE))
            walk(beginning, one -> {
                if (one.changedAt().isBefore(moment)) name(beginning, one).ifPresent(names::add);
                return true;
            });
        return names;
    }

    @Override
    public List<Sha256> some(int most, Set<Sha256> but) {
        List<Sha256> names = new ArrayList<>();
        for (String beginning : List.of(KEPT, ASIDE))
            walk(beginning, one -> {
                if (names.size() < most)
                    name(beginning, one).filter(name -> !but.contains(name)).ifPresent(names::add);
                return names.size() < most;
            });
        return names;
    }

    @Override
    public long count() {
        long[] count = new long[1];
        for (String beginning : List.of(KEPT, ASIDE))
            walk(beginning, one -> {
                if (name(beginning, one).isPresent()) count[0]++;
                return true;
            });
        return count[0];
    }

    @Override
    public void remove(Sha256 name) {
        asked(() -> {
            bucket.delete(kept(name));
            bucket.delete(aside(name));
            return name;
        });
    }

    /** What somebody else put there has another name, and isn't ours. */
    private static Optional<Sha256> name(String beginning, Bucket.Entry one) {
        return Sha256.read(one.name().substring(beginning.length()));
    }

    /** @param on looks at one, and says whether it goes on */
    private void walk(String beginning, Predicate<Bucket.Entry> on) {
        Optional<String> from = Optional.empty();
        do {
            Optional<String> at = from;
            Bucket.Entries some = asked(() -> bucket.list(beginning, AT_ONCE, at));
            for (Bucket.Entry one : some.all()) if (!on.test(one)) return;
            from = some.more();
        } while (from.isPresent());
    }

    @Override
    public byte[] get(Sha256 name) {
        return Damaged.unlessWhole(asFound(name), name);
    }
}
