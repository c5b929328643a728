package org.jalousie.server.webhooks;

import com.github.kagkarlsson.scheduler.task.Task;
import com.github.kagkarlsson.scheduler.task.helper.Tasks;
import com.github.kagkarlsson.scheduler.task.schedule.FixedDelay;
import java.time.Duration;
import org.jalousie.server.jobs.JobKind;
import org.jalousie.server.jobs.Jobs;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.beans.factory.ObjectProvider;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;
import org.springframework.dao.DataAccessException;
import org.springframework.scheduling.annotation.EnableScheduling;
import org.springframework.scheduling.annotation.Scheduled;
import org.springframework.stereotype.Component;

/**
 * Looks every second which webhooks have something to send. Whatever writes notices asks for no job itself: all that happens at
 * one moment would wait for one another there.
 */
@Component
class NoticeRounds {
    private static final Logger LOG = LoggerFactory.getLogger(NoticeRounds.class);

    private final Notices notices;
    private final Jobs jobs;

    NoticeRounds(Notices notices, Jobs jobs) {
        this.notices = notices;
        this.jobs = jobs;
    }

    @Scheduled(fixedDelay = 1_000)
    void round() {
        try {
            notices.giveUpOld();
            notices.due().forEach(one -> jobs.once(JobKind.WEBHOOK, one.toString()));
        } catch (DataAccessException e) {
            // the database is away, which others tell; the next round comes
            LOG.debug("no round of notices", e);
        }
    }

    @Configuration
    @EnableScheduling
    static class Setup {
        @Bean
        Task<Void> noticeSweepTask(ObjectProvider<Notices> notices) {
            return Tasks.recurring("notice-sweep", FixedDelay.of(Duration.ofHours(12)))
                    .execute((instance, context) -> notices.getObject().sweep());
        }
    }
}
