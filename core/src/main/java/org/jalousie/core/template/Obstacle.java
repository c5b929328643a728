package org.jalousie.core.template;

import org.jalousie.core.messages.Message;

/**
 * One thing that stands in the way of publishing.
 *
 * @param about what it is settled at
 * @param name of that thing: a field's, rule's, choice's or signing field's name, a party's key; empty where there is only one
 */
public record Obstacle(Subject about, String name, Message message) {
    /** Where in a template something is settled. */
    public enum Subject {
        WORDING,
        FIELD,
        RULE,
        CHOICE,
        PARTY,
        SIGNING_FIELD,
        FORM,
        SENDING,
        DOCUMENT
    }

    static Obstacle at(Subject about, Object name, Message message) {
        return new Obstacle(about, name.toString(), message);
    }

    /** Something that is settled in the words themselves. */
    public static Obstacle wording(Message message) {
        return new Obstacle(Subject.WORDING, "", message);
    }
}
