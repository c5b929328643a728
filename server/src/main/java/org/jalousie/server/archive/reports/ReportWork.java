package org.jalousie.server.archive.reports;

import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.jalousie.server.jobs.JobKind;
import org.jalousie.server.jobs.JobWork;
import org.jalousie.server.jobs.Jobs;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.slf4j.MDC;
import org.springframework.boot.context.event.ApplicationReadyEvent;
import org.springframework.context.event.EventListener;
import org.springframework.stereotype.Component;

/** Takes over for reports, after the start, what had ended before an earlier version of the program counted it. */
@Component
class ReportWork implements JobWork {
    private static final Logger LOG = LoggerFactory.getLogger(ReportWork.class);
    private static final String ALL = "all";
    private static final int AT_ONCE = 200;

    private final Reported reported;
    private final Jobs jobs;

    ReportWork(Reported reported, Jobs jobs) {
        this.reported = reported;
        this.jobs = jobs;
    }

    @EventListener(ApplicationReadyEvent.class)
    void look() {
        if (!reported.left(Optional.empty(), 1).isEmpty()) jobs.once(JobKind.REPORTS, ALL);
    }

    @Override
    public JobKind kind() {
        return JobKind.REPORTS;
    }

    @Override
    public boolean run(String instance) {
        List<UUID> found = reported.left(Optional.empty(), AT_ONCE);
        while (!found.isEmpty()) {
            found.forEach(this::keep);
            found = reported.left(Optional.of(found.get(found.size() - 1)), AT_ONCE);
        }
        return false;
    }

    /** One whose events were damaged holds up no other; the archive's check says what is wrong with it. */
    private void keep(UUID id) {
        try (MDC.MDCCloseable ignored = MDC.putCloseable("agreement", id.toString())) {
            reported.keep(id);
        } catch (RuntimeException e) {
            LOG.warn(
                    "an ended agreement can't be counted in reports: {}",
                    e.getClass().getName());
        }
    }
}
