package org.jalousie.server.archive.views;

import java.io.IOException;
import java.io.OutputStream;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import org.jalousie.core.data.Field;
import org.jalousie.core.data.FieldName;
import org.jalousie.core.data.FieldType;
import org.jalousie.core.data.Value;
import org.jalousie.core.data.ValueReader;
import org.jalousie.core.filing.columns.ArchiveColumn;
import org.jalousie.core.filing.columns.ColumnKey;
import org.jalousie.core.filing.columns.ColumnKind;
import org.jalousie.core.messages.Catalogue;
import org.jalousie.core.messages.Message;
import org.jalousie.core.tables.CsvWriter;
import org.jalousie.core.tables.SheetWriter;
import org.jalousie.core.tables.TableWriter;
import org.jalousie.server.Refusal;
import org.jalousie.server.agreement.AgreementsAsked;
import org.jalousie.server.agreement.EndedAgreements;
import org.jalousie.server.office.OfficeHours;
import org.jalousie.server.web.Download;
import org.springframework.stereotype.Service;

/** What the archive lists as a file for a spreadsheet. It is read page by page and written as it comes. */
@Service
class ArchiveTable {
    private final ArchiveListing listing;
    private final EndedAgreements agreements;
    private final OfficeHours hours;

    ArchiveTable(ArchiveListing listing, EndedAgreements agreements, OfficeHours hours) {
        this.listing = listing;
        this.agreements = agreements;
        this.hours = hours;
    }

    /** What is to be written, found out before the answer begins. */
    record Prepared(AgreementsAsked asked, String sort, List<ArchiveColumn> columns, EndedAgreements.Lines first) {}

    /**
     * @param shown the columns in their order; all of the template's where none is named
     * @throws Refusal when it can't be asked so
     */
    Prepared prepare(ArchiveQuery query, String sort, List<String> shown) {
        List<ArchiveColumn> all = listing.columns(query);
        ArchiveListing.requireOrder(sort, all);
        List<ArchiveColumn> columns = new ArrayList<>();
        for (String name : shown)
            columns.add(all.stream()
                    .filter(one -> one.key().value().equals(name))
                    .findFirst()
                    .orElseThrow(() -> Refusal.malformed(Message.of("archive.columns.none", "column", name))));
        List<ArchiveColumn> wanted = columns.isEmpty() ? all : columns;
        AgreementsAsked asked = listing.asked(query, all);
        return new Prepared(asked, sort, wanted, agreements.lines(asked, sort, "", keys(wanted)));
    }

    private static List<ColumnKey> keys(List<ArchiveColumn> columns) {
        return columns.stream().map(ArchiveColumn::key).toList();
    }

    void write(Prepared prepared, Download.Format format, OutputStream out) throws IOException {
        try (TableWriter writer =
                format == Download.Format.CSV ? new CsvWriter(out) : new SheetWriter(out, say("archive.table.sheet"))) {
            List<String> heads = new ArrayList<>(List.of(
                    say("archive.table.number"),
                    say("archive.table.title"),
                    say("archive.table.template"),
                    say("archive.table.ended")));
            prepared.columns().forEach(one -> heads.add(one.label()));
            writer.heads(heads);
            EndedAgreements.Lines lines = prepared.first();
            while (true) {
                for (EndedAgreements.Line line : lines.lines()) writer.row(cells(line, prepared.columns()));
                if (lines.next().isEmpty()) break;
                lines = agreements.lines(
                        prepared.asked(), prepared.sort(), lines.next().get(), keys(prepared.columns()));
            }
        }
    }

    private static String say(String code) {
        return Catalogue.ENGLISH.say(Message.of(code));
    }

    private List<Optional<Value>> cells(EndedAgreements.Line line, List<ArchiveColumn> columns) {
        List<Optional<Value>> cells = new ArrayList<>(List.of(
                Optional.of(new Value.Text(line.item().number().value())),
                Optional.of(new Value.Text(line.item().title())),
                Optional.of(new Value.Text(line.item().template())),
                Optional.of(new Value.Day(
                        line.item().since().atZone(hours.calendar().zone()).toLocalDate()))));
        Map<ColumnKey, String> raw = line.raw();
        for (ArchiveColumn column : columns) cells.add(value(column.kind(), raw.getOrDefault(column.key(), "")));
        return cells;
    }

    private static Optional<Value> value(ColumnKind kind, String raw) {
        if (raw.isEmpty()) return Optional.empty();
        FieldType type = switch (kind) {
            case NUMBER -> FieldType.NUMBER;
            case MONEY -> FieldType.MONEY;
            case DATE -> FieldType.DATE;
            case MOMENT -> FieldType.DATE_TIME;
            case YES_NO -> FieldType.YES_NO;
            case TEXT, ITEMS -> FieldType.TEXT;
        };
        if (type == FieldType.TEXT) return Optional.of(new Value.Text(raw));
        return ValueReader.stored(
                new Field(new FieldName(kind.name().toLowerCase(Locale.ROOT)), type, "", false, "", List.of()), raw);
    }
}
