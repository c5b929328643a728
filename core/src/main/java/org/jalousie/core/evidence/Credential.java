package org.jalousie.core.evidence;

import java.security.PrivateKey;
import java.security.cert.X509Certificate;
import java.util.List;

/** A key with its certificate chain, the holder's certificate first. */
public record Credential(PrivateKey key, List<X509Certificate> chain) {
    public X509Certificate certificate() {
        return chain.get(0);
    }
}
