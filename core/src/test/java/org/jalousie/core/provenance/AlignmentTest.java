package org.jalousie.core.provenance;

import static org.assertj.core.api.Assertions.assertThat;
import static org.junit.jupiter.api.Assertions.assertTimeoutPreemptively;

import java.time.Duration;
import java.util.ArrayList;
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

    /** A table of thousands of rows between two places that differ: neither memory nor time without end. */
    @Test
    void thousandsOfParagraphsAreAlignedInTime() {
        List<String> file = new ArrayList<>(List.of("first, as it was"));
        List<String> shown = new ArrayList<>(List.of("contents 1", "contents 2"));
        for (int i = 0; i < 9000; i++) {
            file.add("row " + i % 50);
            shown.add(i + ". row " + i % 50);
        }
        file.add("last, as it was");
        shown.add("something else");
        int[] partner = assertTimeoutPreemptively(
                Duration.ofSeconds(20),
                () -> Alignment.of(paragraphs(file.toArray(String[]::new)), paragraphs(shown.toArray(String[]::new))));
        for (int i = 1; i <= 9000; i++) assertThat(partner[i]).isEqualTo(i + 1);
        assertThat(partner[0]).isEqualTo(-1);
    }

    @Test
    void thousandsThatAllDifferAreGivenUpInTime() {
        List<String> file = new ArrayList<>();
        List<String> shown = new ArrayList<>();
        for (int i = 0; i < 4000; i++) {
            file.add("the quick brown fox jumps over " + i);
            shown.add("pack my box with five dozen jugs " + i);
        }
        assertTimeoutPreemptively(
                Duration.ofSeconds(20),
                () -> Alignment.of(paragraphs(file.toArray(String[]::new)), paragraphs(shown.toArray(String[]::new))));
    }

    /** A contents list that was made anew stands before the value whose letters its last line ends with. */
    @Test
    void aParagraphIsNotTheEndOfAnotherOne() {
        assertThat(Alignment.of(paragraphs("10"), paragraphs("chapter 10", "10")))
                .containsExactly(1);
        assertThat(Alignment.of(paragraphs("10", "x"), paragraphs("10", "chapter 10", "x")))
                .containsExactly(0, 2);
    }

    @Test
    void nothingIsOnePartner() {
        assertThat(Alignment.of(List.of(), paragraphs("a"))).isEmpty();
        assertThat(Alignment.of(paragraphs("a"), List.of())).containsExactly(-1);
    }
}
