package org.jalousie.server.web;

import jakarta.servlet.ServletException;
import java.io.IOException;
import java.sql.Timestamp;
import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.util.Map;
import java.util.Optional;
import org.jalousie.core.json.Json;
import org.jalousie.core.messages.Message;
import org.jalousie.server.Refusal;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;
import org.springframework.transaction.TransactionExecution;
import org.springframework.transaction.TransactionExecutionListener;
import tools.jackson.core.type.TypeReference;

/**
 * What was answered to requests that may be sent again. That something was done is written in the transaction that does it, so
 * that a server that dies in between leaves no doubt; the answer is added afterwards.
 */
@Component
class KeptAnswers implements TransactionExecutionListener {
    private static final Duration KEPT = Duration.ofDays(2);
    /** After which a request that did nothing yet is taken for one whose server has died. */
    private static final Duration STALE = Duration.ofSeconds(60);

    private final JdbcClient sql;
    private final Clock clock;
    private final ThreadLocal<Going> going = new ThreadLocal<>();

    KeptAnswers(JdbcClient sql, Clock clock) {
        this.sql = sql;
        this.clock = clock;
    }

    /**
     * A request that may be sent again.
     *
     * @param asked what tells it from another one
     */
    record Asked(String who, String key, String asked) {}

    /** @param type of its body, {@code location} where it says what was made; empty for none */
    record Answer(int status, String type, String location, byte[] body) {
        private boolean isGood() {
            return status < 300;
        }
    }

    /** What is done under a key. */
    interface Work {
        void run() throws ServletException, IOException;
    }

    private static final class Going {
        private final Asked asked;
        private final Timestamp begun;
        private boolean done;

        Going(Asked asked, Timestamp begun) {
            this.asked = asked;
            this.begun = begun;
        }
    }

    private record Kept(
            String asked, String state, Instant begun, Integer status, Map<String, String> headers, byte[] body) {}

    /**
     * Begins a request, unless it was answered before.
     *
     * @param known whether what was done is found again by the room itself
     * @throws Refusal when its key was used for another, or is being worked on
     */
    Optional<Answer> begin(Asked asked, boolean known) {
        sql.sql("delete from kept_answer where begun_at < ?")
                .param(Timestamp.from(clock.instant().minus(KEPT)))
                .update();
        int fresh = sql.sql("insert into kept_answer (who, key, asked, state, begun_at) values (?, ?, ?, 'BEGUN', ?)"
                        + " on conflict do nothing")
                .params(asked.who(), asked.key(), asked.asked(), Timestamp.from(clock.instant()))
                .update();
        if (fresh > 0) return Optional.empty();
        Kept before = kept(asked).orElseThrow(KeptAnswers::goingOn);
        if (!before.asked().equals(asked.asked())) throw Refusal.invalid(Message.of("again.other"));
        if (before.state().equals("ANSWERED"))
            return Optional.of(new Answer(
                    before.status(),
                    before.headers().getOrDefault("type", ""),
                    before.headers().getOrDefault("location", ""),
                    before.body()));
        boolean lost = before.state().equals("LOST");
        if (!lost && before.begun().isAfter(clock.instant().minus(STALE))) throw goingOn();
        if (!before.state().equals("BEGUN") && !known) throw Refusal.conflict(Message.of("again.lost"));
        // of two that find it stale one goes on
        int taken = sql.sql("update kept_answer set begun_at = ?, state = 'BEGUN' where who = ? and key = ?"
                        + " and begun_at = ? and state <> 'ANSWERED'")
                .params(Timestamp.from(clock.instant()), asked.who(), asked.key(), Timestamp.from(before.begun()))
                .update();
        if (taken == 0) throw goingOn();
        return Optional.empty();
    }

    private static Refusal goingOn() {
        return Refusal.again(Message.of("again.going-on"), SentAgain.A_MOMENT);
    }

    private Optional<Kept> kept(Asked asked) {
        return sql.sql(
                        "select asked, state, begun_at, status, headers, body from kept_answer where who = ? and key = ?")
                .params(asked.who(), asked.key())
                .query((row, number) -> new Kept(
                        row.getString(1),
                        row.getString(2),
                        row.getTimestamp(3).toInstant(),
                        (Integer) row.getObject(4),
                        row.getString(5) == null
                                ? Map.of()
                                : Json.MAPPER.readValue(row.getString(5), new TypeReference<Map<String, String>>() {}),
                        row.getBytes(6)))
                .optional();
    }

    /** Does a request's work; what it changes first is written down together with that it was done. */
    void during(Asked asked, Work work) throws ServletException, IOException {
        Timestamp begun =
                Timestamp.from(kept(asked).orElseThrow(KeptAnswers::goingOn).begun());
        going.set(new Going(asked, begun));
        try {
            work.run();
        } finally {
            going.remove();
        }
    }

    @Override
    public void beforeCommit(TransactionExecution transaction) {
        Going now = going.get();
        if (now == null || now.done || transaction.isReadOnly() || !transaction.isNewTransaction()) return;
        int marked = sql.sql("update kept_answer set state = 'DONE' where who = ? and key = ? and begun_at = ?"
                        + " and state = 'BEGUN'")
                .params(now.asked.who(), now.asked.key(), now.begun)
                .update();
        // somebody took it for dead and has gone on with it
        if (marked == 0) throw goingOn();
        now.done = true;
    }

    /**
     * A request was worked on. What was refused before anything was done leaves its key free; what was refused afterwards is told
     * again. What the database has counts, not what was tried: a commit may have failed.
     *
     * @param answer empty for one that isn't kept
     */
    void ended(Asked asked, Optional<Answer> answer) {
        answer.ifPresent(one -> sql.sql(
                        "update kept_answer set state = 'ANSWERED', status = ?, headers = ?::jsonb, body = ?"
                                + " where who = ? and key = ? and (state = 'DONE' or ?)")
                .params(
                        one.status(),
                        Json.canonical(Map.of("type", one.type(), "location", one.location())),
                        one.body(),
                        asked.who(),
                        asked.key(),
                        one.isGood())
                .update());
        sql.sql("delete from kept_answer where who = ? and key = ? and state = 'BEGUN'")
                .params(asked.who(), asked.key())
                .update();
        sql.sql("update kept_answer set state = 'LOST' where who = ? and key = ? and state = 'DONE'")
                .params(asked.who(), asked.key())
                .update();
    }
}
