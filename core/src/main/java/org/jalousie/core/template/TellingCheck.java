package org.jalousie.core.template;

import java.util.ArrayList;
import java.util.List;
import org.jalousie.core.data.FieldName;
import org.jalousie.core.data.FieldType;
import org.jalousie.core.data.ValueReader;
import org.jalousie.core.messages.Message;

/** What stands in the way of publishing in whom the office tells. Each is named by its place in the list. */
final class TellingCheck {
    private final TemplateContent content;
    private final List<Message> faults = new ArrayList<>();

    private TellingCheck(TemplateContent content) {
        this.content = content;
    }

    static List<Message> of(TemplateContent content) {
        TellingCheck check = new TellingCheck(content);
        List<Telling> all = content.sending().tellings();
        if (all.size() > Telling.MOST) check.faults.add(Message.of("publish.tellings", "most", Telling.MOST));
        for (int i = 0; i < all.size(); i++) check.one(all.get(i), i + 1);
        return check.faults;
    }

    private void one(Telling telling, int number) {
        if (telling.moments().isEmpty()) faults.add(Message.of("publish.telling-never", "number", number));
        int named = telling.teams().size()
                + telling.mails().size()
                + telling.fields().size();
        if (named == 0) faults.add(Message.of("publish.telling-nobody", "number", number));
        if (named > Telling.MOST)
            faults.add(Message.of("publish.telling-many", "number", number, "most", Telling.MOST));
        telling.mails().stream()
                .filter(one -> !ValueReader.isMail(one))
                .forEach(one -> faults.add(Message.of("publish.telling-mail", "number", number, "mail", one)));
        telling.fields().stream()
                .filter(one -> !isMail(one))
                .forEach(one -> faults.add(Message.of("publish.telling-field", "number", number, "field", one)));
        telling.attachments().stream()
                .filter(one -> one.name().isBlank())
                .forEach(one -> faults.add(Message.of("publish.telling-file", "number", number)));
        for (Message fault : new Letter(telling.message()).faults(content))
            faults.add(Message.of("publish.telling-words", "number", number, "fault", fault));
    }

    private boolean isMail(FieldName name) {
        return content.fields().stream()
                .anyMatch(field -> field.name().equals(name) && field.type() == FieldType.MAIL_ADDRESS);
    }
}
