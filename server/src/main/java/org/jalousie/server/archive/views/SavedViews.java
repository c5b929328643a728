package org.jalousie.server.archive.views;

import io.swagger.v3.oas.annotations.media.Schema;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.sql.Timestamp;
import java.time.Clock;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.jalousie.core.access.Role;
import org.jalousie.core.agreement.State;
import org.jalousie.core.filing.columns.ArchiveView;
import org.jalousie.core.json.Json;
import org.jalousie.core.messages.Message;
import org.jalousie.server.Refusal;
import org.jalousie.server.account.Sight;
import org.jalousie.server.account.SignedIn;
import org.jalousie.server.template.TemplateColumns;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Ways to look at the archive that people keep: for themselves, or for everybody. */
@Service
class SavedViews {
    private static final int MOST = 200;
    private static final int LONGEST_NAME = 80;

    private final JdbcClient sql;
    private final TemplateColumns columns;
    private final Clock clock;
    private final Sight sight;

    SavedViews(JdbcClient sql, TemplateColumns columns, Clock clock, Sight sight) {
        this.sight = sight;
        this.sql = sql;
        this.columns = columns;
        this.clock = clock;
    }

    /**
     * A view that is kept.
     *
     * @param shared whether it is everybody's
     * @param usual whether the archive opens so when its template is chosen
     * @param template null for all
     */
    record SavedView(
            UUID id,
            String name,
            boolean shared,
            boolean usual,
            @Schema(types = {"string", "null"}) UUID template,
            State state,
            ArchiveView view) {}

    /** What is kept of one. @param template null for all */
    record ViewWanted(
            String name,
            boolean shared,
            boolean usual,
            @Schema(types = {"string", "null"}) UUID template,
            State state,
            ArchiveView view) {
        ViewWanted {
            name = name == null ? "" : name.replace("\0", "").strip();
            state = state == null ? State.COMPLETED : state;
            view = view == null ? new ArchiveView(null, null, null, null, null, null, null) : view;
        }
    }

    private static SavedView read(ResultSet row, int at) throws SQLException {
        return new SavedView(
                row.getObject("id", UUID.class),
                row.getString("name"),
                row.getString("owner") == null,
                row.getBoolean("usual"),
                row.getObject("template_id", UUID.class),
                State.valueOf(row.getString("state")),
                Json.MAPPER.readValue(row.getString("content"), ArchiveView.class));
    }

    /** One's own and those of everybody, by name. */
    @Transactional(readOnly = true)
    public List<SavedView> of(SignedIn who) {
        return sql
                .sql("select * from archive_view where owner is null or owner = ? order by lower(name), id")
                .param(who.mail())
                .query(SavedViews::read)
                .list()
                .stream()
                .filter(one -> one.template() == null || sight.sees(one.template()))
                .toList();
    }

    private SavedView mine(UUID id, SignedIn who) {
        SavedView view = sql.sql("select * from archive_view where id = ? and (owner is null or owner = ?) for update")
                .params(id, who.mail())
                .query(SavedViews::read)
                .optional()
                .orElseThrow(() -> Refusal.notFound(Message.of("archive.views.none")));
        if (view.shared()) requireCoordinator(who);
        return view;
    }

    private static void requireCoordinator(SignedIn who) {
        if (!who.is(Role.COORDINATOR))
            throw Refusal.of(Refusal.Kind.NOT_ALLOWED, Message.of("archive.views.not-yours"));
    }

    /** Keeps a new one, which is somebody's own or everybody's. */
    @Transactional
    public SavedView add(ViewWanted wanted, SignedIn who) {
        check(wanted, who);
        // one at a time, so that none comes in beyond the most
        sql.sql("select pg_advisory_xact_lock(hashtext('archive views'))").query(row -> {});
        int kept = sql.sql("select count(*) from archive_view where owner is not distinct from ?")
                .param(wanted.shared() ? null : who.mail())
                .query(Integer.class)
                .single();
        if (kept >= MOST) throw Refusal.invalid(Message.of("archive.views.too-many", "most", MOST));
        return put(UUID.randomUUID(), wanted, who);
    }

    /** Keeps one as it is looked at now. */
    @Transactional
    public SavedView change(UUID id, ViewWanted wanted, SignedIn who) {
        mine(id, who);
        check(wanted, who);
        return put(id, wanted, who);
    }

    private SavedView put(UUID id, ViewWanted wanted, SignedIn who) {
        if (wanted.usual())
            sql.sql("update archive_view set usual = false where usual and template_id = ? and id <> ?")
                    .params(wanted.template(), id)
                    .update();
        sql.sql("insert into archive_view (id, name, owner, template_id, state, content, usual, changed_at)"
                        + " values (?, ?, ?, ?, ?, cast(? as jsonb), ?, ?) on conflict (id) do update set name = excluded.name,"
                        + " owner = excluded.owner, template_id = excluded.template_id, state = excluded.state,"
                        + " content = excluded.content, usual = excluded.usual, changed_at = excluded.changed_at")
                .params(
                        id,
                        wanted.name(),
                        wanted.shared() ? null : who.mail(),
                        wanted.template(),
                        wanted.state().name(),
                        Json.canonical(wanted.view()),
                        wanted.usual(),
                        Timestamp.from(clock.instant()))
                .update();
        return new SavedView(
                id, wanted.name(), wanted.shared(), wanted.usual(), wanted.template(), wanted.state(), wanted.view());
    }

    private void check(ViewWanted wanted, SignedIn who) {
        if (wanted.name().isEmpty() || wanted.name().length() > LONGEST_NAME)
            throw Refusal.invalid(Message.of("archive.views.name", "most", LONGEST_NAME));
        if (wanted.shared()) requireCoordinator(who);
        if (wanted.usual() && (!wanted.shared() || wanted.template() == null))
            throw Refusal.invalid(Message.of("archive.views.usual"));
        if (!wanted.state().ended()) throw Refusal.invalid(Message.of("archive.not-ended"));
        // how everybody's list opens is no matter of who doesn't see it
        if (wanted.template() != null && !sight.sees(wanted.template()))
            throw Refusal.notFound(Message.of("group.not-seen"));
        Optional.ofNullable(wanted.template()).ifPresent(columns::of);
        String content = Json.canonical(wanted.view());
        if (content.length() > 20_000 || content.contains("\\u0000"))
            throw Refusal.invalid(Message.of("archive.views.too-long"));
        wanted.view().where().forEach(ArchiveQuery::condition);
    }

    /** Keeps it no more. */
    @Transactional
    public void remove(UUID id, SignedIn who) {
        mine(id, who);
        sql.sql("delete from archive_view where id = ?").param(id).update();
    }
}
