package org.jalousie.core.placement;

import java.util.List;
import java.util.Locale;
import java.util.Optional;
import org.jalousie.core.data.Field;
import org.jalousie.core.data.FieldName;
import org.jalousie.core.data.FieldType;
import org.jalousie.core.data.Printer;
import org.jalousie.core.data.Typing;
import org.jalousie.core.data.Value;
import org.jalousie.core.data.ValueReader;
import org.jalousie.core.messages.Message;

/** Answers that are values of the kinds that data have, read and printed by the same rules. */
final class AskedValue {
    private AskedValue() {}

    private static Field field(FieldType type) {
        return new Field(new FieldName("answer"), type, "", false, "", List.of());
    }

    /**
     * What was typed in a language, as it is kept.
     *
     * @throws ValueReader.Unreadable saying what can't be read, or read in one way only
     */
    static String taken(FieldType type, String typed, Typing typing) throws ValueReader.Unreadable {
        return ValueReader.read(field(type), typed, typing).map(Value::raw).orElse("");
    }

    /** The value of an answer as it is kept; empty when there is none, or it can't be read. */
    static Optional<Value> value(FieldType type, String answer) {
        try {
            return ValueReader.read(field(type), answer);
        } catch (ValueReader.Unreadable e) {
            return Optional.empty();
        }
    }

    /** What is wrong with an answer as it is kept. */
    static Optional<Message> fault(FieldType type, String answer) {
        try {
            ValueReader.read(field(type), answer);
            return Optional.empty();
        } catch (ValueReader.Unreadable e) {
            return Optional.of(e.said());
        }
    }

    static String printed(FieldType type, String answer, Locale language) {
        return value(type, answer)
                .map(value -> Printer.in(language).print(value, ""))
                .orElse("");
    }
}
