package org.jalousie.core.lettering;

import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.TreeMap;
import org.apache.pdfbox.cos.COSName;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.PDResources;
import org.apache.pdfbox.pdmodel.common.PDStream;
import org.apache.pdfbox.pdmodel.font.PDFont;
import org.apache.pdfbox.pdmodel.font.PDType0Font;

/**
 * Writes set lines as operators of a content stream (ISO 32000-1 §9.4), and keeps the fonts that one document needs for them. Each
 * font holds the letters that were used; close it when all is written.
 */
public final class Ink implements AutoCloseable {
    /** How far letters may stand from their places because widths are kept as whole numbers, in thousandths of the size. */
    private static final float DRIFT = 8;

    /** How many letters a list of a character map may have. */
    private static final int ENTRIES = 100;

    private final PDDocument document;
    private final PDFont house;
    private final Map<Typeface, PDFont> fonts = new LinkedHashMap<>();
    private final Map<Typeface, Map<Integer, String>> used = new LinkedHashMap<>();

    /** Ink for a document that has none of the fonts yet. */
    public Ink(PDDocument document) {
        this(document, null);
    }

    /** @param house the house's font, whole, as the document has it already; {@code null} when it hasn't */
    public Ink(PDDocument document, PDFont house) {
        this.document = document;
        this.house = house;
    }

    /**
     * The operators that show a line.
     *
     * @param resources of the stream that they are for, which get the fonts
     * @param x where the line begins, {@code y} where its letters stand, in points
     * @param grey 0 is black
     */
    public String show(SetLine line, float size, float x, float y, float grey, PDResources resources) {
        StringBuilder out = new StringBuilder();
        out.append(number(grey)).append(" g\n");
        for (SetLine.Run run : line.runs()) {
            if (run.letters().isEmpty()) continue;
            // readers turn what is seen from the right round by themselves, so that is told letter by letter
            boolean told = !run.plain() && !run.rightToLeft();
            if (told)
                out.append("/Span <</ActualText <FEFF").append(hex(run.text())).append(">>> BDC\n");
            out.append("BT\n/").append(name(run.typeface(), resources).getName());
            out.append(' ').append(number(size)).append(" Tf\n");
            letters(run, size, x, y, out);
            out.append("ET\n");
            if (told) out.append("EMC\n");
        }
        return out.toString();
    }

    /** Letters that follow each other by their own widths are shown at one stroke; others are placed one by one. */
    private void letters(SetLine.Run run, float size, float x, float y, StringBuilder out) {
        PDFont font = font(run.typeface());
        float expected = Float.NaN;
        float height = Float.NaN;
        boolean open = false;
        for (SetLine.Letter letter : run.letters()) {
            if (!open || Math.abs(letter.x() - expected) > DRIFT || letter.y() != height) {
                if (open) out.append("> Tj\n");
                out.append("1 0 0 1 ").append(number(x + letter.x() * size / 1000));
                out.append(' ').append(number(y + letter.y() * size / 1000)).append(" Tm <");
                open = true;
                expected = letter.x();
                height = letter.y();
            }
            out.append(String.format(Locale.ROOT, "%04X", letter.glyph()));
            expected += widthOf(font, letter.glyph());
            used.computeIfAbsent(run.typeface(), any -> new TreeMap<>())
                    .merge(letter.glyph(), letter.text(), (known, said) -> known.isEmpty() ? said : known);
        }
        if (open) out.append("> Tj\n");
    }

    private static float widthOf(PDFont font, int glyph) {
        try {
            return font.getWidth(glyph);
        } catch (IOException e) {
            return Float.NaN; // the letter is placed by itself
        }
    }

    private COSName name(Typeface typeface, PDResources resources) {
        return resources.add(font(typeface));
    }

    private PDFont font(Typeface typeface) {
        return fonts.computeIfAbsent(
                typeface, one -> house != null && one == Typefaces.here().house() ? house : one.embed(document));
    }

    private static String number(float value) {
        return String.format(Locale.ROOT, "%.3f", value);
    }

    private static String hex(String text) {
        StringBuilder out = new StringBuilder();
        for (byte b : text.getBytes(StandardCharsets.UTF_16BE)) out.append(String.format("%02X", b));
        return out.toString();
    }

    /** Which characters each letter stands for (ISO 32000-1 §9.10.3). */
    private static byte[] toUnicode(Map<Integer, String> letters) {
        List<String> lines = letters.entrySet().stream()
                .filter(letter -> !letter.getValue().isEmpty())
                .map(letter -> String.format(Locale.ROOT, "<%04X> <%s>%n", letter.getKey(), hex(letter.getValue())))
                .toList();
        StringBuilder out = new StringBuilder("""
                /CIDInit /ProcSet findresource begin
                12 dict begin
                begincmap
                /CIDSystemInfo << /Registry (Adobe) /Ordering (UCS) /Supplement 0 >> def
                /CMapName /Adobe-Identity-UCS def
                /CMapType 2 def
                1 begincodespacerange
                <0000> <FFFF>
                endcodespacerange
                """);
        for (int from = 0; from < lines.size(); from += ENTRIES) {
            List<String> some = lines.subList(from, Math.min(lines.size(), from + ENTRIES));
            out.append(some.size()).append(" beginbfchar\n");
            some.forEach(out::append);
            out.append("endbfchar\n");
        }
        out.append("endcmap\nCMapName currentdict /CMap defineresource pop\nend\nend\n");
        return out.toString().getBytes(StandardCharsets.US_ASCII);
    }

    /** Puts the letters that were used into the document. */
    @Override
    public void close() throws IOException {
        for (Map.Entry<Typeface, PDFont> entry : fonts.entrySet()) {
            if (entry.getValue() == house || !(entry.getValue() instanceof PDType0Font font)) continue;
            Map<Integer, String> letters = used.getOrDefault(entry.getKey(), Map.of());
            font.addGlyphsToSubset(letters.keySet());
            font.subset();
            PDStream said = new PDStream(document, new ByteArrayInputStream(toUnicode(letters)), COSName.FLATE_DECODE);
            font.getCOSObject().setItem(COSName.TO_UNICODE, said);
        }
    }
}
