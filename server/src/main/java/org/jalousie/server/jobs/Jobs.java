package org.jalousie.server.jobs;

import com.github.kagkarlsson.scheduler.Scheduler;
import com.github.kagkarlsson.scheduler.task.TaskInstance;
import java.time.Clock;
import java.util.List;
import java.util.UUID;
import org.springframework.context.annotation.Lazy;
import org.springframework.data.domain.Page;
import org.springframework.data.domain.PageRequest;
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
    private final Clock clock;

    Jobs(@Lazy Scheduler scheduler, JobFailures failures, Clock clock) {
        this.scheduler = scheduler;
        this.failures = failures;
        this.clock = clock;
    }

    /** Schedules a job to run as soon as the transaction is committed; the same job twice is the same as once. */
    @Transactional(propagation = Propagation.MANDATORY)
    public void soon(JobKind kind, String instance) {
        scheduler.scheduleIfNotExists(new TaskInstance<>(kind.taskName(), instance), clock.instant());
        TransactionSynchronizationManager.registerSynchronization(new TransactionSynchronization() {
            @Override
            public void afterCommit() {
                scheduler.triggerCheckForDueExecutions();
            }
        });
    }

    /** Jobs given up, newest first. @param most at most how many */
    @Transactional(readOnly = true)
    public Page<JobFailure> givenUp(int most) {
        return failures.findAllByOrderByFailedAtDesc(PageRequest.of(0, most));
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

    /** Remembers a job that was given up. */
    @Transactional
    void giveUp(String task, String instance, UUID agreementId, String reason) {
        failures.deleteByTaskAndInstance(task, instance);
        failures.flush();
        failures.save(new JobFailure(task, instance, agreementId, reason, clock.instant()));
    }
}
