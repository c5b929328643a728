package org.jalousie.core.rules;

import java.math.BigDecimal;
import java.time.LocalDate;
import java.time.ZoneId;
import java.util.ArrayList;
import java.util.Currency;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.jalousie.core.data.AttachedFile;
import org.jalousie.core.data.Field;
import org.jalousie.core.data.FieldType;
import org.jalousie.core.data.Sha256;
import org.jalousie.core.data.Value;

/** Plausible data for a form: usual, shortest and longest. All invented. */
public final class Samples {
    private static final Currency EURO = Currency.getInstance("EUR");
    private static final LocalDate DAY = LocalDate.of(2027, 3, 15);
    private static final String SENTENCE =
            "The instrument travels in its own case, is carried by hand where the way allows, and rests for a day before it is played. ";

    private Samples() {}

    /** How much there is of everything. */
    private enum Size {
        SHORT,
        USUAL,
        LONG
    }

    /** Every field filled with something usual. */
    public static Map<String, Value> typical(List<Field> fields) {
        return all(fields, Size.USUAL);
    }

    /** Only what is required, as short as it can plausibly be. */
    public static Map<String, Value> shortest(List<Field> fields) {
        return all(fields.stream().filter(Field::required).toList(), Size.SHORT);
    }

    /** Every field as long as it can plausibly be. */
    public static Map<String, Value> longest(List<Field> fields) {
        return all(fields, Size.LONG);
    }

    private static Map<String, Value> all(List<Field> fields, Size size) {
        Map<String, Value> values = new LinkedHashMap<>();
        LocalDate day = size == Size.LONG ? LocalDate.of(2028, 9, 27) : DAY;
        for (Field field : fields) {
            if (field.type() == FieldType.DATE) {
                // forms ask for dates in the order in which they come
                values.put(field.name().value(), new Value.Day(day));
                day = day.plusDays(size == Size.SHORT ? 1 : 153);
            } else {
                value(field, size).ifPresent(value -> values.put(field.name().value(), value));
            }
        }
        return values;
    }

    private static Optional<Value> value(Field field, Size size) {
        return Optional.ofNullable(
                switch (field.type()) {
                    case TEXT ->
                        new Value.Text(pick(
                                size,
                                "A",
                                field.label() + " sample",
                                "Consort of viols with seventeenth-century bows and travelling cases"));
                    case LONG_TEXT ->
                        new Value.Text(pick(
                                size,
                                "None.",
                                SENTENCE.strip(),
                                SENTENCE.repeat(8).strip() + "\n"
                                        + SENTENCE.repeat(4).strip()));
                    case RICH_TEXT -> new Value.Rich(rich(size));
                    case NUMBER -> new Value.Amount(new BigDecimal(pick(size, "1", "30", "9999")));
                    case MONEY -> new Value.Money(EURO, new BigDecimal(pick(size, "1.00", "12500.00", "98765432.10")));
                    case DATE -> new Value.Day(DAY);
                    case DATE_TIME -> new Value.Moment(DAY.atTime(9, 30).atZone(ZoneId.of("Europe/Amsterdam")));
                    case YES_NO -> new Value.YesNo(size != Size.SHORT);
                    case CHOICE -> choice(field, size);
                    case MAIL_ADDRESS ->
                        new Value.Text(pick(
                                size,
                                "a@example.org",
                                "ida.marsh@example.org",
                                "maximiliana-theodora.van-der-oudekerk@department-of-loans.example.org"));
                    case WEB_ADDRESS ->
                        new Value.Text(pick(
                                size,
                                "https://example.org",
                                "https://www.example.org/loans",
                                "https://collections.museum.example.org/loans/outgoing/2027/instruments/strings"));
                    case PHONE -> new Value.Text(pick(size, "00000", "+44 1632 960 018", "+44 1632 960 018 (47)"));
                    case NAME ->
                        size == Size.LONG
                                ? new Value.PersonName(
                                        "Prof. Dr",
                                        "Maximiliana Theodora",
                                        "Wilhelmina",
                                        "van der Oudekerk-Greyford",
                                        "")
                                : new Value.PersonName(
                                        "", pick(size, "A", "Ida", ""), "", pick(size, "B", "Marsh", ""), "");
                    case ADDRESS ->
                        size == Size.LONG
                                ? new Value.Address(
                                        "The Old Conservatory, East Wing, 127 Greyford Mill Rise",
                                        "Oudehaven-upon-Marsh",
                                        "Noordermark",
                                        "4811 ZX",
                                        "NL")
                                : new Value.Address("Mill Rise 3", "Oudehaven", "", "4811 AB", "NL");
                    case PICTURE -> null;
                    case FILE ->
                        new Value.Attached(new AttachedFile(
                                Sha256.of(new byte[0]),
                                pick(
                                        size,
                                        "a.pdf",
                                        "condition-report.pdf",
                                        "condition-report-of-the-whole-consort.pdf")));
                    case ITEMS -> items(field, size);
                });
    }

    private static String pick(Size size, String least, String usual, String most) {
        return size == Size.SHORT ? least : size == Size.USUAL ? usual : most;
    }

    private static String rich(Size size) {
        String usual = "<p>The case stays <b>closed</b> while it travels.</p>";
        return pick(
                size,
                "<p>None.</p>",
                usual,
                usual + "<ul><li>" + SENTENCE.strip() + "</li><li><i>" + SENTENCE.strip() + "</i></li></ul>"
                        + ("<p>" + SENTENCE.strip() + "</p>").repeat(5));
    }

    private static Value choice(Field field, Size size) {
        if (field.choices().isEmpty()) return null;
        java.util.Comparator<String> byLength = java.util.Comparator.comparingInt(String::length);
        return new Value.Text(
                switch (size) {
                    case SHORT -> field.choices().stream().min(byLength).orElseThrow();
                    case USUAL -> field.choices().get(0);
                    case LONG -> field.choices().stream().max(byLength).orElseThrow();
                });
    }

    private static Value items(Field field, Size size) {
        int count = size == Size.SHORT ? 1 : size == Size.USUAL ? 2 : 20;
        List<Map<String, Value>> items = new ArrayList<>();
        Map<String, Value> item = all(field.items(), size);
        // twenty items of twenty parts each would be long beyond what is plausible
        item.replaceAll((name, value) ->
                value instanceof Value.Items inner && inner.items().size() > 3
                        ? new Value.Items(inner.items().subList(0, 3))
                        : value);
        for (int i = 0; i < count; i++) items.add(item);
        return new Value.Items(items);
    }
}
