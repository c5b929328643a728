package org.jalousie.server.programs;

import com.github.kagkarlsson.scheduler.task.Task;
import com.github.kagkarlsson.scheduler.task.helper.Tasks;
import com.github.kagkarlsson.scheduler.task.schedule.FixedDelay;
import java.time.Duration;
import org.springframework.beans.factory.ObjectProvider;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;

/** Takes away what was noted of programs' uses long ago. */
@Configuration
class ProgramSweep {
    @Bean
    Task<Void> programSweepTask(ObjectProvider<ProgramUses> uses) {
        return Tasks.recurring("program-sweep", FixedDelay.of(Duration.ofHours(12)))
                .execute((instance, context) -> uses.getObject().sweep());
    }
}
