package org.jalousie.core.messages;

import java.time.LocalDate;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;

/**
 * What is to be said, in no language yet.
 *
 * @param code its key in the catalogues
 * @param arguments by name: texts, numbers, days, further messages, or names that are types of their own
 */
public record Message(String code, Map<String, Object> arguments) {
    public Message {
        Map<String, Object> plain = new LinkedHashMap<>();
        for (Map.Entry<String, Object> one : arguments.entrySet())
            plain.put(one.getKey(), plain(code, one.getKey(), one.getValue()));
        arguments = Map.copyOf(plain);
    }

    /** A name or number that is a type is said as it is written; what holds something else would be said as a program sees it. */
    private static Object plain(String code, String name, Object value) {
        if (value instanceof String
                || value instanceof Number
                || value instanceof Message
                || value instanceof LocalDate) return value;
        if (value instanceof Record) return value.toString();
        throw new IllegalArgumentException("what can't be said: " + code + ", " + name);
    }

    public static Message of(String code) {
        return new Message(code, Map.of());
    }

    /** @param arguments names and values by turns */
    public static Message of(String code, Object... arguments) {
        Map<String, Object> named = new LinkedHashMap<>();
        for (int i = 0; i < arguments.length; i += 2) named.put((String) arguments[i], arguments[i + 1]);
        return new Message(code, named);
    }

    /** Several messages in a row, parted by commas. @param all one at least */
    public static Message list(List<Message> all) {
        return all.stream()
                .reduce((before, next) -> of("list", "before", before, "next", next))
                .orElseThrow();
    }

    /** In English, for logs and programs. */
    @Override
    public String toString() {
        return Catalogue.ENGLISH.say(this);
    }
}
