package org.jalousie.server.people;

import java.security.SecureRandom;
import java.time.Clock;
import java.time.Instant;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import java.util.function.Consumer;
import java.util.stream.Stream;
import org.jalousie.core.access.RecoveryCode;
import org.jalousie.core.access.TimedCode;
import org.jalousie.core.letters.RequestLetter;
import org.jalousie.core.messages.Message;
import org.jalousie.server.Refusal;
import org.jalousie.server.store.RowLock;
import org.jalousie.server.web.Attempts;
import org.springframework.security.crypto.password.PasswordEncoder;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/**
 * What people change about how they come in. Who has a password says it with each change, so that an unwatched session isn't
 * enough; and each is told by mail.
 */
@Service
class OwnAccounts {
    private final Accounts accounts;
    private final Factors factors;
    private final KeptPasskeys passkeys;
    private final SignIns signIns;
    private final EntryLinks links;
    private final LiveSessions sessions;
    private final PasswordEncoder encoder;
    private final Attempts attempts;
    private final RowLock lock;
    private final Clock clock;
    private final SecureRandom random = new SecureRandom();

    OwnAccounts(
            Accounts accounts,
            Factors factors,
            KeptPasskeys passkeys,
            SignIns signIns,
            EntryLinks links,
            LiveSessions sessions,
            PasswordEncoder encoder,
            Attempts attempts,
            RowLock lock,
            Clock clock) {
        this.accounts = accounts;
        this.factors = factors;
        this.passkeys = passkeys;
        this.signIns = signIns;
        this.links = links;
        this.sessions = sessions;
        this.encoder = encoder;
        this.attempts = attempts;
        this.lock = lock;
        this.clock = clock;
    }

    /** @param here the session that asks, {@code place} whether a passkey can be made at this address */
    OwnViews.OwnAccount show(String mail, String here, boolean place) {
        Account account = of(mail);
        return new OwnViews.OwnAccount(
                account.mail(),
                account.name(),
                account.roles(),
                account.passwordHash().isPresent(),
                account.oneTimeSince().orElse(null),
                factors.recoveryCodes(account.id()),
                passkeys.of(account.id()).stream()
                        .map(one -> new OwnViews.PasskeyView(
                                one.id(),
                                one.title(),
                                one.madeAt(),
                                one.usedAt().orElse(null)))
                        .toList(),
                place,
                needsFactor(account),
                sessions.of(mail, here).stream()
                        .map(PeopleViews.SessionView::of)
                        .toList());
    }

    private boolean needsFactor(Account account) {
        return account.roles().stream().anyMatch(factors.neededBy()::contains);
    }

    Account of(String mail) {
        return accounts.findByMail(mail).orElseThrow(() -> Refusal.unauthorized(Message.of("account.sign-in")));
    }

    /** Whose account it is, who has just said their password where they have one. */
    Account confirmed(String mail, String password, String from) {
        Account account = of(mail);
        if (account.passwordHash().isEmpty()) return account;
        Message wrong = Message.of("account.password-wrong");
        if (password.length() > 300) throw Refusal.invalid(wrong, Map.of("current", wrong));
        Attempts.Attempt attempt = attempts.signIn(from, mail);
        if (!encoder.matches(password, account.passwordHash().get()))
            throw Refusal.invalid(wrong, Map.of("current", wrong));
        attempt.succeeded();
        return account;
    }

    /** Another password; they are signed out everywhere but here. */
    @Transactional
    void choosePassword(Account account, String chosen, String here) {
        links.choose(lock.on(accounts.findById(account.id()).orElseThrow()), chosen, here);
    }

    /** A secret that a device is given. It counts once the device has shown a code of it. */
    String freshSecret() {
        return TimedCode.secret(random);
    }

    /** From now on codes of a device are asked for. @param here the session that asks @throws Refusal when the code isn't one of it */
    @Transactional
    OwnViews.RecoveryCodes takeCode(String mail, String secret, String typed, String here) {
        Instant now = clock.instant();
        Message wrong = Message.of("account.code-wrong");
        long step =
                TimedCode.step(secret, typed, now, 0).orElseThrow(() -> Refusal.invalid(wrong, Map.of("code", wrong)));
        Account account = lock.on(of(mail));
        account.oneTime(secret, step, now);
        account.changed();
        return factorAdded(account, here);
    }

    /** @param keep keeps it, {@code here} the session that asks */
    @Transactional
    OwnViews.RecoveryCodes addPasskey(String mail, Consumer<Account> keep, String here) {
        Account account = lock.on(of(mail));
        keep.accept(account);
        account.joined(clock.instant());
        account.changed();
        return factorAdded(account, here);
    }

    /** Elsewhere they have shown less than is asked for from now on. */
    private OwnViews.RecoveryCodes factorAdded(Account account, String here) {
        sessions.endOthers(account.mail(), here);
        signIns.tell(account, RequestLetter.About.ACCOUNT_FACTOR);
        return factors.recoveryCodes(account.id()) > 0 ? new OwnViews.RecoveryCodes(List.of()) : freshCodes(account);
    }

    private OwnViews.RecoveryCodes freshCodes(Account account) {
        List<RecoveryCode> codes = Stream.generate(() -> RecoveryCode.random(random))
                .limit(RecoveryCode.MANY)
                .toList();
        factors.keepRecoveryCodes(account.id(), codes);
        return new OwnViews.RecoveryCodes(codes.stream().map(RecoveryCode::text).toList());
    }

    /** New ones; those from before hold no more. @throws Refusal for who needs none */
    @Transactional
    OwnViews.RecoveryCodes renewCodes(Account confirmed) {
        Account account = lock.on(accounts.findById(confirmed.id()).orElseThrow());
        if (factors.of(account).isEmpty()) throw Refusal.conflict(Message.of("account.no-factor"));
        return freshCodes(account);
    }

    @Transactional
    void removeCode(Account confirmed) {
        Account account = lock.on(accounts.findById(confirmed.id()).orElseThrow());
        if (account.oneTimeSecret().isEmpty()) return;
        account.noOneTime();
        factorRemoved(account);
    }

    /** @throws Refusal when it is none of theirs */
    @Transactional
    void removePasskey(Account confirmed, UUID id) {
        Account account = lock.on(accounts.findById(confirmed.id()).orElseThrow());
        passkeys.remove(account.id(), id).orElseThrow(() -> Refusal.notFound(Message.of("passkey.none")));
        factorRemoved(account);
    }

    private void factorRemoved(Account account) {
        account.changed();
        if (factors.of(account).isEmpty()) {
            if (needsFactor(account)) throw Refusal.conflict(Message.of("account.factor-needed"));
            if (account.passwordHash().isEmpty()) throw Refusal.conflict(Message.of("account.last-way"));
            factors.forget(account);
        }
        signIns.tell(account, RequestLetter.About.ACCOUNT_FACTOR);
    }
}
