package org.jalousie.core.wording.tags;

import org.jalousie.core.messages.Message;
import org.jalousie.core.parties.PartyKey;

/** A tag as it stands in the wording. */
public sealed interface Tag {
    /** {@code {{name}}} or {@code {{name.print}}}; the print is empty for the usual one. */
    record Value(String name, String print) implements Tag {}

    /** {@code {{#name}}} or, inverted, {@code {{^name}}}; the name may end in {@code .case}. */
    record Open(String name, boolean inverted) implements Tag {}

    record Close(String name) implements Tag {}

    /** {@code {{>name}}}, or with {@code dynamic} {@code {{>*choice}}}, the clause that a choice names. */
    record Clause(String name, boolean dynamic) implements Tag {}

    /** A comment or a change of delimiters: prints nothing. */
    record Silent() implements Tag {}

    /** A tag that can't be read. */
    record Unreadable(String code, Message message, Message cure) implements Tag {}

    /** A dotted name whose first word may be a party: decided when all tags are known. */
    record Dotted(String first, String second) implements Tag {
        /** The party that the first word would name. */
        public PartyKey party() {
            return new PartyKey(first);
        }
    }
}
