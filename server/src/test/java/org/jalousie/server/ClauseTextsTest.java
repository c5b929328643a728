package org.jalousie.server;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.Map;
import org.jalousie.core.wording.write.WordDraft;
import org.jalousie.server.testbed.Office;
import org.jalousie.server.testbed.Testbed;
import org.junit.jupiter.api.Test;
import tools.jackson.databind.JsonNode;

/** What a template's clauses say, in the version that it draws in. */
class ClauseTextsTest {
    private final Office office = new Office(Testbed.start().address());

    private static byte[] words(String text) {
        return new WordDraft().paragraph(text).paragraph("And no more.").bytes();
    }

    @Test
    void aDraftShowsTheNewestAndAPublishedVersionTheOneThatItHolds() {
        String clause = office.client
                .upload("/api/v1/clauses?name=text_of_care", "care.docx", words("Keep {{object}} dry."))
                .json()
                .get("id")
                .asString();
        byte[] wording = new WordDraft()
                .paragraph("On {{object}}.")
                .paragraph("{{>text_of_care}}")
                .paragraph("{{lender.signature}}")
                .bytes();
        JsonNode template = office.bringIn("Care", wording);
        String path = "/api/v1/templates/" + template.get("id").asString();
        JsonNode first = office.client.get(path + "/clauses/text_of_care").json();
        assertThat(first.get("version").asInt()).isEqualTo(1);
        assertThat(first.get("lines")).hasSize(2);
        JsonNode tag = first.get("lines").get(0).get("pieces").get(1);
        assertThat(tag.get("tag").asString()).isEqualTo("VALUE");
        assertThat(tag.get("label").asString()).isEqualTo("Object");

        office.client.upload("/api/v1/clauses/" + clause + "/versions", "care.docx", words("Keep {{object}} cool."));
        assertThat(office.client.get(path + "/clauses/text_of_care").text())
                .contains("cool")
                .doesNotContain("dry");
        int revision = office.client.get(path).json().get("revision").asInt();
        assertThat(office.client
                        .post(path + "/publication", Map.of("revision", revision))
                        .status())
                .isEqualTo(200);
        office.client.upload("/api/v1/clauses/" + clause + "/versions", "care.docx", words("Keep {{object}} warm."));
        JsonNode held = office.client.get(path + "/clauses/text_of_care").json();
        assertThat(held.toString()).contains("cool").doesNotContain("warm");
        assertThat(held.get("version").asInt()).isEqualTo(2);
        assertThat(held.get("newest").asInt()).isEqualTo(3);

        assertThat(office.client.get(path + "/clauses/no_such_clause").status()).isEqualTo(404);
    }
}
