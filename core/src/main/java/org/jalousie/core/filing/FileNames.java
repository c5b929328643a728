package org.jalousie.core.filing;

import java.text.Normalizer;
import org.jalousie.core.agreement.Agreement;
import org.jalousie.core.agreement.AgreementNumber;
import org.jalousie.core.placement.DocumentId;

/** Names of filed documents: readable, and safe on every file system. */
public final class FileNames {
    private static final int LONGEST = 120;

    private FileNames() {}

    /** For example {@code A-2026-0007 Loan of a viola d'amore.pdf}. */
    public static String of(AgreementNumber number, String title, String kind, String extension) {
        String name = Normalizer.normalize(
                        number + " " + title + (kind.isEmpty() ? "" : " - " + kind), Normalizer.Form.NFC)
                .replaceAll("[\\p{Cntrl}\\\\/:*?\"<>|]", " ")
                .replaceAll("\\s+", " ")
                .strip();
        if (name.length() > LONGEST) name = name.substring(0, LONGEST).strip();
        return name.replaceAll("\\.+$", "") + "." + extension;
    }

    /**
     * An agreement's first document is called as the agreement is, further ones with their own titles behind, and so is a sheet that
     * only lists them.
     */
    public static String of(Agreement agreement, DocumentId id, String extension) {
        boolean first = agreement.documents().stream()
                .filter(one -> !one.id().equals(DocumentId.CONTENTS))
                .findFirst()
                .filter(one -> one.id().equals(id))
                .isPresent();
        String title = first ? "" : agreement.document(id).orElseThrow().title();
        return of(agreement.created().number(), agreement.title(), title, extension);
    }
}
