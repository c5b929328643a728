package org.jalousie.server.web;

import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.util.ArrayList;
import java.util.List;
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

    /** The first pages, in order. @param most at most how many */
    public static List<byte[]> first(byte[] pdf, int most) {
        try (PDDocument document = Loader.loadPDF(pdf)) {
            List<byte[]> all = new ArrayList<>();
            for (int page = 0; page < Math.min(most, document.getNumberOfPages()); page++)
                all.add(drawn(document, page));
            return all;
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    private static byte[] drawn(PDDocument document, int page) throws IOException {
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        ImageIO.write(new PDFRenderer(document).renderImageWithDPI(page, DOTS_PER_INCH, ImageType.RGB), "png", out);
        return out.toByteArray();
    }

    /** @param page from 1 */
    public static byte[] of(byte[] pdf, int page) {
        try (PDDocument document = Loader.loadPDF(pdf)) {
            if (page < 1 || page > document.getNumberOfPages())
                throw Refusal.notFound(Message.of("document.pages", "pages", document.getNumberOfPages()));
            return drawn(document, page - 1);
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }
}
