package org.jalousie.server.tables;

import java.io.IOException;
import java.io.OutputStream;
import java.util.ArrayList;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import org.jalousie.core.data.FieldName;
import org.jalousie.core.data.Value;
import org.jalousie.core.messages.Message;
import org.jalousie.core.tables.CsvWriter;
import org.jalousie.core.tables.SheetWriter;
import org.jalousie.core.tables.TableWriter;
import org.jalousie.server.Refusal;
import org.springframework.stereotype.Service;

/** What became of a table, row by row, as a table: with what is wrong and what was made, before the cells as they are. */
@Service
class TableReport {
    private static final int BATCH = 500;
    private static final Map<TableUse.Outcome, String> WORDS = new EnumMap<>(Map.of(
            TableUse.Outcome.UNCHECKED, "report.unchecked",
            TableUse.Outcome.FAULTY, "report.faulty",
            TableUse.Outcome.NEW, "report.new",
            TableUse.Outcome.CHANGED, "report.changed",
            TableUse.Outcome.SAME, "report.same",
            TableUse.Outcome.PART, "report.part",
            TableUse.Outcome.DONE, "report.done"));

    private final BroughtTables tables;
    private final BroughtRows rows;
    private final TableSteps steps;

    TableReport(BroughtTables tables, BroughtRows rows, TableSteps steps) {
        this.tables = tables;
        this.rows = rows;
        this.steps = steps;
    }

    /** How it is called as a file, without its ending. */
    String name(UUID id) {
        BroughtTable table = table(id);
        return table.number() + " " + table.name();
    }

    private BroughtTable table(UUID id) {
        return tables.findById(id).orElseThrow(() -> Refusal.notFound(Message.of("table.none")));
    }

    void write(UUID id, boolean workbook, OutputStream out) throws IOException {
        BroughtTable table = table(id);
        TableUse use = steps.use(table);
        try (TableWriter writer = workbook ? new SheetWriter(out, table.name()) : new CsvWriter(out)) {
            writer.heads(heads(table));
            int from = 0;
            while (true) {
                List<BroughtRows.BroughtRow> batch = rows.page(id, Optional.empty(), from, BATCH);
                if (batch.isEmpty()) return;
                for (BroughtRows.BroughtRow row : batch) writer.row(cells(table, use, row));
                from += batch.size();
            }
        }
    }

    private static List<String> heads(BroughtTable table) {
        List<String> heads = new ArrayList<>();
        for (String code :
                List.of("report.row", "report.outcome", "report.wrong", "report.request", "report.agreement"))
            heads.add(Message.of(code).toString());
        heads.addAll(table.heads());
        return heads;
    }

    private static List<Optional<Value>> cells(BroughtTable table, TableUse use, BroughtRows.BroughtRow row) {
        TableUse.Made made = use.made(row.plan());
        List<Optional<Value>> cells = new ArrayList<>();
        cells.add(Optional.of(new Value.Amount(java.math.BigDecimal.valueOf(row.number() % SecondTable.FIRST))));
        cells.add(text(Message.of(WORDS.get(row.outcome())).toString()));
        cells.add(text(wrong(table, row)));
        cells.add(text(made.request()));
        cells.add(text(made.agreement()));
        for (int i = 0; i < table.heads().size(); i++)
            cells.add(text(i < row.cells().size() ? row.cells().get(i).text() : ""));
        return cells;
    }

    /** Each fault with the column that it is about. */
    private static String wrong(BroughtTable table, BroughtRows.BroughtRow row) {
        List<FieldName> joins = table.settings().joins();
        List<String> all = new ArrayList<>();
        row.faults().forEach((field, fault) -> {
            int at = field.isBlank() ? -1 : joins.indexOf(field);
            all.add(at < 0 ? fault : table.heads().get(at) + ": " + fault);
        });
        return String.join(" ", all);
    }

    private static Optional<Value> text(String text) {
        return text.isEmpty() ? Optional.empty() : Optional.of(new Value.Text(text));
    }
}
