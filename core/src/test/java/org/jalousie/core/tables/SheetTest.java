package org.jalousie.core.tables;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.InputStream;
import java.math.BigDecimal;
import java.nio.file.Path;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Currency;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.zip.ZipEntry;
import java.util.zip.ZipOutputStream;
import org.dhatim.fastexcel.Workbook;
import org.dhatim.fastexcel.Worksheet;
import org.jalousie.core.data.Value;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

/** Workbooks of other writers: PyPI's openpyxl 3.1.5 and xlsxwriter 3.2.9, LibreOffice ({@code tables/write.py} made them), Maven's fastexcel 0.19. */
class SheetTest {
    @TempDir
    Path folder;

    private TableFile workbook(String name) throws IOException {
        try (InputStream in = SheetTest.class.getResourceAsStream("/tables/" + name + ".xlsx")) {
            return Tables.file(folder, in.readAllBytes());
        }
    }

    private static TableStyle withHidden(TableStyle style) {
        return new TableStyle(
                style.format(), "", "", style.sheet(), style.headRow(), true, style.dates(), style.numbers());
    }

    @ParameterizedTest
    @ValueSource(strings = {"openpyxl", "xlsxwriter", "libreoffice", "from1904"})
    void daysMomentsMoneyTruthsAndNumbersAreWhatTheirCellsShow(String writer) throws IOException {
        TableFile file = workbook(writer);
        Recognised recognised = file.recognised();

        assertThat(recognised.style().sheet()).isEqualTo("Objects");
        assertThat(recognised.style().headRow()).isEqualTo(2);
        assertThat(file.heads(recognised.style()))
                .containsExactly(
                        "Number", "Title", "Maker", "Value", "Insured", "From", "Collected", "Fragile", "Total");
        assertThat(Tables.read(file, recognised.style()).get(0).subList(0, 8))
                .containsExactly(
                        "00007",
                        "Viola d’amore",
                        "Workshop North",
                        "12500.5",
                        "EUR 12500.5",
                        "2027-03-15",
                        "2027-04-01T09:30",
                        "yes");
        assertThat(Tables.read(file, recognised.style()).get(1).subList(3, 5)).containsExactly("0.1", "EUR 0.1");
    }

    @ParameterizedTest
    @ValueSource(strings = {"openpyxl", "xlsxwriter", "libreoffice"})
    void aJoinedCellCountsForEachOfItsRows(String writer) throws IOException {
        TableFile file = workbook(writer);

        assertThat(file.recognised().merged()).isEqualTo(2);
        assertThat(Tables.read(file)).extracting(row -> row.get(2)).startsWith("Workshop North", "Workshop North");
    }

    @ParameterizedTest
    @ValueSource(strings = {"openpyxl", "xlsxwriter", "libreoffice"})
    void hiddenRowsAreCountedAndReadOnlyWhereThatIsWanted(String writer) throws IOException {
        TableFile file = workbook(writer);
        Recognised recognised = file.recognised();

        assertThat(recognised.hiddenRows()).isEqualTo(1);
        assertThat(Tables.read(file, recognised.style()))
                .extracting(row -> row.get(1))
                .containsExactly("Viola d’amore", "Flute", "=1+1");
        assertThat(Tables.read(file, withHidden(recognised.style())))
                .extracting(row -> row.get(1))
                .contains("Hidden drum");
    }

    @ParameterizedTest
    @ValueSource(strings = {"xlsxwriter", "libreoffice"})
    void formulasAreWhatTheyCameTo(String writer) throws IOException {
        assertThat(totals(writer))
                .containsExactly(Cell.known("25001"), Cell.failed("#DIV/0!"), Cell.known("2469135.78"));
    }

    @Test
    void aFormulaThatNobodyHasWorkedOutIsNoEmptyCell() throws IOException {
        assertThat(totals("openpyxl")).containsOnly(Cell.failed(""));
    }

    private List<Cell> totals(String writer) throws IOException {
        TableFile file = workbook(writer);
        List<Cell> cells = new ArrayList<>();
        file.rows(file.recognised().style(), (number, row) -> cells.add(row.get(8)));
        return cells;
    }

    @Test
    void anotherSheetCanBeChosen() throws IOException {
        TableFile file = workbook("openpyxl");
        TableStyle other = new TableStyle(
                TableStyle.Format.XLSX,
                "",
                "",
                "Other",
                1,
                false,
                TableStyle.DateOrder.YEAR_FIRST,
                TableStyle.NumberMarks.POINT);

        assertThat(file.recognised().sheets()).containsExactlyInAnyOrder("Objects", "Other");
        assertThat(file.heads(other)).containsExactly("not", "this");
        assertThatThrownBy(() -> file.rows(
                        new TableStyle(other.format(), "", "", "Gone", 1, false, other.dates(), other.numbers()),
                        (number, row) -> true))
                .hasMessageContaining("no sheet called “Gone”");
    }

    @Test
    void whatIsWrittenIsReadAgain() throws IOException {
        List<Optional<Value>> row = List.of(
                Optional.of(new Value.Text("=HYPERLINK(\"x\")")),
                Optional.of(new Value.Amount(new BigDecimal("12.5"))),
                Optional.of(new Value.Money(Currency.getInstance("JPY"), new BigDecimal("1250"))),
                Optional.of(new Value.Day(LocalDate.of(2027, 3, 15))),
                Optional.of(new Value.Day(LocalDate.of(1899, 3, 15))),
                Optional.empty(),
                Optional.of(new Value.YesNo(true)),
                Optional.of(new Value.Amount(new BigDecimal("12345678901234567890.5"))));
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        try (TableWriter writer = new SheetWriter(out, "Objects [2027]")) {
            writer.heads(List.of("a", "b", "c", "d", "e", "f", "g", "h"));
            writer.row(row);
        }

        TableFile file = Tables.file(folder, out.toByteArray());

        assertThat(Tables.read(file))
                .containsExactly(List.of(
                        "=HYPERLINK(\"x\")",
                        "12.5",
                        "JPY 1250",
                        "2027-03-15",
                        "1899-03-15",
                        "",
                        "yes",
                        "12345678901234567890.5"));
    }

    @Test
    void aWorkbookOfAThirdKindIsReadToo() throws IOException {
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        try (Workbook book = new Workbook(out, "test", "1.0")) {
            Worksheet sheet = book.newWorksheet("Rows");
            sheet.value(0, 0, "name");
            sheet.value(0, 2, "day");
            sheet.value(1, 0, "Ida & <Pim>");
            sheet.value(1, 2, LocalDate.of(2027, 3, 15));
            sheet.style(1, 2).format("yyyy-MM-dd").set();
            sheet.inlineString(2, 0, "inline");
        }
        TableFile file = Tables.file(folder, out.toByteArray());

        assertThat(file.heads(file.recognised().style())).containsExactly("name", "B", "day");
        assertThat(Tables.read(file)).containsExactly(List.of("Ida & <Pim>", "", "2027-03-15"), List.of("inline"));
    }

    /** A workbook of one sheet, with what stands in its element {@code worksheet}. */
    private TableFile raw(String sheet) throws IOException {
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        try (ZipOutputStream zip = new ZipOutputStream(out)) {
            Map<String, String> parts = new LinkedHashMap<>();
            parts.put(
                    "xl/workbook.xml",
                    "<workbook xmlns:r='urn:r'><sheets><sheet name='One' sheetId='1' r:id='a'/></sheets></workbook>");
            parts.put(
                    "xl/_rels/workbook.xml.rels",
                    "<Relationships><Relationship Id='a' Type='x/worksheet' Target='sheet.xml'/></Relationships>");
            parts.put("xl/sheet.xml", "<worksheet>" + sheet + "</worksheet>");
            for (Map.Entry<String, String> part : parts.entrySet()) {
                zip.putNextEntry(new ZipEntry(part.getKey()));
                zip.write(part.getValue().getBytes(java.nio.charset.StandardCharsets.UTF_8));
            }
        }
        return Tables.file(folder, out.toByteArray());
    }

    private static String text(String place, String text) {
        return "<c r='" + place + "' t='inlineStr'><is><t>" + text + "</t></is></c>";
    }

    @Test
    void rowsAndCellsThatSayAWrongPlaceStandWhereTheyCome() throws IOException {
        TableFile file = raw("<sheetData><row r='1'>" + text("A1", "a") + text("7", "b") + "</row><row r='1'>"
                + text("A1", "x") + "</row><row r='1'>" + text("A1", "y") + "</row></sheetData>");
        TableStyle style = file.recognised().style();
        List<Integer> numbers = new ArrayList<>();
        file.rows(style, (number, cells) -> numbers.add(number));

        assertThat(file.heads(style)).containsExactly("a", "b");
        assertThat(numbers).containsExactly(2, 3);
    }

    @Test
    void aTitleOverAllColumnsAndCellsWithALookAloneMakeATableNoWider() throws IOException {
        TableFile file = raw("<sheetData><row r='1'>" + text("A1", "All of it") + "</row><row r='2'>" + text("A2", "a")
                + text("B2", "b") + "<c r='XFD2' s='3'/></row><row r='3'>" + text("A3", "x") + text("B3", "y")
                + "</row></sheetData><mergeCells><mergeCell ref='A1:XFD1'/></mergeCells>");
        TableStyle style = file.recognised().style();

        assertThat(style.headRow()).isEqualTo(2);
        assertThat(file.heads(style)).containsExactly("a", "b");
        assertThat(Tables.read(file, style)).containsExactly(List.of("x", "y"));
    }
}
