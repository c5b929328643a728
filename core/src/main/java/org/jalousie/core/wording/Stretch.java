package org.jalousie.core.wording;

/**
 * A stretch of a merged part with what put it there. Stretches nest and never cross.
 *
 * @param from where it begins in the part's XML, in characters
 * @param to where it ends
 */
public record Stretch(int from, int to, Origin origin) {
    /** The same stretch within text that it was put into. */
    public Stretch shifted(int by) {
        return new Stretch(from + by, to + by, origin);
    }
}
