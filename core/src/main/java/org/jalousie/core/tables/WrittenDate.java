package org.jalousie.core.tables;

import java.time.DateTimeException;
import java.time.LocalDate;
import java.util.Optional;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/** Dates as people write them in tables: numbers with points, slashes or hyphens between them, four digits of the year. */
final class WrittenDate {
    static final Pattern NUMBERS = Pattern.compile("(\\d{1,2})([./-])(\\d{1,2})\\2(\\d{4})");
    private static final Pattern YEAR_FIRST = Pattern.compile("(\\d{4})([./-])(\\d{1,2})\\2(\\d{1,2})");

    private WrittenDate() {}

    /** The day that is meant; empty for what is no date in this order. A year that comes first is one in any order. */
    static Optional<LocalDate> read(String text, TableStyle.DateOrder order) {
        Matcher year = YEAR_FIRST.matcher(text);
        if (year.matches()) return day(year.group(1), year.group(3), year.group(4));
        Matcher numbers = NUMBERS.matcher(text);
        if (!numbers.matches()) return Optional.empty();
        return switch (order) {
            case DAY_FIRST -> day(numbers.group(4), numbers.group(3), numbers.group(1));
            case MONTH_FIRST -> day(numbers.group(4), numbers.group(1), numbers.group(3));
            case YEAR_FIRST -> Optional.empty();
        };
    }

    private static Optional<LocalDate> day(String year, String month, String day) {
        try {
            return Optional.of(LocalDate.of(Integer.parseInt(year), Integer.parseInt(month), Integer.parseInt(day)));
        } catch (DateTimeException e) {
            return Optional.empty();
        }
    }
}
