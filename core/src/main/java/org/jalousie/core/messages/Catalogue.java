package org.jalousie.core.messages;

import com.ibm.icu.text.MessageFormat;
import com.ibm.icu.util.ULocale;
import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.time.LocalDate;
import java.time.format.DateTimeFormatter;
import java.time.format.FormatStyle;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.function.Function;
import java.util.stream.Collectors;
import org.jalousie.core.json.Json;
import tools.jackson.core.type.TypeReference;

/**
 * Says messages in one language. The patterns are ICU MessageFormat and stand in {@code messages/*.json}: what participants meet
 * in every language, which the web reads too; what is only printed in signing records in every language; what the office reads in
 * English.
 */
public final class Catalogue {
    /** The languages in which participants are spoken to; the first is the one for everybody else. */
    public static final List<String> LANGUAGES = List.of("en", "nl", "de", "fr");

    private static final Map<String, Catalogue> ALL =
            LANGUAGES.stream().collect(Collectors.toMap(Function.identity(), Catalogue::new));

    public static final Catalogue ENGLISH = ALL.get("en");

    private final Locale locale;
    private final Map<String, String> patterns = new HashMap<>();

    private Catalogue(String language) {
        // English as it is written in Europe, where the day comes first
        locale = language.equals("en") ? Locale.UK : Locale.forLanguageTag(language);
        patterns.putAll(read("office.en"));
        patterns.putAll(spoken(language));
    }

    /** The catalogue for a language. @param tag BCP 47; an unknown or empty one is English */
    public static Catalogue of(String tag) {
        return ALL.getOrDefault(Locale.forLanguageTag(tag).getLanguage(), ENGLISH);
    }

    /** What is said in every language. */
    static Map<String, String> spoken(String language) {
        Map<String, String> all = read("participant." + language);
        all.putAll(read("record." + language));
        return all;
    }

    static Map<String, String> read(String name) {
        try (InputStream in = Catalogue.class.getResourceAsStream("/messages/" + name + ".json")) {
            return Json.MAPPER.readValue(in, new TypeReference<LinkedHashMap<String, String>>() {});
        } catch (IOException e) {
            throw new UncheckedIOException("the catalogue " + name + " is missing", e);
        }
    }

    /** BCP 47 tag of the language without its region. */
    public String language() {
        return locale.getLanguage();
    }

    /** @throws IllegalArgumentException for a message that no catalogue has */
    public String say(Message message) {
        String pattern = patterns.get(message.code());
        if (pattern == null) throw new IllegalArgumentException("no catalogue has " + message.code());
        Map<String, Object> arguments = new HashMap<>();
        message.arguments().forEach((name, value) -> arguments.put(name, said(value)));
        return new MessageFormat(pattern, ULocale.forLocale(locale)).format(arguments);
    }

    public String say(String code, Object... arguments) {
        return say(Message.of(code, arguments));
    }

    private Object said(Object value) {
        if (value instanceof Message inner) return say(inner);
        if (value instanceof LocalDate day) {
            return DateTimeFormatter.ofLocalizedDate(FormatStyle.LONG)
                    .withLocale(locale)
                    .format(day);
        }
        return value;
    }
}
