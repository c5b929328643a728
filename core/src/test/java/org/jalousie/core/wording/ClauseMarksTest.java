package org.jalousie.core.wording;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.jalousie.core.wording.AwkwardFiles.field;
import static org.jalousie.core.wording.AwkwardFiles.mark;
import static org.jalousie.core.wording.AwkwardFiles.p;
import static org.jalousie.core.wording.AwkwardFiles.pageBreak;
import static org.jalousie.core.wording.AwkwardFiles.t;

import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Set;
import org.jalousie.core.data.Value;
import org.jalousie.core.messages.NotPossible;
import org.jalousie.core.wording.write.WordDraft;
import org.junit.jupiter.api.Test;

/** Bookmarks, references, breaks and notes that come with clauses and passages. */
class ClauseMarksTest {
    private static WordFile file(String body) {
        return WordFile.open(new WordDraft().raw(body).bytes());
    }

    private static Wording compile(String body, String clause) {
        return Wording.compile(file(body), Set.of(), new Clauses(Map.of("care", file(clause)), Map.of()));
    }

    @Test
    void aClausesReferencesFollowItsOwnBookmarksAtEachPlace() {
        Wording wording = compile(
                p(mark("1", "here", t("agreement"))) + p(t("{{>care}}")) + p(t("{{>care}}")),
                p(mark("1", "here", t("clause")) + t(" see ") + field("REF here \\h", "clause")));
        assertThat(wording.diagnostics()).isEmpty();
        String xml = DocxText.xml(wording.merge(Map.of(), Locale.UK), "word/document.xml");
        assertThat(xml).contains("\"here\"", "\"here_c1\"", "\"here_c2\"", "REF here_c1 ", "REF here_c2 ");
    }

    @Test
    void aSectionBreakWithinAClauseIsTold() {
        String landscape =
                "<w:p><w:pPr><w:sectPr><w:pgSz w:w=\"16838\" w:h=\"11906\" w:orient=\"landscape\"/></w:sectPr></w:pPr></w:p>";
        assertThat(compile(p(t("{{>care}}")), p(t("a")) + landscape + p(t("b"))).diagnostics())
                .extracting(Diagnostic::code)
                .containsExactly("clause-part");
    }

    @Test
    void aBreakBesideAClausesTagStaysOnItsSide() {
        Wording wording = compile(p(t("a")) + p(pageBreak() + t("{{>care}}")) + p(t("b")), p(t("clause")));
        assertThat(DocxText.body(wording.merge(Map.of(), Locale.UK))).isEqualTo("a\n\n\nclause\nb");
        String xml = DocxText.xml(wording.merge(Map.of(), Locale.UK), "word/document.xml");
        assertThat(xml.indexOf("w:type=\"page\"")).isBetween(0, xml.indexOf("clause"));
    }

    @Test
    void aReferenceWhoseTargetIsNotPrintedMakesNoDocument() {
        Wording wording = Wording.compile(
                file(p(t("{{#abroad}}"))
                        + p(mark("8", "there", t("b")))
                        + p(t("{{/abroad}}"))
                        + p(field("REF there \\h", "b"))),
                Set.of());
        assertThat(wording.broken()).isFalse();
        assertThatThrownBy(() -> wording.merge(Map.of(), Locale.UK))
                .isInstanceOf(NotPossible.class)
                .hasMessageContaining("there");
    }

    private static byte[] withNotes(String body, String notes) {
        String type = "application/vnd.openxmlformats-officedocument.wordprocessingml.footnotes+xml";
        String xml = "<w:footnotes xmlns:w=\"http://schemas.openxmlformats.org/wordprocessingml/2006/main\">" + notes
                + "</w:footnotes>";
        return new WordDraft()
                .raw(body)
                .attach("document.xml", "rId50", "footnotes", "footnotes.xml", xml.getBytes(), type)
                .bytes();
    }

    @Test
    void aNoteInARepeatedPassageIsPrintedForEachItemWithItsOwnValues() {
        String mark = "<w:r><w:footnoteReference w:id=\"2\"/></w:r>";
        Wording wording = Wording.compile(
                WordFile.open(withNotes(
                        p(t("{{#objects}}")) + p(t("{{title}}") + mark) + p(t("{{/objects}}")),
                        "<w:footnote w:id=\"2\">" + p(t("Of {{maker}}")) + "</w:footnote>")),
                Set.of());
        assertThat(wording.diagnostics()).isEmpty();
        assertThat(wording.found().uses())
                .singleElement()
                .satisfies(
                        list -> assertThat(list.inside()).extracting(Use::name).containsExactly("title", "maker"));
        byte[] merged = wording.merge(
                Map.of(
                        "objects",
                        new Value.Items(List.of(
                                Map.of("title", new Value.Text("Viola"), "maker", new Value.Text("Stain")),
                                Map.of("title", new Value.Text("Lute"), "maker", new Value.Text("Sellas")),
                                Map.of("title", new Value.Text("Rebec"))))),
                Locale.UK);
        assertThat(DocxText.part(merged, "word/footnotes.xml")).isEqualTo("Of Stain\nOf Sellas\nOf");
        String xml = DocxText.xml(merged, "word/document.xml");
        String notes = DocxText.xml(merged, "word/footnotes.xml");
        for (String id : List.of("2", "3", "4")) {
            assertThat(xml).contains("footnoteReference w:id=\"" + id + "\"");
            assertThat(notes).contains("footnote w:id=\"" + id + "\"");
        }
    }

    @Test
    void aNoteOfAPassageThatIsNotPrintedIsNotThere() {
        Wording wording = Wording.compile(
                WordFile.open(withNotes(
                        p(t("a{{#abroad}} b") + "<w:r><w:footnoteReference w:id=\"2\"/></w:r>" + t("{{/abroad}}")),
                        "<w:footnote w:id=\"2\">" + p(t("note")) + "</w:footnote>")),
                Set.of());
        byte[] without = wording.merge(Map.of(), Locale.UK);
        assertThat(DocxText.part(without, "word/footnotes.xml")).isEmpty();
        byte[] with = wording.merge(Map.of("abroad", new Value.YesNo(true)), Locale.UK);
        assertThat(DocxText.part(with, "word/footnotes.xml")).isEqualTo("note");
    }

    @Test
    void aBlankOfAnItemHidesTheAgreementsValueOfTheSameName() {
        Wording wording = Wording.compile(
                file(p(t("{{note}}: {{#objects}}{{title}} ({{note}}){{#note}} noted{{/note}}; {{/objects}}"))),
                Set.of());
        Map<String, Value> values = Map.of(
                "note",
                new Value.Text("outer"),
                "objects",
                new Value.Items(List.of(
                        Map.of("title", new Value.Text("Viola"), "note", new Value.Text("own")),
                        Map.of("title", new Value.Text("Lute")))));
        assertThat(DocxText.body(wording.merge(values, Locale.UK))).isEqualTo("outer: Viola (own) noted; Lute; ");
    }

    @Test
    void bothCopiesOfATextBoxHoldOneSigningFieldAndOnePassage() {
        AwkwardFiles.Case copies = AwkwardFiles.all().stream()
                .filter(one -> one.name().startsWith("a signing field in both copies"))
                .findFirst()
                .orElseThrow();
        Wording wording = Wording.compile(WordFile.open(copies.template()), Set.of());
        assertThat(wording.found().signingFields())
                .extracting(one -> one.name())
                .containsExactly("lender_signature");
        assertThat(wording.passages()).hasSize(1);
        Wording.Merged merged = wording.merge(Map.of("abroad", new Value.YesNo(true)), Locale.UK, name -> new byte[0]);
        assertThat(merged.fields()).isEqualTo(Map.of(1, 1));
        assertThat(DocxText.xml(merged.file(), "word/document.xml").split(">x<"))
                .hasSize(3);
    }
}
