package org.jalousie.core.evidence;

import static org.assertj.core.api.Assertions.assertThat;

import com.nimbusds.jose.JWSAlgorithm;
import com.nimbusds.jose.JWSHeader;
import com.nimbusds.jose.JWSObject;
import com.nimbusds.jose.Payload;
import com.nimbusds.jose.crypto.ECDSASigner;
import com.nimbusds.jose.crypto.ECDSAVerifier;
import com.nimbusds.jose.util.Base64;
import java.nio.charset.StandardCharsets;
import java.security.interfaces.ECPrivateKey;
import java.security.interfaces.ECPublicKey;
import java.time.Duration;
import java.time.Instant;
import java.util.List;
import org.junit.jupiter.api.Test;

/** Against RFC 7515, with a library of others (Nimbus JOSE + JWT, from the registry). */
class OfficeStatementTest {
    private static final TestTrust TRUST = new TestTrust();
    private static final TestTrust OTHERS = new TestTrust();
    private static final String TEXT = "{\"number\":\"A-2016-0007\",\"was\":\"Überlassung\"}";

    private static Instant now() {
        return Instant.now();
    }

    @Test
    void theLibraryReadsWhatWasSigned() throws Exception {
        JWSObject read = JWSObject.parse(OfficeStatement.sign(TEXT, TRUST.officeSeal()));
        assertThat(read.getHeader().getAlgorithm()).isEqualTo(JWSAlgorithm.ES256);
        assertThat(read.getHeader().getX509CertChain().get(0).decode())
                .isEqualTo(TRUST.officeSeal().certificate().getEncoded());
        assertThat(read.verify(new ECDSAVerifier(
                        (ECPublicKey) TRUST.officeSeal().certificate().getPublicKey())))
                .isTrue();
        assertThat(read.getPayload().toString()).isEqualTo(TEXT);
    }

    @Test
    void whatTheLibrarySignedIsRead() throws Exception {
        List<Base64> chain = TRUST.officeSeal().chain().stream()
                .map(one -> {
                    try {
                        return Base64.encode(one.getEncoded());
                    } catch (java.security.cert.CertificateEncodingException e) {
                        throw new IllegalStateException(e);
                    }
                })
                .toList();
        JWSObject made = new JWSObject(
                new JWSHeader.Builder(JWSAlgorithm.ES256).x509CertChain(chain).build(), new Payload(TEXT));
        made.sign(new ECDSASigner((ECPrivateKey) TRUST.officeSeal().key()));
        assertThat(OfficeStatement.read(made.serialize(), now(), TRUST.anchors()))
                .contains(TEXT);
    }

    @Test
    void whatWasChangedOrIsNobodysWhoIsTrustedIsntRead() {
        String jws = OfficeStatement.sign(TEXT, TRUST.officeSeal());
        assertThat(OfficeStatement.read(jws, now(), TRUST.anchors())).contains(TEXT);
        assertThat(OfficeStatement.read(jws, now(), OTHERS.anchors())).isEmpty();
        String[] parts = jws.split("\\.");
        String other = java.util.Base64.getUrlEncoder()
                .withoutPadding()
                .encodeToString(TEXT.replace("0007", "0008").getBytes(StandardCharsets.UTF_8));
        assertThat(OfficeStatement.read(parts[0] + "." + other + "." + parts[2], now(), TRUST.anchors()))
                .isEmpty();
        String foreign = OfficeStatement.sign(TEXT, OTHERS.officeSeal());
        assertThat(OfficeStatement.read(
                        parts[0] + "." + parts[1] + "." + foreign.split("\\.")[2], now(), TRUST.anchors()))
                .isEmpty();
        assertThat(OfficeStatement.read(jws, now().minus(Duration.ofDays(36_500)), TRUST.anchors()))
                .isEmpty();
    }

    @Test
    void whatIsNoSignedTextIsntRead() {
        String unsigned = java.util.Base64.getUrlEncoder()
                        .withoutPadding()
                        .encodeToString("{\"alg\":\"none\"}".getBytes(StandardCharsets.UTF_8))
                + ".e30.";
        for (String text : List.of("", ".", "..", "a.b", "a.b.c", "a.b.c.d", unsigned, "\0.\0.\0"))
            assertThat(OfficeStatement.read(text, now(), TRUST.anchors()))
                    .as(text)
                    .isEmpty();
    }
}
