package org.jalousie.server.agreement;

import java.util.ArrayList;
import java.util.Collections;
import java.util.EnumSet;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import org.jalousie.core.agreement.State;
import org.jalousie.server.Refusal;
import org.jalousie.server.agreement.FoundRows.Collected;
import org.jalousie.server.agreement.FoundRows.Found;
import org.jalousie.server.web.KeyedPage;
import org.jalousie.server.web.ListPlace;
import org.jalousie.server.web.Page;
import org.springframework.stereotype.Repository;

/**
 * Finds a page of agreements without reading them all. Few are collected by the index that finds them and sorted; of many, the
 * index of the order is walked until the page is full, which is soon since many fit. Which it is, is tried and counted first, and
 * not left to the planner, which can't know how many have a word that begins with something.
 */
@Repository
class AgreementFinder {
    /** Where a page of them is found among so many, at least every fourth fits. */
    private static final int TRIED = 200;

    /** Where every fourth fits there are more than are counted among so many. */
    private static final int COUNTED = 4 * KeyedPage.MOST_COUNTED;

    /** How many rows of the order are looked at for those that many have: first a few, then as many as cost less than all do. */
    private static final List<Integer> DISTANCES = List.of(3_000, 20_000);

    private final FoundRows rows;
    private final Narrowings narrowings;

    AgreementFinder(FoundRows rows, Narrowings narrowings) {
        this.narrowings = narrowings;
        this.rows = rows;
    }

    /**
     * The ids of a page. It tells the planner what not to do, for as long as the transaction lasts.
     *
     * @throws Refusal for an order that there isn't
     */
    KeyedPage<UUID> find(AgreementsAsked asked, ListPlace place) {
        Narrowing narrowing = narrowings.of(asked).bySeen();
        Walk walk = Walk.of(place, asked.template().isPresent());
        rows.byIndexes();
        if (FoundRows.apart(narrowing, walk).isEmpty() && indexed(asked, walk))
            return keyed(rows.inOrder(narrowing, walk), walk, count(narrowing, narrowing.parts()));
        int wanted = walk.skipped() + Page.SIZE + 1;
        List<Found> near = new ArrayList<>(rows.near(narrowing, walk, 0, TRIED, wanted));
        if (near.size() >= wanted) return keyed(page(near, walk), walk, countOfMost(narrowing, walk));
        Optional<Collected> together =
                narrowing.columns().size() > 1 ? Optional.of(rows.together(narrowing, walk)) : Optional.empty();
        if (together.filter(Collected::few).isPresent())
            return keyed(together.get().found(), walk, together.get().count());
        List<Narrowing.Part> fewest = fewest(narrowing, together);
        Collected few = rows.collected(narrowing, fewest, walk);
        // a full page that was walked to is a page of many, too
        if (few.few() || few.found().size() > Page.SIZE) return keyed(few.found(), walk, few.count());
        int count = narrowing.parts().size() < 2 ? few.looked() : count(narrowing, fewest);
        // those that fit may all stand far from here, as what is old does in the order of the newest
        int looked = TRIED;
        for (int distance : few.walked() ? List.<Integer>of() : DISTANCES) {
            near.addAll(rows.near(narrowing, walk, looked, distance, wanted - near.size()));
            if (near.size() >= wanted) return keyed(page(near, walk), walk, count);
            looked = distance;
        }
        return keyed(rows.all(narrowing, fewest, walk), walk, count);
    }

    private static List<Found> page(List<Found> near, Walk walk) {
        return near.subList(walk.skipped(), near.size());
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
        return rows.limited(narrowing, narrowing.ids(by), KeyedPage.MOST_COUNTED + 1);
    }

    /** The same where most fit, so that they are counted by the way, unless an index counts them by itself. */
    private int countOfMost(Narrowing narrowing, Walk walk) {
        int most = KeyedPage.MOST_COUNTED + 1;
        Optional<Narrowing.Part> column = narrowing.columns().stream().findFirst();
        int count = 0;
        // words that many have aren't looked for at each row that doesn't have the column's value
        if (narrowing.parts().size() > 1 && column.isPresent())
            count = rows.countAmong(narrowing, column.get(), COUNTED, most);
        else if (narrowing.parts().size() == 1 && column.isEmpty())
            count = rows.countNear(narrowing, walk, COUNTED, most);
        // the order of a column may lack some that its values aren't taken over of yet
        boolean ofAll = column.isEmpty() && walk.order().data().isEmpty();
        if (count > 0 && count < most && ofAll && rows.shorterThan(narrowing, walk, COUNTED)) return count;
        return count > KeyedPage.MOST_COUNTED ? count : count(narrowing, fewest(narrowing, Optional.empty()));
    }

    /**
     * Of several parts those that the fewest fulfil: one that few do, all that some do, or one.
     *
     * @param together what is known already of those that are about columns
     */
    private List<Narrowing.Part> fewest(Narrowing narrowing, Optional<Collected> together) {
        List<Narrowing.Part> parts = narrowing.parts();
        if (parts.size() < 2) return parts;
        boolean columnsOfMany = together.filter(Collected::ofMany).isPresent();
        Map<Narrowing.Part, Integer> counts = new HashMap<>();
        for (Narrowing.Part part : parts) {
            // an index of words can't tell that it has few without reading all that it has
            if (part.ofWords() || columnsOfMany) continue;
            int count = rows.limited(narrowing, part.ids(), FoundRows.SOME + 1);
            if (count <= FoundRows.FEW) return List.of(part);
            counts.put(part, count);
        }
        parts.stream()
                .filter(Narrowing.Part::ofWords)
                .forEach(part -> counts.put(part, rows.limited(narrowing, part.ids(), FoundRows.SOME + 1)));
        List<Narrowing.Part> some = parts.stream()
                .filter(part -> counts.getOrDefault(part, Integer.MAX_VALUE) <= FoundRows.SOME)
                .toList();
        return some.isEmpty() ? parts.subList(0, 1) : some;
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
