package org.jalousie.server.archive.retention;

import java.sql.ResultSet;
import java.sql.SQLException;
import java.sql.Timestamp;
import java.time.Clock;
import java.time.Instant;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Repository;

/** Legal holds: why agreements are kept however long they have been kept already. */
@Repository
class Holds {
    private static final String COLUMNS =
            "select h.id, h.agreement_id, a.number, a.title, a.template_name, a.state, h.reason, h.placed_by, h.placed_at,"
                    + " h.lifted_by, h.lifted_at, h.lifted_because from legal_hold h join agreement a on a.id = h.agreement_id";

    private final JdbcClient sql;
    private final Clock clock;

    Holds(JdbcClient sql, Clock clock) {
        this.sql = sql;
        this.clock = clock;
    }

    /** @param liftedAt empty while it is in force */
    record Hold(
            UUID id,
            UUID agreement,
            String number,
            String title,
            String template,
            String state,
            String reason,
            String by,
            Instant at,
            Optional<String> liftedBy,
            Optional<Instant> liftedAt,
            String liftedBecause) {}

    /** A place in the list of holds in force. */
    record At(Instant placed, UUID id) {}

    private static Hold hold(ResultSet row, int at) throws SQLException {
        return new Hold(
                row.getObject(1, UUID.class),
                row.getObject(2, UUID.class),
                row.getString(3),
                row.getString(4),
                row.getString(5),
                row.getString(6),
                row.getString(7),
                row.getString(8),
                row.getTimestamp(9).toInstant(),
                Optional.ofNullable(row.getString(10)),
                Optional.ofNullable(row.getTimestamp(11)).map(Timestamp::toInstant),
                row.getString(12));
    }

    /** Those in force, the last first. */
    List<Hold> list(Optional<At> after, boolean lastFirst, int most) {
        String way = lastFirst ? " desc" : "";
        return sql.sql(COLUMNS + " where h.lifted_at is null"
                        + (after.isPresent()
                                ? " and (h.placed_at, h.id) " + (lastFirst ? "<" : ">") + " (:at, :id)"
                                : "")
                        + " order by h.placed_at" + way + ", h.id" + way + " limit :most")
                .param("at", after.map(one -> Timestamp.from(one.placed())).orElse(null))
                .param("id", after.map(At::id).orElse(null))
                .param("most", most)
                .query(Holds::hold)
                .list();
    }

    int count(int most) {
        return sql.sql("select count(*) from (select from legal_hold where lifted_at is null limit ?) some_of")
                .param(most)
                .query(Integer.class)
                .single();
    }

    /** An agreement's, the first first. */
    List<Hold> of(UUID agreement) {
        return sql.sql(COLUMNS + " where h.agreement_id = ? order by h.placed_at, h.id")
                .param(agreement)
                .query(Holds::hold)
                .list();
    }

    /** One, as it is until the end of the transaction. */
    Optional<Hold> held(UUID id) {
        return sql.sql(COLUMNS + " where h.id = ? for update of h")
                .param(id)
                .query(Holds::hold)
                .optional();
    }

    boolean inForce(UUID agreement) {
        return !sql.sql("select 1 from legal_hold where agreement_id = ? and lifted_at is null limit 1")
                .param(agreement)
                .query(Integer.class)
                .list()
                .isEmpty();
    }

    void place(UUID agreement, String reason, String by) {
        sql.sql("insert into legal_hold (id, agreement_id, reason, placed_by, placed_at) values (?, ?, ?, ?, ?)")
                .params(UUID.randomUUID(), agreement, reason, by, Timestamp.from(clock.instant()))
                .update();
    }

    void lift(UUID id, String because, String by) {
        sql.sql("update legal_hold set lifted_by = ?, lifted_at = ?, lifted_because = ? where id = ?")
                .params(by, Timestamp.from(clock.instant()), because, id)
                .update();
    }
}
