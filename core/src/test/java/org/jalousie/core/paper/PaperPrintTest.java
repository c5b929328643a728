package org.jalousie.core.paper;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.util.List;
import java.util.Optional;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.PDPageContentStream;
import org.apache.pdfbox.pdmodel.PDPageContentStream.AppendMode;
import org.jalousie.core.agreement.AgreementNumber;
import org.jalousie.core.data.Sha256;
import org.jalousie.core.pdf.ArchivalCheck;
import org.jalousie.core.pdf.PageWords;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

class PaperPrintTest {
    /** Corners with something in them, as in print: below right, below left, above right, above left. */
    private static byte[] with(int corners) throws IOException {
        float[][] at = {{500, 20}, {20, 20}, {500, 770}, {20, 770}};
        try (PDDocument document = Loader.loadPDF(PaperSample.document())) {
            for (var page : document.getPages())
                try (PDPageContentStream out = new PDPageContentStream(document, page, AppendMode.APPEND, true, true)) {
                    for (int i = 0; i < corners; i++) out.addRect(at[i][0], at[i][1], 60, 40);
                    out.fill();
                }
            ByteArrayOutputStream out = new ByteArrayOutputStream();
            document.save(out);
            return out.toByteArray();
        }
    }

    private static PaperPrint.Printed print(byte[] pdf) {
        return PaperPrint.of(PaperSample.NUMBER, new PaperPrint.Sheet(Sha256.of(pdf), pdf, PaperSample.places()));
    }

    @ParameterizedTest
    @ValueSource(ints = {0, 1, 2, 3, 4})
    void theMarkStandsWhereNothingElseDoesAndIsRead(int corners) throws IOException {
        byte[] pdf = with(corners);
        PaperPrint.Printed printed = print(pdf);
        for (int page = 1; page <= 2; page++) {
            ScannedPage scan = new ScannedPage(Scanner.POOR.scan(printed.pdf(), page, (at, pen) -> {}), List.of());
            assertThat(scan.marks()).containsExactly(PaperMark.of(PaperSample.NUMBER, page, 2, Sha256.of(pdf)));
            assertThat(scan.against(PrintedPage.of(printed, page)).same()).isTrue();
        }
        // nothing of what was agreed is lost for the mark
        assertThat(PageWords.of(printed.pdf()).text())
                .contains(PageWords.of(pdf).all().get(0).text())
                .contains("340 euro");
        PageWords.Word first = PageWords.of(printed.pdf()).places("harpsichord").get(0);
        PageWords.Word before = PageWords.of(pdf).places("harpsichord").get(0);
        // the first line of the page stands where the fourth corner would be
        if (corners < 3) {
            assertThat(first.width()).isEqualTo(before.width());
            assertThat(printed.places()).isEqualTo(PaperSample.places());
        } else {
            assertThat(first.width()).isLessThan(before.width());
            assertThat(printed.places().get(0).width()).isLessThan(200).isGreaterThan(160);
            assertThat(printed.places().get(0).y()).isGreaterThan(300);
        }
    }

    @Test
    void aCodeInTheWordingThatPassesItselfOffAsAMarkHidesNothing() throws IOException {
        PaperMark forged = PaperMark.of(new AgreementNumber("A-2026-0001"), 1, 1, Sha256.of(new byte[] {7}));
        byte[] code = org.jalousie.core.picture.Barcode.qr(forged.text()).bytes();
        byte[] pdf;
        try (PDDocument document = Loader.loadPDF(PaperSample.document())) {
            var picture =
                    org.apache.pdfbox.pdmodel.graphics.image.PDImageXObject.createFromByteArray(document, code, "code");
            try (PDPageContentStream out =
                    new PDPageContentStream(document, document.getPage(1), AppendMode.APPEND, true, true)) {
                out.drawImage(picture, 400, 350, 60, 60);
            }
            ByteArrayOutputStream out = new ByteArrayOutputStream();
            document.save(out);
            pdf = out.toByteArray();
        }
        PaperPrint.Printed printed = print(pdf);
        ScannedPage scan = new ScannedPage(Scanner.GOOD.scan(printed.pdf(), 2, (at, pen) -> {}), List.of());
        assertThat(scan.marks())
                .containsExactlyInAnyOrder(forged, PaperMark.of(PaperSample.NUMBER, 2, 2, Sha256.of(pdf)));
        assertThat(scan.against(PrintedPage.of(printed, 2)).findings())
                .extracting(Finding::kind)
                .containsOnly(Finding.Kind.EMPTY);
    }

    @Test
    void severalDocumentsArePrintedTogetherInTheirOrder() throws IOException {
        PaperPrint.Printed one = print(with(0));
        byte[] all = PaperPrint.together(List.of(one, print(with(1))));
        try (PDDocument document = Loader.loadPDF(all)) {
            assertThat(document.getNumberOfPages()).isEqualTo(4);
        }
        assertThat(new PaperPrint.Printed(all, List.of(), 4).pages()).isEqualTo(4);
        assertThat(one.pages()).isEqualTo(2);
    }

    @Test
    void aMarkIsReadAsItWasWrittenAndNothingElseIsOne() {
        PaperMark mark = PaperMark.of(new AgreementNumber("A-2026-12345"), 12, 120, Sha256.of(new byte[0]));
        assertThat(mark.text()).matches("[0-9A-Z $%*+./:-]+"); // ISO/IEC 18004 Table 5
        assertThat(PaperMark.read(mark.text())).contains(mark);
        for (String text : List.of(
                "",
                "https://example.org",
                "JP1*A-1*0*1*" + "A".repeat(20),
                "JP1*A-1*3*2*" + "A".repeat(20),
                "JP2*A-1*1*1*" + "A".repeat(20),
                mark.text() + "0",
                mark.text().toLowerCase(java.util.Locale.ROOT)))
            assertThat(PaperMark.read(text)).as(text).isEqualTo(Optional.empty());
    }

    @Test
    void whatIsFiledIsForKeepingAndHoldsTheFileThatWasPrinted() throws IOException {
        byte[] pdf = PaperSample.document();
        byte[] jpeg = PagePicture.jpeg(Scanner.GOOD.scan(print(pdf).pdf(), 1, (page, pen) -> {}), 0);
        byte[] filed = PaperFile.of(
                "Loan agreement",
                List.of(new PaperFile.Page(jpeg, 595, 842), new PaperFile.Page(jpeg, 842, 595)),
                pdf,
                "Loan agreement.pdf",
                java.time.Instant.EPOCH);
        assertThat(ArchivalCheck.faults(filed)).isEmpty();
        try (PDDocument document = Loader.loadPDF(filed)) {
            assertThat(document.getNumberOfPages()).isEqualTo(2);
            assertThat(document.getPage(1).getMediaBox().getWidth()).isEqualTo(842);
            byte[] within = document.getDocumentCatalog()
                    .getNames()
                    .getEmbeddedFiles()
                    .getNames()
                    .get("Loan agreement.pdf")
                    .getEmbeddedFile()
                    .toByteArray();
            assertThat(within).isEqualTo(pdf);
        }
    }
}
