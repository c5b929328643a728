package org.jalousie.core.evidence;

import eu.europa.esig.dss.pades.SignatureImageParameters;
import eu.europa.esig.dss.pdf.PDFServiceMode;
import eu.europa.esig.dss.pdf.PDFSignatureService;
import eu.europa.esig.dss.pdf.pdfbox.PdfBoxNativeObjectFactory;
import eu.europa.esig.dss.pdf.pdfbox.PdfBoxSignatureService;
import eu.europa.esig.dss.pdf.pdfbox.visible.PdfBoxSignatureDrawer;
import eu.europa.esig.dss.pdf.pdfbox.visible.PdfBoxSignatureDrawerFactory;
import java.io.ByteArrayInputStream;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.util.List;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.PDPage;
import org.apache.pdfbox.pdmodel.common.PDRectangle;
import org.apache.pdfbox.pdmodel.interactive.annotation.PDAnnotationWidget;
import org.apache.pdfbox.pdmodel.interactive.annotation.PDAppearanceDictionary;
import org.apache.pdfbox.pdmodel.interactive.digitalsignature.SignatureOptions;
import org.apache.pdfbox.pdmodel.interactive.form.PDAcroForm;
import org.apache.pdfbox.pdmodel.interactive.form.PDSignatureField;

/** Hands the drawn mark to the signature library, in the rectangle of the existing signature field. */
final class MarkDrawer implements PdfBoxSignatureDrawer {
    private final byte[] png;
    private final String caption;
    private SignatureImageParameters parameters;
    private PDDocument document;
    private SignatureOptions options;

    private MarkDrawer(byte[] png, String caption) {
        this.png = png;
        this.caption = caption;
    }

    /** A factory for the library that draws this mark in visible signatures. */
    static PdfBoxNativeObjectFactory factory(byte[] png, String caption) {
        PdfBoxSignatureDrawerFactory drawers = parameters -> new MarkDrawer(png, caption);
        return new PdfBoxNativeObjectFactory() {
            @Override
            public PDFSignatureService newPAdESSignatureService() {
                return configure(new PdfBoxSignatureService(PDFServiceMode.SIGNATURE, drawers));
            }
        };
    }

    @Override
    public void init(SignatureImageParameters imageParameters, PDDocument into, SignatureOptions signatureOptions) {
        this.parameters = imageParameters;
        this.document = into;
        this.options = signatureOptions;
    }

    @Override
    public void draw() throws IOException {
        String name = parameters.getFieldParameters().getFieldId();
        PDRectangle at = document.getDocumentCatalog()
                .getAcroForm()
                .getField(name)
                .getWidgets()
                .get(0)
                .getRectangle();
        try (PDDocument carrier = new PDDocument()) {
            PDPage page = new PDPage(document.getPage(0).getMediaBox());
            carrier.addPage(page);
            PDAcroForm form = new PDAcroForm(carrier);
            carrier.getDocumentCatalog().setAcroForm(form);
            PDSignatureField field = new PDSignatureField(form);
            form.setFields(List.of(field));
            form.getCOSObject().setDirect(true);
            PDAnnotationWidget widget = field.getWidgets().get(0);
            widget.setRectangle(at);
            PDAppearanceDictionary appearance = new PDAppearanceDictionary();
            appearance.getCOSObject().setDirect(true);
            appearance.setNormalAppearance(MarkDrawing.draw(carrier, at, png, caption));
            widget.setAppearance(appearance);
            ByteArrayOutputStream out = new ByteArrayOutputStream();
            carrier.save(out);
            options.setVisualSignature(new ByteArrayInputStream(out.toByteArray()));
        }
    }
}
