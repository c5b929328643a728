package org.jalousie.core.filing.columns;

import java.util.List;

/**
 * How somebody looks at the archive, to be come back to.
 *
 * @param find beginnings of words; empty for all
 * @param endedFrom the first day on which they ended (ISO 8601); empty for any
 * @param endedTo the last day; empty for any
 * @param where by what columns it is narrowed, as {@link ColumnCondition} is written
 * @param columns of the template's that are shown, in this order; empty for all
 * @param group the column that it is grouped by, {@code ended} or {@code template}; empty for a plain list
 * @param sort as lists are sorted; empty for the newest first
 */
public record ArchiveView(
        String find,
        String endedFrom,
        String endedTo,
        List<String> where,
        List<String> columns,
        String group,
        String sort) {
    public ArchiveView {
        find = find == null ? "" : find;
        endedFrom = endedFrom == null ? "" : endedFrom;
        endedTo = endedTo == null ? "" : endedTo;
        where = where == null ? List.of() : List.copyOf(where);
        columns = columns == null ? List.of() : List.copyOf(columns);
        group = group == null ? "" : group;
        sort = sort == null ? "" : sort;
    }
}
