package org.jalousie.core.evidence.stamps;

import java.io.IOException;
import java.security.GeneralSecurityException;
import java.security.cert.X509Certificate;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Collection;
import java.util.HexFormat;
import java.util.List;
import java.util.Optional;
import org.bouncycastle.asn1.ASN1Encoding;
import org.bouncycastle.cert.X509CRLHolder;
import org.bouncycastle.cert.X509CertificateHolder;
import org.bouncycastle.cert.jcajce.JcaX509CertificateConverter;
import org.bouncycastle.cms.CMSException;
import org.bouncycastle.cms.CMSSignedData;
import org.bouncycastle.cms.jcajce.JcaSimpleSignerInfoVerifierBuilder;
import org.bouncycastle.operator.OperatorCreationException;
import org.bouncycastle.tsp.TSPException;
import org.bouncycastle.util.CollectionStore;
import org.jalousie.core.data.Sha256;
import org.jalousie.core.evidence.CertificatePath;

/**
 * A time stamp by itself (RFC 3161 §2.4.2), read and found to hold.
 *
 * @param at the time that it proves
 * @param by the name in the certificate of who made it
 * @param until when that certificate ends, and with it the force of the stamp, unless it is renewed before
 */
public record TimeStampToken(Instant at, String by, Instant until) {
    /** Reads a token over a SHA-256. */
    public static Optional<TimeStampToken> read(byte[] token, Sha256 over, List<X509Certificate> anchors) {
        return read(token, HashAlgorithm.SHA_256, HexFormat.of().parseHex(over.hex()), anchors);
    }

    /**
     * Reads a token.
     *
     * @param token DER
     * @param over the hash that it has to be over
     * @param anchors certificates of services that are trusted
     * @return empty when it is none, is over something else, doesn't hold, or was made by nobody who is trusted
     */
    public static Optional<TimeStampToken> read(
            byte[] token, HashAlgorithm algorithm, byte[] over, List<X509Certificate> anchors) {
        try {
            org.bouncycastle.tsp.TimeStampToken read =
                    new org.bouncycastle.tsp.TimeStampToken(new CMSSignedData(token));
            if (!read.getTimeStampInfo().getMessageImprintAlgOID().equals(algorithm.oid())
                    || !Arrays.equals(read.getTimeStampInfo().getMessageImprintDigest(), over)) return Optional.empty();
            Collection<X509CertificateHolder> makers = read.getCertificates().getMatches(read.getSID());
            if (makers.isEmpty()) return Optional.empty();
            X509CertificateHolder maker = makers.iterator().next();
            // also looks whether the certificate is one for time stamps, and was good at that time (RFC 3161 §2.3)
            read.validate(new JcaSimpleSignerInfoVerifierBuilder().build(maker));
            JcaX509CertificateConverter converter = new JcaX509CertificateConverter();
            X509Certificate certificate = converter.getCertificate(maker);
            List<X509Certificate> all = new ArrayList<>();
            for (X509CertificateHolder one : read.getCertificates().getMatches(null))
                all.add(converter.getCertificate(one));
            Instant at = read.getTimeStampInfo().getGenTime().toInstant();
            // there is a path to an anchor, as it was at the time of the stamp
            CertificatePath.require(certificate, all, anchors, at);
            return Optional.of(new TimeStampToken(
                    at,
                    certificate.getSubjectX500Principal().getName(),
                    certificate.getNotAfter().toInstant()));
        } catch (IOException
                | CMSException
                | TSPException
                | OperatorCreationException
                | GeneralSecurityException
                | RuntimeException e) {
            return Optional.empty();
        }
    }

    /**
     * A token with the revocation lists that are in force, beside its signature: what shows in later days that its certificate
     * was good (RFC 4998 §5.2 asks for it before a renewal).
     *
     * @param token DER
     * @param lists RFC 5280, DER; those that are in it already stay
     * @throws IllegalArgumentException when one of them can't be read
     */
    public static byte[] withLists(byte[] token, List<byte[]> lists) {
        try {
            CMSSignedData signed = new CMSSignedData(token);
            List<X509CRLHolder> all = new ArrayList<>(signed.getCRLs().getMatches(null));
            for (byte[] one : lists) {
                X509CRLHolder list = new X509CRLHolder(one);
                if (!all.contains(list)) all.add(list);
            }
            return CMSSignedData.replaceCertificatesAndCRLs(
                            signed,
                            signed.getCertificates(),
                            signed.getAttributeCertificates(),
                            new CollectionStore<>(all))
                    .toASN1Structure()
                    .getEncoded(ASN1Encoding.DER);
        } catch (IOException | CMSException e) {
            throw new IllegalArgumentException("a time stamp or revocation list that can't be read", e);
        }
    }
}
