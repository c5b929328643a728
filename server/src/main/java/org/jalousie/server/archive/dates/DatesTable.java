package org.jalousie.server.archive.dates;

import java.io.IOException;
import java.io.OutputStream;
import java.util.List;
import java.util.Optional;
import org.jalousie.core.data.Value;
import org.jalousie.core.messages.Catalogue;
import org.jalousie.core.messages.Message;
import org.jalousie.core.tables.CsvWriter;
import org.jalousie.core.tables.SheetWriter;
import org.jalousie.core.tables.TableWriter;
import org.jalousie.server.web.Download;
import org.springframework.stereotype.Service;

/** Watched days as a file for a spreadsheet. It is read some at a time and written as it comes. */
@Service
class DatesTable {
    private static final int AT_ONCE = 500;
    private static final List<String> HEADS = List.of(
            "dates.table.day",
            "archive.table.number",
            "archive.table.title",
            "archive.table.template",
            "dates.table.what",
            "dates.table.kind",
            "dates.table.state",
            "dates.table.owner",
            "dates.table.by",
            "dates.table.note",
            "dates.table.renewed");

    private final DateLists lists;

    DatesTable(DateLists lists) {
        this.lists = lists;
    }

    void write(DateSearch.Asked asked, Download.Format format, OutputStream out) throws IOException {
        try (TableWriter writer =
                format == Download.Format.CSV ? new CsvWriter(out) : new SheetWriter(out, say("dates.table.sheet"))) {
            writer.heads(HEADS.stream().map(DatesTable::say).toList());
            Optional<DateSearch.At> after = Optional.empty();
            do {
                DateLists.Lines found = lists.lines(asked, after, AT_ONCE);
                for (DateViews.WatchedDate one : found.lines()) writer.row(cells(one));
                after = found.next();
            } while (after.isPresent());
        }
    }

    private static List<Optional<Value>> cells(DateViews.WatchedDate one) {
        Optional<DateViews.DateAct> last = one.acts().stream().findFirst();
        return List.of(
                Optional.of(new Value.Day(one.day())),
                text(one.number().value()),
                text(one.title()),
                text(one.template()),
                text(one.what()),
                text(said("dates.kind", "kind", one.kind().name())),
                text(said("dates.state", "state", one.state().name())),
                text(one.owner()),
                text(last.map(DateViews.DateAct::by).orElse("")),
                text(last.map(DateViews.DateAct::note).orElse("")),
                text(one.renewedBy() == null ? "" : one.renewedBy().value()));
    }

    private static Optional<Value> text(String text) {
        return text.isEmpty() ? Optional.empty() : Optional.of(new Value.Text(text));
    }

    private static String say(String code) {
        return Catalogue.ENGLISH.say(Message.of(code));
    }

    private static String said(String code, String name, String value) {
        return Catalogue.ENGLISH.say(Message.of(code, name, value));
    }
}
