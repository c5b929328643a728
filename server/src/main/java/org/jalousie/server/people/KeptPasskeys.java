package org.jalousie.server.people;

import java.sql.ResultSet;
import java.sql.SQLException;
import java.sql.Timestamp;
import java.time.Clock;
import java.time.Instant;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.jalousie.core.messages.Message;
import org.jalousie.server.Refusal;
import org.springframework.dao.DuplicateKeyException;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;

/** The public halves of people's passkeys. */
@Component
class KeptPasskeys {
    private static final String SELECT =
            "select p.id, p.account_id, a.mail, p.title, p.credential_id, p.attested, p.signatures,"
                    + " p.made_at, p.used_at from passkey p join account a on a.id = p.account_id";

    private final JdbcClient sql;
    private final Clock clock;

    KeptPasskeys(JdbcClient sql, Clock clock) {
        this.sql = sql;
        this.clock = clock;
    }

    /** @param attested the credential's id and public key, as authenticators write them (WebAuthn Level 2 § 6.5.1) */
    record Kept(
            UUID id,
            UUID account,
            String mail,
            String title,
            byte[] credential,
            byte[] attested,
            long signatures,
            Instant madeAt,
            Optional<Instant> usedAt) {}

    List<Kept> of(UUID account) {
        return sql.sql(SELECT + " where p.account_id = ? order by p.made_at, p.id")
                .param(account)
                .query((row, i) -> kept(row))
                .list();
    }

    Optional<Kept> find(byte[] credential) {
        return sql.sql(SELECT + " where p.credential_id = ?")
                .param(credential)
                .query((row, i) -> kept(row))
                .optional();
    }

    private static Kept kept(ResultSet row) throws SQLException {
        return new Kept(
                row.getObject("id", UUID.class),
                row.getObject("account_id", UUID.class),
                row.getString("mail"),
                row.getString("title"),
                row.getBytes("credential_id"),
                row.getBytes("attested"),
                row.getLong("signatures"),
                row.getTimestamp("made_at").toInstant(),
                Optional.ofNullable(row.getTimestamp("used_at")).map(Timestamp::toInstant));
    }

    /** @throws Refusal when it is kept already, for whomever */
    @Transactional
    void keep(UUID account, String title, byte[] credential, byte[] attested, long signatures) {
        try {
            sql.sql("insert into passkey (id, account_id, title, credential_id, attested, signatures, made_at)"
                            + " values (?, ?, ?, ?, ?, ?, ?)")
                    .params(
                            UUID.randomUUID(),
                            account,
                            title,
                            credential,
                            attested,
                            signatures,
                            Timestamp.from(clock.instant()))
                    .update();
        } catch (DuplicateKeyException e) {
            throw Refusal.conflict(Message.of("passkey.twice"));
        }
    }

    /**
     * It was used once more. Two at once with the same count: one of them is a copy (WebAuthn Level 2 § 6.1.1).
     *
     * @param signatures as the device counts them; 0 where it doesn't
     */
    @Transactional
    void used(Kept passkey, long signatures) {
        int first = sql.sql("update passkey set signatures = ?, used_at = ? where id = ? and signatures = ?")
                .params(signatures, Timestamp.from(clock.instant()), passkey.id(), passkey.signatures())
                .update();
        if (first == 0) throw Refusal.invalid(Message.of("passkey.wrong"));
    }

    /** @return its title; empty when it isn't theirs */
    @Transactional
    Optional<String> remove(UUID account, UUID id) {
        return sql.sql("delete from passkey where account_id = ? and id = ? returning title")
                .params(account, id)
                .query(String.class)
                .optional();
    }
}
