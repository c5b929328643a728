package org.jalousie.server.archive.stamps;

import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.TreeSet;
import java.util.function.Consumer;
import org.jalousie.core.evidence.stamps.EvidenceRecord;
import org.jalousie.core.evidence.stamps.HashAlgorithm;
import org.jalousie.core.evidence.stamps.StampPolicy;
import org.jalousie.core.evidence.stamps.TimeStampToken;
import org.jalousie.core.messages.Message;
import org.springframework.stereotype.Component;

/** Renews time stamps by others that are over them (RFC 4998 §5.2). */
@Component
class StampRenewal {
    private static final int MOST = 1000;

    private final StampStore store;
    private final Stamping stamping;

    StampRenewal(StampStore store, Stamping stamping) {
        this.store = store;
        this.stamping = stamping;
    }

    /**
     * Renews what is due.
     *
     * @param said takes the stamps that somebody has changed: to renew them would prove nothing
     * @param now what was stamped since isn't looked at: a service whose certificates are short would be asked without end
     * @return when the certificate of the service ends, if that is no later than what is due
     */
    Optional<Instant> renew(StampPolicy policy, Instant now, Consumer<Message> said) {
        Set<Long> bad = new TreeSet<>();
        Optional<Instant> noNewer = renewGood(policy, now, bad);
        bad.forEach(one -> said.accept(Message.of("stamps.stamp-bad", "stamp", one)));
        return noNewer;
    }

    private Optional<Instant> renewGood(StampPolicy policy, Instant now, Set<Long> bad) {
        while (true) {
            long last = store.last();
            List<StampStore.InForce> due = due(policy, now, bad);
            if (due.isEmpty()) return Optional.empty();
            Stamped.Made made = stamping.ask(last, due.get(0).algorithm(), leaves(due));
            List<StampStore.InForce> gaining = due.stream()
                    .filter(one -> one.until().isBefore(made.until()))
                    .toList();
            if (gaining.isEmpty()) return Optional.of(made.until());
            stamping.keep(
                    gaining.size() == due.size()
                            ? made
                            : stamping.ask(last, due.get(0).algorithm(), leaves(gaining)));
        }
    }

    /** What is due under one algorithm, the first to end first: a chain goes on with the algorithm that it began with. */
    private List<StampStore.InForce> due(StampPolicy policy, Instant now, Set<Long> bad) {
        List<StampStore.InForce> due = store.inForce().stream()
                .filter(one -> one.at().isBefore(now))
                .filter(one -> !policy.dueAt(one.at(), one.until()).isAfter(now))
                .toList();
        Set<Long> needed =
                store.needed(due.stream().map(StampStore.InForce::number).toList());
        due.stream().filter(one -> !needed.contains(one.number())).forEach(one -> store.letGo(one.number()));
        List<StampStore.InForce> left = due.stream()
                .filter(one -> needed.contains(one.number()))
                .filter(stamping::holds)
                .toList();
        due.stream()
                .map(StampStore.InForce::number)
                .filter(needed::contains)
                .filter(one -> left.stream().noneMatch(good -> good.number() == one))
                .forEach(bad::add);
        if (left.isEmpty()) return left;
        HashAlgorithm algorithm = left.get(0).algorithm();
        return left.stream()
                .filter(one -> one.algorithm() == algorithm)
                .limit(MOST)
                .toList();
    }

    private List<Stamped.Leaf> leaves(List<StampStore.InForce> due) {
        List<byte[]> lists = stamping.lists();
        List<Stamped.Leaf> leaves = new ArrayList<>();
        for (StampStore.InForce one : due) {
            byte[] token = TimeStampToken.withLists(one.token(), lists);
            leaves.add(new Stamped.Leaf(
                    new Stamped.Stamp(one.number(), token), EvidenceRecord.renewing(one.algorithm(), token)));
        }
        return leaves;
    }
}
