package org.jalousie.server;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.HashMap;
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

/** Answers that go on to the next party, data that stand in fields, and what is worked out of both. */
class SharedFieldsTest {
    private static final String LENDER = "ida.marsh@lender.example.org";
    private static final String MUSEUM = "tomas.vale@museum.example.org";
    private final Office office = new Office(Testbed.start().address());
    private final Client anybody = new Client(Testbed.start().address());

    private static ObjectNode kind(JsonNode content, String name, String kind) {
        return Office.signingField(content, name)
                .putObject("type")
                .put("kind", kind)
                .put("required", true);
    }

    private static void from(JsonNode content, String name, String kind, String source) {
        Office.signingField(content, name).putObject("from").put("kind", kind).put("name", source);
    }

    private JsonNode draft() {
        JsonNode template = office.bringIn(
                "Shared",
                new WordDraft()
                        .paragraph("{{lender_name}} lends a viola worth {{insured_value}}.")
                        .paragraph("Value again {{lender.value}} fee {{lender.fee}} postage {{lender.postage}}")
                        .paragraph("Total {{lender.total}} abroad {{lender.abroad}} licence {{lender.licence}}")
                        .paragraph("Fee seen {{museum.fee_seen}} fee taken {{museum.fee_taken}} {{museum_name}}")
                        .paragraph("{{lender.signature}} {{museum.signature}}")
                        .bytes());
        ObjectNode content = (ObjectNode) template.get("content");
        for (JsonNode field : content.get("fields"))
            if (field.get("name").asString().equals("insured_value")) ((ObjectNode) field).put("type", "MONEY");
        kind(content, "lender_value", "copy");
        from(content, "lender_value", "DATUM", "insured_value");
        kind(content, "lender_fee", "money").put("currency", "EUR").put("least", "1");
        kind(content, "lender_postage", "money").put("currency", "EUR").put("required", false);
        kind(content, "lender_total", "worked_out")
                .put("formula", "lender_fee + (if lender_postage = null then 0 else lender_postage)")
                .put("gives", "MONEY");
        kind(content, "lender_abroad", "tick").put("required", false);
        kind(content, "lender_licence", "text").put("required", false).put("pattern", "@@ ####");
        Office.signingField(content, "lender_licence")
                .putObject("requiredWhen")
                .put("field", "lender_abroad")
                .put("answer", "yes");
        kind(content, "museum_fee_seen", "copy");
        from(content, "museum_fee_seen", "ANSWER", "lender_fee");
        kind(content, "museum_fee_taken", "money").put("currency", "EUR");
        from(content, "museum_fee_taken", "ANSWER", "lender_fee");
        return office.settle(template, content);
    }

    private static String text(JsonNode derived, String name) {
        return derived.valueStream()
                .filter(one -> one.get("name").asString().equals(name))
                .findFirst()
                .orElseThrow()
                .get("text")
                .asString();
    }

    @Test
    void answersAreSharedWorkedOutAndPrinted() throws Exception {
        JsonNode draft = draft();
        assertThat(draft.get("obstacles")).isEmpty();
        String template = office.publish(draft);
        Map<String, String> data = new HashMap<>(Map.of(
                "lender_name", "Ida Marsh",
                "lender_mail", LENDER,
                "insured_value", "EUR 12500",
                "museum_name", "Tomas Vale",
                "museum_mail", MUSEUM));
        String number = office.send(office.generate(template, data));
        String link = office.link(number, LENDER);
        JsonNode page = anybody.get("/api/v1/signing/" + link).json();
        assertThat(text(page.get("derived"), "lender_value")).isEqualTo("€12,500.00");
        assertThat(text(page.get("derived"), "lender_total")).isEmpty();
        assertThat(page.get("documents").toString())
                .as("data that stand ready for fields")
                .doesNotContain("12500");

        String derived = "/api/v1/signing/" + link + "/derived";
        JsonNode worked = anybody.post(
                        derived, Map.of("values", Map.of("lender_fee", "1,250.10", "lender_postage", "0.2")))
                .json();
        assertThat(text(worked, "lender_total")).isEqualTo("€1,250.30");
        assertThat(text(
                        anybody.post(derived, Map.of("values", Map.of("lender_fee", "12,5")))
                                .json(),
                        "lender_total"))
                .as("what can't be read for certain gives nothing")
                .isEmpty();

        Map<String, String> answers = new HashMap<>(Map.of("lender_fee", "1,250.10", "lender_abroad", "yes"));
        assertThat(office.sign(link, answers).text()).contains("Licence");
        answers.put("lender_licence", "XX 44711");
        assertThat(office.sign(link, answers).json().get("faults").propertyNames())
                .containsExactly("lender_licence");
        answers.put("lender_licence", "XX 4471");
        assertThat(office.sign(link, with(answers, "lender_total", "EUR 1")).status())
                .as("what the program works out can't be given")
                .isEqualTo(409);
        assertThat(office.sign(link, answers).status()).isEqualTo(200);

        String second = office.link(number, MUSEUM);
        JsonNode next = anybody.get("/api/v1/signing/" + second).json();
        assertThat(text(next.get("derived"), "museum_fee_seen")).isEqualTo("€1,250.10");
        assertThat(next.get("toComplete").get(0).get("type").get("preset").asString())
                .isEqualTo("1250.10");
        assertThat(office.sign(second, Map.of("museum_fee_taken", "1,250.10")).status())
                .isEqualTo(200);
        assertThat(anybody.get("/api/v1/signing/" + second).json().get("derived"))
                .as("after the act")
                .isEmpty();
        office.await(number, "COMPLETED");
        assertThat(office.findings(number)).isEmpty();
        try (PDDocument pdf = Loader.loadPDF(office.client
                .get("/api/v1/agreements/" + number + "/documents/wording.pdf")
                .body())) {
            var form = pdf.getDocumentCatalog().getAcroForm();
            assertThat(form.getField("lender_value").getValueAsString()).isEqualTo("€12,500.00");
            assertThat(form.getField("lender_total").getValueAsString()).isEqualTo("€1,250.10");
            assertThat(form.getField("museum_fee_seen").getValueAsString()).isEqualTo("€1,250.10");
            assertThat(form.getField("museum_fee_taken").getValueAsString()).isEqualTo("€1,250.10");
        }
        try (PDDocument record = Loader.loadPDF(office.client
                .get("/api/v1/agreements/" + number + "/record.pdf")
                .body())) {
            assertThat(new PDFTextStripper().getText(record)).contains("total").contains("1250.10");
        }
    }

    @Test
    void aDatumThatItsPlaceCantShowIsToldBeforeSending() {
        JsonNode template = office.bringIn(
                "Copied",
                new WordDraft()
                        .paragraph("{{lender_name}} of {{town}} {{lender.town}} {{lender.signature}}")
                        .bytes());
        ObjectNode content = (ObjectNode) template.get("content");
        kind(content, "lender_town", "copy");
        from(content, "lender_town", "DATUM", "town");
        String id = office.publish(office.settle(template, content));
        Map<String, String> data =
                Map.of("lender_name", "Ida Marsh", "lender_mail", LENDER, "town", "A town by the water ".repeat(6));
        assertThat(office.show(office.generate(id, data)).get("obstacles").toString())
                .contains("can’t show what it copies");
    }

    @Test
    void aFormulaThatCantBeReadStandsInTheWayOfPublishing() {
        JsonNode draft = draft();
        ObjectNode content = (ObjectNode) draft.get("content");
        Office.signingField(content, "lender_total").withObject("type").put("formula", "lender_fee + postage");
        assertThat(office.settle(draft, content).get("obstacles").toString())
                .contains("can’t be worked out")
                .contains("postage");
    }

    private static Map<String, String> with(Map<String, String> answers, String name, String value) {
        Map<String, String> more = new HashMap<>(answers);
        more.put(name, value);
        return more;
    }
}
