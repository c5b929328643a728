package org.jalousie.core.wording;

import java.util.List;

/** What put a stretch of a merged file there; what no stretch covers is the template's own words. */
public sealed interface Origin {
    /**
     * A value.
     *
     * @param name as the wording names it: a field, one of an item, a rule, or {@code position}
     * @param print the way it was asked to print; empty for the usual one
     * @param list the list whose item's it is; empty for one of the whole agreement, also where it is printed for each item
     * @param items which item of each list it is of, from the outside in, from 1; empty outside of lists
     */
    record Datum(String name, String print, String list, List<Integer> items) implements Origin {}

    /**
     * One printing of a passage.
     *
     * @param number of the passage within the wording
     * @param items which item of each list around it; the last is the item that this printing is of, where the passage repeats
     */
    record Printing(int number, List<Integer> items) implements Origin {}

    /** A block of a clause that was put in. @param number of its place among {@link Wording#inclusions()}, from 0 */
    record Clause(int number) implements Origin {}
}
