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
    /** Of more templates, what is hidden is left out where it is met. */
    private static final int MOST_SEEN = 200;

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
    record Asked(boolean open, UUID template, KeyDate.Kind kind, LocalDate from, LocalDate to, String owner) {}

    /** Where in the list. */
    record At(LocalDate day, UUID id) {}

    /** Some of them by their days. @param up the nearest first; {@code after} which those are that are wanted */
    List<DateStore.Row> list(Asked asked, boolean up, Optional<At> after, int most) {
        return said(DateStore.COLUMNS, asked, up, after, most)
                .query(DateStore.ROW)
                .list();
    }

    /** How many there are, up to a number. */
    int count(Asked asked, int most) {
        return said("count(*)", asked, true, Optional.empty(), most)
                .query(Integer.class)
                .single();
    }

    /** A statement of some in their order, which an index has, whatever they are narrowed by. */
    private JdbcClient.StatementSpec said(String what, Asked asked, boolean up, Optional<At> after, int most) {
        Map<String, Object> params = new HashMap<>();
        StringBuilder those = new StringBuilder(" where open = :open");
        params.put("open", asked.open());
        with(those, params, "template_id =", "template", asked.template());
        with(
                those,
                params,
                "kind =",
                "kind",
                asked.kind() == null ? null : asked.kind().name());
        with(those, params, "day >=", "from", asked.from());
        with(those, params, "day <=", "to", asked.to());
        with(those, params, "owner =", "owner", asked.owner().isEmpty() ? null : asked.owner());
        after.ifPresent(at -> {
            those.append(" and (day, id) ").append(up ? ">" : "<").append(" (:day, :id)");
            params.put("day", at.day());
            params.put("id", at.id());
        });
        // as a number: of a parameter the planner doesn't know that it is small, and reads everything
        String way = up ? "" : " desc";
        String some = " order by day" + way + ", id" + way + " limit " + most;
        String seen = "select * from key_date" + those + hidden(asked, params) + some;
        if (params.containsKey("seen"))
            seen = "select each.* from unnest(:seen) as one cross join lateral (select * from key_date" + those
                    + " and template_id = one" + some + ") as each" + some;
        return sql.sql("select " + what + " from (" + seen + ") as found" + (what.equals("count(*)") ? "" : some))
                .params(params);
    }

    /**
     * What isn't seen. Where nothing else tells which index finds them, those of each template that is seen are looked up: they may
     * be few of many.
     */
    private String hidden(Asked asked, Map<String, Object> params) {
        Set<UUID> hidden = sight.hidden();
        if (hidden.isEmpty()) return "";
        if (asked.template() != null) return hidden.contains(asked.template()) ? " and false" : "";
        if (asked.kind() == null && asked.owner().isEmpty())
            sight.seen(MOST_SEEN).ifPresent(seen -> params.put("seen", seen.toArray(UUID[]::new)));
        params.put("hidden", hidden.toArray(UUID[]::new));
        return " and template_id <> all (:hidden)";
    }

    private static void with(StringBuilder said, Map<String, Object> params, String test, String name, Object value) {
        if (value == null) return;
        said.append(" and ").append(test).append(" :").append(name);
        params.put(name, value);
    }
}
