package org.jalousie.core.provenance;

import java.text.Bidi;
import java.util.List;

/**
 * Glyphs are drawn from the left to the right, also those of a script that is read from the right (Unicode Standard Annex #9).
 * Putting what was drawn into the order of reading is the same reordering once more.
 */
final class ReadingOrder {
    private ReadingOrder() {}

    /** @param glyphs what each of a piece of a line shows, from the left */
    static int[] of(List<String> glyphs) {
        int[] order = new int[glyphs.size()];
        for (int i = 0; i < order.length; i++) order[i] = i;
        char[] first = new char[order.length];
        boolean fromRight = false;
        for (int i = 0; i < first.length; i++) {
            String shown = glyphs.get(i);
            first[i] = shown.isEmpty() ? ' ' : shown.charAt(0);
            fromRight |= isFromRight(first[i]);
        }
        if (!fromRight) return order;
        Bidi bidi = new Bidi(new String(first), Bidi.DIRECTION_DEFAULT_LEFT_TO_RIGHT);
        byte[] levels = new byte[first.length];
        Integer[] units = new Integer[first.length];
        for (int i = 0; i < first.length; i++) {
            levels[i] = (byte) bidi.getLevelAt(i);
            units[i] = i;
        }
        Bidi.reorderVisually(levels, 0, units, 0, units.length);
        for (int i = 0; i < order.length; i++) order[i] = units[i];
        return order;
    }

    private static boolean isFromRight(char one) {
        byte direction = Character.getDirectionality(one);
        return direction == Character.DIRECTIONALITY_RIGHT_TO_LEFT
                || direction == Character.DIRECTIONALITY_RIGHT_TO_LEFT_ARABIC;
    }
}
