package org.jalousie.server.programs;

import java.sql.Timestamp;
import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.util.UUID;
import org.jalousie.server.web.Page;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;

/** What programs asked for: each use of a key, kept for ninety days. */
@Component
class ProgramUses {
    private static final Duration KEPT = Duration.ofDays(90);
    private static final int LONGEST_PLACE = 300;

    private final JdbcClient sql;
    private final Clock clock;

    ProgramUses(JdbcClient sql, Clock clock) {
        this.sql = sql;
        this.clock = clock;
    }

    /** @param place the address without what was looked for, which may be a person's data */
    record ProgramUse(
            Instant at, UUID key, String method, String place, int status, int tookMs, String from, String requestId) {}

    void note(UUID program, ProgramUse use) {
        sql.sql(
                        "insert into program_use (program_id, key_id, at, method, place, status, took_ms, came_from, request_id)"
                                + " values (?, ?, ?, ?, ?, ?, ?, ?, ?)")
                .params(
                        program,
                        use.key(),
                        Timestamp.from(use.at()),
                        use.method(),
                        use.place()
                                .substring(
                                        0, Math.min(LONGEST_PLACE, use.place().length())),
                        use.status(),
                        use.tookMs(),
                        use.from(),
                        use.requestId())
                .update();
        sql.sql("update program_key set last_used_at = ? where id = ? and (last_used_at is null or last_used_at < ?)")
                .params(
                        Timestamp.from(use.at()),
                        use.key(),
                        Timestamp.from(use.at().minusSeconds(1)))
                .update();
    }

    /** The newest first. */
    Page<ProgramUse> list(UUID program, int page) {
        int from = (int) Page.request(page).getOffset();
        long all = sql.sql("select count(*) from program_use where program_id = ?")
                .param(program)
                .query(Long.class)
                .single();
        return new Page<>(
                sql.sql("select at, key_id, method, place, status, took_ms, came_from, request_id from program_use"
                                + " where program_id = ? order by id desc limit ? offset ?")
                        .params(program, Page.SIZE, from)
                        .query((row, number) -> new ProgramUse(
                                row.getTimestamp(1).toInstant(),
                                row.getObject(2, UUID.class),
                                row.getString(3),
                                row.getString(4),
                                row.getInt(5),
                                row.getInt(6),
                                row.getString(7),
                                row.getString(8)))
                        .list(),
                all,
                page,
                Page.SIZE);
    }

    /** Takes away what is older than it is kept. */
    int sweep() {
        return sql.sql("delete from program_use where at < ?")
                .param(Timestamp.from(clock.instant().minus(KEPT)))
                .update();
    }
}
