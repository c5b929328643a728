package org.jalousie.server.archive.filing;

import java.sql.Timestamp;
import java.time.Clock;
import java.time.Duration;
import java.util.Collection;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.UUID;
import org.jalousie.core.filing.FilingIndex;
import org.jalousie.core.filing.FilingRule;
import org.jalousie.core.json.Json;
import org.jalousie.server.web.Page;
import org.springframework.data.domain.PageRequest;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Repository;

/** What is to be filed where, what has been, and whose each path is. */
@Repository
class Filings {
    /** How often one agreement is tried whose own files can't be read or filed; then the office is told. */
    private static final int MOST_TRIES = 8;

    private final JdbcClient sql;
    private final Clock clock;

    Filings(JdbcClient sql, Clock clock) {
        this.sql = sql;
        this.clock = clock;
    }

    private Timestamp now() {
        return Timestamp.from(clock.instant());
    }

    /** Where an agreement stands. */
    enum State {
        WAITING,
        FILED,
        FAILED,
        /** Its files are to be taken away. */
        LEAVING,
        /** They were, and are filed no more. */
        LEFT
    }

    /** What is to be filed; once is enough. */
    void add(UUID target, Collection<UUID> agreements) {
        for (UUID agreement : agreements)
            sql.sql("insert into filing (target_id, agreement_id, state, next_at, changed_at)"
                            + " values (?, ?, 'WAITING', ?, ?) on conflict do nothing")
                    .params(target, agreement, now(), now())
                    .update();
    }

    /** What is to be done next. @param leaving whether its files are taken away instead of being filed */
    record Next(UUID agreement, boolean leaving) {}

    Optional<Next> next(UUID target) {
        return sql.sql(
                        "select agreement_id, state = 'LEAVING' from filing where target_id = ?"
                                + " and state in ('WAITING', 'LEAVING') and next_at <= ? order by next_at, agreement_id limit 1")
                .params(target, now())
                .query((row, at) -> new Next(row.getObject(1, UUID.class), row.getBoolean(2)))
                .optional();
    }

    /** An agreement's files are taken away from wherever they are. */
    void leave(UUID agreement) {
        sql.sql("update filing set state = 'LEAVING', tries = 0, fault = '', next_at = ?, changed_at = ?"
                        + " where agreement_id = ? and state not in ('LEAVING', 'LEFT')")
                .params(now(), now(), agreement)
                .update();
    }

    /** What was or is taken away is filed again; what was taken away at the same moment, too. */
    void stay(UUID agreement) {
        sql.sql("update filing set state = 'WAITING', tries = 0, fault = '', next_at = ?, changed_at = ?"
                        + " where agreement_id = ? and state in ('LEAVING', 'LEFT')")
                .params(now(), now(), agreement)
                .update();
    }

    /** The titles of the places where that isn't done yet; nor is it while an index there still tells of them. */
    List<String> leaving(UUID agreement) {
        return sql.sql(
                        "select t.title from filing f join filing_target t on t.id = f.target_id"
                                + " where f.agreement_id = ? and (f.state <> 'LEFT' or not f.indexed) order by lower(t.title), t.id")
                .param(agreement)
                .query(String.class)
                .list();
    }

    /** They are there no more; the index is to be written without them. */
    void left(UUID target, UUID agreement) {
        giveBack(target, agreement);
        sql.sql("update filing set state = 'LEFT', fault = '', entry = null, indexed = month is null, changed_at = ?"
                        + " where target_id = ? and agreement_id = ? and state = 'LEAVING'")
                .params(now(), target, agreement)
                .update();
    }

    /** It can't be done now, whatever is the matter; it is tried again. */
    void leavesLater(UUID target, UUID agreement, String fault) {
        sql.sql(
                        "update filing set fault = ?, next_at = ? where target_id = ? and agreement_id = ? and state = 'LEAVING'")
                .params(
                        fault.replace("\0", ""),
                        Timestamp.from(clock.instant().plus(Duration.ofMinutes(10))),
                        target,
                        agreement)
                .update();
    }

    /** The paths that an agreement has, in their order; none before it was filed there. */
    List<String> paths(UUID target, UUID agreement) {
        return sql.sql("select path from filing_path where target_id = ? and agreement_id = ? order by position")
                .params(target, agreement)
                .query(String.class)
                .list();
    }

    /** Of some paths those that are anybody's. */
    Set<String> taken(UUID target, Collection<String> paths) {
        return new HashSet<>(
                sql.sql("select path_key from filing_path where target_id = :target and path_key in (:keys)")
                        .param("target", target)
                        .param("keys", paths.stream().map(FilingRule::key).toList())
                        .query(String.class)
                        .list());
    }

    void take(UUID target, UUID agreement, List<String> paths) {
        for (int i = 0; i < paths.size(); i++)
            sql.sql(
                            "insert into filing_path (target_id, path_key, agreement_id, position, path) values (?, ?, ?, ?, ?)")
                    .params(target, FilingRule.key(paths.get(i)), agreement, i, paths.get(i))
                    .update();
    }

    /** Something else is there: an agreement's files go elsewhere. */
    void giveBack(UUID target, UUID agreement) {
        sql.sql("delete from filing_path where target_id = ? and agreement_id = ?")
                .params(target, agreement)
                .update();
    }

    void filed(UUID target, UUID agreement, String month, FilingIndex.FiledAgreement entry) {
        sql.sql(
                        "update filing set state = 'FILED', fault = '', month = ?, entry = cast(? as jsonb), indexed = false,"
                                + " changed_at = ? where target_id = ? and agreement_id = ? and state not in ('LEAVING', 'LEFT')")
                .params(month, Json.canonical(entry), now(), target, agreement)
                .update();
    }

    /** Its files can't be filed: tried again, and given up in the end. */
    void failed(UUID target, UUID agreement, String fault) {
        int tries = sql.sql("update filing set tries = tries + 1, fault = ?, changed_at = ?"
                        + " where target_id = ? and agreement_id = ? returning tries")
                .params(fault.replace("\0", ""), now(), target, agreement)
                .query(Integer.class)
                .optional()
                .orElse(1);
        sql.sql("update filing set state = ?, next_at = ? where target_id = ? and agreement_id = ?"
                        + " and state not in ('LEAVING', 'LEFT')")
                .params(
                        tries >= MOST_TRIES ? "FAILED" : "WAITING",
                        Timestamp.from(
                                clock.instant().plus(Duration.ofSeconds(10).multipliedBy(1L << Math.min(tries, 8)))),
                        target,
                        agreement)
                .update();
    }

    /** Tries again what was given up. Returns how many. */
    int again(UUID target) {
        return sql.sql(
                        "update filing set state = 'WAITING', tries = 0, next_at = ? where target_id = ? and state = 'FAILED'")
                .params(now(), target)
                .update();
    }

    /** Files everything once more: what is there stays, what is missing comes back. */
    int everything(UUID target) {
        return sql.sql("update filing set state = 'WAITING', tries = 0, next_at = ? where target_id = ?"
                        + " and state not in ('LEAVING', 'LEFT')")
                .params(now(), target)
                .update();
    }

    /** Files everything at another place, where none of it is. */
    void anew(UUID target) {
        sql.sql("update filing set state = 'WAITING', tries = 0, next_at = ?, entry = null, indexed = true"
                        + " where target_id = ? and state not in ('LEAVING', 'LEFT')")
                .params(now(), target)
                .update();
        // what was to be taken away was at the other place, which is left as it is
        sql.sql("update filing set state = 'LEFT', entry = null, indexed = true where target_id = ?"
                        + " and state in ('LEAVING', 'LEFT')")
                .param(target)
                .update();
    }

    /** Months of which something isn't in the index yet. */
    List<String> unindexed(UUID target) {
        return sql.sql("select distinct month from filing where target_id = ? and not indexed order by month")
                .param(target)
                .query(String.class)
                .list();
    }

    /** What a month's index says of an agreement. */
    record Entry(UUID agreement, FilingIndex.FiledAgreement filed) {}

    List<Entry> entries(UUID target, String month) {
        return sql.sql("select agreement_id, entry from filing where target_id = ? and month = ? and entry is not null"
                        + " order by entry ->> 'number'")
                .params(target, month)
                .query((row, at) -> new Entry(
                        row.getObject(1, UUID.class),
                        Json.MAPPER.readValue(row.getString(2), FilingIndex.FiledAgreement.class)))
                .list();
    }

    /** Agreements that a month's index tells of no more. */
    List<UUID> leftOf(UUID target, String month) {
        return sql.sql(
                        "select agreement_id from filing where target_id = ? and month = ? and state = 'LEFT' and not indexed")
                .params(target, month)
                .query(UUID.class)
                .list();
    }

    void indexed(UUID target, Collection<UUID> agreements) {
        sql.sql("update filing set indexed = true where target_id = :target and agreement_id in (:all) and not indexed")
                .param("target", target)
                .param("all", agreements)
                .update();
    }

    Map<State, Long> counts(UUID target) {
        Map<State, Long> counts = new HashMap<>();
        sql.sql("select state, count(*) from filing where target_id = ? group by state")
                .param(target)
                .query(row -> {
                    counts.put(State.valueOf(row.getString(1)), row.getLong(2));
                });
        return counts;
    }

    /** An agreement at a target. @param paths where its files are or belong */
    record Row(UUID agreement, State state, String fault, List<String> paths) {}

    /** Those in a state, the last that changed first. */
    Page<Row> list(UUID target, State state, int page) {
        PageRequest asked = Page.request(page);
        List<Row> rows = sql.sql(
                        "select f.agreement_id, f.state, f.fault, array(select path from filing_path p where"
                                + " p.target_id = f.target_id and p.agreement_id = f.agreement_id order by position) from filing f"
                                + " where target_id = ? and state = ? order by changed_at desc, agreement_id desc limit ? offset ?")
                .params(target, state.name(), asked.getPageSize(), asked.getOffset())
                .query((row, at) -> new Row(
                        row.getObject(1, UUID.class), State.valueOf(row.getString(2)), row.getString(3), List.of((String
                                        [])
                                row.getArray(4).getArray())))
                .list();
        long total = sql.sql("select count(*) from filing where target_id = ? and state = ?")
                .params(target, state.name())
                .query(Long.class)
                .single();
        return new Page<>(rows, total, page, asked.getPageSize());
    }
}
