package org.jalousie.server.jobs;

import com.github.kagkarlsson.scheduler.Scheduler;
import com.github.kagkarlsson.scheduler.task.TaskInstance;
import java.sql.Timestamp;
import java.time.Clock;
import java.util.List;
import java.util.UUID;
import org.jalousie.server.account.Sight;
import org.springframework.context.annotation.Lazy;
import org.springframework.data.domain.Page;
import org.springframework.data.domain.PageRequest;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Propagation;
import org.springframework.transaction.annotation.Transactional;
import org.springframework.transaction.support.TransactionSynchronization;
import org.springframework.transaction.support.TransactionSynchronizationManager;

/** Side effects as jobs: scheduled in the transaction that asks for them, run at least once, each idempotent. */
@Service
public class Jobs {
    private final Scheduler scheduler;
    private final JobFailures failures;
    private final JdbcClient sql;
    private final Clock clock;
    private final Sight sight;

    Jobs(@Lazy Scheduler scheduler, JobFailures failures, JdbcClient sql, Clock clock, Sight sight) {
        this.sight = sight;
        this.sql = sql;
        this.scheduler = scheduler;
        this.failures = failures;
        this.clock = clock;
    }

    /**
     * Schedules a job to run as soon as the transaction is committed; the same job twice is the same as once. One that waits
     * for another try or for its time, or was given up, has something new to do and begins afresh.
     */
    @Transactional(propagation = Propagation.MANDATORY)
    public void soon(JobKind kind, String instance) {
        failures.deleteByTaskAndInstance(kind.taskName(), instance);
        sql.sql("insert into job_request values (?, ?, 1) on conflict (task, instance)"
                        + " do update set times = job_request.times + 1")
                .params(kind.taskName(), instance)
                .update();
        dueNow(kind, instance);
        TransactionSynchronizationManager.registerSynchronization(new TransactionSynchronization() {
            @Override
            public void afterCommit() {
                scheduler.triggerCheckForDueExecutions();
            }
        });
    }

    /** Lets a job run now unless it runs already; for what is looked for again and again. */
    public void once(JobKind kind, String instance) {
        dueNow(kind, instance);
        scheduler.triggerCheckForDueExecutions();
    }

    private void dueNow(JobKind kind, String instance) {
        scheduler.scheduleIfNotExists(new TaskInstance<>(kind.taskName(), instance), clock.instant());
        sql.sql("update scheduled_tasks set execution_time = ?, consecutive_failures = 0, version = version + 1"
                        + " where task_name = ? and task_instance = ? and not picked"
                        + " and (consecutive_failures > 0 or execution_time > ?)")
                .params(Timestamp.from(clock.instant()), kind.taskName(), instance, Timestamp.from(clock.instant()))
                .update();
    }

    /** How often a job was asked for until now. */
    @Transactional(readOnly = true)
    int asked(String task, String instance) {
        return sql.sql("select times from job_request where task = ? and instance = ?")
                .params(task, instance)
                .query(Integer.class)
                .optional()
                .orElse(0);
    }

    /**
     * Ends a job unless it was asked for once more since it began. Whoever asks at this moment waits, and finds it gone.
     *
     * @param seen how often it had been asked for when it began
     * @return whether it was ended
     */
    @Transactional
    boolean end(String task, String instance, int seen, Runnable ending) {
        int asked = sql.sql("select times from job_request where task = ? and instance = ? for update")
                .params(task, instance)
                .query(Integer.class)
                .optional()
                .orElse(seen);
        if (asked != seen) return false;
        sql.sql("delete from job_request where task = ? and instance = ?")
                .params(task, instance)
                .update();
        ending.run();
        return true;
    }

    /** Jobs given up, newest first. @param most at most how many */
    @Transactional(readOnly = true)
    public Page<JobFailure> givenUp(int most) {
        return sight.seesAll()
                ? failures.findAllByOrderByFailedAtDesc(PageRequest.of(0, most))
                : failures.findSeen(sight.hidden(), PageRequest.of(0, most));
    }

    @Transactional(readOnly = true)
    public List<JobFailure> givenUp(UUID agreementId) {
        return failures.findByAgreementId(agreementId);
    }

    /** Tries all jobs of an agreement again that were given up. Returns how many. */
    @Transactional
    public int tryAgain(UUID agreementId) {
        List<JobFailure> all = failures.findByAgreementId(agreementId);
        for (JobFailure failure : all) {
            failures.delete(failure);
            soon(JobKind.ofTask(failure.task()), failure.instance());
        }
        return all.size();
    }

    /** No job is about this agreement any more, but for the one in which it goes. */
    @Transactional(propagation = Propagation.MANDATORY)
    public void forget(UUID agreementId) {
        sql.sql("delete from job_failure where agreement_id = ?")
                .param(agreementId)
                .update();
        for (JobKind kind : JobKind.values()) {
            if (!kind.ofAgreement() || kind == JobKind.DESTRUCTION) continue;
            for (String table : List.of("scheduled_tasks where task_name", "job_request where task"))
                sql.sql("delete from " + table + " = ? and left("
                                + (table.startsWith("scheduled") ? "task_instance" : "instance") + ", 36) = ?")
                        .params(kind.taskName(), agreementId.toString())
                        .update();
        }
    }

    /** Remembers a job that was given up. */
    @Transactional
    void giveUp(String task, String instance, UUID agreementId, String reason) {
        failures.deleteByTaskAndInstance(task, instance);
        failures.flush();
        failures.save(new JobFailure(task, instance, agreementId, reason, clock.instant()));
    }
}
