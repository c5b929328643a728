package org.jalousie.server.tables;

import java.time.Clock;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import org.jalousie.core.data.FieldName;
import org.jalousie.core.data.Sha256;
import org.jalousie.core.data.Texts;
import org.jalousie.core.messages.Message;
import org.jalousie.core.tables.Recognised;
import org.jalousie.core.tables.TableStyle;
import org.jalousie.server.Refusal;
import org.jalousie.server.files.FileStore;
import org.jalousie.server.jobs.JobKind;
import org.jalousie.server.jobs.Jobs;
import org.springframework.stereotype.Service;
import org.springframework.transaction.support.TransactionTemplate;

/** Lets the rows of a second file, or of another sheet, go with those of a table. */
@Service
class SecondTables {
    private static final int LONGEST_NAME = 60;

    private final TableService service;
    private final BroughtTables tables;
    private final BroughtRows rows;
    private final TableSteps steps;
    private final TableLook look;
    private final FileStore files;
    private final Jobs jobs;
    private final TransactionTemplate transaction;
    private final Clock clock;

    SecondTables(
            TableService service,
            BroughtTables tables,
            BroughtRows rows,
            TableSteps steps,
            TableLook look,
            FileStore files,
            Jobs jobs,
            TransactionTemplate transaction,
            Clock clock) {
        this.service = service;
        this.tables = tables;
        this.rows = rows;
        this.steps = steps;
        this.look = look;
        this.files = files;
        this.jobs = jobs;
        this.transaction = transaction;
        this.clock = clock;
    }

    /** @param bytes of its file */
    TableViews.TableDetail bring(UUID id, int revision, String name, byte[] bytes) {
        BroughtTable table = service.table(id);
        requireOpen(table);
        SecondTable[] seen = {null};
        TableJobs.withFile(bytes, file -> {
            Recognised as = file.recognised();
            seen[0] = SecondTable.seen(
                    called(name), Sha256.of(bytes).hex(), as, file.heads(as.style()), table.ownHeads());
        });
        files.keep(bytes);
        return take(id, revision, before -> seen[0]);
    }

    /** @param sheet another one of the table's own workbook */
    TableViews.TableDetail ofSheet(UUID id, int revision, String sheet) {
        BroughtTable table = service.table(id);
        TableStyle own = table.settings().style();
        if (own.format() != TableStyle.Format.XLSX
                || !table.recognised().sheets().contains(sheet))
            throw Refusal.invalid(Message.of("table.no-sheet", "sheet", sheet));
        SecondTable[] seen = {null};
        TableJobs.withFile(files.get(table.file()), file -> {
            Recognised as = file.recognised(
                    new TableStyle(own.format(), "", "", sheet, 1, own.hidden(), own.dates(), own.numbers()));
            seen[0] = SecondTable.seen(called(sheet), table.file().hex(), as, file.heads(as.style()), table.ownHeads());
        });
        return take(id, revision, before -> seen[0]);
    }

    private static String called(String name) {
        String bare = Texts.bare(name).replaceAll("\\.[A-Za-z]{1,5}$", "");
        if (bare.isEmpty()) throw Refusal.invalid(Message.of("document.no-title"));
        return bare.substring(0, Math.min(bare.length(), LONGEST_NAME));
    }

    /**
     * @param key its column, {@code to} the first one's that has the same value; both from 1
     * @param dates how it is written
     */
    TableViews.TableDetail settle(
            UUID id, int revision, int key, int to, TableStyle.DateOrder dates, TableStyle.NumberMarks numbers) {
        return take(
                id,
                revision,
                before -> before.orElseThrow(() -> Refusal.conflict(Message.of("table.no-second")))
                        .by(key, to)
                        .writing(dates, numbers));
    }

    TableViews.TableDetail takeOut(UUID id, int revision) {
        return take(id, revision, before -> null);
    }

    private void requireOpen(BroughtTable table) {
        if (table.purpose() != TableUse.Purpose.RUN) throw Refusal.conflict(Message.of("table.no-second-here"));
        if (table.state() == BroughtTable.State.GOING
                || table.state() == BroughtTable.State.STOPPED
                || service.begun(table)) throw Refusal.conflict(Message.of("table.going"));
    }

    private interface Next {
        SecondTable after(Optional<SecondTable> before);
    }

    private TableViews.TableDetail take(UUID id, int revision, Next next) {
        return transaction.execute(status -> {
            BroughtTable table = service.locked(id, revision);
            requireOpen(table);
            Optional<SecondTable> second = Optional.ofNullable(next.after(table.second()));
            if (second.filter(one -> !one.fits()).isPresent()) throw Refusal.malformed(Message.of("table.joins"));
            List<String> own = table.ownHeads();
            Map<String, FieldName> known = joined(table);
            List<String> heads = new ArrayList<>(own);
            second.ifPresent(one -> heads.addAll(one.behind()));
            List<FieldName> joins = joins(table, own, heads, known);
            TableSettings settings = table.settings().joined(table.settings().style(), joins);
            table.take(
                    table.recognised(),
                    heads,
                    settings.together(second.map(SecondTable::to).orElse(0)),
                    BroughtTable.State.READING,
                    clock.instant());
            table.goesWith(second);
            tables.flush();
            jobs.soon(JobKind.TABLE, id.toString());
            return service.detail(table);
        });
    }

    /** What its columns were joined to, and those of such tables before. */
    private Map<String, FieldName> joined(BroughtTable table) {
        Map<String, FieldName> known = rows.keptJoins(table.purpose(), table.subject());
        for (int i = 0; i < table.heads().size(); i++)
            known.put(table.heads().get(i), table.settings().joins().get(i));
        return known;
    }

    private List<FieldName> joins(
            BroughtTable table, List<String> own, List<String> heads, Map<String, FieldName> known) {
        List<FieldName> joins =
                new ArrayList<>(look.joins(heads, steps.use(table).fields(table.subject()), known));
        // the key says what goes with what, also where it is no datum
        for (int i = 0; i < own.size(); i++) joins.set(i, known.get(own.get(i)));
        return joins;
    }
}
