package org.jalousie.server;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.Map;
import java.util.concurrent.CompletableFuture;
import java.util.stream.IntStream;
import org.jalousie.core.wording.write.WordDraft;
import org.jalousie.server.testbed.Office;
import org.jalousie.server.testbed.Testbed;
import org.junit.jupiter.api.Test;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ObjectNode;

/** Changes of a draft, of its wording and of its settings, taken back and made again. */
class DraftHistoryTest {
    private final Office office = new Office(Testbed.start().address());

    private static String path(JsonNode template) {
        return "/api/v1/templates/" + template.get("id").asString();
    }

    private JsonNode post(JsonNode template, String act, Map<String, Object> body) {
        var answer = office.client.post(path(template) + act, with(body, "revision", template.get("revision")));
        assertThat(answer.status()).as(answer.text()).isEqualTo(200);
        return answer.json();
    }

    private static Map<String, Object> with(Map<String, Object> body, String name, Object value) {
        Map<String, Object> all = new java.util.HashMap<>(body);
        all.put(name, value);
        return all;
    }

    /** As the person types: the label of the first field. */
    private JsonNode label(JsonNode template, String label) {
        ObjectNode content = (ObjectNode) template.get("content").deepCopy();
        ((ObjectNode) content.get("fields").get(0)).put("label", label);
        return settle(template, content);
    }

    private JsonNode settle(JsonNode template, JsonNode content) {
        return office.client
                .put(path(template) + "/content", Map.of("revision", template.get("revision"), "content", content))
                .json();
    }

    private static String labelOf(JsonNode template) {
        return template.get("content").get("fields").get(0).get("label").asString();
    }

    private JsonNode letter(String name) {
        return office.bringIn(
                name,
                new WordDraft()
                        .paragraph("{{lender_name}} lends to Ida Marsh. {{lender.signature}}")
                        .bytes());
    }

    private JsonNode markIda(JsonNode template) {
        return post(
                        template,
                        "/wording/acts",
                        Map.of(
                                "act",
                                "MARK_FIELD",
                                "words",
                                Map.of("text", "Ida Marsh", "before", "lends to ", "after", ". [Lender"),
                                "name",
                                "borrower",
                                "label",
                                "Who borrows",
                                "everywhere",
                                false))
                .get("template");
    }

    @Test
    void wordingAndSettingsAreTakenBackInTheirOrderAndMadeAgain() {
        JsonNode first = letter("Both ways");
        JsonNode typed = label(label(first, "Who l"), "Who lends");
        JsonNode marked = markIda(typed);
        assertThat(marked.get("content").get("fields").toString()).contains("\"label\":\"Who borrows\"");
        ObjectNode sending = (ObjectNode) marked.get("content").deepCopy();
        ((ObjectNode) sending.get("sending")).put("subject", "Please sign");
        JsonNode last = settle(marked, sending);
        assertThat(last.get("undo").asString()).isEqualTo("the terms of sending");
        JsonNode one = post(last, "/undo", Map.of());
        assertThat(one.get("redo").asString()).isEqualTo("the terms of sending");
        assertThat(one.get("undo").asString()).isEqualTo("the field borrower");
        JsonNode two = post(one, "/undo", Map.of());
        assertThat(labelOf(two)).isEqualTo("Who lends");
        assertThat(two.get("content").get("fields").toString()).doesNotContain("borrower");
        // both pauses of typing were one change
        assertThat(two.get("undo").asString()).isEqualTo("the settings of Lender name");
        JsonNode three = post(two, "/undo", Map.of());
        assertThat(three.get("content")).isEqualTo(first.get("content"));
        assertThat(three.get("undo").asString()).isEmpty();
        JsonNode again = three;
        for (int i = 0; i < 3; i++) again = post(again, "/redo", Map.of());
        assertThat(again.get("content")).isEqualTo(last.get("content"));
        assertThat(again.get("redo").asString()).isEmpty();
        assertThat(office.client
                        .post(path(again) + "/redo", Map.of("revision", again.get("revision")))
                        .text())
                .contains("nothing to make again");
    }

    @Test
    void aNewChangeForgetsWhatWasTakenBackAndTypingAfterItIsAStepOfItsOwn() {
        JsonNode first = letter("Forgets");
        JsonNode back = post(label(first, "Who lends"), "/undo", Map.of());
        JsonNode other = label(back, "Lender");
        assertThat(other.get("redo").asString()).isEmpty();
        JsonNode more = label(post(post(other, "/undo", Map.of()), "/redo", Map.of()), "Lender of it");
        assertThat(labelOf(post(more, "/undo", Map.of()))).isEqualTo("Lender");
    }

    @Test
    void twoWhoTakeBackAtOnceTakeBackOneChange() {
        JsonNode last = markIda(label(letter("At once"), "Who lends"));
        List<Integer> answers = IntStream.range(0, 2)
                .mapToObj(i -> CompletableFuture.supplyAsync(() -> office.client
                        .post(path(last) + "/undo", Map.of("revision", last.get("revision")))
                        .status()))
                .toList()
                .stream()
                .map(CompletableFuture::join)
                .sorted()
                .toList();
        assertThat(answers).containsExactly(200, 409);
        assertThat(labelOf(office.client.get(path(last)).json())).isEqualTo("Who lends");
    }

    @Test
    void savingWhatIsThereAlreadyIsNoChange() {
        JsonNode first = letter("Same");
        assertThat(settle(first, first.get("content")).get("undo").asString()).isEmpty();
    }

    @Test
    void aPublishedVersionTakesNothingBack() {
        JsonNode changed = label(letter("Published steps"), "Who lends");
        JsonNode published = post(changed, "/publication", Map.of());
        assertThat(published.get("undo").asString()).isEmpty();
        assertThat(office.client
                        .post(path(published) + "/undo", Map.of("revision", published.get("revision")))
                        .status())
                .isEqualTo(409);
    }
}
