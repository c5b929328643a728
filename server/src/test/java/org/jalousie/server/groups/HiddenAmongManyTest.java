package org.jalousie.server.groups;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import java.util.stream.Collectors;
import org.jalousie.core.access.Role;
import org.jalousie.demo.Client;
import org.jalousie.server.testbed.ManyAgreements;
import org.jalousie.server.testbed.Office;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.springframework.jdbc.core.simple.JdbcClient;
import tools.jackson.databind.JsonNode;

/** Lists of somebody who doesn't see nearly all of what there is: what they see is found among it, all of it and nothing else. */
class HiddenAmongManyTest {
    private static final String PREFIX = "HIDDEN-";
    private static final String SEEN_PREFIX = "SEEN-";
    /** More than are tried and looked at first. */
    private static final int COUNT = 4_000;

    private final GroupHand hand = new GroupHand();
    private final String mark = GroupHand.mark();
    private final JdbcClient sql = hand.bed.bean(JdbcClient.class);
    private final ManyAgreements many = new ManyAgreements(sql);
    private Client person;
    private String hidden;
    private String seen;

    @BeforeEach
    void fill() {
        person = hand.person("hid." + mark, Role.COORDINATOR);
        String open = hand.office.publish(mark + " open", Office.loanWording());
        seen = hand.office.generate(open, Office.loanValues("Ida Marsh"));
        hidden = hand.office.publish(mark + " hidden", Office.loanWording());
        many.copy(hand.office.generate(hidden, Office.loanValues("Ida Marsh")), PREFIX, COUNT, 5);
        hand.put(
                hidden,
                hand.make(mark, GroupHand.circle(List.of()), GroupHand.circle(List.of()), GroupHand.circle(List.of())));
    }

    @AfterEach
    void asItWas() {
        hand.end();
        many.forget(PREFIX);
        many.forget(SEEN_PREFIX);
    }

    private List<String> walked(String list) {
        List<String> walked = new ArrayList<>();
        JsonNode page = person.get(list).json();
        while (true) {
            page.get("items").forEach(item -> walked.add(item.get("number").asString()));
            if (page.get("next").isNull()) return walked;
            page = person.get(list + "&after=" + page.get("next").asString()).json();
        }
    }

    @Test
    void whatIsSeenIsFoundAmongWhatIsNot() {
        for (List<String> states : List.of(
                List.<String>of(), List.of("GENERATING", "CHECK"), List.of("CHECK"), List.of("COMPLETED", "OUT"))) {
            List<String> expected = sql.sql("select number from agreement where template_id <> :hidden"
                            + (states.isEmpty() ? "" : " and state in (:states)") + " order by number")
                    .params(Map.of("hidden", UUID.fromString(hidden), "states", states))
                    .query(String.class)
                    .list();
            for (String sort : List.of("number", "-number")) {
                List<String> ordered = new ArrayList<>(expected);
                if (sort.startsWith("-")) Collections.reverse(ordered);
                String list = "/api/v1/agreements?sort=" + sort
                        + states.stream().map(one -> "&state=" + one).collect(Collectors.joining());
                assertThat(walked(list)).as(list).isEqualTo(ordered);
                assertThat(person.get(list).json().get("total").asInt()).isEqualTo(Math.min(ordered.size(), 1000));
            }
        }
    }

    @Test
    void wordsThatOnlyHiddenOnesHaveFindNothing() {
        for (String find : List.of("ancient", "middle3", "w1", PREFIX + "000123", mark + "%20hidden"))
            assertThat(walked("/api/v1/agreements?sort=number&find=" + find))
                    .as(find)
                    .isEmpty();
        assertThat(walked("/api/v1/agreements?sort=number&find=" + mark)).containsExactly(seen);
        assertThat(person.get("/api/v1/archive/groups?by=.template").text()).doesNotContain(hidden);
    }

    @Test
    void theArchiveOfAHiddenTemplateIsEmpty() {
        for (String list : List.of(
                "/api/v1/archive?sort=number", "/api/v1/archive?find=whereas", "/api/v1/archive/dates?over=true"))
            assertThat(walked(list + "&template=" + hidden)).as(list).isEmpty();
        assertThat(person.get("/api/v1/archive/groups?template=" + hidden)
                        .json()
                        .get("groups"))
                .isEmpty();
    }

    @Test
    void watchedDaysAreFoundAmongHiddenOnes() {
        many.copy(seen, SEEN_PREFIX, 300, 5);
        String every = " from key_date where template_id <> :hidden and ";
        Map<String, String> asked = Map.of(
                "over=false",
                "open",
                "over=true",
                "not open",
                "kind=NOTICE",
                "open and kind = 'NOTICE'",
                "owner=owner3@museum.example.org",
                "open and owner = 'owner3@museum.example.org'",
                "from=" + LocalDate.now().plusDays(40),
                "open and day >= current_date + 40",
                "to=" + LocalDate.now().plusDays(40),
                "open and day <= current_date + 40");
        asked.forEach((query, condition) -> {
            List<String> expected = sql.sql("select number" + every + condition + " order by day, id")
                    .params(Map.of("hidden", UUID.fromString(hidden)))
                    .query(String.class)
                    .list();
            if (query.equals("over=true")) Collections.reverse(expected);
            String list = "/api/v1/archive/dates?" + query;
            assertThat(walked(list)).as(list).isEqualTo(expected).hasSizeGreaterThan(5);
            assertThat(person.get(list).json().get("total").asInt()).isEqualTo(expected.size());
        });
    }
}
