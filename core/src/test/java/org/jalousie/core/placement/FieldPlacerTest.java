package org.jalousie.core.placement;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.util.ArrayList;
import java.util.List;
import java.util.Set;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.cos.COSArray;
import org.apache.pdfbox.cos.COSDictionary;
import org.apache.pdfbox.cos.COSName;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.interactive.form.PDField;
import org.apache.pdfbox.pdmodel.interactive.form.PDSignatureField;
import org.jalousie.core.evidence.SignedSample;
import org.jalousie.core.parties.Duty;
import org.jalousie.core.parties.Participant;
import org.jalousie.core.parties.PartyKey;
import org.jalousie.core.parties.Person;
import org.junit.jupiter.api.Test;

class FieldPlacerTest {
    @Test
    void everyLinkBecomesAFieldOfItsRectangleAndNoLinkIsLeft() throws IOException {
        FieldPlacer.Placed placed =
                FieldPlacer.place(SignedSample.converted(), SignedSample.boxes(), SignedSample.PARTIES);
        PlacedField signature = placed.pages().fields().get(0);
        assertThat(signature.page()).isEqualTo(2);
        assertThat(List.of(signature.x(), signature.y(), signature.width(), signature.height()))
                .containsExactly(72.0, 300.0, 170.0, 45.0);
        assertThat(placed.pages().faults()).isEmpty();
        try (PDDocument document = Loader.loadPDF(placed.pdf())) {
            assertThat(document.getPage(1).getAnnotations())
                    .allSatisfy(
                            annotation -> assertThat(annotation.getSubtype()).isEqualTo("Widget"));
            assertThat(document.getDocumentCatalog().getAcroForm().getFields())
                    .extracting(PDField::getPartialName)
                    .containsExactlyInAnyOrder(
                            "office_seal",
                            "lender_signature",
                            "lender_date_signed",
                            "lender_vat_number",
                            "museum_signature",
                            "museum_date_signed");
            assertThat(document.getDocumentCatalog().getAcroForm().getNeedAppearances())
                    .isFalse();
        }
    }

    @Test
    void theRoomOfWhoTakesNoPartStaysBlankAndNothingIsLeftOfIt() throws IOException {
        PartyKey museum = new PartyKey("museum");
        FieldPlacer.Placed placed = FieldPlacer.place(
                SignedSample.converted(), SignedSample.boxes(), Set.of(), Set.of(museum), SignedSample.PARTIES);
        assertThat(placed.pages().fieldsOf(museum)).isEmpty();
        assertThat(placed.pages().fields()).hasSize(3);
        try (PDDocument document = Loader.loadPDF(placed.pdf())) {
            assertThat(document.getPage(1).getAnnotations())
                    .hasSize(3)
                    .allSatisfy(one -> assertThat(one.getSubtype()).isEqualTo("Widget"));
            assertThat(document.getDocumentCatalog().getAcroForm().getFields())
                    .extracting(PDField::getPartialName)
                    .noneMatch(name -> name.startsWith("museum"));
        }
    }

    // ISO 32000-1 §12.7.4.5
    @Test
    void aSignatureLocksTheSignersOwnFieldsAndThoseOfContributorsBefore() throws IOException {
        List<Participant> parties = List.of(
                new Participant(new Person("a", "b"), new PartyKey("lender"), "Lender", Duty.COMPLETES, 1),
                new Participant(new Person("c", "d"), new PartyKey("museum"), "Museum", Duty.SIGNS, 2));
        try (PDDocument document =
                Loader.loadPDF(FieldPlacer.place(SignedSample.converted(), SignedSample.boxes(), parties)
                        .pdf())) {
            assertThat(locks(document, "museum_signature"))
                    .containsExactlyInAnyOrder(
                            "museum_date_signed", "lender_signature", "lender_date_signed", "lender_vat_number");
        }
        try (PDDocument document = Loader.loadPDF(SignedSample.placed())) {
            assertThat(locks(document, "museum_signature")).containsExactly("museum_date_signed");
            assertThat(locks(document, "office_seal")).isEmpty();
        }
    }

    private static List<String> locks(PDDocument document, String field) {
        PDSignatureField signature =
                (PDSignatureField) document.getDocumentCatalog().getAcroForm().getField(field);
        COSDictionary lock = signature.getCOSObject().getCOSDictionary(COSName.getPDFName("Lock"));
        List<String> names = new ArrayList<>();
        COSArray fields = lock == null ? new COSArray() : lock.getCOSArray(COSName.FIELDS);
        for (int i = 0; i < fields.size(); i++) names.add(fields.getString(i));
        return names;
    }
}
