package org.jalousie.server.tables;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.Consumer;
import org.jalousie.core.data.FieldName;
import org.jalousie.core.tables.Cell;
import org.jalousie.core.tables.TableStyle;
import org.jalousie.server.store.RowLock;
import org.springframework.stereotype.Component;
import org.springframework.transaction.support.TransactionTemplate;

/** Steps of the work on tables: each in a transaction of its own, and only while the table is what it was when the step was begun. */
@Component
class TableSteps {
    private final BroughtTables tables;
    private final BroughtRows rows;
    private final List<TableUse> uses;
    private final RowLock lock;
    private final TransactionTemplate transaction;

    TableSteps(
            BroughtTables tables,
            BroughtRows rows,
            List<TableUse> uses,
            RowLock lock,
            TransactionTemplate transaction) {
        this.tables = tables;
        this.rows = rows;
        this.uses = uses;
        this.lock = lock;
        this.transaction = transaction;
    }

    /** What was wanted while it was worked on is looked at first. */
    static final class Overtaken extends RuntimeException {}

    /** Does something with a table unless it has become another one since. */
    void still(BroughtTable table, Consumer<BroughtTable> what) {
        transaction.executeWithoutResult(status -> {
            BroughtTable now = tables.findById(table.id()).map(lock::on).orElseThrow(Overtaken::new);
            if (now.revision() != table.revision() || now.state() != table.state()) throw new Overtaken();
            what.accept(now);
        });
    }

    TableUse use(BroughtTable table) {
        return use(table.purpose());
    }

    TableUse use(TableUse.Purpose purpose) {
        return uses.stream().filter(one -> one.purpose() == purpose).findFirst().orElseThrow();
    }

    /** Keeps what would come, or has come, of rows and of those that go with them. */
    void keep(BroughtTable table, List<TableUse.Checked> checked) {
        if (checked.isEmpty()) return;
        rows.outcomes(table.id(), checked);
        if (table.settings().together() > 0) rows.outcomesOfParts(table.id(), checked);
    }

    /** Rows with those that go with them, by the fields that their columns are joined to. */
    List<TableUse.TakenRow> taken(BroughtTable table, List<BroughtRows.BroughtRow> batch) {
        List<FieldName> joins = table.settings().joins();
        Optional<TableStyle> second = table.second().map(SecondTable::style);
        Map<Integer, List<TableUse.PartRow>> parts = new HashMap<>();
        if (table.settings().together() > 0)
            for (BroughtRows.BroughtRow part : rows.parts(
                    table.id(),
                    batch.stream().map(BroughtRows.BroughtRow::number).toList()))
                parts.computeIfAbsent(part.belongsTo().orElseThrow(), number -> new ArrayList<>())
                        .add(new TableUse.PartRow(
                                part.number(),
                                cells(joins, part),
                                part.number() > SecondTable.FIRST ? second : Optional.empty()));
        return batch.stream()
                .map(row -> new TableUse.TakenRow(
                        row.number(), cells(joins, row), row.plan(), parts.getOrDefault(row.number(), List.of())))
                .toList();
    }

    private static Map<FieldName, Cell> cells(List<FieldName> joins, BroughtRows.BroughtRow row) {
        Map<FieldName, Cell> cells = new LinkedHashMap<>();
        for (int i = 0; i < joins.size(); i++)
            if (!joins.get(i).isBlank())
                cells.put(joins.get(i), i < row.cells().size() ? row.cells().get(i) : Cell.EMPTY);
        return cells;
    }
}
