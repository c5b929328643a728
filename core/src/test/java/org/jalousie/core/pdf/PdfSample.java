package org.jalousie.core.pdf;

import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.InputStream;
import java.util.List;
import org.apache.pdfbox.cos.COSArray;
import org.apache.pdfbox.cos.COSDictionary;
import org.apache.pdfbox.cos.COSName;
import org.apache.pdfbox.cos.COSString;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.PDPage;
import org.apache.pdfbox.pdmodel.PDPageContentStream;
import org.apache.pdfbox.pdmodel.PDResources;
import org.apache.pdfbox.pdmodel.common.PDRectangle;
import org.apache.pdfbox.pdmodel.font.PDType0Font;
import org.apache.pdfbox.pdmodel.font.PDType1Font;
import org.apache.pdfbox.pdmodel.font.Standard14Fonts;
import org.apache.pdfbox.pdmodel.interactive.annotation.PDAnnotationWidget;
import org.apache.pdfbox.pdmodel.interactive.form.PDAcroForm;
import org.apache.pdfbox.pdmodel.interactive.form.PDCheckBox;
import org.apache.pdfbox.pdmodel.interactive.form.PDComboBox;
import org.apache.pdfbox.pdmodel.interactive.form.PDField;
import org.apache.pdfbox.pdmodel.interactive.form.PDSignatureField;
import org.apache.pdfbox.pdmodel.interactive.form.PDTextField;
import org.jalousie.core.lettering.FormFont;

/** PDFs as other programs make them. */
public final class PdfSample {
    private PdfSample() {}

    /** A page with a heading and a line. */
    public static byte[] letter(String heading, String line) throws IOException {
        try (PDDocument document = new PDDocument()) {
            words(document, new PDPage(PDRectangle.A4), heading, line);
            return bytes(document);
        }
    }

    /** A page of lines, one beneath the other. */
    public static byte[] lines(String... lines) throws IOException {
        try (PDDocument document = new PDDocument()) {
            words(document, new PDPage(PDRectangle.A4), lines);
            return bytes(document);
        }
    }

    /** A courier's form with fields of its own. */
    public static byte[] form() throws IOException {
        try (PDDocument document = new PDDocument()) {
            PDPage page = words(
                    document,
                    new PDPage(PDRectangle.A4),
                    "Courier form",
                    "Name of the courier:",
                    "Fragile goods",
                    "Signed by the lender",
                    "Signed by the museum");
            own(document, page);
            return bytes(document);
        }
    }

    /** The same form as its owner printed it a year later. */
    public static byte[] newerForm() throws IOException {
        try (PDDocument document = new PDDocument()) {
            words(document, new PDPage(PDRectangle.A4), "Courier form", "The courier is called", "Fragile goods");
            words(document, new PDPage(PDRectangle.A4), "Signed by the lender", "Signed by the museum");
            return bytes(document);
        }
    }

    /** A file whose bytes a signature covers. */
    public static byte[] signed() throws IOException {
        try (PDDocument document = new PDDocument()) {
            words(document, new PDPage(PDRectangle.A4), "Certificate of origin");
            COSDictionary signature = new COSDictionary();
            signature.setItem(COSName.BYTERANGE, COSArray.ofCOSIntegers(List.of(0, 10, 20, 30)));
            signature.setItem(COSName.CONTENTS, new COSString("x"));
            document.getDocumentCatalog().getCOSObject().setItem(COSName.getPDFName("Held"), signature);
            document.setDocumentId(1L);
            return bytes(document);
        }
    }

    private static PDPage words(PDDocument document, PDPage page, String... lines) throws IOException {
        document.addPage(page);
        try (PDPageContentStream out = new PDPageContentStream(document, page);
                InputStream font = FormFont.open()) {
            out.setFont(PDType0Font.load(document, font), 12);
            float y = 780;
            for (String line : lines) {
                out.beginText();
                out.newLineAtOffset(70, y);
                out.showText(line);
                out.endText();
                y -= 120;
            }
        }
        return page;
    }

    private static void own(PDDocument document, PDPage page) throws IOException {
        PDAcroForm form = new PDAcroForm(document);
        document.getDocumentCatalog().setAcroForm(form);
        PDResources resources = new PDResources();
        resources.put(COSName.getPDFName("Helv"), new PDType1Font(Standard14Fonts.FontName.HELVETICA));
        form.setDefaultResources(resources);
        PDTextField name = new PDTextField(form);
        name.setPartialName("courier_name");
        name.setAlternateFieldName("Courier");
        name.setDefaultAppearance("/Helv 11 Tf 0 g");
        name.setMaxLen(40);
        name.setQ(1);
        name.setRequired(true);
        PDTextField remarks = new PDTextField(form);
        remarks.setPartialName("remarks");
        remarks.setDefaultAppearance("/Helv 0 Tf 0 g");
        remarks.setMultiline(true);
        PDCheckBox fragile = new PDCheckBox(form);
        fragile.setPartialName("fragile");
        PDComboBox way = new PDComboBox(form);
        way.setPartialName("way");
        way.setOptions(List.of("By road", "By rail"));
        way.setDefaultAppearance("/Helv 10 Tf 0 g");
        PDSignatureField signature = new PDSignatureField(form);
        signature.setPartialName("sign_here");
        List<PDField> fields = List.of(name, remarks, fragile, way, signature);
        form.setFields(fields);
        float y = 650;
        for (PDField field : fields) {
            PDAnnotationWidget widget = field.getWidgets().get(0);
            widget.setRectangle(new PDRectangle(300, y, 180, 24));
            widget.setPage(page);
            page.getAnnotations().add(widget);
            y -= 60;
        }
    }

    private static byte[] bytes(PDDocument document) throws IOException {
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        document.save(out);
        return out.toByteArray();
    }
}
