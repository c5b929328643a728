package org.jalousie.core.evidence.roots;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.Instant;
import java.util.Base64;
import java.util.HexFormat;
import java.util.List;
import java.util.stream.IntStream;
import org.jalousie.core.data.Sha256;
import org.jalousie.core.evidence.TestTrust;
import org.jalousie.core.evidence.stamps.TimeStampToken;
import org.jalousie.core.json.Json;
import org.junit.jupiter.api.Test;

class DailyRootTest {
    private static final TestTrust TRUST = new TestTrust();
    private static final TestTrust OTHERS = new TestTrust();
    private static final Instant AT = Instant.parse("2026-11-28T02:00:00Z");

    private static List<Leaf> leaves(int count) {
        return IntStream.range(0, count)
                .mapToObj(i -> new Leaf("A-2026-%04d".formatted(i + 1), i + 1, Sha256.of(new byte[] {(byte) i})))
                .toList();
    }

    private static byte[] stamp(TestTrust trust, DailyRoot root) {
        return trust.timeStamp(HexFormat.of().parseHex(root.hash().hex()));
    }

    @Test
    void whatIsStampedIsCanonicalJson() {
        DailyRoot root = DailyRoot.of(1, AT, leaves(2), DailyRoot.NONE);
        assertThat(new String(root.bytes()))
                .isEqualTo("{\"agreements\":2,\"at\":\"2026-11-28T02:00:00Z\",\"number\":1,\"previous\":\""
                        + "0".repeat(64) + "\",\"root\":\"" + root.root() + "\"}");
        assertThat(new String(leaves(1).get(0).bytes()))
                .isEqualTo(
                        "{\"agreement\":\"A-2026-0001\",\"events\":1,\"hash\":\"" + Sha256.of(new byte[] {0}) + "\"}");
    }

    @Test
    void aProofHoldsAfterItWasWrittenAndReadAndFailsWhenAnythingOfItIsOther() {
        DailyRoot root = DailyRoot.of(7, AT, leaves(5), Sha256.of(new byte[] {9}));
        Inclusion proof = Inclusion.of(4, leaves(5), root, stamp(TRUST, root));
        String written = Json.canonical(proof);
        assertThat(written).contains("\"timeStamp\":\"" + Base64.getEncoder().encodeToString(proof.timeStamp()));
        Inclusion read = Json.MAPPER.readValue(written, Inclusion.class);
        assertThat(read.holds()).isTrue();
        assertThat(read.root()).isEqualTo(root);
        Leaf fewer = new Leaf("A-2026-0005", 4, proof.leaf().hash());
        assertThat(new Inclusion(fewer, 4, proof.path(), root, proof.timeStamp()).holds())
                .isFalse();
        assertThat(new Inclusion(proof.leaf(), 3, proof.path(), root, proof.timeStamp()).holds())
                .isFalse();
        assertThat(new Inclusion(proof.leaf(), 9, proof.path(), root, proof.timeStamp()).holds())
                .isFalse();
    }

    @Test
    void oneAgreementLessOrMoreIsAnotherRoot() {
        DailyRoot root = DailyRoot.of(1, AT, leaves(5), DailyRoot.NONE);
        assertThat(DailyRoot.of(1, AT, leaves(4), DailyRoot.NONE).root()).isNotEqualTo(root.root());
        assertThat(DailyRoot.of(1, AT, leaves(5), Sha256.of(new byte[0])).hash())
                .isNotEqualTo(root.hash());
        assertThat(DailyRoot.of(1, AT, List.of(), DailyRoot.NONE).agreements()).isZero();
    }

    @Test
    void aTimeStampIsTakenFromWhoIsTrustedAndOverThisOnly() {
        DailyRoot root = DailyRoot.of(1, AT, leaves(3), DailyRoot.NONE);
        byte[] token = stamp(TRUST, root);
        assertThat(TimeStampToken.read(token, root.hash(), TRUST.anchors()))
                .hasValueSatisfying(one -> assertThat(one.by()).contains("CN="));
        assertThat(TimeStampToken.read(token, Sha256.of(new byte[0]), TRUST.anchors()))
                .isEmpty();
        assertThat(TimeStampToken.read(stamp(OTHERS, root), root.hash(), TRUST.anchors()))
                .isEmpty();
        assertThat(TimeStampToken.read(token, root.hash(), List.of())).isEmpty();
        assertThat(TimeStampToken.read("no token".getBytes(), root.hash(), TRUST.anchors()))
                .isEmpty();
        byte[] changed = token.clone();
        changed[changed.length - 3] ^= 1;
        assertThat(TimeStampToken.read(changed, root.hash(), TRUST.anchors())).isEmpty();
    }
}
