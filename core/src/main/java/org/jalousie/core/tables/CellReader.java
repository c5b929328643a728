package org.jalousie.core.tables;

import java.time.ZoneId;
import java.util.List;
import java.util.Optional;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.jalousie.core.data.Field;
import org.jalousie.core.data.FieldType;
import org.jalousie.core.data.Typing;
import org.jalousie.core.data.Value;
import org.jalousie.core.data.ValueReader;
import org.jalousie.core.data.YesNoWords;
import org.jalousie.core.messages.Message;

/** Reads cells as the data of fields, by how their file writes dates and numbers. */
public final class CellReader {
    private static final Pattern WITH_CURRENCY = Pattern.compile("[A-Z]{3} (-?[0-9.]+)");
    private static final Pattern MOMENT = Pattern.compile("(\\S+)[T ](\\d{1,2}:\\d\\d(?::\\d\\d)?)");

    private final TableStyle style;
    private final ZoneId zone;

    /** @param zone in which times are meant that don't name one */
    public CellReader(TableStyle style, ZoneId zone) {
        this.style = style;
        this.zone = zone;
    }

    /** @throws ValueReader.Unreadable with what is expected in the cell */
    public Optional<Value> read(Field field, Cell cell) throws ValueReader.Unreadable {
        if (cell.kind() == Cell.Kind.FAILED)
            throw new ValueReader.Unreadable(
                    cell.text().isEmpty()
                            ? Message.of("table.formula-open")
                            : Message.of("table.formula-failed", "shown", cell.text()));
        String text = cell.text().strip();
        if (text.isEmpty()) return Optional.empty();
        boolean known = cell.kind() == Cell.Kind.KNOWN;
        // a list or an object of JSON, of which only a list of items could be made
        if (known && field.type() != FieldType.ITEMS && (text.startsWith("[") || text.startsWith("{")))
            throw new ValueReader.Unreadable(Message.of("table.nested"));
        Typing typing = known ? Typing.PLAIN : style.numbers().typing();
        return switch (field.type()) {
            case DATE -> ValueReader.read(field, known ? text : date(text));
            case DATE_TIME -> ValueReader.read(field, moment(text));
            case NUMBER -> ValueReader.read(field, known ? withoutCurrency(text) : text, typing);
            case MONEY -> ValueReader.read(field, withCode(text), typing);
            case YES_NO -> ValueReader.read(field, YesNoWords.read(text).orElse(text));
            case CHOICE -> ValueReader.read(field, choice(field, text));
            default -> ValueReader.read(field, text, typing);
        };
    }

    private String date(String text) throws ValueReader.Unreadable {
        var day = WrittenDate.read(text, style.dates());
        if (day.isEmpty()) throw new ValueReader.Unreadable(Message.of("table.date", "example", example()));
        return day.get().toString();
    }

    /** A day as this file writes it. */
    private String example() {
        return switch (style.dates()) {
            case DAY_FIRST -> "15.03.2027";
            case MONTH_FIRST -> "03/15/2027";
            case YEAR_FIRST -> "2027-03-15";
        };
    }

    /** A moment with the office's zone where it names none. */
    private String moment(String text) throws ValueReader.Unreadable {
        Matcher moment = MOMENT.matcher(text);
        if (!moment.matches()) return text;
        String time = moment.group(2).indexOf(':') == 1 ? "0" + moment.group(2) : moment.group(2);
        return date(moment.group(1)) + "T" + time + " " + zone.getId();
    }

    private static String withoutCurrency(String text) {
        Matcher amount = WITH_CURRENCY.matcher(text);
        return amount.matches() ? amount.group(1) : text;
    }

    /** Signs that stand for one currency alone become its code; a dollar is one of many. */
    private static String withCode(String text) {
        return text.replace("\u20ac", text.startsWith("\u20ac") ? "EUR " : " EUR")
                .replace("\u00a3", text.startsWith("\u00a3") ? "GBP " : " GBP")
                .strip();
    }

    private static String choice(Field field, String text) {
        if (field.choices().contains(text)) return text;
        List<String> alike = field.choices().stream()
                .filter(one -> one.equalsIgnoreCase(text))
                .toList();
        return alike.size() == 1 ? alike.get(0) : text;
    }

    /** Whether a column's cells look as if they were of a type, which tells columns from another when they are joined to fields. */
    public boolean fits(FieldType type, Cell cell) {
        if (type == FieldType.CHOICE || type == FieldType.ITEMS) return false;
        Field field = new Field(new org.jalousie.core.data.FieldName("x"), type, "", false, "", List.of());
        try {
            return read(field, cell).isPresent();
        } catch (ValueReader.Unreadable e) {
            return false;
        }
    }
}
