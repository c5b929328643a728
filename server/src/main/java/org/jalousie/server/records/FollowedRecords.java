package org.jalousie.server.records;

import java.sql.ResultSet;
import java.sql.SQLException;
import java.sql.Timestamp;
import java.time.Clock;
import java.time.Instant;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.jalousie.core.json.Json;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Propagation;
import org.springframework.transaction.annotation.Transactional;
import tools.jackson.core.type.TypeReference;

/** Records that something is or was done with, and which of them are to be looked at. */
@Component
class FollowedRecords {
    private final JdbcClient sql;
    private final Clock clock;

    FollowedRecords(JdbcClient sql, Clock clock) {
        this.sql = sql;
        this.clock = clock;
    }

    enum State {
        /** Not looked at yet. */
        SEEN,
        /** It can't be taken in as it is. */
        FAULTY,
        TAKEN
    }

    /**
     * What is wrong with a record.
     *
     * @param where in it, or in a row that goes with it
     * @param name of the field that it is for, {@code field} as people call it; both empty where it is about no one of them
     */
    record RecordFault(String where, String name, String field, String said) {}

    /** @param round how often an agreement was made of it */
    record Followed(
            String key, int round, State state, Optional<String> request, String agreement, List<RecordFault> faults) {}

    /** A record that is to be looked at. @param look the wish, which another one may overtake */
    record Look(String key, long look, int tries) {}

    private Timestamp now() {
        return Timestamp.from(clock.instant());
    }

    /** Records are to be looked at; each by itself, so that nobody waits for all of them. */
    public void wish(UUID system, List<String> keys) {
        for (String key : keys)
            sql.sql("insert into followed_record (system_id, key, state, look, look_at, created_at, changed_at)"
                            + " values (:system, :key, 'SEEN', true, :now, :now, :now) on conflict (system_id, key) do update"
                            + " set look = true, looks = followed_record.looks + 1, look_at = :now, tries = 0")
                    .param("system", system)
                    .param("key", key)
                    .param("now", now())
                    .update();
    }

    /** The one that waits longest. */
    Optional<Look> next(UUID system) {
        return sql.sql("select key, looks, tries from followed_record where system_id = ? and look and look_at <= ?"
                        + " order by look_at, key limit 1")
                .params(system, now())
                .query((row, number) -> new Look(row.getString(1), row.getLong(2), row.getInt(3)))
                .optional();
    }

    /** It was looked at; a wish that came meanwhile stays. */
    @Transactional(propagation = Propagation.MANDATORY)
    public void looked(UUID system, Look look) {
        sql.sql("update followed_record set look = looks <> ?, tries = 0, fault = '' where system_id = ? and key = ?")
                .params(look.look(), system, look.key())
                .update();
    }

    /** It couldn't be looked at. @param again when it is tried again; empty for not before somebody wishes it */
    @Transactional
    public void unread(UUID system, Look look, String fault, Optional<Instant> again) {
        sql.sql("update followed_record set look = look and (:again::timestamptz is not null or looks <> :look),"
                        + " look_at = coalesce(:again::timestamptz, look_at), tries = tries + 1, fault = :fault, changed_at = :now"
                        + " where system_id = :system and key = :key")
                .param("again", again.map(Timestamp::from).orElse(null))
                .param("look", look.look())
                .param("fault", fault)
                .param("now", now())
                .param("system", system)
                .param("key", look.key())
                .update();
    }

    /** As it is now, and stays until the end of the transaction. */
    @Transactional(propagation = Propagation.MANDATORY)
    public Followed locked(UUID system, String key) {
        return sql.sql("select key, round, state, request, agreement, faults from followed_record where system_id = ?"
                        + " and key = ? for update")
                .params(system, key)
                .query(FollowedRecords::followed)
                .single();
    }

    static Followed followed(ResultSet row, int number) throws SQLException {
        return new Followed(
                row.getString("key"),
                row.getInt("round"),
                State.valueOf(row.getString("state")),
                Optional.ofNullable(row.getString("request")),
                row.getString("agreement"),
                Json.MAPPER.readValue(row.getString("faults"), new TypeReference<List<RecordFault>>() {}));
    }

    @Transactional(propagation = Propagation.MANDATORY)
    public void taken(UUID system, String key, int round, String request, String agreement) {
        sql.sql("update followed_record set state = 'TAKEN', round = ?, request = ?, agreement = ?, faults = '[]',"
                        + " changed_at = ? where system_id = ? and key = ?")
                .params(round, request, agreement, now(), system, key)
                .update();
    }

    @Transactional(propagation = Propagation.MANDATORY)
    public void faulty(UUID system, String key, List<RecordFault> faults) {
        sql.sql("update followed_record set state = 'FAULTY', faults = ?::jsonb, changed_at = ?"
                        + " where system_id = ? and key = ?")
                .params(Json.MAPPER.writeValueAsString(faults), now(), system, key)
                .update();
    }

    /** Nothing was done with it and nothing is to be. */
    @Transactional(propagation = Propagation.MANDATORY)
    public void forget(UUID system, Look look) {
        sql.sql("delete from followed_record where system_id = ? and key = ? and looks = ? and round = 0")
                .params(system, look.key(), look.look())
                .update();
    }

    /** Whether anything was taken in of a record at all. */
    boolean any() {
        return sql.sql("select exists (select 1 from followed_record where request is not null)")
                .query(Boolean.class)
                .single();
    }

    /** A record that a request was taken in of. */
    record OfRequest(UUID system, String key, int round) {}

    /** Those that a request was taken in of; they stay as they are until the end of the transaction. */
    @Transactional(propagation = Propagation.MANDATORY)
    public List<OfRequest> ofRequest(String whole) {
        return sql.sql(
                        "select system_id, key, round from followed_record where request = ? order by system_id, key for update")
                .param(whole)
                .query((row, number) -> new OfRequest(row.getObject(1, UUID.class), row.getString(2), row.getInt(3)))
                .list();
    }

    @Transactional(propagation = Propagation.MANDATORY)
    public void agreement(OfRequest one, String agreement) {
        sql.sql("update followed_record set agreement = ?, changed_at = ? where system_id = ? and key = ?")
                .params(agreement, now(), one.system(), one.key())
                .update();
    }

    /** Systems that have something to be done now. */
    List<UUID> dueSystems() {
        return sql.sql("select s.id from record_system s where not s.paused and s.ended_at is null"
                        + " and s.waits_until <= :now and (s.look_at <= :now"
                        + " or exists (select 1 from followed_record r where r.system_id = s.id and r.look and r.look_at <= :now)"
                        + " or exists (select 1 from record_step p where p.system_id = s.id and p.state = 'WAITING'"
                        + " and p.next_at <= :now))")
                .param("now", now())
                .query(UUID.class)
                .list();
    }

    /** It doesn't answer as it should. @return how often that was so in a row */
    int away(UUID system, String fault) {
        return sql.sql("update record_system set failures = failures + 1, fault = ? where id = ? returning failures")
                .params(fault, system)
                .query(Integer.class)
                .single();
    }

    void waits(UUID system, Instant until) {
        sql.sql("update record_system set waits_until = ? where id = ?")
                .params(Timestamp.from(until), system)
                .update();
    }

    /** It answers, or is tried as if it did. */
    void back(UUID system) {
        sql.sql("update record_system set failures = 0, fault = '', waits_until = ? where id = ? and failures > 0")
                .params(now(), system)
                .update();
    }

    /** Its list was looked through, unless it is to be anew since. */
    void lookedThrough(RecordSystem system, Instant next) {
        sql.sql(
                        "update record_system set looked_at = ?, look_at = case when look_at = ? then ? else look_at end where id = ?")
                .params(now(), Timestamp.from(system.lookAt()), Timestamp.from(next), system.id())
                .update();
    }

    /** Whether a system is settled as it was and goes on; it stays so until the end of the transaction. */
    @Transactional(propagation = Propagation.MANDATORY)
    public boolean still(RecordSystem system) {
        return sql.sql("select count(*) from (select 1 from record_system where id = ? and revision = ? and not paused"
                                + " and ended_at is null for share) s")
                        .params(system.id(), system.revision())
                        .query(Integer.class)
                        .single()
                > 0;
    }

    /** Its list, and what couldn't be looked at, are looked at now. */
    @Transactional(propagation = Propagation.MANDATORY)
    public void lookNow(UUID system) {
        back(system);
        sql.sql("update record_system set look_at = ? where id = ?")
                .params(now(), system)
                .update();
        sql.sql("update followed_record set look = true, looks = looks + 1, look_at = ?, tries = 0 where system_id = ?"
                        + " and (look or fault <> '' or state = 'FAULTY')")
                .params(now(), system)
                .update();
    }
}
