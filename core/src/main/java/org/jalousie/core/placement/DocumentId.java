package org.jalousie.core.placement;

import com.fasterxml.jackson.annotation.JsonCreator;
import com.fasterxml.jackson.annotation.JsonValue;

/** Names one document within its agreement, the same through all its states. */
public record DocumentId(@JsonValue String value) {
    /** The document that a template's own wording makes. */
    public static final DocumentId WORDING = new DocumentId("wording");

    /** The sheet in front that lists the others. */
    public static final DocumentId CONTENTS = new DocumentId("contents");

    /** @throws IllegalArgumentException for anything but lower-case letters, digits and underscores */
    @JsonCreator
    public DocumentId {
        if (value == null || !value.matches("[a-z0-9_]{1,60}"))
            throw new IllegalArgumentException("no id of a document: " + value);
    }

    @Override
    public String toString() {
        return value;
    }
}
