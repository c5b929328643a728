package org.jalousie.core.placement;

/** The room that a signing field takes, in millimetres. */
public record BoxSize(double widthMm, double heightMm) {
    /** What fits between the margins of a usual page and can still be read. */
    public boolean fitsAPage() {
        return widthMm >= 5 && widthMm <= 180 && heightMm >= 4 && heightMm <= 80;
    }

    /** This size, or the usual one where nobody has chosen any. */
    static BoxSize or(BoxSize chosen, BoxSize usual) {
        return chosen == null ? usual : chosen;
    }
}
