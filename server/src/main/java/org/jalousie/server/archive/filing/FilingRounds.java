package org.jalousie.server.archive.filing;

import java.util.List;
import java.util.UUID;
import org.jalousie.core.agreement.Agreement;
import org.jalousie.core.agreement.Entry;
import org.jalousie.core.agreement.Event;
import org.jalousie.server.agreement.AfterEvents;
import org.jalousie.server.agreement.Agreements;
import org.jalousie.server.jobs.JobKind;
import org.jalousie.server.jobs.Jobs;
import org.jalousie.server.template.UsableTemplates;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.context.annotation.Lazy;
import org.springframework.dao.DataAccessException;
import org.springframework.scheduling.annotation.Scheduled;
import org.springframework.stereotype.Component;

/** Notes what is to be filed when it is complete, and looks every other second which targets have something to do. */
@Component
class FilingRounds implements AfterEvents {
    private static final Logger LOG = LoggerFactory.getLogger(FilingRounds.class);

    private final Targets targets;
    private final Filings filings;
    private final Agreements agreements;
    private final UsableTemplates templates;
    private final Jobs jobs;

    FilingRounds(Targets targets, Filings filings, @Lazy Agreements agreements, UsableTemplates templates, Jobs jobs) {
        this.targets = targets;
        this.filings = filings;
        this.agreements = agreements;
        this.templates = templates;
        this.jobs = jobs;
    }

    @Override
    public void happened(UUID id, Agreement agreement, List<Entry> history, List<Entry> happened) {
        if (happened.stream().noneMatch(one -> one.event() instanceof Event.Completed)) return;
        List<Targets.Target> all = targets.forCompletion();
        if (all.isEmpty()) return;
        UUID template = templates.templateOf(agreements.templateVersion(id));
        for (Targets.Target target : all) if (target.terms().takes(template)) filings.add(target.id(), List.of(id));
    }

    @Scheduled(fixedDelay = 2_000)
    void round() {
        try {
            targets.due().forEach(one -> jobs.once(JobKind.FILING, one.toString()));
        } catch (DataAccessException e) {
            // the database is away, which others tell; the next round comes
            LOG.debug("no round of filing", e);
        }
    }
}
