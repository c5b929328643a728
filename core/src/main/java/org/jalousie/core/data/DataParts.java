package org.jalousie.core.data;

import java.util.List;
import java.util.Map;

/** The parts of data that are made of several: those of a name (RFC 6350 §6.2.2), those of an address (§6.3.1). */
public final class DataParts {
    private static final List<Part> NAME = List.of(
            new Part("family", "family name"),
            new Part("given", "given name"),
            new Part("additional", "further names"),
            new Part("prefix", "title before"),
            new Part("suffix", "title behind"));

    /** A post box and what else there is stand with the street (RFC 6350 §6.3.1). */
    private static final List<Part> ADDRESS = List.of(
            new Part("street", "street"),
            new Part("town", "town"),
            new Part("region", "region"),
            new Part("postal_code", "postal code"),
            new Part("country", "country"));

    private DataParts() {}

    /** @param name as a program calls it, {@code label} as people do */
    public record Part(String name, String label) {}

    /** The parts of a type's data; none where it has none. */
    public static List<Part> of(FieldType type) {
        return switch (type) {
            case NAME -> NAME;
            case ADDRESS -> ADDRESS;
            default -> List.of();
        };
    }

    /** All parts as one text, as it is typed. @param parts by their names; what isn't there is empty */
    public static String joined(FieldType type, Map<String, String> parts) {
        List<String> all = of(type).stream()
                .map(part -> parts.getOrDefault(part.name(), "").strip())
                .toList();
        String joined = Components.join(all);
        return type == FieldType.ADDRESS ? ";;" + joined : joined;
    }
}
