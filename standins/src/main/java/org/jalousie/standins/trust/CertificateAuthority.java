package org.jalousie.standins.trust;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.math.BigInteger;
import java.nio.file.Files;
import java.nio.file.Path;
import java.security.GeneralSecurityException;
import java.security.KeyPair;
import java.security.KeyPairGenerator;
import java.security.KeyStore;
import java.security.PrivateKey;
import java.security.SecureRandom;
import java.security.cert.X509Certificate;
import java.security.spec.ECGenParameterSpec;
import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.util.Date;
import java.util.Map;
import java.util.concurrent.ConcurrentHashMap;
import org.bouncycastle.asn1.x500.X500Name;
import org.bouncycastle.asn1.x509.BasicConstraints;
import org.bouncycastle.asn1.x509.CRLDistPoint;
import org.bouncycastle.asn1.x509.DistributionPoint;
import org.bouncycastle.asn1.x509.DistributionPointName;
import org.bouncycastle.asn1.x509.ExtendedKeyUsage;
import org.bouncycastle.asn1.x509.Extension;
import org.bouncycastle.asn1.x509.GeneralName;
import org.bouncycastle.asn1.x509.GeneralNames;
import org.bouncycastle.asn1.x509.KeyPurposeId;
import org.bouncycastle.asn1.x509.KeyUsage;
import org.bouncycastle.asn1.x509.SubjectPublicKeyInfo;
import org.bouncycastle.cert.X509v3CertificateBuilder;
import org.bouncycastle.cert.jcajce.JcaX509CertificateConverter;
import org.bouncycastle.cert.jcajce.JcaX509ExtensionUtils;
import org.bouncycastle.cert.jcajce.JcaX509v2CRLBuilder;
import org.bouncycastle.operator.ContentSigner;
import org.bouncycastle.operator.OperatorCreationException;
import org.bouncycastle.operator.jcajce.JcaContentSignerBuilder;

/**
 * A certificate authority (RFC 5280) for demonstration and tests: one root that issues certificates of short life and an
 * empty revocation list. Every name it writes says that it is a stand-in.
 */
public final class CertificateAuthority {
    private static final X500Name ROOT =
            new X500Name("CN=Jalousie Stand-in Root CA (not for production),O=Jalousie Stand-in Trust Service,C=ZZ");
    private static final char[] PASSWORD = "stand-in".toCharArray();
    /** How long a signer's certificate lives. */
    public static final Duration SIGNER_LIFE = Duration.ofDays(7);

    /** How long a key makes time stamps; its certificate lives longer, for those who check them. */
    private static final Duration UNIT_USE = Duration.ofDays(365);

    private static final Duration UNIT_LIFE = Duration.ofDays(1825);

    private final Path file;
    private final KeyStore store;
    private final Map<String, PrivateKey> keys = new ConcurrentHashMap<>();
    private final String crlAddress;
    private final Clock clock;
    private final SecureRandom random = new SecureRandom();

    private CertificateAuthority(Path file, KeyStore store, String crlAddress, Clock clock) {
        this.file = file;
        this.store = store;
        this.crlAddress = crlAddress;
        this.clock = clock;
    }

    /**
     * Opens the authority kept in a folder, or makes a new one there.
     *
     * @param crlAddress where its revocation list will be served; written into every certificate
     */
    public static CertificateAuthority in(Path folder, String crlAddress, Clock clock) {
        try {
            Path file = folder.resolve("stand-in-ca.p12");
            KeyStore store = KeyStore.getInstance("PKCS12");
            if (Files.exists(file)) {
                try (var in = Files.newInputStream(file)) {
                    store.load(in, PASSWORD);
                }
                return new CertificateAuthority(file, store, crlAddress, clock);
            }
            store.load(null, PASSWORD);
            CertificateAuthority authority = new CertificateAuthority(file, store, crlAddress, clock);
            authority.makeRoot();
            Files.createDirectories(folder);
            authority.makeTimeStampUnit(UNIT_LIFE);
            return authority;
        } catch (IOException e) {
            throw new UncheckedIOException("the trust stand-in can't use the folder " + folder, e);
        } catch (GeneralSecurityException e) {
            throw new IllegalStateException("the trust stand-in can't make its keys", e);
        }
    }

    public static KeyPair newKey() {
        try {
            KeyPairGenerator generator = KeyPairGenerator.getInstance("EC");
            generator.initialize(new ECGenParameterSpec("secp256r1"));
            return generator.generateKeyPair();
        } catch (GeneralSecurityException e) {
            throw new IllegalStateException("every Java platform has P-256", e);
        }
    }

    public X509Certificate root() {
        return certificate("root");
    }

    /** What makes time stamps now. */
    record TimeStampUnit(PrivateKey key, X509Certificate certificate) {}

    /** A new one takes over when the one before was in use for a year. */
    synchronized TimeStampUnit timeStampUnit() {
        Instant since = certificate("tsa").getNotBefore().toInstant();
        if (!clock.instant().isBefore(since.plus(UNIT_USE))) newTimeStampUnit(UNIT_LIFE);
        return new TimeStampUnit(key("tsa"), certificate("tsa"));
    }

    /** Another key and certificate make time stamps from now on. @param life of the certificate */
    public synchronized void newTimeStampUnit(Duration life) {
        try {
            makeTimeStampUnit(life);
            keys.remove("tsa");
        } catch (GeneralSecurityException e) {
            throw new IllegalStateException("the trust stand-in can't make its keys", e);
        }
    }

    /** Issues a signing certificate for a subject and key as asked for. */
    public X509Certificate issue(X500Name subject, SubjectPublicKeyInfo key) {
        return issue(subject, key, SIGNER_LIFE, builder -> {
            builder.addExtension(
                    Extension.keyUsage, true, new KeyUsage(KeyUsage.digitalSignature | KeyUsage.nonRepudiation));
        });
    }

    /** The revocation list in force, DER. Nothing is ever revoked here. */
    public byte[] revocationList() {
        try {
            Instant now = clock.instant();
            JcaX509v2CRLBuilder builder =
                    new JcaX509v2CRLBuilder(root().getSubjectX500Principal(), Date.from(now.minusSeconds(1)));
            builder.setNextUpdate(Date.from(now.plus(Duration.ofDays(7))));
            builder.addExtension(
                    Extension.authorityKeyIdentifier,
                    false,
                    new JcaX509ExtensionUtils().createAuthorityKeyIdentifier(root()));
            builder.addExtension(
                    Extension.cRLNumber,
                    false,
                    new org.bouncycastle.asn1.x509.CRLNumber(BigInteger.valueOf(now.getEpochSecond())));
            return builder.build(signer()).getEncoded();
        } catch (GeneralSecurityException | OperatorCreationException | IOException e) {
            throw new IllegalStateException("the revocation list can't be made", e);
        }
    }

    private interface Extending {
        void to(X509v3CertificateBuilder builder) throws IOException;
    }

    private X509Certificate issue(X500Name subject, SubjectPublicKeyInfo key, Duration life, Extending extending) {
        try {
            Instant now = clock.instant();
            X509v3CertificateBuilder builder = new X509v3CertificateBuilder(
                    ROOT,
                    new BigInteger(120, random),
                    Date.from(now.minusSeconds(60)),
                    Date.from(now.plus(life)),
                    subject,
                    key);
            JcaX509ExtensionUtils extensions = new JcaX509ExtensionUtils();
            builder.addExtension(Extension.basicConstraints, true, new BasicConstraints(false));
            builder.addExtension(Extension.subjectKeyIdentifier, false, extensions.createSubjectKeyIdentifier(key));
            builder.addExtension(
                    Extension.authorityKeyIdentifier, false, extensions.createAuthorityKeyIdentifier(root()));
            GeneralNames address = new GeneralNames(new GeneralName(GeneralName.uniformResourceIdentifier, crlAddress));
            builder.addExtension(Extension.cRLDistributionPoints, false, new CRLDistPoint(new DistributionPoint[] {
                new DistributionPoint(new DistributionPointName(address), null, null)
            }));
            extending.to(builder);
            return new JcaX509CertificateConverter().getCertificate(builder.build(signer()));
        } catch (GeneralSecurityException | OperatorCreationException | IOException e) {
            throw new IllegalStateException("the certificate can't be made", e);
        }
    }

    private void makeRoot() throws GeneralSecurityException {
        KeyPair pair = newKey();
        try {
            Instant now = clock.instant();
            SubjectPublicKeyInfo key =
                    SubjectPublicKeyInfo.getInstance(pair.getPublic().getEncoded());
            X509v3CertificateBuilder builder = new X509v3CertificateBuilder(
                    ROOT,
                    new BigInteger(120, random),
                    Date.from(now.minusSeconds(3600)),
                    Date.from(now.plus(Duration.ofDays(3650))),
                    ROOT,
                    key);
            builder.addExtension(Extension.basicConstraints, true, new BasicConstraints(true));
            builder.addExtension(Extension.keyUsage, true, new KeyUsage(KeyUsage.keyCertSign | KeyUsage.cRLSign));
            builder.addExtension(
                    Extension.subjectKeyIdentifier, false, new JcaX509ExtensionUtils().createSubjectKeyIdentifier(key));
            ContentSigner self = new JcaContentSignerBuilder("SHA256withECDSA").build(pair.getPrivate());
            X509Certificate certificate = new JcaX509CertificateConverter().getCertificate(builder.build(self));
            store.setKeyEntry("root", pair.getPrivate(), PASSWORD, new X509Certificate[] {certificate});
        } catch (IOException | OperatorCreationException e) {
            throw new GeneralSecurityException(e);
        }
    }

    private void makeTimeStampUnit(Duration life) throws GeneralSecurityException {
        KeyPair pair = newKey();
        X500Name name = new X500Name("CN=Jalousie Stand-in Time Stamp Unit,O=Jalousie Stand-in Trust Service,C=ZZ");
        X509Certificate certificate =
                issue(name, SubjectPublicKeyInfo.getInstance(pair.getPublic().getEncoded()), life, builder -> {
                    builder.addExtension(Extension.keyUsage, true, new KeyUsage(KeyUsage.digitalSignature));
                    builder.addExtension(
                            Extension.extendedKeyUsage, true, new ExtendedKeyUsage(KeyPurposeId.id_kp_timeStamping));
                });
        store.setKeyEntry("tsa", pair.getPrivate(), PASSWORD, new X509Certificate[] {certificate, root()});
        try (var out = Files.newOutputStream(file)) {
            store.store(out, PASSWORD);
        } catch (IOException e) {
            throw new UncheckedIOException("the trust stand-in can't use the folder " + file.getParent(), e);
        }
    }

    private ContentSigner signer() throws OperatorCreationException {
        return new JcaContentSignerBuilder("SHA256withECDSA").build(key("root"));
    }

    /** Taken out of the store once: its password is stretched on purpose, which takes long. */
    private PrivateKey key(String alias) {
        return keys.computeIfAbsent(alias, this::stored);
    }

    private PrivateKey stored(String alias) {
        try {
            return (PrivateKey) store.getKey(alias, PASSWORD);
        } catch (GeneralSecurityException e) {
            throw new IllegalStateException("the trust stand-in's key " + alias + " can't be read", e);
        }
    }

    private X509Certificate certificate(String alias) {
        try {
            return (X509Certificate) store.getCertificate(alias);
        } catch (GeneralSecurityException e) {
            throw new IllegalStateException("the trust stand-in's certificate " + alias + " can't be read", e);
        }
    }
}
