package org.jalousie.core.evidence;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Instant;
import java.time.ZoneId;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.PDDocumentNameDictionary;
import org.apache.pdfbox.text.PDFTextStripper;
import org.jalousie.core.agreement.Actor;
import org.jalousie.core.agreement.Agreement;
import org.jalousie.core.agreement.AgreementNumber;
import org.jalousie.core.agreement.ChangedWording;
import org.jalousie.core.agreement.Document;
import org.jalousie.core.agreement.Entry;
import org.jalousie.core.agreement.Event;
import org.jalousie.core.agreement.Revision;
import org.jalousie.core.data.Sha256;
import org.jalousie.core.evidence.law.LawElement;
import org.jalousie.core.evidence.law.LawTable;
import org.jalousie.core.json.Json;
import org.jalousie.core.messages.Catalogue;
import org.jalousie.core.parties.PartyKey;
import org.jalousie.core.placement.DocumentId;
import org.jalousie.core.placement.Pages;
import org.jalousie.core.placement.PlacedField;
import org.junit.jupiter.api.Test;
import tools.jackson.databind.JsonNode;

class SigningRecordTest {
    private static final Sha256 FILE = new Sha256("ab".repeat(32));
    private static final Document DOCUMENT = new Document(
            DocumentId.WORDING,
            "Loan of a viola d\u2019amore",
            Document.Kind.GENERATED,
            Optional.empty(),
            FILE,
            new Pages(
                    List.of(new Pages.Size(595, 842)),
                    List.of(new PlacedField(SignedSample.boxes().get(3), 1, 72, 240, 170, 17))));
    private static final Document POLICY = new Document(
            new DocumentId("policy"),
            "Policy",
            Document.Kind.FIXED,
            Optional.empty(),
            new Sha256("ef".repeat(32)),
            new Pages(List.of(), List.of()));

    private static List<Entry> history(int reminders) {
        List<Entry> history = new ArrayList<>();
        history.add(new Entry(
                1,
                Instant.parse("2027-03-15T23:30:00Z"),
                new Actor.Coordinator("nora.quill@museum.example.org", "Nora Quill"),
                new Event.Created(
                        new AgreementNumber("A-2027-0001"),
                        "Loan of a viola",
                        "Loan",
                        2,
                        "R-1",
                        Map.of(),
                        SignedSample.PARTIES)));
        history.add(new Entry(
                2,
                Instant.parse("2027-03-16T08:00:01Z"),
                new Actor.Participant(new PartyKey("lender"), Actor.Proof.MAILED_LINK, "127.0.0.1, A browser"),
                new Event.ConsentGiven(
                        new PartyKey("lender"),
                        "en-1",
                        ConsentWording.in(Catalogue.ENGLISH).hash())));
        history.add(new Entry(
                3,
                Instant.parse("2027-03-16T08:00:00Z"),
                Actor.PROGRAM,
                new Event.Generated(List.of(DOCUMENT, POLICY))));
        history.add(new Entry(
                4,
                Instant.parse("2027-03-16T08:00:02Z"),
                new Actor.OnBehalf(
                        new Actor.Coordinator("nora@museum.example.org", "Nora Quill"), new PartyKey("lender")),
                new Event.Signed(new PartyKey("lender"), Map.of("lender_vat_number", "XX 4471"), "drawn", FILE)));
        for (int i = 0; i < reminders; i++)
            history.add(new Entry(
                    5 + i,
                    Instant.parse("2027-03-20T08:00:00Z"),
                    Actor.PROGRAM,
                    new Event.ReminderSent(new PartyKey("lender"))));
        return history;
    }

    private static List<EventChain.Link> links(List<Entry> history) {
        List<EventChain.Link> links = new ArrayList<>();
        for (Entry entry : history)
            links.add(EventChain.link(
                    links.isEmpty()
                            ? EventChain.START
                            : links.get(links.size() - 1).hash(),
                    entry));
        return links;
    }

    private static byte[] record(List<Entry> history) {
        return record(history, "en-GB");
    }

    private static byte[] record(List<Entry> history, String language) {
        Agreement agreement = Agreement.of(history);
        return new SigningRecord("Museum of Bowed Strings", ZoneId.of("Europe/Paris"), Catalogue.of(language))
                .print(
                        agreement,
                        history,
                        agreement.revisions(),
                        links(history),
                        LawTable.of(agreement, history, List.of()));
    }

    private static String text(List<Entry> history) throws IOException {
        try (PDDocument document = Loader.loadPDF(record(history))) {
            return document.getNumberOfPages() + "\n" + new PDFTextStripper().getText(document);
        }
    }

    @Test
    void itTellsWhoDidWhatWhenAndAboutWhichFile() throws IOException {
        String text = text(history(0));
        assertThat(text)
                .contains("A-2027-0001, Loan of a viola")
                .contains("ab".repeat(32))
                .contains(links(history(0)).get(history(0).size() - 1).hash())
                .contains("Ida Marsh, ida@lender.example.org; signs, stage 1")
                .contains("agreed to sign electronically (wording en-1")
                .contains("From 127.0.0.1, A browser")
                .contains("The agreement was created by Nora Quill.");
    }

    private static Path unpacked(byte[] record) throws IOException {
        Path folder = Files.createTempDirectory("record");
        try (PDDocument document = Loader.loadPDF(record)) {
            for (var one : new PDDocumentNameDictionary(document.getDocumentCatalog())
                    .getEmbeddedFiles()
                    .getNames()
                    .entrySet())
                Files.write(
                        folder.resolve(one.getKey()),
                        one.getValue().getEmbeddedFile().toByteArray());
        }
        return folder;
    }

    private static String recomputed(Path folder) throws Exception {
        Process process = new ProcessBuilder("sh", "recompute.sh")
                .directory(folder.toFile())
                .redirectErrorStream(true)
                .start();
        String said = new String(process.getInputStream().readAllBytes(), StandardCharsets.UTF_8);
        return process.waitFor() + " " + said;
    }

    /** The attached script with the system's own sha256sum (GNU coreutils). */
    @Test
    void theChainIsRecomputedByAnybodyFromWhatIsAttached() throws Exception {
        List<Entry> history = history(3);
        Path folder = unpacked(record(history));
        assertThat(folder.toFile().list()).hasSize(4);
        assertThat(recomputed(folder))
                .startsWith("0 The chain of 7 events is whole")
                .contains(links(history).get(6).hash());
        Path events = folder.resolve("events.jsonl");
        String whole = Files.readString(events);
        Files.writeString(events, whole.replace("Ida Marsh", "Eva Marsh"));
        assertThat(recomputed(folder)).startsWith("1 The chain is broken at event 1");
        Files.writeString(events, whole.substring(0, whole.lastIndexOf("{\"actor\"")));
        assertThat(recomputed(folder)).startsWith("1 There are more events than hashes");
        Files.writeString(events, whole + whole.lines().findFirst().orElseThrow() + "\n");
        assertThat(recomputed(folder)).startsWith("1 ");
    }

    @Test
    void whatAnswersTheLawIsPrintedAndAttached() throws Exception {
        assertThat(text(history(0)))
                .contains("eIDAS Art. 26(a)")
                .contains("15 U.S.C. § 7001(c)(1)(A)")
                .contains("did not sign electronically");
        JsonNode law = Json.MAPPER.readTree(
                Files.readString(unpacked(record(history(0))).resolve("law.json")));
        assertThat(law).hasSize(LawElement.values().length);
        assertThat(law.get(0).get("standing").asString()).isEqualTo("UNMET");
        assertThat(law.get(0).get("events").get(0).asInt()).isEqualTo(4);
    }

    @Test
    void itNamesEachDocumentWithItsHashAndWhatWasCompletedInIt() throws IOException {
        String text = text(history(0));
        assertThat(text).contains("\u201cPolicy\u201d").contains("ef".repeat(32));
        assertThat(text).contains("Lender: vat number").contains("XX 4471");
    }

    @Test
    void itNamesTheWordsThatDifferFromTheTemplates() throws IOException {
        List<Entry> history = history(0);
        List<ChangedWording.ChangedPiece> pieces = List.of(
                new ChangedWording.ChangedPiece(ChangedWording.Fate.KEPT, "Kept "),
                new ChangedWording.ChangedPiece(ChangedWording.Fate.STRUCK, "dry"),
                new ChangedWording.ChangedPiece(ChangedWording.Fate.PUT_IN, "at 18 degrees ".repeat(400)));
        ChangedWording changed =
                new ChangedWording(FILE, Map.of(), List.of(new ChangedWording.ChangedParagraph(pieces)));
        history.add(
                2,
                new Entry(
                        3,
                        Instant.parse("2027-03-16T07:00:00Z"),
                        new Actor.Coordinator("nora@museum.example.org", "Nora Quill"),
                        new Event.WordingChanged(DocumentId.WORDING, changed)));
        String text = text(history).replaceAll("\\s+", " ");
        assertThat(text)
                .contains("Wording that differs from the template")
                .contains("Kept [struck out: dry][put in: at 18 degrees at 18")
                .contains("Nora Quill changed the wording of")
                .contains("one paragraph differs from the template.");
        assertThat(text(history).lines().findFirst())
                .as("pages, none of them bare")
                .hasValue("3");
        assertThat(text(history(0))).doesNotContain("differs from the template");
    }

    @Test
    void itTellsWhoActedForAnother() throws IOException {
        assertThat(text(history(0)).replaceAll("\\s+", " "))
                .contains("Ida Marsh (Lender) signed (drawn). Done on their behalf by Nora Quill.");
    }

    @Test
    void itIsReadBackWhatARecordIsAbout() {
        assertThat(SigningRecord.isOne(record(history(0), "nl"))).isTrue();
        assertThat(SigningRecord.isOne(SignedSample.placed())).isFalse();
        assertThat(SigningRecord.isOne(new byte[0])).isFalse();
        SigningRecord.Subject subject = SigningRecord.subject(record(history(0)));
        assertThat(subject.number()).isEqualTo("A-2027-0001");
        assertThat(subject.documents()).containsExactly(DOCUMENT.revision(), POLICY.revision());
        assertThat(subject.chainHash()).isEqualTo(links(history(0)).get(3).hash());
    }

    /** As the program wrote it while an agreement had one document. */
    @Test
    void aRecordOfAnEarlierVersionIsAboutItsOneDocument() throws IOException {
        try (PDDocument document = Loader.loadPDF(record(history(0)))) {
            document.getDocumentInformation().setCustomMetadataValue("DocumentsSHA256", null);
            document.getDocumentInformation().setCustomMetadataValue("AgreementSHA256", "ab".repeat(32));
            ByteArrayOutputStream out = new ByteArrayOutputStream();
            document.save(out);
            assertThat(SigningRecord.subject(out.toByteArray()).documents())
                    .containsExactly(new Revision(DocumentId.WORDING, FILE));
        }
    }

    @Test
    void timesStandInUtcAndInTheOfficesZone() throws IOException {
        assertThat(text(history(0))).contains("2027-03-15 23:30:00Z (00:30)").contains("Europe/Paris");
    }

    @Test
    void aLongHistoryGoesOnOverPages() throws IOException {
        assertThat(Integer.parseInt(text(history(120)).lines().findFirst().orElseThrow()))
                .isGreaterThan(2);
        assertThat(text(history(120))).contains("124. Ida Marsh (Lender) was reminded by mail.");
    }

    @Test
    void theConsentWordingTellsWhatTheLawAsksFor() {
        // 15 U.S.C. § 7001(c)(1)(B): paper, withdrawal, scope, contact; (C): what is needed to read and keep it
        assertThat(ConsentWording.in(Catalogue.ENGLISH).text())
                .contains("copy on paper")
                .contains("withdraw this consent")
                .contains("This consent covers this one agreement", "nothing else")
                .contains("before or after, at no cost")
                .contains("Then I don’t sign electronically", "It costs nothing")
                .contains("a program that shows PDF files", "I show that I can")
                .contains("mail address changes")
                .contains("current web browser");
        assertThat(ConsentWording.in(Catalogue.ENGLISH).hash().hex()).hasSize(64);
    }

    @Test
    void itIsWrittenInTheLanguageOfTheAgreement() throws IOException {
        try (PDDocument document = Loader.loadPDF(record(history(0), "nl-NL"))) {
            assertThat(new PDFTextStripper().getText(document).replaceAll("\\s+", " "))
                    .contains("Ondertekeningsverslag")
                    .contains("De overeenkomst is gemaakt door Nora Quill.")
                    .contains("Namens hen gedaan door Nora Quill.")
                    .contains("ondertekent, stap 1");
        }
    }
}
