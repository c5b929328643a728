package org.jalousie.core.wording;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import org.jalousie.core.wording.Redline.Fate;
import org.jalousie.core.wording.Redline.Piece;
import org.jalousie.core.wording.write.WordDraft;
import org.junit.jupiter.api.Test;

class RedlineTest {
    private static List<Redline.Line> between(WordDraft before, WordDraft after) {
        return Redline.between(WordFile.open(before.bytes()), WordFile.open(after.bytes()));
    }

    @Test
    void changedWordsAreShownWithinTheirParagraphAndTagsStayWhole() {
        List<Redline.Line> lines = between(
                new WordDraft().paragraph("Same.").paragraph("Lent for 30 days by {{lender_name}}."),
                new WordDraft().paragraph("Same.").paragraph("Lent for 60 days by {{lender}}."));
        assertThat(lines).hasSize(2);
        assertThat(lines.get(0).changed()).isFalse();
        assertThat(lines.get(1).pieces())
                .containsExactly(
                        new Piece(Fate.SAME, "Lent for "),
                        new Piece(Fate.WENT, "30"),
                        new Piece(Fate.CAME, "60"),
                        new Piece(Fate.SAME, " days by "),
                        new Piece(Fate.WENT, "{{lender_name}}"),
                        new Piece(Fate.CAME, "{{lender}}"),
                        new Piece(Fate.SAME, "."));
    }

    @Test
    void paragraphsThatCameOrWentAreWhole() {
        List<Redline.Line> lines = between(
                new WordDraft().header("old").paragraph("a").paragraph("b").paragraph("c"),
                new WordDraft().header("new").paragraph("a").paragraph("c").paragraph("d"));
        assertThat(lines.stream().filter(Redline.Line::changed))
                .extracting(Redline.Line::part, line -> line.pieces().get(0))
                .containsExactly(
                        org.assertj.core.groups.Tuple.tuple("body", new Piece(Fate.WENT, "b")),
                        org.assertj.core.groups.Tuple.tuple("body", new Piece(Fate.CAME, "d")),
                        org.assertj.core.groups.Tuple.tuple("header", new Piece(Fate.WENT, "old")));
    }

    /** Taking only what stayed and went gives the old text back; what stayed and came, the new one. */
    @Test
    void bothTextsCanBeReadBackFromIt() {
        java.util.Random random = new java.util.Random(11);
        String[] words = {"loan", "of", "a", "viol", "{{x}}", ",", "and", "bow"};
        for (int i = 0; i < 200; i++) {
            String old = text(random, words);
            String now = text(random, words);
            List<Redline.Line> lines = between(new WordDraft().paragraph(old), new WordDraft().paragraph(now));
            assertThat(read(lines, Fate.CAME)).isEqualTo(old);
            assertThat(read(lines, Fate.WENT)).isEqualTo(now);
        }
    }

    private static String text(java.util.Random random, String[] words) {
        StringBuilder text = new StringBuilder("x");
        int n = random.nextInt(12);
        for (int i = 0; i < n; i++) text.append(' ').append(words[random.nextInt(words.length)]);
        return text.toString();
    }

    private static String read(List<Redline.Line> lines, Fate without) {
        StringBuilder text = new StringBuilder();
        for (Redline.Line line : lines) {
            if (!line.part().equals("body")) continue;
            line.pieces().stream().filter(piece -> piece.fate() != without).forEach(piece -> text.append(piece.text()));
        }
        return text.toString();
    }
}
