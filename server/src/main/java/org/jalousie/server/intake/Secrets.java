package org.jalousie.server.intake;

import java.nio.charset.StandardCharsets;
import java.security.SecureRandom;
import java.sql.Timestamp;
import java.time.Clock;
import java.util.Base64;
import java.util.Optional;
import java.util.UUID;
import java.util.regex.Pattern;
import org.jalousie.core.data.Sha256;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Propagation;
import org.springframework.transaction.annotation.Transactional;

/** Secrets by which who asked comes back: 256 random bits each, kept as a hash. */
@Component
class Secrets {
    private static final Pattern SECRET = Pattern.compile("[A-Za-z0-9_-]{43}");

    private final JdbcClient sql;
    private final Clock clock;
    private final SecureRandom random = new SecureRandom();

    Secrets(JdbcClient sql, Clock clock) {
        this.sql = sql;
        this.clock = clock;
    }

    static boolean isOne(String text) {
        return SECRET.matcher(text).matches();
    }

    static String hash(String secret) {
        return Sha256.of(secret.getBytes(StandardCharsets.US_ASCII)).hex();
    }

    String fresh() {
        byte[] secret = new byte[32];
        random.nextBytes(secret);
        return Base64.getUrlEncoder().withoutPadding().encodeToString(secret);
    }

    /** A new secret to look up a request; those before it hold too. */
    @Transactional(propagation = Propagation.REQUIRED)
    public String ofRequest(UUID request) {
        String secret = fresh();
        sql.sql("insert into request_link (secret_hash, request_id, created_at) values (?, ?, ?)")
                .params(hash(secret), request, Timestamp.from(clock.instant()))
                .update();
        return secret;
    }

    /** Whose request a secret looks up. */
    @Transactional(readOnly = true)
    public Optional<UUID> request(String secret) {
        if (!isOne(secret)) return Optional.empty();
        return sql.sql("select request_id from request_link where secret_hash = ?")
                .param(hash(secret))
                .query(UUID.class)
                .optional();
    }
}
