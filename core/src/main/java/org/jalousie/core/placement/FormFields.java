package org.jalousie.core.placement;

import java.io.IOException;
import java.io.OutputStream;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Locale;
import java.util.Set;
import org.apache.pdfbox.cos.COSArray;
import org.apache.pdfbox.cos.COSDictionary;
import org.apache.pdfbox.cos.COSName;
import org.apache.pdfbox.cos.COSString;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.PDPage;
import org.apache.pdfbox.pdmodel.PDResources;
import org.apache.pdfbox.pdmodel.common.PDRectangle;
import org.apache.pdfbox.pdmodel.interactive.annotation.PDAnnotation;
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

/** The form of a document that parties complete: one field for each place, and one for the office's own seal. */
final class FormFields {
    /** The flag of a text field for several lines (ISO 32000-1 §12.7.4.3, Table 228). */
    private static final int MULTILINE = 1 << 12;

    private final PDDocument document;
    private final PDAcroForm form;
    private final List<PlacedField> placed = new ArrayList<>();
    private final List<PDField> fields = new ArrayList<>();

    FormFields(PDDocument document) throws IOException {
        this.document = document;
        this.form = new PDAcroForm(document);
        document.getDocumentCatalog().setAcroForm(form);
        form.setDefaultResources(BodyFont.resourcesFor(document));
        form.setDefaultAppearance("/Body 10 Tf 0 g");
    }

    /** The places, in the order in which they were added. */
    List<PlacedField> placed() {
        return placed;
    }

    /** @param widget stands on the page already, and becomes the field */
    void add(PDPage page, COSDictionary widget, PlacedField at) throws IOException {
        placed.add(at);
        fields.add(toField(page, widget, at.field(), isSigningPlace(at.field())));
    }

    /** A place on a page that has nothing there yet. */
    void add(PDPage page, PlacedField at) throws IOException {
        COSDictionary widget = new COSDictionary();
        widget.setItem(COSName.TYPE, COSName.ANNOT);
        widget.setItem(
                COSName.RECT,
                new PDRectangle((float) at.x(), (float) at.y(), (float) at.width(), (float) at.height()).getCOSArray());
        add(page, widget, at);
        List<PDAnnotation> all = new ArrayList<>(page.getAnnotations());
        all.add(new PDAnnotationWidget(widget));
        page.setAnnotations(all);
    }

    /** @param participants decide which fields a signature locks: the signer's own and those completed in earlier stages */
    void finish(List<Participant> participants) throws IOException {
        fields.add(0, officeSeal(document.getPage(0)));
        form.setFields(fields);
        lock(participants);
    }

    /** A party's first place for a signature takes the cryptographic signature; further ones show the same mark. */
    private boolean isSigningPlace(SigningField field) {
        if (!field.type().signs()) return false;
        return placed.stream()
                        .filter(one -> one.field().party().equals(field.party())
                                && one.field().type().signs())
                        .count()
                == 1;
    }

    private PDField toField(PDPage page, COSDictionary widgetDictionary, SigningField field, boolean signing)
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
        placeholder(widget, field);
        // the field and its one widget share a dictionary (ISO 32000-1 §12.5.6.19)
        return PDFieldFactory.createField(form, widgetDictionary, null);
    }

    /** The invisible field of the office's own seal. */
    private PDField officeSeal(PDPage page) throws IOException {
        PDSignatureField seal = new PDSignatureField(form);
        seal.setPartialName(FieldPlacer.OFFICE_SEAL);
        PDAnnotationWidget widget = seal.getWidgets().get(0);
        widget.setRectangle(new PDRectangle(0, 0, 0, 0));
        widget.setPage(page);
        widget.setPrinted(true);
        List<PDAnnotation> all = new ArrayList<>(page.getAnnotations());
        all.add(widget);
        page.setAnnotations(all);
        return seal;
    }

    private void placeholder(PDAnnotationWidget widget, SigningField field) throws IOException {
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
    private void lock(List<Participant> participants) {
        for (PDField field : form.getFields()) {
            if (!(field instanceof PDSignatureField) || field.getPartialName().equals(FieldPlacer.OFFICE_SEAL))
                continue;
            PartyKey party = partyOf(field.getPartialName());
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

    private PartyKey partyOf(String fieldName) {
        return placed.stream()
                .filter(one -> one.field().name().equals(fieldName))
                .findFirst()
                .orElseThrow()
                .field()
                .party();
    }
}
