package org.jalousie.core.evidence.roots;

import java.nio.charset.StandardCharsets;
import java.time.Instant;
import java.util.List;
import org.jalousie.core.data.Sha256;
import org.jalousie.core.json.Json;

/**
 * What is time-stamped once a day: one hash for the newest event of every agreement, tied to the root before. An event or an
 * agreement that is lost afterwards, also the last, shows against it.
 *
 * @param number from 1, without a gap
 * @param at when it was made, by the office's own clock; the time stamp proves the time
 * @param agreements how many it covers
 * @param root of the Merkle tree over the {@link Leaf leaves}
 * @param previous the {@link #hash} of the root before; {@link #NONE} for the first
 */
public record DailyRoot(long number, String at, int agreements, Sha256 root, Sha256 previous) {
    /** What the first root is tied to. */
    public static final Sha256 NONE = new Sha256("0".repeat(64));

    /** @param leaves in {@link Leaf#ORDER} */
    public static DailyRoot of(long number, Instant at, List<Leaf> leaves, Sha256 previous) {
        return new DailyRoot(number, at.toString(), leaves.size(), tree(leaves).root(), previous);
    }

    /** The tree over leaves. @param leaves in {@link Leaf#ORDER} */
    public static MerkleTree tree(List<Leaf> leaves) {
        return new MerkleTree(leaves.stream().map(Leaf::bytes).toList());
    }

    /** What the time stamp is over: its canonical JSON (RFC 8785) in UTF-8. */
    public byte[] bytes() {
        return Json.canonical(this).getBytes(StandardCharsets.UTF_8);
    }

    /** The SHA-256 of {@link #bytes}. */
    public Sha256 hash() {
        return Sha256.of(bytes());
    }
}
