package org.jalousie.server.today;

import java.time.Clock;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.UUID;
import org.jalousie.core.agreement.AgreementNumber;
import org.jalousie.core.agreement.Attention;
import org.jalousie.core.agreement.State;
import org.jalousie.core.messages.Message;
import org.jalousie.server.Refusal;
import org.jalousie.server.account.Sight;
import org.jalousie.server.adapters.Converter;
import org.jalousie.server.adapters.ServiceAway;
import org.jalousie.server.agreement.AgreementViews;
import org.jalousie.server.agreement.Agreements;
import org.jalousie.server.archive.dates.DateLists;
import org.jalousie.server.archive.retention.KeptLongEnough;
import org.jalousie.server.archive.roots.DailyRoots;
import org.jalousie.server.archive.stamps.StampLists;
import org.jalousie.server.intake.IntakeViews;
import org.jalousie.server.intake.WaitingRequests;
import org.jalousie.server.jobs.JobFailure;
import org.jalousie.server.jobs.Jobs;
import org.jalousie.server.jobs.Outages;
import org.jalousie.server.postroom.ReturnedCopies;
import org.jalousie.server.records.RecordTroubles;
import org.jalousie.server.web.Page;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;

/** What needs the coordinator now. */
@RestController
@RequestMapping("/api/v1/today")
class TodayController {
    private static final int LATELY = 8;
    private static final int MOST = 1000;

    private final Agreements agreements;
    private final WaitingRequests intake;
    private final Jobs jobs;
    private final Outages outages;
    private final Converter converter;
    private final RecordTroubles records;
    private final ReturnedCopies copies;
    private final DailyRoots roots;
    private final StampLists stamps;
    private final DateLists dates;
    private final KeptLongEnough kept;
    private final Clock clock;
    private final Sight sight;

    TodayController(
            Agreements agreements,
            WaitingRequests intake,
            Jobs jobs,
            Outages outages,
            Converter converter,
            RecordTroubles records,
            ReturnedCopies copies,
            DailyRoots roots,
            StampLists stamps,
            DateLists dates,
            KeptLongEnough kept,
            Clock clock,
            Sight sight) {
        this.sight = sight;
        this.agreements = agreements;
        this.intake = intake;
        this.jobs = jobs;
        this.outages = outages;
        this.converter = converter;
        this.records = records;
        this.copies = copies;
        this.roots = roots;
        this.stamps = stamps;
        this.dates = dates;
        this.kept = kept;
        this.clock = clock;
    }

    /** A job that was given up. */
    record Failed(AgreementNumber agreement, String reason, Instant since) {}

    /** @param waiting how many pieces of work wait for it and go on by themselves */
    record Notice(String title, String reason, Instant since, long waiting) {}

    /** @param roots what is kept and isn't what was time-stamped
     * @param stamps what isn't as it should be with archive time stamps
     * @param records systems with which something is amiss
     * @param keptOut in which somebody gave too many wrong answers to who they are
     * @param undelivered in which a mail came back
     * @param copies signed ones that came back
     * @param asked in which somebody waits for an answer of the office's
     * @param dates of completed agreements that come near
     * @param keptLongEnough how many wait for somebody to confirm that they are destroyed, up to a thousand */
    record Today(
            List<Notice> notices,
            List<DailyRoots.RootTrouble> roots,
            List<StampLists.StampTrouble> stamps,
            List<RecordTroubles.RecordTrouble> records,
            Page<Failed> failed,
            Page<IntakeViews.RequestRow> requests,
            Page<AgreementViews.AgreementItem> keptOut,
            Page<AgreementViews.AgreementItem> undelivered,
            Page<ReturnedCopies.ReturnedCopy> copies,
            Page<AgreementViews.AgreementItem> asked,
            Page<AgreementViews.AgreementItem> onPaper,
            Page<DateLists.NearDate> dates,
            Page<AgreementViews.AgreementItem> toCheck,
            Page<AgreementViews.AgreementItem> out,
            Page<AgreementViews.AgreementItem> ended,
            Page<AgreementViews.AgreementItem> completed,
            int keptLongEnough) {}

    /** What is away, told once however much waits for it. */
    private List<Notice> notices() {
        List<Notice> notices = new ArrayList<>();
        outages.now().forEach(one -> notices.add(new Notice(one.title(), one.reason(), one.since(), one.waiting())));
        String title = ServiceAway.Service.CONVERTER.title().toString();
        if (converter.away() && notices.stream().noneMatch(one -> one.title().equals(title)))
            notices.add(new Notice(title, Message.of("service.starting").toString(), clock.instant(), 0));
        return notices;
    }

    /**
     * What waits for the office.
     *
     * @param most how many of each at most, newest first; each list says how many there are
     */
    @GetMapping
    Today today(@RequestParam(defaultValue = "50") int most) {
        if (most < 1 || most > MOST) throw Refusal.malformed(Message.of("list.how-many", "most", MOST));
        // what is about all agreements is for those who see all
        boolean all = sight.seesAll();
        var failed = jobs.givenUp(most);
        Map<UUID, AgreementNumber> numbers =
                agreements.numbersOf(failed.map(JobFailure::agreementId).toSet());
        return new Today(
                notices(),
                all ? roots.troubles() : List.of(),
                all ? stamps.troubles() : List.of(),
                all ? records.now() : List.of(),
                new Page<>(
                        failed.map(failure -> new Failed(
                                        numbers.get(failure.agreementId()), failure.reason(), failure.failedAt()))
                                .getContent(),
                        failed.getTotalElements(),
                        0,
                        most),
                intake.waiting(most),
                agreements.needing(Attention.KEPT_OUT, most),
                agreements.needing(Attention.UNDELIVERED, most),
                copies.list(most),
                agreements.needing(Attention.ASKED, most),
                agreements.needing(Attention.ON_PAPER, most),
                dates.near(most),
                agreements.newest(Set.of(State.CHECK, State.GENERATING), most),
                agreements.newest(Set.of(State.OUT, State.SEALING), most),
                agreements.newest(Set.of(State.DECLINED, State.EXPIRED, State.WITHDRAWN), LATELY),
                agreements.newest(Set.of(State.COMPLETED), LATELY),
                all ? kept.count(MOST) : 0);
    }
}
