package org.jalousie.server.account;

import java.time.Clock;
import java.util.Locale;
import java.util.Optional;
import org.jalousie.server.Settings;
import org.jalousie.server.web.Refusal;
import org.springframework.boot.context.event.ApplicationReadyEvent;
import org.springframework.context.event.EventListener;
import org.springframework.security.crypto.password.PasswordEncoder;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Checks passwords, with a lock against guessing. */
@Service
class AccountService {
    private final Accounts accounts;
    private final PasswordEncoder encoder;
    private final Clock clock;
    private final Settings settings;
    private final String unknownHash;

    AccountService(Accounts accounts, PasswordEncoder encoder, Clock clock, Settings settings) {
        this.accounts = accounts;
        this.encoder = encoder;
        this.clock = clock;
        this.settings = settings;
        this.unknownHash = encoder.encode("nobody has this password");
    }

    /** Empty when mail address or password is wrong; which of them is not told. */
    @Transactional(noRollbackFor = Refusal.class)
    Optional<SignedIn> signIn(String mail, String password) {
        Optional<Account> found = accounts.findByMail(mail.strip().toLowerCase(Locale.ROOT));
        if (found.isEmpty()) {
            encoder.matches(password, unknownHash); // takes as long as for a known address
            return Optional.empty();
        }
        Account account = found.get();
        if (account.lockedAt(clock.instant())) {
            throw Refusal.tooMany("Too many wrong passwords. Try again in ten minutes.");
        }
        if (!encoder.matches(password, account.passwordHash())) {
            account.failedAt(clock.instant());
            return Optional.empty();
        }
        account.succeeded();
        return Optional.of(new SignedIn(account.mail(), account.name(), account.role()));
    }

    @Transactional
    void add(String mail, String name, String password, String role) {
        accounts.save(new Account(mail.toLowerCase(Locale.ROOT), name, encoder.encode(password), role));
    }

    @EventListener(ApplicationReadyEvent.class)
    @Transactional
    public void firstAccount() {
        Settings.FirstAccount first = settings.firstAccount();
        if (!first.mail().isBlank() && accounts.count() == 0)
            add(first.mail(), first.name(), first.password(), "COORDINATOR");
    }
}
