package org.jalousie.core.filing.columns;

import com.fasterxml.jackson.annotation.JsonCreator;
import com.fasterxml.jackson.annotation.JsonValue;
import java.util.Optional;
import org.jalousie.core.data.FieldName;
import org.jalousie.core.data.Names;
import org.jalousie.core.parties.PartyKey;

/** Names a column of the archive: a datum's name, or {@code party.} and the key of a party. */
public record ColumnKey(@JsonValue String value) implements Comparable<ColumnKey> {
    private static final String PARTY = "party.";

    /** @throws IllegalArgumentException for what can be neither */
    @JsonCreator
    public ColumnKey {
        if (value == null || !Names.isName(value.startsWith(PARTY) ? value.substring(PARTY.length()) : value))
            throw new IllegalArgumentException("no column: " + value);
    }

    /** What a text from outside names; empty when it can't be a column. */
    public static Optional<ColumnKey> read(String text) {
        try {
            return Optional.of(new ColumnKey(text));
        } catch (IllegalArgumentException e) {
            return Optional.empty();
        }
    }

    /** The column of a datum. */
    public static ColumnKey of(FieldName field) {
        return new ColumnKey(field.value());
    }

    /** The column of who fills a part. */
    public static ColumnKey of(PartyKey party) {
        return new ColumnKey(PARTY + party.value());
    }

    @Override
    public int compareTo(ColumnKey other) {
        return value.compareTo(other.value);
    }

    @Override
    public String toString() {
        return value;
    }
}
