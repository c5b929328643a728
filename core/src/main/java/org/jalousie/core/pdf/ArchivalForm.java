package org.jalousie.core.pdf;

import java.awt.color.ColorSpace;
import java.awt.color.ICC_Profile;
import java.io.ByteArrayInputStream;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.OutputStream;
import java.util.List;
import javax.xml.transform.TransformerException;
import org.apache.pdfbox.cos.COSArray;
import org.apache.pdfbox.cos.COSBase;
import org.apache.pdfbox.cos.COSDictionary;
import org.apache.pdfbox.cos.COSName;
import org.apache.pdfbox.cos.COSStream;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.PDDocumentCatalog;
import org.apache.pdfbox.pdmodel.PDDocumentInformation;
import org.apache.pdfbox.pdmodel.PDPage;
import org.apache.pdfbox.pdmodel.common.PDMetadata;
import org.apache.pdfbox.pdmodel.graphics.color.PDOutputIntent;
import org.apache.xmpbox.XMPMetadata;
import org.apache.xmpbox.schema.DublinCoreSchema;
import org.apache.xmpbox.schema.PDFAIdentificationSchema;
import org.apache.xmpbox.type.BadFieldValueException;
import org.apache.xmpbox.xml.XmpSerializer;

/**
 * Makes a PDF fit for keeping, as far as that changes nothing that is seen: PDF/A-2b (ISO 19005-2 §6.1.12 no LZW, §6.2.3 output
 * intent, §6.5 actions, §6.6 metadata, §6.8 files, §6.9 layers).
 */
public final class ArchivalForm {
    private static final COSName LZW = COSName.LZW_DECODE;

    private ArchivalForm() {}

    /** Takes away what no kept document may have: programs, files, actions, and who wrote it with what. */
    static void clean(PDDocument document) throws IOException {
        COSDictionary catalog = document.getDocumentCatalog().getCOSObject();
        for (String key : List.of(
                "AA",
                "AcroForm",
                "AF",
                "Collection",
                "OpenAction",
                "Perms",
                "PieceInfo",
                "Requirements",
                "SpiderInfo",
                "Legal",
                "Metadata",
                "NeedsRendering")) catalog.removeItem(COSName.getPDFName(key));
        COSDictionary names = catalog.getCOSDictionary(COSName.NAMES);
        if (names != null) {
            names.removeItem(COSName.getPDFName("JavaScript"));
            names.removeItem(COSName.getPDFName("EmbeddedFiles"));
            names.removeItem(COSName.getPDFName("AlternatePresentations"));
        }
        for (PDPage page : document.getPages()) {
            for (String key : List.of("AA", "PieceInfo", "PresSteps", "AF", "Metadata"))
                page.getCOSObject().removeItem(COSName.getPDFName(key));
        }
        layers(catalog.getCOSDictionary(COSName.OCPROPERTIES));
        document.setDocumentInformation(new PDDocumentInformation());
        Objects.each(document, one -> {
            if (one instanceof COSStream stream) plain(stream);
            // by where they stand: a font may be called TR
            COSDictionary states = one.getCOSDictionary(COSName.EXT_G_STATE);
            if (states != null) for (COSName name : states.keySet()) transferless(states.getCOSDictionary(name));
            if (COSName.getPDFName("JavaScript").equals(one.getCOSName(COSName.S))) one.clear();
        });
    }

    private static void transferless(COSDictionary state) {
        if (state == null) return;
        state.removeItem(COSName.getPDFName("TR"));
        state.removeItem(COSName.getPDFName("TR2"));
    }

    /** Layers stay, shown as they are shown at first. */
    private static void layers(COSDictionary all) {
        if (all == null) return;
        all.removeItem(COSName.getPDFName("Configs"));
        COSDictionary usual = all.getCOSDictionary(COSName.D);
        if (usual == null) return;
        usual.setString(COSName.NAME, "Layers");
        usual.removeItem(COSName.getPDFName("AS"));
        usual.removeItem(COSName.ORDER);
    }

    private static void plain(COSStream stream) throws IOException {
        if (COSName.IMAGE.equals(stream.getCOSName(COSName.SUBTYPE))) {
            stream.removeItem(COSName.INTERPOLATE);
            stream.removeItem(COSName.getPDFName("Alternates"));
        }
        stream.removeItem(COSName.getPDFName("OPI"));
        COSBase filters = stream.getFilters();
        boolean lzw = LZW.equals(filters);
        if (filters instanceof COSArray several)
            for (int i = 0; i < several.size(); i++) lzw |= LZW.equals(several.getObject(i));
        if (!lzw || filters instanceof COSArray several && picture(several)) return;
        byte[] read = stream.createInputStream().readAllBytes();
        stream.removeItem(COSName.DECODE_PARMS);
        stream.removeItem(COSName.FILTER);
        try (OutputStream out = stream.createOutputStream(COSName.FLATE_DECODE)) {
            out.write(read);
        }
    }

    private static boolean picture(COSArray filters) {
        for (int i = 0; i < filters.size(); i++) {
            COSBase filter = filters.getObject(i);
            if (COSName.DCT_DECODE.equals(filter) || COSName.JPX_DECODE.equals(filter)) return true;
        }
        return false;
    }

    /** Says that it is for keeping, and in which colours it is meant. @param title what it is called */
    public static void declare(PDDocument document, String title) throws IOException {
        PDDocumentCatalog catalog = document.getDocumentCatalog();
        if (catalog.getOutputIntents().isEmpty()) {
            byte[] profile = ICC_Profile.getInstance(ColorSpace.CS_sRGB).getData();
            PDOutputIntent intent = new PDOutputIntent(document, new ByteArrayInputStream(profile));
            intent.setInfo("sRGB IEC61966-2.1");
            intent.setOutputCondition("sRGB IEC61966-2.1");
            intent.setOutputConditionIdentifier("sRGB IEC61966-2.1");
            intent.setRegistryName("http://www.color.org");
            catalog.addOutputIntent(intent);
        }
        describe(document, title, 2);
    }

    /** The same for one that has files attached, of whatever kind (PDF/A-3b, ISO 19005-3). */
    public static void declareWithFiles(PDDocument document, String title) throws IOException {
        declare(document, title);
        describe(document, title, 3);
    }

    /** @param part which part of ISO 19005 it says that it keeps to; 0 for none */
    static void describe(PDDocument document, String title, int part) throws IOException {
        document.getDocumentInformation().setTitle(title);
        try {
            XMPMetadata xmp = XMPMetadata.createXMPMetadata();
            DublinCoreSchema dublinCore = xmp.createAndAddDublinCoreSchema();
            dublinCore.setTitle(title);
            if (part > 0) {
                PDFAIdentificationSchema identification = xmp.createAndAddPDFAIdentificationSchema();
                identification.setPart(part);
                identification.setConformance("B");
            }
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
