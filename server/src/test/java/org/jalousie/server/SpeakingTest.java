package org.jalousie.server;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.Base64;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import org.jalousie.core.evidence.SignedSample;
import org.jalousie.core.wording.write.WordDraft;
import org.jalousie.demo.Client;
import org.jalousie.server.testbed.Office;
import org.jalousie.server.testbed.Testbed;
import org.jalousie.server.testbed.Wait;
import org.junit.jupiter.api.Test;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ObjectNode;

/** What those who come by a link say besides acting: questions, handing over, and that they don't agree any more. */
class SpeakingTest {
    private static final String LENDER = "ida.marsh@lender.example.org";
    private static final String MUSEUM = "tomas.vale@museum.example.org";

    private final Testbed bed = Testbed.start();
    private final Office office = new Office(bed.address());
    private final Client ida = new Client(bed.address());

    private String out(boolean handOver, String check) {
        JsonNode template = office.bringIn(
                "Speaking",
                new WordDraft()
                        .paragraph("{{lender_name}} lends a viola. {{lender.initials}} {{lender.signature}}")
                        .paragraph("{{museum.signature}}")
                        .bytes());
        ObjectNode content = (ObjectNode) template.get("content");
        for (JsonNode party : content.get("parties")) {
            boolean lender = party.get("key").asString().equals("lender");
            if (lender) ((ObjectNode) party).put("identity", check);
            ((ObjectNode) party)
                    .set("who", lender ? Office.fixed("Ida Marsh", LENDER) : Office.fixed("Tomas Vale", MUSEUM));
        }
        ((ObjectNode) content.get("sending").get("acting"))
                .put("handOver", handOver)
                .put("secondPress", true);
        String id = office.publish(office.settle(template, content));
        return office.send(office.generate(id, new HashMap<>(Map.of("lender_name", "Ida Marsh"))));
    }

    private static String path(String link, String what) {
        return "/api/v1/signing/" + link + what;
    }

    private String consentTo(String link) {
        String version =
                ida.get(path(link, "")).json().get("consent").get("version").asString();
        ida.post(path(link, "/consent"), Map.of("version", version));
        return version;
    }

    private static Map<String, Object> signature() {
        String picture = Base64.getEncoder().encodeToString(SignedSample.mark(3));
        return Map.of("values", Map.of(), "mark", "picture", "picture", picture);
    }

    @Test
    void whoDoesNotAgreeAnyMoreDoesNotSignUntilTheyAgreeAgain() {
        String number = out(false, "NONE");
        String link = office.link(number, LENDER);
        assertThat(ida.post(path(link, "/consent/withdrawal"), Map.of()).status())
                .isEqualTo(409);
        String version = consentTo(link);
        Client.Answer withdrawn = ida.post(path(link, "/consent/withdrawal"), Map.of());
        assertThat(withdrawn.json().get("consented").asBoolean()).isFalse();
        assertThat(ida.post(path(link, "/signature"), signature()).status()).isEqualTo(409);
        Wait.until(
                "the office to be told",
                () -> office.mailTo(number, "office@museum.example.org", "Not electronically any more"));
        ida.post(path(link, "/consent"), Map.of("version", version));
        assertThat(ida.post(path(link, "/signature"), signature()).status()).isEqualTo(200);
        assertThat(ida.post(path(link, "/consent/withdrawal"), Map.of()).status())
                .isEqualTo(409);
        assertThat(office.trail(number))
                .filteredOn(one -> one.contains("agreed to sign"))
                .hasSize(2);
        assertThat(office.trail(number)).anyMatch(one -> one.contains("withdrew the agreement to sign"));
    }

    @Test
    void aQuestionIsAnsweredByMailAndOnThePage() {
        String number = out(false, "NONE");
        String link = office.link(number, LENDER);
        assertThat(ida.post(path(link, "/questions"), Map.of("question", " ")).status())
                .isEqualTo(409);
        assertThat(ida.post(path(link, "/questions"), Map.of("question", "x".repeat(2001)))
                        .status())
                .isEqualTo(409);
        String question = "Who pays the <courier> & when?";
        assertThat(ida.post(path(link, "/questions"), Map.of("question", question))
                        .status())
                .isEqualTo(200);
        Wait.until(
                "the office to be asked",
                () -> office.mailTo(number, "office@museum.example.org", "A question")
                        .filter(text -> text.contains(question)));
        assertThat(office.client.get("/api/v1/today").json().get("asked").toString())
                .contains(number);
        int asked = office.show(number).get("questions").get(0).get("number").asInt();
        String at = "/api/v1/agreements/" + number + "/questions/";
        assertThat(office.client.post(at + "999/answer", Map.of("answer", "No")).status())
                .isEqualTo(409);
        assertThat(office.client
                        .post(at + asked + "/answer", Map.of("answer", "The museum does."))
                        .status())
                .isEqualTo(200);
        assertThat(office.client
                        .post(at + asked + "/answer", Map.of("answer", "Twice."))
                        .status())
                .isEqualTo(409);
        Wait.until(
                "the answer",
                () -> office.mailTo(number, LENDER, "The answer to your question")
                        .filter(text -> text.contains(question) && text.contains("The museum does.")));
        JsonNode page = ida.get(path(office.link(number, LENDER), "")).json();
        assertThat(page.get("questions").get(0).get("answer").asString()).isEqualTo("The museum does.");
        assertThat(office.client.get("/api/v1/today").json().get("asked").toString())
                .doesNotContain(number);
        // others on the route read neither
        office.sign(link, Map.of());
        assertThat(ida.get(path(office.link(number, MUSEUM), "")).json().get("questions"))
                .isEmpty();
    }

    @Test
    void whoHasSignedMeanwhileGetsTheAnswerToo() {
        String number = out(false, "NONE");
        String link = office.link(number, LENDER);
        ida.post(path(link, "/questions"), Map.of("question", "Who pays?"));
        consentTo(link);
        assertThat(ida.post(path(link, "/signature"), signature()).status()).isEqualTo(200);
        int asked = office.show(number).get("questions").get(0).get("number").asInt();
        office.client.post(
                "/api/v1/agreements/" + number + "/questions/" + asked + "/answer", Map.of("answer", "The museum."));
        String answer = Wait.until("the answer", () -> office.mailTo(number, LENDER, "The answer to your question"));
        assertThat(answer).contains("The museum.").doesNotContain("/act/");
    }

    @Test
    void nobodyFloodsTheOfficeWithQuestions() {
        String number = out(false, "NONE");
        String link = office.link(number, LENDER);
        for (int i = 0; i < 5; i++)
            assertThat(ida.post(path(link, "/questions"), Map.of("question", "Number " + i))
                            .status())
                    .isEqualTo(200);
        assertThat(ida.post(path(link, "/questions"), Map.of("question", "Number 6"))
                        .status())
                .isEqualTo(409);
    }

    @Test
    void aPartIsHandedOverWhereTheTemplateLetsThem() {
        Map<String, String> jon =
                Map.of("name", "Jon Reed", "mail", "jon.reed@lender.example.org", "reason", "I am away");
        String fixed = out(false, "NONE");
        assertThat(ida.post(path(office.link(fixed, LENDER), "/successor"), jon).status())
                .isEqualTo(409);

        String number = out(true, "NONE");
        String link = office.link(number, LENDER);
        consentTo(link);
        ida.post(path(link, "/questions"), Map.of("question", "Who is this for?"));
        for (String mail : List.of(LENDER.toUpperCase(java.util.Locale.ROOT), "no address", ""))
            assertThat(ida.post(path(link, "/successor"), Map.of("name", "Jon", "mail", mail, "reason", ""))
                            .status())
                    .as(mail)
                    .isEqualTo(409);
        assertThat(ida.post(path(link, "/successor"), jon).status()).isEqualTo(204);
        assertThat(ida.get(path(link, "")).status()).isEqualTo(410);
        assertThat(ida.post(path(link, "/successor"), jon).status()).isEqualTo(410);
        String his = office.link(number, "jon.reed@lender.example.org");
        assertThat(office.mailTo(number, "jon.reed@lender.example.org", "").orElseThrow())
                .contains("Ida Marsh handed this over to you");
        JsonNode page = ida.get(path(his, "")).json();
        assertThat(page.get("name").asString()).isEqualTo("Jon Reed");
        assertThat(page.get("consented").asBoolean()).isFalse();
        assertThat(page.get("questions")).as("what the one before asked").isEmpty();
        Wait.until(
                "the office to be told",
                () -> office.mailTo(number, "office@museum.example.org", "Handed over")
                        .filter(text -> text.contains("I am away")));
        office.sign(his, Map.of());
        office.sign(office.link(number, MUSEUM), Map.of());
        office.await(number, "COMPLETED");
        assertThat(office.trail(number))
                .anyMatch(one -> one.contains("Ida Marsh (Lender) handed over to Jon Reed"))
                .anyMatch(one -> one.contains("Jon Reed (Lender) signed"));
    }

    @Test
    void whoHasNotShownWhoTheyAreHandsNothingOver() {
        String number = out(true, "MAILED_CODE");
        String link = office.link(number, LENDER);
        Map<String, String> thief = Map.of("name", "A Thief", "mail", "thief@example.org", "reason", "");
        assertThat(ida.post(path(link, "/successor"), thief).status()).isEqualTo(409);
        assertThat(ida.post(path(link, "/questions"), Map.of("question", "Hello?"))
                        .status())
                .isEqualTo(409);
        assertThat(office.show(number).get("people").get(0).get("mail").asString())
                .isEqualTo(LENDER);
    }

    @Test
    void initialsHaveAPictureOfTheirOwn() {
        String number = out(false, "NONE");
        String link = office.link(number, LENDER);
        JsonNode page = ida.get(path(link, "")).json();
        assertThat(page.get("initials").asBoolean()).isTrue();
        assertThat(page.get("secondPress").asBoolean()).isTrue();
        consentTo(link);
        Map<String, Object> signature = new HashMap<>(signature());
        for (String wrong : List.of("", "no picture", Base64.getEncoder().encodeToString(new byte[] {1, 2, 3}))) {
            signature.put("initials", wrong);
            assertThat(ida.post(path(link, "/signature"), signature).status())
                    .as(wrong)
                    .isEqualTo(422);
        }
        signature.put("initials", Base64.getEncoder().encodeToString(SignedSample.mark(5)));
        assertThat(ida.post(path(link, "/signature"), signature).status()).isEqualTo(200);
        office.sign(office.link(number, MUSEUM), Map.of());
        office.await(number, "COMPLETED");
    }
}
