package org.jalousie.server.jobs;

import java.util.Arrays;
import java.util.Optional;
import org.jalousie.server.adapters.ServiceAway;

/**
 * The kinds of jobs there are. An instance is an agreement's id, with what else the job needs after a colon; or the id of
 * {@link LongWork}.
 */
public enum JobKind {
    /** An agreement's documents; one job at a time for each agreement. */
    MAKE_DOCUMENTS(ServiceAway.Service.CONVERTER),
    /** Seals, signatures and what is filed; one job at a time for each agreement. */
    SEAL_DOCUMENTS(ServiceAway.Service.TRUST),
    MAIL(ServiceAway.Service.MAIL),
    TEXT(ServiceAway.Service.TEXT),
    /** Mail about a request; an instance is the mail's id. */
    REQUEST_MAIL(ServiceAway.Service.MAIL),
    /** A template's specimens printed, {@link LongWork}. */
    PROOF(ServiceAway.Service.CONVERTER),
    /** Specimens drawn up for a template's rules, {@link LongWork}; needs nothing from outside. */
    DRAWING(),
    /** A finished file taken in and recognised; an instance is its id. */
    RECOGNISE(ServiceAway.Service.CONVERTER),
    /** A scan read and compared with what was printed; an instance is its id. Needs nothing from outside. */
    SCAN(),
    /** A table read, checked or carried out; an instance is its id. Needs nothing from outside. */
    TABLE(),
    /** Notices of a webhook, which has a patience of its own; an instance is its id. */
    WEBHOOK(),
    /** What the archive lists of a template's agreements, gone through again; an instance is its id. Needs nothing from outside. */
    COLUMNS(),
    /** The watched days of a template's completed agreements, worked out again; an instance is its id. Needs nothing from outside. */
    DATES(),
    /** What had ended before reports counted it, taken over; there is one. Needs nothing from outside. */
    REPORTS(),
    /** An agreement that is destroyed at the end of its retention. */
    DESTRUCTION(ServiceAway.Service.TRUST),
    /** What is to be filed to a target, which has a patience of its own; an instance is its id. */
    FILING(),
    /** What is to be done with a record system, which has a patience of its own; an instance is its id. */
    RECORDS();

    private final Optional<ServiceAway.Service> service;

    JobKind() {
        this.service = Optional.empty();
    }

    JobKind(ServiceAway.Service service) {
        this.service = Optional.of(service);
    }

    /** What it needs from outside; empty for nothing. */
    Optional<ServiceAway.Service> needs() {
        return service;
    }

    /** Whether it is about an agreement, which then shows when it was given up. */
    boolean ofAgreement() {
        return this != REQUEST_MAIL
                && this != PROOF
                && this != DRAWING
                && this != RECOGNISE
                && this != SCAN
                && this != TABLE
                && this != WEBHOOK
                && this != COLUMNS
                && this != DATES
                && this != REPORTS
                && this != FILING
                && this != RECORDS;
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
