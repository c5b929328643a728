package org.jalousie.core.wording;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.zip.ZipEntry;
import java.util.zip.ZipOutputStream;
import org.jalousie.core.wording.write.WordDraft;
import org.junit.jupiter.api.Test;

class WordFileTest {
    private static byte[] with(String part, String content) {
        return with(part, content.getBytes(StandardCharsets.UTF_8));
    }

    private static byte[] with(String part, byte[] content) {
        Map<String, byte[]> parts = new LinkedHashMap<>(
                WordFile.open(new WordDraft().paragraph("x").bytes()).parts());
        parts.put(part, content);
        return WordFile.zip(parts);
    }

    private static void refused(byte[] file, String... words) {
        assertThatThrownBy(() -> WordFile.open(file))
                .isInstanceOf(UnacceptableFile.class)
                .hasMessageContainingAll(words);
    }

    @Test
    void whatIsNoWordFileIsRefusedWithWhatToDo() {
        refused("just text".getBytes(StandardCharsets.UTF_8), "not a Word file", "Save");
        refused(new byte[] {(byte) 0xD0, (byte) 0xCF, 0x11, (byte) 0xE0, 0, 0, 0, 0, 0}, "password", ".docx");
        refused(WordFile.zip(Map.of("a.txt", new byte[3])), "not a Word file");
        byte[] whole = new WordDraft().paragraph("x").bytes();
        assertThatThrownBy(() -> WordFile.open(java.util.Arrays.copyOf(whole, whole.length / 3)))
                .isInstanceOf(UnacceptableFile.class);
    }

    @Test
    void aDocumentTypeIsRefused() {
        refused(
                with("word/document.xml", "<!DOCTYPE w [<!ENTITY x SYSTEM \"file:///etc/passwd\">]><w>&x;</w>"),
                "document type",
                "word/document.xml");
    }

    @Test
    void macrosAreRefused() {
        refused(with("word/vbaProject.bin", "x"), "macros");
    }

    @Test
    void aFileThatUnpacksToTooMuchIsRefusedBeforeItFillsTheMemory() throws IOException {
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        try (ZipOutputStream zip = new ZipOutputStream(out)) {
            byte[] zeros = new byte[1 << 20];
            zip.putNextEntry(new ZipEntry("word/document.xml"));
            for (int i = 0; i < 300; i++) zip.write(zeros);
        }
        assertThat(out.size()).isLessThan(1 << 20);
        refused(out.toByteArray(), "100 MB");
    }

    @Test
    void aSmallFileThatBecomesMillionsOfElementsIsRefused() {
        String body = "<w:document xmlns:w=\"http://schemas.openxmlformats.org/wordprocessingml/2006/main\"><w:body>"
                + "<w:p/>".repeat(2_000_000) + "</w:body></w:document>";
        byte[] file = with("word/document.xml", body);
        assertThat(file.length).isLessThan(1 << 20);
        refused(file, "becomes too large");
    }

    @Test
    void aDocumentTypeIsFoundInPartsOfAnyNameAndEncoding() {
        String xml = "<?xml version=\"1.0\"?><!DOCTYPE x [<!ENTITY y SYSTEM \"file:///etc/passwd\">]><x>&y;</x>";
        for (String name : List.of("word/odd.bin", "word/DRAWING.VML", "customXml/item1.XML", "word/media/x.png"))
            refused(with(name, xml), "document type");
        for (java.nio.charset.Charset charset : List.of(StandardCharsets.UTF_16, StandardCharsets.UTF_16LE))
            refused(
                    with(
                            "word/odd.bin",
                            xml.replace("?>", " encoding=\"UTF-16\"?>").getBytes(charset)),
                    "");
    }

    @Test
    void macrosAreFoundHoweverTheyAreSpelled() {
        for (String name :
                List.of("word/vbaProject.bin", "word/VbaProject.BIN", "word/VBADATA.xml", "word/ActiveX/a.bin"))
            refused(with(name, "x"), "macros");
    }

    private static final String OFFICE = "http://schemas.openxmlformats.org/officeDocument/2006/relationships";

    private static String kept(String rels, String body) {
        byte[] file = with(
                "word/_rels/document.xml.rels",
                "<Relationships xmlns=\"http://schemas.openxmlformats.org/package/2006/relationships\">" + rels
                        + "</Relationships>");
        String document =
                "<w:document xmlns:w=\"http://schemas.openxmlformats.org/wordprocessingml/2006/main\" xmlns:r=\""
                        + OFFICE + "\" xmlns:a=\"http://schemas.openxmlformats.org/drawingml/2006/main\"><w:body><w:p>"
                        + body
                        + "</w:p></w:body></w:document>";
        Map<String, byte[]> parts = Zips.parts(file);
        parts.put("word/document.xml", document.getBytes(StandardCharsets.UTF_8));
        return new String(
                WordFile.open(Zips.of(parts)).parts().get("word/_rels/document.xml.rels"), StandardCharsets.UTF_8);
    }

    @Test
    void linksToTheAddressKeptForSigningFieldsLeadNowhere() {
        byte[] file = new WordDraft()
                .paragraph("Words about https://field.invalid/3 stay.")
                .raw(
                        "<w:p><w:fldSimple w:instr=\" HYPERLINK &quot;https://field.invalid/1&quot; \"><w:r><w:t>a</w:t></w:r></w:fldSimple></w:p>")
                .raw(
                        "<w:p><w:r><w:instrText xml:space=\"preserve\"> HYPERLINK \"HTTPS://Field.Invalid/2\" </w:instrText></w:r></w:p>")
                .raw("<w:p><w:hyperlink r:id=\"a\"><w:r><w:t>x</w:t></w:r></w:hyperlink></w:p>")
                .bytes();
        Map<String, byte[]> parts = Zips.parts(file);
        String rels = new String(parts.get("word/_rels/document.xml.rels"), StandardCharsets.UTF_8);
        parts.put(
                "word/_rels/document.xml.rels",
                rels.replace(
                                "</Relationships>",
                                external("a", OFFICE + "/hyperlink", "https://field.invalid/4") + "</Relationships>")
                        .getBytes(StandardCharsets.UTF_8));
        Map<String, byte[]> opened = Zips.parts(WordFile.open(Zips.of(parts)).bytes());
        String body = new String(opened.get("word/document.xml"), StandardCharsets.UTF_8);
        assertThat(body).contains("about https://field.invalid/3 stay").contains("field.invalid/of-another-file/1");
        assertThat(body.toLowerCase(java.util.Locale.ROOT)).doesNotContain("field.invalid/2");
        assertThat(new String(opened.get("word/_rels/document.xml.rels"), StandardCharsets.UTF_8))
                .contains("field.invalid/of-another-file/")
                .doesNotContain("field.invalid/4");
    }

    private static String external(String id, String type, String target) {
        return "<Relationship Id=\"" + id + "\" Type=\"" + type + "\" Target=\"" + target
                + "\" TargetMode=\"External\"/>";
    }

    @Test
    void onlyLinksThatAReaderFollowsLeadOut() {
        String link = "<w:hyperlink r:id=\"a\"><w:r><w:t>x</w:t></w:r></w:hyperlink>";
        assertThat(kept(external("a", OFFICE + "/hyperlink", "https://www.example.org"), link))
                .contains("www.example.org");
        Map<String, String> cut = new LinkedHashMap<>();
        cut.put(external("a", OFFICE + "/attachedTemplate", "https://x.example.org/t.dotm"), "");
        cut.put(external("a", OFFICE + "/hyperlink", "https://x.example.org/p.png"), "<a:blip r:link=\"a\"/>");
        cut.put(external("a", "x/hyperlink", "https://x.example.org/p.png"), "<a:blip r:embed=\"a\"/>");
        cut.put(external("a", OFFICE + "/hyperlink", "file:///etc/hostname"), link + "<a:blip r:link=\"a\"/>");
        cut.put(external("a", OFFICE + "/hyperlink", "https://x.example.org/unused"), "");
        cut.put(external("a", OFFICE + "/image", "https://x.example.org/p.png"), link);
        cut.put(
                external("a", OFFICE + "/hyperlink", "https://x.example.org/one")
                        + external("a", OFFICE + "/image", "https://x.example.org/two"),
                link);
        cut.put(
                "<Relationship Id=\"a\" Type=\"" + OFFICE + "/image\" Target=\"file:///etc/x.example.org\"/>",
                "<a:blip r:embed=\"a\"/>");
        cut.put(
                "<Relationship Id=\"a\" Type=\"" + OFFICE + "/image\" Target=\"//x.example.org/p.png\"/>",
                "<a:blip r:embed=\"a\"/>");
        cut.forEach((rels, body) -> assertThat(kept(rels, body)).as(rels + body).doesNotContain("x.example.org"));
    }
}
