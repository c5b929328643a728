package org.jalousie.core.wording.edit;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.List;
import java.util.Map;
import java.util.Set;
import org.jalousie.core.wording.DocxText;
import org.jalousie.core.wording.WordFile;
import org.jalousie.core.wording.Wording;
import org.jalousie.core.wording.write.WordDraft;
import org.junit.jupiter.api.Test;

class WordsEditTest {
    private static final Map<String, String> SHOWN =
            Map.of("lender", "Ida Marsh", "ends", "2027-03-01", "ends.long", "1 March 2027");

    private static final WordFile LOAN = WordFile.open(new WordDraft()
            .runs(List.of(
                    new WordDraft.Run("", "The lender {{lender}} keeps it "),
                    new WordDraft.Run("<w:b/>", "cool and dry"),
                    new WordDraft.Run("", " until {{ends.long}}, or longer.")))
            .paragraph("{{#abroad}}")
            .paragraph("It crosses a border.")
            .paragraph("{{/abroad}}")
            .paragraph("Kept dry.")
            .paragraph("Kept dry.")
            .paragraph("{{owner.signature}}")
            .bytes());

    private static Selection words(String text) {
        return new Selection(text, "", "");
    }

    private static WordFile replaced(Selection words, String instead) {
        return WordsEdit.replace(LOAN, words, instead, Set.of("owner"), SHOWN);
    }

    private static String body(WordFile file) {
        return DocxText.body(file.bytes());
    }

    @Test
    void wordsGiveWayToOthersInTheirLook() {
        WordFile changed = replaced(words("cool and dry"), "at 18 degrees\n& not damp");
        assertThat(body(changed)).startsWith("The lender {{lender}} keeps it at 18 degrees");
        assertThat(DocxText.xml(changed.bytes(), "word/document.xml"))
                .contains("<w:b/></w:rPr><w:t xml:space=\"preserve\">at 18 degrees</w:t><w:br/>")
                .contains("&amp; not damp");
        assertThat(Wording.compile(WordFile.open(changed.bytes()), Set.of()).diagnostics())
                .isEmpty();
    }

    @Test
    void struckWordsTakeABlankAlongAndAnEmptyParagraphGoes() {
        assertThat(body(replaced(words("cool and"), ""))).contains("keeps it dry until");
        assertThat(body(replaced(new Selection("Kept dry.", "border. Kept dry.", ""), "")))
                .containsOnlyOnce("Kept dry.")
                .doesNotContain("\n\n");
    }

    @Test
    void aWholePassageOfParagraphsGivesWay() {
        WordFile changed = replaced(words("Kept dry. Kept dry."), "Kept as it came.");
        assertThat(body(changed)).contains("Kept as it came.").doesNotContain("Kept dry");
    }

    /** The pages show a value as its tag prints it. */
    @Test
    void aValueGoesWithTheWordsAroundItAndIsFoundByItsPrint() {
        assertThat(body(replaced(words("until 1 March 2027, or longer"), "for good")))
                .contains("for good.")
                .doesNotContain("ends");
        assertThat(body(replaced(new Selection("or longer", "1 March 2027,", "."), "at the latest")))
                .contains("{{ends.long}}, at the latest.");
    }

    @Test
    void whatIsMoreThanWordsIsLeftAlone() {
        assertThatThrownBy(() -> replaced(words("longer. It crosses"), "x"))
                .isInstanceOf(EditRefused.class)
                .hasMessageContaining("passage");
        assertThatThrownBy(() -> replaced(new Selection("Kept dry.", "", ""), "x"))
                .as("two places alike")
                .isInstanceOf(EditRefused.class);
        assertThatThrownBy(() -> replaced(words("nowhere at all"), "x")).isInstanceOf(EditRefused.class);
    }

    @Test
    void noTagComesThatWay() {
        assertThatThrownBy(() -> replaced(words("cool and dry"), "with {{lender}}"))
                .isInstanceOf(EditRefused.class)
                .hasMessageContaining("tag");
        WordFile other = WordFile.open(new WordDraft()
                .paragraph("{{=<% %>=}}")
                .paragraph("Kept dry, <% lender %>.")
                .bytes());
        assertThatThrownBy(() -> WordsEdit.replace(other, words("dry"), "<% ends %>", Set.of(), SHOWN))
                .isInstanceOf(EditRefused.class);
    }

    @Test
    void wordsAreInsertedWithTheBlanksTheyNeed() {
        Selection behind = new Selection("", "keeps it cool", "and dry");
        assertThat(body(WordsEdit.insert(LOAN, behind, "clean", false, SHOWN))).contains("cool clean and dry");
        Selection end = new Selection("", "or longer", ".");
        assertThat(body(WordsEdit.insert(LOAN, end, ", as agreed", false, SHOWN)))
                .contains("or longer, as agreed.");
        assertThatThrownBy(() -> WordsEdit.insert(LOAN, end, " \u0007 ", false, SHOWN))
                .isInstanceOf(EditRefused.class);
    }

    @Test
    void aParagraphIsPutInAfterAnotherInItsLook() {
        Selection there = new Selection("", "It crosses", "a border.");
        WordFile changed = WordsEdit.insert(LOAN, there, "It is insured.", true, SHOWN);
        assertThat(body(changed)).contains("It crosses a border.\nIt is insured.\n{{/abroad}}");
    }
}
