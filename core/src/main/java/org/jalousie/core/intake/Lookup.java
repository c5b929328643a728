package org.jalousie.core.intake;

import java.util.List;
import java.util.function.UnaryOperator;
import org.jalousie.core.data.FieldName;

/**
 * Where a question's answer can be taken from: a row of a register, which fills further answers too. A list takes a row for each
 * of its items.
 *
 * @param register its name; empty where nothing is looked up
 * @param fills what goes where; for a list, into fields of its items
 * @param rows lists that are filled with the rows of other registers that name the chosen one
 */
public record Lookup(String register, List<Fill> fills, List<Rows> rows) {
    /** Nothing is looked up. */
    public static final Lookup NONE = new Lookup("", List.of(), List.of());

    public Lookup {
        register = register == null ? "" : register;
        fills = fills == null ? List.of() : List.copyOf(fills);
        rows = rows == null ? List.of() : List.copyOf(rows);
    }

    /** One datum that is taken. @param column of the register, {@code field} of the form, or of a list's items */
    public record Fill(FieldName column, FieldName field) {}

    /**
     * Rows that name the chosen one, as items of a list.
     *
     * @param by their column that names it
     * @param list the field whose items they become
     */
    public record Rows(String register, FieldName by, FieldName list, List<Fill> fills) {
        public Rows {
            register = register == null ? "" : register;
            fills = fills == null ? List.of() : List.copyOf(fills);
        }
    }

    /** Whether there is something to look up. */
    public boolean present() {
        return !register.isEmpty();
    }

    Lookup renamed(UnaryOperator<FieldName> names) {
        return new Lookup(
                register,
                renamed(fills, names),
                rows.stream()
                        .map(one -> new Rows(one.register, one.by, names.apply(one.list), renamed(one.fills, names)))
                        .toList());
    }

    private static List<Fill> renamed(List<Fill> fills, UnaryOperator<FieldName> names) {
        return fills.stream()
                .map(one -> new Fill(one.column, names.apply(one.field)))
                .toList();
    }
}
