package org.jalousie.server;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.text.PDFTextStripper;
import org.jalousie.core.wording.write.WordDraft;
import org.jalousie.demo.Client;
import org.jalousie.server.testbed.Office;
import org.jalousie.server.testbed.Testbed;
import org.junit.jupiter.api.Test;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ObjectNode;

/** Words that are others in one agreement alone. */
class ChangedWordsTest {
    private static final String LENDER = "ida.marsh@lender.example.org";

    private final Testbed bed = Testbed.start();
    private final Office office = new Office(bed.address());

    private static byte[] wording(String clause) {
        return new WordDraft()
                .paragraph("{{lender_name}} lends a viola until {{ends.long}}, or longer.")
                .paragraph("It is kept cool and dry.")
                .paragraph("{{>" + clause + "}}")
                .paragraph("{{#abroad}}It crosses a border.{{/abroad}}")
                .paragraph("{{lender.signature}}")
                .bytes();
    }

    private String template(String name, String clause) {
        Client.Answer brought = office.client.upload(
                "/api/v1/clauses?name=" + clause,
                "clause.docx",
                new WordDraft()
                        .paragraph("The museum insures {{lender_name}} against loss.")
                        .paragraph("It is kept cool and dry on the road, too.")
                        .bytes());
        assertThat(brought.status()).as(brought.text()).isIn(200, 201);
        JsonNode template = office.bringIn(name, wording(clause));
        ObjectNode content = (ObjectNode) template.get("content");
        for (JsonNode field : content.get("fields"))
            if (field.get("name").asString().equals("ends")) ((ObjectNode) field).put("type", "DATE");
        ((ObjectNode) content.get("parties").get(0)).set("who", Office.fixed("Ida Marsh", LENDER));
        return office.publish(office.settle(template, content));
    }

    private static Map<String, String> values(String name) {
        return new HashMap<>(Map.of("lender_name", name, "ends", "2027-03-01", "abroad", "no"));
    }

    private String made(String template) {
        String number = office.generate(template, values("Ida Marsh"));
        office.await(number, "CHECK");
        return number;
    }

    private Client.Answer change(String number, String text, String before, String after, String words) {
        return office.client.post(
                "/api/v1/agreements/" + number + "/documents/wording/wording",
                Map.of("text", text, "before", before, "after", after, "words", words, "paragraph", text.isEmpty()));
    }

    private String pages(String number) throws IOException {
        office.await(number, "CHECK");
        byte[] file = office.client
                .get("/api/v1/agreements/" + number + "/documents/wording.pdf")
                .body();
        try (PDDocument pdf = Loader.loadPDF(file)) {
            return new PDFTextStripper().getText(pdf).replaceAll("\\s+", " ");
        }
    }

    private static List<String> said(JsonNode changed) {
        List<String> all = new ArrayList<>();
        for (JsonNode paragraph : changed) {
            StringBuilder line = new StringBuilder();
            for (JsonNode piece : paragraph.get("pieces"))
                line.append(
                        switch (piece.get("fate").asString()) {
                            case "STRUCK" -> "-" + piece.get("text").asString() + "-";
                            case "PUT_IN" -> "+" + piece.get("text").asString() + "+";
                            default -> piece.get("text").asString();
                        });
            all.add(line.toString());
        }
        return all;
    }

    private JsonNode document(String number) {
        return office.await(number, "CHECK").get("documents").get(0);
    }

    @Test
    void wordsChangeInThisAgreementAndStayWhenAnAnswerIsCorrected() throws IOException {
        String template = template("Loan with other words", "insured_so");
        String number = made(template);
        String other = made(template);
        assertThat(change(number, "or longer", "1 March 2027, ", ".", "at the latest")
                        .status())
                .isEqualTo(204);
        assertThat(pages(number)).contains("until 1 March 2027, at the latest. It is kept");
        JsonNode detail = office.show(number);
        assertThat(said(detail.get("documents").get(0).get("changed")))
                .containsExactly("[Lender name] lends a viola until [Ends], -or longer-+at the latest+.");
        assertThat(detail.get("warnings").toString()).contains("differs from the template");
        assertThat(detail.get("trail").toString()).contains("changed the wording of");
        String request = detail.get("row").get("request").asString();
        assertThat(office.client
                        .put(
                                "/api/v1/requests/" + request,
                                Map.of("values", values("Otto Quay"), "people", Map.of(), "language", ""))
                        .status())
                .isEqualTo(200);
        assertThat(pages(number)).contains("Otto Quay lends a viola").contains("at the latest");
        JsonNode printed = office.client
                .get("/api/v1/agreements/" + number + "/documents/wording/printed")
                .json();
        assertThat(printed.get("things").toString()).contains("lender_name").contains("insured so");
        assertThat(pages(other)).contains("or longer");
        // the pages beside the request's form say what the agreement says
        assertThat(office.client
                        .post(
                                "/api/v1/requests/" + request + "/text",
                                Map.of("values", values("Otto Quay"), "document", ""))
                        .text())
                .contains("at the latest")
                .doesNotContain("or longer");
    }

    /** The same words in two clauses, and in none of the wording's own: which of them is meant is asked. */
    @Test
    void wordsThatStandTwiceAlikeAreNotGuessedAt() {
        for (String clause : List.of("alike_one", "alike_two", "other_three"))
            office.client.upload(
                    "/api/v1/clauses?name=" + clause,
                    "clause.docx",
                    new WordDraft()
                            .paragraph(clause.startsWith("alike") ? "Kept as it came." : "Handled with care.")
                            .bytes());
        JsonNode template = office.bringIn(
                "Loan with clauses alike",
                new WordDraft()
                        .paragraph("{{>alike_one}}")
                        .paragraph("{{>alike_two}}")
                        .paragraph("{{>other_three}}")
                        .paragraph("{{lender_name}}")
                        .paragraph("{{lender.signature}}")
                        .bytes());
        ObjectNode content = (ObjectNode) template.get("content");
        ((ObjectNode) content.get("parties").get(0)).set("who", Office.fixed("Ida Marsh", LENDER));
        String number = office.generate(
                office.publish(office.settle(template, content)), new HashMap<>(Map.of("lender_name", "Ida Marsh")));
        office.await(number, "CHECK");
        Client.Answer asked = change(number, "as it came", "Kept ", ".", "x");
        assertThat(asked.status()).isEqualTo(422);
        assertThat(asked.json().get("message").get("code").asString()).isEqualTo("edit.several-alike");
        assertThat(change(number, "with care", "Handled ", ".", "gently").status())
                .isEqualTo(204);
    }

    /** What a clause says is changed in the agreement's own copy of it, and what stands in both places where it was chosen. */
    @Test
    void wordsOfAClauseChangeToo() throws IOException {
        String template = template("Loan with a clause of its own", "insured_too");
        String number = made(template);
        assertThat(change(number, "against loss", "insures Ida Marsh ", ".", "against loss and damage")
                        .status())
                .isEqualTo(204);
        assertThat(pages(number)).contains("against loss and damage.");
        assertThat(change(number, "cool and dry", "It is kept ", " on the road", "at 18 degrees")
                        .status())
                .isEqualTo(204);
        assertThat(pages(number)).contains("kept cool and dry. The").contains("kept at 18 degrees on the road");
        assertThat(said(document(number).get("changed"))).hasSize(2);
        assertThat(change(number, "", "kept cool and", " dry. The museum", "It has a case.")
                        .status())
                .isEqualTo(204);
        assertThat(pages(number)).contains("cool and dry. It has a case. The museum");
        assertThat(office.client
                        .delete("/api/v1/agreements/" + number + "/documents/wording/wording")
                        .status())
                .isEqualTo(204);
        assertThat(pages(number))
                .contains("against loss. It is kept cool and dry on the road")
                .doesNotContain("case");
        assertThat(document(number).get("changed")).isEmpty();
        assertThat(pages(made(template))).contains("against loss. It");
    }

    @Test
    void whatCannotBeChangedSaysSoAndNothingIsLost() throws IOException {
        String number = made(template("Loan that keeps its words", "insured_still"));
        assertThat(change(number, "no such words", "", "", "x").status()).isEqualTo(422);
        Client.Answer tag = change(number, "or longer", "1 March 2027, ", ".", "until {{ends}}");
        assertThat(tag.status()).isEqualTo(422);
        assertThat(tag.text()).contains("tag");
        assertThat(office.client
                        .post(
                                "/api/v1/agreements/" + number + "/documents/nothing/wording",
                                Map.of("text", "x", "before", "", "after", "", "words", "", "paragraph", false))
                        .status())
                .isEqualTo(404);
        assertThat(pages(number)).contains("or longer");
        office.send(number);
        assertThat(change(number, "or longer", "1 March 2027, ", ".", "x").status())
                .isEqualTo(409);
    }

    @Test
    void anAgreementMadeAgainNamesTheOneBeforeAndKeepsItsWords() throws IOException {
        String number = made(template("Loan made again", "insured_again"));
        change(number, "or longer", "1 March 2027, ", ".", "at the latest");
        office.await(number, "CHECK");
        String request = office.show(number).get("row").get("request").asString();
        assertThat(office.client
                        .post("/api/v1/agreements/" + number + "/withdrawal", Map.of("reason", "Made in haste"))
                        .status())
                .isEqualTo(200);
        String again = office.agreementOf(request);
        assertThat(again).isNotEqualTo(number);
        assertThat(pages(again)).contains("at the latest");
        JsonNode detail = office.show(again);
        assertThat(detail.get("replaces").asString()).isEqualTo(number);
        assertThat(detail.get("trail").toString()).contains("It takes the place of " + number);
        assertThat(office.show(number).get("replaces").asString()).isEmpty();
    }

    @Test
    void whatStandsInTheWayTellsWhereItIsSettled() {
        String number = made(template("Loan that lacks an address", "insured_where"));
        Map<String, String> nobody = Map.of("name", "Ida Marsh", "mail", "", "phone", "", "language", "");
        assertThat(office.client
                        .put("/api/v1/agreements/" + number + "/people/lender", nobody)
                        .status())
                .isEqualTo(200);
        List<String> where = new ArrayList<>();
        office.await(number, "CHECK")
                .get("obstacles")
                .forEach(one -> where.add(
                        one.get("at").asString() + " " + one.get("name").asString()));
        assertThat(where).containsExactly("PERSON lender");
    }
}
