package org.jalousie.server.archive.retention;

import java.sql.ResultSet;
import java.sql.SQLException;
import java.sql.Timestamp;
import java.time.Instant;
import java.time.LocalDate;
import java.time.ZoneId;
import java.util.ArrayList;
import java.util.Collection;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import org.jalousie.core.agreement.State;
import org.jalousie.core.filing.retention.RetentionRule;
import org.jalousie.core.json.Json;
import org.jalousie.server.office.OfficeHours;
import org.jalousie.server.template.TemplateRetention;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Repository;

/** Agreements that have ended, by how long they have to be kept. */
@Repository
class KeptAgreements {
    /** What is counted from: the day of the ending, or the last day that is watched of it. */
    private static final String COLUMNS = "a.id, a.number, a.title, a.template_id, a.template_name, a.state, a.since,"
            + " (select max(day) from key_date k where k.agreement_id = a.id) as watched";

    /** Of each template and state those that have been kept long enough. */
    private static final String DUE =
            " from jsonb_to_recordset(:due::jsonb) as d(template uuid, state text, ended timestamptz, day date)"
                    + " join agreement a on a.template_id = d.template and a.state = d.state and a.since < d.ended"
                    + " where not exists (select from key_date k where k.agreement_id = a.id and k.day > d.day)"
                    + " and not exists (select from legal_hold h where h.agreement_id = a.id and h.lifted_at is null)"
                    + " and not exists (select from destruction g where g.agreement_id = a.id)";

    private final JdbcClient sql;
    private final TemplateRetention templates;
    private final OfficeHours hours;

    KeptAgreements(JdbcClient sql, TemplateRetention templates, OfficeHours hours) {
        this.sql = sql;
        this.templates = templates;
        this.hours = hours;
    }

    /** @param watched the last day that is watched of it; empty for none */
    record Kept(
            UUID id,
            String number,
            String title,
            UUID template,
            String templateName,
            State state,
            Instant ended,
            Optional<LocalDate> watched) {
        /** The day from which its time is counted. */
        LocalDate counted(ZoneId zone) {
            LocalDate day = LocalDate.ofInstant(ended, zone);
            return watched.filter(one -> one.isAfter(day)).orElse(day);
        }
    }

    private static Kept kept(ResultSet row, int at) throws SQLException {
        return new Kept(
                row.getObject("id", UUID.class),
                row.getString("number"),
                row.getString("title"),
                row.getObject("template_id", UUID.class),
                row.getString("template_name"),
                State.valueOf(row.getString("state")),
                row.getTimestamp("since").toInstant(),
                Optional.ofNullable(row.getObject("watched", LocalDate.class)));
    }

    /** A place in the list of what is due. */
    record At(Instant ended, UUID id) {}

    /** @param ended the first moment that is too late for an ending, {@code day} the last for a watched day */
    private record Over(UUID template, String state, String ended, String day) {}

    /** How long agreements are kept, by template; those that aren't among them are kept for ever. */
    Map<UUID, RetentionRule> rules() {
        return templates.all();
    }

    private String due(Map<UUID, RetentionRule> rules, Optional<UUID> template, LocalDate today) {
        List<Over> all = new ArrayList<>();
        for (Map.Entry<UUID, RetentionRule> one : rules.entrySet()) {
            if (template.filter(wanted -> !wanted.equals(one.getKey())).isPresent()) continue;
            for (State state : State.values())
                if (state.ended())
                    one.getValue()
                            .over(state, today)
                            .ifPresent(day -> all.add(new Over(
                                    one.getKey(),
                                    state.name(),
                                    day.plusDays(1)
                                            .atStartOfDay(zone())
                                            .toInstant()
                                            .toString(),
                                    day.toString())));
        }
        return Json.canonical(all);
    }

    ZoneId zone() {
        return hours.calendar().zone();
    }

    /** Those that have been kept long enough by a day, what ended first before. @param today the first day after their time */
    List<Kept> due(
            Map<UUID, RetentionRule> rules,
            Optional<UUID> template,
            LocalDate today,
            Optional<At> after,
            boolean up,
            int most) {
        String way = up ? "" : " desc";
        return sql.sql("select " + COLUMNS + DUE
                        + (after.isPresent() ? " and (a.since, a.id) " + (up ? ">" : "<") + " (:at, :id)" : "")
                        + " order by a.since" + way + ", a.id" + way + " limit :most")
                .param("due", due(rules, template, today))
                .param("at", after.map(one -> Timestamp.from(one.ended())).orElse(null))
                .param("id", after.map(At::id).orElse(null))
                .param("most", most)
                .query(KeptAgreements::kept)
                .list();
    }

    int count(Map<UUID, RetentionRule> rules, Optional<UUID> template, LocalDate today, int most) {
        String due = due(rules, template, today);
        // where no template has a rule nothing is ever due
        if (due.equals("[]")) return 0;
        return sql.sql("select count(*) from (select a.id" + DUE + " limit :most) some_of")
                .param("due", due)
                .param("most", most)
                .query(Integer.class)
                .single();
    }

    /** Of some numbers those that are due. */
    List<Kept> due(Map<UUID, RetentionRule> rules, Collection<String> numbers, LocalDate today) {
        if (numbers.isEmpty()) return List.of();
        return sql.sql("select " + COLUMNS + DUE + " and a.number in (:numbers) order by a.since, a.id")
                .param("due", due(rules, Optional.empty(), today))
                .param("numbers", numbers)
                .query(KeptAgreements::kept)
                .list();
    }

    /** Some agreements, whether or not they have ended. */
    List<Kept> named(Collection<String> numbers) {
        if (numbers.isEmpty()) return List.of();
        return sql.sql("select " + COLUMNS + " from agreement a where a.number in (:numbers) order by a.number")
                .param("numbers", numbers)
                .query(KeptAgreements::kept)
                .list();
    }

    /** The last day on which one has to be kept, by its template's rule; empty for ever, or while it hasn't ended. */
    Optional<LocalDate> until(Map<UUID, RetentionRule> rules, Kept one) {
        return one.state().ended()
                ? rules.getOrDefault(one.template(), RetentionRule.NONE).until(one.state(), one.counted(zone()))
                : Optional.empty();
    }
}
