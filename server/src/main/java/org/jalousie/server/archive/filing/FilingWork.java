package org.jalousie.server.archive.filing;

import java.time.Duration;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.UUID;
import org.jalousie.core.data.Sha256;
import org.jalousie.core.filing.FilingIndex;
import org.jalousie.core.filing.FilingRule;
import org.jalousie.core.messages.Message;
import org.jalousie.server.adapters.ServiceAway;
import org.jalousie.server.agreement.EndedAgreements;
import org.jalousie.server.files.FileStore;
import org.jalousie.server.jobs.JobKind;
import org.jalousie.server.jobs.JobWork;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.stereotype.Component;
import org.springframework.transaction.support.TransactionTemplate;

/**
 * Files what waits: one job for each target, so that one that doesn't answer holds up no other. Whose a path is is kept before a
 * file is put there, and that it is there after it, so a server that stops at any moment goes on where it was: what is there
 * already is found to be the same.
 */
@Component
class FilingWork implements JobWork {
    private static final Logger LOG = LoggerFactory.getLogger(FilingWork.class);
    private static final Duration AT_ONCE = Duration.ofSeconds(20);
    private static final int GATHERED = 500;
    private static final int MONTH = "2027-03".length();

    private final Targets targets;
    private final Filings filings;
    private final FilingPlan plans;
    private final FilingDoors doors;
    private final EndedAgreements ended;
    private final FileStore files;
    private final TransactionTemplate transaction;

    FilingWork(
            Targets targets,
            Filings filings,
            FilingPlan plans,
            FilingDoors doors,
            EndedAgreements ended,
            FileStore files,
            TransactionTemplate transaction) {
        this.targets = targets;
        this.filings = filings;
        this.plans = plans;
        this.doors = doors;
        this.ended = ended;
        this.files = files;
        this.transaction = transaction;
    }

    @Override
    public JobKind kind() {
        return JobKind.FILING;
    }

    @Override
    public boolean run(String instance) {
        UUID id = UUID.fromString(instance);
        long start = System.nanoTime();
        try {
            while (System.nanoTime() - start < AT_ONCE.toNanos()) {
                // it may have been paused, removed or changed since the last one
                Optional<Targets.Target> target = targets.find(id).filter(one -> !one.paused());
                if (target.isEmpty()) return false;
                if (target.get().gathering()) gather(target.get());
                else if (!fileNext(target.get())) break;
            }
            targets.find(id).filter(one -> !one.paused()).ifPresent(this::index);
        } catch (FilingTarget.Away away) {
            targets.away(id, away.said().toString());
        }
        return false;
    }

    /** Finds what was completed before there was this target, some at a time. */
    private void gather(Targets.Target target) {
        List<EndedAgreements.Completed> found = ended.completed(target.gathered(), GATHERED);
        transaction.executeWithoutResult(status -> {
            // it may have been removed, or be gathering for other terms by now
            Optional<Targets.Target> now = targets.held(target.id()).filter(one -> one.revision() == target.revision());
            if (now.isEmpty()) return;
            filings.add(
                    target.id(),
                    found.stream()
                            .filter(one -> target.terms().takes(one.template()))
                            .map(EndedAgreements.Completed::id)
                            .toList());
            targets.gathered(
                    target.id(),
                    found.size() < GATHERED
                            ? Optional.empty()
                            : Optional.of(found.get(found.size() - 1).id()));
        });
    }

    /** @return whether there was one */
    private boolean fileNext(Targets.Target target) {
        Optional<Filings.Next> next = filings.next(target.id());
        if (next.isEmpty()) return false;
        UUID agreement = next.get().agreement();
        try {
            if (next.get().leaving()) takeAway(target, agreement);
            else file(target, agreement);
            targets.answers(target.id());
        } catch (FilingTarget.Away | ServiceAway away) {
            throw away;
        } catch (RuntimeException e) {
            // by its kind only: the message may hold a path, which says who has signed what
            LOG.warn("agreement {} can't be filed: {}", agreement, e.getClass().getSimpleName());
            String fault = e instanceof FileStore.Damaged || e instanceof FilingTarget.DoesNotFit
                    ? e.getMessage()
                    : Message.of("filing.cant", "kind", e.getClass().getSimpleName())
                            .toString();
            if (next.get().leaving()) filings.leavesLater(target.id(), agreement, fault);
            else filings.failed(target.id(), agreement, fault);
        }
        return true;
    }

    /** Takes away what lies at an agreement's paths and is still what was filed there; what is somebody else's stays. */
    private void takeAway(Targets.Target target, UUID agreement) {
        List<String> paths = filings.paths(target.id(), agreement);
        if (!paths.isEmpty()) {
            Set<Sha256> ours = plans.of(target.terms(), agreement).all();
            try (FilingTarget door = doors.to(target.terms(), target.credential())) {
                paths.forEach(path -> door.takeAway(path, ours));
            }
        }
        transaction.executeWithoutResult(status -> {
            // it may be another place by now, at which nothing of it is
            if (targets.held(target.id())
                    .filter(one -> one.revision() == target.revision())
                    .isPresent()) filings.left(target.id(), agreement);
        });
    }

    private void file(Targets.Target target, UUID agreement) {
        try (FilingTarget door = doors.to(target.terms(), target.credential())) {
            file(target, agreement, door);
        }
    }

    private void file(Targets.Target target, UUID agreement, FilingTarget door) {
        FilingPlan.Plan plan = plans.of(target.terms(), agreement);
        Set<String> others = new HashSet<>();
        List<String> paths = filings.paths(target.id(), agreement);
        while (paths.size() != plan.files().size() || !put(door, plan, paths, others)) {
            boolean held = Boolean.TRUE.equals(transaction.execute(status -> {
                if (targets.held(target.id()).isEmpty()) return false;
                filings.giveBack(target.id(), agreement);
                filings.take(
                        target.id(),
                        agreement,
                        plan.settled(
                                wanted -> filings.taken(target.id(), wanted).isEmpty()
                                        && wanted.stream().map(FilingRule::key).noneMatch(others::contains)));
                return true;
            }));
            if (!held) return;
            paths = filings.paths(target.id(), agreement);
        }
        FilingIndex.FiledAgreement entry = plan.entry(paths);
        transaction.executeWithoutResult(status -> {
            // it may be another place by now, to which it is filed anew
            if (targets.held(target.id())
                    .filter(one -> one.revision() == target.revision())
                    .isPresent())
                filings.filed(target.id(), agreement, entry.completed().substring(0, MONTH), entry);
        });
    }

    /** @param others paths at which something else was found @return whether all are there */
    private boolean put(FilingTarget door, FilingPlan.Plan plan, List<String> paths, Set<String> others) {
        for (int i = 0; i < paths.size(); i++) {
            byte[] bytes = files.get(plan.files().get(i).file());
            if (door.put(paths.get(i), bytes) == FilingTarget.Put.OTHER) {
                others.add(FilingRule.key(paths.get(i)));
                return false;
            }
        }
        return true;
    }

    private void index(Targets.Target target) {
        List<String> months = filings.unindexed(target.id());
        if (months.isEmpty()) return;
        try (FilingTarget door = doors.to(target.terms(), target.credential())) {
            index(target, months, door);
        }
    }

    private void index(Targets.Target target, List<String> months, FilingTarget door) {
        for (String month : months) {
            List<UUID> left = filings.leftOf(target.id(), month);
            List<Filings.Entry> entries = filings.entries(target.id(), month);
            List<FilingIndex.FiledAgreement> filed = new ArrayList<>();
            entries.forEach(one -> filed.add(one.filed()));
            door.replace(FilingIndex.path(month, "csv"), FilingIndex.csv(filed));
            door.replace(FilingIndex.path(month, "json"), FilingIndex.json(filed));
            List<UUID> told = new ArrayList<>(left);
            entries.forEach(one -> told.add(one.agreement()));
            filings.indexed(target.id(), told);
        }
    }
}
