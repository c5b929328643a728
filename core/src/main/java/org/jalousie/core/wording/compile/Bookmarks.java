package org.jalousie.core.wording.compile;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.Collectors;
import org.jalousie.core.messages.Message;
import org.jalousie.core.wording.Diagnostic;
import org.jalousie.core.wording.docx.Word;
import org.jalousie.core.wording.docx.WordFields;
import org.jalousie.core.wording.tags.Part;
import org.w3c.dom.Element;

/**
 * Bookmarks and what refers to them. In a passage that may be printed several times their names and numbers, and those of
 * drawings, differ from one printing to the next; a reference follows the bookmark of its own item. A reference whose target
 * isn't there, or isn't always printed, is reported.
 */
final class Bookmarks {
    // ISO/IEC 29500-1 §17.16.5.50, .45, .41, .26
    private static final Set<String> REFERENCES = Set.of("REF", "PAGEREF", "NOTEREF", "FTNREF");
    private static final Pattern WORDS = Pattern.compile("[^\\s\"]+");
    private static final Set<String> LISTS = Set.of("TOC", "INDEX", "TOA", "BIBLIOGRAPHY");

    private record Place(String part, String words, List<Segment.Section> sections) {}

    private record Reference(String target, Place from) {}

    private final Map<String, List<Segment.Section>> defined = new LinkedHashMap<>();
    private final List<Reference> references = new ArrayList<>();

    /** Notes where each bookmark of a part is, and gives those in passages names and numbers that may be printed several times. */
    void makeUnique(Part part, SectionMarkers markers) {
        Map<String, List<Integer>> pairs = new HashMap<>();
        SectionWalk.through(part, markers, (element, sections) -> {
            String name = Word.local(element);
            if (name.equals("bookmarkStart")) {
                defined.put(Word.attribute(element, "name"), sections);
                if (!sections.isEmpty()) {
                    List<Integer> numbers = SectionWalk.numbers(sections);
                    pairs.put(Word.attribute(element, "id"), numbers);
                    once(element, "name", markers, Segment.Once.Kind.NAME, numbers);
                    once(element, "id", markers, Segment.Once.Kind.PAIR, numbers);
                }
            } else if (name.equals("bookmarkEnd") && pairs.containsKey(Word.attribute(element, "id"))) {
                once(element, "id", markers, Segment.Once.Kind.PAIR, pairs.get(Word.attribute(element, "id")));
            } else if (!sections.isEmpty()) {
                List<Integer> numbers = SectionWalk.numbers(sections);
                if (name.equals("docPr")) once(element, "id", markers, Segment.Once.Kind.FRESH, numbers);
                if (name.equals("permStart") || name.equals("permEnd"))
                    once(element, "id", markers, Segment.Once.Kind.PAIR, numbers);
                if (name.equals("id") && Word.local(element.getParentNode()).equals("sdtPr")) Word.remove(element);
                for (String own : List.of("paraId", "textId", "anchorId", "editId")) Word.removeAttribute(element, own);
            }
        });
        refer(part, markers);
    }

    private static void once(
            Element element, String attribute, SectionMarkers markers, Segment.Once.Kind kind, List<Integer> sections) {
        String base = Word.attribute(element, attribute);
        if (base.isEmpty()) return;
        Word.replaceAttribute(element, attribute, markers.slot(new Segment.Once(kind, base, sections, false)));
    }

    private void refer(Part part, SectionMarkers markers) {
        List<StringBuilder> open = new ArrayList<>();
        SectionWalk.through(part, markers, (element, sections) -> {
            switch (Word.local(element)) {
                case "fldChar" -> {
                    String type = Word.attribute(element, "fldCharType");
                    if (type.equals("begin")) open.add(new StringBuilder());
                    else if (type.equals("end") && !open.isEmpty()) open.remove(open.size() - 1);
                }
                case "instrText" -> {
                    if (!open.isEmpty()) open.get(open.size() - 1).append(element.getTextContent());
                    boolean inList = open.stream().anyMatch(field -> LISTS.contains(WordFields.type(field.toString())));
                    String field = open.isEmpty()
                            ? element.getTextContent()
                            : open.get(open.size() - 1).toString();
                    String text = element.getTextContent();
                    String changed = names(text, WordFields.type(field), inList, part, element, sections, markers);
                    if (!changed.equals(text)) element.setTextContent(changed);
                }
                case "fldSimple" -> {
                    String text = Word.attribute(element, "instr");
                    String changed = names(text, WordFields.type(text), false, part, element, sections, markers);
                    if (!changed.equals(text)) Word.replaceAttribute(element, "instr", changed);
                }
                case "hyperlink" -> {
                    String target = Word.attribute(element, "anchor");
                    if (!target.isEmpty() && isPassage(target))
                        Word.replaceAttribute(element, "anchor", slot(target, false, markers));
                }
                default -> {}
            }
        });
    }

    private String names(
            String text,
            String type,
            boolean inList,
            Part part,
            Element element,
            List<Segment.Section> sections,
            SectionMarkers markers) {
        if (!REFERENCES.contains(type) && !type.equals("HYPERLINK")) return text;
        Matcher word = WORDS.matcher(text);
        StringBuilder out = new StringBuilder();
        boolean first = true;
        while (word.find()) {
            String one = word.group();
            boolean strict = REFERENCES.contains(type);
            boolean isType = one.equalsIgnoreCase(type);
            if (!isType && !one.startsWith("\\") && strict && !inList && first) {
                references.add(new Reference(
                        one, new Place(part.titleAt(element), Part.around(element), List.copyOf(sections))));
            }
            if (!isType && !one.startsWith("\\")) first = false;
            word.appendReplacement(
                    out, Matcher.quoteReplacement(isPassage(one) ? slot(one, strict && !inList, markers) : one));
        }
        return word.appendTail(out).toString();
    }

    private boolean isPassage(String bookmark) {
        return !defined.getOrDefault(bookmark, List.of()).isEmpty();
    }

    private String slot(String target, boolean refers, SectionMarkers markers) {
        return markers.slot(
                new Segment.Once(Segment.Once.Kind.NAME, target, SectionWalk.numbers(defined.get(target)), refers));
    }

    /** The names of all bookmarks. */
    Set<String> names() {
        return Set.copyOf(defined.keySet());
    }

    /** Reports references that lead nowhere, or not always somewhere. */
    void report(List<Diagnostic> diagnostics) {
        for (Reference one : references) {
            List<Segment.Section> target = defined.get(one.target());
            if (target == null) {
                diagnostics.add(new Diagnostic(
                        "reference-missing",
                        one.from().part(),
                        one.from().words(),
                        Message.of("wording.reference-nowhere", "bookmark", one.target()),
                        Message.of("wording.reference-nowhere.cure")));
                continue;
            }
            Set<String> here = conditions(one.from().sections());
            List<Segment.Section> missing = target.stream()
                    .filter(section -> !here.contains(condition(section)))
                    .toList();
            if (missing.isEmpty()) continue;
            diagnostics.add(new Diagnostic(
                    "reference-conditional",
                    one.from().part(),
                    one.from().words(),
                    Message.of(
                            "wording.reference-not-always",
                            "name",
                            missing.get(0).name()),
                    Message.of("wording.reference-not-always.cure"),
                    false));
        }
    }

    private static Set<String> conditions(List<Segment.Section> sections) {
        return sections.stream().map(Bookmarks::condition).collect(Collectors.toCollection(HashSet::new));
    }

    private static String condition(Segment.Section section) {
        return (section.inverted() ? "^" : "#") + section.name();
    }
}
