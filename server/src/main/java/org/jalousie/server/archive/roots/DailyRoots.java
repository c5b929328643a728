package org.jalousie.server.archive.roots;

import java.nio.charset.StandardCharsets;
import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.time.LocalDate;
import java.time.ZoneId;
import java.util.ArrayList;
import java.util.Collection;
import java.util.HashMap;
import java.util.HexFormat;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.jalousie.core.agreement.AgreementNumber;
import org.jalousie.core.data.Sha256;
import org.jalousie.core.evidence.EventChain;
import org.jalousie.core.evidence.TrustService;
import org.jalousie.core.evidence.roots.DailyRoot;
import org.jalousie.core.evidence.roots.Inclusion;
import org.jalousie.core.evidence.roots.Leaf;
import org.jalousie.core.evidence.roots.MerkleTree;
import org.jalousie.core.evidence.stamps.TimeStampToken;
import org.jalousie.core.messages.Message;
import org.jalousie.server.Refusal;
import org.jalousie.server.Settings;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.stereotype.Service;

/** One hash over the newest event of every agreement, time-stamped once a day, against which anything lost shows. */
@Service
public class DailyRoots {
    /** How long there may be no root until that is told. */
    private static final Duration OVERDUE = Duration.ofDays(2);

    private static final int TOLD = 100;
    private static final Logger LOG = LoggerFactory.getLogger(DailyRoots.class);

    private final RootStore store;
    private final KeptAgainstRoots kept;
    private final TrustService trust;
    private final ZoneId zone;
    private final Clock clock;

    DailyRoots(RootStore store, KeptAgainstRoots kept, TrustService trust, Settings settings, Clock clock) {
        this.store = store;
        this.kept = kept;
        this.trust = trust;
        this.zone = settings.office().zone();
        this.clock = clock;
    }

    /**
     * What is wrong with what is kept, as of the last check.
     *
     * @param count how many things, of which some are {@code said}
     */
    public record RootTrouble(int count, List<String> said, Instant since) {}

    /** Empty when all agrees and there is a root of late. */
    public List<RootTrouble> troubles() {
        List<RootTrouble> troubles = new ArrayList<>();
        store.lastCheck()
                .filter(one -> one.findings() > 0)
                .ifPresent(one -> troubles.add(new RootTrouble(
                        one.findings(), one.said().stream().limit(3).toList(), one.at())));
        store.last()
                .map(DailyRoots::madeAt)
                .filter(at -> at.isBefore(overdue()))
                .ifPresent(at -> {
                    String said = Message.of("archive.roots.overdue").toString();
                    troubles.add(new RootTrouble(1, List.of(said), at));
                });
        return troubles;
    }

    private Instant overdue() {
        return clock.instant().minus(OVERDUE);
    }

    private static Instant madeAt(RootStore.Kept one) {
        try {
            return Instant.parse(one.root().at());
        } catch (RuntimeException e) {
            // somebody has changed it, which the check tells
            return Instant.EPOCH;
        }
    }

    /** Makes today's root unless there is one, and checks what is kept; nothing while there are no agreements. */
    void makeToday() {
        LocalDate today = LocalDate.ofInstant(clock.instant(), zone);
        boolean made = store.last()
                .map(one -> LocalDate.ofInstant(madeAt(one), zone))
                .filter(day -> !day.isBefore(today))
                .isPresent();
        if (made || (store.last().isEmpty() && store.changed().isEmpty())) return;
        check(false);
        make();
    }

    /** Makes a root now. Returns its number; somebody else's when one was made at the same moment. */
    long make() {
        Optional<RootStore.Kept> last = store.last();
        List<Leaf> changed = store.changed();
        List<Leaf> leaves = store.next(changed, last);
        DailyRoot root = DailyRoot.of(
                last.map(RootStore.Kept::number).orElse(0L) + 1,
                clock.instant(),
                leaves,
                last.map(DailyRoots::hash).orElse(DailyRoot.NONE));
        // the trust service is asked outside of any transaction: it may take its time
        byte[] token = trust.timeStamp(HexFormat.of().parseHex(root.hash().hex()));
        String statement = new String(root.bytes(), StandardCharsets.UTF_8);
        if (store.keep(new RootStore.Kept(root.number(), statement, token), changed))
            LOG.info("root {} over {} agreements was time-stamped", root.number(), root.agreements());
        return root.number();
    }

    private static Sha256 hash(RootStore.Kept one) {
        return Sha256.of(one.statement().getBytes(StandardCharsets.UTF_8));
    }

    /** Checks events, leaves, roots and time stamps. @param all whether roots of more than a month ago are recomputed, too */
    RootStore.LastCheck check(boolean all) {
        List<Message> findings = new ArrayList<>(kept.findings(TOLD));
        findings.addAll(new RootsThemselves(store, trust.anchors()).findings(all));
        findings.addAll(new TombstoneSeals(store, trust.anchors()).findings());
        RootStore.LastCheck check = new RootStore.LastCheck(
                clock.instant(),
                findings.size(),
                findings.stream().limit(TOLD).map(Message::toString).toList());
        store.keepCheck(check);
        if (!findings.isEmpty()) LOG.error("what is kept is not what was time-stamped: {} findings", findings.size());
        return check;
    }

    /** Where an agreement's events are not those that roots cover. */
    public List<Message> findings(AgreementNumber number, List<EventChain.Link> links) {
        return store.of(number).stream()
                .filter(one -> one.leaf().events() > links.size()
                        || !links.get(one.leaf().events() - 1)
                                .hash()
                                .equals(one.leaf().hash().hex()))
                .map(one -> Message.of(
                        one.leaf().events() > links.size() ? "archive.roots.events-gone" : "archive.roots.event-other",
                        "number",
                        number,
                        "event",
                        one.leaf().events(),
                        "root",
                        one.root()))
                .toList();
    }

    /**
     * The newest root that covers an agreement.
     *
     * @param events how many of its events are covered
     * @param at the time that the time stamp proves; null when it holds no more
     */
    public record Cover(long root, int events, Instant at) {}

    public Optional<Cover> cover(AgreementNumber number) {
        List<RootStore.Covered> all = store.of(number);
        if (all.isEmpty()) return Optional.empty();
        RootStore.Covered newest = all.get(all.size() - 1);
        RootStore.Kept root = store.find(newest.root()).orElseThrow();
        return Optional.of(new Cover(
                newest.root(),
                newest.leaf().events(),
                TimeStampToken.read(root.token(), hash(root), trust.anchors())
                        .map(TimeStampToken::at)
                        .orElse(null)));
    }

    /** Whether a root covers an agreement that has come this far. */
    public boolean isCovered(Leaf leaf) {
        return store.isCovered(leaf);
    }

    /** What shows to anybody that an agreement had come this far, by the newest root. @throws Refusal when none covers it yet */
    Inclusion inclusion(AgreementNumber number) {
        if (store.last().isEmpty()) throw Refusal.notFound(Message.of("archive.roots.none-yet"));
        return Optional.ofNullable(covering(List.of(number)).get(number))
                .orElseThrow(() -> Refusal.notFound(Message.of("archive.roots.not-covered-yet", "number", number)));
    }

    /** The same of several, for which the tree is made once; none of those that no root covers yet. */
    public Map<AgreementNumber, Inclusion> covering(Collection<AgreementNumber> numbers) {
        Map<AgreementNumber, Inclusion> covered = new HashMap<>();
        Optional<RootStore.Kept> root = store.last();
        if (root.isEmpty() || numbers.stream().allMatch(one -> store.of(one).isEmpty())) return covered;
        List<Leaf> leaves = store.leaves(root.get().number());
        MerkleTree tree = DailyRoot.tree(leaves);
        for (int i = 0; i < leaves.size(); i++) {
            AgreementNumber number = new AgreementNumber(leaves.get(i).agreement());
            if (numbers.contains(number))
                covered.put(
                        number,
                        new Inclusion(
                                leaves.get(i),
                                i,
                                tree.path(i),
                                root.get().root(),
                                root.get().token()));
        }
        return covered;
    }
}
