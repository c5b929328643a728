package org.jalousie.core.agreement;

/**
 * Which certificate a signature was made with, so that one of the same name can't stand in for it.
 *
 * @param subject the name in it
 * @param serial its number, in hexadecimal (RFC 5280 §4.1.2.2)
 * @param sha256 of the whole certificate, in hexadecimal
 */
public record CertificateId(String subject, String serial, String sha256) {
    /** For an act without a signature, and for seals that were made before this was kept. */
    public static final CertificateId NONE = new CertificateId("", "", "");

    public boolean known() {
        return !sha256.isEmpty();
    }

    static CertificateId orNone(CertificateId stored) {
        return stored == null ? NONE : stored;
    }
}
