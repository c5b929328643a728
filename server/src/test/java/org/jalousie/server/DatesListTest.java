package org.jalousie.server;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.LocalDate;
import java.time.ZoneId;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import org.jalousie.demo.Client;
import org.jalousie.server.testbed.DatesHand;
import org.jalousie.server.testbed.Office;
import org.jalousie.server.testbed.Testbed;
import org.junit.jupiter.api.Test;
import org.springframework.jdbc.core.simple.JdbcClient;
import tools.jackson.databind.JsonNode;

/** Which days of completed agreements are watched, and the list of them. */
class DatesListTest {
    private static final Testbed BED = Testbed.start();
    private static final Office OFFICE = new Office(BED.address());
    private static final LocalDate TODAY = LocalDate.now(ZoneId.of("Europe/Paris"));

    private final DatesHand dates = new DatesHand(OFFICE);

    @Test
    void whatWasCompletedBeforeAndAfterIsWatched() {
        String of = OFFICE.publish("Dates before and after", Office.loanWording());
        String before = dates.loan(of, TODAY.plusDays(40));
        assertThat(dates.watch(
                                of,
                                List.of(
                                        dates.date("Loan begins", "OTHER", "start_date", 0, 0),
                                        dates.date("Notice", "NOTICE", "start_date", -10, 0)))
                        .status())
                .isEqualTo(200);
        String after = dates.loan(of, TODAY.plusDays(60));
        String long_ = dates.loan(of, TODAY.minusDays(5));
        JsonNode page = dates.list("template=" + of);
        assertThat(page.get("items").valueStream().map(one -> one.get("day").asString()))
                .containsExactly(
                        TODAY.plusDays(30).toString(),
                        TODAY.plusDays(40).toString(),
                        TODAY.plusDays(50).toString(),
                        TODAY.plusDays(60).toString());
        JsonNode first = page.get("items").get(0);
        assertThat(first.get("number").asString()).isEqualTo(before);
        assertThat(first.get("what").asString()).isEqualTo("Notice");
        assertThat(first.get("left").asInt()).isEqualTo(30);
        assertThat(dates.of(after)).hasSize(2);
        assertThat(dates.of(long_)).allMatch(one -> one.get("state").asString().equals("PAST"));
        assertThat(dates.list("template=" + of + "&over=true").get("total").asInt())
                .isEqualTo(2);
        assertThat(dates.list("template=" + of + "&kind=NOTICE").get("total").asInt())
                .isEqualTo(2);
        assertThat(dates.list("template=" + of + "&from=" + TODAY.plusDays(40) + "&to=" + TODAY.plusDays(50))
                        .get("total")
                        .asInt())
                .isEqualTo(2);
        // another title, another day, one less: what is open follows
        JsonNode kept = dates.settings(of).get("dates").get(0);
        Map<String, Object> changed = dates.date("Begins", "OTHER", "start_date", 1, 0);
        changed.put("key", kept.get("key").asString());
        dates.watch(of, List.of(changed));
        assertThat(dates.list("template=" + of)
                        .get("items")
                        .valueStream()
                        .map(one -> one.get("day").asString() + one.get("what").asString()))
                .containsExactly(TODAY.plusDays(41) + "Begins", TODAY.plusDays(61) + "Begins");
        String table =
                OFFICE.client.get("/api/v1/archive/dates/table?template=" + of).text();
        assertThat(table.lines()).hasSize(3);
        assertThat(table).contains(after).contains("Begins");
    }

    @Test
    void whatCantBeWatchedIsSaidWhereItStands() {
        String template = OFFICE.publish("Dates refused", Office.loanWording());
        Map<String, Object> wrong = dates.date("", "END", "nothing", 0, 5000);
        wrong.put("warn", List.of(1, 2000));
        wrong.put("owner", false);
        Client.Answer answer = dates.watch(template, List.of(dates.date("Good", "END", "start_date", 0, 0), wrong));
        assertThat(answer.status()).isEqualTo(422);
        assertThat(answer.json().get("faults").propertyNames())
                .contains("dates.1.title", "dates.1.from", "dates.1.every", "dates.1.warn", "dates.1.mails")
                .doesNotContain("dates.0.title");
        int edition = dates.settings(template).get("edition").asInt();
        assertThat(OFFICE.client
                        .put(
                                "/api/v1/archive/templates/" + template + "/dates",
                                Map.of("dates", List.of(), "edition", edition + 1))
                        .status())
                .isEqualTo(409);
        assertThat(OFFICE.client
                        .get("/api/v1/archive/dates?to=%2B999999999-01-01")
                        .status())
                .isEqualTo(400);
        assertThat(OFFICE.client.get("/api/v1/archive/dates?owner=%00").status())
                .isEqualTo(400);
        assertThat(OFFICE.client.get("/api/v1/archive/dates?sort=what").status())
                .isEqualTo(400);
        assertThat(OFFICE.client.get("/api/v1/archive/dates?from=yesterday").status())
                .isEqualTo(400);
    }

    @Test
    void anAgreementWithoutTheDayIsTold() {
        String of = OFFICE.publish("Dates left empty", Office.loanWording());
        Map<String, Object> far = dates.date("Never", "END", "start_date", 9999, 0);
        far.put("unit", "YEARS");
        dates.watch(of, List.of(far, dates.date("Begins", "OTHER", "completed_on", 7, 0)));
        String number = dates.loan(of, TODAY.plusDays(20));
        assertThat(dates.of(number))
                .extracting(one -> one.get("day").asString())
                .containsExactly(TODAY.plusDays(7).toString());
        assertThat(OFFICE.client
                        .get("/api/v1/archive/" + number + "/dates")
                        .json()
                        .get("without")
                        .toString())
                .isEqualTo("[\"Never\"]");
    }

    @Test
    void aLongListIsWalkedBothWays() {
        String of = OFFICE.publish("Dates in a long list", Office.loanWording());
        dates.watch(of, List.of(dates.date("Ends", "END", "start_date", 0, 0)));
        String number = dates.loan(of, TODAY.plusDays(20));
        // as if it came again and again, two on each day
        BED.bean(JdbcClient.class)
                .sql(
                        "insert into key_date (id, agreement_id, template_id, number, title, template_name, request, owner,"
                                + " owner_name, date_key, term, every, what, kind, day, state)"
                                + " select gen_random_uuid(), agreement_id, template_id, number, title, template_name, request, owner,"
                                + " owner_name, date_key, n, every, 'Ends ' || n, kind, day + n / 2, state"
                                + " from key_date, generate_series(2, 110) n where number = ?")
                .param(number)
                .update();
        for (String sort : List.of("", "&sort=-day")) {
            List<String> there = new ArrayList<>();
            JsonNode page = dates.list("template=" + of + sort);
            assertThat(page.get("total").asInt()).isEqualTo(110);
            assertThat(page.get("previous").isNull()).isTrue();
            JsonNode last = page;
            for (; page != null; page = next(of, sort, page, "next", "after")) {
                page.get("items").forEach(one -> there.add(one.get("id").asString()));
                last = page;
            }
            assertThat(there).hasSize(110).doesNotHaveDuplicates();
            List<String> back = new ArrayList<>();
            for (page = last; page != null; page = next(of, sort, page, "previous", "before")) {
                List<String> these = new ArrayList<>();
                page.get("items").forEach(one -> these.add(one.get("id").asString()));
                back.addAll(0, these);
            }
            assertThat(back).isEqualTo(there);
        }
    }

    private JsonNode next(String of, String sort, JsonNode page, String key, String way) {
        return page.get(key).isNull()
                ? null
                : dates.list("template=" + of + sort + "&" + way + "="
                        + page.get(key).asString());
    }
}
