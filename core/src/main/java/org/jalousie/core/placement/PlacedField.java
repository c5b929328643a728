package org.jalousie.core.placement;

/**
 * A signing field where it landed on the finished pages.
 *
 * @param page from 1
 * @param x left edge in PDF points from the page's left
 * @param y lower edge in PDF points from the page's bottom
 */
public record PlacedField(SigningField field, int page, double x, double y, double width, double height) {
    /** The same place with another field. */
    public PlacedField of(SigningField other) {
        return new PlacedField(other, page, x, y, width, height);
    }

    boolean overlaps(PlacedField other) {
        return page == other.page
                && x < other.x + other.width - 0.5
                && other.x < x + width - 0.5
                && y < other.y + other.height - 0.5
                && other.y < y + height - 0.5;
    }
}
