package org.jalousie.server;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import org.jalousie.demo.Client;
import org.jalousie.server.testbed.ManyAgreements;
import org.jalousie.server.testbed.Office;
import org.jalousie.server.testbed.Testbed;
import org.junit.jupiter.api.AfterAll;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.springframework.jdbc.core.simple.JdbcClient;
import tools.jackson.databind.JsonNode;

/** Lists that are walked from page to page: each row once, in order, there and back, whichever way they are found. */
class LongListsTest {
    private static final Testbed BED = Testbed.start();
    private static final JdbcClient SQL = BED.bean(JdbcClient.class);
    private static final ManyAgreements MANY = new ManyAgreements(SQL);
    private static final String PREFIX = "ZEBU-";
    /** More than are collected, so that the index of the order is walked for most of them. */
    private static final int COUNT = 8_710;

    private static Office office;

    private final List<String> numbers = new ArrayList<>();

    @BeforeAll
    static void fill() {
        office = new Office(BED.address());
        String one = office.generate(office.publish("Long lists", Office.loanWording()), Office.loanValues("Ida"));
        MANY.copy(one, PREFIX, COUNT, 20);
    }

    @AfterAll
    static void empty() {
        MANY.forget(PREFIX);
    }

    private static List<String> fitting(String condition, String order) {
        return SQL.sql("select a.number from agreement a join agreement_text t on t.agreement_id = a.id where "
                        + condition + " order by " + order)
                .query(String.class)
                .list();
    }

    private static List<String> numbers(JsonNode page) {
        return page.get("items")
                .valueStream()
                .map(item -> item.get("number").asString())
                .toList();
    }

    private static JsonNode get(String query) {
        Client.Answer answer = office.client.get("/api/v1/agreements?" + query);
        assertThat(answer.status()).as(answer.text()).isEqualTo(200);
        return answer.json();
    }

    /** From a page on, to its end. @return the last */
    private JsonNode walk(String query, String way, JsonNode from) {
        JsonNode page = from;
        String on = way.equals("after") ? "next" : "previous";
        while (!page.get(on).isNull()) {
            page = get(query + "&" + way + "=" + page.get(on).asString());
            List<String> found = new ArrayList<>(numbers(page));
            if (way.equals("before")) Collections.reverse(found);
            numbers.addAll(found);
        }
        return page;
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "find=zebu middle3&sort=number | a.number like 'ZEBU-%' and t.words ~ 'middle3$' | a.number, a.id",
                "find=zebu middle&sort=-title | a.number like 'ZEBU-%' | a.title desc, a.id desc",
                "find=zebu middle&sort=template | a.number like 'ZEBU-%' | a.template_name, a.id",
                "state=OUT&find=zebu middle&sort=since | a.number like 'ZEBU-%' and a.state = 'OUT' | a.since, a.id",
                "state=COMPLETED&state=DECLINED&find=zebu&sort=changed | a.number like 'ZEBU-%' and a.state <> 'OUT' | a.changed_at, a.id",
                "find=ancient | a.number like 'ZEBU-%' and t.words ~ 'ancient' | a.changed_at desc, a.id desc",
                "state=DECLINED&find=whereas&sort=number | a.state = 'DECLINED' and t.words ~ 'whereas' | a.number, a.id",
                "state=DECLINED&sort=-number | a.state = 'DECLINED' | a.number desc, a.id desc",
            })
    void isWalkedThereAndBack(String query, String condition, String order) {
        String asked = query.replace(" ", "%20");
        List<String> all = fitting(condition, order);
        assertThat(all).hasSizeGreaterThan(50);
        JsonNode first = get(asked);
        numbers.addAll(numbers(first));
        JsonNode last = walk(asked, "after", first);
        assertThat(numbers).isEqualTo(all);
        assertThat(first.get("total").asInt()).isEqualTo(Math.min(all.size(), 1000));
        assertThat(first.get("more").asBoolean()).isEqualTo(all.size() > 1000);
        assertThat(last.get("page").asInt()).isEqualTo((all.size() - 1) / 50);
        numbers.clear();
        List<String> end = new ArrayList<>(numbers(last));
        Collections.reverse(end);
        numbers.addAll(end);
        JsonNode begin = walk(asked, "before", last);
        Collections.reverse(numbers);
        assertThat(numbers).isEqualTo(all);
        assertThat(begin.get("page").asInt()).isZero();
        assertThat(numbers(begin)).isEqualTo(numbers(first));
    }

    @Test
    void whatComesMeanwhileMovesNothing() {
        String query = "find=zebu%20middle4&sort=number";
        JsonNode first = get(query);
        List<String> all = fitting("t.words ~ 'middle4$'", "a.number, a.id");
        SQL.sql("update agreement set number = 'KONG-000000' where number = ?")
                .param(all.get(70))
                .update();
        try {
            assertThat(numbers(get(query + "&after=" + first.get("next").asString())))
                    .isEqualTo(all.stream()
                            .skip(50)
                            .filter(one -> !one.equals(all.get(70)))
                            .limit(50)
                            .toList());
            // pages by their number are there too, for whoever asked by them before
            assertThat(numbers(get(query + "&page=1"))).contains(all.get(49));
            // also of words that many have
            assertThat(numbers(get("find=zebu%20middle&sort=title&page=2")))
                    .isEqualTo(fitting("t.words ~ 'whereas'", "a.title, a.id").subList(100, 150));
            assertThat(numbers(get("find=zebu%20middle&sort=title&page=100")))
                    .isEqualTo(fitting("t.words ~ 'whereas'", "a.title, a.id").subList(5000, 5050));
        } finally {
            SQL.sql("update agreement set number = ? where number = 'KONG-000000'")
                    .param(all.get(70))
                    .update();
        }
    }

    @Test
    void fewAndNoneAreFound() {
        assertThat(get("find=rare77x").get("total").asInt()).isEqualTo(5);
        JsonNode none = get("find=rare77x%20nothing");
        assertThat(none.get("items")).isEmpty();
        assertThat(none.get("total").asInt()).isZero();
        assertThat(none.get("next").isNull()).isTrue();
        assertThat(get("find=ZEBU-000123").get("items")).hasSize(1);
        assertThat(get("page=100000").get("items")).isEmpty();
    }

    @Test
    void aKeyThatIsNoneIsRefused() {
        for (String query : List.of("after=nonsense", "before=%00", "after=MSAyIDM", "sort=words", "page=-1"))
            assertThat(office.client.get("/api/v1/agreements?" + query).status())
                    .as(query)
                    .isEqualTo(400);
        // one of another order would lead to a wrong place without a word
        String byTitle = get("sort=title").get("next").asString();
        for (String sort : List.of("number", "template", "-since", ""))
            assertThat(office.client
                            .get("/api/v1/agreements?sort=" + sort + "&after=" + byTitle)
                            .status())
                    .as(sort)
                    .isEqualTo(400);
        assertThat(office.client
                        .get("/api/v1/agreements?sort=-title&after=" + byTitle)
                        .status())
                .isEqualTo(200);
        String strange = java.util.Base64.getUrlEncoder()
                .encodeToString("1 00000000-0000-0000-0000-000000000000 changed no time".getBytes());
        assertThat(office.client.get("/api/v1/agreements?after=" + strange).status())
                .isEqualTo(400);
    }
}
