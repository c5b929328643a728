package org.jalousie.server.archive.reports;

import java.sql.Timestamp;
import java.time.Clock;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.UUID;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Repository;

/** What is out now, and for how long. */
@Repository
class OutNow {
    private static final String LABEL = "(select step ->> 'label' from jsonb_array_elements(a.route) step"
            + " where step ->> 'party' = w.party limit 1)";

    private static final String ALL =
            "select a.template_id, '' as party, '' as label, 0 as stage, a.since from agreement a"
                    + " where a.state = 'OUT'";

    private static final String PARTS = " union all select a.template_id, w.party, " + LABEL
            + ", (select (step ->> 'stage')::int from jsonb_array_elements(a.route) step where step ->> 'party' = w.party limit 1),"
            + " w.since from agreement a join waited_for w on w.agreement_id = a.id where a.state = 'OUT'";

    private final JdbcClient sql;
    private final Clock clock;

    OutNow(JdbcClient sql, Clock clock) {
        this.sql = sql;
        this.clock = clock;
    }

    /** Of each template how many; of one alone also for which part they wait, and since when. @param hidden those of which nothing is told */
    List<ReportViews.OutRow> of(Optional<UUID> template, Set<UUID> hidden) {
        String one =
                " and a.template_id <> all (:hidden)" + (template.isPresent() ? " and a.template_id = :template" : "");
        String those = ALL + one + (template.isPresent() ? PARTS + one : "");
        return sql.sql("select o.*, t.name from (select template_id, party, min(stage) as stage,"
                        + " (array_agg(label order by since desc))[1] as label, count(*) as many,"
                        + " count(*) filter (where days < 7) as week, count(*) filter (where days >= 7 and days < 14) as fortnight,"
                        + " count(*) filter (where days >= 14 and days < 30) as month, count(*) filter (where days >= 30) as longer,"
                        + " percentile_cont(0.5) within group (order by days) as median, max(days) as longest"
                        + " from (select *, greatest(0, extract(epoch from (:now - since)) / 86400.0)::double precision as days"
                        + " from (" + those + ") those) aged group by 1, 2) o join template t on t.id = o.template_id"
                        + " order by lower(t.name), t.id, (o.party <> ''), o.stage, o.party")
                .params(template.map(id -> Map.<String, Object>of("template", id))
                        .orElse(Map.of()))
                .param("hidden", hidden.toArray(UUID[]::new))
                .param("now", Timestamp.from(clock.instant()))
                .query((row, at) -> new ReportViews.OutRow(
                        row.getObject("template_id", UUID.class),
                        row.getString("name"),
                        row.getString("party"),
                        row.getString("label") == null ? row.getString("party") : row.getString("label"),
                        row.getLong("many"),
                        row.getLong("week"),
                        row.getLong("fortnight"),
                        row.getLong("month"),
                        row.getLong("longer"),
                        row.getDouble("median"),
                        row.getDouble("longest")))
                .list();
    }
}
