package org.jalousie.core.tables;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.nio.file.Path;
import java.time.ZoneId;
import java.util.List;
import org.jalousie.core.data.Field;
import org.jalousie.core.data.FieldName;
import org.jalousie.core.data.FieldType;
import org.jalousie.core.data.ValueReader;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class CellReaderTest {
    @TempDir
    Path folder;

    private static Field field(FieldType type, String... choices) {
        return new Field(new FieldName("x"), type, "X", false, "", List.of(choices));
    }

    private static String read(String order, String marks, Field field, Cell cell) throws ValueReader.Unreadable {
        TableStyle style = new TableStyle(
                TableStyle.Format.CSV,
                "UTF-8",
                ",",
                "",
                1,
                false,
                TableStyle.DateOrder.valueOf(order),
                TableStyle.NumberMarks.valueOf(marks));
        return new CellReader(style, ZoneId.of("Europe/Amsterdam"))
                .read(field, cell)
                .orElseThrow()
                .raw();
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "DAY_FIRST|3.4.2027|2027-04-03",
                "MONTH_FIRST|3/4/2027|2027-03-04",
                "DAY_FIRST|31-12-2027|2027-12-31",
                "DAY_FIRST|2027-03-04|2027-03-04",
                "MONTH_FIRST|2027/3/4|2027-03-04"
            })
    void datesAreReadInTheOrderOfTheFile(String order, String text, String day) throws Exception {
        assertThat(read(order, "POINT", field(FieldType.DATE), Cell.typed(text)))
                .isEqualTo(day);
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "DAY_FIRST|12/31/2027",
                "MONTH_FIRST|31/12/2027",
                "YEAR_FIRST|3/4/2027",
                "DAY_FIRST|3.4.27",
                "DAY_FIRST|30.02.2027",
                "DAY_FIRST|next week"
            })
    void aDateThatDoesNotFitIsNotTurnedRound(String order, String text) {
        assertThatThrownBy(() -> read(order, "POINT", field(FieldType.DATE), Cell.typed(text)))
                .isInstanceOf(ValueReader.Unreadable.class)
                .hasMessageContaining("four digits of its year");
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "POINT|1,250.50|1250.50",
                "COMMA|1.250,50|1250.50",
                "SPACE_COMMA|1 250,50|1250.50",
                "APOSTROPHE|1'250.50|1250.50",
                "COMMA|1.250|1250",
                "POINT|1.250|1.250"
            })
    void numbersAreReadByTheMarksOfTheFile(String marks, String text, String number) throws Exception {
        assertThat(read("YEAR_FIRST", marks, field(FieldType.NUMBER), Cell.typed(text)))
                .isEqualTo(number);
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "COMMA|€ 1.250,50|EUR 1250.50",
                "POINT|£12|GBP 12.00",
                "COMMA|1.250,50 €|EUR 1250.50",
                "COMMA|EUR 99|EUR 99.00"
            })
    void moneyHasItsCurrency(String marks, String text, String money) throws Exception {
        assertThat(read("YEAR_FIRST", marks, field(FieldType.MONEY), Cell.typed(text)))
                .isEqualTo(money);
    }

    @Test
    void moneyWithoutACurrencyIsNotGivenOne() {
        assertThatThrownBy(() -> read("YEAR_FIRST", "POINT", field(FieldType.MONEY), Cell.known("1250")))
                .isInstanceOf(ValueReader.Unreadable.class);
        assertThatThrownBy(() -> read("YEAR_FIRST", "POINT", field(FieldType.MONEY), Cell.typed("$ 1250")))
                .isInstanceOf(ValueReader.Unreadable.class);
    }

    @ParameterizedTest
    @CsvSource({"ja,yes", "Nee,no", "OUI,yes", "0,no", "true,yes"})
    void yesAndNoAreReadInTheLanguagesOfTheOffice(String word, String raw) throws Exception {
        assertThat(read("YEAR_FIRST", "POINT", field(FieldType.YES_NO), Cell.typed(word)))
                .isEqualTo(raw);
    }

    @Test
    void aChoiceMayBeWrittenInOtherCapitalsWhereOneAloneIsMeant() throws Exception {
        assertThat(read(
                        "YEAR_FIRST",
                        "POINT",
                        field(FieldType.CHOICE, "By courier", "By post"),
                        Cell.typed("BY COURIER")))
                .isEqualTo("By courier");
        assertThatThrownBy(() -> read("YEAR_FIRST", "POINT", field(FieldType.CHOICE, "A", "a"), Cell.typed("Å")))
                .isInstanceOf(ValueReader.Unreadable.class);
    }

    @Test
    void aTimeWithoutAZoneIsTheOffices() throws Exception {
        assertThat(read("DAY_FIRST", "POINT", field(FieldType.DATE_TIME), Cell.typed("3.4.2027 9:30")))
                .isEqualTo("2027-04-03T09:30 Europe/Amsterdam");
        assertThat(read("DAY_FIRST", "POINT", field(FieldType.DATE_TIME), Cell.known("2027-04-03T09:30")))
                .isEqualTo("2027-04-03T09:30 Europe/Amsterdam");
    }

    @Test
    void whatAFormulaFailedWithIsNoText() {
        assertThatThrownBy(() -> read("DAY_FIRST", "POINT", field(FieldType.TEXT), Cell.failed("#REF!")))
                .isInstanceOf(ValueReader.Unreadable.class)
                .hasMessageContaining("#REF!");
        assertThatThrownBy(() -> read("DAY_FIRST", "POINT", field(FieldType.TEXT), Cell.failed("")))
                .hasMessageContaining("nobody has worked out");
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "13/02/2027 05/06/2027|DAY_FIRST|true",
                "02/13/2027 05/06/2027|MONTH_FIRST|true",
                "05/06/2027 07/08/2027|DAY_FIRST|false",
                "5.6.2027 7.8.2027|DAY_FIRST|true",
                "13/02/2027 02/13/2027|DAY_FIRST|false",
                "2027-01-02 2027-03-04|YEAR_FIRST|true"
            })
    void theOrderOfDatesFollowsFromWhatIsPossible(String dates, String order, boolean sure) {
        Recognised recognised = Tables.csv(folder, "day,x\n" + dates.replace(" ", ",1\n") + ",1\n")
                .recognised();

        assertThat(recognised.style().dates()).hasToString(order);
        assertThat(recognised.datesSure()).isEqualTo(sure);
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "1.250,50 7|COMMA|true",
                "1,250.50 7|POINT|true",
                "12.50 7|POINT|true",
                "12,5 7|COMMA|true",
                "1.250 7|POINT|false",
                "7 8|POINT|true"
            })
    void theMarksOfNumbersFollowFromWhatIsPossible(String numbers, String marks, boolean sure) {
        Recognised recognised = Tables.csv(folder, "value;x\n" + numbers.replace(" ", ";1\n") + ";1\n")
                .recognised();

        assertThat(recognised.style().numbers()).hasToString(marks);
        assertThat(recognised.numbersSure()).isEqualTo(sure);
    }
}
