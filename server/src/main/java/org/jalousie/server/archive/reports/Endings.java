package org.jalousie.server.archive.reports;

import java.sql.Timestamp;
import java.time.Instant;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import org.jalousie.core.agreement.AgreementNumber;
import org.jalousie.core.agreement.State;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Repository;

/** How agreements ended, and why some came to nothing. */
@Repository
class Endings {
    private final JdbcClient sql;

    Endings(JdbcClient sql) {
        this.sql = sql;
    }

    /** By template. */
    List<ReportViews.EndedRow> counts(Asked asked) {
        return asked.narrow(
                        sql,
                        "select e.*, t.name from (select template_id, count(*) filter (where how = 'COMPLETED') as completed,"
                                + " count(*) filter (where how = 'DECLINED') as declined,"
                                + " count(*) filter (where how = 'WITHDRAWN') as withdrawn,"
                                + " count(*) filter (where how = 'EXPIRED') as expired from ended_agreement",
                        "ended_at",
                        List.of(),
                        " group by 1) e join template t on t.id = e.template_id order by lower(t.name), t.id",
                        Map.of())
                .query((row, at) -> new ReportViews.EndedRow(
                        row.getObject("template_id", UUID.class),
                        row.getString("name"),
                        row.getLong("completed"),
                        row.getLong("declined"),
                        row.getLong("withdrawn"),
                        row.getLong("expired")))
                .list();
    }

    /** A place in the list of those that came to nothing. */
    record At(Instant at, UUID id) {}

    record Row(UUID id, ReportViews.EndedInVain shown) {}

    /** Those that came to nothing. @param up the oldest first @param after where it goes on */
    List<Row> inVain(Asked asked, boolean up, Optional<At> after, int most) {
        Map<String, Object> values = new HashMap<>(Map.of("most", most));
        after.ifPresent(place -> {
            values.put("at", Timestamp.from(place.at()));
            values.put("id", place.id());
        });
        List<String> conditions = after.isPresent()
                ? List.of("how <> 'COMPLETED'", "(ended_at, agreement_id) " + (up ? ">" : "<") + " (:at, :id)")
                : List.of("how <> 'COMPLETED'");
        String way = up ? "" : " desc";
        return asked.narrow(
                        sql,
                        "select * from ended_agreement",
                        "ended_at",
                        conditions,
                        " order by ended_at" + way + ", agreement_id" + way + " limit :most",
                        values)
                .query((row, at) -> new Row(
                        row.getObject("agreement_id", UUID.class),
                        new ReportViews.EndedInVain(
                                new AgreementNumber(row.getString("number")),
                                row.getString("title"),
                                row.getString("template_name"),
                                State.valueOf(row.getString("how")),
                                row.getTimestamp("ended_at").toInstant(),
                                row.getString("part"),
                                row.getString("ended_by"),
                                row.getString("reason"))))
                .list();
    }

    /** @param most up to how many are counted */
    int countInVain(Asked asked, int most) {
        return asked.narrow(
                        sql,
                        "select count(*) from (select 1 from ended_agreement",
                        "ended_at",
                        List.of("how <> 'COMPLETED'"),
                        " limit :most) those",
                        Map.of("most", most))
                .query(Integer.class)
                .single();
    }
}
