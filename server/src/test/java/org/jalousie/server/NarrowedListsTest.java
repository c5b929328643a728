package org.jalousie.server;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.Map;
import org.jalousie.server.testbed.ManyAgreements;
import org.jalousie.server.testbed.Office;
import org.jalousie.server.testbed.Testbed;
import org.junit.jupiter.api.AfterAll;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.springframework.jdbc.core.simple.JdbcClient;
import tools.jackson.databind.JsonNode;

/** The archive narrowed by several things at once: all that fulfil each, whichever of them finds the others. */
class NarrowedListsTest {
    private static final Testbed BED = Testbed.start();
    private static final JdbcClient SQL = BED.bean(JdbcClient.class);
    private static final ManyAgreements MANY = new ManyAgreements(SQL);
    private static final String PREFIX = "NARROW-";
    /** Enough that half of them are more than are collected by one condition. */
    private static final int COUNT = 12_000;

    private static Office office;
    private static String template;

    @BeforeAll
    static void fill() {
        office = new Office(BED.address());
        template = office.publish("Narrowed lists", Office.loanWording());
        office.client.put(
                "/api/v1/archive/templates/" + template + "/columns",
                Map.of("columns", List.of("objects_description", "abroad", "start_date", "insured_value")));
        MANY.copy(office.generate(template, Office.loanValues("Ida")), PREFIX, COUNT, 10);
    }

    @AfterAll
    static void empty() {
        MANY.forget(PREFIX);
    }

    private static final String AMOUNT =
            "(select number from archive_value where agreement_id = a.id and name = 'insured_value')";
    private static final String ABROAD =
            "(select text from archive_value where agreement_id = a.id and name = 'abroad')";
    private static final String DAY =
            "(select text from archive_value where agreement_id = a.id and name = 'start_date')";

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                // few of a month, many of an amount
                "where=insured_value:from:50000&where=start_date:is:2020-03 | AMOUNT >= 50000 and DAY like '2020-03-%'",
                // many of both
                "where=insured_value:from:20000&where=abroad:is:no | AMOUNT >= 20000 and ABROAD = 'no'",
                // few of a value, and a word that all have
                "where=abroad:is:yes&find=whereas | ABROAD = 'yes'",
                // many of an amount, and a word that few have
                "where=insured_value:from:20000&find=middle3 | AMOUNT >= 20000 and t.words ~ 'middle3$'",
                "where=insured_value:from:20000&where=abroad:is:yes&find=ancient | AMOUNT >= 20000 and ABROAD = 'yes' and t.words ~ 'ancient'",
                "where=start_date:is:2020-03&find=nowhere | false",
                // a word that all have, that most but the newest have, that few have
                "find=whereas | true",
                "find=ancient | t.words ~ 'ancient'",
                "find=middle3 | t.words ~ 'middle3$'",
                // three at once: few of a month, many of a value, many of an amount
                "where=start_date:is:2020-03&where=abroad:is:yes&where=insured_value:from:20000 | DAY like '2020-03-%' and ABROAD = 'yes' and AMOUNT >= 20000",
                "where=start_date:is:2019-05&where=abroad:is:yes | false",
            })
    void allThatFulfilEverythingAreListedInOrder(String query, String condition) {
        List<String> all = SQL.sql("select a.number from agreement a join agreement_text t on t.agreement_id = a.id"
                        + " where a.template_id = cast(? as uuid) and a.state = 'COMPLETED' and "
                        + condition
                                .replace("AMOUNT", AMOUNT)
                                .replace("ABROAD", ABROAD)
                                .replace("DAY", DAY)
                        + " order by a.number")
                .param(template)
                .query(String.class)
                .list();
        assertThat(all.size() > 50 || condition.equals("false")).isTrue();
        for (String sort : List.of("number", "-number")) {
            List<String> walked = new ArrayList<>();
            String list = "/api/v1/archive?template=" + template + "&sort=" + sort + "&" + query;
            JsonNode page = office.client.get(list).json();
            assertThat(page.get("total").asInt()).as(page.toString()).isEqualTo(Math.min(all.size(), 1000));
            assertThat(page.get("more").asBoolean()).isEqualTo(all.size() > 1000);
            while (true) {
                page.get("items").forEach(item -> walked.add(item.get("number").asString()));
                if (page.get("next").isNull()) break;
                page = office.client
                        .get(list + "&after=" + page.get("next").asString())
                        .json();
            }
            List<String> expected = new ArrayList<>(all);
            if (sort.startsWith("-")) Collections.reverse(expected);
            assertThat(walked).isEqualTo(expected);
        }
    }
}
