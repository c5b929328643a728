package org.jalousie.server.postroom;

import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.jalousie.core.agreement.Agreement;
import org.jalousie.core.agreement.Entry;
import org.jalousie.core.agreement.Event;
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
                if (agreement.together(invited.party()).lead().party().equals(invited.party()))
                    queue(about, Occasion.INVITATION, Optional.of(invited.party()), entry);
            } else if (event instanceof Event.ReminderSent reminder) {
                queue(about, Occasion.REMINDER, Optional.of(reminder.party()), entry);
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
