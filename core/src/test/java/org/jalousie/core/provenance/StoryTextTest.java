package org.jalousie.core.provenance;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import org.junit.jupiter.api.Test;

class StoryTextTest {
    private static List<String> paragraphs(String body) {
        return StoryText.of("<w:body>" + body + "</w:body>").paragraphs().stream()
                .map(Letters::toString)
                .toList();
    }

    private static String p(String runs) {
        return "<w:p>" + runs + "</w:p>";
    }

    private static String t(String words) {
        return "<w:r><w:t xml:space=\"preserve\">" + words + "</w:t></w:r>";
    }

    @Test
    void eachLetterKnowsItsPlace() {
        String xml = "<w:body>" + p(t("a &amp; b")) + "</w:body>";
        Letters letters = StoryText.of(xml).paragraphs().get(0);
        assertThat(letters).hasToString("a&b");
        assertThat(xml.charAt(letters.source(0))).isEqualTo('a');
        assertThat(xml.startsWith("&amp;", letters.source(1))).isTrue();
        assertThat(xml.charAt(letters.source(2))).isEqualTo('b');
    }

    @Test
    void whatDoesNotPrintIsNotRead() {
        assertThat(paragraphs(p(t("a")
                        + "<w:del><w:r><w:delText>gone</w:delText></w:r></w:del>"
                        + "<w:r><w:instrText> PAGE </w:instrText></w:r>"
                        + "<w:r><w:rPr><w:vanish/></w:rPr><w:t>hidden</w:t></w:r>"
                        + "<w:r><w:rPr><w:vanish w:val=\"0\"/></w:rPr><w:t>shown</w:t></w:r>")))
                .containsExactly("ashown");
        assertThat(paragraphs(p("") + "<w:p/>" + p(t(" \u00a0\u200b")))).isEmpty();
    }

    @Test
    void capitalsLigaturesAndBlanksMakeNoDifference() {
        assertThat(paragraphs(p(t("Stra\u00dfe \ufb01ne")))).containsExactly("strassefine");
    }

    @Test
    void aTextBoxIsNoneOfTheParagraphsAroundIt() {
        String box = "<mc:AlternateContent><mc:Choice><w:txbxContent>" + p(t("boxed")) + "</w:txbxContent></mc:Choice>"
                + "<mc:Fallback><w:txbxContent>" + p(t("boxed"))
                + "</w:txbxContent></mc:Fallback></mc:AlternateContent>";
        StoryText story = StoryText.of(p(t("be") + "<w:r>" + box + "</w:r>" + t("side")));
        assertThat(story.paragraphs()).extracting(Letters::toString).containsExactly("beside");
        assertThat(story.boxed()).extracting(Letters::toString).containsExactly("boxed");
    }

    @Test
    void aPartIsKnownByItsElement() {
        assertThat(StoryText.root("<?xml version=\"1.0\"?><!-- x --><w:hdr a=\"b\">"))
                .isEqualTo("hdr");
        assertThat(StoryText.root("<ftr/>")).isEqualTo("ftr");
        assertThat(StoryText.root("")).isEmpty();
    }

    @Test
    void whatIsReadFromTheRightComesInTheOrderOfReading() {
        assertThat(ReadingOrder.of(List.of("a", "b"))).containsExactly(0, 1);
        // drawn from the left: the last letter of a Hebrew word first
        assertThat(ReadingOrder.of(List.of("a", "\u05dd", "\u05d5", "\u05dc", "b")))
                .containsExactly(0, 3, 2, 1, 4);
        assertThat(ReadingOrder.of(List.of("1", "2", "\u05dd", "\u05d5"))).containsExactly(3, 2, 0, 1);
        assertThat(ReadingOrder.of(List.of())).isEmpty();
    }
}
