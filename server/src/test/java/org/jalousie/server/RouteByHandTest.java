package org.jalousie.server;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.Duration;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import java.util.concurrent.Callable;
import org.jalousie.core.parties.PartyKey;
import org.jalousie.core.wording.write.WordDraft;
import org.jalousie.demo.Client;
import org.jalousie.server.signing.ParticipantLinks;
import org.jalousie.server.testbed.Office;
import org.jalousie.server.testbed.TestClock;
import org.jalousie.server.testbed.Testbed;
import org.jalousie.server.testbed.Together;
import org.jalousie.server.testbed.Wait;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.Test;
import org.springframework.jdbc.core.simple.JdbcClient;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ObjectNode;

/** What the office does to the route of an agreement that is out, and mail that comes back. */
class RouteByHandTest {
    private static final String LENDER = "ida.marsh@lender.example.org";
    private static final String NEW_LENDER = "ida.marsh@new.example.org";
    private static final String MUSEUM = "tomas.vale@museum.example.org";

    private final Testbed bed = Testbed.start();
    private final Office office = new Office(bed.address());
    private final TestClock clock = bed.bean(TestClock.class);
    private final Client anybody = new Client(bed.address());

    @AfterEach
    void now() {
        clock.ahead(Duration.ZERO);
    }

    private String out(String lenderMail) {
        Map<String, String> values = new HashMap<>(Office.loanValues("Ida Marsh"));
        values.put("lender_mail", lenderMail);
        return office.send(office.generate(office.publish("By hand", Office.loanWording()), values));
    }

    private Client.Answer person(String number, String party, String name, String mail, boolean another) {
        return office.client.put(
                "/api/v1/agreements/" + number + "/people/" + party,
                Map.of("name", name, "mail", mail, "another", another));
    }

    private Client.Answer act(String number, String what) {
        return office.client.post("/api/v1/agreements/" + number + what, Map.of("reason", ""));
    }

    private int opened(String link) {
        return anybody.get("/api/v1/signing/" + link).status();
    }

    private String newLink(String number, String recipient, String before) {
        return Wait.until(
                "another link for " + recipient,
                () -> Optional.of(office.link(number, recipient)).filter(link -> !link.equals(before)));
    }

    @Test
    void aNewLinkEndsTheOneBefore() {
        String number = out(LENDER);
        String before = office.link(number, LENDER);
        assertThat(opened(before)).isEqualTo(200);
        assertThat(anybody.get("/api/v1/signing/" + before + "/documents/wording.pdf")
                        .status())
                .isEqualTo(200);
        assertThat(office.slat(number, "lender").get("seen").asBoolean()).isTrue();
        assertThat(act(number, "/people/lender/link").status()).isEqualTo(200);
        assertThat(opened(before)).isEqualTo(410);
        assertThat(office.sign(before, Map.of()).status()).isEqualTo(410);
        String after = newLink(number, LENDER, before);
        assertThat(office.mailTo(number, LENDER, "A new link")).isPresent();
        assertThat(office.sign(after, Map.of("lender_vat_number", "XX 4471")).status())
                .isEqualTo(200);
        assertThat(office.trail(number)).anyMatch(one -> one.contains("new link") && one.contains("Nora Quill"));
        // who has acted gets none, nor who isn't asked
        assertThat(act(number, "/people/lender/link").status()).isEqualTo(409);
        assertThat(act(number, "/people/nobody/link").status()).isEqualTo(409);
    }

    @Test
    void aMailThatWasOnItsWayBringsNoLinkThatLeadsAnywhere() {
        String number = out(LENDER);
        office.link(number, LENDER);
        assertThat(person(number, "lender", "Ida Marsh", NEW_LENDER, false).status())
                .isEqualTo(200);
        UUID id = bed.bean(JdbcClient.class)
                .sql("select id from agreement where number = ?")
                .param(number)
                .query(UUID.class)
                .single();
        // asked for by the invitation, before the address was corrected; made after it
        String late = bed.bean(ParticipantLinks.class).issue(id, new PartyKey("lender"), 3);
        String secret = late.substring(late.lastIndexOf('/') + 1);
        assertThat(opened(secret)).isEqualTo(410);
        assertThat(anybody.post("/api/v1/signing/" + secret + "/identity/code", Map.of())
                        .status())
                .isEqualTo(410);
        assertThat(anybody.put("/api/v1/signing/" + secret + "/begun", Map.of("values", Map.of()))
                        .status())
                .isEqualTo(410);
        assertThat(opened(office.link(number, NEW_LENDER))).isEqualTo(200);
    }

    @Test
    void whoIsCorrectedIsWhoWasLookedAt() {
        String number = out(LENDER);
        office.link(number, LENDER);
        assertThat(person(number, "lender", "Jon Reed", "jon.reed@lender.example.org", true)
                        .status())
                .isEqualTo(200);
        Client.Answer late = office.client.put(
                "/api/v1/agreements/" + number + "/people/lender",
                Map.of("name", "Ida Marsh", "mail", NEW_LENDER, "instead", LENDER));
        assertThat(late.status()).isEqualTo(409);
        assertThat(late.text()).contains("Jon Reed");
        assertThat(office.show(number).get("people").get(0).get("name").asString())
                .isEqualTo("Jon Reed");
        String people = "/api/v1/agreements/" + number + "/people/lender";
        assertThat(office.client
                        .put(people, Map.of("name", "", "mail", NEW_LENDER))
                        .status())
                .isEqualTo(409);
        assertThat(office.client.put(people, Map.of("mail", NEW_LENDER)).status())
                .isEqualTo(400);
    }

    @Test
    void whatWaitsForSomebodyIsPagedAndTheirs() {
        String number = out(LENDER);
        office.link(number, LENDER);
        JdbcClient sql = bed.bean(JdbcClient.class);
        sql.sql("insert into waited_for (agreement_id, party, mail, since)"
                        + " select id, 'p' || n, ?, now() from agreement, generate_series(1, 51) n where number = ?")
                .params(Testbed.MAIL, number)
                .update();
        try {
            JsonNode first = office.client.get("/api/v1/mine").json();
            assertThat(first.get("items")).hasSize(50);
            assertThat(first.get("total").asInt()).isGreaterThanOrEqualTo(51);
            assertThat(office.client.get("/api/v1/mine?page=1").json().get("items"))
                    .isNotEmpty();
        } finally {
            sql.sql("delete from waited_for where party ~ '^p[0-9]+$'").update();
        }
        // what the list says is looked at once more: it is the lender's, and not the office's
        assertThat(office.client
                        .post("/api/v1/mine/" + number + "/way-in", Map.of())
                        .status())
                .isEqualTo(409);
        assertThat(anybody.get("/api/v1/mine").status()).isEqualTo(401);
        assertThat(anybody.post("/api/v1/mine/" + number + "/way-in", Map.of()).status())
                .isIn(401, 403);
    }

    @Test
    void anotherPersonBeginsAnew() {
        String number = out(LENDER);
        String before = office.link(number, LENDER);
        String version = anybody.get("/api/v1/signing/" + before)
                .json()
                .get("consent")
                .get("version")
                .asString();
        anybody.post("/api/v1/signing/" + before + "/consent", Map.of("version", version));
        anybody.put("/api/v1/signing/" + before + "/begun", Map.of("values", Map.of("lender_vat_number", "hers")));
        assertThat(person(number, "lender", "Jon Reed", "not an address", true).status())
                .isEqualTo(409);
        assertThat(person(number, "lender", "Jon Reed", "jon.reed@lender.example.org", true)
                        .status())
                .isEqualTo(200);
        assertThat(opened(before)).isEqualTo(410);
        String link = office.link(number, "jon.reed@lender.example.org");
        JsonNode page = anybody.get("/api/v1/signing/" + link).json();
        assertThat(page.toString()).doesNotContain("hers");
        assertThat(anybody.post(
                                "/api/v1/signing/" + link + "/signature",
                                Map.of("values", Map.of("lender_vat_number", "x"), "mark", "drawn", "picture", ""))
                        .status())
                .isGreaterThanOrEqualTo(400);
        assertThat(office.sign(link, Map.of("lender_vat_number", "XX 4471")).status())
                .isEqualTo(200);
        office.sign(office.link(number, MUSEUM), Map.of());
        office.await(number, "COMPLETED");
        // each event is told with the name of who did it then
        assertThat(office.trail(number))
                .anyMatch(one -> one.contains("Ida Marsh") && one.contains("agreed to sign"))
                .anyMatch(one -> one.contains("Jon Reed") && one.contains("in the place of Ida Marsh"))
                .anyMatch(one -> one.contains("Jon Reed") && one.contains("signed ("));
        assertThat(person(number, "lender", "Late", "late@lender.example.org", true)
                        .status())
                .isEqualTo(409);
        assertThat(office.mailsAbout(number).stream()
                        .filter(one -> one.get("recipient").asString().equals(LENDER))
                        .map(one -> one.get("kind").asString()))
                .as("who isn't it any more is told, and gets no copy")
                .containsExactlyInAnyOrder("INVITATION", "SKIPPED");
        assertThat(office.mailTo(number, LENDER, "Not needed any more").orElseThrow())
                .contains("Dear Ida Marsh,");
    }

    @Test
    void moreTimeAndLess() {
        String number = out(LENDER);
        office.link(number, LENDER);
        String last =
                LocalDate.now(java.time.ZoneId.of("Europe/Paris")).plusDays(60).toString();
        Client.Answer longer = office.client.put("/api/v1/agreements/" + number + "/end", Map.of("lastDay", last));
        assertThat(longer.status()).as(longer.text()).isEqualTo(200);
        assertThat(longer.json().get("row").get("expiresAt").asString())
                .startsWith(LocalDate.parse(last).toString());
        Wait.until("the lender to be told", () -> office.mailTo(number, LENDER, "The time has changed"));
        assertThat(office.mailTo(number, MUSEUM, "The time has changed")).isEmpty();
        for (String wrong : List.of("2020-01-01", "", "soon", "2026-02-30", "+999999999-12-31", "9999-12-31"))
            assertThat(office.client
                            .put("/api/v1/agreements/" + number + "/end", Map.of("lastDay", wrong))
                            .status())
                    .as(wrong)
                    .isBetween(400, 422);
        Client.Answer reminders = office.client.put(
                "/api/v1/agreements/" + number + "/reminders",
                Map.of("gaps", List.of(2, 4), "thenEvery", 0, "warnDays", 3));
        assertThat(reminders.json().get("chasing").get("gaps").toString()).isEqualTo("[2,4]");
        assertThat(office.client
                        .put(
                                "/api/v1/agreements/" + number + "/reminders",
                                Map.of("gaps", List.of(0), "thenEvery", 0, "warnDays", 3))
                        .status())
                .isEqualTo(409);
    }

    @Test
    void aReminderNowGoesOnceHoweverOftenItIsPressed() throws Exception {
        String number = out(LENDER);
        office.link(number, LENDER);
        assertThat(act(number, "/people/lender/reminder").text()).contains("a moment ago");
        assertThat(act(number, "/people/museum/reminder").status()).isEqualTo(409);
        clock.ahead(Duration.ofMinutes(10));
        List<Callable<Integer>> presses = new ArrayList<>();
        for (int i = 0; i < 6; i++)
            presses.add(() -> act(number, "/people/lender/reminder").status());
        assertThat(Together.all(presses)).containsOnlyOnce(200).contains(409);
        Wait.until("the reminder", () -> office.mailTo(number, LENDER, "Still waiting"));
        assertThat(office.trail(number))
                .filteredOn(one -> one.contains("had Ida Marsh"))
                .hasSize(1);
    }

    @Test
    void anOptionalPartIsSkipped() {
        JsonNode template = office.bringIn(
                "Witnessed",
                new WordDraft()
                        .paragraph("{{lender_name}} lends. {{witness.signature}} {{lender.signature}}")
                        .bytes());
        ObjectNode content = (ObjectNode) template.get("content");
        for (JsonNode party : content.get("parties")) {
            boolean witness = party.get("key").asString().equals("witness");
            ((ObjectNode) party)
                    .put("optional", witness)
                    .put("stage", witness ? 1 : 2)
                    .set(
                            "who",
                            witness ? Office.fixed("Wim Rook", "wim@example.org") : Office.fixed("Ida Marsh", LENDER));
        }
        String number = office.send(
                office.generate(office.publish(office.settle(template, content)), Map.of("lender_name", "Ida Marsh")));
        String link = office.link(number, "wim@example.org");
        assertThat(act(number, "/people/lender/skipping").text()).contains("isn’t optional");
        assertThat(act(number, "/people/witness/skipping").status()).isEqualTo(200);
        assertThat(opened(link)).isEqualTo(410);
        assertThat(office.sign(link, Map.of()).status()).isEqualTo(410);
        Wait.until("the witness to be told", () -> office.mailTo(number, "wim@example.org", "Not needed any more"));
        assertThat(office.sign(office.link(number, LENDER), Map.of()).status()).isEqualTo(200);
        office.await(number, "COMPLETED");
        assertThat(act(number, "/people/witness/skipping").status()).isEqualTo(409);
    }

    @Test
    void mailsArePlainTextAndHtmlThatFetchNothing() {
        String number = out(LENDER);
        office.link(number, LENDER);
        String id = office.mailsAbout(number).get(0).get("id").asString();
        String raw = bed.rawMail(id);
        assertThat(raw)
                .contains("multipart/alternative", "Content-Type: text/plain", "Content-Type: text/html")
                .contains("Auto-Submitted: auto-generated")
                .contains("Message-ID: <" + id + "@museum.example.org>")
                .doesNotContain("List-Unsubscribe");
        assertThat(raw).doesNotContain("src=3D\"http", "<script", "url(");
    }

    /** Pressed by who had the part, heard after somebody else has got it. */
    @Test
    void whoHasThePartNoMoreIsNotHeardForWhoHasIt() throws Exception {
        JsonNode template = office.bringIn(
                "Approved",
                new WordDraft()
                        .paragraph("{{lender_name}} lends. {{lender.signature}}")
                        .bytes());
        ObjectNode content = (ObjectNode) template.get("content");
        ((ObjectNode) content.get("parties").get(0)).put("stage", 2).set("who", Office.fixed("Ida Marsh", LENDER));
        ObjectNode approver = ((tools.jackson.databind.node.ArrayNode) content.get("parties")).addObject();
        approver.setAll((ObjectNode) content.get("parties").get(0));
        approver.put("key", "head").put("label", "Head").put("duty", "APPROVES").put("stage", 1);
        approver.set("who", Office.fixed("Hugo Head", "hugo@museum.example.org"));
        String number = office.send(
                office.generate(office.publish(office.settle(template, content)), Map.of("lender_name", "Ida Marsh")));
        String link = office.link(number, "hugo@museum.example.org");
        try (java.sql.Connection held = bed.bean(javax.sql.DataSource.class).getConnection()) {
            held.setAutoCommit(false);
            try (var lock = held.prepareStatement("select id from agreement where number = ? for update")) {
                lock.setString(1, number);
                lock.executeQuery();
            }
            var replaced = java.util.concurrent.CompletableFuture.supplyAsync(
                    () -> person(number, "head", "Hanna Head", "hanna@museum.example.org", true));
            Thread.sleep(1500);
            var approved = java.util.concurrent.CompletableFuture.supplyAsync(
                    () -> anybody.post("/api/v1/signing/" + link + "/approval", Map.of()));
            Thread.sleep(1500);
            held.rollback();
            assertThat(replaced.get().status()).isEqualTo(200);
            assertThat(approved.get().status()).isEqualTo(410);
        }
        assertThat(office.trail(number)).noneMatch(one -> one.contains("approved"));
        assertThat(opened(office.link(number, "hanna@museum.example.org"))).isEqualTo(200);
    }
}
