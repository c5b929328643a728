package org.jalousie.server.people;

import java.time.Clock;
import java.time.Duration;
import java.time.LocalDate;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.jalousie.core.letters.AccountLetter;
import org.jalousie.core.letters.LetterText;
import org.jalousie.core.letters.RequestLetter;
import org.jalousie.server.Settings;
import org.jalousie.server.postroom.RequestPost;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;

/** Words mails to people of the office about their accounts. */
@Component
class AccountLetters implements RequestPost.Writer {
    private final Accounts accounts;
    private final EntryLinks links;
    private final Settings settings;
    private final Clock clock;

    AccountLetters(Accounts accounts, EntryLinks links, Settings settings, Clock clock) {
        this.accounts = accounts;
        this.links = links;
        this.settings = settings;
        this.clock = clock;
    }

    @Override
    public boolean words(RequestLetter.About occasion) {
        return occasion.compareTo(RequestLetter.About.DATES) > 0;
    }

    @Override
    @Transactional
    public Optional<RequestPost.Written> write(UUID about, RequestLetter.About occasion, UUID mail) {
        return accounts.findById(about)
                .filter(one -> one.closedAt().isEmpty())
                .filter(one -> occasion != RequestLetter.About.ACCOUNT_INVITED
                        || one.joinedAt().isEmpty())
                .map(one -> new RequestPost.Written(one.name(), text(one, occasion), List.of()));
    }

    private LetterText text(Account account, RequestLetter.About occasion) {
        AccountLetter letter =
                new AccountLetter(account.name(), settings.office().name());
        return switch (occasion) {
            case ACCOUNT_INVITED ->
                letter.invited(
                        way(account, EntryLinks.INVITATION),
                        LocalDate.ofInstant(
                                clock.instant().plus(EntryLinks.INVITATION),
                                settings.office().zone()));
            case ACCOUNT_FORGOTTEN ->
                letter.forgotten(way(account, EntryLinks.FORGOTTEN), EntryLinks.FORGOTTEN.toMinutes());
            default -> letter.changed(occasion, settings.address() + "/account");
        };
    }

    private String way(Account account, Duration open) {
        return settings.address() + "/way-in/" + links.fresh(account.id(), open);
    }
}
