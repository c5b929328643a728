package org.jalousie.server.tables;

import java.time.Clock;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.UUID;
import org.jalousie.core.data.Field;
import org.jalousie.core.data.FieldName;
import org.jalousie.core.messages.Message;
import org.jalousie.core.tables.Cell;
import org.jalousie.core.tables.Recognised;
import org.jalousie.core.tables.TableStyle;
import org.jalousie.server.Refusal;
import org.jalousie.server.files.FileStore;
import org.jalousie.server.jobs.JobKind;
import org.jalousie.server.jobs.Jobs;
import org.jalousie.server.store.RowLock;
import org.jalousie.server.web.Page;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import org.springframework.transaction.support.TransactionTemplate;

/** Tables that were brought in: joined to fields, looked over, mended, carried out. */
@Service
class TableService {
    private final BroughtTables tables;
    private final BroughtRows rows;
    private final TableSteps steps;
    private final TableMending mending;
    private final FileStore files;
    private final Jobs jobs;
    private final RowLock lock;
    private final TransactionTemplate transaction;
    private final TableLook look;
    private final Clock clock;

    TableService(
            BroughtTables tables,
            BroughtRows rows,
            TableSteps steps,
            TableMending mending,
            FileStore files,
            Jobs jobs,
            RowLock lock,
            TransactionTemplate transaction,
            TableLook look,
            Clock clock) {
        this.tables = tables;
        this.rows = rows;
        this.steps = steps;
        this.mending = mending;
        this.files = files;
        this.jobs = jobs;
        this.lock = lock;
        this.transaction = transaction;
        this.look = look;
        this.clock = clock;
    }

    @Transactional(readOnly = true)
    public TableViews.TableDetail show(UUID id) {
        return detail(table(id));
    }

    BroughtTable table(UUID id) {
        return tables.findById(id).orElseThrow(() -> Refusal.notFound(Message.of("table.none")));
    }

    /** @param revision that somebody has seen; another one is refused */
    BroughtTable locked(UUID id, int revision) {
        BroughtTable table = lock.on(table(id));
        if (table.revision() != revision) throw Refusal.conflict(Message.of("table.changed-meanwhile"));
        return table;
    }

    TableViews.TableDetail detail(BroughtTable table) {
        Map<TableUse.Outcome, Long> counts = rows.counts(table.id());
        long all = counts.values().stream().mapToLong(count -> count).sum();
        return new TableViews.TableDetail(
                table.id(),
                table.revision(),
                table.number(),
                table.name(),
                table.purpose(),
                table.subject(),
                table.state(),
                table.reason(),
                table.createdBy(),
                table.createdAt(),
                table.settings(),
                table.recognised(),
                table.heads(),
                table.second().map(one -> TableViews.SecondView.of(one)).orElse(null),
                steps.use(table).fields(table.subject()),
                counts.entrySet().stream()
                        .map(one -> new TableViews.OutcomeCount(one.getKey(), one.getValue()))
                        .toList(),
                all,
                table.state() == BroughtTable.State.READING || table.state() == BroughtTable.State.CHECKING
                        ? table.done()
                        : counts.getOrDefault(TableUse.Outcome.DONE, 0L));
    }

    /** Takes it otherwise: its file is read anew where that makes a difference, and its rows are checked. */
    TableViews.TableDetail settle(UUID id, int revision, TableSettings to) {
        BroughtTable before = table(id);
        boolean reads = before.settings().readsOtherwise(to.style()) || before.state() == BroughtTable.State.REFUSED;
        TableLook.Seen[] seen = {new TableLook.Seen(before.recognised(), before.heads(), to.joins())};
        if (reads) {
            List<Field> fields = steps.use(before).fields(before.subject());
            TableJobs.withFile(files.get(before.file()), file -> {
                TableLook.Seen anew = look.seen(
                        file, file.recognised(to.style()), fields, rows.keptJoins(before.purpose(), before.subject()));
                // columns that are called as before stay joined as a person has joined them
                seen[0] = anew.heads().equals(before.ownHeads())
                        ? new TableLook.Seen(anew.recognised(), before.heads(), to.joins())
                        : anew;
            });
        }
        return transaction.execute(status -> {
            BroughtTable table = locked(id, revision);
            if (table.state() == BroughtTable.State.GOING
                    || table.state() == BroughtTable.State.STOPPED
                    || begun(table)) throw Refusal.conflict(Message.of("table.going"));
            checkJoins(table, seen[0]);
            Recognised told = seen[0].recognised();
            TableStyle style =
                    told.style().writing(to.style().dates(), to.style().numbers());
            table.take(
                    new Recognised(style, told.sheets(), told.hiddenRows(), told.merged(), true, true),
                    seen[0].heads(),
                    table.second()
                            .map(second -> to.joined(style, seen[0].joins()).together(second.to()))
                            .orElse(to.joined(style, seen[0].joins())),
                    reads || table.state() == BroughtTable.State.READING
                            ? BroughtTable.State.READING
                            : BroughtTable.State.CHECKING,
                    clock.instant());
            // with other columns nobody can say which row of a second table goes with which
            if (!seen[0].heads().equals(before.heads())) table.goesWith(Optional.empty());
            if (!reads)
                rows.keepJoins(
                        table.purpose(),
                        table.subject(),
                        table.heads(),
                        table.settings().joins());
            tables.flush();
            jobs.soon(JobKind.TABLE, id.toString());
            return detail(table);
        });
    }

    /** Whether something was done already, so that it can't be taken otherwise any more. */
    boolean begun(BroughtTable table) {
        return rows.counts(table.id()).getOrDefault(TableUse.Outcome.DONE, 0L) > 0;
    }

    private void checkJoins(BroughtTable table, TableLook.Seen seen) {
        Set<FieldName> known = new HashSet<>();
        steps.use(table).fields(table.subject()).forEach(field -> known.add(field.name()));
        if (seen.joins().size() != seen.heads().size()) throw Refusal.malformed(Message.of("table.joins"));
        Set<FieldName> joined = new HashSet<>();
        for (FieldName join : seen.joins()) {
            if (join.isBlank()) continue;
            if (!known.contains(join)) throw Refusal.malformed(Message.of("form.no-field", "field", join));
            if (!joined.add(join)) throw Refusal.invalid(Message.of("table.joined-twice", "field", join));
        }
    }

    @Transactional(readOnly = true)
    public Page<TableViews.TableRow> page(UUID id, Optional<TableUse.Outcome> outcome, int page) {
        BroughtTable table = table(id);
        Map<TableUse.Outcome, Long> counts = rows.counts(id);
        long total = outcome.map(one -> counts.getOrDefault(one, 0L))
                .orElse(counts.values().stream().mapToLong(count -> count).sum());
        return new Page<>(
                rows.page(id, outcome, Page.request(page).getPageNumber() * Page.SIZE, Page.SIZE).stream()
                        .map(row -> view(table, row))
                        .toList(),
                total,
                page,
                Page.SIZE);
    }

    private TableViews.TableRow view(BroughtTable table, BroughtRows.BroughtRow row) {
        return new TableViews.TableRow(
                row.number(),
                row.cells().stream()
                        .map(cell ->
                                cell.kind() == Cell.Kind.FAILED && cell.text().isEmpty() ? "=" : cell.text())
                        .toList(),
                row.mended(),
                row.outcome(),
                row.faults(),
                steps.use(table).instead(row.plan()),
                steps.use(table).made(row.plan()),
                row.belongsTo().orElse(0));
    }

    /** Types over cells of a row. @param cells texts by column, from 0 */
    @Transactional
    public TableViews.TableRow mend(UUID id, int number, Map<Integer, String> cells) {
        BroughtTable table = lock.on(table(id));
        return view(table, mending.mend(table, number, cells));
    }

    /** Does what was planned, or goes on with it. Rows that are faulty stay. @param revision as it was seen */
    @Transactional
    public TableViews.TableDetail carryOut(UUID id, int revision) {
        BroughtTable table = locked(id, revision);
        switch (table.state()) {
            case READY, PAUSED, DONE -> {
                long done = rows.counts(id).getOrDefault(TableUse.Outcome.DONE, 0L);
                table.comesTo(Math.toIntExact(done), clock.instant());
                table.goesTo(BroughtTable.State.GOING, clock.instant());
                tables.flush();
                jobs.soon(JobKind.TABLE, id.toString());
            }
            case GOING -> {
                // asked twice
            }
            default -> throw Refusal.conflict(Message.of("table.not-ready"));
        }
        return detail(table);
    }

    /** Has what isn't done yet looked over once more. @param revision as it was seen */
    @Transactional
    public TableViews.TableDetail lookOver(UUID id, int revision) {
        BroughtTable table = locked(id, revision);
        mending.lookOver(table);
        return detail(table);
    }

    /** Has it wait, or ended. What was done stays done. */
    @Transactional
    public TableViews.TableDetail hold(UUID id, boolean forGood) {
        BroughtTable table = lock.on(table(id));
        if (forGood) table.goesTo(BroughtTable.State.STOPPED, clock.instant());
        else if (table.state() == BroughtTable.State.GOING) table.goesTo(BroughtTable.State.PAUSED, clock.instant());
        tables.flush();
        return detail(table);
    }
}
