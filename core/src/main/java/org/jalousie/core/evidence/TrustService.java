package org.jalousie.core.evidence;

import java.security.cert.X509Certificate;
import java.util.List;
import org.jalousie.core.evidence.stamps.HashAlgorithm;
import org.jalousie.core.parties.IdentityCheck;

/** What sealing needs from a trust service. Implementations speak the real protocols; failures are unchecked. */
public interface TrustService {
    /** A time-stamp token (RFC 3161, DER) over a hash. */
    byte[] timeStamp(HashAlgorithm algorithm, byte[] hash);

    /** One over a SHA-256 digest. */
    default byte[] timeStamp(byte[] sha256) {
        return timeStamp(HashAlgorithm.SHA_256, sha256);
    }

    /** The revocation lists in force (RFC 5280, DER). */
    List<byte[]> revocationLists();

    /** Certificates that are trusted by themselves. */
    List<X509Certificate> anchors();

    /**
     * Somebody who signs.
     *
     * @param phone by which they showed who they are, in the international form; empty when they didn't
     * @param shownBy how they showed who they are
     */
    record Signatory(String name, String mail, String phone, IdentityCheck shownBy) {}

    /** A short-lived credential in a person's name, whose subject says how it is known who they are. */
    Credential credentialFor(Signatory signatory);

    /** One for somebody who was asked for nothing but their link. */
    default Credential credentialFor(String name, String mail) {
        return credentialFor(new Signatory(name, mail, "", IdentityCheck.NONE));
    }

    /** The office's own credential for its seal. */
    Credential officeSeal();

    /** One with a key of the kind that word processors know (RSA). */
    Credential officeWordSeal();
}
