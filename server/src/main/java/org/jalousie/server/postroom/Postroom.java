package org.jalousie.server.postroom;

import java.time.Clock;
import java.time.Instant;
import java.util.Optional;
import java.util.UUID;
import org.jalousie.core.letters.Occasion;
import org.jalousie.core.parties.PartyKey;
import org.jalousie.server.jobs.JobKind;
import org.jalousie.server.jobs.Jobs;
import org.jalousie.server.office.AfterHours;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Propagation;
import org.springframework.transaction.annotation.Transactional;

/** All mail that goes out. */
@Service
class Postroom implements AfterHours {
    private final Mails mails;
    private final Jobs jobs;
    private final Clock clock;

    Postroom(Mails mails, Jobs jobs, Clock clock) {
        this.mails = mails;
        this.jobs = jobs;
        this.clock = clock;
    }

    /** Puts a mail into the queue, in the transaction of the event that asks for it. */
    @Transactional(propagation = Propagation.MANDATORY)
    public void queue(
            UUID agreementId, Occasion kind, Optional<PartyKey> party, String recipient, String subject, int askedBy) {
        queue(new Mail(agreementId, kind, party, recipient, subject, askedBy, clock.instant()));
    }

    /** Puts a mail to whom the office tells besides into the queue. @param telling which line of the template's */
    @Transactional(propagation = Propagation.MANDATORY)
    public void queueTelling(UUID agreementId, int telling, String recipient, String subject, int askedBy) {
        queue(Mail.telling(agreementId, telling, recipient, subject, askedBy, clock.instant()));
    }

    private void queue(Mail mail) {
        mails.save(mail);
        mails.flush();
        jobs.soon(JobKind.MAIL, mail.agreementId() + ":" + mail.id());
    }

    /** Puts a text message with a code into the queue, in the transaction of the event that asks for it. */
    @Transactional(propagation = Propagation.MANDATORY)
    public void queueText(UUID agreementId, PartyKey party, String number, String subject, int askedBy) {
        Mail mail = mails.save(Mail.text(agreementId, party, number, subject, askedBy, clock.instant()));
        mails.flush();
        jobs.soon(JobKind.TEXT, agreementId + ":" + mail.id());
    }

    @Transactional(readOnly = true)
    public Mail get(UUID id) {
        return mails.findById(id).orElseThrow();
    }

    /** It may not go before the office opens. */
    @Transactional
    public void waitsUntil(UUID id, Instant moment) {
        mails.findById(id).orElseThrow().waitsUntil(moment);
    }

    /** What waits for the office's hours looks at the new ones. */
    @Override
    @Transactional(propagation = Propagation.MANDATORY)
    public void hoursChanged() {
        for (Mail mail : mails.findByStateAndGoesAtNotNull(Mail.WAITING))
            jobs.soon(JobKind.MAIL, mail.agreementId() + ":" + mail.id());
    }

    /** Its cause was over before it could go out. */
    @Transactional
    public void notNeeded(UUID id) {
        mails.findById(id).orElseThrow().notNeeded();
    }

    /** @param carrierId what its carrier calls it */
    @Transactional
    public void carried(UUID id, String carrierId) {
        mails.findById(id).orElseThrow().carried(carrierId, clock.instant());
    }

    /** It came back. @param because what the mail server said; @return whether that is news */
    @Transactional(propagation = Propagation.MANDATORY)
    public boolean returned(UUID id, String because) {
        return mails.findById(id).orElseThrow().returned(because, clock.instant());
    }

    /** It was given up. */
    @Transactional
    public void failed(UUID id) {
        mails.findById(id).orElseThrow().failed();
    }

    @Transactional
    public void sent(UUID id) {
        mails.findById(id).orElseThrow().sent(clock.instant());
    }
}
