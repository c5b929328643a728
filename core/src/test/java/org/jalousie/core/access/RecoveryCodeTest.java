package org.jalousie.core.access;

import static org.assertj.core.api.Assertions.assertThat;

import java.security.SecureRandom;
import java.util.List;
import java.util.Locale;
import java.util.Set;
import org.junit.jupiter.api.Test;

class RecoveryCodeTest {
    @Test
    void aCodeIsReadAsPeopleTypeIt() {
        RecoveryCode code = RecoveryCode.random(new SecureRandom());
        assertThat(code.text()).matches("[a-z2-9]{4}-[a-z2-9]{4}-[a-z2-9]{4}").doesNotContainPattern("[ilo]");
        for (String typed : List.of(
                code.text(),
                code.text().toUpperCase(Locale.ROOT),
                code.text().replace("-", ""),
                " " + code.text().replace("-", " ") + " "))
            assertThat(RecoveryCode.read(typed)).contains(code);
        assertThat(RecoveryCode.read(code.text()).orElseThrow().hash()).isEqualTo(code.hash());
    }

    @Test
    void whatIsNoneIsNotRead() {
        for (String typed : List.of("", "abcd-efgh", "abcd-efgh-jkl1", "abcd-efgh-jkmn-p", "287082"))
            assertThat(RecoveryCode.read(typed)).as(typed).isEmpty();
    }

    @Test
    void rolesStandInOneOrder() {
        assertThat(Role.inOrder(Set.of(Role.READER, Role.ADMINISTRATOR, Role.APPROVER)))
                .containsExactly(Role.ADMINISTRATOR, Role.APPROVER, Role.READER);
        assertThat(Role.inOrder(List.of(Role.READER, Role.READER))).containsExactly(Role.READER);
    }
}
