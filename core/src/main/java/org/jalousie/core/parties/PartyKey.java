package org.jalousie.core.parties;

import com.fasterxml.jackson.annotation.JsonCreator;
import com.fasterxml.jackson.annotation.JsonValue;
import java.util.Optional;
import org.jalousie.core.data.Names;

/** Names a party within its template and the agreements made from it: the word before the dot in a tag. */
public record PartyKey(@JsonValue String value) implements Comparable<PartyKey> {
    /** @throws IllegalArgumentException for anything that can't be a name in a tag */
    @JsonCreator
    public PartyKey {
        if (value == null || !Names.isName(value)) throw new IllegalArgumentException("no key of a party: " + value);
    }

    /** What a text from outside names; empty when it can't be a party's key. */
    public static Optional<PartyKey> read(String text) {
        return text != null && Names.isName(text) ? Optional.of(new PartyKey(text)) : Optional.empty();
    }

    @Override
    public int compareTo(PartyKey other) {
        return value.compareTo(other.value);
    }

    @Override
    public String toString() {
        return value;
    }
}
