package org.jalousie.server.postroom;

import java.time.Clock;
import java.time.Instant;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.jalousie.core.agreement.Actor;
import org.jalousie.core.agreement.Agreement;
import org.jalousie.core.agreement.Asking;
import org.jalousie.core.agreement.Entry;
import org.jalousie.core.agreement.Event;
import org.jalousie.core.agreement.Standing;
import org.jalousie.core.evidence.EventSentences;
import org.jalousie.core.letters.LetterText;
import org.jalousie.core.letters.Letters;
import org.jalousie.core.letters.Occasion;
import org.jalousie.core.messages.Message;
import org.jalousie.core.parties.Participant;
import org.jalousie.core.parties.PartyKey;
import org.jalousie.core.template.SendingSettings;
import org.jalousie.core.template.Telling;
import org.jalousie.core.template.TemplateContent;
import org.jalousie.server.Settings;
import org.jalousie.server.adapters.AddressRefused;
import org.jalousie.server.adapters.Outgoing;
import org.jalousie.server.adapters.SmtpMailer;
import org.jalousie.server.agreement.Agreements;
import org.jalousie.server.jobs.JobKind;
import org.jalousie.server.jobs.JobWork;
import org.jalousie.server.jobs.NotYet;
import org.jalousie.server.office.OfficeHours;
import org.jalousie.server.signing.IdentityCodes;
import org.jalousie.server.signing.ParticipantLinks;
import org.jalousie.server.template.UsableTemplates;
import org.springframework.stereotype.Component;

/** Sends one mail. A link is made at the moment of sending, so that its secret is stored nowhere. */
@Component
class MailWork implements JobWork {
    private final Postroom postroom;
    private final Agreements agreements;
    private final ParticipantLinks links;
    private final IdentityCodes codes;
    private final SmtpMailer mailer;
    private final Enclosures enclosures;
    private final Envelopes envelopes;
    private final Returns returns;
    private final LetterDesk wording;
    private final UsableTemplates templates;
    private final OfficeHours hours;
    private final Settings settings;
    private final Clock clock;

    MailWork(
            Postroom postroom,
            Agreements agreements,
            ParticipantLinks links,
            IdentityCodes codes,
            SmtpMailer mailer,
            Enclosures enclosures,
            Envelopes envelopes,
            Returns returns,
            LetterDesk wording,
            UsableTemplates templates,
            OfficeHours hours,
            Settings settings,
            Clock clock) {
        this.postroom = postroom;
        this.agreements = agreements;
        this.links = links;
        this.codes = codes;
        this.mailer = mailer;
        this.enclosures = enclosures;
        this.envelopes = envelopes;
        this.returns = returns;
        this.wording = wording;
        this.templates = templates;
        this.hours = hours;
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
        if (overtaken(mail, history, agreement)) {
            postroom.notNeeded(mail.id());
            return false;
        }
        Optional<String> code = mail.kind() == Occasion.CODE
                ? codes.issue(mail.agreementId(), mail.party().orElseThrow(), mail.askedBy())
                : Optional.empty();
        if (mail.kind() == Occasion.CODE && code.isEmpty()) {
            postroom.notNeeded(mail.id()); // another one was asked for meanwhile
            return false;
        }
        UUID version = agreements.templateVersion(mail.agreementId());
        TemplateContent template = templates.content(version);
        waitForTheOffice(mail, template.sending(), history);
        if (mail.telling().isPresent()) return tell(mail, agreement, history, version);
        Optional<Participant> to = mail.party().flatMap(party -> recipient(agreement, party, mail));
        Optional<ParticipantLinks.CopyLink> copy = mail.kind() == Occasion.COMPLETED
                        && template.sending().copies() == SendingSettings.Copies.LINKED
                ? Optional.of(links.toCopy(mail.agreementId(), mail.party().orElseThrow(), history.size()))
                : Optional.empty();
        boolean acts = mail.kind().asks()
                || mail.kind() == Occasion.ANSWER
                        && agreement.standing(mail.party().orElseThrow()) == Standing.TURN;
        String link = acts
                ? links.issue(mail.agreementId(), mail.party().orElseThrow(), mail.askedBy())
                : copy.map(ParticipantLinks.CopyLink::address)
                        .orElse(
                                to.isPresent()
                                        ? ""
                                        : settings.address() + "/agreements/"
                                                + agreement.created().number());
        Letters letters = wording.of(agreement, history.get(0).at(), version);
        LetterText text = code.map(one -> letters.code(to.orElseThrow(), one))
                .orElseGet(() -> letters.text(
                        mail.kind(),
                        to,
                        link,
                        copy.map(ParticipantLinks.CopyLink::until),
                        happened(history, agreement, mail)));
        Outgoing outgoing = envelopes.of(
                mail,
                to.map(Participant::name).orElse(""),
                text,
                mail.kind().chases(),
                enclosures.of(mail.kind(), agreement, template, to.map(Participant::party)));
        try {
            mailer.send(outgoing);
        } catch (AddressRefused e) {
            boolean told = mail.kind().reaches() || mail.kind() == Occasion.COMPLETED;
            if (!told || mail.party().isEmpty()) throw e;
            returns.refused(mail, e);
            return true;
        }
        postroom.sent(mail.id());
        return true;
    }

    /** To whom the template tells besides. */
    private boolean tell(Mail mail, Agreement agreement, List<Entry> history, UUID version) {
        Telling telling = templates
                .content(version)
                .sending()
                .tellings()
                .get(mail.telling().orElseThrow());
        Letters letters = wording.of(agreement, history.get(0).at(), version);
        LetterText text = letters.told(
                telling,
                happened(history, agreement, mail).orElseThrow(),
                settings.address() + "/agreements/" + agreement.created().number());
        mailer.send(envelopes.of(mail, "", text, false, enclosures.of(telling, agreement)));
        postroom.sent(mail.id());
        return true;
    }

    /** What the office is told of, as the trail says it. */
    private static Optional<Message> happened(List<Entry> history, Agreement agreement, Mail mail) {
        return history.stream()
                .filter(entry -> entry.sequence() == mail.askedBy())
                .findFirst()
                .map(entry -> entry.event() instanceof Event.QuestionAnswered answered
                        ? answer(agreement, answered)
                        : EventSentences.of(entry, agreement).get(0));
    }

    private static Message answer(Agreement agreement, Event.QuestionAnswered answered) {
        String question = agreement.questions().stream()
                .filter(one -> one.number() == answered.question())
                .map(Agreement.Question::question)
                .findFirst()
                .orElse("");
        return Message.of("mail.answer-text", "question", question, "answer", answered.answer());
    }

    /** Whether what it would say isn't so any more. */
    private boolean overtaken(Mail mail, List<Entry> history, Agreement agreement) {
        // they acted meanwhile, or it ended: nobody is asked for what is over
        if (mail.kind().asks() && !stillAsked(history, mail)) return true;
        // the office has let them go on meanwhile
        if (mail.kind() == Occasion.LOCKED && agreement.locked().isEmpty()) return true;
        // who it was for has the part no more, or another link
        return mail.askedBy() > 0
                && mail.party()
                        .filter(party -> !agreement.linkHolds(party, mail.askedBy()))
                        .isPresent();
    }

    /** What a later reminder has overtaken while it waited isn't sent any more. */
    private boolean stillAsked(List<Entry> history, Mail mail) {
        return mail.party()
                .flatMap(party -> Asking.of(history, party, clock.instant()))
                .filter(event -> mail.askedBy() == 0 || mail.askedBy() == event)
                .isPresent();
    }

    /** Who had the part is told as who they are that it goes on without them. */
    private static Optional<Participant> recipient(Agreement agreement, PartyKey party, Mail mail) {
        Optional<Participant> now = agreement.participant(party);
        if (mail.kind() != Occasion.SKIPPED) return now;
        return now.map(one -> agreement.formerly().getOrDefault(party, List.of()).stream()
                .filter(before -> before.until() == mail.askedBy())
                .findFirst()
                .map(before -> one.with(before.person()))
                .orElse(one));
    }

    /**
     * What chases people goes in the office's hours only, also when it comes to be sent late; invitations where the terms say so.
     * What somebody of the office sends by hand goes when they say.
     */
    private void waitForTheOffice(Mail mail, SendingSettings sending, List<Entry> history) {
        boolean byHand = history.stream()
                .anyMatch(entry -> entry.sequence() == mail.askedBy() && entry.actor() instanceof Actor.Office);
        boolean held = mail.kind().chases() && !byHand
                || mail.kind() == Occasion.INVITATION
                        && sending.invitations() == SendingSettings.Invitations.OFFICE_HOURS;
        Instant now = clock.instant();
        Instant open = held ? hours.calendar().open(now) : now;
        if (!open.isAfter(now)) return;
        postroom.waitsUntil(mail.id(), open);
        throw new NotYet(open);
    }
}
