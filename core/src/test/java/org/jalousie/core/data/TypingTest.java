package org.jalousie.core.data;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.math.BigDecimal;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Random;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;

class TypingTest {
    private static final Field NUMBER = new Field(new FieldName("n"), FieldType.NUMBER, "N", false, "", List.of());
    private static final Field MONEY = new Field(new FieldName("m"), FieldType.MONEY, "M", false, "", List.of());

    private static Typing in(String language) {
        return Typing.in(Locale.forLanguageTag(language));
    }

    private static String read(Field field, String language, String typed) throws ValueReader.Unreadable {
        Typing typing = language.equals("plain") ? Typing.PLAIN : in(language);
        return ValueReader.read(field, typed, typing).orElseThrow().raw();
    }

    @ParameterizedTest
    @ValueSource(strings = {"en-GB", "nl", "de", "fr", "es", "sv", "de-CH", "hi", "ar"})
    void whatTheFormShowsIsWhatIsReadAgain(String language) throws ValueReader.Unreadable {
        Random random = new Random(7);
        Typing typing = in(language);
        for (int i = 0; i < 400; i++) {
            BigDecimal number = BigDecimal.valueOf(random.nextLong(2_000_000_000_000L) - 1_000_000_000_000L, i % 5);
            assertThat(typing.number(typing.shown(number))).isEqualTo(number);
            Value.Money money = new Value.Money(
                    java.util.Currency.getInstance("EUR"), BigDecimal.valueOf(random.nextLong(100_000_000_00L), 2));
            assertThat(ValueReader.read(MONEY, typing.shown(money), typing)).contains(money);
            // what is printed without its currency is a number that a person may type back
            Printer printer = Printer.in(Locale.forLanguageTag(language));
            assertThat(typing.number(printer.print(new Value.Amount(number), "")))
                    .isEqualTo(number);
        }
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "en-GB|1,250|1250",
                "en-GB|1,250.5|1250.5",
                "en-GB|1250|1250",
                "en-GB|-12.50|-12.50",
                "nl|1.250|1250",
                "nl|12,50|12.50",
                "nl|1.250.000,5|1250000.5",
                "de|12.500,00|12500.00",
                "fr|1 250,5|1250.5",
                "sv|1 250|1250",
                "de-CH|1'250.50|1250.50",
                "en-IN|12,34,567|1234567",
                "ar|\u0661\u0662|12",
                "en-GB|\u22125|-5",
                "plain|12500.00|12500.00",
                "plain|12,500.00|12500.00",
                "plain|1.250|1.250"
            })
    void aNumberIsReadByTheMarksOfTheLanguage(String language, String typed, String read)
            throws ValueReader.Unreadable {
        assertThat(read(NUMBER, language, typed)).isEqualTo(read);
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "en-GB|12,50|12.50|1,250", "en-GB|1,2500|1.2500|12,500", "nl|12.50|12,50|1.250", "de|1.25|1,25|125",
                "fr|1.250|1,250|1\u202f250", "plain|12,50|12.50|1250", "plain|1,250|1.250|1250",
                        "en-GB|12,34,567|1,234,567|",
                "nl|1,250.00|1.250,00|", "en-GB|1.250,50|1,250.50|"
            })
    void whatCouldBeMeantInTwoWaysIsRefusedWithBothReadings(String language, String typed, String one, String other) {
        assertThatThrownBy(() -> read(NUMBER, language, typed))
                .isInstanceOf(ValueReader.Unreadable.class)
                .hasMessageContaining(one)
                .hasMessageContaining(other == null ? "" : other);
    }

    @Test
    void moneyIsReadAsStrictly() throws ValueReader.Unreadable {
        assertThat(read(MONEY, "nl", "EUR 12,50")).isEqualTo("EUR 12.50");
        assertThat(read(MONEY, "nl", "12.500,00 eur")).isEqualTo("EUR 12500.00");
        assertThatThrownBy(() -> read(MONEY, "plain", "EUR 12,50"))
                .hasMessageContaining("12.50")
                .hasMessageContaining("1250");
        assertThatThrownBy(() -> read(MONEY, "en-GB", "EUR 12,50")).hasMessageContaining("1,250");
    }

    @Test
    void numbersWithinItemsAreReadInTheLanguageToo() throws ValueReader.Unreadable {
        Field list = Field.list(new FieldName("objects"), List.of(MONEY));
        Value items =
                ValueReader.read(list, "[{\"m\":\"EUR 1.250,00\"}]", in("de")).orElseThrow();
        assertThat(items.raw()).isEqualTo("[{\"m\":\"EUR 1250.00\"}]");
        assertThat(in("de").shown(items)).isEqualTo("[{\"m\":\"EUR 1.250,00\"}]");
        assertThatThrownBy(() -> ValueReader.read(list, "[{\"m\":\"EUR 12,50\"}]", in("en-GB")))
                .hasMessageContaining("Item 1, M:")
                .hasMessageContaining("12.50");
    }

    @Test
    void aLanguageThatNobodyHasIsNotTaken() {
        assertThat(Typing.of("tlh")).isEmpty();
        assertThat(Typing.of("")).contains(Typing.PLAIN);
        assertThat(Typing.of("nl-NL-u-nu-arab")).contains(in("nl-NL"));
    }

    @ParameterizedTest
    @ValueSource(strings = {"12..5", "1,,000", "ten", "1e5", "0x10", "--1", "1,000,", ",5", "1 2 3 ,"})
    void whatIsNoNumberIsRefused(String typed) {
        assertThatThrownBy(() -> read(NUMBER, "en-GB", typed)).isInstanceOf(ValueReader.Unreadable.class);
    }

    @Test
    void datesWithOffsetsPrintTheTimeThatWasGiven() throws ValueReader.Unreadable {
        Field moment = new Field(new FieldName("t"), FieldType.DATE_TIME, "T", false, "", List.of());
        for (Map.Entry<String, String> one : Map.of(
                        "2027-03-15T09:00 +02:00", "09:00 GMT+2",
                        "2027-03-15T09:00 -05:30", "09:00 GMT-5:30",
                        "2027-03-15T09:00 Z", "09:00 GMT",
                        "2027-03-15T09:00 UTC+02:00", "09:00 GMT+2",
                        "2027-03-15T09:00 Europe/Amsterdam", "09:00")
                .entrySet()) {
            Value value = ValueReader.read(moment, one.getKey()).orElseThrow();
            assertThat(Printer.in(Locale.UK).print(value, "time")).startsWith(one.getValue());
            assertThat(ValueReader.read(moment, value.raw())).contains(value);
        }
    }
}
