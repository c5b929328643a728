package org.jalousie.core.evidence;

import java.awt.image.BufferedImage;
import java.io.IOException;
import java.io.InputStream;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.PDPageContentStream;
import org.apache.pdfbox.pdmodel.PDResources;
import org.apache.pdfbox.pdmodel.common.PDRectangle;
import org.apache.pdfbox.pdmodel.font.PDFont;
import org.apache.pdfbox.pdmodel.font.PDType0Font;
import org.apache.pdfbox.pdmodel.graphics.image.LosslessFactory;
import org.apache.pdfbox.pdmodel.graphics.image.PDImageXObject;
import org.apache.pdfbox.pdmodel.interactive.annotation.PDAppearanceStream;
import org.jalousie.core.placement.FormFont;
import org.jalousie.core.placement.Glyphs;

/** Draws a mark with its caption into the appearance of a form field. */
final class MarkDrawing {
    private static final float CAPTION_SIZE = 6.5f;

    private MarkDrawing() {}

    static PDAppearanceStream draw(PDDocument document, PDRectangle at, byte[] png, String caption) throws IOException {
        PDAppearanceStream stream = new PDAppearanceStream(document);
        stream.setBBox(new PDRectangle(at.getWidth(), at.getHeight()));
        stream.setFormType(1);
        stream.setResources(new PDResources());
        BufferedImage image = SignatureMark.read(png);
        PDImageXObject picture = LosslessFactory.createFromImage(document, image);
        try (PDPageContentStream content = new PDPageContentStream(document, stream)) {
            float foot = caption.isEmpty() ? 1 : CAPTION_SIZE + 2;
            float scale = Math.min(at.getWidth() / image.getWidth(), (at.getHeight() - foot - 1) / image.getHeight());
            content.drawImage(picture, 1, foot, image.getWidth() * scale, image.getHeight() * scale);
            if (!caption.isEmpty()) {
                PDFont font;
                try (InputStream in = FormFont.open()) {
                    font = PDType0Font.load(document, in, true);
                }
                String text = Glyphs.printable(caption);
                float width = font.getStringWidth(text) / 1000 * CAPTION_SIZE;
                float size = Math.min(CAPTION_SIZE, CAPTION_SIZE * (at.getWidth() - 2) / width);
                content.beginText();
                content.setFont(font, size);
                content.newLineAtOffset(1, 1.5f);
                content.showText(text);
                content.endText();
            }
        }
        return stream;
    }
}
