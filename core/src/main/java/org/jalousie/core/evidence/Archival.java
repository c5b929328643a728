package org.jalousie.core.evidence;

import java.awt.color.ColorSpace;
import java.awt.color.ICC_Profile;
import java.io.ByteArrayInputStream;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import javax.xml.transform.TransformerException;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.common.PDMetadata;
import org.apache.pdfbox.pdmodel.graphics.color.PDOutputIntent;
import org.apache.xmpbox.XMPMetadata;
import org.apache.xmpbox.schema.DublinCoreSchema;
import org.apache.xmpbox.schema.PDFAIdentificationSchema;
import org.apache.xmpbox.type.BadFieldValueException;
import org.apache.xmpbox.xml.XmpSerializer;

/** Makes a document of our own fit for keeping: PDF/A-2b (ISO 19005-2 §6.2.3 output intent, §6.6 metadata). */
final class Archival {
    private Archival() {}

    static void prepare(PDDocument document, String title) throws IOException {
        document.getDocumentInformation().setTitle(title);
        byte[] profile = ICC_Profile.getInstance(ColorSpace.CS_sRGB).getData();
        PDOutputIntent intent = new PDOutputIntent(document, new ByteArrayInputStream(profile));
        intent.setInfo("sRGB IEC61966-2.1");
        intent.setOutputCondition("sRGB IEC61966-2.1");
        intent.setOutputConditionIdentifier("sRGB IEC61966-2.1");
        intent.setRegistryName("http://www.color.org");
        document.getDocumentCatalog().addOutputIntent(intent);
        try {
            XMPMetadata xmp = XMPMetadata.createXMPMetadata();
            DublinCoreSchema dublinCore = xmp.createAndAddDublinCoreSchema();
            dublinCore.setTitle(title);
            PDFAIdentificationSchema identification = xmp.createAndAddPDFAIdentificationSchema();
            identification.setPart(2);
            identification.setConformance("B");
            ByteArrayOutputStream out = new ByteArrayOutputStream();
            new XmpSerializer().serialize(xmp, out, true);
            PDMetadata metadata = new PDMetadata(document);
            metadata.importXMPMetadata(out.toByteArray());
            document.getDocumentCatalog().setMetadata(metadata);
        } catch (BadFieldValueException | TransformerException e) {
            throw new IllegalStateException("the document's metadata can't be written", e);
        }
    }
}
