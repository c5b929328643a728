package org.jalousie.core.evidence;

import java.io.IOException;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import org.apache.pdfbox.cos.COSArray;
import org.apache.pdfbox.cos.COSBase;
import org.apache.pdfbox.cos.COSDictionary;
import org.apache.pdfbox.cos.COSName;
import org.apache.pdfbox.cos.COSNumber;
import org.apache.pdfbox.cos.COSString;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.PDPage;
import org.apache.pdfbox.pdmodel.PDPageTree;
import org.apache.pdfbox.pdmodel.interactive.form.PDAcroForm;
import org.apache.pdfbox.pdmodel.interactive.form.PDField;

/**
 * One state of a document as hashes: what a reader sees, and what the document can do.
 *
 * @param catalog actions, scripts, layers, attachments, structure and settings of the document
 * @param information title, author and the like, in both places where a document has them
 * @param form settings of the form besides its fields
 * @param pages each page with what is drawn on it and the annotations that are no form fields
 * @param fields each form field by its name
 */
record Fingerprint(
        String catalog, String information, String form, List<String> pages, Map<String, FieldPrint> fields) {
    /**
     * @param settings what it does and how: actions, flags, fonts, layers, limits
     * @param blank whether nothing is in it
     * @param visible whether the field takes up room on a page
     */
    record FieldPrint(
            String value,
            String appearance,
            String place,
            String settings,
            boolean signature,
            boolean blank,
            boolean visible) {}

    private static final Set<String> ELSEWHERE =
            Set.of("Parent", "P", "StructParent", "StructParents", "Annots", "Metadata", "Pg", "Obj");

    /** What signing and keeping a document extends by itself, or what has a print of its own. */
    private static final Set<String> NOT_OF_CATALOG =
            Set.of("Pages", "AcroForm", "DSS", "Extensions", "Version", "Metadata", "Type");

    private static final Set<String> NOT_OF_FORM = Set.of("Fields", "SigFlags");

    private static final Set<String> NOT_SETTINGS =
            Set.of("V", "AP", "AS", "MK", "F", "Rect", "Kids", "Parent", "P", "StructParent", "Type", "Subtype");

    static Fingerprint of(PDDocument document) throws IOException {
        List<String> pages = new ArrayList<>();
        for (PDPage page : document.getPages()) pages.add(pagePrint(page));
        Map<String, FieldPrint> fields = new LinkedHashMap<>();
        COSDictionary catalog = document.getDocumentCatalog().getCOSObject();
        PDAcroForm form = document.getDocumentCatalog().getAcroForm(null);
        if (form != null) {
            for (PDField field : form.getFieldTree())
                fields.put(field.getFullyQualifiedName(), fieldPrint(field.getCOSObject()));
        }
        return new Fingerprint(
                without(catalog, NOT_OF_CATALOG),
                hash().add(document.getDocument().getTrailer().getDictionaryObject(COSName.INFO))
                        .add(catalog.getDictionaryObject(COSName.METADATA))
                        .result(),
                form == null ? "" : without(form.getCOSObject(), NOT_OF_FORM),
                pages,
                fields);
    }

    private static ContentHash hash() {
        return new ContentHash(ELSEWHERE);
    }

    private static String without(COSDictionary dictionary, Set<String> keys) throws IOException {
        COSDictionary rest = new COSDictionary();
        dictionary.entrySet().stream()
                .filter(entry -> !keys.contains(entry.getKey().getName()))
                .forEach(entry -> rest.setItem(entry.getKey(), entry.getValue()));
        return hash().add(rest).result();
    }

    /** The certificates and revocation data that are kept in a document. */
    static Set<String> validation(PDDocument document) throws IOException {
        COSDictionary store = document.getDocumentCatalog().getCOSObject().getCOSDictionary(COSName.getPDFName("DSS"));
        Set<String> kept = new HashSet<>();
        if (store == null) return kept;
        for (String kind : List.of("Certs", "CRLs", "OCSPs")) {
            COSArray all = store.getCOSArray(COSName.getPDFName(kind));
            for (int i = 0; all != null && i < all.size(); i++)
                kept.add(kind + hash().add(all.get(i)).result());
        }
        return kept;
    }

    private static String pagePrint(PDPage page) throws IOException {
        ContentHash hash = hash();
        hash.add(page.getCOSObject());
        for (COSName inherited : List.of(COSName.RESOURCES, COSName.MEDIA_BOX, COSName.CROP_BOX, COSName.ROTATE)) {
            hash.add(PDPageTree.getInheritableAttribute(page.getCOSObject(), inherited));
        }
        COSArray annotations = page.getCOSObject().getCOSArray(COSName.ANNOTS);
        for (int i = 0; annotations != null && i < annotations.size(); i++) {
            COSBase annotation = annotations.getObject(i);
            boolean field = annotation instanceof COSDictionary d
                    && COSName.WIDGET.equals(d.getCOSName(COSName.SUBTYPE))
                    && (d.containsKey(COSName.FT) || d.containsKey(COSName.PARENT));
            if (!field) hash.add(annotation);
        }
        return hash.result();
    }

    private static FieldPrint fieldPrint(COSDictionary field) throws IOException {
        boolean signature = COSName.SIG.equals(field.getCOSName(COSName.FT));
        ContentHash value = hash();
        if (field.getDictionaryObject(COSName.V) instanceof COSDictionary signed) {
            // a signature's /Reference leads to the whole document, so only what is its own counts
            value.add(new COSString(without(signed, Set.of("Reference"))));
        } else {
            value.add(field.getDictionaryObject(COSName.V));
        }
        ContentHash appearance = hash();
        for (COSName part : List.of(COSName.AP, COSName.AS, COSName.MK, COSName.F))
            appearance.add(field.getDictionaryObject(part));
        // a field with several places has them as its kids
        appearance.add(field.getDictionaryObject(COSName.KIDS));
        return new FieldPrint(
                value.result(),
                appearance.result(),
                hash().add(field.getDictionaryObject(COSName.RECT)).result(),
                without(field, NOT_SETTINGS),
                signature,
                blank(field.getDictionaryObject(COSName.V)),
                visible(field));
    }

    private static boolean blank(COSBase value) {
        return value == null
                || (value instanceof COSString text && text.getString().isEmpty());
    }

    private static boolean visible(COSDictionary field) {
        COSArray rectangle = field.getCOSArray(COSName.RECT);
        for (int i = 0; rectangle != null && i < rectangle.size(); i++) {
            if (rectangle.getObject(i) instanceof COSNumber number && number.floatValue() != 0) return true;
        }
        return false;
    }
}
