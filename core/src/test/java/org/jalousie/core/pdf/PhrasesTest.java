package org.jalousie.core.pdf;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.util.List;
import org.junit.jupiter.api.Test;

class PhrasesTest {
    private static PageWords words(String... lines) throws IOException {
        return PageWords.of(PdfSample.lines(lines));
    }

    @Test
    void wordsAreFoundInWhateverCapitalsAndOverLines() throws IOException {
        PageWords words = words("The Lender’s signature", "and that of the Museum", "the lender's name");
        assertThat(words.places("the lender's SIGNATURE")).hasSize(1);
        assertThat(words.places("signature and that")).hasSize(1);
        assertThat(words.places("the lender's")).hasSize(2);
        assertThat(words.places("  ")).isEmpty();
        assertThat(words.places("museum the lender's name extra")).isEmpty();
    }

    @Test
    void theNearestPhraseIsOneThatStandsOnceAndAsShortAsItCanBe() throws IOException {
        PageWords words = words("Name of the lender", "Name of the museum", "Name of the courier");
        PageWords.Word museum = words.places("museum").get(0);
        assertThat(Phrases.nearest(words, 1, museum.x() + 100, museum.y() - 2, 120, 14))
                .hasValueSatisfying(near -> assertThat(near.words()).isEqualTo("museum"));
        assertThat(Phrases.nearest(words, 2, museum.x(), museum.y(), 10, 10))
                .as("there are no words on that page")
                .isEmpty();
    }

    @Test
    void wordsThatStandOftenAloneAreTakenWithTheirNeighbours() throws IOException {
        PageWords words = words("Signature of the lender", "Signature of the museum");
        PageWords.Word second = words.places("Signature").get(1);
        assertThat(Phrases.nearest(words, 1, second.x(), second.y() + 3, 20, 30))
                .hasValueSatisfying(near -> {
                    assertThat(words.places(near.words())).hasSize(1);
                    assertThat(near.at().y()).isEqualTo(second.y());
                });
    }

    @Test
    void wordsBeforeARoomOnItsLineNameItRatherThanThoseAbove() throws IOException {
        PageWords words = words("Everything above is told elsewhere", "Instrument");
        PageWords.Word instrument = words.places("Instrument").get(0);
        assertThat(Phrases.nearest(words, 1, instrument.x() + 130, instrument.y() - 4, 200, 100))
                .hasValueSatisfying(near -> assertThat(near.words()).isEqualTo("Instrument"));
    }

    @Test
    void whatIsMostLikeAPhraseIsNamed() throws IOException {
        PageWords words = words("The courier signs here", "The museum signs there");
        assertThat(Phrases.alike(words, "The couriers sign here")).startsWith("The courier signs here");
        assertThat(Phrases.alike(words, "nothing of the kind")).isEqualTo(List.of());
    }
}
