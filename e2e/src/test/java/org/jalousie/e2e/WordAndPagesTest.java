package org.jalousie.e2e;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.time.Duration;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Set;
import java.util.concurrent.CompletableFuture;
import java.util.concurrent.ExecutionException;
import java.util.concurrent.TimeUnit;
import org.jalousie.core.data.Value;
import org.jalousie.core.placement.ErrorTexts;
import org.jalousie.core.placement.FieldPlacer;
import org.jalousie.core.placement.PagesText;
import org.jalousie.core.wording.DocxText;
import org.jalousie.core.wording.FieldResults;
import org.jalousie.core.wording.WordFile;
import org.jalousie.core.wording.Wording;
import org.jalousie.core.wording.write.WordDraft;
import org.jalousie.server.adapters.Converter;
import org.jalousie.server.testbed.Testbed;
import org.junit.jupiter.api.Test;

/** The Word file and the PDF of one agreement say the same, and what can't be laid out keeps nobody else waiting. */
class WordAndPagesTest {
    private final Converter converter = Testbed.start().bean(Converter.class);

    private static String field(String code, String result) {
        return "<w:r><w:fldChar w:fldCharType=\"begin\"/></w:r><w:r><w:instrText xml:space=\"preserve\"> " + code
                + " </w:instrText></w:r><w:r><w:fldChar w:fldCharType=\"separate\"/></w:r><w:r><w:t>" + result
                + "</w:t></w:r><w:r><w:fldChar w:fldCharType=\"end\"/></w:r>";
    }

    private static String p(String content) {
        return "<w:p>" + content + "</w:p>";
    }

    private static String t(String words) {
        return "<w:r><w:t xml:space=\"preserve\">" + words + "</w:t></w:r>";
    }

    private static String heading(String words) {
        return "<w:p><w:pPr><w:pStyle w:val=\"Heading1\"/></w:pPr>" + t(words) + "</w:p>";
    }

    private static String words(String text) {
        return text.replaceAll("\\s+", " ").strip();
    }

    @Test
    void theWordFileShowsWhatThePagesShow() {
        String contents = p(
                        "<w:r><w:fldChar w:fldCharType=\"begin\"/></w:r><w:r><w:instrText> TOC \\o &quot;1-3&quot; </w:instrText></w:r><w:r><w:fldChar w:fldCharType=\"separate\"/></w:r>"
                                + t("Old first") + "<w:r><w:tab/></w:r>" + t("7"))
                + p(t("Old second") + "<w:r><w:tab/></w:r>" + t("9"))
                + p("<w:r><w:fldChar w:fldCharType=\"end\"/></w:r>");
        WordDraft draft = new WordDraft()
                .raw(contents)
                .raw(heading("Objects of {{lender_name}}"))
                .raw(p("<w:bookmarkStart w:id=\"3\" w:name=\"who\"/>" + t("{{lender_name}}")
                        + "<w:bookmarkEnd w:id=\"3\"/>" + t(", figure ") + field("SEQ Figure", "8")))
                .raw(p(t("{{#insured}}")))
                .raw(heading("Insurance"))
                .raw(p(t("{{/insured}}")))
                .raw(p("<w:r><w:br w:type=\"page\"/></w:r>"))
                .raw(heading("Courier"))
                .raw(p(t("see ")
                        + field("REF who \\h", "Last Year's Lender")
                        + t(" on page ")
                        + field("PAGEREF who \\h", "44")
                        + t(" of ")
                        + field("NUMPAGES", "99")));
        Wording wording = Wording.compile(WordFile.open(draft.bytes()), Set.of());
        assertThat(wording.diagnostics()).isEmpty();
        byte[] merged = wording.merge(Map.of("lender_name", new Value.Text("Ida Marsh")), Locale.UK);
        Converter.Made made = converter.convert(merged);
        byte[] word = FieldResults.put(merged, made.results(), made.lists());
        String body = words(DocxText.body(word));
        String pages = words(PagesText.of(made.pdf()));
        assertThat(body)
                .contains("see Ida Marsh on page 1 of 2", "figure 1", "Objects of Ida Marsh 1", "Courier 2")
                .doesNotContain("Last Year", "44", "99", "Old", "Insurance");
        assertThat(pages).contains("see Ida Marsh on page 1 of 2", "figure 1");
        assertThat(DocxText.xml(word, "word/document.xml")).doesNotContain("jal_result");
        // opened once more, nothing changes
        assertThat(words(PagesText.of(converter.toPdf(word)))).isEqualTo(pages);
    }

    @Test
    void theConvertersErrorTextsAreKnown() {
        byte[] pdf = converter.toPdf(
                new WordDraft().raw(p(t("see ") + field("REF gone \\h", "x"))).bytes());
        assertThat(ErrorTexts.in(PagesText.of(pdf)))
                .hasValueSatisfying(said -> assertThat(said.toString()).contains("see"));
    }

    @Test
    void equationsAndEastAsianWordsAreOnThePages() {
        String equation =
                "<m:oMath xmlns:m=\"http://schemas.openxmlformats.org/officeDocument/2006/math\"><m:r><m:t>alpha</m:t></m:r></m:oMath>";
        byte[] pdf = converter.toPdf(new WordDraft()
                .raw(p(equation))
                .paragraph("\u501f\u7528\u5408\u540c")
                .bytes());
        assertThat(PagesText.of(pdf)).contains("\u501f\u7528\u5408\u540c");
        assertThat(PagesText.of(pdf).replaceAll("\\s", "")).contains("alpha");
    }

    @Test
    void aSigningFieldInAListHasAPlaceForEachItemAndOneInAHeaderOneAnswer() {
        String items = p(t("{{#objects}}"))
                + p(t("{{title}}: {{lender.note}}"))
                + p(t("{{/objects}}"))
                + p(t("{{lender.signature}}"))
                + p("<w:r><w:br w:type=\"page\"/></w:r>")
                + p(t("end"));
        Wording wording = Wording.compile(
                WordFile.open(new WordDraft()
                        .header("{{lender.reference}}")
                        .raw(items)
                        .bytes()),
                Set.of());
        Wording.Merged merged = wording.merge(
                Map.of(
                        "objects",
                        new Value.Items(List.of(
                                Map.of("title", new Value.Text("Viola")),
                                Map.of("title", new Value.Text("Lute")),
                                Map.of("title", new Value.Text("Rebec"))))),
                Locale.UK,
                file -> new byte[0]);
        FieldPlacer.Placed placed = FieldPlacer.place(
                converter.toPdf(merged.file()), wording.boxes(), wording.onEachPage(), Set.of(), List.of());
        assertThat(placed.pages().fields())
                .extracting(one -> one.field().name())
                .containsExactlyInAnyOrder(
                        "lender_note",
                        "lender_note_2",
                        "lender_note_3",
                        "lender_reference",
                        "lender_reference_2",
                        "lender_signature");
        assertThat(placed.pages().fields().stream().filter(one -> one.field().asked()))
                .extracting(one -> one.field().name())
                .containsExactlyInAnyOrder("lender_note", "lender_note_2", "lender_note_3", "lender_reference");
        assertThat(merged.fields()).containsValues(3, 1);
    }

    @Test
    void aDocumentThatKeepsTheOfficeBusyIsStoppedAndOthersGoOn() throws Exception {
        // each table within a table doubles the work of laying it out
        String nested = "<w:tbl><w:tblPr/><w:tblGrid><w:gridCol w:w=\"900\"/></w:tblGrid><w:tr><w:tc>";
        String deep = nested.repeat(400) + p(t("x")) + (p("") + "</w:tc></w:tr></w:tbl>").repeat(400) + p("");
        byte[] hanging = new WordDraft().raw(deep).bytes();
        CompletableFuture<byte[]> slow = CompletableFuture.supplyAsync(() -> converter.toPdf(hanging));
        Thread.sleep(300);
        long start = System.nanoTime();
        for (int i = 0; i < 3; i++)
            converter.toPdf(new WordDraft().paragraph("one of many " + i).bytes());
        assertThat(Duration.ofNanos(System.nanoTime() - start)).isLessThan(Duration.ofSeconds(15));
        assertThatThrownBy(() -> slow.get(120, TimeUnit.SECONDS))
                .isInstanceOf(ExecutionException.class)
                .hasMessageContaining("within")
                .hasMessageContaining("seconds");
        assertThat(converter.toPdf(new WordDraft().paragraph("afterwards").bytes()))
                .isNotEmpty();
    }
}
