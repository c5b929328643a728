package org.jalousie.server.files;

import com.github.kagkarlsson.scheduler.task.Task;
import com.github.kagkarlsson.scheduler.task.helper.Tasks;
import com.github.kagkarlsson.scheduler.task.schedule.FixedDelay;
import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
import org.jalousie.core.data.Sha256;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.beans.factory.ObjectProvider;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;

/**
 * Takes files away that nothing in the database refers to: previews that were looked at once, pictures of forms that were never
 * sent. What was kept lately stays, since what will refer to it may not be committed yet.
 */
@Component
public class FileSweep {
    private static final Logger LOG = LoggerFactory.getLogger(FileSweep.class);
    private static final Duration LATELY = Duration.ofDays(7);
    private static final int AT_ONCE = 500;

    private final FileStore files;
    private final JdbcClient sql;
    private final Clock clock;

    FileSweep(FileStore files, JdbcClient sql, Clock clock) {
        this.files = files;
        this.sql = sql;
        this.clock = clock;
    }

    /** Puts aside what nobody refers to, and takes away for good what has been aside for as long. Returns how many files. */
    public int sweep() {
        Instant since = clock.instant().minus(LATELY);
        List<Sha256> old = files.untouchedSince(since);
        int swept = 0;
        for (int from = 0; from < old.size(); from += AT_ONCE) {
            List<Sha256> some = old.subList(from, Math.min(old.size(), from + AT_ONCE));
            Set<String> needed =
                    new HashSet<>(sql.sql("select distinct sha256 from file_reference where sha256 in (:names)")
                            .param("names", some.stream().map(Sha256::hex).toList())
                            .query(String.class)
                            .list());
            for (Sha256 name : some) {
                if (needed.contains(name.hex())) {
                    // somebody may have come to refer to it just when it was put aside
                    files.bringBack(name);
                } else {
                    files.putAside(name, since);
                    swept++;
                }
            }
        }
        if (swept > 0) LOG.info("{} files to which nothing refers were put aside or taken away", swept);
        return swept;
    }

    @Configuration
    static class Setup {
        @Bean
        Task<Void> sweepTask(ObjectProvider<FileSweep> sweep) {
            return Tasks.recurring("sweep-files", FixedDelay.of(Duration.ofDays(1)))
                    .execute((instance, context) -> sweep.getObject().sweep());
        }
    }
}
