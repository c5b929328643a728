package org.jalousie.server.tables;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Clock;
import java.util.ArrayList;
import java.util.List;
import java.util.Set;
import java.util.UUID;
import org.jalousie.core.data.Sha256;
import org.jalousie.core.messages.Message;
import org.jalousie.core.messages.NotPossible;
import org.jalousie.core.tables.NotATable;
import org.jalousie.core.tables.TableFile;
import org.jalousie.server.files.FileStore;
import org.jalousie.server.jobs.JobKind;
import org.jalousie.server.jobs.JobWork;
import org.jalousie.server.store.RowLock;
import org.springframework.stereotype.Component;
import org.springframework.transaction.support.TransactionTemplate;

/**
 * Works through tables: reads the file, checks each row, does what was planned. Each batch is a transaction of its own, so that work
 * which was broken off goes on where it was, and what a person wants meanwhile is seen.
 */
@Component
class TableJobs implements JobWork {
    private static final int READ_AT_ONCE = 500;

    /** Most rows of a table. */
    static final int MOST_ROWS = 250_000;

    private final BroughtTables tables;
    private final BroughtRows rows;
    private final TableSteps steps;
    private final TableCarrying carrying;
    private final FileStore files;
    private final RowLock lock;
    private final TransactionTemplate transaction;
    private final Clock clock;

    TableJobs(
            BroughtTables tables,
            BroughtRows rows,
            TableSteps steps,
            TableCarrying carrying,
            FileStore files,
            RowLock lock,
            TransactionTemplate transaction,
            Clock clock) {
        this.tables = tables;
        this.rows = rows;
        this.steps = steps;
        this.carrying = carrying;
        this.files = files;
        this.lock = lock;
        this.transaction = transaction;
        this.clock = clock;
    }

    @Override
    public JobKind kind() {
        return JobKind.TABLE;
    }

    @Override
    public boolean run(String instance) {
        UUID id = UUID.fromString(instance);
        while (true) {
            BroughtTable table = tables.findById(id).orElse(null);
            if (table == null) return false;
            switch (table.state()) {
                case READING -> read(table);
                case CHECKING -> check(table);
                case GOING -> carrying.carryOut(table);
                default -> {
                    return false;
                }
            }
        }
    }

    @Override
    public void givenUp(String instance, String reason) {
        transaction.executeWithoutResult(status -> tables.findById(UUID.fromString(instance))
                .map(lock::on)
                .ifPresent(table -> table.givenUp(reason, clock.instant())));
    }

    private void read(BroughtTable table) {
        try {
            steps.still(table, now -> rows.clear(now.id()));
            List<BroughtRows.FileRow> batch = new ArrayList<>();
            int[] seen = {0};
            withFile(
                    files.get(table.file()),
                    file -> file.rows(table.settings().style(), (number, cells) -> {
                        batch.add(new BroughtRows.FileRow(number, List.copyOf(cells)));
                        if (batch.size() == READ_AT_ONCE) keep(table, batch, seen);
                        return true;
                    }));
            table.second().ifPresent(second -> readSecond(table, second, batch, seen));
            keep(table, batch, seen);
            steps.still(table, now -> {
                now.checksAgain();
                now.goesTo(BroughtTable.State.CHECKING, clock.instant());
            });
        } catch (TableSteps.Overtaken e) {
            // the loop looks what is wanted now
        } catch (NotPossible e) {
            refuse(table, e.getMessage());
        }
    }

    private void readSecond(BroughtTable table, SecondTable second, List<BroughtRows.FileRow> batch, int[] seen) {
        withFile(
                files.get(new Sha256(second.file())),
                file -> file.rows(second.style(), (number, cells) -> {
                    batch.add(second.row(number, cells));
                    if (batch.size() == READ_AT_ONCE) keep(table, batch, seen);
                    return true;
                }));
    }

    private void refuse(BroughtTable table, String said) {
        try {
            steps.still(table, now -> now.refused(said, clock.instant()));
        } catch (TableSteps.Overtaken e) {
            // the loop looks what is wanted now
        }
    }

    private void keep(BroughtTable table, List<BroughtRows.FileRow> batch, int[] seen) {
        steps.still(table, now -> {
            rows.add(now.id(), batch);
            seen[0] += batch.size();
            if (seen[0] > MOST_ROWS) throw new NotATable(Message.of("table.rows", "most", MOST_ROWS));
            now.comesTo(seen[0], clock.instant());
        });
        batch.clear();
    }

    /** @param bytes of a file that is read from the disk, so that a workbook isn't unpacked in memory */
    static void withFile(byte[] bytes, java.util.function.Consumer<TableFile> what) {
        Path file = null;
        try {
            file = Files.createTempFile("table", "");
            Files.write(file, bytes);
            what.accept(TableFile.of(file));
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        } finally {
            delete(file);
        }
    }

    private static void delete(Path file) {
        try {
            if (file != null) Files.deleteIfExists(file);
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    private void check(BroughtTable table) {
        int last = Integer.MIN_VALUE;
        int done = 0;
        try {
            steps.still(table, now -> rows.together(now.id(), now.settings().together()));
            while (true) {
                int from = last;
                List<BroughtRows.BroughtRow> batch =
                        transaction.execute(status -> rows.after(table.id(), from, Set.of(), READ_AT_ONCE));
                if (batch.isEmpty()) break;
                List<TableUse.Checked> checked = transaction.execute(
                        status -> steps.use(table).check(table.taken(), steps.taken(table, unfinished(batch))));
                done += batch.size();
                int worked = done;
                steps.still(table, now -> {
                    steps.keep(now, checked);
                    now.comesTo(worked, clock.instant());
                });
                last = batch.get(batch.size() - 1).number();
            }
            steps.still(table, now -> {
                rows.faultTwins(now.id());
                rows.faultOrphans(now.id());
                now.goesTo(BroughtTable.State.READY, clock.instant());
            });
        } catch (TableSteps.Overtaken e) {
            // the loop looks what is wanted now
        } catch (NotPossible e) {
            refuse(table, e.getMessage());
        }
    }

    private static List<BroughtRows.BroughtRow> unfinished(List<BroughtRows.BroughtRow> batch) {
        return batch.stream()
                .filter(row -> row.outcome() != TableUse.Outcome.DONE)
                .toList();
    }
}
