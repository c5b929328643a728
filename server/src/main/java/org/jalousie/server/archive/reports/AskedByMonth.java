package org.jalousie.server.archive.reports;

import java.time.YearMonth;
import java.time.temporal.ChronoUnit;
import java.util.ArrayList;
import java.util.Collections;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import java.util.stream.Stream;
import org.jalousie.core.messages.Message;
import org.jalousie.server.Refusal;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Repository;

/** How many requests came by which form in which month, and what became of them. */
@Repository
class AskedByMonth {
    /** Twenty years. */
    private static final int MOST_MONTHS = 240;

    private final JdbcClient sql;

    AskedByMonth(JdbcClient sql) {
        this.sql = sql;
    }

    private record Form(UUID template, String templateName, String link, String form) {}

    private record Count(Form form, YearMonth month, String stage, long many) {}

    /** Of a request of several templates, each counts by its own. */
    ReportViews.AskedReport of(Asked asked) {
        List<Count> counts = asked.narrow(
                        sql,
                        "select r.*, t.name, coalesce(l.title, '') as title from (select template_id, form_link_id,"
                                + " to_char(created_at at time zone :zone, 'YYYY-MM') as month, own_stage, count(*) as many"
                                + " from intake_request",
                        "created_at",
                        List.of("wanted"),
                        " group by 1, 2, 3, 4) r join template t on t.id = r.template_id left join form_link l on l.id = r.form_link_id"
                                + " order by lower(t.name), t.id, coalesce(lower(l.title), ''), r.form_link_id nulls first",
                        Map.of("zone", asked.zone().getId()))
                .query((row, at) -> new Count(
                        new Form(
                                row.getObject("template_id", UUID.class),
                                row.getString("name"),
                                String.valueOf(row.getString("form_link_id")),
                                row.getString("title")),
                        YearMonth.parse(row.getString("month")),
                        row.getString("own_stage"),
                        row.getLong("many")))
                .list();
        List<YearMonth> months = months(counts.stream().map(Count::month).toList());
        Map<Form, List<Count>> forms = new LinkedHashMap<>();
        counts.forEach(one ->
                forms.computeIfAbsent(one.form(), form -> new ArrayList<>()).add(one));
        return new ReportViews.AskedReport(
                months.stream().map(YearMonth::toString).toList(),
                forms.entrySet().stream()
                        .map(one -> row(one.getKey(), one.getValue(), months))
                        .toList());
    }

    private static List<YearMonth> months(List<YearMonth> found) {
        if (found.isEmpty()) return List.of();
        YearMonth first = Collections.min(found);
        long many = ChronoUnit.MONTHS.between(first, Collections.max(found)) + 1;
        if (many > MOST_MONTHS) throw Refusal.malformed(Message.of("reports.long", "most", MOST_MONTHS / 12));
        return Stream.iterate(first, month -> month.plusMonths(1)).limit(many).toList();
    }

    private static ReportViews.AskedRow row(Form form, List<Count> counts, List<YearMonth> months) {
        return new ReportViews.AskedRow(
                form.template(),
                form.templateName(),
                form.form(),
                months.stream()
                        .map(month ->
                                sum(counts.stream().filter(one -> one.month().equals(month))))
                        .toList(),
                sum(counts.stream()),
                sum(counts.stream().filter(one -> one.stage().equals("WAITING"))),
                sum(counts.stream()
                        .filter(one ->
                                one.stage().equals("CHECK") || one.stage().equals("OUT"))),
                sum(counts.stream().filter(one -> one.stage().equals("DONE"))),
                sum(counts.stream().filter(one -> one.stage().equals("ENDED"))));
    }

    private static long sum(Stream<Count> counts) {
        return counts.mapToLong(Count::many).sum();
    }
}
