package org.jalousie.core.wording.compile;

import java.util.List;
import org.jalousie.core.messages.Message;
import org.jalousie.core.placement.SigningField;
import org.jalousie.core.wording.Diagnostic;
import org.jalousie.core.wording.docx.Word;
import org.jalousie.core.wording.tags.Occurrence;
import org.jalousie.core.wording.tags.Part;
import org.w3c.dom.Element;

/**
 * Rows and lines of an exact height (ISO/IEC 29500-1 §17.4.80 and §17.3.1.33) that would cut a signing field: the converter
 * reports the whole field, so this can't be seen on the pages.
 */
final class TightPlaces {
    private static final double TWIPS_PER_MM = 1440 / 25.4;

    private TightPlaces() {}

    /** @param field the signing field of the tag */
    static void check(Part part, Occurrence tag, SigningField field, List<Diagnostic> diagnostics) {
        Element paragraph = tag.in.paragraph();
        double needed = field.type().size().heightMm() * TWIPS_PER_MM;
        Element row = Word.ancestor(paragraph, "tr");
        Element rowHeight = row == null ? null : Word.first(row, "trHeight");
        if (rowHeight != null
                && Word.attribute(rowHeight, "hRule").equals("exact")
                && twips(rowHeight, "val") < needed) {
            diagnostics.add(advice(
                    part,
                    tag,
                    field,
                    "row-exact-height",
                    Message.of("wording.row-height"),
                    Message.of("wording.row-height.cure")));
        }
        Element properties = Word.child(paragraph, "pPr");
        Element spacing = properties == null ? null : Word.child(properties, "spacing");
        if (spacing != null && Word.attribute(spacing, "lineRule").equals("exact") && twips(spacing, "line") < needed) {
            diagnostics.add(advice(
                    part,
                    tag,
                    field,
                    "line-exact-height",
                    Message.of("wording.line-height"),
                    Message.of("wording.line-height.cure")));
        }
    }

    private static double twips(Element element, String attribute) {
        String value = Word.attribute(element, attribute);
        return value.matches("\\d+") ? Double.parseDouble(value) : Double.MAX_VALUE;
    }

    private static Diagnostic advice(
            Part part, Occurrence tag, SigningField field, String code, Message message, Message cure) {
        Diagnostic plain = part.diagnostic(tag, code, message, cure);
        return new Diagnostic(
                plain.code(), plain.part(), plain.place(), plain.message(), plain.cure(), false, List.of(field.name()));
    }
}
