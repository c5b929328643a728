package org.jalousie.server.people;

import java.security.SecureRandom;
import java.sql.Timestamp;
import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import java.util.concurrent.CompletableFuture;
import org.jalousie.core.access.PasswordRule;
import org.jalousie.core.letters.RequestLetter;
import org.jalousie.core.messages.Message;
import org.jalousie.server.Refusal;
import org.jalousie.server.Settings;
import org.jalousie.server.store.RowLock;
import org.jalousie.server.store.Secret;
import org.jalousie.server.web.Attempts;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.security.crypto.password.PasswordEncoder;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Propagation;
import org.springframework.transaction.annotation.Transactional;
import org.springframework.transaction.support.TransactionTemplate;

/** Ways in that are mailed: for who was invited, and for who has forgotten the password. */
@Service
class EntryLinks {
    private static final Logger LOG = LoggerFactory.getLogger(EntryLinks.class);

    static final Duration INVITATION = Duration.ofDays(7);
    static final Duration FORGOTTEN = Duration.ofHours(1);

    private static final int LONGEST = 300;

    private final Accounts accounts;
    private final SignIns signIns;
    private final LiveSessions sessions;
    private final RowLock lock;
    private final PasswordEncoder encoder;
    private final Attempts attempts;
    private final Settings settings;
    private final TransactionTemplate transaction;
    private final JdbcClient sql;
    private final Clock clock;
    private final SecureRandom random = new SecureRandom();

    EntryLinks(
            Accounts accounts,
            SignIns signIns,
            LiveSessions sessions,
            RowLock lock,
            PasswordEncoder encoder,
            Attempts attempts,
            Settings settings,
            TransactionTemplate transaction,
            JdbcClient sql,
            Clock clock) {
        this.accounts = accounts;
        this.signIns = signIns;
        this.sessions = sessions;
        this.lock = lock;
        this.encoder = encoder;
        this.attempts = attempts;
        this.settings = settings;
        this.transaction = transaction;
        this.sql = sql;
        this.clock = clock;
    }

    /** @param joined whether they have been in before */
    record MailedWayIn(String mail, String name, String office, boolean joined) {}

    /** A new way in, besides those that were mailed before: a mail may come twice. @return its secret, which is kept nowhere */
    @Transactional(propagation = Propagation.MANDATORY)
    String fresh(UUID account, Duration open) {
        String secret = Secret.random(random);
        Instant now = clock.instant();
        sql.sql("delete from account_link where account_id = ? and ends_at <= ?")
                .params(account, Timestamp.from(now))
                .update();
        sql.sql("insert into account_link (secret_hash, account_id, made_at, ends_at) values (?, ?, ?, ?)")
                .params(Secret.hash(secret).hex(), account, Timestamp.from(now), Timestamp.from(now.plus(open)))
                .update();
        return secret;
    }

    /** None that was mailed leads in any more. */
    @Transactional(propagation = Propagation.MANDATORY)
    void end(UUID account) {
        sql.sql("delete from account_link where account_id = ?").param(account).update();
    }

    /** Mails a way in, where there is such an account. It takes as long where there is none, since nobody waits for it. */
    void forgotten(String mail, String from) {
        String typed = mail.strip().toLowerCase(Locale.ROOT);
        if (typed.isEmpty() || typed.length() > LONGEST) return;
        attempts.mailed(from, typed);
        CompletableFuture.runAsync(() -> transaction.executeWithoutResult(status -> mailWayIn(typed)))
                .exceptionally(fault -> {
                    LOG.warn("a way in was not mailed: {}", fault.getClass().getSimpleName());
                    return null;
                });
    }

    private void mailWayIn(String mail) {
        accounts.findByMail(mail)
                .filter(one -> one.closedAt().isEmpty())
                .ifPresent(one -> signIns.tell(
                        one,
                        one.joinedAt().isPresent()
                                ? RequestLetter.About.ACCOUNT_FORGOTTEN
                                : RequestLetter.About.ACCOUNT_INVITED));
    }

    /** @throws Refusal when it leads in no more */
    @Transactional(readOnly = true)
    MailedWayIn look(String secret) {
        Account account = whose(secret).orElseThrow(EntryLinks::over);
        return new MailedWayIn(
                account.mail(),
                account.name(),
                settings.office().name(),
                account.joinedAt().isPresent());
    }

    /**
     * Sets a password by a way in, which and all others then lead in no more; sessions that there were end.
     *
     * @throws Refusal when it leads in no more, or the password is none
     */
    @Transactional
    Account comeIn(String secret, String password) {
        Account account = lock.on(whose(secret).orElseThrow(EntryLinks::over));
        // another one may have come by it while this one waited
        if (whose(secret).isEmpty()) throw over();
        choose(account, password, "");
        return account;
    }

    /**
     * Sets somebody's password. Mailed ways in end.
     *
     * @param here the session that stays; empty for none
     * @throws Refusal naming what is wrong with the password
     */
    @Transactional(propagation = Propagation.MANDATORY)
    void choose(Account account, String password, String here) {
        PasswordRule.fault(
                        password,
                        List.of(
                                account.name(),
                                account.mail(),
                                settings.office().name(),
                                "jalousie"))
                .ifPresent(fault -> {
                    throw Refusal.invalid(fault, Map.of("password", fault));
                });
        boolean joined = account.joinedAt().isPresent();
        account.password(encoder.encode(password), clock.instant());
        end(account.id());
        sessions.endOthers(account.mail(), here);
        if (joined) signIns.tell(account, RequestLetter.About.ACCOUNT_PASSWORD);
    }

    private Optional<Account> whose(String secret) {
        if (!Secret.isOne(secret)) return Optional.empty();
        return sql.sql("select account_id from account_link where secret_hash = ? and ends_at > ?")
                .params(Secret.hash(secret).hex(), Timestamp.from(clock.instant()))
                .query(UUID.class)
                .optional()
                .flatMap(accounts::findById)
                .filter(one -> one.closedAt().isEmpty());
    }

    private static Refusal over() {
        return Refusal.of(Refusal.Kind.GONE, Message.of("account.way-over"));
    }
}
