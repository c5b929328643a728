package org.jalousie.core.lettering;

import java.util.List;

/**
 * A line of words set in letters, in the order in which they are seen. Measures are thousandths of the type size.
 *
 * @param text the words in the order in which they are read
 */
public record SetLine(String text, List<Run> runs, float width) {
    /**
     * Letters of one font.
     *
     * @param text what they say, in the order in which it is read
     * @param plain whether every letter tells by itself which character it is, seen as they are read
     */
    record Run(Typeface typeface, List<Letter> letters, String text, boolean rightToLeft, boolean plain) {}

    /**
     * A letter as the font numbers them.
     *
     * @param x from the beginning of the line
     * @param y above the line that they stand on
     * @param text the characters it stands for; empty for one that only adds to another
     */
    record Letter(int glyph, float x, float y, String text) {}

    /** @param size in points */
    public float width(float size) {
        return width * size / 1000;
    }
}
