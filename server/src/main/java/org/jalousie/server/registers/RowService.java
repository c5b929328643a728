package org.jalousie.server.registers;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.UUID;
import org.jalousie.core.data.Field;
import org.jalousie.core.data.FieldName;
import org.jalousie.core.data.Typing;
import org.jalousie.core.data.ValueReader;
import org.jalousie.core.messages.Message;
import org.jalousie.core.registers.RegisterColumn;
import org.jalousie.core.registers.RegisterTerms;
import org.jalousie.server.Refusal;
import org.jalousie.server.web.Page;
import org.springframework.dao.DuplicateKeyException;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Rows of registers: shown, typed, taken out, brought back. */
@Service
class RowService {
    private static final int MOST_OPTIONS = 20;
    private static final int SHOWN_HISTORY = 50;

    private final RegisterService registers;
    private final RowStore store;
    private final RowWriting writing;
    private final NamingRows naming;
    private final RowReading reading;
    private final RowLists lists;

    RowService(
            RegisterService registers,
            RowStore store,
            RowWriting writing,
            NamingRows naming,
            RowReading reading,
            RowLists lists) {
        this.registers = registers;
        this.store = store;
        this.writing = writing;
        this.naming = naming;
        this.reading = reading;
        this.lists = lists;
    }

    @Transactional(readOnly = true)
    Page<RegisterViews.RowView> list(String register, RowLists.Narrowed narrowed, String sort, int page) {
        Register of = registers.register(register);
        Page<RegisterRow> found = lists.list(of, narrowed, sort, page);
        return new Page<>(views(of, found.items()), found.total(), found.page(), found.size());
    }

    @Transactional(readOnly = true)
    List<RegisterViews.RowOption> options(String register, String find) {
        Register of = registers.register(register);
        RegisterTerms terms = of.terms();
        List<FieldName> naming = terms.naming();
        return lists.options(of, find, MOST_OPTIONS).stream()
                .map(row -> new RegisterViews.RowOption(
                        row.id(), row.label(), naming.contains(terms.key()) ? "" : printed(terms, terms.key(), row)))
                .toList();
    }

    @Transactional(readOnly = true)
    RegisterViews.RowDetail show(String register, UUID id) {
        Register of = registers.register(register);
        RegisterRow row = row(of, id);
        List<RegisterViews.NamedBy> namedBy = new ArrayList<>();
        for (RegisterViews.Relation relation : registers.relations(register))
            namedBy.add(new RegisterViews.NamedBy(
                    relation, lists.countNaming(registers.register(relation.register()), relation.column(), id)));
        return new RegisterViews.RowDetail(
                registers.detail(of), views(of, List.of(row)).get(0), history(of, id, 0), namedBy);
    }

    /** The newest first. @param page from 0, fifty each */
    @Transactional(readOnly = true)
    List<RegisterViews.RowEntry> history(String register, UUID id, int page) {
        Register of = registers.register(register);
        row(of, id);
        return history(of, id, Page.request(page).getPageNumber());
    }

    private List<RegisterViews.RowEntry> history(Register of, UUID id, int page) {
        return store.history(id, page * SHOWN_HISTORY, SHOWN_HISTORY).stream()
                .map(one -> new RegisterViews.RowEntry(one.at(), one.by(), one.how(), readable(of, one)))
                .toList();
    }

    /** Changes as they are read by people. */
    private List<org.jalousie.core.registers.RowChange> readable(Register register, RowStore.Entry entry) {
        RegisterTerms terms = register.terms();
        Set<UUID> rows = new HashSet<>();
        for (var change : entry.changes())
            if (terms.column(change.column()).filter(RegisterColumn::relates).isPresent()) {
                id(change.was()).ifPresent(rows::add);
                id(change.is()).ifPresent(rows::add);
            }
        Map<UUID, String> labels = store.labels(rows);
        return entry.changes().stream()
                .map(change -> new org.jalousie.core.registers.RowChange(
                        change.column(),
                        said(terms, change.column(), change.was(), labels),
                        said(terms, change.column(), change.is(), labels)))
                .toList();
    }

    private static String said(RegisterTerms terms, FieldName name, String raw, Map<UUID, String> labels) {
        Optional<RegisterColumn> column = terms.column(name);
        if (raw.isEmpty() || column.isEmpty()) return raw;
        if (column.get().relates()) return id(raw).map(labels::get).orElse(raw);
        return ValueReader.stored(column.get().field(), raw)
                .map(RowWords::printed)
                .orElse("");
    }

    private static Optional<UUID> id(String raw) {
        try {
            return Optional.of(UUID.fromString(raw));
        } catch (IllegalArgumentException e) {
            return Optional.empty();
        }
    }

    RegisterRow row(Register register, UUID id) {
        return store.row(register.id(), id).orElseThrow(() -> Refusal.notFound(Message.of("register.no-row")));
    }

    /** @param inputs as they are typed; columns that are left out are blank */
    @Transactional
    RegisterViews.RowDetail add(String register, Map<FieldName, String> inputs, Typing typing, String by) {
        Register of = registers.held(register);
        RowWriting.Written fresh = RowWriting.Written.fresh(read(of, inputs, typing, Optional.empty()));
        write(of, fresh, RowWriting.How.TYPED, by);
        return show(register, fresh.id());
    }

    /** Changes cells of a row; columns that are left out stay as they are. @param revision of the row that it is based on */
    @Transactional
    RegisterViews.RowDetail change(
            String register, UUID id, int revision, Map<FieldName, String> inputs, Typing typing, String by) {
        Register of = registers.held(register);
        RegisterRow before =
                store.locked(of.id(), id).orElseThrow(() -> Refusal.notFound(Message.of("register.no-row")));
        if (before.revision() != revision) throw Refusal.conflict(Message.of("register.row-changed"));
        if (before.gone()) throw Refusal.conflict(Message.of("register.row-gone"));
        Map<FieldName, String> all = typed(of.terms(), before, typing);
        all.putAll(inputs);
        RowWriting.Written changed = new RowWriting.Written(id, before, read(of, all, typing, Optional.of(id)));
        if (!stays(of.terms(), before, changed)) write(of, changed, RowWriting.How.TYPED, by);
        return show(register, id);
    }

    private static boolean stays(RegisterTerms terms, RegisterRow before, RowWriting.Written changed) {
        Map<FieldName, String> was = new HashMap<>(before.values());
        was.keySet().removeIf(name -> terms.column(name).isEmpty());
        return was.equals(changed.raw());
    }

    /** A row's values as they would be typed. */
    static Map<FieldName, String> typed(RegisterTerms terms, RegisterRow row, Typing typing) {
        Map<FieldName, String> typed = new LinkedHashMap<>();
        for (Field field : terms.fields()) {
            String raw = row.values().getOrDefault(field.name(), "");
            ValueReader.stored(field, raw).ifPresent(value -> typed.put(field.name(), typing.shown(value)));
        }
        return typed;
    }

    @Transactional
    void takeOut(String register, UUID id, int revision, String by) {
        Register of = registers.held(register);
        RegisterRow row = store.locked(of.id(), id).orElseThrow(() -> Refusal.notFound(Message.of("register.no-row")));
        if (row.gone()) return;
        if (row.revision() != revision) throw Refusal.conflict(Message.of("register.row-changed"));
        for (RegisterViews.Relation relation : registers.relations(register)) {
            long naming = lists.countNaming(registers.register(relation.register()), relation.column(), id);
            if (naming > 0)
                throw Refusal.conflict(Message.of(
                        "register.row-named", "count", naming, "register", relation.title(), "row", row.label()));
        }
        writing.takeOut(row, by);
    }

    @Transactional
    RegisterViews.RowDetail bringBack(String register, UUID id, String by) {
        Register of = registers.held(register);
        RegisterRow row = store.locked(of.id(), id).orElseThrow(() -> Refusal.notFound(Message.of("register.no-row")));
        if (!row.gone()) return show(register, id);
        RowRead read = reading.stored(of, List.of(row)).get(0);
        if (!read.faults().isEmpty()) throw faulty(read);
        write(of, new RowWriting.Written(id, row, read), RowWriting.How.BROUGHT_BACK, by);
        return show(register, id);
    }

    private RowRead read(Register of, Map<FieldName, String> inputs, Typing typing, Optional<UUID> self) {
        RowRead read = reading.read(of, inputs, typing, self);
        if (!read.faults().isEmpty()) throw faulty(read);
        return read;
    }

    private static Refusal faulty(RowRead read) {
        Map<String, Message> faults = new LinkedHashMap<>();
        read.faults().forEach((name, fault) -> faults.put(name.value(), fault));
        return Refusal.invalid(Message.of("register.faults", "count", faults.size()), faults);
    }

    private void write(Register of, RowWriting.Written one, RowWriting.How how, String by) {
        try {
            writing.write(of, List.of(one), how, by);
            naming.after(of, List.of(one));
        } catch (DuplicateKeyException e) {
            // somebody else was first by a moment
            throw Refusal.conflict(Message.of("register.row-changed"));
        }
    }

    List<RegisterViews.RowView> views(Register register, List<RegisterRow> rows) {
        RegisterTerms terms = register.terms();
        Set<UUID> named = new HashSet<>();
        for (RegisterRow row : rows)
            for (RegisterColumn column : terms.columns())
                if (column.relates())
                    id(row.values().getOrDefault(column.name(), "")).ifPresent(named::add);
        Map<UUID, String> labels = store.labels(named);
        return rows.stream().map(row -> view(terms, row, labels)).toList();
    }

    private static RegisterViews.RowView view(RegisterTerms terms, RegisterRow row, Map<UUID, String> labels) {
        Map<FieldName, String> values = new LinkedHashMap<>();
        Map<FieldName, String> printed = new LinkedHashMap<>();
        Map<FieldName, RegisterViews.RelatedView> related = new LinkedHashMap<>();
        for (RegisterColumn column : terms.columns()) {
            String raw = row.values().getOrDefault(column.name(), "");
            if (raw.isEmpty()) continue;
            values.put(column.name(), raw);
            Optional<UUID> target = column.relates() ? id(raw).filter(labels::containsKey) : Optional.empty();
            target.ifPresent(id ->
                    related.put(column.name(), new RegisterViews.RelatedView(id, labels.get(id), column.related())));
            printed.put(column.name(), target.map(labels::get).orElseGet(() -> printed(terms, column.name(), row)));
        }
        return new RegisterViews.RowView(
                row.id(), row.label(), values, printed, related, row.revision(), row.gone(), row.changedAt());
    }

    private static String printed(RegisterTerms terms, FieldName column, RegisterRow row) {
        return terms.column(column)
                .flatMap(one -> ValueReader.stored(one.field(), row.values().getOrDefault(column, "")))
                .map(RowWords::printed)
                .orElse("");
    }
}
