package org.jalousie.server.jobs;

import java.util.Arrays;
import org.jalousie.server.adapters.ServiceAway;

/** The kinds of jobs there are. An instance is an agreement's id, with what else the job needs after a colon. */
public enum JobKind {
    /** An agreement's documents; one job at a time for each agreement. */
    MAKE_DOCUMENTS(ServiceAway.Service.CONVERTER),
    /** Seals, signatures and what is filed; one job at a time for each agreement. */
    SEAL_DOCUMENTS(ServiceAway.Service.TRUST),
    MAIL(ServiceAway.Service.MAIL);

    private final ServiceAway.Service service;

    JobKind(ServiceAway.Service service) {
        this.service = service;
    }

    /** What it needs from outside. */
    ServiceAway.Service needs() {
        return service;
    }

    String taskName() {
        return name().toLowerCase(java.util.Locale.ROOT).replace('_', '-');
    }

    static JobKind ofTask(String name) {
        return Arrays.stream(values())
                .filter(kind -> kind.taskName().equals(name))
                .findFirst()
                .orElseThrow();
    }
}
