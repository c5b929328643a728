package org.jalousie.core.evidence.roots;

import java.security.MessageDigest;
import java.security.NoSuchAlgorithmException;
import java.util.ArrayList;
import java.util.HexFormat;
import java.util.List;
import org.jalousie.core.data.Sha256;

/** A Merkle tree over a list (RFC 9162 §2.1): one hash for all of it, and for each leaf the few hashes that show it is in. */
public final class MerkleTree {
    private static final byte LEAF = 0;
    private static final byte NODE = 1;

    private final MessageDigest digest;
    /** The hashes level by level, those of the leaves first; what stands alone at the end of a level rises as it is. */
    private final List<List<byte[]>> levels = new ArrayList<>();

    /** @param leaves in their order */
    public MerkleTree(List<byte[]> leaves) {
        this.digest = sha256();
        List<byte[]> level = new ArrayList<>(leaves.size());
        for (byte[] leaf : leaves) level.add(leafHash(digest, leaf));
        levels.add(level);
        while (level.size() > 1) {
            List<byte[]> above = new ArrayList<>((level.size() + 1) / 2);
            for (int i = 0; i + 1 < level.size(); i += 2) above.add(node(digest, level.get(i), level.get(i + 1)));
            if (level.size() % 2 == 1) above.add(level.get(level.size() - 1));
            levels.add(above);
            level = above;
        }
    }

    /** The root; of nothing the hash of nothing (RFC 9162 §2.1.1). */
    public Sha256 root() {
        List<byte[]> top = levels.get(levels.size() - 1);
        return hashOf(top.isEmpty() ? digest.digest() : top.get(0));
    }

    /** The hashes that lead from a leaf to the root, from below (RFC 9162 §2.1.3.1). @param index of the leaf, from 0 */
    public List<Sha256> path(int index) {
        if (index < 0 || index >= levels.get(0).size()) throw new IllegalArgumentException("no leaf " + index);
        List<Sha256> path = new ArrayList<>();
        int at = index;
        for (List<byte[]> level : levels) {
            int beside = at ^ 1;
            if (beside < level.size() && level.size() > 1) path.add(hashOf(level.get(beside)));
            at /= 2;
        }
        return path;
    }

    /**
     * The root that a leaf and its path come to (RFC 9162 §2.1.3.2).
     *
     * @param size how many leaves the tree has
     * @throws IllegalArgumentException when the path is no path of such a tree
     */
    public static Sha256 rootOf(byte[] leaf, int index, int size, List<Sha256> path) {
        if (index < 0 || index >= size) throw new IllegalArgumentException("no leaf " + index + " of " + size);
        MessageDigest digest = sha256();
        byte[] hash = leafHash(digest, leaf);
        int at = index;
        int last = size - 1;
        for (Sha256 one : path) {
            if (last == 0) throw new IllegalArgumentException("the path is too long");
            byte[] beside = HexFormat.of().parseHex(one.hex());
            if (at % 2 == 1 || at == last) {
                hash = node(digest, beside, hash);
                while (at % 2 == 0 && at != 0) {
                    at /= 2;
                    last /= 2;
                }
            } else {
                hash = node(digest, hash, beside);
            }
            at /= 2;
            last /= 2;
        }
        if (last != 0) throw new IllegalArgumentException("the path is too short");
        return hashOf(hash);
    }

    private static byte[] leafHash(MessageDigest digest, byte[] leaf) {
        digest.update(LEAF);
        return digest.digest(leaf);
    }

    private static byte[] node(MessageDigest digest, byte[] left, byte[] right) {
        digest.update(NODE);
        digest.update(left);
        return digest.digest(right);
    }

    private static Sha256 hashOf(byte[] hash) {
        return new Sha256(HexFormat.of().formatHex(hash));
    }

    private static MessageDigest sha256() {
        try {
            return MessageDigest.getInstance("SHA-256");
        } catch (NoSuchAlgorithmException e) {
            throw new IllegalStateException("every Java platform has SHA-256", e);
        }
    }
}
