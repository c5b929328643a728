package org.jalousie.server;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.concurrent.Callable;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.text.PDFTextStripper;
import org.jalousie.core.pdf.PdfSample;
import org.jalousie.core.wording.write.WordDraft;
import org.jalousie.demo.Client;
import org.jalousie.server.testbed.Office;
import org.jalousie.server.testbed.Testbed;
import org.jalousie.server.testbed.Together;
import org.junit.jupiter.api.Test;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ObjectNode;

/** The agreement beside its form: it follows what is typed, and nobody sees another one's. */
class LivePagesTest {
    private final Testbed bed = Testbed.start();
    private final Office office = new Office(bed.address());

    private String template(String name) throws IOException {
        JsonNode template = office.bringIn(
                name,
                new WordDraft()
                        .paragraph("{{lender_name}} lends {{#objects}}{{title}}, {{/objects}} for {{fee}}.")
                        .paragraph("{{#abroad}}It crosses a border.{{/abroad}}")
                        .paragraph("{{lender.signature}}")
                        .bytes());
        Client.Answer terms = office.client.upload(
                "/api/v1/templates/" + template.get("id").asString() + "/documents?title=Terms&revision="
                        + template.get("revision").asInt(),
                "terms.pdf",
                PdfSample.letter("Customs terms", "No duty is paid."));
        JsonNode with = terms.json().get("template");
        ObjectNode content = (ObjectNode) with.get("content");
        ((ObjectNode) content.get("documents").get(1)).put("when", "abroad");
        ((ObjectNode) content.get("parties").get(0)).set("who", Office.fixed("Ida Marsh", "ida@lender.example.org"));
        return office.publish(office.settle(with, content));
    }

    private Client.Answer ask(Client client, String path, Map<String, String> values, String document) {
        return client.post(path, Map.of("values", values, "language", "de", "document", document));
    }

    private JsonNode pages(String path, Map<String, String> values, String document) {
        Client.Answer answer = ask(office.client, path, values, document);
        assertThat(answer.status()).as(answer.text()).isEqualTo(200);
        return answer.json();
    }

    private String text(JsonNode made) throws IOException {
        try (PDDocument document = Loader.loadPDF(made.get("pdf").binaryValue())) {
            return new PDFTextStripper().getText(document);
        }
    }

    private static List<String> titles(JsonNode made) {
        List<String> titles = new ArrayList<>();
        made.get("documents").forEach(one -> titles.add(one.get("title").asString()));
        return titles;
    }

    @Test
    void thePagesFollowWhatIsTyped() throws Exception {
        String path = "/api/v1/templates/" + template("Live") + "/form/pages";
        JsonNode empty = pages(path, Map.of(), "");
        assertThat(text(empty))
                .contains("[Lender name] lends", "[Title]", "[Fee]")
                .doesNotContain("border");
        assertThat(titles(empty)).containsExactly("Live");
        JsonNode typed = pages(
                path,
                Map.of(
                        "lender_name",
                        "Ida Marsh",
                        "fee",
                        "EUR 1.200,50",
                        "abroad",
                        "yes",
                        "objects",
                        "[{\"title\":\"a viola\"},{\"title\":\"\"}]"),
                "");
        assertThat(text(typed)).contains("Ida Marsh lends a viola, [Title], ", "\u20ac1,200.50", "crosses a border");
        assertThat(titles(typed)).containsExactly("Live", "Terms");
        assertThat(typed.get("sizes")).hasSize(1);
        JsonNode marks = office.client
                .get("/api/v1/form-pages/" + typed.get("key").asString())
                .json();
        assertThat(marks.get("pages").get("fields")).hasSize(1);
        assertThat(marks.get("printed").toString()).contains("\"name\":\"lender_name\"", "\"items\":[2]");
        JsonNode half = pages(path, Map.of("lender_name", "Ida Marsh", "fee", "EUR 1.2x"), "");
        assertThat(text(half)).contains("Ida Marsh", "[Fee]");
    }

    @Test
    void aDocumentThatComesByRuleIsLookedAtWhileItComes() throws Exception {
        String path = "/api/v1/templates/" + template("Live by rule") + "/form/pages";
        JsonNode terms = pages(path, Map.of("abroad", "yes"), "document_1");
        assertThat(terms.get("document").asString()).isEqualTo("document_1");
        assertThat(text(terms)).contains("No duty is paid");
        assertThat(pages(path, Map.of("abroad", "no"), "document_1")
                        .get("document")
                        .asString())
                .isEqualTo("wording");
        assertThat(pages(path, Map.of(), "../x").get("document").asString()).isEqualTo("wording");
    }

    @Test
    void theTextHasTheAnswersInIt() throws Exception {
        JsonNode text = pages(
                "/api/v1/templates/" + template("Live text") + "/form/text",
                Map.of("lender_name", "Ida Marsh", "abroad", "yes"),
                "");
        assertThat(text.get("paragraphs").get(0).get("runs").get(0).toString())
                .contains("Ida Marsh", "\"name\":\"lender_name\"");
        assertThat(text.toString()).contains("crosses a border");
        assertThat(titles(text)).containsExactly("Live text");
    }

    @Test
    void aRequestStaysWithItsVersion() throws Exception {
        String id = template("Live request");
        Map<String, String> values =
                Map.of("lender_name", "Ida Marsh", "abroad", "no", "fee", "EUR 10", "objects", "[{\"title\":\"Bow\"}]");
        String request = office.request(id, new HashMap<>(values));
        office.client.post("/api/v1/templates/" + id + "/retirement", Map.of());
        assertThat(text(pages("/api/v1/requests/" + request + "/pages", values, "")))
                .contains("Ida Marsh lends Bow");
        assertThat(ask(office.client, "/api/v1/templates/" + id + "/form/pages", values, "")
                        .status())
                .isEqualTo(409);
        assertThat(ask(office.client, "/api/v1/requests/R-2020-9999/pages", values, "")
                        .status())
                .isEqualTo(404);
    }

    @Test
    void nobodySeesWhatAnotherHasTyped() throws Exception {
        String path = "/api/v1/templates/" + template("Live alone") + "/form/pages";
        JsonNode made = pages(path, Map.of("lender_name", "Ida Marsh"), "");
        String marks = "/api/v1/form-pages/" + made.get("key").asString();
        assertThat(new Client(bed.address()).get(marks).status()).isEqualTo(401);
        assertThat(ask(new Client(bed.address()), path, Map.of(), "").status()).isEqualTo(401);
        assertThat(office.client
                        .get("/api/v1/form-pages/" + new java.util.UUID(1, 2))
                        .status())
                .isEqualTo(404);
        assertThat(ask(office.client, path, Map.of("lender_name", "x"), "")
                        .json()
                        .get("key"))
                .isNotEqualTo(made.get("key"));
    }

    @Test
    void tenWhoTypeAtOnceSeeTheirOwnPages() throws Exception {
        String path = "/api/v1/templates/" + template("Live for ten") + "/form/pages";
        List<Callable<String>> all = new ArrayList<>();
        for (int i = 0; i < 10; i++) {
            String name = "Lender number " + i;
            all.add(() -> {
                for (String typed : List.of(name.substring(0, 8), name)) {
                    String text = text(pages(path, Map.of("lender_name", typed), ""));
                    if (!text.startsWith(typed + " lends")) return typed + " saw " + text;
                }
                return "";
            });
        }
        assertThat(Together.all(all)).containsOnly("");
    }
}
