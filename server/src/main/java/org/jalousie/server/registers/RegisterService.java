package org.jalousie.server.registers;

import java.time.Clock;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import org.jalousie.core.data.FieldName;
import org.jalousie.core.data.FieldType;
import org.jalousie.core.data.ValueReader;
import org.jalousie.core.messages.Message;
import org.jalousie.core.registers.RegisterColumn;
import org.jalousie.core.registers.RegisterTerms;
import org.jalousie.server.Refusal;
import org.jalousie.server.store.RowLock;
import org.jalousie.server.web.ListOrder;
import org.jalousie.server.web.Page;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** The office's own tables: which there are, and what they hold. */
@Service
class RegisterService {
    private static final ListOrder ORDER = new ListOrder(Map.of("title", "title", "changed", "changedAt"), "title");
    private static final int BATCH = 500;

    private final RegisterRepository registers;
    private final RowStore store;
    private final RowWriting writing;
    private final NamingRows naming;
    private final RowReading reading;
    private final RowLists lists;
    private final RowLock lock;
    private final JdbcClient sql;
    private final Clock clock;

    RegisterService(
            RegisterRepository registers,
            RowStore store,
            RowWriting writing,
            NamingRows naming,
            RowReading reading,
            RowLists lists,
            RowLock lock,
            JdbcClient sql,
            Clock clock) {
        this.registers = registers;
        this.store = store;
        this.writing = writing;
        this.naming = naming;
        this.reading = reading;
        this.lists = lists;
        this.lock = lock;
        this.sql = sql;
        this.clock = clock;
    }

    @Transactional(readOnly = true)
    Page<RegisterViews.RegisterItem> list(String find, String sort, int page) {
        var found = registers.find(Page.pattern(find), ORDER.page(page, sort));
        Map<UUID, Long> counts = store.counts(found.map(Register::id).getContent());
        return new Page<>(
                found.map(one -> new RegisterViews.RegisterItem(
                                one.name(),
                                one.title(),
                                counts.getOrDefault(one.id(), 0L),
                                one.terms().columns().size(),
                                one.changedAt()))
                        .getContent(),
                found.getTotalElements(),
                page,
                Page.SIZE);
    }

    @Transactional(readOnly = true)
    RegisterViews.RegisterDetail show(String name) {
        return detail(register(name));
    }

    RegisterViews.RegisterDetail detail(Register register) {
        return new RegisterViews.RegisterDetail(
                register.name(),
                register.revision(),
                register.terms(),
                store.counts(List.of(register.id())).getOrDefault(register.id(), 0L),
                relations(register.name()));
    }

    /** Columns of all registers that name rows of one. */
    List<RegisterViews.Relation> relations(String name) {
        List<RegisterViews.Relation> relations = new ArrayList<>();
        for (Register one : registers.findAll())
            for (RegisterColumn column : one.terms().columns())
                if (column.related().equals(name))
                    relations.add(new RegisterViews.Relation(
                            one.name(),
                            one.title(),
                            column.name(),
                            column.field().label()));
        return relations;
    }

    /** @throws Refusal when there is none of this name */
    Register register(String name) {
        return registers
                .findByName(name)
                .orElseThrow(() -> Refusal.notFound(Message.of("register.none", "name", name)));
    }

    /** The register as it stays until the transaction ends. Others may change rows meanwhile, but not what it holds. */
    Register held(String name) {
        Register found = register(name);
        sql.sql("select 1 from register where id = ? for share")
                .param(found.id())
                .query(Integer.class)
                .single();
        return found;
    }

    /** @param name by which templates and addresses know it; it can't be changed */
    @Transactional
    RegisterViews.RegisterDetail create(String name, RegisterTerms terms) {
        if (!name.matches("[a-z][a-z0-9_]{0,60}"))
            throw Refusal.invalid(Message.of("register.name"), Map.of("name", Message.of("register.name.cure")));
        check(terms);
        if (registers.findByName(name).isPresent())
            throw Refusal.conflict(Message.of("register.name-taken", "name", name));
        Register register = registers.saveAndFlush(new Register(name, terms, clock.instant()));
        store.number(register.id(), terms);
        return detail(register);
    }

    /** Settles what a register holds. What stands in its rows has to fit; columns that are left out keep what they said, unseen. */
    @Transactional
    RegisterViews.RegisterDetail settle(String name, int revision, RegisterTerms terms) {
        Register register = lock.on(register(name));
        if (register.revision() != revision) throw Refusal.conflict(Message.of("register.changed-meanwhile"));
        check(terms);
        RegisterTerms before = register.terms();
        for (RegisterColumn column : before.columns())
            if (terms.column(column.name()).isEmpty()
                    && column.name().equals(before.key())
                    && terms.key().equals(before.key())) throw Refusal.invalid(Message.of("register.no-key"));
        fits(register, before, terms);
        register.settle(terms, clock.instant());
        registers.flush();
        store.number(register.id(), terms);
        if (!sameRows(before, terms)) rewrite(register);
        return detail(register);
    }

    private void check(RegisterTerms terms) {
        Map<String, Message> faults = new LinkedHashMap<>(terms.faults());
        for (RegisterColumn column : terms.columns())
            if (column.relates() && registers.findByName(column.related()).isEmpty())
                faults.put("columns." + column.name(), Message.of("register.none", "name", column.related()));
        if (!faults.isEmpty()) throw Refusal.invalid(faults.values().iterator().next(), faults);
    }

    /** What rows say has to be readable as what it is to be from now on, and told apart where it is to be. */
    private void fits(Register register, RegisterTerms before, RegisterTerms terms) {
        List<RegisterColumn> changed = terms.columns().stream()
                .filter(column -> before.column(column.name())
                        .map(was -> !sameData(was, column))
                        .orElse(true))
                .toList();
        Map<FieldName, Integer> wrong = new HashMap<>();
        Map<FieldName, String> examples = new HashMap<>();
        if (!changed.isEmpty())
            eachBatch(register, rows -> {
                for (RegisterRow row : rows)
                    for (RegisterColumn column : changed) {
                        String raw = row.values().getOrDefault(column.name(), "");
                        if (raw.isEmpty() || staysReadable(before, column, raw)) continue;
                        wrong.merge(column.name(), 1, Integer::sum);
                        examples.putIfAbsent(column.name(), row.label());
                    }
            });
        Map<String, Message> faults = new LinkedHashMap<>();
        for (RegisterColumn column : terms.columns()) {
            String place = "columns." + column.name();
            String label = column.field().label();
            if (wrong.containsKey(column.name()))
                faults.put(
                        place,
                        Message.of(
                                "register.does-not-fit",
                                "column",
                                label,
                                "count",
                                wrong.get(column.name()),
                                "example",
                                examples.get(column.name())));
            else if (terms.isUnique(column.name()) && !before.isUnique(column.name()))
                twice(register, column.name())
                        .ifPresent(text ->
                                faults.put(place, Message.of("register.not-unique", "column", label, "text", text)));
            if (column.name().equals(terms.key())
                    && !column.name().equals(before.key())
                    && blanks(register, column.name()) > 0)
                faults.put(
                        place,
                        Message.of("register.key-blank", "column", label, "count", blanks(register, column.name())));
        }
        if (!faults.isEmpty()) throw Refusal.invalid(faults.values().iterator().next(), faults);
    }

    private static boolean sameData(RegisterColumn was, RegisterColumn is) {
        return was.related().equals(is.related())
                && was.field().type() == is.field().type()
                && was.field().choices().equals(is.field().choices())
                && was.field().ownAnswer().equals(is.field().ownAnswer());
    }

    private static boolean sameRows(RegisterTerms before, RegisterTerms terms) {
        return before.key().equals(terms.key())
                && before.naming().equals(terms.naming())
                && before.columns().size() == terms.columns().size()
                && terms.columns().stream()
                        .allMatch(column -> before.column(column.name())
                                .filter(was ->
                                        sameData(was, column) && was.unique().equals(column.unique()))
                                .isPresent());
    }

    private static boolean staysReadable(RegisterTerms before, RegisterColumn column, String raw) {
        // what names a row is stored as that row's id, which is no text and no row of another register
        boolean relation = before.column(column.name())
                .map(was -> was.related().equals(column.related()))
                .orElse(true);
        if (!relation) return false;
        if (column.field().type() == FieldType.TEXT) return true;
        try {
            return ValueReader.read(column.field(), raw).isPresent();
        } catch (ValueReader.Unreadable e) {
            return false;
        }
    }

    private Optional<String> twice(Register register, FieldName column) {
        return sql.sql("select min(\"values\" ->> :column) from register_row where register_id = :register and not gone"
                        + " and \"values\" ->> :column is not null group by lower(\"values\" ->> :column)"
                        + " having count(*) > 1 limit 1")
                .param("column", column.value())
                .param("register", register.id())
                .query(String.class)
                .optional();
    }

    private int blanks(Register register, FieldName column) {
        return sql.sql(
                        "select count(*) from register_row where register_id = ? and not gone and \"values\" ->> ? is null")
                .params(register.id(), column.value())
                .query(Integer.class)
                .single();
    }

    private void rewrite(Register register) {
        eachBatch(register, rows -> {
            List<RowRead> read = reading.stored(register, rows);
            List<RowWriting.Written> all = new ArrayList<>();
            for (int i = 0; i < rows.size(); i++)
                all.add(new RowWriting.Written(rows.get(i).id(), rows.get(i), read.get(i)));
            writing.rewritten(register, all);
            naming.after(register, all);
        });
        sql.sql(
                        "delete from register_cell c using register_column k where c.column_id = k.id and k.register_id = :register"
                                + " and k.name not in (:names)")
                .param("register", register.id())
                .param(
                        "names",
                        register.terms().columns().stream()
                                .map(one -> one.name().value())
                                .toList())
                .update();
    }

    private void eachBatch(Register register, java.util.function.Consumer<List<RegisterRow>> each) {
        UUID last = new UUID(0, 0);
        while (true) {
            List<UUID> ids = lists.idsAfter(register, new RowLists.Narrowed("", List.of(), false), last, BATCH);
            if (ids.isEmpty()) return;
            each.accept(store.rows(register.id(), ids));
            last = ids.get(ids.size() - 1);
        }
    }
}
