package org.jalousie.core.wording.edit;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.Set;
import org.jalousie.core.wording.DocxText;
import org.jalousie.core.wording.WordFile;
import org.jalousie.core.wording.Wording;
import org.jalousie.core.wording.write.WordDraft;
import org.junit.jupiter.api.Test;

class EveryPageTest {
    private static WordFile file(WordDraft draft) {
        return WordFile.open(draft.bytes());
    }

    private static final String FIRST_HAS_ITS_OWN = "<w:titlePg/></w:sectPr>";

    @Test
    void initialsStandAtTheFootOfEveryPageBehindWhatIsThere() {
        WordFile file = file(new WordDraft().footer("Page").paragraph("{{lender.signature}}"));
        WordingEdit.Edited edited = EveryPage.initials(file, "lender");
        assertThat(edited.places()).isEqualTo(1);
        assertThat(DocxText.part(edited.file().bytes(), "word/footer1.xml"))
                .startsWith("Page")
                .endsWith("\n{{lender.initials}}");
        Wording wording = Wording.compile(WordFile.open(edited.file().bytes()), Set.of());
        assertThat(wording.diagnostics()).isEmpty();
        assertThat(wording.onEachPage()).hasSize(1);
        assertThatThrownBy(() -> EveryPage.initials(edited.file(), "lender"))
                .isInstanceOf(EditRefused.class)
                .hasMessageContaining("every page");
        assertThat(EveryPage.initials(edited.file(), "museum").places()).isEqualTo(1);
    }

    @Test
    void aFirstPageWithAFooterOfItsOwnGetsOne() {
        WordFile file = DocxText.replaced(
                file(new WordDraft().footer("Page").paragraph("{{lender.signature}}")),
                "word/document.xml",
                "</w:sectPr>",
                FIRST_HAS_ITS_OWN);
        WordingEdit.Edited edited = EveryPage.initials(file, "lender");
        assertThat(edited.places()).isEqualTo(2);
        WordFile opened = WordFile.open(edited.file().bytes());
        assertThat(opened.textParts()).contains("word/footer2.xml");
        assertThat(DocxText.part(opened.bytes(), "word/footer2.xml")).isEqualTo("{{lender.initials}}");
        assertThat(DocxText.xml(opened.bytes(), "word/document.xml"))
                .containsPattern("<w:sectPr[^>]*><w:footerReference [^>]*w:type=\"first\"");
        assertThat(Wording.compile(opened, Set.of()).diagnostics()).isEmpty();
    }

    @Test
    void aFirstPageThatIsLikeTheOthersNeedsNone() {
        WordFile file = DocxText.replaced(
                file(new WordDraft().footer("Page").paragraph("{{lender.signature}}")),
                "word/document.xml",
                "</w:sectPr>",
                "<w:titlePg w:val=\"0\"/></w:sectPr>");
        assertThat(EveryPage.initials(file, "lender").places()).isEqualTo(1);
    }

    @Test
    void sectionsThatGoOnWithTheFooterBeforeThemGetNoSecondOne() {
        WordFile file = file(new WordDraft()
                .footer("Page")
                .paragraph("One")
                .raw("<w:p><w:pPr><w:sectPr><w:pgSz w:w=\"11906\" w:h=\"16838\"/></w:sectPr></w:pPr></w:p>")
                .paragraph("{{lender.signature}}"));
        // the first section has no footer of its own, the second has one
        assertThat(EveryPage.initials(file, "lender").places()).isEqualTo(2);
    }
}
