package org.jalousie.core.evidence;

import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.security.MessageDigest;
import java.security.NoSuchAlgorithmException;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.HashSet;
import java.util.HexFormat;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeSet;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.cos.COSArray;
import org.apache.pdfbox.cos.COSDictionary;
import org.apache.pdfbox.cos.COSName;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.interactive.digitalsignature.PDSignature;
import org.apache.pdfbox.pdmodel.interactive.form.PDSignatureField;
import org.jalousie.core.data.Sha256;

/**
 * The states that a file went through, each a beginning of it that ends with an update's own end mark (ISO 32000-1 §7.5.6). A
 * signature is found in the state that it made, so one that a later update took out is still known.
 */
final class FileStates {
    private static final int MOST = 150;
    private static final Pattern END = Pattern.compile("startxref\\s{1,9}(\\d{1,12})\\s{1,9}%%EOF(\\r\\n|\\n|\\r)?");

    private FileStates() {}

    /**
     * A state that a signature or a time stamp made.
     *
     * @param end where it ends in the file
     * @param locks names of the fields that may not change from then on, besides its own
     * @param hasLock whether the field says at all what it locks
     */
    record Signed(int end, String field, boolean timeStamp, boolean hasLock, Set<String> locks, Fingerprint print) {}

    /**
     * @param ends where each update ends
     * @param notWhole fields of signatures that cover no state of the file
     * @param lost whether validation data that a state had was missing in a later one, even if it came back
     */
    record All(List<Integer> ends, List<Signed> signed, Set<String> notWhole, boolean lost) {}

    static All of(byte[] pdf) throws IOException {
        List<Integer> ends = ends(pdf);
        if (ends.size() > MOST) throw new IOException("the file was changed more often than any agreement is");
        List<Signed> signed = new ArrayList<>();
        Set<String> known = new HashSet<>();
        Set<String> covered = new HashSet<>();
        Set<String> validation = Set.of();
        boolean lost = false;
        for (int end : ends) {
            try (PDDocument document = Loader.loadPDF(Arrays.copyOf(pdf, end))) {
                Set<String> now = Fingerprint.validation(document);
                lost |= !now.containsAll(validation);
                validation = now;
                for (PDSignatureField field : document.getSignatureFields()) {
                    PDSignature signature = field.getSignature();
                    if (signature == null) continue;
                    known.add(field.getFullyQualifiedName());
                    if (!reaches(signature, end)) continue;
                    covered.add(field.getFullyQualifiedName());
                    COSDictionary lock = field.getCOSObject().getCOSDictionary(COSName.getPDFName("Lock"));
                    signed.add(new Signed(
                            end,
                            field.getFullyQualifiedName(),
                            "ETSI.RFC3161".equals(signature.getSubFilter()),
                            lock != null,
                            locked(lock),
                            Fingerprint.of(document)));
                }
            } catch (IOException e) {
                // the first part of a file made for the web is no document by itself
                if (!signed.isEmpty()) throw e;
            }
        }
        known.removeAll(covered);
        return new All(ends, signed, known, lost);
    }

    /** Where each update of the file ends, with the line break after its end mark. */
    static List<Integer> ends(byte[] pdf) {
        Matcher mark = END.matcher(new String(pdf, StandardCharsets.ISO_8859_1));
        List<Integer> ends = new ArrayList<>();
        // a mark within an attachment of the document points to no cross-reference of this file
        while (mark.find() && ends.size() <= MOST)
            if (isCrossReference(pdf, Long.parseLong(mark.group(1)))) ends.add(mark.end());
        return ends;
    }

    /** The SHA-256 of every beginning of the file that may have been a file by itself, by where it ends. */
    static Map<Integer, Sha256> hashes(byte[] pdf) {
        Map<Integer, Sha256> hashes = new LinkedHashMap<>();
        try {
            MessageDigest digest = MessageDigest.getInstance("SHA-256");
            int done = 0;
            TreeSet<Integer> all = new TreeSet<>();
            for (int end : ends(pdf)) {
                all.add(end);
                // the line break after the end mark may have come with the next update
                int mark = end;
                while (pdf[mark - 1] == '\n' || pdf[mark - 1] == '\r') all.add(--mark);
            }
            all.add(pdf.length);
            for (int end : all) {
                digest.update(pdf, done, end - done);
                done = end;
                hashes.put(end, new Sha256(HexFormat.of().formatHex(((MessageDigest) digest.clone()).digest())));
            }
            // whoever cut the file may have taken the last line break too
            digest.update((byte) '\n');
            hashes.put(pdf.length + 1, new Sha256(HexFormat.of().formatHex(digest.digest())));
            return hashes;
        } catch (NoSuchAlgorithmException | CloneNotSupportedException e) {
            throw new IllegalStateException("every Java platform has SHA-256", e);
        }
    }

    private static boolean isCrossReference(byte[] pdf, long offset) {
        if (offset >= pdf.length) return false;
        String there =
                new String(pdf, (int) offset, Math.min(40, pdf.length - (int) offset), StandardCharsets.ISO_8859_1);
        return there.matches("(?s)\\s*(xref|\\d+\\s+\\d+\\s+obj).*");
    }

    /** A signature covers everything from the beginning to the end of its state; some leave out the last line break. */
    private static boolean reaches(PDSignature signature, int end) {
        int[] range = signature.getByteRange();
        if (range == null || range.length != 4 || range[0] != 0) return false;
        long reached = (long) range[2] + range[3];
        return reached <= end && reached >= end - 2;
    }

    private static Set<String> locked(COSDictionary lock) {
        Set<String> names = new HashSet<>();
        COSArray fields = lock == null ? null : lock.getCOSArray(COSName.FIELDS);
        for (int i = 0; fields != null && i < fields.size(); i++) names.add(fields.getString(i));
        return names;
    }
}
