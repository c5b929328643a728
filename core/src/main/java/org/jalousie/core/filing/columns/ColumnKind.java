package org.jalousie.core.filing.columns;

import java.util.Optional;
import org.jalousie.core.data.FieldType;

/** What stands in a column, which decides how it is filtered, and whether it is summed. */
public enum ColumnKind {
    TEXT,
    NUMBER,
    MONEY,
    DATE,
    /** A day with a time, ordered by its own clock. */
    MOMENT,
    YES_NO,
    /** A list, shown by the first value of each item and summed by how many there are. */
    ITEMS;

    /** How a type of data stands in a column; empty for what can't: pictures, files, formatted text. */
    static Optional<ColumnKind> of(FieldType type) {
        return switch (type) {
            case TEXT, LONG_TEXT, CHOICE, MAIL_ADDRESS, WEB_ADDRESS, PHONE, NAME, ADDRESS -> Optional.of(TEXT);
            case NUMBER -> Optional.of(NUMBER);
            case MONEY -> Optional.of(MONEY);
            case DATE -> Optional.of(DATE);
            case DATE_TIME -> Optional.of(MOMENT);
            case YES_NO -> Optional.of(YES_NO);
            case ITEMS -> Optional.of(ITEMS);
            case RICH_TEXT, PICTURE, FILE -> Optional.empty();
        };
    }

    /** Whether its values can be added up. */
    public boolean sums() {
        return this == NUMBER || this == MONEY || this == ITEMS;
    }

    /** Whether a list can be grouped by it: amounts seldom repeat. */
    public boolean groups() {
        return !sums();
    }

    /** Whether its values have a more and a less that people ask for. */
    public boolean ranges() {
        return this == NUMBER || this == MONEY || days();
    }

    /** Whether days stand in it, which are grouped by month. */
    public boolean days() {
        return this == DATE || this == MOMENT;
    }
}
