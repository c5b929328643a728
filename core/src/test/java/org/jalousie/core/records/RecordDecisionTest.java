package org.jalousie.core.records;

import static org.assertj.core.api.Assertions.assertThat;
import static org.jalousie.core.records.RecordDecision.FORGET;
import static org.jalousie.core.records.RecordDecision.LEAVE;
import static org.jalousie.core.records.RecordDecision.TAKE;
import static org.jalousie.core.records.RecordDecision.WRITE_AGAIN;

import java.util.List;
import java.util.Optional;
import org.jalousie.core.agreement.State;
import org.junit.jupiter.api.Test;

class RecordDecisionTest {
    @Test
    void aRecordIsTakenOnce() {
        assertThat(RecordDecision.of(true, false, false, false, false, Optional.empty()))
                .isEqualTo(TAKE);
        assertThat(RecordDecision.of(false, false, false, false, false, Optional.empty()))
                .isEqualTo(FORGET);
        for (RecordStep last :
                List.of(RecordStep.RECEIVED, RecordStep.MADE, RecordStep.SENT, RecordStep.SEEN, RecordStep.COMPLETED)) {
            assertThat(RecordDecision.of(true, true, false, true, true, Optional.of(last)))
                    .isEqualTo(LEAVE);
            assertThat(RecordDecision.of(true, true, false, false, true, Optional.of(last)))
                    .isEqualTo(WRITE_AGAIN);
            assertThat(RecordDecision.of(false, true, false, false, true, Optional.of(last)))
                    .isEqualTo(LEAVE);
        }
    }

    @Test
    void oneThatCameToNothingIsTakenOnceMoreWhenSomebodyWantsIt() {
        for (RecordStep last :
                List.of(RecordStep.DECLINED, RecordStep.EXPIRED, RecordStep.WITHDRAWN, RecordStep.FAULTY)) {
            assertThat(RecordDecision.of(true, true, false, false, true, Optional.of(last)))
                    .isEqualTo(TAKE);
            // it says so still, since nothing was written yet
            assertThat(RecordDecision.of(true, true, false, true, true, Optional.of(last)))
                    .isEqualTo(LEAVE);
            assertThat(RecordDecision.of(true, true, false, false, false, Optional.of(last)))
                    .isEqualTo(WRITE_AGAIN);
            assertThat(RecordDecision.of(false, true, false, false, true, Optional.of(last)))
                    .isEqualTo(LEAVE);
        }
    }

    @Test
    void severalAgreementsHaveComeAsFarAsTheLastOfThem() {
        assertThat(RecordStep.together(List.of(RecordStep.COMPLETED, RecordStep.MADE)))
                .isEqualTo(RecordStep.MADE);
        assertThat(RecordStep.together(List.of(RecordStep.COMPLETED, RecordStep.COMPLETED)))
                .isEqualTo(RecordStep.COMPLETED);
        assertThat(RecordStep.together(List.of(RecordStep.MADE, RecordStep.DECLINED)))
                .isEqualTo(RecordStep.DECLINED);
        assertThat(RecordStep.together(List.of())).isEqualTo(RecordStep.RECEIVED);
    }

    @Test
    void stepsFollowTheStates() {
        assertThat(RecordStep.of(State.OUT, false)).isEqualTo(RecordStep.SENT);
        assertThat(RecordStep.of(State.OUT, true)).isEqualTo(RecordStep.SEEN);
        assertThat(RecordStep.of(State.GENERATING, false)).isEqualTo(RecordStep.RECEIVED);
        for (State state : State.values())
            assertThat(RecordStep.of(state, true).inVain()).isEqualTo(state.ended() && state != State.COMPLETED);
    }
}
