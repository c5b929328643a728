package org.jalousie.server.archive.roots;

import com.github.kagkarlsson.scheduler.task.Task;
import com.github.kagkarlsson.scheduler.task.helper.Tasks;
import com.github.kagkarlsson.scheduler.task.schedule.FixedDelay;
import java.time.Duration;
import org.springframework.beans.factory.ObjectProvider;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;

/** Looks every hour whether there is a root of today, so that a trust service that is away delays it and no more. */
@Configuration
class RootRounds {
    @Bean
    Task<Void> dailyRootTask(ObjectProvider<DailyRoots> roots) {
        return Tasks.recurring("daily-root", FixedDelay.of(Duration.ofHours(1)))
                .execute((instance, context) -> roots.getObject().makeToday());
    }
}
