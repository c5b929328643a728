package org.jalousie.server.archive.reports;

import java.math.BigDecimal;
import java.math.RoundingMode;
import java.nio.charset.StandardCharsets;
import java.time.YearMonth;
import java.time.format.DateTimeFormatter;
import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import java.util.OptionalDouble;
import java.util.function.Function;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import org.jalousie.core.messages.Catalogue;
import org.jalousie.core.messages.Message;
import org.jalousie.core.picture.Bars;
import org.jalousie.core.reports.TimeSpent;
import org.jalousie.server.archive.reports.ReportsController.Report;
import org.springframework.stereotype.Service;

/** Reports as drawings. */
@Service
class ReportPictures {
    private static final DateTimeFormatter MONTH = DateTimeFormatter.ofPattern("MMM yyyy", Locale.UK);

    private final Reports reports;

    ReportPictures(Reports reports) {
        this.reports = reports;
    }

    byte[] of(Report report, Asked asked) {
        Bars bars = switch (report) {
            case TIMES -> times(reports.times(asked), asked.template().isPresent());
            case OUT -> out(reports.outNow(asked), asked.template().isPresent());
            case ENDINGS -> endings(reports.endings(asked));
            case REQUESTS -> requests(reports.asked(asked));
        };
        return bars.svg().getBytes(StandardCharsets.UTF_8);
    }

    private static Bars times(List<ReportViews.SpentRow> rows, boolean one) {
        List<ReportViews.SpentRow> shown = rows.stream()
                .filter(row -> one || row.phase() == TimeSpent.Phase.WHOLE)
                .toList();
        Unit unit = Unit.of(
                shown.stream().mapToDouble(ReportViews.SpentRow::ninth).max().orElse(0));
        List<Bars.Row> bars = shown.stream()
                .map(row -> new Bars.Row(
                        one ? ReportTables.phase(row) : row.template(),
                        List.of(row.median() * unit.inDay),
                        OptionalDouble.of(row.ninth() * unit.inDay),
                        said(row.median() * unit.inDay, row.ninth() * unit.inDay)))
                .toList();
        return drawn(Message.of("reports.title.times", "unit", unit.name()), bars, true, "median", "ninth");
    }

    /** What times are told in, so that none of those that are drawn beside one another is nothing but noughts. */
    private enum Unit {
        MINUTES(24 * 60),
        HOURS(24),
        DAYS(1);

        private final double inDay;

        Unit(double inDay) {
            this.inDay = inDay;
        }

        /** @param longest in days */
        static Unit of(double longest) {
            return longest >= 2 ? DAYS : longest * 24 >= 2 ? HOURS : MINUTES;
        }
    }

    private static Bars out(List<ReportViews.OutRow> rows, boolean one) {
        List<Bars.Row> bars = rows.stream()
                .map(row -> counted(
                        one && !row.party().isEmpty() ? row.label() : row.template(),
                        row.upToWeek(),
                        row.upToFortnight(),
                        row.upToMonth(),
                        row.longer()))
                .toList();
        return drawn(titled(Report.OUT), bars, true, "week", "fortnight", "month", "longer");
    }

    private static Bars endings(List<ReportViews.EndedRow> rows) {
        List<Bars.Row> bars = rows.stream()
                .map(row -> counted(row.template(), row.completed(), row.declined(), row.withdrawn(), row.expired()))
                .toList();
        return drawn(titled(Report.ENDINGS), bars, true, "completed", "declined", "withdrawn", "expired");
    }

    private static Bars requests(ReportViews.AskedReport report) {
        List<Bars.Row> bars = IntStream.range(0, report.months().size())
                .mapToObj(month -> counted(
                        MONTH.format(YearMonth.parse(report.months().get(month))),
                        report.rows().stream()
                                .mapToLong(row -> row.months().get(month))
                                .sum()))
                .toList();
        return drawn(titled(Report.REQUESTS), bars, true, "requests");
    }

    private static Bars.Row counted(String label, long... parts) {
        return new Bars.Row(
                label,
                IntStream.range(0, parts.length)
                        .mapToObj(i -> (double) parts[i])
                        .toList(),
                OptionalDouble.empty(),
                String.valueOf(Arrays.stream(parts).sum()));
    }

    private static Bars drawn(Message title, List<Bars.Row> rows, boolean whole, String... parts) {
        Function<String, String> named = part -> ReportTables.say("reports.picture." + part);
        return new Bars(
                Catalogue.ENGLISH.say(title), Stream.of(parts).map(named).toList(), rows, whole);
    }

    private static String said(double median, double ninth) {
        return Catalogue.ENGLISH.say(
                Message.of("reports.picture.spent", "median", rounded(median), "ninth", rounded(ninth)));
    }

    private static Message titled(Report report) {
        return Message.of("reports.title." + ReportTables.code(report));
    }

    /** Whole from ten on; before, with a decimal where there is something behind it. */
    private static String rounded(double number) {
        return BigDecimal.valueOf(number)
                .setScale(number < 10 ? 1 : 0, RoundingMode.HALF_UP)
                .stripTrailingZeros()
                .toPlainString();
    }
}
