package org.jalousie.server.archive.reports;

import java.sql.Timestamp;
import java.time.LocalDate;
import java.time.ZoneId;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.UUID;
import org.springframework.jdbc.core.simple.JdbcClient;

/**
 * What a report is about.
 *
 * @param template of one template alone
 * @param hidden templates of which nothing is told
 * @param from the first day, in the office's time zone
 * @param to the last
 */
record Asked(Optional<UUID> template, Set<UUID> hidden, Optional<LocalDate> from, Optional<LocalDate> to, ZoneId zone) {

    /** A statement's conditions, with what they compare with. @param when the column of the moment that is asked about */
    JdbcClient.StatementSpec narrow(
            JdbcClient sql, String before, String when, List<String> conditions, String after, Map<String, ?> values) {
        List<String> all = new ArrayList<>(conditions);
        if (template.isPresent()) all.add("template_id = :template");
        if (!hidden.isEmpty()) all.add("template_id <> all (:hidden)");
        if (from.isPresent()) all.add(when + " >= :from");
        if (to.isPresent()) all.add(when + " < :to");
        JdbcClient.StatementSpec statement =
                sql.sql(before + (all.isEmpty() ? "" : " where " + String.join(" and ", all)) + after);
        if (template.isPresent()) statement = statement.param("template", template.get());
        if (!hidden.isEmpty()) statement = statement.param("hidden", hidden.toArray(UUID[]::new));
        if (from.isPresent()) statement = statement.param("from", start(from.get()));
        if (to.isPresent()) statement = statement.param("to", start(to.get().plusDays(1)));
        for (Map.Entry<String, ?> value : values.entrySet())
            statement = statement.param(value.getKey(), value.getValue());
        return statement;
    }

    private Timestamp start(LocalDate day) {
        return Timestamp.from(day.atStartOfDay(zone).toInstant());
    }
}
