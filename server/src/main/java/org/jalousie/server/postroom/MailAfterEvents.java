package org.jalousie.server.postroom;

import java.util.List;
import java.util.UUID;
import org.jalousie.core.agreement.Agreement;
import org.jalousie.core.agreement.Entry;
import org.jalousie.core.agreement.Event;
import org.jalousie.core.parties.Duty;
import org.jalousie.core.parties.Participant;
import org.jalousie.core.template.SendingSettings;
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
                ask(id, agreement, Mail.Kind.INVITATION, invited.party(), entry);
            } else if (event instanceof Event.ReminderSent reminder) {
                ask(id, agreement, Mail.Kind.REMINDER, reminder.party(), entry);
            } else if (event instanceof Event.Completed) {
                completed(id, agreement, entry);
            } else if (event instanceof Event.Declined declined) {
                ended(id, agreement, Mail.Kind.DECLINED, declined.party(), entry);
            } else if (event instanceof Event.Withdrawn) {
                ended(id, agreement, Mail.Kind.WITHDRAWN, "", entry);
            } else if (event instanceof Event.Expired) {
                ended(id, agreement, Mail.Kind.EXPIRED, "", entry);
            }
        }
    }

    private void ask(UUID id, Agreement agreement, Mail.Kind kind, String party, Entry entry) {
        Participant one = agreement.participant(party).orElseThrow();
        SendingSettings sending =
                templates.content(agreements.getObject().templateVersion(id)).sending();
        postroom.queue(id, kind, party, one.mail(), Letters.subject(kind, agreement, sending), entry.sequence());
    }

    /** Signers and copy recipients get the signed copy; who only completed details or approved does not (common practice, no source). */
    private void completed(UUID id, Agreement agreement, Entry entry) {
        agreement.participants().stream()
                .filter(one -> one.duty() == Duty.SIGNS || one.duty() == Duty.RECEIVES_COPY)
                .forEach(one -> queue(id, agreement, Mail.Kind.COMPLETED, one.party(), one.mail(), entry));
    }

    /** The office is told, and everybody who had been invited. */
    private void ended(UUID id, Agreement agreement, Mail.Kind kind, String by, Entry entry) {
        if (kind != Mail.Kind.WITHDRAWN)
            queue(id, agreement, kind, "", settings.office().mail(), entry);
        agreement.acting().stream()
                .filter(one -> agreement.turnSince().containsKey(one.party())
                        && !one.party().equals(by))
                .forEach(one -> queue(id, agreement, kind, one.party(), one.mail(), entry));
    }

    private void queue(UUID id, Agreement agreement, Mail.Kind kind, String party, String recipient, Entry entry) {
        String subject = Letters.subject(kind, agreement, SendingSettings.USUAL);
        postroom.queue(id, kind, party, recipient, subject, entry.sequence());
    }
}
