package org.jalousie.standins.trust;

import com.sun.net.httpserver.HttpExchange;
import com.sun.net.httpserver.HttpServer;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.net.InetAddress;
import java.net.InetSocketAddress;
import java.nio.charset.StandardCharsets;
import java.nio.file.Path;
import java.security.cert.X509Certificate;
import java.time.Clock;
import java.time.Duration;
import java.util.Base64;
import java.util.List;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import org.bouncycastle.cert.jcajce.JcaCertStore;
import org.bouncycastle.cms.CMSAbsentContent;
import org.bouncycastle.cms.CMSSignedDataGenerator;
import org.bouncycastle.operator.jcajce.JcaContentVerifierProviderBuilder;
import org.bouncycastle.pkcs.PKCS10CertificationRequest;

/**
 * The trust service that ships with the product: certificates by EST (RFC 7030 §4.2), time stamps by RFC 3161 over HTTP,
 * the revocation list by HTTP. It listens on loopback only.
 */
public final class TrustStandin implements AutoCloseable {
    private final HttpServer server;
    private final ExecutorService threads = Executors.newFixedThreadPool(4);
    private final String expectedLogin;

    /** @param secret the password that enrolment asks for (HTTP Basic, user {@code jalousie}) */
    public TrustStandin(int port, Path folder, String secret, Clock clock) {
        try {
            server = HttpServer.create(new InetSocketAddress(InetAddress.getByName("127.0.0.1"), port), 50);
        } catch (IOException e) {
            throw new UncheckedIOException(
                    "The trust stand-in can't listen on port " + port + ": " + e.getMessage(), e);
        }
        expectedLogin =
                "Basic " + Base64.getEncoder().encodeToString(("jalousie:" + secret).getBytes(StandardCharsets.UTF_8));
        CertificateAuthority authority = CertificateAuthority.in(folder, address() + "/crl", clock);
        TimeStampAuthority stamps = new TimeStampAuthority(authority, clock);
        server.setExecutor(threads);
        route(
                "/.well-known/est/cacerts",
                exchange -> answer(exchange, "application/pkcs7-mime", certificates(List.of(authority.root()))));
        route("/.well-known/est/simpleenroll", exchange -> enroll(exchange, authority));
        route(
                "/tsa",
                exchange -> answer(
                        exchange,
                        "application/timestamp-reply",
                        stamps.answer(exchange.getRequestBody().readAllBytes())));
        route("/orders/time-stamp-unit", exchange -> newUnit(exchange, authority));
        route("/crl", exchange -> answer(exchange, "application/pkix-crl", authority.revocationList()));
        server.start();
    }

    /** The base address, for example {@code http://127.0.0.1:7310}. */
    public String address() {
        return "http://127.0.0.1:" + server.getAddress().getPort();
    }

    private boolean isKnown(HttpExchange exchange) throws IOException {
        if (expectedLogin.equals(exchange.getRequestHeaders().getFirst("Authorization"))) return true;
        exchange.getResponseHeaders().set("WWW-Authenticate", "Basic realm=\"stand-in\"");
        exchange.sendResponseHeaders(401, -1);
        return false;
    }

    /** An order of tests and demonstrations: the body says how many seconds the certificate of the next unit lives. */
    private void newUnit(HttpExchange exchange, CertificateAuthority authority) throws IOException {
        if (!isKnown(exchange)) return;
        String seconds = new String(exchange.getRequestBody().readAllBytes(), StandardCharsets.UTF_8);
        if (!seconds.matches("[1-9][0-9]{0,8}")) {
            exchange.sendResponseHeaders(400, -1);
            return;
        }
        authority.newTimeStampUnit(Duration.ofSeconds(Long.parseLong(seconds)));
        exchange.sendResponseHeaders(204, -1);
    }

    private void enroll(HttpExchange exchange, CertificateAuthority authority) throws IOException {
        if (!isKnown(exchange)) return;
        try {
            PKCS10CertificationRequest request = new PKCS10CertificationRequest(
                    Base64.getMimeDecoder().decode(exchange.getRequestBody().readAllBytes()));
            if (!request.isSignatureValid(new JcaContentVerifierProviderBuilder()
                    .setProvider(new org.bouncycastle.jce.provider.BouncyCastleProvider())
                    .build(request.getSubjectPublicKeyInfo()))) {
                exchange.sendResponseHeaders(400, -1);
                return;
            }
            X509Certificate issued = authority.issue(request.getSubject(), request.getSubjectPublicKeyInfo());
            answer(
                    exchange,
                    "application/pkcs7-mime; smime-type=certs-only",
                    certificates(List.of(issued, authority.root())));
        } catch (IOException
                | IllegalArgumentException
                | org.bouncycastle.operator.OperatorCreationException
                | org.bouncycastle.pkcs.PKCSException e) {
            System.err.println("Enrolment refused: " + e.getMessage());
            exchange.sendResponseHeaders(400, -1);
        }
    }

    // RFC 7030 §4.2.3: a certs-only CMS message, base64
    private static byte[] certificates(List<X509Certificate> chain) throws IOException {
        try {
            CMSSignedDataGenerator generator = new CMSSignedDataGenerator();
            generator.addCertificates(new JcaCertStore(chain));
            return Base64.getMimeEncoder()
                    .encode(generator.generate(new CMSAbsentContent(), false).getEncoded());
        } catch (org.bouncycastle.cms.CMSException | java.security.cert.CertificateEncodingException e) {
            throw new IOException(e);
        }
    }

    private interface Answering {
        void to(HttpExchange exchange) throws IOException;
    }

    private void route(String path, Answering answering) {
        server.createContext(path, exchange -> {
            try (exchange) {
                answering.to(exchange);
            }
        });
    }

    private static void answer(HttpExchange exchange, String type, byte[] body) throws IOException {
        exchange.getResponseHeaders().set("Content-Type", type);
        exchange.sendResponseHeaders(200, body.length);
        exchange.getResponseBody().write(body);
    }

    @Override
    public void close() {
        server.stop(0);
        threads.shutdownNow();
    }
}
