package org.jalousie.core.data;

import static org.assertj.core.api.Assertions.assertThat;

import java.math.BigDecimal;
import java.text.NumberFormat;
import java.time.LocalDate;
import java.time.ZoneId;
import java.time.format.DateTimeFormatter;
import java.time.format.FormatStyle;
import java.util.Currency;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Random;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;

class PrinterTest {
    private static final LocalDate DAY = LocalDate.of(2027, 3, 15);

    private static String print(String language, Value value, String print) {
        return Printer.in(Locale.forLanguageTag(language)).print(value, print);
    }

    private static Value number(String number) {
        return new Value.Amount(new BigDecimal(number));
    }

    private static Value money(String code, String amount) {
        return new Value.Money(Currency.getInstance(code), new BigDecimal(amount));
    }

    /** The Java platform carries CLDR by an implementation of its own, some releases older. */
    @ParameterizedTest
    @ValueSource(strings = {"en-GB", "de-DE", "fr-FR", "nl-NL", "es-ES", "it-IT"})
    void datesAndNumbersAgreeWithTheJavaPlatformsCldr(String language) {
        Locale locale = Locale.forLanguageTag(language);
        Random random = new Random(3);
        for (int i = 0; i < 200; i++) {
            LocalDate day = LocalDate.of(1900, 1, 1).plusDays(random.nextInt(80_000));
            for (FormatStyle style : List.of(FormatStyle.LONG, FormatStyle.FULL)) {
                String expected =
                        day.format(DateTimeFormatter.ofLocalizedDate(style).withLocale(locale));
                // CLDR 42 took the comma out of the British weekday and CLDR 44 put it back
                assertThat(print(language, new Value.Day(day), style.name().toLowerCase(Locale.ROOT)))
                        .isEqualToIgnoringWhitespace(
                                language.equals("en-GB") && style == FormatStyle.FULL ? british(expected) : expected);
            }
            BigDecimal amount = BigDecimal.valueOf(random.nextLong(1_000_000_000_00L) + 1_000_000, 2);
            NumberFormat reference = NumberFormat.getNumberInstance(locale);
            reference.setMinimumFractionDigits(2);
            assertThat(print(language, new Value.Amount(amount), "")).isEqualTo(reference.format(amount));
            NumberFormat currency = NumberFormat.getCurrencyInstance(locale);
            currency.setCurrency(Currency.getInstance("EUR"));
            assertThat(print(language, new Value.Money(Currency.getInstance("EUR"), amount), ""))
                    .isEqualTo(currency.format(amount));
        }
    }

    private static String british(String date) {
        return date.replaceFirst("^(\\p{L}+),? ", "$1, ");
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "en-GB | short | 15/03/2027",
                "en-GB | full | Monday, 15 March 2027",
                "en-GB | weekday | Monday",
                "en-GB | month | March 2027",
                "de-DE | long | 15. M\u00e4rz 2027",
                "fr-FR | month | mars 2027",
                "nl-NL | full | maandag 15 maart 2027",
                "es-ES | long | 15 de marzo de 2027",
                "it-IT | weekday | luned\u00ec",
                "it-IT | iso | 2027-03-15"
            })
    void aDayPrintsInEachWay(String language, String print, String expected) {
        assertThat(print(language, new Value.Day(DAY), print)).isEqualTo(expected);
    }

    @Test
    void aTimePrintsInItsOwnZone() {
        Value time = new Value.Moment(DAY.atTime(9, 30).atZone(ZoneId.of("Europe/Amsterdam")));
        assertThat(print("en-GB", time, "")).isEqualTo("15 March 2027 at 09:30 CET");
        assertThat(print("en-GB", time, "time")).isEqualTo("09:30 CET");
        assertThat(print("de-DE", time, "")).isEqualTo("15. M\u00e4rz 2027 um 09:30 MEZ");
        assertThat(print("de-DE", time, "iso")).isEqualTo("2027-03-15T09:30+01:00");
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "en-GB | 1 | days | 1 day",
                "en-GB | 30 | days | 30 days",
                "de-DE | 1 | months | 1 Monat",
                "nl-NL | 2 | weeks | 2 weken",
                "pl-PL | 5 | days | 5 dni",
                "fr-FR | 1 | years | 1\u00a0an",
                "en-GB | 21 | words | twenty-one",
                "en-GB | 21 | ordinal | 21st",
                "en-GB | 21 | ordinal_words | twenty-first",
                "de-DE | 21 | words | einundzwanzig",
                "nl-NL | 21 | ordinal_words | eenentwintigste",
                "es-ES | 3 | ordinal_words | tercero",
                "en-GB | 12.5 | words | twelve point five",
                "en-GB | 12.5 | percent | 12.5%"
            })
    void aNumberPrintsInEachWay(String language, String number, String print, String expected) {
        assertThat(print(language, number(number), print)).isEqualTo(expected);
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "en-GB | GBP | 1.00 | one British pound",
                "en-GB | EUR | 12500.50 | twelve thousand five hundred euros and 50/100",
                "de-DE | EUR | 1.00 | ein Euro",
                "de-DE | EUR | 1000000000000.05 | eine Billion Euro und 05/100",
                "fr-FR | GBP | 1.00 | une livre sterling",
                "nl-NL | EUR | 200.00 | tweehonderd euro",
                "es-ES | GBP | 1.00 | una libra esterlina",
                "it-IT | EUR | 21.00 | ventun euro",
                "en-US | JPY | 5000 | five thousand Japanese yen"
            })
    void moneyPrintsInWords(String language, String code, String amount, String expected) {
        assertThat(print(language, money(code, amount), "words")).isEqualTo(expected);
    }

    /** Read back by a reader that knows nothing of how the words were made. */
    @Test
    void englishWordsUpToABillionThousandsReadBackToTheSameNumber() {
        Random random = new Random(5);
        for (int i = 0; i < 2_000; i++) {
            long number = Math.abs(random.nextLong()) % (long) Math.pow(10, 1 + random.nextInt(12));
            assertThat(SpokenNumber.read(print("en-GB", number(String.valueOf(number)), "words")))
                    .isEqualTo(number);
        }
        assertThat(SpokenNumber.read(print("en-GB", number("1000000000000"), "words")))
                .isEqualTo(1_000_000_000_000L);
    }

    @Test
    void aNamePrintsWholeAndInParts() {
        Value name = new Value.PersonName("Dr", "Ida Jane", "", "Marsh", "");
        assertThat(print("en-GB", name, "")).isEqualTo("Dr Ida Jane Marsh");
        assertThat(print("en-GB", name, "last_first")).isEqualTo("Marsh, Ida Jane");
        assertThat(print("nl-NL", name, "short")).isEqualTo("I.J. Marsh");
        assertThat(print("en-GB", name, "family")).isEqualTo("Marsh");
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "NL | Mill Rise 3/4811 Oudehaven/Noord/Netherlands",
                "GB | Mill Rise 3/Oudehaven/Noord/4811/United Kingdom",
                "US | Mill Rise 3/Oudehaven, Noord 4811/United States",
                "Arcadia | Mill Rise 3/4811 Oudehaven/Noord/Arcadia"
            })
    void anAddressFollowsTheConventionOfItsCountry(String country, String expected) {
        Value address = new Value.Address("Mill Rise 3", "Oudehaven", "Noord", "4811", country);
        assertThat(print("en-GB", address, "block").replace("\n", "/")).isEqualTo(expected);
        assertThat(print("en-GB", address, "")).isEqualTo(expected.replace("/", ", "));
    }

    @Test
    void aListReadsAsASentence() {
        Value three = new Value.Items(List.of(
                Map.of("title", new Value.Text("viola")),
                Map.of("title", new Value.Text("bow")),
                Map.of("title", new Value.Text("case"))));
        assertThat(print("en-GB", three, "list")).isEqualTo("viola, bow and case");
        assertThat(print("en-US", three, "list")).isEqualTo("viola, bow, and case");
        assertThat(print("de-DE", three, "list_or")).isEqualTo("viola, bow oder case");
        assertThat(print("en-GB", three, "count")).isEqualTo("3");
    }

    @Test
    void yesAndNoAreWordsOfTheLanguage() {
        assertThat(print("fr-FR", new Value.YesNo(true), "")).isEqualTo("oui");
        assertThat(print("nl-NL", new Value.YesNo(false), "")).isEqualTo("nee");
        assertThat(print("nl-NL", new Value.YesNo(true), "tick")).isEqualTo("\u2612");
    }
}
