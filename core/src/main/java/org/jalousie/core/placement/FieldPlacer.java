package org.jalousie.core.placement;

import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.util.ArrayList;
import java.util.Collections;
import java.util.HashSet;
import java.util.IdentityHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.cos.COSArray;
import org.apache.pdfbox.cos.COSBase;
import org.apache.pdfbox.cos.COSDictionary;
import org.apache.pdfbox.cos.COSName;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.PDPage;
import org.apache.pdfbox.pdmodel.common.PDRectangle;
import org.apache.pdfbox.pdmodel.interactive.action.PDActionURI;
import org.apache.pdfbox.pdmodel.interactive.annotation.PDAnnotation;
import org.apache.pdfbox.pdmodel.interactive.annotation.PDAnnotationLink;
import org.jalousie.core.parties.Participant;
import org.jalousie.core.parties.PartyKey;

/**
 * Turns the links that conversion left where signing fields flowed to into form fields of the same rectangle. The link's
 * own annotation becomes the field's widget, so the document's structure tree stays whole.
 */
public final class FieldPlacer {
    /** Name of the signature field that takes the office's seal. */
    public static final String OFFICE_SEAL = "office_seal";

    /** Name of the font of the form, which is there whole. */
    public static final COSName FONT = BodyFont.NAME;

    /** Most of it is the form's font. */
    private static final int LIKELY_BYTES = 400_000;

    private FieldPlacer() {}

    /** The document with its form fields, and where they are. */
    public record Placed(byte[] pdf, Pages pages) {}

    /**
     * @param pdf as converted
     * @param boxes the fields by the number their boxes carry
     * @param participants decide which fields a signature locks: the signer's own and those completed in earlier stages
     */
    public static Placed place(byte[] pdf, Map<Integer, SigningField> boxes, List<Participant> participants) {
        return place(pdf, boxes, Set.of(), Set.of(), participants);
    }

    /**
     * @param pdf as converted
     * @param boxes the fields by the number their boxes carry
     * @param onEachPage numbers of boxes that stand in a header or footer: their places all show the one answer
     * @param without parties that take no part: the room that the words keep for them stays blank
     * @param participants decide which fields a signature locks: the signer's own and those completed in earlier stages
     */
    public static Placed place(
            byte[] pdf,
            Map<Integer, SigningField> boxes,
            Set<Integer> onEachPage,
            Set<PartyKey> without,
            List<Participant> participants) {
        try (PDDocument document = Loader.loadPDF(pdf)) {
            return place(document, boxes, onEachPage, without, participants);
        } catch (IOException e) {
            throw new UncheckedIOException("the converted document can't be read", e);
        }
    }

    /**
     * As {@link #place(byte[], Map, Set, Set, List)}, for whoever has the document open and reads more of it.
     *
     * @param document gets the fields
     */
    public static Placed place(
            PDDocument document,
            Map<Integer, SigningField> boxes,
            Set<Integer> onEachPage,
            Set<PartyKey> without,
            List<Participant> participants)
            throws IOException {
        FormFields form = new FormFields(document);
        RepeatedFields repeated = new RepeatedFields(boxes, onEachPage);
        List<Pages.Size> sizes = new ArrayList<>();
        Set<COSDictionary> blank = Collections.newSetFromMap(new IdentityHashMap<>());
        for (int i = 0; i < document.getNumberOfPages(); i++) {
            PDPage page = document.getPage(i);
            sizes.add(new Pages.Size(
                    page.getMediaBox().getWidth(), page.getMediaBox().getHeight()));
            List<PDAnnotation> kept = new ArrayList<>();
            for (PDAnnotation annotation : page.getAnnotations()) {
                int number = boxNumber(annotation);
                if (boxes.containsKey(number)
                        && without.contains(boxes.get(number).party())) {
                    blank.add(annotation.getCOSObject());
                    continue;
                }
                kept.add(annotation);
                if (!boxes.containsKey(number)) continue;
                SigningField field = repeated.next(number);
                PDRectangle at = annotation.getRectangle();
                form.add(
                        page,
                        annotation.getCOSObject(),
                        new PlacedField(
                                field, i + 1, at.getLowerLeftX(), at.getLowerLeftY(), at.getWidth(), at.getHeight()));
            }
            if (kept.size() < page.getAnnotations().size()) page.setAnnotations(kept);
        }
        form.finish(participants);
        tellStructure(document, blank);
        ByteArrayOutputStream out = new ByteArrayOutputStream(LIKELY_BYTES);
        document.save(out);
        return new Placed(out.toByteArray(), new Pages(sizes, repeated.paired(form.placed())));
    }

    /** The number of the box that a link tells of; -1 for anything else. */
    public static int boxNumber(PDAnnotation annotation) {
        return annotation instanceof PDAnnotationLink link && link.getAction() instanceof PDActionURI uri
                ? FieldLink.number(uri.getURI()).orElse(-1)
                : -1;
    }

    /** Structure elements that held the links now hold form fields (ISO 32000-1 §14.8.4.5). */
    private static void tellStructure(PDDocument document, Set<COSDictionary> blank) {
        COSDictionary root =
                document.getDocumentCatalog().getCOSObject().getCOSDictionary(COSName.getPDFName("StructTreeRoot"));
        if (root != null) tellStructure(root, blank, new HashSet<>());
    }

    private static void tellStructure(COSDictionary element, Set<COSDictionary> blank, Set<COSDictionary> seen) {
        if (!seen.add(element)) return;
        COSBase kids = element.getDictionaryObject(COSName.K);
        List<COSBase> all = new ArrayList<>();
        if (kids instanceof COSArray array) {
            for (int i = 0; i < array.size(); i++) all.add(array.getObject(i));
        } else if (kids != null) {
            all.add(kids);
        }
        if (all.removeIf(kid -> isOf(kid, blank))) {
            COSArray left = new COSArray();
            all.forEach(left::add);
            element.setItem(COSName.K, left);
        }
        for (COSBase kid : all) {
            if (!(kid instanceof COSDictionary child)) continue;
            COSDictionary annotation = child.getCOSDictionary(COSName.getPDFName("Obj"));
            if (annotation != null && COSName.WIDGET.equals(annotation.getCOSName(COSName.SUBTYPE))) {
                element.setItem(COSName.S, COSName.FORM);
                element.setString(COSName.getPDFName("Alt"), annotation.getString(COSName.TU));
            }
            tellStructure(child, blank, seen);
        }
    }

    /** Whether a child of the structure is the reference to one of these annotations. */
    private static boolean isOf(COSBase kid, Set<COSDictionary> annotations) {
        return kid instanceof COSDictionary child
                && annotations.contains(child.getCOSDictionary(COSName.getPDFName("Obj")));
    }
}
