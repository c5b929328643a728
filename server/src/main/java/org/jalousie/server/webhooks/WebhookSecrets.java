package org.jalousie.server.webhooks;

import java.nio.charset.StandardCharsets;
import java.security.SecureRandom;
import java.sql.Timestamp;
import java.time.Clock;
import java.time.Instant;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import org.jalousie.server.store.Secret;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;

/** What notices are signed with. While one takes another's place each notice carries both signatures, so that none is lost. */
@Component
class WebhookSecrets {
    private final JdbcClient sql;
    private final Clock clock;
    private final SecureRandom random = new SecureRandom();

    WebhookSecrets(JdbcClient sql, Clock clock) {
        this.sql = sql;
        this.clock = clock;
    }

    /** @param ending its last letters, to tell secrets apart */
    record Held(UUID id, String ending, Instant createdAt, Optional<Instant> endsAt) {}

    /** A secret with what it says, which is told this once. */
    record Fresh(UUID id, String secret) {}

    Fresh make(UUID webhook) {
        Fresh fresh = new Fresh(UUID.randomUUID(), Secret.random(random));
        sql.sql("insert into webhook_secret (id, webhook_id, secret, created_at) values (?, ?, ?, ?)")
                .params(fresh.id(), webhook, fresh.secret(), Timestamp.from(clock.instant()))
                .update();
        return fresh;
    }

    /** Lets all but one end; one that ends sooner stays so. */
    void endOthers(UUID webhook, UUID but, Instant when) {
        sql.sql("update webhook_secret set ends_at = least(coalesce(ends_at, ?), ?) where webhook_id = ? and id <> ?")
                .params(Timestamp.from(when), Timestamp.from(when), webhook, but)
                .update();
    }

    /** Those that sign now, the newest first. */
    List<Held> of(UUID webhook) {
        return sql.sql("select id, right(secret, 4), created_at, ends_at from webhook_secret where webhook_id = ?"
                        + " and (ends_at is null or ends_at > ?) order by created_at desc, id")
                .params(webhook, Timestamp.from(clock.instant()))
                .query((row, number) -> new Held(
                        row.getObject(1, UUID.class),
                        row.getString(2),
                        row.getTimestamp(3).toInstant(),
                        Optional.ofNullable(row.getTimestamp(4)).map(Timestamp::toInstant)))
                .list();
    }

    /** The bytes to sign with, by the keys' ids. */
    Map<String, byte[]> signing(UUID webhook) {
        Map<String, byte[]> all = new LinkedHashMap<>();
        sql.sql("select id, secret from webhook_secret where webhook_id = ? and (ends_at is null or ends_at > ?)"
                        + " order by created_at desc, id")
                .params(webhook, Timestamp.from(clock.instant()))
                .query((row, number) ->
                        all.put(row.getString(1), row.getString(2).getBytes(StandardCharsets.US_ASCII)))
                .list();
        return all;
    }
}
