package org.jalousie.server.jobs;

import java.sql.Timestamp;
import java.time.Clock;
import java.time.Instant;
import java.util.Arrays;
import java.util.List;
import org.jalousie.server.adapters.ServiceAway;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/**
 * Outside services that are away. The coordinator is told once for each, and not for every agreement that waits; when a job
 * finds the service back, all that wait for it go on at once.
 */
@Service
public class Outages {
    private final JdbcClient sql;
    private final Clock clock;

    Outages(JdbcClient sql, Clock clock) {
        this.sql = sql;
        this.clock = clock;
    }

    /** @param waiting how many jobs wait for it */
    public record Outage(String title, String reason, Instant since, long waiting) {}

    @Transactional
    public void began(ServiceAway away) {
        sql.sql("insert into outage (service, reason, since) values (?, ?, ?) on conflict (service) do nothing")
                .params(away.service().name(), away.getMessage(), Timestamp.from(clock.instant()))
                .update();
    }

    /** Whether somebody has found it away, and nobody has found it back. */
    @Transactional(readOnly = true)
    public boolean isAway(ServiceAway.Service service) {
        return sql.sql("select count(*) from outage where service = ?")
                        .param(service.name())
                        .query(Long.class)
                        .single()
                > 0;
    }

    /** A job did what it needs the service for. */
    @Transactional
    public void over(ServiceAway.Service service) {
        int ended = sql.sql("delete from outage where service = ?")
                .param(service.name())
                .update();
        if (ended == 0 || kinds(service).isEmpty()) return;
        // spread over some seconds, so that what comes back is not thrown down again
        sql.sql("update scheduled_tasks set execution_time = ?::timestamptz + random() * interval '4 seconds'"
                        + " where task_name in (:kinds) and consecutive_failures > 0 and not picked"
                                .replace(":kinds", kinds(service)))
                .param(Timestamp.from(clock.instant()))
                .update();
    }

    @Transactional(readOnly = true)
    public List<Outage> now() {
        return sql.sql("select service, reason, since from outage order by since")
                .query((row, number) -> {
                    ServiceAway.Service service = ServiceAway.Service.valueOf(row.getString(1));
                    return new Outage(
                            service.title().toString(),
                            row.getString(2),
                            row.getTimestamp(3).toInstant(),
                            waiting(service));
                })
                .list();
    }

    private long waiting(ServiceAway.Service service) {
        if (kinds(service).isEmpty()) return 0;
        return sql.sql("select count(*) from scheduled_tasks where task_name in (" + kinds(service)
                        + ") and consecutive_failures > 0")
                .query(Long.class)
                .single();
    }

    /** The names of the tasks that need a service, none of which comes from outside; empty when none does. */
    private static String kinds(ServiceAway.Service service) {
        return String.join(
                ", ",
                Arrays.stream(JobKind.values())
                        .filter(kind ->
                                kind.needs().filter(needed -> needed == service).isPresent())
                        .map(kind -> "'" + kind.taskName() + "'")
                        .toList());
    }
}
