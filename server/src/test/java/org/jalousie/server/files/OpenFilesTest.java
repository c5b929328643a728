package org.jalousie.server.files;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.charset.StandardCharsets;
import org.jalousie.core.evidence.SignedSample;
import org.junit.jupiter.api.Test;

class OpenFilesTest {
    @Test
    void aNameIsOneThatEveryFileSystemTakes() {
        assertThat(OpenFiles.plain("../a\\b:c?.pdf", 100)).isEqualTo(".. a b c .pdf");
        assertThat(OpenFiles.plain("\u00a0 O\u0304ta.pdf\t", 100))
                .as("composed, without blanks at its ends")
                .isEqualTo("\u014cta.pdf");
        assertThat(OpenFiles.plain("x".repeat(200) + ".jpeg", 100)).hasSize(100).endsWith("x.jpeg");
        assertThat(OpenFiles.plain("\ud83c\udfbb".repeat(120), 100).codePointCount(0, 200))
                .isEqualTo(100);
        assertThat(OpenFiles.plain("y".repeat(98) + " " + "z".repeat(9), 100)).isEqualTo("y".repeat(98) + " z");
    }

    @Test
    void whatAFileIsIsToldByItsContent() {
        assertThat(OpenFiles.taken("%PDF-1.4".getBytes(StandardCharsets.US_ASCII)))
                .hasValueSatisfying(one -> assertThat(OpenFiles.typeOf(one)).isEqualTo("application/pdf"));
        assertThat(OpenFiles.taken(SignedSample.mark(3)))
                .hasValueSatisfying(one -> assertThat(OpenFiles.typeOf(one)).isEqualTo("image/png"));
        assertThat(OpenFiles.taken("<svg/>".getBytes(StandardCharsets.US_ASCII)))
                .isEmpty();
        assertThat(OpenFiles.taken(new byte[0])).isEmpty();
    }
}
