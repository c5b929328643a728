package org.jalousie.core.data;

import java.util.Locale;
import java.util.Map;
import java.util.Optional;

/** Yes and no by language. CLDR, posix/messages/yesstr and nostr (from memory, since ICU doesn't carry them). */
public final class YesNoWords {
    private static final Map<String, String> WORDS = Map.ofEntries(
            Map.entry("en", "yes no"),
            Map.entry("de", "ja nein"),
            Map.entry("fr", "oui non"),
            Map.entry("nl", "ja nee"),
            Map.entry("es", "s\u00ed no"),
            Map.entry("it", "s\u00ec no"),
            Map.entry("pt", "sim n\u00e3o"),
            Map.entry("da", "ja nej"),
            Map.entry("sv", "ja nej"),
            Map.entry("nb", "ja nei"),
            Map.entry("fi", "kyll\u00e4 ei"),
            Map.entry("pl", "tak nie"),
            Map.entry("cs", "ano ne"),
            Map.entry("ja", "\u306f\u3044 \u3044\u3044\u3048"));

    private YesNoWords() {}

    /** What a word of any of these languages, or what programs write for it, says: {@code yes} or {@code no}; empty for another word. */
    public static Optional<String> read(String word) {
        String lower = word.strip().toLowerCase(Locale.ROOT);
        if (lower.equals("true") || lower.equals("1")) return Optional.of("yes");
        if (lower.equals("false") || lower.equals("0")) return Optional.of("no");
        for (String both : WORDS.values()) {
            String[] words = both.split(" ");
            if (words[0].equals(lower)) return Optional.of("yes");
            if (words[1].equals(lower)) return Optional.of("no");
        }
        return Optional.empty();
    }

    /** The word for it in a language. */
    static String of(Locale locale, boolean yes) {
        String[] words = WORDS.getOrDefault(locale.getLanguage(), "yes no").split(" ");
        return yes ? words[0] : words[1];
    }
}
