package org.jalousie.core.messages;

import static org.assertj.core.api.Assertions.assertThat;

import com.ibm.icu.text.MessageFormat;
import com.ibm.icu.util.ULocale;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.LocalDate;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeSet;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;

class CatalogueTest {
    private static final Pattern CODE =
            Pattern.compile("(?:Message\\.of|\\.say|Unusable)\\(\\s*\"([a-z0-9.-]+)\"(?!\\s*\\+)");

    @Test
    void everyLanguageHasTheSameMessagesWithTheSameArguments() {
        Map<String, String> english = Catalogue.read("participant.en");
        for (String language : Catalogue.LANGUAGES) {
            Map<String, String> other = Catalogue.read("participant." + language);
            assertThat(other.keySet()).as(language).isEqualTo(english.keySet());
            english.forEach((code, pattern) -> assertThat(arguments(other.get(code), language))
                    .as(code + " in " + language)
                    .isEqualTo(arguments(pattern, "en")));
        }
        assertThat(Catalogue.read("office.en").keySet()).doesNotContainAnyElementsOf(english.keySet());
    }

    @Test
    void noTranslationIsTheEnglishTextLeftStanding() {
        Map<String, String> english = Catalogue.read("participant.en");
        for (String language : List.of("nl", "de", "fr"))
            Catalogue.read("participant." + language).forEach((code, pattern) -> {
                if (english.get(code).split(" ").length > 3 && !code.equals("record.party"))
                    assertThat(pattern).as(code + " in " + language).isNotEqualTo(english.get(code));
            });
    }

    /** A quoting apostrophe would swallow what stands in braces behind it; only braces themselves are quoted. */
    @Test
    void noPatternHasAStraightApostropheButRoundBraces() {
        for (String language : Catalogue.LANGUAGES)
            assertThat(Catalogue.read("participant." + language).values())
                    .noneMatch(text -> text.replaceAll("'[{}]+'", "").contains("'"));
        assertThat(Catalogue.read("office.en").values())
                .noneMatch(text -> text.replaceAll("'[{}]+'", "").contains("'"));
    }

    @Test
    void everyCodeThatTheProgramSaysIsInACatalogue() throws IOException {
        Set<String> known = new TreeSet<>(Catalogue.read("participant.en").keySet());
        known.addAll(Catalogue.read("office.en").keySet());
        int found = 0;
        for (Path root : List.of(Path.of("src/main/java"), Path.of("../server/src/main/java"))) {
            try (Stream<Path> files = Files.walk(root)) {
                for (Path file :
                        (Iterable<Path>) files.filter(one -> one.toString().endsWith(".java"))::iterator) {
                    Matcher code = CODE.matcher(Files.readString(file));
                    while (code.find()) {
                        found++;
                        assertThat(known).as(file.toString()).contains(code.group(1));
                    }
                }
            }
        }
        assertThat(found).isGreaterThan(60);
    }

    @Test
    void numbersAndDaysAreSaidAsTheLanguageDoes() {
        LocalDate day = LocalDate.of(2026, 11, 25);
        assertThat(Catalogue.of("nl-NL").say("mail.until", "until", day)).contains("25 november 2026");
        assertThat(Catalogue.of("en-US").say("mail.until", "until", day)).contains("25 November 2026");
        assertThat(Catalogue.of("fr").say("tries.too-many", "seconds", 1L)).contains("1 seconde,");
        assertThat(Catalogue.of("de-AT").say("decline.reason-too-long", "most", 2000))
                .contains("2.000 Zeichen");
    }

    @Test
    void messagesWithinMessagesAreSaidInTheSameLanguage() {
        Message made = Message.of("event.created", "actor", Message.of("actor.program"));
        assertThat(Catalogue.of("de").say(made)).isEqualTo("Die Vereinbarung wurde von dem Programm angelegt.");
        assertThat(made.toString()).isEqualTo("The agreement was created by the program.");
    }

    @Test
    void whoSpeaksAnotherLanguageIsSpokenToInEnglish() {
        assertThat(Catalogue.of("it-IT")).isSameAs(Catalogue.ENGLISH);
        assertThat(Catalogue.of("")).isSameAs(Catalogue.ENGLISH);
        assertThat(Catalogue.of("no such language")).isSameAs(Catalogue.ENGLISH);
    }

    private static Set<String> arguments(String pattern, String language) {
        return new TreeSet<>(new MessageFormat(pattern, ULocale.forLanguageTag(language)).getArgumentNames());
    }
}
