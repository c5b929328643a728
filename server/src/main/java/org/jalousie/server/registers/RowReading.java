package org.jalousie.server.registers;

import java.util.ArrayList;
import java.util.Collection;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.UUID;
import java.util.stream.Collectors;
import org.jalousie.core.data.FieldName;
import org.jalousie.core.data.SortKey;
import org.jalousie.core.data.Typing;
import org.jalousie.core.data.Value;
import org.jalousie.core.intake.Intake;
import org.jalousie.core.messages.Message;
import org.jalousie.core.registers.RegisterColumn;
import org.jalousie.core.registers.RegisterTerms;
import org.springframework.stereotype.Component;

/** Reads rows: by the columns' types, against the rows that they name, and against what other rows have already. */
@Component
class RowReading {
    private static final int LONGEST_UNIQUE = 200;

    private final RegisterRepository registers;
    private final RowStore store;

    RowReading(RegisterRepository registers, RowStore store) {
        this.registers = registers;
        this.store = store;
    }

    /**
     * A row whose cells were read by themselves.
     *
     * @param self the row that it is to be; empty for a new one
     */
    record Draft(Map<FieldName, Value> values, Map<FieldName, Message> faults, Optional<UUID> self) {}

    /** A row as it was typed. */
    RowRead read(Register register, Map<FieldName, String> inputs, Typing typing, Optional<UUID> self) {
        Intake.Reading read = Intake.read(register.terms().fields(), inputs, typing);
        return finished(register, List.of(new Draft(read.values(), read.faults(), self)))
                .get(0);
    }

    /** Rows as they are stored, read again. */
    List<RowRead> stored(Register register, List<RegisterRow> rows) {
        List<Draft> drafts = new ArrayList<>();
        for (RegisterRow row : rows) {
            Map<FieldName, Value> values = new LinkedHashMap<>();
            Intake.stored(register.terms().fields(), row.values())
                    .forEach((name, value) -> values.put(new FieldName(name), value));
            drafts.add(new Draft(values, Map.of(), Optional.of(row.id())));
        }
        return finished(register, drafts);
    }

    /** Looks up what rows name and what they may not have, all in as many questions as there are such columns. */
    List<RowRead> finished(Register register, List<Draft> drafts) {
        RegisterTerms terms = register.terms();
        List<RowRead> read = drafts.stream()
                .map(draft -> new RowRead(
                        new LinkedHashMap<>(draft.values()), new HashMap<>(), new LinkedHashMap<>(draft.faults())))
                .toList();
        for (RegisterColumn column : terms.columns()) if (column.relates()) relate(column, read);
        Map<FieldName, Integer> numbers = store.columns(register.id());
        for (RegisterColumn column : terms.columns())
            if (terms.isUnique(column.name())) tellApart(column, numbers.get(column.name()), read, drafts);
        return read;
    }

    private void relate(RegisterColumn column, List<RowRead> read) {
        Set<String> named = new HashSet<>();
        for (RowRead one : read) {
            Value value = one.values().get(column.name());
            if (value != null) named.add(value.raw());
        }
        if (named.isEmpty()) return;
        Optional<Register> related = registers.findByName(column.related());
        Map<String, RowRead.RelatedRow> found =
                related.map(one -> found(one, named)).orElse(Map.of());
        for (RowRead one : read) {
            Value value = one.values().get(column.name());
            if (value == null) continue;
            RowRead.RelatedRow row = found.get(value.raw());
            if (row != null) {
                one.values().put(column.name(), new Value.Text(row.id().toString()));
                one.targets().put(column.name(), row);
            } else {
                one.faults()
                        .put(
                                column.name(),
                                Message.of(
                                        "register.no-related",
                                        "text",
                                        value.raw(),
                                        "register",
                                        related.map(Register::title).orElse(column.related())));
            }
        }
    }

    /** Rows by what names them: their id, or their key. */
    private Map<String, RowRead.RelatedRow> found(Register related, Collection<String> named) {
        Map<String, String> keys = new HashMap<>();
        Set<UUID> ids = new HashSet<>();
        for (String name : named) {
            asId(name).ifPresent(ids::add);
            keys.put(name, SortKey.taken(new Value.Text(name)));
        }
        int key = store.columns(related.id()).get(related.terms().key());
        Map<String, UUID> byKey = store.having(key, Set.copyOf(keys.values()));
        Map<UUID, RegisterRow> byId = store.rows(related.id(), ids).stream()
                .filter(row -> !row.gone())
                .collect(Collectors.toMap(RegisterRow::id, row -> row));
        Map<UUID, String> labels = store.labels(byKey.values());
        Map<String, RowRead.RelatedRow> found = new HashMap<>();
        for (String name : named) {
            Optional<UUID> id = asId(name).filter(byId::containsKey);
            UUID row = id.orElseGet(() -> byKey.get(keys.get(name)));
            if (row == null) continue;
            String label = id.isPresent() ? byId.get(row).label() : labels.get(row);
            found.put(name, new RowRead.RelatedRow(row, label));
        }
        return found;
    }

    private static Optional<UUID> asId(String name) {
        if (name.length() != 36) return Optional.empty();
        try {
            return Optional.of(UUID.fromString(name));
        } catch (IllegalArgumentException e) {
            return Optional.empty();
        }
    }

    private void tellApart(RegisterColumn column, int number, List<RowRead> read, List<Draft> drafts) {
        Set<String> taken = new HashSet<>();
        for (RowRead one : read) {
            Value value = one.values().get(column.name());
            if (value != null) taken.add(SortKey.taken(value));
        }
        Map<String, UUID> there = store.having(number, taken);
        for (int i = 0; i < read.size(); i++) {
            Value value = read.get(i).values().get(column.name());
            if (value == null) continue;
            String one = SortKey.taken(value);
            UUID other = there.get(one);
            boolean elsewhere =
                    other != null && !drafts.get(i).self().filter(other::equals).isPresent();
            if (one.length() > LONGEST_UNIQUE)
                read.get(i).faults().put(column.name(), Message.of("register.unique-long", "most", LONGEST_UNIQUE));
            else if (elsewhere)
                read.get(i)
                        .faults()
                        .put(
                                column.name(),
                                Message.of(
                                        "register.taken",
                                        "text",
                                        value.raw(),
                                        "column",
                                        column.field().label()));
        }
    }
}
