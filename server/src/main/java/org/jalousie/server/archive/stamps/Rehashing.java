package org.jalousie.server.archive.stamps;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.EnumSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.UUID;
import java.util.function.BooleanSupplier;
import java.util.function.Consumer;
import org.jalousie.core.data.Sha256;
import org.jalousie.core.evidence.stamps.HashAlgorithm;
import org.jalousie.core.evidence.stamps.StampPolicy;
import org.jalousie.core.messages.Message;
import org.jalousie.server.files.FileStore;
import org.springframework.stereotype.Component;

/** Hashes anew, with all their stamps, what was hashed with an algorithm that is relied on no longer (RFC 4998 §5.3). */
@Component
class Rehashing {
    /** Of how many agreements the files are read for one stamp. */
    private static final int AGREEMENTS = 100;

    private static final int ROOTS = 1000;

    private final StampStore store;
    private final EvidenceRecords records;
    private final Stamping stamping;
    private final FileStore files;

    Rehashing(StampStore store, EvidenceRecords records, Stamping stamping, FileStore files) {
        this.store = store;
        this.records = records;
        this.stamping = stamping;
        this.files = files;
    }

    /**
     * Hashes anew what has to be.
     *
     * @param goesOn whether there is time for more
     * @param said takes what couldn't be done, and why
     */
    void rehash(StampPolicy policy, LocalDate today, BooleanSupplier goesOn, Consumer<Message> said) {
        Set<HashAlgorithm> weak = EnumSet.noneOf(HashAlgorithm.class);
        for (HashAlgorithm one : HashAlgorithm.values()) if (policy.runsOut(one, today)) weak.add(one);
        if (weak.isEmpty()) return;
        HashAlgorithm algorithm = policy.algorithm();
        if (weak.contains(algorithm)) {
            said.accept(Message.of("stamps.chosen-ends", "algorithm", algorithm.standardName()));
            return;
        }
        agreements(weak, algorithm, goesOn, said);
        roots(weak, algorithm, goesOn, said);
        List<Long> old = store.inForce().stream()
                .filter(one -> weak.contains(one.algorithm()))
                .map(StampStore.InForce::number)
                .toList();
        Set<Long> needed = store.needed(old);
        old.stream().filter(one -> !needed.contains(one)).forEach(store::letGo);
    }

    private void agreements(
            Set<HashAlgorithm> weak, HashAlgorithm algorithm, BooleanSupplier goesOn, Consumer<Message> said) {
        Optional<UUID> after = Optional.empty();
        while (goesOn.getAsBoolean()) {
            long last = store.last();
            List<StampStore.Whose> some = store.hashedWith(weak, after, AGREEMENTS);
            if (some.isEmpty()) return;
            List<Stamped.Leaf> leaves = new ArrayList<>();
            List<Message> faults = new ArrayList<>();
            for (StampStore.Whose one : some) {
                int wanted = 0;
                int before = leaves.size();
                for (Sha256 file : store.filesHashedWith(weak, one.id())) {
                    wanted++;
                    anew(algorithm, one.id(), file).ifPresent(leaves::add);
                }
                if (leaves.size() - before < wanted) faults.add(Message.of("stamps.file-bad", "number", one.number()));
            }
            if (!leaves.isEmpty() && !stamping.keep(stamping.ask(last, algorithm, leaves))) continue;
            faults.forEach(said);
            after = Optional.of(some.get(some.size() - 1).id());
        }
    }

    /** Empty when the file isn't what it was, or somebody has made unreadable what is kept of its stamps. */
    private Optional<Stamped.Leaf> anew(HashAlgorithm algorithm, UUID agreement, Sha256 file) {
        try {
            return files.asFound(file)
                    .filter(bytes -> Sha256.of(bytes).equals(file))
                    .flatMap(bytes -> records.of(agreement, file)
                            .map(record -> new Stamped.Leaf(
                                    new Stamped.File(agreement, file), record.rehashing(algorithm, bytes))));
        } catch (IllegalArgumentException e) {
            return Optional.empty();
        }
    }

    private Optional<Stamped.Leaf> anew(HashAlgorithm algorithm, Stamped.Root root) {
        try {
            return records.of(root)
                    .flatMap(record ->
                            store.part(root).map(bytes -> new Stamped.Leaf(root, record.rehashing(algorithm, bytes))));
        } catch (IllegalArgumentException e) {
            return Optional.empty();
        }
    }

    private void roots(
            Set<HashAlgorithm> weak, HashAlgorithm algorithm, BooleanSupplier goesOn, Consumer<Message> said) {
        Stamped.Root after = new Stamped.Root(0, Stamped.Part.STATEMENT);
        while (goesOn.getAsBoolean()) {
            long last = store.last();
            List<Stamped.Root> some = store.rootsHashedWith(weak, after, ROOTS);
            if (some.isEmpty()) return;
            List<Stamped.Leaf> leaves = new ArrayList<>();
            for (Stamped.Root one : some) anew(algorithm, one).ifPresent(leaves::add);
            if (leaves.size() < some.size()) said.accept(Message.of("stamps.roots-bad"));
            if (!leaves.isEmpty() && !stamping.keep(stamping.ask(last, algorithm, leaves))) continue;
            after = some.get(some.size() - 1);
        }
    }
}
