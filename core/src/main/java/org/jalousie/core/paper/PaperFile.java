package org.jalousie.core.paper;

import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.time.Instant;
import java.util.List;
import java.util.Map;
import java.util.Set;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.PDPage;
import org.apache.pdfbox.pdmodel.PDPageContentStream;
import org.apache.pdfbox.pdmodel.common.PDRectangle;
import org.apache.pdfbox.pdmodel.graphics.image.JPEGFactory;
import org.apache.pdfbox.pdmodel.graphics.image.PDImageXObject;
import org.jalousie.core.pdf.ArchivalForm;
import org.jalousie.core.pdf.AttachedFiles;
import org.jalousie.core.pdf.PageWords;
import org.jalousie.core.placement.FixedPages;

/**
 * A document that was signed on paper, as it is filed: its scanned pages in their order, with the file that was printed attached
 * (PDF/A-3b, ISO 19005-3 §6.8), since that holds what others have signed on the screen before.
 */
public final class PaperFile {
    private PaperFile() {}

    /** @param jpeg its picture; {@code wide}, {@code high} how large it is on paper, in PDF points */
    public record Page(byte[] jpeg, double wide, double high) {}

    /** The office's seal takes a field, like that of any document. */
    private static byte[] withSealField(byte[] pdf) {
        FixedPages.Sheet sheet = new FixedPages.Sheet(pdf, () -> PageWords.of(pdf), List.of(), List.of());
        return FixedPages.make(sheet, Map.of(), datum -> "", Set.of(), List.of())
                .pdf();
    }

    /**
     * @param printed the document's PDF that was printed, {@code name} what it is called there
     * @param at when it came together, told of the attached file
     */
    public static byte[] of(String title, List<Page> pages, byte[] printed, String name, Instant at) {
        try (PDDocument document = new PDDocument()) {
            for (Page one : pages) {
                PDPage page = new PDPage(new PDRectangle((float) one.wide(), (float) one.high()));
                document.addPage(page);
                PDImageXObject picture = JPEGFactory.createFromByteArray(document, one.jpeg());
                try (PDPageContentStream out = new PDPageContentStream(document, page)) {
                    out.drawImage(picture, 0, 0, (float) one.wide(), (float) one.high());
                }
            }
            ArchivalForm.declareWithFiles(document, title);
            AttachedFiles.attach(
                    document, Map.of(name, new AttachedFiles.Attached("application/pdf", printed)), "Source", at);
            ByteArrayOutputStream out = new ByteArrayOutputStream();
            document.save(out);
            return withSealField(out.toByteArray());
        } catch (IOException e) {
            throw new UncheckedIOException("the scan can't be put together", e);
        }
    }
}
