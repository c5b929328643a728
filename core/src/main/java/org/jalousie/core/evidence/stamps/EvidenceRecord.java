package org.jalousie.core.evidence.stamps;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.util.List;
import org.bouncycastle.asn1.ASN1Encodable;
import org.bouncycastle.asn1.ASN1EncodableVector;
import org.bouncycastle.asn1.ASN1Encoding;
import org.bouncycastle.asn1.ASN1Integer;
import org.bouncycastle.asn1.DERSequence;

/**
 * What proves to anybody, without the archive, that a file was there at a time, however long ago (Evidence Record Syntax,
 * RFC 4998): its archive time stamps, each renewed by the next before it loses its force.
 *
 * @param chains oldest first; each starts with a hash of the file by another algorithm than the one before, and goes on with
 *     time stamps over the time stamp before
 */
public record EvidenceRecord(List<List<ArchiveStamp>> chains) {
    private static final ASN1Integer VERSION = new ASN1Integer(1);

    /** @throws IllegalArgumentException when there is no stamp */
    public EvidenceRecord {
        if (chains.isEmpty() || chains.stream().anyMatch(List::isEmpty))
            throw new IllegalArgumentException("an evidence record has a time stamp at least");
        chains = chains.stream().map(List::copyOf).toList();
    }

    /** The newest of its time stamps, on which all others rest. */
    public ArchiveStamp newest() {
        List<ArchiveStamp> last = chains.get(chains.size() - 1);
        return last.get(last.size() - 1);
    }

    /** The file {@code .ers}: DER. */
    public byte[] file() {
        ASN1EncodableVector algorithms = new ASN1EncodableVector();
        chains.stream()
                .map(chain -> chain.get(0).algorithm())
                .distinct()
                .forEach(one -> algorithms.add(one.identifier()));
        ASN1EncodableVector record = new ASN1EncodableVector();
        record.add(VERSION);
        record.add(new DERSequence(algorithms));
        record.add(sequence(chains));
        return der(new DERSequence(record));
    }

    /** What is hashed of a file at first (RFC 4998 §4.2). */
    public static byte[] leaf(HashAlgorithm algorithm, byte[] file) {
        return algorithm.hash(file);
    }

    /** What is hashed to renew a time stamp by another (RFC 4998 §5.2). @param token the one before (RFC 3161, DER) */
    public static byte[] renewing(HashAlgorithm algorithm, byte[] token) {
        return algorithm.hash(token);
    }

    /** What is hashed to go over to another algorithm (RFC 4998 §5.3): the file, and all time stamps that it has. */
    public byte[] rehashing(HashAlgorithm algorithm, byte[] file) {
        return algorithm.hash(algorithm.hash(file), algorithm.hash(der(sequence(chains))));
    }

    private static DERSequence sequence(List<List<ArchiveStamp>> chains) {
        return new DERSequence(chains.stream().map(EvidenceRecord::chain).toArray(ASN1Encodable[]::new));
    }

    private static DERSequence chain(List<ArchiveStamp> stamps) {
        return new DERSequence(stamps.stream().map(ArchiveStamp::asn1).toArray(ASN1Encodable[]::new));
    }

    private static byte[] der(DERSequence sequence) {
        try {
            return sequence.getEncoded(ASN1Encoding.DER);
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }
}
