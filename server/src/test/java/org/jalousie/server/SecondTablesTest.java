package org.jalousie.server;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.util.HashMap;
import java.util.Map;
import java.util.UUID;
import org.dhatim.fastexcel.Workbook;
import org.dhatim.fastexcel.Worksheet;
import org.jalousie.core.wording.write.WordDraft;
import org.jalousie.demo.Client;
import org.jalousie.server.testbed.Office;
import org.jalousie.server.testbed.Registers;
import org.jalousie.server.testbed.Testbed;
import org.junit.jupiter.api.Test;
import tools.jackson.databind.JsonNode;

/** Rows of a second file, or sheet, that go with those of a run by a key. */
class SecondTablesTest {
    private static final String LOANS = "loan,lender_name,lender_mail,fee\n"
            + "7,Ida,ida@people.example.org,EUR 1\n8,Pim,pim@people.example.org,EUR 2\n";
    private static final String OBJECTS =
            "loan;title;value\n" + "8;Harp;EUR 7\n7;Viola;EUR 5\n8;Flute;EUR 6.50\n9;Drum;EUR 1\n";

    private final Office office = new Office(Testbed.start().address());
    private final Client client = office.client;
    private final Registers registers = new Registers(client);

    private String template() {
        return office.publish(
                "Second " + UUID.randomUUID(),
                new WordDraft()
                        .paragraph("{{lender_name}} lends for {{fee}}:")
                        .paragraph("{{#objects}}")
                        .paragraph("{{title}}, {{value}}")
                        .paragraph("{{/objects}}")
                        .paragraph("{{lender.signature}}")
                        .bytes());
    }

    private JsonNode run(String name, byte[] file) {
        return registers.ready(Registers.expect(201, client.upload("/api/v1/runs?template=" + template(), name, file))
                .get("id")
                .asString());
    }

    private static String path(JsonNode table) {
        return "/api/v1/tables/" + table.get("id").asString() + "/second";
    }

    private JsonNode bring(JsonNode table, String name, String text) {
        Client.Answer answer = client.upload(
                path(table) + "?revision=" + table.get("revision").asInt(),
                name,
                text.getBytes(StandardCharsets.UTF_8));
        assertThat(answer.status()).as(answer.text()).isEqualTo(200);
        return registers.ready(table.get("id").asString());
    }

    private String objectsOf(JsonNode done, int row) {
        String request =
                registers.rows(done, "").get(row).get("made").get("request").asString();
        return client.get("/api/v1/requests/" + request)
                .json()
                .get("values")
                .get("objects")
                .asString();
    }

    @Test
    void rowsOfASecondFileBecomeItemsByTheirKey() {
        JsonNode table = bring(run("loans.csv", LOANS.getBytes()), "objects.csv", OBJECTS);
        assertThat(table.get("heads").toString())
                .isEqualTo("[\"loan\",\"lender_name\",\"lender_mail\",\"fee\",\"objects: title\",\"objects: value\"]");
        assertThat(table.get("settings").get("joins").toString()).contains("objects.title", "objects.value");
        assertThat(table.get("second").get("key").asInt()).isEqualTo(1);
        assertThat(table.get("second").get("to").asInt()).isEqualTo(1);
        assertThat(Registers.outcomes(table)).isEqualTo(Map.of("NEW", 2L, "PART", 3L, "FAULTY", 1L));
        JsonNode orphan = registers.rows(table, "outcome=FAULTY").get(0);
        assertThat(orphan.get("number").asInt()).isEqualTo(10_000_005);
        assertThat(orphan.get("faults").toString()).contains("No row of the first table has this key");

        // mended on the screen, it goes with the row that it names
        Registers.expect(
                200,
                client.put(
                        "/api/v1/tables/" + table.get("id").asString() + "/rows/10000005",
                        Map.of("cells", Map.of("0", "7"))));
        JsonNode mended = registers.ready(table.get("id").asString());
        assertThat(Registers.outcomes(mended)).isEqualTo(Map.of("NEW", 2L, "PART", 4L));
        JsonNode done = registers.carryOut(mended);
        assertThat(Registers.outcomes(done)).isEqualTo(Map.of("DONE", 6L));
        assertThat(objectsOf(done, 0)).contains("Viola", "Drum").doesNotContain("Harp");
        assertThat(objectsOf(done, 1)).contains("Harp", "Flute", "6.50").doesNotContain("Viola");
        String report = client.get("/api/v1/tables/" + done.get("id").asString() + "/report")
                .text();
        assertThat(report).contains("objects: title").doesNotContain("10000005");
        assertThat(client.delete(
                                path(done) + "?revision=" + done.get("revision").asInt())
                        .status())
                .isEqualTo(409);
    }

    @Test
    void whatIsWrongInASecondRowStandsAtItsCellAndHoldsItsAgreementBack() {
        JsonNode table = bring(
                run("loans.csv", LOANS.getBytes()), "objects.csv", "loan;title;value\n7;Viola;a lot\n8;Harp;EUR 1\n");
        assertThat(Registers.outcomes(table)).isEqualTo(Map.of("NEW", 1L, "PART", 1L, "FAULTY", 2L));
        JsonNode faulty = registers.rows(table, "outcome=FAULTY").get(1);
        assertThat(faulty.get("belongsTo").asInt()).isEqualTo(2);
        assertThat(faulty.get("faults").propertyNames()).containsExactly("objects.value");
    }

    @Test
    void eachIsReadAsItIsWritten() {
        JsonNode table = bring(
                run("loans.csv", LOANS.getBytes()),
                "objects.csv",
                "loan;title;value\n7;Viola;EUR 1.250,00\n8;Harp;EUR 2.000\n");
        assertThat(table.get("second").get("numbers").asString()).isEqualTo("COMMA");
        assertThat(table.get("settings").get("style").get("numbers").asString()).isEqualTo("POINT");
        JsonNode done = registers.carryOut(table);
        assertThat(objectsOf(done, 0)).contains("1250.00");
        assertThat(objectsOf(done, 1)).contains("2000");
    }

    @Test
    void itsKeysAreSettledAndItIsTakenOutAgain() {
        JsonNode table = bring(
                run("loans.csv", LOANS.getBytes()), "objects.csv", "title,value,of\nViola,EUR 5,Ida\nHarp,EUR 6,Pim\n");
        // nothing is called alike, so somebody has to say it
        assertThat(Registers.outcomes(table).getOrDefault("FAULTY", 0L)).isEqualTo(4);
        Map<String, Object> keys = new HashMap<>();
        keys.put("revision", table.get("revision").asInt());
        keys.put("dates", "YEAR_FIRST");
        keys.put("numbers", "POINT");
        keys.put("key", 3);
        keys.put("to", 2);
        assertThat(client.put(path(table), keys).status()).isEqualTo(200);
        assertThat(client.put(path(table), keys).status()).isEqualTo(409);
        JsonNode keyed = registers.ready(table.get("id").asString());
        assertThat(Registers.outcomes(keyed)).isEqualTo(Map.of("NEW", 2L, "PART", 2L));
        keys.put("revision", keyed.get("revision").asInt());
        for (int none : new int[] {0, 4}) {
            keys.put("key", none);
            assertThat(client.put(path(table), keys).status()).isEqualTo(400);
        }
        // how dates are written is another matter, and leaves it as it is
        JsonNode restyled = registers.settle(keyed, keyed.get("settings"));
        assertThat(restyled.get("second").get("key").asInt()).isEqualTo(3);
        assertThat(client.delete(path(table) + "?revision="
                                + restyled.get("revision").asInt())
                        .status())
                .isEqualTo(200);
        JsonNode alone = registers.ready(table.get("id").asString());
        assertThat(alone.get("heads").size()).isEqualTo(4);
        assertThat(alone.get("second").isNull()).isTrue();
        assertThat(alone.get("rows").asInt()).isEqualTo(2);
    }

    @Test
    void anotherSheetOfTheWorkbookGoesWithTheFirst() throws IOException {
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        try (Workbook book = new Workbook(out, "Test", "1.0")) {
            fill(book.newWorksheet("Loans"), LOANS.split("\n"), ",");
            fill(book.newWorksheet("Objects"), OBJECTS.split("\n"), ";");
        }
        JsonNode table = run("loans.xlsx", out.toByteArray());
        Map<String, Object> sheet =
                new HashMap<>(Map.of("revision", table.get("revision").asInt(), "sheet", "Objects"));
        assertThat(client.post(path(table) + "-sheet", sheet).status()).isEqualTo(200);
        JsonNode both = registers.ready(table.get("id").asString());
        assertThat(Registers.outcomes(both)).isEqualTo(Map.of("NEW", 2L, "PART", 3L, "FAULTY", 1L));
        sheet.put("revision", both.get("revision").asInt());
        sheet.put("sheet", "Nothing");
        assertThat(client.post(path(table) + "-sheet", sheet).status()).isEqualTo(422);
        assertThat(Registers.outcomes(registers.carryOut(both))).isEqualTo(Map.of("DONE", 5L, "FAULTY", 1L));
    }

    private static void fill(Worksheet sheet, String[] rows, String separator) {
        for (int i = 0; i < rows.length; i++) {
            String[] cells = rows[i].split(separator);
            for (int j = 0; j < cells.length; j++) sheet.value(i, j, cells[j]);
        }
    }
}
