package org.jalousie.server.archive.retention;

import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.time.LocalDate;
import java.time.temporal.ChronoUnit;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import org.jalousie.core.evidence.OfficeStatement;
import org.jalousie.core.evidence.TrustService;
import org.jalousie.core.evidence.roots.Leaf;
import org.jalousie.core.filing.retention.RetentionRule;
import org.jalousie.core.filing.retention.Tombstone;
import org.jalousie.core.messages.Message;
import org.jalousie.server.agreement.GoneAgreements;
import org.jalousie.server.archive.filing.FiledCopies;
import org.jalousie.server.archive.roots.DailyRoots;
import org.jalousie.server.jobs.JobKind;
import org.jalousie.server.jobs.JobWork;
import org.jalousie.server.jobs.NotYet;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.stereotype.Component;
import org.springframework.transaction.support.TransactionTemplate;

/**
 * Lets an agreement go whose time has come: first its copies outside, then, in one transaction, all that is kept of it here. Stopped
 * at any moment, either it is there whole or its tombstone is.
 */
@Component
class DestructionWork implements JobWork {
    private static final Logger LOG = LoggerFactory.getLogger(DestructionWork.class);
    private static final Duration COPIES = Duration.ofSeconds(20);
    private static final Duration ROOT = Duration.ofMinutes(30);
    private static final Duration LONGER = Duration.ofDays(1);

    private final Destructions destructions;
    private final KeptAgreements kept;
    private final RetentionLists lists;
    private final GoneAgreements gone;
    private final FiledCopies copies;
    private final DailyRoots roots;
    private final TrustService trust;
    private final TransactionTemplate transaction;
    private final Clock clock;

    DestructionWork(
            Destructions destructions,
            KeptAgreements kept,
            RetentionLists lists,
            GoneAgreements gone,
            FiledCopies copies,
            DailyRoots roots,
            TrustService trust,
            TransactionTemplate transaction,
            Clock clock) {
        this.destructions = destructions;
        this.kept = kept;
        this.lists = lists;
        this.gone = gone;
        this.copies = copies;
        this.roots = roots;
        this.trust = trust;
        this.transaction = transaction;
        this.clock = clock;
    }

    @Override
    public JobKind kind() {
        return JobKind.DESTRUCTION;
    }

    @Override
    public boolean run(String instance) {
        UUID id = UUID.fromString(instance);
        // it may have been taken back, or be gone
        Optional<Destructions.Destruction> found = destructions.find(id);
        if (found.isEmpty()) return false;
        Destructions.Destruction one = found.get();
        Instant now = clock.instant().truncatedTo(ChronoUnit.MICROS);
        if (one.goesAt().isAfter(now)) throw new NotYet(one.goesAt());
        GoneAgreements.Ending ending = gone.ending(id);
        if (!isOver(one)) throw later(id, Message.of("retention.longer-now"), now.plus(LONGER));
        if (!roots.isCovered(new Leaf(one.number(), ending.events(), ending.lastHash())))
            throw later(id, Message.of("retention.waits-for-root"), now.plus(ROOT));
        if (one.copies()) {
            List<String> left = copies.takeBack(id);
            if (!left.isEmpty())
                throw later(
                        id,
                        Message.of("retention.waits-for-copies", "places", String.join(", ", left)),
                        now.plus(COPIES));
        }
        Tombstone stone = new Tombstone(
                one.number(),
                ending.templateName(),
                ending.state(),
                ending.created(),
                ending.ended(),
                one.keptUntil(),
                one.rule(),
                ending.events(),
                ending.lastHash(),
                one.by(),
                one.at(),
                one.copies(),
                now);
        // outside of any transaction: the trust service may take its time
        String seal = OfficeStatement.sign(stone.statement(), trust.officeSeal());
        if (Boolean.TRUE.equals(transaction.execute(status -> go(one, stone, seal))))
            LOG.info("agreement {} is destroyed at the end of its retention", id);
        else if (destructions.find(id).isPresent())
            throw later(id, Message.of("retention.longer-now"), now.plus(LONGER));
        return true;
    }

    /** What was decided may have changed while the trust service was asked; whoever changes it from now on comes too late. */
    private boolean go(Destructions.Destruction one, Tombstone stone, String seal) {
        destructions.lock(List.of(one.agreement()));
        return isOver(one) && gone.go(one.agreement(), stone, seal);
    }

    /** Whether its time is over by the rule as it is now, which may be another than when that was confirmed. */
    private boolean isOver(Destructions.Destruction one) {
        LocalDate today = lists.today();
        Map<UUID, RetentionRule> rules = kept.rules();
        return kept.named(List.of(one.number())).stream()
                .flatMap(row -> kept.until(rules, row).stream())
                .anyMatch(until -> until.isBefore(today));
    }

    private NotYet later(UUID id, Message why, Instant when) {
        destructions.waits(id, why.toString());
        return new NotYet(when);
    }

    @Override
    public void givenUp(String instance, String reason) {
        destructions.waits(UUID.fromString(instance), reason);
    }
}
