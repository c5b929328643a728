package org.jalousie.server.archive.dates;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.Duration;
import java.time.LocalDate;
import java.time.ZoneId;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.jalousie.core.access.Role;
import org.jalousie.server.testbed.Office;
import org.jalousie.server.testbed.OfficePeople;
import org.jalousie.server.testbed.TestClock;
import org.jalousie.server.testbed.Testbed;
import org.jalousie.server.testbed.Wait;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.springframework.jdbc.core.simple.JdbcClient;
import tools.jackson.databind.JsonNode;

/** Who is told of days that come near: once for each warning, all of a day in one mail, to whoever takes care. */
class DateWarningsTest {
    private static final Testbed BED = Testbed.start();
    private static final Office OFFICE = new Office(BED.address());
    private static final LocalDate TODAY = LocalDate.now(ZoneId.of("Europe/Paris"));

    private final DateWarnings warnings = BED.bean(DateWarnings.class);
    private final TestClock clock = BED.bean(TestClock.class);

    @BeforeEach
    void opens() {
        OFFICE.worksDayAndNight();
        // nobody looks but the test
        BED.bean(JdbcClient.class)
                .sql(
                        "update scheduled_tasks set execution_time = now() + interval '10 years' where task_name = 'date-warnings'")
                .update();
    }

    @AfterEach
    void today() {
        clock.ahead(Duration.ZERO);
        OFFICE.worksDayAndNight();
    }

    private static String watched(String name, boolean owner, List<String> mails, List<Integer> warn) {
        return watched(name, Map.of("warn", warn, "owner", owner, "mails", mails));
    }

    /** @param told who is told how long before */
    private static String watched(String name, Map<String, Object> told) {
        String template = OFFICE.publish(name, Office.loanWording());
        Map<String, Object> date = new HashMap<>(Map.of(
                "key", "", "title", name + " ends", "kind", "END", "from", "start_date", "shift", 0, "unit", "DAYS"));
        date.put("every", 0);
        date.putAll(told);
        assertThat(OFFICE.client
                        .put(
                                "/api/v1/archive/templates/" + template + "/dates",
                                Map.of("dates", List.of(date), "edition", 0))
                        .status())
                .isEqualTo(200);
        return template;
    }

    private static String loan(String template, LocalDate start) {
        Map<String, String> values = Office.loanValues("Ida Marsh");
        values.put("start_date", start.toString());
        return OFFICE.completed(template, values);
    }

    private static List<JsonNode> mails(String recipient) {
        return OFFICE.mails(mail -> mail.get("kind").asString().equals("DATES")
                && mail.get("recipient").asString().equals(recipient));
    }

    /** The text of the newest of so many mails. */
    private static String told(String recipient, int many) {
        return Wait.until(
                "mail " + many + " to " + recipient,
                () -> Optional.of(mails(recipient))
                        .filter(all -> all.size() >= many
                                && all.get(0).get("state").asString().equals("SENT"))
                        .map(all -> OFFICE.client
                                .get("/api/v1/postroom/" + all.get(0).get("id").asString())
                                .json()
                                .get("text")
                                .asString()));
    }

    /** Waits for a mail that tells of something: others of the run's tests may be told of to the same address. */
    private static String toldOf(String recipient, String what) {
        return Wait.until(
                "a mail to " + recipient + " of " + what,
                () -> mails(recipient).stream()
                        .filter(mail -> mail.get("state").asString().equals("SENT"))
                        .map(mail -> OFFICE.client
                                .get("/api/v1/postroom/" + mail.get("id").asString())
                                .json()
                                .get("text")
                                .asString())
                        .filter(text -> text.contains(what))
                        .findFirst());
    }

    @Test
    void allThatIsDueIsToldInOneMailAndEachWarningOnce() {
        String group = "loans@museum.example.org";
        String template = watched("Warned", false, List.of(group), List.of(60, 30, 7));
        String one = loan(template, TODAY.plusDays(20));
        String other = loan(template, TODAY.plusDays(29));
        String later = loan(template, TODAY.plusDays(61));
        warnings.round();
        warnings.round();
        String text = told(group, 1);
        assertThat(mails(group)).hasSize(1);
        assertThat(mails(group).get(0).get("subject").asString()).isEqualTo("2 dates come near");
        assertThat(text)
                .contains("in 20 days: Warned ends")
                .contains(one)
                .contains("in 29 days")
                .contains(other)
                .contains("/archive/dates")
                .doesNotContain(later);
        clock.ahead(Duration.ofDays(14));
        warnings.round();
        // the one that is a week off, and the one whose first warning is due; of the third nothing is due
        assertThat(told(group, 2)).contains("in 6 days").contains("in 47 days").doesNotContain(other);
    }

    @Test
    void whoTakesCareIsToldAndWhereNobodyDoesTheOffice() {
        String template = watched("Owned", true, List.of(), List.of(30));
        String number = loan(template, TODAY.plusDays(12));
        warnings.round();
        assertThat(toldOf("office@museum.example.org", number)).contains("in 12 days");
        String request = OFFICE.show(number).get("row").get("request").asString();
        String second = loan(template, TODAY.plusDays(13));
        String asked = OFFICE.show(second).get("row").get("request").asString();
        for (String each : List.of(request, asked))
            OFFICE.client.put("/api/v1/requests/" + each + "/owner", Map.of("mail", Testbed.MAIL));
        warnings.round();
        assertThat(toldOf(Testbed.MAIL, second)).contains("in 13 days").doesNotContain(number);
        assertThat(OFFICE.client
                        .get("/api/v1/archive/dates?template=" + template + "&owner=" + Testbed.MAIL)
                        .json()
                        .get("total")
                        .asInt())
                .isEqualTo(2);
    }

    @Test
    void everybodyOfATeamIsToldAndOfOneThatIsGoneTheOffice() {
        String here = "told.here@museum.example.org";
        String closed = "told.closed@museum.example.org";
        OfficePeople.there(BED, here, "Told Here", Role.READER);
        OfficePeople.there(BED, closed, "Told Closed", Role.READER);
        JsonNode people = OFFICE.client.get("/api/v1/people?find=told.").json().get("items");
        JsonNode team = OFFICE.client
                .post(
                        "/api/v1/teams",
                        Map.of(
                                "name",
                                "Told of dates",
                                "people",
                                people.valueStream()
                                        .map(one -> one.get("id").asString())
                                        .toList()))
                .json()
                .valueStream()
                .filter(one -> one.get("name").asString().equals("Told of dates"))
                .findFirst()
                .orElseThrow();
        BED.bean(JdbcClient.class)
                .sql("update account set closed_at = now() where mail = ?")
                .param(closed)
                .update();
        String id = team.get("id").asString();
        String template = watched(
                "Teamed", Map.of("warn", List.of(30), "owner", false, "mails", List.of(), "teams", List.of(id)));
        String number = loan(template, TODAY.plusDays(8));
        warnings.round();
        assertThat(toldOf(here, number)).contains("in 8 days: Teamed ends");
        assertThat(mails(closed)).isEmpty();
        OFFICE.client.delete("/api/v1/teams/" + id);
        String later = loan(template, TODAY.plusDays(9));
        warnings.round();
        assertThat(toldOf("office@museum.example.org", later)).contains("in 9 days: Teamed ends");
    }

    @Test
    void whatWasDealtWithBeforeTheMailWentIsNotTold() {
        String template = watched("Settled", false, List.of("settled@museum.example.org"), List.of(30));
        String number = loan(template, TODAY.plusDays(5));
        BED.mailDown();
        try {
            warnings.round();
            OFFICE.mailWaits();
            String id = OFFICE.client
                    .get("/api/v1/archive/" + number + "/dates")
                    .json()
                    .get("dates")
                    .get(0)
                    .get("id")
                    .asString();
            OFFICE.client.post("/api/v1/archive/dates/" + id + "/settlement", Map.of("note", "", "again", false));
        } finally {
            BED.mailUp();
        }
        Wait.until(
                "the mail to be let be",
                () -> mails("settled@museum.example.org")
                        .get(0)
                        .get("state")
                        .asString()
                        .equals("NOT_NEEDED"));
    }

    @Test
    void nobodyIsToldOutsideTheOfficesHoursAndWhatFallsIntoThemBefore() {
        LocalDate day = TODAY.plusDays(3);
        // it works today, and on no day until then
        OFFICE.works(List.of(TODAY.minusDays(1).getDayOfWeek().name()));
        String template = watched("Hours", false, List.of("hours@museum.example.org"), List.of(1));
        loan(template, day);
        warnings.round();
        assertThat(mails("hours@museum.example.org")).isEmpty();
        OFFICE.works(List.of(TODAY.getDayOfWeek().name()));
        warnings.round();
        assertThat(told("hours@museum.example.org", 1)).contains("in 3 days");
    }
}
