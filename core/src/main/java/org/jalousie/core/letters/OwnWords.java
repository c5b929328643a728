package org.jalousie.core.letters;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import org.jalousie.core.data.Printer;
import org.jalousie.core.data.Value;
import org.jalousie.core.messages.Message;
import org.jalousie.core.template.Letter;

/**
 * What an office says in its mails to participants instead of the usual words. Fields of {@link #FIELDS} can stand in it, marked
 * as in a wording; link, last day and reason are said besides.
 *
 * @param said by occasion and language; what isn't there is said as usual
 */
public record OwnWords(Map<Key, Said> said) {
    public static final OwnWords NONE = new OwnWords(Map.of());

    /** The mails whose words can be an office's own. */
    public static final List<Occasion> OCCASIONS = List.of(
            Occasion.INVITATION,
            Occasion.REMINDER,
            Occasion.WARNING,
            Occasion.NEW_LINK,
            Occasion.NEW_END,
            Occasion.SKIPPED,
            Occasion.COMPLETED,
            Occasion.DECLINED,
            Occasion.WITHDRAWN,
            Occasion.EXPIRED);

    /** What can stand in the words. */
    public static final List<String> FIELDS =
            List.of("person", "part", "agreement", "number", "office", "until", "reason");

    private static final int LONGEST_SUBJECT = 200;
    private static final int LONGEST = 5000;

    /** @param language en, nl, de or fr */
    public record Key(Occasion occasion, String language) {}

    /** @param subject empty for the usual one, as {@code text} */
    public record Said(String subject, String text) {
        /** What can't be said, a sentence each. */
        public List<Message> faults() {
            List<Message> faults = new ArrayList<>();
            if (subject.strip().contains("\n")) faults.add(Message.of("own-words.subject-lines"));
            if (subject.length() > LONGEST_SUBJECT)
                faults.add(Message.of("own-words.subject-long", "most", LONGEST_SUBJECT));
            if (text.length() > LONGEST) faults.add(Message.of("own-words.long", "most", LONGEST));
            for (String one : List.of(subject, text)) {
                new Letter(one)
                        .names().stream()
                                .filter(name -> !FIELDS.contains(name))
                                .forEach(name -> faults.add(Message.of(
                                        "own-words.unknown", "name", name, "fields", String.join(", ", FIELDS))));
                String without = one.replaceAll("\\{\\{[^{}]*}}", "");
                if (without.contains("{{") || without.contains("}}")) faults.add(Message.of("letter.unclosed"));
            }
            return faults;
        }
    }

    Optional<String> subject(Occasion occasion, String language, Map<String, String> fields) {
        return of(occasion, language)
                .map(Said::subject)
                .filter(one -> !one.isBlank())
                .map(one -> filled(one, fields));
    }

    Optional<String> text(Occasion occasion, String language, Map<String, String> fields) {
        return of(occasion, language)
                .map(Said::text)
                .filter(one -> !one.isBlank())
                .map(one -> filled(one, fields));
    }

    private Optional<Said> of(Occasion occasion, String language) {
        return Optional.ofNullable(said.get(new Key(occasion, language)));
    }

    private static String filled(String words, Map<String, String> fields) {
        Map<String, Value> values = new LinkedHashMap<>();
        fields.forEach((name, value) -> values.put(name, new Value.Text(value)));
        return new Letter(words).filled(values, Printer.in(Locale.ENGLISH)).strip();
    }
}
