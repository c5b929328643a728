package org.jalousie.server;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.HashMap;
import java.util.List;
import java.util.Map;
import org.jalousie.core.wording.DocxText;
import org.jalousie.core.wording.write.WordDraft;
import org.jalousie.demo.Client;
import org.jalousie.server.testbed.Office;
import org.jalousie.server.testbed.Testbed;
import org.junit.jupiter.api.Test;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;
import tools.jackson.databind.node.ObjectNode;

/** What a draft's tags say, changed from their cards. */
class TagsTest {
    private final Office office = new Office(Testbed.start().address());

    private static String path(JsonNode template) {
        return "/api/v1/templates/" + template.get("id").asString();
    }

    private Client.Answer post(JsonNode template, String act, Map<String, Object> body) {
        Map<String, Object> all = new HashMap<>(body);
        all.put("revision", template.get("revision"));
        return office.client.post(path(template) + act, all);
    }

    private JsonNode loan(String name) {
        JsonNode template = office.bringIn(
                name,
                new WordDraft()
                        .paragraph("From {{begins}} to {{begins.short}}: {{#begins}}it begins{{/begins}}")
                        .table(
                                List.of(List.of("{{#objects}}{{title}}", "{{#parts}}{{made}}{{/parts}}{{/objects}}")),
                                true)
                        .paragraph("{{lender.signature}} {{lender.vat}} {{director.signature}}")
                        .bytes());
        ObjectNode content = (ObjectNode) template.get("content").deepCopy();
        content.get("fields").forEach(field -> {
            if (field.get("name").asString().equals("begins")) ((ObjectNode) field).put("type", "DATE");
        });
        return office.client
                .put(path(template) + "/content", Map.of("revision", template.get("revision"), "content", content))
                .json();
    }

    private String words(JsonNode template) {
        return DocxText.body(office.client.get(path(template) + "/wording").body());
    }

    @Test
    void aValuePrintsInAnotherWayAndBackAgain() {
        JsonNode template = loan("Prints");
        JsonNode prints =
                office.client.get(path(template) + "/fields/begins/prints").json();
        assertThat(prints.get("used").toString()).isEqualTo("[\"short\"]");
        assertThat(prints.get("samples").toString()).contains("{\"print\":\"iso\",\"sample\":\"20");
        JsonNode iso = post(template, "/wording/printing", Map.of("name", "begins", "print", "iso"))
                .json();
        assertThat(words(iso)).startsWith("From {{begins.iso}} to {{begins.iso}}: {{#begins}}it");
        assertThat(iso.get("undo").asString()).isEqualTo("how begins prints");
        JsonNode back = post(iso, "/undo", Map.of()).json();
        assertThat(words(back)).startsWith("From {{begins}} to {{begins.short}}:");
        assertThat(back.get("content")).isEqualTo(template.get("content"));
    }

    @Test
    void aRenamingThatChangesNothingIsNoStepAndLosesNothing() {
        JsonNode template = loan("Renaming");
        assertThat(post(template, "/wording/renaming", Map.of("from", "no_such", "to", "other"))
                        .status())
                .isEqualTo(404);
        JsonNode same = post(template, "/wording/renaming", Map.of("from", "begins", "to", "begins"))
                .json();
        assertThat(same.get("content")).isEqualTo(template.get("content"));
        assertThat(same.get("undo")).isEqualTo(template.get("undo"));
        assertThat(same.get("revision")).isEqualTo(template.get("revision"));
        JsonNode other = post(template, "/wording/renaming", Map.of("from", "begins", "to", "starts"))
                .json();
        assertThat(words(other)).startsWith("From {{starts}} to {{starts.short}}: {{#starts}}it");
        assertThat(other.get("content").toString()).contains("\"starts\"").doesNotContain("\"begins\"");
    }

    @Test
    void aFieldOfAListWithinAListHasPrintsToo() {
        JsonNode template = loan("Deep prints");
        assertThat(office.client.get(path(template) + "/fields/made/prints").status())
                .isEqualTo(200);
        assertThat(office.client.get(path(template) + "/fields/nothing/prints").status())
                .isEqualTo(404);
    }

    @Test
    void whatStandsNowhereAndWhatIsNoPrintIsRefusedAndNothingChanges() {
        JsonNode template = loan("Refused prints");
        assertThat(post(template, "/wording/printing", Map.of("name", "lender_name", "print", "upper"))
                        .text())
                .contains("stands nowhere");
        assertThat(post(template, "/wording/printing", Map.of("name", "begins", "print", "no such print"))
                        .status())
                .isEqualTo(422);
        JsonNode after = office.client.get(path(template)).json();
        assertThat(after.get("revision")).isEqualTo(template.get("revision"));
        assertThat(words(after)).isEqualTo(words(template));
    }

    @Test
    void aSigningFieldGoesToAnotherPartyWithItsSettings() {
        JsonNode template = loan("Handed over");
        ObjectNode content = (ObjectNode) template.get("content").deepCopy();
        content.get("signingFields").forEach(field -> {
            if (field.get("name").asString().equals("lender_vat"))
                ((ObjectNode) field.get("type")).put("hint", "As on your invoices");
        });
        JsonNode settled = office.client
                .put(path(template) + "/content", Map.of("revision", template.get("revision"), "content", content))
                .json();
        JsonNode moved = post(settled, "/wording/party", Map.of("field", "lender_vat", "party", "director"))
                .json();
        assertThat(words(moved)).contains("{{director.vat}}").doesNotContain("{{lender.vat}}");
        assertThat(moved.get("content").get("signingFields").toString())
                .contains("\"name\":\"director_vat\"", "As on your invoices")
                .doesNotContain("lender_vat");
        // one that the other party has already, and parties that nobody knows
        assertThat(post(moved, "/wording/party", Map.of("field", "lender_signature", "party", "director"))
                        .text())
                .contains("has a field");
        for (String party : List.of("nobody", "", "No Key"))
            assertThat(post(moved, "/wording/party", Map.of("field", "director_vat", "party", party))
                            .status())
                    .as(party)
                    .isEqualTo(404);
    }

    @Test
    void eachPassageKnowsTheSpecimensThatPrintIt() {
        JsonNode template = loan("Who prints what");
        ObjectNode content = (ObjectNode) template.get("content").deepCopy();
        content.set(
                "specimens",
                JsonMapper.shared()
                        .valueToTree(List.of(
                                Map.of("name", "With a day", "origin", "TYPED", "data", Map.of("begins", "2027-05-01")),
                                Map.of("name", "Without", "origin", "TYPED", "data", Map.of()),
                                Map.of(
                                        "name",
                                        "With objects",
                                        "origin",
                                        "TYPED",
                                        "data",
                                        Map.of("objects", "[{\"title\":\"Viol\"}]")))));
        office.client.put(
                path(template) + "/content", Map.of("revision", template.get("revision"), "content", content));
        JsonNode passages = office.client.get(path(template) + "/passages").json();
        assertThat(passages.toString())
                .isEqualTo(
                        "[{\"number\":0,\"specimens\":[0]},{\"number\":1,\"specimens\":[2]},{\"number\":2,\"specimens\":[]}]");
    }
}
