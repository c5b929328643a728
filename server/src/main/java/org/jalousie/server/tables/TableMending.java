package org.jalousie.server.tables;

import java.time.Clock;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.UUID;
import org.jalousie.core.messages.Message;
import org.jalousie.core.tables.Cell;
import org.jalousie.server.Refusal;
import org.jalousie.server.jobs.JobKind;
import org.jalousie.server.jobs.Jobs;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Propagation;
import org.springframework.transaction.annotation.Transactional;

/** Mends cells of tables on the screen: the row is looked over once more, with those that it has to do with. */
@Component
class TableMending {
    private final BroughtTables tables;
    private final BroughtRows rows;
    private final TableSteps steps;
    private final Jobs jobs;
    private final Clock clock;

    TableMending(BroughtTables tables, BroughtRows rows, TableSteps steps, Jobs jobs, Clock clock) {
        this.tables = tables;
        this.rows = rows;
        this.steps = steps;
        this.jobs = jobs;
        this.clock = clock;
    }

    /**
     * @param table locked
     * @param cells texts by column, from 0
     * @return the row as it is then
     */
    @Transactional(propagation = Propagation.MANDATORY)
    public BroughtRows.BroughtRow mend(BroughtTable table, int number, Map<Integer, String> cells) {
        UUID id = table.id();
        requireWaiting(table);
        BroughtRows.BroughtRow row =
                rows.row(id, number).orElseThrow(() -> Refusal.notFound(Message.of("table.no-row", "row", number)));
        if (row.outcome() == TableUse.Outcome.DONE) throw Refusal.conflict(Message.of("table.row-done"));
        List<Cell> mended = new ArrayList<>(row.cells());
        cells.forEach((column, text) -> {
            if (column < 0 || column >= table.heads().size()) throw Refusal.malformed(Message.of("table.joins"));
            while (mended.size() <= column) mended.add(Cell.EMPTY);
            mended.set(column, new Cell(text, Cell.Kind.TYPED));
        });
        rows.mend(id, number, mended);
        if (cells.containsKey(table.settings().together() - 1)) {
            // which rows go together is another question for all of them
            lookOver(table);
        } else {
            recheck(table, row.belongsTo().orElse(number), row.toldApart());
        }
        return rows.row(id, number).orElseThrow();
    }

    /** All rows that are not done are looked over once more, since what they are held against may be another by now. */
    @Transactional(propagation = Propagation.MANDATORY)
    public void lookOver(BroughtTable table) {
        requireWaiting(table);
        table.checksAgain();
        table.goesTo(BroughtTable.State.CHECKING, clock.instant());
        tables.flush();
        jobs.soon(JobKind.TABLE, table.id().toString());
    }

    private static void requireWaiting(BroughtTable table) {
        if (!table.waits()) throw Refusal.conflict(Message.of("table.not-ready"));
    }

    /** A row, and those that are or were told apart by the same. */
    private void recheck(BroughtTable table, int number, Optional<String> before) {
        List<TableUse.Checked> own =
                check(table, List.of(rows.row(table.id(), number).orElseThrow()));
        Set<String> by = new HashSet<>();
        before.ifPresent(by::add);
        own.forEach(one -> one.toldApart().ifPresent(by::add));
        steps.keep(table, own);
        List<BroughtRows.BroughtRow> alike = rows.toldApartBy(table.id(), by).stream()
                .filter(row -> row.number() != number && row.outcome() != TableUse.Outcome.DONE)
                .toList();
        steps.keep(table, check(table, alike));
        rows.faultTwins(table.id());
        rows.faultOrphans(table.id());
    }

    private List<TableUse.Checked> check(BroughtTable table, List<BroughtRows.BroughtRow> some) {
        return some.isEmpty() ? List.of() : steps.use(table).check(table.taken(), steps.taken(table, some));
    }
}
