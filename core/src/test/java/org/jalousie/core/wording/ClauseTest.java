package org.jalousie.core.wording;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.charset.StandardCharsets;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Set;
import org.jalousie.core.data.Value;
import org.jalousie.core.wording.docx.InlinePicture;
import org.jalousie.core.wording.write.WordDraft;
import org.junit.jupiter.api.Test;

class ClauseTest {
    private static final String W = "xmlns:w=\"http://schemas.openxmlformats.org/wordprocessingml/2006/main\"";

    private static WordFile file(WordDraft draft) {
        return WordFile.open(draft.bytes());
    }

    private static Wording compiled(WordDraft draft, Map<String, WordFile> library) {
        return Wording.compile(file(draft), Set.of(), new Clauses(library, Map.of()));
    }

    private static List<String> codes(WordDraft draft, Map<String, WordFile> library) {
        return compiled(draft, library).diagnostics().stream()
                .map(Diagnostic::code)
                .toList();
    }

    private static byte[] merged(WordDraft draft, Map<String, WordFile> library, Map<String, Value> values) {
        Wording wording = compiled(draft, library);
        assertThat(wording.diagnostics()).isEmpty();
        return wording.merge(values, Locale.UK);
    }

    /** A clause whose one list has a definition with this session number. */
    private static WordFile listClause(String session) {
        WordFile file = file(
                new WordDraft()
                        .raw(
                                "<w:p><w:pPr><w:numPr><w:ilvl w:val=\"0\"/><w:numId w:val=\"4\"/></w:numPr></w:pPr><w:r><w:t>listed</w:t></w:r></w:p>"));
        return with(file, "word/numbering.xml", numbering(session));
    }

    private static String numbering(String session) {
        return "<w:numbering " + W + "><w:abstractNum w:abstractNumId=\"7\"><w:nsid w:val=\"" + session
                + "\"/><w:lvl w:ilvl=\"0\"><w:numFmt w:val=\"decimal\"/></w:lvl></w:abstractNum><w:num w:numId=\"4\"><w:abstractNumId w:val=\"7\"/></w:num></w:numbering>";
    }

    private static WordFile with(WordFile file, String part, String xml) {
        Map<String, byte[]> parts = new HashMap<>(file.parts());
        parts.put(part, xml.getBytes(StandardCharsets.UTF_8));
        return WordFile.of(parts);
    }

    @Test
    void aClauseBringsItsParagraphsTablesAndFields() {
        WordDraft clause = new WordDraft()
                .heading("Care of paper")
                .paragraph("Keep {{title}} dry.")
                .table(List.of(List.of("a", "{{title}}")), true);
        assertThat(DocxText.body(merged(
                        new WordDraft()
                                .paragraph("before")
                                .paragraph("{{>care}}")
                                .paragraph("after"),
                        Map.of("care", file(clause)),
                        Map.of("title", new Value.Text("it")))))
                .isEqualTo("before\nCare of paper\nKeep it dry.\na\nit\nafter");
    }

    @Test
    void theClauseThatAChoiceNamesIsPrintedAndNoOther() {
        Map<String, WordFile> library = Map.of(
                "own",
                file(new WordDraft().paragraph("own cover")),
                "state",
                file(new WordDraft().paragraph("state cover")));
        Map<String, String> cases = new LinkedHashMap<>();
        cases.put("ours", "own");
        cases.put("state_indemnity", "state");
        Wording wording = Wording.compile(
                file(new WordDraft().paragraph("a").paragraph("{{>*cover}}").paragraph("b")),
                Set.of(),
                new Clauses(library, Map.of("cover", cases)));
        assertThat(wording.diagnostics()).isEmpty();
        assertThat(wording.inclusions())
                .containsExactly(new Inclusion("own", "own cover"), new Inclusion("state", "state cover"));
        assertThat(wording.passages()).extracting(Passage::name).containsExactly("cover.ours", "cover.state_indemnity");
        assertThat(DocxText.body(wording.merge(Map.of("cover", new Value.Text("State indemnity")), Locale.UK)))
                .isEqualTo("a\nstate cover\nb");
        assertThat(DocxText.body(wording.merge(Map.of("cover", new Value.Text("Neither")), Locale.UK)))
                .isEqualTo("a\nb");
    }

    @Test
    void stylesOfTheSameNameFollowTheAgreementAndOthersComeAlong() {
        WordFile clause = file(
                new WordDraft()
                        .raw(
                                "<w:p><w:pPr><w:pStyle w:val=\"berschrift1\"/></w:pPr><w:r><w:t>h</w:t></w:r></w:p><w:p><w:pPr><w:pStyle w:val=\"Special\"/></w:pPr><w:r><w:t>s</w:t></w:r></w:p>"));
        String styles = DocxText.xml(clause.bytes(), "word/styles.xml")
                .replace("w:styleId=\"Heading1\"", "w:styleId=\"berschrift1\"")
                .replace(
                        "</w:styles>",
                        "<w:style w:type=\"paragraph\" w:styleId=\"Special\"><w:name w:val=\"Special\"/><w:basedOn w:val=\"berschrift1\"/></w:style></w:styles>");
        byte[] merged = merged(
                new WordDraft().paragraph("{{>c}}"), Map.of("c", with(clause, "word/styles.xml", styles)), Map.of());
        assertThat(DocxText.xml(merged, "word/document.xml")).contains("w:val=\"Heading1\"", "w:val=\"Special\"");
        assertThat(DocxText.xml(merged, "word/styles.xml"))
                .contains(
                        "w:styleId=\"Special\" w:type=\"paragraph\"><w:name w:val=\"Special\"/><w:basedOn w:val=\"Heading1\"/>");
    }

    @Test
    void aListOfTheSameOriginGoesOnAndAnyOtherBeginsAnew() {
        WordFile host = with(
                file(new WordDraft()
                        .paragraph("{{>same}}")
                        .paragraph("{{>other}}")
                        .paragraph("{{>other}}")),
                "word/numbering.xml",
                numbering("AAAA"));
        Wording wording = Wording.compile(
                host, Set.of(), new Clauses(Map.of("same", listClause("AAAA"), "other", listClause("BBBB")), Map.of()));
        byte[] merged = wording.merge(Map.of(), Locale.UK);
        assertThat(DocxText.xml(merged, "word/document.xml"))
                .containsSubsequence("<w:numId w:val=\"4\"/>", "<w:numId w:val=\"5\"/>", "<w:numId w:val=\"6\"/>");
        assertThat(DocxText.xml(merged, "word/numbering.xml"))
                .containsSubsequence(
                        "w:abstractNumId=\"8\"", "w:abstractNumId=\"9\"", "<w:num w:numId=\"4\"", "w:numId=\"6\"");
    }

    @Test
    void picturesAndLinksComeAlongUnderTheirOwnRelationships() {
        String picture = InlinePicture.xml(
                "http://schemas.openxmlformats.org/wordprocessingml/2006/main", "rId8", "", 720_000, 720_000, 7, "x");
        WordFile clause = file(new WordDraft()
                .raw("<w:p><w:r>" + picture
                        + "</w:r><w:hyperlink r:id=\"rId9\"><w:r><w:t>link</w:t></w:r></w:hyperlink></w:p>"));
        String rels = DocxText.xml(clause.bytes(), "word/_rels/document.xml.rels")
                .replace(
                        "</Relationships>",
                        "<Relationship Id=\"rId8\" Type=\"" + InlinePicture.OFFICE
                                + "/image\" Target=\"media/logo.jpg\"/><Relationship Id=\"rId9\" Type=\""
                                + InlinePicture.OFFICE
                                + "/hyperlink\" Target=\"https://example.org/\" TargetMode=\"External\"/></Relationships>");
        WordFile whole = with(with(clause, "word/_rels/document.xml.rels", rels), "word/media/logo.jpg", "JPEG");
        byte[] merged = merged(new WordDraft().paragraph("{{>c}}"), Map.of("c", whole), Map.of());
        assertThat(DocxText.xml(merged, "word/_rels/document.xml.rels"))
                .contains("Target=\"media/clause1-", ".jpg\"", "https://example.org/");
        assertThat(DocxText.xml(merged, "[Content_Types].xml")).contains("Extension=\"jpg\"");
        assertThat(DocxText.xml(merged, "word/document.xml")).doesNotContain("\"rId8\"", "\"rId9\"");
    }

    @Test
    void whatCannotBeIncludedIsReportedWithACure() {
        Map<String, WordFile> library = Map.of(
                "care_of_paper", file(new WordDraft().paragraph("a").paragraph("b")),
                "loop", file(new WordDraft().paragraph("{{>loop}}")),
                "broken", file(new WordDraft().paragraph("{{lender name}}")));
        assertThat(codes(new WordDraft().paragraph("{{>care_of_papr}}"), library))
                .containsExactly("clause-unknown");
        assertThat(compiled(new WordDraft().paragraph("{{>care_of_papr}}"), library)
                        .diagnostics()
                        .get(0)
                        .cure()
                        .toString())
                .contains("care_of_paper");
        assertThat(codes(new WordDraft().paragraph("{{>loop}}"), library)).containsExactly("clause-cycle");
        assertThat(codes(new WordDraft().paragraph("see {{>care_of_paper}} here"), library))
                .containsExactly("clause-inline");
        assertThat(codes(new WordDraft().paragraph("{{>*nothing}}"), library)).containsExactly("clause-choice");
        assertThat(compiled(new WordDraft().paragraph("{{>broken}}"), library).diagnostics())
                .extracting(Diagnostic::part)
                .containsExactly("clause broken");
    }

    @Test
    void aClauseThatStandsInARepeatedPassageIsRepeated() {
        Map<String, WordFile> library = Map.of("line", file(new WordDraft().paragraph("- {{.}}")));
        Value list = new Value.Items(List.of(Map.of(".", new Value.Text("a")), Map.of(".", new Value.Text("b"))));
        assertThat(DocxText.body(merged(
                        new WordDraft()
                                .paragraph("{{#all}}")
                                .paragraph("{{>line}}")
                                .paragraph("{{/all}}"),
                        library,
                        Map.of("all", list))))
                .isEqualTo("- a\n- b");
    }
}
