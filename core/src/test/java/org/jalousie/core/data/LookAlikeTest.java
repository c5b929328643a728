package org.jalousie.core.data;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class LookAlikeTest {
    @ParameterizedTest
    @CsvSource({
        "loan_begins, Loanbegins",
        "borrower, borrowed",
        "recipient_name, recipeint_name",
        "recipient_name, recpieint_name",
        "insured_value, insured_valeus",
        "abcdefghi, bacdefgih"
    })
    void oneSlipOrTwoAreMeant(String name, String known) {
        assertThat(LookAlike.of(name, List.of("something_else", name, known))).contains(known);
        assertThat(LookAlike.of(known, List.of(name))).contains(name);
    }

    @ParameterizedTest
    @CsvSource({
        "loan_begins, loan_ends",
        "line_1, line_2",
        "abcd, abce",
        "recipient_name, recipient_mail_address",
        "abcdefghi, cbadefihg"
    })
    void othersAreTwoThings(String name, String known) {
        assertThat(LookAlike.of(name, List.of(known, name))).isEmpty();
    }

    @Test
    void theNearestIsMeant() {
        assertThat(LookAlike.among(List.of("insured_valeus", "insuredvalue", "insured_valu"))
                        .to("insured_value"))
                .contains("insuredvalue");
    }
}
