package org.jalousie.core.reading;

/**
 * A stretch of a block: words, a signing field's place, a picture or a link.
 *
 * @param text the words; of a place what stands in it already, of a picture what is told instead of it
 * @param field the name of the signing field; empty for none
 * @param picture which of the text's pictures it is, from 1; 0 for none
 * @param link where the words lead; empty for nowhere, {@code #note} for a note of the same text
 */
public record Stretch(String text, boolean strong, boolean slanted, String field, int picture, String link) {
    static Stretch words(String text, boolean strong, boolean slanted, String link) {
        return new Stretch(text, strong, slanted, "", 0, link);
    }

    static Stretch place(String field, String filled) {
        return new Stretch(filled, false, false, field, 0, "");
    }

    static Stretch picture(int number, String alternative) {
        return new Stretch(alternative, false, false, "", number, "");
    }

    boolean looksAs(Stretch other) {
        return field.isEmpty()
                && picture == 0
                && other.field.isEmpty()
                && other.picture == 0
                && strong == other.strong
                && slanted == other.slanted
                && link.equals(other.link);
    }

    Stretch with(String more) {
        return new Stretch(text + more, strong, slanted, field, picture, link);
    }
}
