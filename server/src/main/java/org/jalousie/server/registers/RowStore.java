package org.jalousie.server.registers;

import java.sql.ResultSet;
import java.sql.SQLException;
import java.time.Instant;
import java.util.Collection;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import java.util.stream.Collectors;
import org.jalousie.core.data.FieldName;
import org.jalousie.core.json.Json;
import org.jalousie.core.registers.RegisterColumn;
import org.jalousie.core.registers.RegisterTerms;
import org.jalousie.core.registers.RowChange;
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

    RowStore(JdbcClient sql) {
        this.sql = sql;
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

    /** One change of a row. */
    record Entry(Instant at, String by, RowWriting.How how, List<RowChange> changes) {}

    /** The newest first. */
    List<Entry> history(UUID row, int from, int most) {
        return sql.sql("select at, by_name, how, changes from register_change where row_id = ?"
                        + " order by id desc limit ? offset ?")
                .params(row, most, from)
                .query((one, number) -> new Entry(
                        one.getTimestamp(1).toInstant(),
                        one.getString(2),
                        RowWriting.How.valueOf(one.getString(3)),
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
