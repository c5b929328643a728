package org.jalousie.server.registers;

import java.util.ArrayList;
import java.util.Collection;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.UUID;
import org.jalousie.core.data.Field;
import org.jalousie.core.data.FieldName;
import org.jalousie.core.data.FieldType;
import org.jalousie.core.data.SortKey;
import org.jalousie.core.data.Value;
import org.jalousie.core.data.ValueReader;
import org.jalousie.core.intake.Lookup;
import org.jalousie.core.messages.Message;
import org.jalousie.core.registers.RegisterColumn;
import org.jalousie.core.registers.RegisterTerms;
import org.jalousie.core.registers.Taking;
import org.jalousie.server.Refusal;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Takes rows of registers for answers of forms. */
@Service
class RowsTaken implements RegisterLookups {
    private static final int MOST_AT_ONCE = 10_000;

    private final RegisterRepository registers;
    private final RowStore store;
    private final RowLists lists;

    RowsTaken(RegisterRepository registers, RowStore store, RowLists lists) {
        this.registers = registers;
        this.store = store;
        this.lists = lists;
    }

    @Override
    @Transactional(readOnly = true)
    public Map<String, RegisterTerms> terms(Collection<String> names) {
        Map<String, RegisterTerms> terms = new HashMap<>();
        if (!names.isEmpty())
            registers.findByNameIn(names).forEach(register -> terms.put(register.name(), register.terms()));
        return terms;
    }

    @Override
    @Transactional(readOnly = true)
    public Optional<TakenAnswers> taken(
            Lookup lookup, FieldName question, List<Field> fields, String row, Locale language) {
        Optional<Register> register = lookup.present() ? registers.findByName(lookup.register()) : Optional.empty();
        if (register.isEmpty()) return Optional.empty();
        Optional<RegisterRow> found = found(register.get(), row);
        if (found.isEmpty()) return Optional.empty();
        Taking taking = new Taking(fields, language);
        Taking.Row chosen = rows(register.get(), List.of(found.get())).get(0);
        boolean list =
                fields.stream().anyMatch(field -> field.name().equals(question) && field.type() == FieldType.ITEMS);
        Map<FieldName, String> answers = list
                ? taking.item(question, lookup, chosen)
                : taking.answers(question, lookup, chosen, related(lookup, found.get()));
        return Optional.of(new TakenAnswers(
                found.get().id(), found.get().label(), answers, found.get().gone()));
    }

    @Override
    @Transactional(readOnly = true)
    public List<String> keys(String name, String find, List<String> where) {
        Register register = register(name);
        RowLists.Narrowed narrowed = new RowLists.Narrowed(find, where, false);
        List<UUID> ids = lists.idsAfter(register, narrowed, new UUID(0, 0), MOST_AT_ONCE + 1);
        if (ids.size() > MOST_AT_ONCE) throw Refusal.invalid(Message.of("run.too-many-rows", "most", MOST_AT_ONCE));
        return keys(register, store.rows(register.id(), ids));
    }

    @Override
    @Transactional(readOnly = true)
    public List<String> keys(String name, List<UUID> rows) {
        if (rows.size() > MOST_AT_ONCE) throw Refusal.invalid(Message.of("run.too-many-rows", "most", MOST_AT_ONCE));
        Register register = register(name);
        List<UUID> wanted = rows.stream().distinct().toList();
        List<RegisterRow> found = store.rows(register.id(), wanted).stream()
                .filter(row -> !row.gone())
                .toList();
        if (found.size() < wanted.size()) throw Refusal.invalid(Message.of("run.rows-gone"));
        return keys(register, found);
    }

    private static List<String> keys(Register register, List<RegisterRow> rows) {
        FieldName key = register.terms().key();
        return rows.stream()
                .map(row -> row.values().getOrDefault(key, ""))
                .sorted()
                .toList();
    }

    private Register register(String name) {
        return registers
                .findByName(name)
                .orElseThrow(() -> Refusal.notFound(Message.of("register.none", "name", name)));
    }

    private Optional<RegisterRow> found(Register register, String row) {
        Optional<RegisterRow> byId =
                row.length() == 36 ? asId(row).flatMap(id -> store.row(register.id(), id)) : Optional.empty();
        if (byId.isPresent()) return byId;
        String key = SortKey.taken(new Value.Text(row));
        int column = store.columns(register.id()).get(register.terms().key());
        return Optional.ofNullable(store.having(column, List.of(key)).get(key))
                .flatMap(id -> store.row(register.id(), id));
    }

    private static Optional<UUID> asId(String text) {
        try {
            return Optional.of(UUID.fromString(text));
        } catch (IllegalArgumentException e) {
            return Optional.empty();
        }
    }

    /** For each list the rows that name one. @throws Refusal for more than a list holds, since some would be missing unseen */
    private List<List<Taking.Row>> related(Lookup lookup, RegisterRow row) {
        List<List<Taking.Row>> all = new ArrayList<>();
        for (Lookup.Rows rows : lookup.rows()) {
            Optional<Register> register = registers
                    .findByName(rows.register())
                    .filter(one -> one.terms().column(rows.by()).isPresent());
            List<RegisterRow> naming = register.map(
                            one -> lists.naming(one, rows.by(), row.id(), ValueReader.MOST_ITEMS + 1))
                    .orElse(List.of());
            if (naming.size() > ValueReader.MOST_ITEMS)
                throw Refusal.invalid(Message.of("value.too-many-items", "most", ValueReader.MOST_ITEMS));
            all.add(register.map(one -> rows(one, naming)).orElse(List.of()));
        }
        return all;
    }

    private List<Taking.Row> rows(Register register, List<RegisterRow> rows) {
        RegisterTerms terms = register.terms();
        List<FieldName> relating = terms.columns().stream()
                .filter(RegisterColumn::relates)
                .map(RegisterColumn::name)
                .toList();
        Set<UUID> named = new HashSet<>();
        for (RegisterRow row : rows)
            for (FieldName column : relating)
                asId(row.values().getOrDefault(column, "")).ifPresent(named::add);
        Map<UUID, String> labels = store.labels(named);
        List<Taking.Row> all = new ArrayList<>();
        for (RegisterRow row : rows) {
            Map<FieldName, String> names = new LinkedHashMap<>();
            for (FieldName column : relating)
                asId(row.values().getOrDefault(column, ""))
                        .map(labels::get)
                        .ifPresent(label -> names.put(column, label));
            all.add(new Taking.Row(terms, row.label(), row.values(), names));
        }
        return all;
    }
}
