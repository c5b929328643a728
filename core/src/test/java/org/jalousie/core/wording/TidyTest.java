package org.jalousie.core.wording;

import static org.assertj.core.api.Assertions.assertThat;
import static org.jalousie.core.wording.AwkwardFiles.cell;
import static org.jalousie.core.wording.AwkwardFiles.p;
import static org.jalousie.core.wording.AwkwardFiles.row;
import static org.jalousie.core.wording.AwkwardFiles.t;
import static org.jalousie.core.wording.AwkwardFiles.table;

import java.util.Map;
import java.util.Set;
import org.jalousie.core.wording.edit.WordingEdit;
import org.jalousie.core.wording.write.WordDraft;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** Tracked changes accepted (ISO/IEC 29500-1 §17.13.5): what was deleted goes whole. */
class TidyTest {
    private static final String BY = " w:id=\"1\" w:author=\"A\"";

    private static byte[] file(String body) {
        return new WordDraft().raw(body).bytes();
    }

    private static String tidied(String body) {
        return DocxText.body(
                WordingEdit.tidied(WordFile.open(file(body))).file().bytes());
    }

    private static String xml(String body) {
        return DocxText.xml(WordingEdit.tidied(WordFile.open(file(body))).file().bytes(), "word/document.xml");
    }

    private static String del(String words) {
        return "<w:del" + BY + "><w:r><w:delText>" + words + "</w:delText></w:r></w:del>";
    }

    private static String marked(String change, String content) {
        return "<w:p><w:pPr><w:numPr><w:numId w:val=\"1\"/></w:numPr><w:rPr><w:" + change + BY + "/></w:rPr></w:pPr>"
                + content + "</w:p>";
    }

    @Test
    void aStruckParagraphGoesWithItsNumber() {
        assertThat(tidied(p(t("a")) + marked("del", del("struck")) + p(t("b")))).isEqualTo("a\nb");
    }

    @Test
    void aStruckParagraphMarkJoinsTheNextParagraph() {
        assertThat(tidied(marked("del", t("a ")) + p(t("b")))).isEqualTo("a b");
        assertThat(tidied(marked("del", t("a ")) + marked("del", t("b ")) + p(t("c"))))
                .isEqualTo("a b c");
    }

    @Test
    void movedWordsStandAtTheirNewPlaceOnly() {
        String moved = "<w:moveFromRangeStart" + BY + " w:name=\"m\"/>"
                + marked("moveFrom", "<w:moveFrom" + BY + "><w:r><w:t>moved</w:t></w:r></w:moveFrom>")
                + "<w:moveFromRangeEnd w:id=\"1\"/>";
        String to = "<w:moveToRangeStart" + BY + " w:name=\"m\"/>"
                + marked("moveTo", "<w:moveTo" + BY + "><w:r><w:t>moved</w:t></w:r></w:moveTo>")
                + "<w:moveToRangeEnd w:id=\"1\"/>";
        assertThat(tidied(moved + p(t("a")) + to + p(t("b")))).isEqualTo("a\nmoved\nb");
        assertThat(xml(moved + p(t("a")) + to + p(t("b")))).doesNotContain("w:move");
    }

    @Test
    void struckRowsAndTablesGo() {
        String struck = "<w:tr><w:trPr><w:del" + BY + "/></w:trPr>" + cell(p(del("x"))) + "</w:tr>";
        assertThat(tidied(table(row(cell(p(t("kept")))), struck) + p(t("b")))).isEqualTo("kept\nb");
        assertThat(xml(table(struck, struck) + p(t("b")))).doesNotContain("w:tbl");
        assertThat(tidied(table(row(
                                cell(p(t("kept"))),
                                cell(p(t("y"))).replace("</w:tcPr>", "<w:cellDel" + BY + "/></w:tcPr>")))
                        + p(t("b"))))
                .isEqualTo("kept\nb");
    }

    @Test
    void aCellsOnlyParagraphStays() {
        assertThat(xml(table(row(cell(marked("del", del("x"))), cell(p(t("y"))))) + p(t("b"))))
                .contains("</w:tcPr><w:p>");
    }

    @ParameterizedTest
    @CsvSource({"ins", "moveTo"})
    void insertedWordsAndParagraphsStay(String change) {
        String xml = xml(marked(change, "<w:" + change + BY + ">" + t("new") + "</w:" + change + ">") + p(t("b")));
        assertThat(xml).contains("new").doesNotContain("w:" + change);
        assertThat(Wording.compile(
                                WordFile.open(WordingEdit.tidied(WordFile.open(file(marked(change, t("x")))))
                                        .file()
                                        .bytes()),
                                Set.of())
                        .diagnostics())
                .isEmpty();
    }

    @Test
    void changesOfAClauseAreToldAsTheClausesOwn() {
        WordFile clause = WordFile.open(file(p(t("kept") + del("struck"))));
        Wording wording = Wording.compile(
                WordFile.open(file(p(t("{{>care}}")))), Set.of(), new Clauses(Map.of("care", clause), Map.of()));
        assertThat(wording.diagnostics()).singleElement().satisfies(one -> {
            assertThat(one.part()).isEqualTo("clause care");
            assertThat(one.cure().toString()).contains("Clauses");
        });
    }
}
