package org.jalousie.core.access;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import org.junit.jupiter.api.Test;

class GroupRightTest {
    @Test
    void whoUsesSeesAndWhoPreparesSeesNoAgreements() {
        assertThat(GroupRight.with(List.of(GroupRight.USE))).containsExactly(GroupRight.USE, GroupRight.SEE);
        assertThat(GroupRight.with(List.of(GroupRight.PREPARE))).containsExactly(GroupRight.PREPARE);
        assertThat(GroupRight.with(List.of(GroupRight.SEE, GroupRight.SEE))).containsExactly(GroupRight.SEE);
        assertThat(GroupRight.with(List.of())).isEmpty();
        assertThat(GroupRight.with(List.of(GroupRight.PREPARE, GroupRight.USE))).isEqualTo(GroupRight.all());
    }
}
