package org.jalousie.server.archive.dates;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.LocalDate;
import java.time.ZoneId;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import java.util.concurrent.CompletableFuture;
import java.util.concurrent.TimeUnit;
import org.jalousie.server.testbed.DatesHand;
import org.jalousie.server.testbed.Office;
import org.jalousie.server.testbed.Testbed;
import org.jalousie.server.testbed.Wait;
import org.junit.jupiter.api.Test;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.transaction.support.TransactionTemplate;
import tools.jackson.databind.JsonNode;

/** What becomes of a watched day while its request's owner or its template changes. */
class DateCareTest {
    private static final Testbed BED = Testbed.start();
    private static final Office OFFICE = new Office(BED.address());
    private static final LocalDate TODAY = LocalDate.now(ZoneId.of("Europe/Paris"));

    private final DatesHand dates = new DatesHand(OFFICE);
    private final JdbcClient sql = BED.bean(JdbcClient.class);

    @Test
    void whoTakesCareFromNowOnIsKnownToDaysThatAreWorkedOutAtTheSameMoment() throws Exception {
        String of = OFFICE.publish("Dates handed over", Office.loanWording());
        String number = dates.loan(of, TODAY.plusDays(30));
        dates.watch(of, List.of(dates.date("Begins", "OTHER", "start_date", 0, 0)));
        UUID id = sql.sql("select id from agreement where number = ?")
                .param(number)
                .query(UUID.class)
                .single();
        assertThat(sql.sql("delete from key_date where agreement_id = ?")
                        .param(id)
                        .update())
                .isEqualTo(1);
        String request = OFFICE.show(number).get("row").get("request").asString();
        CompletableFuture<Void> working = BED.bean(TransactionTemplate.class).execute(status -> {
            sql.sql(
                            "update intake_request set owner_mail = 'new@museum.example.org', owner_name = 'New One' where number = ?")
                    .param(request)
                    .update();
            CompletableFuture<Void> begun = CompletableFuture.runAsync(
                    () -> BED.bean(WatchedDates.class).again(id));
            // it waits for what is being changed
            Wait.until(
                    "the work to wait",
                    () -> sql.sql(
                                            "select count(*) from pg_stat_activity where datname = current_database() and wait_event_type = 'Lock'")
                                    .query(Integer.class)
                                    .single()
                            > 0);
            return begun;
        });
        working.get(30, TimeUnit.SECONDS);
        assertThat(sql.sql("select owner from key_date where agreement_id = ?")
                        .param(id)
                        .query(String.class)
                        .list())
                .containsExactly("new@museum.example.org");
    }

    @Test
    void whatIsOpenStaysOpenWhenItsTemplatePutsItIntoThePast() {
        String of = OFFICE.publish("Dates put back", Office.loanWording());
        String number = dates.loan(of, TODAY.plusDays(20));
        dates.watch(of, List.of(dates.date("Begins", "OTHER", "start_date", 0, 0)));
        JsonNode kept = dates.settings(of).get("dates").get(0);
        Map<String, Object> earlier = dates.date("Begins", "OTHER", "start_date", -40, 0);
        earlier.put("key", kept.get("key").asString());
        assertThat(dates.watch(of, List.of(earlier)).status()).isEqualTo(200);
        List<JsonNode> found = dates.of(number);
        assertThat(found).hasSize(1);
        assertThat(found.get(0).get("day").asString())
                .isEqualTo(TODAY.minusDays(20).toString());
        assertThat(found.get(0).get("state").asString()).isEqualTo("OPEN");
    }
}
