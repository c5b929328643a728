package org.jalousie.server;

import static org.assertj.core.api.Assertions.assertThat;

import jakarta.persistence.EntityManagerFactory;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import org.hibernate.SessionFactory;
import org.hibernate.stat.Statistics;
import org.jalousie.core.wording.write.WordDraft;
import org.jalousie.demo.Client;
import org.jalousie.server.testbed.Office;
import org.jalousie.server.testbed.Testbed;
import org.junit.jupiter.api.Test;
import tools.jackson.databind.JsonNode;

/** A list asks the database a fixed number of questions, however long it is. */
class ListsTest {
    private static final Testbed BED = Testbed.start();
    private static final List<String> LISTS = List.of(
            "/api/v1/templates",
            "/api/v1/clauses",
            "/api/v1/requests",
            "/api/v1/agreements",
            "/api/v1/agreements?find=lists",
            "/api/v1/archive",
            "/api/v1/postroom",
            "/api/v1/today");

    /** Whoever has signed in and asks for a list, the list itself and its length; Today has eleven of them. */
    private static final int MOST = 22;

    private final Office office = new Office(BED.address());

    @Test
    void aLongerListAsksNoMore() {
        some(0);
        Map<String, Long> few = asked();
        for (int i = 1; i < 6; i++) some(i);
        Map<String, Long> more = asked();
        for (String list : LISTS) {
            assertThat(more.get(list)).as(list).isLessThanOrEqualTo(MOST);
            // how many there are is asked for only when a page is full
            assertThat(more.get(list)).as(list + " with more rows").isLessThanOrEqualTo(few.get(list) + 2);
        }
    }

    private void some(int i) {
        String template = office.publish("Lists " + i, Office.loanWording());
        office.client.upload(
                "/api/v1/clauses?name=lists_" + i,
                "x.docx",
                new WordDraft().paragraph("A clause.").bytes());
        office.request(template, Office.loanValues("Lists " + i));
        office.completed(template, "Lists " + i);
        office.send(office.generate(template, Office.loanValues("Lists out " + i)));
    }

    private Map<String, Long> asked() {
        Statistics statistics = BED.bean(EntityManagerFactory.class)
                .unwrap(SessionFactory.class)
                .getStatistics();
        Map<String, Long> asked = new LinkedHashMap<>();
        for (String list : LISTS) {
            long least = Long.MAX_VALUE;
            // jobs ask too, so the least of several is the list's own
            for (int round = 0; round < 5; round++) {
                statistics.clear();
                assertThat(office.client.get(list).status()).isEqualTo(200);
                least = Math.min(least, statistics.getPrepareStatementCount());
            }
            asked.put(list, least);
        }
        return asked;
    }

    @Test
    void aListIsSortedOnlyByWhatItCanBeSortedBy() {
        office.generate(office.publish("Sorted b", Office.loanWording()), Office.loanValues("Ida"));
        office.generate(office.publish("Sorted a", Office.loanWording()), Office.loanValues("Ida"));
        JsonNode rows = office.client
                .get("/api/v1/agreements?find=sorted&sort=title")
                .json()
                .get("items");
        assertThat(rows).extracting(row -> row.get("template").asString()).containsExactly("Sorted a", "Sorted b");
        JsonNode down = office.client
                .get("/api/v1/agreements?find=sorted&sort=-title")
                .json()
                .get("items");
        assertThat(down).extracting(row -> row.get("template").asString()).containsExactly("Sorted b", "Sorted a");
        for (String list : new String[] {"agreements", "archive", "templates", "clauses", "requests", "postroom"}) {
            Client.Answer wrong = office.client.get("/api/v1/" + list + "?sort=id;drop");
            assertThat(wrong.status()).as(list).isEqualTo(400);
            assertThat(wrong.text()).contains("can be sorted by");
        }
    }
}
