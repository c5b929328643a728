package org.jalousie.server.web;

import java.awt.Rectangle;
import java.awt.image.BufferedImage;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.util.ArrayList;
import java.util.List;
import javax.imageio.ImageIO;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.common.PDRectangle;
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

    /**
     * A part of a page.
     *
     * @param page from 1
     * @param part in PDF points from the lower left of the page
     */
    public static byte[] part(byte[] pdf, int page, PDRectangle part) {
        try (PDDocument document = Loader.loadPDF(pdf)) {
            PDRectangle seen = document.getPage(page - 1).getCropBox();
            BufferedImage drawn = new PDFRenderer(document).renderImageWithDPI(page - 1, DOTS_PER_INCH, ImageType.RGB);
            float scale = DOTS_PER_INCH / 72f;
            Rectangle wanted = new Rectangle(
                            Math.round((part.getLowerLeftX() - seen.getLowerLeftX()) * scale),
                            Math.round((seen.getUpperRightY() - part.getUpperRightY()) * scale),
                            Math.max(1, Math.round(part.getWidth() * scale)),
                            Math.max(1, Math.round(part.getHeight() * scale)))
                    .intersection(new Rectangle(drawn.getWidth(), drawn.getHeight()));
            if (wanted.isEmpty()) throw Refusal.notFound(Message.of("document.none"));
            ByteArrayOutputStream out = new ByteArrayOutputStream();
            ImageIO.write(drawn.getSubimage(wanted.x, wanted.y, wanted.width, wanted.height), "png", out);
            return out.toByteArray();
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
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
