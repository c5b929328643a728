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

class SigningEditTest {
    private static final Map<String, String> SHOWN = Map.of();
    private static final List<SigningBlocks.Signing> THREE = List.of(
            new SigningBlocks.Signing("lender", "Lender"),
            new SigningBlocks.Signing("museum", "Museum"),
            new SigningBlocks.Signing("courier", "Courier"));

    private static WordFile file(WordDraft draft) {
        return WordFile.open(draft.bytes());
    }

    private static WordFile letter() {
        return file(new WordDraft()
                .paragraph("The loan is agreed.")
                .paragraph("Signed for the lender")
                .paragraph("Kept dry.")
                .table(List.of(List.of("Viola", "EUR 5.00")), true));
    }

    private static Selection behind(String words) {
        return new Selection("", words, "");
    }

    private static String body(WordingEdit.Edited edited) {
        assertThat(Wording.compile(edited.file(), Set.of()).diagnostics()).isEmpty();
        return DocxText.body(edited.file().bytes());
    }

    private static String xml(WordingEdit.Edited edited) {
        return DocxText.xml(edited.file().bytes(), "word/document.xml");
    }

    private static WordingEdit.Edited moved(
            WordFile file, String party, String word, int occurrence, Selection to, Map<String, String> shown) {
        return SigningEdit.move(file, party, word, occurrence, to, shown).edited();
    }

    @Test
    void aMoveTellsWhichOfSeveralTagsItIsNow() {
        WordFile file = file(new WordDraft()
                .paragraph("A {{lender.initials}} first")
                .paragraph("B {{lender.initials}} second")
                .paragraph("C third"));
        SigningEdit.Moved down = SigningEdit.move(file, "lender", "initials", 0, behind("C third"), SHOWN);
        assertThat(down.from()).isZero();
        assertThat(down.to()).isEqualTo(1);
        SigningEdit.Moved up =
                SigningEdit.move(file, "lender", "initials_2", 0, new Selection("", "A", "first"), SHOWN);
        assertThat(up.from()).isEqualTo(1);
        assertThat(up.to()).isBetween(0, 1);
    }

    @Test
    void theUsualSetStandsBelowTheWordsAndStaysWithThem() {
        WordingEdit.Edited edited = SigningBlocks.set(letter(), behind("for the lender"), "lender", SHOWN);
        assertThat(body(edited))
                .contains(
                        "Signed for the lender\n{{lender.signature}}\n{{lender.full_name}}\n{{lender.date_signed}}\nKept dry.");
        // the words before, the signature and the name; the date is the last that belongs to it
        assertThat(xml(edited).split("<w:keepNext/>", -1)).hasSize(5);
    }

    @Test
    void inAnEmptyParagraphTheSetTakesItsPlace() {
        WordFile file = file(new WordDraft().paragraph("Agreed.").paragraph("").paragraph("End."));
        WordingEdit.Edited edited = SigningBlocks.set(file, behind("Agreed."), "lender", SHOWN);
        assertThat(body(edited)).contains("Agreed.\n{{lender.signature}}");
    }

    @Test
    void blocksForAllPartiesStandTwoBesideEachOtherOnOnePage() {
        WordingEdit.Edited edited = SigningBlocks.blocks(letter(), behind("Kept dry."), THREE, SHOWN);
        String xml = xml(edited);
        String table = xml.substring(xml.indexOf("<w:tbl>"), xml.indexOf("</w:tbl>"));
        assertThat(table.split("<w:tr>", -1)).hasSize(3);
        assertThat(table.split("<w:gridCol ", -1)).hasSize(3);
        assertThat(table.split("<w:cantSplit/>", -1)).hasSize(3);
        assertThat(body(edited))
                .contains("Lender")
                .contains("{{museum.full_name}}")
                .contains("{{courier.date_signed}}");
        // 9300 twentieths of a point between the margins of this paper
        assertThat(table).contains("w:w=\"4650\"");
        // in the last row all but the last paragraph stay with the next: the words after the table may go on
        String last = table.substring(table.lastIndexOf("<w:tr>"));
        assertThat(last.split("<w:keepNext/>", -1)).hasSize(4);
    }

    @Test
    void whatIsPutBehindTheEndOfASectionBelongsToIt() {
        String end = "<w:sectPr><w:pgSz w:w=\"11906\" w:h=\"16838\"/><w:pgMar w:top=\"1000\" w:right=\"1000\""
                + " w:bottom=\"1000\" w:left=\"1000\" w:header=\"700\" w:footer=\"700\" w:gutter=\"0\"/></w:sectPr>";
        WordFile file = file(new WordDraft()
                .raw("<w:p><w:pPr>" + end + "</w:pPr><w:r><w:t>Agreed.</w:t></w:r></w:p>")
                .paragraph("Annex"));
        String set = xml(SigningBlocks.set(file, behind("Agreed."), "lender", SHOWN));
        assertThat(set.indexOf("lender.date_signed")).isLessThan(set.indexOf("Annex"));
        assertThat(set.indexOf("w:left=\"1000\"")).isGreaterThan(set.indexOf("lender.full_name"));
        String blocks = xml(SigningBlocks.blocks(file, behind("Agreed."), THREE, SHOWN));
        assertThat(blocks.indexOf("w:left=\"1000\""))
                .isGreaterThan(blocks.indexOf("</w:tbl>"))
                .isLessThan(blocks.indexOf("Annex"));
    }

    @Test
    void onePartyHasOneColumnAndBlocksStandInTheTextOnly() {
        assertThat(xml(SigningBlocks.blocks(letter(), behind("Kept dry."), THREE.subList(0, 1), SHOWN)))
                .contains("<w:tblGrid><w:gridCol w:w=\"9300\"/></w:tblGrid>");
        assertThatThrownBy(() -> SigningBlocks.blocks(letter(), behind("Viola"), THREE, SHOWN))
                .isInstanceOf(EditRefused.class)
                .hasMessageContaining("no table");
    }

    @Test
    void aTagIsMovedToAnotherParagraphInItsOwnLookAndLeavesNoEmptyLine() {
        WordFile file = file(new WordDraft()
                .runs(List.of(new WordDraft.Run("<w:b/>", "{{lender.signature}}")))
                .paragraph("Signed by the lender: at Oudehaven"));
        WordingEdit.Edited edited = moved(file, "lender", "signature", 0, new Selection("", "lender:", "at"), SHOWN);
        assertThat(body(edited)).isEqualTo("Signed by the lender: {{lender.signature}} at Oudehaven");
        assertThat(xml(edited))
                .contains("<w:rPr><w:b/></w:rPr><w:t xml:space=\"preserve\">{{lender.signature}} </w:t>");
    }

    @Test
    void aTagIsMovedWithinItsParagraphBothWays() {
        WordFile file = file(new WordDraft().paragraph("One two {{lender.date_signed}} three four"));
        assertThat(body(moved(file, "lender", "date_signed", 0, new Selection("", "One", "two"), SHOWN)))
                .isEqualTo("One {{lender.date_signed}} two three four");
        assertThat(body(moved(file, "lender", "date_signed", 0, new Selection("", "three", "four"), SHOWN)))
                .isEqualTo("One two three {{lender.date_signed}} four");
        assertThat(moved(file, "lender", "date_signed", 0, new Selection("", "two", "three"), SHOWN)
                        .places())
                .isZero();
    }

    @Test
    void whatStandsBesideAMovedTagStays() {
        WordFile broken = file(new WordDraft()
                .raw("<w:p><w:r><w:t>{{lender.signature}}</w:t></w:r><w:r><w:br w:type=\"page\"/></w:r></w:p>")
                .raw("<w:p><w:r><w:t>Signed</w:t></w:r><w:r><w:tab/></w:r><w:r><w:t>{{lender.full_name}}</w:t></w:r>"
                        + "<w:r><w:br/></w:r><w:r><w:t>Date</w:t></w:r></w:p>")
                .raw("<w:p><w:bookmarkStart w:id=\"1\" w:name=\"here\"/><w:r><w:t>{{lender.date_signed}}</w:t></w:r>"
                        + "<w:bookmarkEnd w:id=\"1\"/></w:p>")
                .paragraph("End."));
        assertThat(xml(moved(broken, "lender", "signature", 0, behind("End."), SHOWN)))
                .contains("<w:br w:type=\"page\"/>");
        assertThat(body(moved(broken, "lender", "full_name", 0, behind("End."), SHOWN)))
                .contains("Signed\t\nDate");
        assertThat(xml(moved(broken, "lender", "date_signed", 0, behind("End."), SHOWN)))
                .contains("w:name=\"here\"");
        assertThatThrownBy(() -> moved(broken, "lender", "signature_0", 0, behind("End."), SHOWN))
                .isInstanceOf(EditRefused.class);
    }

    @Test
    void ofSeveralTagsTheOneThatIsMeantMoves() {
        WordFile file = file(new WordDraft()
                .paragraph("A {{lender.initials}} first")
                .paragraph("B {{lender.initials}} second")
                .paragraph("C third"));
        assertThat(body(moved(file, "lender", "initials", 1, behind("C third"), SHOWN)))
                .isEqualTo("A {{lender.initials}} first\nB second\nC third {{lender.initials}}");
        assertThatThrownBy(() -> SigningEdit.move(file, "lender", "initials", 2, behind("C third"), SHOWN))
                .hasMessageContaining("lender.initials");
    }

    @Test
    void theLastParagraphOfACellStaysWhenItIsLeftEmpty() {
        WordFile file = file(new WordDraft()
                .paragraph("Here:")
                .table(List.of(List.of("For the lender", "{{lender.signature}}")), true));
        WordingEdit.Edited edited = moved(file, "lender", "signature", 0, behind("Here:"), SHOWN);
        assertThat(body(edited)).startsWith("Here: {{lender.signature}}\n");
        assertThat(xml(edited)).doesNotContain("</w:tcPr></w:tc>");
    }

    @Test
    void aFieldIsKeptWithTheWordsBeforeItAndItsRowMayGrow() {
        String row = "<w:trPr><w:trHeight w:val=\"300\" w:hRule=\"exact\"/></w:trPr>";
        WordFile plain = file(new WordDraft()
                .paragraph("Signed at Oudehaven")
                .table(List.of(List.of("For the lender"), List.of("{{lender.signature}}")), true));
        WordFile file = DocxText.replaced(plain, "word/document.xml", "<w:tr>", "<w:tr>" + row);
        WordingEdit.Edited edited = SigningEdit.keep(file, "lender", "signature");
        assertThat(edited.places()).isEqualTo(3);
        assertThat(xml(edited).split("w:hRule=\"atLeast\"", -1)).hasSize(2);
        assertThat(xml(edited).split("<w:keepNext/>", -1)).hasSize(3);
        assertThat(SigningEdit.keep(edited.file(), "lender", "signature").places())
                .isZero();
    }

    @Test
    void aSecondTagIsTheFieldWithANumberBehindItsName() {
        WordFile file = file(new WordDraft()
                .paragraph("A {{lender.initials}} first")
                .paragraph("B {{lender.initials}} second")
                .paragraph("C third"));
        assertThat(body(moved(file, "lender", "initials_2", 0, behind("C third"), SHOWN)))
                .isEqualTo("A {{lender.initials}} first\nB second\nC third {{lender.initials}}");
        assertThat(SigningEdit.keep(file, "lender", "initials_2").places()).isPositive();
    }

    @Test
    void asManyWordsAreDrawnAlongAsTellWhatIsSigned() {
        WordDraft wording = new WordDraft();
        for (int i = 0; i < 10; i++) wording.paragraph("The object is kept dry and warm, clause " + i + ".");
        WordFile file = file(wording.paragraph("Signed:").paragraph("{{lender.signature}}"));
        // nine words in each: four clauses and the line before the signature
        assertThat(SigningEdit.keep(file, "lender", "signature").places()).isEqualTo(5);
    }

    @Test
    void aLineOfExactHeightMayGrow() {
        WordFile plain = file(new WordDraft().paragraph("{{lender.signature}}"));
        WordFile file = DocxText.replaced(
                plain,
                "word/document.xml",
                "<w:pStyle w:val=\"Normal\"/>",
                "<w:pStyle w:val=\"Normal\"/><w:spacing w:line=\"240\" w:lineRule=\"exact\"/>");
        assertThat(Wording.compile(file, Set.of()).diagnostics())
                .singleElement()
                .satisfies(one -> assertThat(one.names()).containsExactly("lender_signature"));
        WordingEdit.Edited edited = SigningEdit.keep(file, "lender", "signature");
        assertThat(xml(edited)).contains("w:lineRule=\"atLeast\"");
        assertThat(Wording.compile(edited.file(), Set.of()).diagnostics()).isEmpty();
    }
}
