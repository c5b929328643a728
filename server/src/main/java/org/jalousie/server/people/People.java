package org.jalousie.server.people;

import java.time.Clock;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Set;
import java.util.UUID;
import org.jalousie.core.access.Role;
import org.jalousie.core.data.ValueReader;
import org.jalousie.core.letters.RequestLetter;
import org.jalousie.core.messages.Message;
import org.jalousie.server.Refusal;
import org.jalousie.server.store.RowLock;
import org.jalousie.server.trail.Trail;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** What administrators do with people: let them in, say what they may, let them in no more. Each act is noted. */
@Service
class People {
    /** Any number that no other lock of the database has. */
    private static final int ONE_AT_A_TIME = 36_001;

    private static final int LONGEST_NAME = 200;

    private final Accounts accounts;
    private final Factors factors;
    private final SignIns signIns;
    private final EntryLinks links;
    private final LiveSessions sessions;
    private final RowLock lock;
    private final Trail trail;
    private final JdbcClient sql;
    private final Clock clock;

    People(
            Accounts accounts,
            Factors factors,
            SignIns signIns,
            EntryLinks links,
            LiveSessions sessions,
            RowLock lock,
            Trail trail,
            JdbcClient sql,
            Clock clock) {
        this.accounts = accounts;
        this.factors = factors;
        this.signIns = signIns;
        this.links = links;
        this.sessions = sessions;
        this.lock = lock;
        this.trail = trail;
        this.sql = sql;
        this.clock = clock;
    }

    /** Two administrators who take each other's role leave one. */
    private Account change(UUID id) {
        oneAtATime();
        return lock.on(accounts.findById(id).orElseThrow(People::none));
    }

    private void oneAtATime() {
        sql.sql("select pg_advisory_xact_lock(?)")
                .param(ONE_AT_A_TIME)
                .query((row, i) -> i)
                .list();
    }

    static Refusal none() {
        return Refusal.notFound(Message.of("people.none"));
    }

    /** Mails somebody a way in. @throws Refusal naming what is wrong, or who has the address already */
    @Transactional
    UUID invite(String mail, String name, Set<Role> roles) {
        String typed = mail.strip().toLowerCase(Locale.ROOT);
        Map<String, Message> faults = new LinkedHashMap<>();
        if (!ValueReader.isMail(typed)) faults.put("mail", Message.of("people.no-mail"));
        check(name, roles, faults);
        oneAtATime();
        if (faults.isEmpty() && accounts.findByMail(typed).isPresent())
            faults.put("mail", Message.of("people.mail-twice", "mail", typed));
        refuse(faults);
        Account account = accounts.saveAndFlush(new Account(typed, name.strip(), roles, clock.instant()));
        signIns.tell(account, RequestLetter.About.ACCOUNT_INVITED);
        trail.note(act("invited", account, "roles", said(account.roles())));
        return account.id();
    }

    private static void check(String name, Set<Role> roles, Map<String, Message> faults) {
        String called = name.strip();
        if (called.isEmpty()) faults.put("name", Message.of("people.no-name"));
        else if (called.length() > LONGEST_NAME || called.chars().anyMatch(Character::isISOControl))
            faults.put("name", Message.of("people.long-name", "most", LONGEST_NAME));
        if (roles.isEmpty()) faults.put("roles", Message.of("people.no-role"));
    }

    private static void refuse(Map<String, Message> faults) {
        if (!faults.isEmpty()) throw Refusal.invalid(Message.list(List.copyOf(faults.values())), faults);
    }

    /** Mails the way in once more; those that were mailed before lead in no more. @throws Refusal for who has been in */
    @Transactional
    void inviteAgain(UUID id) {
        Account account = change(id);
        requireOpen(account);
        if (account.joinedAt().isPresent()) throw Refusal.conflict(Message.of("people.joined", "name", account.name()));
        links.end(account.id());
        signIns.tell(account, RequestLetter.About.ACCOUNT_INVITED);
        trail.note(act("invited-again", account));
    }

    private static void requireOpen(Account account) {
        if (account.closedAt().isPresent()) throw Refusal.conflict(Message.of("people.closed", "name", account.name()));
    }

    /** @param revision that the change is based on @throws Refusal when nobody could let people in afterwards */
    @Transactional
    void settle(UUID id, int revision, String name, Set<Role> roles) {
        Account account = change(id);
        if (account.revision() != revision) throw Refusal.conflict(Message.of("people.account-changed"));
        Map<String, Message> faults = new LinkedHashMap<>();
        check(name, roles, faults);
        refuse(faults);
        List<Role> before = account.roles();
        String called = account.name();
        account.rename(name.strip());
        account.may(roles);
        if (!called.equals(account.name())) trail.note(act("renamed", account, "before", called));
        if (!before.equals(account.roles()))
            trail.note(act("roles", account, "before", said(before), "roles", said(account.roles())));
        account.changed();
        requireAdministrator();
    }

    private void requireAdministrator() {
        accounts.flush();
        if (accounts.administrators() == 0) throw Refusal.conflict(Message.of("people.last-administrator"));
    }

    /** They are let in no more, from now on. What they did stays known. */
    @Transactional
    void close(UUID id) {
        Account account = change(id);
        if (account.closedAt().isPresent()) return;
        account.close(clock.instant());
        account.changed();
        links.end(account.id());
        sessions.endAll(account.mail());
        trail.note(act("closed", account));
        requireAdministrator();
    }

    /** They come in as they did before. */
    @Transactional
    void reopen(UUID id) {
        Account account = change(id);
        if (account.closedAt().isEmpty()) return;
        account.reopen();
        account.changed();
        trail.note(act("reopened", account));
    }

    /** An account that nobody ever used, such as one of a misspelt address, goes. @throws Refusal for another one */
    @Transactional
    void remove(UUID id) {
        Account account = change(id);
        if (account.joinedAt().isPresent()) throw Refusal.conflict(Message.of("people.used", "name", account.name()));
        trail.note(act("removed", account));
        accounts.delete(account);
    }

    /** For who has lost what they have beside a password: they come in by it alone, and are mailed that. */
    @Transactional
    void forgetFactors(UUID id) {
        Account account = change(id);
        if (factors.of(account).isEmpty())
            throw Refusal.conflict(Message.of("people.no-factor", "name", account.name()));
        factors.forget(account);
        account.changed();
        sessions.endAll(account.mail());
        signIns.tell(account, RequestLetter.About.ACCOUNT_FACTOR);
        trail.note(act("factors-forgotten", account));
    }

    @Transactional
    void endSessions(UUID id) {
        Account account = change(id);
        int ended = sessions.endAll(account.mail());
        if (ended > 0) trail.note(act("sessions-ended", account, "count", ended));
    }

    /** @throws Refusal when there is no such one any more */
    @Transactional
    void endSession(UUID id, String session) {
        Account account = change(id);
        if (!sessions.end(account.mail(), session)) throw Refusal.notFound(Message.of("people.no-session"));
        trail.note(act("sessions-ended", account, "count", 1));
    }

    /** Roles whose people need more than a password from now on. */
    @Transactional
    void needFactor(Set<Role> roles) {
        oneAtATime();
        Set<Role> before = new HashSet<>(factors.neededBy());
        if (before.equals(roles)) return;
        factors.need(roles);
        trail.note(Message.of(
                "act.people.factor-needed", "before", said(Role.inOrder(before)), "roles", said(Role.inOrder(roles))));
    }

    private static Message act(String what, Account about, Object... more) {
        Object[] all = new Object[more.length + 4];
        all[0] = "name";
        all[1] = about.name();
        all[2] = "mail";
        all[3] = about.mail();
        System.arraycopy(more, 0, all, 4, more.length);
        return Message.of("act.people." + what, all);
    }

    private static Message said(List<Role> roles) {
        return roles.isEmpty()
                ? Message.of("role.none")
                : Message.list(roles.stream()
                        .map(one -> Message.of("role." + one.name().toLowerCase(Locale.ROOT)))
                        .toList());
    }
}
