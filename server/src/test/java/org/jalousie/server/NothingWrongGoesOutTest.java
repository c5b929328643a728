package org.jalousie.server;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.jalousie.core.wording.write.WordDraft;
import org.jalousie.demo.Client;
import org.jalousie.server.testbed.Office;
import org.jalousie.server.testbed.Testbed;
import org.jalousie.server.testbed.Wait;
import org.junit.jupiter.api.Test;
import tools.jackson.databind.JsonNode;

/** Data read as they were meant, documents that are whole or not made, fields that nobody can pass by. */
class NothingWrongGoesOutTest {
    private static final String LENDER = "ida.marsh@lender.example.org";
    private final Office office = new Office(Testbed.start().address());

    private Client.Answer take(String template, String value, String language) {
        Map<String, String> values = Office.loanValues("Ida Marsh");
        values.put("insured_value", value);
        return office.client.post(
                "/api/v1/requests",
                Map.of("template", template, "values", values, "people", Map.of(), "language", language));
    }

    @Test
    void anAmountThatCouldBeMeantInTwoWaysIsRefusedWithBoth() {
        String template = office.publish("Strict amounts", Office.loanWording());
        Client.Answer plain = take(template, "EUR 12,50", "");
        assertThat(plain.status()).isEqualTo(422);
        assertThat(plain.json().get("faults").get("insured_value").asString()).contains("12.50", "1250");
        assertThat(take(template, "EUR 12,50", "en-GB").text()).contains("1,250");
        Client.Answer dutch = take(template, "EUR 12.500,50", "nl");
        assertThat(dutch.status()).as(dutch.text()).isEqualTo(201);
        assertThat(dutch.json().get("values").get("insured_value").asString()).isEqualTo("EUR 12500.50");
        assertThat(take(template, "EUR 12500.50", "tlh").status()).isEqualTo(422);
        Client.Answer read = office.client.post(
                "/api/v1/forms/reading",
                Map.of(
                        "fields",
                        dutch.json().get("form").get("fields"),
                        "values",
                        Map.of("insured_value", "EUR 1.250,00", "start_date", "tomorrow"),
                        "language",
                        "nl"));
        assertThat(read.json().get("values").get("insured_value").asString()).isEqualTo("EUR 1250.00");
        assertThat(read.json().get("faults").get("start_date").asString()).contains("2027-03-15");
    }

    @Test
    void aNewNameIsAName() {
        JsonNode template = office.bringIn("Names", Office.loanWording());
        String path = "/api/v1/templates/" + template.get("id").asString() + "/wording/renaming";
        for (String to : List.of("a.b", "*x", "", "two words", "1st", "x}}")) {
            Client.Answer answer = office.client.post(
                    path, Map.of("revision", template.get("revision").asInt(), "from", "lender_name", "to", to));
            assertThat(answer.status()).as(to).isEqualTo(422);
        }
    }

    @Test
    void trackedChangesOfAClauseAreAcceptedWhereTheClauseIs() {
        byte[] changed = new WordDraft()
                .raw(
                        "<w:p><w:r><w:t>kept</w:t></w:r><w:del w:id=\"1\" w:author=\"A\"><w:r><w:delText>struck</w:delText></w:r></w:del></w:p>")
                .bytes();
        JsonNode clause = office.client
                .upload("/api/v1/clauses?name=changed_care", "care.docx", changed)
                .json();
        assertThat(clause.get("diagnostics").toString()).contains("tracked-changes");
        String path = "/api/v1/clauses/" + clause.get("id").asString() + "/tidying";
        JsonNode tidied = office.client.post(path, Map.of()).json();
        assertThat(tidied.get("diagnostics").toString()).doesNotContain("tracked-changes");
        assertThat(tidied.get("versions").size()).isEqualTo(2);
        assertThat(office.client.post(path, Map.of()).status()).isEqualTo(409);
    }

    @Test
    void aFieldInAListIsAskedForEachItemAndNothingIsCompletedWithoutIt() {
        byte[] wording = new WordDraft()
                .paragraph("{{lender_name}} lends:")
                .paragraph("{{#objects}}")
                .paragraph("{{title}}, condition {{lender.condition}}")
                .paragraph("{{/objects}}")
                .header("Reference {{lender.reference}}")
                .paragraph("{{lender.signature}}")
                .bytes();
        String template = office.publish("Three objects", wording);
        Map<String, String> values = new HashMap<>(Map.of(
                "lender_name",
                "Ida Marsh",
                "lender_mail",
                LENDER,
                "objects",
                "[{\"title\":\"Viola\"},{\"title\":\"Lute\"},{\"title\":\"Rebec\"}]"));
        String number = office.send(office.generate(template, values));
        String token = office.link(number, LENDER);
        JsonNode page = new Client(Testbed.start().address())
                .get("/api/v1/signing/" + token)
                .json();
        assertThat(page.get("toComplete").findValuesAsString("name"))
                .containsExactlyInAnyOrder(
                        "lender_condition", "lender_condition_2", "lender_condition_3", "lender_reference");
        Map<String, String> answers = new HashMap<>(
                Map.of("lender_condition", "good", "lender_condition_2", "fair", "lender_reference", "L 7"));
        assertThat(office.sign(token, answers).status()).isEqualTo(409);
        answers.put("lender_condition_3", "poor");
        Client.Answer signed = office.sign(token, answers);
        assertThat(signed.status()).as(signed.text()).isEqualTo(200);
        office.await(number, "COMPLETED");
    }

    @Test
    void aDocumentThatCannotBeWholeIsToldAtOnceAndNotMade() {
        String reference =
                "<w:p><w:r><w:t xml:space=\"preserve\">See </w:t></w:r><w:r><w:fldChar w:fldCharType=\"begin\"/></w:r><w:r><w:instrText> REF there \\h </w:instrText></w:r><w:r><w:fldChar w:fldCharType=\"separate\"/></w:r><w:r><w:t>x</w:t></w:r><w:r><w:fldChar w:fldCharType=\"end\"/></w:r></w:p>";
        byte[] wording = new WordDraft()
                .paragraph("{{lender_name}}")
                .raw(
                        "<w:p><w:r><w:t>{{#abroad}}</w:t></w:r></w:p><w:p><w:bookmarkStart w:id=\"1\" w:name=\"there\"/><w:r><w:t>b</w:t></w:r><w:bookmarkEnd w:id=\"1\"/></w:p><w:p><w:r><w:t>{{/abroad}}</w:t></w:r></w:p>"
                                + reference)
                .paragraph("{{lender.signature}}")
                .bytes();
        JsonNode draft = office.bringIn("Half a reference", wording);
        assertThat(draft.get("diagnostics").toString()).contains("reference-conditional");
        String template = office.publish("Half a reference 2", wording);
        Client.Answer taken = office.client.post(
                "/api/v1/requests",
                Map.of(
                        "template",
                        template,
                        "values",
                        Map.of("lender_name", "Ida Marsh", "lender_mail", LENDER, "abroad", "no"),
                        "people",
                        Map.of()));
        String number = office.client
                .post(
                        "/api/v1/requests/"
                                + taken.json().get("row").get("number").asString() + "/agreement",
                        Map.of())
                .json()
                .get("agreement")
                .asString();
        String failed = Wait.until(
                "the failure in Today",
                () -> Optional.of(office.client
                                .get("/api/v1/today")
                                .json()
                                .get("failed")
                                .toString())
                        .filter(text -> text.contains(number)));
        assertThat(failed).contains("cross-reference", "there");
        assertThat(office.state(number)).isEqualTo("GENERATING");
    }

    @Test
    void aConditionOfTheWordProcessorBecomesARule() {
        String iff =
                "<w:p><w:r><w:t xml:space=\"preserve\">It </w:t></w:r><w:r><w:fldChar w:fldCharType=\"begin\"/></w:r><w:r><w:instrText xml:space=\"preserve\"> IF </w:instrText></w:r><w:r><w:fldChar w:fldCharType=\"begin\"/></w:r><w:r><w:instrText> MERGEFIELD country </w:instrText></w:r><w:r><w:fldChar w:fldCharType=\"end\"/></w:r><w:r><w:instrText xml:space=\"preserve\"> = &quot;GB&quot; &quot;stays here&quot; &quot;crosses a border&quot; </w:instrText></w:r><w:r><w:fldChar w:fldCharType=\"separate\"/></w:r><w:r><w:t>stays here</w:t></w:r><w:r><w:fldChar w:fldCharType=\"end\"/></w:r></w:p>";
        byte[] wording = new WordDraft()
                .paragraph("{{lender_name}}")
                .raw(iff)
                .paragraph("{{lender.signature}}")
                .bytes();
        JsonNode draft = office.bringIn("IF", wording);
        assertThat(draft.get("content").get("rules").toString()).contains("country_is_gb", "country = \\\"GB\\\"");
        assertThat(draft.get("content").get("fields").toString()).contains("\"country\"");
        String template = office.publish("IF 2", wording);
        String number =
                office.generate(template, Map.of("lender_name", "Ida Marsh", "lender_mail", LENDER, "country", "NL"));
        byte[] word = office.client
                .get("/api/v1/agreements/" + number + "/documents/wording.docx")
                .body();
        assertThat(org.jalousie.core.wording.DocxText.body(word))
                .contains("crosses a border")
                .doesNotContain("stays here");
    }
}
