package org.jalousie.core.reading;

import java.io.IOException;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import org.apache.pdfbox.cos.COSDictionary;
import org.apache.pdfbox.cos.COSName;
import org.apache.pdfbox.pdmodel.PDPage;
import org.apache.pdfbox.pdmodel.documentinterchange.markedcontent.PDMarkedContent;
import org.apache.pdfbox.pdmodel.font.PDFont;
import org.apache.pdfbox.text.PDFMarkedContentExtractor;
import org.apache.pdfbox.text.TextPosition;
import org.apache.pdfbox.util.Matrix;
import org.apache.pdfbox.util.Vector;

/** The marked sequences of a page (ISO 32000-1 §14.7.4.2): what each prints, by its number. */
final class MarkedPage {
    private static final List<Piece> NOTHING = List.of();

    private final Map<Integer, List<Piece>> byNumber = new HashMap<>();
    private final List<Piece> edges = new ArrayList<>();
    private final Set<Integer> read = new HashSet<>();
    private boolean loose;

    /** Sees also what is printed outside of all marks, and letters of which the file doesn't tell what they are. */
    private static final class Extractor extends PDFMarkedContentExtractor {
        private int depth;
        /** How deep it is in what the file has other words for; 0 for not at all. */
        private int told;

        private boolean loose;

        Extractor() throws IOException {}

        @Override
        public void beginMarkedContentSequence(COSName tag, COSDictionary properties) {
            depth++;
            if (told == 0 && properties != null && properties.containsKey(COSName.ACTUAL_TEXT)) told = depth;
            super.beginMarkedContentSequence(tag, properties);
        }

        @Override
        public void endMarkedContentSequence() {
            if (told == depth) told = 0;
            depth--;
            super.endMarkedContentSequence();
        }

        @Override
        protected void processTextPosition(TextPosition text) {
            loose |= depth <= 0 && !text.getUnicode().isBlank();
            super.processTextPosition(text);
        }

        @Override
        protected void showGlyph(Matrix matrix, PDFont font, int code, Vector displacement) throws IOException {
            // the library passes over such a letter, or guesses
            loose |= told == 0 && font.toUnicode(code) == null;
            super.showGlyph(matrix, font, code, displacement);
        }
    }

    static MarkedPage of(PDPage page) throws IOException {
        Extractor extractor = new Extractor();
        extractor.setSuppressDuplicateOverlappingText(false);
        extractor.processPage(page);
        MarkedPage made = new MarkedPage();
        made.loose = extractor.loose;
        extractor.getMarkedContents().forEach(made::collect);
        return made;
    }

    List<Piece> printed(int number) {
        read.add(number);
        return inOrder(byNumber.getOrDefault(number, NOTHING));
    }

    /** Whether words are printed that nobody has read, since the structure doesn't hold them. */
    boolean left() {
        return loose
                || byNumber.entrySet().stream()
                        .anyMatch(one -> !read.contains(one.getKey())
                                && one.getValue().stream()
                                        .anyMatch(piece -> !piece.text().isBlank()));
    }

    /** What stands at the page's head and foot, outside the document's structure. */
    List<Piece> edges() {
        return inOrder(edges);
    }

    /** In the order of reading: of what is written from the right, the pieces of a line belong together. */
    private static List<Piece> inOrder(List<Piece> printed) {
        List<Piece> lines = new ArrayList<>();
        for (Piece piece : printed) {
            int last = lines.size() - 1;
            boolean together = last >= 0
                    && lines.get(last).fromRight()
                    && piece.fromRight()
                    && !lines.get(last).onAnotherLine(piece);
            if (together) lines.set(last, lines.get(last).besides(piece));
            else lines.add(piece);
        }
        return lines.stream().map(Piece::inReadingOrder).toList();
    }

    private void collect(PDMarkedContent content) {
        if ("Artifact".equals(content.getTag())) {
            pieces(content).forEach(piece -> add(piece, edges));
            return;
        }
        if (content.getMCID() >= 0) {
            // a number that is there twice, as in a drawing within the page, is of one of them (ISO 32000-1 §14.7.4.2)
            loose |= byNumber.containsKey(content.getMCID());
            List<Piece> into = new ArrayList<>();
            byNumber.put(content.getMCID(), into);
            pieces(content).forEach(piece -> add(piece, into));
            return;
        }
        for (Object one : content.getContents()) if (one instanceof PDMarkedContent inner) collect(inner);
    }

    private List<Piece> pieces(PDMarkedContent content) {
        List<Piece> pieces = new ArrayList<>();
        for (Object one : content.getContents()) {
            if (one instanceof TextPosition letter) add(Piece.of(letter), pieces);
            else if (one instanceof PDMarkedContent inner) {
                if (inner.getMCID() >= 0) collect(inner);
                else pieces(inner).forEach(piece -> add(piece, pieces));
            }
        }
        String instead = content.getActualText();
        // what is read is not what is printed: a ligature, a hyphen at the end of a line (ISO 32000-1 §14.9.4)
        loose |= instead != null && !instead.isBlank() && pieces.isEmpty();
        return instead == null || pieces.isEmpty()
                ? pieces
                : List.of(pieces.get(0).until(pieces.get(pieces.size() - 1)).saying(instead));
    }

    private static void add(Piece piece, List<Piece> into) {
        int last = into.size() - 1;
        if (last >= 0 && into.get(last).goesOn(piece))
            into.set(last, into.get(last).with(piece));
        else into.add(piece);
    }
}
