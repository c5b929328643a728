package org.jalousie.server;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.Function;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.text.PDFTextStripper;
import org.jalousie.core.json.Json;
import org.jalousie.core.wording.DocxText;
import org.jalousie.core.wording.write.WordDraft;
import org.jalousie.demo.Client;
import org.jalousie.server.testbed.Office;
import org.jalousie.server.testbed.Testbed;
import org.jalousie.server.testbed.Together;
import org.jalousie.server.testbed.Wait;
import org.junit.jupiter.api.Test;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.ObjectNode;

/** Preparing a template: rules, clauses, specimens, the proof, acts on the wording, versions. */
class PreparationTest {
    private final Office office = new Office(Testbed.start().address());

    private static byte[] loan() {
        return new WordDraft()
                .title("Loan")
                .paragraph("Lent by {{lender_name}} on {{generated_on.iso}}.")
                .table(
                        List.of(
                                List.of("Object", "Value"),
                                List.of("{{#objects}}{{title}}", "{{value}}{{/objects}}"),
                                List.of("Total", "{{total}}")),
                        true)
                .paragraph("{{#dear}}")
                .paragraph("A courier travels with the objects.")
                .paragraph("{{/dear}}")
                .paragraph("{{>*cover}}")
                .paragraph("{{lender.signature}}")
                .bytes();
    }

    private String path(JsonNode template) {
        return "/api/v1/templates/" + template.get("id").asString();
    }

    private JsonNode settle(JsonNode template, JsonNode content) {
        Client.Answer answer = office.client.put(
                path(template) + "/content",
                Map.of("revision", template.get("revision").asInt(), "content", content));
        assertThat(answer.status()).as(answer.text()).isEqualTo(200);
        return answer.json();
    }

    private JsonNode post(JsonNode template, String path, Map<String, Object> body) {
        Map<String, Object> all = new java.util.HashMap<>(body);
        all.put("revision", template.get("revision").asInt());
        Client.Answer answer = office.client.post(path(template) + path, all);
        assertThat(answer.status()).as(answer.text()).isLessThan(300);
        return answer.json();
    }

    private void clause(String name, String words) {
        Client.Answer answer = office.client.upload(
                "/api/v1/clauses?name=" + name,
                name + ".docx",
                new WordDraft().paragraph(words).bytes());
        assertThat(answer.status()).as(answer.text()).isIn(201, 409);
    }

    /** The loan with a total, a condition and a choice between two clauses. */
    private JsonNode prepared(String name) {
        clause("own_cover", "The museum carries the risk of {{total}} itself.");
        clause("insured", "The museum insures the objects.");
        JsonNode template = office.bringIn(name, loan());
        ObjectNode content = (ObjectNode) template.get("content").deepCopy();
        content.set("rules", Json.MAPPER.readTree("""
                [{"name":"total","label":"Total","within":"","expression":"sum(objects.value)","gives":"MONEY"},
                 {"name":"dear","label":"Dear","within":"","expression":"total > 1000","gives":"YES_NO"}]"""));
        content.set("choices", Json.MAPPER.readTree("""
                [{"name":"cover","label":"Cover","cases":[
                  {"label":"Insured","condition":"total > 500","clause":"insured"},
                  {"label":"Own risk","condition":"","clause":"own_cover"}]}]"""));
        ArrayNode fields = (ArrayNode) content.get("fields");
        for (int i = fields.size() - 1; i >= 0; i--) {
            // proposed before the rules of these names were known
            if (List.of("total", "dear").contains(fields.get(i).get("name").asString())) fields.remove(i);
        }
        return settle(template, content);
    }

    private static String text(byte[] pdf) {
        try (PDDocument document = Loader.loadPDF(pdf)) {
            return new PDFTextStripper().getText(document);
        } catch (IOException e) {
            throw new IllegalStateException(e);
        }
    }

    @Test
    void anAgreementIsMadeFromItemsRulesAndTheClauseThatAChoiceNames() {
        JsonNode template = prepared("Loan with rules");
        assertThat(template.get("obstacles")).as(template.toString()).isEmpty();
        assertThat(template.get("wordings").get(0).get("includes").toString()).contains("own_cover", "insured");
        String id = template.get("id").asString();
        post(template, "/publication", Map.of());
        String number = office.generate(
                id,
                Map.of(
                        "lender_name", "Ida Marsh",
                        "lender_mail", "ida.marsh@lender.example.org",
                        "objects",
                                "[{\"title\":\"Viola\",\"value\":\"EUR 900.10\"},{\"title\":\"Bow\",\"value\":\"EUR 100.20\"}]"));
        String pages = text(office.client
                .get("/api/v1/agreements/" + number + "/documents/wording.pdf")
                .body());
        assertThat(pages)
                .contains("Viola", "Bow", "Total \u20ac1,000.30", "A courier travels", "The museum insures")
                .doesNotContain("own risk", "{{", "carries the risk");
    }

    /** The table follows the form: a question that is called otherwise is so in the pages, too. */
    @Test
    void allAnswersPrintAsATable() {
        JsonNode template = office.bringIn(
                "Loan with all answers",
                new WordDraft()
                        .paragraph("{{lender_name}} lends.{{#abroad}} It travels.{{/abroad}}")
                        .paragraph("{{answers.block}}")
                        .paragraph("{{lender.signature}}")
                        .bytes());
        assertThat(text(office.client.get(path(template) + "/preview.pdf").body()))
                .contains("Lender name", "Abroad");
        ObjectNode content = (ObjectNode) template.get("content");
        for (JsonNode field : content.get("fields"))
            if (field.get("name").asString().equals("lender_name")) ((ObjectNode) field).put("label", "Who lends it");
        JsonNode settled = office.settle(template, content);
        assertThat(text(office.client.get(path(settled) + "/preview.pdf").body()))
                .contains("Who lends it");
        String number = office.generate(
                office.publish(settled),
                Map.of("lender_name", "Ida Marsh", "lender_mail", "ida@lender.example.org", "abroad", "no"));
        office.await(number, "CHECK");
        assertThat(text(office.client
                        .get("/api/v1/agreements/" + number + "/documents/wording.pdf")
                        .body()))
                .contains("Who lends it", "ida@lender.example.org", "Abroad", "no")
                .doesNotContain("answers", "travels");
        assertThat(office.client
                        .get("/api/v1/agreements/" + number + "/documents/wording/printed")
                        .text())
                .contains("all answers", "lender_mail");
    }

    @Test
    void aPublishedTemplateKeepsItsClausesAndADraftFollowsTheLibrary() {
        JsonNode template = prepared("Loan that keeps clauses");
        post(template, "/publication", Map.of());
        JsonNode clauses = office.client.get("/api/v1/clauses?find=insured").json();
        String clause = clauses.get("items").get(0).get("id").asString();
        JsonNode changed = office.client
                .upload(
                        "/api/v1/clauses/" + clause + "/versions?note=clearer",
                        "insured.docx",
                        new WordDraft()
                                .paragraph("The museum insures everything anew.")
                                .bytes())
                .json();
        assertThat(changed.get("versions").get(0).get("note").asString()).isEqualTo("clearer");
        assertThat(text(office.client.get(path(template) + "/preview.pdf").body()))
                .contains("insures the objects");
        JsonNode draft = office.client.post(path(template) + "/draft", Map.of()).json();
        assertThat(text(office.client.get(path(draft) + "/preview.pdf").body())).contains("everything anew");
    }

    @Test
    void specimensAreDrawnUpTriedByEveryRuleAndProved() {
        JsonNode prepared = prepared("Loan to prove");
        post(prepared, "/specimens/drawing", Map.of());
        ended(path(prepared) + "/specimens/drawing", work -> work);
        // who comes back to the room finds how far it is, counted in cases
        JsonNode drawing = office.client.get(path(prepared) + "/proof").json().get("drawing");
        assertThat(drawing.get("state").asString()).isEqualTo("DONE");
        assertThat(drawing.get("total").asInt())
                .isGreaterThan(2)
                .isEqualTo(drawing.get("done").asInt());
        JsonNode template = office.client.get(path(prepared)).json();
        JsonNode specimens = template.get("content").get("specimens");
        assertThat(specimens.toString()).contains("SHORTEST", "LONGEST", "DRAWN_UP");
        JsonNode total = template.get("trials").get(0);
        assertThat(total.get("rule").asString()).isEqualTo("total");
        assertThat(total.get("given")).hasSameSizeAs(specimens);
        assertThat(office.client
                        .get(path(template) + "/proof")
                        .json()
                        .get("work")
                        .isNull())
                .isTrue();
        String picture = path(template) + "/specimens/0/pages/1.png";
        assertThat(office.client.get(picture).text()).contains("Print the proof");
        office.client.post(path(template) + "/proof", Map.of());
        JsonNode shown = ended(path(template) + "/proof", view -> view.get("work"));
        JsonNode proof = shown.get("proof");
        assertThat(shown.get("work").get("done").asInt())
                .isEqualTo(shown.get("work").get("total").asInt())
                .isEqualTo(specimens.size());
        assertThat(shown.get("work").get("current").asBoolean()).isTrue();
        assertThat(proof.get("unreached")).as(proof.toString()).isEmpty();
        proof.get("passages")
                .forEach(one ->
                        assertThat(one.get("reachedBy")).as(one.toString()).isNotEmpty());
        proof.get("specimens")
                .forEach(one -> assertThat(one.get("fault").asString()).isEmpty());
        byte[] pages = office.client
                .get(path(template) + "/proof/" + proof.get("file").asString() + "/pages.pdf")
                .body();
        assertThat(text(pages)).contains("Specimen \u2013 test data, not an agreement \u2013 Longest");
        JsonNode first = proof.get("specimens").get(0);
        int pictures = first.get("pictures").size();
        assertThat(pictures)
                .isEqualTo(
                        first.get("lastPage").asInt() - first.get("firstPage").asInt() + 1);
        assertThat(office.client.get(picture).body()).startsWith(0x89, 'P', 'N', 'G');
        assertThat(office.client
                        .get(path(template) + "/specimens/0/pages/" + (pictures + 1) + ".png")
                        .status())
                .isEqualTo(404);
        assertThat(office.client
                        .get(path(template) + "/specimens/0/pages/0.png")
                        .status())
                .isEqualTo(404);
        assertThat(DocxText.body(office.client
                        .get(path(template) + "/specimens/0/specimen.docx")
                        .body()))
                .startsWith("SPECIMEN");
    }

    private JsonNode ended(String path, Function<JsonNode, JsonNode> work) {
        JsonNode shown = Wait.until(
                path + " to end",
                () -> Optional.of(office.client.get(path).json())
                        .filter(one -> List.of("DONE", "FAILED")
                                .contains(work.apply(one).get("state").asString())));
        assertThat(work.apply(shown).get("state").asString())
                .as(shown.toString())
                .isEqualTo("DONE");
        return shown;
    }

    @Test
    void aProofIsKeptUntilTheTemplateChangesAndAskedForTwiceIsOne() throws Exception {
        JsonNode template = prepared("Loan proved twice");
        ObjectNode content = (ObjectNode) template.get("content").deepCopy();
        content.set("specimens", Json.MAPPER.readTree("[{\"name\":\"One\",\"origin\":\"TYPED\",\"data\":{}}]"));
        JsonNode settled = settle(template, content);
        String at = path(settled) + "/proof";
        Together.all(List.of(
                () -> office.client.post(at, Map.of()).status(),
                () -> new Office(Testbed.start().address())
                        .client
                        .post(at, Map.of())
                        .status()));
        JsonNode first = ended(at, view -> view.get("work"));
        JsonNode again = office.client.post(at, Map.of()).json();
        assertThat(again.get("work").get("state").asString()).isEqualTo("DONE");
        assertThat(again.get("proof")).isEqualTo(first.get("proof"));
        content.put("language", "nl-NL");
        settle(settled, content);
        assertThat(office.client.get(at).json().get("work").get("current").asBoolean())
                .isFalse();
        JsonNode printed = office.client.post(at, Map.of()).json();
        assertThat(printed.get("proof").isNull()).isTrue();
        ended(at, view -> view.get("work"));
    }

    @Test
    void specimensAreNotDrawnUpForADraftThatIsAnotherOneByThen() {
        JsonNode template = prepared("Loan drawn late");
        assertThat(office.client
                        .post(path(template) + "/specimens/drawing", Map.of("revision", 0))
                        .status())
                .isEqualTo(409);
        post(template, "/publication", Map.of());
        JsonNode published = office.client.get(path(template)).json();
        assertThat(office.client
                        .post(
                                path(template) + "/specimens/drawing",
                                Map.of("revision", published.get("revision").asInt()))
                        .status())
                .isEqualTo(409);
    }

    @Test
    void wordsOnThePageBecomeAFieldAndTheActIsTakenBack() {
        JsonNode template = office.bringIn(
                "Last year's letter",
                new WordDraft()
                        .header("Ida Marsh")
                        .paragraph("Dear Ida Marsh, we thank you.")
                        .paragraph("{{lender.signature}}")
                        .bytes());
        JsonNode edited = post(
                template,
                "/wording/acts",
                Map.of(
                        "act",
                        "MARK_FIELD",
                        "name",
                        "thanked",
                        "everywhere",
                        false,
                        "words",
                        Map.of("text", "Ida Marsh", "before", "Dear ", "after", ", we thank")));
        assertThat(edited.get("further").asInt()).isEqualTo(1);
        JsonNode after = edited.get("template");
        assertThat(after.get("content").get("fields").toString()).contains("thanked");
        assertThat(after.get("undo").asString()).contains("thanked");
        assertThat(DocxText.body(office.client.get(path(template) + "/wording").body()))
                .startsWith("Dear {{thanked}}, we thank you.");
        JsonNode undone = post(after, "/undo", Map.of());
        assertThat(undone.get("content").get("fields").toString()).doesNotContain("thanked");
        assertThat(DocxText.body(office.client.get(path(template) + "/wording").body()))
                .startsWith("Dear Ida Marsh");
    }

    @Test
    void aFileBroughtBackIsComparedAndAConfirmedRenameKeepsTheSettings() {
        JsonNode template = office.bringIn("To be changed", Office.loanWording());
        ObjectNode content = (ObjectNode) template.get("content").deepCopy();
        content.get("fields").forEach(field -> {
            if (field.get("name").asString().equals("lender_name")) ((ObjectNode) field).put("label", "Who lends?");
        });
        JsonNode settled = settle(template, content);
        byte[] changed = new WordDraft()
                .paragraph("{{lender_nam}} {{start_date}} {{brand_new}} {{lender.signature}}")
                .bytes();
        JsonNode comparison = office.client
                .upload(path(template) + "/wording/comparison", "changed.docx", changed)
                .json();
        assertThat(comparison.get("added").toString()).contains("lender_nam", "brand_new");
        assertThat(comparison.get("gone").toString()).contains("lender_name");
        assertThat(comparison.get("renames").toString()).contains("\"from\":\"lender_name\",\"to\":\"lender_nam\"");
        JsonNode accepted = office.bringBack(settled, changed, Map.of("lender_name", "lender_nam"));
        assertThat(accepted.get("content").get("fields").toString())
                .contains("\"label\":\"Who lends?\"")
                .contains("\"name\":\"lender_nam\"");
        assertThat(accepted.get("advice").toString()).contains("field-unused");
    }

    @Test
    void templatesAreDuplicatedRetiredAndReturnedToAnEarlierVersion() {
        String id = office.publish("Retiring soon", Office.loanWording());
        JsonNode copy = office.client
                .post("/api/v1/templates/" + id + "/duplicate", Map.of("name", "A copy"))
                .json();
        assertThat(copy.get("content").get("fields").size()).isPositive();
        JsonNode draft = office.client
                .post("/api/v1/templates/" + id + "/draft", Map.of())
                .json();
        JsonNode changed = office.bringBack(
                draft,
                new WordDraft().paragraph("{{other}} {{lender.signature}}").bytes(),
                Map.of());
        JsonNode difference = office.client
                .get("/api/v1/templates/" + id + "/difference?from=1&to=2")
                .json();
        assertThat(difference.get("settings").toString()).contains("Field Other is new.");
        assertThat(difference.get("lines").toString()).contains("\"fate\":\"CAME\"", "{{other}}");
        JsonNode returned = post(changed, "/return", Map.of("number", 1));
        assertThat(returned.get("undo").asString()).contains("version 1");
        assertThat(DocxText.body(office.client
                        .get("/api/v1/templates/" + id + "/wording")
                        .body()))
                .isEqualTo(DocxText.body(Office.loanWording()));
        assertThat(office.client.get("/api/v1/templates/" + id + "/versions").json())
                .hasSize(2);
        office.client.post("/api/v1/templates/" + id + "/retirement", Map.of());
        assertThat(office.client.get("/api/v1/templates/" + id + "/form").status())
                .isEqualTo(409);
        assertThat(office.client
                        .get("/api/v1/templates?find=Retiring")
                        .json()
                        .get("total")
                        .asInt())
                .isZero();
        assertThat(office.client
                        .get("/api/v1/templates?find=Retiring&retired=true")
                        .json()
                        .get("total")
                        .asInt())
                .isEqualTo(1);
    }

    @Test
    void aRequestBecomesASpecimenWithoutItsPerson() {
        String id = office.publish("With requests", Office.loanWording());
        office.generate(id, Office.loanValues("Ida Marsh"));
        JsonNode requests = office.client.get("/api/v1/requests").json();
        office.client.post("/api/v1/templates/" + id + "/draft", Map.of());
        Client.Answer kept = office.client.post(
                "/api/v1/requests/" + requests.get("items").get(0).get("number").asString() + "/specimen",
                Map.of("name", "A usual one"));
        assertThat(kept.status()).as(kept.text()).isEqualTo(200);
        assertThat(kept.json().get("replaced").toString()).contains("Ida Marsh");
        String specimens = office.client
                .get("/api/v1/templates/" + id)
                .json()
                .get("content")
                .get("specimens")
                .toString();
        assertThat(specimens).contains("A usual one", "FROM_REQUEST").doesNotContain("Ida Marsh");
    }

    @Test
    void whatCannotBeDoneIsRefusedInASentenceAndNothingChanges() {
        JsonNode template = office.bringIn("Refusals", Office.loanWording());
        String at = path(template);
        int revision = template.get("revision").asInt();
        Map<String, Object> words = Map.of("text", "no such words here", "before", "", "after", "");
        Map<String, Object> act =
                Map.of("revision", revision, "act", "MARK_FIELD", "words", words, "name", "x", "everywhere", false);
        assertThat(office.client.post(at + "/wording/acts", act).text()).contains("not found in the Word file");
        assertThat(office.client
                        .post(at + "/wording/acts", Map.of("revision", revision, "act", "INSERT", "everywhere", false))
                        .status())
                .isEqualTo(422);
        assertThat(office.client
                        .post("/api/v1/templates/composition", Map.of("html", "<p>x</p>", "pageNumbers", true))
                        .status())
                .isEqualTo(422);
        Map<String, Object> badName = new java.util.HashMap<>(act);
        badName.put("name", "no name");
        assertThat(office.client.post(at + "/wording/acts", badName).status()).isEqualTo(422);
        assertThat(office.client
                        .post(at + "/undo", Map.of("revision", revision))
                        .text())
                .contains("nothing to take back");
        assertThat(office.client.post(at + "/proof", Map.of()).text()).contains("no specimen yet");
        assertThat(office.client
                        .post(
                                at + "/wording/acceptance",
                                Map.of("revision", revision, "file", "../../etc/passwd", "renames", Map.of()))
                        .status())
                .isEqualTo(404);
        assertThat(office.client
                        .get(at + "/proof/" + "0".repeat(63) + "x/pages.pdf")
                        .status())
                .isEqualTo(404);
        assertThat(office.client.get(at + "/specimens/7/pages.pdf").status()).isEqualTo(404);
        assertThat(office.client
                        .upload("/api/v1/pictures", "x.png", "no picture".getBytes())
                        .text())
                .contains("PNG or JPEG");
        assertThat(office.client
                        .upload("/api/v1/clauses?name=Bad%20Name", "x.docx", Office.loanWording())
                        .status())
                .isEqualTo(422);
        assertThat(office.client.get(at).json().get("revision").asInt()).isEqualTo(revision);
    }

    @Test
    void aRuleThatFailsOnTheDataIsToldAtTheForm() {
        JsonNode template = prepared("Loan in two currencies");
        post(template, "/publication", Map.of());
        Client.Answer answer = office.client.post(
                "/api/v1/requests",
                Map.of(
                        "template",
                        template.get("id").asString(),
                        "values",
                        Map.of(
                                "lender_name", "Ida Marsh",
                                "lender_mail", "ida.marsh@lender.example.org",
                                "objects",
                                        "[{\"title\":\"a\",\"value\":\"EUR 1\"},{\"title\":\"b\",\"value\":\"GBP 1\"}]"),
                        "people",
                        Map.of()));
        assertThat(answer.status()).isEqualTo(422);
        assertThat(answer.text()).contains("Rule total", "EUR and GBP");
    }
}
