package org.jalousie.server.archive.reports;

import java.sql.ResultSet;
import java.sql.SQLException;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import org.jalousie.core.reports.TimeSpent;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Repository;

/**
 * Where the time went. A median or ninth tenth lies between two values where they do (PERCENTILE_CONT of SQL, ISO/IEC 9075-2
 * section 10.9).
 */
@Repository
class Times {
    private static final double DAY = 24 * 60 * 60 * 1000d;

    private final JdbcClient sql;

    Times(JdbcClient sql) {
        this.sql = sql;
    }

    /** Of each template the main parts of the way; of one alone all of them, and each part's turn, in their order. */
    List<ReportViews.SpentRow> of(Asked asked) {
        List<String> phases = asked.template().isPresent()
                ? List.of("ASKED", "PREPARED", "OUT", "ACTED", "FILED", "WHOLE")
                : List.of("ASKED", "PREPARED", "OUT", "WHOLE");
        return asked
                .narrow(
                        sql,
                        "select s.*, t.name from (select template_id, phase, party, max(stage) as stage, count(*) as many,"
                                + " percentile_cont(array[0.5, 0.9, 1]) within group (order by spent) as spent,"
                                + (asked.template().isPresent()
                                        ? " (array_agg(label order by ended_at desc))[1] as label"
                                        : " '' as label")
                                + " from time_spent",
                        "ended_at",
                        List.of("phase in (:phases)"),
                        " group by 1, 2, 3) s join template t on t.id = s.template_id order by lower(t.name), t.id, s.stage, s.party",
                        Map.of("phases", phases))
                .query((row, at) -> row(row))
                .list()
                .stream()
                // the order of the template's names and of its parts stays
                .sorted(Comparator.comparing(ReportViews.SpentRow::template, String.CASE_INSENSITIVE_ORDER)
                        .thenComparing(ReportViews.SpentRow::templateId)
                        .thenComparing(ReportViews.SpentRow::phase))
                .toList();
    }

    private static ReportViews.SpentRow row(ResultSet row) throws SQLException {
        Double[] spent = (Double[]) row.getArray("spent").getArray();
        return new ReportViews.SpentRow(
                row.getObject("template_id", UUID.class),
                row.getString("name"),
                TimeSpent.Phase.valueOf(row.getString("phase")),
                row.getString("party"),
                row.getString("label"),
                row.getLong("many"),
                spent[0] / DAY,
                spent[1] / DAY,
                spent[2] / DAY);
    }
}
