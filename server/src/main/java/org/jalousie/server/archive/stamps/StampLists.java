package org.jalousie.server.archive.stamps;

import io.swagger.v3.oas.annotations.media.Schema;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.jalousie.core.evidence.stamps.HashAlgorithm;
import org.jalousie.core.evidence.stamps.StampPolicy;
import org.jalousie.core.messages.Message;
import org.jalousie.server.Refusal;
import org.jalousie.server.web.Page;
import org.springframework.data.domain.PageRequest;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Archive time stamps as they are listed, and how all of them stand. */
@Service
public class StampLists {
    /** What stands for something and isn't renewed. */
    static final String IN_FORCE = " not exists (select 1 from renewed_stamp n where n.stamp = s.number)"
            + " and not exists (select 1 from stamp_let_go g where g.stamp = s.number)";

    private static final String ROWS =
            "select s.number, s.algorithm, s.stamped_at, s.stamped_by, s.holds_until, s.files,"
                    + " s.roots, s.stamps, (select n.renewed_by from renewed_stamp n where n.stamp = s.number),"
                    + " exists (select 1 from stamp_let_go g where g.stamp = s.number) from archive_stamp s";

    private static final int MOST_COUNTED = 1000;

    /** How long a completed agreement may be without a stamp until that is told. */
    private static final Duration OVERDUE = Duration.ofDays(2);

    private final JdbcClient sql;
    private final StampPolicies policies;
    private final StampRoundStore rounds;
    private final Clock clock;

    StampLists(JdbcClient sql, StampPolicies policies, StampRoundStore rounds, Clock clock) {
        this.sql = sql;
        this.policies = policies;
        this.rounds = rounds;
        this.clock = clock;
    }

    /**
     * A page of them.
     *
     * @param all also those that were renewed or let go, newest first; else what is in force, the first to end first
     */
    @Transactional(readOnly = true)
    Page<StampViews.ArchiveStampRow> page(boolean all, int page) {
        PageRequest asked = Page.request(page);
        StampPolicy policy = policies.now().policy();
        String which = all ? " order by s.number desc" : " where" + IN_FORCE + " order by s.holds_until, s.number";
        List<StampViews.ArchiveStampRow> rows = sql.sql(ROWS + which + " limit ? offset ?")
                .params(asked.getPageSize(), asked.getOffset())
                .query((row, at) -> row(row, policy))
                .list();
        long total = sql.sql("select count(*) from archive_stamp s" + (all ? "" : " where" + IN_FORCE))
                .query(Long.class)
                .single();
        return new Page<>(rows, total, page, asked.getPageSize());
    }

    private StampViews.ArchiveStampRow row(ResultSet row, StampPolicy policy) throws SQLException {
        HashAlgorithm algorithm = HashAlgorithm.valueOf(row.getString(2));
        Instant at = row.getTimestamp(3).toInstant();
        Instant until = row.getTimestamp(5).toInstant();
        Instant due = policy.dueAt(at, until);
        Long renewedBy = row.getObject(9, Long.class);
        return new StampViews.ArchiveStampRow(
                row.getLong(1),
                at,
                row.getString(4),
                algorithm.standardName(),
                row.getInt(6),
                row.getInt(7),
                row.getInt(8),
                until,
                due,
                standing(policy, algorithm, until, due, renewedBy != null, row.getBoolean(10)),
                renewedBy);
    }

    private StampViews.Standing standing(
            StampPolicy policy, HashAlgorithm algorithm, Instant until, Instant due, boolean renewed, boolean letGo) {
        Instant now = clock.instant();
        if (renewed) return StampViews.Standing.RENEWED;
        if (letGo) return StampViews.Standing.LET_GO;
        if (!until.isAfter(now)) return StampViews.Standing.ENDED;
        if (!due.isAfter(now)) return StampViews.Standing.DUE;
        return policy.runsOut(algorithm, policies.today())
                ? StampViews.Standing.TO_HASH_ANEW
                : StampViews.Standing.HOLDS;
    }

    /** How all of them stand. */
    @Transactional(readOnly = true)
    StampViews.ArchiveStampsState state() {
        StampPolicies.Edition policy = policies.now();
        Optional<StampRoundStore.Round> last = rounds.last();
        int waiting = count("select 1 from agreement a where a.state = 'COMPLETED'"
                + " and not exists (select 1 from stamped_file f where f.agreement_id = a.id)");
        List<Instant> due = dues(policy.policy());
        Instant now = clock.instant();
        return new StampViews.ArchiveStampsState(
                waiting,
                (int) due.stream().filter(one -> !one.isAfter(now)).count(),
                due.stream()
                        .filter(one -> one.isAfter(now))
                        .min(Instant::compareTo)
                        .orElse(null),
                last.map(StampRoundStore.Round::at).orElse(null),
                last.map(StampRoundStore.Round::said).orElse(List.of()),
                StampViews.PolicyView.of(policy.policy()),
                policy.edition());
    }

    private List<Instant> dues(StampPolicy policy) {
        return sql.sql("select s.stamped_at, s.holds_until from archive_stamp s where" + IN_FORCE)
                .query((row, at) -> policy.dueAt(
                        row.getTimestamp(1).toInstant(), row.getTimestamp(2).toInstant()))
                .list();
    }

    private int count(String rows) {
        return sql.sql("select count(*) from (" + rows + " limit " + MOST_COUNTED + ") counted")
                .query(Integer.class)
                .single();
    }

    /** @param said what isn't as it should be, {@code since} when it was found */
    public record StampTrouble(List<String> said, Instant since) {}

    /** What the last look couldn't put right; nothing when all is as it should be. */
    public List<StampTrouble> troubles() {
        List<StampTrouble> troubles = new ArrayList<>();
        Instant overdue = clock.instant().minus(OVERDUE);
        rounds.last().ifPresent(one -> {
            if (!one.said().isEmpty())
                troubles.add(new StampTrouble(one.said().stream().limit(3).toList(), one.at()));
            else if (one.at().isBefore(overdue))
                troubles.add(
                        new StampTrouble(List.of(Message.of("stamps.overdue").toString()), one.at()));
        });
        return troubles;
    }

    byte[] token(long stamp) {
        return sql.sql("select token from archive_stamp where number = ?")
                .param(stamp)
                .query((row, at) -> row.getBytes(1))
                .optional()
                .orElseThrow(() -> Refusal.notFound(Message.of("stamps.no-stamp", "stamp", stamp)));
    }

    /** The newest stamp of an agreement's files. @param stamp its number, {@code since} when they were stamped first, {@code until} when it ends */
    @Schema(name = "StampedFiles")
    public record StampStanding(long stamp, Instant since, Instant until) {}

    /** Empty while they aren't stamped. */
    public Optional<StampStanding> of(UUID agreement) {
        return sql.sql("with recursive up (stamp, first) as ("
                        + " (select stamp, stamp from stamped_file where agreement_id = ? order by stamp desc limit 1)"
                        + " union all select n.renewed_by, u.first from up u join renewed_stamp n on n.stamp = u.stamp)"
                        + " select s.number, (select min(b.stamped_at) from stamped_file f join archive_stamp b on b.number = f.stamp"
                        + "  where f.agreement_id = ?), s.holds_until from up u join archive_stamp s on s.number = u.stamp"
                        + " order by s.number desc limit 1")
                .params(agreement, agreement)
                .query((row, at) -> new StampStanding(
                        row.getLong(1),
                        row.getTimestamp(2).toInstant(),
                        row.getTimestamp(3).toInstant()))
                .optional();
    }
}
