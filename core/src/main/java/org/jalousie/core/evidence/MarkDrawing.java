package org.jalousie.core.evidence;

import java.awt.image.BufferedImage;
import java.io.IOException;
import java.io.OutputStream;
import java.nio.charset.StandardCharsets;
import java.util.Locale;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.PDResources;
import org.apache.pdfbox.pdmodel.common.PDRectangle;
import org.apache.pdfbox.pdmodel.graphics.image.LosslessFactory;
import org.apache.pdfbox.pdmodel.graphics.image.PDImageXObject;
import org.apache.pdfbox.pdmodel.interactive.annotation.PDAppearanceStream;
import org.jalousie.core.lettering.Ink;
import org.jalousie.core.lettering.SetLine;
import org.jalousie.core.lettering.TypeSetter;

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
        float foot = caption.isEmpty() ? 1 : CAPTION_SIZE + 2;
        float scale = Math.min(at.getWidth() / image.getWidth(), (at.getHeight() - foot - 1) / image.getHeight());
        StringBuilder operators = new StringBuilder(String.format(
                Locale.ROOT,
                "q %.3f 0 0 %.3f 1 %.3f cm /%s Do Q%n",
                image.getWidth() * scale,
                image.getHeight() * scale,
                foot,
                stream.getResources().add(picture).getName()));
        if (!caption.isEmpty()) {
            try (Ink ink = new Ink(document)) {
                SetLine line = TypeSetter.here().line(caption);
                float size = Math.min(CAPTION_SIZE, CAPTION_SIZE * (at.getWidth() - 2) / line.width(CAPTION_SIZE));
                operators.append(ink.show(line, size, 1, 1.5f, 0, stream.getResources()));
            }
        }
        // without a filter, as its placeholder is: a validator calls anything else a change it doesn't know
        try (OutputStream out = stream.getCOSObject().createOutputStream()) {
            out.write(operators.toString().getBytes(StandardCharsets.US_ASCII));
        }
        return stream;
    }
}
