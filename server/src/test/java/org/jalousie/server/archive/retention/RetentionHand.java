package org.jalousie.server.archive.retention;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.HashMap;
import java.util.List;
import java.util.Map;
import org.jalousie.demo.Client;
import org.jalousie.server.testbed.Office;
import org.jalousie.server.testbed.Testbed;
import org.jalousie.server.testbed.Wait;
import org.springframework.jdbc.core.simple.JdbcClient;
import tools.jackson.databind.JsonNode;

/** Retention as the office's hand works it, in tests that don't wait for years. */
final class RetentionHand {
    static final String RETENTION = "/api/v1/archive/retention";

    private final Office office;
    private final JdbcClient sql;

    RetentionHand(Testbed bed, Office office) {
        this(bed.bean(JdbcClient.class), office);
    }

    /** At an office whose database is another one. */
    RetentionHand(JdbcClient sql, Office office) {
        this.office = office;
        this.sql = sql;
    }

    Client.Answer keep(String template, int completed, int inVain) {
        String at = "/api/v1/archive/templates/" + template + "/retention";
        int edition = office.client.get(at).json().get("edition").asInt();
        return office.client.put(
                at,
                Map.of("rule", Map.of("completed", completed, "inVain", inVain, "yearEnd", false), "edition", edition));
    }

    /** One that came to nothing. */
    String withdrawn(String template, Map<String, String> values) {
        String number = office.generate(template, values);
        office.await(number, "CHECK");
        office.client.post("/api/v1/agreements/" + number + "/withdrawal", Map.of("reason", "Another one"));
        office.await(number, "WITHDRAWN");
        return number;
    }

    /** An agreement's id, in SQL. */
    static String idOf(String number) {
        return "(select id from agreement where number = '" + number + "')";
    }

    /** One that came to nothing, two months ago. */
    String over(String template, String lender) {
        String number = withdrawn(template, Office.loanValues(lender));
        ended(60, List.of(number));
        return number;
    }

    /** What the check against the roots finds. */
    List<String> findings() {
        return office.client
                .post("/api/v1/daily-roots/check", Map.of())
                .json()
                .get("said")
                .valueStream()
                .map(JsonNode::asString)
                .toList();
    }

    /** As if they had ended so long ago. */
    void ended(int days, List<String> numbers) {
        sql.sql("update agreement set since = since - make_interval(days => :days) where number in (:numbers)")
                .param("days", days)
                .param("numbers", numbers)
                .update();
    }

    Client.Answer confirm(List<String> numbers, boolean copies) {
        return office.client.post(RETENTION + "/destructions", Map.of("numbers", numbers, "copies", copies));
    }

    Client.Answer hold(List<String> numbers, String reason) {
        return office.client.post(RETENTION + "/holds", Map.of("numbers", numbers, "reason", reason));
    }

    /** The day in which it can be taken back is over. */
    void graceIsOver(String number) {
        sql.sql("update destruction set goes_at = now() - interval '1 second' where agreement_id ="
                        + " (select id from agreement where number = ?)")
                .param(number)
                .update();
        look(number);
    }

    /** Its job looks now, whatever it waits for. */
    void look(String number) {
        sql.sql("update scheduled_tasks set execution_time = now() where task_name = 'destruction' and not picked"
                        + " and task_instance = (select id::text from agreement where number = ?)")
                .param(number)
                .update();
    }

    /** All that is there is covered by a root and, when it is complete, under an archive time stamp. */
    void root() {
        Client.Answer answer = office.client.post("/api/v1/daily-roots", Map.of());
        assertThat(answer.status()).as(answer.text()).isEqualTo(201);
        Client.Answer stamps = office.client.post("/api/v1/archive/stamps/rounds", Map.of());
        assertThat(stamps.status()).as(stamps.text()).isEqualTo(200);
    }

    boolean isGone(String number) {
        return office.client.get("/api/v1/agreements/" + number).status() == 410;
    }

    void awaitGone(String number) {
        Wait.until(number + " gone", () -> {
            look(number);
            return isGone(number);
        });
    }

    /** Confirmed, the day over, and gone. */
    void go(String number) {
        Client.Answer confirmed = confirm(List.of(number), false);
        assertThat(confirmed.status()).as(confirmed.text()).isEqualTo(202);
        root();
        graceIsOver(number);
        awaitGone(number);
    }

    JsonNode list(String which) {
        return office.client.get(RETENTION + "/" + which).json();
    }

    List<String> numbers(String which) {
        return list(which)
                .get("items")
                .valueStream()
                .map(one -> one.get("number").asString())
                .toList();
    }

    JsonNode of(String number) {
        return office.client.get("/api/v1/archive/" + number + "/retention").json();
    }

    /** The tables in which a word stands, with the column. */
    Map<String, Long> tablesWith(String word) {
        Map<String, Long> found = new HashMap<>();
        sql.sql(
                        "select table_name from information_schema.tables where table_schema = 'public' and table_type = 'BASE TABLE'")
                .query(String.class)
                .list()
                .forEach(table -> {
                    long count = sql.sql("select count(*) from " + table + " t where t::text ilike ?")
                            .param("%" + word + "%")
                            .query(Long.class)
                            .single();
                    if (count > 0) found.put(table, count);
                });
        return found;
    }
}
