package org.jalousie.server.tables;

import java.time.Clock;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import org.jalousie.core.data.Field;
import org.jalousie.core.data.FieldName;
import org.jalousie.core.data.Sha256;
import org.jalousie.core.data.Texts;
import org.jalousie.core.messages.Message;
import org.jalousie.server.Refusal;
import org.jalousie.server.account.Sight;
import org.jalousie.server.files.FileStore;
import org.jalousie.server.jobs.JobKind;
import org.jalousie.server.jobs.Jobs;
import org.jalousie.server.web.Page;
import org.springframework.data.domain.Sort;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Propagation;
import org.springframework.transaction.annotation.Transactional;
import org.springframework.transaction.support.TransactionTemplate;

/** Takes tables in: recognised as they come, and listed. */
@Service
class TableBringing implements TablesBrought {
    private static final int LONGEST_NAME = 200;

    private final TableService service;
    private final BroughtTables tables;
    private final BroughtRows rows;
    private final TableSteps steps;
    private final TableLook look;
    private final FileStore files;
    private final Jobs jobs;
    private final TransactionTemplate transaction;
    private final Clock clock;
    private final Sight sight;

    TableBringing(
            TableService service,
            BroughtTables tables,
            BroughtRows rows,
            TableSteps steps,
            TableLook look,
            FileStore files,
            Jobs jobs,
            TransactionTemplate transaction,
            Clock clock,
            Sight sight) {
        this.sight = sight;
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

    @Override
    public TableViews.TableDetail bring(
            TableUse.Purpose purpose, String subject, String name, byte[] bytes, TableUse.By by) {
        String called = Texts.bare(name);
        if (called.isEmpty()) throw Refusal.invalid(Message.of("document.no-title"));
        List<Field> fields = steps.use(purpose).fields(subject);
        Map<String, FieldName> before = rows.keptJoins(purpose, subject);
        TableLook.Seen[] seen = {null};
        TableJobs.withFile(bytes, file -> seen[0] = look.seen(file, file.recognised(), fields, before));
        Sha256 kept = files.keep(bytes);
        return transaction.execute(status -> {
            BroughtTable table = new BroughtTable(
                    tables.nextNumber(),
                    called.substring(0, Math.min(called.length(), LONGEST_NAME)),
                    kept,
                    purpose,
                    subject,
                    by,
                    clock.instant());
            table.take(
                    seen[0].recognised(),
                    seen[0].heads(),
                    TableSettings.first(seen[0].recognised().style(), seen[0].joins()),
                    BroughtTable.State.READING,
                    clock.instant());
            tables.saveAndFlush(table);
            jobs.soon(JobKind.TABLE, table.id().toString());
            return service.detail(table);
        });
    }

    @Override
    @Transactional(propagation = Propagation.MANDATORY)
    public void forget(String request) {
        for (UUID table : rows.blank(request)) {
            if (rows.isBlank(table)) tables.deleteById(table);
            else tables.findById(table).ifPresent(BroughtTable::dropFiles);
        }
    }

    @Transactional(readOnly = true)
    @Override
    public Optional<Subject> subjectOf(UUID table) {
        return tables.findById(table).map(one -> new Subject(one.purpose(), one.subject()));
    }

    @Transactional(readOnly = true)
    @Override
    public Page<TableViews.TableItem> list(TableUse.Purpose purpose, String subject, int page) {
        var order = Page.request(page).withSort(Sort.by(Sort.Order.desc("createdAt"), Sort.Order.asc("id")));
        List<String> hidden = sight.hidden().stream().map(UUID::toString).toList();
        if (hidden.contains(subject)) return new Page<>(List.of(), 0, page, Page.SIZE);
        var found = subject.isEmpty()
                ? (hidden.isEmpty()
                        ? tables.findByPurpose(purpose, order)
                        : tables.findByPurposeAndSubjectNotIn(purpose, hidden, order))
                : tables.findByPurposeAndSubject(purpose, subject, order);
        Map<UUID, Long> all =
                rows.totals(found.getContent().stream().map(BroughtTable::id).toList());
        return new Page<>(
                found.map(table -> new TableViews.TableItem(
                                table.id(),
                                table.number(),
                                table.subject(),
                                table.name(),
                                table.state(),
                                table.createdBy(),
                                table.createdAt(),
                                all.getOrDefault(table.id(), 0L)))
                        .getContent(),
                found.getTotalElements(),
                page,
                Page.SIZE);
    }
}
