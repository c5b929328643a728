package org.jalousie.server.archive.roots;

import java.nio.charset.StandardCharsets;
import java.security.cert.X509Certificate;
import java.util.ArrayList;
import java.util.List;
import java.util.TreeMap;
import org.jalousie.core.data.Sha256;
import org.jalousie.core.evidence.roots.DailyRoot;
import org.jalousie.core.evidence.roots.Leaf;
import org.jalousie.core.evidence.stamps.TimeStampToken;
import org.jalousie.core.messages.Message;

/** Checks the roots against their leaves, their time stamps and one another. */
final class RootsThemselves {
    /** How many of the newest are recomputed every day. */
    private static final int NEWEST = 31;

    private final RootStore store;
    private final List<X509Certificate> anchors;

    RootsThemselves(RootStore store, List<X509Certificate> anchors) {
        this.store = store;
        this.anchors = anchors;
    }

    /** @param all whether older ones than the newest month's are recomputed from their leaves, too */
    List<Message> findings(boolean all) {
        List<Message> findings = new ArrayList<>();
        TreeMap<String, Leaf> leaves = new TreeMap<>();
        Sha256 previous = DailyRoot.NONE;
        long expected = 1;
        List<RootStore.Kept> roots = store.all();
        for (RootStore.Kept one : roots) {
            for (; expected < one.number(); expected++)
                findings.add(Message.of("archive.roots.root-gone", "root", expected));
            expected++;
            Sha256 hash = Sha256.of(one.statement().getBytes(StandardCharsets.UTF_8));
            store.newIn(one.number()).forEach(leaf -> leaves.put(leaf.agreement(), leaf));
            boolean recomputed =
                    all || one.number() > roots.get(roots.size() - 1).number() - NEWEST;
            if (!isTied(one, previous) || (recomputed && !covers(one, leaves)))
                findings.add(Message.of("archive.roots.root-other", "root", one.number()));
            if (TimeStampToken.read(one.token(), hash, anchors).isEmpty())
                findings.add(Message.of("archive.roots.stamp-bad", "root", one.number()));
            previous = hash;
        }
        return findings;
    }

    private static boolean isTied(RootStore.Kept one, Sha256 previous) {
        try {
            DailyRoot root = one.root();
            return root.number() == one.number() && root.previous().equals(previous);
        } catch (RuntimeException e) {
            return false;
        }
    }

    private static boolean covers(RootStore.Kept one, TreeMap<String, Leaf> leaves) {
        try {
            DailyRoot root = one.root();
            return root.agreements() == leaves.size()
                    && root.root()
                            .equals(DailyRoot.tree(List.copyOf(leaves.values())).root());
        } catch (RuntimeException e) {
            return false;
        }
    }
}
