package org.jalousie.core.registers;

import java.util.ArrayList;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import org.jalousie.core.data.FieldName;

/** What one cell of a row said and says, as it is stored; empty for nothing. */
public record RowChange(FieldName column, String was, String is) {
    /** What is another one in two states of a row. @param is all that it has now */
    public static List<RowChange> between(Map<FieldName, String> was, Map<FieldName, String> is) {
        Set<FieldName> names = new LinkedHashSet<>(was.keySet());
        names.addAll(is.keySet());
        List<RowChange> changes = new ArrayList<>();
        for (FieldName name : names) {
            RowChange one = new RowChange(name, was.getOrDefault(name, ""), is.getOrDefault(name, ""));
            if (!one.was.equals(one.is)) changes.add(one);
        }
        return changes;
    }
}
