package org.jalousie.server;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.Duration;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.concurrent.Callable;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.Future;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.text.PDFTextStripper;
import org.jalousie.core.wording.write.WordDraft;
import org.jalousie.demo.Client;
import org.jalousie.server.testbed.Office;
import org.jalousie.server.testbed.TestClock;
import org.jalousie.server.testbed.Testbed;
import org.jalousie.server.testbed.Wait;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.Test;
import org.springframework.jdbc.core.simple.JdbcClient;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.ObjectNode;

/** How those who come by a link show who they are, and how nobody else does. */
class IdentityTest {
    private static final String LENDER = "ida.marsh@lender.example.org";
    private static final String PHONE = "+447700900123";

    private final Testbed bed = Testbed.start();
    private final Office office = new Office(bed.address());
    private final TestClock clock = bed.bean(TestClock.class);
    private final Client ida = new Client(bed.address());

    @AfterEach
    void now() {
        clock.ahead(Duration.ZERO);
    }

    private String checked(String check) {
        JsonNode template = office.bringIn(
                "Checked " + check,
                new WordDraft()
                        .paragraph("{{lender_name}} lends a viola. {{lender.note}} {{lender.signature}}")
                        .paragraph("{{museum.signature}}")
                        .bytes());
        ObjectNode content = (ObjectNode) template.get("content");
        for (JsonNode party : content.get("parties")) {
            boolean lender = party.get("key").asString().equals("lender");
            if (lender) ((ObjectNode) party).put("identity", check);
            ((ObjectNode) party)
                    .set(
                            "who",
                            lender
                                    ? Office.fixed("Ida Marsh", LENDER).put("phone", "+44 7700 900123")
                                    : Office.fixed("Tomas Vale", "tomas.vale@museum.example.org"));
        }
        ((ObjectNode) Office.signingField(content, "lender_note").get("type")).put("required", false);
        JsonNode settled = office.settle(template, content);
        assertThat(settled.get("obstacles")).isEmpty();
        String number = office.generate(
                office.publish(settled),
                new HashMap<>(Map.of(
                        "lender_name",
                        "Ida Marsh",
                        "lender_mail",
                        LENDER,
                        "museum_name",
                        "Tomas Vale",
                        "museum_mail",
                        "tomas.vale@museum.example.org")));
        return number;
    }

    private static String path(String link, String what) {
        return "/api/v1/signing/" + link + what;
    }

    private static Client.Answer answer(Client who, String link, String answer) {
        return who.post(path(link, "/identity"), Map.of("answer", answer));
    }

    /** Asks for a code, and waits for the mail or the message that brings it. */
    private String code(Client who, String link, String number, String recipient) {
        int before = office.codes(number, recipient).size();
        Client.Answer asked = who.post(path(link, "/identity/code"), Map.of());
        assertThat(asked.status()).as(asked.text()).isEqualTo(200);
        return office.code(number, recipient, before + 1);
    }

    private static void assertNothingIsTold(Client who, String link) {
        JsonNode page = who.get(path(link, "")).json();
        assertThat(page.get("identity").get("shown").asBoolean()).isFalse();
        for (String part : List.of("documents", "toComplete", "derived", "route"))
            assertThat(page.get(part)).as(part).isEmpty();
        assertThat(who.get(path(link, "/documents/wording.pdf")).status()).isEqualTo(409);
        for (Client.Answer refused : List.of(
                who.get(path(link, "/files/" + "0".repeat(64))),
                who.postFile(path(link, "/files?name=a.pdf"), new byte[] {1}),
                who.post(path(link, "/consent"), Map.of("version", "en-2")),
                who.post(path(link, "/derived"), Map.of("values", Map.of())),
                who.post(path(link, "/details"), Map.of("values", Map.of())),
                who.post(path(link, "/approval"), Map.of()),
                who.post(path(link, "/signature"), Map.of("values", Map.of(), "mark", "drawn", "picture", "AAAA")),
                who.post(path(link, "/refusal"), Map.of("reason", "no"))))
            assertThat(refused.json().path("message").path("code").asString())
                    .as(refused.text())
                    .isEqualTo("identity.first");
    }

    private void assertSigned(String number, String link, Client who, String check) throws Exception {
        who.post(path(link, "/consent"), Map.of("version", "en-2"));
        Client.Answer signed = who.post(
                path(link, "/signature"),
                Map.of(
                        "values",
                        Map.of(),
                        "mark",
                        "drawn",
                        "picture",
                        java.util.Base64.getEncoder().encodeToString(org.jalousie.core.evidence.SignedSample.mark(3))));
        assertThat(signed.status()).as(signed.text()).isEqualTo(200);
        office.sign(office.link(number, "tomas.vale@museum.example.org"), Map.of());
        office.await(number, "COMPLETED");
        byte[] pdf = office.client
                .get("/api/v1/agreements/" + number + "/documents/wording.pdf")
                .body();
        try (PDDocument document = Loader.loadPDF(pdf)) {
            assertThat(document.getSignatureDictionaries())
                    .anyMatch(one -> String.valueOf(one.getReason()).endsWith("identity shown by " + check));
        }
        try (PDDocument record = Loader.loadPDF(office.client
                .get("/api/v1/agreements/" + number + "/record.pdf")
                .body())) {
            String text = new PDFTextStripper().getText(record).replaceAll("\\s+", " ");
            assertThat(text).contains("Ida Marsh: " + check).contains("showed who they are: " + check);
            assertThat(text).contains("Tomas Vale: the link that was mailed to them");
        }
        assertThat(bed.bean(JdbcClient.class)
                        .sql("select count(*) from identity_shown s join agreement a on a.id = s.agreement_id"
                                + " where a.number = ?")
                        .param(number)
                        .query(Long.class)
                        .single())
                .as("nothing of it stays behind")
                .isZero();
    }

    @Test
    void aMailedCodeOpensTheAgreementInTheBrowserThatAskedForIt() throws Exception {
        String number = office.send(checked("MAILED_CODE"));
        String link = office.link(number, LENDER);
        assertNothingIsTold(ida, link);
        assertThat(ida.get(path(link, "")).json().get("identity").get("to").asString())
                .isEqualTo("i•••@lender.example.org");
        String code = code(ida, link, number, LENDER);
        assertThat(code).hasSize(6);
        Client other = new Client(bed.address());
        assertThat(answer(other, link, code).status()).as("another browser").isEqualTo(422);
        assertThat(answer(ida, link, "12").status()).as("no code at all").isEqualTo(422);
        assertThat(answer(ida, link, code.substring(0, 3) + " " + code.substring(3))
                        .status())
                .isEqualTo(200);
        assertThat(answer(ida, link, code).status()).as("used twice").isEqualTo(422);
        assertThat(ida.get(path(link, "/documents/wording.pdf")).status()).isEqualTo(200);
        assertNothingIsTold(other, link);
        assertThat(office.trail(number))
                .filteredOn(one -> one.contains("the answer was wrong"))
                .hasSize(2);
        assertSigned(number, link, ida, "a one-time code by mail");
    }

    @Test
    void aCodeByTextMessageStandsInTheCertificateWithItsNumber() throws Exception {
        String number = office.send(checked("TEXTED_CODE"));
        String link = office.link(number, LENDER);
        assertNothingIsTold(ida, link);
        assertThat(ida.get(path(link, "")).json().get("identity").get("to").asString())
                .isEqualTo("••• 123");
        String code = code(ida, link, number, PHONE);
        assertThat(answer(ida, link, code).status()).isEqualTo(200);
        assertSigned(number, link, ida, "a one-time code by text message");
        List<String> subjects = bed.bean(JdbcClient.class)
                .sql("select entry from agreement_event e join agreement a on a.id = e.agreement_id"
                        + " where a.number = ? and e.type = 'Sealed'")
                .param(number)
                .query(String.class)
                .list();
        // RFC 2253 §2.4 writes an attribute without a short name by its number; 2.5.4.20 is telephoneNumber (X.520)
        assertThat(subjects).anyMatch(one -> one.contains("2.5.4.20"));
    }

    @Test
    void aWordIsAgreedOnBeforeSendingAndToldInAnySpelling() throws Exception {
        String number = checked("AGREED_WORD");
        assertThat(office.client
                        .post("/api/v1/agreements/" + number + "/sending", Map.of())
                        .status())
                .isEqualTo(409);
        String word = "/api/v1/agreements/" + number + "/people/lender/word";
        assertThat(office.client.put(word, Map.of("word", "Ōta")).status()).isEqualTo(422);
        assertThat(office.client.put(word, Map.of("word", "日本語".repeat(21))).status())
                .as("too long")
                .isEqualTo(422);
        assertThat(office.client.put(word, Map.of("word", "日本語".repeat(20))).status())
                .as("many bytes, and no more letters than there may be")
                .isEqualTo(204);
        assertThat(office.client.put(word, Map.of("word", "Blue Viöla, 1790")).status())
                .isEqualTo(204);
        office.send(number);
        String link = office.link(number, LENDER);
        assertNothingIsTold(ida, link);
        assertThat(ida.post(path(link, "/identity/code"), Map.of()).status()).isEqualTo(409);
        assertThat(answer(ida, link, "blue violin 1790").status()).isEqualTo(422);
        assertThat(answer(ida, link, "blue vio\u0308la 1790").status()).isEqualTo(200);
        assertSigned(number, link, ida, "a word agreed on beforehand");
        assertThat(bed.bean(JdbcClient.class)
                        .sql("select string_agg(entry, ' ') from agreement_event")
                        .query(String.class)
                        .single()
                        .toLowerCase())
                .doesNotContain("blue vi");
    }

    @Test
    void wrongCodesLockAndTheOfficeLetsPeopleGoOn() {
        String number = office.send(checked("MAILED_CODE"));
        String link = office.link(number, LENDER);
        String code = code(ida, link, number, LENDER);
        String wrong = code.equals("000000") ? "000001" : "000000";
        for (int left = 4; left >= 0; left--)
            assertThat(answer(ida, link, wrong)
                            .json()
                            .get("message")
                            .get("arguments")
                            .get("left")
                            .asInt())
                    .isEqualTo(left);
        assertThat(answer(ida, link, code).json().get("message").get("code").asString())
                .isEqualTo("identity.locked");
        assertThat(ida.get(path(link, "")).json().get("identity").get("locked").asBoolean())
                .isTrue();
        assertThat(office.client
                        .get("/api/v1/today")
                        .json()
                        .get("keptOut")
                        .get("items")
                        .toString())
                .contains(number);
        Wait.until(
                "the office's mail",
                () -> office.mailTo(number, "office@museum.example.org", "Too many wrong answers"));
        String go = "/api/v1/agreements/" + number + "/people/lender/further-tries";
        assertThat(new Client(bed.address()).post(go, Map.of()).status()).isEqualTo(401);
        assertThat(office.client.post(go, Map.of()).status()).isEqualTo(204);
        assertThat(office.client.post(go, Map.of()).status()).as("twice").isEqualTo(409);
        assertThat(office.client
                        .get("/api/v1/today")
                        .json()
                        .get("keptOut")
                        .get("items")
                        .toString())
                .doesNotContain(number);
        assertThat(answer(ida, link, code).status())
                .as("the old code has six digits")
                .isEqualTo(422);
        String longer = code(ida, link, number, LENDER);
        assertThat(longer).hasSize(8);
        assertThat(answer(ida, link, longer).status()).isEqualTo(200);
    }

    @Test
    void manyGuessesAtOnceAreCountedOneByOne() throws Exception {
        String number = office.send(checked("MAILED_CODE"));
        String link = office.link(number, LENDER);
        String code = code(ida, link, number, LENDER);
        List<Callable<Integer>> guesses = new ArrayList<>();
        for (int i = 0; i < 24; i++) {
            String guess = String.format("%06d", (Integer.parseInt(code) + 1 + i) % 1_000_000);
            guesses.add(() -> answer(ida, link, guess).status());
        }
        ExecutorService threads = Executors.newFixedThreadPool(8);
        for (Future<Integer> one : threads.invokeAll(guesses))
            assertThat(one.get()).isIn(409, 422);
        threads.shutdown();
        assertThat(office.trail(number))
                .filteredOn(one -> one.contains("the answer was wrong"))
                .hasSize(5);
        assertThat(answer(ida, link, code).status()).isEqualTo(409);
    }

    @Test
    void anOldCodeAndAnOldBrowserAreNotTakenAndTheNewestCodeIs() {
        String number = office.send(checked("MAILED_CODE"));
        String link = office.link(number, LENDER);
        String first = code(ida, link, number, LENDER);
        assertThat(ida.post(path(link, "/identity/code"), Map.of())
                        .json()
                        .get("message")
                        .get("code")
                        .asString())
                .isEqualTo("identity.code-soon");
        clock.ahead(Duration.ofSeconds(31));
        String second = code(ida, link, number, LENDER);
        if (!second.equals(first)) assertThat(answer(ida, link, first).status()).isEqualTo(422);
        clock.ahead(Duration.ofMinutes(11));
        assertThat(answer(ida, link, second).json().get("message").get("code").asString())
                .isEqualTo("identity.code-old");
        String third = code(ida, link, number, LENDER);
        assertThat(answer(ida, link, third).status()).isEqualTo(200);
        assertThat(ida.get(path(link, "/documents/wording.pdf")).status()).isEqualTo(200);
        clock.ahead(Duration.ofHours(9));
        assertNothingIsTold(ida, link);
    }

    @Test
    void aWordTakesThePlaceOfACodeThatNeverComes() {
        String number = office.send(checked("TEXTED_CODE"));
        String link = office.link(number, LENDER);
        assertThat(office.client
                        .put("/api/v1/agreements/" + number + "/people/lender/word", Map.of("word", "grey goose"))
                        .status())
                .isEqualTo(204);
        assertThat(ida.get(path(link, "")).json().get("identity").get("check").asString())
                .isEqualTo("AGREED_WORD");
        assertThat(answer(ida, link, "Grey Goose").status()).isEqualTo(200);
        assertThat(office.client
                        .put("/api/v1/agreements/" + number + "/people/museum/word", Map.of("word", "grey goose"))
                        .status())
                .as("nothing is asked of them")
                .isEqualTo(409);
    }

    @Test
    void aServiceThatIsAwayHoldsNothingUpAndTheCodeComesAfterwards() {
        String number = office.send(checked("TEXTED_CODE"));
        String link = office.link(number, LENDER);
        bed.textsDown();
        try {
            assertThat(ida.post(path(link, "/identity/code"), Map.of()).status())
                    .isEqualTo(200);
            Wait.until(
                    "the outage to be told",
                    () -> Optional.of(office.client.get("/api/v1/today").text())
                            .filter(text -> text.contains("The service for text messages")));
        } finally {
            bed.textsUp();
        }
        assertThat(answer(ida, link, office.code(number, PHONE, 1)).status()).isEqualTo(200);
    }

    @Test
    void whoGetsACodeByTextMessageIsAskedForTheirNumberInTheForm() {
        JsonNode template = office.bringIn(
                "Chosen",
                new WordDraft()
                        .paragraph("A viola is lent. {{lender.signature}}")
                        .bytes());
        ObjectNode content = (ObjectNode) template.get("content");
        ((ObjectNode) content.get("parties").get(0))
                .put("identity", "TEXTED_CODE")
                .set("who", Office.source("chosen_at_use"));
        JsonNode settled = office.settle(template, content);
        String id = office.publish(settled);
        JsonNode chosen = office.client
                .get("/api/v1/templates/" + id + "/form")
                .json()
                .get("chosen")
                .get(0);
        assertThat(chosen.get("phone").asBoolean()).isTrue();
        Map<String, Object> form = new HashMap<>(Map.of("template", id, "values", Map.of()));
        form.put("people", Map.of("lender", Map.of("name", "Ida Marsh", "mail", LENDER, "phone", "07700 900123")));
        Client.Answer refused = office.client.post("/api/v1/requests", form);
        assertThat(refused.json().get("faults").has("lender.phone"))
                .as(refused.text())
                .isTrue();
        form.put("people", Map.of("lender", Map.of("name", "Ida Marsh", "mail", LENDER, "phone", "+44 7700 900123")));
        String number = office.agreementOf(office.request(form));
        assertThat(office.await(number, "CHECK").get("obstacles")).isEmpty();
        assertThat(office.show(number).get("people").get(0).get("phone").asString())
                .isEqualTo("+44 7700 900123");
    }

    @Test
    void aPersonInTwoPartsShowsOnceWhoTheyAreByTheNumberOfTheOther() {
        JsonNode template = office.bringIn(
                "Two parts",
                new WordDraft()
                        .paragraph("A viola is lent. {{lender.signature}}")
                        .bytes());
        ObjectNode content = (ObjectNode) template.get("content");
        ObjectNode lender = (ObjectNode) content.get("parties").get(0);
        lender.put("stage", 2).set("who", Office.fixed("Ida Marsh", LENDER));
        ((ArrayNode) content.get("parties"))
                .addObject()
                .put("key", "owner")
                .put("label", "Owner")
                .put("duty", "APPROVES")
                .put("stage", 1)
                .put("identity", "TEXTED_CODE")
                .set("who", Office.fixed("Ida Marsh", LENDER).put("phone", "+44 7700 900123"));
        JsonNode settled = office.settle(template, content);
        assertThat(settled.get("obstacles")).isEmpty();
        Map<String, String> data = new HashMap<>();
        settled.get("content")
                .get("fields")
                .forEach(field -> data.put(field.get("name").asString(), "Ida Marsh"));
        data.replaceAll((name, value) -> name.endsWith("mail") ? LENDER : value);
        String number = office.send(office.generate(office.publish(settled), data));
        String link = office.link(number, LENDER);
        assertThat(answer(ida, link, code(ida, link, number, PHONE)).status()).isEqualTo(200);
        ida.post(path(link, "/consent"), Map.of("version", "en-2"));
        assertThat(ida.get(path(link, "/documents/wording.pdf")).status()).isEqualTo(200);
        assertNothingIsTold(new Client(bed.address()), link);
    }

    @Test
    void theOfficeIsNotToldOfALockThatItHasOpenedMeanwhile() {
        String number = checked("AGREED_WORD");
        String people = "/api/v1/agreements/" + number + "/people/lender";
        office.client.put(people + "/word", Map.of("word", "grey goose"));
        String link = office.link(office.send(number), LENDER);
        bed.mailDown();
        try {
            for (int i = 0; i < 5; i++)
                assertThat(answer(ida, link, "white goose " + i).status()).isEqualTo(422);
            office.mailWaits();
            assertThat(office.client.post(people + "/further-tries", Map.of()).status())
                    .isEqualTo(204);
        } finally {
            bed.mailUp();
        }
        Wait.until(
                "the mail to be let go",
                () -> office.mailsAbout(number).stream()
                        .filter(mail -> mail.get("kind").asString().equals("LOCKED"))
                        .filter(mail -> mail.get("state").asString().equals("NOT_NEEDED"))
                        .findFirst());
    }
}
