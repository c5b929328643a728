package org.jalousie.core.provenance;

import java.io.IOException;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.IdentityHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import org.apache.pdfbox.cos.COSArray;
import org.apache.pdfbox.cos.COSBase;
import org.apache.pdfbox.cos.COSDictionary;
import org.apache.pdfbox.cos.COSInteger;
import org.apache.pdfbox.cos.COSName;
import org.apache.pdfbox.cos.COSObject;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.PDPage;
import org.apache.pdfbox.pdmodel.documentinterchange.markedcontent.PDMarkedContent;
import org.apache.pdfbox.pdmodel.font.PDFont;
import org.apache.pdfbox.pdmodel.font.PDFontDescriptor;
import org.apache.pdfbox.text.PDFMarkedContentExtractor;
import org.apache.pdfbox.text.TextPosition;
import org.apache.pdfbox.util.Matrix;

/**
 * The letters of tagged pages in the order in which they are read: by paragraph of the structure tree (ISO 32000-1 §14.7), and for
 * each page what stands beside the structure, which is its header, its footer and repeated rows (artifacts, §14.8.2.2).
 */
final class PageText {
    // the word processor's descriptions of fonts are blank here; these are what poppler takes then (GfxFont.cc)
    private static final double USUAL_ASCENT = 0.95;
    private static final double USUAL_DESCENT = -0.35;

    private final List<Glyph> glyphs = new ArrayList<>();
    private final Map<PDFont, Reach> reaches = new IdentityHashMap<>();
    private final Map<COSBase, Map<Integer, Letters>> tagged = new IdentityHashMap<>();
    private final List<Letters> paragraphs = new ArrayList<>();
    private final List<List<Letters>> beside = new ArrayList<>();

    private PageText() {}

    static PageText of(PDDocument document) throws IOException {
        PageText text = new PageText();
        int number = 0;
        for (PDPage page : document.getPages()) text.read(page, ++number);
        COSBase root = document.getDocumentCatalog().getCOSObject().getDictionaryObject(COSName.STRUCT_TREE_ROOT);
        if (root instanceof COSDictionary tree) text.walk(tree, null);
        return text;
    }

    /** The paragraphs that print something, in reading order. */
    List<Letters> paragraphs() {
        return paragraphs;
    }

    /** What stands beside the structure, by page, in pieces as they were drawn. */
    List<List<Letters>> beside() {
        return beside;
    }

    Glyph glyph(int number) {
        return glyphs.get(number);
    }

    private void read(PDPage page, int number) throws IOException {
        PDFMarkedContentExtractor extractor = new PDFMarkedContentExtractor();
        // two of the same at one place would be one otherwise, and all after them would be counted wrongly
        extractor.setSuppressDuplicateOverlappingText(false);
        extractor.processPage(page);
        Map<Integer, Letters> byId = new HashMap<>();
        List<Letters> rest = new ArrayList<>();
        for (PDMarkedContent content : extractor.getMarkedContents()) collect(content, number, byId, rest);
        tagged.put(page.getCOSObject(), byId);
        beside.add(rest);
    }

    private void collect(PDMarkedContent content, int page, Map<Integer, Letters> byId, List<Letters> rest) {
        List<Integer> numbers = new ArrayList<>();
        List<String> shown = new ArrayList<>();
        for (Object one : content.getContents()) {
            if (one instanceof TextPosition position) {
                numbers.add(glyphs.size());
                glyphs.add(glyph(page, position));
                shown.add(position.getUnicode() == null ? "" : position.getUnicode());
            } else if (one instanceof PDMarkedContent inner) {
                collect(inner, page, byId, rest);
            }
        }
        Letters letters = new Letters();
        for (int at : ReadingOrder.of(shown)) letters.add(shown.get(at), numbers.get(at));
        if (letters.length() == 0) return;
        if (content.getMCID() >= 0)
            byId.computeIfAbsent(content.getMCID(), id -> new Letters()).add(letters);
        else rest.add(letters);
    }

    private Glyph glyph(int page, TextPosition position) {
        Matrix matrix = position.getTextMatrix();
        // the matrix has the size of the font in it (ISO 32000-1 §9.4.4)
        double across = matrix.getScaleX();
        double rising = matrix.getShearY();
        double size = Math.sqrt(across * across + rising * rising);
        Reach reach = reaches.computeIfAbsent(position.getFont(), Reach::of);
        double up = size * reach.up;
        double down = size * reach.down;
        double cos = size == 0 ? 1 : across / size;
        double sin = size == 0 ? 0 : rising / size;
        double x = matrix.getTranslateX();
        double y = matrix.getTranslateY();
        double width = position.getWidthDirAdj();
        double[] xs = {x - sin * down, x - sin * up, x + cos * width - sin * down, x + cos * width - sin * up};
        double[] ys = {y + cos * down, y + cos * up, y + sin * width + cos * down, y + sin * width + cos * up};
        return new Glyph(page, min(xs), min(ys), max(xs), max(ys), cos * y - sin * x);
    }

    /** How far a font's letters go above their line and beneath it, in parts of its size. */
    private record Reach(double up, double down) {
        static Reach of(PDFont font) {
            PDFontDescriptor descriptor = font.getFontDescriptor();
            if (descriptor == null) return new Reach(USUAL_ASCENT, USUAL_DESCENT);
            return new Reach(
                    known(descriptor.getAscent(), USUAL_ASCENT), known(descriptor.getDescent(), USUAL_DESCENT));
        }

        /** @param stated in thousandths of the font's size; 0 where the font's description says nothing */
        private static double known(double stated, double usual) {
            return stated == 0 ? usual : stated / 1000;
        }
    }

    private static double min(double[] all) {
        return Math.min(Math.min(all[0], all[1]), Math.min(all[2], all[3]));
    }

    private static double max(double[] all) {
        return Math.max(Math.max(all[0], all[1]), Math.max(all[2], all[3]));
    }

    // ISO 32000-1 §14.8.4.4: what stands within a paragraph
    private static final Set<String> INLINE = Set.of("Span", "Link", "Quote", "Reference", "Code", "BibEntry");

    /** Goes through the tree as it is stored: the library passes over numbers that are objects of their own. */
    private void walk(COSDictionary element, COSBase page) {
        Letters letters = gathered(element, page);
        if (letters.length() > 0) paragraphs.add(letters);
    }

    /** The letters of one paragraph; what stands in it and is one itself comes before it. */
    private Letters gathered(COSDictionary element, COSBase page) {
        COSBase on = pageOf(element, page);
        Letters letters = new Letters();
        for (COSBase kid : kids(element)) {
            if (kid instanceof COSInteger id) {
                letters.add(content(on, id.intValue()));
            } else if (kid instanceof COSDictionary inner && inner.containsKey(COSName.MCID)) {
                letters.add(content(pageOf(inner, on), inner.getInt(COSName.MCID)));
            } else if (kid instanceof COSDictionary inner) {
                if (INLINE.contains(String.valueOf(inner.getNameAsString(COSName.S)))) letters.add(gathered(inner, on));
                else walk(inner, on);
            }
        }
        return letters;
    }

    private static COSBase pageOf(COSDictionary element, COSBase around) {
        COSBase own = element.getDictionaryObject(COSName.PG);
        return own == null ? around : own;
    }

    private Letters content(COSBase page, int id) {
        return tagged.getOrDefault(page, Map.of()).getOrDefault(id, new Letters());
    }

    private static List<COSBase> kids(COSDictionary element) {
        COSBase kids = element.getDictionaryObject(COSName.K);
        List<COSBase> all = new ArrayList<>();
        if (kids instanceof COSArray array)
            array.forEach(one -> all.add(one instanceof COSObject held ? held.getObject() : one));
        else if (kids != null) all.add(kids);
        return all;
    }
}
