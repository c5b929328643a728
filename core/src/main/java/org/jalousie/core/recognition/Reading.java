package org.jalousie.core.recognition;

import java.util.List;
import org.jalousie.core.wording.Origin;

/**
 * A finished file read as one that was made from a template.
 *
 * @param lines the file against the template's own words, a paragraph each
 * @param likeness how much of their words both have, from 0 to 1 (L. Dice 1945); values are counted for neither
 * @param words how many words of its own the template has in the passages that are there
 * @param differences places at which words are others, missing, or there and shouldn't be
 */
public record Reading(
        List<Line> lines,
        double likeness,
        int words,
        int differences,
        List<Captured> values,
        List<Place> places,
        List<Passed> passages) {

    /** What became of words of the template. */
    public enum Fate {
        SAME,
        CAME,
        WENT,
        /** They are a value. */
        VALUE
    }

    /** @param text with the blank before it, if there is one */
    public record Piece(Fate fate, String text) {}

    /** One paragraph. */
    public record Line(List<Piece> pieces) {
        public boolean changed() {
            return pieces.stream().anyMatch(piece -> piece.fate() == Fate.CAME || piece.fate() == Fate.WENT);
        }
    }

    /**
     * What stands where a template has a value.
     *
     * @param items which item of each list around it, from the outside in, from 1
     * @param held whether the template's words before and behind it are there, so that it is nothing else
     */
    record Captured(Origin.Datum datum, List<Integer> items, String text, boolean held) {}

    /**
     * A passage that was met.
     *
     * @param number by which the wording knows it
     * @param items which item of each list around it, from the outside in, from 1
     * @param printed whether it is there
     */
    record Passed(int number, List<Integer> items, boolean printed) {}

    /**
     * Where a signing field belongs.
     *
     * @param field its name
     * @param from the number of the first of the file's words that only keep its place; {@code to} of the first behind them
     */
    record Place(String field, int from, int to, boolean held) {}
}
