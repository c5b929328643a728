package org.jalousie.server.people;

import java.util.ArrayList;
import java.util.Collection;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Set;
import java.util.UUID;
import org.jalousie.core.messages.Message;
import org.jalousie.server.Refusal;
import org.jalousie.server.store.OwnName;
import org.jalousie.server.trail.Trail;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** People of the office under one name. */
@Service
class Teams {
    private static final int MOST = 200;

    private final JdbcClient sql;
    private final Trail trail;

    Teams(JdbcClient sql, Trail trail) {
        this.sql = sql;
        this.trail = trail;
    }

    /** @param revision that a change is based on */
    record Team(UUID id, String name, int revision, List<TeamMember> members) {}

    /** @param closed whether they are let in no more, and so told nothing */
    record TeamMember(UUID id, String name, String mail, boolean closed) {}

    /** All of them, by name. */
    @Transactional(readOnly = true)
    List<Team> all() {
        Map<UUID, List<TeamMember>> members = new HashMap<>();
        sql.sql("select m.team_id, a.id, a.name, a.mail, a.closed_at is not null as closed from team_member m"
                        + " join account a on a.id = m.account_id order by a.name, a.mail")
                .query(row -> {
                    members.computeIfAbsent(row.getObject("team_id", UUID.class), one -> new ArrayList<>())
                            .add(new TeamMember(
                                    row.getObject("id", UUID.class),
                                    row.getString("name"),
                                    row.getString("mail"),
                                    row.getBoolean("closed")));
                });
        return sql.sql("select id, name, revision from team order by lower(name)")
                .query((row, i) -> {
                    UUID id = row.getObject("id", UUID.class);
                    return new Team(
                            id, row.getString("name"), row.getInt("revision"), members.getOrDefault(id, List.of()));
                })
                .list();
    }

    /** Which teams people are in, by their ids. */
    Map<UUID, List<String>> namesOf(Collection<UUID> people) {
        Map<UUID, List<String>> names = new HashMap<>();
        sql.sql("select m.account_id, t.name from team_member m join team t on t.id = m.team_id"
                        + " where m.account_id = any (?) order by lower(t.name)")
                .param(people.toArray(UUID[]::new))
                .query(row -> {
                    names.computeIfAbsent(row.getObject("account_id", UUID.class), one -> new ArrayList<>())
                            .add(row.getString("name"));
                });
        return names;
    }

    /** @throws Refusal when the name is none, or another team's */
    @Transactional
    UUID make(String name, Set<UUID> people) {
        UUID id = UUID.randomUUID();
        int many = sql.sql("select count(*) from team").query(Integer.class).single();
        if (many >= MOST) throw Refusal.conflict(Message.of("team.most", "most", MOST));
        String called = OwnName.checked(name, Message.of("team.no-name"));
        OwnName.kept(
                () -> sql.sql("insert into team (id, name) values (?, ?)")
                        .params(id, called)
                        .update(),
                Message.of("team.twice"));
        put(id, people);
        trail.note(Message.of("act.people.team-made", "team", called, "count", people.size()));
        return id;
    }

    /** @param revision that the change is based on @throws Refusal when it was changed since, or the name is another team's */
    @Transactional
    void settle(UUID id, int revision, String name, Set<UUID> people) {
        String called = OwnName.checked(name, Message.of("team.no-name"));
        OwnName.kept(
                () -> {
                    int changed = sql.sql(
                                    "update team set name = ?, revision = revision + 1 where id = ? and revision = ?")
                            .params(called, id, revision)
                            .update();
                    if (changed == 0) throw Refusal.conflict(Message.of("team.changed"));
                },
                Message.of("team.twice"));
        put(id, people);
        trail.note(Message.of("act.people.team-changed", "team", called, "count", people.size()));
    }

    private void put(UUID team, Set<UUID> people) {
        sql.sql("delete from team_member where team_id = ?").param(team).update();
        int put = sql.sql("insert into team_member (team_id, account_id) select ?, id from account where id = any (?)")
                .params(team, people.toArray(UUID[]::new))
                .update();
        if (put < people.size()) throw Refusal.invalid(Message.of("people.none"));
    }

    /** Its people stay. */
    @Transactional
    void remove(UUID id) {
        sql.sql("delete from team where id = ? returning name")
                .param(id)
                .query(String.class)
                .optional()
                .ifPresent(name -> trail.note(Message.of("act.people.team-removed", "team", name)));
    }

    /** Mail addresses of a team's people who are let in; none for a team that there isn't. */
    @Transactional(readOnly = true)
    List<String> mails(UUID id) {
        return sql
                .sql("select a.mail from team_member m join account a on a.id = m.account_id"
                        + " where m.team_id = ? and a.closed_at is null order by a.mail")
                .param(id)
                .query(String.class)
                .list()
                .stream()
                .map(one -> one.toLowerCase(Locale.ROOT))
                .toList();
    }
}
