package org.jalousie.server.groups;

import java.util.ArrayList;
import java.util.EnumMap;
import java.util.HashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.UUID;
import java.util.stream.Stream;
import org.jalousie.core.access.GroupRight;
import org.jalousie.core.messages.Message;
import org.jalousie.server.Refusal;
import org.jalousie.server.groups.GroupViews.Circle;
import org.jalousie.server.groups.GroupViews.CircleWanted;
import org.jalousie.server.groups.GroupViews.GroupMember;
import org.jalousie.server.groups.GroupViews.GroupedTemplate;
import org.jalousie.server.groups.GroupViews.TemplateGroup;
import org.jalousie.server.store.OwnName;
import org.jalousie.server.trail.Trail;
import org.jalousie.server.web.Page;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Groups of templates, and who may do what with them, as administrators say. Each act is noted. */
@Service
class TemplateGroups {
    private static final int MOST = 200;

    private final JdbcClient sql;
    private final Trail trail;

    TemplateGroups(JdbcClient sql, Trail trail) {
        this.sql = sql;
        this.trail = trail;
    }

    /** Who may what, as it is asked for. */
    record Wanted(String name, Map<GroupRight, CircleWanted> circles) {
        static Wanted of(String name, CircleWanted use, CircleWanted prepare, CircleWanted see) {
            return new Wanted(name, Map.of(GroupRight.USE, use, GroupRight.PREPARE, prepare, GroupRight.SEE, see));
        }

        String[] everybody() {
            return Stream.of(GroupRight.values())
                    .filter(right -> circles.get(right).everybody())
                    .map(GroupRight::name)
                    .toArray(String[]::new);
        }
    }

    /** All of them, by name. */
    @Transactional(readOnly = true)
    List<TemplateGroup> all() {
        Map<UUID, Map<GroupRight, Circle>> circles = new HashMap<>();
        sql.sql(
                        "select m.group_id, m.may, m.team_id, coalesce(t.name, a.name) as name, coalesce(m.team_id, m.account_id) as id,"
                                + " a.closed_at is not null as closed from template_group_may m"
                                + " left join team t on t.id = m.team_id left join account a on a.id = m.account_id"
                                + " order by lower(coalesce(t.name, a.name)), 5")
                .query(row -> {
                    Circle circle = circles.computeIfAbsent(
                                    row.getObject("group_id", UUID.class), id -> new EnumMap<>(GroupRight.class))
                            .computeIfAbsent(
                                    GroupRight.valueOf(row.getString("may")),
                                    right -> new Circle(false, new ArrayList<>(), new ArrayList<>()));
                    boolean team = row.getObject("team_id") != null;
                    (team ? circle.teams() : circle.people())
                            .add(new GroupMember(
                                    row.getObject("id", UUID.class), row.getString("name"), row.getBoolean("closed")));
                });
        return sql.sql("select g.id, g.name, g.revision, g.everybody,"
                        + " (select count(*) from template t where t.group_id = g.id) as templates"
                        + " from template_group g order by lower(g.name)")
                .query((row, i) -> {
                    UUID id = row.getObject("id", UUID.class);
                    Set<String> everybody =
                            Set.of((String[]) row.getArray("everybody").getArray());
                    Map<GroupRight, Circle> named = circles.getOrDefault(id, Map.of());
                    return new TemplateGroup(
                            id,
                            row.getString("name"),
                            row.getInt("revision"),
                            row.getLong("templates"),
                            circle(GroupRight.USE, everybody, named),
                            circle(GroupRight.PREPARE, everybody, named),
                            circle(GroupRight.SEE, everybody, named));
                })
                .list();
    }

    private static Circle circle(GroupRight right, Set<String> everybody, Map<GroupRight, Circle> named) {
        return everybody.contains(right.name())
                ? new Circle(true, List.of(), List.of())
                : named.getOrDefault(right, new Circle(false, List.of(), List.of()));
    }

    /** @throws Refusal when the name is none or another group's, or somebody isn't there any more */
    @Transactional
    void make(Wanted wanted) {
        int many = sql.sql("select count(*) from template_group")
                .query(Integer.class)
                .single();
        if (many >= MOST) throw Refusal.conflict(Message.of("group.most", "most", MOST));
        UUID id = UUID.randomUUID();
        String called = OwnName.checked(wanted.name(), Message.of("group.no-name"));
        OwnName.kept(
                () -> sql.sql("insert into template_group (id, name, everybody) values (?, ?, ?)")
                        .params(id, called, wanted.everybody())
                        .update(),
                Message.of("group.twice"));
        put(id, wanted);
        note("group-made", id, wanted);
    }

    /** @param revision that the change is based on @throws Refusal when it was changed since, or as {@link #make} */
    @Transactional
    void settle(UUID id, int revision, Wanted wanted) {
        String called = OwnName.checked(wanted.name(), Message.of("group.no-name"));
        OwnName.kept(
                () -> {
                    int changed = sql.sql("update template_group set name = ?, everybody = ?, revision = revision + 1"
                                    + " where id = ? and revision = ?")
                            .params(called, wanted.everybody(), id, revision)
                            .update();
                    if (changed == 0) throw Refusal.conflict(Message.of("group.changed"));
                },
                Message.of("group.twice"));
        put(id, wanted);
        note("group-changed", id, wanted);
    }

    private void put(UUID group, Wanted wanted) {
        sql.sql("delete from template_group_may where group_id = ?")
                .param(group)
                .update();
        for (GroupRight right : GroupRight.values()) {
            CircleWanted circle = wanted.circles().get(right);
            if (circle.everybody()) continue;
            insert(group, right, "team", new LinkedHashSet<>(circle.teams()));
            insert(group, right, "account", new LinkedHashSet<>(circle.people()));
        }
    }

    private void insert(UUID group, GroupRight right, String table, Set<UUID> ids) {
        int put = sql.sql("insert into template_group_may (group_id, may, " + table + "_id) select ?, ?, id from "
                        + table + " where id = any (?)")
                .params(group, right.name(), ids.toArray(UUID[]::new))
                .update();
        if (put < ids.size()) throw Refusal.invalid(Message.of("group.no-member"));
    }

    private void note(String act, UUID id, Wanted wanted) {
        TemplateGroup now =
                all().stream().filter(one -> one.id().equals(id)).findFirst().orElseThrow();
        trail.note(Message.of(
                "act.people." + act,
                "group",
                now.name(),
                "use",
                said(now.use()),
                "prepare",
                said(now.prepare()),
                "see",
                said(now.see())));
    }

    private static String said(Circle circle) {
        if (circle.everybody()) return Message.of("group.everybody").toString();
        List<String> names = Stream.concat(circle.teams().stream(), circle.people().stream())
                .map(GroupMember::name)
                .toList();
        return names.isEmpty() ? Message.of("group.nobody").toString() : String.join(", ", names);
    }

    /** @throws Refusal while templates stand in it, which would be open to everybody then */
    @Transactional
    void remove(UUID id) {
        Optional<String> name = sql.sql("select name from template_group where id = ? for update")
                .param(id)
                .query(String.class)
                .optional();
        if (name.isEmpty()) return;
        long templates = sql.sql("select count(*) from template where group_id = ?")
                .param(id)
                .query(Long.class)
                .single();
        if (templates > 0) throw Refusal.conflict(Message.of("group.not-empty", "count", templates));
        sql.sql("delete from template_group where id = ?").param(id).update();
        trail.note(Message.of("act.people.group-removed", "group", name.get()));
    }

    /**
     * Templates and the groups that they stand in.
     *
     * @param find part of a name
     * @param group only its; empty for those of all and of none
     */
    @Transactional(readOnly = true)
    Page<GroupedTemplate> templates(String find, Optional<UUID> group, int page) {
        var request = Page.request(page);
        Map<String, Object> values = new HashMap<>(Map.of("find", Page.pattern(find)));
        group.ifPresent(id -> values.put("group", id));
        String those = " from template t left join template_group g on g.id = t.group_id"
                // what was made for one agreement is found by its name
                + " where "
                + (find.isBlank() && group.isEmpty() ? "not t.single_use and " : "")
                + "lower(t.name) like :find escape '\\'" + (group.isPresent() ? " and t.group_id = :group" : "");
        List<GroupedTemplate> rows = sql.sql("select t.id, t.name, t.retired_at is not null, g.id, coalesce(g.name, '')"
                        + those + " order by lower(t.name), t.id limit " + request.getPageSize() + " offset "
                        + request.getOffset())
                .params(values)
                .query((row, i) -> new GroupedTemplate(
                        row.getObject(1, UUID.class),
                        row.getString(2),
                        row.getBoolean(3),
                        row.getObject(4, UUID.class),
                        row.getString(5)))
                .list();
        long total = sql.sql("select count(*)" + those)
                .params(values)
                .query(Long.class)
                .single();
        return new Page<>(rows, total, page, Page.SIZE);
    }

    /** Puts a template into a group, or into none. @throws Refusal when there is no such template or group */
    @Transactional
    void move(UUID template, Optional<UUID> group) {
        record Standing(String name, UUID group) {}
        Standing before = sql.sql("select name, group_id from template where id = ? for update")
                .param(template)
                .query((row, i) -> new Standing(row.getString(1), row.getObject(2, UUID.class)))
                .optional()
                .orElseThrow(() -> Refusal.notFound(Message.of("group.no-template")));
        if (Optional.ofNullable(before.group()).equals(group)) return;
        Optional<String> name = group.map(id -> sql.sql("select name from template_group where id = ? for share")
                .param(id)
                .query(String.class)
                .optional()
                .orElseThrow(() -> Refusal.notFound(Message.of("group.none"))));
        sql.sql("update template set group_id = ? where id = ?")
                .params(group.orElse(null), template)
                .update();
        trail.note(
                name.isPresent()
                        ? Message.of("act.people.template-grouped", "template", before.name(), "group", name.get())
                        : Message.of("act.people.template-ungrouped", "template", before.name()));
    }
}
