package org.jalousie.server.archive.stamps;

import com.github.kagkarlsson.scheduler.task.Task;
import com.github.kagkarlsson.scheduler.task.helper.Tasks;
import com.github.kagkarlsson.scheduler.task.schedule.FixedDelay;
import java.time.Duration;
import org.springframework.beans.factory.ObjectProvider;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;

/** Looks every hour for what isn't under an archive time stamp yet, and for stamps that are due. */
@Configuration
class StampRounds {
    @Bean
    Task<Void> archiveStampTask(ObjectProvider<ArchiveStamps> stamps) {
        return Tasks.recurring("archive-stamps", FixedDelay.of(Duration.ofHours(1)))
                .execute((instance, context) -> stamps.getObject().round(false));
    }
}
