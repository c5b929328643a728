package org.jalousie.server.web;

import io.swagger.v3.oas.annotations.media.Schema;
import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.function.BiFunction;
import java.util.function.Function;

/**
 * One page of a long list, which goes on by the place of its last row and not by counting those before.
 *
 * @param total how many there are in all, up to a thousand
 * @param more whether there are more than {@code total}
 * @param page from 0, as far as it is known
 * @param next what the page after this one is asked for by, as {@code after}; null for the last
 * @param previous what the page before this one is asked for by, as {@code before}; null for the first
 */
public record KeyedPage<T>(
        List<T> items,
        long total,
        boolean more,
        int page,
        int size,
        @Schema(types = {"string", "null"}) String next,
        @Schema(types = {"string", "null"}) String previous) {
    /** Up to how many are counted. */
    public static final int MOST_COUNTED = 1_000;

    /**
     * The page of a list of which one more row was looked for than a page has.
     *
     * @param found at most {@link Page#SIZE} and one more, on from the place's row the way that it goes
     * @param counted how many there are in all, up to one more than {@link #MOST_COUNTED}
     * @param shown what some rows show, in their order
     * @param key what a row is found again by, with how many are before it
     */
    public static <R, T> KeyedPage<T> of(
            List<R> found,
            ListPlace place,
            int counted,
            Function<List<R>, List<T>> shown,
            BiFunction<R, Integer, ListPlace.Row> key) {
        boolean further = found.size() > Page.SIZE;
        List<R> rows = new ArrayList<>(further ? found.subList(0, Page.SIZE) : found);
        if (place.back()) Collections.reverse(rows);
        boolean from = place.row().isPresent();
        int first = place.row()
                .map(one -> place.back() ? Math.max(0, one.place() - rows.size()) : one.place() + 1)
                .orElse(0);
        boolean after = place.back() ? from : further;
        boolean before = place.back() ? further : from;
        return new KeyedPage<>(
                shown.apply(rows),
                Math.min(counted, MOST_COUNTED),
                counted > MOST_COUNTED,
                first / Page.SIZE,
                Page.SIZE,
                after && !rows.isEmpty()
                        ? key.apply(rows.get(rows.size() - 1), first + rows.size() - 1)
                                .key()
                        : null,
                before && !rows.isEmpty() ? key.apply(rows.get(0), first).key() : null);
    }
}
