package org.jalousie.server.archive.filing;

import java.sql.ResultSet;
import java.sql.SQLException;
import java.sql.Timestamp;
import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.jalousie.core.filing.FilingTerms;
import org.jalousie.core.json.Json;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Repository;

/** The places to which agreements are filed, and how each of them answers. */
@Repository
class Targets {
    private static final Duration FIRST = Duration.ofSeconds(5);
    private static final Duration LONGEST = Duration.ofHours(1);

    private final JdbcClient sql;
    private final Clock clock;

    Targets(JdbcClient sql, Clock clock) {
        this.sql = sql;
        this.clock = clock;
    }

    /**
     * @param credential that belongs to its user; empty for none
     * @param fault why it can't be filed there just now; empty when it can
     * @param gathering whether those that were completed before it was made are still to be found
     */
    record Target(
            UUID id,
            FilingTerms terms,
            String credential,
            int revision,
            boolean paused,
            String fault,
            Optional<Instant> waitsUntil,
            boolean gathering,
            Optional<UUID> gathered) {}

    private static Target read(ResultSet row, int at) throws SQLException {
        return new Target(
                row.getObject("id", UUID.class),
                Json.MAPPER.readValue(row.getString("terms"), FilingTerms.class),
                row.getString("credential"),
                row.getInt("revision"),
                row.getBoolean("paused"),
                row.getString("fault"),
                Optional.ofNullable(row.getTimestamp("waits_until")).map(Timestamp::toInstant),
                row.getBoolean("gathering"),
                Optional.ofNullable(row.getObject("gathered", UUID.class)));
    }

    /**
     * What is completed at this moment is either told of a target that is made or changed now, or is complete when that gathers what
     * was before it: no completion is under way while targets change, until the end of the transaction.
     */
    void betweenCompletions() {
        sql.sql("select pg_advisory_xact_lock(hashtext('filing targets'))").query(row -> {});
    }

    /** All targets as they stay until something that is completed now is told to them. */
    List<Target> forCompletion() {
        sql.sql("select pg_advisory_xact_lock_shared(hashtext('filing targets'))")
                .query(row -> {});
        return all();
    }

    List<Target> all() {
        return sql.sql("select * from filing_target order by lower(title), id")
                .query(Targets::read)
                .list();
    }

    Optional<Target> find(UUID id) {
        return sql.sql("select * from filing_target where id = ?")
                .param(id)
                .query(Targets::read)
                .optional();
    }

    /** The same, which nobody else changes until the end of the transaction. */
    Optional<Target> held(UUID id) {
        return sql.sql("select * from filing_target where id = ? for update")
                .param(id)
                .query(Targets::read)
                .optional();
    }

    void add(UUID id, FilingTerms terms, String credential, String by) {
        sql.sql("insert into filing_target (id, title, terms, credential, created_by, created_at)"
                        + " values (?, ?, cast(? as jsonb), ?, ?, ?)")
                .params(id, terms.title(), Json.canonical(terms), credential, by, Timestamp.from(clock.instant()))
                .update();
    }

    /** What was completed before may go there now, so it is gathered again. */
    void settle(UUID id, FilingTerms terms, String credential) {
        sql.sql("update filing_target set title = ?, terms = cast(? as jsonb), credential = ?, revision = revision + 1,"
                        + " gathering = true, gathered = null where id = ?")
                .params(terms.title(), Json.canonical(terms), credential, id)
                .update();
        answers(id);
    }

    void pause(UUID id, boolean now) {
        sql.sql("update filing_target set paused = ? where id = ?")
                .params(now, id)
                .update();
    }

    void gathered(UUID id, Optional<UUID> last) {
        sql.sql("update filing_target set gathering = ?, gathered = ? where id = ?")
                .params(last.isPresent(), last.orElse(null), id)
                .update();
    }

    /** It can't be filed there just now; it is tried again later and later, and never given up. */
    void away(UUID id, String fault) {
        int away = sql.sql("update filing_target set away = least(away + 1, 30), fault = ? where id = ? returning away")
                .params(fault.replace("\0", ""), id)
                .query(Integer.class)
                .optional()
                .orElse(1);
        long seconds = Math.min(LONGEST.toSeconds(), FIRST.toSeconds() << Math.min(away - 1, 12));
        sql.sql("update filing_target set waits_until = ? where id = ?")
                .params(Timestamp.from(clock.instant().plusSeconds(seconds)), id)
                .update();
    }

    /** It answers as it should. */
    void answers(UUID id) {
        sql.sql("update filing_target set away = 0, fault = '', waits_until = null"
                        + " where id = ? and (away > 0 or fault <> '' or waits_until is not null)")
                .param(id)
                .update();
    }

    /** Those that have something to do now. */
    List<UUID> due() {
        Timestamp now = Timestamp.from(clock.instant());
        return sql.sql(
                        "select id from filing_target t where not paused and (waits_until is null or waits_until <= ?)"
                                + " and (gathering or exists (select from filing f where f.target_id = t.id and f.state in ('WAITING', 'LEAVING')"
                                + " and f.next_at <= ?) or exists (select from filing f where f.target_id = t.id and not f.indexed))")
                .params(now, now)
                .query(UUID.class)
                .list();
    }

    /** Nothing is filed there any more. What is there stays. */
    void remove(UUID id) {
        for (String table : List.of("filing_path", "filing"))
            sql.sql("delete from " + table + " where target_id = ?").param(id).update();
        sql.sql("delete from filing_target where id = ?").param(id).update();
    }
}
