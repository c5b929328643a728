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

class WordingEditTest {
    private static final Map<String, String> SHOWN = Map.of("lender_name", "[Lender name]");

    private static WordFile file(WordDraft draft) {
        return WordFile.open(draft.bytes());
    }

    private static WordFile letter() {
        return file(new WordDraft()
                .header("Loan by Ida Marsh")
                .runs(List.of(
                        new WordDraft.Run("", "The lender, "),
                        new WordDraft.Run("<w:b/>", "Ida "),
                        new WordDraft.Run("<w:i/>", "Marsh"),
                        new WordDraft.Run("", ", lends a viola.")))
                .paragraph("Signed by Ida Marsh at Oudehaven.")
                .paragraph("Kept dry.")
                .table(List.of(List.of("Viola", "EUR 5.00")), true));
    }

    private static String body(WordingEdit.Edited edited) {
        return DocxText.body(edited.file().bytes());
    }

    private static Selection words(String text) {
        return new Selection(text, "", "");
    }

    @Test
    void chosenWordsBecomeAFieldInTheirOwnLook() {
        WordingEdit.Edited edited = WordingEdit.markField(
                letter(), new Selection("Ida\nMarsh", "The lender, ", ", lends"), "lender_name", false, SHOWN);
        assertThat(body(edited)).startsWith("The lender, {{lender_name}}, lends a viola.\nSigned by Ida Marsh");
        assertThat(DocxText.xml(edited.file().bytes(), "word/document.xml"))
                .contains("<w:rPr><w:b/></w:rPr><w:t xml:space=\"preserve\">{{lender_name}}</w:t>");
    }

    @Test
    void everyFurtherOccurrenceCanBecomeTheFieldTooEvenInTheHeader() {
        Selection first = new Selection("Ida Marsh", "The lender,", ", lends");
        assertThat(WordingEdit.furtherOccurrences(letter(), first, SHOWN)).isEqualTo(2);
        WordingEdit.Edited edited = WordingEdit.markField(letter(), first, "lender_name", true, SHOWN);
        assertThat(edited.places()).isEqualTo(3);
        assertThat(body(edited)).contains("Signed by {{lender_name}} at");
        assertThat(DocxText.part(edited.file().bytes(), "word/header1.xml")).isEqualTo("Loan by {{lender_name}}");
        assertThat(Wording.compile(edited.file(), Set.of()).diagnostics()).isEmpty();
    }

    @Test
    void wordsAreFoundBesideFieldsThatThePageShowsByTheirLabel() {
        WordFile file =
                file(new WordDraft().paragraph("From {{lender_name}} of Greyford to {{lender_name}} of Oudehaven"));
        WordingEdit.Edited edited =
                WordingEdit.markField(file, new Selection("Oudehaven", "[Lender name] of ", ""), "town", false, SHOWN);
        assertThat(body(edited)).isEqualTo("From {{lender_name}} of Greyford to {{lender_name}} of {{town}}");
    }

    @Test
    void wordsThatStandInSeveralPlacesAlikeAreRefused() {
        assertThatThrownBy(() -> WordingEdit.markField(letter(), words("Ida Marsh"), "x", false, SHOWN))
                .isInstanceOf(EditRefused.class)
                .hasMessageContaining("several places");
        assertThatThrownBy(() -> WordingEdit.markField(letter(), words("Nobody here"), "x", false, SHOWN))
                .hasMessageContaining("not found");
        WordFile tagged = file(new WordDraft().paragraph("a {{lender_name}} b"));
        assertThatThrownBy(() -> WordingEdit.markField(tagged, words("a [Lender name]"), "x", false, SHOWN))
                .hasMessageContaining("field in these words already");
    }

    @Test
    void aPassageWithinALineOrOfWholeParagraphsBecomesASection() {
        assertThat(body(WordingEdit.markPassage(letter(), words("at Oudehaven"), "abroad", true, SHOWN)))
                .contains("Ida Marsh {{^abroad}}at Oudehaven{{/abroad}}.");
        assertThat(body(WordingEdit.markPassage(
                        letter(), words("Signed by Ida Marsh at Oudehaven.Kept dry."), "abroad", false, SHOWN)))
                .contains("\n{{#abroad}}\nSigned by Ida Marsh at Oudehaven.\nKept dry.\n{{/abroad}}\n");
        WordingEdit.Edited row = WordingEdit.markPassage(letter(), words("Viola EUR 5.00"), "objects", false, SHOWN);
        assertThat(body(row)).contains("{{#objects}}Viola\nEUR 5.00{{/objects}}");
        assertThat(Wording.compile(row.file(), Set.of()).diagnostics()).isEmpty();
    }

    @Test
    void aTagIsPutWhereTheCursorStandsInTheLookOfTheWordsBefore() {
        WordingEdit.Edited edited = WordingEdit.insert(
                letter(), new Selection("", "The lender, Ida", " Marsh, lends"), "{{title}} ", SHOWN);
        assertThat(body(edited)).startsWith("The lender, Ida {{title}} Marsh, lends");
        assertThat(DocxText.xml(edited.file().bytes(), "word/document.xml"))
                .contains("<w:rPr><w:b/></w:rPr><w:t xml:space=\"preserve\">{{title}} </w:t>");
        assertThatThrownBy(() -> WordingEdit.insert(
                        letter(), new Selection("", "words of a clause.", "Signed elsewhere"), "{{title}}", SHOWN))
                .hasMessageContaining("place was not found");
        assertThat(body(WordingEdit.insertParagraph(letter(), new Selection("", "Kept dr", "y."), "{{>care}}", SHOWN)))
                .contains("Kept dry.\n{{>care}}\n");
    }

    @Test
    void aNameIsChangedWhereverItIsUsedAndNowhereElse() {
        WordFile file = file(new WordDraft()
                .header("{{lender.long}}")
                .paragraph("{{#lender}}{{lender}} {{lender_name}} lender{{/lender}}"));
        WordingEdit.Edited edited = TagEdit.rename(file, Map.of("lender", "giver"));
        assertThat(body(edited)).isEqualTo("{{#giver}}{{giver}} {{lender_name}} lender{{/giver}}");
        assertThat(DocxText.part(edited.file().bytes(), "word/header1.xml")).isEqualTo("{{giver.long}}");
        assertThat(edited.places()).isEqualTo(4);
    }

    @Test
    void trackedChangesAreAcceptedAndCommentsDeleted() {
        String xml =
                "<w:p><w:ins w:id=\"1\" w:author=\"A\"><w:r><w:t>new </w:t></w:r></w:ins><w:del w:id=\"2\" w:author=\"A\"><w:r><w:delText>old</w:delText></w:r></w:del>"
                        + "<w:commentRangeStart w:id=\"0\"/><w:r><w:rPr><w:b/><w:rPrChange w:id=\"3\" w:author=\"A\"><w:rPr/></w:rPrChange></w:rPr><w:t>words</w:t></w:r><w:commentRangeEnd w:id=\"0\"/></w:p>";
        WordingEdit.Edited edited = WordingEdit.tidied(file(new WordDraft().raw(xml)));
        assertThat(edited.places()).isEqualTo(3);
        assertThat(body(edited)).isEqualTo("new words");
        assertThat(Wording.compile(edited.file(), Set.of()).diagnostics()).isEmpty();
    }

    @Test
    void aValuePrintsInAnotherWayWhereverItStandsAndItsSectionsStay() {
        WordFile file = file(new WordDraft()
                .header("{{ends}}")
                .paragraph(
                        "From {{ ends }} to {{ends.short}}: {{#ends}}at last{{/ends}} {{ends_at}} {{ends.signature}}"));
        WordingEdit.Edited edited = TagEdit.print(file, "ends", "iso");
        assertThat(edited.places()).isEqualTo(3);
        assertThat(body(edited))
                .isEqualTo(
                        "From {{ ends.iso }} to {{ends.iso}}: {{#ends}}at last{{/ends}} {{ends_at}} {{ends.signature}}");
        assertThat(DocxText.part(edited.file().bytes(), "word/header1.xml")).isEqualTo("{{ends.iso}}");
        assertThat(body(TagEdit.print(edited.file(), "ends", ""))).startsWith("From {{ ends }} to {{ends}}:");
    }

    @Test
    void wordsAreFoundBetweenTheMarksThatPagesHaveAroundPassages() {
        WordFile file = file(new WordDraft().paragraph("by road {{#a}}on show{{/a}}{{#b}}with a carrier{{/b}}."));
        Selection chosen = new Selection("with a carrier", "by road \u2039on show\u203a\u2039", "\u203a.");
        assertThat(body(WordingEdit.markField(file, chosen, "carrier", false, SHOWN)))
                .isEqualTo("by road {{#a}}on show{{/a}}{{#b}}{{carrier}}{{/b}}.");
        assertThat(body(WordingEdit.insert(file, new Selection("", "by road ", "\u2039on show"), "{{x}}", SHOWN)))
                .startsWith("by road {{x}}");
    }

    @Test
    void aSigningFieldGoesToAnotherPartyInWhateverDelimitersItStands() {
        WordFile file = file(new WordDraft()
                .paragraph("{{lender.signature}} {{ lender.signature }} {{lender.signature_2}} {{lender}}")
                .paragraph("{{=<% %>=}}<%lender.signature%>"));
        WordingEdit.Edited edited = TagEdit.handOver(file, "lender", "signature", "director");
        assertThat(edited.places()).isEqualTo(3);
        assertThat(body(edited))
                .isEqualTo(
                        "{{director.signature}} {{ director.signature }} {{lender.signature_2}} {{lender}}\n{{=<% %>=}}<%director.signature%>");
        assertThat(TagEdit.handOver(file, "lender", "initials", "director").places())
                .isZero();
    }
}
