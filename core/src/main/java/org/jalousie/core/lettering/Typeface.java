package org.jalousie.core.lettering;

import java.awt.Font;
import java.awt.FontFormatException;
import java.awt.font.FontRenderContext;
import java.awt.font.GlyphVector;
import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Optional;
import org.apache.fontbox.ttf.TTFParser;
import org.apache.fontbox.ttf.TrueTypeFont;
import org.apache.pdfbox.io.RandomAccessReadBufferedFile;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.font.PDType0Font;

/**
 * A font file with TrueType outlines that may be embedded. Its letters are shaped by the Java runtime, which joins, places and
 * reorders them as the OpenType specification asks; measures are thousandths of the type size.
 */
final class Typeface {
    private static final float EM = 1000;
    private static final FontRenderContext PLAIN = new FontRenderContext(null, true, true);

    // OpenType specification, table OS/2, fsType: bit 1 forbids embedding, bit 8 forbids a part of it, bit 9 outlines
    private static final int NOT_TO_BE_EMBEDDED = 0x0002 | 0x0100 | 0x0200;

    private interface Source {
        InputStream open() throws IOException;
    }

    private final Font font;
    private final Source source;

    private Typeface(Font font, Source source) {
        this.font = font.deriveFont(EM);
        this.source = source;
    }

    /** The font of the house, which comes with the program. */
    static Typeface ofTheHouse() {
        try (InputStream in = FormFont.open()) {
            return new Typeface(Font.createFont(Font.TRUETYPE_FONT, in), FormFont::open);
        } catch (IOException | FontFormatException e) {
            throw new IllegalStateException("the font of the signing fields can't be read", e);
        }
    }

    /** A font of this machine; empty for one that can't be read, has no TrueType outlines or may not be embedded. */
    static Optional<Typeface> of(Path file) {
        try (TrueTypeFont parsed = new TTFParser().parse(new RandomAccessReadBufferedFile(file.toFile()))) {
            boolean mayBeEmbedded =
                    parsed.getOS2Windows() == null || (parsed.getOS2Windows().getFsType() & NOT_TO_BE_EMBEDDED) == 0;
            if (parsed.getGlyph() == null || !mayBeEmbedded) return Optional.empty();
            return Optional.of(
                    new Typeface(Font.createFont(Font.TRUETYPE_FONT, file.toFile()), () -> Files.newInputStream(file)));
        } catch (IOException | FontFormatException | RuntimeException e) {
            // a damaged font of the machine is as good as none
            return Optional.empty();
        }
    }

    boolean has(int codePoint) {
        return font.canDisplay(codePoint);
    }

    /** Letters in the order in which they are seen, each with its place. */
    GlyphVector shape(char[] text, int from, int to, boolean rightToLeft) {
        int direction = rightToLeft ? Font.LAYOUT_RIGHT_TO_LEFT : Font.LAYOUT_LEFT_TO_RIGHT;
        return font.layoutGlyphVector(PLAIN, text, from, to, direction);
    }

    /** A font of a document that will hold the letters that are used of this one. */
    PDType0Font embed(PDDocument document) {
        try (InputStream in = source.open()) {
            return PDType0Font.load(document, in, true);
        } catch (IOException e) {
            throw new UncheckedIOException("a font of this machine can't be read", e);
        }
    }
}
