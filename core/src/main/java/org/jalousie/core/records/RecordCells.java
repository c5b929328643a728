package org.jalousie.core.records;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import org.jalousie.core.data.Field;
import org.jalousie.core.data.FieldName;
import org.jalousie.core.data.FieldType;
import org.jalousie.core.tables.Cell;
import org.jalousie.core.tables.CellReader;
import org.jalousie.core.tables.Joins;
import org.jalousie.core.tables.JsonCells;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.StringNode;

/**
 * A record as a row of a table, with its related rows as those that go with it.
 *
 * @param own by the fields that they are for
 */
public record RecordCells(Map<FieldName, Cell> own, List<Part> parts) {
    /** The row's own number; related rows have the numbers after it. */
    public static final int NUMBER = 1;

    /** A related row. @param at which of its rows it is, from 1 */
    public record Part(int number, String rows, int at, Map<FieldName, Cell> cells) {}

    /** A record as it was read. @param related rows by the names that they have here */
    public record Seen(JsonNode itself, Map<String, List<JsonNode>> related) {}

    public static RecordCells of(RecordTerms terms, Seen record) {
        Map<FieldName, Cell> own = new LinkedHashMap<>();
        Map<String, List<TakenFrom>> byRows = new LinkedHashMap<>();
        for (TakenFrom one : terms.taken()) {
            if (one.rows().isEmpty()) own.put(one.field(), cell(one, record.itself()));
            else byRows.computeIfAbsent(one.rows(), name -> new ArrayList<>()).add(one);
        }
        List<Part> parts = new ArrayList<>();
        int number = NUMBER;
        for (Map.Entry<String, List<TakenFrom>> rows : byRows.entrySet()) {
            int at = 0;
            for (JsonNode row : record.related().getOrDefault(rows.getKey(), List.of())) {
                Map<FieldName, Cell> cells = new LinkedHashMap<>();
                for (TakenFrom one : rows.getValue()) cells.put(one.field(), cell(one, row));
                parts.add(new Part(++number, rows.getKey(), ++at, cells));
            }
        }
        return new RecordCells(own, parts);
    }

    private static Cell cell(TakenFrom one, JsonNode in) {
        if (!one.text().isEmpty()) return JsonCells.of(StringNode.valueOf(one.text()));
        return one.from().isEmpty() ? Cell.EMPTY : JsonCells.of(Pointers.at(in, one.from()));
    }

    /**
     * What fields could be taken from, as far as names and values of a record tell it.
     *
     * @param fields of the form; those of items as {@code list.field}
     * @param reader by the record's style
     */
    public static List<TakenFrom> proposed(List<Field> fields, Seen record, CellReader reader) {
        List<TakenFrom> proposed = new ArrayList<>();
        List<Field> own = fields.stream()
                .filter(field ->
                        field.type() != FieldType.ITEMS && list(field, fields).isEmpty())
                .toList();
        joined(own, List.of(record.itself()), reader)
                .forEach((field, from) -> proposed.add(new TakenFrom(field, "", from, "")));
        for (Field list : fields) {
            if (list.type() != FieldType.ITEMS) continue;
            List<Field> items = fields.stream()
                    .filter(field -> list(field, fields).equals(list.name().value()))
                    .map(field -> field.renamed(new FieldName(
                            field.name().value().substring(list.name().value().length() + 1))))
                    .toList();
            String best = "";
            Map<FieldName, String> most = Map.of();
            for (Map.Entry<String, List<JsonNode>> rows : record.related().entrySet()) {
                Map<FieldName, String> joined = joined(items, rows.getValue(), reader);
                if (joined.size() <= most.size()) continue;
                best = rows.getKey();
                most = joined;
            }
            for (Map.Entry<FieldName, String> one : most.entrySet())
                proposed.add(new TakenFrom(new FieldName(list.name() + "." + one.getKey()), best, one.getValue(), ""));
        }
        return proposed;
    }

    /** The list that a field is of the items of; empty for none. */
    private static String list(Field field, List<Field> all) {
        int dot = field.name().value().indexOf('.');
        if (dot < 0) return "";
        String list = field.name().value().substring(0, dot);
        return all.stream()
                        .anyMatch(one -> one.type() == FieldType.ITEMS
                                && one.name().value().equals(list))
                ? list
                : "";
    }

    private static Map<FieldName, String> joined(List<Field> fields, List<JsonNode> rows, CellReader reader) {
        List<String> heads = new ArrayList<>();
        for (JsonNode row : rows)
            Pointers.values(row).keySet().stream()
                    .filter(one -> !heads.contains(one))
                    .forEach(heads::add);
        List<FieldName> proposed = Joins.proposed(
                heads,
                fields,
                Map.of(),
                rows.stream()
                        .map(row -> heads.stream()
                                .map(head -> JsonCells.of(Pointers.at(row, head)))
                                .toList())
                        .toList(),
                reader);
        Map<FieldName, String> joined = new LinkedHashMap<>();
        for (int i = 0; i < heads.size(); i++)
            if (!proposed.get(i).value().isEmpty()) joined.put(proposed.get(i), heads.get(i));
        return joined;
    }
}
