package org.jalousie.server.archive.dates;

import com.github.kagkarlsson.scheduler.task.Task;
import com.github.kagkarlsson.scheduler.task.helper.Tasks;
import com.github.kagkarlsson.scheduler.task.schedule.FixedDelay;
import java.time.Duration;
import org.springframework.beans.factory.ObjectProvider;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;

/** Looks every few minutes whom to warn; nobody is outside the office's hours. */
@Configuration
class DateRounds {
    @Bean
    Task<Void> dateWarningsTask(ObjectProvider<DateWarnings> warnings) {
        return Tasks.recurring("date-warnings", FixedDelay.of(Duration.ofMinutes(10)))
                .execute((instance, context) -> warnings.getObject().round());
    }
}
