package org.jalousie.server.archive.retention;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.concurrent.CompletableFuture;
import java.util.concurrent.TimeUnit;
import javax.sql.DataSource;
import org.jalousie.demo.Client;
import org.jalousie.server.testbed.ManyAgreements;
import org.jalousie.server.testbed.Office;
import org.jalousie.server.testbed.Registers;
import org.jalousie.server.testbed.Testbed;
import org.jalousie.server.testbed.Wait;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import org.springframework.jdbc.core.simple.JdbcClient;
import tools.jackson.databind.JsonNode;

/** Whatever happens while an agreement goes: it is there whole, or its tombstone is. */
class GoingTest {
    private static final Testbed BED = Testbed.start();
    private static final Office OFFICE = new Office(BED.address());
    private static final RetentionHand HAND = new RetentionHand(BED, OFFICE);
    private static final JdbcClient SQL = BED.bean(JdbcClient.class);

    private static String template;

    @BeforeAll
    static void aMonthForThoseThatCameToNothing() {
        template = OFFICE.publish("Going loans", Office.loanWording());
        HAND.keep(template, 1, 1);
    }

    private static String over(String lender) {
        return HAND.over(template, lender);
    }

    @ParameterizedTest
    @ValueSource(strings = {"waited_for", "mail", "intake_request", "agreement_event", "file_reference", "agreement"})
    void itBreaksOffAtAnyTableAndIsThereWholeAndGoesWithTheNextTry(String table) {
        String number = over("Ben Holt");
        HAND.confirm(List.of(number), false);
        HAND.root();
        String before = OFFICE.client.get("/api/v1/agreements/" + number).text();
        SQL.sql("create function refuse_now() returns trigger language plpgsql as"
                        + " $$ begin raise exception 'the power is gone'; end $$")
                .update();
        SQL.sql("create trigger refuse_now before delete on " + table
                        + " for each statement execute function refuse_now()")
                .update();
        try {
            HAND.graceIsOver(number);
            Wait.until(
                    "tried",
                    () -> SQL.sql("select (select count(*) from scheduled_tasks where task_name = 'destruction'"
                                            + " and consecutive_failures > 0 and task_instance = "
                                            + RetentionHand.idOf(number)
                                            + "::text) + (select count(*) from job_failure where task = 'destruction'"
                                            + " and instance = "
                                            + RetentionHand.idOf(number)
                                            + "::text)")
                                    .query(Integer.class)
                                    .single()
                            > 0);
            assertThat(OFFICE.client.get("/api/v1/agreements/" + number).text()).isEqualTo(before);
            assertThat(HAND.list("destroyed/" + number).get("status").asInt()).isEqualTo(404);
            assertThat(HAND.findings()).noneMatch(one -> one.contains(number));
        } finally {
            SQL.sql("drop trigger refuse_now on " + table).update();
            SQL.sql("drop function refuse_now").update();
        }
        // where the machine is slow it was given up meanwhile
        OFFICE.client.post("/api/v1/agreements/" + number + "/another-try", Map.of());
        HAND.awaitGone(number);
        assertThat(HAND.list("destroyed/" + number).get("readable").asBoolean()).isTrue();
    }

    @Test
    void whoTakesItBackJustWhenItGoesIsToldTheTruth() throws Exception {
        for (int round = 0; round < 3; round++) {
            String number = over("Ben Holt");
            HAND.confirm(List.of(number), false);
            HAND.root();
            CompletableFuture<Integer> back;
            try (var connection = BED.bean(DataSource.class).getConnection()) {
                connection.setAutoCommit(false);
                connection
                        .createStatement()
                        .execute("select 1 from agreement where number = '" + number + "' for update");
                HAND.graceIsOver(number);
                if (round > 0) Wait.until("the job waits", () -> waiting() > 0);
                back = CompletableFuture.supplyAsync(() -> OFFICE.client
                        .delete(RetentionHand.RETENTION + "/destructions/" + number)
                        .status());
                int all = round > 0 ? 2 : 1;
                Wait.until("both wait", () -> waiting() >= all);
                connection.commit();
            }
            int status = back.get(60, TimeUnit.SECONDS);
            if (status == 204) {
                HAND.look(number);
                Thread.sleep(500);
                assertThat(HAND.isGone(number)).isFalse();
                assertThat(HAND.of(number).get("going").isNull()).isTrue();
            } else {
                assertThat(status).isEqualTo(404);
                HAND.awaitGone(number);
            }
        }
    }

    private static int waiting() {
        return SQL.sql("select count(*) from pg_stat_activity where wait_event_type = 'Lock' and state = 'active'")
                .query(Integer.class)
                .single();
    }

    @Test
    void aRequestGoesWithTheLastOfItsAgreements() {
        String request = OFFICE.request(template, Office.loanValues("Perpetua Vance"));
        String first = OFFICE.agreementOf(request);
        OFFICE.await(first, "CHECK");
        OFFICE.client.post("/api/v1/agreements/" + first + "/withdrawal", Map.of("reason", "Another object."));
        String second = OFFICE.agreementOf(request);
        OFFICE.await(second, "CHECK");
        HAND.ended(60, List.of(first));
        HAND.go(first);
        assertThat(OFFICE.client.get("/api/v1/requests/" + request).status()).isEqualTo(200);
        assertThat(OFFICE.show(second).toString()).contains("Perpetua Vance");
        OFFICE.client.post("/api/v1/agreements/" + second + "/withdrawal", Map.of("reason", "Not at all."));
        HAND.ended(60, List.of(second));
        HAND.go(second);
        assertThat(OFFICE.client.get("/api/v1/requests/" + request).status()).isEqualTo(404);
        assertThat(HAND.tablesWith("Perpetua")).isEmpty();
    }

    @Test
    void aRequestIsStillThereWhenTheNewestOfItsAgreementsGoesFirst() {
        String request = OFFICE.request(template, Office.loanValues("Ben Holt"));
        String first = OFFICE.agreementOf(request);
        OFFICE.await(first, "CHECK");
        OFFICE.client.post("/api/v1/agreements/" + first + "/withdrawal", Map.of("reason", "Another object."));
        String second = OFFICE.agreementOf(request);
        OFFICE.await(second, "CHECK");
        OFFICE.client.post("/api/v1/agreements/" + second + "/withdrawal", Map.of("reason", "Not at all."));
        HAND.ended(60, List.of(second));
        HAND.go(second);
        Client.Answer kept = OFFICE.client.get("/api/v1/requests/" + request);
        assertThat(kept.status()).as(kept.text()).isEqualTo(200);
        assertThat(OFFICE.client.get("/api/v1/requests?template=" + template).status())
                .isEqualTo(200);
        HAND.ended(60, List.of(first));
        HAND.go(first);
        assertThat(OFFICE.client.get("/api/v1/requests/" + request).status()).isEqualTo(404);
    }

    @Test
    void whatRenewsAnAgreementThatIsGoneIsCompletedAllTheSame() {
        String old = OFFICE.completed(template, Office.loanValues("Ben Holt"));
        String renewing = OFFICE.send(OFFICE.generate(template, Office.loanValues("Ben Holt")));
        SQL.sql("update intake_request set renews = ? where number ="
                        + " (select request_number from agreement where number = ?)")
                .params(old, renewing)
                .update();
        HAND.ended(60, List.of(old));
        HAND.go(old);
        OFFICE.sign(OFFICE.link(renewing, "ida.marsh@lender.example.org"), Map.of("lender_vat_number", "XX 4471"));
        OFFICE.sign(OFFICE.link(renewing, "tomas.vale@museum.example.org"), Map.of());
        OFFICE.await(renewing, "COMPLETED");
        Client.Answer dates = OFFICE.client.get("/api/v1/archive/" + renewing + "/dates");
        assertThat(dates.status()).as(dates.text()).isEqualTo(200);
        assertThat(dates.json().get("renews").asString()).isEqualTo(old);
    }

    @Test
    void aRowOfATableGoesWithItsAgreementAndTheTableWithTheLastRow() {
        Registers registers = new Registers(OFFICE.client);
        List<String> lines = new ArrayList<>();
        Map<String, String> values = Office.loanValues("");
        List<String> names = List.copyOf(values.keySet());
        for (String lender : List.of("Quillon Asher", "Rosamund Teale")) {
            Map<String, String> own = Office.loanValues(lender);
            lines.add(String.join(
                    ";",
                    names.stream()
                            .map(name -> "\"" + own.get(name).replace("\"", "\"\"") + "\"")
                            .toList()));
        }
        JsonNode table = registers.ready(Registers.expect(
                        201,
                        OFFICE.client.upload(
                                "/api/v1/runs?template=" + template,
                                "rows.csv",
                                (String.join(";", names) + "\n" + String.join("\n", lines) + "\n").getBytes()))
                .get("id")
                .asString());
        JsonNode done = registers.carryOut(table);
        List<String> made = registers
                .rows(done, "page=0")
                .valueStream()
                .map(row -> row.get("made").get("agreement").asString())
                .toList();
        assertThat(made).hasSize(2).doesNotContain("");
        for (String number : made) {
            OFFICE.await(number, "CHECK");
            OFFICE.client.post("/api/v1/agreements/" + number + "/withdrawal", Map.of("reason", "All of them."));
        }
        HAND.ended(60, made);
        assertThat(HAND.tablesWith("Quillon")).containsKey("brought_row");
        HAND.go(made.get(0));
        assertThat(HAND.tablesWith("Quillon")).isEmpty();
        assertThat(HAND.tablesWith("Rosamund")).containsKey("brought_row");
        String at = "/api/v1/tables/" + table.get("id").asString();
        assertThat(OFFICE.client.get(at).status()).isEqualTo(200);
        assertThat(OFFICE.client.get(at + "/report").text())
                .contains("Rosamund Teale")
                .contains(made.get(0));
        HAND.go(made.get(1));
        assertThat(OFFICE.client.get(at).status()).isEqualTo(404);
        assertThat(HAND.tablesWith("Rosamund")).isEmpty();
    }

    @Test
    void aLongListIsWalkedBothWays() {
        String number = HAND.withdrawn(template, Office.loanValues("Ben Holt"));
        String own = OFFICE.publish("Going in numbers", Office.loanWording());
        HAND.keep(own, 1, 1);
        ManyAgreements many = new ManyAgreements(SQL);
        String of = HAND.withdrawn(own, Office.loanValues("Ben Holt"));
        try {
            many.copy(of, "GOING-", 120, 3);
            // all of one moment, so that only the key tells them apart
            SQL.sql("update agreement set since = now() - interval '90 days' where number like 'GOING-%'")
                    .update();
            SQL.sql("delete from key_date where number like 'GOING-%'").update();
            int due = HAND.list("due?template=" + own).get("total").asInt();
            assertThat(due).isGreaterThan(100);
            List<String> there = new ArrayList<>();
            List<String> back = new ArrayList<>();
            String previous = walk("due?template=" + own, "after", "next", there);
            assertThat(there).hasSize(due).doesNotHaveDuplicates();
            while (!previous.isEmpty()) {
                JsonNode page = HAND.list("due?template=" + own + "&before=" + previous);
                List<String> some = new ArrayList<>();
                page.get("items").forEach(one -> some.add(one.get("number").asString()));
                back.addAll(0, some);
                previous = page.get("previous").isNull()
                        ? ""
                        : page.get("previous").asString();
            }
            assertThat(there).startsWith(back.toArray(String[]::new));
            assertThat(there).doesNotContain(number);
        } finally {
            many.forget("GOING-");
        }
    }

    /** @return the key of the page before the last */
    private static String walk(String list, String way, String link, List<String> all) {
        String next = "";
        while (true) {
            JsonNode page = HAND.list(list + (next.isEmpty() ? "" : "&" + way + "=" + next));
            page.get("items").forEach(one -> all.add(one.get("number").asString()));
            if (page.get(link).isNull()) return page.get("previous").asString();
            next = page.get(link).asString();
        }
    }
}
