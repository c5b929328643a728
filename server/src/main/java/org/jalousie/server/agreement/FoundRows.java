package org.jalousie.server.agreement;

import static org.jalousie.server.agreement.Narrowing.where;

import java.util.ArrayList;
import java.util.List;
import java.util.UUID;
import java.util.function.Function;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Repository;

/** The ways in which rows of agreements are found; which of them is soonest, {@link AgreementFinder} says. */
@Repository
class FoundRows {
    /** Up to how many are collected: about as dear as walking the index where no more than that fit of 100,000. */
    static final int FEW = 5_000;

    /** Of several parts those that no more than so many fulfil are looked up together. */
    static final int SOME = 20_000;

    /** Beyond that it is sooner to remember which they are and to walk the order than to look each up and sort. */
    private static final int SORTED = 700;

    /** How far the order is walked for each that is looked for: about as dear as looking each up. */
    private static final int STEPS = 20;

    private final JdbcClient sql;

    FoundRows(JdbcClient sql) {
        this.sql = sql;
    }

    /** A row that was found. @param value by which it stands in the order */
    record Found(UUID id, String value) {}

    /**
     * Of few, those of the page; of many, how many more than few.
     *
     * @param looked how many fulfil the part by which they were found
     * @param count how many of them fulfil everything
     * @param most up to how many are few
     */
    record Collected(int looked, int count, List<Found> found, int most) {
        boolean few() {
            return looked <= most;
        }

        /** Whether the order was walked for them. */
        boolean walked() {
            return most == SORTED && looked <= SOME;
        }

        /** Whether each of the parts is fulfilled by more than some. */
        boolean ofMany() {
            return looked == Integer.MAX_VALUE;
        }
    }

    /** Indexes know what is looked for, however many have it. For as long as the transaction lasts. */
    void byIndexes() {
        sql.sql("set local enable_seqscan = off; set local enable_hashjoin = off; set local enable_mergejoin = off")
                .update();
    }

    int limited(Narrowing narrowing, String ids, int most) {
        return sql.sql("select count(*) from (" + ids + " limit " + most + ") as counted")
                .params(narrowing.values())
                .query(Integer.class)
                .single();
    }

    /** What isn't about the column that is sorted by, whose index knows it. */
    static List<Narrowing.Part> apart(Narrowing narrowing, Walk walk) {
        return narrowing.parts().stream()
                .filter(part -> part.column().isEmpty()
                        || !part.column().equals(walk.order().data()))
                .toList();
    }

    /** Those that fulfil some of the parts, and everything else. @param by the parts whose indexes find them; none for all */
    Collected collected(Narrowing narrowing, List<Narrowing.Part> by, Walk walk) {
        String others = narrowing.besides(by).collect(Collectors.joining(" and "));
        if (others.isEmpty()) return sortedOrWalked(narrowing, by, walk);
        String found = "found as materialized (" + narrowing.of(by) + " limit " + (FEW + 1) + "),"
                + " looked as (select count(*) as many from found)";
        return fitting(narrowing, found, others, walk, FEW);
    }

    List<Found> all(Narrowing narrowing, List<Narrowing.Part> by, Walk walk) {
        String others = narrowing.besides(by).collect(Collectors.joining(" and "));
        String found =
                "found as materialized (" + narrowing.of(by) + "), looked as (select count(*) as many from found)";
        return fitting(narrowing, found, others.isEmpty() ? "true" : others, walk, Integer.MAX_VALUE - 1)
                .found();
    }

    /**
     * Those that fulfil all parts. What some fulfil is intersected; whether what many fulfil is fulfilled, too, is looked up at
     * each that is left. Its {@code looked} is endless where many fulfil each of those that are about columns.
     */
    Collected together(Narrowing narrowing, Walk walk) {
        List<Narrowing.Part> columns = narrowing.columns();
        String parts = each(
                columns,
                ", ",
                i -> "part" + i + " as materialized (" + columns.get(i).ids() + " limit " + (SOME + 1) + ")");
        String sizes = "sizes as materialized (select "
                + each(columns, ", ", i -> "(select count(*) from part" + i + ") <= " + SOME + " as some" + i) + ")";
        String found = "found as materialized (select id from ("
                + each(columns, " union all ", i -> "select id from part" + i + ", sizes where some" + i)
                + ") as each group by id having count(*) = (select "
                + each(columns, " + ", i -> "some" + i + "::int") + " from sizes) limit " + (FEW + 1) + ")";
        String looked = "looked as (select case when (select "
                + each(columns, " or ", i -> "some" + i) + " from sizes) then (select count(*) from found) else "
                + Integer.MAX_VALUE + " end as many)";
        String others = each(
                columns,
                " and ",
                i -> "((select some" + i + " from sizes) or " + columns.get(i).fits() + ")");
        String words = narrowing.besides(columns).map(one -> " and " + one).collect(Collectors.joining());
        return fitting(narrowing, String.join(", ", parts, sizes, found, looked), others + words, walk, FEW);
    }

    private static String each(List<Narrowing.Part> parts, String between, Function<Integer, String> said) {
        return IntStream.range(0, parts.size()).boxed().map(said).collect(Collectors.joining(between));
    }

    /** @param found what the statement begins with: {@code found}, and how many these are as {@code looked} */
    private Collected fitting(Narrowing narrowing, String found, String others, Walk walk, int most) {
        String column = walk.order().column();
        String fitting = ", fitting as materialized (select a.id, a." + column
                + " from looked cross join lateral (select a.id, a." + column + " from found join "
                + walk.order().source() + " as a on a.id = found.id where looked.many <= " + most + " and " + others
                + ") as a)";
        return read(
                narrowing,
                walk,
                "with " + found + fitting + " select looked.many, (select count(*) from fitting), page.id, page.value"
                        + " from looked left join lateral (select a.id, "
                        + walk.order().written()
                        + " as value from fitting a" + where(walk.from().stream()) + walk.end()
                        + ") as page on true",
                most);
    }

    /** Where there is nothing else to fulfil: so few that they are sorted, or some that are met on the way. */
    private Collected sortedOrWalked(Narrowing narrowing, List<Narrowing.Part> by, Walk walk) {
        String row = "select a.id, " + walk.order().written() + " as value ";
        String sorted = row + "from found join " + walk.order().source()
                + " as a on a.id = found.id where looked.many <= " + SORTED
                + walk.from().map(from -> " and " + from).orElse("") + walk.end();
        // a plain condition would be turned into a join, without the table of hashes
        String walked = row + "from (select * from " + walk.order().source() + " as a"
                + where(Stream.concat(known(narrowing, walk), walk.from().stream())) + walk.by()
                + " limit (select case when many between " + (SORTED + 1) + " and " + SOME + " then many * " + STEPS
                + " else 0 end from looked)) as a"
                + " where case when a.id in (select id from found) then true else false end" + walk.end();
        return read(
                narrowing,
                walk,
                "with found as materialized (" + narrowing.of(by) + " limit " + (SOME + 1) + "),"
                        + " looked as (select count(*) as many from found)"
                        + " select looked.many, looked.many, page.id, page.value from looked left join lateral (select * from ("
                        + sorted + ") as sorted union all select * from (" + walked + ") as walked) as page on true",
                SORTED);
    }

    private Collected read(Narrowing narrowing, Walk walk, String statement, int most) {
        List<Found> found = new ArrayList<>();
        int[] counts = new int[2];
        walk.in(sql.sql(statement).params(narrowing.values())).query(row -> {
            counts[0] = row.getInt(1);
            counts[1] = row.getInt(2);
            if (row.getObject(3, UUID.class) != null)
                found.add(new Found(row.getObject(3, UUID.class), row.getString(4)));
        });
        return new Collected(counts[0], counts[1], found, most);
    }

    /** Of all, of one state, or of one template in one state: the index of the order has just those. */
    List<Found> inOrder(Narrowing narrowing, Walk walk) {
        return found(
                narrowing,
                walk,
                "select a.id, " + walk.order().written() + " from "
                        + walk.order().source() + " as a"
                        + where(Stream.of(
                                        narrowing.base().stream(),
                                        narrowing.parts().stream().map(Narrowing.Part::within),
                                        walk.from().stream())
                                .flatMap(Function.identity()))
                        + walk.end());
    }

    /**
     * Those that fit among the nearest in the order.
     *
     * @param from how many of the order aren't looked at, {@code to} where it ends
     * @param most how many at most
     */
    List<Found> near(Narrowing narrowing, Walk walk, int from, int to, int most) {
        return found(
                narrowing,
                walk,
                "select a.id, " + walk.order().written() + met(narrowing, walk, walk.from().stream(), from, to)
                        + walk.by() + " limit " + most);
    }

    /** How many fit among so many that fulfil a part. @param most up to how many are counted */
    int countAmong(Narrowing narrowing, Narrowing.Part part, int among, int most) {
        String some = "(" + part.ids() + " limit " + among + ") as a";
        return limited(narrowing, "select 1 from " + some + where(narrowing.besides(List.of(part))), most);
    }

    /** How many fit among so many first in the order. @param most up to how many are counted */
    int countNear(Narrowing narrowing, Walk walk, int distance, int most) {
        return walk.sorted(sql.sql("select count(*) from (select 1" + met(narrowing, walk, Stream.empty(), 0, distance)
                        + " limit " + most + ") as counted"))
                .params(narrowing.values())
                .query(Integer.class)
                .single();
    }

    /** Whether the order has fewer than so many, so that these were all. */
    boolean shorterThan(Narrowing narrowing, Walk walk, int distance) {
        return walk.sorted(sql.sql("select count(*) from (select 1 from "
                                + walk.order().source() + " as a" + where(known(narrowing, walk)) + " limit " + distance
                                + ") as counted"))
                        .params(narrowing.values())
                        .query(Integer.class)
                        .single()
                < distance;
    }

    private static String met(Narrowing narrowing, Walk walk, Stream<String> place, int from, int to) {
        return " from (select * from " + walk.order().source() + " as a"
                + where(Stream.concat(known(narrowing, walk), place)) + walk.by() + " limit " + (to - from)
                + " offset " + from + ") as a"
                + where(Stream.concat(narrowing.base().stream(), Narrowing.fits(apart(narrowing, walk))));
    }

    /** What the index of the order knows: one state, and where columns are sorted by, all of this. */
    private static Stream<String> known(Narrowing narrowing, Walk walk) {
        if (walk.order().data().isEmpty())
            return narrowing.base().stream().filter(one -> one.equals("a.state = :states"));
        List<Narrowing.Part> apart = apart(narrowing, walk);
        return Stream.concat(
                narrowing.base().stream(),
                narrowing.parts().stream().filter(part -> !apart.contains(part)).map(Narrowing.Part::within));
    }

    private List<Found> found(Narrowing narrowing, Walk walk, String statement) {
        return walk.in(sql.sql(statement).params(narrowing.values()))
                .query((row, number) -> new Found(row.getObject(1, UUID.class), row.getString(2)))
                .list();
    }
}
