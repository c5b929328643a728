package org.jalousie.core.programs;

import java.util.Locale;
import java.util.Map;
import java.util.Optional;

/**
 * A request as its signature covers it (RFC 9421 §2).
 *
 * @param target its address: scheme, host, path and query
 * @param path with its escapes as they came; empty is {@code /}
 * @param query without the question mark; empty for none
 * @param fields header fields by their names in small letters, several of one name joined by {@code ", "} (§2.1)
 */
public record SignedMessage(
        String method, String target, String authority, String path, String query, Map<String, String> fields) {
    /** What stands for a component in the signature's base; empty for one that the message lacks or that isn't known. */
    Optional<String> component(String name) {
        return switch (name) {
            case "@method" -> Optional.of(method);
            case "@target-uri" -> Optional.of(target);
            case "@authority" -> Optional.of(authority.toLowerCase(Locale.ROOT));
            case "@path" -> Optional.of(path.isEmpty() ? "/" : path);
            case "@query" -> Optional.of("?" + query);
            default ->
                name.startsWith("@")
                        ? Optional.empty()
                        : Optional.ofNullable(fields.get(name)).map(String::strip);
        };
    }
}
