package org.jalousie.server.people;

import java.sql.Timestamp;
import java.time.Instant;
import java.util.Collection;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.UUID;
import java.util.stream.Collectors;
import org.jalousie.core.access.Role;
import org.jalousie.server.postroom.SentMails;
import org.jalousie.server.web.ListOrder;
import org.jalousie.server.web.Page;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Lists people, with what they have beside a password. */
@Service
class PeopleLists {
    private static final ListOrder ORDER =
            new ListOrder(Map.of("name", "name", "mail", "mail", "signed-in", "signedInAt"), "name");

    private final Accounts accounts;
    private final Factors factors;
    private final Teams teams;
    private final LiveSessions sessions;
    private final SentMails mails;
    private final JdbcClient sql;

    PeopleLists(
            Accounts accounts, Factors factors, Teams teams, LiveSessions sessions, SentMails mails, JdbcClient sql) {
        this.accounts = accounts;
        this.factors = factors;
        this.teams = teams;
        this.sessions = sessions;
        this.mails = mails;
        this.sql = sql;
    }

    @Transactional(readOnly = true)
    Page<PeopleViews.OfficePerson> list(String find, String sort, int page) {
        var found = accounts.find(Page.pattern(find), ORDER.page(page, sort));
        Set<UUID> ids = found.stream().map(Account::id).collect(Collectors.toSet());
        Set<UUID> withPasskey = withPasskey(ids);
        Map<UUID, List<String>> inTeams = teams.namesOf(ids);
        return new Page<>(
                found.stream()
                        .map(one -> view(
                                one,
                                factors.of(one, withPasskey.contains(one.id())),
                                inTeams.getOrDefault(one.id(), List.of())))
                        .toList(),
                found.getTotalElements(),
                page,
                Page.SIZE);
    }

    private Set<UUID> withPasskey(Collection<UUID> ids) {
        return Set.copyOf(sql.sql("select distinct account_id from passkey where account_id = any (?)")
                .param(ids.toArray(UUID[]::new))
                .query(UUID.class)
                .list());
    }

    /** @param here the session that asks */
    PeopleViews.OfficePersonDetail show(UUID id, String here) {
        Account account = accounts.findById(id).orElseThrow(People::none);
        List<SignInViews.Factor> shows = factors.of(account);
        Set<Role> needed = factors.neededBy();
        return new PeopleViews.OfficePersonDetail(
                view(account, shows, teams.namesOf(Set.of(id)).getOrDefault(id, List.of())),
                account.revision(),
                account.madeAt(),
                account.closedAt().orElse(null),
                invitedUntil(account).orElse(null),
                account.joinedAt().isPresent()
                        ? null
                        : mails.cameBack(account.id()).orElse(null),
                shows.isEmpty() && account.roles().stream().anyMatch(needed::contains),
                sessions.of(account.mail(), here).stream()
                        .map(PeopleViews.SessionView::of)
                        .toList());
    }

    private Optional<Instant> invitedUntil(Account account) {
        if (account.joinedAt().isPresent()) return Optional.empty();
        return sql.sql("select max(ends_at) from account_link where account_id = ?")
                .param(account.id())
                .query((row, i) -> Optional.ofNullable(row.getTimestamp(1)).map(Timestamp::toInstant))
                .single();
    }

    private static PeopleViews.OfficePerson view(Account one, List<SignInViews.Factor> shows, List<String> teams) {
        return new PeopleViews.OfficePerson(
                one.id(),
                one.mail(),
                one.name(),
                one.roles(),
                standing(one),
                shows,
                one.signedInAt().orElse(null),
                teams);
    }

    private static PeopleViews.Standing standing(Account one) {
        if (one.closedAt().isPresent()) return PeopleViews.Standing.CLOSED;
        return one.joinedAt().isPresent() ? PeopleViews.Standing.OPEN : PeopleViews.Standing.INVITED;
    }
}
