package org.jalousie.server.postroom;

import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.jalousie.core.agreement.Agreement;
import org.jalousie.core.agreement.Entry;
import org.jalousie.core.agreement.Event;
import org.jalousie.core.parties.Duty;
import org.jalousie.core.parties.Participant;
import org.jalousie.core.parties.PartyKey;
import org.jalousie.server.Settings;
import org.jalousie.server.agreement.AfterEvents;
import org.jalousie.server.agreement.Agreements;
import org.jalousie.server.template.UsableTemplates;
import org.springframework.beans.factory.ObjectProvider;
import org.springframework.core.annotation.Order;
import org.springframework.stereotype.Component;

/** Queues the mail that events of agreements lead to. */
@Component
@Order(1)
class MailAfterEvents implements AfterEvents {
    private final Postroom postroom;
    private final ObjectProvider<Agreements> agreements;
    private final UsableTemplates templates;
    private final Settings settings;

    MailAfterEvents(
            Postroom postroom, ObjectProvider<Agreements> agreements, UsableTemplates templates, Settings settings) {
        this.postroom = postroom;
        this.agreements = agreements;
        this.templates = templates;
        this.settings = settings;
    }

    @Override
    public void happened(UUID id, Agreement agreement, List<Entry> history, List<Entry> happened) {
        for (Entry entry : happened) {
            Event event = entry.event();
            if (event instanceof Event.Invited invited) {
                queue(id, agreement, Mail.Kind.INVITATION, Optional.of(invited.party()), entry);
            } else if (event instanceof Event.ReminderSent reminder) {
                queue(id, agreement, Mail.Kind.REMINDER, Optional.of(reminder.party()), entry);
            } else if (event instanceof Event.Completed) {
                completed(id, agreement, entry);
            } else if (event instanceof Event.Declined declined) {
                ended(id, agreement, Mail.Kind.DECLINED, Optional.of(declined.party()), entry);
            } else if (event instanceof Event.Withdrawn) {
                ended(id, agreement, Mail.Kind.WITHDRAWN, Optional.empty(), entry);
            } else if (event instanceof Event.Expired) {
                ended(id, agreement, Mail.Kind.EXPIRED, Optional.empty(), entry);
            }
        }
    }

    /** Signers and copy recipients get the signed copy; who only completed details or approved does not (common practice, no source). */
    private void completed(UUID id, Agreement agreement, Entry entry) {
        agreement.participants().stream()
                .filter(one -> one.duty() == Duty.SIGNS || one.duty() == Duty.RECEIVES_COPY)
                .forEach(one -> queue(id, agreement, Mail.Kind.COMPLETED, Optional.of(one.party()), entry));
    }

    /** The office is told, and everybody who had been invited. */
    private void ended(UUID id, Agreement agreement, Mail.Kind kind, Optional<PartyKey> by, Entry entry) {
        if (kind != Mail.Kind.WITHDRAWN) queue(id, agreement, kind, Optional.empty(), entry);
        agreement.acting().stream()
                .filter(one -> agreement.turnSince().containsKey(one.party()) && !by.equals(Optional.of(one.party())))
                .forEach(one -> queue(id, agreement, kind, Optional.of(one.party()), entry));
    }

    /** @param party empty for the office itself */
    private void queue(UUID id, Agreement agreement, Mail.Kind kind, Optional<PartyKey> party, Entry entry) {
        Optional<Participant> to = party.flatMap(agreement::participant);
        Letters letters = Letters.of(
                agreement,
                templates.content(agreements.getObject().templateVersion(id)),
                settings.office().name(),
                settings.office().zone());
        String recipient = to.map(Participant::mail).orElse(settings.office().mail());
        postroom.queue(id, kind, party, recipient, letters.subject(kind, to), entry.sequence());
    }
}
