package org.jalousie.core.tables;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.jalousie.core.data.Field;
import org.jalousie.core.data.FieldName;
import org.jalousie.core.data.FieldType;

/** Which field each column of a table is about, as far as that can be told: as it was before, by its name, by what stands in it. */
public final class Joins {
    /** Kinds of data that are told from others by how they look. */
    private static final List<FieldType> SEEN = List.of(
            FieldType.MAIL_ADDRESS,
            FieldType.WEB_ADDRESS,
            FieldType.MONEY,
            FieldType.DATE_TIME,
            FieldType.DATE,
            FieldType.PHONE);

    private static final int SAMPLE = 200;

    private Joins() {}

    /**
     * @param before fields by the columns' names, as they were joined the last time
     * @param rows the first rows of the table
     * @return for each column its field, or an empty name for none; no field is given to two columns
     */
    public static List<FieldName> proposed(
            List<String> heads,
            List<Field> fields,
            Map<String, FieldName> before,
            List<List<Cell>> rows,
            CellReader reader) {
        Map<Integer, FieldName> joined = new HashMap<>();
        Set<FieldName> left = new HashSet<>();
        fields.forEach(field -> left.add(field.name()));
        for (int i = 0; i < heads.size(); i++) {
            FieldName kept = before.get(heads.get(i));
            if (kept != null && left.remove(kept)) joined.put(i, kept);
        }
        for (int i = 0; i < heads.size(); i++) {
            if (joined.containsKey(i) || before.containsKey(heads.get(i))) continue;
            String head = bare(heads.get(i));
            Optional<Field> named = fields.stream()
                    .filter(field -> left.contains(field.name()))
                    .filter(field -> head.equals(bare(field.label()))
                            || head.equals(bare(field.name().value())))
                    .findFirst();
            if (named.isEmpty()) continue;
            left.remove(named.get().name());
            joined.put(i, named.get().name());
        }
        for (FieldType type : SEEN) bySight(type, heads, fields, left, before, joined, rows, reader);
        List<FieldName> all = new ArrayList<>();
        for (int i = 0; i < heads.size(); i++) all.add(joined.getOrDefault(i, new FieldName("")));
        return all;
    }

    /** A kind of data that one field alone asks for, and one column alone has. */
    private static void bySight(
            FieldType type,
            List<String> heads,
            List<Field> fields,
            Set<FieldName> left,
            Map<String, FieldName> before,
            Map<Integer, FieldName> joined,
            List<List<Cell>> rows,
            CellReader reader) {
        List<Field> wanted = fields.stream()
                .filter(field -> field.type() == type && left.contains(field.name()))
                .toList();
        if (wanted.size() != 1) return;
        List<Integer> fitting = new ArrayList<>();
        for (int i = 0; i < heads.size(); i++)
            if (!joined.containsKey(i) && !before.containsKey(heads.get(i)) && fits(type, i, rows, reader))
                fitting.add(i);
        if (fitting.size() != 1) return;
        left.remove(wanted.get(0).name());
        joined.put(fitting.get(0), wanted.get(0).name());
    }

    private static boolean fits(FieldType type, int column, List<List<Cell>> rows, CellReader reader) {
        int filled = 0;
        int fitting = 0;
        for (List<Cell> row : rows.subList(0, Math.min(SAMPLE, rows.size()))) {
            if (column >= row.size() || row.get(column).isBlank()) continue;
            filled++;
            if (reader.fits(type, row.get(column))) fitting++;
        }
        return filled > 0 && fitting * 10 >= filled * 9;
    }

    private static String bare(String name) {
        return name.toLowerCase(Locale.ROOT).replaceAll("[^\\p{L}\\p{N}]+", "");
    }
}
