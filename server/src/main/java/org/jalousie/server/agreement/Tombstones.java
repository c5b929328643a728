package org.jalousie.server.agreement;

import java.sql.ResultSet;
import java.sql.SQLException;
import java.sql.Timestamp;
import java.time.LocalDate;
import java.time.ZoneId;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.jalousie.core.agreement.AgreementNumber;
import org.jalousie.core.filing.retention.Tombstone;
import org.jalousie.core.messages.Message;
import org.jalousie.server.Refusal;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Repository;

/** What stays of agreements that were destroyed. The database keeps each for good. */
@Repository
class Tombstones {
    private static final String COLUMNS = "select agreement_id, number, statement, seal, destroyed_at from tombstone";

    private final JdbcClient sql;

    Tombstones(JdbcClient sql) {
        this.sql = sql;
    }

    /** @throws RuntimeException when the database doesn't let it be: it isn't the last link, or the agreement has to stay */
    void set(UUID agreement, UUID template, Tombstone stone, String seal) {
        sql.sql(
                        "insert into tombstone (agreement_id, number, template_id, statement, seal, events, last_hash, hash, destroyed_at)"
                                + " values (?, ?, ?, ?, ?, ?, ?, ?, ?)")
                .params(
                        agreement,
                        stone.number(),
                        template,
                        stone.statement(),
                        seal,
                        stone.events(),
                        stone.lastHash().hex(),
                        stone.hash().hex(),
                        Timestamp.from(stone.destroyedAt()))
                .update();
    }

    Optional<GoneAgreements.Stone> find(AgreementNumber number) {
        return sql.sql(COLUMNS + " where number = ?")
                .param(number.value())
                .query(Tombstones::stone)
                .optional();
    }

    /** Why there is no agreement of a number: it was destroyed, or there never was one. */
    Refusal none(AgreementNumber number, ZoneId zone) {
        return find(number)
                .map(stone -> Refusal.of(
                        Refusal.Kind.GONE,
                        Message.of(
                                "agreement.gone",
                                "number",
                                number,
                                "day",
                                LocalDate.ofInstant(stone.destroyedAt(), zone))))
                .orElseGet(() -> Refusal.notFound(Message.of("agreement.none", "number", number)));
    }

    /** The last first, or the first first. @param after the one that it goes on after @param template of which; null for any */
    List<GoneAgreements.Stone> list(UUID template, Optional<GoneAgreements.At> after, boolean lastFirst, int most) {
        String way = lastFirst ? " desc" : "";
        return sql.sql(COLUMNS + " where (:template::uuid is null or template_id = :template)"
                        + (after.isPresent()
                                ? " and (destroyed_at, agreement_id) " + (lastFirst ? "<" : ">") + " (:at, :id)"
                                : "")
                        + " order by destroyed_at" + way + ", agreement_id" + way + " limit :most")
                .param("template", template)
                .param("at", after.map(one -> Timestamp.from(one.destroyedAt())).orElse(null))
                .param("id", after.map(GoneAgreements.At::id).orElse(null))
                .param("most", most)
                .query(Tombstones::stone)
                .list();
    }

    int count(UUID template, int most) {
        return sql.sql("select count(*) from (select from tombstone where (:template::uuid is null"
                        + " or template_id = :template) limit :most) some_of")
                .param("template", template)
                .param("most", most)
                .query(Integer.class)
                .single();
    }

    private static GoneAgreements.Stone stone(ResultSet row, int at) throws SQLException {
        return new GoneAgreements.Stone(
                row.getObject(1, UUID.class),
                new AgreementNumber(row.getString(2)),
                row.getString(3),
                row.getString(4),
                row.getTimestamp(5).toInstant(),
                readable(row.getString(3)));
    }

    private static Optional<Tombstone> readable(String statement) {
        try {
            return Optional.of(Tombstone.read(statement));
        } catch (RuntimeException e) {
            // somebody has changed it, which the check against the roots tells
            return Optional.empty();
        }
    }
}
