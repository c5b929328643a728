package org.jalousie.core.evidence;

import java.awt.geom.Rectangle2D;
import java.io.IOException;
import java.util.Optional;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.PDPage;
import org.apache.pdfbox.pdmodel.common.PDRectangle;
import org.apache.pdfbox.pdmodel.interactive.annotation.PDAnnotationWidget;
import org.apache.pdfbox.pdmodel.interactive.form.PDField;
import org.apache.pdfbox.text.PDFTextStripperByArea;

/** The room that a visible signature takes up on its page. */
final class SignatureRoom {
    private static final int MOST_WORDS = 60;

    private SignatureRoom() {}

    /** The words of the page that lie under a field; empty when it covers none. */
    static Optional<String> covers(byte[] pdf, String name) {
        try (PDDocument document = Loader.loadPDF(pdf)) {
            PDField field = document.getDocumentCatalog().getAcroForm(null).getField(name);
            if (field == null) return Optional.empty();
            for (PDAnnotationWidget widget : field.getWidgets()) {
                PDPage page = pageOf(document, widget);
                if (page == null) continue;
                PDRectangle at = widget.getRectangle();
                PDFTextStripperByArea under = new PDFTextStripperByArea();
                under.addRegion(
                        "room",
                        new Rectangle2D.Float(
                                at.getLowerLeftX(),
                                page.getMediaBox().getHeight() - at.getUpperRightY(),
                                at.getWidth(),
                                at.getHeight()));
                under.extractRegions(page);
                String words = under.getTextForRegion("room").strip().replaceAll("\\s+", " ");
                if (!words.isEmpty())
                    return Optional.of(words.length() > MOST_WORDS ? words.substring(0, MOST_WORDS) + "\u2026" : words);
            }
            return Optional.empty();
        } catch (IOException e) {
            return Optional.of("the page can't be read");
        }
    }

    private static PDPage pageOf(PDDocument document, PDAnnotationWidget widget) throws IOException {
        for (PDPage page : document.getPages()) {
            if (page.getAnnotations().stream().anyMatch(one -> one.getCOSObject() == widget.getCOSObject()))
                return page;
        }
        return null;
    }
}
