package org.jalousie.server.scans;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.HashMap;
import java.util.List;
import java.util.Map;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.text.PDFTextStripper;
import org.jalousie.core.data.Sha256;
import org.jalousie.core.paper.Scanner;
import org.jalousie.core.pdf.ArchivalCheck;
import org.jalousie.demo.Client;
import org.jalousie.server.testbed.Office;
import org.jalousie.server.testbed.PaperHand;
import org.jalousie.server.testbed.Testbed;
import org.jalousie.server.testbed.Together;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.TestInstance;
import tools.jackson.databind.JsonNode;

/** An agreement goes to paper, is signed with a pen, comes back as a scan and is filed. */
@TestInstance(TestInstance.Lifecycle.PER_CLASS)
class SignedOnPaperTest {
    private static final String LENDER = "ida.marsh@lender.example.org";

    private final Testbed bed = Testbed.start();
    private final Office office = new Office(bed.address());
    private final PaperHand hand = new PaperHand(bed, office);
    private String template;

    @BeforeAll
    void template() {
        template = office.publish("On paper", Office.loanWording());
    }

    private String checked() {
        return office.generate(template, Office.loanValues("Ida Marsh"));
    }

    private byte[] document(String number) {
        return office.client
                .get("/api/v1/agreements/" + number + "/documents/wording.pdf")
                .body();
    }

    @Test
    void whoHasNoMailSignsOnPaperAndItIsFiledLikeAnyOther() throws Exception {
        String number = checked();
        office.client.put("/api/v1/agreements/" + number + "/people/lender", Map.of("name", "Ida Marsh", "mail", ""));
        office.await(number, "CHECK");
        assertThat(office.show(number).get("obstacles")).hasSize(1); // nobody could be mailed
        JsonNode taken = hand.take(number);
        assertThat(taken.get("row").get("state").asString()).isEqualTo("OUT");
        assertThat(taken.get("row").get("onPaper").asBoolean()).isTrue();
        byte[] print = hand.print(number);
        assertThat(ArchivalCheck.faults(print)).isEmpty();

        JsonNode scan =
                hand.bring("scan 001.pdf", Scanner.GOOD.turned(2).pdf(print, hand.pen(number, "lender", "museum")));
        assertThat(scan.get("scan").get("agreements").get(0).asString()).isEqualTo(number);
        JsonNode paper = hand.paper(number);
        assertThat(paper.get("open")).isEmpty();
        assertThat(paper.get("inDoubt").asInt()).as(paper.toPrettyString()).isZero();
        Client.Answer closed = hand.close(number, false);
        assertThat(closed.status()).as(closed.text()).isEqualTo(200);

        office.await(number, "COMPLETED");
        byte[] filed = document(number);
        assertThat(ArchivalCheck.faults(filed)).isEmpty();
        JsonNode check = office.client
                .post("/api/v1/archive/" + number + "/verification", Map.of())
                .json();
        assertThat(check.toString()).as(check.toPrettyString()).contains("\"intact\":true");
        try (PDDocument document = Loader.loadPDF(filed)) {
            assertThat(document.getSignatureDictionaries())
                    .hasSize(2); // the office's seal, and the archive's time stamp
            assertThat(document.getPage(0).getMediaBox().getWidth()).isBetween(585f, 605f);
        }
        byte[] record = office.client
                .get("/api/v1/agreements/" + number + "/record.pdf")
                .body();
        try (PDDocument document = Loader.loadPDF(record)) {
            assertThat(new PDFTextStripper().getText(document).replaceAll("\\s+", " "))
                    .contains("filed the paper that Ida Marsh (Lender), Tomas Vale (Museum) signed")
                    .contains("Nothing on it differs from what was printed")
                    .contains("signed on paper alone")
                    .doesNotContain("Nobody signs");
        }
        assertThat(office.show(number).get("signedOnPaper").asBoolean()).isTrue();
        // the museum's signer has an address, and gets the copy
        assertThat(office.mailTo(number, "tomas.vale@museum.example.org", "")).isPresent();
    }

    @Test
    void whatOneHasSignedOnTheScreenIsProvenByTheFileThatWasPrinted() throws Exception {
        String number = office.send(checked());
        String link = office.link(number, LENDER);
        new Client(bed.address()).get("/api/v1/signing/" + link + "/documents/wording.pdf");
        office.sign(link, Map.of("lender_vat_number", "XX 4471"));
        office.link(number, "tomas.vale@museum.example.org");
        byte[] signedOnScreen = document(number);
        hand.take(number);
        byte[] print = hand.print(number);
        assertThat(hand.places(number)).isNotEmpty().allMatch(one -> one.party().equals("museum"));
        hand.bring("scan.pdf", Scanner.POOR.pdf(print, hand.pen(number, "museum")));
        Client.Answer closed = hand.close(number, true);
        assertThat(closed.status()).as(closed.text()).isEqualTo(200);
        office.await(number, "COMPLETED");
        byte[] filed = document(number);
        try (PDDocument document = Loader.loadPDF(filed)) {
            byte[] within = document.getDocumentCatalog()
                    .getNames()
                    .getEmbeddedFiles()
                    .getNames()
                    .values()
                    .iterator()
                    .next()
                    .getEmbeddedFile()
                    .toByteArray();
            assertThat(Sha256.of(within)).isEqualTo(Sha256.of(signedOnScreen));
        }
        // whoever still has the file of the screen is told that it isn't the signed one
        JsonNode earlier = office.client
                .upload("/api/v1/archive/check", "signed on screen.pdf", signedOnScreen)
                .json();
        assertThat(earlier.toString())
                .contains("After that it was signed on paper")
                .contains(number);
        JsonNode law = office.client.get("/api/v1/archive/" + number + "/law").json();
        assertThat(law.toString()).contains("MET").as(law.toPrettyString()).doesNotContain("\"standing\":\"UNMET\"");
        JsonNode check = office.client
                .post("/api/v1/archive/" + number + "/verification", Map.of())
                .json();
        assertThat(check.toString()).as(check.toPrettyString()).contains("\"intact\":true");
    }

    @Test
    void nobodyActsOnTheScreenMeanwhileAndBackThereEverybodyGetsANewLink() {
        String number = office.send(checked());
        String before = office.link(number, LENDER);
        hand.take(number);
        Client lender = new Client(bed.address());
        JsonNode page = lender.get("/api/v1/signing/" + before).json();
        assertThat(page.get("ended").asString()).contains("is being signed on paper");
        assertThat(office.sign(before, Map.of("lender_vat_number", "1")).status())
                .isEqualTo(409);
        assertThat(lender.get("/api/v1/signing/" + before + "/documents/wording.pdf")
                        .status())
                .isEqualTo(409);
        assertThat(office.client
                        .post("/api/v1/agreements/" + number + "/people/lender/reminder", Map.of())
                        .text())
                .contains("being signed on paper");
        assertThat(office.client.post(PaperHand.path(number, ""), Map.of()).status())
                .isEqualTo(409);

        assertThat(office.client.delete(PaperHand.path(number, "")).status()).isEqualTo(200);
        assertThat(lender.get("/api/v1/signing/" + before).status()).isEqualTo(410);
        String after = org.jalousie.server.testbed.Wait.until(
                "a new link",
                () -> java.util.Optional.of(office.link(number, LENDER)).filter(link -> !link.equals(before)));
        assertThat(office.sign(after, Map.of("lender_vat_number", "1")).status())
                .isLessThan(300);
        assertThat(office.client.delete(PaperHand.path(number, "")).status()).isEqualTo(409);
    }

    @Test
    void anotherPageIsFoundAndNothingIsFiledUnseen() throws Exception {
        String number = checked();
        hand.take(number);
        byte[] print = hand.print(number);
        byte[] scan = Scanner.GOOD.pdf(print, hand.pen(number, "lender").andThen((page, pen) -> {
            pen.setColor(java.awt.Color.WHITE);
            pen.fillRect(60, 118, 480, 14); // a line is covered
        }));
        hand.bring("scan.pdf", scan);
        JsonNode paper = hand.paper(number);
        List<String> kinds = paper.get("sheets")
                .get(0)
                .get("came")
                .get("findings")
                .valueStream()
                .map(one -> one.get("kind").asString())
                .toList();
        assertThat(kinds).contains("CHANGED", "EMPTY", "IN_PLACE");
        assertThat(hand.close(number, false).text()).contains("differ from what was printed");
        assertThat(office.state(number)).isEqualTo("OUT");
        // a better scan takes its place
        hand.bring("again.pdf", Scanner.GOOD.pdf(print, hand.pen(number, "lender", "museum")));
        assertThat(hand.close(
                                number,
                                paper.get("looked").asString(),
                                paper.get("printedOn").asString(),
                                true)
                        .text())
                .contains("Something has changed since you looked");
        JsonNode now = hand.paper(number);
        assertThat(now.get("inDoubt").asInt()).isZero();
        assertThat(now.get("sheets").get(0).get("others").asInt()).isEqualTo(1);
        assertThat(hand.close(number, false).status()).isEqualTo(200);
    }

    @Test
    void aDayThatCantBeAndNobodyAreRefused() {
        String number = checked();
        hand.take(number);
        hand.bring("s.pdf", Scanner.GOOD.pdf(hand.print(number), hand.pen(number, "lender", "museum")));
        String looked = hand.paper(number).get("looked").asString();
        assertThat(hand.close(number, looked, "2999-01-01", false).text()).contains("can’t lie ahead");
        assertThat(hand.close(number, looked, "2001-01-01", false).text()).contains("before it was printed");
        assertThat(hand.close(number, looked, "soon", false).text()).contains("on which day");
        Map<String, Object> nobody = new HashMap<>(Map.of(
                "receivedOn",
                hand.paper(number).get("printedOn").asString(),
                "looked",
                looked,
                "agreed",
                true,
                "note",
                ""));
        nobody.put("broughtBy", " ");
        assertThat(office.client
                        .post(PaperHand.path(number, "/closing"), nobody)
                        .text())
                .contains("who brought");
        assertThat(office.state(number)).isEqualTo("OUT");
    }

    @Test
    void twoWhoCloseItAtOnceFileItOnce() throws Exception {
        String number = checked();
        hand.take(number);
        hand.bring("s.pdf", Scanner.GOOD.pdf(hand.print(number), hand.pen(number, "lender", "museum")));
        JsonNode paper = hand.paper(number);
        List<Integer> answers = Together.all(java.util.Collections.nCopies(
                4,
                () -> hand.close(
                                number,
                                paper.get("looked").asString(),
                                paper.get("printedOn").asString(),
                                true)
                        .status()));
        assertThat(answers).containsOnlyOnce(200).filteredOn(one -> one != 200).containsOnly(409);
        office.await(number, "COMPLETED");
        assertThat(office.trail(number))
                .filteredOn(one -> one.contains("filed the paper"))
                .hasSize(1);
    }

    @Test
    void whoHasToApproveIsNotPassedOver() {
        JsonNode draft = office.bringIn("Paper with approval", Office.loanWording());
        var content = (tools.jackson.databind.node.ObjectNode) draft.get("content");
        for (JsonNode party : content.get("parties"))
            ((tools.jackson.databind.node.ObjectNode) party)
                    .put("stage", party.get("key").asString().equals("lender") ? 2 : 3);
        ((tools.jackson.databind.node.ArrayNode) content.get("parties"))
                .addObject()
                .put("key", "registrar")
                .put("label", "Registrar")
                .put("duty", "APPROVES")
                .put("stage", 1)
                .set("who", Office.fixed("Kit Clerk", "clerk@museum.example.org"));
        String approved =
                office.generate(office.publish(office.settle(draft, content)), Office.loanValues("Ida Marsh"));
        assertThat(office.client.post(PaperHand.path(approved, ""), Map.of()).text())
                .contains("Kit Clerk has to approve it first");
        assertThat(office.state(approved)).isEqualTo("CHECK");
    }
}
