package org.jalousie.core.recognition;

import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Set;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.Collectors;
import org.jalousie.core.data.Field;
import org.jalousie.core.data.FieldType;
import org.jalousie.core.template.OutlineNames;
import org.jalousie.core.template.TemplateContent;
import org.jalousie.core.wording.Origin;
import org.jalousie.core.wording.Passage;
import org.jalousie.core.wording.PrintedText;
import org.jalousie.core.wording.WordFile;
import org.jalousie.core.wording.Wording;

/**
 * What a template's documents say: its own words in their order, and between them the values, passages that may be missing or
 * stand several times, and the places of signing fields.
 *
 * @param beside what its headers and footers say, each by itself
 * @param title words of the file's title, which a field of the word processor may print
 */
public record TemplateText(List<Part> parts, List<List<Part>> beside, Set<String> title) {
    private static final Pattern TITLE = Pattern.compile("<dc:title[^>]*>([^<]*)<");

    public TemplateText {
        title = Set.copyOf(title);
        parts = List.copyOf(parts);
        beside = List.copyOf(beside);
    }

    sealed interface Part {}

    record Word(Token token) implements Part {}

    /** @param most how many words the value has at most; endless for a text of any length */
    record Slot(Origin.Datum datum, int most, boolean endless, boolean figures) implements Part {}

    /** @param field the name of its signing field */
    record Box(String field) implements Part {}

    /** @param repeats whether it stands once for each item of a list */
    record Open(Passage passage, boolean repeats) implements Part {}

    record Close(Passage passage) implements Part {}

    record Break() implements Part {}

    /** The text of a wording. */
    public static TemplateText of(Wording wording, TemplateContent content) {
        Map<String, FieldType> types = types(content);
        Map<Integer, Passage> passages =
                wording.passages().stream().collect(Collectors.toMap(Passage::number, one -> one, (a, b) -> a));
        List<Part> parts = new ArrayList<>();
        List<List<Part>> beside = new ArrayList<>();
        Wording.Merged outline = wording.outline(OutlineNames.of(content), Locale.forLanguageTag(content.language()));
        Set<String> read = new HashSet<>();
        for (Wording.PrintedPart printed : outline.printed()) {
            boolean body =
                    printed.name().equals(WordFile.MAIN) || printed.name().contains("notes");
            List<Part> into = body ? parts : new ArrayList<>();
            read(PrintedText.of(printed), wording, passages, types, into);
            if (!body) beside.add(into);
            read.add(printed.name());
        }
        WordFile file = WordFile.open(outline.file());
        for (String name : file.textParts()) {
            if (read.contains(name)) continue;
            String xml = new String(file.parts().get(name), StandardCharsets.UTF_8);
            List<Part> into = new ArrayList<>();
            read(PrintedText.of(new Wording.PrintedPart(name, xml, List.of())), wording, passages, types, into);
            beside.add(into);
        }
        return new TemplateText(parts, beside, title(file));
    }

    private static Set<String> title(WordFile file) {
        byte[] properties = file.parts().get("docProps/core.xml");
        Set<String> words = new HashSet<>();
        if (properties == null) return words;
        Matcher title = TITLE.matcher(new String(properties, StandardCharsets.UTF_8));
        if (title.find()) Token.of(title.group(1)).forEach(token -> words.add(token.plain()));
        return words;
    }

    private static void read(
            List<PrintedText.Piece> pieces,
            Wording wording,
            Map<Integer, Passage> passages,
            Map<String, FieldType> types,
            List<Part> parts) {
        parts.add(new Break());
        for (PrintedText.Piece piece : pieces) {
            if (piece instanceof PrintedText.Words words) {
                Token.of(words.text()).forEach(token -> parts.add(new Word(token)));
            } else if (piece instanceof PrintedText.Datum datum) {
                parts.add(slot(datum.datum(), types));
            } else if (piece instanceof PrintedText.Box box && wording.boxes().containsKey(box.number())) {
                parts.add(new Box(wording.boxes().get(box.number()).name()));
            } else if (piece instanceof PrintedText.Begin begin) {
                Passage passage = passages.get(begin.number());
                if (passage != null) parts.add(new Open(passage, !passage.inverted() && isList(passage.name(), types)));
            } else if (piece instanceof PrintedText.End end) {
                Passage passage = passages.get(end.number());
                if (passage != null) parts.add(new Close(passage));
            } else if (piece instanceof PrintedText.Break && !(parts.get(parts.size() - 1) instanceof Break)) {
                parts.add(new Break());
            }
        }
    }

    private static Slot slot(Origin.Datum datum, Map<String, FieldType> types) {
        FieldType type = types.getOrDefault(
                datum.list().isEmpty() ? datum.name() : datum.list() + "." + datum.name(), FieldType.TEXT);
        boolean inWords = datum.print().contains("words");
        if (!datum.list().isEmpty()
                && datum.name().equals("position")
                && !types.containsKey(datum.list() + ".position")) return new Slot(datum, 1, false, true);
        return switch (type) {
            case LONG_TEXT, RICH_TEXT -> new Slot(datum, 40, true, false);
            case DATE, DATE_TIME, NUMBER, MONEY -> new Slot(datum, inWords ? 24 : 8, false, !inWords);
            case YES_NO -> new Slot(datum, 2, false, false);
            default -> new Slot(datum, 30, false, false);
        };
    }

    /** By name; the fields of items behind the name of their list and a dot. */
    private static Map<String, FieldType> types(TemplateContent content) {
        Map<String, FieldType> types = new HashMap<>();
        content.fields().forEach(field -> add(field, "", types));
        return types;
    }

    private static void add(Field field, String list, Map<String, FieldType> types) {
        types.put(list + field.name().value(), field.type());
        field.items().forEach(inner -> add(inner, field.name().value() + ".", types));
    }

    /** Whether a passage stands once for each item: its name is that of a list, or of a list within items. */
    private static boolean isList(String name, Map<String, FieldType> types) {
        return types.entrySet().stream()
                .anyMatch(one -> one.getValue() == FieldType.ITEMS
                        && (one.getKey().equals(name) || one.getKey().endsWith("." + name)));
    }

    /** The text of a fixed document, which has nothing but words of its own. */
    public static TemplateText of(FileText pages) {
        List<Part> parts = new ArrayList<>();
        FileText.Seen before = null;
        for (FileText.Seen one : pages.words()) {
            if (before == null || !one.onLineWith(before)) parts.add(new Break());
            parts.add(new Word(one.token()));
            before = one;
        }
        return new TemplateText(parts, List.of(), Set.of());
    }

    /** Its own words, without what is between them. */
    List<Token> ownWords() {
        return parts.stream()
                .filter(part -> part instanceof Word word && word.token().word())
                .map(part -> ((Word) part).token())
                .toList();
    }

    /** Stretches of its own words that nothing interrupts. */
    List<List<Token>> runs() {
        List<List<Token>> runs = new ArrayList<>();
        List<Token> run = new ArrayList<>();
        for (Part part : parts) {
            if (part instanceof Word word) {
                run.add(word.token());
            } else if (!(part instanceof Break) && !run.isEmpty()) {
                runs.add(run);
                run = new ArrayList<>();
            }
        }
        if (!run.isEmpty()) runs.add(run);
        return runs;
    }
}
