package org.jalousie.server.registers;

import java.sql.PreparedStatement;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.sql.Timestamp;
import java.time.Clock;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Collection;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.UUID;
import java.util.stream.Collectors;
import org.jalousie.core.data.FieldName;
import org.jalousie.core.data.Value;
import org.jalousie.core.json.Json;
import org.jalousie.core.messages.Message;
import org.jalousie.core.registers.RegisterColumn;
import org.jalousie.core.registers.RegisterTerms;
import org.jalousie.core.registers.RowChange;
import org.jalousie.core.registers.SortKey;
import org.jalousie.server.Refusal;
import org.springframework.jdbc.core.JdbcTemplate;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Propagation;
import org.springframework.transaction.annotation.Transactional;
import tools.jackson.core.type.TypeReference;

/** Rows of registers in the database, with the cells by which they are sorted, narrowed and told apart. Used within a transaction. */
@Component
class RowStore {
    static final String COLUMNS =
            "r.id, r.register_id, r.\"values\", r.label, r.revision, r.gone, r.created_at, r.changed_at";

    private final JdbcClient sql;
    private final JdbcTemplate batches;
    private final Clock clock;

    RowStore(JdbcClient sql, JdbcTemplate batches, Clock clock) {
        this.sql = sql;
        this.batches = batches;
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

    static RegisterRow row(ResultSet row, int number) throws SQLException {
        return new RegisterRow(
                row.getObject(1, UUID.class),
                row.getObject(2, UUID.class),
                Json.MAPPER.readValue(row.getString(3), new TypeReference<Map<FieldName, String>>() {}),
                row.getString(4),
                row.getInt(5),
                row.getBoolean(6),
                row.getTimestamp(7).toInstant(),
                row.getTimestamp(8).toInstant());
    }

    Optional<RegisterRow> row(UUID register, UUID id) {
        return rows(register, List.of(id)).stream().findFirst();
    }

    /** In no order. */
    List<RegisterRow> rows(UUID register, Collection<UUID> ids) {
        if (ids.isEmpty()) return List.of();
        return sql.sql("select " + COLUMNS + " from register_row r where r.id in (:ids) and r.register_id = :register")
                .param("ids", ids)
                .param("register", register)
                .query(RowStore::row)
                .list();
    }

    /** A row that nobody else changes until the transaction ends. */
    Optional<RegisterRow> locked(UUID register, UUID id) {
        return sql.sql("select " + COLUMNS + " from register_row r where r.id = ? and r.register_id = ? for update")
                .params(id, register)
                .query(RowStore::row)
                .optional();
    }

    /** What rows are called, whichever register they are of; those that were taken out too. */
    Map<UUID, String> labels(Collection<UUID> ids) {
        if (ids.isEmpty()) return Map.of();
        return sql
                .sql("select id, label from register_row where id in (:ids)")
                .param("ids", ids)
                .query((row, number) -> Map.entry(row.getObject(1, UUID.class), row.getString(2)))
                .list()
                .stream()
                .collect(Collectors.toMap(Map.Entry::getKey, Map.Entry::getValue));
    }

    /** The columns' numbers, by which cells know them. */
    Map<FieldName, Integer> columns(UUID register) {
        return sql
                .sql("select name, id from register_column where register_id = ?")
                .param(register)
                .query((row, number) -> Map.entry(new FieldName(row.getString(1)), row.getInt(2)))
                .list()
                .stream()
                .collect(Collectors.toMap(Map.Entry::getKey, Map.Entry::getValue));
    }

    /** Gives new columns their numbers. */
    @Transactional(propagation = Propagation.MANDATORY)
    public void number(UUID register, RegisterTerms terms) {
        for (RegisterColumn column : terms.columns())
            sql.sql("insert into register_column (register_id, name) values (?, ?) on conflict do nothing")
                    .params(register, column.name().value())
                    .update();
    }

    /** Which row has a value that a column has only once. @param taken as {@link SortKey#taken} says it */
    Map<String, UUID> having(int column, Collection<String> taken) {
        if (taken.isEmpty()) return Map.of();
        return sql
                .sql("select taken, row_id from register_cell where column_id = :column and taken in (:taken)")
                .param("column", column)
                .param("taken", taken)
                .query((row, number) -> Map.entry(row.getString(1), row.getObject(2, UUID.class)))
                .list()
                .stream()
                .collect(Collectors.toMap(Map.Entry::getKey, Map.Entry::getValue));
    }

    /** Keeps rows with their history. A value that is taken meanwhile breaks the index, which says so to whoever came second. */
    @Transactional(propagation = Propagation.MANDATORY)
    public void write(Register register, List<Written> all, How how, String by) {
        if (all.isEmpty()) return;
        RegisterTerms terms = register.terms();
        Timestamp now = Timestamp.from(clock.instant());
        List<Object[]> fresh = new ArrayList<>();
        List<Object[]> changed = new ArrayList<>();
        List<Object[]> changes = new ArrayList<>();
        for (Written one : all) {
            Map<FieldName, String> raw = one.raw();
            if (one.before() != null) {
                // columns that the register has no more keep what they said
                Map<FieldName, String> kept = new LinkedHashMap<>(one.before().values());
                terms.columns().forEach(column -> kept.remove(column.name()));
                kept.forEach(raw::putIfAbsent);
            }
            String values = Json.canonical(raw);
            String label = RowWords.label(terms, one.read());
            String words = RowWords.found(one.read());
            if (one.before() == null) fresh.add(new Object[] {one.id(), register.id(), values, label, words, now, now});
            else changed.add(new Object[] {values, label, words, now, one.id()});
            List<RowChange> what = RowChange.between(
                    one.before() == null ? Map.of() : one.before().values(), raw);
            changes.add(new Object[] {one.id(), now, by, how.name(), Json.canonical(what)});
        }
        batches.batchUpdate(
                "insert into register_row (id, register_id, \"values\", label, words, revision, created_at, changed_at)"
                        + " values (?, ?, ?::jsonb, ?, ?, 1, ?, ?)",
                fresh);
        batches.batchUpdate(
                "update register_row set \"values\" = ?::jsonb, label = ?, words = ?, changed_at = ?, gone = false,"
                        + " revision = revision + 1 where id = ?",
                changed);
        batches.batchUpdate(
                "insert into register_change (row_id, at, by_name, how, changes) values (?, ?, ?, ?, ?::jsonb)",
                changes);
        cells(register, all);
    }

    /** What rows are found, sorted and called by is worked out anew; what they say stays. */
    @Transactional(propagation = Propagation.MANDATORY)
    public void rewritten(Register register, List<Written> all) {
        batches.batchUpdate(
                "update register_row set label = ?, words = ? where id = ?",
                all.stream()
                        .map(one -> new Object[] {
                            RowWords.label(register.terms(), one.read()), RowWords.found(one.read()), one.id()
                        })
                        .toList());
        cells(register, all);
    }

    /** The cells of rows, in place of those that they had. */
    private void cells(Register register, List<Written> all) {
        RegisterTerms terms = register.terms();
        Map<FieldName, Integer> columns = columns(register.id());
        batches.batchUpdate(
                "delete from register_cell where row_id = ?",
                all.stream()
                        .filter(one -> one.before() != null)
                        .map(one -> new Object[] {one.id()})
                        .toList());
        record Cell(int column, UUID row, String sort, String taken, UUID target) {}
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
        batches.batchUpdate(
                "insert into register_cell (column_id, row_id, sort_key, taken, target) values (?, ?, ?, ?, ?)",
                cells,
                1000,
                (PreparedStatement row, Cell cell) -> {
                    row.setInt(1, cell.column());
                    row.setObject(2, cell.row());
                    row.setString(3, cell.sort());
                    row.setString(4, cell.taken());
                    row.setObject(5, cell.target());
                });
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

    /** One change of a row. */
    record Entry(Instant at, String by, How how, List<RowChange> changes) {}

    /** The newest first. */
    List<Entry> history(UUID row, int from, int most) {
        return sql.sql("select at, by_name, how, changes from register_change where row_id = ?"
                        + " order by id desc limit ? offset ?")
                .params(row, most, from)
                .query((one, number) -> new Entry(
                        one.getTimestamp(1).toInstant(),
                        one.getString(2),
                        How.valueOf(one.getString(3)),
                        Json.MAPPER.readValue(one.getString(4), new TypeReference<List<RowChange>>() {})))
                .list();
    }

    /** How many rows there are, by register. */
    Map<UUID, Long> counts(Collection<UUID> registers) {
        Map<UUID, Long> counts = new HashMap<>();
        if (registers.isEmpty()) return counts;
        sql.sql("select register_id, count(*) from register_row where register_id in (:ids) and not gone group by 1")
                .param("ids", registers)
                .query((row, number) -> counts.put(row.getObject(1, UUID.class), row.getLong(2)))
                .list();
        return counts;
    }
}
