package org.jalousie.core.evidence.stamps;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import org.bouncycastle.asn1.ASN1Encoding;
import org.bouncycastle.asn1.DERSequence;
import org.bouncycastle.asn1.tsp.PartialHashtree;

/**
 * A tree of hashes under one time stamp (RFC 4998 §4.2): binary, the two hashes of a node in ascending order. What stands
 * alone at the end of a level rises as it is.
 */
public final class HashTree {
    private final HashAlgorithm algorithm;
    private final List<List<byte[]>> levels = new ArrayList<>();

    /** @param leaves hashes, one at least */
    public HashTree(HashAlgorithm algorithm, List<byte[]> leaves) {
        if (leaves.isEmpty()) throw new IllegalArgumentException("a tree has a leaf at least");
        this.algorithm = algorithm;
        List<byte[]> level = List.copyOf(leaves);
        levels.add(level);
        while (level.size() > 1) {
            List<byte[]> above = new ArrayList<>((level.size() + 1) / 2);
            for (int i = 0; i + 1 < level.size(); i += 2) above.add(node(level.get(i), level.get(i + 1)));
            if (level.size() % 2 == 1) above.add(level.get(level.size() - 1));
            levels.add(above);
            level = above;
        }
    }

    /** What is time-stamped. */
    public byte[] root() {
        return levels.get(levels.size() - 1).get(0);
    }

    /**
     * What leads from a leaf to the root (RFC 4998 §4.2, the reduced hash tree).
     *
     * @param leaf from 0
     * @return DER of a sequence of partial hash trees; nothing for the leaf that is alone
     */
    public byte[] reduced(int leaf) {
        List<PartialHashtree> lists = new ArrayList<>();
        int at = leaf;
        for (List<byte[]> level : levels) {
            int beside = at ^ 1;
            if (level.size() > 1 && beside < level.size()) {
                byte[] sibling = level.get(beside);
                // the first list has the leaf itself, those above only what it is joined with
                lists.add(new PartialHashtree(
                        lists.isEmpty() ? ascending(levels.get(0).get(leaf), sibling) : new byte[][] {sibling}));
            }
            at /= 2;
        }
        if (lists.isEmpty()) return new byte[0];
        try {
            return new DERSequence(lists.toArray(PartialHashtree[]::new)).getEncoded(ASN1Encoding.DER);
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    private byte[] node(byte[] left, byte[] right) {
        return algorithm.hash(ascending(left, right));
    }

    private static byte[][] ascending(byte[] one, byte[] other) {
        return Arrays.compareUnsigned(one, other) <= 0 ? new byte[][] {one, other} : new byte[][] {other, one};
    }
}
