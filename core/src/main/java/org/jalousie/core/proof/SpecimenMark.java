package org.jalousie.core.proof;

import java.awt.Color;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.util.List;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.cos.COSName;
import org.apache.pdfbox.io.IOUtils;
import org.apache.pdfbox.io.RandomAccessReadBuffer;
import org.apache.pdfbox.multipdf.PDFMergerUtility;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.PDPage;
import org.apache.pdfbox.pdmodel.PDPageContentStream;
import org.apache.pdfbox.pdmodel.PDPageContentStream.AppendMode;
import org.apache.pdfbox.pdmodel.common.PDRectangle;
import org.apache.pdfbox.pdmodel.font.PDFont;
import org.apache.pdfbox.pdmodel.font.PDType1Font;
import org.apache.pdfbox.pdmodel.font.Standard14Fonts;
import org.apache.pdfbox.pdmodel.graphics.state.PDExtendedGraphicsState;
import org.apache.pdfbox.util.Matrix;

/** Marks pages as a specimen beyond mistake: across each page, at its head, and in the file itself. */
public final class SpecimenMark {
    private static final String KEY = "JalousieSpecimen";
    private static final String WORD = "SPECIMEN";

    private SpecimenMark() {}

    /** Whether a file was marked as a specimen; such a file is never sealed or sent. */
    public static boolean isOn(byte[] pdf) {
        try (PDDocument document = Loader.loadPDF(pdf)) {
            return document.getDocumentInformation().getCustomMetadataValue(KEY) != null;
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    /**
     * The same pages, marked, without any field that could be filled or signed.
     *
     * @param name of the specimen, said at the head of each page
     */
    public static byte[] put(byte[] pdf, String name) {
        try (PDDocument document = Loader.loadPDF(pdf);
                ByteArrayOutputStream out = new ByteArrayOutputStream()) {
            PDFont bold = new PDType1Font(Standard14Fonts.FontName.HELVETICA_BOLD);
            for (PDPage page : document.getPages()) {
                page.setAnnotations(List.of());
                mark(document, page, bold, name);
            }
            document.getDocumentCatalog().setAcroForm(null);
            document.getDocumentInformation().setCustomMetadataValue(KEY, name);
            // no longer an archival file, and must not say so
            document.getDocumentCatalog().getCOSObject().removeItem(COSName.METADATA);
            document.save(out);
            return out.toByteArray();
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    /** One file of several marked ones, marked too. */
    public static byte[] joined(List<byte[]> marked) {
        try (ByteArrayOutputStream out = new ByteArrayOutputStream()) {
            PDFMergerUtility merger = new PDFMergerUtility();
            marked.forEach(one -> merger.addSource(new RandomAccessReadBuffer(one)));
            merger.setDestinationStream(out);
            merger.mergeDocuments(IOUtils.createMemoryOnlyStreamCache());
            try (PDDocument document = Loader.loadPDF(out.toByteArray());
                    ByteArrayOutputStream whole = new ByteArrayOutputStream()) {
                document.getDocumentInformation().setCustomMetadataValue(KEY, "proof");
                document.save(whole);
                return whole.toByteArray();
            }
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    private static void mark(PDDocument document, PDPage page, PDFont font, String name) throws IOException {
        PDRectangle box = page.getCropBox();
        try (PDPageContentStream content = new PDPageContentStream(document, page, AppendMode.APPEND, true, true)) {
            PDExtendedGraphicsState thin = new PDExtendedGraphicsState();
            thin.setNonStrokingAlphaConstant(0.16f);
            double angle = Math.atan2(box.getHeight(), box.getWidth());
            float diagonal = (float) Math.hypot(box.getWidth(), box.getHeight());
            float size = diagonal * 0.72f / (font.getStringWidth(WORD) / 1000);
            content.saveGraphicsState();
            content.setGraphicsStateParameters(thin);
            content.setNonStrokingColor(new Color(0x9B, 0x2C, 0x2C));
            content.beginText();
            content.setFont(font, size);
            float half = diagonal * 0.36f;
            Matrix place = Matrix.getRotateInstance(
                    angle,
                    box.getLowerLeftX()
                            + box.getWidth() / 2
                            - half * (float) Math.cos(angle)
                            + size * 0.36f * (float) Math.sin(angle),
                    box.getLowerLeftY()
                            + box.getHeight() / 2
                            - half * (float) Math.sin(angle)
                            - size * 0.36f * (float) Math.cos(angle));
            content.setTextMatrix(place);
            content.showText(WORD);
            content.endText();
            content.restoreGraphicsState();
            String line = shown(font, "Specimen \u2013 test data, not an agreement \u2013 " + name);
            content.setNonStrokingColor(new Color(0x9B, 0x2C, 0x2C));
            content.beginText();
            content.setFont(font, 9);
            content.newLineAtOffset(box.getLowerLeftX() + 24, box.getUpperRightY() - 18);
            content.showText(line);
            content.endText();
        }
    }

    /** Letters that the mark's own font lacks are shown as a question mark; the mark is not part of the wording. */
    private static String shown(PDFont font, String text) {
        StringBuilder out = new StringBuilder();
        text.codePoints().forEach(c -> {
            String letter = Character.toString(c);
            try {
                font.encode(letter);
                out.append(letter);
            } catch (IOException | IllegalArgumentException e) {
                out.append('?');
            }
        });
        return out.toString();
    }
}
