package org.jalousie.server;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.util.Map;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.text.PDFTextStripper;
import org.jalousie.demo.Client;
import org.jalousie.server.testbed.Office;
import org.jalousie.server.testbed.Testbed;
import org.junit.jupiter.api.Test;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ObjectNode;

/** What participants meet is in the agreement's language; what the office reads stays in English. */
class LanguageTest {
    private static final String LENDER = "ida.marsh@lender.example.org";
    private static final Testbed BED = Testbed.start();

    private final Office office = new Office(BED.address());
    private final Client participant = new Client(BED.address());

    private String sent(String name, String language) {
        JsonNode template = office.bringIn(name, Office.loanWording());
        ObjectNode content = (ObjectNode) template.get("content");
        content.put("language", language);
        return office.send(
                office.generate(office.publish(office.settle(template, content)), Office.loanValues("Ida Marsh")));
    }

    private String record(String number) throws IOException {
        byte[] pdf = office.client
                .get("/api/v1/agreements/" + number + "/record.pdf")
                .body();
        try (PDDocument document = Loader.loadPDF(pdf)) {
            return new PDFTextStripper().getText(document).replaceAll("\\s+", " ");
        }
    }

    @Test
    void aDutchAgreementSpeaksDutchFromItsFirstMailToItsRecord() throws IOException {
        String number = sent("Bruikleen", "nl-NL");
        String link = office.link(number, LENDER);
        assertThat(office.mailsAbout(number).toString()).contains("Uw deel wordt gevraagd: ");
        String path = "/api/v1/signing/" + link;
        JsonNode page = participant.get(path).json();
        assertThat(page.get("language").asString()).isEqualTo("nl");
        assertThat(page.get("consent").get("text").asString()).startsWith("Ik stem ermee in");
        assertThat(participant
                        .post(path + "/consent", Map.of("version", "en-2"))
                        .json()
                        .get("message")
                        .get("code")
                        .asString())
                .isEqualTo("consent.changed");
        JsonNode refused = participant
                .post(path + "/details", Map.of("values", Map.of("lender_vat_number", "x".repeat(201))))
                .json();
        assertThat(refused.get("faultMessages").get("lender_vat_number").toString())
                .contains("field.too-long")
                .contains("200");
        assertThat(refused.get("detail").asString()).isEqualTo("Some details have to be mended.");
        assertThat(office.sign(link, Map.of("lender_vat_number", "NL 1")).status())
                .isEqualTo(200);
        office.sign(office.link(number, "tomas.vale@museum.example.org"), Map.of());
        office.await(number, "COMPLETED");
        assertThat(record(number))
                .contains("Ondertekeningsverslag")
                .contains("Ida Marsh (Lender) stemde ermee in elektronisch te ondertekenen (tekst nl-2");
        assertThat(office.show(number).get("trail").toString())
                .contains("Ida Marsh (Lender) agreed to sign electronically (wording nl-2");
    }

    @Test
    void anEndIsToldInTheParticipantsLanguageAndToTheOfficeInEnglish() {
        String number = sent("Leihvertrag", "de-DE");
        String link = office.link(number, LENDER);
        assertThat(participant
                        .post("/api/v1/signing/" + link + "/refusal", Map.of("reason", "zu teuer"))
                        .status())
                .isEqualTo(200);
        assertThat(participant
                        .get("/api/v1/signing/" + link)
                        .json()
                        .get("ended")
                        .asString())
                .isEqualTo("Diese Vereinbarung wurde abgelehnt und ist beendet.");
        assertThat(office.mailsAbout(number).toString()).contains("Declined: ");
    }

    @Test
    void theCoordinatorsOwnSubjectStandsInWhatAsksForAPart() {
        JsonNode template = office.bringIn("Own subject", Office.loanWording());
        ObjectNode content = (ObjectNode) template.get("content");
        ((ObjectNode) content.get("sending")).put("subject", "Please sign our loan");
        String number = office.send(
                office.generate(office.publish(office.settle(template, content)), Office.loanValues("Ida Marsh")));
        String link = office.link(number, LENDER);
        assertThat(office.mailsAbout(number))
                .extracting(mail -> mail.get("subject").asString())
                .containsExactly("Please sign our loan (" + number + ")");
        participant.post("/api/v1/signing/" + link + "/refusal", Map.of("reason", "too dear"));
        assertThat(office.mailsAbout(number).toString()).contains("Declined: Own subject");
    }
}
