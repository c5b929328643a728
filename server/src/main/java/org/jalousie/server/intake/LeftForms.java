package org.jalousie.server.intake;

import java.sql.Timestamp;
import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.util.Optional;
import java.util.UUID;
import org.jalousie.core.json.Json;
import org.jalousie.server.store.Secret;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Propagation;
import org.springframework.transaction.annotation.Transactional;

/** Public forms that were left and are gone on with by a mailed link, whose secret is made when the mail goes out. */
@Component
class LeftForms {
    /** How long one can go on. */
    static final Duration KEPT = Duration.ofDays(30);

    private final JdbcClient sql;
    private final Clock clock;

    LeftForms(JdbcClient sql, Clock clock) {
        this.sql = sql;
        this.clock = clock;
    }

    /** @param answers JSON of {@link FormLinkViews.LeftAnswers} */
    record Left(UUID id, UUID link, String answers, Instant until) {
        FormLinkViews.LeftAnswers read() {
            return Json.MAPPER.readValue(answers, FormLinkViews.LeftAnswers.class);
        }
    }

    /** Keeps answers as they are; returns the name of what was kept. */
    @Transactional(propagation = Propagation.MANDATORY)
    public UUID keep(UUID link, FormLinkViews.LeftAnswers answers) {
        UUID id = UUID.randomUUID();
        Instant now = clock.instant();
        sql.sql("delete from left_form where until < ?")
                .param(Timestamp.from(now))
                .update();
        sql.sql("insert into left_form (id, form_link_id, form_key, answers, language, left_at, until)"
                        + " values (?, ?, ?, ?::jsonb, ?, ?, ?)")
                .params(
                        id,
                        link,
                        answers.key(),
                        Json.canonical(answers),
                        answers.language(),
                        Timestamp.from(now),
                        Timestamp.from(now.plus(KEPT)))
                .update();
        return id;
    }

    /** From now on it is gone on with by this secret. */
    @Transactional
    public void goneOnBy(UUID id, String secretHash) {
        sql.sql("update left_form set secret_hash = ? where id = ?")
                .params(secretHash, id)
                .update();
    }

    @Transactional(readOnly = true)
    public Optional<Left> find(UUID id) {
        return sql.sql("select id, form_link_id, answers::text, until from left_form where id = ? and until > ?")
                .params(id, Timestamp.from(clock.instant()))
                .query((row, number) -> left(row))
                .optional();
    }

    @Transactional(readOnly = true)
    public Optional<Left> bySecret(String secret) {
        if (!Secret.isOne(secret)) return Optional.empty();
        return sql.sql("select id, form_link_id, answers::text, until from left_form"
                        + " where secret_hash = ? and until > ?")
                .params(Secret.hash(secret).hex(), Timestamp.from(clock.instant()))
                .query((row, number) -> left(row))
                .optional();
    }

    private static Left left(java.sql.ResultSet row) throws java.sql.SQLException {
        return new Left(
                row.getObject(1, UUID.class),
                row.getObject(2, UUID.class),
                row.getString(3),
                row.getTimestamp(4).toInstant());
    }
}
