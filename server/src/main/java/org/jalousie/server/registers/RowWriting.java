package org.jalousie.server.registers;

import java.sql.Timestamp;
import java.time.Clock;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.UUID;
import java.util.stream.Collectors;
import org.jalousie.core.data.FieldName;
import org.jalousie.core.data.SortKey;
import org.jalousie.core.data.Value;
import org.jalousie.core.json.Json;
import org.jalousie.core.messages.Message;
import org.jalousie.core.registers.RegisterColumn;
import org.jalousie.core.registers.RegisterTerms;
import org.jalousie.core.registers.RowChange;
import org.jalousie.server.Refusal;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Propagation;
import org.springframework.transaction.annotation.Transactional;

/** Writes rows of registers, with their history and their cells, many in one statement. Used within a transaction. */
@Component
class RowWriting {
    private final JdbcClient sql;
    private final RowStore store;
    private final Clock clock;

    RowWriting(JdbcClient sql, RowStore store, Clock clock) {
        this.sql = sql;
        this.store = store;
        this.clock = clock;
    }

    /** How a row came to say what it says. */
    enum How {
        TYPED,
        IMPORTED,
        TAKEN_OUT,
        BROUGHT_BACK
    }

    /**
     * A row that is to be kept.
     *
     * @param before as it was; null for a new one
     * @param id of the row
     */
    record Written(UUID id, RegisterRow before, RowRead read) {
        static Written fresh(RowRead read) {
            return new Written(UUID.randomUUID(), null, read);
        }

        Map<FieldName, String> raw() {
            Map<FieldName, String> raw = new LinkedHashMap<>();
            read.values().forEach((name, value) -> raw.put(name, value.raw()));
            return raw;
        }
    }

    /** A row as it is written down. */
    private record Kept(UUID id, Map<FieldName, String> values, String label, String words) {}

    private static final String KEPT =
            " from jsonb_to_recordset(:all::jsonb) as r(id uuid, \"values\" jsonb, label text, words text)";

    private record Changed(UUID id, List<RowChange> changes) {}

    /** What a row is sorted by, told apart by, and names in a column. */
    private record Cell(int column, UUID row, String sort, String taken, UUID target) {}

    /** Writes many in one statement. @param all as JSON, where the statement says {@code :all} */
    private void many(String statement, List<?> all, Map<String, Object> given) {
        if (all.isEmpty()) return;
        sql.sql(statement)
                .params(given)
                .param("all", Json.MAPPER.writeValueAsString(all))
                .update();
    }

    /** Keeps rows with their history. A value that is taken meanwhile breaks the index, which says so to whoever came second. */
    @Transactional(propagation = Propagation.MANDATORY)
    public void write(Register register, List<Written> all, How how, String by) {
        if (all.isEmpty()) return;
        RegisterTerms terms = register.terms();
        Timestamp now = Timestamp.from(clock.instant());
        List<Kept> fresh = new ArrayList<>();
        List<Kept> changed = new ArrayList<>();
        List<Changed> changes = new ArrayList<>();
        for (Written one : all) {
            Map<FieldName, String> raw = one.raw();
            if (one.before() != null) {
                // columns that the register has no more keep what they said
                Map<FieldName, String> kept = new LinkedHashMap<>(one.before().values());
                terms.columns().forEach(column -> kept.remove(column.name()));
                kept.forEach(raw::putIfAbsent);
            }
            (one.before() == null ? fresh : changed)
                    .add(new Kept(one.id(), raw, RowWords.label(terms, one.read()), RowWords.found(one.read())));
            changes.add(new Changed(
                    one.id(),
                    RowChange.between(
                            one.before() == null ? Map.of() : one.before().values(), raw)));
        }
        many(
                "insert into register_row (id, register_id, \"values\", label, words, revision, created_at, changed_at)"
                        + " select r.id, :register, r.\"values\", r.label, r.words, 1, :now, :now" + KEPT,
                fresh,
                Map.of("register", register.id(), "now", now));
        many(
                "update register_row t set \"values\" = r.\"values\", label = r.label, words = r.words, changed_at = :now,"
                        + " gone = false, revision = revision + 1" + KEPT + " where t.id = r.id",
                changed,
                Map.of("now", now));
        many(
                "insert into register_change (row_id, at, by_name, how, changes) select r.id, :now, :by, :how, r.changes"
                        + " from jsonb_to_recordset(:all::jsonb) as r(id uuid, changes jsonb)",
                changes,
                Map.of("now", now, "by", by, "how", how.name()));
        cells(register, all);
    }

    /** What rows are found, sorted and called by is worked out anew; what they say stays. */
    @Transactional(propagation = Propagation.MANDATORY)
    public void rewritten(Register register, List<Written> all) {
        many(
                "update register_row t set label = r.label, words = r.words" + KEPT + " where t.id = r.id",
                all.stream()
                        .map(one -> new Kept(
                                one.id(),
                                Map.of(),
                                RowWords.label(register.terms(), one.read()),
                                RowWords.found(one.read())))
                        .toList(),
                Map.of());
        cells(register, all);
    }

    /** The cells of rows, in place of those that they had. */
    private void cells(Register register, List<Written> all) {
        RegisterTerms terms = register.terms();
        Map<FieldName, Integer> columns = store.columns(register.id());
        List<UUID> before = all.stream()
                .filter(one -> one.before() != null)
                .map(Written::id)
                .toList();
        if (!before.isEmpty())
            sql.sql("delete from register_cell where row_id in (:ids)")
                    .param("ids", before)
                    .update();
        holdTargets(all);
        List<Cell> cells = new ArrayList<>();
        for (Written one : all) {
            for (RegisterColumn column : terms.columns()) {
                Optional<Value> value = Optional.ofNullable(one.read().values().get(column.name()));
                RowRead.RelatedRow target = one.read().targets().get(column.name());
                cells.add(new Cell(
                        columns.get(column.name()),
                        one.id(),
                        target != null
                                ? SortKey.text(target.label())
                                : value.map(SortKey::of).orElse(""),
                        terms.isUnique(column.name())
                                ? value.map(SortKey::taken).orElse(null)
                                : null,
                        target == null ? null : target.id()));
            }
        }
        many(
                "insert into register_cell (column_id, row_id, sort_key, taken, target)"
                        + " select r.\"column\", r.row, r.sort, r.taken, r.target from jsonb_to_recordset(:all::jsonb)"
                        + " as r(\"column\" int, row uuid, sort text, taken text, target uuid)",
                cells,
                Map.of());
    }

    /** Rows that are named stay until the transaction ends. @throws Refusal when one was taken out meanwhile */
    private void holdTargets(List<Written> all) {
        Set<UUID> named = all.stream()
                .flatMap(one -> one.read().targets().values().stream())
                .map(RowRead.RelatedRow::id)
                .collect(Collectors.toSet());
        if (named.isEmpty()) return;
        int there = sql.sql("select id from register_row where id in (:ids) and not gone order by id for share")
                .param("ids", named)
                .query(UUID.class)
                .list()
                .size();
        if (there < named.size()) throw Refusal.conflict(Message.of("register.row-changed"));
    }

    /** Takes a row out: it can't be found or named any more, what it said stays known. */
    @Transactional(propagation = Propagation.MANDATORY)
    public void takeOut(RegisterRow row, String by) {
        Timestamp now = Timestamp.from(clock.instant());
        sql.sql("delete from register_cell where row_id = ?").param(row.id()).update();
        sql.sql("update register_row set gone = true, revision = revision + 1, changed_at = ? where id = ?")
                .params(now, row.id())
                .update();
        sql.sql("insert into register_change (row_id, at, by_name, how, changes) values (?, ?, ?, ?, '[]')")
                .params(row.id(), now, by, How.TAKEN_OUT.name())
                .update();
    }
}
