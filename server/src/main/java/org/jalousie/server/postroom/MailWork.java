package org.jalousie.server.postroom;

import java.time.Clock;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.jalousie.core.agreement.Agreement;
import org.jalousie.core.agreement.Asking;
import org.jalousie.core.agreement.Entry;
import org.jalousie.core.filing.FileNames;
import org.jalousie.core.parties.Participant;
import org.jalousie.server.Settings;
import org.jalousie.server.adapters.Outgoing;
import org.jalousie.server.adapters.SmtpMailer;
import org.jalousie.server.agreement.Agreements;
import org.jalousie.server.files.FileStore;
import org.jalousie.server.jobs.JobKind;
import org.jalousie.server.jobs.JobWork;
import org.jalousie.server.signing.ParticipantLinks;
import org.jalousie.server.template.UsableTemplates;
import org.springframework.stereotype.Component;

/** Sends one mail. A link is made at the moment of sending, so that its secret is stored nowhere. */
@Component
class MailWork implements JobWork {
    private final Postroom postroom;
    private final Agreements agreements;
    private final ParticipantLinks links;
    private final SmtpMailer mailer;
    private final FileStore files;
    private final UsableTemplates templates;
    private final Settings settings;
    private final Clock clock;

    MailWork(
            Postroom postroom,
            Agreements agreements,
            ParticipantLinks links,
            SmtpMailer mailer,
            FileStore files,
            UsableTemplates templates,
            Settings settings,
            Clock clock) {
        this.postroom = postroom;
        this.agreements = agreements;
        this.links = links;
        this.mailer = mailer;
        this.files = files;
        this.templates = templates;
        this.settings = settings;
        this.clock = clock;
    }

    @Override
    public JobKind kind() {
        return JobKind.MAIL;
    }

    @Override
    public boolean run(String instance) {
        Mail mail = postroom.get(UUID.fromString(instance.substring(37)));
        if (!mail.waiting()) return false;
        List<Entry> history = agreements.history(mail.agreementId());
        Agreement agreement = Agreement.of(history);
        boolean asks = mail.kind() == Mail.Kind.INVITATION || mail.kind() == Mail.Kind.REMINDER;
        if (asks && !stillAsked(history, mail)) {
            postroom.notNeeded(mail.id()); // they acted meanwhile, or it ended: nobody is asked for what is over
            return false;
        }
        Optional<Participant> to = mail.party().flatMap(agreement::participant);
        String link = asks ? links.issue(mail.agreementId(), mail.party().orElseThrow()) : "";
        String text = Letters.of(
                        agreement,
                        templates.content(agreements.templateVersion(mail.agreementId())),
                        settings.office().name(),
                        settings.office().zone())
                .text(mail.kind(), to, link);
        String host =
                settings.office().mail().substring(settings.office().mail().indexOf('@') + 1);
        mailer.send(new Outgoing(
                mail.id() + "@" + host,
                mail.recipient(),
                to.map(Participant::name).orElse(""),
                mail.subject(),
                text,
                attachments(mail, agreement)));
        postroom.sent(mail.id());
        return true;
    }

    /** What a later reminder has overtaken while it waited isn't sent any more. */
    private boolean stillAsked(List<Entry> history, Mail mail) {
        return mail.party()
                .flatMap(party -> Asking.of(history, party, clock.instant()))
                .filter(event -> mail.askedBy() == 0 || mail.askedBy() == event)
                .isPresent();
    }

    private List<Outgoing.Attachment> attachments(Mail mail, Agreement agreement) {
        if (mail.kind() != Mail.Kind.COMPLETED) return List.of();
        List<Outgoing.Attachment> attachments = new ArrayList<>();
        agreement
                .documents()
                .forEach(one -> attachments.add(
                        new Outgoing.Attachment(FileNames.of(agreement, one.id(), "pdf"), files.get(one.pdf()))));
        attachments.add(new Outgoing.Attachment(
                FileNames.of(agreement.created().number(), agreement.title(), "signing record", "pdf"),
                files.get(agreement.record().orElseThrow())));
        return attachments;
    }
}
