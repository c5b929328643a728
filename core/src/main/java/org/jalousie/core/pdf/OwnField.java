package org.jalousie.core.pdf;

import java.util.List;

/**
 * A field of the form that a PDF brings (ISO 32000-1 §12.7), in the order in which the form has it.
 *
 * @param name its full name in the form
 * @param label what it says it is for; its name where it says nothing
 * @param choices of a list, or what the buttons of a group stand for, in their order
 * @param longest the most letters that it takes; 0 where it doesn't say
 * @param points the size of its type; 0 where that follows from its room
 * @param widgets where it stands, one for each button of a group
 */
public record OwnField(
        String name,
        String label,
        Kind kind,
        List<String> choices,
        boolean required,
        int longest,
        double points,
        Side side,
        List<Widget> widgets) {
    /** What is done in it. */
    public enum Kind {
        LINE,
        LINES,
        TICK,
        /** One of several buttons. */
        ONE_OF,
        LIST,
        SIGNATURE
    }

    /** At which side of its room words stand. */
    public enum Side {
        LEFT,
        MIDDLE,
        RIGHT
    }

    /**
     * Room on a page, in PDF points from the lower left corner of the page as it is seen.
     *
     * @param page from 1
     * @param choice what a button stands for; empty for any other field
     */
    public record Widget(int page, double x, double y, double width, double height, String choice) {}

    public OwnField {
        choices = List.copyOf(choices);
        widgets = List.copyOf(widgets);
    }
}
