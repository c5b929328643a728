package org.jalousie.core.filing;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.Set;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class OneArchiveTest {
    @ParameterizedTest
    @CsvSource({
        "loan.pdf, loan.pdf",
        "../../etc/passwd, .._.._etc_passwd",
        "C:\\loan.pdf, C:_loan.pdf",
        "., _",
        ".., _",
        "'', _",
        "..., ..."
    })
    void aNameLeadsNowhere(String name, String plain) {
        assertThat(OneArchive.plain(name)).isEqualTo(plain);
    }

    @Test
    void whatNoNameMayHaveIsLeftOut() {
        assertThat(OneArchive.plain("a\0b\nc")).isEqualTo("a_b_c");
        assertThat(OneArchive.free("loan.pdf.ers", Set.of("loan.pdf.ers"))).isEqualTo("loan.pdf (2).ers");
    }
}
