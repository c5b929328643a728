package org.jalousie.server.records;

import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.util.Optional;
import java.util.UUID;
import org.jalousie.core.programs.NextTry;
import org.jalousie.server.Refusal;
import org.jalousie.server.jobs.JobKind;
import org.jalousie.server.jobs.JobWork;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.stereotype.Component;

/**
 * Does what is to be done with a record system: writes back, looks at records, looks for more. One job for each system, so that
 * one that doesn't answer holds up no other, and nothing is written there from two sides.
 */
@Component
class RecordWork implements JobWork {
    private static final Logger LOG = LoggerFactory.getLogger(RecordWork.class);
    private static final Duration AT_ONCE = Duration.ofSeconds(20);
    /** A form that rests may be taken into use again. */
    private static final Duration AT_REST = Duration.ofMinutes(10);
    /** An outage that is over is noticed soon. */
    private static final Duration LONGEST_WAIT = Duration.ofMinutes(2);

    private final RecordSystems systems;
    private final FollowedRecords followed;
    private final RecordSteps steps;
    private final RecordTaking taking;
    private final RecordWriting writing;
    private final RecordClient client;
    private final Clock clock;

    RecordWork(
            RecordSystems systems,
            FollowedRecords followed,
            RecordSteps steps,
            RecordTaking taking,
            RecordWriting writing,
            RecordClient client,
            Clock clock) {
        this.systems = systems;
        this.followed = followed;
        this.steps = steps;
        this.taking = taking;
        this.writing = writing;
        this.client = client;
        this.clock = clock;
    }

    @Override
    public JobKind kind() {
        return JobKind.RECORDS;
    }

    @Override
    public boolean run(String instance) {
        UUID id = UUID.fromString(instance);
        long start = System.nanoTime();
        while (System.nanoTime() - start < AT_ONCE.toNanos()) {
            // it may have been paused, ended or changed since the last one
            Optional<RecordSystem> system = systems.findById(id).filter(RecordSystem::isOn);
            if (system.isEmpty()) return false;
            try {
                if (!next(system.get())) return false;
                followed.back(id);
            } catch (RecordsUnread away) {
                int failures = followed.away(id, away.getMessage());
                Duration wait = NextTry.after(failures)
                        .filter(delay -> delay.compareTo(LONGEST_WAIT) < 0)
                        .orElse(LONGEST_WAIT);
                followed.waits(id, clock.instant().plus(wait));
                return false;
            }
        }
        return false;
    }

    /** @return false when there is nothing to do */
    private boolean next(RecordSystem system) {
        Optional<RecordSteps.Due> step = steps.next(system.id());
        if (step.isPresent()) {
            write(system, step.get());
            return true;
        }
        Optional<FollowedRecords.Look> look = followed.next(system.id());
        if (look.isPresent()) {
            look(system, look.get());
            return true;
        }
        if (system.lookAt().isAfter(clock.instant())) return false;
        RecordClient.Access access = new RecordClient.Access(system.terms(), system.credential());
        boolean whole = client.list(access, keys -> followed.wish(system.id(), keys));
        Duration pause = whole ? Duration.ofMinutes(access.place().everyMinutes()) : Duration.ZERO;
        followed.lookedThrough(system, clock.instant().plus(pause));
        return true;
    }

    private void write(RecordSystem system, RecordSteps.Due step) {
        try {
            writing.write(system, step);
            steps.done(step);
        } catch (RecordsUnread unread) {
            if (unread.isAway()) {
                steps.held(step, unread.getMessage(), afterOthers());
                throw unread;
            }
            steps.failed(step, unread.getMessage(), again(step.tries()));
        } catch (RuntimeException e) {
            LOG.error("a step of system {} could not be written", system.id(), e);
            steps.failed(step, e.getClass().getSimpleName(), again(step.tries()));
        }
    }

    private void look(RecordSystem system, FollowedRecords.Look look) {
        try {
            taking.look(system, look);
        } catch (RecordsUnread unread) {
            if (unread.isAway()) {
                followed.unread(system.id(), look, unread.getMessage(), Optional.of(afterOthers()));
                throw unread;
            }
            followed.unread(system.id(), look, unread.getMessage(), again(look.tries()));
        } catch (Refusal refused) {
            // the form rests, say, which is no fault of the record's
            followed.unread(
                    system.id(),
                    look,
                    refused.getMessage(),
                    Optional.of(clock.instant().plus(AT_REST)));
        } catch (RuntimeException e) {
            LOG.error("a record of system {} could not be looked at", system.id(), e);
            followed.unread(system.id(), look, e.getClass().getSimpleName(), again(look.tries()));
        }
    }

    /** What only this one record makes the system fail at would be tried for ever while all others wait. */
    private Instant afterOthers() {
        return clock.instant().plus(LONGEST_WAIT);
    }

    private Optional<Instant> again(int tries) {
        return NextTry.after(tries + 1).map(delay -> clock.instant().plus(delay));
    }
}
