package org.jalousie.server.programs;

import java.nio.charset.StandardCharsets;
import java.security.SecureRandom;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.sql.Timestamp;
import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.util.Collection;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import java.util.stream.Collectors;
import org.jalousie.core.json.Json;
import org.jalousie.core.programs.ProgramTerms;
import org.jalousie.server.store.Secret;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;

/** The keys of programs. One that is sent along is kept as a hash; one that requests are signed with has to be known as it is. */
@Component
class ProgramKeys {
    /** Replays of a signed request are told for longer than its signature holds. */
    private static final Duration NONCES = Duration.ofMinutes(30);

    private final JdbcClient sql;
    private final Clock clock;
    private final SecureRandom random = new SecureRandom();

    ProgramKeys(JdbcClient sql, Clock clock) {
        this.sql = sql;
        this.clock = clock;
    }

    enum Kind {
        /** Sent along with each request (RFC 6750). */
        BEARER,
        /** Each request is signed with it (RFC 9421, hmac-sha256). */
        SIGNING
    }

    /** @param ending the last letters of its secret, to tell keys apart */
    record Key(
            UUID id,
            UUID program,
            Kind kind,
            String ending,
            String createdBy,
            Instant createdAt,
            Optional<Instant> endsAt,
            Optional<Instant> lastUsedAt) {
        boolean holds(Instant now) {
            return endsAt.filter(end -> !end.isAfter(now)).isEmpty();
        }
    }

    /** A key with its secret, which is told this once. */
    record Fresh(UUID id, String secret) {}

    /** A key that a request came with, and whose it is. */
    record Known(UUID key, UUID program, String title, ProgramTerms terms, byte[] secret) {}

    private static Key key(ResultSet row, int number) throws SQLException {
        return new Key(
                row.getObject(1, UUID.class),
                row.getObject(2, UUID.class),
                Kind.valueOf(row.getString(3)),
                row.getString(4),
                row.getString(5),
                row.getTimestamp(6).toInstant(),
                Optional.ofNullable(row.getTimestamp(7)).map(Timestamp::toInstant),
                Optional.ofNullable(row.getTimestamp(8)).map(Timestamp::toInstant));
    }

    /** By their programs, the newest first. */
    Map<UUID, List<Key>> of(Collection<UUID> programs) {
        if (programs.isEmpty()) return Map.of();
        return sql
                .sql("select id, program_id, kind, ending, created_by, created_at, ends_at, last_used_at"
                        + " from program_key where program_id in (:programs) order by created_at desc, id")
                .param("programs", programs)
                .query(ProgramKeys::key)
                .list()
                .stream()
                .collect(Collectors.groupingBy(Key::program));
    }

    Fresh make(UUID program, Kind kind, String by) {
        UUID id = UUID.randomUUID();
        String secret = Secret.random(random);
        sql.sql("insert into program_key (id, program_id, kind, secret_hash, secret, ending, created_by, created_at)"
                        + " values (?, ?, ?, ?, ?, ?, ?, ?)")
                .params(
                        id,
                        program,
                        kind.name(),
                        kind == Kind.BEARER ? Secret.hash(secret).hex() : null,
                        kind == Kind.SIGNING ? secret : null,
                        secret.substring(secret.length() - 4),
                        by,
                        Timestamp.from(clock.instant()))
                .update();
        return new Fresh(id, secret);
    }

    /** Lets keys of a kind end; one that ends sooner stays so. */
    void end(UUID program, Kind kind, UUID but, Instant when) {
        sql.sql("update program_key set ends_at = least(coalesce(ends_at, ?), ?) where program_id = ? and kind = ?"
                        + " and id <> ?")
                .params(Timestamp.from(when), Timestamp.from(when), program, kind.name(), but)
                .update();
    }

    /** Ends a key now. @return whether there is one */
    boolean end(UUID program, UUID key) {
        Timestamp now = Timestamp.from(clock.instant());
        return sql.sql(
                                "update program_key set ends_at = least(coalesce(ends_at, ?), ?) where program_id = ? and id = ?")
                        .params(now, now, program, key)
                        .update()
                > 0;
    }

    /** Whose key it is that was sent along. */
    Optional<Known> bySecret(String secret) {
        if (!Secret.isOne(secret)) return Optional.empty();
        return known(
                "k.kind = 'BEARER' and k.secret_hash = ?", Secret.hash(secret).hex());
    }

    /** A key that requests are signed with. @param id as the signature names it */
    Optional<Known> signing(String id) {
        try {
            return known("k.kind = 'SIGNING' and k.id = ?", UUID.fromString(id));
        } catch (IllegalArgumentException e) {
            return Optional.empty();
        }
    }

    private Optional<Known> known(String condition, Object by) {
        return sql.sql("select k.id, p.id, p.title, p.terms, k.secret from program_key k"
                        + " join program p on p.id = k.program_id where " + condition
                        + " and p.ended_at is null and (k.ends_at is null or k.ends_at > ?)")
                .params(by, Timestamp.from(clock.instant()))
                .query((row, number) -> new Known(
                        row.getObject(1, UUID.class),
                        row.getObject(2, UUID.class),
                        row.getString(3),
                        Json.MAPPER.readValue(row.getString(4), ProgramTerms.class),
                        Optional.ofNullable(row.getString(5)).orElse("").getBytes(StandardCharsets.US_ASCII)))
                .optional();
    }

    /** Notes that a request with this nonce came. @return false when one did before */
    boolean first(UUID key, String nonce) {
        Instant now = clock.instant();
        sql.sql("delete from program_nonce where at < ?")
                .param(Timestamp.from(now.minus(NONCES)))
                .update();
        return sql.sql("insert into program_nonce (key_id, nonce, at) values (?, ?, ?) on conflict do nothing")
                        .params(key, nonce, Timestamp.from(now))
                        .update()
                > 0;
    }

    /**
     * Takes one from what a program may ask, which fills up by the minute; the same for all servers.
     *
     * @return how long to wait; nothing when it may ask now
     */
    Optional<Duration> take(UUID program, int perMinute) {
        String now = "least(:most, allowance + greatest(0, extract(epoch from (:now - allowance_at))) * :most / 60.0)";
        int taken = sql.sql("update program set allowance = " + now + " - 1, allowance_at = :now where id = :id and "
                        + now + " >= 1")
                .param("most", (double) perMinute)
                .param("now", Timestamp.from(clock.instant()))
                .param("id", program)
                .update();
        return taken > 0 ? Optional.empty() : Optional.of(Duration.ofSeconds(Math.max(1, 60 / perMinute)));
    }
}
