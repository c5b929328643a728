package org.jalousie.server.archive.retention;

import java.sql.ResultSet;
import java.sql.SQLException;
import java.sql.Timestamp;
import java.time.Instant;
import java.time.LocalDate;
import java.util.Collection;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.jalousie.core.filing.retention.RetentionRule;
import org.jalousie.core.json.Json;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Repository;

/** Agreements of which somebody has confirmed that they go, and which are still there. */
@Repository
class Destructions {
    private static final String COLUMNS =
            "select d.agreement_id, a.number, a.title, a.template_name, d.kept_until, d.rule, d.copies, d.confirmed_by,"
                    + " d.confirmed_at, d.goes_at, d.waits_for from destruction d join agreement a on a.id = d.agreement_id";

    private final JdbcClient sql;

    Destructions(JdbcClient sql) {
        this.sql = sql;
    }

    /**
     * @param copies whether the copies that were filed outside go, too
     * @param waitsFor why it is still there although its time has come; empty while it hasn't
     */
    record Destruction(
            UUID agreement,
            String number,
            String title,
            String template,
            LocalDate keptUntil,
            RetentionRule rule,
            boolean copies,
            String by,
            Instant at,
            Instant goesAt,
            String waitsFor) {}

    /** A place in the list of them. */
    record At(Instant goesAt, UUID id) {}

    private static Destruction destruction(ResultSet row, int at) throws SQLException {
        return new Destruction(
                row.getObject(1, UUID.class),
                row.getString(2),
                row.getString(3),
                row.getString(4),
                row.getObject(5, LocalDate.class),
                Json.MAPPER.readValue(row.getString(6), RetentionRule.class),
                row.getBoolean(7),
                row.getString(8),
                row.getTimestamp(9).toInstant(),
                row.getTimestamp(10).toInstant(),
                row.getString(11));
    }

    List<Destruction> list(Optional<At> after, boolean up, int most) {
        String way = up ? "" : " desc";
        return sql.sql(COLUMNS
                        + (after.isPresent()
                                ? " where (d.goes_at, d.agreement_id) " + (up ? ">" : "<") + " (:at, :id)"
                                : "")
                        + " order by d.goes_at" + way + ", d.agreement_id" + way + " limit :most")
                .param("at", after.map(one -> Timestamp.from(one.goesAt())).orElse(null))
                .param("id", after.map(At::id).orElse(null))
                .param("most", most)
                .query(Destructions::destruction)
                .list();
    }

    int count(int most) {
        return sql.sql("select count(*) from (select from destruction limit ?) some_of")
                .param(most)
                .query(Integer.class)
                .single();
    }

    Optional<Destruction> find(UUID agreement) {
        return sql.sql(COLUMNS + " where d.agreement_id = ?")
                .param(agreement)
                .query(Destructions::destruction)
                .optional();
    }

    void confirm(
            UUID agreement, LocalDate until, RetentionRule rule, boolean copies, String by, Instant now, Instant goes) {
        sql.sql("insert into destruction (agreement_id, kept_until, rule, copies, confirmed_by, confirmed_at, goes_at)"
                        + " values (?, ?, cast(? as jsonb), ?, ?, ?, ?)")
                .params(agreement, until, Json.canonical(rule), copies, by, Timestamp.from(now), Timestamp.from(goes))
                .update();
    }

    /** @return whether there was one */
    boolean takeBack(UUID agreement) {
        return sql.sql("delete from destruction where agreement_id = ?")
                        .param(agreement)
                        .update()
                > 0;
    }

    void waits(UUID agreement, String why) {
        sql.sql("update destruction set waits_for = ? where agreement_id = ? and waits_for <> ?")
                .params(why, agreement, why)
                .update();
    }

    /**
     * Nobody else decides about these, and none of them goes, until the end of the transaction.
     *
     * @return those that are there
     */
    List<UUID> lock(Collection<UUID> agreements) {
        if (agreements.isEmpty()) return List.of();
        return sql.sql("select id from agreement where id in (:ids) order by id for update")
                .param("ids", agreements)
                .query(UUID.class)
                .list();
    }
}
