package org.jalousie.core.messages;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import com.ibm.icu.text.MessageFormat;
import com.ibm.icu.util.ULocale;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeMap;
import java.util.TreeSet;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.Stream;
import org.jalousie.core.parties.PartyKey;
import org.junit.jupiter.api.Test;
import tools.jackson.core.StreamReadFeature;
import tools.jackson.core.json.JsonFactory;
import tools.jackson.databind.json.JsonMapper;

class CatalogueTest {
    private static final Pattern SAID = Pattern.compile("(?:Message\\.of|\\bsay)\\(\\s*\"([a-z][\\w.-]*)\"");

    private static final Pattern CODE =
            Pattern.compile("(?:Message\\.of|\\.say|Unusable)\\(\\s*\"([a-z0-9.-]+)\"(?!\\s*\\+)");

    @Test
    void everyLanguageHasTheSameMessagesWithTheSameArguments() {
        Map<String, String> english = Catalogue.spoken("en");
        for (String language : Catalogue.LANGUAGES) {
            Map<String, String> other = Catalogue.spoken(language);
            assertThat(other.keySet()).as(language).isEqualTo(english.keySet());
            english.forEach((code, pattern) -> assertThat(arguments(other.get(code), language))
                    .as(code + " in " + language)
                    .isEqualTo(arguments(pattern, "en")));
        }
        assertThat(Catalogue.read("office.en").keySet()).doesNotContainAnyElementsOf(english.keySet());
    }

    @Test
    void noTranslationIsTheEnglishTextLeftStanding() {
        Map<String, String> english = Catalogue.spoken("en");
        for (String language : List.of("nl", "de", "fr"))
            Catalogue.spoken(language).forEach((code, pattern) -> {
                if (english.get(code).split(" ").length > 3 && !code.equals("record.party"))
                    assertThat(pattern).as(code + " in " + language).isNotEqualTo(english.get(code));
            });
    }

    /** A quoting apostrophe would swallow what stands in braces behind it; only braces themselves are quoted. */
    @Test
    void noPatternHasAStraightApostropheButRoundBraces() {
        for (String language : Catalogue.LANGUAGES)
            assertThat(Catalogue.spoken(language).values())
                    .noneMatch(text -> text.replaceAll("'[{}]+'", "").contains("'"));
        assertThat(Catalogue.read("office.en").values())
                .noneMatch(text -> text.replaceAll("'[{}]+'", "").contains("'"));
    }

    @Test
    void noKeyStandsTwiceInACatalogue() throws IOException {
        JsonMapper strict = JsonMapper.builder(JsonFactory.builder()
                        .enable(StreamReadFeature.STRICT_DUPLICATE_DETECTION)
                        .build())
                .build();
        try (Stream<Path> files = Files.list(Path.of("src/main/resources/messages"))) {
            for (Path file : (Iterable<Path>) files::iterator)
                assertThat(strict.readTree(Files.readString(file)).isObject())
                        .as(file.toString())
                        .isTrue();
        }
    }

    @Test
    void everyCodeThatTheProgramSaysIsInACatalogue() throws IOException {
        Set<String> known = new TreeSet<>(Catalogue.spoken("en").keySet());
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
    void everyMessageIsGivenTheArgumentsThatItsPatternHas() throws IOException {
        Map<String, String> known = new TreeMap<>(Catalogue.spoken("en"));
        known.putAll(Catalogue.read("office.en"));
        int found = 0;
        for (Path root : List.of(Path.of("src/main/java"), Path.of("../server/src/main/java"))) {
            try (Stream<Path> files = Files.walk(root)) {
                for (Path file :
                        (Iterable<Path>) files.filter(one -> one.toString().endsWith(".java"))::iterator) {
                    String source = Files.readString(file);
                    Matcher call = SAID.matcher(source);
                    while (call.find()) {
                        List<String> given = parts(source, call.end(1) + 1);
                        Set<String> names = new TreeSet<>();
                        for (int i = 0; i < given.size(); i += 2)
                            names.add(given.get(i).replace("\"", ""));
                        String code = call.group(1);
                        if (!known.containsKey(code)) continue; // the beginning of one; the test above has the rest
                        assertThat(names).as(code + " in " + file).containsAll(arguments(known.get(code), "en"));
                        // what stands within a choice of words is no argument of its own to ICU
                        assertThat(names)
                                .as(code + " in " + file)
                                .allMatch(name -> known.get(code).contains("{" + name));
                        found++;
                    }
                }
            }
        }
        assertThat(found).isGreaterThan(400);
    }

    /** The arguments of a call that are left, cut at its own commas. */
    private static List<String> parts(String source, int from) {
        List<String> parts = new ArrayList<>();
        StringBuilder part = new StringBuilder();
        boolean quoted = false;
        int depth = 0;
        for (int at = from; depth >= 0; at++) {
            char c = source.charAt(at);
            if (c == '"' && source.charAt(at - 1) != '\\') quoted = !quoted;
            if (!quoted && "([{".indexOf(c) >= 0) depth++;
            if (!quoted && ")]}".indexOf(c) >= 0) depth--;
            if (depth < 0 || !quoted && depth == 0 && c == ',') {
                if (!part.toString().isBlank()) parts.add(part.toString().strip());
                part.setLength(0);
            } else {
                part.append(c);
            }
        }
        return parts;
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
        Message made = Message.of("event.created", "actor", Message.of("actor.program"), "replaces", "none");
        assertThat(Catalogue.of("de").say(made)).isEqualTo("Die Vereinbarung wurde von dem Programm angelegt.");
        assertThat(made.toString()).isEqualTo("The agreement was created by the program.");
    }

    @Test
    void whatWouldBeSaidAsAProgramSeesItIsNoArgument() {
        for (Object odd : List.of(Optional.of("x"), List.of("x"), Map.of(), new Object()))
            assertThatThrownBy(() -> Message.of("party.none", "party", odd)).hasMessageContaining("party.none");
        assertThat(Message.of("party.none", "party", new PartyKey("lender")))
                .hasToString("The agreement has no party lender.");
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
