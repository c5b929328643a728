package org.jalousie.core.provenance;

import org.jalousie.core.wording.Origin;

/**
 * One line of what a value or passage has printed on a finished page.
 *
 * @param page from 1
 * @param x left edge in PDF points from the page's left
 * @param y lower edge in PDF points from the page's bottom
 */
public record PrintedPlace(Origin origin, int page, double x, double y, double width, double height) {
    /** Bytes that one holds in memory, roughly: for caches. */
    public static final int WEIGHT = 160;
}
