package org.jalousie.server.records;

import java.sql.Timestamp;
import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.jalousie.core.records.RecordStep;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Propagation;
import org.springframework.transaction.annotation.Transactional;

/** What is written back into records, in the order in which it happened. */
@Component
class RecordSteps {
    /** One that couldn't be written for so long is given up. */
    private static final Duration GIVEN_UP_AFTER = Duration.ofDays(14);

    private final JdbcClient sql;
    private final Clock clock;

    RecordSteps(JdbcClient sql, Clock clock) {
        this.sql = sql;
        this.clock = clock;
    }

    enum State {
        WAITING,
        DONE,
        GIVEN_UP
    }

    /** A step that is to be written. @param agreement its number; empty before there is one */
    record Due(long id, String key, RecordStep step, String agreement, String said, int tries) {}

    private Timestamp now() {
        return Timestamp.from(clock.instant());
    }

    @Transactional(propagation = Propagation.MANDATORY)
    public void add(UUID system, String key, int round, RecordStep step, String agreement, String said) {
        sql.sql("insert into record_step (system_id, key, round, step, agreement, said, at, state, next_at, asked_at)"
                        + " values (:system, :key, :round, :step, :agreement, :said, :now, 'WAITING', :now, :now)")
                .param("system", system)
                .param("key", key)
                .param("round", round)
                .param("step", step.name())
                .param("agreement", agreement)
                .param("said", said)
                .param("now", now())
                .update();
    }

    /** What was done with a record in a round. @param written whether something was written back, {@code writing} is to be */
    record SoFar(Optional<RecordStep> last, String agreement, boolean written, boolean writing) {}

    SoFar soFar(UUID system, String key, int round) {
        List<StepRow> all = sql.sql("select step, agreement, state from record_step where system_id = ? and key = ?"
                        + " and round = ? order by id")
                .params(system, key, round)
                .query((row, number) -> new StepRow(
                        RecordStep.valueOf(row.getString(1)), row.getString(2), State.valueOf(row.getString(3))))
                .list();
        return new SoFar(
                all.isEmpty()
                        ? Optional.empty()
                        : Optional.of(all.get(all.size() - 1).step()),
                all.isEmpty() ? "" : all.get(all.size() - 1).agreement(),
                all.stream().anyMatch(one -> one.state() == State.DONE),
                all.stream().anyMatch(one -> one.state() == State.WAITING));
    }

    private record StepRow(RecordStep step, String agreement, State state) {}

    /** The oldest that is to be written now; those of a record wait for one another. */
    Optional<Due> next(UUID system) {
        return sql.sql("select id, key, step, agreement, said, tries from record_step s where system_id = :system"
                        + " and state = 'WAITING' and next_at <= :now and not exists (select 1 from record_step before"
                        + " where before.system_id = s.system_id and before.key = s.key and before.state = 'WAITING'"
                        + " and before.id < s.id) order by id limit 1")
                .param("system", system)
                .param("now", now())
                .query((row, number) -> new Due(
                        row.getLong(1),
                        row.getString(2),
                        RecordStep.valueOf(row.getString(3)),
                        row.getString(4),
                        row.getString(5),
                        row.getInt(6)))
                .optional();
    }

    void done(Due step) {
        sql.sql("update record_step set state = 'DONE', done_at = ?, fault = '', tries = tries + 1 where id = ?")
                .params(now(), step.id())
                .update();
    }

    /** It couldn't be written. @param next when it is tried again; empty when it is given up */
    void failed(Due step, String fault, Optional<Instant> next) {
        sql.sql("update record_step set state = ?, fault = ?, tries = tries + 1, next_at = coalesce(?, next_at)"
                        + " where id = ? and state = 'WAITING'")
                .params(
                        next.isPresent() ? "WAITING" : "GIVEN_UP",
                        fault,
                        next.map(Timestamp::from).orElse(null),
                        step.id())
                .update();
    }

    /** The system seems to be away, which costs the step no try. @param next when it is tried again: others go before it */
    void held(Due step, String fault, Instant next) {
        sql.sql("update record_step set fault = ?, next_at = ? where id = ? and state = 'WAITING'")
                .params(fault, Timestamp.from(next), step.id())
                .update();
    }

    /** Gives up what couldn't be written for too long. */
    void giveUpOld() {
        sql.sql(
                        "update record_step p set state = 'GIVEN_UP' from record_system s where s.id = p.system_id and not s.paused"
                                + " and p.state = 'WAITING' and p.asked_at < ?")
                .param(Timestamp.from(clock.instant().minus(GIVEN_UP_AFTER)))
                .update();
    }

    /** Writes the last step of a record once more. */
    @Transactional(propagation = Propagation.MANDATORY)
    public void lastAgain(UUID system, String key) {
        sql.sql("update record_step set state = 'WAITING', tries = 0, next_at = :now, asked_at = :now where id ="
                        + " (select max(id) from record_step where system_id = :system and key = :key)")
                .param("now", now())
                .param("system", system)
                .param("key", key)
                .update();
    }

    /** Tries again what was given up. @param key empty for those of all records */
    @Transactional(propagation = Propagation.MANDATORY)
    public void again(UUID system, Optional<String> key) {
        sql.sql("update record_step set state = 'WAITING', tries = 0, next_at = :now, asked_at = :now"
                        + " where system_id = :system and state = 'GIVEN_UP' and (:key::text is null or key = :key)")
                .param("now", now())
                .param("system", system)
                .param("key", key.orElse(null))
                .update();
    }

    /** What waits is tried now, as if it had come about now. */
    @Transactional(propagation = Propagation.MANDATORY)
    public void now(UUID system) {
        sql.sql(
                        "update record_step set next_at = :now, asked_at = :now where system_id = :system and state = 'WAITING'")
                .param("now", now())
                .param("system", system)
                .update();
    }

    /** Nothing is written any more. */
    @Transactional(propagation = Propagation.MANDATORY)
    public void giveUp(UUID system) {
        sql.sql("update record_step set state = 'GIVEN_UP' where system_id = ? and state = 'WAITING'")
                .param(system)
                .update();
    }
}
