package org.jalousie.server.archive.stamps;

import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import java.util.function.BooleanSupplier;
import java.util.stream.Stream;
import org.jalousie.core.data.Sha256;
import org.jalousie.core.evidence.ArchivedFiles;
import org.jalousie.core.evidence.stamps.EvidenceRecord;
import org.jalousie.core.evidence.stamps.HashAlgorithm;
import org.jalousie.core.evidence.stamps.StampPolicy;
import org.jalousie.core.messages.Message;
import org.jalousie.server.adapters.ServiceAway;
import org.jalousie.server.agreement.Agreements;
import org.jalousie.server.files.FileStore;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.stereotype.Service;

/**
 * Puts the files of completed agreements and the daily roots under archive time stamps, and keeps these in force (RFC 4998).
 * Whatever interrupts a round, the next one goes on from there.
 */
@Service
class ArchiveStamps {
    /** How many agreements one stamp is over. */
    private static final int AGREEMENTS = 500;

    private static final int ROOTS = 1000;

    /** How long nothing is asked for in vain of a service that has no newer certificate. */
    private static final Duration IN_VAIN = Duration.ofHours(20);

    /** How long somebody waits for a round. */
    private static final Duration PATIENCE = Duration.ofSeconds(20);

    private static final int TOLD = 50;
    private static final Logger LOG = LoggerFactory.getLogger(ArchiveStamps.class);

    private final StampStore store;
    private final Stamping stamping;
    private final StampRenewal renewal;
    private final Rehashing rehashing;
    private final StampPolicies policies;
    private final StampRoundStore rounds;
    private final Agreements agreements;
    private final FileStore files;
    private final Clock clock;

    ArchiveStamps(
            StampStore store,
            Stamping stamping,
            StampRenewal renewal,
            Rehashing rehashing,
            StampPolicies policies,
            StampRoundStore rounds,
            Agreements agreements,
            FileStore files,
            Clock clock) {
        this.store = store;
        this.stamping = stamping;
        this.renewal = renewal;
        this.rehashing = rehashing;
        this.policies = policies;
        this.rounds = rounds;
        this.agreements = agreements;
        this.files = files;
        this.clock = clock;
    }

    /**
     * Does all that is due.
     *
     * @param asked whether somebody waits for it: then the service is asked for a newer certificate, even if it had none
     *     lately; what would take long is left to the next round
     * @throws ServiceAway when somebody waits and the service doesn't answer
     */
    void round(boolean asked) {
        Instant now = clock.instant();
        BooleanSupplier goesOn = () -> !asked || clock.instant().isBefore(now.plus(PATIENCE));
        StampPolicy policy = policies.now().policy();
        List<Message> said = new ArrayList<>();
        Optional<StampRoundStore.Round> before = rounds.last();
        Optional<StampRoundStore.NoNewer> noNewer = before.flatMap(StampRoundStore.Round::noNewer);
        try {
            if (asked
                    || noNewer.filter(one -> one.at().isAfter(now.minus(IN_VAIN)))
                            .isEmpty())
                noNewer = renewal.renew(policy, now, said::add).map(until -> new StampRoundStore.NoNewer(now, until));
            stampWhatIsNew(policy.algorithm(), goesOn, said);
            rehashing.rehash(policy, policies.today(), goesOn, said::add);
        } catch (ServiceAway e) {
            if (asked) throw e;
            LOG.info("archive time stamps wait for the trust service");
        } catch (Stamping.Untrusted e) {
            said.add(e.said());
        }
        noNewer.ifPresent(one -> said.add(
                0,
                Message.of("stamps.no-newer", "until", policies.day(one.until()).toString())));
        if (!said.isEmpty()) LOG.warn("not all archive time stamps are as they should be: {} findings", said.size());
        // a round that was cut short hasn't looked at everything
        List<String> earlier = goesOn.getAsBoolean()
                ? List.of()
                : before.map(StampRoundStore.Round::said).orElse(List.of());
        List<String> all = Stream.concat(said.stream().map(Message::toString), earlier.stream())
                .distinct()
                .limit(TOLD)
                .toList();
        rounds.keep(new StampRoundStore.Round(clock.instant(), all, noNewer));
    }

    private void stampWhatIsNew(HashAlgorithm algorithm, BooleanSupplier goesOn, List<Message> said) {
        Optional<UUID> after = Optional.empty();
        while (goesOn.getAsBoolean()) {
            long last = store.last();
            List<Stamped.Leaf> leaves = new ArrayList<>();
            List<Message> faults = new ArrayList<>();
            List<StampStore.Whose> some = store.unstamped(after, AGREEMENTS);
            for (StampStore.Whose one : some) {
                List<Stamped.Leaf> its = leavesOf(algorithm, one);
                if (its.isEmpty()) faults.add(Message.of("stamps.file-bad", "number", one.number()));
                leaves.addAll(its);
            }
            for (long root : store.unstampedRoots(ROOTS))
                for (Stamped.Part part : Stamped.Part.values()) {
                    Stamped.Root what = new Stamped.Root(root, part);
                    store.part(what)
                            .ifPresent(
                                    bytes -> leaves.add(new Stamped.Leaf(what, EvidenceRecord.leaf(algorithm, bytes))));
                }
            if (some.isEmpty() && leaves.isEmpty()) return;
            if (!leaves.isEmpty() && !stamping.keep(stamping.ask(last, algorithm, leaves))) continue;
            said.addAll(faults);
            after = some.isEmpty()
                    ? after
                    : Optional.of(some.get(some.size() - 1).id());
        }
    }

    /** All files of an agreement; none when one of them isn't what was kept, or what is kept can't be read. */
    private List<Stamped.Leaf> leavesOf(HashAlgorithm algorithm, StampStore.Whose whose) {
        try {
            List<Stamped.Leaf> leaves = new ArrayList<>();
            for (Sha256 file : ArchivedFiles.of(agreements.filed(whose.number()).agreement())) {
                Optional<byte[]> bytes = files.asFound(file);
                if (bytes.isEmpty() || !Sha256.of(bytes.get()).equals(file)) return List.of();
                leaves.add(new Stamped.Leaf(
                        new Stamped.File(whose.id(), file), EvidenceRecord.leaf(algorithm, bytes.get())));
            }
            return leaves;
        } catch (ServiceAway e) {
            throw e;
        } catch (RuntimeException e) {
            LOG.error("agreement {} can't be put under an archive time stamp", whose.number(), e);
            return List.of();
        }
    }
}
