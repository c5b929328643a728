package org.jalousie.core.filing;

import static org.assertj.core.api.Assertions.assertThat;

import org.jalousie.core.agreement.AgreementNumber;
import org.junit.jupiter.api.Test;

class FilingTest {
    @Test
    void aFileIsNamedByNumberAndTitleWithoutWhatFileSystemsRefuse() {
        assertThat(FileNames.of(new AgreementNumber("A-1"), "Loan: \"viola\" / bow?", "signing record", "pdf"))
                .isEqualTo("A-1 Loan viola bow - signing record.pdf");
        assertThat(FileNames.of(new AgreementNumber("A-1"), "x".repeat(300), "", "pdf"))
                .hasSize(124);
    }

    @Test
    void numbersNamesAddressesAndAmountsAreFoundAsTheyAreWritten() {
        assertThat(SearchWords.of("A-2026-0007, Ida Marsh. ida@example.org \u20ac12,500.00"))
                .containsExactly("a", "2026", "0007", "ida", "marsh", "ida@example.org", "12", "500.00");
    }
}
