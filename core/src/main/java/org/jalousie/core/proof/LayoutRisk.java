package org.jalousie.core.proof;

import org.jalousie.core.messages.Message;

/**
 * Something about the layout of finished pages that a careful typist would have mended.
 *
 * @param page from 1
 * @param y where on the page, in PDF points from its bottom
 * @param message what is the matter, naming the words
 * @param cure what to do
 */
public record LayoutRisk(Kind kind, int page, double y, Message message, Message cure) {
    /** What is the matter. */
    public enum Kind {
        SIGNATURE_ALONE,
        HEADING_AT_FOOT,
        ROW_BROKEN,
        TEXT_OUTSIDE,
        EMPTY_PAGE
    }
}
