package org.jalousie.core.wording;

import java.util.List;

/** What put a stretch of a merged file there; what no stretch covers is the template's own words. */
public sealed interface Origin {
    /**
     * A value.
     *
     * @param name as the wording names it: a field, one of an item, a rule, or {@code position}
     * @param print the way it was asked to print; empty for the usual one
     * @param items which item of each list around it, from the outside in, from 1; empty outside of lists
     */
    record Datum(String name, String print, List<Integer> items) implements Origin {}

    /**
     * One printing of a passage.
     *
     * @param number of the passage within the wording
     * @param items as for a value; the last is the item that this printing is of, where the passage repeats
     */
    record Printing(int number, List<Integer> items) implements Origin {}
}
