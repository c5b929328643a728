package org.jalousie.server.records;

import java.sql.ResultSet;
import java.sql.SQLException;
import java.time.Instant;
import java.util.Collection;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import org.jalousie.core.records.RecordStep;
import org.jalousie.server.web.Page;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;

/** Records and steps as lists. */
@Component
class RecordLists {
    private static final String ROW =
            "select r.key, r.state, r.request, r.round, r.agreement, r.faults, r.fault, r.changed_at,"
                    + " s.step, s.state as step_state, s.fault as step_fault, s.at from followed_record r left join lateral"
                    + " (select step, state, fault, at from record_step where system_id = r.system_id and key = r.key"
                    + " order by id desc limit 1) s on true where r.system_id = :system";

    private final JdbcClient sql;

    RecordLists(JdbcClient sql) {
        this.sql = sql;
    }

    /** Which records. */
    enum Which {
        ALL,
        FAULTY,
        /** Something couldn't be written back. */
        GIVEN_UP
    }

    /** What was done with last is first. @param find a part of the key or of the agreement's number */
    Page<RecordViews.RecordRow> list(UUID system, String find, Which which, int page) {
        String where = (find.isBlank() ? "" : " and (lower(r.key) like :find or lower(r.agreement) like :find)")
                + switch (which) {
                    case ALL -> "";
                    case FAULTY -> " and r.state = 'FAULTY'";
                    case GIVEN_UP ->
                        " and r.key in (select key from record_step where system_id = :system and state = 'GIVEN_UP')";
                };
        long total = sql.sql("select count(*) from followed_record r where r.system_id = :system" + where)
                .param("system", system)
                .param("find", Page.pattern(find))
                .query(Long.class)
                .single();
        return new Page<>(
                sql.sql(ROW + where + " order by r.changed_at desc, r.key limit :most offset :from")
                        .param("system", system)
                        .param("find", Page.pattern(find))
                        .param("most", Page.SIZE)
                        .param("from", Page.request(page).getOffset())
                        .query(RecordLists::row)
                        .list(),
                total,
                page,
                Page.SIZE);
    }

    Optional<RecordViews.RecordRow> one(UUID system, String key) {
        return sql.sql(ROW + " and r.key = :key")
                .param("system", system)
                .param("key", key)
                .query(RecordLists::row)
                .optional();
    }

    private static RecordViews.RecordRow row(ResultSet row, int number) throws SQLException {
        FollowedRecords.Followed record = FollowedRecords.followed(row, number);
        String step = row.getString("step");
        String fault = row.getString("fault");
        return new RecordViews.RecordRow(
                record.key(),
                record.state(),
                record.request().orElse(""),
                record.agreement(),
                step == null ? null : RecordStep.valueOf(step),
                step == null ? null : RecordSteps.State.valueOf(row.getString("step_state")),
                fault.isEmpty() && step != null ? row.getString("step_fault") : fault,
                record.faults(),
                row.getTimestamp("changed_at").toInstant());
    }

    /** The newest first, two hundred at most. */
    List<RecordViews.StepItem> steps(UUID system, String key) {
        return sql.sql("select step, agreement, said, at, state, tries, fault, next_at, done_at from record_step"
                        + " where system_id = ? and key = ? order by id desc limit 200")
                .params(system, key)
                .query((row, number) -> new RecordViews.StepItem(
                        RecordStep.valueOf(row.getString(1)),
                        row.getString(2),
                        row.getString(3),
                        row.getTimestamp(4).toInstant(),
                        RecordSteps.State.valueOf(row.getString(5)),
                        row.getInt(6),
                        row.getString(7),
                        row.getTimestamp(8).toInstant(),
                        done(row)))
                .list();
    }

    private static Instant done(ResultSet row) throws SQLException {
        return row.getTimestamp(9) == null ? null : row.getTimestamp(9).toInstant();
    }

    /** By system; nothing for those with which nothing was done. */
    Map<UUID, RecordViews.RecordCounts> counts(Collection<UUID> systems) {
        Map<UUID, RecordViews.RecordCounts> counts = new HashMap<>();
        if (systems.isEmpty()) return counts;
        sql.sql("select s.id, (select count(*) from followed_record r where r.system_id = s.id and r.round > 0),"
                        + " (select count(*) from followed_record r where r.system_id = s.id and r.state = 'FAULTY'),"
                        + " (select count(*) from record_step p where p.system_id = s.id and p.state = 'WAITING'),"
                        + " (select count(*) from record_step p where p.system_id = s.id and p.state = 'GIVEN_UP')"
                        + " from record_system s where s.id in (:systems)")
                .param("systems", systems)
                .query((row, number) -> counts.put(
                        row.getObject(1, UUID.class),
                        new RecordViews.RecordCounts(row.getLong(2), row.getLong(3), row.getLong(4), row.getLong(5))))
                .list();
        return counts;
    }
}
