package org.jalousie.server;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.text.PDFTextStripper;
import org.jalousie.core.pdf.ArchivalCheck;
import org.jalousie.core.pdf.PdfSample;
import org.jalousie.core.wording.DocxText;
import org.jalousie.core.wording.write.WordDraft;
import org.jalousie.demo.Client;
import org.jalousie.server.testbed.Office;
import org.jalousie.server.testbed.Testbed;
import org.jalousie.server.testbed.Wait;
import org.junit.jupiter.api.Test;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.ObjectNode;

/** Several wordings in one template: one set of data, parties and signing fields for all of them. */
class FurtherWordingsTest {
    private static final String LENDER = "ida.marsh@lender.example.org";
    private static final String OFFICER = "otto.quay@museum.example.org";
    private static final String ANNEX = "document_1";

    private final Testbed bed = Testbed.start();
    private final Office office = new Office(bed.address());

    private static byte[] annex() {
        return new WordDraft()
                .paragraph("Care of the viola of {{lender_name}}, kept at {{degrees}} degrees by Nils Holt.")
                .paragraph("{{#abroad}}It travels by road.{{/abroad}}{{^abroad}}It stays in town.{{/abroad}}")
                .paragraph("{{#fragile}}It is never touched.{{/fragile}}")
                .paragraph("{{officer.signature}}")
                .paragraph("{{officer.remark}}")
                .bytes();
    }

    private static Map<String, String> values(String abroad) {
        return new HashMap<>(Map.of("lender_name", "Ida Marsh", "abroad", abroad, "fragile", "yes", "degrees", "19"));
    }

    private String path(JsonNode template) {
        return "/api/v1/templates/" + template.get("id").asString();
    }

    private JsonNode bring(JsonNode template, String title, byte[] file, String further) {
        Client.Answer answer = office.client.upload(
                path(template) + "/documents?revision="
                        + template.get("revision").asInt() + "&title=" + Client.encoded(title) + further,
                "file.docx",
                file);
        assertThat(answer.status()).as(answer.text()).isEqualTo(201);
        return answer.json().get("template");
    }

    /** A loan that the lender signs, with an annex on its care, which the officer signs, too. */
    private JsonNode template(String name) {
        JsonNode template = office.bringIn(
                name,
                new WordDraft()
                        .paragraph("{{lender_name}} lends a viola.{{#abroad}} It crosses a border.{{/abroad}}")
                        .paragraph("{{lender.signature}}")
                        .paragraph("{{officer.signature}}")
                        .bytes());
        JsonNode with = bring(template, "Care", annex(), "");
        ObjectNode content = (ObjectNode) with.get("content");
        for (JsonNode party : content.get("parties")) {
            boolean lender = party.get("key").asString().equals("lender");
            ((ObjectNode) party)
                    .put("stage", lender ? 1 : 2)
                    .set("who", lender ? Office.fixed("Ida Marsh", LENDER) : Office.fixed("Otto Quay", OFFICER));
        }
        return office.settle(with, content);
    }

    private static List<String> names(JsonNode list) {
        List<String> names = new ArrayList<>();
        list.forEach(one -> names.add(one.get("name").asString()));
        return names;
    }

    private JsonNode post(JsonNode template, String path, Map<String, Object> body) {
        Map<String, Object> all = new HashMap<>(body);
        all.put("revision", template.get("revision").asInt());
        Client.Answer answer = office.client.post(path(template) + path, all);
        assertThat(answer.status()).as(answer.text()).isEqualTo(200);
        return answer.json();
    }

    private byte[] file(String number, String document) {
        Client.Answer answer = office.client.get("/api/v1/agreements/" + number + "/documents/" + document + ".pdf");
        assertThat(answer.status()).isEqualTo(200);
        return answer.body();
    }

    private static String text(byte[] file) throws IOException {
        try (PDDocument pdf = Loader.loadPDF(file)) {
            return new PDFTextStripper().getText(pdf);
        }
    }

    private String word(JsonNode template, String document) {
        return DocxText.body(office.client
                .get(path(template) + "/wording?document=" + document)
                .body());
    }

    @Test
    void allWordingsAreMadeFromOneSetOfDataAndSignedInOneAct() throws IOException {
        JsonNode template = template("Two wordings");
        assertThat(template.get("obstacles")).isEmpty();
        assertThat(names(template.get("content").get("fields")))
                .contains("lender_name", "abroad", "degrees", "fragile");
        assertThat(names(template.get("content").get("signingFields")))
                .containsExactly("lender_signature", "officer_signature", "officer_remark");
        String number = office.generate(office.publish(template), values("yes"));
        assertThat(text(file(number, "wording"))).contains("Ida Marsh lends", "crosses a border");
        assertThat(text(file(number, ANNEX)))
                .contains("viola of Ida Marsh, kept at 19 degrees", "by road", "never touched")
                .doesNotContain("in town");
        JsonNode printed = office.client
                .get("/api/v1/agreements/" + number + "/documents/" + ANNEX + "/printed")
                .json();
        assertThat(printed.get("things").toString()).contains("degrees", "lender_name");

        assertThat(DocxText.body(office.client
                        .get("/api/v1/agreements/" + number + "/documents/" + ANNEX + ".docx")
                        .body()))
                .contains("viola of Ida Marsh");

        office.send(number);
        office.sign(office.link(number, LENDER), Map.of());
        office.sign(office.link(number, OFFICER), Map.of("officer_remark", "Kept with care"));
        office.await(number, "COMPLETED");
        JsonNode check = office.client
                .post("/api/v1/archive/" + number + "/verification", Map.of())
                .json();
        assertThat(check.get("intact").asBoolean()).as(check.toString()).isTrue();
        Map<String, Integer> parties = Map.of("wording", 2, ANNEX, 1);
        for (String document : parties.keySet()) {
            byte[] pdf = file(number, document);
            assertThat(ArchivalCheck.faults(pdf)).as(document).isEmpty();
            try (PDDocument signed = Loader.loadPDF(pdf)) {
                assertThat(signed.getSignatureDictionaries().stream()
                                .filter(one -> one.getSubFilter().contains("CAdES"))
                                .toList())
                        .as(document)
                        .hasSize(1 + parties.get(document));
            }
        }
        try (PDDocument signed = Loader.loadPDF(file(number, ANNEX))) {
            assertThat(signed.getDocumentCatalog()
                            .getAcroForm()
                            .getField("officer_remark")
                            .getValueAsString())
                    .isEqualTo("Kept with care");
        }
    }

    @Test
    void aFurtherWordingComesByRule() {
        JsonNode template = template("Wording by rule");
        ObjectNode content = (ObjectNode) template.get("content");
        ((ObjectNode) content.get("documents").get(1)).put("when", "abroad");
        String id = office.publish(office.settle(template, content));
        assertThat(office.show(office.generate(id, values("no"))).get("documents"))
                .hasSize(1);
        assertThat(office.show(office.generate(id, values("yes"))).get("documents"))
                .hasSize(2);
    }

    @Test
    void whoSignsOnlyInAWordingThatDoesntComeIsNotAsked() {
        JsonNode template = office.bringIn(
                "Annex away",
                new WordDraft()
                        .paragraph("{{lender_name}} lends a viola.{{#abroad}}x{{/abroad}} {{lender.signature}}")
                        .bytes());
        JsonNode with = bring(template, "Care", annex(), "");
        ObjectNode content = (ObjectNode) with.get("content");
        ((ObjectNode) content.get("documents").get(1)).put("when", "abroad");
        for (JsonNode party : content.get("parties"))
            ((ObjectNode) party)
                    .set(
                            "who",
                            party.get("key").asString().equals("lender")
                                    ? Office.fixed("Ida Marsh", LENDER)
                                    : Office.fixed("Otto Quay", OFFICER));
        String id = office.publish(office.settle(with, content));
        String number = office.generate(id, values("no"));
        office.send(number);
        office.sign(office.link(number, LENDER), Map.of());
        office.await(number, "COMPLETED");
        assertThat(office.mailTo(number, OFFICER, "")).isEmpty();
    }

    @Test
    void placesByHandInAWordingAreNotTaken() {
        JsonNode template = template("By hand in words");
        ObjectNode content = (ObjectNode) template.get("content");
        for (JsonNode document : content.get("documents"))
            ((ArrayNode) document.get("places"))
                    .addObject()
                    .put("field", "lender_signature")
                    .putPOJO("spot", Map.of("kind", "ON_PAGE", "page", 1, "left", 10, "top", 10));
        for (JsonNode document : office.settle(template, content).get("content").get("documents"))
            assertThat(document.get("places")).isEmpty();
    }

    @Test
    void actsOnThePagesChangeTheWordingThatIsShown() {
        JsonNode template = template("Acts on the annex");
        String before = word(template, "wording");
        JsonNode marked = post(
                        template,
                        "/wording/acts",
                        Map.of(
                                "document",
                                ANNEX,
                                "act",
                                "MARK_FIELD",
                                "name",
                                "keeper",
                                "everywhere",
                                false,
                                "words",
                                Map.of("text", "Nils Holt", "before", "degrees by ", "after", ".")))
                .get("template");
        assertThat(word(marked, ANNEX)).contains("degrees by {{keeper}}.");
        assertThat(word(marked, "wording")).isEqualTo(before);
        assertThat(names(marked.get("content").get("fields"))).contains("keeper");

        JsonNode renamed = post(marked, "/wording/renaming", Map.of("from", "lender_name", "to", "owner_name"));
        assertThat(word(renamed, "wording")).contains("{{owner_name}} lends").doesNotContain("lender_name");
        assertThat(word(renamed, ANNEX)).contains("viola of {{owner_name}}").doesNotContain("lender_name");
        JsonNode handed = post(renamed, "/wording/party", Map.of("field", "officer_remark", "party", "lender"));
        assertThat(word(handed, ANNEX)).contains("{{lender.remark}}");

        JsonNode undone = post(post(handed, "/undo", Map.of()), "/undo", Map.of());
        assertThat(word(undone, ANNEX)).contains("viola of {{lender_name}}", "{{keeper}}");
        assertThat(word(undone, "wording")).isEqualTo(before);
        JsonNode again = post(undone, "/redo", Map.of());
        assertThat(word(again, ANNEX)).contains("viola of {{owner_name}}");
    }

    @Test
    void aChangedWordFileReplacesTheWordingItIsBroughtBackFor() {
        JsonNode template = template("Brought back");
        byte[] changed = new WordDraft()
                .paragraph("Care of the viola of {{lender_name}}, kept at {{warmth}}.")
                .paragraph("{{officer.signature}}")
                .bytes();
        JsonNode comparison = office.client
                .upload(path(template) + "/wording/comparison?document=" + ANNEX, "annex.docx", changed)
                .json();
        assertThat(comparison.get("added").toString()).contains("warmth");
        assertThat(comparison.get("gone").toString()).contains("degrees", "fragile");
        JsonNode accepted = post(
                template,
                "/wording/acceptance",
                Map.of(
                        "document",
                        ANNEX,
                        "file",
                        comparison.get("file").asString(),
                        "renames",
                        Map.of("degrees", "warmth")));
        assertThat(word(accepted, ANNEX)).contains("{{warmth}}");
        assertThat(word(accepted, "wording")).contains("lends a viola");
        assertThat(names(accepted.get("content").get("fields")))
                .contains("warmth")
                .doesNotContain("degrees");
        for (String wrong : List.of("document_9", "../x", "contents"))
            assertThat(office.client
                            .post(
                                    path(template) + "/wording/acceptance",
                                    Map.of(
                                            "revision",
                                            accepted.get("revision").asInt(),
                                            "document",
                                            wrong,
                                            "file",
                                            comparison.get("file").asString(),
                                            "renames",
                                            Map.of()))
                            .status())
                    .as(wrong)
                    .isEqualTo(404);
    }

    @Test
    void whatIsWrongInAFurtherWordingIsToldAndStopsPublishing() {
        JsonNode template = office.bringIn(
                "Broken annex",
                new WordDraft().paragraph("{{lender.signature}}").bytes());
        JsonNode with = bring(
                template,
                "Care",
                new WordDraft().paragraph("{{#abroad}} never closed").bytes(),
                "");
        assertThat(with.get("diagnostics").toString()).contains("Care, body");
        assertThat(office.client
                        .post(
                                path(with) + "/publication",
                                Map.of("revision", with.get("revision").asInt()))
                        .status())
                .isEqualTo(409);
        assertThat(office.client.get(path(with) + "/preview?document=" + ANNEX).status())
                .isEqualTo(409);
    }

    @Test
    void aWordFileCanStillBecomePages() {
        JsonNode template = office.bringIn(
                "As pages", new WordDraft().paragraph("{{lender.signature}}").bytes());
        JsonNode with = bring(template, "Care", annex(), "&as=PAGES");
        assertThat(with.get("content").get("documents").get(1).get("kind").asString())
                .isEqualTo("FIXED");
        assertThat(names(with.get("content").get("fields"))).doesNotContain("degrees");
        assertThat(with.get("wordings")).hasSize(1);
    }

    @Test
    void theProofHasAllDocumentsOfASpecimen() throws IOException {
        JsonNode template = template("Proof of all");
        template = bring(template, "Terms", PdfSample.letter("Customs terms", "No duty is paid."), "");
        ObjectNode content = (ObjectNode) template.get("content");
        ((ObjectNode) content.get("documents").get(2)).put("when", "abroad");
        ArrayNode specimens = (ArrayNode) content.get("specimens");
        for (String abroad : List.of("yes", "no")) {
            ObjectNode specimen =
                    specimens.addObject().put("name", "Abroad " + abroad).put("origin", "TYPED");
            ObjectNode data = specimen.putObject("data");
            values(abroad).forEach(data::put);
        }
        template = office.settle(template, content);
        String at = path(template) + "/proof";
        office.client.post(at, Map.of());
        JsonNode proof = Wait.until(
                "the proof",
                () -> Optional.of(office.client.get(at).json())
                        .filter(one -> one.get("work").get("state").asString().equals("DONE"))
                        .map(one -> one.get("proof")));
        assertThat(proof.get("specimens").get(0).get("lastPage").asInt()).isEqualTo(3);
        assertThat(proof.get("specimens").get(1).get("firstPage").asInt()).isEqualTo(4);
        assertThat(proof.get("specimens").get(1).get("lastPage").asInt()).isEqualTo(5);
        assertThat(text(office.client
                        .get(at + "/" + proof.get("file").asString() + "/pages.pdf")
                        .body()))
                .contains("crosses a border", "by road", "No duty is paid", "stays in town");
        Map<String, String> reached = new HashMap<>();
        proof.get("passages")
                .forEach(one -> reached.merge(
                        one.get("document").asString() + " "
                                + one.get("passage").get("name").asString()
                                + one.get("passage").get("inverted").asBoolean(),
                        one.get("reachedBy").toString(),
                        String::concat));
        assertThat(reached)
                .containsEntry(" abroadfalse", "[\"Abroad yes\"]")
                .containsEntry("Care abroadfalse", "[\"Abroad yes\"]")
                .containsEntry("Care abroadtrue", "[\"Abroad no\"]");
        assertThat(DocxText.body(office.client
                        .get(path(template) + "/specimens/1/specimen.docx?document=" + ANNEX)
                        .body()))
                .contains("It stays in town");
        assertThat(office.client
                        .get(path(template) + "/passages?document=" + ANNEX)
                        .json())
                .hasSize(3);
        assertThat(office.client
                        .get(path(template) + "/passages?document=document_2")
                        .status())
                .isEqualTo(404);
    }

    @Test
    void versionsAreComparedWordingByWording() {
        JsonNode template = template("Compared");
        office.publish(template);
        JsonNode draft = office.client.post(path(template) + "/draft", Map.of()).json();
        JsonNode comparison = office.client
                .upload(
                        path(draft) + "/wording/comparison?document=" + ANNEX,
                        "annex.docx",
                        new WordDraft()
                                .paragraph("Care of the cello of {{lender_name}}.")
                                .bytes())
                .json();
        post(
                draft,
                "/wording/acceptance",
                Map.of("document", ANNEX, "file", comparison.get("file").asString(), "renames", Map.of()));
        JsonNode difference =
                office.client.get(path(draft) + "/difference?from=1&to=2").json();
        assertThat(difference.get("lines").toString()).contains("Care, body", "cello");
        assertThat(DocxText.body(office.client
                        .get(path(draft) + "/wording?version=1&document=" + ANNEX)
                        .body()))
                .contains("viola");
    }
}
