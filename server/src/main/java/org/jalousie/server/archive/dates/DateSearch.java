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
    /** Among so many times as many as are wanted they are looked for first. */
    private static final int NEAR = 4;

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
        Optional<List<UUID>> seen = seen(asked);
        List<DateStore.Row> near = list(Way.first(seen), asked, up, after, most);
        return near.size() >= most || seen.isEmpty() ? near : list(new Way(false, seen), asked, up, after, most);
    }

    private List<DateStore.Row> list(Way way, Asked asked, boolean up, Optional<At> after, int most) {
        return said(DateStore.COLUMNS, way, asked, up, after, most)
                .query(DateStore.ROW)
                .list();
    }

    /** How many there are, up to a number. */
    int count(Asked asked, int most) {
        Optional<List<UUID>> seen = seen(asked);
        int near = count(Way.first(seen), asked, most);
        return near >= most || seen.isEmpty() ? near : count(new Way(false, seen), asked, most);
    }

    private int count(Way way, Asked asked, int most) {
        return said("count(*)", way, asked, true, Optional.empty(), most)
                .query(Integer.class)
                .single();
    }

    /**
     * How they are found by whoever doesn't see all: what is seen may be few among many.
     *
     * @param near only among some that are nearest
     * @param templates each of which is looked up by its index; empty for leaving out what is hidden where it is met
     */
    private record Way(boolean near, Optional<List<UUID>> templates) {
        static Way first(Optional<List<UUID>> seen) {
            return new Way(seen.isPresent(), Optional.empty());
        }
    }

    /** The templates that are seen, where some aren't and nothing else tells which index finds the days. */
    private Optional<List<UUID>> seen(Asked asked) {
        boolean byOthers = asked.template() != null
                || asked.kind() != null
                || !asked.owner().isEmpty();
        return byOthers || sight.hidden().isEmpty() ? Optional.empty() : sight.seen();
    }

    /** A statement of some in their order, which an index has, whatever they are narrowed by. */
    private JdbcClient.StatementSpec said(String what, Way way, Asked asked, boolean up, Optional<At> after, int most) {
        Map<String, Object> params = new HashMap<>();
        StringBuilder those = new StringBuilder("select * from key_date where open = :open");
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
        String back = up ? "" : " desc";
        String order = " order by day" + back + ", id" + back + " limit ";
        Set<UUID> hidden = sight.hidden();
        String seen = those + order + most;
        if (asked.template() != null) {
            if (hidden.contains(asked.template())) seen = those + " and false" + order + most;
        } else if (way.templates().isPresent()) {
            params.put("seen", way.templates().get().toArray(UUID[]::new));
            seen = "select each.* from unnest(:seen) as one cross join lateral (" + those + " and template_id = one"
                    + order + most + ") as each" + order + most;
        } else if (!hidden.isEmpty()) {
            params.put("hidden", hidden.toArray(UUID[]::new));
            seen = "select * from (" + those + (way.near() ? order + NEAR * most : "")
                    + ") as near where template_id <> all (:hidden)" + order + most;
        }
        return sql.sql("select " + what + " from (" + seen + ") as found"
                        + (what.equals("count(*)") ? "" : order + most))
                .params(params);
    }

    private static void with(StringBuilder said, Map<String, Object> params, String test, String name, Object value) {
        if (value == null) return;
        said.append(" and ").append(test).append(" :").append(name);
        params.put(name, value);
    }
}
