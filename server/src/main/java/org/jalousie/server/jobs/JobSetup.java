package org.jalousie.server.jobs;

import com.github.kagkarlsson.scheduler.task.ExecutionComplete;
import com.github.kagkarlsson.scheduler.task.ExecutionOperations;
import com.github.kagkarlsson.scheduler.task.Task;
import com.github.kagkarlsson.scheduler.task.helper.Tasks;
import java.time.Duration;
import java.util.Optional;
import java.util.UUID;
import java.util.concurrent.ThreadLocalRandom;
import org.jalousie.core.messages.Message;
import org.jalousie.server.Settings;
import org.jalousie.server.adapters.Converter;
import org.jalousie.server.adapters.ServiceAway;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.slf4j.MDC;
import org.springframework.beans.factory.ObjectProvider;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;
import org.springframework.dao.ConcurrencyFailureException;

/** Makes a task of the scheduler from each kind of job: failures are retried with growing delays, then given up visibly. */
@Configuration
class JobSetup {
    private static final Logger LOG = LoggerFactory.getLogger(JobSetup.class);

    private final Settings.Retries retries;
    private final ObjectProvider<Jobs> jobs;
    private final ObjectProvider<Outages> outages;

    JobSetup(Settings settings, ObjectProvider<Jobs> jobs, ObjectProvider<Outages> outages) {
        this.retries = settings.retries();
        this.jobs = jobs;
        this.outages = outages;
    }

    /** The scheduler goes by the application's clock. */
    @Bean
    com.github.kagkarlsson.scheduler.Clock schedulerClock(java.time.Clock clock) {
        return clock::instant;
    }

    @Bean
    Task<Void> makeDocumentsTask(ObjectProvider<JobWork> all) {
        return task(JobKind.MAKE_DOCUMENTS, all);
    }

    @Bean
    Task<Void> sealDocumentsTask(ObjectProvider<JobWork> all) {
        return task(JobKind.SEAL_DOCUMENTS, all);
    }

    @Bean
    Task<Void> mailTask(ObjectProvider<JobWork> all) {
        return task(JobKind.MAIL, all);
    }

    @Bean
    Task<Void> textTask(ObjectProvider<JobWork> all) {
        return task(JobKind.TEXT, all);
    }

    @Bean
    Task<Void> requestMailTask(ObjectProvider<JobWork> all) {
        return task(JobKind.REQUEST_MAIL, all);
    }

    @Bean
    Task<Void> proofTask(ObjectProvider<JobWork> all) {
        return task(JobKind.PROOF, all);
    }

    @Bean
    Task<Void> drawingTask(ObjectProvider<JobWork> all) {
        return task(JobKind.DRAWING, all);
    }

    @Bean
    Task<Void> recogniseTask(ObjectProvider<JobWork> all) {
        return task(JobKind.RECOGNISE, all);
    }

    @Bean
    Task<Void> scanTask(ObjectProvider<JobWork> all) {
        return task(JobKind.SCAN, all);
    }

    @Bean
    Task<Void> tableTask(ObjectProvider<JobWork> all) {
        return task(JobKind.TABLE, all);
    }

    @Bean
    Task<Void> webhookTask(ObjectProvider<JobWork> all) {
        return task(JobKind.WEBHOOK, all);
    }

    @Bean
    Task<Void> columnsTask(ObjectProvider<JobWork> all) {
        return task(JobKind.COLUMNS, all);
    }

    @Bean
    Task<Void> datesTask(ObjectProvider<JobWork> all) {
        return task(JobKind.DATES, all);
    }

    @Bean
    Task<Void> reportsTask(ObjectProvider<JobWork> all) {
        return task(JobKind.REPORTS, all);
    }

    @Bean
    Task<Void> destructionTask(ObjectProvider<JobWork> all) {
        return task(JobKind.DESTRUCTION, all);
    }

    @Bean
    Task<Void> filingTask(ObjectProvider<JobWork> all) {
        return task(JobKind.FILING, all);
    }

    @Bean
    Task<Void> recordsTask(ObjectProvider<JobWork> all) {
        return task(JobKind.RECORDS, all);
    }

    private static JobWork workOf(JobKind kind, ObjectProvider<JobWork> all) {
        return all.stream().filter(one -> one.kind() == kind).findFirst().orElseThrow();
    }

    private Task<Void> task(JobKind kind, ObjectProvider<JobWork> all) {
        return Tasks.custom(kind.taskName(), Void.class)
                .onFailure((complete, operations) -> failed(kind, all, complete, operations))
                .execute((instance, context) -> {
                    int seen = jobs.getObject().asked(kind.taskName(), instance.getId());
                    String about = kind.ofAgreement() ? "agreement" : "work";
                    try (MDC.MDCCloseable ignored = MDC.putCloseable(about, agreementOf(instance.getId()))) {
                        if (workOf(kind, all).run(instance.getId()))
                            kind.needs().ifPresent(outages.getObject()::over);
                    } catch (NotYet later) {
                        return (complete, operations) -> operations.reschedule(complete, later.when());
                    } catch (RuntimeException e) {
                        throw new Failed(e, seen);
                    }
                    return (complete, operations) -> end(kind, complete, operations, seen, () -> {});
                });
    }

    /** What a job failed with, and how often it had been asked for when it began. */
    private static final class Failed extends RuntimeException {
        private final int seen;

        Failed(RuntimeException cause, int seen) {
            super(cause.getMessage(), cause);
            this.seen = seen;
        }
    }

    private void end(
            JobKind kind, ExecutionComplete complete, ExecutionOperations<Void> operations, int seen, Runnable before) {
        String instance = complete.getExecution().taskInstance.getId();
        boolean ended = jobs.getObject().end(kind.taskName(), instance, seen, () -> {
            before.run();
            operations.stop();
        });
        if (!ended) operations.reschedule(complete, complete.getTimeDone());
    }

    private void failed(
            JobKind kind,
            ObjectProvider<JobWork> all,
            ExecutionComplete complete,
            ExecutionOperations<Void> operations) {
        String instance = complete.getExecution().taskInstance.getId();
        int tries = complete.getExecution().consecutiveFailures + 1;
        Optional<Failed> failed = complete.getCause().map(one -> one instanceof Failed known ? known : null);
        Optional<Throwable> known = failed.isPresent() ? failed.map(Throwable::getCause) : complete.getCause();
        String reason =
                known.map(JobSetup::reason).orElse(Message.of("job.stopped").toString());
        Throwable cause = known.orElse(null);
        // by its kind and place only: the reason, which the coordinator sees, may hold an address or a person's data
        LOG.warn(
                "job {} failed, try {} of {}, {} {}: {}",
                kind,
                tries,
                retries.most(),
                kind.ofAgreement() ? "agreement" : "work",
                agreementOf(instance),
                kindAndPlace(cause));
        if (cause instanceof ConcurrencyFailureException) {
            // another one was first; that is no failure
            operations.reschedule(complete, complete.getTimeDone().plusSeconds(1));
            return;
        }
        boolean away = cause instanceof ServiceAway;
        if (away) outages.getObject().began((ServiceAway) cause);
        if (tries >= (away ? mostWhileAway() : retries.most()) || !mayHelp(known)) {
            int seen =
                    failed.map(one -> one.seen).orElseGet(() -> jobs.getObject().asked(kind.taskName(), instance));
            end(kind, complete, operations, seen, () -> {
                workOf(kind, all).givenUp(instance, reason);
                if (kind.ofAgreement())
                    jobs.getObject().giveUp(kind.taskName(), instance, UUID.fromString(agreementOf(instance)), reason);
            });
            return;
        }
        operations.reschedule(complete, complete.getTimeDone().plus(delay(tries)));
    }

    /** Doubles up to the longest, give or take a fifth, so that not all come back at one moment. */
    private Duration delay(int tries) {
        Duration doubled = retries.firstDelay().multipliedBy(1L << Math.min(tries - 1, 12));
        Duration delay = doubled.compareTo(retries.longestDelay()) > 0 ? retries.longestDelay() : doubled;
        return Duration.ofMillis(
                (long) (delay.toMillis() * ThreadLocalRandom.current().nextDouble(0.8, 1.2)));
    }

    private long mostWhileAway() {
        return 10 + retries.whileAway().dividedBy(retries.longestDelay());
    }

    /** Whether another try may come out otherwise. */
    private static boolean mayHelp(Optional<Throwable> cause) {
        return cause.filter(one -> one instanceof CannotBeDone
                        || one instanceof Converter.ConversionFailed failed && !failed.again())
                .isEmpty();
    }

    private static String agreementOf(String instance) {
        return instance.substring(0, Math.min(36, instance.length()));
    }

    private static String kindAndPlace(Throwable cause) {
        if (cause == null) return "stopped";
        StackTraceElement[] trace = cause.getStackTrace();
        return cause.getClass().getSimpleName() + (trace.length == 0 ? "" : " at " + trace[0]);
    }

    private static String reason(Throwable cause) {
        String message = cause.getMessage();
        return message == null || message.isBlank()
                ? Message.of("job.failed", "kind", cause.getClass().getSimpleName())
                        .toString()
                : message;
    }
}
