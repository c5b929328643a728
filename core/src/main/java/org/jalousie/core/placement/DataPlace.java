package org.jalousie.core.placement;

import org.jalousie.core.lettering.TypeStyle;

/**
 * A datum that is printed on a fixed document.
 *
 * @param tag the datum's name, with the way to print it behind a dot, as in a wording: {@code loan_ends.long}
 * @param marks the value for which a cross is put there instead of the value; empty for the value itself
 * @param points the largest size of its type
 * @param fit what is done with words that are longer than the room
 */
public record DataPlace(
        String tag, String marks, Spot spot, BoxSize size, double points, TypeStyle style, Align align, Fit fit) {
    /** Where words stand in their room. */
    public enum Align {
        LEFT,
        MIDDLE,
        RIGHT
    }

    /** What is done with words that are longer than the room. */
    public enum Fit {
        /** One line, set smaller. */
        SHRINK,
        /** Several lines, set smaller when those are too many. */
        WRAP
    }

    public DataPlace {
        marks = marks == null ? "" : marks;
        style = style == null ? TypeStyle.SANS : style;
        align = align == null ? Align.LEFT : align;
        fit = fit == null ? Fit.SHRINK : fit;
    }

    /** The datum that it prints. */
    public String name() {
        int dot = tag.indexOf('.');
        return dot < 0 ? tag : tag.substring(0, dot);
    }

    /** How it prints it; empty for the usual way. */
    public String print() {
        int dot = tag.indexOf('.');
        return dot < 0 ? "" : tag.substring(dot + 1);
    }

    /** The same place for another datum. */
    public DataPlace called(String otherTag) {
        return new DataPlace(otherTag, marks, spot, size, points, style, align, fit);
    }
}
