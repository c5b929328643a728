package org.jalousie.core.evidence;

import java.security.PrivateKey;
import java.security.cert.CertificateEncodingException;
import java.security.cert.X509Certificate;
import java.util.List;
import org.jalousie.core.agreement.CertificateId;
import org.jalousie.core.data.Sha256;

/** A key with its certificate chain, the holder's certificate first. */
public record Credential(PrivateKey key, List<X509Certificate> chain) {
    public X509Certificate certificate() {
        return chain.get(0);
    }

    /** Which certificate it is, to be kept with what was signed with it. */
    public CertificateId id() {
        return idOf(certificate());
    }

    /** Which certificate it is. */
    public static CertificateId idOf(X509Certificate certificate) {
        try {
            return new CertificateId(
                    certificate.getSubjectX500Principal().getName(),
                    certificate.getSerialNumber().toString(16),
                    Sha256.of(certificate.getEncoded()).hex());
        } catch (CertificateEncodingException e) {
            throw new IllegalArgumentException("a certificate that can't be written", e);
        }
    }
}
