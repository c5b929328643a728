package org.jalousie.core.data;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.List;
import java.util.Locale;
import java.util.Optional;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class ValueReaderTest {
    private static Field field(FieldType type) {
        return new Field(new FieldName("f"), type, "F", true, "", List.of("book", "film"));
    }

    private static String raw(FieldType type, String input) throws ValueReader.Unreadable {
        return ValueReader.read(field(type), input).map(Value::raw).orElse("");
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "MONEY|EUR 12500|EUR 12500.00", "MONEY|eur 12,500.5|EUR 12500.50", "MONEY|JPY 900|JPY 900",
                        "NUMBER|1,250.50|1250.50",
                "DATE|2027-03-15|2027-03-15", "YES_NO|TRUE|yes", "CHOICE|film|film",
                        "MAIL_ADDRESS|ida.marsh@example.org|ida.marsh@example.org"
            })
    void whatWasTypedIsReadAndKeptInOneForm(FieldType type, String input, String kept) throws Exception {
        assertThat(raw(type, input)).isEqualTo(kept);
        assertThat(raw(type, kept)).isEqualTo(kept);
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "MONEY|12500|currency code", "MONEY|XXQ 5|ISO 4217", "MONEY|EUR 1.005|decimal places",
                        "NUMBER|twelve|number", "DATE|15.3.2027|year-month-day",
                "DATE|2027-02-30|date", "YES_NO|maybe|yes or no", "CHOICE|radio|book, film",
                        "MAIL_ADDRESS|ida@nowhere|mail address", "MAIL_ADDRESS|a b@example.org|mail address"
            })
    void whatCannotBeReadIsRefusedWithWhatIsExpected(FieldType type, String input, String says) {
        assertThatThrownBy(() -> raw(type, input))
                .isInstanceOf(ValueReader.Unreadable.class)
                .hasMessageContaining(says);
    }

    @Test
    void blanksAreEmptyAndLinesStayOnlyWhereThereAreMany() throws Exception {
        assertThat(ValueReader.read(field(FieldType.TEXT), "  ")).isEqualTo(Optional.empty());
        assertThat(raw(FieldType.TEXT, "two\r\nlines")).isEqualTo("two lines");
        assertThat(raw(FieldType.LONG_TEXT, "two\r\nlines")).isEqualTo("two\nlines");
    }

    @Test
    void aCharacterThatNoDocumentCanCarryIsNamed() {
        assertThatThrownBy(() -> raw(FieldType.TEXT, "a\u0007b"))
                .hasMessageContaining("U+0007")
                .hasMessageContaining("Character 2");
    }

    // Unicode CLDR 42, as shipped with Java 17; the expected words are from memory
    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "en-GB|15 March 2027",
                "de-DE|15. M\u00e4rz 2027",
                "fr-FR|15 mars 2027",
                "nl-NL|15 maart 2027",
                "it-IT|15 marzo 2027",
                "es-ES|15 de marzo de 2027"
            })
    void datesPrintInTheLanguageOfTheTemplate(String language, String printed) throws Exception {
        Value value = ValueReader.read(field(FieldType.DATE), "2027-03-15").orElseThrow();
        assertThat(Printer.in(Locale.forLanguageTag(language)).print(value, "")).isEqualTo(printed);
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "NAME|Ida Jane Marsh|Marsh;Ida Jane;;;",
                "NAME|Marsh, Ida|Marsh;Ida;;;",
                "NAME|Marsh\\;Oake;Ida;;Dr;|Marsh\\;Oake;Ida;;Dr;",
                "ADDRESS|;;Mill Rise 3;Oudehaven;;4811 AB;NL|;;Mill Rise 3;Oudehaven;;4811 AB;NL",
                "ADDRESS|Mill Rise 3, Oudehaven, 4811 AB, NL|;;Mill Rise 3;Oudehaven;;4811 AB;NL",
                "DATE_TIME|2027-03-15 09:00 Europe/London|2027-03-15T09:00 Europe/London",
                "WEB_ADDRESS|https://example.org/a|https://example.org/a",
                "PHONE|+44 1632 960 018|+44 1632 960 018",
                "RICH_TEXT|<p>a<script>x</script></p>|<p>a</p>"
            })
    void whatIsMadeOfPartsIsKeptInOneOpenForm(FieldType type, String input, String kept) throws Exception {
        assertThat(raw(type, input)).isEqualTo(kept);
        assertThat(raw(type, kept)).isEqualTo(kept);
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "DATE_TIME|2027-03-15 09:00|time zone",
                "DATE_TIME|2027-03-15T09:00 Mars/Port|time zone",
                "WEB_ADDRESS|javascript:x()|web address",
                "PHONE|12|telephone",
                "PICTURE|../../etc|picture",
                "NAME|;;;;|name",
                "ADDRESS|a,b,c,d,e|four lines"
            })
    void whatIsMadeOfPartsIsRefusedInASentence(FieldType type, String input, String says) {
        assertThatThrownBy(() -> raw(type, input))
                .isInstanceOf(ValueReader.Unreadable.class)
                .hasMessageContaining(says);
    }

    @Test
    void itemsAreReadFieldByFieldAndFaultsNameTheItem() throws Exception {
        Field list = Field.list(
                new FieldName("objects"),
                List.of(
                        new Field(new FieldName("title"), FieldType.TEXT, "Title", true, "", List.of()),
                        new Field(new FieldName("value"), FieldType.MONEY, "Value", false, "", List.of())));
        String kept = "[{\"title\":\"Viola\",\"value\":\"EUR 5.00\"},{\"title\":\"Bow\"}]";
        assertThat(ValueReader.read(list, "[{\"title\": \"Viola\", \"value\": \"EUR 5\"}, {\"title\":\"Bow\"}]")
                        .orElseThrow()
                        .raw())
                .isEqualTo(kept);
        assertThat(ValueReader.read(list, kept).orElseThrow().raw()).isEqualTo(kept);
        assertThatThrownBy(() -> ValueReader.read(list, "[{\"title\":\"a\"},{\"value\":\"EUR 5\"}]"))
                .hasMessage("Item 2, Title: Title is required.");
        assertThatThrownBy(() -> ValueReader.read(list, "[{\"titel\":\"a\"}]")).hasMessageContaining("titel");
        assertThatThrownBy(() -> ValueReader.read(list, "viola")).hasMessageContaining("JSON array");
    }

    @Test
    void aNameOneSlipAwayIsFound() {
        assertThat(LookAlike.of("lendername", List.of("lender_name", "borrower_name")))
                .contains("lender_name");
        assertThat(LookAlike.of("borower_name", List.of("lender_name", "borrower_name")))
                .contains("borrower_name");
        assertThat(LookAlike.of("line_1", List.of("line_2"))).isEmpty();
        assertThat(LookAlike.of("fee", List.of("see"))).isEmpty();
    }

    @ParameterizedTest
    @CsvSource({
        "By courier,by_courier",
        "Borrower\u2019s insurance,borrowers_insurance",
        "\u00c9t\u00e9 2027!,ete_2027",
        "1st,case_1st"
    })
    void aChoiceIsNamedInTagsByItsWords(String choice, String key) {
        assertThat(Field.caseKey(choice)).isEqualTo(key);
    }
}
