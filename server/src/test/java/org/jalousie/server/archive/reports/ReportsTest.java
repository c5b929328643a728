package org.jalousie.server.archive.reports;

import static org.assertj.core.api.Assertions.assertThat;

import java.sql.Timestamp;
import java.time.Instant;
import java.time.temporal.ChronoUnit;
import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.Map;
import org.jalousie.demo.Client;
import org.jalousie.server.testbed.ManyAgreements;
import org.jalousie.server.testbed.Office;
import org.jalousie.server.testbed.Testbed;
import org.jalousie.server.testbed.Wait;
import org.junit.jupiter.api.Test;
import org.springframework.jdbc.core.simple.JdbcClient;
import tools.jackson.databind.JsonNode;

/** Where the time goes, what is out, what came to nothing and why, what is asked for. */
class ReportsTest {
    private static final Testbed BED = Testbed.start();
    private static final Office OFFICE = new Office(BED.address());
    private static final JdbcClient SQL = BED.bean(JdbcClient.class);
    private static final long DAY = 24 * 60 * 60 * 1000;

    private static Client.Answer ask(String path) {
        return OFFICE.client.get("/api/v1/archive/reports/" + path);
    }

    private static JsonNode get(String path) {
        Client.Answer answer = ask(path);
        assertThat(answer.status()).as(answer.text()).isEqualTo(200);
        return answer.json();
    }

    private static List<String> each(JsonNode rows, String name) {
        return rows.valueStream().map(one -> one.get(name).asString()).toList();
    }

    private static String loan(String template) {
        return OFFICE.completed(template, Office.loanValues("Ida Marsh"));
    }

    private static String out(String template) {
        return OFFICE.send(OFFICE.generate(template, Office.loanValues("Ida Marsh")));
    }

    private static void set(String statement, Object... values) {
        assertThat(SQL.sql(statement).params(values).update()).isPositive();
    }

    private static JsonNode whole(String query) {
        return get("times?" + query)
                .valueStream()
                .filter(one -> one.get("phase").asString().equals("WHOLE"))
                .findFirst()
                .orElseThrow();
    }

    @Test
    void completedAgreementsAreMeasuredByTemplateAndByEachPart() {
        String of = OFFICE.publish("Reported times", Office.loanWording());
        List<String> three = List.of(loan(of), loan(of), loan(of));
        JsonNode rows = get("times?template=" + of);
        assertThat(each(rows, "phase")).containsExactly("ASKED", "PREPARED", "OUT", "ACTED", "ACTED", "FILED", "WHOLE");
        assertThat(rows.valueStream().map(one -> one.get("many").asInt())).containsOnly(3);
        assertThat(each(rows, "label")).contains("Lender", "Museum");
        assertThat(rows.valueStream().map(one -> one.get("longest").asDouble()))
                .allMatch(days -> days >= 0 && days < 1);
        // by hand: of 1, 2 and 4 days the middle is 2; nine tenths of the way from the first to the third lie at 2.8,
        // so 3.6
        for (int i = 0; i < 3; i++)
            set(
                    "update time_spent set spent = ? from agreement a where a.id = agreement_id and a.number = ? and phase = 'WHOLE'",
                    List.of(4 * DAY, DAY, 2 * DAY).get(i),
                    three.get(i));
        JsonNode whole = whole("template=" + of);
        assertThat(whole.get("median").asDouble()).isEqualTo(2);
        assertThat(whole.get("ninth").asDouble()).isEqualTo(3.6);
        assertThat(whole.get("longest").asDouble()).isEqualTo(4);
        // late in the evening of a day in UTC it is the next one where the office is
        set(
                "update time_spent set ended_at = '2027-03-30T22:30:00Z' from agreement a where a.id = agreement_id and a.number = ?",
                three.get(0));
        assertThat(whole("template=" + of + "&from=2027-03-31&to=2027-03-31")
                        .get("many")
                        .asInt())
                .isEqualTo(1);
        assertThat(get("times?template=" + of + "&to=2027-03-30&from=2027-03-30"))
                .isEmpty();
        assertThat(each(get("times"), "templateId").stream().filter(of::equals)).hasSize(4);
        String table = ask("TIMES/table?template=" + of).text();
        assertThat(table.lines()).hasSize(8);
        assertThat(table)
                .contains("Reported times,From request to filing,,3,2,3.6,4")
                .contains(",Lender,Lender,3,");
    }

    @Test
    void whatEndedBeforeIsTakenOverAndOneThatCantBeReadHoldsUpNoOther() {
        String of = OFFICE.publish("Reported later", Office.loanWording());
        String number = loan(of);
        ManyAgreements many = new ManyAgreements(SQL);
        many.copy(number, "VOID-", 300, 3);
        try {
            for (String table : List.of("time_spent", "ended_agreement"))
                set(
                        "delete from " + table
                                + " where agreement_id in (select id from agreement where template_id = ?::uuid)",
                        of);
            BED.bean(ReportWork.class).look();
            Wait.until(
                    "the one that can be read",
                    () -> !get("times?template=" + of).isEmpty());
            assertThat(each(get("endings?template=" + of), "completed")).containsExactly("1");
        } finally {
            many.forget("VOID-");
        }
    }

    @Test
    void whatCameToNothingIsListedWithItsReason() {
        String of = OFFICE.publish("Reported in vain", Office.loanWording());
        String declined = out(of);
        String token = OFFICE.link(declined, "ida.marsh@lender.example.org");
        assertThat(OFFICE.client
                        .post("/api/v1/signing/" + token + "/refusal", Map.of("reason", "=1+1 is too dear"))
                        .status())
                .isLessThan(300);
        String withdrawn = out(of);
        OFFICE.link(withdrawn, "ida.marsh@lender.example.org");
        OFFICE.client.post("/api/v1/agreements/" + withdrawn + "/withdrawal", Map.of("reason", "The wrong viola"));
        loan(of);
        JsonNode counts = get("endings?template=" + of).get(0);
        assertThat(List.of("completed", "declined", "withdrawn", "expired").stream()
                        .map(how -> counts.get(how).asInt()))
                .containsExactly(1, 1, 1, 0);
        JsonNode page = get("in-vain?template=" + of);
        assertThat(each(page.get("items"), "number")).containsExactly(withdrawn, declined);
        JsonNode item = page.get("items").get(1);
        assertThat(item.get("how").asString()).isEqualTo("DECLINED");
        assertThat(item.get("part").asString()).isEqualTo("Lender");
        assertThat(item.get("by").asString()).isEqualTo("Ida Marsh");
        assertThat(item.get("reason").asString()).isEqualTo("=1+1 is too dear");
        assertThat(page.get("items").get(0).get("part").asString()).isEqualTo("Lender");
        assertThat(each(get("in-vain?sort=at&template=" + of).get("items"), "number"))
                .containsExactly(declined, withdrawn);
        // a spreadsheet works nothing out
        assertThat(ask("ENDINGS/table?template=" + of).text())
                .contains("'=1+1 is too dear")
                .doesNotContain(",=1");
    }

    @Test
    void aLongListOfThemIsWalkedThereAndBack() {
        String of = OFFICE.publish("Reported at length", Office.loanWording());
        ManyAgreements many = new ManyAgreements(SQL);
        many.copy(loan(of), "VAIN-", 120, 3);
        many.reports("VAIN-");
        try {
            set("update ended_agreement set how = 'DECLINED' where number like 'VAIN-%'");
            // many at one moment
            set("update ended_agreement set ended_at = '2027-01-01T10:00:00Z' where number like 'VAIN-0000%'");
            List<String> all = new ArrayList<>();
            JsonNode page = get("in-vain?template=" + of);
            int whole = page.get("total").asInt();
            all.addAll(each(page.get("items"), "number"));
            while (!page.get("next").isNull()) {
                page = get(
                        "in-vain?template=" + of + "&after=" + page.get("next").asString());
                all.addAll(each(page.get("items"), "number"));
            }
            assertThat(all).hasSize(whole).doesNotHaveDuplicates().hasSizeGreaterThan(110);
            List<String> back = new ArrayList<>(each(page.get("items"), "number"));
            Collections.reverse(back);
            while (!page.get("previous").isNull()) {
                page = get("in-vain?template=" + of + "&before="
                        + page.get("previous").asString());
                List<String> some = new ArrayList<>(each(page.get("items"), "number"));
                Collections.reverse(some);
                back.addAll(some);
            }
            Collections.reverse(back);
            assertThat(back).isEqualTo(all);
            assertThat(page.get("page").asInt()).isZero();
            assertThat(ask("ENDINGS/table?template=" + of).text().lines()).hasSize(whole + 1);
        } finally {
            many.forget("VAIN-");
        }
    }

    @Test
    void whatIsOutIsCountedByHowLong() {
        String of = OFFICE.publish("Reported out", Office.loanWording());
        assertThat(get("out?template=" + of)).isEmpty();
        String fresh = out(of);
        String old = out(of);
        for (String number : List.of(fresh, old)) OFFICE.link(number, "ida.marsh@lender.example.org");
        Timestamp then = Timestamp.from(Instant.now().minus(10, ChronoUnit.DAYS));
        set("update agreement set since = ? where number = ?", then, old);
        JsonNode rows = get("out?template=" + of);
        assertThat(each(rows, "label")).containsExactly("", "Lender");
        JsonNode all = rows.get(0);
        assertThat(List.of("many", "upToWeek", "upToFortnight", "upToMonth", "longer").stream()
                        .map(name -> all.get(name).asInt()))
                .containsExactly(2, 1, 1, 0, 0);
        assertThat(all.get("median").asDouble()).isBetween(4.99, 5.01);
        assertThat(all.get("longest").asDouble()).isBetween(9.99, 10.01);
        OFFICE.sign(OFFICE.link(fresh, "ida.marsh@lender.example.org"), Map.of("lender_vat_number", "NL 1"));
        Wait.until("the museum's turn", () -> get("out?template=" + of).size() == 3);
        assertThat(each(get("out?template=" + of), "label")).containsExactly("", "Lender", "Museum");
        assertThat(each(get("out"), "templateId").stream().filter(of::equals)).hasSize(1);
        assertThat(ask("OUT/table?template=" + of).text().lines()).hasSize(4);
    }

    @Test
    void requestsAreCountedByFormAndMonth() {
        String of = OFFICE.publish("Reported requests", Office.loanWording());
        List<String> all = new ArrayList<>();
        for (int i = 0; i < 3; i++) all.add(OFFICE.request(of, Office.loanValues("Ida Marsh")));
        for (String request : all) OFFICE.agreementOf(request);
        set("update intake_request set created_at = '2026-01-31T23:30:00Z' where number = ?", all.get(0));
        set(
                "update intake_request set created_at = '2026-04-10T10:00:00Z' where number in (?, ?)",
                all.get(1),
                all.get(2));
        JsonNode report = get("requests?template=" + of);
        assertThat(report.get("months").valueStream().map(JsonNode::asString))
                .containsExactly("2026-02", "2026-03", "2026-04");
        JsonNode row = report.get("rows").get(0);
        assertThat(row.get("months").valueStream().map(JsonNode::asInt)).containsExactly(1, 0, 2);
        assertThat(List.of("total", "waiting", "going", "done", "inVain").stream()
                        .map(name -> row.get(name).asInt()))
                .containsExactly(3, 0, 3, 0, 0);
        assertThat(get("requests?template=" + of + "&from=2026-02-01&to=2026-02-28")
                        .get("months"))
                .hasSize(1);
        assertThat(ask("REQUESTS/table?template=" + of).text())
                .startsWith("\uFEFFTemplate,Shared form,2026-02,2026-03,2026-04,All")
                .contains("Reported requests,,1,0,2,3,0,3,0,0");
        set("update intake_request set created_at = '1986-04-10T10:00:00Z' where number = ?", all.get(0));
        assertThat(ask("requests?template=" + of).status()).isEqualTo(400);
        assertThat(ask("requests?template=" + of).text()).contains("20 years");
    }

    @Test
    void everyReportIsDrawnWhateverTemplatesAreCalled() {
        String of = OFFICE.publish("<script>alert(1)</script> & co", Office.loanWording());
        loan(of);
        out(of);
        for (String report : List.of("TIMES", "OUT", "ENDINGS", "REQUESTS"))
            for (String template : List.of("", "?template=" + of)) {
                Client.Answer answer = ask(report + "/picture" + template);
                assertThat(answer.status()).as(report).isEqualTo(200);
                assertThat(answer.text())
                        .startsWith("<svg")
                        .doesNotContain("<script")
                        .contains("class=\"bar");
            }
        assertThat(ask("TIMES/picture?template=" + of).text()).contains("<title>Minutes until completed</title>");
        set("update time_spent set spent = ? where template_id = ?::uuid and phase = 'WHOLE'", 36 * DAY / 24, of);
        assertThat(ask("TIMES/picture?template=" + of).text())
                .contains("<title>Hours until completed</title>")
                .contains("From request to filing: 36 · 36");
        for (String report : List.of("TIMES", "OUT", "ENDINGS", "REQUESTS"))
            assertThat(ask(report + "/table?format=XLSX&template=" + of).status())
                    .isEqualTo(200);
        // nothing to draw is a drawing too
        assertThat(ask("TIMES/picture?to=1999-01-01").text()).startsWith("<svg").doesNotContain("<g>");
    }

    @Test
    void whatCantBeAskedIsRefused() {
        for (String path : List.of(
                "times?from=yesterday",
                "times?template=nothing",
                "endings?to=%2B10000-01-01",
                "in-vain?sort=reason",
                "in-vain?after=nothing",
                "in-vain?page=-1",
                "NOTHING/table",
                "TIMES/table?format=PDF"))
            assertThat(ask(path).status()).as(path).isEqualTo(400);
        assertThat(get("times?template=00000000-0000-0000-0000-000000000000")).isEmpty();
    }
}
