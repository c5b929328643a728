package org.jalousie.core.data;

import java.util.List;
import java.util.OptionalInt;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/** The kind of one datum. A type decides which input is accepted and how a value can be printed. */
public enum FieldType {
    TEXT(List.of("upper", "lower", "qr_", "code128_")),
    LONG_TEXT(List.of("upper", "lower")),
    RICH_TEXT(List.of("plain")),
    NUMBER(List.of(
            "plain",
            "words",
            "ordinal",
            "ordinal_words",
            "hours",
            "days",
            "weeks",
            "months",
            "years",
            "percent",
            "code128_")),
    MONEY(List.of("code", "amount", "words")),
    DATE(List.of("long", "short", "iso", "full", "weekday", "month", "year")),
    DATE_TIME(List.of("long", "short", "iso", "date", "time")),
    YES_NO(List.of("tick")),
    CHOICE(List.of("upper", "lower")),
    MAIL_ADDRESS(List.of()),
    WEB_ADDRESS(List.of("qr_")),
    PHONE(List.of()),
    NAME(List.of("last_first", "short", "given", "family")),
    ADDRESS(List.of("block")),
    PICTURE(List.of("width_")),
    /** A file that goes with the request; its name prints. */
    FILE(List.of()),
    ITEMS(List.of("list", "list_or", "count", "bars_", "lines_"));

    /** A print that carries a width in millimetres, as in {@code photo.width_60}. */
    private static final Pattern SIZED = Pattern.compile("(.+_)(\\d{1,3})");

    private final List<String> prints;

    FieldType(List<String> prints) {
        this.prints = prints;
    }

    /**
     * The names that may follow the field's name in a tag, as in {@code start_date.long}. One that ends in {@code _} takes
     * a width in millimetres after it. Merge fields of a word processor ask for prints that are no names: pictures of dates
     * ({@code @d MMMM yyyy}) and numbers ({@code #,##0.00}), and capitals ({@code *caps}).
     */
    public List<String> prints() {
        return prints;
    }

    /** Whether a tag may ask this type for the print. */
    public boolean hasPrint(String print) {
        if (print.startsWith("@")) return this == DATE || this == DATE_TIME;
        if (print.startsWith("#")) return this == NUMBER || this == MONEY;
        if (print.startsWith("*")) return prints.contains("upper");
        return prints.contains(kind(print));
    }

    /** Whether any type at all knows this print, which tells a print from a party's signing field. */
    public static boolean isPrint(String name) {
        for (FieldType type : values()) {
            if (type.hasPrint(name)) return true;
        }
        return false;
    }

    /** A print without its width: {@code qr_} for {@code qr_25}. */
    public static String kind(String print) {
        Matcher sized = SIZED.matcher(print);
        return sized.matches() ? sized.group(1) : print;
    }

    /** The width in millimetres that a print carries, if any. */
    public static OptionalInt width(String print) {
        Matcher sized = SIZED.matcher(print);
        return sized.matches() ? OptionalInt.of(Integer.parseInt(sized.group(2))) : OptionalInt.empty();
    }
}
