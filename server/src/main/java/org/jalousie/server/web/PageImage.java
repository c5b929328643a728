package org.jalousie.server.web;

import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.UncheckedIOException;
import javax.imageio.ImageIO;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.rendering.ImageType;
import org.apache.pdfbox.rendering.PDFRenderer;
import org.jalousie.core.messages.Message;
import org.jalousie.server.Refusal;

/** One page of a document as a picture. */
public final class PageImage {
    private static final int DOTS_PER_INCH = 150;

    private PageImage() {}

    /** @param page from 1 */
    public static byte[] of(byte[] pdf, int page) {
        try (PDDocument document = Loader.loadPDF(pdf);
                ByteArrayOutputStream out = new ByteArrayOutputStream()) {
            if (page < 1 || page > document.getNumberOfPages())
                throw Refusal.notFound(Message.of("document.pages", "pages", document.getNumberOfPages()));
            ImageIO.write(
                    new PDFRenderer(document).renderImageWithDPI(page - 1, DOTS_PER_INCH, ImageType.RGB), "png", out);
            return out.toByteArray();
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }
}
