package org.jalousie.server.jobs;

import java.sql.ResultSet;
import java.sql.SQLException;
import java.sql.Timestamp;
import java.time.Clock;
import java.util.Optional;
import java.util.UUID;
import org.jalousie.core.json.Json;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Work that takes long: asked for, watched, and its result kept. */
@Service
public class LongWorks {
    private static final String COLUMNS =
            "select id, kind, subject, basis, state, done, total, result, reason, asked_by from long_work ";

    private final JdbcClient sql;
    private final Jobs jobs;
    private final Clock clock;

    LongWorks(JdbcClient sql, Jobs jobs, Clock clock) {
        this.sql = sql;
        this.jobs = jobs;
        this.clock = clock;
    }

    /** The newest of a kind for a subject; empty when none was asked for. */
    @Transactional(readOnly = true)
    public Optional<LongWork> of(JobKind kind, UUID subject) {
        return sql.sql(COLUMNS + "where kind = ? and subject = ?")
                .params(kind.name(), subject)
                .query(LongWorks::read)
                .optional();
    }

    @Transactional(readOnly = true)
    public Optional<LongWork> of(UUID id) {
        return sql.sql(COLUMNS + "where id = ?")
                .param(id)
                .query(LongWorks::read)
                .optional();
    }

    /**
     * Asks for it. What is under way or done for the same state is that; anything else is given up for the new one.
     *
     * @param total how much there is to do
     */
    @Transactional
    public LongWork ask(JobKind kind, UUID subject, String basis, int total, String by) {
        // one at a time: whoever asks at the same moment finds what the other has asked for
        sql.sql("select pg_advisory_xact_lock(hashtext(?))")
                .param(kind.name() + subject)
                .query((row, number) -> "")
                .list();
        Optional<LongWork> known = of(kind, subject);
        if (known.isPresent()
                && known.get().basis().equals(basis)
                && known.get().state() != LongWork.State.FAILED) return known.get();
        sql.sql("delete from long_work where kind = ? and subject = ?")
                .params(kind.name(), subject)
                .update();
        UUID id = UUID.randomUUID();
        sql.sql("insert into long_work (id, kind, subject, basis, state, total, asked_by, asked_at)"
                        + " values (?, ?, ?, ?, 'WAITING', ?, ?, ?)")
                .params(id, kind.name(), subject, basis, total, by, Timestamp.from(clock.instant()))
                .update();
        jobs.soon(kind, id.toString());
        return of(id).orElseThrow();
    }

    /** Notes how far it is. Returns whether it is wanted still; another one may have taken its place. */
    @Transactional
    public boolean progress(UUID id, int done) {
        return sql.sql(
                                "update long_work set state = 'RUNNING', done = ? where id = ? and state in ('WAITING', 'RUNNING')")
                        .params(done, id)
                        .update()
                > 0;
    }

    /** Keeps what it came to. */
    @Transactional
    public void finish(UUID id, Object result) {
        sql.sql("update long_work set state = 'DONE', done = total, result = ?::jsonb where id = ?")
                .params(Json.MAPPER.writeValueAsString(result), id)
                .update();
    }

    /** @param reason for the person who asked */
    @Transactional
    public void fail(UUID id, String reason) {
        sql.sql("update long_work set state = 'FAILED', reason = ? where id = ? and state <> 'DONE'")
                .params(reason, id)
                .update();
    }

    private static LongWork read(ResultSet row, int number) throws SQLException {
        return new LongWork(
                row.getObject("id", UUID.class),
                row.getString("kind"),
                row.getObject("subject", UUID.class),
                row.getString("basis"),
                LongWork.State.valueOf(row.getString("state")),
                row.getInt("done"),
                row.getInt("total"),
                Optional.ofNullable(row.getString("result")),
                row.getString("reason"),
                row.getString("asked_by"));
    }
}
