package org.jalousie.bench;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import org.jalousie.core.access.Role;
import org.jalousie.demo.Client;
import org.jalousie.server.testbed.ManyAgreements;
import org.jalousie.server.testbed.Office;
import org.jalousie.server.testbed.OfficePeople;
import org.jalousie.server.testbed.Testbed;
import org.junit.jupiter.api.Tag;
import org.junit.jupiter.api.Test;
import org.springframework.jdbc.core.simple.JdbcClient;
import tools.jackson.databind.JsonNode;

/** Lists, orders and searches among 100,000 agreements, against the same among 1,000. Prints; fails nothing, since machines differ. */
@Tag("bench")
class ListsBenchTest {
    private static final Testbed BED = Testbed.start();
    private static final int FEW = 1_000;
    private static final int MANY = Integer.getInteger("bench.many", 100_000);
    private static final int WORDS = 300;
    private static final int ROUNDS = 60;

    private final Office office = new Office(BED.address());

    private static Map<String, String> asked() {
        Map<String, String> asked = new LinkedHashMap<>();
        asked.put("the list", "");
        asked.put("one state of many", "state=COMPLETED");
        asked.put("one state of few", "state=DECLINED");
        for (String sort : List.of("number", "-title", "template", "since"))
            asked.put("sorted by " + sort, "sort=" + sort);
        asked.put("a state, sorted by title", "state=OUT&sort=title");
        asked.put("a rare word", "find=rare77x");
        asked.put("a rare word, sorted by title", "find=rare77x&sort=title");
        asked.put("a common word", "find=" + ManyAgreements.COMMON);
        asked.put("a common word, sorted by title", "find=" + ManyAgreements.COMMON + "&sort=title");
        asked.put("a common word in a rare state", "find=" + ManyAgreements.COMMON + "&state=DECLINED");
        asked.put("a word of one in thirty", "find=middle3");
        asked.put("a word of one in thirty, by title", "find=middle3&sort=title");
        asked.put("the beginning of many words", "find=w12");
        asked.put("a word that only old ones have", "find=ancient");
        asked.put("two words", "find=w12%20middle3");
        asked.put("a number", "find=BENCH-000321");
        asked.put("the beginning of all numbers", "find=BENCH");
        asked.put("a word that is nowhere", "find=nowhere");
        return asked;
    }

    /** @param template whose agreements they are */
    private static Map<String, String> inTheArchive(String template) {
        Map<String, String> asked = new LinkedHashMap<>();
        String list = "/api/v1/archive?template=" + template;
        asked.put("the archive of a template", list);
        asked.put("sorted by an amount", list + "&sort=-data.insured_value");
        asked.put("sorted by a text", list + "&sort=data.objects_description");
        asked.put("narrowed by a value of few", list + "&where=objects_description:is:Object%2077");
        asked.put("narrowed by a value of many", list + "&where=abroad:is:yes");
        asked.put(
                "narrowed by an amount, sorted by it",
                list + "&where=insured_value:from:50000&sort=data.insured_value");
        asked.put("narrowed by an amount, sorted by title", list + "&where=insured_value:from:50000&sort=title");
        asked.put("an amount and a day", list + "&where=insured_value:from:90000&where=start_date:is:2020-03");
        asked.put("a value and a common word", list + "&where=abroad:is:yes&find=" + ManyAgreements.COMMON);
        String groups = "/api/v1/archive/groups?template=" + template;
        asked.put("grouped by yes and no, with sums", groups + "&by=abroad");
        asked.put("grouped by month, with sums", groups + "&by=start_date");
        asked.put("grouped by a text, with sums", groups + "&by=objects_description");
        asked.put("one template, all together", groups);
        asked.put("grouped, narrowed to few", groups + "&by=abroad&where=objects_description:is:Object%2077");
        asked.put("grouped, narrowed to half", groups + "&by=abroad&where=insured_value:from:50000");
        String dates = "/api/v1/archive/dates";
        asked.put("dates that come", dates);
        asked.put("dates of a template", dates + "?template=" + template);
        asked.put("dates of a kind that is rare", dates + "?kind=RENEWAL");
        asked.put("dates of one who takes care", dates + "?owner=owner3@museum.example.org");
        asked.put(
                "dates of a kind, of one, in a month",
                dates + "?owner=owner3@museum.example.org&kind=NOTICE&from="
                        + LocalDate.now().plusDays(300) + "&to="
                        + LocalDate.now().plusDays(330));
        asked.put("dates dealt with", dates + "?over=true");
        String reports = "/api/v1/archive/reports/";
        asked.put("report of times", reports + "times");
        asked.put("report of times of a template", reports + "times?template=" + template);
        asked.put("report of what is out", reports + "out");
        asked.put("report of endings", reports + "endings");
        asked.put("what came to nothing", reports + "in-vain");
        asked.put("today", "/api/v1/today");
        return asked;
    }

    /** As somebody asks who sees next to nothing of it. */
    private static Map<String, String> hidden() {
        Map<String, String> asked = new LinkedHashMap<>();
        asked.put("hidden but a few: the list", "/api/v1/agreements");
        asked.put("hidden but a few: one state", "/api/v1/agreements?state=COMPLETED");
        asked.put("hidden but a few: sorted by title", "/api/v1/agreements?sort=title");
        asked.put("hidden but a few: a common word", "/api/v1/agreements?find=" + ManyAgreements.COMMON);
        asked.put("hidden but a few: a rare word", "/api/v1/agreements?find=rare77x");
        asked.put("hidden but a few: by template", "/api/v1/archive/groups?by=.template");
        asked.put("hidden but a few: dates", "/api/v1/archive/dates");
        asked.put("hidden but a few: today", "/api/v1/today");
        return asked;
    }

    private static Map<String, Object> circle(List<String> people) {
        return Map.of("everybody", false, "teams", List.of(), "people", people);
    }

    /** Lets nobody else see a template. */
    private Client whoDoesNotSee(String template) {
        Client client = OfficePeople.signedIn(BED, "lists@bench.example.org", "Sees little", Role.COORDINATOR);
        Map<String, Object> nobody = circle(List.of());
        String own = office.client
                .get("/api/v1/people?find=" + Client.encoded(Testbed.MAIL))
                .json()
                .get("items")
                .get(0)
                .get("id")
                .asString();
        String groups = "/api/v1/people/groups";
        String group = office.client
                .post(groups, Map.of("name", "Hidden", "use", nobody, "prepare", nobody, "see", circle(List.of(own))))
                .json()
                .get(0)
                .get("id")
                .asString();
        Client.Answer put = office.client.put(groups + "/" + group + "/templates/" + template, Map.of());
        if (put.status() != 200) throw new IllegalStateException(put.text());
        return client;
    }

    private double median(String path) {
        return median(office.client, path);
    }

    private static double median(Client client, String path) {
        double[] times = new double[ROUNDS];
        for (int round = -10; round < ROUNDS; round++) {
            long start = System.nanoTime();
            Client.Answer answer = client.get(path);
            if (answer.status() != 200) throw new IllegalStateException(path + ": " + answer.text());
            if (round >= 0) times[round] = (System.nanoTime() - start) / 1e6;
        }
        return Arrays.stream(times).sorted().toArray()[ROUNDS / 2];
    }

    /** The key of the page in the middle of all, by walking there. */
    private String deep(int count) {
        String key = "";
        for (int page = 0; page < count / 100; page++) {
            JsonNode found = office.client
                    .get("/api/v1/agreements?sort=title&after=" + key)
                    .json();
            key = found.get("next").asString();
        }
        return key;
    }

    private List<Double> measured(ManyAgreements many, String one, String template, int count, Client seesLittle) {
        many.copy(one, "BENCH-", count, WORDS);
        many.reports("BENCH-");
        List<Double> times = new ArrayList<>();
        asked().values().forEach(query -> times.add(median("/api/v1/agreements?" + query)));
        times.add(median("/api/v1/agreements?sort=title&after=" + deep(count)));
        inTheArchive(template).values().forEach(path -> times.add(median(path)));
        hidden().values().forEach(path -> times.add(median(seesLittle, path)));
        many.forget("BENCH-");
        return times;
    }

    @Test
    void amongMany() {
        String template = office.publish("Lists", Office.loanWording());
        office.client.put(
                "/api/v1/archive/templates/" + template + "/columns",
                Map.of("columns", List.of("objects_description", "abroad", "start_date", "insured_value")));
        String one = office.generate(template, Office.loanValues("Ida Marsh"));
        ManyAgreements many = new ManyAgreements(BED.bean(JdbcClient.class));
        asked().values().forEach(query -> median("/api/v1/agreements?" + query)); // to warm up
        Client seesLittle = whoDoesNotSee(template);
        List<Double> few = measured(many, one, template, FEW, seesLittle);
        List<Double> all = measured(many, one, template, MANY, seesLittle);
        List<String> names = new ArrayList<>(asked().keySet());
        names.add("a page deep in the list");
        names.addAll(inTheArchive(template).keySet());
        names.addAll(hidden().keySet());
        for (int i = 0; i < names.size(); i++)
            System.out.printf(
                    Locale.ROOT,
                    "%-40s %8.2f ms   %-30s %8.2f ms   ratio %.2f   bar 3%n",
                    names.get(i) + " of " + MANY,
                    all.get(i),
                    "of " + FEW,
                    few.get(i),
                    all.get(i) / few.get(i));
    }
}
