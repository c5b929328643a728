package org.jalousie.core.provenance;

/**
 * A glyph on a finished page, or several of one line.
 *
 * @param page from 1
 * @param left in PDF points from the page's left, as is {@code right}
 * @param bottom in PDF points from the page's bottom, as is {@code top}
 * @param line how far the line is across its direction: glyphs of one line share it
 */
record Glyph(int page, double left, double bottom, double right, double top, double line) {
    boolean isOneLineWith(Glyph other) {
        return page == other.page && Math.abs(line - other.line) < Math.max(1, (top - bottom) * 0.4);
    }

    Glyph with(Glyph other) {
        return new Glyph(
                page,
                Math.min(left, other.left),
                Math.min(bottom, other.bottom),
                Math.max(right, other.right),
                Math.max(top, other.top),
                line);
    }
}
