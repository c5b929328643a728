package org.jalousie.server.agreement;

import java.util.List;
import java.util.UUID;
import org.jalousie.server.jobs.JobKind;
import org.jalousie.server.jobs.JobWork;
import org.springframework.stereotype.Component;

/** Goes through a template's ended agreements again after others of its data have become columns. */
@Component
class ColumnWork implements JobWork {
    private static final int AT_ONCE = 200;

    private final Archived archived;
    private final AgreementLog log;

    ColumnWork(Archived archived, AgreementLog log) {
        this.archived = archived;
        this.log = log;
    }

    @Override
    public JobKind kind() {
        return JobKind.COLUMNS;
    }

    @Override
    public boolean run(String instance) {
        UUID template = UUID.fromString(instance);
        List<UUID> behind = archived.behind(template, AT_ONCE);
        while (!behind.isEmpty()) {
            behind.forEach(log::archiveAgain);
            behind = archived.behind(template, AT_ONCE);
        }
        return false;
    }
}
