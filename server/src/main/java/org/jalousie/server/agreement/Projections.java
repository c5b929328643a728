package org.jalousie.server.agreement;

import java.util.List;
import java.util.UUID;
import org.jalousie.server.jobs.JobKind;
import org.jalousie.server.jobs.Jobs;
import org.springframework.boot.context.event.ApplicationReadyEvent;
import org.springframework.context.event.EventListener;
import org.springframework.stereotype.Component;

/** Renews, at the start, what lists show of agreements that an earlier version of the program kept less of. */
@Component
class Projections {
    private final FoundBy foundBy;
    private final AgreementLog log;
    private final Archived archived;
    private final Jobs jobs;

    Projections(FoundBy foundBy, AgreementLog log, Archived archived, Jobs jobs) {
        this.foundBy = foundBy;
        this.log = log;
        this.archived = archived;
        this.jobs = jobs;
    }

    @EventListener(ApplicationReadyEvent.class)
    void renew() {
        List<UUID> found = foundBy.without();
        while (!found.isEmpty()) {
            found.forEach(log::projectAgain);
            found = foundBy.without();
        }
        archived.untaken().forEach(template -> jobs.once(JobKind.COLUMNS, template.toString()));
    }
}
