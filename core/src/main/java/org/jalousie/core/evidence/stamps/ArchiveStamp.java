package org.jalousie.core.evidence.stamps;

import java.io.IOException;
import org.bouncycastle.asn1.ASN1InputStream;
import org.bouncycastle.asn1.ASN1Sequence;
import org.bouncycastle.asn1.cms.ContentInfo;
import org.bouncycastle.asn1.tsp.ArchiveTimeStamp;
import org.bouncycastle.asn1.tsp.PartialHashtree;

/**
 * One archive time stamp as it concerns one thing (RFC 4998 §4.1).
 *
 * @param algorithm of its hash tree
 * @param path from the thing to what is stamped, as {@link HashTree#reduced} gives it
 * @param token the time stamp (RFC 3161, DER)
 */
public record ArchiveStamp(HashAlgorithm algorithm, byte[] path, byte[] token) {
    /** @throws IllegalArgumentException when path or token can't be read */
    ArchiveTimeStamp asn1() {
        try {
            ContentInfo content = ContentInfo.getInstance(read(token));
            if (path.length == 0) return new ArchiveTimeStamp(algorithm.identifier(), null, content);
            ASN1Sequence lists = ASN1Sequence.getInstance(read(path));
            PartialHashtree[] reduced = new PartialHashtree[lists.size()];
            for (int i = 0; i < reduced.length; i++) reduced[i] = PartialHashtree.getInstance(lists.getObjectAt(i));
            return new ArchiveTimeStamp(algorithm.identifier(), reduced, content);
        } catch (IOException | RuntimeException e) {
            throw new IllegalArgumentException("an archive time stamp that can't be read", e);
        }
    }

    private static Object read(byte[] der) throws IOException {
        try (ASN1InputStream in = new ASN1InputStream(der)) {
            Object read = in.readObject();
            if (read == null) throw new IOException("nothing is there");
            return read;
        }
    }
}
