package org.jalousie.server.agreement;

import static org.jalousie.server.agreement.Narrowing.where;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Stream;
import org.jalousie.core.filing.columns.ColumnKey;
import org.jalousie.server.agreement.EndedAgreements.Group;
import org.jalousie.server.agreement.EndedAgreements.Groups;
import org.jalousie.server.agreement.EndedAgreements.Sum;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Repository;

/**
 * Headings of the archive with how many stand under each and what their numbers come to. Of everything, it was added up as
 * agreements ended; of what is narrowed, those that are left are added up now.
 */
@Repository
class ArchiveGroups {
    private final JdbcClient sql;
    private final Narrowings narrowings;

    ArchiveGroups(JdbcClient sql, Narrowings narrowings) {
        this.narrowings = narrowings;
        this.sql = sql;
    }

    /**
     * How it is added up.
     *
     * @param with what the statement begins with
     * @param headings a statement's of the headings that any stand under, in no order
     * @param lines a statement's of heading, summed, unit, many and total, which has all of {@code headings}
     */
    private record Way(String with, String headings, String lines) {}

    /** @param by empty for everything under one heading */
    Groups of(AgreementsAsked asked, String by, List<ColumnKey> sums, int page) {
        Narrowing narrowing = narrowings.of(asked);
        Way way = narrowing.parts().isEmpty() ? kept(narrowing, by) : now(narrowing, by);
        Map<String, Object> values = new HashMap<>(narrowing.values());
        values.put("by", by);
        values.put(
                "summed",
                Stream.concat(Stream.of(""), sums.stream().map(ColumnKey::value))
                        .toList());
        // the sums' own index has the headings in their order, so that a page of them is enough; for this transaction
        if (narrowing.parts().isEmpty())
            sql.sql("set local enable_seqscan = off; set local enable_bitmapscan = off; set local enable_hashagg = off")
                    .update();
        List<Group> groups = groups(way, values, by.isEmpty() ? 0 : page);
        boolean more = groups.size() > EndedAgreements.HEADINGS;
        return new Groups(more ? groups.subList(0, EndedAgreements.HEADINGS) : groups, more);
    }

    /** From the sums that are kept. */
    private static Way kept(Narrowing narrowing, String by) {
        boolean column = !by.isEmpty() && !by.startsWith(".");
        String heading =
                by.isEmpty() ? "''" : by.equals(EndedAgreements.TEMPLATE) ? "a.template_id::text" : "a.heading";
        String those = where(Stream.concat(
                narrowing.base().stream(), Stream.of("a.grouped = " + (column ? ":by" : "'" + Archived.ENDED + "'"))));
        return new Way(
                "",
                "select " + heading + " as heading from archive_sum a" + those
                        + " and a.summed = '' group by 1 having sum(a.many) > 0",
                "select " + heading + " as heading, a.summed, a.unit, sum(a.many) as many, sum(a.total) as total"
                        + " from archive_sum a" + those + " and a.summed in (:summed) and " + heading
                        + " in (select heading from headings) group by 1, 2, 3");
    }

    /** From the agreements that are left. */
    private static Way now(Narrowing narrowing, String by) {
        String keyed = switch (by) {
            case "" -> "select found.id, '' as heading from found";
            case Archived.ENDED ->
                "select found.id, e.month as heading from found join archived e on e.agreement_id = found.id";
            case EndedAgreements.TEMPLATE ->
                "select found.id, e.template_id::text as heading from found join archived e on e.agreement_id = found.id";
            default ->
                "select found.id, coalesce(v.heading, '') as heading from found"
                        + " join archive_value v on v.agreement_id = found.id and v.name = :by"
                        + " and v.template_id = :template and v.state in (:states)";
        };
        String with = "found as materialized ("
                + narrowing.ids(narrowing.parts())
                + "), keyed as materialized (" + keyed + "), counted as materialized"
                + " (select heading, count(*) as many from keyed group by 1), ";
        String lines = "select heading, '' as summed, '' as unit, many, 0::numeric as total from counted"
                + " where heading in (select heading from headings) union all"
                + " select k.heading, v.name, v.unit, count(*), sum(v.number) from keyed k"
                + " join archive_value v on v.agreement_id = k.id and v.name in (:summed) and v.number is not null"
                + (narrowing.values().containsKey("template")
                        ? " and v.template_id = :template and v.state in (:states)"
                        : "")
                + " where k.heading in (select heading from headings) group by 1, 2, 3";
        return new Way(with, "select heading from counted", lines);
    }

    private List<Group> groups(Way way, Map<String, Object> values, int page) {
        Map<String, List<Sum>> sums = new LinkedHashMap<>();
        Map<String, Long> counts = new HashMap<>();
        sql.sql("with " + way.with() + "headings as materialized (select heading from (" + way.headings()
                        + ") as h order by heading collate \"C\" limit " + (EndedAgreements.HEADINGS + 1) + " offset "
                        + (long) page * EndedAgreements.HEADINGS + ")"
                        + " select heading, summed, unit, many, total from (" + way.lines() + ") as l"
                        + " where many > 0 order by heading collate \"C\", summed, unit")
                .params(values)
                .query(row -> {
                    String heading = row.getString(1);
                    List<Sum> own = sums.computeIfAbsent(heading, key -> new ArrayList<>());
                    if (row.getString(2).isEmpty()) counts.put(heading, row.getLong(4));
                    else own.add(new Sum(new ColumnKey(row.getString(2)), row.getString(3), row.getBigDecimal(5)));
                });
        return sums.entrySet().stream()
                .map(one -> new Group(
                        one.getKey(),
                        Optional.ofNullable(counts.get(one.getKey())).orElse(0L),
                        one.getValue()))
                .toList();
    }
}
