package org.jalousie.server.testbed;

import java.time.Clock;
import java.util.Arrays;
import java.util.List;
import java.util.Map;
import java.util.stream.Collectors;
import javax.sql.DataSource;
import org.springframework.jdbc.core.simple.JdbcClient;

/** What the jobs of an application were at when a test waited in vain. */
final class JobsWitness {
    private static final int MOST = 12;

    private JobsWitness() {}

    /** The jobs that were given up last, those that should have run or run now, and where the threads that run them are. */
    static String told(DataSource database, Clock clock) {
        List<String> jobs = JdbcClient.create(database)
                .sql("select task_name || ' ' || left(task_instance, 60) || ' for ' || execution_time"
                        + " || case when picked then ' picked, alive ' || coalesce(last_heartbeat::text, 'never') else '' end"
                        + " || ' failures ' || coalesce(consecutive_failures, 0) from scheduled_tasks"
                        + " order by picked desc, execution_time")
                .query(String.class)
                .list();
        List<String> givenUp = JdbcClient.create(database)
                .sql(
                        "select task || ' ' || left(instance, 60) || ': ' || reason from job_failure order by failed_at desc limit 3")
                .query(String.class)
                .list();
        return "given up: " + givenUp + ", now " + clock.instant() + ", " + jobs.size() + " jobs: "
                + jobs.stream().limit(MOST).toList() + ", threads " + threads();
    }

    private static String threads() {
        Map<Thread, StackTraceElement[]> all = Thread.getAllStackTraces();
        return all.entrySet().stream()
                .filter(one -> one.getKey().getName().startsWith("db-scheduler"))
                .map(one -> one.getKey().getName() + " " + one.getKey().getState() + " "
                        + Arrays.stream(one.getValue()).limit(3).toList() + " .. "
                        + Arrays.stream(one.getValue())
                                .filter(at -> at.getClassName().startsWith("org.jalousie"))
                                .limit(4)
                                .toList())
                .collect(Collectors.joining(", "));
    }
}
