package org.jalousie.server.people;

import java.sql.Timestamp;
import java.time.Clock;
import java.util.Locale;
import java.util.Optional;
import java.util.UUID;
import org.jalousie.server.adapters.IdentityProvider;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;

/** Whose account it is that an identity provider has proven somebody to be. */
@Component
class ProvenPeople {
    private final Accounts accounts;
    private final JdbcClient sql;
    private final Clock clock;

    ProvenPeople(Accounts accounts, JdbcClient sql, Clock clock) {
        this.accounts = accounts;
        this.sql = sql;
        this.clock = clock;
    }

    /**
     * Their account here: the one that they came to before, else the one of their address. Which one it is stays so: who gets
     * somebody else's address one day doesn't get their account.
     *
     * @return their mail address here; empty for who has no account, or a closed one
     */
    @Transactional
    Optional<String> whose(IdentityProvider.Proven proven) {
        Optional<UUID> before = sql.sql("select account_id from identity where issuer = ? and subject = ?")
                .params(proven.issuer(), proven.subject())
                .query(UUID.class)
                .optional();
        if (before.isPresent())
            return before.flatMap(accounts::findById)
                    .filter(ProvenPeople::isOpen)
                    .map(Account::mail);
        if (proven.mail().isBlank()) return Optional.empty();
        return accounts.lockByMail(proven.mail().strip().toLowerCase(Locale.ROOT))
                .filter(ProvenPeople::isOpen)
                .filter(one -> isTheirs(one, proven))
                .map(Account::mail);
    }

    /** Of one provider, an account belongs to one person, who may have come in another window meanwhile. */
    private boolean isTheirs(Account account, IdentityProvider.Proven proven) {
        Optional<String> known = sql.sql("select subject from identity where issuer = ? and account_id = ?")
                .params(proven.issuer(), account.id())
                .query(String.class)
                .optional();
        if (known.isPresent()) return known.get().equals(proven.subject());
        sql.sql("insert into identity (issuer, subject, account_id, made_at) values (?, ?, ?, ?)")
                .params(proven.issuer(), proven.subject(), account.id(), Timestamp.from(clock.instant()))
                .update();
        return true;
    }

    private static boolean isOpen(Account account) {
        return account.closedAt().isEmpty();
    }
}
