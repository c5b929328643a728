package org.jalousie.server.people;

import java.time.Clock;
import java.util.Locale;
import java.util.Optional;
import java.util.OptionalLong;
import org.jalousie.core.access.RecoveryCode;
import org.jalousie.core.access.TimedCode;
import org.jalousie.core.letters.AccountLetter;
import org.jalousie.core.letters.RequestLetter;
import org.jalousie.core.messages.Message;
import org.jalousie.server.Refusal;
import org.jalousie.server.Settings;
import org.jalousie.server.account.SignedIn;
import org.jalousie.server.postroom.RequestPost;
import org.jalousie.server.web.Attempts;
import org.springframework.security.crypto.password.PasswordEncoder;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Checks what people show at the door; guessing is slowed down. */
@Service
class SignIns {
    private static final int LONGEST = 300;

    private final Accounts accounts;
    private final Factors factors;
    private final PasswordEncoder encoder;
    private final Attempts attempts;
    private final RequestPost post;
    private final Settings settings;
    private final Clock clock;
    private final String unknownHash;

    SignIns(
            Accounts accounts,
            Factors factors,
            PasswordEncoder encoder,
            Attempts attempts,
            RequestPost post,
            Settings settings,
            Clock clock) {
        this.accounts = accounts;
        this.factors = factors;
        this.encoder = encoder;
        this.attempts = attempts;
        this.post = post;
        this.settings = settings;
        this.clock = clock;
        this.unknownHash = encoder.encode("nobody has this password");
    }

    /**
     * Whose mail address and password these are. Empty when one of them is wrong, or there is no such account any more; which of
     * it is not told, and it takes as long.
     *
     * @param from the network address that asks
     */
    Optional<Account> password(String mail, String password, String from) {
        String typed = mail.strip().toLowerCase(Locale.ROOT);
        if (typed.length() > LONGEST || password.length() > LONGEST) return Optional.empty();
        Attempts.Attempt attempt = attempts.signIn(from, typed);
        Optional<Account> found = accounts.findByMail(typed);
        boolean right =
                encoder.matches(password, found.flatMap(Account::passwordHash).orElse(unknownHash));
        if (!right || found.flatMap(Account::passwordHash).isEmpty()) return Optional.empty();
        attempt.succeeded();
        return found.filter(one -> one.closedAt().isEmpty());
    }

    /**
     * The second step, by a code of their device or one kept for its loss.
     *
     * @param passwordHash of the password that was shown before
     * @throws Refusal when it is neither, or the password is another one meanwhile
     */
    @Transactional
    Entry.Way code(String mail, String passwordHash, String typed) {
        Attempts.Attempt attempt = attempts.code(mail);
        Account account = open(mail);
        requireStill(account, passwordHash);
        OptionalLong step = account.oneTimeSecret().isEmpty()
                ? OptionalLong.empty()
                : TimedCode.step(account.oneTimeSecret().get(), typed, clock.instant(), account.oneTimeStep());
        if (step.isPresent()) {
            account.oneTimeTaken(step.getAsLong());
            attempt.succeeded();
            return Entry.Way.CODE;
        }
        Optional<RecoveryCode> recovery = RecoveryCode.read(typed);
        if (recovery.isEmpty() || !factors.takeRecoveryCode(account.id(), recovery.get()))
            throw Refusal.invalid(Message.of("account.code-wrong"));
        attempt.succeeded();
        tell(account, RequestLetter.About.ACCOUNT_FACTOR);
        return Entry.Way.RECOVERY;
    }

    /** @throws Refusal when there is no such account any more */
    private Account open(String mail) {
        return accounts.lockByMail(mail)
                .filter(one -> one.closedAt().isEmpty())
                .orElseThrow(() -> Refusal.invalid(Message.of("account.wrong")));
    }

    /** What was shown counts as long as it is theirs. */
    private static void requireStill(Account account, String passwordHash) {
        if (!account.passwordHash().orElse("").equals(passwordHash)) throw Refusal.invalid(Message.of("account.wrong"));
    }

    /** They are in who showed a password. @throws Refusal when it is another one meanwhile, or there is no such account any more */
    @Transactional
    SignedIn cameIn(String mail, String passwordHash) {
        requireStill(open(mail), passwordHash);
        return cameIn(mail);
    }

    /** They are in. @throws Refusal when there is no such account any more */
    @Transactional
    SignedIn cameIn(String mail) {
        Account account = open(mail);
        account.signedIn(clock.instant());
        return new SignedIn(account.mail(), account.name(), account.roleSet());
    }

    /** Mails somebody that how they come in has changed. */
    void tell(Account account, RequestLetter.About about) {
        post.queue(
                account.id(),
                about,
                account.mail(),
                AccountLetter.subject(about, settings.office().name()));
    }
}
