package org.jalousie.server.archive.dates;

import java.time.LocalDate;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.UUID;
import org.jalousie.core.filing.dates.KeyDate;
import org.jalousie.server.account.Sight;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Repository;

/** Watched days as they are listed, narrowed, by the day. */
@Repository
class DateSearch {
    private final JdbcClient sql;
    private final Sight sight;

    DateSearch(JdbcClient sql, Sight sight) {
        this.sight = sight;
        this.sql = sql;
    }

    /**
     * What a list is narrowed by.
     *
     * @param open whether those that nobody has dealt with, or the others
     * @param template null for any; {@code kind} too, and {@code from} and {@code to}, both days included
     * @param owner a mail address; empty for anybody's
     */
    record Asked(boolean open, UUID template, KeyDate.Kind kind, LocalDate from, LocalDate to, String owner) {
        private String condition(Map<String, Object> params, Set<UUID> hidden) {
            StringBuilder said = new StringBuilder(" from key_date where open = :open");
            if (!hidden.isEmpty()) {
                said.append(" and template_id <> all (:hidden)");
                params.put("hidden", hidden.toArray(UUID[]::new));
            }
            params.put("open", open);
            with(said, params, "template_id =", "template", template);
            with(said, params, "kind =", "kind", kind == null ? null : kind.name());
            with(said, params, "day >=", "from", from);
            with(said, params, "day <=", "to", to);
            with(said, params, "owner =", "owner", owner.isEmpty() ? null : owner);
            return said.toString();
        }

        private static void with(
                StringBuilder said, Map<String, Object> params, String test, String name, Object value) {
            if (value == null) return;
            said.append(" and ").append(test).append(" :").append(name);
            params.put(name, value);
        }
    }

    /** Where in the list. */
    record At(LocalDate day, UUID id) {}

    /** Some of them by their days. @param up the nearest first; {@code after} which those are that are wanted */
    List<DateStore.Row> list(Asked asked, boolean up, Optional<At> after, int most) {
        Map<String, Object> params = new HashMap<>();
        String said = "select " + DateStore.COLUMNS + asked.condition(params, sight.hidden());
        if (after.isPresent()) {
            said += " and (day, id) " + (up ? ">" : "<") + " (:day, :id)";
            params.put("day", after.get().day());
            params.put("id", after.get().id());
        }
        String way = up ? "" : " desc";
        params.put("most", most);
        return sql.sql(said + " order by day" + way + ", id" + way + " limit :most")
                .params(params)
                .query(DateStore.ROW)
                .list();
    }

    /** How many there are, up to a number. */
    int count(Asked asked, int most) {
        Map<String, Object> params = new HashMap<>();
        // as a number: of a parameter the planner doesn't know that it is small
        String said =
                "select count(*) from (select 1" + asked.condition(params, sight.hidden()) + " limit " + most + ") few";
        return sql.sql(said).params(params).query(Integer.class).single();
    }
}
