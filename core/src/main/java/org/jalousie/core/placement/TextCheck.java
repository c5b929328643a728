package org.jalousie.core.placement;

import java.util.List;
import java.util.Optional;
import org.jalousie.core.data.Field;
import org.jalousie.core.data.FieldName;
import org.jalousie.core.data.FieldType;
import org.jalousie.core.data.ValueReader;
import org.jalousie.core.messages.Message;

/** What a text that a party types has to be; the form's inputs are read by the same rules. */
public enum TextCheck {
    ANY(FieldType.TEXT),
    MAIL_ADDRESS(FieldType.MAIL_ADDRESS),
    WEB_ADDRESS(FieldType.WEB_ADDRESS),
    PHONE(FieldType.PHONE);

    private final FieldType type;

    TextCheck(FieldType type) {
        this.type = type;
    }

    Optional<Message> fault(String answer) {
        try {
            ValueReader.read(new Field(new FieldName("answer"), type, "", false, "", List.of()), answer);
            return Optional.empty();
        } catch (ValueReader.Unreadable e) {
            return Optional.of(e.said());
        }
    }
}
