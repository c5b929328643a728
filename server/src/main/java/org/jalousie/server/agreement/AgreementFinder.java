package org.jalousie.server.agreement;

import static org.jalousie.server.agreement.Narrowing.where;

import java.util.ArrayList;
import java.util.Collections;
import java.util.EnumSet;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import java.util.function.Function;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.jalousie.core.agreement.State;
import org.jalousie.server.Refusal;
import org.jalousie.server.account.Sight;
import org.jalousie.server.web.KeyedPage;
import org.jalousie.server.web.ListPlace;
import org.jalousie.server.web.Page;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Repository;

/**
 * Finds a page of agreements without reading them all. Few are collected by the index that finds them and sorted; of many, the
 * index of the order is walked until the page is full, which is soon since many fit. Which it is, is counted first, and not left
 * to the planner, which can't know how many have a word that begins with something.
 */
@Repository
class AgreementFinder {
    /** Up to how many are collected: about as dear as walking the index where no more than that fit of 100,000. */
    private static final int FEW = 5_000;

    /** Of several parts those that no more than so many fulfil are looked up together. */
    private static final int SOME = 20_000;

    /** How many rows of the order are looked at for those that many have: first a few, then as many as cost less than all do. */
    private static final List<Integer> DISTANCES = List.of(3_000, 20_000);

    private final JdbcClient sql;
    private final Sight sight;

    AgreementFinder(JdbcClient sql, Sight sight) {
        this.sight = sight;
        this.sql = sql;
    }

    /**
     * The ids of a page. It tells the planner what not to do, for as long as the transaction lasts.
     *
     * @throws Refusal for an order that there isn't
     */
    KeyedPage<UUID> find(AgreementsAsked asked, ListPlace place) {
        Narrowing narrowing = Narrowing.of(asked, sight.hidden());
        Walk walk = Walk.of(place, asked.template().isPresent());
        // indexes know what is looked for, however many have it
        sql.sql("set local enable_seqscan = off; set local enable_hashjoin = off; set local enable_mergejoin = off")
                .update();
        List<Narrowing.Part> apart = apart(narrowing, walk);
        if (apart.isEmpty() && indexed(asked, walk))
            return keyed(inOrder(narrowing, walk), walk, count(narrowing, narrowing.parts()));
        List<Narrowing.Part> fewest = fewest(narrowing);
        Collected few = collected(narrowing, fewest, walk, FEW);
        if (few.looked() <= FEW) return keyed(few.found(), walk, few.count());
        int count = narrowing.parts().size() < 2 ? few.looked() : count(narrowing, fewest);
        // those that fit may all stand far from here, as what is old does in the order of the newest
        for (int distance : DISTANCES) {
            List<Found> near = near(narrowing, walk, distance);
            if (near.size() > Page.SIZE) return keyed(near, walk, count);
        }
        return keyed(collected(narrowing, fewest, walk, Integer.MAX_VALUE - 1).found(), walk, count);
    }

    /** What isn't about the column that is sorted by, whose index knows it. */
    private static List<Narrowing.Part> apart(Narrowing narrowing, Walk walk) {
        return narrowing.parts().stream()
                .filter(part -> part.column().isEmpty()
                        || !part.column().equals(walk.order().data()))
                .toList();
    }

    /** Whether an index of the order has just those in some states, of a template or of all. */
    private static boolean indexed(AgreementsAsked asked, Walk walk) {
        boolean oneState = asked.states().size() == 1;
        if (walk.order().data().isPresent()) return oneState;
        return asked.template().isEmpty()
                ? oneState || asked.states().equals(EnumSet.allOf(State.class))
                : oneState && walk.order().name().equals("changed");
    }

    /** Enough of them to say how many there are. */
    private int count(Narrowing narrowing, List<Narrowing.Part> by) {
        return limited(narrowing, narrowing.ids(by), KeyedPage.MOST_COUNTED + 1);
    }

    private int limited(Narrowing narrowing, String ids, int most) {
        return sql.sql("select count(*) from (" + ids + " limit " + most + ") as counted")
                .params(narrowing.values())
                .query(Integer.class)
                .single();
    }

    /** Of several parts those that the fewest fulfil: one that few do, all that some do, or one. */
    private List<Narrowing.Part> fewest(Narrowing narrowing) {
        List<Narrowing.Part> parts = narrowing.parts();
        if (parts.size() < 2) return parts;
        Map<Narrowing.Part, Integer> counts = new HashMap<>();
        // one that few fulfil finds them alone; an index of words can't tell that without reading all that it has
        parts.stream()
                .filter(part -> !part.ofWords())
                .forEach(part -> counts.put(part, limited(narrowing, part.ids(), FEW + 1)));
        Optional<Narrowing.Part> alone = counts.entrySet().stream()
                .filter(one -> one.getValue() <= FEW)
                .min(Map.Entry.comparingByValue())
                .map(Map.Entry::getKey);
        if (alone.isPresent()) return List.of(alone.get());
        for (Narrowing.Part part : parts) counts.put(part, limited(narrowing, part.ids(), SOME + 1));
        List<Narrowing.Part> some =
                parts.stream().filter(part -> counts.get(part) <= SOME).toList();
        return some.isEmpty() ? parts.subList(0, 1) : some;
    }

    /** A row that was found. @param value by which it stands in the order */
    private record Found(UUID id, String value) {}

    /**
     * Of few, those of the page; of many, how many more than few.
     *
     * @param looked how many fulfil the part by which they were found
     * @param count how many of them fulfil everything
     */
    private record Collected(int looked, int count, List<Found> found) {}

    /** @param most more than that are only counted, up to one more */
    private Collected collected(Narrowing narrowing, List<Narrowing.Part> by, Walk walk, int most) {
        String others = narrowing.besides(by).collect(Collectors.joining(" and "));
        String rows =
                "from found join " + walk.order().source() + " as a on a.id = found.id where looked.many <= " + most;
        // those that fulfil everything else are counted too, where there is anything else
        String fitting = others.isEmpty()
                ? ""
                : ", fitting as materialized (select a.id, a." + walk.order().column()
                        + " from looked cross join lateral" + " (select a.id, a."
                        + walk.order().column() + " " + rows + " and " + others + ") as a)";
        String page = others.isEmpty()
                ? rows + walk.from().map(from -> " and " + from).orElse("")
                : "from fitting a" + where(walk.from().stream());
        List<Found> found = new ArrayList<>();
        int[] counts = new int[2];
        walk.in(sql.sql("with found as materialized ("
                                + narrowing.of(by) + " limit " + (most + 1) + "),"
                                + " looked as (select count(*) as many from found)" + fitting
                                + " select looked.many, "
                                + (others.isEmpty() ? "looked.many" : "(select count(*) from fitting)")
                                + ", page.id, page.value from looked left join lateral (select a.id, "
                                + walk.order().written() + " as value " + page + walk.end() + ") as page on true")
                        .params(narrowing.values()))
                .query(row -> {
                    counts[0] = row.getInt(1);
                    counts[1] = row.getInt(2);
                    if (row.getObject(3, UUID.class) != null)
                        found.add(new Found(row.getObject(3, UUID.class), row.getString(4)));
                });
        return new Collected(counts[0], counts[1], found);
    }

    /** Of all, of one state, or of one template in one state: the index of the order has just those. */
    private List<Found> inOrder(Narrowing narrowing, Walk walk) {
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

    /** Those that fit among so many nearest in the order; fewer than a page where they stand further away. */
    private List<Found> near(Narrowing narrowing, Walk walk, int distance) {
        List<Narrowing.Part> apart = apart(narrowing, walk);
        // an index knows one state, and where columns are sorted by, all of this
        boolean all = walk.order().data().isPresent();
        Stream<String> known = all
                ? Stream.concat(
                        narrowing.base().stream(),
                        narrowing.parts().stream()
                                .filter(part -> !apart.contains(part))
                                .map(Narrowing.Part::within))
                : narrowing.base().stream().filter(one -> one.equals("a.state = :states"));
        return found(
                narrowing,
                walk,
                "select a.id, " + walk.order().written() + " from (select * from "
                        + walk.order().source() + " as a"
                        + where(Stream.concat(known, walk.from().stream())) + walk.by() + " limit " + distance
                        + ") as a"
                        + where(Stream.concat(
                                narrowing.base().stream(), apart.stream().map(Narrowing.Part::fits)))
                        + walk.end());
    }

    private List<Found> found(Narrowing narrowing, Walk walk, String statement) {
        return walk.in(sql.sql(statement).params(narrowing.values()))
                .query((row, number) -> new Found(row.getObject(1, UUID.class), row.getString(2)))
                .list();
    }

    private static KeyedPage<UUID> keyed(List<Found> found, Walk walk, int count) {
        ListPlace place = walk.place();
        boolean further = found.size() > Page.SIZE;
        List<Found> shown = new ArrayList<>(found.subList(0, Math.min(found.size(), Page.SIZE)));
        if (place.back()) Collections.reverse(shown);
        int first = place.row()
                .map(row -> place.back() ? (further ? Math.max(row.place() - shown.size(), 0) : 0) : row.place() + 1)
                .orElse(place.page() * Page.SIZE);
        boolean next = place.back() || further;
        boolean previous = place.back() ? further : first > 0;
        return new KeyedPage<>(
                shown.stream().map(Found::id).toList(),
                Math.min(count, KeyedPage.MOST_COUNTED),
                count > KeyedPage.MOST_COUNTED,
                first / Page.SIZE,
                Page.SIZE,
                next ? key(walk, shown, shown.size() - 1, first).orElse(null) : null,
                previous ? key(walk, shown, 0, first).orElse(null) : null);
    }

    private static Optional<String> key(Walk walk, List<Found> shown, int at, int first) {
        if (shown.isEmpty()) return Optional.empty();
        Found row = shown.get(at);
        return Optional.of(new ListPlace.Row(first + at, row.id(), walk.order().name(), row.value()).key());
    }
}
