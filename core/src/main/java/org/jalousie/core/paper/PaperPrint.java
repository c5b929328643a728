package org.jalousie.core.paper;

import com.google.zxing.WriterException;
import com.google.zxing.qrcode.decoder.ErrorCorrectionLevel;
import com.google.zxing.qrcode.encoder.ByteMatrix;
import com.google.zxing.qrcode.encoder.Encoder;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.function.BiFunction;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.multipdf.PDFMergerUtility;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.PDPage;
import org.apache.pdfbox.pdmodel.PDPageContentStream;
import org.apache.pdfbox.pdmodel.PDPageContentStream.AppendMode;
import org.apache.pdfbox.pdmodel.PDResources;
import org.apache.pdfbox.pdmodel.common.PDRectangle;
import org.apache.pdfbox.pdmodel.interactive.form.PDAcroForm;
import org.apache.pdfbox.rendering.ImageType;
import org.apache.pdfbox.rendering.PDFRenderer;
import org.apache.pdfbox.util.Matrix;
import org.jalousie.core.agreement.AgreementNumber;
import org.jalousie.core.data.Sha256;
import org.jalousie.core.lettering.Ink;
import org.jalousie.core.lettering.SetLine;
import org.jalousie.core.lettering.TypeSetter;
import org.jalousie.core.pdf.ArchivalForm;

/**
 * A document as it is printed to be signed on paper: as it is seen, with the places that are written in by hand, and a mark on each
 * page by which its scan is recognised. The mark stands in a corner that is free; where none is, the page is printed smaller.
 */
public final class PaperPrint {
    private static final float MM = 72 / 25.4f;
    private static final float CODE = 15 * MM;

    /** Printers leave as much blank. */
    private static final float EDGE = 6 * MM;

    private static final float LINE = 6.5f;
    private static final float CAPTION = 5.5f;

    /** How much a caption takes below the line that is written on. */
    static final float BELOW = CAPTION + 1.5f;

    /** A place that is higher has room for its caption within. */
    private static final double HIGH = 30;

    /** One that is lower takes a tick, and is drawn as a box. */
    private static final double LOW = 14;

    /** The code, the quiet around it (ISO/IEC 18004 §6.3.8), and the line below. */
    private static final float ROOM = CODE + 4 * MM + LINE;

    private static final float SMALLER = (float) (1 - (ROOM + EDGE) / PDRectangle.A4.getHeight());
    private static final int LOOK = 50;

    private PaperPrint() {}

    /**
     * A place that somebody writes in, in PDF points from the lower left of its page.
     *
     * @param page from 1
     * @param party who writes there
     * @param caption what is said of it in small letters; none for one that is too small for any
     * @param needed whether something has to be written there, like a signature
     */
    public record Place(
            int page, double x, double y, double width, double height, String party, String caption, boolean needed) {
        private Place smaller(double by, double right, double up) {
            return new Place(page, x * by + right, y * by + up, width * by, height * by, party, caption, needed);
        }
    }

    /** A document that is printed. @param state its SHA-256; {@code pdf} what it is */
    public record Sheet(Sha256 state, byte[] pdf, List<Place> places) {}

    /** As it came out. @param places where they are on the paper */
    public record Printed(byte[] pdf, List<Place> places, int pages) {}

    /** One document; the same document is always printed the same. */
    public static Printed of(AgreementNumber agreement, Sheet sheet) {
        try (PDDocument document = Loader.loadPDF(sheet.pdf())) {
            PDAcroForm form = document.getDocumentCatalog().getAcroForm();
            if (form != null) form.flatten();
            List<Place> places = new ArrayList<>();
            PDFRenderer renderer = new PDFRenderer(document);
            int pages = document.getNumberOfPages();
            List<Grey> seen = new ArrayList<>();
            for (int i = 0; i < pages; i++) seen.add(Grey.of(renderer.renderImageWithDPI(i, LOOK, ImageType.GRAY)));
            for (int i = 0; i < pages; i++) {
                int number = i + 1;
                PDPage page = document.getPage(i);
                List<Place> own = sheet.places().stream()
                        .filter(one -> one.page() == number)
                        .toList();
                PDRectangle box = page.getCropBox();
                Optional<float[]> free = corner(seen.get(i).ink(), box, own);
                if (free.isEmpty()) {
                    float right = box.getWidth() * (1 - SMALLER) / 2;
                    float up = box.getHeight() * (1 - SMALLER);
                    shrink(document, page, right, up);
                    own = own.stream()
                            .map(one -> one.smaller(SMALLER, right, up))
                            .toList();
                }
                float[] at = free.orElseGet(() -> new float[] {box.getWidth() - EDGE - ROOM, EDGE});
                Grey ink = seen.get(i).ink();
                List<Place> all = own;
                // a page that was made smaller isn't looked at again
                BiFunction<Place, Float, float[]> captioned =
                        (one, wide) -> free.isPresent() ? captionOf(ink, box, one, all, wide) : within(one);
                draw(document, page, PaperMark.of(agreement, number, pages, sheet.state()), at, own, captioned);
                places.addAll(own);
            }
            ArchivalForm.declare(document, agreement.value());
            document.getDocumentCatalog().setAcroForm(null);
            return new Printed(saved(document), places, pages);
        } catch (IOException e) {
            throw new UncheckedIOException("the document can't be printed", e);
        }
    }

    /** All documents of an agreement, one after the other. */
    public static byte[] together(List<Printed> documents) {
        try (PDDocument all = new PDDocument()) {
            PDFMergerUtility merger = new PDFMergerUtility();
            for (Printed one : documents)
                try (PDDocument document = Loader.loadPDF(one.pdf())) {
                    merger.appendDocument(all, document);
                }
            return saved(all);
        } catch (IOException e) {
            throw new UncheckedIOException("the documents can't be printed together", e);
        }
    }

    private static byte[] saved(PDDocument document) throws IOException {
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        document.save(out);
        return out.toByteArray();
    }

    /** The lower left of a corner where nothing stands: below first, where fewest people write. */
    private static Optional<float[]> corner(Grey ink, PDRectangle page, List<Place> places) {
        float right = page.getWidth() - EDGE - ROOM;
        float top = page.getHeight() - EDGE - ROOM;
        for (float[] at : new float[][] {{right, EDGE}, {EDGE, EDGE}, {right, top}, {EDGE, top}})
            if (free(ink, page, at) && places.stream().noneMatch(one -> within(one, at))) return Optional.of(at);
        return Optional.empty();
    }

    private static boolean free(Grey ink, PDRectangle page, float[] at) {
        return free(ink, page, at[0], at[1], ROOM, ROOM);
    }

    /** Within a place that is high; else beside its line or below it, where that is free, so that nobody has to write over it. */
    private static float[] captionOf(Grey ink, PDRectangle page, Place one, List<Place> all, float wide) {
        if (one.height() >= HIGH) return within(one);
        float right = (float) (one.x() + one.width()) + 3;
        float below = (float) one.y() - CAPTION;
        for (float[] at : new float[][] {{right, (float) one.y() + 1}, {(float) one.x() + 1, below}}) {
            boolean on = at[0] + wide < page.getWidth() - EDGE;
            if (on
                    && free(ink, page, at[0], at[1] - 1, wide, CAPTION)
                    && all.stream()
                            .noneMatch(other -> other != one
                                    && other.x() < at[0] + wide
                                    && at[0] < other.x() + other.width()
                                    && other.y() < at[1] + CAPTION
                                    && at[1] < other.y() + other.height())) return at;
        }
        return within(one);
    }

    private static float[] within(Place one) {
        return new float[] {(float) one.x() + 1, (float) (one.y() + one.height()) - CAPTION};
    }

    private static boolean free(Grey ink, PDRectangle page, float x0, float y0, float wide, float high) {
        float dots = LOOK / 72f;
        int left = (int) Math.floor(x0 * dots);
        int top = (int) Math.floor((page.getHeight() - y0 - high) * dots);
        int across = (int) Math.ceil(wide * dots) + 1;
        int down = (int) Math.ceil(high * dots) + 1;
        for (int y = top; y < top + down; y++)
            for (int x = left; x < left + across; x++)
                if (x >= 0 && y >= 0 && x < ink.width() && y < ink.height() && ink.at(x, y) > 12) return false;
        return true;
    }

    private static boolean within(Place one, float[] at) {
        return one.x() < at[0] + ROOM
                && at[0] < one.x() + one.width()
                && one.y() < at[1] + ROOM
                && at[1] < one.y() + one.height();
    }

    private static void shrink(PDDocument document, PDPage page, float right, float up) throws IOException {
        try (PDPageContentStream before = new PDPageContentStream(document, page, AppendMode.PREPEND, true)) {
            before.saveGraphicsState();
            before.transform(new Matrix(SMALLER, 0, 0, SMALLER, right, up));
        }
        try (PDPageContentStream after = new PDPageContentStream(document, page, AppendMode.APPEND, true)) {
            after.restoreGraphicsState();
        }
    }

    /** @param captioned where a caption of some width begins */
    private static void draw(
            PDDocument document,
            PDPage page,
            PaperMark mark,
            float[] at,
            List<Place> places,
            BiFunction<Place, Float, float[]> captioned)
            throws IOException {
        if (page.getResources() == null) page.setResources(new PDResources());
        StringBuilder words = new StringBuilder();
        String line = mark.agreement() + "  " + mark.page() + " / " + mark.pages();
        try (Ink ink = new Ink(document)) {
            words.append(ink.show(
                    TypeSetter.here().line(line), LINE, at[0] + 2 * MM, at[1] + LINE * 0.4f, 0, page.getResources()));
            for (Place one : places) {
                if (one.caption().isEmpty() || one.height() <= LOW) continue;
                SetLine caption = TypeSetter.here().line(one.caption());
                float[] where = captioned.apply(one, caption.width() * CAPTION / 1000);
                words.append(ink.show(caption, CAPTION, where[0], where[1], 0.35f, page.getResources()));
            }
        }
        try (PDPageContentStream out = new PDPageContentStream(document, page, AppendMode.APPEND, true, true)) {
            out.setNonStrokingColor(0f);
            code(out, mark.text(), at[0] + 2 * MM, at[1] + 2 * MM + LINE);
            out.setStrokingColor(0.35f);
            out.setLineWidth(0.5f);
            for (Place one : places) {
                if (one.height() > LOW) {
                    out.moveTo((float) one.x(), (float) one.y());
                    out.lineTo((float) (one.x() + one.width()), (float) one.y());
                } else {
                    out.addRect((float) one.x(), (float) one.y(), (float) one.width(), (float) one.height());
                }
                out.stroke();
            }
            out.addComment("what people read");
        }
        appendRaw(document, page, words.toString());
    }

    private static void appendRaw(PDDocument document, PDPage page, String operators) throws IOException {
        try (PDPageContentStream out = new PDPageContentStream(document, page, AppendMode.APPEND, true, true)) {
            out.appendRawCommands("\n" + operators);
        }
    }

    /** By level Q: a quarter of it may be lost to a fold or a staple. */
    private static void code(PDPageContentStream out, String text, float x, float y) throws IOException {
        ByteMatrix dots;
        try {
            dots = Encoder.encode(text, ErrorCorrectionLevel.Q).getMatrix();
        } catch (WriterException e) {
            throw new IllegalArgumentException("too long for a mark: " + text, e);
        }
        float dot = CODE / dots.getWidth();
        for (int row = 0; row < dots.getHeight(); row++)
            for (int column = 0; column < dots.getWidth(); column++)
                if (dots.get(column, row) == 1) out.addRect(x + column * dot, y + CODE - (row + 1) * dot, dot, dot);
        out.fill();
    }
}
