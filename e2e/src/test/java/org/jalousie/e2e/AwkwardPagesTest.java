package org.jalousie.e2e;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.util.List;
import java.util.Locale;
import java.util.Set;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.text.PDFTextStripper;
import org.jalousie.core.wording.AwkwardFiles;
import org.jalousie.core.wording.WordFile;
import org.jalousie.core.wording.Wording;
import org.jalousie.server.adapters.Converter;
import org.jalousie.server.testbed.Testbed;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;

/** The awkward Word files on their pages: the same words on as many pages as with the words typed. */
class AwkwardPagesTest {
    private static final Converter CONVERTER = Testbed.start().bean(Converter.class);

    /** One cut tag in each place is enough here; core has them all. */
    static List<AwkwardFiles.Case> all() {
        return AwkwardFiles.all().stream()
                .filter(one -> one.typed() != null)
                .filter(one ->
                        !one.name().startsWith("a tag cut ") || one.name().startsWith("a tag cut in three"))
                .toList();
    }

    private record Pages(int number, String words) {}

    private static Pages pages(byte[] pdf) throws IOException {
        try (PDDocument document = Loader.loadPDF(pdf)) {
            return new Pages(
                    document.getNumberOfPages(),
                    new PDFTextStripper()
                            .getText(document)
                            .replaceAll("\\s+", " ")
                            .strip());
        }
    }

    @ParameterizedTest
    @MethodSource("all")
    void thePagesAreThoseOfTheTypedFile(AwkwardFiles.Case one) throws IOException {
        byte[] merged =
                Wording.compile(WordFile.open(one.template()), Set.of()).merge(AwkwardFiles.values(), Locale.UK);
        assertThat(pages(CONVERTER.toPdf(merged))).isEqualTo(pages(CONVERTER.toPdf(one.typed())));
    }
}
