package org.jalousie.server.agreement;

import java.time.Clock;
import java.util.List;
import java.util.UUID;
import org.jalousie.core.agreement.Agreement;
import org.jalousie.core.agreement.Standing;
import org.jalousie.core.agreement.State;
import org.jalousie.core.filing.FileNames;
import org.jalousie.core.parties.Participant;
import org.jalousie.core.template.Terms;
import org.jalousie.server.Settings;
import org.jalousie.server.adapters.Outgoing;
import org.jalousie.server.adapters.SmtpMailer;
import org.jalousie.server.files.FileStore;
import org.jalousie.server.jobs.JobKind;
import org.jalousie.server.jobs.JobWork;
import org.jalousie.server.postroom.Mail;
import org.jalousie.server.postroom.Postroom;
import org.jalousie.server.template.TemplateService;
import org.springframework.stereotype.Component;

/** Sends one mail. A link is made at the moment of sending, so that its secret is stored nowhere. */
@Component
class MailWork implements JobWork {
    private final Postroom postroom;
    private final AgreementLog log;
    private final AgreementRows rows;
    private final Links links;
    private final SmtpMailer mailer;
    private final FileStore files;
    private final TemplateService templates;
    private final Settings settings;
    private final Clock clock;

    MailWork(
            Postroom postroom,
            AgreementLog log,
            AgreementRows rows,
            Links links,
            SmtpMailer mailer,
            FileStore files,
            TemplateService templates,
            Settings settings,
            Clock clock) {
        this.postroom = postroom;
        this.log = log;
        this.rows = rows;
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
        Agreement agreement = log.read(mail.agreementId());
        boolean asks = mail.kind() == Mail.Kind.INVITATION || mail.kind() == Mail.Kind.REMINDER;
        if (asks && !stillAsked(agreement, mail.party())) {
            postroom.notNeeded(mail.id()); // they acted meanwhile, or it ended: nobody is asked for what is over
            return false;
        }
        Participant to = agreement.participant(mail.party()).orElse(null);
        Terms terms = templates
                .content(rows.findById(mail.agreementId()).orElseThrow().templateVersionId())
                .terms();
        String link = asks ? settings.address() + "/act/" + links.issue(mail.agreementId(), mail.party()) : "";
        String text = Letters.text(
                mail.kind(),
                agreement,
                to,
                link,
                terms,
                settings.office().name(),
                settings.office().zone());
        String host =
                settings.office().mail().substring(settings.office().mail().indexOf('@') + 1);
        mailer.send(new Outgoing(
                mail.id() + "@" + host,
                mail.recipient(),
                to == null ? "" : to.name(),
                mail.subject(),
                text,
                attachments(mail, agreement)));
        postroom.sent(mail.id());
        return true;
    }

    private boolean stillAsked(Agreement agreement, String party) {
        boolean open = agreement.state() == State.OUT
                && agreement
                        .expiresAt()
                        .filter(end -> clock.instant().isBefore(end))
                        .isPresent();
        return open && agreement.standing(party) == Standing.TURN;
    }

    private List<Outgoing.Attachment> attachments(Mail mail, Agreement agreement) {
        if (mail.kind() != Mail.Kind.COMPLETED) return List.of();
        String number = agreement.created().number();
        String title = agreement.title();
        return List.of(
                new Outgoing.Attachment(FileNames.of(number, title, "", "pdf"), files.get(agreement.pdf())),
                new Outgoing.Attachment(
                        FileNames.of(number, title, "signing record", "pdf"), files.get(agreement.record())));
    }
}
