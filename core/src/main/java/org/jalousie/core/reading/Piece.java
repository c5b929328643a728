package org.jalousie.core.reading;

import java.util.List;
import org.apache.pdfbox.pdmodel.font.PDFont;
import org.apache.pdfbox.text.TextPosition;

/** What one marked sequence of a page prints, and where: as long as it stays on one line and looks the same. */
record Piece(String text, float left, float right, float line, float size, boolean strong, boolean slanted) {
    static Piece of(TextPosition letter) {
        return new Piece(
                letter.getUnicode(),
                letter.getXDirAdj(),
                letter.getXDirAdj() + letter.getWidthDirAdj(),
                letter.getYDirAdj(),
                Math.max(1, letter.getFontSizeInPt()),
                named(letter.getFont(), List.of("bold", "black", "heavy")),
                named(letter.getFont(), List.of("italic", "oblique")));
    }

    private static boolean named(PDFont font, List<String> looks) {
        String name =
                font == null || font.getName() == null ? "" : font.getName().toLowerCase(java.util.Locale.ROOT);
        return looks.stream().anyMatch(name::contains);
    }

    boolean goesOn(Piece next) {
        return strong == next.strong && slanted == next.slanted && !apart(next);
    }

    Piece with(Piece next) {
        return new Piece(text + next.text, left, next.right, line, size, strong, slanted);
    }

    /** As far as another piece goes. */
    Piece until(Piece last) {
        return new Piece(text, left, last.right, last.line, size, strong, slanted);
    }

    Piece saying(String words) {
        return new Piece(words, left, right, line, size, strong, slanted);
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
