package org.jalousie.core.tables;

/**
 * What a cell says.
 *
 * @param text as it stands, or as it is stored where it is known
 */
public record Cell(String text, Kind kind) {
    /** A cell with nothing in it. */
    public static final Cell EMPTY = new Cell("", Kind.TYPED);

    /** What a cell's text is. */
    public enum Kind {
        /** Letters that have to be read by the file's style. */
        TYPED,
        /** The file itself says what it is, so the text is as values are stored: {@code 2027-03-15}, {@code 12500.00}, {@code yes}. */
        KNOWN,
        /** What a spreadsheet program shows where a formula failed; nothing for a formula that nobody has worked out. */
        FAILED
    }

    static Cell typed(String text) {
        return text.isEmpty() ? EMPTY : new Cell(text, Kind.TYPED);
    }

    static Cell known(String raw) {
        return new Cell(raw, Kind.KNOWN);
    }

    static Cell failed(String shown) {
        return new Cell(shown, Kind.FAILED);
    }

    public boolean isBlank() {
        return kind != Kind.FAILED && text.isBlank();
    }
}
