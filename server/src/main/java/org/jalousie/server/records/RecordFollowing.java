package org.jalousie.server.records;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.jalousie.core.agreement.Agreement;
import org.jalousie.core.agreement.AgreementNumber;
import org.jalousie.core.agreement.Entry;
import org.jalousie.core.agreement.State;
import org.jalousie.core.records.RecordStep;
import org.jalousie.server.agreement.AfterEvents;
import org.jalousie.server.agreement.Agreements;
import org.jalousie.server.intake.RowIntake;
import org.springframework.beans.factory.ObjectProvider;
import org.springframework.core.annotation.Order;
import org.springframework.stereotype.Component;

/** Notes what happens to agreements that were made of records, in the transaction in which it happens. */
@Component
@Order(3)
class RecordFollowing implements AfterEvents {
    private final FollowedRecords followed;
    private final RecordSteps steps;
    private final ObjectProvider<Agreements> agreements;
    private final ObjectProvider<RowIntake> intake;

    RecordFollowing(
            FollowedRecords followed,
            RecordSteps steps,
            ObjectProvider<Agreements> agreements,
            ObjectProvider<RowIntake> intake) {
        this.followed = followed;
        this.steps = steps;
        this.agreements = agreements;
        this.intake = intake;
    }

    @Override
    public void happened(UUID id, Agreement agreement, List<Entry> history, List<Entry> happened) {
        List<RecordStep> happenedNow = happened.stream()
                .map(one -> RecordStep.of(one.event()))
                .flatMap(Optional::stream)
                .filter(step -> step != RecordStep.SEEN || agreement.state() == State.OUT)
                .toList();
        // most agreements are of no record, which costs them one look
        if (happenedNow.isEmpty() || !followed.any()) return;
        RowIntake.Whole whole = intake.getObject().whole(agreement.created().request());
        AgreementNumber number = agreement.created().number();
        // another one has taken its place
        if (!whole.agreements().contains(number)) return;
        // several that go on at one moment wait here, so that the last one sees what became of the others
        for (FollowedRecords.OfRequest record : followed.ofRequest(whole.number())) {
            List<RecordStep> now = whole.agreements().size() == 1
                    ? happenedNow
                    : List.of(RecordStep.together(together(whole, number, agreement)));
            for (RecordStep step : now) note(record, step, agreement);
        }
    }

    private List<RecordStep> together(RowIntake.Whole whole, AgreementNumber number, Agreement agreement) {
        List<RecordStep> all = new ArrayList<>(List.of(RecordStep.of(agreement.state(), seen(agreement))));
        for (AgreementNumber other : whole.agreements()) {
            if (other.equals(number) || agreements.getObject().known(other).isEmpty()) continue;
            Agreement read = agreements.getObject().read(agreements.getObject().idOf(other));
            all.add(RecordStep.of(read.state(), seen(read)));
        }
        return all;
    }

    private static boolean seen(Agreement agreement) {
        return !agreement.viewed().isEmpty();
    }

    private void note(FollowedRecords.OfRequest record, RecordStep step, Agreement agreement) {
        RecordSteps.SoFar soFar = steps.soFar(record.system(), record.key(), record.round());
        String number = agreement.created().number().value();
        boolean same = soFar.last().filter(step::equals).isPresent()
                && soFar.agreement().equals(number);
        if (same || step == RecordStep.RECEIVED) return;
        followed.agreement(record, number);
        steps.add(
                record.system(),
                record.key(),
                record.round(),
                step,
                number,
                step.inVain() ? agreement.endReason() : "");
    }
}
