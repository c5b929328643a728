package org.jalousie.server;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import org.jalousie.core.access.Role;
import org.jalousie.demo.Client;
import org.jalousie.server.testbed.Office;
import org.jalousie.server.testbed.OfficePeople;
import org.jalousie.server.testbed.Testbed;
import org.jalousie.server.testbed.Wait;
import org.junit.jupiter.api.Test;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.ObjectNode;

/** Requests: whose they are, how far they have come, what was said about them, and which is next. */
class RequestDeskTest {
    private static final String COLLEAGUE = "pia.worth@museum.example.org";

    private final Testbed bed = Testbed.start();
    private final Office office = new Office(bed.address());
    private final String template = office.publish("Desk", Office.loanWording());

    private String request() {
        return office.request(template, Office.loanValues("Ida Marsh"));
    }

    private JsonNode show(String number) {
        return office.client.get("/api/v1/requests/" + number).json();
    }

    private Client colleague() {
        return OfficePeople.signedIn(bed, COLLEAGUE, "Pia Worth", Role.COORDINATOR);
    }

    private List<String> listed(String query) {
        List<String> numbers = new ArrayList<>();
        office.client
                .get("/api/v1/requests?template=" + template + query)
                .json()
                .get("items")
                .forEach(one -> numbers.add(one.get("number").asString()));
        return numbers;
    }

    private Map<String, Long> counts(String query) {
        Map<String, Long> counts = new HashMap<>();
        office.client
                .get("/api/v1/requests/counts?template=" + template + query)
                .json()
                .forEach(one ->
                        counts.put(one.get("stage").asString(), one.get("count").asLong()));
        return counts;
    }

    @Test
    void whoIsGivenARequestIsToldByMailAndWhoTakesOneIsNot() {
        colleague();
        String number = request();
        String path = "/api/v1/requests/" + number + "/owner";
        JsonNode mine = office.client.put(path, Map.of("mail", Testbed.MAIL)).json();
        assertThat(mine.get("row").get("ownerMail").asString()).isEqualTo(Testbed.MAIL);
        JsonNode given = office.client.put(path, Map.of("mail", COLLEAGUE)).json();
        assertThat(given.get("row").get("owner").asString()).isEqualTo("Pia Worth");
        String mail = Wait.until("told", () -> office.mailTo(number, COLLEAGUE, ""));
        assertThat(mail).contains("has given you the request " + number, "/intake/" + number);
        assertThat(office.mailTo(number, Testbed.MAIL, "")).isEmpty();
        // the same again is nothing new
        int lines = given.get("history").size();
        assertThat(office.client
                        .put(path, Map.of("mail", COLLEAGUE))
                        .json()
                        .get("history")
                        .size())
                .isEqualTo(lines);
        assertThat(office.client
                        .put(path, Map.of("mail", "nobody@museum.example.org"))
                        .status())
                .isEqualTo(422);
        assertThat(office.client
                        .put(path, Map.of("mail", ""))
                        .json()
                        .get("row")
                        .get("owner")
                        .asString())
                .isEmpty();
    }

    @Test
    void whatIsSaidStaysAndItsOwnerIsTold() {
        Client pia = colleague();
        String number = request();
        office.client.put("/api/v1/requests/" + number + "/owner", Map.of("mail", COLLEAGUE));
        Client.Answer said = office.client.post(
                "/api/v1/requests/" + number + "/comments", Map.of("text", " Ask for the case too.\n<b>Please.</b> "));
        JsonNode last =
                said.json().get("history").get(said.json().get("history").size() - 1);
        assertThat(last.get("kind").asString()).isEqualTo("SAID");
        assertThat(last.get("said").asString()).isEqualTo("Ask for the case too.\n<b>Please.</b>");
        String mail = Wait.until("told", () -> office.mailTo(number, COLLEAGUE, "Desk (" + number + "): "));
        assertThat(mail).contains("Ask for the case too.");
        // one's own words aren't mailed to oneself
        int before = office.mailsAbout(number).size();
        assertThat(pia.post("/api/v1/requests/" + number + "/comments", Map.of("text", "Done."))
                        .status())
                .isEqualTo(200);
        assertThat(office.mailsAbout(number)).hasSize(before);
        for (String text : List.of(" ", "x".repeat(4001)))
            assertThat(office.client
                            .post("/api/v1/requests/" + number + "/comments", Map.of("text", text))
                            .status())
                    .isEqualTo(422);
    }

    @Test
    void theListIsNarrowedAndCounted() {
        String first = request();
        String second = request();
        String third = request();
        office.client.put("/api/v1/requests/" + second + "/owner", Map.of("mail", Testbed.MAIL));
        String agreement = office.agreementOf(third);
        office.await(agreement, "CHECK");
        assertThat(listed("&stage=WAITING")).containsExactly(second, first);
        assertThat(listed("&stage=CHECK")).containsExactly(third);
        assertThat(listed("&owner=me")).containsExactly(second);
        assertThat(listed("&owner=-")).containsExactly(third, first);
        assertThat(listed("&find=" + first.substring(2))).containsExactly(first);
        assertThat(listed("&find=%25"))
                .as("a sign of patterns finds nothing by itself")
                .hasSize(3);
        assertThat(listed("&sort=created")).containsExactly(first, second, third);
        assertThat(counts("")).isEqualTo(Map.of("WAITING", 2L, "CHECK", 1L));
        assertThat(counts("&owner=me")).isEqualTo(Map.of("WAITING", 1L));
    }

    @Test
    void theStageFollowsTheAgreementAlsoWhenItIsMadeAgain() {
        String number = request();
        assertThat(show(number).get("row").get("stage").asString()).isEqualTo("WAITING");
        String agreement = office.agreementOf(number);
        office.await(agreement, "CHECK");
        assertThat(show(number).get("row").get("stage").asString()).isEqualTo("CHECK");
        office.send(agreement);
        assertThat(show(number).get("row").get("stage").asString()).isEqualTo("OUT");
        office.client.post("/api/v1/agreements/" + agreement + "/withdrawal", Map.of("reason", "Another object."));
        assertThat(show(number).get("row").get("stage").asString()).isEqualTo("ENDED");
        String again = office.agreementOf(number);
        assertThat(again).isNotEqualTo(agreement);
        office.await(again, "CHECK");
        assertThat(show(number).get("row").get("stage").asString()).isEqualTo("CHECK");
        JsonNode history = show(number).get("history");
        assertThat(history.valueStream().map(one -> one.get("kind").asString()).toList())
                .containsExactly("CAME", "MADE", "REPLACED");
        assertThat(history.get(2).get("said").asString()).isEqualTo(again + " " + agreement);
    }

    @Test
    void theNextOneIsTheOldestThatWaits() {
        String first = request();
        String second = request();
        String path = "/api/v1/requests/" + first + "/next";
        assertThat(office.client.get(path).json().get("next").asString()).isEqualTo(second);
        office.agreementOf(second);
        assertThat(office.client.get(path).json().get("next").asString()).isNotIn(first, second);
    }

    @Test
    void whatPrintsNowhereIsTold() {
        JsonNode draft = office.bringIn("Desk with more", Office.loanWording());
        ObjectNode content = (ObjectNode) draft.get("content").deepCopy();
        ((ArrayNode) content.get("fields"))
                .addObject()
                .put("name", "how_found")
                .put("type", "TEXT")
                .put("label", "How did you find us?")
                .put("required", false)
                .put("hint", "");
        ((ObjectNode) content.get("fields").get(content.get("fields").size() - 1)).putArray("choices");
        ((ObjectNode) content.get("fields").get(content.get("fields").size() - 1)).putArray("items");
        ((ObjectNode) content.get("fields").get(content.get("fields").size() - 1)).put("initial", "");
        String id = office.publish(office.settle(draft, content));
        assertThat(show(office.request(id, Office.loanValues("Ida Marsh")))
                        .get("unprinted")
                        .toString())
                .isEqualTo("[\"how_found\"]");
    }

    @Test
    void aCorrectionIsWrittenDownOnceAndByWhom() {
        String number = request();
        Map<String, String> values = Office.loanValues("Ida Marsh");
        office.client.put("/api/v1/requests/" + number, Map.of("values", values, "people", Map.of()));
        assertThat(show(number).get("history").size()).as("the same answers").isEqualTo(1);
        values.put("lender_name", "Ida Marsh-Vale");
        office.client.put("/api/v1/requests/" + number, Map.of("values", values, "people", Map.of()));
        JsonNode last = show(number).get("history").get(1);
        assertThat(last.get("kind").asString()).isEqualTo("CORRECTED");
        assertThat(last.get("by").asString()).isNotBlank();
    }

    /** A heading tells how many stand under it on all pages, and rows of one kind stand together. */
    @Test
    void listsStandUnderHeadings() {
        List<String> numbers = new ArrayList<>();
        for (int i = 0; i < 52; i++)
            numbers.add(office.request(template, new HashMap<>(Office.loanValues("Heading " + i))));
        office.agreementOf(numbers.get(0));
        for (String under : List.of("STAGE", "TEMPLATE", "OWNER", "AGE")) {
            String by = "?under=" + under + "&template=" + template;
            JsonNode headings =
                    office.client.get("/api/v1/requests/headings" + by).json();
            long all = 0;
            for (JsonNode one : headings) all += one.get("count").asLong();
            List<String> keys = new ArrayList<>();
            long total = 0;
            for (int page = 0; page < 2; page++) {
                JsonNode list = office.client
                        .get("/api/v1/requests" + by + "&page=" + page)
                        .json();
                total = list.get("total").asLong();
                for (JsonNode row : list.get("items"))
                    keys.add(row.get(
                                    switch (under) {
                                        case "STAGE" -> "stage";
                                        case "TEMPLATE" -> "templateId";
                                        case "OWNER" -> "ownerMail";
                                        default -> "age";
                                    })
                            .asString());
            }
            assertThat(all).as(under).isEqualTo(total).isGreaterThanOrEqualTo(52);
            List<String> runs = new ArrayList<>();
            for (String key : keys)
                if (runs.isEmpty() || !runs.get(runs.size() - 1).equals(key)) runs.add(key);
            assertThat(runs).as(under).doesNotHaveDuplicates();
        }
        assertThat(office.client
                        .get("/api/v1/requests?age=OLDER&template=" + template)
                        .json()
                        .get("total")
                        .asInt())
                .isZero();
    }
}
