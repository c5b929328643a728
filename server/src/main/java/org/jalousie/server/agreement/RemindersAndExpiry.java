package org.jalousie.server.agreement;

import com.github.kagkarlsson.scheduler.task.Task;
import com.github.kagkarlsson.scheduler.task.helper.Tasks;
import com.github.kagkarlsson.scheduler.task.schedule.FixedDelay;
import java.time.Clock;
import java.time.Duration;
import java.util.UUID;
import org.jalousie.core.agreement.Actor;
import org.jalousie.core.agreement.Command;
import org.jalousie.core.agreement.Reminders;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.beans.factory.ObjectProvider;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;
import org.springframework.stereotype.Component;

/** Lets time pass for the agreements that are out: reminders and expiry. */
@Component
public class RemindersAndExpiry {
    private static final Logger LOG = LoggerFactory.getLogger(RemindersAndExpiry.class);

    private final AgreementRows rows;
    private final AgreementLog log;
    private final Clock clock;

    RemindersAndExpiry(AgreementRows rows, AgreementLog log, Clock clock) {
        this.rows = rows;
        this.log = log;
        this.clock = clock;
    }

    /** Looks at the agreements for which something is due; one that fails does not hold up the others. */
    public void tick() {
        for (UUID id : rows.due(clock.instant())) {
            try {
                Reminders reminders = rows.findById(id).orElseThrow().reminders();
                log.carryOut(id, Actor.PROGRAM, new Command.Tick(reminders));
            } catch (RuntimeException e) {
                LOG.error("reminders and expiry could not be looked after, agreement {}", id, e);
            }
        }
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
