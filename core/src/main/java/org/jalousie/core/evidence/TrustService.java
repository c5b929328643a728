package org.jalousie.core.evidence;

import java.security.cert.X509Certificate;
import java.util.List;

/** What sealing needs from a trust service. Implementations speak the real protocols; failures are unchecked. */
public interface TrustService {
    /** A time-stamp token (RFC 3161, DER) over a SHA-256 digest. */
    byte[] timeStamp(byte[] sha256);

    /** The revocation lists in force (RFC 5280, DER). */
    List<byte[]> revocationLists();

    /** Certificates that are trusted by themselves. */
    List<X509Certificate> anchors();

    /** A short-lived credential in a person's name. */
    Credential credentialFor(String name, String mail);

    /** The office's own credential for its seal. */
    Credential officeSeal();
}
