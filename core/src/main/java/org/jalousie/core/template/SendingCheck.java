package org.jalousie.core.template;

import java.util.ArrayList;
import java.util.List;
import org.jalousie.core.data.FieldName;
import org.jalousie.core.data.FieldType;
import org.jalousie.core.messages.Message;
import org.jalousie.core.parties.PersonSource;

/** What stands in the way of publishing in the terms of sending. */
final class SendingCheck {
    private static final int LONGEST = 365;
    private static final int MOST_REMINDERS = 20;

    private final TemplateContent content;
    private final List<Obstacle> obstacles = new ArrayList<>();

    private SendingCheck(TemplateContent content) {
        this.content = content;
    }

    static List<Obstacle> of(TemplateContent content) {
        SendingCheck check = new SendingCheck(content);
        check.time();
        check.words();
        check.files();
        TellingCheck.of(content).forEach(check::add);
        return check.obstacles;
    }

    private void time() {
        SendingSettings sending = content.sending();
        if (sending.expiresOn().isBlank()) {
            if (sending.expiryDays() < 1 || sending.expiryDays() > LONGEST) add(Message.of("publish.expiry"));
            else if (sending.warnDays() > sending.expiryDays()) add(Message.of("publish.warning-early"));
        } else if (!isA(sending.expiresOn(), FieldType.DATE)) {
            add(Message.of("publish.expiry-field"));
        }
        if (!isDays(sending.warnDays())) add(Message.of("publish.warning"));
        if (!isDays(sending.firstReminderDays()) || !isDays(sending.everyDays())) add(Message.of("publish.reminders"));
        if (sending.reminderGaps().size() > MOST_REMINDERS
                || sending.reminderGaps().stream().anyMatch(gap -> gap < 1 || gap > LONGEST))
            add(Message.of("publish.reminder-gaps", "most", MOST_REMINDERS));
    }

    private void words() {
        for (Message fault : new Letter(content.sending().subject()).faults(content))
            add(Message.of("publish.subject", "fault", fault));
        for (Message fault : new Letter(content.sending().message()).faults(content))
            add(Message.of("publish.message", "fault", fault));
        if (content.sending().subject().contains("\n")) add(Message.of("publish.subject-lines"));
        // nobody has looked at who a person is that is chosen only in the check
        if (content.sending().release() == SendingSettings.Release.AT_ONCE)
            content.parties().stream()
                    .filter(party -> party.who() instanceof PersonSource.WhoSends)
                    .forEach(party -> add(Message.of("publish.sender-unknown", "party", party.label())));
    }

    private void files() {
        for (FieldName name : content.sending().attachedFields()) {
            if (!isA(name, FieldType.PICTURE)) add(Message.of("publish.attached-field", "field", name));
        }
        content.sending().attachments().stream()
                .filter(one -> one.name().isBlank())
                .forEach(one -> add(Message.of("publish.attachment-name")));
    }

    private boolean isA(FieldName name, FieldType type) {
        return content.fields().stream().anyMatch(field -> field.name().equals(name) && field.type() == type);
    }

    private static boolean isDays(int days) {
        return days >= 0 && days <= LONGEST;
    }

    private void add(Message message) {
        obstacles.add(Obstacle.at(Obstacle.Subject.SENDING, "", message));
    }
}
