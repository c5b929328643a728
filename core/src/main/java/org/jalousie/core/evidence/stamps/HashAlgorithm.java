package org.jalousie.core.evidence.stamps;

import java.security.MessageDigest;
import java.security.NoSuchAlgorithmException;
import org.bouncycastle.asn1.ASN1ObjectIdentifier;
import org.bouncycastle.asn1.nist.NISTObjectIdentifiers;
import org.bouncycastle.asn1.x509.AlgorithmIdentifier;

/** What archive time stamps hash with (FIPS 180-4), the weakest first. */
public enum HashAlgorithm {
    SHA_256("SHA-256", NISTObjectIdentifiers.id_sha256),
    SHA_384("SHA-384", NISTObjectIdentifiers.id_sha384),
    SHA_512("SHA-512", NISTObjectIdentifiers.id_sha512);

    private final String standardName;
    private final ASN1ObjectIdentifier oid;

    HashAlgorithm(String standardName, ASN1ObjectIdentifier oid) {
        this.standardName = standardName;
        this.oid = oid;
    }

    /** For example {@code SHA-256}. */
    public String standardName() {
        return standardName;
    }

    /** Its object identifier. */
    public ASN1ObjectIdentifier oid() {
        return oid;
    }

    AlgorithmIdentifier identifier() {
        // RFC 5754 §2: parameters are left out
        return new AlgorithmIdentifier(oid);
    }

    /** The hash of all parts one behind the other. */
    public byte[] hash(byte[]... parts) {
        try {
            MessageDigest digest = MessageDigest.getInstance(standardName);
            for (byte[] part : parts) digest.update(part);
            return digest.digest();
        } catch (NoSuchAlgorithmException e) {
            throw new IllegalStateException("every Java platform has " + standardName, e);
        }
    }
}
