package org.jalousie.core.tables;

import java.util.EnumMap;
import java.util.Map;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.jalousie.core.data.Field;
import org.jalousie.core.data.FieldName;
import org.jalousie.core.data.FieldType;
import org.jalousie.core.data.ValueReader;

/** How dates and numbers are written, as far as cells have told. */
final class WritingSeen {
    private static final Pattern NUMBER = Pattern.compile(
            "(?:[A-Z]{3}\\s?|[\u20ac\u00a3$]\\s?)?([-+]?\\d{1,20}(?:[.,'\u2019 \u00a0\u202f]\\d{1,20}){1,10})(?:\\s?[A-Z]{3}|\\s?[\u20ac\u00a3$])?");
    private static final Field ANY =
            new Field(new FieldName("number"), FieldType.NUMBER, "", false, "", java.util.List.of());

    private final Map<TableStyle.NumberMarks, Integer> read = new EnumMap<>(TableStyle.NumberMarks.class);
    private int dayFirst;
    private int monthFirst;
    private int either;

    void look(Cell cell) {
        if (cell.kind() != Cell.Kind.TYPED || cell.isBlank() || cell.text().length() > 40) return;
        String text = cell.text().strip();
        Matcher date = WrittenDate.NUMBERS.matcher(text);
        if (date.matches()) {
            int first = Integer.parseInt(date.group(1));
            int second = Integer.parseInt(date.group(3));
            // a full stop between the numbers is written where the day comes first (common practice, no source)
            if (date.group(2).equals(".") || first > 12) dayFirst++;
            else if (second > 12) monthFirst++;
            else either++;
            return;
        }
        Matcher number = NUMBER.matcher(text);
        if (!number.matches()) return;
        for (TableStyle.NumberMarks marks : TableStyle.NumberMarks.values())
            if (isNumber(number.group(1), marks)) read.merge(marks, 1, Integer::sum);
    }

    private static boolean isNumber(String text, TableStyle.NumberMarks marks) {
        try {
            return ValueReader.read(ANY, text, marks.typing()).isPresent();
        } catch (ValueReader.Unreadable e) {
            return false;
        }
    }

    TableStyle.DateOrder dates() {
        if (dayFirst == 0 && monthFirst == 0 && either == 0) return TableStyle.DateOrder.YEAR_FIRST;
        return monthFirst > dayFirst ? TableStyle.DateOrder.MONTH_FIRST : TableStyle.DateOrder.DAY_FIRST;
    }

    boolean datesSure() {
        return (dayFirst == 0 || monthFirst == 0) && (either == 0 || dayFirst + monthFirst > 0);
    }

    TableStyle.NumberMarks numbers() {
        TableStyle.NumberMarks best = TableStyle.NumberMarks.POINT;
        for (TableStyle.NumberMarks marks : TableStyle.NumberMarks.values())
            if (count(marks) > count(best)) best = marks;
        return best;
    }

    boolean numbersSure() {
        int most = count(numbers());
        long alike = java.util.Arrays.stream(TableStyle.NumberMarks.values())
                .filter(marks -> count(marks) == most)
                .count();
        return most == 0 || alike == 1 || alike == 2 && decimalsAlone(most);
    }

    /** Decimals without groups are read alike by two, which makes no difference to what they are. */
    private boolean decimalsAlone(int most) {
        return count(TableStyle.NumberMarks.POINT) == most && count(TableStyle.NumberMarks.APOSTROPHE) == most
                || count(TableStyle.NumberMarks.COMMA) == most && count(TableStyle.NumberMarks.SPACE_COMMA) == most;
    }

    private int count(TableStyle.NumberMarks marks) {
        return read.getOrDefault(marks, 0);
    }
}
