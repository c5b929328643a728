package org.jalousie.server.archive.dates;

import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.jalousie.server.agreement.EndedAgreements;
import org.jalousie.server.jobs.JobKind;
import org.jalousie.server.jobs.JobWork;
import org.jalousie.server.template.TemplateDates;
import org.springframework.stereotype.Component;

/** Works out the watched days of a template's completed agreements after others were settled. */
@Component
class DatesWork implements JobWork {
    private static final int AT_ONCE = 500;

    private final TemplateDates templates;
    private final EndedAgreements ended;
    private final WatchedDates dates;

    DatesWork(TemplateDates templates, EndedAgreements ended, WatchedDates dates) {
        this.templates = templates;
        this.ended = ended;
        this.dates = dates;
    }

    @Override
    public JobKind kind() {
        return JobKind.DATES;
    }

    @Override
    public boolean run(String instance) {
        UUID template = UUID.fromString(instance);
        int edition = templates.of(template).edition();
        Optional<UUID> last = Optional.empty();
        List<UUID> found = ended.completedOf(template, last, AT_ONCE);
        while (!found.isEmpty()) {
            found.forEach(dates::again);
            last = Optional.of(found.get(found.size() - 1));
            found = ended.completedOf(template, last, AT_ONCE);
        }
        templates.done(template, edition);
        return false;
    }
}
