package org.jalousie.core.tables;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.jalousie.core.data.Value;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;

class CsvTest {
    @TempDir
    Path folder;

    private TableFile csv(String text) {
        return Tables.csv(folder, text);
    }

    /** RFC 4180 §2, the seven examples of the definition. */
    @ParameterizedTest
    @ValueSource(
            strings = {
                "aaa,bbb,ccc\r\nzzz,yyy,xxx\r\n",
                "aaa,bbb,ccc\r\nzzz,yyy,xxx",
                "\"aaa\",\"bbb\",\"ccc\"\r\nzzz,yyy,xxx"
            })
    void aLineBreakAtTheEndAndQuotationMarksAroundACellMakeNoDifference(String text) {
        TableFile file = csv(text);
        TableStyle style = file.recognised().style();

        assertThat(file.heads(style)).containsExactly("aaa", "bbb", "ccc");
        assertThat(Tables.read(file, style)).containsExactly(List.of("zzz", "yyy", "xxx"));
    }

    @Test
    void cellsHoldLineBreaksCommasAndQuotationMarks() {
        TableFile file = csv("field_name,b,c\r\n\"b CRLF\r\nbb\",\"x,y\",\"b\"\"bb\"\r\n");

        assertThat(Tables.read(file)).containsExactly(List.of("b CRLF\r\nbb", "x,y", "b\"bb"));
    }

    @Test
    void blanksBelongToTheirCell() {
        assertThat(Tables.read(csv("a,b\n x , y\n"))).containsExactly(List.of(" x ", " y"));
    }

    @ParameterizedTest
    @ValueSource(strings = {"\n", "\r\n", "\r"})
    void anyLineEndEndsARow(String end) {
        assertThat(Tables.read(csv("name;town" + end + "Ida;Oudehaven" + end)))
                .containsExactly(List.of("Ida", "Oudehaven"));
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = ' ',
            value = {"comma ,", "semicolon ;", "bar |"})
    void theSeparatorIsFoundOut(String name, String mark) {
        String text = "name,town,note\nIda,Oudehaven,x\nPim,Delft,y\n".replace(",", mark);

        assertThat(Tables.read(csv(text))).hasSize(2).allMatch(row -> row.size() == 3);
    }

    @Test
    void aSeparatorThatStandsInNumbersIsNotTakenForTheOneBetweenCells() {
        TableFile file = csv("item;value\nViola;1.250,50\nCello;12.000,00\nFlute;3,20\n");

        Recognised recognised = file.recognised();

        assertThat(recognised.style().separator()).isEqualTo(";");
        assertThat(recognised.style().numbers()).isEqualTo(TableStyle.NumberMarks.COMMA);
        assertThat(recognised.numbersSure()).isTrue();
    }

    @ParameterizedTest
    @ValueSource(strings = {"UTF-8", "UTF-16LE", "UTF-16BE", "windows-1252"})
    void theEncodingIsFoundOutWithoutAMark(String encoding) {
        TableFile file =
                Tables.csv(folder, "naam;plaats\nZoë Müller;Brüssel\n“Ida”;Köln – Deutz\n".replace("–", "-"), encoding);

        assertThat(file.recognised().style().encoding()).isEqualTo(encoding);
        assertThat(Tables.read(file).get(0)).containsExactly("Zoë Müller", "Brüssel");
    }

    @ParameterizedTest
    @ValueSource(strings = {"UTF-8", "UTF-16LE", "UTF-16BE"})
    void aMarkAtTheBeginningIsNoLetterOfTheFirstHead(String encoding) {
        TableFile file = Tables.csv(folder, "\ufeffname,town\nIda,Köln\n", encoding);

        assertThat(file.recognised().style().encoding()).isEqualTo(encoding);
        assertThat(file.heads(file.recognised().style())).containsExactly("name", "town");
    }

    @Test
    void anEncodingThatDoesNotFitIsToldWithItsRow() {
        TableFile file = Tables.csv(folder, "name\nIda\nZoë\n", "windows-1252");
        TableStyle chosen = new TableStyle(
                TableStyle.Format.CSV,
                "UTF-8",
                ",",
                "",
                1,
                false,
                TableStyle.DateOrder.YEAR_FIRST,
                TableStyle.NumberMarks.POINT);

        assertThatThrownBy(() -> Tables.read(file, chosen))
                .isInstanceOf(NotATable.class)
                .hasMessageContaining("no letters in UTF-8");
    }

    @ParameterizedTest
    @ValueSource(strings = {"a,b\n\"x\"y,1\n", "a,b\n1,\"never closed\n2,3\n"})
    void quotationMarksThatDoNotPairUpAreToldWithTheirRowAndNothingIsGuessed(String text) {
        TableFile file = csv(text);
        TableStyle style = csv("a,b\n1,2\n").recognised().style();

        assertThatThrownBy(() -> Tables.read(file, style))
                .isInstanceOf(NotATable.class)
                .hasMessageContaining("From row 2 on");
    }

    @Test
    void aTitleOverTheTableIsNoRowOfHeads() {
        TableFile file = csv("Loans of spring 2027,,\n,,\nnumber,lender,town\n7,Ida,Delft\n");
        TableStyle style = file.recognised().style();

        assertThat(style.headRow()).isEqualTo(3);
        assertThat(file.heads(style)).containsExactly("number", "lender", "town");
        List<Integer> numbers = new ArrayList<>();
        file.rows(style, (number, cells) -> numbers.add(number));
        assertThat(numbers).containsExactly(4);
    }

    @Test
    void headsThatAreMissingOrTwiceGetNamesOfTheirOwn() {
        TableFile file = csv("name,,name,name\nIda,x,y,z\n");

        assertThat(file.heads(file.recognised().style().headedBy(1))).containsExactly("name", "B", "name 2", "name 3");
    }

    @Test
    void rowsWithNothingInThemAreNone() {
        assertThat(Tables.read(csv("a,b\n\n1,2\n,\n  ,\n3,4\n"))).containsExactly(List.of("1", "2"), List.of("3", "4"));
    }

    @Test
    void whatASpreadsheetProgramWouldWorkOutIsWrittenHarmlesslyAndReadAsItWas() throws IOException {
        List<String> texts = List.of(
                "=1+1",
                "+44 20 7946 0018",
                "-2+3",
                "@SUM(A1)",
                "\tx",
                "'=quoted",
                "''-2+3",
                "'plain",
                "-5",
                "+12.50",
                "x=1",
                "＝1+1");
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        try (TableWriter writer = new CsvWriter(out)) {
            writer.heads(List.of("text", "other"));
            for (String text : texts)
                writer.row(List.of(Optional.of(new Value.Text(text)), Optional.of(new Value.Text("x"))));
        }

        String written = out.toString(StandardCharsets.UTF_8);
        TableFile read = Tables.file(folder, out.toByteArray());

        assertThat(written.split("\r\n"))
                .filteredOn(line -> line.matches("\"?[=+@\t].*|\"?-\\d\\+.*"))
                .containsExactly("+12.50,x");
        assertThat(Tables.read(read).stream().map(row -> row.get(0))).containsExactlyElementsOf(texts);
    }

    @Test
    void jsonIsATableWhoseColumnsAreAllMembers() {
        TableFile file = csv(
                "[{\"name\":\"Ida\",\"value\":1250.50,\"abroad\":true},{\"name\":\"Pim\",\"objects\":[{\"title\":\"Viola\"}]}]");
        TableStyle style = file.recognised().style();

        assertThat(file.heads(style)).containsExactly("name", "value", "abroad", "objects");
        assertThat(Tables.read(file, style))
                .containsExactly(
                        List.of("Ida", "1250.50", "yes", ""), List.of("Pim", "", "", "[{\"title\":\"Viola\"}]"));
    }

    @Test
    void jsonMayHaveAnObjectInEachLine() {
        assertThat(Tables.read(csv("{\"a\":\"1\"}\n{\"a\":\"2\"}\n"))).containsExactly(List.of("1"), List.of("2"));
    }

    @ParameterizedTest
    @ValueSource(strings = {"[{\"a\":1},{\"a\":", "[1,2]", "{\"a\":1} {oops}"})
    void jsonThatIsNoTableIsToldWhere(String text) {
        assertThatThrownBy(() -> csv(text).recognised())
                .isInstanceOf(NotATable.class)
                .hasMessageContaining("JSON");
    }

    @Test
    void whatIsNoTableIsToldWithACure() {
        assertThatThrownBy(() -> csv("")).isInstanceOf(NotATable.class);
        assertThatThrownBy(() -> csv("%PDF-1.7 …")).hasMessageContaining("CSV file, a workbook");
        assertThatThrownBy(() -> Tables.file(folder, new byte[] {(byte) 0xd0, (byte) 0xcf, 0x11, (byte) 0xe0}))
                .hasMessageContaining("save it as .xlsx");
        assertThatThrownBy(() -> csv("PK\u0003\u0004 no archive").recognised()).hasMessageContaining("can’t be read");
    }

    @Test
    void whatNoDatabaseCanKeepIsToldWithItsRow() {
        TableFile nul = csv("a,b\n1,2\nx\u0000y,3\n");
        TableFile half = csv("[{\"a\":\"fine\"},{\"a\":\"\\ud83c\"}]");

        for (TableFile file : List.of(nul, half))
            assertThatThrownBy(() -> Tables.read(file, file.recognised().style()))
                    .isInstanceOf(NotATable.class)
                    .hasMessageContaining("a character that can\u2019t be kept");
        assertThat(Tables.read(csv("[{\"a\":\"\\ud83c\\udfbb\"}]"))).containsExactly(List.of("\ud83c\udfbb"));
    }
}
