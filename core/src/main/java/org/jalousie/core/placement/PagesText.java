package org.jalousie.core.placement;

import java.io.IOException;
import java.io.UncheckedIOException;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.text.PDFTextStripper;

/** The words on the pages of a finished file, in the order of reading. */
public final class PagesText {
    private PagesText() {}

    public static String of(byte[] pdf) {
        try (PDDocument document = Loader.loadPDF(pdf)) {
            return of(document);
        } catch (IOException e) {
            throw new UncheckedIOException("the pages can't be read", e);
        }
    }

    /** As {@link #of(byte[])}, for whoever has the document open. */
    public static String of(PDDocument document) throws IOException {
        return new PDFTextStripper().getText(document);
    }
}
