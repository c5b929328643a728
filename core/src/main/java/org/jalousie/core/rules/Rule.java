package org.jalousie.core.rules;

import org.jalousie.core.data.FieldType;

/**
 * Something that follows from the data, named in the coordinator's words: a condition, a total, a deadline.
 *
 * @param name what tags and other rules say, for example {@code abroad}
 * @param label the name as people read it
 * @param within the list whose items it is worked out for, or empty when it is about the whole agreement
 * @param expression FEEL (OMG DMN 1.4, chapter 10) over the template's fields
 * @param gives {@link FieldType#YES_NO} for a condition, else the type of what it works out
 */
public record Rule(String name, String label, String within, String expression, FieldType gives) {
    public Rule {
        within = within == null ? "" : within;
        gives = gives == null ? FieldType.YES_NO : gives;
    }

    /** A condition over the whole agreement. */
    public static Rule condition(String name, String expression) {
        return new Rule(name, name, "", expression, FieldType.YES_NO);
    }
}
