package org.jalousie.core.provenance;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.Random;
import org.junit.jupiter.api.Test;

class LetterPairsTest {
    private static Letters letters(String text) {
        Letters letters = new Letters();
        letters.add(text, 0);
        return letters;
    }

    private static int[] pairs(String file, String page) {
        return LetterPairs.of(letters(file), letters(page));
    }

    @Test
    void behindANumberAllFollowOneAfterTheOther() {
        assertThat(pairs("ab", "12.ab")).containsExactly(3, 4);
        assertThat(pairs("1 copy", "1.1 copy"))
                .as("the number is not the value")
                .containsExactly(2, 3, 4, 5, 6);
    }

    @Test
    void whatIsOnOneSideOnlyHasNoPartner() {
        assertThat(pairs("page 44 of 99", "page 1 of 2")).startsWith(0, 1, 2, 3).contains(-1);
        assertThat(pairs("ab", "")).containsExactly(-1, -1);
        assertThat(pairs("", "ab")).isEmpty();
        assertThat(pairs("abc", "xyz")).containsExactly(-1, -1, -1);
    }

    @Test
    void aDividedWordIsTheSameWord() {
        assertThat(pairs("Vereinbarung", "Verein-barung")).containsExactly(0, 1, 2, 3, 4, 5, 7, 8, 9, 10, 11, 12);
    }

    /** Whatever is put in and taken out: pairs are of the same letter and never cross. */
    @Test
    void pairsAreOfOneLetterAndInOrder() {
        Random random = new Random(20261126);
        for (int round = 0; round < 500; round++) {
            StringBuilder file = new StringBuilder();
            StringBuilder page = new StringBuilder();
            int same = 0;
            for (int i = random.nextInt(60); i >= 0; i--) {
                char letter = (char) ('a' + random.nextInt(4));
                int what = random.nextInt(6);
                if (what != 0) file.append(letter);
                if (what != 1) page.append(letter);
                if (what > 1) same++;
            }
            int[] pairs = pairs(file.toString(), page.toString());
            int last = -1;
            int paired = 0;
            for (int i = 0; i < pairs.length; i++) {
                if (pairs[i] < 0) continue;
                assertThat(page.charAt(pairs[i])).isEqualTo(file.charAt(i));
                assertThat(pairs[i]).isGreaterThan(last);
                last = pairs[i];
                paired++;
            }
            assertThat(paired).as(file + " and " + page).isGreaterThanOrEqualTo(same);
        }
    }

    @Test
    void lettersInCommonAreCountedAsOftenAsBothHaveThem() {
        assertThat(letters("aab").inCommon(letters("abbb"))).isEqualTo(2);
        assertThat(letters("").inCommon(letters("a"))).isZero();
        assertThat(letters("abcd").without(new boolean[] {true, false, true, false}))
                .hasToString("bd");
    }

    @Test
    void textsThatHaveNothingInCommonAreGivenUpInTime() {
        int[] pairs = pairs("a".repeat(3000), "b".repeat(3000));
        assertThat(pairs).containsOnly(-1);
    }
}
