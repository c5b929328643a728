package org.jalousie.server;

import static org.assertj.core.api.Assertions.assertThat;

import java.math.BigDecimal;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import org.jalousie.core.json.Json;
import org.jalousie.core.wording.write.WordDraft;
import org.jalousie.demo.Client;
import org.jalousie.server.testbed.Office;
import org.jalousie.server.testbed.Testbed;
import org.junit.jupiter.api.Test;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.ObjectNode;

/** The answers of core's list, which the form's schema judges there, handed in over HTTP as pages and programs hand them in. */
class AnswersAlikeTest {
    private static final Path CASES = Path.of("../core/src/test/resources/form-answers.json");

    private final Office office = new Office(Testbed.start().address());

    private static void field(ArrayNode fields, String name, String type, boolean required) {
        ObjectNode one = fields.addObject()
                .put("name", name)
                .put("type", type)
                .put("label", name)
                .put("required", required)
                .put("hint", "");
        one.putArray("choices");
        one.putArray("items");
    }

    private String form() {
        JsonNode draft = office.bringIn(
                "Judged alike",
                new WordDraft()
                        .paragraph("{{mail}}")
                        .paragraph("{{lender.signature}}")
                        .bytes());
        ObjectNode content = (ObjectNode) draft.get("content");
        ArrayNode fields = content.putArray("fields");
        field(fields, "who", "NAME", true);
        field(fields, "mail", "MAIL_ADDRESS", true);
        field(fields, "phone", "PHONE", false);
        field(fields, "site", "WEB_ADDRESS", false);
        field(fields, "home", "ADDRESS", true);
        field(fields, "days", "NUMBER", true);
        field(fields, "fee", "MONEY", true);
        field(fields, "starts", "DATE", true);
        field(fields, "meets", "DATE_TIME", false);
        field(fields, "abroad", "YES_NO", false);
        field(fields, "airline", "TEXT", true);
        field(fields, "miles", "NUMBER", false);
        field(fields, "transport", "CHOICE", true);
        ((ArrayNode) fields.get(fields.size() - 1).get("choices"))
                .add("By road")
                .add("By air");
        field(fields, "boxes", "TEXT", true);
        field(fields, "agreed", "YES_NO", true);
        field(fields, "notes", "LONG_TEXT", false);
        field(fields, "objects", "ITEMS", false);
        ArrayNode items = (ArrayNode) fields.get(fields.size() - 1).get("items");
        field(items, "title", "TEXT", true);
        field(items, "value", "MONEY", false);
        field(items, "length", "NUMBER", false);
        ((ObjectNode) content.get("parties").get(0)).set("who", Office.fixed("Ida Marsh", "ida@lender.example.org"));
        content.putArray("rules")
                .addObject()
                .put("name", "flies")
                .put("label", "It flies")
                .put("within", "")
                .put("expression", "transport = \"By air\"")
                .put("gives", "YES_NO");
        ArrayNode sections = content.putObject("layout").putArray("sections");
        ArrayNode always = sections.addObject().put("title", "All").putArray("questions");
        fields.forEach(one -> {
            String name = one.get("name").asString();
            if (List.of("airline", "miles").contains(name)) return;
            ObjectNode question = always.addObject().put("field", name);
            if (name.equals("agreed")) question.put("tick", true);
            if (name.equals("boxes")) question.put("when", "flies");
        });
        ArrayNode abroad = sections.addObject()
                .put("title", "Abroad")
                .put("when", "abroad")
                .putArray("questions");
        abroad.addObject().put("field", "airline");
        abroad.addObject().put("field", "miles");
        return office.publish(office.settle(draft, content));
    }

    @Test
    void theServerJudgesAsItsListSays() throws Exception {
        String form = form();
        JsonNode all = Json.MAPPER.readTree(Files.readString(CASES));
        List<String> otherwise = new ArrayList<>();
        int number = 0;
        for (JsonNode one : all.get("cases")) {
            Map<String, Object> values = new LinkedHashMap<>();
            all.get("base").properties().forEach(entry -> {
                JsonNode value = entry.getValue();
                if (value.isObject()) value = value.get(one.get("language").asString());
                if (!value.isNull()) values.put(entry.getKey(), value.asString());
            });
            if (one.has("also"))
                one.get("also")
                        .properties()
                        .forEach(entry ->
                                values.put(entry.getKey(), entry.getValue().asString()));
            String at = one.get("at").asString();
            String sent = one.get("sent").asString();
            // half of them as a page sends lists, half as a program does
            values.put(at, at.equals("objects") && number++ % 2 == 0 ? Json.MAPPER.readTree(sent) : sent);
            Client.Answer answer = office.client.post(
                    "/api/v1/requests",
                    Map.of(
                            "template",
                            form,
                            "values",
                            values,
                            "people",
                            Map.of(),
                            "language",
                            one.get("language").asString()));
            boolean told = answer.status() == 422 && answer.json().get("faults").has(at);
            if (one.get("ok").asBoolean() ? answer.status() != 201 : !told)
                otherwise.add(one + " " + answer.status() + " " + answer.text());
        }
        assertThat(otherwise).isEmpty();
        Client.Answer schema = office.client.get("/api/v1/templates/" + form + "/form/schema?language=de-DE");
        assertThat(schema.type()).startsWith("application/schema+json");
        assertThat(schema.json().get("required").toString())
                .contains("who", "agreed")
                .doesNotContain("airline");
    }

    @Test
    void aProgramSendsNumbersTruthsAndListsAsJsonHasThem() {
        String form = form();
        Map<String, Object> values = new LinkedHashMap<>(Map.of(
                "who",
                "Ida Marsh",
                "mail",
                "ida@lender.example.org",
                "home",
                ";;Mill Rise 3;Oudehaven",
                "days",
                1250.5,
                "fee",
                "EUR 12.50",
                "starts",
                "2027-03-15",
                "transport",
                "By road",
                "agreed",
                true,
                "objects",
                List.of(Map.of("title", "Viola", "length", 66.5))));
        Client.Answer answer =
                office.client.post("/api/v1/requests", Map.of("template", form, "values", values, "people", Map.of()));
        assertThat(answer.status()).as(answer.text()).isEqualTo(201);
        JsonNode kept = answer.json().get("values");
        assertThat(kept.get("days").asString()).isEqualTo("1250.5");
        assertThat(kept.get("agreed").asString()).isEqualTo("yes");
        assertThat(kept.get("objects").asString()).contains("\"length\":\"66.5\"");
        values.put("days", new BigDecimal("1e400"));
        Client.Answer endless =
                office.client.post("/api/v1/requests", Map.of("template", form, "values", values, "people", Map.of()));
        assertThat(endless.status()).isEqualTo(422);
        assertThat(endless.json().get("faults").has("days")).isTrue();
    }
}
