package org.jalousie.server.postroom;

import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.jalousie.core.agreement.Agreement;
import org.jalousie.core.agreement.Asking;
import org.jalousie.core.agreement.Entry;
import org.jalousie.core.agreement.Event;
import org.jalousie.core.agreement.Standing;
import org.jalousie.core.data.PhoneNumber;
import org.jalousie.core.letters.Occasion;
import org.jalousie.core.parties.IdentityCheck;
import org.jalousie.core.parties.Participant;
import org.jalousie.core.parties.PartyKey;
import org.jalousie.server.Settings;
import org.jalousie.server.agreement.AfterEvents;
import org.jalousie.server.agreement.Agreements;
import org.springframework.beans.factory.ObjectProvider;
import org.springframework.core.annotation.Order;
import org.springframework.stereotype.Component;

/** Queues the mail that events of agreements lead to. */
@Component
@Order(1)
class MailAfterEvents implements AfterEvents {
    private final Postroom postroom;
    private final ObjectProvider<Agreements> agreements;
    private final LetterDesk wording;
    private final Settings settings;

    MailAfterEvents(Postroom postroom, ObjectProvider<Agreements> agreements, LetterDesk wording, Settings settings) {
        this.postroom = postroom;
        this.agreements = agreements;
        this.wording = wording;
        this.settings = settings;
    }

    /** The agreement that mails are about. @param made when it was made */
    private record About(UUID id, Agreement agreement, Instant made) {}

    @Override
    public void happened(UUID id, Agreement agreement, List<Entry> history, List<Entry> happened) {
        About about = new About(id, agreement, history.get(0).at());
        for (Entry entry : happened) {
            Event event = entry.event();
            if (event instanceof Event.Invited invited) {
                // parts that are done in one act are asked for by one mail
                if (leads(agreement, invited.party()))
                    queue(about, Occasion.INVITATION, Optional.of(invited.party()), entry);
            } else if (event instanceof Event.ReminderSent reminder) {
                queue(about, Occasion.REMINDER, Optional.of(reminder.party()), entry);
            } else if (event instanceof Event.LinkRenewed renewed) {
                if (leads(agreement, renewed.party()))
                    queue(about, Occasion.NEW_LINK, Optional.of(renewed.party()), entry);
            } else if (event instanceof Event.PersonChanged changed) {
                changed(about, history, happened, changed, entry);
            } else if (event instanceof Event.EndChanged) {
                agreement.asked().stream()
                        .filter(one -> !agreement.undelivered().containsKey(one.party()))
                        .forEach(one -> queue(about, Occasion.NEW_END, Optional.of(one.party()), entry));
            } else if (event instanceof Event.PartSkipped skipped) {
                if (wereAsked(history, skipped.party()))
                    queue(about, Occasion.SKIPPED, Optional.of(skipped.party()), entry);
            } else if (event instanceof Event.QuestionAsked) {
                queue(about, Occasion.QUESTION, Optional.empty(), entry);
            } else if (event instanceof Event.QuestionAnswered answered) {
                boolean theirs = agreement.questionsOf(answered.party()).stream()
                        .anyMatch(one -> one.number() == answered.question());
                if (theirs) queue(about, Occasion.ANSWER, Optional.of(answered.party()), entry);
            } else if (event instanceof Event.MailReturned) {
                queue(about, Occasion.RETURNED, Optional.empty(), entry);
            } else if (event instanceof Event.ConsentWithdrawn withdrawn) {
                if (leads(agreement, withdrawn.party()))
                    queue(about, Occasion.CONSENT_WITHDRAWN, Optional.empty(), entry);
            } else if (event instanceof Event.WarningSent warning) {
                queue(about, Occasion.WARNING, Optional.of(warning.party()), entry);
            } else if (event instanceof Event.CodeSent sent) {
                code(about, sent, entry);
            } else if (event instanceof Event.IdentityDoubted doubted && doubted.locked()) {
                queue(about, Occasion.LOCKED, Optional.empty(), entry);
            } else if (event instanceof Event.Completed) {
                completed(about, entry);
            } else if (event instanceof Event.Declined declined) {
                ended(about, Occasion.DECLINED, Optional.of(declined.party()), entry);
            } else if (event instanceof Event.Withdrawn) {
                ended(about, Occasion.WITHDRAWN, Optional.empty(), entry);
            } else if (event instanceof Event.Expired) {
                ended(about, Occasion.EXPIRED, Optional.empty(), entry);
            }
        }
    }

    private static boolean wereAsked(List<Entry> history, PartyKey party) {
        return history.stream()
                .anyMatch(one -> one.event() instanceof Event.Invited invited
                        && invited.party().equals(party));
    }

    private static boolean leads(Agreement agreement, PartyKey party) {
        return agreement.together(party).lead().party().equals(party);
    }

    /** Who has a part now that is waited for is asked for all that they do in one act with it, by one mail. */
    private void changed(
            About about, List<Entry> history, List<Entry> happened, Event.PersonChanged changed, Entry entry) {
        Agreement agreement = about.agreement();
        if (changed.how() == Event.PersonChanged.Change.HANDED_OVER && first(happened, entry))
            queue(about, Occasion.HANDED_OVER, Optional.empty(), entry);
        if (agreement.standing(changed.party()) != Standing.TURN) return;
        if (changed.how() == Event.PersonChanged.Change.REPLACED && first(happened, entry))
            former(about, changed, entry);
        PartyKey lead = agreement.together(changed.party()).lead().party();
        // several parts that come to one act are asked for by the first of them
        boolean earlier = happened.stream()
                .takeWhile(one -> one.sequence() < entry.sequence())
                .anyMatch(one -> one.event() instanceof Event.PersonChanged other
                        && agreement.together(other.party()).lead().party().equals(lead));
        if (earlier && !lead.equals(changed.party())) return;
        boolean invitedToo = happened.stream()
                .anyMatch(one -> one.event() instanceof Event.Invited invited
                        && invited.party().equals(lead));
        boolean askedByItself = happened.stream()
                .anyMatch(one -> one.event() instanceof Event.PersonChanged other
                        && other.party().equals(lead)
                        && one.sequence() != entry.sequence());
        if (invitedToo || askedByItself) return;
        Entry asking = Asking.of(history, lead, entry.at())
                .map(number -> history.get(number - 1))
                .orElse(entry);
        queue(about, Occasion.INVITATION, Optional.of(lead), asking);
    }

    /** Who was asked is told that somebody else is asked now. */
    private void former(About about, Event.PersonChanged changed, Entry entry) {
        List<Agreement.Formerly> before = about.agreement().formerly().get(changed.party());
        Participant was = about.agreement()
                .participant(changed.party())
                .orElseThrow()
                .with(before.get(before.size() - 1).person());
        postroom.queue(
                about.id(),
                Occasion.SKIPPED,
                Optional.of(changed.party()),
                was.mail(),
                subject(about, Occasion.SKIPPED, Optional.of(was)),
                entry.sequence());
    }

    /** Parts that changed hands at once are told of once. */
    private static boolean first(List<Entry> happened, Entry entry) {
        return happened.stream()
                .filter(one -> one.event() instanceof Event.PersonChanged)
                .findFirst()
                .equals(Optional.of(entry));
    }

    /** A code goes to the mailbox or to the telephone, as the party's check says. */
    private void code(About about, Event.CodeSent sent, Entry entry) {
        if (sent.check() == IdentityCheck.MAILED_CODE) {
            queue(about, Occasion.CODE, Optional.of(sent.party()), entry);
            return;
        }
        Participant to = about.agreement().participant(sent.party()).orElseThrow();
        String number = PhoneNumber.international(to.person().phone()).orElseThrow();
        postroom.queueText(
                about.id(), sent.party(), number, subject(about, Occasion.CODE, Optional.of(to)), entry.sequence());
    }

    /** Who gets the signed copy gets it once, whatever parts they have. */
    private void completed(About about, Entry entry) {
        List<Participant> copied = new ArrayList<>();
        about.agreement().present().stream()
                .filter(Participant::getsCopy)
                .filter(one -> copied.stream().noneMatch(other -> other.person().isSameAs(one.person())))
                .forEach(copied::add);
        // who signed on paper may have no address; the office hands them their copy
        copied.removeIf(one -> one.mail().isBlank());
        copied.forEach(one -> queue(about, Occasion.COMPLETED, Optional.of(one.party()), entry));
    }

    /** The office is told, and everybody who had been invited. */
    private void ended(About about, Occasion kind, Optional<PartyKey> by, Entry entry) {
        if (kind != Occasion.WITHDRAWN) queue(about, kind, Optional.empty(), entry);
        about.agreement().everAsked().stream()
                .filter(one -> !by.equals(Optional.of(one.party())))
                .forEach(one -> queue(about, kind, Optional.of(one.party()), entry));
    }

    /** @param party empty for the office itself */
    private void queue(About about, Occasion kind, Optional<PartyKey> party, Entry entry) {
        Optional<Participant> to = party.flatMap(about.agreement()::participant);
        String recipient = to.map(Participant::mail).orElse(settings.office().mail());
        postroom.queue(about.id(), kind, party, recipient, subject(about, kind, to), entry.sequence());
    }

    private String subject(About about, Occasion kind, Optional<Participant> to) {
        return wording.of(
                        about.agreement(), about.made(), agreements.getObject().templateVersion(about.id()))
                .subject(kind, to);
    }
}
