package org.jalousie.core.paper;

import java.awt.image.BufferedImage;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.util.List;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.common.PDRectangle;
import org.apache.pdfbox.rendering.ImageType;
import org.apache.pdfbox.rendering.PDFRenderer;
import org.jalousie.core.pdf.PageWords;

/** A page as it was printed, ready to be compared with. */
public final class PrintedPage {
    private final int number;
    private final BufferedImage picture;
    private final Grey ink;
    private final List<MarkReader.Found> marks;
    private final List<PageWords.Word> words;
    private final List<PaperPrint.Place> places;
    private final float height;

    private PrintedPage(
            int number,
            BufferedImage picture,
            List<PageWords.Word> words,
            List<PaperPrint.Place> places,
            float height) {
        this.number = number;
        this.picture = picture;
        Grey grey = Grey.of(picture);
        this.ink = grey.ink();
        this.marks = MarkReader.all(grey);
        this.words = words;
        this.places = places;
        this.height = height;
    }

    /** @param page from 1 */
    public static PrintedPage of(PaperPrint.Printed printed, int page) {
        try (PDDocument document = Loader.loadPDF(printed.pdf())) {
            PDRectangle box = document.getPage(page - 1).getCropBox();
            BufferedImage picture =
                    new PDFRenderer(document).renderImageWithDPI(page - 1, ScanFile.DOTS_PER_INCH, ImageType.GRAY);
            List<PageWords.Word> words = PageWords.of(printed.pdf()).all().stream()
                    .filter(one -> one.page() == page)
                    .toList();
            List<PaperPrint.Place> places =
                    printed.places().stream().filter(one -> one.page() == page).toList();
            return new PrintedPage(page, picture, words, places, box.getHeight());
        } catch (IOException e) {
            throw new UncheckedIOException("the printed page can't be read", e);
        }
    }

    /** From 1. */
    public int number() {
        return number;
    }

    /** How it looks. */
    public BufferedImage picture() {
        return picture;
    }

    Grey ink() {
        return ink;
    }

    List<MarkReader.Found> marks() {
        return marks;
    }

    List<PageWords.Word> words() {
        return words;
    }

    List<PaperPrint.Place> places() {
        return places;
    }

    /** In PDF points. */
    float height() {
        return height;
    }
}
