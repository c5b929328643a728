package org.jalousie.server;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.Map;
import org.jalousie.core.wording.DocxText;
import org.jalousie.core.wording.write.WordDraft;
import org.jalousie.server.testbed.Office;
import org.jalousie.server.testbed.Testbed;
import org.junit.jupiter.api.Test;
import tools.jackson.databind.JsonNode;

/** Signing fields placed, moved and kept with their words in a draft. */
class PlacingTest {
    private final Office office = new Office(Testbed.start().address());

    private JsonNode draft(WordDraft wording) {
        return office.bringIn("Placing", wording.bytes());
    }

    private static String path(JsonNode template) {
        return "/api/v1/templates/" + template.get("id").asString();
    }

    private JsonNode act(JsonNode template, String act, String name, String before) {
        return office.client
                .post(
                        path(template) + "/wording/acts",
                        Map.of(
                                "revision",
                                template.get("revision").asInt(),
                                "everywhere",
                                false,
                                "act",
                                act,
                                "name",
                                name,
                                "words",
                                Map.of("text", "", "before", before, "after", "")))
                .json();
    }

    private String body(JsonNode template) {
        return DocxText.body(office.client.get(path(template) + "/wording").body());
    }

    @Test
    void blocksForAllWhoSignStandOnOnePageAndEveryFieldIsPlaced() {
        WordDraft wording = new WordDraft()
                .paragraph("Lent by {{lender_name}}.")
                .paragraph("{{lender.initials}} {{museum.initials}} {{courier.initials}}");
        for (int i = 0; i < 30; i++) wording.paragraph("Clause " + i + ": the object is kept dry.");
        JsonNode template = draft(wording.paragraph("Signed in three copies."));
        JsonNode after = act(template, "INSERT_SIGNING_BLOCKS", "", "Signed in three copies.");
        assertThat(after.get("places").asInt()).isEqualTo(3);
        assertThat(after.get("template").get("content").get("signingFields")).hasSize(12);
        JsonNode pages = office.client.get(path(template) + "/preview").json().get("pages");
        assertThat(pages.get("fields")
                        .valueStream()
                        .filter(one -> !one.get("field")
                                .get("type")
                                .get("kind")
                                .asString()
                                .equals("initials"))
                        .map(one -> one.get("page").asInt())
                        .distinct()
                        .toList())
                .hasSize(1);
        assertThat(office.client.get(path(template)).json().get("undo").asString())
                .contains("signature blocks");
    }

    @Test
    void initialsStandOnEveryPageAndAreGivenOnce() {
        WordDraft wording = new WordDraft().paragraph("Lent by {{lender_name}}.");
        for (int i = 0; i < 80; i++) wording.paragraph("Clause " + i + ": the object is kept dry.");
        JsonNode template = draft(wording.paragraph("{{lender.signature}}"));
        JsonNode after = act(template, "INITIALS_ON_EVERY_PAGE", "lender", "");
        assertThat(after.get("template").get("content").get("signingFields").toString())
                .contains("lender_initials");
        JsonNode pages = office.client.get(path(template) + "/preview").json().get("pages");
        int count = pages.get("sizes").size();
        assertThat(count).isGreaterThan(1);
        assertThat(pages.get("fields")
                        .valueStream()
                        .filter(one -> one.get("field")
                                .get("type")
                                .get("kind")
                                .asString()
                                .equals("initials"))
                        .map(one -> one.get("page").asInt())
                        .toList())
                .hasSize(count)
                .doesNotHaveDuplicates();
        assertThat(act(office.client.get(path(template)).json(), "INITIALS_ON_EVERY_PAGE", "lender", "")
                        .toString())
                .contains("on every page already");
    }

    @Test
    void theUsualSetComesInOneActAlsoForAPartyThatIsNew() {
        JsonNode template = draft(new WordDraft().paragraph("Agreed.").paragraph("{{lender.signature}}"));
        JsonNode after = act(template, "INSERT_SIGNING_SET", "courier", "Agreed.");
        assertThat(body(template)).startsWith("Agreed.\n{{courier.signature}}\n{{courier.full_name}}");
        assertThat(after.get("template").get("content").get("parties").toString())
                .contains("\"courier\"");
    }

    @Test
    void wordsBecomeASigningFieldInTheirPlace() {
        JsonNode template = draft(new WordDraft().paragraph("VAT number ........ of the lender {{lender.signature}}"));
        JsonNode after = office.client
                .post(
                        path(template) + "/wording/acts",
                        Map.of(
                                "revision",
                                template.get("revision").asInt(),
                                "everywhere",
                                false,
                                "act",
                                "MARK_FIELD",
                                "name",
                                "lender.vat_number",
                                "words",
                                Map.of("text", "........", "before", "VAT number ", "after", " of the")))
                .json();
        assertThat(after.get("template").get("content").get("signingFields").toString())
                .contains("lender_vat_number");
        assertThat(body(template)).startsWith("VAT number {{lender.vat_number}} of the lender");
    }

    @Test
    void aFieldMovesAndKeepsItsSettingsAndTheMoveIsTakenBack() {
        JsonNode template = draft(new WordDraft()
                .paragraph("Name: {{lender.full_name}}")
                .paragraph("{{lender.signature}}")
                .paragraph("End."));
        Map<String, Object> move = Map.of(
                "revision",
                template.get("revision").asInt(),
                "field",
                "lender_full_name",
                "occurrence",
                0,
                "words",
                Map.of("before", "End.", "after", ""));
        JsonNode moved =
                office.client.post(path(template) + "/wording/place", move).json();
        assertThat(body(template)).isEqualTo("Name: \n{{lender.signature}}\nEnd. {{lender.full_name}}");
        assertThat(moved.get("content").get("signingFields"))
                .hasSameSizeAs(template.get("content").get("signingFields"));
        assertThat(office.client.post(path(template) + "/wording/place", move).status())
                .isEqualTo(409);
        assertThat(office.client
                        .post(
                                path(template) + "/wording/place",
                                Map.of(
                                        "revision",
                                        moved.get("revision").asInt(),
                                        "field",
                                        "lender_full_name",
                                        "occurrence",
                                        3,
                                        "words",
                                        Map.of("before", "Name:", "after", "")))
                        .status())
                .isEqualTo(422);
    }

    @Test
    void aFieldIsKeptWithTheWordsBeforeItOnce() {
        JsonNode template = draft(new WordDraft().paragraph("Signed at").paragraph("{{lender.signature}}"));
        JsonNode kept = office.client
                .post(
                        path(template) + "/wording/keeping",
                        Map.of("revision", template.get("revision").asInt(), "field", "lender_signature"))
                .json();
        assertThat(DocxText.xml(office.client.get(path(template) + "/wording").body(), "word/document.xml"))
                .contains("<w:keepNext/>");
        assertThat(office.client
                        .post(
                                path(template) + "/wording/keeping",
                                Map.of("revision", kept.get("revision").asInt(), "field", "lender_signature"))
                        .status())
                .isEqualTo(409);
    }

    /** Words fill the first page to its foot, so that the signature comes to stand on the second by itself. */
    @Test
    void aSignatureThatStandsAloneIsToldBeforeSendingAndKeptWithItsWords() {
        JsonNode template = null;
        WordDraft standsAlone = null;
        for (int lines = 20; lines < 60; lines++) {
            WordDraft wording = new WordDraft();
            for (int i = 0; i < lines; i++) wording.paragraph("Clause " + i + ": the object is kept dry and warm.");
            standsAlone = wording.paragraph("Signed:").paragraph("{{lender.signature}} {{lender_name}}");
            template = draft(standsAlone);
            JsonNode pages =
                    office.client.get(path(template) + "/preview").json().get("pages");
            if (pages.get("sizes").size() == 2) break;
        }
        assertThat(template).isNotNull();
        String id = office.publish(template);
        Map<String, String> values = Map.of("lender_name", "Ida Marsh", "lender_mail", "ida.marsh@lender.example.org");
        String number = office.generate(id, values);
        assertThat(office.show(number).get("warnings").toString()).contains("stand alone on page 2");

        JsonNode again = draft(standsAlone);
        office.client.post(
                path(again) + "/wording/keeping",
                Map.of("revision", again.get("revision").asInt(), "field", ""));
        String kept =
                office.generate(office.publish(office.client.get(path(again)).json()), values);
        assertThat(office.show(kept).get("warnings").toString()).isEqualTo("[]");
    }
}
