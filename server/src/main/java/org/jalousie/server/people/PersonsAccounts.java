package org.jalousie.server.people;

import java.time.Instant;
import java.util.List;
import java.util.UUID;
import org.jalousie.core.access.Role;
import org.jalousie.core.filing.people.Who;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Service;

/** Accounts of the office in which somebody is kept. */
@Service
public class PersonsAccounts {
    private final Accounts accounts;
    private final KeptPasskeys passkeys;
    private final Teams teams;
    private final LiveSessions sessions;
    private final JdbcClient sql;

    PersonsAccounts(Accounts accounts, KeptPasskeys passkeys, Teams teams, LiveSessions sessions, JdbcClient sql) {
        this.accounts = accounts;
        this.passkeys = passkeys;
        this.teams = teams;
        this.sessions = sessions;
        this.sql = sql;
    }

    /**
     * What an account keeps of its person.
     *
     * @param cameIn when they last did; null for never
     * @param closed since when they are let in no more; null for an open one
     * @param codes whether codes of a device are asked for
     * @param passkeys as they call them
     * @param places where they are signed in
     * @param identities by which an identity provider knows them
     */
    public record PersonsAccount(
            String mail,
            String name,
            List<Role> roles,
            List<String> teams,
            Instant since,
            Instant cameIn,
            Instant closed,
            boolean codes,
            List<String> passkeys,
            List<Place> places,
            List<String> identities) {}

    /** @param from network address, {@code browser} as it calls itself */
    public record Place(String from, String browser, Instant since, Instant seen) {}

    /** @param who by address or name */
    public List<PersonsAccount> of(Who who) {
        return found(who).stream().map(this::account).toList();
    }

    private List<Account> found(Who who) {
        return sql
                .sql("select id from account where lower(mail) = ? or lower(name) = ? order by mail limit 50")
                .params(who.text(), who.text())
                .query(UUID.class)
                .list()
                .stream()
                .flatMap(one -> accounts.findById(one).stream())
                .filter(one -> who.is(one.mail()) || who.is(one.name()))
                .toList();
    }

    private PersonsAccount account(Account one) {
        return new PersonsAccount(
                one.mail(),
                one.name(),
                one.roles(),
                teams.namesOf(List.of(one.id())).getOrDefault(one.id(), List.of()),
                one.madeAt(),
                one.signedInAt().orElse(null),
                one.closedAt().orElse(null),
                one.oneTimeSecret().isPresent(),
                passkeys.of(one.id()).stream().map(KeptPasskeys.Kept::title).toList(),
                sessions.of(one.mail(), "").stream()
                        .map(place -> new Place(place.from(), place.browser(), place.since(), place.seen()))
                        .toList(),
                sql.sql("select issuer || ' ' || subject from identity where account_id = ? order by 1")
                        .param(one.id())
                        .query(String.class)
                        .list());
    }
}
