package org.jalousie.core.wording;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.Optional;
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
                        words(Fate.SAME, "Lent for "),
                        words(Fate.WENT, "30"),
                        words(Fate.CAME, "60"),
                        words(Fate.SAME, " days by "),
                        tag(Fate.WENT, "{{lender_name}}", Mention.Kind.VALUE, "lender_name"),
                        tag(Fate.CAME, "{{lender}}", Mention.Kind.VALUE, "lender"),
                        words(Fate.SAME, "."));
    }

    private static Piece words(Fate fate, String text) {
        return new Piece(fate, text, Optional.empty());
    }

    private static Piece tag(Fate fate, String text, Mention.Kind kind, String name, String... within) {
        return new Piece(fate, text, Optional.of(new Mention(kind, name, List.of(within))));
    }

    @Test
    void tagsKnowTheSectionsTheyStandInFromParagraphToParagraph() {
        WordDraft draft = new WordDraft()
                .paragraph("{{#objects}}")
                .paragraph("{{name}} {{^parts}}alone{{/parts}} {{#case.hard}}{{=<% %>=}}<%weight%>")
                .paragraph("<%/case.hard%><%={{ }}=%>{{/objects}} {{>cover}}{{>*chosen}}{{lender.signature}} {{lost");
        assertThat(between(draft, draft))
                .allSatisfy(line -> assertThat(line.changed()).isFalse());
        assertThat(Redline.of(WordFile.open(draft.bytes()))).isEqualTo(between(draft, draft));
        assertThat(between(draft, draft).stream().flatMap(line -> line.pieces().stream()))
                .containsExactly(
                        tag(Fate.SAME, "{{#objects}}", Mention.Kind.OPEN, "objects"),
                        tag(Fate.SAME, "{{name}}", Mention.Kind.VALUE, "name", "objects"),
                        words(Fate.SAME, " "),
                        tag(Fate.SAME, "{{^parts}}", Mention.Kind.UNLESS, "parts", "objects"),
                        words(Fate.SAME, "alone"),
                        tag(Fate.SAME, "{{/parts}}", Mention.Kind.CLOSE, "parts", "objects"),
                        words(Fate.SAME, " "),
                        tag(Fate.SAME, "{{#case.hard}}", Mention.Kind.OPEN, "case.hard", "objects"),
                        words(Fate.SAME, "{{=<% %>=}}"),
                        tag(Fate.SAME, "<%weight%>", Mention.Kind.VALUE, "weight", "case.hard", "objects"),
                        tag(Fate.SAME, "<%/case.hard%>", Mention.Kind.CLOSE, "case.hard", "objects"),
                        words(Fate.SAME, "<%={{ }}=%>"),
                        tag(Fate.SAME, "{{/objects}}", Mention.Kind.CLOSE, "objects"),
                        words(Fate.SAME, " "),
                        tag(Fate.SAME, "{{>cover}}", Mention.Kind.CLAUSE, "cover"),
                        tag(Fate.SAME, "{{>*chosen}}", Mention.Kind.CHOSEN_CLAUSE, "chosen"),
                        tag(Fate.SAME, "{{lender.signature}}", Mention.Kind.VALUE, "lender.signature"),
                        words(Fate.SAME, " {{lost"));
    }

    @Test
    void paragraphsThatCameOrWentAreWhole() {
        List<Redline.Line> lines = between(
                new WordDraft().header("old").paragraph("a").paragraph("b").paragraph("c"),
                new WordDraft().header("new").paragraph("a").paragraph("c").paragraph("d"));
        assertThat(lines.stream().filter(Redline.Line::changed))
                .extracting(Redline.Line::part, line -> line.pieces().get(0))
                .containsExactly(
                        org.assertj.core.groups.Tuple.tuple("body", words(Fate.WENT, "b")),
                        org.assertj.core.groups.Tuple.tuple("body", words(Fate.CAME, "d")),
                        org.assertj.core.groups.Tuple.tuple("header", words(Fate.WENT, "old")));
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
