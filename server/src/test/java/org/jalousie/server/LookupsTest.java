package org.jalousie.server;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.concurrent.atomic.AtomicInteger;
import org.jalousie.core.json.Json;
import org.jalousie.core.wording.write.WordDraft;
import org.jalousie.demo.Client;
import org.jalousie.server.testbed.Office;
import org.jalousie.server.testbed.Registers;
import org.jalousie.server.testbed.Testbed;
import org.junit.jupiter.api.Test;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ObjectNode;

/** Answers that are taken from registers: what a row fills, what is kept of it, and what is told when it changes. */
class LookupsTest {
    private static final AtomicInteger COUNT = new AtomicInteger();

    private final Testbed bed = Testbed.start();
    private final Office office = new Office(bed.address());
    private final Client client = office.client;
    private final Registers registers = new Registers(client);
    private final String organisations = "lenders_" + COUNT.incrementAndGet();
    private final String objects = "things_" + COUNT.get();
    private String template;

    private static byte[] wording() {
        return new WordDraft()
                .paragraph("{{lender_name}} of {{lender_town}} lends from {{start_date}} for {{fee}}:")
                .paragraph("{{#objects}}")
                .paragraph("{{title}}, {{value}}")
                .paragraph("{{/objects}}")
                .paragraph("{{lender.signature}}")
                .bytes();
    }

    private static Map<String, Object> fill(String column, String field) {
        return Map.of("column", column, "field", field);
    }

    private void office() {
        registers.create(organisations, "code TEXT", "name TEXT !", "town TEXT", "mail MAIL_ADDRESS", "fee MONEY");
        registers.create(objects, "number TEXT", "title TEXT !", "value MONEY", "owner TEXT > " + organisations);
        registers.add(
                organisations,
                Map.of(
                        "code",
                        "L-1",
                        "name",
                        "Harbour House",
                        "town",
                        "Oudehaven",
                        "mail",
                        "loans@harbour.example.org",
                        "fee",
                        "EUR 1500"));
        registers.add(objects, Map.of("number", "O-2", "title", "Viola", "value", "EUR 900", "owner", "L-1"));
        registers.add(objects, Map.of("number", "O-1", "title", "Flute", "value", "EUR 80.50", "owner", "L-1"));
        registers.add(objects, Map.of("number", "O-3", "title", "Drum", "value", "EUR 7"));
        template = office.publish(settled(office.bringIn("Look " + organisations, wording()), organisations));
    }

    private JsonNode settled(JsonNode made, String register) {
        return settled(made, register, "HIDDEN");
    }

    /** @param mail whether the form shows the question that only a row answers else */
    private JsonNode settled(JsonNode made, String register, String mail) {
        ObjectNode content = (ObjectNode) made.get("content");
        for (JsonNode field : content.get("fields"))
            if (field.get("name").asString().equals("objects"))
                for (JsonNode item : field.get("items")) ((ObjectNode) item).put("required", true);
        content.set(
                "layout",
                Json.MAPPER.valueToTree(Map.of(
                        "sections",
                        List.of(Map.of(
                                "title",
                                "",
                                "help",
                                "",
                                "when",
                                "",
                                "questions",
                                List.of(
                                        question(
                                                "lender_name",
                                                register,
                                                List.of(
                                                        fill("town", "lender_town"),
                                                        fill("mail", "lender_mail"),
                                                        fill("fee", "fee")),
                                                List.of(Map.of(
                                                        "register",
                                                        objects,
                                                        "by",
                                                        "owner",
                                                        "list",
                                                        "objects",
                                                        "fills",
                                                        List.of(fill("title", "title"), fill("value", "value"))))),
                                        question(
                                                "objects",
                                                objects,
                                                List.of(fill("title", "title"), fill("value", "value")),
                                                List.of()),
                                        Map.of("field", "lender_mail", "visibility", mail)))))));
        return office.settle(made, content);
    }

    private static Map<String, Object> question(String field, String register, List<?> fills, List<?> rows) {
        return Map.of("field", field, "lookup", Map.of("register", register, "fills", fills, "rows", rows));
    }

    private JsonNode taking(String question, String row, String language) {
        return Registers.expect(
                200,
                client.post(
                        "/api/v1/templates/" + template + "/form/taking",
                        Map.of("question", question, "row", row, "language", language)));
    }

    private JsonNode request(Map<String, Object> taken, Map<String, Object> values) {
        Map<String, Object> all = new HashMap<>(Map.of("start_date", "2027-03-15"));
        all.putAll(values);
        return Registers.expect(
                201,
                client.post(
                        "/api/v1/requests",
                        Map.of("template", template, "values", all, "people", Map.of(), "taken", List.of(taken))));
    }

    private String id(String register, String label) {
        for (JsonNode one :
                client.get("/api/v1/registers/" + register + "/rows").json().get("items"))
            if (one.get("label").asString().equals(label)) return one.get("id").asString();
        throw new AssertionError("no " + label);
    }

    @Test
    void aRowFillsSeveralAnswersAndRowsThatNameItComeAsItems() {
        office();
        JsonNode taken = taking("lender_name", "l-1", "nl");

        JsonNode answers = taken.get("answers");
        assertThat(answers.get("lender_name").asString()).isEqualTo("Harbour House");
        assertThat(answers.get("lender_town").asString()).isEqualTo("Oudehaven");
        assertThat(answers.get("lender_mail").asString()).isEqualTo("loans@harbour.example.org");
        assertThat(answers.get("fee").asString()).isEqualTo("EUR 1.500,00");
        JsonNode items = Json.MAPPER.readTree(answers.get("objects").asString());
        assertThat(items)
                .extracting(one ->
                        one.get("title").asString() + " " + one.get("value").asString())
                .containsExactly("Flute EUR 80,50", "Viola EUR 900,00");
        // one item at a time
        assertThat(taking("objects", "O-3", "").get("answers").get("value").asString())
                .isEqualTo("EUR 7.00");
        assertThat(client.post(
                                "/api/v1/templates/" + template + "/form/taking",
                                Map.of("question", "lender_name", "row", "L-9"))
                        .status())
                .isEqualTo(422);
        assertThat(client.post(
                                "/api/v1/templates/" + template + "/form/taking",
                                Map.of("question", "fee", "row", "L-1"))
                        .status())
                .isEqualTo(400);
    }

    @Test
    void aProgramNamesARowByItsKeyAndWhatItHasFilledInItselfStays() {
        office();
        JsonNode request = request(Map.of("question", "lender_name", "row", "L-1"), Map.of("fee", "EUR 2"));

        assertThat(request.get("values").get("lender_name").asString()).isEqualTo("Harbour House");
        assertThat(request.get("values").get("fee").asString()).isEqualTo("EUR 2.00");
        assertThat(Json.MAPPER.readTree(request.get("values").get("objects").asString()))
                .hasSize(2);
        assertThat(request.get("taken").get(0).get("label").asString()).isEqualTo("Harbour House");
        assertThat(request.get("taken").get(0).get("changes")).isEmpty();
    }

    @Test
    void aChangeOfTheRegisterIsToldAndTakenOverOnlyByAPerson() {
        office();
        JsonNode request = request(Map.of("question", "lender_name", "row", "L-1"), Map.of());
        String number = request.get("row").get("number").asString();
        String agreement = office.agreementOf(number);
        office.await(agreement, "CHECK");
        String row = id(organisations, "Harbour House");
        registers.change(organisations, row, Map.of("town", "Delft", "fee", "EUR 1600"));

        JsonNode changed = client.get("/api/v1/requests/" + number).json();
        assertThat(changed.get("values").get("lender_town").asString()).isEqualTo("Oudehaven");
        assertThat(changed.get("taken").get(0).get("changes"))
                .extracting(one -> one.get("field").asString() + ": "
                        + one.get("was").asString() + " > " + one.get("is").asString())
                .containsExactlyInAnyOrder("lender_town: Oudehaven > Delft", "fee: €1,500.00 > €1,600.00");

        JsonNode taken = Registers.expect(
                200,
                client.post(
                        "/api/v1/requests/" + number + "/taken",
                        Map.of("question", "lender_name", "row", row, "take", true)));
        assertThat(taken.get("values").get("lender_town").asString()).isEqualTo("Delft");
        assertThat(taken.get("values").get("start_date").asString()).isEqualTo("2027-03-15");
        assertThat(taken.get("taken").get(0).get("changes")).isEmpty();
        office.await(agreement, "CHECK");

        registers.change(organisations, row, Map.of("town", "Utrecht"));
        JsonNode left = Registers.expect(
                200,
                client.post(
                        "/api/v1/requests/" + number + "/taken",
                        Map.of("question", "lender_name", "row", row, "take", false)));
        assertThat(left.get("values").get("lender_town").asString()).isEqualTo("Delft");
        assertThat(left.get("taken").get(0).get("changes")).isEmpty();
    }

    @Test
    void anItemThatWasTakenIsRenewedUnlessItWasChangedByHand() {
        office();
        JsonNode request = request(
                Map.of("question", "objects", "row", "O-3"),
                Map.of(
                        "lender_name",
                        "Ida",
                        "lender_town",
                        "Delft",
                        "lender_mail",
                        "ida@lender.example.org",
                        "fee",
                        "EUR 1",
                        "objects",
                        List.of(Map.of("title", "Harp", "value", "EUR 5"))));
        String number = request.get("row").get("number").asString();
        assertThat(Json.MAPPER.readTree(request.get("values").get("objects").asString()))
                .extracting(one -> one.get("title").asString())
                .containsExactly("Harp", "Drum");
        String row = id(objects, "Drum");
        registers.change(objects, row, Map.of("value", "EUR 8"));
        Map<String, Object> renewal = Map.of("question", "objects", "row", row, "take", true);
        JsonNode renewed = Registers.expect(200, client.post("/api/v1/requests/" + number + "/taken", renewal));
        assertThat(renewed.get("values").get("objects").asString())
                .contains("EUR 8.00")
                .contains("Harp");

        Map<String, Object> values = new HashMap<>();
        renewed.get("values")
                .properties()
                .forEach(one -> values.put(one.getKey(), one.getValue().asString()));
        values.put("objects", List.of(Map.of("title", "Great drum", "value", "EUR 8")));
        Registers.expect(200, client.put("/api/v1/requests/" + number, Map.of("values", values, "people", Map.of())));
        registers.change(objects, row, Map.of("value", "EUR 9"));
        assertThat(client.post("/api/v1/requests/" + number + "/taken", renewal).text())
                .contains("No item says what Drum said");
        assertThat(client.get("/api/v1/requests/" + number)
                        .json()
                        .get("values")
                        .get("objects")
                        .asString())
                .contains("EUR 8.00");
    }

    @Test
    void fromARowOneSeesWhatCanBeMadeOfItAndWhatWas() {
        office();
        String row = id(organisations, "Harbour House");
        assertThat(client.get("/api/v1/registers/" + organisations + "/templates")
                        .json())
                .extracting(one -> one.get("template").asString() + " "
                        + one.get("question").asString())
                .containsExactly(template + " lender_name");
        String number = request(Map.of("question", "lender_name", "row", row), Map.of())
                .get("row")
                .get("number")
                .asString();

        JsonNode requests = client.get("/api/v1/registers/" + organisations + "/rows/" + row + "/requests")
                .json();

        assertThat(requests.get("items"))
                .extracting(one -> one.get("number").asString())
                .containsExactly(number);
        // what was taken from it stays, when it is taken out
        Registers.expect(
                200,
                client.put(
                        "/api/v1/registers/" + objects + "/rows/" + id(objects, "Viola"),
                        Map.of("revision", 1, "values", Map.of("owner", ""))));
        Registers.expect(
                200,
                client.put(
                        "/api/v1/registers/" + objects + "/rows/" + id(objects, "Flute"),
                        Map.of("revision", 1, "values", Map.of("owner", ""))));
        assertThat(client.delete("/api/v1/registers/" + organisations + "/rows/" + row + "?revision=1")
                        .status())
                .isEqualTo(204);
        JsonNode shown = client.get("/api/v1/requests/" + number).json();
        assertThat(shown.get("taken").get(0).get("gone").asBoolean()).isTrue();
        assertThat(shown.get("values").get("lender_name").asString()).isEqualTo("Harbour House");
        // and it gives nothing any more
        Map<String, Object> named = Map.of("question", "lender_name", "row", row);
        assertThat(client.post("/api/v1/templates/" + template + "/form/taking", named)
                        .status())
                .isEqualTo(409);
        assertThat(client.post(
                                "/api/v1/requests",
                                Map.of(
                                        "template",
                                        template,
                                        "values",
                                        Map.of(),
                                        "people",
                                        Map.of(),
                                        "taken",
                                        List.of(named)))
                        .status())
                .isEqualTo(409);
    }

    @Test
    void whatAFormLooksUpHasToBeThereBeforeItIsPublished() {
        office();
        JsonNode made = settled(office.bringIn("Nowhere " + organisations, wording()), "nowhere");

        assertThat(made.get("obstacles").toString())
                .contains("looked up in the register nowhere")
                .contains("rows that name it in owner");
        assertThat(client.post(
                                "/api/v1/templates/" + made.get("id").asString() + "/publication",
                                Map.of("revision", made.get("revision").asInt()))
                        .status())
                .isEqualTo(409);
    }

    private Client.Answer share(String shared) {
        return client.post(
                "/api/v1/form-links",
                Map.of(
                        "template",
                        shared,
                        "title",
                        "Ask",
                        "terms",
                        Map.of("askerName", "lender_name", "askerMail", "", "frames", List.of())));
    }

    @Test
    void nobodyFromOutsideIsOfferedTheRegisters() {
        office();
        Client.Answer refused = share(template);
        assertThat(refused.status()).isEqualTo(409);
        assertThat(refused.text())
                .contains("“Lender mail” has to be answered, but only a row of a register answers it");
        JsonNode shown = settled(office.bringIn("Shown " + organisations, wording()), organisations, "SHOWN");
        JsonNode link = Registers.expect(201, share(office.publish(shown)));
        String address = link.get("address").asString();
        JsonNode page = new Client(bed.address())
                .get("/api/v1/ask/" + address.substring(address.lastIndexOf('/') + 1))
                .json();

        assertThat(page.get("form")
                        .get("sections")
                        .get(0)
                        .get("questions")
                        .get(0)
                        .get("register")
                        .asString())
                .isEmpty();
        assertThat(new Client(bed.address())
                        .get("/api/v1/registers/" + organisations + "/options?find=h")
                        .status())
                .isEqualTo(401);
    }
}
