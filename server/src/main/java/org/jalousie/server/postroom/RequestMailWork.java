package org.jalousie.server.postroom;

import java.time.Clock;
import java.util.Optional;
import java.util.UUID;
import org.jalousie.core.letters.RequestLetter;
import org.jalousie.server.adapters.SmtpMailer;
import org.jalousie.server.jobs.JobKind;
import org.jalousie.server.jobs.JobWork;
import org.jalousie.server.jobs.Jobs;
import org.springframework.beans.factory.ObjectProvider;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Propagation;
import org.springframework.transaction.annotation.Transactional;

/** Queues and sends mail about requests. */
@Component
class RequestMailWork implements JobWork, RequestPost {
    private final Postroom postroom;
    private final Mails mails;
    private final ObjectProvider<Writer> writer;
    private final SmtpMailer mailer;
    private final Jobs jobs;
    private final Envelopes envelopes;
    private final Clock clock;

    RequestMailWork(
            Postroom postroom,
            Mails mails,
            ObjectProvider<Writer> writer,
            SmtpMailer mailer,
            Jobs jobs,
            Envelopes envelopes,
            Clock clock) {
        this.postroom = postroom;
        this.mails = mails;
        this.writer = writer;
        this.mailer = mailer;
        this.jobs = jobs;
        this.envelopes = envelopes;
        this.clock = clock;
    }

    @Override
    @Transactional(propagation = Propagation.MANDATORY)
    public void queue(UUID about, RequestLetter.About occasion, String recipient, String subject) {
        Mail mail = mails.save(Mail.about(about, occasion, recipient, subject, clock.instant()));
        mails.flush();
        jobs.soon(JobKind.REQUEST_MAIL, mail.id().toString());
    }

    @Override
    @Transactional(propagation = Propagation.MANDATORY)
    public void forget(UUID about) {
        mails.deleteByAbout(about);
    }

    @Override
    public JobKind kind() {
        return JobKind.REQUEST_MAIL;
    }

    @Override
    public boolean run(String instance) {
        // what it was about may be gone by now, and the mail with it
        Optional<Mail> found = mails.findById(UUID.fromString(instance)).filter(Mail::waiting);
        if (found.isEmpty()) return false;
        Mail mail = found.get();
        Optional<Written> written = writer.stream()
                .filter(one -> one.words(mail.requestOccasion()))
                .findFirst()
                .flatMap(one -> one.write(mail.about(), mail.requestOccasion(), mail.id()));
        if (written.isEmpty()) {
            postroom.notNeeded(mail.id());
            return false;
        }
        mailer.send(envelopes.of(
                mail,
                written.get().toName(),
                written.get().text(),
                false,
                written.get().attachments()));
        postroom.sent(mail.id());
        return true;
    }

    @Override
    public void givenUp(String instance, String reason) {
        postroom.failed(UUID.fromString(instance));
    }
}
