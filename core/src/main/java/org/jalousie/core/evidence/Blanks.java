package org.jalousie.core.evidence;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.interactive.form.PDAcroForm;
import org.apache.pdfbox.pdmodel.interactive.form.PDField;
import org.apache.pdfbox.pdmodel.interactive.form.PDSignatureField;
import org.jalousie.core.placement.PlacedField;

/** Whether every required field of a finished file has its value: read from the file, by the name of each field. */
public final class Blanks {
    private Blanks() {}

    /** Labels of the required fields that the file leaves empty, lacks, or has under one name with another. */
    public static List<String> in(byte[] pdf, List<PlacedField> fields) {
        try (PDDocument document = Loader.loadPDF(pdf)) {
            PDAcroForm form = document.getDocumentCatalog().getAcroForm();
            List<String> blanks = new ArrayList<>();
            Set<String> names = new HashSet<>();
            for (PlacedField placed : fields) {
                if (!placed.field().type().required()) continue;
                PDField field =
                        form == null ? null : form.getField(placed.field().name());
                boolean own = names.add(placed.field().name());
                if (!own || field == null || isBlank(field))
                    blanks.add(placed.field().title());
            }
            return blanks;
        } catch (IOException e) {
            throw new UncheckedIOException("the finished file can't be read", e);
        }
    }

    private static boolean isBlank(PDField field) {
        if (field instanceof PDSignatureField signature) return signature.getSignature() == null;
        return field.getValueAsString().isBlank();
    }

    /** @throws IllegalStateException naming the blanks, so that nothing incomplete counts as sealed */
    public static void refuse(byte[] pdf, List<PlacedField> fields) {
        List<String> blanks = in(pdf, fields);
        if (!blanks.isEmpty())
            throw new IllegalStateException(
                    "The document is not taken as sealed, since these required fields are blank in it: "
                            + String.join(", ", blanks) + ".");
    }
}
