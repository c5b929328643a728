package org.jalousie.core.wording;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.Set;
import org.jalousie.core.wording.write.WordDraft;
import org.junit.jupiter.api.Test;

class TightPlacesTest {
    private static List<Diagnostic> of(String xml) {
        return Wording.compile(WordFile.open(new WordDraft().raw(xml).bytes()), Set.of())
                .diagnostics();
    }

    private static String row(String height) {
        return "<w:tbl><w:tblPr/><w:tblGrid><w:gridCol w:w=\"5000\"/></w:tblGrid><w:tr><w:trPr>" + height
                + "</w:trPr><w:tc><w:tcPr/><w:p><w:r><w:t>{{lender.signature}}</w:t></w:r></w:p></w:tc></w:tr></w:tbl>";
    }

    @Test
    void aRowOfAnExactHeightThatIsTooLowIsPointedOut() {
        // 16 mm are 907 twentieths of a point
        assertThat(of(row("<w:trHeight w:val=\"400\" w:hRule=\"exact\"/>")))
                .extracting(Diagnostic::code, Diagnostic::blocks)
                .containsExactly(org.assertj.core.groups.Tuple.tuple("row-exact-height", false));
        assertThat(of(row("<w:trHeight w:val=\"1000\" w:hRule=\"exact\"/>"))).isEmpty();
        assertThat(of(row("<w:trHeight w:val=\"400\" w:hRule=\"atLeast\"/>"))).isEmpty();
        assertThat(of(row(""))).isEmpty();
    }

    @Test
    void aLineOfAnExactHeightThatIsTooLowIsPointedOut() {
        String paragraph =
                "<w:p><w:pPr><w:spacing w:line=\"240\" w:lineRule=\"%s\"/></w:pPr><w:r><w:t>{{lender.signature}}</w:t></w:r></w:p>";
        assertThat(of(paragraph.formatted("exact")))
                .extracting(Diagnostic::code)
                .containsExactly("line-exact-height");
        assertThat(of(paragraph.formatted("auto"))).isEmpty();
    }

    @Test
    void theFontsThatAFileNamesAreKnown() {
        Wording wording = Wording.compile(
                WordFile.open(new WordDraft()
                        .runs(List.of(new WordDraft.Run("<w:rFonts w:ascii=\"Old Museum Hand\"/>", "x")))
                        .bytes()),
                Set.of());
        assertThat(wording.fonts()).containsExactly("Caladea", "Carlito", "Old Museum Hand");
    }
}
