package org.jalousie.core.evidence;

import java.io.ByteArrayInputStream;
import java.nio.charset.StandardCharsets;
import java.security.GeneralSecurityException;
import java.security.Signature;
import java.security.cert.CertificateEncodingException;
import java.security.cert.CertificateException;
import java.security.cert.CertificateFactory;
import java.security.cert.X509Certificate;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Base64;
import java.util.List;
import java.util.Optional;
import org.jalousie.core.json.Json;

/**
 * A text under the office's signature: a JWS in its compact form (RFC 7515 §7.1), by ECDSA with P-256 (RFC 7518 §3.4), with the
 * certificates that it is checked by.
 */
public final class OfficeStatement {
    private static final String ALGORITHM = "ES256";
    // R and S one after the other, as RFC 7518 §3.4 wants them
    private static final String SIGNATURE = "SHA256withECDSAinP1363Format";
    private static final Base64.Encoder TO = Base64.getUrlEncoder().withoutPadding();

    private OfficeStatement() {}

    private record Header(String alg, List<String> x5c) {}

    /** Puts a text under the office's signature. */
    public static String sign(String text, Credential office) {
        try {
            List<String> chain = new ArrayList<>();
            for (X509Certificate one : office.chain())
                chain.add(Base64.getEncoder().encodeToString(one.getEncoded()));
            String signed = encoded(Json.canonical(new Header(ALGORITHM, chain))) + "." + encoded(text);
            Signature signature = Signature.getInstance(SIGNATURE);
            signature.initSign(office.key());
            signature.update(signed.getBytes(StandardCharsets.US_ASCII));
            return signed + "." + TO.encodeToString(signature.sign());
        } catch (CertificateEncodingException e) {
            throw new IllegalArgumentException("a certificate that can't be written", e);
        } catch (GeneralSecurityException e) {
            throw new IllegalStateException("the signing key can't be used", e);
        }
    }

    private static String encoded(String text) {
        return TO.encodeToString(text.getBytes(StandardCharsets.UTF_8));
    }

    /**
     * The text that was signed.
     *
     * @param at when it was, at which its certificate has to be good
     * @param anchors certificates that are trusted by themselves
     * @return empty when it isn't a signed text, doesn't hold, or was signed by nobody who is trusted
     */
    public static Optional<String> read(String jws, Instant at, List<X509Certificate> anchors) {
        try {
            String[] parts = jws.split("\\.", -1);
            if (parts.length != 3) return Optional.empty();
            Header header = Json.MAPPER.readValue(decoded(parts[0]), Header.class);
            if (!ALGORITHM.equals(header.alg())) return Optional.empty();
            List<X509Certificate> chain = new ArrayList<>();
            for (String one : header.x5c()) chain.add(certificate(one));
            Signature signature = Signature.getInstance(SIGNATURE);
            signature.initVerify(chain.get(0));
            signature.update((parts[0] + "." + parts[1]).getBytes(StandardCharsets.US_ASCII));
            if (!signature.verify(Base64.getUrlDecoder().decode(parts[2]))) return Optional.empty();
            CertificatePath.require(chain.get(0), chain, anchors, at);
            return Optional.of(new String(decoded(parts[1]), StandardCharsets.UTF_8));
        } catch (GeneralSecurityException | RuntimeException e) {
            return Optional.empty();
        }
    }

    private static byte[] decoded(String part) {
        return Base64.getUrlDecoder().decode(part);
    }

    private static X509Certificate certificate(String encoded) throws CertificateException {
        return (X509Certificate) CertificateFactory.getInstance("X.509")
                .generateCertificate(
                        new ByteArrayInputStream(Base64.getDecoder().decode(encoded)));
    }
}
