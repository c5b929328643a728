package org.jalousie.core.proof;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.time.Instant;
import java.util.List;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.text.PDFTextStripper;
import org.jalousie.core.evidence.Sealer;
import org.jalousie.core.evidence.SignedSample;
import org.jalousie.core.evidence.TestTrust;
import org.junit.jupiter.api.Test;

class SpecimenMarkTest {
    @Test
    void everyPageSaysThatItIsASpecimenAndNothingCanBeSigned() throws Exception {
        byte[] placed = SignedSample.placed();
        assertThat(SpecimenMark.isOn(placed)).isFalse();
        byte[] marked = SpecimenMark.put(placed, "Longest \u4e2d");
        assertThat(SpecimenMark.isOn(marked)).isTrue();
        byte[] joined = SpecimenMark.joined(List.of(marked, marked));
        assertThat(SpecimenMark.isOn(joined)).isTrue();
        try (PDDocument document = Loader.loadPDF(joined)) {
            assertThat(document.getDocumentCatalog().getAcroForm()).isNull();
            PDFTextStripper stripper = new PDFTextStripper();
            for (int page = 1; page <= document.getNumberOfPages(); page++) {
                assertThat(document.getPage(page - 1).getAnnotations()).isEmpty();
                stripper.setStartPage(page);
                stripper.setEndPage(page);
                assertThat(stripper.getText(document).replaceAll("\\s", ""))
                        .contains("SPECIMEN", "testdata,notanagreement\u2013Longest?");
            }
        }
    }

    @Test
    void aSpecimenIsNeverSealed() throws Exception {
        byte[] marked = SpecimenMark.put(SignedSample.placed(), "Usual");
        Sealer sealer = new Sealer(new TestTrust());
        assertThatThrownBy(() -> sealer.sealByOffice(marked, Instant.parse("2027-03-15T09:00:00Z")))
                .hasMessageContaining("never sealed");
    }
}
