package org.jalousie.core.evidence;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.security.KeyPair;
import java.security.KeyPairGenerator;
import java.security.NoSuchAlgorithmException;
import java.security.cert.X509Certificate;
import java.time.Clock;
import java.util.List;
import org.bouncycastle.asn1.ASN1Encodable;
import org.bouncycastle.asn1.x500.X500NameBuilder;
import org.bouncycastle.asn1.x500.style.BCStyle;
import org.bouncycastle.asn1.x509.SubjectPublicKeyInfo;
import org.bouncycastle.tsp.TSPException;
import org.bouncycastle.tsp.TimeStampRequestGenerator;
import org.bouncycastle.tsp.TimeStampResponse;
import org.jalousie.core.evidence.stamps.HashAlgorithm;
import org.jalousie.core.parties.IdentityCheck;
import org.jalousie.standins.trust.CertificateAuthority;
import org.jalousie.standins.trust.TimeStampAuthority;

/** The trust stand-in without HTTP between. */
public final class TestTrust implements TrustService {
    private final CertificateAuthority authority;
    private final TimeStampAuthority stamps;
    private final Credential office;
    private Credential word;

    public TestTrust() {
        this(Clock.systemUTC());
    }

    /** @param clock by which it issues, stamps and publishes */
    public TestTrust(Clock clock) {
        try {
            Path folder = Files.createTempDirectory("trust");
            authority = CertificateAuthority.in(folder, "http://127.0.0.1:9/crl", clock);
            stamps = new TimeStampAuthority(authority, clock);
            office = credentialFor("Office of the museum", "office@museum.example.org");
        } catch (IOException e) {
            throw new IllegalStateException(e);
        }
    }

    @Override
    public byte[] timeStamp(HashAlgorithm algorithm, byte[] hash) {
        try {
            byte[] request = new TimeStampRequestGenerator() {
                {
                    setCertReq(true);
                }
            }.generate(algorithm.oid(), hash).getEncoded();
            return new TimeStampResponse(stamps.answer(request))
                    .getTimeStampToken()
                    .getEncoded();
        } catch (IOException | TSPException e) {
            throw new IllegalStateException(e);
        }
    }

    @Override
    public List<byte[]> revocationLists() {
        return List.of(authority.revocationList());
    }

    @Override
    public List<X509Certificate> anchors() {
        return List.of(authority.root());
    }

    @Override
    public Credential credentialFor(Signatory signatory) {
        return credential(signatory, CertificateAuthority.newKey());
    }

    private Credential credential(Signatory signatory, KeyPair pair) {
        X500NameBuilder subject = new X500NameBuilder(BCStyle.INSTANCE)
                .addRDN(BCStyle.CN, signatory.name())
                .addRDN(BCStyle.E, signatory.mail());
        ASN1Encodable key = SubjectPublicKeyInfo.getInstance(pair.getPublic().getEncoded());
        return new Credential(
                pair.getPrivate(),
                List.of(authority.issue(subject.build(), (SubjectPublicKeyInfo) key), authority.root()));
    }

    @Override
    public Credential officeSeal() {
        return office;
    }

    @Override
    public synchronized Credential officeWordSeal() {
        if (word == null) word = credential(new Signatory("Office of the museum", "", "", IdentityCheck.NONE), rsa());
        return word;
    }

    private static KeyPair rsa() {
        try {
            KeyPairGenerator generator = KeyPairGenerator.getInstance("RSA");
            generator.initialize(3072);
            return generator.generateKeyPair();
        } catch (NoSuchAlgorithmException e) {
            throw new IllegalStateException("every Java platform has RSA", e);
        }
    }
}
