package org.jalousie.core.wording;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Set;
import org.jalousie.core.data.Value;
import org.jalousie.core.wording.docx.InlinePicture;
import org.jalousie.core.wording.write.WordDraft;
import org.junit.jupiter.api.Test;

/** Fields as word processors write them (ISO/IEC 29500-1 §17.16 and §17.5.2), in the shapes that Word saves. */
class OwnFieldsTest {
    private static String merged(String xml) {
        return DocxText.body(file(xml));
    }

    private static byte[] file(String xml) {
        Wording wording = Wording.compile(WordFile.open(new WordDraft().raw(xml).bytes()), Set.of());
        assertThat(wording.diagnostics()).isEmpty();
        return wording.merge(Map.of("lender_name", new Value.Text("Ida"), "abroad", new Value.YesNo(true)), Locale.UK);
    }

    private static String run(String content) {
        return "<w:r w:rsidR=\"00A1\"><w:rPr><w:b/></w:rPr>" + content + "</w:r>";
    }

    private static String mark(String type) {
        return run("<w:fldChar w:fldCharType=\"" + type + "\"/>");
    }

    @Test
    void aSimpleMergeFieldIsAField() {
        assertThat(
                        merged(
                                "<w:p><w:r><w:t xml:space=\"preserve\">By </w:t></w:r><w:fldSimple w:instr=\" MERGEFIELD  lender_name  \\* MERGEFORMAT \"><w:r><w:t>\u00ablender_name\u00bb</w:t></w:r></w:fldSimple></w:p>"))
                .isEqualTo("By Ida");
    }

    @Test
    void aComplexMergeFieldIsAFieldInTheLookOfItsResult() {
        String xml =
                "<w:p>" + mark("begin") + run("<w:instrText xml:space=\"preserve\"> MERGEFIELD \"Lender</w:instrText>")
                        + run("<w:instrText> name\" </w:instrText>") + mark("separate")
                        + "<w:r><w:rPr><w:i/></w:rPr><w:t>\u00abLender name\u00bb</w:t></w:r>" + mark("end")
                        + run("<w:t>!</w:t>") + "</w:p>";
        Wording wording = Wording.compile(WordFile.open(new WordDraft().raw(xml).bytes()), Set.of());
        assertThat(wording.found().fields()).containsExactly("Lender_name");
        byte[] merged = wording.merge(Map.of("Lender_name", new Value.Text("Ida")), Locale.UK);
        assertThat(DocxText.body(merged)).isEqualTo("Ida!");
        assertThat(DocxText.xml(merged, "word/document.xml"))
                .contains("<w:rPr><w:i/></w:rPr><w:t xml:space=\"preserve\">Ida")
                .doesNotContain("fldChar");
    }

    @Test
    void otherFieldsStayAsTheyAre() {
        String xml = "<w:p>" + mark("begin") + run("<w:instrText>PAGE</w:instrText>") + mark("separate")
                + run("<w:t>1</w:t>") + mark("end") + "<w:r><w:t>{{lender_name}}</w:t></w:r></w:p>";
        assertThat(DocxText.xml(file(xml), "word/document.xml")).contains("PAGE", "fldCharType=\"end\"");
    }

    @Test
    void contentControlsInALineAndAsAParagraphAreFields() {
        String control =
                "<w:sdt><w:sdtPr><w:alias w:val=\"Lender\"/><w:tag w:val=\"lender_name\"/><w:text/></w:sdtPr><w:sdtContent>%s</w:sdtContent></w:sdt>";
        String hint = "<w:r><w:rPr><w:rStyle w:val=\"PlaceholderText\"/></w:rPr><w:t>Click to enter</w:t></w:r>";
        assertThat(merged("<w:p>" + control.formatted(hint) + run("<w:t>.</w:t>") + "</w:p>"))
                .isEqualTo("Ida.");
        byte[] block = file(control.formatted("<w:p><w:pPr><w:jc w:val=\"right\"/></w:pPr>" + hint + "</w:p>"));
        assertThat(DocxText.body(block)).isEqualTo("Ida");
        assertThat(DocxText.xml(block, "word/document.xml"))
                .contains("<w:jc w:val=\"right\"/>")
                .doesNotContain("PlaceholderText");
    }

    @Test
    void aContentsListIsNoField() {
        assertThat(
                        merged(
                                "<w:sdt><w:sdtPr><w:tag w:val=\"lender_name\"/><w:docPartObj><w:docPartGallery w:val=\"Table of Contents\"/></w:docPartObj></w:sdtPr><w:sdtContent><w:p><w:r><w:t>Contents</w:t></w:r></w:p></w:sdtContent></w:sdt>"))
                .isEqualTo("Contents");
    }

    @Test
    void smartTagsAndProofingMarksDoNotHideATag() {
        assertThat(
                        merged(
                                "<w:p><w:r><w:t>{{</w:t></w:r><w:proofErr w:type=\"spellStart\"/><w:smartTag w:uri=\"urn:x\" w:element=\"place\"><w:r w:rsidR=\"1\"><w:t>lender</w:t></w:r></w:smartTag><w:r><w:t>_name</w:t></w:r><w:bookmarkStart w:id=\"1\" w:name=\"b\"/><w:r><w:t>}}</w:t></w:r><w:bookmarkEnd w:id=\"1\"/></w:p>"))
                .isEqualTo("Ida");
    }

    @Test
    void bothCopiesOfATextBoxAreFilled() {
        String box = "<w:txbxContent><w:p><w:r><w:t>To {{lender_name}}</w:t></w:r></w:p></w:txbxContent>";
        String xml =
                "<w:p><w:r><mc:AlternateContent xmlns:mc=\"http://schemas.openxmlformats.org/markup-compatibility/2006\"><mc:Choice Requires=\"wps\"><w:drawing><wps:txbx xmlns:wps=\"http://schemas.microsoft.com/office/word/2010/wordprocessingShape\">"
                        + box
                        + "</wps:txbx></w:drawing></mc:Choice><mc:Fallback><w:pict><v:textbox xmlns:v=\"urn:schemas-microsoft-com:vml\">"
                        + box
                        + "</v:textbox></w:pict></mc:Fallback></mc:AlternateContent></w:r></w:p>";
        assertThat(DocxText.xml(file(xml), "word/document.xml").split(">Ida<").length - 1)
                .isEqualTo(2);
    }

    @Test
    void aTagInALinksWordsAndInItsAddressIsFilled() {
        WordFile file = WordFile.open(new WordDraft()
                .raw(
                        "<w:p><w:hyperlink r:id=\"rId9\"><w:r><w:t>Write to {{lender_name}}</w:t></w:r></w:hyperlink></w:p>")
                .bytes());
        file.parts()
                .computeIfPresent(
                        "word/_rels/document.xml.rels",
                        (n, rels) -> new String(rels)
                                .replace(
                                        "</Relationships>",
                                        "<Relationship Id=\"rId9\" Type=\"" + InlinePicture.OFFICE
                                                + "/hyperlink\" Target=\"https://example.org/%7B%7Breference%7D%7D\" TargetMode=\"External\"/></Relationships>")
                                .getBytes());
        Wording wording = Wording.compile(file, Set.of());
        assertThat(wording.found().fields()).containsExactly("lender_name", "reference");
        byte[] merged = wording.merge(
                Map.of("lender_name", new Value.Text("Ida"), "reference", new Value.Text("a b/c")), Locale.UK);
        assertThat(DocxText.body(merged)).isEqualTo("Write to Ida");
        assertThat(DocxText.xml(merged, "word/_rels/document.xml.rels")).contains("https://example.org/a%20b%2Fc\"");
    }

    @Test
    void trackedChangesAndCommentsAreReported() {
        String xml =
                "<w:p><w:ins w:id=\"1\" w:author=\"A\"><w:r><w:t>new words</w:t></w:r></w:ins><w:del w:id=\"2\" w:author=\"A\"><w:r><w:delText>old</w:delText></w:r></w:del></w:p>";
        List<Diagnostic> found = Wording.compile(
                        WordFile.open(new WordDraft().raw(xml).bytes()), Set.of())
                .diagnostics();
        assertThat(found).extracting(Diagnostic::code).containsExactly("tracked-changes");
        assertThat(found.get(0).message().toString()).startsWith("2 tracked changes");
        assertThat(found.get(0).place()).contains("new words");
    }
}
