package org.jalousie.core.reading;

import java.text.Bidi;
import java.util.List;
import java.util.Locale;
import org.apache.pdfbox.pdmodel.font.PDFont;
import org.apache.pdfbox.text.TextPosition;

/**
 * What one marked sequence of a page prints, and where: as long as it stays on one line and looks the same.
 *
 * @param told whether the file says itself how it is read; else it is in the order in which it stands on the page
 */
record Piece(
        String text, float left, float right, float line, float size, boolean strong, boolean slanted, boolean told) {
    static Piece of(TextPosition letter) {
        return new Piece(
                letter.getUnicode(),
                letter.getXDirAdj(),
                letter.getXDirAdj() + letter.getWidthDirAdj(),
                letter.getYDirAdj(),
                Math.max(1, letter.getFontSizeInPt()),
                named(letter.getFont(), List.of("bold", "black", "heavy")),
                named(letter.getFont(), List.of("italic", "oblique")),
                false);
    }

    private static boolean named(PDFont font, List<String> looks) {
        String name =
                font == null || font.getName() == null ? "" : font.getName().toLowerCase(Locale.ROOT);
        return looks.stream().anyMatch(name::contains);
    }

    boolean goesOn(Piece next) {
        return strong == next.strong && told == next.told && slanted == next.slanted && !apart(next);
    }

    Piece with(Piece next) {
        return new Piece(text + next.text, left, next.right, line, size, strong, slanted, told);
    }

    /** As far as another piece goes. */
    Piece until(Piece last) {
        return new Piece(text, left, last.right, last.line, size, strong, slanted, told);
    }

    Piece saying(String words) {
        return saying(words, true);
    }

    private Piece saying(String words, boolean asTold) {
        return new Piece(words, left, right, line, size, strong, slanted, asTold);
    }

    /** Whether it is written from the right, as it stands on the page. */
    boolean fromRight() {
        return !told
                && text.codePoints().anyMatch(Piece::rightToLeft)
                && text.codePoints()
                        .noneMatch(one -> Character.getDirectionality(one) == Character.DIRECTIONALITY_LEFT_TO_RIGHT);
    }

    private static boolean rightToLeft(int letter) {
        byte direction = Character.getDirectionality(letter);
        return direction == Character.DIRECTIONALITY_RIGHT_TO_LEFT
                || direction == Character.DIRECTIONALITY_RIGHT_TO_LEFT_ARABIC;
    }

    /** This and what stands to its right, on the same line. */
    Piece besides(Piece right) {
        boolean white = text.endsWith(" ") || right.text.startsWith(" ");
        return until(right).saying(text + (apart(right) && !white ? " " : "") + right.text, false);
    }

    /** As it is read: what is written from the right stands on the page from the left (Unicode Standard Annex #9). */
    Piece inReadingOrder() {
        if (told || !Bidi.requiresBidi(text.toCharArray(), 0, text.length())) return this;
        Bidi bidi = new Bidi(text, Bidi.DIRECTION_DEFAULT_LEFT_TO_RIGHT);
        int runs = bidi.getRunCount();
        byte[] levels = new byte[runs];
        Integer[] order = new Integer[runs];
        for (int i = 0; i < runs; i++) {
            levels[i] = (byte) bidi.getRunLevel(i);
            order[i] = i;
        }
        Bidi.reorderVisually(levels, 0, order, 0, runs);
        StringBuilder read = new StringBuilder(text.length());
        for (int run : order) {
            String part = text.substring(bidi.getRunStart(run), bidi.getRunLimit(run));
            boolean fromRight = bidi.getRunLevel(run) % 2 == 1;
            read.append(fromRight ? new StringBuilder(part).reverse() : part);
        }
        return saying(read.toString());
    }

    /** Whether white space stands between this and what comes next, though none is printed: another line, or a gap as by a tab. */
    boolean apart(Piece next) {
        return onAnotherLine(next) || gap(next) > Math.max(size, next.size) * 0.2f;
    }

    /** A raised or lowered mark is on the same line. */
    boolean onAnotherLine(Piece next) {
        return Math.abs(next.line - line) > Math.max(size, next.size) * 0.75f || next.right < left;
    }

    float gap(Piece next) {
        return next.left - right;
    }
}
