package org.jalousie.core.evidence.roots;

import java.util.List;
import org.jalousie.core.data.Sha256;

/**
 * Shows to anybody, without the archive, that an agreement had come this far when a root was time-stamped.
 *
 * @param index of the leaf among the root's, from 0
 * @param path the hashes from the leaf to the root, from below (RFC 9162 §2.1.3)
 * @param timeStamp the token over the SHA-256 of the root's canonical JSON (RFC 3161, DER)
 */
public record Inclusion(Leaf leaf, int index, List<Sha256> path, DailyRoot root, byte[] timeStamp) {
    /** Of the leaf at a place. @param leaves all that the root covers, in {@link Leaf#ORDER} */
    public static Inclusion of(int index, List<Leaf> leaves, DailyRoot root, byte[] timeStamp) {
        return new Inclusion(leaves.get(index), index, DailyRoot.tree(leaves).path(index), root, timeStamp);
    }

    /** Whether leaf and path come to the root. */
    public boolean holds() {
        try {
            return MerkleTree.rootOf(leaf.bytes(), index, root.agreements(), path)
                    .equals(root.root());
        } catch (IllegalArgumentException e) {
            return false;
        }
    }
}
