package org.jalousie.server.today;

import java.time.Instant;
import java.util.List;
import java.util.Set;
import org.jalousie.core.agreement.State;
import org.jalousie.server.agreement.AgreementService;
import org.jalousie.server.agreement.AgreementViews;
import org.jalousie.server.intake.IntakeService;
import org.jalousie.server.intake.IntakeViews;
import org.jalousie.server.jobs.Jobs;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;

/** What needs the coordinator now. */
@RestController
@RequestMapping("/api/v1/today")
class TodayController {
    private static final int LATELY = 8;

    private final AgreementService agreements;
    private final IntakeService intake;
    private final Jobs jobs;

    TodayController(AgreementService agreements, IntakeService intake, Jobs jobs) {
        this.agreements = agreements;
        this.intake = intake;
        this.jobs = jobs;
    }

    /** A job that was given up. */
    record Failed(String agreement, String reason, Instant since) {}

    record Today(
            List<Failed> failed,
            List<IntakeViews.RequestRow> requests,
            List<AgreementViews.AgreementItem> toCheck,
            List<AgreementViews.AgreementItem> out,
            List<AgreementViews.AgreementItem> ended,
            List<AgreementViews.AgreementItem> completed) {}

    @GetMapping
    Today today() {
        return new Today(
                jobs.givenUp().stream()
                        .map(failure -> new Failed(
                                agreements.numberOf(failure.agreementId()), failure.reason(), failure.failedAt()))
                        .toList(),
                intake.waiting(),
                list(50, State.CHECK, State.GENERATING),
                list(50, State.OUT, State.SEALING),
                list(LATELY, State.DECLINED, State.EXPIRED, State.WITHDRAWN),
                list(LATELY, State.COMPLETED));
    }

    private List<AgreementViews.AgreementItem> list(int most, State... states) {
        return agreements.list(Set.of(states), "", 0).items().stream()
                .limit(most)
                .toList();
    }
}
