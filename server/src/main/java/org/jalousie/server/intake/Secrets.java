package org.jalousie.server.intake;

import java.security.SecureRandom;
import java.sql.Timestamp;
import java.time.Clock;
import java.util.Optional;
import java.util.UUID;
import org.jalousie.server.store.Secret;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Propagation;
import org.springframework.transaction.annotation.Transactional;

/** Secrets by which who asked comes back: 256 random bits each, kept as a hash. */
@Component
class Secrets {
    private final JdbcClient sql;
    private final Clock clock;
    private final SecureRandom random = new SecureRandom();

    Secrets(JdbcClient sql, Clock clock) {
        this.sql = sql;
        this.clock = clock;
    }

    String fresh() {
        return Secret.random(random);
    }

    /** A new secret to look up a request; those before it hold too. */
    @Transactional(propagation = Propagation.REQUIRED)
    public String ofRequest(UUID request) {
        String secret = fresh();
        sql.sql("insert into request_link (secret_hash, request_id, created_at) values (?, ?, ?)")
                .params(Secret.hash(secret).hex(), request, Timestamp.from(clock.instant()))
                .update();
        return secret;
    }

    /** Whose request a secret looks up. */
    @Transactional(readOnly = true)
    public Optional<UUID> request(String secret) {
        if (!Secret.isOne(secret)) return Optional.empty();
        return sql.sql("select request_id from request_link where secret_hash = ?")
                .param(Secret.hash(secret).hex())
                .query(UUID.class)
                .optional();
    }
}
