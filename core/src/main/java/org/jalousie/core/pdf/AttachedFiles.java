package org.jalousie.core.pdf;

import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.time.Instant;
import java.util.GregorianCalendar;
import java.util.Map;
import java.util.TimeZone;
import java.util.TreeMap;
import org.apache.pdfbox.cos.COSArray;
import org.apache.pdfbox.cos.COSName;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.PDDocumentNameDictionary;
import org.apache.pdfbox.pdmodel.PDEmbeddedFilesNameTreeNode;
import org.apache.pdfbox.pdmodel.common.filespecification.PDComplexFileSpecification;
import org.apache.pdfbox.pdmodel.common.filespecification.PDEmbeddedFile;

/** Files within a PDF that is kept (PDF/A-3, ISO 19005-3 §6.8). */
public final class AttachedFiles {
    private AttachedFiles() {}

    /** @param type of media; {@code bytes} its content */
    public record Attached(String type, byte[] bytes) {}

    /**
     * @param files by their names, in their order
     * @param relationship what they are to the document (ISO 32000-2 Table 43), such as {@code Data}
     */
    public static void attach(PDDocument document, Map<String, Attached> files, String relationship, Instant at)
            throws IOException {
        Map<String, PDComplexFileSpecification> named = new TreeMap<>();
        COSArray associated = new COSArray();
        for (Map.Entry<String, Attached> one : files.entrySet()) {
            PDComplexFileSpecification file = file(document, one.getKey(), one.getValue(), relationship, at);
            named.put(one.getKey(), file);
            associated.add(file.getCOSObject());
        }
        PDEmbeddedFilesNameTreeNode tree = new PDEmbeddedFilesNameTreeNode();
        tree.setNames(named);
        PDDocumentNameDictionary names = new PDDocumentNameDictionary(document.getDocumentCatalog());
        names.setEmbeddedFiles(tree);
        document.getDocumentCatalog().setNames(names);
        document.getDocumentCatalog().getCOSObject().setItem(COSName.AF, associated);
    }

    private static PDComplexFileSpecification file(
            PDDocument document, String name, Attached attached, String relationship, Instant at) throws IOException {
        PDEmbeddedFile embedded =
                new PDEmbeddedFile(document, new ByteArrayInputStream(attached.bytes()), COSName.FLATE_DECODE);
        embedded.setSubtype(attached.type());
        embedded.setSize(attached.bytes().length);
        GregorianCalendar time = new GregorianCalendar(TimeZone.getTimeZone("UTC"));
        time.setTimeInMillis(at.toEpochMilli());
        embedded.setModDate(time);
        PDComplexFileSpecification file = new PDComplexFileSpecification();
        file.setFile(name);
        file.setFileUnicode(name);
        file.setEmbeddedFile(embedded);
        file.setEmbeddedFileUnicode(embedded);
        file.getCOSObject().setItem(COSName.AF_RELATIONSHIP, COSName.getPDFName(relationship));
        return file;
    }
}
