package org.jalousie.core.data;

import com.fasterxml.jackson.annotation.JsonCreator;
import com.fasterxml.jackson.annotation.JsonValue;

/**
 * Names a field within its template or within an item of a list. What can be said in a tag is checked at publishing: a draft
 * keeps what somebody has typed so far, also nothing.
 */
public record FieldName(@JsonValue String value) implements Comparable<FieldName> {
    @JsonCreator
    public FieldName {
        value = value == null ? "" : value;
    }

    /** Whether it names nothing yet. */
    public boolean isBlank() {
        return value.isBlank();
    }

    @Override
    public int compareTo(FieldName other) {
        return value.compareTo(other.value);
    }

    @Override
    public String toString() {
        return value;
    }
}
