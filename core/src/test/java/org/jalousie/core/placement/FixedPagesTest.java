package org.jalousie.core.placement;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.util.List;
import java.util.Map;
import java.util.Set;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.common.PDRectangle;
import org.apache.pdfbox.pdmodel.interactive.form.PDField;
import org.apache.pdfbox.pdmodel.interactive.form.PDSignatureField;
import org.apache.pdfbox.text.PDFTextStripper;
import org.jalousie.core.lettering.TypeStyle;
import org.jalousie.core.messages.Message;
import org.jalousie.core.parties.PartyKey;
import org.jalousie.core.pdf.ArchivalCheck;
import org.jalousie.core.pdf.PageWords;
import org.jalousie.core.pdf.PdfIntake;
import org.jalousie.core.pdf.PdfSample;
import org.junit.jupiter.api.Test;

class FixedPagesTest {
    private static final PartyKey LENDER = new PartyKey("lender");
    private static final PartyKey MUSEUM = new PartyKey("museum");
    private static final SigningField SIGNATURE =
            new SigningField("lender_signature", LENDER, "signature", new SignaturePlace());
    private static final SigningField INITIALS =
            new SigningField("museum_initials", MUSEUM, "initials", new InitialsPlace());

    private static byte[] form() throws IOException {
        return PdfIntake.take(PdfSample.form(), "Form", false).pdf();
    }

    private static FixedPages.Made made(
            byte[] pdf, List<DocumentPlace> places, List<DataPlace> data, Set<PartyKey> without) {
        return FixedPages.make(
                new FixedPages.Sheet(pdf, () -> PageWords.of(pdf), places, data),
                Map.of(SIGNATURE.name(), SIGNATURE, INITIALS.name(), INITIALS),
                place -> place.tag().equals("nothing") ? "" : "Ida Márquez, " + place.tag(),
                without,
                List.of());
    }

    private static DataPlace datum(String tag, Spot spot, double width, double height, DataPlace.Fit fit) {
        return new DataPlace(
                tag, "", spot, new BoxSize(width, height), 11, TypeStyle.SERIF, DataPlace.Align.RIGHT, fit);
    }

    @Test
    void whatIsPutOnAPageStandsWhereItWasPut() throws IOException {
        FixedPages.Made made = made(
                form(),
                List.of(new DocumentPlace("lender_signature", new Spot.OnPage(1, 20, 30))),
                List.of(),
                Set.of());
        PlacedField placed = made.pages().fields().get(0);
        BoxSize size = SIGNATURE.type().size();
        assertThat(placed.x()).isEqualTo(20 * 72 / 25.4);
        assertThat(placed.y() + placed.height())
                .isEqualTo(made.pages().sizes().get(0).height() - 30 * 72 / 25.4);
        assertThat(placed.width()).isEqualTo(size.widthMm() * 72 / 25.4);
        try (PDDocument pdf = Loader.loadPDF(made.pdf())) {
            PDField field = pdf.getDocumentCatalog().getAcroForm().getField("lender_signature");
            assertThat(field).isInstanceOf(PDSignatureField.class);
            PDRectangle at = field.getWidgets().get(0).getRectangle();
            assertThat(at.getLowerLeftX()).isCloseTo((float) placed.x(), org.assertj.core.data.Offset.offset(0.01f));
            assertThat(pdf.getDocumentCatalog().getAcroForm().getField("courier_name"))
                    .as("the form that the file brought is gone")
                    .isNull();
        }
        assertThat(ArchivalCheck.faults(made.pdf())).isEmpty();
    }

    @Test
    void aPlaceGoesWithTheWordsThatItHangsOn() throws IOException {
        byte[] now = form();
        byte[] newer = PdfIntake.take(PdfSample.newerForm(), "Form", false).pdf();
        PageWords words = PageWords.of(now);
        PageWords.Word at = words.places("Signed by the lender").get(0);
        Spots spots = new Spots(List.of(new Pages.Size(595.28, 841.89)), () -> words);
        Spot spot = spots.tied(new Spots.Box(1, at.x() + 10, at.y() - 60, 140, 40));
        assertThat(spot)
                .isInstanceOfSatisfying(
                        Spot.ByWords.class,
                        by -> assertThat(by.words())
                                .isSubstringOf("Signed by the lender")
                                .isNotEqualTo("Signed"));
        assertThat(spots.find(spot, new BoxSize(140 * 25.4 / 72, 40 * 25.4 / 72)))
                .hasValueSatisfying(box -> {
                    assertThat(box.x()).isCloseTo(at.x() + 10, org.assertj.core.data.Offset.offset(0.02));
                    assertThat(box.y()).isCloseTo(at.y() - 60, org.assertj.core.data.Offset.offset(0.02));
                });
        PageWords.Word there =
                PageWords.of(newer).places("Signed by the lender").get(0);
        PlacedField placed = made(newer, List.of(new DocumentPlace("lender_signature", spot)), List.of(), Set.of())
                .pages()
                .fields()
                .get(0);
        assertThat(placed.page()).isEqualTo(2);
        assertThat(placed.x()).isCloseTo(there.x() + 10, org.assertj.core.data.Offset.offset(0.02));
    }

    @Test
    void wordsThatStandNeverOrOftenAreNamedWithWhatIsLikeThem() throws IOException {
        PageWords words = PageWords.of(form());
        Spots spots = new Spots(List.of(new Pages.Size(595, 842)), () -> words);
        assertThat(spots.fault(new Spot.ByWords("Signed by the lenders", 0, 0), "The signature"))
                .map(Message::toString)
                .hasValueSatisfying(said -> assertThat(said).contains("“Signed by the lender”"));
        assertThat(spots.fault(new Spot.ByWords("Signed by", 0, 0), "The signature"))
                .map(Message::code)
                .hasValue("spot.words-often");
        assertThat(spots.fault(new Spot.ByWords("quite other words", 0, 0), "The signature"))
                .map(Message::code)
                .hasValue("spot.words-gone");
        assertThat(spots.fault(new Spot.OnPage(2, 0, 0), "The signature"))
                .map(Message::code)
                .hasValue("spot.no-page");
        assertThat(spots.find(new Spot.OnPage(2, 0, 0), new BoxSize(10, 10))).isEmpty();
        assertThat(spots.find(new Spot.Open(), new BoxSize(10, 10))).isEmpty();
    }

    @Test
    void severalPlacesOfOneFieldShowItsOneAnswer() throws IOException {
        List<PlacedField> placed = made(
                        form(),
                        List.of(
                                new DocumentPlace("museum_initials", new Spot.OnPage(1, 20, 200)),
                                new DocumentPlace("lender_signature", new Spot.OnPage(1, 20, 30)),
                                new DocumentPlace("museum_initials", new Spot.OnPage(1, 60, 200))),
                        List.of(),
                        Set.of())
                .pages()
                .fields();
        assertThat(placed)
                .extracting(one -> one.field().name())
                .containsExactly("museum_initials", "lender_signature", "museum_initials_2");
        assertThat(placed.get(2).field().answeredBy()).isEqualTo("museum_initials");
    }

    @Test
    void whoTakesNoPartHasNoPlace() throws IOException {
        FixedPages.Made made = made(
                form(),
                List.of(
                        new DocumentPlace("museum_initials", new Spot.OnPage(1, 20, 200)),
                        new DocumentPlace("lender_signature", new Spot.OnPage(1, 20, 30))),
                List.of(),
                Set.of(MUSEUM));
        assertThat(made.pages().fields()).extracting(one -> one.field().party()).containsExactly(LENDER);
    }

    @Test
    void dataArePrintedInTheirRoomAtTheirSide() throws IOException {
        FixedPages.Made made = made(
                form(),
                List.of(),
                List.of(
                        datum("name", new Spot.OnPage(1, 100, 60), 80, 7, DataPlace.Fit.SHRINK),
                        datum("nothing", new Spot.OnPage(1, 100, 80), 80, 7, DataPlace.Fit.SHRINK)),
                Set.of());
        assertThat(made.faults()).isEmpty();
        assertThat(made.prints()).hasSize(2);
        PageWords.Word last = PageWords.of(made.pdf()).places("name").stream()
                .filter(word -> word.x() > 300)
                .findFirst()
                .orElseThrow();
        double right = 180 * 72 / 25.4;
        assertThat(last.x() + last.width()).isBetween(right - 4, right);
        double top = made.pages().sizes().get(0).height() - 60 * 72 / 25.4;
        assertThat(last.y()).isBetween(top - 7 * 72 / 25.4, top);
        try (PDDocument pdf = Loader.loadPDF(made.pdf())) {
            assertThat(new PDFTextStripper().getText(pdf))
                    .contains("Ida Márquez, name")
                    .doesNotContain("nothing");
        }
        assertThat(ArchivalCheck.faults(made.pdf())).isEmpty();
    }

    @Test
    void whatDoesntFitEvenInSmallLettersIsSaid() throws IOException {
        String longTag = "a".repeat(200);
        FixedPages.Made made = made(
                form(),
                List.of(),
                List.of(datum(longTag, new Spot.OnPage(1, 20, 60), 30, 5, DataPlace.Fit.SHRINK)),
                Set.of());
        assertThat(made.faults()).extracting(Message::code).containsExactly("data-place.too-long");
        assertThat(made(
                                form(),
                                List.of(),
                                List.of(datum(longTag, new Spot.OnPage(1, 20, 60), 120, 40, DataPlace.Fit.WRAP)),
                                Set.of())
                        .faults())
                .isEmpty();
    }
}
