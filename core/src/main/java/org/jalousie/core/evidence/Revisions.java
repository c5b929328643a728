package org.jalousie.core.evidence;

import java.io.IOException;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.cos.COSArray;
import org.apache.pdfbox.cos.COSDictionary;
import org.apache.pdfbox.cos.COSName;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.interactive.digitalsignature.PDSignature;
import org.apache.pdfbox.pdmodel.interactive.form.PDSignatureField;

/**
 * Compares every signed state of a document with the next one and with the file as it is, and names what changed that may
 * not: validators judge the cryptography and let some changes of content pass, this looks at what a reader sees.
 */
final class Revisions {
    private Revisions() {}

    /** @param afterSigner whose signature the change came after, as written in the form field's name */
    record Change(String what, String afterSigner) {}

    private record Signed(String field, int end, boolean timeStamp, Set<String> locks) {}

    static List<Change> changes(byte[] pdf) throws IOException {
        List<Signed> signed = new ArrayList<>();
        try (PDDocument document = Loader.loadPDF(pdf)) {
            for (PDSignatureField field : document.getSignatureFields()) {
                PDSignature signature = field.getSignature();
                if (signature == null || signature.getByteRange() == null || signature.getByteRange().length != 4)
                    continue;
                int end = signature.getByteRange()[2] + signature.getByteRange()[3];
                signed.add(new Signed(
                        field.getFullyQualifiedName(),
                        Math.min(end, pdf.length),
                        "ETSI.RFC3161".equals(signature.getSubFilter()),
                        locks(field)));
            }
        }
        signed.sort(Comparator.comparingInt(Signed::end));
        List<Change> changes = new ArrayList<>();
        if (signed.isEmpty()) return changes;
        Set<String> locked = new HashSet<>();
        Fingerprint before = null;
        String last = "";
        for (Signed one : signed) {
            Fingerprint now = fingerprint(Arrays.copyOf(pdf, one.end()));
            if (before != null) compare(before, now, locked, false, last, changes);
            before = now;
            if (!one.timeStamp()) last = one.field();
            locked.add(one.field());
            locked.addAll(one.locks());
        }
        int end = signed.get(signed.size() - 1).end();
        if (end < pdf.length
                && !new String(pdf, end, pdf.length - end, java.nio.charset.StandardCharsets.ISO_8859_1).isBlank()) {
            int known = changes.size();
            compare(before, fingerprint(pdf), locked, true, last, changes);
            boolean closed = signed.get(signed.size() - 1).timeStamp();
            if (closed && changes.size() == known) {
                changes.add(new Change("Data was added to the file after the last time stamp", last));
            }
        }
        return changes;
    }

    private static Fingerprint fingerprint(byte[] pdf) throws IOException {
        try (PDDocument document = Loader.loadPDF(pdf)) {
            return Fingerprint.of(document);
        }
    }

    private static void compare(
            Fingerprint before,
            Fingerprint now,
            Set<String> locked,
            boolean afterAll,
            String last,
            List<Change> changes) {
        if (!before.catalog().equals(now.catalog())) {
            changes.add(new Change("An action, script or attachment of the document was changed", last));
        }
        for (int i = 0; i < Math.max(before.pages().size(), now.pages().size()); i++) {
            if (i >= now.pages().size()) {
                changes.add(new Change("Page " + (i + 1) + " was removed", last));
            } else if (i >= before.pages().size()) {
                changes.add(new Change("Page " + (i + 1) + " was added", last));
            } else if (!before.pages().get(i).equals(now.pages().get(i))) {
                changes.add(new Change("The content of page " + (i + 1) + " was changed", last));
            }
        }
        for (Map.Entry<String, Fingerprint.FieldPrint> entry : before.fields().entrySet()) {
            String name = entry.getKey();
            Fingerprint.FieldPrint old = entry.getValue();
            Fingerprint.FieldPrint changed = now.fields().get(name);
            if (changed == null) {
                changes.add(new Change("The field " + name + " was removed", last));
                continue;
            }
            boolean fixed = afterAll || locked.contains(name);
            if (!old.place().equals(changed.place())) changes.add(new Change("The field " + name + " was moved", last));
            if (fixed && !old.value().equals(changed.value())) {
                changes.add(new Change("The value of the field " + name + " was changed", last));
            } else if (fixed && !old.appearance().equals(changed.appearance())) {
                changes.add(new Change("The appearance of the field " + name + " was changed", last));
            }
        }
        for (Map.Entry<String, Fingerprint.FieldPrint> entry : now.fields().entrySet()) {
            if (before.fields().containsKey(entry.getKey())) continue;
            boolean harmless = entry.getValue().signature() && !entry.getValue().visible() && !afterAll;
            if (!harmless) changes.add(new Change("The field " + entry.getKey() + " was added", last));
        }
    }

    private static Set<String> locks(PDSignatureField field) {
        Set<String> names = new HashSet<>();
        COSDictionary lock = field.getCOSObject().getCOSDictionary(COSName.getPDFName("Lock"));
        COSArray fields = lock == null ? null : lock.getCOSArray(COSName.FIELDS);
        for (int i = 0; fields != null && i < fields.size(); i++) names.add(fields.getString(i));
        return names;
    }
}
