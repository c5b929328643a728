package org.jalousie.server.tables;

import io.swagger.v3.oas.annotations.media.Schema;
import java.util.List;
import org.jalousie.core.data.FieldName;
import org.jalousie.core.tables.TableStyle;

/**
 * How a table that was brought in is to be taken.
 *
 * @param joins for each column the field that it is about; an empty name for none
 * @param clears whether an empty cell empties what there is; else it leaves that as it is
 * @param together the column, from 1, whose value makes one of all rows that have it: what they say of a list are its items; 0 for none
 * @param perMinute how many rows are carried out in a minute at most; 0 for as many as can be
 */
@Schema(name = "TableSettings")
public record TableSettings(TableStyle style, List<FieldName> joins, boolean clears, int together, int perMinute) {
    private static final int FASTEST = 6_000;

    public TableSettings {
        joins = List.copyOf(joins);
        together = together < 0 || together > joins.size() ? 0 : together;
        perMinute = Math.max(0, Math.min(perMinute, FASTEST));
    }

    /** As a table is taken that nobody has looked at yet. */
    static TableSettings first(TableStyle style, List<FieldName> joins) {
        return new TableSettings(style, joins, false, 0, 0);
    }

    /** The same for other columns. */
    TableSettings joined(TableStyle as, List<FieldName> to) {
        return new TableSettings(as, to, clears, together, perMinute);
    }

    /** The same where rows that are alike in a column go together. */
    TableSettings together(int column) {
        return new TableSettings(style, joins, clears, column, perMinute);
    }

    /** Whether its file has to be read anew to be taken so. */
    boolean readsOtherwise(TableStyle other) {
        TableStyle asWritten = other.writing(style.dates(), style.numbers());
        return !asWritten.equals(style);
    }
}
