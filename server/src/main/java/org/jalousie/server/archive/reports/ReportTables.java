package org.jalousie.server.archive.reports;

import java.io.IOException;
import java.io.OutputStream;
import java.math.BigDecimal;
import java.math.RoundingMode;
import java.util.ArrayList;
import java.util.Iterator;
import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;
import org.jalousie.core.data.Value;
import org.jalousie.core.messages.Catalogue;
import org.jalousie.core.messages.Message;
import org.jalousie.core.tables.CsvWriter;
import org.jalousie.core.tables.SheetWriter;
import org.jalousie.core.tables.TableWriter;
import org.jalousie.server.archive.reports.ReportsController.Report;
import org.jalousie.server.web.Download;
import org.springframework.stereotype.Service;

/** Reports as files for a spreadsheet; days are numbers with at most three decimals. */
@Service
class ReportTables {
    private static final int AT_ONCE = 500;

    private final Reports reports;

    ReportTables(Reports reports) {
        this.reports = reports;
    }

    /** @param rows worked out as they are read, where there may be many */
    record Table(List<String> heads, Iterator<List<Optional<Value>>> rows) {}

    /** What its file is called. */
    String name(Report report) {
        return say("reports.file." + code(report));
    }

    Table of(Report report, Asked asked) {
        return switch (report) {
            case TIMES -> times(reports.times(asked));
            case OUT -> out(reports.outNow(asked));
            case ENDINGS -> inVain(asked);
            case REQUESTS -> requests(reports.asked(asked));
        };
    }

    void write(Table table, Report report, Download.Format format, OutputStream out) throws IOException {
        try (TableWriter writer =
                format == Download.Format.CSV ? new CsvWriter(out) : new SheetWriter(out, name(report))) {
            writer.heads(table.heads());
            while (table.rows().hasNext()) writer.row(table.rows().next());
        }
    }

    private static Table times(List<ReportViews.SpentRow> rows) {
        return new Table(
                heads("template", "phase", "part", "agreements", "median", "ninth", "longest"),
                rows.stream()
                        .map(one -> List.of(
                                text(one.template()),
                                text(phase(one)),
                                text(one.label()),
                                number(one.many()),
                                days(one.median()),
                                days(one.ninth()),
                                days(one.longest())))
                        .iterator());
    }

    private static Table out(List<ReportViews.OutRow> rows) {
        return new Table(
                heads(
                        "template",
                        "waits-for",
                        "agreements",
                        "week",
                        "fortnight",
                        "month",
                        "longer",
                        "median",
                        "longest"),
                rows.stream()
                        .map(one -> List.of(
                                text(one.template()),
                                text(one.label()),
                                number(one.many()),
                                number(one.upToWeek()),
                                number(one.upToFortnight()),
                                number(one.upToMonth()),
                                number(one.longer()),
                                days(one.median()),
                                days(one.longest())))
                        .iterator());
    }

    private Table inVain(Asked asked) {
        return new Table(heads("number", "title", "template", "how", "at", "part", "by", "reason"), new Iterator<>() {
            private Iterator<Endings.Row> some =
                    reports.inVain(asked, Optional.empty(), AT_ONCE).iterator();
            private Optional<Endings.At> last = Optional.empty();

            @Override
            public boolean hasNext() {
                if (!some.hasNext() && last.isPresent())
                    some = reports.inVain(asked, last, AT_ONCE).iterator();
                return some.hasNext();
            }

            @Override
            public List<Optional<Value>> next() {
                Endings.Row row = some.next();
                ReportViews.EndedInVain one = row.shown();
                last = Optional.of(new Endings.At(one.at(), row.id()));
                return List.of(
                        text(one.number().value()),
                        text(one.title()),
                        text(one.template()),
                        text(how(one.how().name())),
                        Optional.of(new Value.Moment(one.at().atZone(asked.zone()))),
                        text(one.part()),
                        text(one.by()),
                        text(one.reason()));
            }
        });
    }

    private static Table requests(ReportViews.AskedReport report) {
        List<String> heads = new ArrayList<>(heads("template", "form"));
        heads.addAll(report.months());
        heads.addAll(heads("total", "waiting", "going", "done", "in-vain"));
        return new Table(
                heads,
                report.rows().stream()
                        .map(one -> Stream.of(
                                        Stream.of(text(one.template()), text(one.form())),
                                        one.months().stream().map(ReportTables::number),
                                        Stream.of(
                                                number(one.total()),
                                                number(one.waiting()),
                                                number(one.going()),
                                                number(one.done()),
                                                number(one.inVain())))
                                .flatMap(cells -> cells)
                                .toList())
                        .iterator());
    }

    /** What a part of the way is called; a part's turn after whoever had it. */
    static String phase(ReportViews.SpentRow row) {
        return Catalogue.ENGLISH.say(
                Message.of("reports.phase", "phase", row.phase().name(), "label", row.label()));
    }

    static String how(String state) {
        return Catalogue.ENGLISH.say(Message.of("reports.how", "how", state));
    }

    static String code(Report report) {
        return report.name().toLowerCase(java.util.Locale.ROOT);
    }

    private static List<String> heads(String... codes) {
        return Stream.of(codes).map(code -> say("reports.table." + code)).toList();
    }

    private static Optional<Value> text(String text) {
        return text.isEmpty() ? Optional.empty() : Optional.of(new Value.Text(text));
    }

    private static Optional<Value> number(long number) {
        return Optional.of(new Value.Amount(BigDecimal.valueOf(number)));
    }

    private static Optional<Value> days(double days) {
        return Optional.of(new Value.Amount(
                BigDecimal.valueOf(days).setScale(3, RoundingMode.HALF_UP).stripTrailingZeros()));
    }

    static String say(String code) {
        return Catalogue.ENGLISH.say(Message.of(code));
    }
}
