package org.jalousie.core.pdf;

import java.io.ByteArrayInputStream;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import org.apache.fontbox.ttf.CmapLookup;
import org.apache.fontbox.ttf.TTFParser;
import org.apache.fontbox.ttf.TTFSubsetter;
import org.apache.fontbox.ttf.TrueTypeFont;
import org.apache.pdfbox.cos.COSArray;
import org.apache.pdfbox.cos.COSDictionary;
import org.apache.pdfbox.cos.COSFloat;
import org.apache.pdfbox.cos.COSInteger;
import org.apache.pdfbox.cos.COSName;
import org.apache.pdfbox.io.RandomAccessReadBufferedFile;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.common.PDStream;
import org.apache.pdfbox.pdmodel.font.PDFont;
import org.apache.pdfbox.pdmodel.font.PDFontFactory;
import org.apache.pdfbox.pdmodel.font.PDSimpleFont;
import org.apache.pdfbox.pdmodel.font.PDType3Font;
import org.apache.pdfbox.pdmodel.font.encoding.GlyphList;
import org.apache.pdfbox.pdmodel.font.encoding.WinAnsiEncoding;

/**
 * Puts fonts of this machine into a PDF for those that it only names (ISO 19005-2 §6.2.11.4). Fonts that are made to the measures
 * of the named ones come first, so that no line moves.
 */
final class StandInFonts {
    private static final Path FOLDER = Path.of("/usr/share/fonts/truetype");

    /** How far a letter's width may differ, in thousandths of the type's size. */
    private static final float SAME = 25;

    private static final int FIXED_PITCH = 1;
    private static final int SERIF = 2;
    private static final int NONSYMBOLIC = 32;
    private static final int ITALIC = 64;

    private final PDDocument document;
    private final Map<String, StandIn> used = new LinkedHashMap<>();

    private StandInFonts(PDDocument document) {
        this.document = document;
    }

    /** @param moved whether some letters have other widths, so that words stand a little elsewhere */
    record StandIn(String font, String by, boolean moved) {}

    /** Replaces what can be replaced. */
    static List<StandIn> put(PDDocument document) throws IOException {
        StandInFonts fonts = new StandInFonts(document);
        Objects.each(document, one -> {
            if (COSName.FONT.equals(one.getCOSName(COSName.TYPE))) fonts.font(one);
        });
        return List.copyOf(fonts.used.values());
    }

    private void font(COSDictionary dictionary) throws IOException {
        String kind = dictionary.getNameAsString(COSName.SUBTYPE);
        if (kind == null || kind.startsWith("CIDFont")) return;
        PDFont font;
        try {
            font = PDFontFactory.createFont(dictionary);
        } catch (IOException | RuntimeException e) {
            return; // the validator says what is wrong with it
        }
        if (font.isEmbedded() || font instanceof PDType3Font || !(font instanceof PDSimpleFont simple)) return;
        String name = font.getName() == null ? "" : font.getName();
        if (name.contains("Symbol") || name.contains("Dingbats") || name.contains("Wingdings")) return;
        Optional<Path> file = fileFor(name, flags(dictionary));
        if (file.isEmpty()) return;
        try (TrueTypeFont parsed = new TTFParser()
                .parse(new RandomAccessReadBufferedFile(file.get().toFile()))) {
            boolean moved = replace(dictionary, simple, parsed, file.get());
            used.merge(
                    name,
                    new StandIn(name, parsed.getName(), moved),
                    (a, b) -> new StandIn(name, a.by(), a.moved() || b.moved()));
        }
    }

    private static int flags(COSDictionary font) {
        COSDictionary descriptor = font.getCOSDictionary(COSName.FONT_DESC);
        return descriptor == null ? 0 : descriptor.getInt(COSName.FLAGS, 0);
    }

    /** Families of equal measures (Liberation for Arial, Times New Roman and Courier New; Carlito for Calibri; Caladea for Cambria). */
    private static Optional<Path> fileFor(String name, int flags) {
        String lower = name.toLowerCase(Locale.ROOT).replaceAll("^[a-z]{6}\\+", "");
        String family;
        if (lower.contains("calibri") || lower.contains("carlito")) family = "crosextra/Carlito";
        else if (lower.contains("cambria") || lower.contains("caladea")) family = "crosextra/Caladea";
        else if (lower.contains("courier") || lower.contains("mono") || (flags & FIXED_PITCH) != 0)
            family = "liberation/LiberationMono";
        else if (lower.contains("narrow") && lower.contains("arial")) family = "liberation/LiberationSansNarrow";
        else if (lower.contains("helvetica") || lower.contains("arial")) family = "liberation/LiberationSans";
        else if (lower.contains("times") || (flags & SERIF) != 0) family = "liberation/LiberationSerif";
        else family = "liberation/LiberationSans";
        boolean bold = lower.contains("bold") || lower.contains("black") || lower.contains("heavy");
        boolean italic = lower.contains("italic") || lower.contains("oblique") || (flags & ITALIC) != 0;
        String cut = bold ? italic ? "BoldItalic" : "Bold" : italic ? "Italic" : "Regular";
        Path file = FOLDER.resolve(family + "-" + cut + ".ttf");
        return Files.isReadable(file) ? Optional.of(file) : Optional.empty();
    }

    private boolean replace(COSDictionary dictionary, PDSimpleFont font, TrueTypeFont parsed, Path file)
            throws IOException {
        CmapLookup letters = parsed.getUnicodeCmapLookup();
        float scale = 1000f / parsed.getUnitsPerEm();
        TTFSubsetter some = new TTFSubsetter(parsed);
        COSArray widths = new COSArray();
        COSArray differences = new COSArray();
        boolean moved = false;
        int from = 32;
        for (int code = from; code <= 255; code++) {
            String glyph =
                    font.getEncoding() == null ? null : font.getEncoding().getName(code);
            String shown = glyph == null ? null : GlyphList.getAdobeGlyphList().toUnicode(glyph);
            int id = shown == null || shown.isEmpty() ? 0 : letters.getGlyphId(shown.codePointAt(0));
            if (id == 0) {
                widths.add(COSInteger.ZERO);
                continue;
            }
            some.add(shown.codePointAt(0));
            float width = parsed.getAdvanceWidth(id) * scale;
            widths.add(new COSFloat(width));
            moved |= Character.isLetterOrDigit(shown.codePointAt(0)) && Math.abs(font.getWidth(code) - width) > SAME;
            if (!glyph.equals(WinAnsiEncoding.INSTANCE.getName(code))) {
                differences.add(COSInteger.get(code));
                differences.add(COSName.getPDFName(glyph));
            }
        }
        String name = "STANDN+" + parsed.getName();
        dictionary.setItem(COSName.SUBTYPE, COSName.TRUE_TYPE);
        dictionary.setName(COSName.BASE_FONT, name);
        dictionary.setInt(COSName.FIRST_CHAR, from);
        dictionary.setInt(COSName.LAST_CHAR, 255);
        dictionary.setItem(COSName.WIDTHS, widths);
        dictionary.setItem(COSName.ENCODING, encoding(differences));
        dictionary.setItem(COSName.FONT_DESC, descriptor(name, parsed, some, file));
        return moved;
    }

    private static COSDictionary encoding(COSArray differences) {
        COSDictionary encoding = new COSDictionary();
        encoding.setItem(COSName.TYPE, COSName.ENCODING);
        encoding.setItem(COSName.BASE_ENCODING, COSName.WIN_ANSI_ENCODING);
        if (differences.size() > 0) encoding.setItem(COSName.DIFFERENCES, differences);
        return encoding;
    }

    private COSDictionary descriptor(String name, TrueTypeFont parsed, TTFSubsetter some, Path file)
            throws IOException {
        ByteArrayOutputStream letters = new ByteArrayOutputStream();
        some.writeToStream(letters);
        PDStream program =
                new PDStream(document, new ByteArrayInputStream(letters.toByteArray()), COSName.FLATE_DECODE);
        program.getCOSObject().setInt(COSName.LENGTH1, letters.size());
        float scale = 1000f / parsed.getUnitsPerEm();
        boolean serif = file.toString().contains("Serif") || file.toString().contains("Caladea");
        COSDictionary descriptor = new COSDictionary();
        descriptor.setItem(COSName.TYPE, COSName.FONT_DESC);
        descriptor.setName(COSName.FONT_NAME, name);
        descriptor.setInt(
                COSName.FLAGS,
                NONSYMBOLIC
                        | (serif ? SERIF : 0)
                        | (file.toString().contains("Mono") ? FIXED_PITCH : 0)
                        | (file.toString().contains("Italic") ? ITALIC : 0));
        COSArray box = new COSArray();
        for (float side : new float[] {
            parsed.getHeader().getXMin(),
            parsed.getHeader().getYMin(),
            parsed.getHeader().getXMax(),
            parsed.getHeader().getYMax()
        }) box.add(new COSFloat(side * scale));
        descriptor.setItem(COSName.FONT_BBOX, box);
        descriptor.setFloat(COSName.ITALIC_ANGLE, parsed.getPostScript().getItalicAngle());
        descriptor.setFloat(COSName.ASCENT, parsed.getHorizontalHeader().getAscender() * scale);
        descriptor.setFloat(COSName.DESCENT, parsed.getHorizontalHeader().getDescender() * scale);
        descriptor.setFloat(COSName.CAP_HEIGHT, parsed.getOS2Windows().getCapHeight() * scale);
        descriptor.setInt(COSName.STEM_V, 80);
        descriptor.setItem(COSName.FONT_FILE2, program);
        return descriptor;
    }
}
