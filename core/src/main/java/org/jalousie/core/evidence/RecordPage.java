package org.jalousie.core.evidence;

import java.io.IOException;
import java.io.OutputStream;
import java.nio.charset.StandardCharsets;
import org.apache.pdfbox.cos.COSName;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.PDPage;
import org.apache.pdfbox.pdmodel.PDResources;
import org.apache.pdfbox.pdmodel.common.PDRectangle;
import org.apache.pdfbox.pdmodel.common.PDStream;
import org.jalousie.core.lettering.Ink;
import org.jalousie.core.lettering.SetLine;
import org.jalousie.core.lettering.TextBox;
import org.jalousie.core.lettering.TypeSetter;

/** Sets lines of text on A4 pages, breaking lines and pages as needed. Measures are PDF points. */
final class RecordPage implements AutoCloseable {
    private static final float MARGIN = 56;
    private static final float WIDTH = PDRectangle.A4.getWidth() - 2 * MARGIN;

    private final PDDocument document;
    private final TypeSetter setter = TypeSetter.here();
    private final Ink ink;
    private PDPage page;
    private StringBuilder content = new StringBuilder();
    private float y;

    RecordPage(PDDocument document) throws IOException {
        this.document = document;
        this.ink = new Ink(document);
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
        PDPage beside = page;
        y = top;
        lines(text, 9.5f, 130, 0.1f);
        // what went on over the page has nothing beside it there
        y = (page == beside ? Math.min(y, after) : y) - 3;
    }

    private void lines(String text, float size, float indent, float grey) throws IOException {
        for (SetLine line : TextBox.lines(text, WIDTH - indent, size, setter)) {
            if (y < MARGIN) newPage();
            content.append(ink.show(line, size, MARGIN + indent, y - size, grey, page.getResources()));
            y -= size * 1.3f;
        }
    }

    private void newPage() throws IOException {
        finish();
        page = new PDPage(PDRectangle.A4);
        page.setResources(new PDResources());
        document.addPage(page);
        y = PDRectangle.A4.getHeight() - MARGIN;
    }

    private void finish() throws IOException {
        if (page == null) return;
        PDStream stream = new PDStream(document);
        try (OutputStream out = stream.createOutputStream(COSName.FLATE_DECODE)) {
            out.write(content.toString().getBytes(StandardCharsets.US_ASCII));
        }
        page.setContents(stream);
        content = new StringBuilder();
    }

    @Override
    public void close() throws IOException {
        finish();
        ink.close();
    }
}
