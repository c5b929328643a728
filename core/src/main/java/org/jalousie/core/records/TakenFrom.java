package org.jalousie.core.records;

import org.jalousie.core.data.FieldName;

/**
 * What a field of the form is taken from.
 *
 * @param field of the form; one of a list's items as {@code list.field}
 * @param rows the related rows, for a field of items; empty for the record itself
 * @param from where in the record or the row
 * @param text that is always the answer, where nothing is taken
 */
public record TakenFrom(FieldName field, String rows, String from, String text) {
    public TakenFrom {
        rows = RecordPlace.stripped(rows);
        from = RecordPlace.stripped(from);
        text = RecordPlace.stripped(text);
    }
}
