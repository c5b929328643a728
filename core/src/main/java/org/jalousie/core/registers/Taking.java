package org.jalousie.core.registers;

import java.util.ArrayList;
import java.util.EnumSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.jalousie.core.data.Field;
import org.jalousie.core.data.FieldName;
import org.jalousie.core.data.FieldType;
import org.jalousie.core.data.Printer;
import org.jalousie.core.data.Value;
import org.jalousie.core.data.ValueReader;
import org.jalousie.core.intake.Lookup;
import org.jalousie.core.json.Json;

/** What answers become when a row of a register is taken for them. */
public final class Taking {
    private static final Set<FieldType> TEXTS = EnumSet.of(FieldType.TEXT, FieldType.LONG_TEXT);
    private static final Set<FieldType> NO_TEXT = EnumSet.of(FieldType.PICTURE, FieldType.FILE);

    private final List<Field> fields;
    private final Printer printer;

    /** @param fields of the form, {@code language} in which data print that become texts */
    public Taking(List<Field> fields, Locale language) {
        this.fields = fields;
        this.printer = Printer.in(language);
    }

    /**
     * A row, to be taken.
     *
     * @param values as they are stored
     * @param named what rows are called that it names, by column
     */
    public record Row(RegisterTerms terms, String label, Map<FieldName, String> values, Map<FieldName, String> named) {}

    /** Whether what stands in a column can become an answer. */
    public static boolean fits(RegisterColumn column, FieldType answer) {
        FieldType type = column.field().type();
        if (column.relates()) return TEXTS.contains(answer);
        if (type == answer) return true;
        if (TEXTS.contains(answer)) return !NO_TEXT.contains(type);
        // what a text or a choice says may be what is asked for; where it isn't, the form says so
        return TEXTS.contains(type) && !NO_TEXT.contains(answer) && answer != FieldType.ITEMS
                || type == FieldType.CHOICE && answer == FieldType.CHOICE;
    }

    /**
     * Answers by field, as they are stored.
     *
     * @param question the one for which the row was chosen; without a fill of its own a text says what the row is called
     * @param related for each of the lookup's lists the rows that become its items
     */
    public Map<FieldName, String> answers(FieldName question, Lookup lookup, Row row, List<List<Row>> related) {
        Map<FieldName, String> answers = new LinkedHashMap<>();
        field(fields, question)
                .filter(field -> TEXTS.contains(field.type()))
                .ifPresent(field -> answers.put(question, row.label()));
        answers.putAll(filled(lookup.fills(), fields, row));
        for (int i = 0; i < lookup.rows().size(); i++) {
            Lookup.Rows rows = lookup.rows().get(i);
            List<Field> items = field(fields, rows.list()).map(Field::items).orElse(List.of());
            List<Map<FieldName, String>> all = new ArrayList<>();
            for (Row one : related.get(i)) all.add(filled(rows.fills(), items, one));
            answers.put(rows.list(), all.isEmpty() ? "" : Json.MAPPER.writeValueAsString(all));
        }
        return answers;
    }

    /** One item of a list, by its fields. */
    public Map<FieldName, String> item(FieldName list, Lookup lookup, Row row) {
        return filled(lookup.fills(), field(fields, list).map(Field::items).orElse(List.of()), row);
    }

    /** A fill whose column says nothing empties its answer, so that nothing of another row stays. */
    private Map<FieldName, String> filled(List<Lookup.Fill> fills, List<Field> into, Row row) {
        Map<FieldName, String> filled = new LinkedHashMap<>();
        for (Lookup.Fill fill : fills) {
            Optional<Field> to = field(into, fill.field());
            Optional<RegisterColumn> from = row.terms().column(fill.column());
            if (to.isPresent() && from.isPresent()) filled.put(fill.field(), said(from.get(), row, to.get()));
        }
        return filled;
    }

    private String said(RegisterColumn column, Row row, Field to) {
        if (column.relates()) return row.named().getOrDefault(column.name(), "");
        String raw = row.values().getOrDefault(column.name(), "");
        Optional<Value> value = ValueReader.stored(column.field(), raw);
        if (value.isEmpty()) return "";
        if (column.field().type() != to.type()
                && TEXTS.contains(to.type())
                && !TEXTS.contains(column.field().type())) return printer.print(value.get(), "");
        return value.get().raw();
    }

    private static Optional<Field> field(List<Field> fields, FieldName name) {
        return fields.stream().filter(one -> one.name().equals(name)).findFirst();
    }
}
