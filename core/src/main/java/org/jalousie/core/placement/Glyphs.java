package org.jalousie.core.placement;

import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.util.OptionalInt;
import org.apache.fontbox.ttf.CmapLookup;
import org.apache.fontbox.ttf.TTFParser;
import org.apache.pdfbox.io.RandomAccessReadBuffer;

/** Knows which characters the font of the signing fields can print. */
public final class Glyphs {
    private static final CmapLookup CHARACTERS = load();

    private Glyphs() {}

    /** The first code point that can't be printed in a signing field; empty when all can. */
    public static OptionalInt firstMissing(String text) {
        return text.codePoints()
                .filter(c -> c < 0x20 || CHARACTERS.getGlyphId(c) == 0)
                .findFirst();
    }

    /** The text with every character that can't be printed replaced by a question mark. */
    public static String printable(String text) {
        StringBuilder out = new StringBuilder();
        text.codePoints().forEach(c -> out.appendCodePoint(c < 0x20 ? ' ' : CHARACTERS.getGlyphId(c) == 0 ? '?' : c));
        return out.toString();
    }

    private static CmapLookup load() {
        try (InputStream font =
                Glyphs.class.getResourceAsStream("/org/apache/pdfbox/resources/ttf/LiberationSans-Regular.ttf")) {
            return new TTFParser(true).parse(new RandomAccessReadBuffer(font)).getUnicodeCmapLookup();
        } catch (IOException e) {
            throw new UncheckedIOException("the font of the signing fields is missing", e);
        }
    }
}
