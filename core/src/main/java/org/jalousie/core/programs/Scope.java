package org.jalousie.core.programs;

import com.fasterxml.jackson.annotation.JsonCreator;
import com.fasterxml.jackson.annotation.JsonValue;
import java.util.Arrays;
import java.util.List;
import java.util.Locale;

/**
 * What a program of the office's may do, as a scope token (RFC 6749 §3.3): {@code intake:write}. Who may write may read.
 *
 * @param writes whether it may change something there, or only look
 */
public record Scope(Area area, boolean writes) {
    /** Where: the rooms. */
    public enum Area {
        TEMPLATES,
        INTAKE,
        AGREEMENTS,
        ARCHIVE,
        REGISTERS,
        POSTROOM,
        OFFICE,
        PROGRAMS,
        /** To tell that records have changed. */
        RECORDS;

        private String token() {
            return name().toLowerCase(Locale.ROOT);
        }
    }

    public static Scope reading(Area area) {
        return new Scope(area, false);
    }

    public static Scope writing(Area area) {
        return new Scope(area, true);
    }

    /** Whether who has this one has another. */
    public boolean covers(Scope other) {
        return area == other.area && (writes || !other.writes);
    }

    /** All that there are. */
    public static List<Scope> all() {
        return Arrays.stream(Area.values())
                .flatMap(area -> List.of(reading(area), writing(area)).stream())
                .toList();
    }

    /** @throws IllegalArgumentException for what is none */
    @JsonCreator
    public static Scope of(String token) {
        return all().stream()
                .filter(one -> one.toString().equals(token))
                .findFirst()
                .orElseThrow(() -> new IllegalArgumentException("no scope: " + token));
    }

    @JsonValue
    @Override
    public String toString() {
        return area.token() + (writes ? ":write" : ":read");
    }
}
