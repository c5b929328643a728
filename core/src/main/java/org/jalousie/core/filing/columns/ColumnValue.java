package org.jalousie.core.filing.columns;

import java.math.BigDecimal;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import org.jalousie.core.agreement.Agreement;
import org.jalousie.core.data.Field;
import org.jalousie.core.data.Printer;
import org.jalousie.core.data.SortKey;
import org.jalousie.core.data.Value;

/**
 * What an agreement has in a column.
 *
 * @param text as it is shown, on one line; empty for nothing
 * @param raw as it is stored, for files that programs read
 * @param order a text by whose letters it is sorted (see {@link SortKey}); empty for nothing
 * @param number what is added up
 * @param unit of the number: a currency (ISO 4217), or nothing
 * @param group under which it stands when the list is grouped: the month of a day, else the value itself; empty where nobody
 *     groups by it, as by amounts
 */
public record ColumnValue(
        ColumnKey key,
        String text,
        String raw,
        String order,
        Optional<BigDecimal> number,
        String unit,
        Optional<String> group) {
    private static final int LONGEST = 300;
    private static final int MONTH = "2027-03".length();

    private static ColumnValue text(ColumnKey key, String text) {
        String line = line(text);
        return new ColumnValue(key, line, line, SortKey.text(line), Optional.empty(), "", Optional.of(line));
    }

    /**
     * The values of an agreement in the columns of its template. A column that its version of the template doesn't have is empty.
     *
     * @param fields of its version of the template
     * @param values its data, read back
     * @param locale in which they print
     */
    public static List<ColumnValue> of(
            List<ColumnKey> columns,
            List<Field> fields,
            Map<String, Value> values,
            Agreement agreement,
            Locale locale) {
        return columns.stream()
                .distinct()
                .map(key -> fields.stream()
                        .filter(field -> field.isCalled(key.value()))
                        .findFirst()
                        .filter(field -> ColumnKind.of(field.type()).isPresent())
                        .flatMap(field -> Optional.ofNullable(values.get(key.value())))
                        .map(value -> of(key, value, Printer.in(locale)))
                        .orElseGet(() -> text(key, person(key, agreement))))
                .toList();
    }

    private static String person(ColumnKey key, Agreement agreement) {
        return agreement.participants().stream()
                .filter(one -> ColumnKey.of(one.party()).equals(key))
                .findFirst()
                .map(one -> one.name().isBlank() ? one.mail() : one.name())
                .orElse("");
    }

    private static ColumnValue of(ColumnKey key, Value value, Printer printer) {
        String text = line(printer.print(value, ""));
        String raw = value.raw();
        if (value instanceof Value.Amount amount) return number(key, text, raw, SortKey.of(value), amount.number(), "");
        if (value instanceof Value.Money money)
            return number(
                    key,
                    text,
                    raw,
                    SortKey.of(value),
                    money.amount(),
                    money.currency().getCurrencyCode());
        if (value instanceof Value.Day)
            return new ColumnValue(key, text, raw, raw, Optional.empty(), "", Optional.of(month(raw)));
        if (value instanceof Value.Moment moment) {
            String clock = moment.time().toLocalDateTime().toString();
            return new ColumnValue(key, text, raw, clock, Optional.empty(), "", Optional.of(month(clock)));
        }
        if (value instanceof Value.YesNo)
            return new ColumnValue(key, text, raw, SortKey.of(value), Optional.empty(), "", Optional.of(raw));
        if (value instanceof Value.Items items) {
            BigDecimal count = BigDecimal.valueOf(items.items().size());
            return number(key, text, text, SortKey.text(text), count, "");
        }
        return text(key, text);
    }

    private static String month(String day) {
        return day.substring(0, MONTH);
    }

    private static ColumnValue number(
            ColumnKey key, String text, String raw, String order, BigDecimal number, String unit) {
        return new ColumnValue(key, text, raw, order, Optional.of(number), unit, Optional.empty());
    }

    private static String line(String text) {
        String line = text.replace("\0", "").replaceAll("\\s+", " ").strip();
        return line.length() <= LONGEST ? line : line.substring(0, line.offsetByCodePoints(0, LONGEST - 1)) + "\u2026";
    }
}
