package org.jalousie.server;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.Duration;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.concurrent.atomic.AtomicInteger;
import org.jalousie.core.json.Json;
import org.jalousie.core.wording.write.WordDraft;
import org.jalousie.demo.Client;
import org.jalousie.server.testbed.Office;
import org.jalousie.server.testbed.Registers;
import org.jalousie.server.testbed.TestClock;
import org.jalousie.server.testbed.Testbed;
import org.jalousie.server.testbed.Wait;
import org.junit.jupiter.api.Test;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.ObjectNode;

/** Many agreements from the rows of a table, or of a register. */
class RunsTest {
    private static final AtomicInteger COUNT = new AtomicInteger();

    private final Testbed bed = Testbed.start();
    private final Office office = new Office(bed.address());
    private final Client client = office.client;
    private final Registers registers = new Registers(client);
    private final int count = COUNT.incrementAndGet();

    private static byte[] wording() {
        return new WordDraft()
                .paragraph("{{lender_name}} lends from {{start_date}} for {{fee}}:")
                .paragraph("{{#objects}}")
                .paragraph("{{title}}, {{value}}")
                .paragraph("{{/objects}}")
                .paragraph("{{lender.signature}}")
                .bytes();
    }

    /** @param register in which the lender is looked up; empty for none */
    private String template(String register, String release) {
        JsonNode made = office.bringIn("Run " + count, wording());
        ObjectNode content = (ObjectNode) made.get("content");
        ((ObjectNode) content.get("sending")).put("release", release);
        if (!register.isEmpty())
            content.set(
                    "layout",
                    Json.MAPPER.valueToTree(Map.of(
                            "sections",
                            List.of(Map.of(
                                    "questions",
                                    List.of(Map.of(
                                            "field",
                                            "lender_name",
                                            "lookup",
                                            Map.of(
                                                    "register",
                                                    register,
                                                    "fills",
                                                    List.of(Map.of("column", "mail", "field", "lender_mail")),
                                                    "rows",
                                                    List.of()))))))));
        return office.publish(office.settle(made, content));
    }

    private JsonNode bringIn(String template, String text) {
        return registers.ready(
                Registers.expect(201, client.upload("/api/v1/runs?template=" + template, "rows.csv", text.getBytes()))
                        .get("id")
                        .asString());
    }

    private List<String> agreements(JsonNode table) {
        List<String> all = new ArrayList<>();
        for (int page = 0; ; page++) {
            JsonNode rows = registers.rows(table, "page=" + page);
            if (rows.isEmpty()) return all;
            rows.forEach(row -> {
                String made = row.get("made").get("agreement").asString();
                if (!made.isEmpty()) all.add(made);
            });
        }
    }

    private static final String HEADS = "lender_name;lender_mail;start_date;fee;Objects: Title;Objects: Value;order\n";

    @Test
    void eachRowIsReadAsTheFormReadsItAndBecomesOneAgreement() {
        String template = template("", "CHECKED");
        JsonNode table = bringIn(
                template,
                "lender_name;lender_mail;start_date;fee;objects\n"
                        + "Ida Marsh;ida@people.example.org;3.4.2027;EUR 1.250,00;\"[{\"\"title\"\":\"\"Viola\"\",\"\"value\"\":\"\"EUR 5\"\"}]\"\n"
                        + "Pim Oak;not a mail;31.12.2027;EUR 2,50;\"[{\"\"title\"\":\"\"Harp\"\",\"\"value\"\":\"\"a lot\"\"}]\"\n"
                        + ";ida@people.example.org;soon;2,50;\n");
        assertThat(Registers.outcomes(table)).isEqualTo(Map.of("NEW", 1L, "FAULTY", 2L));
        List<JsonNode> faulty = new ArrayList<>();
        registers.rows(table, "outcome=FAULTY").forEach(faulty::add);
        assertThat(faulty.get(0).get("faults").propertyNames()).contains("lender_mail");
        assertThat(faulty.get(0).get("faults").toString()).contains("Money is expected");
        assertThat(faulty.get(1).get("faults").propertyNames()).contains("lender_name", "start_date", "fee");
        assertThat(client.get("/api/v1/requests?template=" + template)
                        .json()
                        .get("total")
                        .asInt())
                .isZero();

        JsonNode done = registers.carryOut(table);

        assertThat(Registers.outcomes(done)).isEqualTo(Map.of("DONE", 1L, "FAULTY", 2L));
        List<String> made = agreements(done);
        assertThat(made).hasSize(1);
        assertThat(office.await(made.get(0), "CHECK").toString())
                .contains("1,250.00")
                .contains("3 April 2027");
        assertThat(client.get("/api/v1/runs/" + table.get("id").asString() + "/stages")
                        .json()
                        .get(0)
                        .get("count")
                        .asInt())
                .isEqualTo(1);
        assertThat(client.get("/api/v1/runs?template=" + template)
                        .json()
                        .get("items")
                        .get(0)
                        .get("table")
                        .get("number")
                        .asInt())
                .isEqualTo(table.get("number").asInt());
    }

    @Test
    void mendedRowsGoOnAndNoneIsMadeTwice() {
        String template = template("", "CHECKED");
        JsonNode table = bringIn(
                template,
                "lender_name;lender_mail;start_date;fee;objects\n"
                        + "Ida;ida@people.example.org;2027-04-03;EUR 1;\"[{\"\"title\"\":\"\"Viola\"\",\"\"value\"\":\"\"EUR 5\"\"}]\"\n"
                        + "Pim;pim@people.example.org;2027-04-03;1;\"[{\"\"title\"\":\"\"Harp\"\",\"\"value\"\":\"\"EUR 5\"\"}]\"\n");
        JsonNode done = registers.carryOut(table);
        Registers.expect(
                200,
                client.put(
                        "/api/v1/tables/" + table.get("id").asString() + "/rows/3",
                        Map.of("cells", Map.of("3", "EUR 1"))));

        JsonNode again = registers.carryOut(done);

        assertThat(Registers.outcomes(again)).isEqualTo(Map.of("DONE", 2L));
        assertThat(new HashSet<>(agreements(again))).hasSize(2);
        assertThat(client.get("/api/v1/requests?template=" + template)
                        .json()
                        .get("total")
                        .asInt())
                .isEqualTo(2);
    }

    @Test
    void rowsOfOneOrderAreItemsOfOneAgreement() {
        String template = template("", "CHECKED");
        JsonNode table = bringIn(
                template,
                HEADS
                        + "Ida;ida@people.example.org;2027-04-03;EUR 1;Viola;EUR 5;A\n"
                        + "Pim;pim@people.example.org;2027-04-03;EUR 1;Harp;EUR 7;B\n"
                        + ";;;;Flute;EUR 6;A\n"
                        + ";;;;Drum;lots;B\n");
        ((ObjectNode) table.get("settings")).put("together", 7);

        JsonNode grouped = registers.settle(table, table.get("settings"));

        assertThat(Registers.outcomes(grouped)).isEqualTo(Map.of("NEW", 1L, "PART", 1L, "FAULTY", 2L));
        JsonNode drum = registers.rows(grouped, "").get(3);
        assertThat(drum.get("belongsTo").asInt()).isEqualTo(3);
        assertThat(drum.get("faults").propertyNames()).containsExactly("objects.value");
        JsonNode done = registers.carryOut(grouped);
        List<String> made = agreements(done);
        assertThat(made).hasSize(1);
        String values = client.get("/api/v1/requests/"
                        + registers
                                .rows(done, "")
                                .get(0)
                                .get("made")
                                .get("request")
                                .asString())
                .json()
                .get("values")
                .get("objects")
                .asString();
        assertThat(values).contains("Viola").contains("Flute").doesNotContain("Harp");

        Registers.expect(
                200,
                client.put(
                        "/api/v1/tables/" + table.get("id").asString() + "/rows/5",
                        Map.of("cells", Map.of("5", "EUR 8"))));
        assertThat(Registers.outcomes(registers.carryOut(done))).isEqualTo(Map.of("DONE", 4L));
    }

    @Test
    void rowsOfARegisterBecomeAgreementsWithWhatTheySay() {
        String lenders = "run_lenders_" + count;
        registers.create(lenders, "code TEXT", "name TEXT !", "mail MAIL_ADDRESS", "town TEXT");
        for (int i = 0; i < 3; i++)
            registers.add(
                    lenders,
                    Map.of(
                            "code",
                            "L-" + i,
                            "name",
                            "Lender " + i,
                            "mail",
                            "l" + i + "@people.example.org",
                            "town",
                            i == 2 ? "Delft" : "Utrecht"));
        String template = template(lenders, "CHECKED");
        JsonNode table = registers.ready(Registers.expect(
                        201,
                        client.post(
                                "/api/v1/runs/of-rows",
                                Map.of(
                                        "template",
                                        template,
                                        "question",
                                        "lender_name",
                                        "register",
                                        lenders,
                                        "find",
                                        "",
                                        "where",
                                        List.of("town:is:Utrecht"))))
                .get("id")
                .asString());
        // what the register doesn't say is missing at each row
        assertThat(Registers.outcomes(table)).isEqualTo(Map.of("FAULTY", 2L));

        JsonNode csv = bringIn(
                template,
                "Lender name, a row of " + lenders + ";start_date;fee;objects\n"
                        + "l-1;2027-04-03;EUR 1;\"[{\"\"title\"\":\"\"Viola\"\",\"\"value\"\":\"\"EUR 5\"\"}]\"\n"
                        + "L-9;2027-04-03;EUR 1;\"[{\"\"title\"\":\"\"Viola\"\",\"\"value\"\":\"\"EUR 5\"\"}]\"\n");
        assertThat(Registers.outcomes(csv)).isEqualTo(Map.of("NEW", 1L, "FAULTY", 1L));
        JsonNode done = registers.carryOut(csv);
        JsonNode request = client.get("/api/v1/requests/"
                        + registers
                                .rows(done, "")
                                .get(0)
                                .get("made")
                                .get("request")
                                .asString())
                .json();
        assertThat(request.get("values").get("lender_mail").asString()).isEqualTo("l1@people.example.org");
        assertThat(request.get("taken").get(0).get("label").asString()).isEqualTo("Lender 1");
    }

    @Test
    void rowsThatWereChosenAreTakenAndNoOthers() {
        String lenders = "chosen_lenders_" + count;
        registers.create(lenders, "code TEXT", "name TEXT !", "mail MAIL_ADDRESS");
        List<String> ids = new ArrayList<>();
        for (int i = 0; i < 3; i++) ids.add(registers.add(lenders, Map.of("code", "L-" + i, "name", "Lender " + i)));
        String template = template(lenders, "CHECKED");
        Map<String, Object> wanted = new HashMap<>(Map.of(
                "template",
                template,
                "question",
                "lender_name",
                "register",
                lenders,
                "find",
                "nobody",
                "where",
                List.of()));
        wanted.put("rows", List.of(ids.get(2), ids.get(0), ids.get(2)));
        JsonNode table = registers.ready(Registers.expect(201, client.post("/api/v1/runs/of-rows", wanted))
                .get("id")
                .asString());
        assertThat(table.get("rows").asInt()).isEqualTo(2);
        assertThat(registers.rows(table, "").toString()).contains("L-0", "L-2").doesNotContain("L-1");
        wanted.put("rows", List.of());
        assertThat(client.post("/api/v1/runs/of-rows", wanted).status()).isEqualTo(422);
        wanted.put("rows", List.of(ids.get(0), java.util.UUID.randomUUID().toString()));
        assertThat(client.post("/api/v1/runs/of-rows", wanted).text()).contains("there any more");
    }

    @Test
    void aRunGoesOutByItselfWhereItsTemplateSaysSoAndNotFasterThanItMay() {
        String template = template("", "AT_ONCE");
        StringBuilder text = new StringBuilder("lender_name;lender_mail;start_date;fee;objects\n");
        for (int i = 0; i < 3; i++)
            text.append("Ida ")
                    .append(i)
                    .append(";ida")
                    .append(i)
                    .append(
                            "@people.example.org;2027-04-03;EUR 1;\"[{\"\"title\"\":\"\"Viola\"\",\"\"value\"\":\"\"EUR 5\"\"}]\"\n");
        JsonNode table = bringIn(template, text.toString());
        ((ObjectNode) table.get("settings")).put("perMinute", 1);
        JsonNode paced = registers.settle(table, table.get("settings"));
        String id = paced.get("id").asString();
        Registers.expect(
                200,
                client.post(
                        "/api/v1/tables/" + id + "/carrying-out",
                        Map.of("revision", paced.get("revision").asInt())));

        JsonNode one = Wait.until(
                "the first row to be done",
                () -> Optional.of(client.get("/api/v1/tables/" + id).json())
                        .filter(now -> Registers.outcomes(now).getOrDefault("DONE", 0L) == 1));
        office.await(agreements(one).get(0), "OUT");
        assertThat(Registers.outcomes(client.get("/api/v1/tables/" + id).json()))
                .isEqualTo(Map.of("DONE", 1L, "NEW", 2L));
        bed.bean(TestClock.class).ahead(Duration.ofSeconds(61));
        Wait.until(
                "the second row to be done",
                () -> Optional.of(client.get("/api/v1/tables/" + id).json())
                        .filter(now -> Registers.outcomes(now).getOrDefault("DONE", 0L) == 2));
        assertThat(client.post("/api/v1/tables/" + id + "/pause", Map.of())
                        .json()
                        .get("state")
                        .asString())
                .isEqualTo("PAUSED");
        bed.bean(TestClock.class).ahead(Duration.ofSeconds(61));
        assertThat(Registers.outcomes(client.get("/api/v1/tables/" + id).json()))
                .containsEntry("NEW", 1L);
        assertThat(client.post("/api/v1/tables/" + id + "/stop", Map.of())
                        .json()
                        .get("state")
                        .asString())
                .isEqualTo("STOPPED");
        assertThat(client.post(
                                "/api/v1/tables/" + id + "/carrying-out",
                                Map.of("revision", paced.get("revision").asInt()))
                        .status())
                .isEqualTo(409);
    }

    @Test
    void theReportSaysOfEachRowWhatBecameOfIt() {
        String template = template("", "CHECKED");
        JsonNode table = bringIn(
                template,
                "lender_name;lender_mail;start_date;fee;objects\n"
                        + "=Ida;ida@people.example.org;2027-04-03;EUR 1;\"[{\"\"title\"\":\"\"Viola\"\",\"\"value\"\":\"\"EUR 5\"\"}]\"\n"
                        + "Pim;pim@people.example.org;soon;EUR 1;\n");
        JsonNode done = registers.carryOut(table);
        String id = table.get("id").asString();

        String report = client.get("/api/v1/tables/" + id + "/report").text();

        assertThat(report).contains("Row,What came of it,What is wrong,Request,Agreement,lender_name");
        assertThat(report)
                .contains("2,done,,")
                .contains(agreements(done).get(0))
                .contains(",'=Ida,");
        assertThat(report).contains("3,to be mended,").contains("start_date: A date is expected");
        JsonNode again = registers.ready(Registers.expect(
                        201,
                        client.upload(
                                "/api/v1/runs?template=" + template,
                                "report.xlsx",
                                client.get("/api/v1/tables/" + id + "/report?format=XLSX")
                                        .body()))
                .get("id")
                .asString());
        assertThat(((ArrayNode) again.get("heads")).get(1).asString()).isEqualTo("What came of it");
    }

    @Test
    void aRowThatIsGivenTheNumberOfADoneOrderIsNotLostInIt() {
        String template = template("", "CHECKED");
        JsonNode table = bringIn(
                template,
                HEADS
                        + "Ida;ida@people.example.org;2027-04-03;EUR 1;Viola;EUR 5;A\n"
                        + "Pim;pim@people.example.org;2027-04-03;EUR 1;Harp;lots;B\n");
        ((ObjectNode) table.get("settings")).put("together", 7);
        JsonNode done = registers.carryOut(registers.settle(table, table.get("settings")));
        assertThat(Registers.outcomes(done)).isEqualTo(Map.of("DONE", 1L, "FAULTY", 1L));

        String path = "/api/v1/tables/" + table.get("id").asString();
        Registers.expect(200, client.put(path + "/rows/3", Map.of("cells", Map.of("5", "EUR 7", "6", "A"))));
        JsonNode mended = registers.ready(table.get("id").asString());

        assertThat(Registers.outcomes(mended)).isEqualTo(Map.of("DONE", 1L, "NEW", 1L));
        assertThat(new HashSet<>(agreements(registers.carryOut(mended)))).hasSize(2);
    }
}
