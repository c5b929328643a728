package org.jalousie.server.records;

import org.jalousie.server.jobs.JobKind;
import org.jalousie.server.jobs.Jobs;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.dao.DataAccessException;
import org.springframework.scheduling.annotation.Scheduled;
import org.springframework.stereotype.Component;

/** Looks every second which record systems have something to be done. */
@Component
class RecordRounds {
    private static final Logger LOG = LoggerFactory.getLogger(RecordRounds.class);

    private final FollowedRecords followed;
    private final RecordSteps steps;
    private final Jobs jobs;

    RecordRounds(FollowedRecords followed, RecordSteps steps, Jobs jobs) {
        this.followed = followed;
        this.steps = steps;
        this.jobs = jobs;
    }

    @Scheduled(fixedDelay = 1_000)
    void round() {
        try {
            steps.giveUpOld();
            followed.dueSystems().forEach(one -> jobs.once(JobKind.RECORDS, one.toString()));
        } catch (DataAccessException e) {
            // the database is away, which others tell; the next round comes
            LOG.debug("no round of records", e);
        }
    }
}
