package org.jalousie.server.agreement;

import java.time.YearMonth;
import java.util.Collection;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import org.jalousie.core.agreement.Agreement;
import org.jalousie.core.filing.columns.ColumnKey;
import org.jalousie.core.filing.columns.ColumnValue;
import org.jalousie.core.intake.Intake;
import org.jalousie.core.template.TemplateContent;
import org.jalousie.server.office.OfficeHours;
import org.jalousie.server.template.TemplateColumns;
import org.jalousie.server.template.UsableTemplates;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Repository;

/**
 * What agreements that have ended have in the columns of their template, and what each heading of a grouped list comes to: a
 * projection of their events. An ended agreement stays as it is, so it is written once, and again when others are columns.
 */
@Repository
class Archived {
    /** Sums are kept in so many rows, so that two agreements that end at once seldom wait for one another. */
    private static final int SHARES = 8;

    /** What all of a month are grouped by; no datum is called so. */
    static final String ENDED = ".ended";

    private final JdbcClient sql;
    private final TemplateColumns columns;
    private final UsableTemplates templates;
    private final OfficeHours hours;

    Archived(JdbcClient sql, TemplateColumns columns, UsableTemplates templates, OfficeHours hours) {
        this.sql = sql;
        this.columns = columns;
        this.templates = templates;
        this.hours = hours;
    }

    /** @param version of the template */
    record About(UUID id, UUID template, UUID version) {}

    /** Takes over an agreement that has ended, unless that is done. */
    void keep(About about, Agreement agreement) {
        TemplateColumns.Chosen chosen = columns.held(about.template());
        Optional<Integer> kept = sql.sql("select edition from archived where agreement_id = ? for update")
                .param(about.id())
                .query(Integer.class)
                .optional();
        if (kept.filter(edition -> edition == chosen.edition()).isPresent()) return;
        if (kept.filter(edition -> edition >= 0).isPresent()) add(about.id(), -1);
        sql.sql("delete from archive_value where agreement_id = ?")
                .param(about.id())
                .update();
        sql.sql(
                        "insert into archived (agreement_id, template_id, state, month, edition) values (?, ?, ?, ?, ?)"
                                + " on conflict (agreement_id) do update set month = excluded.month, edition = excluded.edition")
                .params(
                        about.id(),
                        about.template(),
                        agreement.state().name(),
                        YearMonth.from(agreement.since().atZone(hours.calendar().zone()))
                                .toString(),
                        chosen.edition())
                .update();
        if (!chosen.columns().isEmpty()) values(about, agreement, chosen);
        add(about.id(), 1);
    }

    private void values(About about, Agreement agreement, TemplateColumns.Chosen chosen) {
        TemplateContent content = templates.content(about.version());
        List<ColumnValue> values = ColumnValue.of(
                chosen.keys(),
                content.fields(),
                Intake.stored(content.fields(), agreement.data()),
                agreement,
                Locale.forLanguageTag(content.language()));
        for (ColumnValue value : values)
            sql.sql(
                            "insert into archive_value (agreement_id, name, template_id, state, text, raw, sort_key, number, unit,"
                                    + " heading) values (?, ?, ?, ?, ?, ?, ?, ?, ?, ?)")
                    .params(
                            about.id(),
                            value.key().value(),
                            about.template(),
                            agreement.state().name(),
                            value.text(),
                            value.raw(),
                            value.order(),
                            value.number().orElse(null),
                            value.unit(),
                            value.group().orElse(null))
                    .update();
    }

    /** Adds it to what its headings come to, in an order that is the same for all. @param sign -1 to take it out again */
    private void add(UUID id, int sign) {
        sql.sql("insert into archive_sum as kept"
                        + " (state, grouped, template_id, heading, summed, unit, share, many, total)"
                        + " select a.state, g.name, a.template_id, g.heading, s.name, s.unit, :share, :sign, :sign * s.number"
                        + " from archived a"
                        + " cross join lateral (select '" + ENDED + "' as name, a.month as heading union all"
                        + " select name, heading from archive_value where agreement_id = a.agreement_id and heading is not null) g"
                        + " cross join lateral (select '' as name, '' as unit, 0::numeric as number union all"
                        + " select name, unit, number from archive_value where agreement_id = a.agreement_id and number is not null) s"
                        + " where a.agreement_id = :id order by g.name, g.heading, s.name, s.unit"
                        + " on conflict (state, grouped, template_id, heading, summed, unit, share)"
                        + " do update set many = kept.many + excluded.many, total = kept.total + excluded.total")
                .param("id", id)
                .param("share", Math.floorMod(id.hashCode(), SHARES))
                .param("sign", sign)
                .update();
    }

    /** One goes: its headings come to less. */
    void takeOut(UUID id) {
        boolean counted = sql.sql("select edition from archived where agreement_id = ? for update")
                .param(id)
                .query(Integer.class)
                .optional()
                .filter(edition -> edition >= 0)
                .isPresent();
        if (!counted) return;
        add(id, -1);
        // a heading may be somebody's name: where nothing is under it any more, it goes, too
        sql.sql("delete from archive_sum where template_id = (select template_id from archived where agreement_id = ?)"
                        + " and share = ? and many = 0")
                .params(id, Math.floorMod(id.hashCode(), SHARES))
                .update();
    }

    /** What some have in some columns, as it prints. */
    Map<UUID, Map<String, String>> texts(Collection<UUID> ids, List<ColumnKey> wanted) {
        Map<UUID, Map<String, String>> texts = new HashMap<>();
        read(
                "text",
                ids,
                wanted,
                (id, key, text) ->
                        texts.computeIfAbsent(id, one -> new HashMap<>()).put(key.value(), text));
        return texts;
    }

    /** The same as it is stored. */
    Map<UUID, Map<ColumnKey, String>> raw(Collection<UUID> ids, List<ColumnKey> wanted) {
        Map<UUID, Map<ColumnKey, String>> raw = new HashMap<>();
        read(
                "raw",
                ids,
                wanted,
                (id, key, text) ->
                        raw.computeIfAbsent(id, one -> new HashMap<>()).put(key, text));
        return raw;
    }

    private interface Sink {
        void take(UUID id, ColumnKey key, String text);
    }

    private void read(String what, Collection<UUID> ids, List<ColumnKey> wanted, Sink sink) {
        if (ids.isEmpty() || wanted.isEmpty()) return;
        sql.sql("select agreement_id, name, " + what
                        + " from archive_value where agreement_id in (:ids) and name in (:names)")
                .param("ids", ids)
                .param("names", wanted.stream().map(ColumnKey::value).toList())
                .query(row -> {
                    sink.take(row.getObject(1, UUID.class), new ColumnKey(row.getString(2)), row.getString(3));
                });
    }

    /** The templates of those that are taken over, with how many there are. */
    Map<UUID, Long> templates() {
        Map<UUID, Long> templates = new HashMap<>();
        sql.sql("select template_id, sum(many) from archive_sum where grouped = ? and summed = ''"
                        + " group by template_id having sum(many) > 0")
                .param(ENDED)
                .query(row -> {
                    templates.put(row.getObject(1, UUID.class), row.getLong(2));
                });
        return templates;
    }

    /** Some that are complete, by their ids. */
    List<EndedAgreements.Completed> completed(Optional<UUID> after, int most) {
        return sql.sql("select agreement_id, template_id from archived where state = 'COMPLETED' and agreement_id > ?"
                        + " order by agreement_id limit ?")
                .params(after.orElse(new UUID(0, 0)), most)
                .query((row, at) ->
                        new EndedAgreements.Completed(row.getObject(1, UUID.class), row.getObject(2, UUID.class)))
                .list();
    }

    /** Some of a template that are complete, by their ids. */
    List<UUID> completedOf(UUID template, Optional<UUID> after, int most) {
        return sql.sql("select agreement_id from archived where template_id = ? and state = 'COMPLETED'"
                        + " and agreement_id > ? order by agreement_id limit ?")
                .params(template, after.orElse(new UUID(0, 0)), most)
                .query(UUID.class)
                .list();
    }

    /** Some that aren't as their template says now. @param most at most how many */
    List<UUID> behind(UUID template, int most) {
        return sql.sql(
                        "select a.agreement_id from archived a where a.template_id = ?"
                                + " and a.edition < (select columns_edition from template t where t.id = a.template_id) limit ?")
                .params(template, most)
                .query(UUID.class)
                .list();
    }

    /** Templates that have agreements which an earlier version of the program didn't take over. */
    List<UUID> untaken() {
        return sql.sql("select distinct template_id from archived where edition < 0")
                .query(UUID.class)
                .list();
    }

    /** How many of a template's aren't as it says now, up to a thousand. */
    int countBehind(UUID template) {
        return behind(template, 1000).size();
    }
}
