package org.jalousie.core.evidence;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Instant;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.PDPage;
import org.apache.pdfbox.pdmodel.PDPageContentStream;
import org.apache.pdfbox.pdmodel.common.PDRectangle;
import org.apache.pdfbox.pdmodel.font.PDType1Font;
import org.apache.pdfbox.pdmodel.font.Standard14Fonts;
import org.apache.pdfbox.pdmodel.interactive.annotation.PDAnnotationWidget;
import org.apache.pdfbox.pdmodel.interactive.form.PDTextField;
import org.jalousie.core.messages.Message;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;

class SealingTest {
    private static final TestTrust TRUST = new TestTrust();
    private static byte[] finished;
    private final Verifier verifier = new Verifier(TRUST);

    @BeforeAll
    static void sign() {
        finished = SignedSample.finished(TRUST);
    }

    @Test
    void aFileSignedByTwoPartiesIsIntactAndNamesBoth() throws Exception {
        Files.write(Path.of("target/finished.pdf"), finished);
        Verification result = verifier.verify(finished);
        assertThat(result.findings()).isEmpty();
        assertThat(result.intact()).isTrue();
        assertThat(result.signatures())
                .extracting(Verification.SignatureCheck::by)
                .containsExactly("Office of the museum", "Ida Marsh", "Tomas Vale");
        assertThat(result.signatures())
                .allSatisfy(one -> assertThat(one.level()).contains("LTA"));
    }

    @Test
    void aFileBetweenTwoSignaturesIsIntact() throws Exception {
        Files.write(Path.of("target/between.pdf"), SignedSample.signedByLender(TRUST));
        Verification result = verifier.verify(SignedSample.signedByLender(TRUST));
        assertThat(result.findings()).isEmpty();
        assertThat(result.signatures()).hasSize(2);
    }

    /** A document in which a party has no signature of their own, since they sign another one of the agreement. */
    private static byte[] filled(byte[] pdf, Map<String, String> values, boolean initials) {
        ActInFile act = new ActInFile(
                values,
                initials ? Set.of("museum_date_signed") : Set.of(),
                Optional.empty(),
                Optional.of(SignedSample.mark(1)),
                "");
        return new Sealer(TRUST).put(pdf, act, null, Instant.now());
    }

    @Test
    void whoOnlyFillsInADocumentHasNotChangedWhatTheOfficeSealed() {
        Sealer sealer = new Sealer(TRUST);
        byte[] sealed = sealer.sealByOffice(SignedSample.placed(), Instant.now());
        byte[] both = filled(filled(sealed, Map.of("lender_vat_number", "XX 4471"), false), Map.of(), true);
        byte[] whole = sealer.longTerm(both);
        assertThat(verifier.verify(whole).findings()).isEmpty();
        // one who signs, and after them one who only initials
        byte[] mixed = sealer.longTerm(filled(SignedSample.signedByLender(TRUST), Map.of(), true));
        assertThat(verifier.verify(mixed).findings()).isEmpty();
        // what is filled in after the first time stamp over the whole, what was filled in already, and what is locked
        byte[] later = sealer.longTerm(filled(whole, Map.of("lender_date_signed", "1 May 2026"), false));
        assertThat(verifier.verify(later).findings())
                .extracting(Message::toString)
                .anySatisfy(one -> assertThat(one).contains("lender_date_signed"));
        byte[] locked =
                sealer.longTerm(filled(SignedSample.signedByLender(TRUST), Map.of("lender_vat_number", "YY 1"), false));
        assertThat(verifier.verify(locked).findings())
                .extracting(Message::toString)
                .anySatisfy(one -> assertThat(one).contains("lender_vat_number"));
    }

    @Test
    void aChangedByteOfTheWordsIsFound() {
        byte[] tampered = finished.clone();
        int at = new String(tampered, java.nio.charset.StandardCharsets.ISO_8859_1).indexOf("/Lock");
        tampered[at + 1] = 'K';
        assertThat(verifier.verify(tampered).findings())
                .extracting(Message::toString)
                .anySatisfy(finding -> assertThat(finding).contains("Ida Marsh").contains("does not hold"));
    }

    @Test
    void aLaterChangeOfALockedFieldIsNamed() throws Exception {
        byte[] tampered = changed(document -> {
            PDTextField field =
                    (PDTextField) document.getDocumentCatalog().getAcroForm().getField("lender_vat_number");
            field.setValue("XX 9999");
            return Set.of(
                    field.getCOSObject(),
                    field.getWidgets().get(0).getAppearance().getCOSObject(),
                    field.getWidgets()
                            .get(0)
                            .getAppearance()
                            .getNormalAppearance()
                            .getAppearanceStream()
                            .getCOSObject());
        });
        assertThat(verifier.verify(tampered).findings())
                .extracting(Message::toString)
                .anySatisfy(
                        finding -> assertThat(finding)
                                .isEqualTo(
                                        "The value of the field lender_vat_number was changed, after the signature of Tomas Vale (museum_signature)."));
    }

    @Test
    void aSwappedSignatureAppearanceIsNamed() throws Exception {
        byte[] tampered = changed(document -> {
            PDAnnotationWidget widget = document.getDocumentCatalog()
                    .getAcroForm()
                    .getField("lender_signature")
                    .getWidgets()
                    .get(0);
            widget.getAppearance()
                    .setNormalAppearance(
                            MarkDrawing.draw(document, widget.getRectangle(), SignedSample.mark(20), "Somebody Else"));
            return Set.of(widget.getCOSObject(), widget.getAppearance().getCOSObject());
        });
        assertThat(verifier.verify(tampered).findings())
                .extracting(Message::toString)
                .anySatisfy(finding ->
                        assertThat(finding).contains("The appearance of the field lender_signature was changed"));
    }

    @Test
    void anOverlayOnAPageIsNamed() throws Exception {
        byte[] tampered = changed(document -> {
            PDPage page = document.getPage(0);
            try (PDPageContentStream content =
                    new PDPageContentStream(document, page, PDPageContentStream.AppendMode.APPEND, false)) {
                content.beginText();
                content.setFont(new PDType1Font(Standard14Fonts.FontName.HELVETICA_BOLD), 12);
                content.newLineAtOffset(72, 740);
                content.showText("and EUR 99,000.00");
                content.endText();
            }
            return Set.of(page.getCOSObject());
        });
        assertThat(verifier.verify(tampered).findings())
                .extracting(Message::toString)
                .anySatisfy(finding -> assertThat(finding).contains("The content of page 1 was changed"));
    }

    @Test
    void anAddedPageIsNamed() throws Exception {
        byte[] tampered = changed(document -> {
            PDPage page = new PDPage(PDRectangle.A4);
            document.addPage(page);
            return Set.of(page.getCOSObject(), document.getPages().getCOSObject());
        });
        assertThat(verifier.verify(tampered).findings())
                .extracting(Message::toString)
                .anySatisfy(finding -> assertThat(finding).contains("Page 3 was added"));
    }

    @Test
    void anAnnotationLaidOverTheWordsIsNamed() throws Exception {
        byte[] tampered = changed(document -> {
            var note = new org.apache.pdfbox.pdmodel.interactive.annotation.PDAnnotationText();
            note.setContents("void");
            note.setRectangle(new PDRectangle(72, 700, 20, 20));
            document.getPage(1).getAnnotations().add(note);
            return Set.of(document.getPage(1).getCOSObject());
        });
        assertThat(verifier.verify(tampered).findings())
                .extracting(Message::toString)
                .anySatisfy(finding -> assertThat(finding).contains("The content of page 2 was changed"));
    }

    @Test
    void aFileThatIsNoPdfIsReported() {
        assertThat(verifier.verify("not a pdf".getBytes()).intact()).isFalse();
    }

    private interface Tampering {
        Set<? extends org.apache.pdfbox.cos.COSDictionary> with(PDDocument document) throws IOException;
    }

    private static byte[] changed(Tampering tampering) throws IOException {
        try (PDDocument document = Loader.loadPDF(finished)) {
            Set<org.apache.pdfbox.cos.COSDictionary> changed = new java.util.HashSet<>(tampering.with(document));
            ByteArrayOutputStream out = new ByteArrayOutputStream();
            document.saveIncremental(out, changed);
            return out.toByteArray();
        }
    }
}
