package org.jalousie.server;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.LocalDate;
import java.time.ZoneId;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.concurrent.Callable;
import org.jalousie.server.testbed.DatesHand;
import org.jalousie.server.testbed.Office;
import org.jalousie.server.testbed.Testbed;
import org.jalousie.server.testbed.Together;
import org.junit.jupiter.api.Test;
import tools.jackson.databind.JsonNode;

/** Days of completed agreements that are watched: dealt with, moved, coming again, renewed. */
class DatesTest {
    private static final Testbed BED = Testbed.start();
    private static final Office OFFICE = new Office(BED.address());
    private static final LocalDate TODAY = LocalDate.now(ZoneId.of("Europe/Paris"));

    private final DatesHand dates = new DatesHand(OFFICE);

    @Test
    void aDayIsDealtWithOnceAndCanBeTakenBack() throws Exception {
        String of = OFFICE.publish("Dates dealt with", Office.loanWording());
        dates.watch(of, List.of(dates.date("Ends", "END", "start_date", 0, 0)));
        String number = dates.loan(of, TODAY.plusDays(20));
        JsonNode date = dates.of(number).get(0);
        Callable<Integer> settle = () -> dates.act(date, "settlement", Map.of("note", "Sent back", "again", true))
                .status();
        assertThat(Together.all(List.of(settle, settle, settle))).containsExactlyInAnyOrder(200, 409, 409);
        JsonNode settled = dates.of(number).get(0);
        assertThat(settled.get("state").asString()).isEqualTo("SETTLED");
        assertThat(settled.get("acts").get(0).get("by").asString()).isEqualTo("Nora Quill");
        assertThat(settled.get("acts").get(0).get("note").asString()).isEqualTo("Sent back");
        assertThat(dates.move(settled, TODAY.plusDays(2), "later").status()).isEqualTo(409);
        assertThat(dates.act(date, "reopening", Map.of("note", "")).status()).isEqualTo(200);
        assertThat(dates.move(date, TODAY.plusDays(90), " ").status()).isEqualTo(422);
        assertThat(dates.move(date, "2027-02-30", "no such day").status()).isEqualTo(400);
        assertThat(dates.move(date, "+999999-01-01", "in a far year").status()).isEqualTo(422);
        assertThat(dates.move(date, TODAY.plusDays(90), "Prolonged by letter").status())
                .isEqualTo(200);
        // who looked at it before doesn't undo that
        assertThat(dates.move(date, TODAY.plusDays(91), "Prolonged by letter").status())
                .isEqualTo(409);
        // a day that somebody said stays, whatever the template says now
        Map<String, Object> changed = dates.date("Loan ends", "END", "start_date", 3, 0);
        changed.put("key", dates.settings(of).get("dates").get(0).get("key").asString());
        dates.watch(of, List.of(changed));
        JsonNode moved = dates.of(number).get(0);
        assertThat(moved.get("day").asString()).isEqualTo(TODAY.plusDays(90).toString());
        assertThat(moved.get("what").asString()).isEqualTo("Loan ends");
        assertThat(moved.get("moved").asBoolean()).isTrue();
        assertThat(moved.get("acts")).hasSize(3);
        // nothing that somebody did about it is lost when it is watched no more
        dates.watch(of, List.of());
        JsonNode dropped = dates.of(number).get(0);
        assertThat(dropped.get("state").asString()).isEqualTo("SETTLED");
        assertThat(dropped.get("acts")).hasSize(4);
        assertThat(dropped.get("acts").get(0).get("act").asString()).isEqualTo("DROPPED");
    }

    @Test
    void aDayThatComesAgainIsTheNextOneThatIsNotOver() {
        String of = OFFICE.publish("Dates that come again", Office.loanWording());
        dates.watch(of, List.of(dates.date("Goes on", "RENEWAL", "start_date", 0, 1)));
        LocalDate start = TODAY.minusMonths(2).minusDays(1);
        String number = dates.loan(of, start);
        JsonNode date = dates.of(number).get(0);
        LocalDate first = start.plusMonths(3).isBefore(TODAY) ? start.plusMonths(4) : start.plusMonths(3);
        assertThat(date.get("day").asString()).isEqualTo(first.toString());
        dates.act(date, "settlement", Map.of("note", "", "again", true));
        List<JsonNode> both = dates.of(number);
        assertThat(both).extracting(one -> one.get("state").asString()).containsExactly("OPEN", "SETTLED");
        assertThat(both.get(0).get("day").asString())
                .isEqualTo(first.plusMonths(1).toString());
        // taken back, the next one goes; not when something was done about it
        dates.act(date, "reopening", Map.of("note", ""));
        assertThat(dates.of(number)).hasSize(1);
        dates.act(date, "settlement", Map.of("note", "", "again", true));
        dates.act(dates.of(number).get(0), "settlement", Map.of("note", "It ended", "again", false));
        assertThat(dates.of(number))
                .hasSize(2)
                .noneMatch(one -> one.get("state").asString().equals("OPEN"));
        assertThat(dates.act(date, "reopening", Map.of("note", "")).status()).isEqualTo(409);
    }

    @Test
    void aRenewalSettlesTheDaysOfWhatItRenews() {
        String of = OFFICE.publish("Dates renewed", Office.loanWording());
        dates.watch(
                of,
                List.of(
                        dates.date("Ends", "END", "start_date", 0, 0),
                        dates.date("Notice", "NOTICE", "start_date", -5, 0)));
        String old = dates.loan(of, TODAY.plusDays(20));
        JsonNode begins = OFFICE.client.get("/api/v1/archive/" + old + "/dates").json();
        assertThat(begins.get("goesBy").toString()).isEqualTo("[\"start_date\"]");
        Map<String, String> values = Office.loanValues("Ida Marsh");
        values.put("start_date", TODAY.plusDays(400).toString());
        Map<String, Object> form = new HashMap<>(Map.of("template", of, "values", values, "people", Map.of()));
        form.put("renews", "A-2020-0001");
        assertThat(OFFICE.client.post("/api/v1/requests", form).status()).isEqualTo(422);
        form.put("renews", old);
        String request = OFFICE.request(form);
        assertThat(dates.list("template=" + of)
                        .get("items")
                        .get(0)
                        .get("renewals")
                        .get(0)
                        .get("request")
                        .asString())
                .isEqualTo(request);
        String renewing = OFFICE.agreementOf(request);
        OFFICE.await(renewing, "CHECK");
        OFFICE.send(renewing);
        OFFICE.sign(OFFICE.link(renewing, "ida.marsh@lender.example.org"), Map.of("lender_vat_number", "XX 4471"));
        assertThat(dates.of(old)).allMatch(one -> one.get("state").asString().equals("OPEN"));
        OFFICE.sign(OFFICE.link(renewing, "tomas.vale@museum.example.org"), Map.of());
        OFFICE.await(renewing, "COMPLETED");
        assertThat(dates.of(old))
                .hasSize(2)
                .allMatch(one -> one.get("state").asString().equals("RENEWED")
                        && one.get("renewedBy").asString().equals(renewing));
        assertThat(OFFICE.client
                        .get("/api/v1/archive/" + old + "/dates")
                        .json()
                        .get("renewals")
                        .get(0)
                        .get("state")
                        .asString())
                .isEqualTo("COMPLETED");
        JsonNode now =
                OFFICE.client.get("/api/v1/archive/" + renewing + "/dates").json();
        assertThat(now.get("renews").asString()).isEqualTo(old);
        assertThat(now.get("dates")).hasSize(2);
    }

    @Test
    void whatWasOverIsWatchedOnceItComesAgainAndWhatWasRenewedIsNot() {
        String of = OFFICE.publish("Dates settled anew", Office.loanWording());
        String old = dates.loan(of, TODAY.minusDays(3));
        dates.watch(of, List.of(dates.date("Goes on", "RENEWAL", "start_date", 0, 0)));
        assertThat(dates.of(old).get(0).get("state").asString()).isEqualTo("PAST");
        Map<String, Object> again = dates.date("Goes on", "RENEWAL", "start_date", 0, 12);
        again.put("key", dates.settings(of).get("dates").get(0).get("key").asString());
        dates.watch(of, List.of(again));
        assertThat(dates.of(old))
                .extracting(one -> one.get("day").asString())
                .containsExactly(TODAY.minusDays(3).plusMonths(12).toString());
        Map<String, String> values = Office.loanValues("Ida Marsh");
        Map<String, Object> form = new HashMap<>(Map.of("template", of, "values", values, "people", Map.of()));
        form.put("renews", old);
        String renewing = OFFICE.agreementOf(OFFICE.request(form));
        OFFICE.await(renewing, "CHECK");
        OFFICE.send(renewing);
        OFFICE.sign(OFFICE.link(renewing, "ida.marsh@lender.example.org"), Map.of("lender_vat_number", "XX 4471"));
        OFFICE.sign(OFFICE.link(renewing, "tomas.vale@museum.example.org"), Map.of());
        OFFICE.await(renewing, "COMPLETED");
        dates.watch(of, List.of(dates.date("Ends", "END", "completed_on", 90, 0)));
        assertThat(dates.of(old))
                .hasSize(2)
                .allMatch(one -> one.get("renewedBy").asString("").equals(renewing));
        assertThat(dates.of(renewing).get(0).get("state").asString()).isEqualTo("OPEN");
    }
}
