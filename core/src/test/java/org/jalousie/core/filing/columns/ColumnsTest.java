package org.jalousie.core.filing.columns;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.math.BigDecimal;
import java.nio.charset.StandardCharsets;
import java.time.Instant;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Random;
import org.jalousie.core.agreement.Actor;
import org.jalousie.core.agreement.Agreement;
import org.jalousie.core.agreement.AgreementNumber;
import org.jalousie.core.agreement.Entry;
import org.jalousie.core.agreement.Event;
import org.jalousie.core.data.Field;
import org.jalousie.core.data.FieldName;
import org.jalousie.core.data.FieldType;
import org.jalousie.core.data.Value;
import org.jalousie.core.intake.Intake;
import org.jalousie.core.messages.NotPossible;
import org.jalousie.core.parties.Duty;
import org.jalousie.core.parties.Participant;
import org.jalousie.core.parties.Party;
import org.jalousie.core.parties.PartyKey;
import org.jalousie.core.parties.Person;
import org.jalousie.core.parties.PersonSource;
import org.junit.jupiter.api.Test;

class ColumnsTest {
    private static final ColumnKey COLUMN = new ColumnKey("column");

    private static Field field(String name, FieldType type) {
        return new Field(new FieldName(name), type, Field.labelFor(name), false, "", List.of());
    }

    private static Agreement agreement(Map<FieldName, String> data) {
        Participant lender = new Participant(
                new Person("Ida Marsh", "ida@lender.example.org"), new PartyKey("lender"), "Lender", Duty.SIGNS, 1);
        Event.Created created =
                new Event.Created(new AgreementNumber("A-1"), "Loan", "Loan", 1, "R-1", data, List.of(lender));
        return Agreement.of(List.of(new Entry(1, Instant.EPOCH, new Actor.Program(), created)));
    }

    private static ColumnValue value(FieldType type, String raw) {
        Map<FieldName, String> data = Map.of(new FieldName("column"), raw);
        List<Field> fields = List.of(field("column", type));
        Map<String, Value> values = Intake.stored(fields, data);
        return ColumnValue.of(List.of(COLUMN), fields, values, agreement(data), Locale.UK)
                .get(0);
    }

    /** As a database compares them: letter by letter, by their code points. */
    private static boolean fits(ColumnValue value, ColumnCondition.Bounds bounds) {
        return compare(value.order(), bounds.from()) >= 0
                && (bounds.below().isEmpty() || compare(value.order(), bounds.below()) < 0)
                && (bounds.group().isEmpty() || bounds.group().equals(value.group()));
    }

    private static int compare(String one, String other) {
        return Arrays.compareUnsigned(one.getBytes(StandardCharsets.UTF_8), other.getBytes(StandardCharsets.UTF_8));
    }

    private static ColumnCondition.Bounds bounds(ColumnKind kind, String compared, String with) {
        return ColumnCondition.read("column:" + compared + ":" + with)
                .bounds(new ArchiveColumn(COLUMN, kind, "Column"));
    }

    @Test
    void dataPeopleAndListsAreShownOnOneLine() {
        List<Field> fields = List.of(
                field("objects", FieldType.LONG_TEXT),
                field("value", FieldType.MONEY),
                field("start", FieldType.DATE),
                field("abroad", FieldType.YES_NO),
                Field.list(new FieldName("bows"), List.of(field("maker", FieldType.TEXT))),
                field("photo", FieldType.PICTURE));
        Map<FieldName, String> data = new LinkedHashMap<>();
        data.put(new FieldName("objects"), "a lute,\n  with its case");
        data.put(new FieldName("value"), "EUR 12500");
        data.put(new FieldName("start"), "2027-03-15");
        data.put(new FieldName("abroad"), "yes");
        data.put(new FieldName("bows"), "[{\"maker\":\"Oke\"},{\"maker\":\"Vail\"}]");
        List<ColumnKey> keys = ArchiveColumn.offered(
                        fields,
                        List.of(new Party(
                                new PartyKey("lender"),
                                "Lender",
                                Duty.SIGNS,
                                1,
                                new PersonSource.Fixed("Ida Marsh", "ida@lender.example.org"))))
                .stream()
                .map(ArchiveColumn::key)
                .toList();
        assertThat(keys)
                .extracting(ColumnKey::value)
                .containsExactly("objects", "value", "start", "abroad", "bows", "party.lender");
        List<ColumnValue> values =
                ColumnValue.of(keys, fields, Intake.stored(fields, data), agreement(data), Locale.UK);
        assertThat(values)
                .extracting(ColumnValue::text)
                .containsExactly(
                        "a lute, with its case",
                        "\u20ac12,500.00",
                        "15 March 2027",
                        "yes",
                        "Oke and Vail",
                        "Ida Marsh");
        assertThat(values)
                .extracting(value -> value.group().orElse("-"))
                .containsExactly("a lute, with its case", "-", "2027-03", "yes", "-", "Ida Marsh");
        assertThat(values.get(1).number())
                .hasValueSatisfying(sum -> assertThat(sum).isEqualByComparingTo("12500"));
        assertThat(values.get(1).unit()).isEqualTo("EUR");
        assertThat(values.get(4).number()).contains(BigDecimal.valueOf(2));
    }

    @Test
    void whatAVersionOfTheTemplateDoesntHaveIsEmpty() {
        ColumnValue gone = ColumnValue.of(
                        List.of(new ColumnKey("later")), List.of(), Map.of(), agreement(Map.of()), Locale.UK)
                .get(0);
        assertThat(gone.text()).isEmpty();
        assertThat(fits(
                        gone,
                        new ColumnCondition(gone.key(), ColumnCondition.Compared.IS, "")
                                .bounds(new ArchiveColumn(gone.key(), ColumnKind.MONEY, "Later"))))
                .isTrue();
        assertThat(fits(value(FieldType.MONEY, "EUR 0"), bounds(ColumnKind.MONEY, "is", "")))
                .isFalse();
    }

    @Test
    void amountsAreComparedAsAmounts() {
        Random random = new Random(41);
        List<String> amounts = new ArrayList<>(List.of("0", "-5", "-5.5", "1000", "1000.5", "999.99", "10000"));
        for (int i = 0; i < 60; i++)
            amounts.add(BigDecimal.valueOf(random.nextInt(4000) - 2000, random.nextInt(3))
                    .toPlainString());
        for (String amount : amounts)
            for (String limit : amounts) {
                int compared = new BigDecimal(amount).compareTo(new BigDecimal(limit));
                for (FieldType type : List.of(FieldType.NUMBER, FieldType.MONEY)) {
                    ColumnKind kind = ColumnKind.of(type).orElseThrow();
                    ColumnValue value = value(type, type == FieldType.MONEY ? "EUR " + amount : amount);
                    assertThat(fits(value, bounds(kind, "from", limit)))
                            .as(amount + " from " + limit)
                            .isEqualTo(compared >= 0);
                    assertThat(fits(value, bounds(kind, "to", limit)))
                            .as(amount + " to " + limit)
                            .isEqualTo(compared <= 0);
                }
                assertThat(fits(value(FieldType.NUMBER, amount), bounds(ColumnKind.NUMBER, "is", limit)))
                        .isEqualTo(compared == 0);
            }
        assertThat(fits(value(FieldType.NUMBER, ""), bounds(ColumnKind.NUMBER, "to", "5")))
                .isFalse();
        assertThat(fits(value(FieldType.MONEY, "GBP 5"), bounds(ColumnKind.MONEY, "is", "EUR 5")))
                .isFalse();
    }

    @Test
    void daysAreComparedAsDaysAndOpenedByMonth() {
        for (int i = 0; i < 400; i++) {
            LocalDate day = LocalDate.of(2027, 1, 1).plusDays(i);
            LocalDate limit = LocalDate.of(2027, 6, 30);
            ColumnValue value = value(FieldType.DATE, day.toString());
            assertThat(fits(value, bounds(ColumnKind.DATE, "from", limit.toString())))
                    .isEqualTo(!day.isBefore(limit));
            assertThat(fits(value, bounds(ColumnKind.DATE, "to", limit.toString())))
                    .isEqualTo(!day.isAfter(limit));
            assertThat(fits(value, bounds(ColumnKind.DATE, "is", "2027-06")))
                    .isEqualTo(day.getYear() == 2027 && day.getMonthValue() == 6);
            ColumnValue moment = value(FieldType.DATE_TIME, day + "T23:30 Pacific/Auckland");
            assertThat(fits(moment, bounds(ColumnKind.MOMENT, "to", limit.toString())))
                    .isEqualTo(!day.isAfter(limit));
            assertThat(moment.group()).contains(day.toString().substring(0, 7));
        }
    }

    @Test
    void lettersBeginWhateverTheirMarksAndEqualInAll() {
        assertThat(fits(value(FieldType.TEXT, "\u00c9rard & fils"), bounds(ColumnKind.TEXT, "begins", "erard")))
                .isTrue();
        assertThat(fits(value(FieldType.TEXT, "\u00c9rard"), bounds(ColumnKind.TEXT, "is", "Erard")))
                .isFalse();
        assertThat(fits(
                        value(FieldType.TEXT, "\ud83c\udfbb of Oke"),
                        bounds(ColumnKind.TEXT, "begins", "\ud83c\udfbb")))
                .isTrue();
        String tail = "x".repeat(400);
        ColumnValue one = value(FieldType.LONG_TEXT, tail + "a");
        assertThat(one.text().codePointCount(0, one.text().length())).isLessThanOrEqualTo(300);
        assertThat(fits(one, bounds(ColumnKind.TEXT, "is", one.group().orElseThrow())))
                .isTrue();
        assertThat(fits(value(FieldType.TEXT, "a: b"), bounds(ColumnKind.TEXT, "is", "a: b")))
                .isTrue();
    }

    @Test
    void whatCantBeComparedIsSaid() {
        for (String wrong : List.of("", "column", "column:is", "column:like:x", "no name:is:x", ":is:x"))
            assertThatThrownBy(() -> ColumnCondition.read(wrong)).isInstanceOf(NotPossible.class);
        for (Object[] wrong : new Object[][] {
            {ColumnKind.TEXT, "from", "a"}, {ColumnKind.NUMBER, "from", "1e9"}, {ColumnKind.MONEY, "is", "5"},
            {ColumnKind.DATE, "to", "2027-02-30"}, {ColumnKind.DATE, "is", "2027"}, {ColumnKind.YES_NO, "begins", "y"},
            {ColumnKind.TEXT, "begins", ""}, {ColumnKind.TEXT, "is", "\0"}, {ColumnKind.NUMBER, "from", "9".repeat(40)}
        })
            assertThatThrownBy(() -> bounds((ColumnKind) wrong[0], (String) wrong[1], (String) wrong[2]))
                    .as(Arrays.toString(wrong))
                    .isInstanceOf(NotPossible.class)
                    .hasMessageContaining("Column");
        ColumnCondition whole = ColumnCondition.read("column:is:a:b");
        assertThat(ColumnCondition.read(whole.written())).isEqualTo(whole);
    }
}
