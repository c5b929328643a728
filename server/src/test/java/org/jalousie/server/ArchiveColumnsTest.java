package org.jalousie.server;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.net.URLEncoder;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Map;
import java.util.concurrent.CompletableFuture;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import java.util.zip.ZipEntry;
import java.util.zip.ZipFile;
import org.jalousie.core.access.Role;
import org.jalousie.demo.Client;
import org.jalousie.server.testbed.ManyAgreements;
import org.jalousie.server.testbed.Office;
import org.jalousie.server.testbed.OfficePeople;
import org.jalousie.server.testbed.Testbed;
import org.jalousie.server.testbed.Wait;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import org.springframework.jdbc.core.simple.JdbcClient;
import tools.jackson.databind.JsonNode;

/** The archive by the data of its agreements: shown, sorted, narrowed, grouped with sums, as a file. */
class ArchiveColumnsTest {
    private static final Testbed BED = Testbed.start();
    private static final Office OFFICE = new Office(BED.address());
    private static final List<String> ALL =
            List.of("objects_description", "start_date", "insured_value", "abroad", "party.museum");

    private static String template;
    private static final List<String> NUMBERS = new ArrayList<>();

    @BeforeAll
    static void filed() {
        template = OFFICE.publish("Columns", Office.loanWording());
        file("a lute, with its case", "2027-03-15", "EUR 12500", "yes");
        file("a lute, with its case", "2027-03-20", "EUR 800.50", "no");
        file("Érard harp", "2027-04-01", "GBP 9000", "yes");
        file("=1+1", "2026-12-31", "EUR 12500.25", "no");
        choose(ALL);
    }

    private static void file(String objects, String start, String value, String abroad) {
        Map<String, String> values = Office.loanValues("Ida Marsh");
        values.put("objects_description", objects);
        values.put("start_date", start);
        values.put("insured_value", value);
        values.put("abroad", abroad);
        NUMBERS.add(OFFICE.completed(template, values));
    }

    private static Client.Answer choose(List<String> columns) {
        Client.Answer answer =
                OFFICE.client.put("/api/v1/archive/templates/" + template + "/columns", Map.of("columns", columns));
        if (answer.status() == 200)
            Wait.until(
                    "the columns of " + template,
                    () -> OFFICE.client
                                    .get("/api/v1/archive/templates/" + template + "/columns")
                                    .json()
                                    .get("behind")
                                    .asInt()
                            == 0);
        return answer;
    }

    private static String query(String... parts) {
        return Stream.concat(Stream.of("template=" + template), Arrays.stream(parts))
                .map(part -> {
                    String[] both = part.split("=", 2);
                    return both[0] + "=" + URLEncoder.encode(both[1], StandardCharsets.UTF_8);
                })
                .collect(Collectors.joining("&"));
    }

    private static List<String> found(String... parts) {
        JsonNode page = OFFICE.client.get("/api/v1/archive?" + query(parts)).json();
        assertThat(page.has("items")).as(page.toString()).isTrue();
        List<String> found = new ArrayList<>();
        page.get("items")
                .forEach(item ->
                        found.add(item.get("data").get("objects_description").asString() + " "
                                + item.get("data").get("insured_value").asString()));
        return found;
    }

    @Test
    void aRowHasWhatItsDataSay() {
        JsonNode item = OFFICE.client
                .get("/api/v1/archive?" + query("sort=data.start_date"))
                .json()
                .get("items")
                .get(1);
        assertThat(item.get("data").get("objects_description").asString()).isEqualTo("a lute, with its case");
        assertThat(item.get("data").get("start_date").asString()).contains("15").contains("2027");
        assertThat(item.get("data").get("insured_value").asString()).contains("12,500");
        assertThat(item.get("data").get("party.museum").asString()).isEqualTo("Tomas Vale");
        assertThat(OFFICE.client
                        .get("/api/v1/archive")
                        .json()
                        .get("items")
                        .get(0)
                        .get("data")
                        .isEmpty())
                .isTrue();
    }

    @Test
    void anyColumnSortsBothWays() {
        assertThat(found("sort=data.start_date"))
                .extracting(row -> row.charAt(0))
                .containsExactly('=', 'a', 'a', '\u00c9');
        assertThat(found("sort=-data.insured_value"))
                .extracting(row -> row.replaceAll(".*?([\\d,.]+)$", "$1"))
                .containsExactly("12,500.25", "12,500.00", "9,000.00", "800.50");
        assertThat(found("sort=data.objects_description"))
                .extracting(row -> row.charAt(0))
                .containsExactly('=', 'a', 'a', '\u00c9');
    }

    @Test
    void columnsNarrowTheList() {
        assertThat(found("where=insured_value:from:9000")).hasSize(3);
        assertThat(found("where=insured_value:to:12500")).hasSize(3);
        assertThat(found("where=insured_value:from:12500", "where=insured_value:to:12500.2"))
                .hasSize(1);
        assertThat(found("where=objects_description:is:a lute, with its case", "where=start_date:to:2027-03-15"))
                .hasSize(1);
        assertThat(found("where=objects_description:begins:erard")).hasSize(1);
        assertThat(found("where=start_date:is:2027-03")).hasSize(2);
        assertThat(found("where=abroad:is:yes", "sort=data.insured_value")).hasSize(2);
        assertThat(found("where=abroad:is:yes", "find=lute")).hasSize(1);
        assertThat(found("where=party.museum:is:Tomas Vale", "sort=-title")).hasSize(4);
        assertThat(found("where=insured_value:from:9000", "sort=data.insured_value"))
                .hasSize(3);
        assertThat(found("state=DECLINED")).isEmpty();
        assertThat(found("from=2020-01-01", "where=abroad:is:no")).hasSize(2);
        assertThat(found("to=2020-01-01")).isEmpty();
    }

    @Test
    void whatCantBeAskedIsSaid() {
        for (String wrong : List.of(
                "where=nowhere:is:x",
                "where=insured_value",
                "where=insured_value:from:much",
                "where=start_date:is:2027-03-15",
                "where=objects_description:from:a",
                "where=abroad:begins:y",
                "where=start_date:from:2027-02-30",
                "sort=data.nowhere",
                "sort=-data.",
                "state=OUT",
                "from=yesterday",
                "from=+999999-01-01")) {
            Client.Answer answer = OFFICE.client.get("/api/v1/archive?" + query(wrong));
            assertThat(answer.status()).as(wrong).isEqualTo(400);
            assertThat(answer.json().get("detail").asString()).as(wrong).isNotBlank();
        }
        assertThat(OFFICE.client.get("/api/v1/archive?sort=data.insured_value").status())
                .isEqualTo(400);
        assertThat(OFFICE.client
                        .get("/api/v1/archive/groups?" + query("by=insured_value"))
                        .status())
                .isEqualTo(400);
        assertThat(choose(List.of("nowhere")).status()).isEqualTo(422);
        assertThat(choose(List.of("no name")).status()).isEqualTo(400);
    }

    private static JsonNode groups(String... parts) {
        return OFFICE.client.get("/api/v1/archive/groups?" + query(parts)).json();
    }

    private static List<String> lines(JsonNode groups) {
        List<String> lines = new ArrayList<>();
        groups.get("groups").forEach(group -> lines.add(line(group)));
        return lines;
    }

    private static String line(JsonNode group) {
        StringBuilder line = new StringBuilder(
                group.get("title").asString() + ": " + group.get("count").asInt());
        group.get("sums")
                .forEach(sum -> line.append(", ")
                        .append(sum.get("unit").asString())
                        .append(' ')
                        .append(sum.get("total").asString()));
        return line.toString();
    }

    @Test
    void groupsHaveCountsAndSums() {
        JsonNode abroad = groups("by=abroad");
        assertThat(lines(abroad)).containsExactly("no: 2, EUR 13300.75", "yes: 2, EUR 12500.00, GBP 9000.00");
        assertThat(line(abroad.get("all"))).isEqualTo(": 4, EUR 25800.75, GBP 9000.00");
        assertThat(lines(groups("by=start_date")))
                .containsExactly("2026-12: 1, EUR 12500.25", "2027-03: 2, EUR 13300.50", "2027-04: 1, GBP 9000.00");
        // of what is narrowed they are added up anew
        assertThat(lines(groups("by=abroad", "where=insured_value:from:9000")))
                .containsExactly("no: 1, EUR 12500.25", "yes: 2, EUR 12500.00, GBP 9000.00");
        assertThat(lines(groups("by=.template"))).hasSize(1).allMatch(line -> line.startsWith("Columns: 4"));
        assertThat(lines(groups("by=.ended", "find=lute")))
                .hasSize(1)
                .allMatch(line -> line.endsWith(": 2, EUR 13300.50"));
        assertThat(groups("find=nothingofthekind").get("all").get("count").asInt())
                .isZero();
    }

    @Test
    void otherColumnsAreGoneThroughAgainAndNothingCountsTwice() {
        String own = OFFICE.publish("Columns changed", Office.loanWording());
        List<CompletableFuture<Void>> both = new ArrayList<>();
        for (int i = 0; i < 2; i++)
            both.add(CompletableFuture.runAsync(
                    () -> new Office(BED.address()).completed(own, Office.loanValues("Ida Marsh"))));
        both.forEach(CompletableFuture::join);
        for (List<String> columns :
                List.of(List.of("insured_value"), List.<String>of(), List.of("abroad", "insured_value"))) {
            OFFICE.client.put("/api/v1/archive/templates/" + own + "/columns", Map.of("columns", columns));
            OFFICE.completed(own, Office.loanValues("Ida Marsh"));
        }
        Wait.until(
                "the columns of " + own,
                () -> BED.bean(JdbcClient.class)
                                .sql("select count(*) from archived a join template t on t.id = a.template_id"
                                        + " where a.edition < t.columns_edition and t.id = cast(? as uuid)")
                                .param(own)
                                .query(Integer.class)
                                .single()
                        == 0);
        JsonNode groups = OFFICE.client
                .get("/api/v1/archive/groups?by=abroad&template=" + own)
                .json();
        assertThat(line(groups.get("all"))).isEqualTo(": 5, EUR 62500.00");
        assertThat(lines(groups)).hasSize(1);
    }

    @Test
    void aFileHasWhatTheListShowsAndNothingThatASpreadsheetWorksOut() throws Exception {
        Client.Answer csv = OFFICE.client.get("/api/v1/archive/table?"
                + query("sort=data.start_date", "shown=objects_description", "shown=insured_value"));
        List<String> lines = csv.text().lines().toList();
        assertThat(lines.get(0)).contains("Number,Agreement,Template,Ended,Objects description,Insured value");
        assertThat(lines.get(1)).contains("'=1+1").contains("12500.25");
        assertThat(lines.get(2)).contains("\"a lute, with its case\"");
        assertThat(lines).hasSize(5);
        Client.Answer sheet = OFFICE.client.get("/api/v1/archive/table?" + query("format=XLSX"));
        Path file = Files.write(Files.createTempFile("archive", ".xlsx"), sheet.body());
        try (ZipFile zip = new ZipFile(file.toFile())) {
            String rows = zip.stream()
                    .filter(entry -> entry.getName().endsWith("sheet1.xml"))
                    .map(entry -> read(zip, entry))
                    .collect(Collectors.joining());
            assertThat(rows.split("<row", -1)).hasSize(6);
            assertThat(rows).contains("12500.25").doesNotContain("<f>");
        }
    }

    private static String read(ZipFile zip, ZipEntry entry) {
        try {
            return new String(zip.getInputStream(entry).readAllBytes(), StandardCharsets.UTF_8);
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    private static JsonNode page(String path) {
        return OFFICE.client.get(path).json();
    }

    @Test
    void aLongListGoesOnInTheOrderOfAColumn() {
        String own = OFFICE.publish("Columns of many", Office.loanWording());
        OFFICE.client.put(
                "/api/v1/archive/templates/" + own + "/columns",
                Map.of("columns", List.of("objects_description", "abroad", "start_date", "insured_value")));
        String one = OFFICE.generate(own, Office.loanValues("Ida Marsh"));
        ManyAgreements many = new ManyAgreements(BED.bean(JdbcClient.class));
        many.copy(one, "COLUMN-", 160, 3);
        try {
            for (String sort : List.of("data.insured_value", "-data.objects_description")) {
                String list = "/api/v1/archive?template=" + own + "&sort=" + sort;
                List<String> walked = new ArrayList<>();
                JsonNode first = page(list);
                JsonNode page = first;
                while (true) {
                    page.get("items")
                            .forEach(item -> walked.add(item.get("number").asString()));
                    if (page.get("next").isNull()) break;
                    page = page(list + "&after=" + page.get("next").asString());
                }
                assertThat(walked).hasSize(152).doesNotHaveDuplicates();
                while (!page.get("previous").isNull())
                    page = page(list + "&before=" + page.get("previous").asString());
                assertThat(page.get("items")).isEqualTo(first.get("items"));
                Client.Answer csv = OFFICE.client.get("/api/v1/archive/table?template=" + own + "&sort=" + sort);
                assertThat(csv.text().lines().skip(1).map(line -> line.split(",")[0]))
                        .containsExactlyElementsOf(walked);
            }
            String key = page("/api/v1/archive?template=" + own + "&sort=data.insured_value")
                    .get("next")
                    .asString();
            assertThat(OFFICE.client
                            .get("/api/v1/archive?template=" + own + "&sort=title&after=" + key)
                            .status())
                    .isEqualTo(400);
        } finally {
            many.forget("COLUMN-");
        }
    }

    private static Map<String, Object> view(String name, boolean shared, boolean usual) {
        return Map.of(
                "name",
                name,
                "shared",
                shared,
                "usual",
                usual,
                "template",
                template,
                "state",
                "COMPLETED",
                "view",
                Map.of(
                        "find",
                        "",
                        "endedFrom",
                        "",
                        "endedTo",
                        "",
                        "where",
                        List.of("abroad:is:yes"),
                        "columns",
                        List.of(),
                        "group",
                        "start_date",
                        "sort",
                        ""));
    }

    private static Client reader() {
        return OfficePeople.signedIn(BED, "looks@museum.example.org", "Lo Oks", Role.READER);
    }

    @Test
    void viewsAreKeptForOneselfOrForAll() {
        Map<String, Object> view = view("Abroad", true, true);
        JsonNode kept = OFFICE.client.post("/api/v1/archive/views", view).json();
        assertThat(kept.get("view").get("where").get(0).asString()).isEqualTo("abroad:is:yes");
        JsonNode next = OFFICE.client.post("/api/v1/archive/views", view).json();
        Client reader = reader();
        List<Boolean> usual = new ArrayList<>();
        reader.get("/api/v1/archive/views")
                .json()
                .forEach(one -> usual.add(one.get("usual").asBoolean()));
        assertThat(usual).containsOnlyOnce(true).hasSize(2);
        assertThat(reader.post("/api/v1/archive/views", view).status()).isEqualTo(403);
        assertThat(reader.delete("/api/v1/archive/views/" + next.get("id").asString())
                        .status())
                .isEqualTo(403);
        Client.Answer mine = reader.post("/api/v1/archive/views", view("Mine", false, false));
        assertThat(mine.text()).contains("COMPLETED");
        String own = mine.json().get("id").asString();
        assertThat(OFFICE.client.get("/api/v1/archive/views").json()).hasSize(2);
        assertThat(OFFICE.client.delete("/api/v1/archive/views/" + own).status())
                .isEqualTo(404);
        assertThat(reader.delete("/api/v1/archive/views/" + own).status()).isEqualTo(204);
        assertThat(reader.post("/api/v1/archive/views", view("Mine", false, true))
                        .status())
                .isEqualTo(422);
    }
}
