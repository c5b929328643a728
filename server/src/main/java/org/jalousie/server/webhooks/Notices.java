package org.jalousie.server.webhooks;

import io.swagger.v3.oas.annotations.media.Schema;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.sql.Timestamp;
import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Collection;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import java.util.stream.Collectors;
import org.jalousie.core.programs.CloudEvent;
import org.jalousie.core.programs.NoticeKind;
import org.jalousie.server.web.Page;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Propagation;
import org.springframework.transaction.annotation.Transactional;

/** Notices with what became of them. */
@Component
class Notices {
    /** One that wasn't taken for so long is given up, however few tries it had. */
    private static final Duration GIVEN_UP_AFTER = Duration.ofDays(4);

    private static final Duration KEPT = Duration.ofDays(90);

    private final JdbcClient sql;
    private final Clock clock;

    Notices(JdbcClient sql, Clock clock) {
        this.sql = sql;
        this.clock = clock;
    }

    enum State {
        WAITING,
        TAKEN,
        GIVEN_UP
    }

    /** @param number in the order in which they came about */
    record SentNotice(
            UUID id,
            long number,
            NoticeKind kind,
            String subject,
            Instant createdAt,
            State state,
            int tries,
            Instant nextAt) {}

    /** A notice to be sent. @param tries how often it was */
    record Due(UUID id, String body, int tries) {}

    /**
     * One try.
     *
     * @param status of the answer; null when there was none
     * @param fault why there was none; empty where there was one
     * @param answer the beginning of what was answered
     */
    record NoticeTry(
            Instant at, @Schema(types = {"integer", "null"}) Integer status, String fault, String answer, int tookMs) {
        boolean taken() {
            return status != null && status >= 200 && status < 300;
        }
    }

    @Transactional(propagation = Propagation.MANDATORY)
    public void write(UUID webhook, CloudEvent event) {
        Timestamp now = Timestamp.from(clock.instant());
        sql.sql("insert into webhook_notice (id, webhook_id, kind, subject, body, created_at, asked_at, state, tries,"
                        + " next_at) values (?, ?, ?, ?, ?, ?, ?, 'WAITING', 0, ?)")
                .params(event.id(), webhook, event.kind().name(), event.subject(), event.json(), now, now, now)
                .update();
    }

    /** Webhooks that have something to send now. */
    List<UUID> due() {
        return sql.sql("select w.id from webhook w where not w.paused and w.ended_at is null and w.waits_until <= :now"
                        + " and exists (select 1 from webhook_notice n where n.webhook_id = w.id and n.state = 'WAITING'"
                        + " and n.next_at <= :now)")
                .param("now", Timestamp.from(clock.instant()))
                .query(UUID.class)
                .list();
    }

    /** The oldest that is to be sent now. */
    Optional<Due> next(UUID webhook) {
        return sql.sql("select id, body, tries from webhook_notice where webhook_id = ? and state = 'WAITING'"
                        + " and next_at <= ? order by number limit 1")
                .params(webhook, Timestamp.from(clock.instant()))
                .query((row, number) -> new Due(row.getObject(1, UUID.class), row.getString(2), row.getInt(3)))
                .optional();
    }

    /** Notes a try. @param nextAt when the next one is; empty when it was taken, or is given up */
    @Transactional
    public void tried(Due notice, NoticeTry tried, State state, Optional<Instant> nextAt) {
        int number = sql.sql("select coalesce(max(number), 0) + 1 from webhook_try where notice_id = ?")
                .param(notice.id())
                .query(Integer.class)
                .single();
        sql.sql("insert into webhook_try (notice_id, number, at, status, fault, answer, took_ms)"
                        + " values (?, ?, ?, ?, ?, ?, ?)")
                .params(
                        notice.id(),
                        number,
                        Timestamp.from(tried.at()),
                        tried.status(),
                        tried.fault(),
                        tried.answer(),
                        tried.tookMs())
                .update();
        // one that was given up meanwhile stays so, unless it was taken after all
        sql.sql("update webhook_notice set state = ?, tries = tries + 1, next_at = coalesce(?, next_at) where id = ?"
                        + (state == State.TAKEN ? "" : " and state = 'WAITING'"))
                .params(state.name(), nextAt.map(Timestamp::from).orElse(null), notice.id())
                .update();
    }

    /** Its program doesn't answer at all: nothing is sent before. @return how often that was so in a row */
    int away(UUID webhook) {
        return sql.sql("update webhook set failures = failures + 1 where id = ? returning failures")
                .param(webhook)
                .query(Integer.class)
                .single();
    }

    void waits(UUID webhook, Instant until) {
        sql.sql("update webhook set waits_until = ? where id = ?")
                .params(Timestamp.from(until), webhook)
                .update();
    }

    /** It answers, or is tried as if it did. */
    void back(UUID webhook) {
        sql.sql("update webhook set failures = 0, waits_until = ? where id = ? and failures > 0")
                .params(Timestamp.from(clock.instant()), webhook)
                .update();
    }

    /** Gives up what was tried in vain for too long. */
    void giveUpOld() {
        sql.sql(
                        "update webhook_notice n set state = 'GIVEN_UP' from webhook w where w.id = n.webhook_id and not w.paused"
                                + " and n.state = 'WAITING' and n.asked_at < ? and n.tries > 0")
                .param(Timestamp.from(clock.instant().minus(GIVEN_UP_AFTER)))
                .update();
    }

    /** Forgets what was settled long ago. */
    void sweep() {
        sql.sql("delete from webhook_notice where state <> 'WAITING' and created_at < ?")
                .param(Timestamp.from(clock.instant().minus(KEPT)))
                .update();
    }

    /** What waited while it was paused is tried as if it had come about now. */
    @Transactional(propagation = Propagation.MANDATORY)
    public void goOn(UUID webhook) {
        back(webhook);
        sql.sql("update webhook_notice set asked_at = ? where webhook_id = ? and state = 'WAITING'")
                .params(Timestamp.from(clock.instant()), webhook)
                .update();
    }

    /** Sends notices once more, as if they had never been tried. @param notice null for all that were given up */
    @Transactional(propagation = Propagation.MANDATORY)
    public int again(UUID webhook, UUID notice) {
        Timestamp now = Timestamp.from(clock.instant());
        return sql.sql("update webhook_notice set state = 'WAITING', tries = 0, next_at = :now, asked_at = :now"
                        + " where webhook_id = :webhook and "
                        + (notice == null ? "state = 'GIVEN_UP'" : "id = :notice"))
                .param("now", now)
                .param("webhook", webhook)
                .param("notice", notice)
                .update();
    }

    /** Nothing of it is sent any more. */
    @Transactional(propagation = Propagation.MANDATORY)
    public void giveUp(UUID webhook) {
        sql.sql("update webhook_notice set state = 'GIVEN_UP' where webhook_id = ? and state = 'WAITING'")
                .param(webhook)
                .update();
    }

    private static SentNotice notice(ResultSet row, int number) throws SQLException {
        return new SentNotice(
                row.getObject(1, UUID.class),
                row.getLong(2),
                NoticeKind.valueOf(row.getString(3)),
                row.getString(4),
                row.getTimestamp(5).toInstant(),
                State.valueOf(row.getString(6)),
                row.getInt(7),
                row.getTimestamp(8).toInstant());
    }

    private static final String COLUMNS = "select id, number, kind, subject, created_at, state, tries, next_at";

    /** The newest first. @param state empty for all */
    Page<SentNotice> list(UUID webhook, Optional<State> state, int page) {
        String where = " from webhook_notice where webhook_id = ?" + (state.isPresent() ? " and state = ?" : "");
        List<Object> given = new ArrayList<>(List.of(webhook));
        state.ifPresent(one -> given.add(one.name()));
        long all = sql.sql("select count(*)" + where)
                .params(given)
                .query(Long.class)
                .single();
        List<Object> paged = new ArrayList<>(given);
        paged.add(Page.SIZE);
        paged.add(Page.request(page).getOffset());
        return new Page<>(
                sql.sql(COLUMNS + where + " order by number desc limit ? offset ?")
                        .params(paged)
                        .query(Notices::notice)
                        .list(),
                all,
                page,
                Page.SIZE);
    }

    Optional<SentNotice> notice(UUID webhook, UUID id) {
        return sql.sql(COLUMNS + " from webhook_notice where webhook_id = ? and id = ?")
                .params(webhook, id)
                .query(Notices::notice)
                .optional();
    }

    /** What is sent. */
    String body(UUID id) {
        return sql.sql("select body from webhook_notice where id = ?")
                .param(id)
                .query(String.class)
                .single();
    }

    /** The newest first, a hundred at most. */
    List<NoticeTry> tries(UUID id) {
        return sql.sql("select at, status, fault, answer, took_ms from webhook_try where notice_id = ?"
                        + " order by number desc limit 100")
                .param(id)
                .query((row, number) -> new NoticeTry(
                        row.getTimestamp(1).toInstant(),
                        (Integer) row.getObject(2),
                        row.getString(3),
                        row.getString(4),
                        row.getInt(5)))
                .list();
    }

    /** How many wait to be taken, and how many were given up. */
    record Open(long waiting, long givenUp) {
        static final Open NONE = new Open(0, 0);
    }

    /** By webhook; nothing for those of which all is taken. */
    Map<UUID, Open> open(Collection<UUID> webhooks) {
        if (webhooks.isEmpty()) return Map.of();
        return sql
                .sql(
                        "select webhook_id, count(*) filter (where state = 'WAITING'), count(*) filter (where state = 'GIVEN_UP')"
                                + " from webhook_notice where webhook_id in (:webhooks) and state in ('WAITING', 'GIVEN_UP')"
                                + " group by webhook_id")
                .param("webhooks", webhooks)
                .query((row, number) ->
                        Map.entry(row.getObject(1, UUID.class), new Open(row.getLong(2), row.getLong(3))))
                .list()
                .stream()
                .collect(Collectors.toMap(Map.Entry::getKey, Map.Entry::getValue));
    }
}
