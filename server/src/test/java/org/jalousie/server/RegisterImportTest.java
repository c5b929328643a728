package org.jalousie.server;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.nio.charset.Charset;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.concurrent.atomic.AtomicInteger;
import org.dhatim.fastexcel.Workbook;
import org.dhatim.fastexcel.Worksheet;
import org.jalousie.demo.Client;
import org.jalousie.server.testbed.Office;
import org.jalousie.server.testbed.Registers;
import org.jalousie.server.testbed.Testbed;
import org.junit.jupiter.api.Test;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.ObjectNode;

/** Registers from tables, and as tables. */
class RegisterImportTest {
    private static final AtomicInteger COUNT = new AtomicInteger();

    private final Testbed bed = Testbed.start();
    private final Client client = new Office(bed.address()).client;
    private final Registers registers = new Registers(client);
    private final String objects = "objects_" + COUNT.incrementAndGet();
    private final String makers = "makers_" + COUNT.get();

    private void office() {
        registers.create(makers, "code TEXT", "name TEXT !");
        registers.create(objects, "number TEXT", "title TEXT !", "value MONEY", "made DATE", "maker TEXT > " + makers);
        registers.add(makers, Map.of("code", "WN", "name", "Workshop North"));
    }

    private String mend(JsonNode table, int number, Map<String, String> cells) {
        return client.put("/api/v1/tables/" + table.get("id").asString() + "/rows/" + number, Map.of("cells", cells))
                .json()
                .get("outcome")
                .asString();
    }

    @Test
    void nothingChangesBeforeSomebodySaysSoAndWhatWouldChangeIsShown() {
        office();
        registers.add(objects, Map.of("number", "O-1", "title", "Viola", "value", "EUR 900", "maker", "WN"));
        registers.add(objects, Map.of("number", "O-2", "title", "Flute"));

        JsonNode table = registers.bringIn(
                objects,
                "Number;Title;Value;Made;Maker\r\nO-1;Viola d’amore;EUR 1.250,00;3.4.1790;wn\r\nO-2;Flute;;;\r\nO-3;Drum;EUR 99,50;;\r\n");

        assertThat(Registers.outcomes(table)).isEqualTo(Map.of("CHANGED", 1L, "SAME", 1L, "NEW", 1L));
        assertThat(registers.labels(objects, "")).containsExactly("Viola", "Flute");
        JsonNode changed = registers.rows(table, "outcome=CHANGED").get(0);
        assertThat(changed.get("instead").get("title").asString()).isEqualTo("Viola");
        assertThat(changed.get("instead").get("value").asString()).isEqualTo("€900.00");
        assertThat(changed.get("instead").has("maker")).isFalse();

        JsonNode done = registers.carryOut(table);

        assertThat(Registers.outcomes(done)).isEqualTo(Map.of("DONE", 2L, "SAME", 1L));
        assertThat(registers.labels(objects, "")).containsExactly("Viola d’amore", "Flute", "Drum");
        assertThat(registers.labels(objects, "where=value:to:EUR+100.00")).containsExactly("Drum");
        // once more is nothing new
        assertThat(Registers.outcomes(registers.carryOut(done))).isEqualTo(Map.of("DONE", 2L, "SAME", 1L));
    }

    @Test
    void faultsAreToldAtTheirCellsAndMendedRowsGoOnWithoutDoingTheOthersTwice() {
        office();
        JsonNode table = registers.bringIn(
                objects,
                "number,title,value,made,maker\nO-1,Viola,EUR 1,2027-01-01,WN\nO-2,,EUR 2,,\nO-3,Drum,lots,,\nO-4,Flute,,,NOBODY\nO-5,Harp,EUR 5,,\nO-5,Other,EUR 6,,\n");
        assertThat(Registers.outcomes(table)).isEqualTo(Map.of("NEW", 1L, "FAULTY", 5L));
        List<String> faults = new ArrayList<>();
        registers
                .rows(table, "outcome=FAULTY")
                .forEach(row -> row.get("faults")
                        .properties()
                        .forEach(one -> faults.add(row.get("number").asInt() + " " + one.getKey())));
        assertThat(faults).containsExactly("3 title", "4 value", "5 maker", "6 ", "7 ");

        JsonNode first = registers.carryOut(table);
        assertThat(registers.labels(objects, "")).containsExactly("Viola");
        assertThat(mend(table, 3, Map.of("1", "Cello"))).isEqualTo("NEW");
        assertThat(mend(table, 4, Map.of("2", "EUR 3"))).isEqualTo("NEW");
        assertThat(mend(table, 5, Map.of("4", ""))).isEqualTo("NEW");
        assertThat(mend(table, 7, Map.of("0", "O-6"))).isEqualTo("NEW");
        assertThat(client.put(
                                "/api/v1/tables/" + table.get("id").asString() + "/rows/2",
                                Map.of("cells", Map.of("1", "Late")))
                        .status())
                .isEqualTo(409);
        registers.carryOut(first);

        assertThat(registers.labels(objects, "")).containsExactly("Viola", "Cello", "Drum", "Flute", "Harp", "Other");
        assertThat(registers.row(objects, id("O-1")).get("history")).hasSize(1);
    }

    private String id(String number) {
        return client.get("/api/v1/registers/" + objects + "/rows?where=number:is:" + number)
                .json()
                .get("items")
                .get(0)
                .get("id")
                .asString();
    }

    @Test
    void whatWasChangedElsewhereSinceItWasLookedOverIsNotOverwritten() {
        office();
        String viola = registers.add(objects, Map.of("number", "O-1", "title", "Viola"));
        JsonNode table = registers.bringIn(objects, "number,title\nO-1,Viola d’amore\n");
        registers.change(objects, viola, Map.of("title", "Viola of 1790"));

        JsonNode done = registers.carryOut(table);

        assertThat(Registers.outcomes(done)).isEqualTo(Map.of("FAULTY", 1L));
        assertThat(registers.rows(table, "").get(0).get("faults").get("").asString())
                .contains("changed since");
        assertThat(registers.labels(objects, "")).containsExactly("Viola of 1790");
    }

    @Test
    void emptyCellsLeaveWhatThereIsUnlessTheyAreToEmptyIt() {
        office();
        registers.add(objects, Map.of("number", "O-1", "title", "Viola", "value", "EUR 900", "made", "1790-01-01"));
        JsonNode table = registers.bringIn(objects, "number,title,value\nO-1,Viola,\n");
        assertThat(Registers.outcomes(table)).isEqualTo(Map.of("SAME", 1L));
        ((ObjectNode) table.get("settings")).put("clears", true);

        JsonNode clearing = registers.settle(table, table.get("settings"));

        assertThat(Registers.outcomes(clearing)).isEqualTo(Map.of("CHANGED", 1L));
        registers.carryOut(clearing);
        JsonNode values = registers.row(objects, id("O-1")).get("row").get("values");
        assertThat(values.has("value")).isFalse();
        assertThat(values.get("made").asString()).isEqualTo("1790-01-01");
    }

    @Test
    void howAFileIsReadCanBeChangedAndWhatColumnsAreIsKnownTheNextTime() {
        office();
        JsonNode table = registers.bringIn(
                objects,
                "x.csv",
                "Nr|Bezeichnung|Wert\nO-1|Flöte|EUR 1.250\n".getBytes(Charset.forName("windows-1252")));
        JsonNode settings = table.get("settings");
        assertThat(settings.get("style").get("separator").asString()).isEqualTo("|");
        assertThat(settings.get("style").get("encoding").asString()).isEqualTo("windows-1252");
        assertThat(settings.get("joins")).extracting(JsonNode::asString).containsExactly("", "", "value");
        assertThat(table.get("recognised").get("numbersSure").asBoolean()).isFalse();
        ((ObjectNode) settings)
                .set(
                        "joins",
                        ((ArrayNode) settings.get("joins")).set(0, "number").set(1, "title"));
        ((ObjectNode) settings.get("style")).put("numbers", "COMMA");

        JsonNode joined = registers.settle(table, settings);
        registers.carryOut(joined);

        assertThat(registers.labels(objects, "where=value:is:EUR+1250")).containsExactly("Flöte");
        JsonNode next = registers.bringIn(objects, "Nr;Bezeichnung;Wert\nO-2;Horn;EUR 3\n");
        assertThat(next.get("settings").get("joins"))
                .extracting(JsonNode::asString)
                .containsExactly("number", "title", "value");
    }

    @Test
    void aFileThatCannotBeReadOnIsToldAndCanBeTakenOtherwise() {
        office();
        StringBuilder text = new StringBuilder("number;title\n");
        for (int i = 0; i < 700; i++) text.append("O-").append(i).append(";Thing\n");
        JsonNode table = registers.bringIn(objects, text + "O-X;\"never closed\n");

        assertThat(table.get("state").asString()).isEqualTo("REFUSED");
        assertThat(table.get("reason").asString()).contains("quotation marks");
        assertThat(client.upload("/api/v1/registers/" + objects + "/imports", "x.pdf", "%PDF-1.7".getBytes())
                        .status())
                .isEqualTo(422);
        assertThat(client.upload("/api/v1/registers/" + objects + "/imports", "x.csv", new byte[0])
                        .status())
                .isEqualTo(422);
    }

    @Test
    void aWorkbookIsReadByItsSheets() throws IOException {
        office();
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        try (Workbook book = new Workbook(out, "test", "1.0")) {
            Worksheet one = book.newWorksheet("Notes");
            one.value(0, 0, "nothing here");
            Worksheet two = book.newWorksheet("Objects");
            two.value(0, 0, "Number");
            two.value(0, 1, "Title");
            two.value(1, 0, "O-1");
            two.value(1, 1, "Viola");
        }
        JsonNode table = registers.bringIn(objects, "all.xlsx", out.toByteArray());
        ((ObjectNode) table.get("settings").get("style")).put("sheet", "Objects");

        JsonNode other = registers.settle(table, table.get("settings"));

        assertThat(other.get("heads")).extracting(JsonNode::asString).containsExactly("Number", "Title");
        registers.carryOut(other);
        assertThat(registers.labels(objects, "")).containsExactly("Viola");
    }

    @Test
    void aRegisterGoesOutAsAFileThatComesInAgainAndNothingInItIsAFormula() {
        office();
        for (int i = 0; i < 3; i++)
            registers.add(
                    objects,
                    Map.of(
                            "number",
                            "=1+" + i,
                            "title",
                            "Thing\n\"" + i + "\";",
                            "value",
                            "EUR 12500",
                            "made",
                            "1790-01-0" + (i + 1),
                            "maker",
                            "WN"));
        for (String format : List.of("CSV", "XLSX")) {
            Client.Answer file = client.get("/api/v1/registers/" + objects + "/file?format=" + format);
            assertThat(file.status()).isEqualTo(200);
            JsonNode again = registers.bringIn(objects, "again", file.body());
            assertThat(Registers.outcomes(again)).as(format).isEqualTo(Map.of("SAME", 3L));
        }
        assertThat(client.get("/api/v1/registers/" + objects + "/file").text())
                .contains("\r\n'=1+0,")
                .doesNotContain("\n=");
        assertThat(client.get("/api/v1/registers/" + objects + "/file?where=made:from:1790-01-03")
                        .text())
                .contains("'=1+2")
                .doesNotContain("'=1+1");
    }

    @Test
    void aTableOfManyRowsIsShownPageByPage() {
        office();
        StringBuilder text = new StringBuilder("number,title\n");
        for (int i = 0; i < 1203; i++) text.append("O-").append(i).append(i == 700 ? ",\n" : ",Thing\n");

        JsonNode table = registers.bringIn(objects, text.toString());

        assertThat(Registers.outcomes(table)).isEqualTo(Map.of("NEW", 1202L, "FAULTY", 1L));
        assertThat(registers.rows(table, "page=24")).hasSize(3);
        assertThat(registers.rows(table, "outcome=FAULTY").get(0).get("number").asInt())
                .isEqualTo(702);
        assertThat(Registers.outcomes(registers.carryOut(table))).isEqualTo(Map.of("DONE", 1202L, "FAULTY", 1L));
        assertThat(client.get("/api/v1/registers/" + objects).json().get("rows").asInt())
                .isEqualTo(1202);
    }

    @Test
    void aTableThatWasStoppedStaysSo() {
        office();
        JsonNode table = registers.bringIn(objects, "number,title\nO-1,Viola\n");
        String path = "/api/v1/tables/" + table.get("id").asString();
        assertThat(client.post(path + "/stop", Map.of()).json().get("state").asString())
                .isEqualTo("STOPPED");

        int revision = table.get("revision").asInt();
        assertThat(client.post(path + "/carrying-out", Map.of("revision", revision))
                        .status())
                .isEqualTo(409);
        assertThat(client.put(path, Map.of("revision", revision, "settings", table.get("settings")))
                        .status())
                .isEqualTo(409);
        assertThat(client.put(path + "/rows/2", Map.of("cells", Map.of("1", "Harp")))
                        .status())
                .isEqualTo(409);
        assertThat(client.post(path + "/pause", Map.of()).json().get("state").asString())
                .isEqualTo("STOPPED");
        assertThat(registers.labels(objects, "")).isEmpty();
    }

    @Test
    void aRowThatWasTakenOutSinceItWasLookedOverIsNotMadeAnew() {
        office();
        String viola = registers.add(objects, Map.of("number", "O-1", "title", "Viola"));
        JsonNode table = registers.bringIn(objects, "number,title\nO-1,Viola d\u2019amore\n");
        assertThat(client.delete("/api/v1/registers/" + objects + "/rows/" + viola + "?revision=1")
                        .status())
                .isEqualTo(204);

        assertThat(Registers.outcomes(registers.carryOut(table))).isEqualTo(Map.of("FAULTY", 1L));
        assertThat(registers.labels(objects, "")).isEmpty();
    }

    @Test
    void whatARowNeedsMayBeThereWhenItIsLookedOverAgain() {
        office();
        JsonNode table = registers.bringIn(objects, "number,title,maker\nO-1,Viola,NEW\nO-2,Harp,WN\n");
        JsonNode done = registers.carryOut(table);
        assertThat(Registers.outcomes(done)).isEqualTo(Map.of("DONE", 1L, "FAULTY", 1L));
        registers.add(makers, Map.of("code", "NEW", "name", "New Workshop"));
        String path = "/api/v1/tables/" + table.get("id").asString();

        Registers.expect(
                200,
                client.post(
                        path + "/looking-over",
                        Map.of("revision", table.get("revision").asInt())));
        JsonNode again = registers.ready(table.get("id").asString());

        assertThat(Registers.outcomes(again)).isEqualTo(Map.of("DONE", 1L, "NEW", 1L));
        assertThat(Registers.outcomes(registers.carryOut(again))).isEqualTo(Map.of("DONE", 2L));
        assertThat(registers.row(objects, id("O-2")).get("history")).hasSize(1);
    }
}
