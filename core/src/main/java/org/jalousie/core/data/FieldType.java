package org.jalousie.core.data;

import java.util.List;

/** The kind of one datum. A type decides which input is accepted and how a value can be printed. */
public enum FieldType {
    TEXT(List.of("upper")),
    LONG_TEXT(List.of("upper")),
    NUMBER(List.of("plain")),
    MONEY(List.of("code", "amount")),
    DATE(List.of("long", "short", "iso", "year")),
    YES_NO(List.of()),
    CHOICE(List.of("upper")),
    MAIL_ADDRESS(List.of());

    private final List<String> prints;

    FieldType(List<String> prints) {
        this.prints = prints;
    }

    /** The names that may follow the field's name in a tag, as in {@code start_date.long}. */
    public List<String> prints() {
        return prints;
    }

    /** Whether any type at all knows this print, which tells a print from a party's signing field. */
    public static boolean isPrint(String name) {
        for (FieldType type : values()) {
            if (type.prints.contains(name)) return true;
        }
        return false;
    }
}
