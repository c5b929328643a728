package org.jalousie.server.registers;

import java.io.IOException;
import java.io.OutputStream;
import java.io.UncheckedIOException;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.UUID;
import java.util.stream.Collectors;
import org.jalousie.core.data.FieldName;
import org.jalousie.core.data.Value;
import org.jalousie.core.intake.Intake;
import org.jalousie.core.registers.RegisterColumn;
import org.jalousie.core.registers.RegisterTerms;
import org.jalousie.core.tables.CsvWriter;
import org.jalousie.core.tables.SheetWriter;
import org.jalousie.core.tables.TableWriter;
import org.jalousie.server.web.Download;
import org.springframework.stereotype.Service;

/** Registers as files that can be brought in again. Rows are read batch by batch and written as they come. */
@Service
class RegisterFiles {
    private static final int BATCH = 500;

    private final RegisterService registers;
    private final RowStore store;
    private final RowLists lists;

    RegisterFiles(RegisterService registers, RowStore store, RowLists lists) {
        this.registers = registers;
        this.store = store;
        this.lists = lists;
    }

    /** The title of a register, for its file's name. @throws org.jalousie.server.Refusal when there is none */
    String title(String register) {
        return registers.register(register).title();
    }

    /** Writes the rows of a list. What names a row is written as that row's key. */
    void write(String name, RowLists.Narrowed narrowed, Download.Format format, OutputStream out) throws IOException {
        Register register = registers.register(name);
        RegisterTerms terms = register.terms();
        try (TableWriter writer =
                format == Download.Format.CSV ? new CsvWriter(out) : new SheetWriter(out, register.title())) {
            writer.heads(
                    terms.columns().stream().map(one -> one.field().label()).toList());
            RowLists.Place last = RowLists.Place.BEGINNING;
            while (true) {
                List<RowLists.Place> places = lists.after(register, narrowed, last, BATCH);
                if (places.isEmpty()) break;
                List<UUID> ids = places.stream().map(RowLists.Place::row).toList();
                Map<UUID, RegisterRow> rows =
                        store.rows(register.id(), ids).stream().collect(Collectors.toMap(RegisterRow::id, row -> row));
                Map<String, Value> keys = keys(terms, rows.values());
                for (UUID id : ids) if (rows.containsKey(id)) writer.row(cells(terms, rows.get(id), keys));
                last = places.get(places.size() - 1);
            }
        } catch (UncheckedIOException e) {
            throw e.getCause();
        }
    }

    private static List<Optional<Value>> cells(RegisterTerms terms, RegisterRow row, Map<String, Value> keys) {
        Map<String, Value> values = Intake.stored(terms.fields(), row.values());
        List<Optional<Value>> cells = new ArrayList<>();
        for (RegisterColumn column : terms.columns()) {
            Value value = values.get(column.name().value());
            cells.add(Optional.ofNullable(column.relates() && value != null ? keys.get(value.raw()) : value));
        }
        return cells;
    }

    /** The keys of rows that these name, by their ids. */
    private Map<String, Value> keys(RegisterTerms terms, java.util.Collection<RegisterRow> rows) {
        Map<String, Value> keys = new HashMap<>();
        for (RegisterColumn column : terms.columns()) {
            if (!column.relates()) continue;
            Register related = registers.register(column.related());
            Set<UUID> named = new HashSet<>();
            for (RegisterRow row : rows) {
                String raw = row.values().getOrDefault(column.name(), "");
                if (!raw.isEmpty()) named.add(UUID.fromString(raw));
            }
            FieldName key = related.terms().key();
            for (RegisterRow row : store.rows(related.id(), named))
                keys.put(row.id().toString(), new Value.Text(row.values().getOrDefault(key, "")));
        }
        return keys;
    }
}
