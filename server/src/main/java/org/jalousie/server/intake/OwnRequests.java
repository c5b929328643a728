package org.jalousie.server.intake;

import java.sql.Timestamp;
import java.time.Clock;
import java.time.Instant;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import java.util.stream.Collectors;
import org.jalousie.core.messages.Message;
import org.jalousie.server.Refusal;
import org.jalousie.server.Settings;
import org.jalousie.server.account.Sight;
import org.jalousie.server.template.UsableTemplates;
import org.jalousie.server.web.Page;
import org.springframework.data.domain.PageRequest;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** What requesters of the office ask by, and what they asked for under the address of their account. */
@Service
class OwnRequests {
    private static final String OPEN = " from form_link where colleagues and not closed"
            + " and (closes_at is null or closes_at > :now) and (most is null or taken < most)"
            + " and lower(title) like :find escape '\\' and template_id <> all (:closed)";
    private static final String OWN =
            " from intake_request r where r.part_of is null and r.asker_mail <> '' and lower(r.asker_mail) = :mail";

    private final UsableTemplates templates;
    private final Secrets secrets;
    private final Settings settings;
    private final JdbcClient sql;
    private final Clock clock;
    private final Sight sight;

    OwnRequests(
            UsableTemplates templates, Secrets secrets, Settings settings, JdbcClient sql, Clock clock, Sight sight) {
        this.sight = sight;
        this.templates = templates;
        this.secrets = secrets;
        this.settings = settings;
        this.sql = sql;
        this.clock = clock;
    }

    /** @param rests whether its template can't be filled just now */
    record FormToAskBy(UUID id, String title, String address, boolean rests) {}

    /** @param title of the form that it was asked by */
    record OwnRequest(String number, String title, Instant at, RequestStage stage) {}

    /** Forms that can be filled, by title. */
    @Transactional(readOnly = true)
    Page<FormToAskBy> forms(String find, int page) {
        PageRequest wanted = Page.request(page);
        record Row(UUID id, UUID template, String title, String token) {}
        Map<String, Object> named = Map.of(
                "now",
                Timestamp.from(clock.instant()),
                "find",
                Page.pattern(find),
                "closed",
                sight.closed().toArray(UUID[]::new));
        List<Row> rows = sql.sql("select id, template_id, title, token" + OPEN + " order by title, id limit "
                        + Page.SIZE + " offset " + wanted.getOffset())
                .params(named)
                .query((row, i) -> new Row(
                        row.getObject(1, UUID.class), row.getObject(2, UUID.class), row.getString(3), row.getString(4)))
                .list();
        long total = sql.sql("select count(*)" + OPEN)
                .params(named)
                .query(Long.class)
                .single();
        Map<UUID, String> fillable =
                templates.fillable(rows.stream().map(Row::template).collect(Collectors.toSet()));
        return new Page<>(
                rows.stream()
                        .map(row -> new FormToAskBy(
                                row.id(),
                                row.title(),
                                settings.address() + "/ask/" + row.token(),
                                !fillable.containsKey(row.template())))
                        .toList(),
                total,
                page,
                Page.SIZE);
    }

    /** What somebody asked for, the last first. */
    @Transactional(readOnly = true)
    Page<OwnRequest> of(String mail, int page) {
        PageRequest wanted = Page.request(page);
        List<OwnRequest> rows = sql.sql("select r.number, r.created_at, r.stage,"
                        + " coalesce((select title from form_link l where l.id = r.form_link_id), '')" + OWN
                        + " order by r.created_at desc, r.id desc limit " + Page.SIZE + " offset "
                        + wanted.getOffset())
                .param("mail", mail)
                .query((row, i) -> new OwnRequest(
                        row.getString(1),
                        row.getString(4),
                        row.getTimestamp(2).toInstant(),
                        RequestStage.valueOf(row.getString(3))))
                .list();
        long total = sql.sql("select count(*)" + OWN)
                .param("mail", mail)
                .query(Long.class)
                .single();
        return new Page<>(rows, total, page, Page.SIZE);
    }

    /** Where one of them is looked up, as by the link that was mailed. @throws Refusal when it isn't theirs */
    @Transactional
    String wayIn(String number, String mail) {
        Optional<UUID> id = sql.sql("select r.id" + OWN + " and r.number = :number")
                .param("mail", mail)
                .param("number", number)
                .query(UUID.class)
                .optional();
        return settings.address() + "/asked/"
                + secrets.ofRequest(
                        id.orElseThrow(() -> Refusal.notFound(Message.of("own-requests.none", "number", number))));
    }
}
