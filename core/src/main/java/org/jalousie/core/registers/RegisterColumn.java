package org.jalousie.core.registers;

import org.jalousie.core.data.Field;
import org.jalousie.core.data.FieldName;

/**
 * A column of a register: what kind of data stand in it.
 *
 * @param field its name, type, label, choices, and whether each row has to have it
 * @param unique whether no two rows may say the same
 * @param related the register of which it names a row; empty for a column that names none
 */
public record RegisterColumn(Field field, Boolean unique, String related) {
    public RegisterColumn {
        // programs may leave both out
        unique = unique != null && unique;
        related = related == null ? "" : related;
    }

    public FieldName name() {
        return field.name();
    }

    /** Whether it names a row of a register. */
    public boolean relates() {
        return !related.isEmpty();
    }
}
