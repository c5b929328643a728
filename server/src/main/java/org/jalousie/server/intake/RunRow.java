package org.jalousie.server.intake;

import java.time.ZoneId;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.jalousie.core.data.DataParts;
import org.jalousie.core.data.Field;
import org.jalousie.core.data.FieldName;
import org.jalousie.core.data.FieldType;
import org.jalousie.core.data.Typing;
import org.jalousie.core.data.Value;
import org.jalousie.core.data.ValueReader;
import org.jalousie.core.intake.Lookup;
import org.jalousie.core.json.Json;
import org.jalousie.core.messages.Message;
import org.jalousie.core.tables.Cell;
import org.jalousie.core.tables.CellReader;
import org.jalousie.core.tables.TableStyle;
import org.jalousie.server.tables.TableUse;

/**
 * A row of a table, with those that go with it, as a filled form.
 *
 * @param number of the row
 * @param sent what could be read
 * @param lookedUp rows of registers that it names
 * @param faults what couldn't be read
 * @param items for each list, from which row each of its items came
 */
record RunRow(
        int number,
        FilledForms.Sent sent,
        List<FormLookups.Sent> lookedUp,
        Map<Place, Message> faults,
        Map<FieldName, List<Integer>> items) {
    /** What stands before a question's name where a column names the row of a register. */
    static final String ROW = "row:";

    /** A cell. */
    record Place(int row, FieldName field) {}

    /** What columns of a table can be joined to: data, items' data as {@code list.field}, people, rows of registers. */
    static List<Field> fields(JointForm form) {
        List<Field> fields = new ArrayList<>();
        for (JointForm.Part part : form.parts()) {
            for (Field field : part.fields()) {
                if (field.type() == FieldType.PICTURE || field.type() == FieldType.FILE) continue;
                fields.add(field);
                for (DataParts.Part one : DataParts.of(field.type()))
                    fields.add(
                            text(field.name() + "." + one.name(), FieldType.TEXT, field.label() + ": " + one.label()));
                for (Field item : field.items())
                    fields.add(item.renamed(new FieldName(field.name() + "." + item.name()))
                            .labelled(field.label() + ": " + item.label()));
            }
            part.layout()
                    .questions()
                    .filter(one -> one.lookup().present())
                    .forEach(question -> fields.add(rowOf(question.lookup(), question.field(), form)));
        }
        form.parts().stream()
                .flatMap(part -> part.template().content().parties().stream())
                .filter(party -> party.who().asked())
                .forEach(party -> {
                    fields.add(text(party.key() + ".name", FieldType.TEXT, party.label() + ": name"));
                    fields.add(text(party.key() + ".mail", FieldType.MAIL_ADDRESS, party.label() + ": mail"));
                    fields.add(text(party.key() + ".phone", FieldType.PHONE, party.label() + ": phone"));
                });
        return fields;
    }

    private static Field rowOf(Lookup lookup, FieldName question, JointForm form) {
        String label = form.parts().stream()
                .flatMap(part -> part.fields().stream())
                .filter(field -> field.name().equals(question))
                .map(Field::label)
                .findFirst()
                .orElse(question.value());
        return text(ROW + question, FieldType.TEXT, label + ", a row of " + lookup.register());
    }

    private static Field text(String name, FieldType type, String label) {
        return new Field(new FieldName(name), type, label, false, "", List.of());
    }

    /** @param by who has brought the table */
    static RunRow read(JointForm form, TableStyle style, ZoneId zone, TableUse.TakenRow row, String by) {
        Reader reader = new Reader(fields(form), style, zone, row.number());
        reader.read(row);
        return reader.row(form, by);
    }

    /** From which row an item of a list came; the row itself where that isn't known. @param at from 0 */
    int rowOf(FieldName list, int at) {
        List<Integer> from = items.getOrDefault(list, List.of());
        return at < from.size() ? from.get(at) : number;
    }

    private static final class Reader {
        private final List<Field> fields;
        private final TableStyle style;
        private final ZoneId zone;
        private final CellReader cells;
        private final int number;
        private final Map<FieldName, String> values = new LinkedHashMap<>();
        private final Map<FieldName, List<Map<String, String>>> lists = new LinkedHashMap<>();
        private final Map<FieldName, List<Integer>> from = new HashMap<>();
        private final Map<Place, Message> faults = new LinkedHashMap<>();
        private final List<FormLookups.Sent> rows = new ArrayList<>();
        private final Map<String, Map<String, String>> people = new LinkedHashMap<>();
        private final Map<FieldName, FieldType> inParts = new HashMap<>();
        private final Map<FieldName, Map<String, String>> parts = new LinkedHashMap<>();

        Reader(List<Field> fields, TableStyle style, ZoneId zone, int number) {
            this.fields = fields;
            this.style = style;
            this.zone = zone;
            this.cells = new CellReader(style, zone);
            this.number = number;
            for (Field field : fields)
                if (!DataParts.of(field.type()).isEmpty()) inParts.put(field.name(), field.type());
        }

        void read(TableUse.TakenRow row) {
            for (Field field : fields) {
                String name = field.name().value();
                Cell cell = row.cells().get(field.name());
                if (cell == null || inList(field)) continue;
                Optional<String> raw = raw(number, field, cell, cells);
                if (raw.isEmpty()) continue;
                int dot = name.indexOf('.');
                if (name.startsWith(ROW))
                    rows.add(new FormLookups.Sent(new FieldName(name.substring(ROW.length())), raw.get(), null));
                else if (dot > 0 && inParts.containsKey(new FieldName(name.substring(0, dot))))
                    parts.computeIfAbsent(new FieldName(name.substring(0, dot)), key -> new HashMap<>())
                            .put(name.substring(dot + 1), raw.get());
                else if (dot > 0)
                    people.computeIfAbsent(name.substring(0, dot), key -> new HashMap<>())
                            .put(name.substring(dot + 1), raw.get());
                else values.put(field.name(), raw.get());
            }
            // where it stands as a whole, too, that is meant
            parts.forEach((field, said) -> values.putIfAbsent(field, DataParts.joined(inParts.get(field), said)));
            items(number, row.cells(), cells);
            for (TableUse.PartRow part : row.parts())
                items(
                        part.number(),
                        part.cells(),
                        part.style()
                                .filter(other -> !other.equals(style))
                                .map(other -> new CellReader(other, zone))
                                .orElse(cells));
        }

        private boolean inList(Field field) {
            return list(field.name()).isPresent();
        }

        /** The list that a field is of the items of. */
        private Optional<FieldName> list(FieldName name) {
            int dot = name.value().indexOf('.');
            if (dot < 0) return Optional.empty();
            FieldName list = new FieldName(name.value().substring(0, dot));
            return fields.stream()
                    .filter(one -> one.name().equals(list) && one.type() == FieldType.ITEMS)
                    .map(Field::name)
                    .findFirst();
        }

        /** What a row says of lists is one item of each, unless it says nothing of it. */
        private void items(int row, Map<FieldName, Cell> of, CellReader by) {
            Map<FieldName, Map<String, String>> said = new LinkedHashMap<>();
            for (Field field : fields) {
                Optional<FieldName> list = list(field.name());
                Cell cell = of.get(field.name());
                if (list.isEmpty() || cell == null || cell.isBlank()) continue;
                Map<String, String> item = said.computeIfAbsent(list.get(), key -> new LinkedHashMap<>());
                raw(row, field, cell, by)
                        .ifPresent(raw -> item.put(
                                field.name()
                                        .value()
                                        .substring(list.get().value().length() + 1),
                                raw));
            }
            said.forEach((list, item) -> {
                lists.computeIfAbsent(list, key -> new ArrayList<>()).add(item);
                from.computeIfAbsent(list, key -> new ArrayList<>()).add(row);
            });
        }

        private Optional<String> raw(int row, Field field, Cell cell, CellReader by) {
            try {
                // a list that stands in one cell is read with the form
                if (field.type() == FieldType.ITEMS && cell.kind() != Cell.Kind.FAILED)
                    return cell.isBlank() ? Optional.empty() : Optional.of(cell.text());
                return by.read(field, cell).map(Value::raw);
            } catch (ValueReader.Unreadable e) {
                faults.put(new Place(row, field.name()), e.said());
                return Optional.empty();
            }
        }

        RunRow row(JointForm form, String by) {
            lists.forEach((list, items) -> values.put(list, Json.MAPPER.writeValueAsString(items)));
            Map<String, IntakeViews.PersonInput> named = new LinkedHashMap<>();
            people.forEach((party, said) -> named.put(
                    party,
                    new IntakeViews.PersonInput(
                            said.getOrDefault("name", ""),
                            said.getOrDefault("mail", ""),
                            said.getOrDefault("phone", ""))));
            return new RunRow(number, new FilledForms.Sent(values, named, Typing.PLAIN, "", by), rows, faults, from);
        }
    }
}
