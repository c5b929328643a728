package org.jalousie.core.evidence;

import java.io.IOException;
import java.io.InputStream;
import java.nio.charset.StandardCharsets;
import java.security.MessageDigest;
import java.security.NoSuchAlgorithmException;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.HexFormat;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeMap;
import org.apache.pdfbox.cos.COSArray;
import org.apache.pdfbox.cos.COSBase;
import org.apache.pdfbox.cos.COSDictionary;
import org.apache.pdfbox.cos.COSName;
import org.apache.pdfbox.cos.COSObject;
import org.apache.pdfbox.cos.COSStream;
import org.apache.pdfbox.cos.COSString;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.PDPage;
import org.apache.pdfbox.pdmodel.interactive.form.PDAcroForm;
import org.apache.pdfbox.pdmodel.interactive.form.PDField;

/** What a reader sees of one state of a document, as hashes: each page, and each form field's value and appearance. */
record Fingerprint(String catalog, List<String> pages, Map<String, FieldPrint> fields) {
    /** @param visible whether the field takes up room on a page */
    record FieldPrint(String value, String appearance, String place, boolean signature, boolean visible) {}

    private static final Set<String> LEFT_OUT =
            Set.of("Parent", "P", "StructParent", "StructParents", "Annots", "Metadata");

    static Fingerprint of(PDDocument document) throws IOException {
        List<String> pages = new ArrayList<>();
        for (PDPage page : document.getPages()) pages.add(pagePrint(page));
        Map<String, FieldPrint> fields = new LinkedHashMap<>();
        PDAcroForm form = document.getDocumentCatalog().getAcroForm(null);
        if (form != null) {
            for (PDField field : form.getFieldTree())
                fields.put(field.getFullyQualifiedName(), fieldPrint(field.getCOSObject()));
        }
        return new Fingerprint(catalogPrint(document), pages, fields);
    }

    /** What the catalog says besides the parts that signing itself extends: actions on opening, scripts, attachments. */
    private static String catalogPrint(PDDocument document) throws IOException {
        Hash hash = new Hash();
        COSDictionary catalog = document.getDocumentCatalog().getCOSObject();
        for (COSName name : List.of(
                COSName.OPEN_ACTION, COSName.AA, COSName.NAMES, COSName.OCPROPERTIES, COSName.AF, COSName.URI)) {
            hash.add(catalog.getDictionaryObject(name));
        }
        return hash.result();
    }

    private static String pagePrint(PDPage page) throws IOException {
        Hash hash = new Hash();
        hash.add(page.getCOSObject());
        for (COSName inherited : List.of(COSName.RESOURCES, COSName.MEDIA_BOX, COSName.CROP_BOX, COSName.ROTATE)) {
            hash.add(org.apache.pdfbox.pdmodel.PDPageTree.getInheritableAttribute(page.getCOSObject(), inherited));
        }
        COSArray annotations = page.getCOSObject().getCOSArray(COSName.ANNOTS);
        for (int i = 0; annotations != null && i < annotations.size(); i++) {
            COSBase annotation = annotations.getObject(i);
            boolean field = annotation instanceof COSDictionary d
                    && COSName.WIDGET.equals(d.getCOSName(COSName.SUBTYPE))
                    && d.containsKey(COSName.FT);
            if (!field) hash.add(annotation);
        }
        return hash.result();
    }

    private static FieldPrint fieldPrint(COSDictionary field) throws IOException {
        boolean signature = COSName.SIG.equals(field.getCOSName(COSName.FT));
        Hash value = new Hash();
        if (field.getDictionaryObject(COSName.V) instanceof COSDictionary signed) {
            // a signature's /Reference leads to the whole document, so only what is its own counts
            value.add(signed.getDictionaryObject(COSName.CONTENTS));
            value.add(signed.getDictionaryObject(COSName.BYTERANGE));
        } else {
            value.add(field.getDictionaryObject(COSName.V));
        }
        Hash appearance = new Hash();
        appearance.add(field.getDictionaryObject(COSName.AP));
        appearance.add(field.getDictionaryObject(COSName.AS));
        appearance.add(field.getDictionaryObject(COSName.MK));
        appearance.add(field.getDictionaryObject(COSName.F));
        Hash place = new Hash();
        place.add(field.getDictionaryObject(COSName.RECT));
        COSArray rectangle = field.getCOSArray(COSName.RECT);
        boolean visible = false;
        for (int i = 0; rectangle != null && i < rectangle.size(); i++) {
            visible |= rectangle.getObject(i) instanceof org.apache.pdfbox.cos.COSNumber n && n.floatValue() != 0;
        }
        return new FieldPrint(value.result(), appearance.result(), place.result(), signature, visible);
    }

    /** Hashes objects by content, wherever in the file they are stored. */
    private static final class Hash {
        private final MessageDigest digest;
        private final Set<COSBase> open = new HashSet<>();

        Hash() {
            try {
                digest = MessageDigest.getInstance("SHA-256");
            } catch (NoSuchAlgorithmException e) {
                throw new IllegalStateException("every Java platform has SHA-256", e);
            }
        }

        void add(COSBase base) throws IOException {
            COSBase object = base instanceof COSObject reference ? reference.getObject() : base;
            if (object == null) {
                text("null");
            } else if (object instanceof COSDictionary dictionary) {
                dictionary(dictionary);
            } else if (object instanceof COSArray array) {
                text("[" + array.size());
                for (int i = 0; i < array.size(); i++) add(array.get(i));
            } else if (object instanceof COSString string) {
                text("(" + string.toHexString());
            } else {
                text(object.toString());
            }
        }

        private void dictionary(COSDictionary dictionary) throws IOException {
            if (!open.add(dictionary)) {
                text("again");
                return;
            }
            TreeMap<String, COSBase> sorted = new TreeMap<>();
            dictionary.entrySet().forEach(entry -> sorted.put(entry.getKey().getName(), entry.getValue()));
            text("<<");
            for (Map.Entry<String, COSBase> entry : sorted.entrySet()) {
                if (LEFT_OUT.contains(entry.getKey())) continue;
                text("/" + entry.getKey());
                add(entry.getValue());
            }
            if (dictionary instanceof COSStream stream) {
                try (InputStream in = stream.createRawInputStream()) {
                    digest.update(in.readAllBytes());
                }
            }
            text(">>");
            open.remove(dictionary);
        }

        private void text(String text) {
            digest.update(text.getBytes(StandardCharsets.UTF_8));
            digest.update((byte) 0);
        }

        String result() {
            return HexFormat.of().formatHex(digest.digest());
        }
    }
}
