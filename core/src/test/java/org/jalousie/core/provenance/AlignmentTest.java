package org.jalousie.core.provenance;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.Arrays;
import java.util.List;
import org.junit.jupiter.api.Test;

class AlignmentTest {
    private static List<Letters> paragraphs(String... texts) {
        return Arrays.stream(texts)
                .map(text -> {
                    Letters letters = new Letters();
                    letters.add(text, 0);
                    return letters;
                })
                .toList();
    }

    @Test
    void equalParagraphsFollowOneAnother() {
        List<Letters> file = paragraphs("the museum", "10", "the museum", "10", "10");
        assertThat(Alignment.of(file, paragraphs("the museum", "10", "the museum", "10", "10")))
                .containsExactly(0, 1, 2, 3, 4);
    }

    @Test
    void numbersBeforeParagraphsAreNotTheirs() {
        assertThat(Alignment.of(paragraphs("first", "second"), paragraphs("1. First", "(a) second")))
                .containsExactly(0, 1);
    }

    @Test
    void whatOnlyOneSideHasIsPassedOver() {
        assertThat(Alignment.of(
                        paragraphs("title", "hidden from print", "body", "end"),
                        paragraphs("title", "contents . . . 1", "contents . . . 2", "body", "end")))
                .containsExactly(0, -1, 3, 4);
    }

    @Test
    void aParagraphWithAResultMadeAnewIsKnownByTheRest() {
        assertThat(Alignment.of(
                        paragraphs("a", "see Last Year’s Lender on page 44 of the agreement", "b"),
                        paragraphs("a", "see Ida Marsh on page 1 of the agreement", "b")))
                .containsExactly(0, 1, 2);
    }

    @Test
    void whatIsLeftIsForTheNotes() {
        List<Letters> pages = paragraphs("a", "note", "b");
        int[] partner = Alignment.of(paragraphs("a", "b"), pages);
        assertThat(Alignment.left(pages, partner)).extracting(Letters::toString).containsExactly("note");
    }

    @Test
    void nothingIsOnePartner() {
        assertThat(Alignment.of(List.of(), paragraphs("a"))).isEmpty();
        assertThat(Alignment.of(paragraphs("a"), List.of())).containsExactly(-1);
    }
}
