package org.jalousie.server.people;

import java.time.Clock;
import java.util.List;
import java.util.Locale;
import java.util.Set;
import java.util.UUID;
import org.jalousie.core.access.Role;
import org.jalousie.server.Settings;
import org.jalousie.server.account.Colleagues;
import org.springframework.boot.context.event.ApplicationReadyEvent;
import org.springframework.context.event.EventListener;
import org.springframework.security.crypto.password.PasswordEncoder;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** People of the office, as other rooms see them; and the first of them. */
@Service
class AccountService implements Colleagues {
    private final Accounts accounts;
    private final Teams teams;
    private final PasswordEncoder encoder;
    private final Settings settings;
    private final Clock clock;

    AccountService(Accounts accounts, Teams teams, PasswordEncoder encoder, Settings settings, Clock clock) {
        this.accounts = accounts;
        this.teams = teams;
        this.encoder = encoder;
        this.settings = settings;
        this.clock = clock;
    }

    @Override
    @Transactional(readOnly = true)
    public List<Colleague> coordinators() {
        return accounts.coordinators().stream()
                .map(one -> new Colleague(one.mail(), one.name()))
                .toList();
    }

    @Override
    public List<String> team(UUID id) {
        return teams.mails(id);
    }

    @EventListener(ApplicationReadyEvent.class)
    @Transactional
    public void firstAccount() {
        Settings.FirstAccount first = settings.firstAccount();
        if (first.mail().isBlank() || accounts.count() > 0) return;
        Account account = new Account(
                first.mail().toLowerCase(Locale.ROOT),
                first.name(),
                Set.of(Role.ADMINISTRATOR, Role.COORDINATOR),
                clock.instant());
        account.password(encoder.encode(first.password()), clock.instant());
        accounts.save(account);
    }
}
