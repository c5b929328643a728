package org.jalousie.server;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
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
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.ObjectNode;

/** Signing fields that depend on each other, from the template to the signed file. */
class SigningFieldsTest {
    private static final String LENDER = "ida.marsh@lender.example.org";
    private static final Testbed BED = Testbed.start();
    private final Office office = new Office(BED.address());
    private final Client participant = new Client(BED.address());

    @Test
    void forEachItemOfAListItsOwnAnswerDecidesWhatElseIsAsked() throws IOException {
        String number = office.send(office.generate(published(), values("Viol", "Lute")));
        String link = office.link(number, LENDER);
        JsonNode page = participant.get("/api/v1/signing/" + link).json();
        Map<String, String> conditions = new LinkedHashMap<>();
        page.get("toComplete")
                .forEach(one -> conditions.put(
                        one.get("name").asString(), one.get("when").get("field").asString()));
        assertThat(conditions)
                .containsExactlyInAnyOrderEntriesOf(Map.of(
                        "lender_packing", "",
                        "lender_crate", "lender_packing",
                        "lender_packing_2", "",
                        "lender_crate_2", "lender_packing_2"));
        Map<String, String> answers = new HashMap<>(Map.of("lender_packing", "case", "lender_packing_2", "crate"));
        assertThat(office.sign(link, answers).json().get("message").toString())
                .contains("field.required")
                .contains("Crate (2)");
        answers.put("lender_crate_2", "C 77");
        answers.put("lender_crate", "C 76");
        assertThat(office.sign(link, answers).json().get("faultMessages").toString())
                .isEqualTo("{\"lender_crate\":{\"code\":\"field.not-asked\",\"arguments\":{}}}");
        answers.put("lender_crate", "");
        assertThat(office.sign(link, answers).status()).isEqualTo(200);
        office.sign(office.link(number, "tomas.vale@museum.example.org"), Map.of());
        office.await(number, "COMPLETED");
        try (PDDocument signed = Loader.loadPDF(office.client
                .get("/api/v1/agreements/" + number + "/documents/wording.pdf")
                .body())) {
            var form = signed.getDocumentCatalog().getAcroForm();
            assertThat(form.getField("lender_packing").getValueAsString()).isEqualTo("case");
            assertThat(form.getField("lender_crate").getValueAsString()).isEmpty();
            assertThat(form.getField("lender_packing_2").getValueAsString()).isEqualTo("crate");
            assertThat(form.getField("lender_crate_2").getValueAsString()).isEqualTo("C 77");
        }
        try (PDDocument record = Loader.loadPDF(office.client
                .get("/api/v1/agreements/" + number + "/record.pdf")
                .body())) {
            assertThat(new PDFTextStripper().getText(record)).contains("C 77").doesNotContain("C 76");
        }
    }

    @Test
    void whatIsSettledStaysWhenTheWordingComesBackAndGoesWithItsTag() {
        JsonNode template = settled();
        JsonNode back = office.bringBack(template, wording("Thank you."), Map.of());
        assertThat(field(back, "lender_packing").get("type").get("options")).hasSize(2);
        assertThat(field(back, "lender_crate").get("when").get("field").asString())
                .isEqualTo("lender_packing");
        byte[] without = new WordDraft()
                .paragraph("{{lender_name}} {{#objects}}{{name}} {{lender.crate}}{{/objects}} {{lender.signature}}"
                        + " {{museum.signature}}")
                .bytes();
        assertThat(office.bringBack(back, without, Map.of()).get("obstacles").toString())
                .contains("is asked for, or required, by the answer to a field that its party doesn’t complete");
    }

    private String published() {
        return office.publish(settled());
    }

    /** A template whose lender says how each object is packed, and a crate's number only for a crate. */
    private JsonNode settled() {
        JsonNode template = office.bringIn("Packing", wording(""));
        ObjectNode content = (ObjectNode) template.get("content");
        ObjectNode packing = (ObjectNode) fieldOf(content, "lender_packing").get("type");
        packing.removeAll();
        packing.put("kind", "choice").put("required", true).put("hint", "").put("preset", "");
        packing.putObject("size").put("widthMm", 40).put("heightMm", 6);
        ArrayNode options = packing.putArray("options");
        List.of("case", "crate").forEach(options::add);
        ((ObjectNode) fieldOf(content, "lender_crate"))
                .putObject("when")
                .put("field", "lender_packing")
                .put("answer", "crate");
        return office.settle(template, content);
    }

    private static byte[] wording(String last) {
        return new WordDraft()
                .paragraph("{{lender_name}} lends:")
                .table(
                        List.of(List.of(
                                "{{#objects}}{{name}}",
                                "packed in {{lender.packing}} numbered {{lender.crate}}{{/objects}}")),
                        true)
                .paragraph("{{lender.signature}} {{museum.signature}}")
                .paragraph(last)
                .bytes();
    }

    private static Map<String, String> values(String... objects) {
        List<String> items = new ArrayList<>();
        for (String name : objects) items.add("{\"name\":\"" + name + "\"}");
        Map<String, String> values = Office.loanValues("Ida Marsh");
        values.keySet().removeIf(name -> !name.matches("(lender|museum)_(name|mail)"));
        values.put("objects", items.toString());
        return values;
    }

    private static JsonNode field(JsonNode template, String name) {
        return fieldOf(template.get("content"), name);
    }

    private static JsonNode fieldOf(JsonNode content, String name) {
        for (JsonNode field : content.get("signingFields"))
            if (field.get("name").asString().equals(name)) return field;
        throw new AssertionError("no field " + name + " in " + content.get("signingFields"));
    }
}
