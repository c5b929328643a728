package org.jalousie.core.pdf;

import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.UncheckedIOException;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.PDPage;
import org.apache.pdfbox.pdmodel.PDPageContentStream;
import org.apache.pdfbox.pdmodel.common.PDRectangle;
import org.apache.pdfbox.pdmodel.graphics.image.PDImageXObject;
import org.jalousie.core.picture.PictureFile;

/** A picture as a page: A4, upright or across as the picture is, with a margin around. */
public final class PicturePage {
    private static final float MARGIN = 28.35f; // 10 mm

    private PicturePage() {}

    public static byte[] of(PictureFile picture) {
        try (PDDocument document = new PDDocument()) {
            boolean across = picture.width() > picture.height();
            PDRectangle a4 = PDRectangle.A4;
            PDPage page = new PDPage(across ? new PDRectangle(a4.getHeight(), a4.getWidth()) : a4);
            document.addPage(page);
            float wide = page.getMediaBox().getWidth();
            float high = page.getMediaBox().getHeight();
            float scale = Math.min((wide - 2 * MARGIN) / picture.width(), (high - 2 * MARGIN) / picture.height());
            float width = picture.width() * scale;
            float height = picture.height() * scale;
            PDImageXObject image = PDImageXObject.createFromByteArray(document, picture.bytes(), "picture");
            try (PDPageContentStream out = new PDPageContentStream(document, page)) {
                out.drawImage(image, (wide - width) / 2, (high - height) / 2, width, height);
            }
            ByteArrayOutputStream out = new ByteArrayOutputStream();
            document.save(out);
            return out.toByteArray();
        } catch (IOException e) {
            throw new UncheckedIOException("the picture can't be put on a page", e);
        }
    }
}
