package org.jalousie.core.placement;

import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.text.Normalizer;
import java.util.Optional;
import java.util.OptionalInt;
import org.apache.fontbox.ttf.CmapLookup;
import org.apache.fontbox.ttf.TTFParser;
import org.apache.pdfbox.io.RandomAccessReadBuffer;
import org.jalousie.core.messages.Message;

/** Knows which characters the font of the signing fields can print. */
public final class Glyphs {
    private static final CmapLookup CHARACTERS = load();

    private Glyphs() {}

    /** The first code point that can't be printed in a signing field, or only in the wrong order; empty when all can. */
    public static OptionalInt firstMissing(String text) {
        return composed(text).codePoints().filter(c -> !canPrint(c)).findFirst();
    }

    /**
     * Says that a text would be printed with gaps in it beside the signature and in the signing record; empty when it wouldn't.
     *
     * @param what what the text is, as a sentence begins
     */
    public static Optional<Message> unprintable(Message what, String text) {
        OptionalInt missing = firstMissing(text);
        if (missing.isEmpty()) return Optional.empty();
        return Optional.of(
                Message.of("print.missing", "what", what, "character", Character.toString(missing.getAsInt())));
    }

    /** The text with every character that can't be printed replaced by a question mark: for what is only mentioned. */
    public static String printable(String text) {
        StringBuilder out = new StringBuilder();
        composed(text).codePoints().forEach(c -> out.appendCodePoint(c < 0x20 ? ' ' : canPrint(c) ? c : '?'));
        return out.toString();
    }

    /** Letters with their marks as one character, which the font has more often than the parts. */
    private static String composed(String text) {
        return Normalizer.normalize(text, Normalizer.Form.NFC);
    }

    /** Scripts that run from right to left would come out backwards, since fields are set letter by letter. */
    private static boolean canPrint(int c) {
        byte direction = Character.getDirectionality(c);
        return c >= 0x20
                && CHARACTERS.getGlyphId(c) != 0
                && direction != Character.DIRECTIONALITY_RIGHT_TO_LEFT
                && direction != Character.DIRECTIONALITY_RIGHT_TO_LEFT_ARABIC;
    }

    private static CmapLookup load() {
        try (InputStream font = FormFont.open()) {
            return new TTFParser(true).parse(new RandomAccessReadBuffer(font)).getUnicodeCmapLookup();
        } catch (IOException e) {
            throw new UncheckedIOException("the font of the signing fields is missing", e);
        }
    }
}
