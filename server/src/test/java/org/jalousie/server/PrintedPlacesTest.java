package org.jalousie.server;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import org.jalousie.core.wording.write.WordDraft;
import org.jalousie.demo.Client;
import org.jalousie.server.testbed.Office;
import org.jalousie.server.testbed.Testbed;
import org.junit.jupiter.api.Test;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.ObjectNode;

/** What stands where on the pages, as the rooms ask for it. */
class PrintedPlacesTest {
    private static final Testbed BED = Testbed.start();
    private final Office office = new Office(BED.address());

    private static List<String> keys(JsonNode printed) {
        List<String> keys = new ArrayList<>();
        printed.forEach(one ->
                keys.add(one.get("kind").asString() + " " + one.get("name").asString()));
        return keys;
    }

    @Test
    void aTemplatesPagesSayWhereItsFieldsAndPassagesStand() {
        JsonNode template = office.bringIn("Where it stands", Office.loanWording());
        JsonNode preview = office.client
                .get("/api/v1/templates/" + template.get("id").asString() + "/preview")
                .json();
        assertThat(keys(preview.get("printed")))
                .contains("VALUE lender_name", "VALUE start_date", "PASSAGE ")
                .filteredOn("VALUE lender_name"::equals)
                .as("in the header and in the first line")
                .hasSize(2);
    }

    @Test
    void anAgreementsPagesSayWhatItsDataBecameAlsoWhenTheyEqualOtherWords() {
        String template = office.publish("Equal words", Office.loanWording());
        Map<String, String> values = Office.loanValues("the museum");
        values.put("objects_description", "the museum");
        String number = office.generate(template, values);
        String path = "/api/v1/agreements/" + number + "/documents/wording/printed";
        List<String> before = keys(office.client.get(path).json().get("lines"));
        assertThat(before)
                .containsExactlyInAnyOrder(
                        "VALUE lender_name",
                        "VALUE lender_name",
                        "VALUE objects_description",
                        "VALUE start_date",
                        "VALUE insured_value");
        office.send(number);
        assertThat(keys(office.client.get(path).json().get("lines")))
                .as("sealed, the words stay")
                .isEqualTo(before);
    }

    @Test
    void whatAnAgreementPrintedIsCalledAsThoseWhoPreparedItCallIt() {
        byte[] wording = new WordDraft()
                .paragraph(
                        "{{#objects}}{{position}} {{title}} {{#parts}}{{made}}{{/parts}}{{^fragile}}sturdy{{/fragile}} "
                                + "{{weight}}; {{/objects}}{{total}} on {{generated_on}}")
                .paragraph("{{lender.signature}} {{lender_name}} {{lender_mail}}")
                .bytes();
        JsonNode template = office.bringIn("Called things", wording);
        String at = "/api/v1/templates/" + template.get("id").asString();
        ObjectNode content = (ObjectNode) template.get("content").deepCopy();
        content.set("rules", JsonMapper.shared().readTree("""
                [{"name":"total","label":"All pieces","within":"","expression":"count(objects)","gives":"NUMBER"},
                 {"name":"weight","label":"Weight of one","within":"objects","expression":"2","gives":"NUMBER"}]"""));
        ArrayNode fields = (ArrayNode) content.get("fields");
        for (int i = fields.size() - 1; i >= 0; i--) {
            if (fields.get(i).get("name").asString().equals("total")) fields.remove(i);
            else if (fields.get(i).get("name").asString().equals("objects")) {
                ArrayNode items = (ArrayNode) fields.get(i).get("items");
                for (int k = items.size() - 1; k >= 0; k--) {
                    ObjectNode item = (ObjectNode) items.get(k);
                    if (item.get("name").asString().equals("weight")) items.remove(k);
                    item.put("required", false);
                }
            }
        }
        JsonNode settled = office.client
                .put(at + "/content", Map.of("revision", template.get("revision"), "content", content))
                .json();
        assertThat(office.client
                        .post(at + "/publication", Map.of("revision", settled.get("revision")))
                        .status())
                .isEqualTo(200);
        String number = office.generate(
                template.get("id").asString(),
                Map.of(
                        "lender_name", "Ida Marsh",
                        "lender_mail", "ida.marsh@lender.example.org",
                        "objects", "[{\"title\":\"Viola\",\"parts\":\"[{\\\"made\\\":\\\"1690\\\"}]\"}]"));
        List<String> things = new ArrayList<>();
        office.client
                .get("/api/v1/agreements/" + number + "/documents/wording/printed")
                .json()
                .get("things")
                .forEach(one -> things.add(one.get("kind").asString() + " "
                        + one.get("label").asString() + " of "
                        + one.get("datum").asString() + (one.get("rule").asBoolean() ? "rule" : "")
                        + (one.get("repeats").asBoolean() ? " repeats" : "")
                        + (one.get("unless").asBoolean() ? " unless" : "")));
        assertThat(things)
                .containsExactlyInAnyOrder(
                        "PASSAGE Objects of  repeats",
                        "VALUE position of objects",
                        "VALUE Title of objects",
                        "PASSAGE Parts of  repeats",
                        "VALUE Made of objects",
                        "PASSAGE Fragile of  unless",
                        "VALUE Weight of one of rule",
                        "VALUE All pieces of rule",
                        "VALUE Day of generation of ",
                        "VALUE Lender name of lender_name",
                        "VALUE Lender mail of lender_mail");
    }

    @Test
    void correctedDataStandOnTheNewPages() {
        String template = office.publish("Corrected places", Office.loanWording());
        String request = office.request(template, Office.loanValues("Ida Marsh"));
        String number = office.agreementOf(request);
        office.await(number, "CHECK");
        String path = "/api/v1/agreements/" + number + "/documents/wording/printed";
        double before = widthOf("lender_name", office.client.get(path).json().get("lines"));
        JsonNode shown = office.show(number);
        Map<String, String> longer = Office.loanValues("Ida Marsh of the Long Gallery");
        assertThat(office.client
                        .put("/api/v1/requests/" + request, Map.of("values", longer, "people", Map.of()))
                        .status())
                .isEqualTo(200);
        org.jalousie.server.testbed.Wait.until(
                "the new pages",
                () -> java.util.Optional.of(office.show(number))
                        .filter(one -> one.get("row").get("state").asString().equals("CHECK"))
                        .filter(one -> !one.get("documents").equals(shown.get("documents"))));
        assertThat(widthOf("lender_name", office.client.get(path).json().get("lines")))
                .isGreaterThan(before + 30);
    }

    @Test
    void whoIsNotSignedInSeesNothingAndWhatIsNotThereIsSaidSo() {
        String path = "/api/v1/agreements/A-2026-9999/documents/wording/printed";
        assertThat(new Client(BED.address()).get(path).status()).isEqualTo(401);
        assertThat(office.client.get(path).status()).isEqualTo(404);
        String template = office.publish("No such document " + UUID.randomUUID(), Office.loanWording());
        String number = office.generate(template, Office.loanValues("Ida Marsh"));
        assertThat(office.client
                        .get("/api/v1/agreements/" + number + "/documents/policy/printed")
                        .status())
                .isEqualTo(404);
    }

    private static double widthOf(String name, JsonNode printed) {
        for (JsonNode one : printed)
            if (one.get("name").asString().equals(name) && one.get("y").asDouble() < 760)
                return one.get("width").asDouble();
        throw new AssertionError(name + " is not in " + printed);
    }
}
