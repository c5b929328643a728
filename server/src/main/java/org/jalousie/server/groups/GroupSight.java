package org.jalousie.server.groups;

import java.util.Arrays;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.UUID;
import java.util.stream.Collectors;
import org.jalousie.core.access.GroupRight;
import org.jalousie.core.messages.Message;
import org.jalousie.server.Refusal;
import org.jalousie.server.account.Sight;
import org.jalousie.server.account.SignedIn;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.security.core.Authentication;
import org.springframework.security.core.context.SecurityContextHolder;
import org.springframework.stereotype.Component;
import org.springframework.web.context.request.RequestAttributes;
import org.springframework.web.context.request.RequestContextHolder;

/** What people may do with templates by the groups that these stand in, looked up once for each request. */
@Component
class GroupSight implements Sight {
    private static final String KEPT = GroupSight.class.getName();

    /** Up to how many are looked up one by one. */
    private static final int MOST_SEEN = 200;

    private final JdbcClient sql;

    GroupSight(JdbcClient sql) {
        this.sql = sql;
    }

    @Override
    public Map<UUID, Set<GroupRight>> limited() {
        Optional<String> who = person();
        if (who.isEmpty()) return Map.of();
        RequestAttributes request = RequestContextHolder.getRequestAttributes();
        if (request == null) return limits(who.get());
        if (request.getAttribute(KEPT, RequestAttributes.SCOPE_REQUEST) instanceof Limits kept) return kept.of();
        Limits found = new Limits(limits(who.get()));
        request.setAttribute(KEPT, found, RequestAttributes.SCOPE_REQUEST);
        return found.of();
    }

    /** What was looked up for a request. */
    private record Limits(Map<UUID, Set<GroupRight>> of) {}

    /** The mail address of a person; empty for jobs and programs. */
    private static Optional<String> person() {
        Authentication who = SecurityContextHolder.getContext().getAuthentication();
        return who != null
                        && who.getPrincipal() instanceof SignedIn person
                        && person.asProgram().isEmpty()
                ? Optional.of(person.mail())
                : Optional.empty();
    }

    /** Templates with which somebody may not do everything. Who has no account is in no group. */
    private Map<UUID, Set<GroupRight>> limits(String mail) {
        Map<UUID, Set<GroupRight>> groups = new HashMap<>();
        sql.sql("select g.id, g.everybody || array(select m.may from template_group_may m where m.group_id = g.id"
                        + " and (m.account_id = a.id"
                        + " or m.team_id in (select t.team_id from team_member t where t.account_id = a.id)))"
                        + " from template_group g left join account a on a.mail = ?")
                .param(mail)
                .query(row -> {
                    List<String> may = Arrays.asList((String[]) row.getArray(2).getArray());
                    Set<GroupRight> rights = GroupRight.with(
                            may.stream().map(GroupRight::valueOf).toList());
                    if (!rights.equals(GroupRight.all())) groups.put(row.getObject(1, UUID.class), rights);
                });
        if (groups.isEmpty()) return Map.of();
        Map<UUID, Set<GroupRight>> templates = new HashMap<>();
        sql.sql("select id, group_id from template where group_id = any (?)")
                .param(groups.keySet().toArray(UUID[]::new))
                .query(row -> {
                    templates.put(row.getObject(1, UUID.class), groups.get(row.getObject(2, UUID.class)));
                });
        return Map.copyOf(templates);
    }

    @Override
    public Set<UUID> hidden() {
        return without(limited(), GroupRight.SEE);
    }

    @Override
    public Optional<List<UUID>> seen() {
        List<UUID> seen = sql.sql("select id from template where id <> all (?) limit ?")
                .params(hidden().toArray(UUID[]::new), MOST_SEEN + 1)
                .query(UUID.class)
                .list();
        return Optional.of(seen).filter(all -> all.size() <= MOST_SEEN);
    }

    @Override
    public Set<UUID> closed() {
        return without(limited(), GroupRight.USE);
    }

    private static Set<UUID> without(Map<UUID, Set<GroupRight>> limited, GroupRight right) {
        return limited.entrySet().stream()
                .filter(one -> !one.getValue().contains(right))
                .map(Map.Entry::getKey)
                .collect(Collectors.toUnmodifiableSet());
    }

    @Override
    public Set<GroupRight> of(UUID template) {
        return limited().getOrDefault(template, GroupRight.all());
    }

    @Override
    public void requireUse(UUID template) {
        Set<GroupRight> rights = of(template);
        if (!rights.contains(GroupRight.USE)) throw rights.contains(GroupRight.SEE) ? notUsed() : notSeen();
    }

    static Refusal notSeen() {
        return Refusal.notFound(Message.of("group.not-seen"));
    }

    static Refusal notUsed() {
        return Refusal.of(Refusal.Kind.NOT_ALLOWED, Message.of("group.not-used"));
    }

    @Override
    public boolean mayUse(String mail, UUID template) {
        return limits(mail).getOrDefault(template, GroupRight.all()).contains(GroupRight.USE);
    }
}
