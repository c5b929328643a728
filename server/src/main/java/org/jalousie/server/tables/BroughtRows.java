package org.jalousie.server.tables;

import java.sql.ResultSet;
import java.sql.SQLException;
import java.util.Collection;
import java.util.EnumMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.UUID;
import java.util.stream.Collectors;
import org.jalousie.core.data.FieldName;
import org.jalousie.core.json.Json;
import org.jalousie.core.messages.Message;
import org.jalousie.core.tables.Cell;
import org.springframework.jdbc.core.JdbcTemplate;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;
import tools.jackson.core.type.TypeReference;

/** Rows of tables that were brought in, with what would come of each. Used within a transaction. */
@Component
class BroughtRows {
    private static final String ROWS =
            "select number, cells, mended, outcome, plan, faults, told_apart, belongs_to from brought_row where table_id = ";

    private static final String COLUMNS = ROWS + "? ";

    private final JdbcClient sql;
    private final JdbcTemplate batches;

    BroughtRows(JdbcClient sql, JdbcTemplate batches) {
        this.sql = sql;
        this.batches = batches;
    }

    /**
     * @param faults what is wrong, in sentences, by field; {@code mended} whether somebody has typed over its cells
     * @param belongsTo the row that it goes with
     */
    record BroughtRow(
            int number,
            List<Cell> cells,
            boolean mended,
            TableUse.Outcome outcome,
            String plan,
            Map<FieldName, String> faults,
            Optional<String> toldApart,
            Optional<Integer> belongsTo) {}

    /** A row as its file has it. */
    record FileRow(int number, List<Cell> cells) {}

    private static BroughtRow row(ResultSet row, int index) throws SQLException {
        return new BroughtRow(
                row.getInt(1),
                Json.MAPPER.readValue(row.getString(2), new TypeReference<List<Cell>>() {}),
                row.getBoolean(3),
                TableUse.Outcome.valueOf(row.getString(4)),
                row.getString(5),
                Json.MAPPER.readValue(row.getString(6), new TypeReference<Map<FieldName, String>>() {}),
                Optional.ofNullable(row.getString(7)),
                Optional.ofNullable(row.getObject(8, Integer.class)));
    }

    /**
     * Forgets what was in the rows that became a request, and in those that go with them.
     *
     * @return their tables
     */
    List<UUID> blank(String request) {
        return sql
                .sql("update brought_row r set cells = '[]', faults = '{}', told_apart = null"
                        + " from brought_row made where made.plan ->> 'request' = ? and r.table_id = made.table_id"
                        + " and (r.number = made.number or r.belongs_to = made.number) returning r.table_id")
                .param(request)
                .query(UUID.class)
                .list()
                .stream()
                .distinct()
                .toList();
    }

    /** Whether nothing is left in any of a table's rows. */
    boolean isBlank(UUID table) {
        return sql.sql("select 1 from brought_row where table_id = ? and cells <> '[]' limit 1")
                .param(table)
                .query(Integer.class)
                .list()
                .isEmpty();
    }

    /** Forgets all rows. */
    void clear(UUID table) {
        sql.sql("delete from brought_row where table_id = ?").param(table).update();
    }

    void add(UUID table, List<FileRow> rows) {
        sql.sql("insert into brought_row (table_id, number, cells)"
                        + " select ?, number, cells from jsonb_to_recordset(?::jsonb) as r(number int, cells jsonb)")
                .params(table, Json.MAPPER.writeValueAsString(rows))
                .update();
    }

    /**
     * Lets all rows go with the first one that has the same in a column. What is done is done: a row that says the same later begins
     * something of its own.
     *
     * @param column from 1; 0 for rows that go each by itself
     */
    void together(UUID table, int column) {
        sql.sql("update brought_row set belongs_to = null where table_id = ? and belongs_to is not null"
                        + " and outcome <> 'DONE'")
                .param(table)
                .update();
        if (column == 0) return;
        sql.sql("update brought_row r set belongs_to = f.first from (select min(number) as first,"
                        + " cells -> :at ->> 'text' as said from brought_row where table_id = :table and outcome <> 'DONE'"
                        + " and btrim(coalesce(cells -> :at ->> 'text', '')) <> '' group by 2 having count(*) > 1) f"
                        + " where r.table_id = :table and r.outcome <> 'DONE' and r.cells -> :at ->> 'text' = f.said"
                        + " and r.number > f.first and f.first <= :second")
                .param("at", column - 1)
                .param("table", table)
                .param("second", SecondTable.FIRST)
                .update();
    }

    /** Rows that go with some, in their order. */
    List<BroughtRow> parts(UUID table, List<Integer> of) {
        if (of.isEmpty()) return List.of();
        return sql.sql(ROWS + ":table and belongs_to in (:of) order by number")
                .param("table", table)
                .param("of", of)
                .query(BroughtRows::row)
                .list();
    }

    /** Rows that go by themselves after one, in their order. @param outcomes those that are wanted; none for all */
    List<BroughtRow> after(UUID table, int number, Set<TableUse.Outcome> outcomes, int most) {
        String wanted = outcomes.isEmpty()
                ? ""
                : "and outcome in ("
                        + outcomes.stream().map(one -> "'" + one.name() + "'").collect(Collectors.joining(", ")) + ") ";
        return sql.sql(COLUMNS + "and belongs_to is null and number > ? " + wanted + "order by number limit ?")
                .params(table, number, most)
                .query(BroughtRows::row)
                .list();
    }

    List<BroughtRow> page(UUID table, Optional<TableUse.Outcome> outcome, int from, int most) {
        return sql.sql(COLUMNS + (outcome.isPresent() ? "and outcome = ? " : "and ? = '' ")
                        + "order by number limit ? offset ?")
                .params(table, outcome.map(Enum::name).orElse(""), most, from)
                .query(BroughtRows::row)
                .list();
    }

    Optional<BroughtRow> row(UUID table, int number) {
        return sql.sql(COLUMNS + "and number = ?")
                .params(table, number)
                .query(BroughtRows::row)
                .optional();
    }

    /** How many rows came to what. */
    Map<TableUse.Outcome, Long> counts(UUID table) {
        Map<TableUse.Outcome, Long> counts = new EnumMap<>(TableUse.Outcome.class);
        sql.sql("select outcome, count(*) from brought_row where table_id = ? group by outcome")
                .param(table)
                .query((row, number) -> counts.put(TableUse.Outcome.valueOf(row.getString(1)), row.getLong(2)))
                .list();
        return counts;
    }

    /** How many rows tables have; nothing for those that have none yet. */
    Map<UUID, Long> totals(Collection<UUID> of) {
        if (of.isEmpty()) return Map.of();
        return sql
                .sql("select table_id, count(*) from brought_row where table_id in (:of) group by table_id")
                .param("of", of)
                .query((row, number) -> Map.entry(row.getObject(1, UUID.class), row.getLong(2)))
                .list()
                .stream()
                .collect(Collectors.toMap(Map.Entry::getKey, Map.Entry::getValue));
    }

    /** What came of a row, as it is written down. */
    private record Outcome(int number, String outcome, String toldApart, Object plan, Map<String, String> faults) {}

    /** Keeps what would come, or has come, of rows; all in one statement. */
    void outcomes(UUID table, List<TableUse.Checked> checked) {
        sql.sql(
                        "update brought_row b set outcome = r.outcome, told_apart = r.\"toldApart\", plan = r.plan, faults = r.faults"
                                + " from jsonb_to_recordset(:all::jsonb)"
                                + " as r(number int, outcome text, \"toldApart\" text, plan jsonb, faults jsonb)"
                                + " where b.table_id = :table and b.number = r.number")
                .param("table", table)
                .param(
                        "all",
                        Json.MAPPER.writeValueAsString(checked.stream()
                                .map(one -> new Outcome(
                                        one.number(),
                                        one.outcome().name(),
                                        one.toldApart().orElse(null),
                                        one.plan(),
                                        sentences(one.faults())))
                                .toList()))
                .update();
    }

    /** Keeps what comes of the rows that go with others. */
    void outcomesOfParts(UUID table, List<TableUse.Checked> checked) {
        for (TableUse.Checked one : checked) {
            sql.sql(
                            "update brought_row set outcome = ?, faults = '{}', told_apart = null where table_id = ? and belongs_to = ?")
                    .params(one.outcome() == TableUse.Outcome.DONE ? "DONE" : "PART", table, one.number())
                    .update();
            one.parts()
                    .forEach((number, faults) -> sql.sql(
                                    "update brought_row set outcome = 'FAULTY', faults = ?::jsonb where table_id = ? and number = ?")
                            .params(Json.MAPPER.writeValueAsString(sentences(faults)), table, number)
                            .update());
        }
    }

    private static Map<String, String> sentences(Map<FieldName, Message> faults) {
        Map<String, String> said = new LinkedHashMap<>();
        faults.forEach((name, fault) -> said.put(name.value(), fault.toString()));
        return said;
    }

    /** All rows that are told apart by the same as another one are faulty: which of them is meant is for a person to say. */
    void faultTwins(UUID table) {
        sql.sql(
                        "update brought_row r set outcome = 'FAULTY', faults = r.faults || jsonb_build_object('', replace(:said,"
                                + " '#', (select string_agg(o.number::text, ', ' order by o.number) from (select number from brought_row"
                                + " where table_id = :table and told_apart = r.told_apart and number <> r.number order by number limit 5) o)))"
                                + " where table_id = :table and outcome <> 'DONE' and told_apart in (select told_apart from brought_row"
                                + " where table_id = :table and told_apart is not null group by told_apart having count(*) > 1)")
                .param("said", Message.of("table.twins", "rows", "#").toString())
                .param("table", table)
                .update();
    }

    /** Rows of a second table that go with none of the first. */
    void faultOrphans(UUID table) {
        sql.sql(
                        "update brought_row set outcome = 'FAULTY', faults = jsonb_build_object('', :said::text) where table_id = :table"
                                + " and number > :first and belongs_to is null and outcome <> 'DONE'")
                .param("said", Message.of("table.orphan").toString())
                .param("table", table)
                .param("first", SecondTable.FIRST)
                .update();
    }

    /** Rows that are told apart by one of these. */
    List<BroughtRow> toldApartBy(UUID table, Set<String> by) {
        if (by.isEmpty()) return List.of();
        return sql.sql(ROWS + ":table and told_apart in (:by) order by number limit 200")
                .param("table", table)
                .param("by", by)
                .query(BroughtRows::row)
                .list();
    }

    /** Cells that a person has typed over. */
    void mend(UUID table, int number, List<Cell> cells) {
        sql.sql("update brought_row set cells = ?::jsonb, mended = true where table_id = ? and number = ?")
                .params(Json.MAPPER.writeValueAsString(cells), table, number)
                .update();
    }

    Map<String, FieldName> keptJoins(TableUse.Purpose purpose, String subject) {
        Map<String, FieldName> kept = new LinkedHashMap<>();
        sql.sql("select head, field from kept_join where purpose = ? and subject = ?")
                .params(purpose.name(), subject)
                .query((row, number) -> kept.put(row.getString(1), new FieldName(row.getString(2))))
                .list();
        return kept;
    }

    /** Keeps what columns were joined to, for the next table; also that one was joined to nothing. */
    void keepJoins(TableUse.Purpose purpose, String subject, List<String> heads, List<FieldName> joins) {
        batches.batchUpdate(
                "insert into kept_join (purpose, subject, head, field) values (?, ?, ?, ?)"
                        + " on conflict (purpose, subject, head) do update set field = excluded.field",
                java.util.stream.IntStream.range(0, heads.size())
                        .mapToObj(i -> new Object[] {
                            purpose.name(), subject, heads.get(i), joins.get(i).value()
                        })
                        .toList());
    }
}
