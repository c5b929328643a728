package org.jalousie.core.records;

import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.regex.MatchResult;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/**
 * An address with places for values in braces: {@code loans/{id}/files/{name}} (RFC 6570, its first level: whatever isn't
 * unreserved is encoded, §3.2.2). One place can be let keep its slashes, so that a file's name may say folders.
 */
public record AddressTemplate(String text) {
    private static final Pattern PLACE = Pattern.compile("\\{([A-Za-z0-9_]+)}");

    public AddressTemplate {
        text = text == null ? "" : text.strip();
    }

    /** The names of its places, in their order. */
    public List<String> names() {
        List<String> names = new ArrayList<>();
        for (Matcher found = PLACE.matcher(text); found.find(); ) names.add(found.group(1));
        return names;
    }

    /** Whether each brace belongs to a place. */
    public boolean isWhole() {
        return !PLACE.matcher(text).replaceAll("").matches(".*[{}].*");
    }

    /** @param values for each place; one without a value is left empty (RFC 6570 §3.2.1) */
    public String expanded(Map<String, String> values) {
        return PLACE.matcher(text)
                .replaceAll(place -> Matcher.quoteReplacement(encoded(values.getOrDefault(name(place), ""))));
    }

    /** The same where one place has folders in it. */
    public String expanded(Map<String, String> values, String withFolders) {
        return PLACE.matcher(text).replaceAll(place -> {
            String value = values.getOrDefault(name(place), "");
            return Matcher.quoteReplacement(
                    name(place).equals(withFolders)
                            ? String.join(
                                    "/",
                                    List.of(value.split("/", -1)).stream()
                                            .map(AddressTemplate::encoded)
                                            .toList())
                            : encoded(value));
        });
    }

    private static String name(MatchResult place) {
        return place.group(1);
    }

    private static String encoded(String value) {
        StringBuilder encoded = new StringBuilder();
        for (byte one : value.getBytes(StandardCharsets.UTF_8)) {
            char letter = (char) (one & 0xff);
            // RFC 3986 §2.3
            if (letter < 0x80 && (Character.isLetterOrDigit(letter) || "-._~".indexOf(letter) >= 0))
                encoded.append(letter);
            else encoded.append(String.format("%%%02X", (int) letter));
        }
        return encoded.toString();
    }
}
