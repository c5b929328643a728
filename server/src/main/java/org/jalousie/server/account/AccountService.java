package org.jalousie.server.account;

import java.util.List;
import java.util.Locale;
import java.util.Optional;
import org.jalousie.server.Settings;
import org.jalousie.server.web.Attempts;
import org.springframework.boot.context.event.ApplicationReadyEvent;
import org.springframework.context.event.EventListener;
import org.springframework.security.crypto.password.PasswordEncoder;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Checks passwords; guessing is slowed down. */
@Service
class AccountService implements Colleagues {
    private static final int LONGEST = 300;

    private final Accounts accounts;
    private final PasswordEncoder encoder;
    private final Attempts attempts;
    private final Settings settings;
    private final String unknownHash;

    AccountService(Accounts accounts, PasswordEncoder encoder, Attempts attempts, Settings settings) {
        this.accounts = accounts;
        this.encoder = encoder;
        this.attempts = attempts;
        this.settings = settings;
        this.unknownHash = encoder.encode("nobody has this password");
    }

    /**
     * Empty when mail address or password is wrong; which of them is not told, and it takes as long.
     *
     * @param from the network address that asks
     */
    Optional<SignedIn> signIn(String mail, String password, String from) {
        String typed = mail.strip().toLowerCase(Locale.ROOT);
        if (typed.length() > LONGEST || password.length() > LONGEST) return Optional.empty();
        Attempts.Attempt attempt = attempts.signIn(from, typed);
        Optional<Account> found = accounts.findByMail(typed);
        boolean right =
                encoder.matches(password, found.map(Account::passwordHash).orElse(unknownHash));
        if (!right || found.isEmpty()) return Optional.empty();
        attempt.succeeded();
        Account account = found.get();
        return Optional.of(new SignedIn(account.mail(), account.name(), account.role()));
    }

    @Override
    @Transactional(readOnly = true)
    public List<Colleague> coordinators() {
        return accounts.findByRoleOrderByNameAscMailAsc("COORDINATOR").stream()
                .map(one -> new Colleague(one.mail(), one.name()))
                .toList();
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
