package org.jalousie.server.signing;

import java.sql.Timestamp;
import java.time.Instant;
import java.util.Optional;
import java.util.UUID;
import org.jalousie.core.parties.IdentityCheck;
import org.jalousie.core.parties.PartyKey;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Repository;

/** Where the hashes of codes, words and browsers are kept. */
@Repository
class IdentitySecrets {
    private final JdbcClient sql;

    IdentitySecrets(JdbcClient sql) {
        this.sql = sql;
    }

    /**
     * A code that was asked for.
     *
     * @param askedBy the number of the event that asked for it
     * @param hash empty until it is sent, as {@code expiresAt}
     */
    record Code(String browserHash, int askedBy, Optional<String> hash, Optional<Instant> expiresAt) {}

    /** A new code takes the place of an earlier one. */
    void ask(UUID agreement, PartyKey party, Browser browser, int askedBy) {
        sql.sql("insert into identity_code (agreement_id, party, browser_hash, asked_by) values (?, ?, ?, ?)"
                        + " on conflict (agreement_id, party) do update set browser_hash = excluded.browser_hash,"
                        + " asked_by = excluded.asked_by, code_hash = null, expires_at = null")
                .params(agreement, party.value(), browser.hash(), askedBy)
                .update();
    }

    /** @return whether it is still the newest that was asked for */
    boolean keep(UUID agreement, PartyKey party, int askedBy, String hash, Instant expiresAt) {
        return sql.sql("update identity_code set code_hash = ?, expires_at = ?"
                                + " where agreement_id = ? and party = ? and asked_by = ?")
                        .params(hash, Timestamp.from(expiresAt), agreement, party.value(), askedBy)
                        .update()
                == 1;
    }

    Optional<Code> code(UUID agreement, PartyKey party) {
        return sql.sql("select browser_hash, asked_by, code_hash, expires_at from identity_code"
                        + " where agreement_id = ? and party = ?")
                .params(agreement, party.value())
                .query((row, number) -> new Code(
                        row.getString(1),
                        row.getInt(2),
                        Optional.ofNullable(row.getString(3)),
                        Optional.ofNullable(row.getTimestamp(4)).map(Timestamp::toInstant)))
                .optional();
    }

    /** A code is good for once. */
    void used(UUID agreement, PartyKey party) {
        sql.sql("delete from identity_code where agreement_id = ? and party = ?")
                .params(agreement, party.value())
                .update();
    }

    void shown(UUID agreement, PartyKey party, Browser browser, IdentityCheck by, Instant until) {
        sql.sql("insert into identity_shown (agreement_id, party, browser_hash, shown_by, valid_until)"
                        + " values (?, ?, ?, ?, ?) on conflict (agreement_id, party, browser_hash)"
                        + " do update set shown_by = excluded.shown_by, valid_until = excluded.valid_until")
                .params(agreement, party.value(), browser.hash(), by.name(), Timestamp.from(until))
                .update();
    }

    /** How somebody has shown in a browser who they are; empty when they haven't, or it is too long ago. */
    Optional<IdentityCheck> shownBy(UUID agreement, PartyKey party, Browser browser, Instant now) {
        return sql.sql("select shown_by from identity_shown"
                        + " where agreement_id = ? and party = ? and browser_hash = ? and valid_until > ?")
                .params(agreement, party.value(), browser.hash(), Timestamp.from(now))
                .query(String.class)
                .optional()
                .map(IdentityCheck::valueOf);
    }

    void word(UUID agreement, PartyKey party, String hash) {
        sql.sql("insert into agreed_word (agreement_id, party, word_hash) values (?, ?, ?)"
                        + " on conflict (agreement_id, party) do update set word_hash = excluded.word_hash")
                .params(agreement, party.value(), hash)
                .update();
    }

    Optional<String> word(UUID agreement, PartyKey party) {
        return sql.sql("select word_hash from agreed_word where agreement_id = ? and party = ?")
                .params(agreement, party.value())
                .query(String.class)
                .optional();
    }

    /** Who had a part hasn't any more, or is reached elsewhere. @param sameWord whether the word that was agreed on still holds */
    void forgetPerson(UUID agreement, PartyKey party, boolean sameWord) {
        for (String table : new String[] {"identity_code", "identity_shown", "agreed_word"})
            if (!sameWord || !table.equals("agreed_word"))
                sql.sql("delete from " + table + " where agreement_id = ? and party = ?")
                        .params(agreement, party.value())
                        .update();
    }

    /** Nothing of an agreement that has ended is needed any more. */
    void forget(UUID agreement) {
        for (String table : new String[] {"identity_code", "identity_shown", "agreed_word"})
            sql.sql("delete from " + table + " where agreement_id = ?")
                    .param(agreement)
                    .update();
    }
}
