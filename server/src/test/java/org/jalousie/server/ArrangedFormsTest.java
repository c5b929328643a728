package org.jalousie.server;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.Collections;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.UUID;
import java.util.concurrent.Callable;
import org.jalousie.core.json.Json;
import org.jalousie.core.wording.write.WordDraft;
import org.jalousie.demo.Client;
import org.jalousie.server.testbed.Office;
import org.jalousie.server.testbed.Testbed;
import org.jalousie.server.testbed.Together;
import org.junit.jupiter.api.Test;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.ObjectNode;

/** A form that is arranged: what it begins with, asks by rules, numbers, and says in another language. */
class ArrangedFormsTest {
    private final Office office = new Office(Testbed.start().address());
    private final String template = publish();

    private static ObjectNode field(JsonNode content, String name) {
        for (JsonNode one : content.get("fields"))
            if (one.get("name").asString().equals(name)) return (ObjectNode) one;
        throw new AssertionError("no field " + name);
    }

    private static ObjectNode asks(ArrayNode questions, String field) {
        return questions.addObject().put("field", field);
    }

    private String publish() {
        JsonNode draft = office.bringIn(
                "Arranged",
                new WordDraft()
                        .paragraph("No. {{loan_number}}, asked on {{asked_on}} by {{asked_by}}: {{lender_name}},")
                        .paragraph("{{#abroad}}with {{courier}},{{/abroad}} {{days}} days, {{fee}}, {{report}}.")
                        .paragraph("{{#objects}}{{title}} {{value}}{{/objects}} {{transport}}")
                        .paragraph("{{lender.signature}}")
                        .bytes());
        ObjectNode content = (ObjectNode) draft.get("content").deepCopy();
        field(content, "loan_number").put("type", "TEXT");
        field(content, "asked_on").put("type", "DATE");
        field(content, "days").put("type", "NUMBER");
        field(content, "fee").put("type", "MONEY");
        field(content, "report")
                .put("type", "FILE")
                .put("required", false)
                .putObject("files")
                .put("megabytes", 1)
                .putArray("kinds")
                .add("PDF");
        field(content, "transport")
                .put("type", "CHOICE")
                .put("ownAnswer", true)
                .putArray("choices")
                .add("By road")
                .add("By air");
        field(content, "objects").get("items").forEach(item -> {
            if (item.get("name").asString().equals("value")) ((ObjectNode) item).put("type", "MONEY");
        });
        content.putArray("rules")
                .addObject()
                .put("name", "charge")
                .put("label", "The fee")
                .put("within", "")
                .put("expression", "days * 10")
                .put("gives", "NUMBER");
        field(content, "courier").put("required", true);
        ObjectNode layout = content.putObject("layout");
        ArrayNode sections = layout.putArray("sections");
        ArrayNode first = sections.addObject().put("title", "Who").putArray("questions");
        asks(first, "loan_number")
                .put("visibility", "READ_ONLY")
                .putObject("start")
                .put("kind", "SERIES")
                .put("of", "LN-yyyy-####");
        asks(first, "asked_on")
                .put("visibility", "READ_ONLY")
                .putObject("start")
                .put("kind", "TODAY");
        asks(first, "asked_by").putObject("start").put("kind", "PERSON");
        asks(first, "lender_name").put("placeholder", "As in the register").put("width", "HALF");
        asks(first, "abroad");
        asks(first, "days");
        asks(first, "report");
        asks(first, "transport");
        asks(first, "fee");
        asks(first, "objects").putArray("totals").add("value");
        ArrayNode second =
                sections.addObject().put("title", "Way").put("when", "abroad").putArray("questions");
        asks(second, "courier");
        layout.putObject("words")
                .putObject("nl")
                .put("Lender name", "Naam van de bruikleengever")
                .put("Who", "Wie");
        return office.publish(office.settle(draft, content));
    }

    private static Map<String, String> answers() {
        return new HashMap<>(Map.of(
                "asked_by", "Ida Marsh",
                "lender_name", "Ida Marsh",
                "days", "3",
                "fee", "EUR 30.00",
                "transport", "By barge",
                "objects", "[{\"title\":\"a viol\",\"value\":\"EUR 10.50\"}]",
                "lender_mail", "ida.marsh@lender.example.org"));
    }

    private JsonNode taken(String number) {
        return office.client.get("/api/v1/requests/" + number).json().get("values");
    }

    private static Map<String, Object> form(String template, Map<String, String> values) {
        return Map.of("template", template, "values", values, "people", Map.of());
    }

    @Test
    void aNewFormBeginsWithTheDayAndThePersonWhoFillsIt() {
        JsonNode form =
                office.client.get("/api/v1/templates/" + template + "/form").json();
        assertThat(form.get("initials").get("asked_on").asString()).matches("\\d{4}-\\d\\d-\\d\\d");
        assertThat(form.get("initials").get("asked_by").asString())
                .isEqualTo(
                        office.client.get("/api/v1/session").json().get("name").asString());
        assertThat(form.get("initials").has("loan_number")).isFalse();
    }

    @Test
    void whatCannotBeTypedIsFilledInByTheServer() {
        JsonNode values = taken(office.request(template, answers()));
        assertThat(values.get("asked_on").asString()).matches("\\d{4}-\\d\\d-\\d\\d");
        assertThat(values.get("loan_number").asString()).matches("LN-\\d{4}-\\d{4}");
        assertThat(values.get("transport").asString()).isEqualTo("By barge");
    }

    @Test
    void aSeriesGivesEachNumberOnceAndKeepsItInCorrections() throws Exception {
        Callable<String> handIn = () ->
                taken(office.request(template, answers())).get("loan_number").asString();
        List<String> numbers = Together.all(Collections.nCopies(6, handIn));
        assertThat(new HashSet<>(numbers)).hasSize(6);
        List<Integer> sorted = numbers.stream()
                .map(one -> Integer.valueOf(one.substring(8)))
                .sorted()
                .toList();
        assertThat(sorted.get(5) - sorted.get(0)).as("without gaps").isEqualTo(5);

        String number = office.request(template, answers());
        String given = taken(number).get("loan_number").asString();
        Map<String, String> others = answers();
        others.put("days", "4");
        others.put("loan_number", "LN-1999-0001");
        Client.Answer corrected =
                office.client.put("/api/v1/requests/" + number, Map.of("values", others, "people", Map.of()));
        assertThat(corrected.status()).as(corrected.text()).isEqualTo(200);
        assertThat(taken(number).get("loan_number").asString()).isEqualTo(given);
    }

    @Test
    void aNewFormWithAnEarlierOnesAnswersGetsANumberOfItsOwn() {
        Map<String, String> values = answers();
        String first =
                taken(office.request(template, values)).get("loan_number").asString();
        values.put("loan_number", first);
        assertThat(taken(office.request(template, values)).get("loan_number").asString())
                .isNotEqualTo(first);
    }

    @Test
    void aNumberIsGivenOnlyWhereItIsAskedFor() {
        JsonNode draft = office.client
                .post("/api/v1/templates/" + template + "/draft", Map.of())
                .json();
        ObjectNode content = (ObjectNode) draft.get("content").deepCopy();
        for (JsonNode question : content.get("layout").get("sections").get(0).get("questions"))
            if (question.get("field").asString().equals("loan_number")) ((ObjectNode) question).put("when", "abroad");
        office.publish(office.settle(draft, content));
        assertThat(taken(office.request(template, answers())).has("loan_number"))
                .isFalse();
        Map<String, String> abroad = answers();
        abroad.put("abroad", "yes");
        abroad.put("courier", "Vale and Sons");
        assertThat(taken(office.request(template, abroad)).get("loan_number").asString())
                .endsWith("-0001");
    }

    @Test
    void aFormWithFaultsUsesUpNoNumber() {
        int before = Integer.parseInt(taken(office.request(template, answers()))
                .get("loan_number")
                .asString()
                .substring(8));
        Map<String, String> bad = answers();
        bad.put("days", "three");
        assertThat(office.client.post("/api/v1/requests", form(template, bad)).status())
                .isEqualTo(422);
        int after = Integer.parseInt(taken(office.request(template, answers()))
                .get("loan_number")
                .asString()
                .substring(8));
        assertThat(after).isEqualTo(before + 1);
    }

    @Test
    void aSectionThatIsNotThereIsNotRequiredAndOneThatIsThereIs() {
        Map<String, String> home = answers();
        home.put("courier", "left over");
        assertThat(taken(office.request(template, home)).has("courier")).isFalse();
        Map<String, String> far = answers();
        far.put("abroad", "yes");
        JsonNode faults = office.client
                .post("/api/v1/requests", form(template, far))
                .json()
                .get("faults");
        assertThat(faults.propertyNames()).containsExactly("courier");
    }

    @Test
    void theStateTellsWhatIsAskedAndSumsUp() {
        String path = "/api/v1/templates/" + template + "/form/state";
        JsonNode state = office.client
                .post(
                        path,
                        Map.of(
                                "values",
                                Map.of(
                                        "objects",
                                        "[{\"value\":\"EUR 1,50\"},{\"value\":\"EUR 1,50\"},{\"value\":\"GBP 2\"},{\"value\":\"x\"}]"),
                                "document",
                                "",
                                "language",
                                "nl"))
                .json();
        assertThat(state.get("left").toString()).isEqualTo("[\"courier\"]");
        assertThat(state.get("sectionsLeft").toString()).isEqualTo("[1]");
        assertThat(state.get("totals")
                        .valueStream()
                        .map(one -> one.get("total").asString())
                        .toList())
                .containsExactly("€\u00a03,00", "£\u00a02,00");
        JsonNode abroad = office.client
                .post(path, Map.of("values", Map.of("abroad", "yes"), "language", "", "document", ""))
                .json();
        assertThat(abroad.get("left").isEmpty()).isTrue();
    }

    @Test
    void inAnotherLanguageItsFaultsNameTheQuestionInThatOne() {
        JsonNode form = office.client
                .get("/api/v1/templates/" + template + "/form?language=nl")
                .json();
        assertThat(form.get("language").asString()).isEqualTo("nl");
        assertThat(form.get("words").get("Who").asString()).isEqualTo("Wie");
        Map<String, String> values = answers();
        values.remove("lender_name");
        Map<String, Object> body = new HashMap<>(form(template, values));
        body.put("language", "nl");
        JsonNode faults = office.client.post("/api/v1/requests", body).json().get("faultMessages");
        assertThat(faults.get("lender_name").get("arguments").get("field").asString())
                .isEqualTo("Naam van de bruikleengever");
        // a language that it doesn't have
        assertThat(office.client
                        .get("/api/v1/templates/" + template + "/form?language=xx")
                        .json()
                        .get("language")
                        .asString())
                .isEqualTo("en-GB");
    }

    private Client.Answer give(String name, byte[] bytes, String limits) {
        return office.client.upload("/api/v1/form-files?" + limits, name, bytes);
    }

    @Test
    void aFileIsTakenByWhatItIsWhateverItIsCalled() {
        byte[] pdf = "%PDF-1.7\n%%EOF".getBytes(java.nio.charset.StandardCharsets.US_ASCII);
        Client.Answer kept = give("report.pdf", pdf, "kinds=PDF&megabytes=1");
        assertThat(kept.status()).as(kept.text()).isEqualTo(201);
        Map<String, String> values = answers();
        values.put("report", kept.json().get("answer").asString());
        assertThat(taken(office.request(template, values)).get("report").asString())
                .endsWith(" report.pdf");

        assertThat(give("report.pdf", "MZ not one".getBytes(), "kinds=PDF").status())
                .isEqualTo(422);
        assertThat(give("report.pdf", pdf, "kinds=PICTURE").status()).isEqualTo(422);
        byte[] large = java.util.Arrays.copyOf(pdf, 1_000_001);
        Client.Answer tooLarge = give("report.pdf", large, "kinds=PDF&megabytes=1");
        assertThat(tooLarge.json().get("message").get("code").asString()).isEqualTo("form.file-large");

        // taken in under looser limits than the field has, or never taken in at all
        JsonNode loose = give("large.pdf", large, "kinds=PDF").json();
        for (String answer : List.of("0".repeat(64) + " gone.pdf")) {
            values.put("report", answer);
            JsonNode faults = office.client
                    .post("/api/v1/requests", form(template, values))
                    .json()
                    .get("faults");
            assertThat(faults.propertyNames()).containsExactly("report");
        }
        values.put("report", loose.get("answer").asString());
        assertThat(office.client
                        .post("/api/v1/requests", form(template, values))
                        .status())
                .isEqualTo(422);
    }

    @Test
    void aDraftsFormCanBeTriedBeforeItIsPublished() {
        JsonNode draft = office.bringIn("Tried", Office.loanWording());
        String path = "/api/v1/templates/" + draft.get("id").asString() + "/newest-form";
        assertThat(office.client.get(path).json().get("sections").size()).isEqualTo(1);
        assertThat(office.client
                        .post(path + "/state", Map.of("values", Map.of(), "language", "", "document", ""))
                        .status())
                .isEqualTo(200);
        assertThat(office.client
                        .get("/api/v1/templates/" + draft.get("id").asString() + "/form")
                        .status())
                .isEqualTo(409);
    }

    @Test
    void aFormGoneOnWithKeepsItsLanguage() {
        UUID key = UUID.randomUUID();
        Map<String, Object> typed =
                Map.of("template", template, "values", Map.of("days", "1,5"), "people", Map.of(), "language", "nl");
        assertThat(office.client.put("/api/v1/begun-forms/" + key, typed).status())
                .isEqualTo(204);
        assertThat(office.client
                        .get("/api/v1/begun-forms/" + key)
                        .json()
                        .get("language")
                        .asString())
                .isEqualTo("nl");
    }

    @Test
    void filesOfFormsAreForCoordinatorsOnly() {
        Client anybody = new Client(Testbed.start().address());
        assertThat(anybody.get("/api/v1/form-files/" + "0".repeat(64)).status()).isEqualTo(401);
        assertThat(Set.of(401, 403))
                .contains(anybody.upload("/api/v1/form-files", "a.pdf", new byte[] {1})
                        .status());
    }

    @Test
    void whatIsStoredIsReadBack() {
        JsonNode content =
                office.client.get("/api/v1/templates/" + template).json().get("content");
        assertThat(content.get("layout")
                        .get("sections")
                        .get(0)
                        .get("questions")
                        .get(3)
                        .get("placeholder")
                        .asString())
                .isEqualTo("As in the register");
        assertThat(Json.canonical(field(content, "report").get("files")))
                .isEqualTo("{\"kinds\":[\"PDF\"],\"megabytes\":1}");
    }
}
