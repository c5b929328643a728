package org.jalousie.core.evidence.roots;

import java.io.IOException;
import java.security.GeneralSecurityException;
import java.security.cert.X509Certificate;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Collection;
import java.util.HexFormat;
import java.util.List;
import java.util.Optional;
import org.bouncycastle.cert.X509CertificateHolder;
import org.bouncycastle.cert.jcajce.JcaX509CertificateConverter;
import org.bouncycastle.cms.CMSException;
import org.bouncycastle.cms.CMSSignedData;
import org.bouncycastle.cms.jcajce.JcaSimpleSignerInfoVerifierBuilder;
import org.bouncycastle.operator.OperatorCreationException;
import org.bouncycastle.tsp.TSPAlgorithms;
import org.bouncycastle.tsp.TSPException;
import org.jalousie.core.data.Sha256;
import org.jalousie.core.evidence.CertificatePath;

/**
 * A time stamp by itself (RFC 3161 §2.4.2).
 *
 * @param at the time that it proves
 * @param by the name in the certificate of who made it
 */
public record TimeStampToken(Instant at, String by) {
    /**
     * Reads a token that stamps a hash.
     *
     * @param token DER
     * @param anchors certificates of services that are trusted
     * @return empty when it is none, is over something else, doesn't hold, or was made by nobody who is trusted
     */
    public static Optional<TimeStampToken> read(byte[] token, Sha256 over, List<X509Certificate> anchors) {
        try {
            org.bouncycastle.tsp.TimeStampToken read =
                    new org.bouncycastle.tsp.TimeStampToken(new CMSSignedData(token));
            if (!read.getTimeStampInfo().getMessageImprintAlgOID().equals(TSPAlgorithms.SHA256)
                    || !HexFormat.of()
                            .formatHex(read.getTimeStampInfo().getMessageImprintDigest())
                            .equals(over.hex())) return Optional.empty();
            Collection<X509CertificateHolder> makers = read.getCertificates().getMatches(read.getSID());
            if (makers.isEmpty()) return Optional.empty();
            X509CertificateHolder maker = makers.iterator().next();
            // also looks whether the certificate is one for time stamps, and was good at that time (RFC 3161 §2.3)
            read.validate(new JcaSimpleSignerInfoVerifierBuilder().build(maker));
            X509Certificate certificate = new JcaX509CertificateConverter().getCertificate(maker);
            trusted(certificate, read, anchors);
            return Optional.of(new TimeStampToken(
                    read.getTimeStampInfo().getGenTime().toInstant(),
                    certificate.getSubjectX500Principal().getName()));
        } catch (IOException
                | CMSException
                | TSPException
                | OperatorCreationException
                | GeneralSecurityException
                | RuntimeException e) {
            return Optional.empty();
        }
    }

    /** There is a path to an anchor, as it was at the time of the stamp. */
    private static void trusted(
            X509Certificate certificate, org.bouncycastle.tsp.TimeStampToken token, List<X509Certificate> anchors)
            throws GeneralSecurityException {
        List<X509Certificate> all = new ArrayList<>();
        for (X509CertificateHolder one : token.getCertificates().getMatches(null))
            all.add(new JcaX509CertificateConverter().getCertificate(one));
        CertificatePath.require(
                certificate, all, anchors, token.getTimeStampInfo().getGenTime().toInstant());
    }
}
