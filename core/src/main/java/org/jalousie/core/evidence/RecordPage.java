package org.jalousie.core.evidence;

import java.io.IOException;
import java.io.InputStream;
import java.util.ArrayList;
import java.util.List;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.PDPage;
import org.apache.pdfbox.pdmodel.PDPageContentStream;
import org.apache.pdfbox.pdmodel.common.PDRectangle;
import org.apache.pdfbox.pdmodel.font.PDFont;
import org.apache.pdfbox.pdmodel.font.PDType0Font;
import org.jalousie.core.placement.FormFont;
import org.jalousie.core.placement.Glyphs;

/** Sets lines of text on A4 pages, breaking lines and pages as needed. Measures are PDF points. */
final class RecordPage implements AutoCloseable {
    private static final float MARGIN = 56;
    private static final float WIDTH = PDRectangle.A4.getWidth() - 2 * MARGIN;

    private final PDDocument document;
    private final PDFont font;
    private PDPageContentStream content;
    private float y;

    RecordPage(PDDocument document) throws IOException {
        this.document = document;
        try (InputStream in = FormFont.open()) {
            font = PDType0Font.load(document, in, true);
        }
        newPage();
    }

    void heading(String text, float size) throws IOException {
        y -= size;
        lines(text, size, 0, 0.1f);
        y -= 4;
    }

    /** A label with its text beside it. */
    void row(String label, String text) throws IOException {
        if (y < MARGIN + 30) newPage();
        float top = y;
        lines(label, 8.5f, 0, 0.4f);
        float after = y;
        y = top;
        lines(text, 9.5f, 130, 0.1f);
        y = Math.min(y, after) - 3;
    }

    private void lines(String text, float size, float indent, float grey) throws IOException {
        for (String line : broken(Glyphs.printable(text), size, WIDTH - indent)) {
            if (y < MARGIN) newPage();
            content.beginText();
            content.setNonStrokingColor(grey);
            content.setFont(font, size);
            content.newLineAtOffset(MARGIN + indent, y - size);
            content.showText(line);
            content.endText();
            y -= size * 1.3f;
        }
    }

    private List<String> broken(String text, float size, float width) throws IOException {
        List<String> lines = new ArrayList<>();
        StringBuilder line = new StringBuilder();
        for (String word : text.split(" ")) {
            while (wide(word, size, width)) {
                int fits = word.length();
                while (fits > 1 && wide(word.substring(0, fits), size, width)) fits--;
                if (line.length() > 0) lines.add(line.toString());
                line.setLength(0);
                lines.add(word.substring(0, fits));
                word = word.substring(fits);
            }
            String longer = line.length() == 0 ? word : line + " " + word;
            if (wide(longer, size, width)) {
                lines.add(line.toString());
                line.setLength(0);
                line.append(word);
            } else {
                line.setLength(0);
                line.append(longer);
            }
        }
        lines.add(line.toString());
        return lines;
    }

    private boolean wide(String text, float size, float width) throws IOException {
        return font.getStringWidth(text) / 1000 * size > width;
    }

    private void newPage() throws IOException {
        close();
        PDPage page = new PDPage(PDRectangle.A4);
        document.addPage(page);
        content = new PDPageContentStream(document, page);
        y = PDRectangle.A4.getHeight() - MARGIN;
    }

    @Override
    public void close() throws IOException {
        if (content != null) content.close();
    }
}
