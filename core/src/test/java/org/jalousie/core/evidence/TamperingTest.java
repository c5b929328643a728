package org.jalousie.core.evidence;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import org.jalousie.core.messages.Message;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;

/** Every kind of tampering, plain and under a time stamp that is to make it look lawful; and what is lawful. */
class TamperingTest {
    private static final TestTrust TRUST = new TestTrust();
    private static final TestTrust FAKE = new TestTrust();
    private static SignedSample.Story story;
    private static Map<String, byte[]> kinds;
    private final Verifier verifier = new Verifier(TRUST);

    @BeforeAll
    static void tell() {
        if (story != null) return;
        story = SignedSample.story(TRUST, "A-2026-0001", "Ida Marsh", "Tomas Vale");
        kinds = Tampering.of(story.finished(), "lender_vat_number", "lender_signature", "museum_signature");
    }

    static Stream<String> kinds() {
        tell();
        return kinds.keySet().stream();
    }

    @Test
    void thereAreManyKinds() {
        assertThat(kinds).hasSizeGreaterThan(80);
    }

    @ParameterizedTest
    @MethodSource("kinds")
    void isFoundPlainAndUnderAStamp(String kind) throws Exception {
        byte[] changed = kinds.get(kind);
        assertThat(Revisions.of(changed).changes()).as(kind).isNotEmpty();
        // a stamp makes nothing lawful, whoever it is by
        TestTrust by = kind.length() % 2 == 0 ? FAKE : TRUST;
        assertThat(Revisions.of(Tampering.stamped(changed, by)).changes())
                .as(kind + ", with a stamp")
                .isNotEmpty();
        // the rest of the check takes long and is the same for all
        if (kind.length() % 6 == 0) {
            for (byte[] file : List.of(changed, Tampering.stamped(changed, TRUST)))
                assertThat(verifier.verify(file, story.expected()).intact())
                        .as(kind)
                        .isFalse();
        }
    }

    @Test
    void aStampByAnybodyIsNamedAsSuch() {
        assertThat(verifier.verify(Tampering.stamped(story.finished(), FAKE)).findings())
                .singleElement()
                .asString()
                .contains("is not by a service that is trusted here");
    }

    @Test
    void everyEarlierStateIsKnownAsOneWithWhoIsMissing() {
        for (int i = 1; i < story.states().size() - 1; i++) {
            byte[] earlier = story.states().get(i);
            assertThat(verifier.verify(earlier).findings()).as("state " + i).isEmpty();
            List<Message> findings = verifier.verify(earlier, story.expected()).findings();
            assertThat(findings)
                    .anyMatch(one -> one.toString().contains("This is an earlier state of A-2026-0001, state "));
            if (i < 3) assertThat(findings.toString()).contains("Missing:").contains("Tomas Vale");
            List<Message> stamped = verifier.verify(Tampering.stamped(earlier, TRUST), story.expected())
                    .findings();
            assertThat(stamped).anyMatch(one -> one.toString().contains("what follows is not what was filed"));
        }
    }

    @Test
    void anotherAgreementsFileAndCertificatesOfTheSameNameAreFound() {
        SignedSample.Story other = SignedSample.story(TRUST, "A-2026-0002", "Ida Marsh", "Tomas Vale");
        Verification found = verifier.verify(other.finished(), story.expected());
        assertThat(found.findings())
                .extracting(Message::toString)
                .contains("This is not the file of A-2026-0001, nor an earlier state of it.")
                .anyMatch(one -> one.startsWith("The signature in lender_signature was not made with the certificate"))
                .anyMatch(one -> one.startsWith("The signature in museum_signature was not made with the certificate"));
    }

    @Test
    void aStrangersSignatureInAPartysFieldIsFound() {
        Sealer sealer = new Sealer(TRUST);
        ActInFile act = new ActInFile(
                Map.of("museum_date_signed", "23 November 2026"),
                Set.of(),
                Optional.of("museum_signature"),
                Optional.of(SignedSample.mark(2)),
                "A Stranger");
        byte[] signed = sealer.longTerm(sealer.put(
                story.states().get(2),
                act,
                TRUST.credentialFor("A Stranger", "s@x.example.org"),
                java.time.Instant.now()));
        assertThat(verifier.verify(signed, story.expected()).findings())
                .extracting(Message::toString)
                .anyMatch(one -> one.contains("what follows is not what was filed"))
                .anyMatch(one -> one.contains("museum_signature was not made with the certificate"));
    }

    @Test
    void changedBytesAreFoundAndPlaced() {
        for (byte[] damaged : Tampering.flipped(story.finished(), 20)) {
            assertThat(verifier.verify(damaged, story.expected()).intact()).isFalse();
            boolean early = Damage.between(damaged, story.states().get(3)).isPresent();
            if (early)
                assertThat(Damage.between(damaged, story.finished())
                                .orElseThrow()
                                .toString())
                        .contains("The first changed byte is number");
        }
        byte[] words = story.finished().clone();
        int at = new String(words, java.nio.charset.StandardCharsets.ISO_8859_1).indexOf("stream") + 12;
        words[at] ^= 1;
        assertThat(Damage.between(words, story.states().get(3)).orElseThrow().toString())
                .contains("in object");
        assertThat(Damage.between(
                                java.util.Arrays.copyOf(words, 90),
                                story.states().get(3))
                        .orElseThrow()
                        .toString())
                .contains("breaks off");
    }

    @Test
    void whatIsBehindTheEndIsSaid() {
        for (String more : List.of("%hidden", "\n1 0 obj <<>> endobj", "PK\u0003\u0004")) {
            assertThat(verifier.verify(Tampering.followed(story.finished(), more))
                            .findings())
                    .as(more)
                    .extracting(Message::toString)
                    .anyMatch(one -> one.startsWith("Data was put behind the end of the file"));
        }
    }

    @Test
    void aTimeStampThatRenewsTheArchiveIsLawfulAndTold() {
        byte[] renewed = new Sealer(TRUST).longTerm(story.finished());
        Verification found = verifier.verify(renewed, story.expected());
        assertThat(found.findings()).isEmpty();
        assertThat(found.notes().toString()).contains("A time stamp of", "as it was filed");
        byte[] stamped = Tampering.stamped(Tampering.stamped(story.finished(), TRUST), TRUST);
        assertThat(verifier.verify(stamped, story.expected()).findings()).isEmpty();
    }

    @Test
    void aNotarysSignatureIsLawfulAndToldButNotOverWords() {
        Credential notary = TRUST.credentialFor("Nell Notary", "nell@notary.example.org");
        Verification invisible = verifier.verify(Later.signed(story.finished(), notary, TRUST, null), story.expected());
        assertThat(invisible.findings()).isEmpty();
        assertThat(invisible.notes().toString()).contains("Nell Notary");
        Verification beside = verifier.verify(
                Later.signed(story.finished(), notary, TRUST, new float[] {300, 400, 120, 40}), story.expected());
        assertThat(beside.findings()).isEmpty();
        Verification over = verifier.verify(
                Later.signed(story.finished(), notary, TRUST, new float[] {72, 60, 300, 60}), story.expected());
        assertThat(over.findings())
                .extracting(Message::toString)
                .anyMatch(one -> one.contains("covers words of the document"));
        Credential stranger = FAKE.credentialFor("Nell Notary", "nell@notary.example.org");
        assertThat(verifier.verify(Later.signed(story.finished(), stranger, FAKE, null), story.expected())
                        .findings())
                .extracting(Message::toString)
                .anyMatch(one -> one.contains("does not hold"));
    }

    @Test
    void untouchedFilesGiveNoAlarm() {
        List<String> alarms = IntStream.range(0, 25)
                .parallel()
                .mapToObj(i -> SignedSample.story(TRUST, "A-" + i, "Lender " + i, "Museum " + i))
                .flatMap(one -> alarms(one).stream())
                .toList();
        assertThat(alarms).isEmpty();
    }

    private List<String> alarms(SignedSample.Story one) {
        List<String> alarms = new ArrayList<>();
        try {
            for (byte[] file : one.states().subList(1, 5))
                Revisions.of(file)
                        .changes()
                        .forEach(change -> alarms.add(change.what().toString()));
        } catch (IOException e) {
            alarms.add(e.getMessage());
        }
        if (one.expected().number().value().endsWith("5"))
            verifier.verify(one.finished(), one.expected())
                    .findings()
                    .forEach(finding -> alarms.add(finding.toString()));
        return alarms;
    }
}
