package org.jalousie.standins;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.ByteArrayInputStream;
import java.math.BigInteger;
import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.nio.file.Path;
import java.security.KeyPair;
import java.security.MessageDigest;
import java.security.cert.CertificateFactory;
import java.security.cert.X509CRL;
import java.security.cert.X509Certificate;
import java.time.Clock;
import java.time.Duration;
import java.util.Base64;
import org.bouncycastle.asn1.x500.X500Name;
import org.bouncycastle.operator.jcajce.JcaContentSignerBuilder;
import org.bouncycastle.pkcs.jcajce.JcaPKCS10CertificationRequestBuilder;
import org.bouncycastle.tsp.TSPAlgorithms;
import org.bouncycastle.tsp.TimeStampRequest;
import org.bouncycastle.tsp.TimeStampRequestGenerator;
import org.bouncycastle.tsp.TimeStampResponse;
import org.jalousie.standins.trust.CertificateAuthority;
import org.jalousie.standins.trust.TrustStandin;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

class TrustStandinTest {
    @TempDir
    Path folder;

    private TrustStandin standin;
    private final HttpClient http = HttpClient.newHttpClient();

    @BeforeEach
    void start() {
        standin = new TrustStandin(0, folder, "secret", Clock.systemUTC());
    }

    @AfterEach
    void stop() {
        standin.close();
    }

    private HttpResponse<byte[]> post(String path, byte[] body, String password) throws Exception {
        String login = Base64.getEncoder().encodeToString(("jalousie:" + password).getBytes());
        return http.send(
                HttpRequest.newBuilder(URI.create(standin.address() + path))
                        .header("Authorization", "Basic " + login)
                        .POST(HttpRequest.BodyPublishers.ofByteArray(body))
                        .build(),
                HttpResponse.BodyHandlers.ofByteArray());
    }

    private byte[] get(String path) throws Exception {
        return http.send(
                        HttpRequest.newBuilder(URI.create(standin.address() + path))
                                .build(),
                        HttpResponse.BodyHandlers.ofByteArray())
                .body();
    }

    private static byte[] request(KeyPair pair) throws Exception {
        return Base64.getMimeEncoder()
                .encode(new JcaPKCS10CertificationRequestBuilder(new X500Name("CN=Ida Marsh"), pair.getPublic())
                        .build(new JcaContentSignerBuilder("SHA256withECDSA").build(pair.getPrivate()))
                        .getEncoded());
    }

    private static X509Certificate first(byte[] base64) throws Exception {
        return (X509Certificate) CertificateFactory.getInstance("X.509")
                .generateCertPath(
                        new ByteArrayInputStream(Base64.getMimeDecoder().decode(base64)), "PKCS7")
                .getCertificates()
                .stream()
                .filter(certificate -> ((X509Certificate) certificate).getBasicConstraints() < 0)
                .findFirst()
                .orElse(null);
    }

    // RFC 7030 §4.2
    @Test
    void aCertificateOfShortLifeIsIssuedUnderARootThatSaysItIsAStandIn() throws Exception {
        KeyPair pair = CertificateAuthority.newKey();
        HttpResponse<byte[]> answer = post("/.well-known/est/simpleenroll", request(pair), "secret");
        assertThat(answer.statusCode()).isEqualTo(200);
        X509Certificate issued = first(answer.body());
        assertThat(issued.getPublicKey()).isEqualTo(pair.getPublic());
        assertThat(issued.getIssuerX500Principal().getName())
                .contains("Stand-in")
                .contains("not for production");
        assertThat(Duration.between(
                        issued.getNotBefore().toInstant(), issued.getNotAfter().toInstant()))
                .isLessThan(Duration.ofDays(8));
    }

    @Test
    void enrolmentNeedsThePasswordAndAGoodRequest() throws Exception {
        assertThat(post("/.well-known/est/simpleenroll", request(CertificateAuthority.newKey()), "guess")
                        .statusCode())
                .isEqualTo(401);
        assertThat(post("/.well-known/est/simpleenroll", "nonsense".getBytes(), "secret")
                        .statusCode())
                .isEqualTo(400);
    }

    // RFC 3161 §2.4.2: the answer fits the request and its nonce
    @Test
    void aTimeStampFitsItsRequest() throws Exception {
        TimeStampRequest request = new TimeStampRequestGenerator()
                .generate(
                        TSPAlgorithms.SHA256,
                        MessageDigest.getInstance("SHA-256").digest(new byte[3]),
                        BigInteger.TEN);
        TimeStampResponse response =
                new TimeStampResponse(post("/tsa", request.getEncoded(), "").body());
        response.validate(request);
        assertThat(response.getTimeStampToken().getTimeStampInfo().getGenTime().toInstant())
                .isBetween(
                        java.time.Instant.now().minusSeconds(30),
                        java.time.Instant.now().plusSeconds(5));
    }

    @Test
    void theRevocationListIsSignedByTheRootAndTheKeysStayOverARestart() throws Exception {
        X509CRL list =
                (X509CRL) CertificateFactory.getInstance("X.509").generateCRL(new ByteArrayInputStream(get("/crl")));
        CertificateAuthority sameAgain = CertificateAuthority.in(folder, "http://127.0.0.1:9/crl", Clock.systemUTC());
        list.verify(sameAgain.root().getPublicKey());
        assertThat(list.getRevokedCertificates()).isNull();
    }
}
