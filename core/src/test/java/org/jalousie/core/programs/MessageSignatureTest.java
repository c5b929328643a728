package org.jalousie.core.programs;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.nio.charset.StandardCharsets;
import java.time.Instant;
import java.util.Base64;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

class MessageSignatureTest {
    /** RFC 9421, appendix B.1.5 (the shared secret) and B.2 (the request). */
    private static final byte[] SECRET = Base64.getDecoder()
            .decode("uzvJfB4u3N0Jy4T7NZ75MDVcr8zSTInedJtkgcu46YW4XByzNJjxBdtjUkdJPBtbmHhIDi6pcl8jsasjlTMtDQ==");

    private static final SignedMessage REQUEST = request("POST", Map.of());

    private static SignedMessage request(String method, Map<String, String> more) {
        Map<String, String> fields = new LinkedHashMap<>(
                Map.of(
                        "host", "example.com",
                        "date", "Tue, 20 Apr 2021 02:07:55 GMT",
                        "content-type", "application/json",
                        "content-digest",
                                "sha-512=:WZDPaVn/7XgHaAy8pmojAkGWoRx2UFChF41A2svX+TaPm+AbwAgBWnrIiYllu7BNNyealdVLvRwEmTHWXvJwew==:"));
        fields.putAll(more);
        return new SignedMessage(
                method,
                "https://example.com/foo?param=Value&Pet=dog",
                "example.com",
                "/foo",
                "param=Value&Pet=dog",
                fields);
    }

    @Test
    void theWorkedExampleOfTheStandardHolds() throws Exception {
        // RFC 9421, appendix B.2.5
        List<MessageSignature> all = MessageSignature.read(
                "sig-b25=(\"date\" \"@authority\" \"content-type\");created=1618884473;keyid=\"test-shared-secret\"",
                "sig-b25=:pxcQw6G3AjtMBQjwo8XzkZf/bws5LelbaMk5rGIGtE8=:");
        assertThat(all).hasSize(1);
        MessageSignature one = all.get(0);
        assertThat(one.keyId()).isEqualTo("test-shared-secret");
        assertThat(one.created()).contains(Instant.ofEpochSecond(1618884473));
        assertThat(one.holds(REQUEST, SECRET)).isTrue();
        assertThat(one.holds(request("POST", Map.of("date", "Tue, 20 Apr 2021 02:07:56 GMT")), SECRET))
                .isFalse();
        assertThat(one.holds(REQUEST, "another".getBytes(StandardCharsets.US_ASCII)))
                .isFalse();
    }

    @Test
    void theWorkedExamplesOfDigestsHold() {
        // RFC 9530, appendix B.1 (from memory) and RFC 9421, appendix B.2
        byte[] body = "{\"hello\": \"world\"}".getBytes(StandardCharsets.UTF_8);
        assertThat(ContentDigest.holds(REQUEST.fields().get("content-digest"), body))
                .isTrue();
        assertThat(ContentDigest.of(body)).isEqualTo("sha-256=:X48E9qOokqqrvdts8nOJRJN3OWDUoyWxBf7kbu9DBPE=:");
        assertThat(ContentDigest.holds(ContentDigest.of(body), body)).isTrue();
        assertThat(ContentDigest.holds(ContentDigest.of(body), new byte[0])).isFalse();
        assertThat(ContentDigest.holds("md5=:AAAA:", body)).isFalse();
        assertThat(ContentDigest.holds("nonsense", body)).isFalse();
        assertThat(ContentDigest.holds(ContentDigest.of(body) + ", sha-512=:AAAA:", body))
                .isFalse();
    }

    @Test
    void eachOfSeveralSecretsSigns() throws Exception {
        Map<String, byte[]> secrets = new LinkedHashMap<>();
        secrets.put("new", new byte[] {1});
        secrets.put("old", new byte[] {2});
        Instant now = Instant.parse("2027-03-15T09:00:00Z");
        MessageSignature.Fields fields = MessageSignature.sign(
                REQUEST,
                List.of("@method", "@target-uri", "@path", "@query", "content-digest"),
                now,
                Optional.of("n1"),
                secrets);
        List<MessageSignature> all = MessageSignature.read(fields.input(), fields.signature());
        assertThat(all).extracting(MessageSignature::keyId).containsExactly("new", "old");
        assertThat(all).extracting(MessageSignature::nonce).containsOnly("n1");
        assertThat(all).allMatch(one -> one.created().equals(Optional.of(now)));
        assertThat(all.get(0).holds(REQUEST, new byte[] {1})).isTrue();
        assertThat(all.get(1).holds(REQUEST, new byte[] {2})).isTrue();
        assertThat(all.get(1).holds(REQUEST, new byte[] {1})).isFalse();
        assertThat(all.get(0).holds(request("PUT", Map.of()), new byte[] {1})).isFalse();
    }

    @ParameterizedTest
    @ValueSource(
            strings = {
                "",
                "nonsense(",
                "a=1",
                "a=(1)",
                "a=(\"@method\");alg=\"rsa-v1_5-sha256\"",
                "a=(\"@method\");created=\"now\"",
                "a=(\"@method\");keyid=7",
                "a=(\"@method\" \"@method\")",
                "a=(\"content-type\";sf)",
                "b=(\"@method\")"
            })
    void whatIsNoSignatureIsToldSo(String input) throws Exception {
        if (input.isEmpty())
            assertThat(MessageSignature.read(input, "a=:AAAA:")).isEmpty();
        else
            assertThatThrownBy(() -> MessageSignature.read(input, "a=:AAAA:"))
                    .isInstanceOf(MessageSignature.Unreadable.class);
    }

    @Test
    void whatTheMessageLacksIsNotCovered() throws Exception {
        MessageSignature one =
                MessageSignature.read("a=(\"x-missing\")", "a=:AAAA:").get(0);
        assertThat(one.holds(REQUEST, SECRET)).isFalse();
        MessageSignature derived =
                MessageSignature.read("a=(\"@status\")", "a=:AAAA:").get(0);
        assertThat(derived.holds(REQUEST, SECRET)).isFalse();
        assertThatThrownBy(() -> MessageSignature.sign(
                        REQUEST, List.of("x-missing"), Instant.EPOCH, Optional.empty(), Map.of("k", SECRET)))
                .isInstanceOf(IllegalArgumentException.class);
    }
}
