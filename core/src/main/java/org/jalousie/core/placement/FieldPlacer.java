package org.jalousie.core.placement;

import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.OutputStream;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.Collections;
import java.util.HashSet;
import java.util.IdentityHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Set;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.cos.COSArray;
import org.apache.pdfbox.cos.COSBase;
import org.apache.pdfbox.cos.COSDictionary;
import org.apache.pdfbox.cos.COSName;
import org.apache.pdfbox.cos.COSString;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.PDPage;
import org.apache.pdfbox.pdmodel.PDResources;
import org.apache.pdfbox.pdmodel.common.PDRectangle;
import org.apache.pdfbox.pdmodel.interactive.action.PDActionURI;
import org.apache.pdfbox.pdmodel.interactive.annotation.PDAnnotation;
import org.apache.pdfbox.pdmodel.interactive.annotation.PDAnnotationLink;
import org.apache.pdfbox.pdmodel.interactive.annotation.PDAnnotationWidget;
import org.apache.pdfbox.pdmodel.interactive.annotation.PDAppearanceDictionary;
import org.apache.pdfbox.pdmodel.interactive.annotation.PDAppearanceStream;
import org.apache.pdfbox.pdmodel.interactive.form.PDAcroForm;
import org.apache.pdfbox.pdmodel.interactive.form.PDField;
import org.apache.pdfbox.pdmodel.interactive.form.PDFieldFactory;
import org.apache.pdfbox.pdmodel.interactive.form.PDSignatureField;
import org.jalousie.core.parties.Duty;
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

    /** The flag of a text field for several lines (ISO 32000-1 §12.7.4.3, Table 228). */
    private static final int MULTILINE = 1 << 12;

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
            PDAcroForm form = new PDAcroForm(document);
            document.getDocumentCatalog().setAcroForm(form);
            form.setDefaultResources(BodyFont.resourcesFor(document));
            form.setDefaultAppearance("/Body 10 Tf 0 g");
            RepeatedFields repeated = new RepeatedFields(boxes, onEachPage);
            List<PlacedField> placed = new ArrayList<>();
            List<PDField> fields = new ArrayList<>();
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
                    placed.add(new PlacedField(
                            field, i + 1, at.getLowerLeftX(), at.getLowerLeftY(), at.getWidth(), at.getHeight()));
                    fields.add(toField(
                            document, form, page, annotation.getCOSObject(), field, isSigningPlace(field, placed)));
                }
                if (kept.size() < page.getAnnotations().size()) page.setAnnotations(kept);
            }
            fields.add(0, officeSeal(form, document.getPage(0)));
            form.setFields(fields);
            lock(form, placed, participants);
            tellStructure(document, blank);
            ByteArrayOutputStream out = new ByteArrayOutputStream(pdf.length + 300_000);
            document.save(out);
            return new Placed(out.toByteArray(), new Pages(sizes, repeated.paired(placed)));
        } catch (IOException e) {
            throw new UncheckedIOException("the converted document can't be read", e);
        }
    }

    /** A party's first place for a signature takes the cryptographic signature; further ones show the same mark. */
    private static boolean isSigningPlace(SigningField field, List<PlacedField> placed) {
        if (!field.type().signs()) return false;
        return placed.stream()
                        .filter(one -> one.field().party().equals(field.party())
                                && one.field().type().signs())
                        .count()
                == 1;
    }

    private static int boxNumber(PDAnnotation annotation) {
        return annotation instanceof PDAnnotationLink link && link.getAction() instanceof PDActionURI uri
                ? FieldLink.number(uri.getURI()).orElse(-1)
                : -1;
    }

    private static PDField toField(
            PDDocument document,
            PDAcroForm form,
            PDPage page,
            COSDictionary widgetDictionary,
            SigningField field,
            boolean signing)
            throws IOException {
        for (COSName link :
                List.of(COSName.A, COSName.DEST, COSName.H, COSName.PA, COSName.BORDER, COSName.C, COSName.CONTENTS)) {
            widgetDictionary.removeItem(link);
        }
        widgetDictionary.setItem(COSName.SUBTYPE, COSName.WIDGET);
        widgetDictionary.setItem(COSName.FT, signing ? COSName.SIG : COSName.TX);
        widgetDictionary.setString(COSName.T, field.name());
        widgetDictionary.setString(COSName.TU, field.title());
        if (!signing) {
            // many lines in size 0 are set as large as they fit (ISO 32000-1 §12.7.3.3)
            String points = field.type().manyLines() ? "0" : String.valueOf((int) Room.typeSize(field.type()));
            widgetDictionary.setString(COSName.DA, "/Body " + points + " Tf 0 g");
            if (field.type().manyLines()) widgetDictionary.setInt(COSName.FF, MULTILINE);
        }
        PDAnnotationWidget widget = new PDAnnotationWidget(widgetDictionary);
        widget.setPage(page);
        widget.setPrinted(true);
        placeholder(document, widget, field);
        // the field and its one widget share a dictionary (ISO 32000-1 §12.5.6.19)
        return PDFieldFactory.createField(form, widgetDictionary, null);
    }

    /** The invisible field of the office's own seal. */
    private static PDField officeSeal(PDAcroForm form, PDPage page) throws IOException {
        PDSignatureField seal = new PDSignatureField(form);
        seal.setPartialName(OFFICE_SEAL);
        PDAnnotationWidget widget = seal.getWidgets().get(0);
        widget.setRectangle(new PDRectangle(0, 0, 0, 0));
        widget.setPage(page);
        widget.setPrinted(true);
        page.getAnnotations().add(widget);
        return seal;
    }

    private static void placeholder(PDDocument document, PDAnnotationWidget widget, SigningField field)
            throws IOException {
        PDRectangle at = widget.getRectangle();
        PDAppearanceStream stream = new PDAppearanceStream(document);
        stream.setBBox(new PDRectangle(at.getWidth(), at.getHeight()));
        stream.setFormType(1);
        stream.setResources(new PDResources());
        String drawing = field.type().lined()
                ? String.format(Locale.ROOT, "q 0.55 G 0.4 w 0 0.6 m %.2f 0.6 l S Q", at.getWidth())
                : "";
        try (OutputStream out = stream.getCOSObject().createOutputStream()) {
            out.write(drawing.getBytes(StandardCharsets.US_ASCII));
        }
        PDAppearanceDictionary appearance = new PDAppearanceDictionary();
        appearance.setNormalAppearance(stream);
        appearance.getCOSObject().setDirect(true);
        widget.setAppearance(appearance);
    }

    // ISO 32000-1 §12.7.4.5, Table 233: what a signature field locks when it is signed
    private static void lock(PDAcroForm form, List<PlacedField> placed, List<Participant> participants) {
        for (PDField field : form.getFields()) {
            if (!(field instanceof PDSignatureField) || field.getPartialName().equals(OFFICE_SEAL)) continue;
            PartyKey party = partyOf(field.getPartialName(), placed);
            int stage = participants.stream()
                    .filter(one -> one.party().equals(party))
                    .mapToInt(Participant::stage)
                    .findFirst()
                    .orElse(1);
            Set<PartyKey> covered = new HashSet<>(Set.of(party));
            participants.stream()
                    .filter(one -> one.duty() == Duty.COMPLETES && one.stage() < stage)
                    .forEach(one -> covered.add(one.party()));
            COSArray names = new COSArray();
            for (PlacedField one : placed) {
                if (covered.contains(one.field().party()) && !one.field().name().equals(field.getPartialName())) {
                    names.add(new COSString(one.field().name()));
                }
            }
            if (names.size() == 0) continue;
            COSDictionary lock = new COSDictionary();
            lock.setItem(COSName.TYPE, COSName.getPDFName("SigFieldLock"));
            lock.setItem(COSName.getPDFName("Action"), COSName.getPDFName("Include"));
            lock.setItem(COSName.FIELDS, names);
            field.getCOSObject().setItem(COSName.getPDFName("Lock"), lock);
        }
    }

    private static PartyKey partyOf(String fieldName, List<PlacedField> placed) {
        return placed.stream()
                .filter(one -> one.field().name().equals(fieldName))
                .findFirst()
                .orElseThrow()
                .field()
                .party();
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
