package org.jalousie.server.archive.retention;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.charset.StandardCharsets;
import java.time.LocalDate;
import java.util.Base64;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import org.jalousie.core.evidence.OfficeStatement;
import org.jalousie.core.evidence.TrustService;
import org.jalousie.core.filing.retention.Tombstone;
import org.jalousie.demo.Client;
import org.jalousie.server.testbed.DatesHand;
import org.jalousie.server.testbed.Office;
import org.jalousie.server.testbed.Testbed;
import org.jalousie.server.testbed.Wait;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import org.springframework.jdbc.core.simple.JdbcClient;
import tools.jackson.databind.JsonNode;

/** Agreements that have been kept long enough go whole, when somebody has confirmed it, and a tombstone stays. */
class RetentionTest {
    private static final Testbed BED = Testbed.start();
    private static final Office OFFICE = new Office(BED.address());
    private static final RetentionHand HAND = new RetentionHand(BED, OFFICE);
    private static final JdbcClient SQL = BED.bean(JdbcClient.class);

    private static String template;

    @BeforeAll
    static void aMonthForThoseThatCameToNothing() {
        template = OFFICE.publish("Kept loans", Office.loanWording());
        assertThat(HAND.keep(template, 120, 1).status()).isEqualTo(200);
    }

    private static Map<String, String> values(String lender, String objects) {
        Map<String, String> values = Office.loanValues(lender);
        values.put("objects_description", objects);
        return values;
    }

    private static String withdrawn(String lender) {
        return HAND.withdrawn(template, Office.loanValues(lender));
    }

    private static String over(String lender) {
        return HAND.over(template, lender);
    }

    @Test
    void anAgreementGoesWithAllThatAnybodyKeepsOfItAndATombstoneStays() throws Exception {
        HAND.root();
        String number = OFFICE.completed(template, values("Zephyrine Quandt", "a xanthorphica"));
        UUID id = SQL.sql("select id from agreement where number = ?")
                .param(number)
                .query(UUID.class)
                .single();
        OFFICE.client.put(
                "/api/v1/archive/templates/" + template + "/columns",
                Map.of("columns", List.of("lender_name"), "edition", 0));
        Wait.until("its column", () -> HAND.tablesWith("Zephyrine").containsKey("archive_value"));
        // others may refer to files of their own that are the same
        List<String> files = SQL.sql("select sha256 from file_reference where owner = :id"
                        + " and sha256 not in (select sha256 from file_reference where owner <> :id)")
                .param("id", id.toString())
                .query(String.class)
                .list();
        assertThat(files).isNotEmpty();
        assertThat(HAND.tablesWith("Zephyrine"))
                .containsKeys("agreement", "agreement_event", "intake_request", "agreement_text", "archive_value");
        HAND.ended(3700, List.of(number));
        assertThat(HAND.numbers("due?template=" + template)).contains(number);
        assertThat(OFFICE.client
                        .get("/api/v1/today")
                        .json()
                        .get("keptLongEnough")
                        .asInt())
                .isPositive();
        JsonNode due = HAND.list("due?template=" + template)
                .get("items")
                .valueStream()
                .filter(one -> one.get("number").asString().equals(number))
                .findFirst()
                .orElseThrow();
        assertThat(LocalDate.parse(due.get("until").asString()))
                .isEqualTo(LocalDate.parse(due.get("counted").asString()).plusMonths(120));

        HAND.go(number);

        assertThat(HAND.tablesWith("Zephyrine")).isEmpty();
        assertThat(HAND.tablesWith("xanthorphica")).isEmpty();
        // what is still called by its number says nothing of what was in it
        assertThat(HAND.tablesWith(number).keySet()).isSubsetOf("tombstone", "daily_root_leaf", "program_use");
        assertThat(HAND.tablesWith(id.toString()).keySet()).isSubsetOf("tombstone", "scheduled_tasks", "job_request");
        assertThat(SQL.sql("select count(*) from file_reference where sha256 in (:files) and source in"
                                + " ('agreement_event', 'intake_request', 'attached_file')")
                        .param("files", files)
                        .query(Long.class)
                        .single())
                .isZero();
        assertThat(SQL.sql("select coalesce(sum(many), 0) from archive_sum where template_id = cast(? as uuid)"
                                + " and state = 'COMPLETED' and summed = '' and grouped = '.ended'")
                        .param(template)
                        .query(Long.class)
                        .single())
                .isZero();

        Client.Answer asked = OFFICE.client.get("/api/v1/agreements/" + number);
        assertThat(asked.text()).contains("was destroyed at the end of its retention");
        JsonNode gone = HAND.list("destroyed/" + number);
        assertThat(gone.get("template").asString()).isEqualTo("Kept loans");
        assertThat(gone.get("state").asString()).isEqualTo("COMPLETED");
        assertThat(gone.get("by").asString()).isEqualTo("Nora Quill");
        assertThat(gone.get("readable").asBoolean()).isTrue();
        String said = OfficeStatement.read(
                        gone.get("seal").asString(),
                        java.time.Instant.now(),
                        BED.bean(TrustService.class).anchors())
                .orElseThrow();
        Tombstone stone = Tombstone.read(said);
        assertThat(stone.number()).isEqualTo(number);
        assertThat(stone.lastHash().hex()).isEqualTo(gone.get("lastHash").asString());
        // covered by the root before as what it was, and by the next as what stays
        assertThat(SQL.sql("select count(*) from daily_root_leaf where agreement = ? and hash = ?")
                        .params(number, stone.lastHash().hex())
                        .query(Long.class)
                        .single())
                .isEqualTo(1);
        HAND.root();
        assertThat(SQL.sql("select events from daily_root_leaf where agreement = ? and hash = ?")
                        .params(number, stone.hash().hex())
                        .query(Integer.class)
                        .single())
                .isEqualTo(stone.events() + 1);
        assertThat(HAND.findings()).noneMatch(one -> one.contains(number));
        String payload = gone.get("seal").asString().split("\\.")[1];
        assertThat(new String(Base64.getUrlDecoder().decode(payload), StandardCharsets.UTF_8))
                .isEqualTo(said);
    }

    @Test
    void whatIsConfirmedStaysForADayAndCanBeTakenBack() {
        String number = over("Ada Finch");
        assertThat(HAND.confirm(List.of(number), false).status()).isEqualTo(202);
        assertThat(HAND.numbers("destructions")).contains(number);
        assertThat(HAND.numbers("due?template=" + template)).doesNotContain(number);
        HAND.look(number);
        assertThat(HAND.confirm(List.of(number), false)
                        .json()
                        .get("faults")
                        .get(number)
                        .asString())
                .contains("confirmed already");
        String at = RetentionHand.RETENTION + "/destructions/" + number;
        assertThat(OFFICE.client.delete(at).status()).isEqualTo(204);
        assertThat(OFFICE.client.delete(at).status()).isEqualTo(409);
        assertThat(HAND.numbers("due?template=" + template)).contains(number);
        assertThat(HAND.of(number).get("going").isNull()).isTrue();
    }

    @Test
    void aHoldKeepsItAndTakesBackThatItGoes() {
        String number = over("Otto Reed");
        HAND.confirm(List.of(number), false);
        assertThat(HAND.hold(List.of(number), " ").status()).isEqualTo(422);
        assertThat(HAND.hold(List.of(number, "A-2001-0001"), "A claim").status())
                .isEqualTo(404);
        assertThat(HAND.of(number).get("holds").size()).isZero();
        assertThat(HAND.hold(List.of(number), "A claim of the lender’s heirs").status())
                .isEqualTo(200);
        assertThat(HAND.hold(List.of(number), "Asked for by the auditor").status())
                .isEqualTo(200);
        assertThat(HAND.numbers("destructions")).doesNotContain(number);
        assertThat(HAND.numbers("due?template=" + template)).doesNotContain(number);
        assertThat(HAND.numbers("holds")).contains(number);
        assertThat(HAND.confirm(List.of(number), false).text()).contains("A legal hold keeps");
        for (JsonNode hold : HAND.of(number).get("holds")) {
            assertThat(HAND.numbers("due?template=" + template)).doesNotContain(number);
            String at = RetentionHand.RETENTION + "/holds/" + hold.get("id").asString() + "/lifting";
            assertThat(OFFICE.client.post(at, Map.of("because", "settled")).status())
                    .isEqualTo(200);
            assertThat(OFFICE.client.post(at, Map.of("because", "settled")).status())
                    .isEqualTo(409);
        }
        assertThat(HAND.numbers("due?template=" + template)).contains(number);
        assertThat(HAND.of(number).get("holds").get(0).get("liftedBecause").asString())
                .isEqualTo("settled");
        HAND.go(number);
        assertThat(HAND.tablesWith("A claim of the lender")).isEmpty();
    }

    @Test
    void whatCantGoIsRefusedWithTheReasonAndNothingElseIsConfirmed() {
        String due = over("Ina Moor");
        String early = withdrawn("Ina Moor");
        String out = OFFICE.send(OFFICE.generate(template, Office.loanValues("Ina Moor")));
        String other = OFFICE.publish("Kept for ever", Office.loanWording());
        String kept = HAND.withdrawn(other, Office.loanValues("Ina Moor"));
        HAND.ended(4000, List.of(kept));
        Client.Answer answer = HAND.confirm(List.of(due, early, out, kept, "A-2001-0001"), false);
        assertThat(answer.status()).isEqualTo(422);
        JsonNode errors = answer.json().get("faults");
        assertThat(errors.propertyNames()).containsExactlyInAnyOrder(early, out, kept, "A-2001-0001");
        assertThat(errors.get(early).asString()).contains("has to be kept until");
        assertThat(errors.get(out).asString()).contains("hasn’t ended");
        assertThat(errors.get(kept).asString()).contains("for ever");
        assertThat(HAND.of(due).get("going").isNull()).isTrue();
        assertThat(HAND.confirm(List.of(), false).status()).isEqualTo(422);
    }

    @Test
    void itIsntGoneWhileItsTemplateOrADayWantsItLonger() {
        String own = OFFICE.publish("Kept longer", Office.loanWording());
        HAND.keep(own, 0, 1);
        String number = HAND.withdrawn(own, Office.loanValues("Uma Field"));
        HAND.ended(60, List.of(number));
        HAND.confirm(List.of(number), false);
        HAND.root();
        HAND.keep(own, 0, 12);
        HAND.graceIsOver(number);
        Wait.until(
                "why it waits",
                () -> !HAND.of(number).get("going").get("waitsFor").asString().isEmpty());
        assertThat(HAND.of(number).get("going").get("waitsFor").asString()).contains("kept longer");
        assertThat(HAND.isGone(number)).isFalse();
        HAND.keep(own, 0, 1);
        HAND.awaitGone(number);
    }

    @Test
    void aWatchedDayIsCountedFromWhenItIsLaterThanTheEnding() {
        String own = OFFICE.publish("Kept from its end", Office.loanWording());
        HAND.keep(own, 1, 0);
        DatesHand dates = new DatesHand(OFFICE);
        dates.watch(own, List.of(dates.date("The loan ends", "END", "start_date", 0, 0)));
        LocalDate day = LocalDate.now().plusMonths(6);
        String number = dates.loan(own, day);
        Wait.until("its day", () -> !dates.of(number).isEmpty());
        HAND.ended(90, List.of(number));
        assertThat(HAND.of(number).get("until").asString())
                .isEqualTo(day.plusMonths(1).toString());
        assertThat(HAND.numbers("due?template=" + own)).isEmpty();
        assertThat(HAND.numbers("due?template=" + own + "&by=" + day.plusMonths(1)))
                .isEmpty();
        assertThat(HAND.numbers(
                        "due?template=" + own + "&by=" + day.plusMonths(1).plusDays(1)))
                .containsExactly(number);
    }

    @Test
    void allThatAreDueGoTogetherIfTheyAreStillThoseThatWereSeen() {
        String own = OFFICE.publish("Kept by the dozen", Office.loanWording());
        HAND.keep(own, 0, 1);
        List<String> numbers = List.of(
                HAND.withdrawn(own, Office.loanValues("Eve Ash")), HAND.withdrawn(own, Office.loanValues("Eve Ash")));
        HAND.ended(60, numbers);
        Client.Answer others = OFFICE.client.post(
                RetentionHand.RETENTION + "/destructions", Map.of("template", own, "count", 3, "copies", false));
        assertThat(others.status()).isEqualTo(409);
        assertThat(others.text()).contains("2 agreements are due now");
        Client.Answer all = OFFICE.client.post(
                RetentionHand.RETENTION + "/destructions", Map.of("template", own, "count", 2, "copies", false));
        assertThat(all.json().get("count").asInt()).isEqualTo(2);
        assertThat(HAND.numbers("destructions")).containsAll(numbers);
    }

    @Test
    void howLongTheyAreKeptIsSettledOnceByWhoeverSawTheLast() {
        String at = "/api/v1/archive/templates/" + OFFICE.publish("Settled", Office.loanWording()) + "/retention";
        assertThat(OFFICE.client.get(at).json().get("rule").get("completed").asInt())
                .isZero();
        Map<String, Object> rule = Map.of("completed", 120, "inVain", 6, "yearEnd", true);
        assertThat(OFFICE.client.put(at, Map.of("rule", rule, "edition", 0)).status())
                .isEqualTo(200);
        assertThat(OFFICE.client.put(at, Map.of("rule", rule, "edition", 0)).status())
                .isEqualTo(409);
        Client.Answer wrong = OFFICE.client.put(
                at, Map.of("rule", Map.of("completed", 1201, "inVain", -1, "yearEnd", false), "edition", 1));
        assertThat(wrong.json().get("faults").propertyNames()).containsExactlyInAnyOrder("completed", "inVain");
        assertThat(OFFICE.client.put(at, Map.of("edition", 1)).status()).isEqualTo(400);
        assertThat(OFFICE.client.get(at).json().get("rule").get("yearEnd").asBoolean())
                .isTrue();
    }
}
