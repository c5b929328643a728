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
 */
@Schema(name = "TableSettings")
public record TableSettings(TableStyle style, List<FieldName> joins, boolean clears) {
    public TableSettings {
        joins = List.copyOf(joins);
    }

    /** Whether its file has to be read anew to be taken so. */
    boolean readsOtherwise(TableStyle other) {
        TableStyle asWritten = other.writing(style.dates(), style.numbers());
        return !asWritten.equals(style);
    }
}
