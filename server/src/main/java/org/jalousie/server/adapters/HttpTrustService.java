package org.jalousie.server.adapters;

import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.math.BigInteger;
import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.nio.charset.StandardCharsets;
import java.security.GeneralSecurityException;
import java.security.KeyPair;
import java.security.KeyPairGenerator;
import java.security.SecureRandom;
import java.security.cert.CertificateFactory;
import java.security.cert.X509CRL;
import java.security.cert.X509Certificate;
import java.security.spec.AlgorithmParameterSpec;
import java.security.spec.ECGenParameterSpec;
import java.security.spec.RSAKeyGenParameterSpec;
import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Base64;
import java.util.Comparator;
import java.util.List;
import java.util.concurrent.CompletableFuture;
import java.util.concurrent.atomic.AtomicReference;
import org.bouncycastle.asn1.x500.X500Name;
import org.bouncycastle.asn1.x500.X500NameBuilder;
import org.bouncycastle.asn1.x500.style.BCStyle;
import org.bouncycastle.operator.OperatorCreationException;
import org.bouncycastle.operator.jcajce.JcaContentSignerBuilder;
import org.bouncycastle.pkcs.jcajce.JcaPKCS10CertificationRequestBuilder;
import org.bouncycastle.tsp.TSPException;
import org.bouncycastle.tsp.TimeStampRequest;
import org.bouncycastle.tsp.TimeStampRequestGenerator;
import org.bouncycastle.tsp.TimeStampResponse;
import org.jalousie.core.evidence.Credential;
import org.jalousie.core.evidence.TrustService;
import org.jalousie.core.evidence.stamps.HashAlgorithm;
import org.jalousie.core.messages.Catalogue;
import org.jalousie.core.messages.Message;
import org.jalousie.core.parties.IdentityCheck;
import org.jalousie.server.Settings;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.stereotype.Component;

/** A trust service spoken to by its protocols: EST (RFC 7030) for certificates, RFC 3161 over HTTP for time stamps, HTTP for lists. */
@Component
class HttpTrustService implements TrustService {
    private static final Logger LOG = LoggerFactory.getLogger(HttpTrustService.class);
    private static final AlgorithmParameterSpec P256 = new ECGenParameterSpec("secp256r1");
    private static final AlgorithmParameterSpec RSA_3072 = new RSAKeyGenParameterSpec(3072, RSAKeyGenParameterSpec.F4);

    /** How long it isn't asked whether it has other roots. */
    private static final Duration ROOTS_HOLD = Duration.ofHours(1);

    private static final Duration ROOTS_HOLD_AWAY = Duration.ofMinutes(1);

    private final HttpClient http =
            HttpClient.newBuilder().connectTimeout(Duration.ofSeconds(5)).build();
    private final SecureRandom random = new SecureRandom();
    private final Settings settings;
    private final Clock clock;
    private final KnownAnchors known;
    private final AtomicReference<Roots> roots = new AtomicReference<>(new Roots(List.of(), Instant.EPOCH));
    private Credential office;
    private Credential word;

    HttpTrustService(Settings settings, KnownAnchors known, Clock clock) {
        this.settings = settings;
        this.known = known;
        this.clock = clock;
    }

    @Override
    public byte[] timeStamp(HashAlgorithm algorithm, byte[] hash) {
        try {
            TimeStampRequestGenerator generator = new TimeStampRequestGenerator();
            generator.setCertReq(true);
            TimeStampRequest request = generator.generate(algorithm.oid(), hash, new BigInteger(63, random));
            byte[] answer = send(HttpRequest.newBuilder(address("/tsa"))
                    .header("Content-Type", "application/timestamp-query")
                    .POST(HttpRequest.BodyPublishers.ofByteArray(request.getEncoded())));
            TimeStampResponse response = new TimeStampResponse(answer);
            response.validate(request);
            return response.getTimeStampToken().getEncoded();
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        } catch (TSPException e) {
            throw new IllegalStateException("The time-stamp service gave no usable time stamp.", e);
        }
    }

    @Override
    public List<byte[]> revocationLists() {
        byte[] list = send(HttpRequest.newBuilder(address("/crl")).GET());
        forgetWhatItDoesNotAnswerFor(list);
        return List.of(list);
    }

    /** By a service that issues from another authority now, nothing shows that what the last one issued still holds. */
    private synchronized void forgetWhatItDoesNotAnswerFor(byte[] list) {
        if (office != null && !answersFor(office, list)) office = null;
        if (word != null && !answersFor(word, list)) word = null;
    }

    private static boolean answersFor(Credential one, byte[] list) {
        if (one.chain().size() < 2) return true;
        try {
            X509CRL read =
                    (X509CRL) CertificateFactory.getInstance("X.509").generateCRL(new ByteArrayInputStream(list));
            read.verify(one.chain().get(1).getPublicKey());
            return true;
        } catch (GeneralSecurityException e) {
            return false;
        }
    }

    @Override
    public List<X509Certificate> anchors() {
        Roots now = roots.get();
        if (now.all().isEmpty()) now = firstRoots();
        if (clock.instant().isBefore(now.until()) || !roots.compareAndSet(now, now.until(soon()))) return now.all();
        // those that are known are good meanwhile: nobody waits for a service that hangs
        CompletableFuture.runAsync(this::askForRoots).exceptionally(e -> {
            LOG.info("the trust service wasn't asked for its roots: {}", e.getMessage());
            return null;
        });
        return now.all();
    }

    /** Roots that are known. @param until when it is asked whether there are others */
    private record Roots(List<X509Certificate> all, Instant until) {
        Roots until(Instant other) {
            return new Roots(all, other);
        }
    }

    private Instant soon() {
        return clock.instant().plus(ROOTS_HOLD_AWAY);
    }

    private synchronized Roots firstRoots() {
        if (!roots.get().all().isEmpty()) return roots.get();
        List<X509Certificate> seen = known.all();
        if (seen.isEmpty()) askForRoots();
        else roots.set(new Roots(seen, Instant.EPOCH));
        return roots.get();
    }

    private void askForRoots() {
        known.note(certificates(
                send(HttpRequest.newBuilder(address("/.well-known/est/cacerts")).GET())));
        roots.set(new Roots(known.all(), clock.instant().plus(ROOTS_HOLD)));
    }

    @Override
    public Credential credentialFor(Signatory signatory) {
        X500NameBuilder subject = new X500NameBuilder(BCStyle.INSTANCE)
                .addRDN(BCStyle.CN, signatory.name())
                .addRDN(BCStyle.E, signatory.mail());
        // ITU-T X.520, the attributes telephoneNumber and description: how it is known who they are
        if (!signatory.phone().isEmpty()) subject.addRDN(BCStyle.TELEPHONE_NUMBER, signatory.phone());
        if (signatory.shownBy() != IdentityCheck.NONE)
            subject.addRDN(
                    BCStyle.DESCRIPTION,
                    "Identity shown by "
                            + Catalogue.ENGLISH.say(
                                    "check." + signatory.shownBy().code()));
        return enroll(subject.build(), key("EC", P256));
    }

    @Override
    public synchronized Credential officeSeal() {
        if (office == null || endsSoon(office)) office = enroll(officeName(), key("EC", P256));
        return office;
    }

    @Override
    public synchronized Credential officeWordSeal() {
        if (word == null || endsSoon(word)) word = enroll(officeName(), key("RSA", RSA_3072));
        return word;
    }

    private boolean endsSoon(Credential one) {
        Instant soon = clock.instant().plus(Duration.ofDays(1));
        return one.certificate().getNotAfter().toInstant().isBefore(soon);
    }

    private X500Name officeName() {
        return new X500NameBuilder(BCStyle.INSTANCE)
                .addRDN(BCStyle.CN, settings.office().name())
                .addRDN(BCStyle.O, settings.office().name())
                .build();
    }

    private static KeyPair key(String kind, AlgorithmParameterSpec parameters) {
        try {
            KeyPairGenerator generator = KeyPairGenerator.getInstance(kind);
            generator.initialize(parameters);
            return generator.generateKeyPair();
        } catch (GeneralSecurityException e) {
            throw new IllegalStateException("a signing key can't be made", e);
        }
    }

    // RFC 7030 §4.2: a PKCS#10 request in base64, answered by a certs-only CMS message
    private Credential enroll(X500Name subject, KeyPair pair) {
        try {
            String signature = "SHA256with" + (pair.getPrivate().getAlgorithm().equals("RSA") ? "RSA" : "ECDSA");
            byte[] request = new JcaPKCS10CertificationRequestBuilder(subject, pair.getPublic())
                    .build(new JcaContentSignerBuilder(signature).build(pair.getPrivate()))
                    .getEncoded();
            String login = Base64.getEncoder()
                    .encodeToString(("jalousie:" + settings.trust().secret()).getBytes(StandardCharsets.UTF_8));
            byte[] answer = send(HttpRequest.newBuilder(address("/.well-known/est/simpleenroll"))
                    .header("Content-Type", "application/pkcs10")
                    .header("Authorization", "Basic " + login)
                    .POST(HttpRequest.BodyPublishers.ofByteArray(
                            Base64.getMimeEncoder().encode(request))));
            List<X509Certificate> chain = new ArrayList<>(certificates(answer));
            chain.sort(Comparator.comparing(
                    certificate -> !certificate.getPublicKey().equals(pair.getPublic())));
            return new Credential(pair.getPrivate(), chain);
        } catch (OperatorCreationException e) {
            throw new IllegalStateException("a signing key can't be used", e);
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    private static List<X509Certificate> certificates(byte[] base64Message) {
        try {
            byte[] message = Base64.getMimeDecoder().decode(base64Message);
            return CertificateFactory.getInstance("X.509")
                    .generateCertPath(new ByteArrayInputStream(message), "PKCS7")
                    .getCertificates()
                    .stream()
                    .map(X509Certificate.class::cast)
                    .toList();
        } catch (GeneralSecurityException e) {
            throw new IllegalStateException("The trust service answered with something that is no certificate.", e);
        }
    }

    private URI address(String path) {
        return URI.create(settings.trust().address() + path);
    }

    private byte[] send(HttpRequest.Builder request) {
        try {
            HttpResponse<byte[]> response =
                    http.send(request.timeout(Duration.ofSeconds(15)).build(), HttpResponse.BodyHandlers.ofByteArray());
            if (response.statusCode() >= 500 || response.statusCode() == 429)
                throw new ServiceAway(
                        ServiceAway.Service.TRUST,
                        Message.of("trust.status", "status", String.valueOf(response.statusCode())),
                        null);
            if (response.statusCode() != 200)
                throw new IllegalStateException(
                        "The trust service answered with status " + response.statusCode() + ".");
            return response.body();
        } catch (IOException e) {
            throw new ServiceAway(ServiceAway.Service.TRUST, Message.of("trust.unreachable"), e);
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
            throw new IllegalStateException("interrupted", e);
        }
    }
}
