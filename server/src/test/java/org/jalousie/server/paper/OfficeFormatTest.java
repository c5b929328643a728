package org.jalousie.server.paper;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.util.Map;
import java.util.Optional;
import java.util.zip.ZipEntry;
import java.util.zip.ZipOutputStream;
import org.junit.jupiter.api.Test;

class OfficeFormatTest {
    private static byte[] packed(Map<String, String> parts) throws IOException {
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        try (ZipOutputStream zip = new ZipOutputStream(out)) {
            for (Map.Entry<String, String> part : parts.entrySet()) {
                zip.putNextEntry(new ZipEntry(part.getKey()));
                zip.write(part.getValue().getBytes(StandardCharsets.UTF_8));
            }
        }
        return out.toByteArray();
    }

    private static byte[] compound(String stream) {
        byte[] head = {(byte) 0xD0, (byte) 0xCF, 0x11, (byte) 0xE0};
        byte[] name = stream.getBytes(StandardCharsets.UTF_16LE);
        byte[] all = new byte[head.length + 100 + name.length];
        System.arraycopy(head, 0, all, 0, head.length);
        System.arraycopy(name, 0, all, 60, name.length);
        return all;
    }

    @Test
    void filesAreToldByWhatIsInThem() throws IOException {
        assertThat(OfficeFormat.of(packed(Map.of("word/document.xml", "<x/>")))).hasValue(OfficeFormat.DOCX);
        assertThat(OfficeFormat.of(packed(Map.of("xl/workbook.xml", "<x/>")))).hasValue(OfficeFormat.XLSX);
        assertThat(OfficeFormat.of(packed(Map.of("ppt/presentation.xml", "<x/>"))))
                .hasValue(OfficeFormat.PPTX);
        assertThat(OfficeFormat.of(packed(Map.of("mimetype", "application/vnd.oasis.opendocument.text"))))
                .hasValue(OfficeFormat.ODT);
        assertThat(OfficeFormat.of("{\\rtf1 words}".getBytes(StandardCharsets.US_ASCII)))
                .hasValue(OfficeFormat.RTF);
        assertThat(OfficeFormat.of(compound("WordDocument"))).hasValue(OfficeFormat.DOC);
        assertThat(OfficeFormat.of(compound("Workbook"))).hasValue(OfficeFormat.XLS);
        assertThat(OfficeFormat.of(compound("PowerPoint Document"))).hasValue(OfficeFormat.PPT);
    }

    @Test
    void anythingElseIsNone() throws IOException {
        assertThat(OfficeFormat.of(new byte[0])).isEqualTo(Optional.empty());
        assertThat(OfficeFormat.of(packed(Map.of("a.txt", "words")))).isEmpty();
        assertThat(OfficeFormat.of(compound("Something"))).isEmpty();
        assertThat(OfficeFormat.of(new byte[] {'P', 'K', 3, 4, 9, 9, 9, 9, 9, 9}))
                .isEmpty();
    }

    @Test
    void whatBecomesMoreThanCanBeHeldIsNone() throws IOException {
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        try (ZipOutputStream zip = new ZipOutputStream(out)) {
            zip.putNextEntry(new ZipEntry("word/document.xml"));
            byte[] nothing = new byte[1 << 20];
            for (int i = 0; i < 401; i++) zip.write(nothing);
        }
        assertThat(OfficeFormat.of(out.toByteArray())).isEmpty();
    }
}
