package org.jalousie.server;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.util.Map;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.text.PDFTextStripper;
import org.jalousie.core.wording.write.WordDraft;
import org.jalousie.demo.Client;
import org.jalousie.server.testbed.Office;
import org.jalousie.server.testbed.Testbed;
import org.junit.jupiter.api.Test;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ObjectNode;

/** What parties complete: typed in their language, kept plainly, printed in the document's. */
class FieldKindsTest {
    private static final String LENDER = "ida.marsh@lender.example.org";
    private static final Testbed BED = Testbed.start();
    private final Office office = new Office(BED.address());
    private final Client anybody = new Client(BED.address());

    private static ObjectNode kind(ObjectNode field, String kind) {
        return field.putObject("type").put("kind", kind).put("required", true);
    }

    private static WordDraft wording() {
        return new WordDraft()
                .paragraph("{{lender_name}} lends a viola.")
                .paragraph("Remarks: {{lender.remarks}}")
                .paragraph("Strings: {{lender.strings}} since {{lender.since}}")
                .paragraph("Rules: {{lender.rules}}")
                .paragraph("{{lender.signature}}");
    }

    private String published() {
        JsonNode template = office.bringIn("Kinds", wording().bytes());
        ObjectNode content = (ObjectNode) template.get("content");
        for (JsonNode party : content.get("parties")) ((ObjectNode) party).put("language", "de");
        kind(Office.signingField(content, "lender_remarks"), "lines").put("required", false);
        kind(Office.signingField(content, "lender_strings"), "number")
                .put("least", "1")
                .put("most", "9000")
                .put("preset", "zwei");
        kind(Office.signingField(content, "lender_since"), "date")
                .put("most", "2030-12-31")
                .put("preset", "today");
        kind(Office.signingField(content, "lender_rules"), "tick").put("statement", "The house rules hold.");
        JsonNode draft = office.settle(template, content);
        assertThat(draft.get("obstacles").toString())
                .as("a preset that nobody could give")
                .contains("Lender: strings");
        Office.signingField(content, "lender_strings")
                .withObject("type")
                .put("preset", "")
                .put("least", "10")
                .put("most", "9");
        draft = office.settle(draft, content);
        assertThat(draft.get("obstacles").toString()).contains("10").contains("larger than");
        Office.signingField(content, "lender_strings")
                .withObject("type")
                .put("least", "1")
                .put("most", "9000");
        draft = office.settle(draft, content);
        assertThat(draft.get("obstacles")).isEmpty();
        return office.publish(draft);
    }

    @Test
    void everyKindIsTypedInItsPartysLanguageAndPrintedInTheDocuments() throws IOException {
        String number =
                office.send(office.generate(published(), Map.of("lender_name", "Ida Marsh", "lender_mail", LENDER)));
        String link = office.link(number, LENDER);
        JsonNode page = anybody.get("/api/v1/signing/" + link).json();
        assertThat(page.get("language").asString()).isEqualTo("de");
        assertThat(page.get("documentLanguage").asString()).isEqualTo("en-GB");
        Map<String, String> answers = Map.of(
                "lender_remarks", "Zwei Saiten neu.\nBogen folgt.",
                "lender_strings", "1.234,5",
                "lender_since", "2026-02-28",
                "lender_rules", "yes");
        for (Map.Entry<String, String> wrong : Map.of(
                        "lender_strings", "12.5",
                        "lender_since", "2031-01-01",
                        "lender_rules", "no",
                        "lender_remarks", "x\n".repeat(40))
                .entrySet()) {
            Map<String, String> values = new java.util.HashMap<>(answers);
            values.put(wrong.getKey(), wrong.getValue());
            Client.Answer refused = office.sign(link, values);
            assertThat(refused.status()).as(wrong + refused.text()).isEqualTo(422);
            assertThat(refused.json().get("faults").propertyNames()).containsExactly(wrong.getKey());
        }
        assertThat(office.sign(link, Map.of("lender_strings", "4", "lender_since", "2026-02-28"))
                        .text())
                .as("a paragraph that has to be acknowledged")
                .contains("Rules");
        assertThat(office.sign(link, answers).status()).isEqualTo(200);
        office.await(number, "COMPLETED");
        try (PDDocument pdf = Loader.loadPDF(office.client
                .get("/api/v1/agreements/" + number + "/documents/wording.pdf")
                .body())) {
            var form = pdf.getDocumentCatalog().getAcroForm();
            assertThat(form.getField("lender_strings").getValueAsString()).isEqualTo("1,234.5");
            assertThat(form.getField("lender_since").getValueAsString()).isEqualTo("28 February 2026");
            assertThat(form.getField("lender_rules").getValueAsString()).isEqualTo("×");
            assertThat(form.getField("lender_remarks").getValueAsString()).contains("Bogen folgt.");
        }
        try (PDDocument record = Loader.loadPDF(office.client
                .get("/api/v1/agreements/" + number + "/record.pdf")
                .body())) {
            assertThat(new PDFTextStripper().getText(record).replaceAll("\\s+", " "))
                    .contains("Zwei Saiten neu. / Bogen folgt.")
                    .contains("The house rules hold.");
        }
        assertThat(office.findings(number)).isEmpty();
    }
}
