package org.jalousie.server.archive.retention;

import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.time.LocalDate;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import java.util.stream.Collectors;
import org.jalousie.core.agreement.AgreementNumber;
import org.jalousie.core.filing.retention.RetentionRule;
import org.jalousie.core.messages.Message;
import org.jalousie.server.Refusal;
import org.jalousie.server.archive.filing.FiledCopies;
import org.jalousie.server.jobs.JobKind;
import org.jalousie.server.jobs.Jobs;
import org.jalousie.server.trail.Trail;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** What the office decides about how long agreements are kept. Whoever decides holds the agreement meanwhile. */
@Service
class RetentionActs {
    /** How long it can be taken back that an agreement goes. */
    static final Duration GRACE = Duration.ofDays(1);

    /** How many are decided about at once. */
    private static final int MOST = 500;

    private static final int MOST_OF_ALL = 1_000;
    private static final int LONGEST_REASON = 2_000;

    private final Trail trail;
    private final KeptAgreements kept;
    private final Holds holds;
    private final Destructions destructions;
    private final RetentionLists lists;
    private final FiledCopies copies;
    private final Jobs jobs;
    private final Clock clock;

    RetentionActs(
            Trail trail,
            KeptAgreements kept,
            Holds holds,
            Destructions destructions,
            RetentionLists lists,
            FiledCopies copies,
            Jobs jobs,
            Clock clock) {
        this.trail = trail;
        this.kept = kept;
        this.holds = holds;
        this.destructions = destructions;
        this.lists = lists;
        this.copies = copies;
        this.jobs = jobs;
        this.clock = clock;
    }

    /**
     * Some agreements go, after a day in which that can be taken back.
     *
     * @param copies whether the copies that were filed outside go, too
     * @return how many
     * @throws Refusal when one of them can't, with the reason by its number; then none does
     */
    @Transactional
    int confirm(List<AgreementNumber> numbers, boolean copies, String by) {
        List<String> wanted = names(numbers);
        destructions.lock(
                kept.named(wanted).stream().map(KeptAgreements.Kept::id).toList());
        Map<UUID, RetentionRule> rules = kept.rules();
        List<KeptAgreements.Kept> due = kept.due(rules, wanted, lists.today());
        if (due.size() < wanted.size()) throw refused(rules, wanted, due);
        return go(rules, due, copies, by);
    }

    /**
     * The same for all that are due.
     *
     * @param template of which; null for any
     * @param count how many there were when this was decided
     */
    @Transactional
    int confirmAll(UUID template, int count, boolean copies, String by) {
        Optional<UUID> of = Optional.ofNullable(template);
        Map<UUID, RetentionRule> rules = kept.rules();
        List<KeptAgreements.Kept> before = kept.due(rules, of, lists.today(), Optional.empty(), true, MOST_OF_ALL + 1);
        if (before.size() > MOST_OF_ALL) throw Refusal.invalid(Message.of("retention.too-many", "most", MOST_OF_ALL));
        destructions.lock(before.stream().map(KeptAgreements.Kept::id).toList());
        List<KeptAgreements.Kept> due = kept.due(rules, of, lists.today(), Optional.empty(), true, MOST_OF_ALL);
        if (due.size() != count) throw Refusal.conflict(Message.of("retention.others-due", "count", due.size()));
        return go(rules, due, copies, by);
    }

    private int go(Map<UUID, RetentionRule> rules, List<KeptAgreements.Kept> due, boolean copies, String by) {
        Instant now = clock.instant();
        for (KeptAgreements.Kept one : due) {
            RetentionRule rule = rules.get(one.template());
            LocalDate until = kept.until(rules, one).orElseThrow();
            destructions.confirm(one.id(), until, rule, copies, by, now, now.plus(GRACE));
            // it waits for its time by itself
            jobs.soon(JobKind.DESTRUCTION, one.id().toString());
        }
        if (!due.isEmpty()) trail.note(Message.of("act.retention.confirmed", "count", due.size()));
        return due.size();
    }

    private Refusal refused(Map<UUID, RetentionRule> rules, List<String> wanted, List<KeptAgreements.Kept> due) {
        Map<String, KeptAgreements.Kept> there =
                kept.named(wanted).stream().collect(Collectors.toMap(KeptAgreements.Kept::number, one -> one));
        Map<String, Message> faults = new LinkedHashMap<>();
        for (String number : wanted) {
            if (due.stream().anyMatch(one -> one.number().equals(number))) continue;
            faults.put(
                    number,
                    Optional.ofNullable(there.get(number))
                            .map(one -> why(rules, one))
                            .orElse(Message.of("agreement.none", "number", number)));
        }
        return Refusal.invalid(Message.of("retention.cant-go", "count", faults.size()), faults);
    }

    private Message why(Map<UUID, RetentionRule> rules, KeptAgreements.Kept one) {
        if (!one.state().ended()) return Message.of("retention.not-ended", "number", one.number());
        if (holds.inForce(one.id())) return Message.of("retention.held", "number", one.number());
        if (destructions.find(one.id()).isPresent())
            return Message.of("retention.going-already", "number", one.number());
        return kept.until(rules, one)
                .map(until -> Message.of("retention.kept-until", "number", one.number(), "day", until))
                .orElse(Message.of("retention.for-ever", "number", one.number()));
    }

    /** An agreement stays after all. @throws Refusal when nobody has confirmed that it goes, or it is gone */
    @Transactional
    void takeBack(AgreementNumber number) {
        if (!stays(held(List.of(number)).get(0).id()))
            throw Refusal.conflict(Message.of("retention.not-going", "number", number));
        // which one it was stays in its room alone, where it goes with it one day
        trail.note(Message.of("act.retention.taken-back"));
    }

    /** What was taken away of it outside meanwhile comes back. @return whether it was to be destroyed */
    private boolean stays(UUID agreement) {
        if (!destructions.takeBack(agreement)) return false;
        copies.bringBack(agreement);
        return true;
    }

    /** Agreements are kept until somebody lifts this; that one of them goes is taken back. @return how many */
    @Transactional
    int hold(List<AgreementNumber> numbers, String reason, String by) {
        String said = said(reason);
        if (said.isEmpty())
            throw Refusal.invalid(
                    Message.of("form.faults", "count", 1), Map.of("reason", Message.of("retention.why-held")));
        List<KeptAgreements.Kept> all = held(numbers);
        for (KeptAgreements.Kept one : all) {
            stays(one.id());
            holds.place(one.id(), said, by);
        }
        trail.note(Message.of("act.retention.held", "count", all.size()));
        return all.size();
    }

    /** A hold is over. @param because why; may be empty */
    @Transactional
    RetentionViews.AgreementRetention lift(UUID id, String because, String by) {
        Holds.Hold hold = holds.held(id).orElseThrow(() -> Refusal.notFound(Message.of("retention.no-hold")));
        if (hold.liftedAt().isPresent())
            throw Refusal.conflict(
                    Message.of("retention.lifted-already", "by", hold.liftedBy().orElse("")));
        holds.lift(id, said(because), by);
        trail.note(Message.of("act.retention.lifted"));
        return lists.of(new AgreementNumber(hold.number()));
    }

    /** Agreements as they stay until the end of the transaction. */
    private List<KeptAgreements.Kept> held(List<AgreementNumber> numbers) {
        List<String> wanted = names(numbers);
        destructions.lock(
                kept.named(wanted).stream().map(KeptAgreements.Kept::id).toList());
        // one may have gone until it was held
        List<KeptAgreements.Kept> all = kept.named(wanted);
        if (all.size() == wanted.size()) return all;
        List<String> there = all.stream().map(KeptAgreements.Kept::number).toList();
        String missing =
                wanted.stream().filter(one -> !there.contains(one)).findFirst().orElseThrow();
        throw Refusal.notFound(Message.of("agreement.none", "number", missing));
    }

    private static List<String> names(List<AgreementNumber> numbers) {
        List<String> names =
                numbers.stream().map(AgreementNumber::value).distinct().toList();
        if (names.isEmpty()) throw Refusal.invalid(Message.of("retention.none-chosen"));
        if (names.size() > MOST) throw Refusal.invalid(Message.of("retention.too-many", "most", MOST));
        return names;
    }

    private static String said(String text) {
        String said = text == null ? "" : text.strip().replace("\0", "");
        if (said.length() > LONGEST_REASON)
            throw Refusal.invalid(Message.of("retention.long-reason", "most", LONGEST_REASON));
        return said;
    }
}
