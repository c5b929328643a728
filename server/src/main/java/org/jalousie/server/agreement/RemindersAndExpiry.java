package org.jalousie.server.agreement;

import com.github.kagkarlsson.scheduler.task.Task;
import com.github.kagkarlsson.scheduler.task.helper.Tasks;
import com.github.kagkarlsson.scheduler.task.schedule.FixedDelay;
import java.time.Clock;
import java.time.Duration;
import java.util.UUID;
import org.jalousie.core.agreement.Actor;
import org.jalousie.core.agreement.Chasing;
import org.jalousie.core.agreement.Command;
import org.jalousie.core.parties.OfficeCalendar;
import org.jalousie.server.office.AfterHours;
import org.jalousie.server.office.OfficeHours;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.beans.factory.ObjectProvider;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Propagation;
import org.springframework.transaction.annotation.Transactional;

/** Lets time pass for the agreements that are out: reminders and expiry. */
@Component
public class RemindersAndExpiry implements AfterHours {
    private static final Logger LOG = LoggerFactory.getLogger(RemindersAndExpiry.class);

    private final AgreementRows rows;
    private final AgreementLog log;
    private final OfficeHours hours;
    private final Clock clock;

    RemindersAndExpiry(AgreementRows rows, AgreementLog log, OfficeHours hours, Clock clock) {
        this.rows = rows;
        this.log = log;
        this.hours = hours;
        this.clock = clock;
    }

    /** Looks at the agreements for which something is due; one that fails does not hold up the others. */
    public void tick() {
        OfficeCalendar calendar = hours.calendar();
        for (UUID id : rows.due(clock.instant())) {
            try {
                Chasing chasing = rows.findById(id).orElseThrow().chasing(calendar);
                log.carryOut(id, Actor.PROGRAM, new Command.Tick(chasing));
            } catch (RuntimeException e) {
                LOG.error("reminders and expiry could not be looked after, agreement {}", id, e);
            }
        }
    }

    /** The due times of all that is out follow from the hours, and are worked out anew at the next look. */
    @Override
    @Transactional(propagation = Propagation.MANDATORY)
    public void hoursChanged() {
        rows.lookAgain(clock.instant());
    }

    @Configuration
    static class Setup {
        @Bean
        Task<Void> tickTask(ObjectProvider<RemindersAndExpiry> ticker) {
            return Tasks.recurring("tick", FixedDelay.of(Duration.ofMinutes(1)))
                    .execute((instance, context) -> ticker.getObject().tick());
        }
    }
}
