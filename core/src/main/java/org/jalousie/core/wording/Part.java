package org.jalousie.core.wording;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import org.w3c.dom.Document;
import org.w3c.dom.Element;
import org.w3c.dom.Node;

/** One part of the file that holds words, with its tags found. */
final class Part {
    /** On the nodes that a clause brought: which inclusion it was. */
    private static final String ORIGIN = "jalousie-clause";

    final String name;
    final Document document;
    final Map<Element, ParagraphText> paragraphs = new LinkedHashMap<>();
    final List<Occurrence> tags = new ArrayList<>();

    /** A clause at one place; each place has its own. */
    record Origin(String clause, int number) {}

    Part(String name, Document document) {
        this.name = name;
        this.document = document;
        OwnFields.intoTags(document);
        Map<Origin, TagReader> readers = new HashMap<>();
        for (Element paragraph : Word.paragraphs(document)) {
            ParagraphText text = new ParagraphText(paragraph);
            // Mustache specification, delimiters.yml "Partial Inheritence": a clause begins with the usual delimiters
            TagReader reader = readers.computeIfAbsent(origin(paragraph), origin -> new TagReader());
            List<TagReader.Found> found = reader.read(text.original());
            if (found.isEmpty()) continue;
            paragraphs.put(paragraph, text);
            found.forEach(one -> tags.add(new Occurrence(text, one)));
        }
    }

    static void setOrigin(Node node, Origin origin) {
        node.setUserData(ORIGIN, origin, null);
    }

    /** Which clause a node came from, or null. */
    static Origin origin(Node node) {
        for (Node up = node; up != null; up = up.getParentNode()) {
            if (up.getUserData(ORIGIN) instanceof Origin origin) return origin;
        }
        return null;
    }

    List<Occurrence> tagsOf(ParagraphText text) {
        return tags.stream().filter(tag -> tag.in == text).toList();
    }

    /** What a person calls this part. */
    String title() {
        return title(name);
    }

    static String title(String part) {
        if (part.contains("header")) return "header";
        if (part.contains("footer")) return "footer";
        return part.contains("notes") ? "notes" : "body";
    }

    Diagnostic diagnostic(Occurrence at, String code, String message, String cure) {
        Origin origin = origin(at.in.paragraph());
        return new Diagnostic(code, origin == null ? title() : "clause " + origin.clause(), place(at), message, cure);
    }

    /** The words around a tag. */
    String place(Occurrence at) {
        return place(at.in.original(), at.found.start(), at.found.end());
    }

    static String place(String text, int start, int end) {
        int from = Math.max(0, start - 40);
        int to = Math.min(text.length(), end + 40);
        String words =
                (from > 0 ? "\u2026" : "") + text.substring(from, to).strip() + (to < text.length() ? "\u2026" : "");
        return words.replace(TagReader.OWN_OPEN, '\u2039').replace(TagReader.OWN_CLOSE, '\u203a');
    }

    /** The first fixed words after a tag, in its paragraph or in those that follow; empty when another tag comes first. */
    String wordsAfter(Occurrence tag) {
        String rest = tag.in.original().substring(tag.found.end());
        int next = tagsOf(tag.in).stream()
                .mapToInt(other -> other.found.start() - tag.found.end())
                .filter(distance -> distance >= 0)
                .min()
                .orElse(rest.length());
        String words = rest.substring(0, next).strip();
        if (!words.isEmpty() || next < rest.length()) return shortened(words);
        boolean after = false;
        for (Element paragraph : Word.paragraphs(document)) {
            if (after) {
                if (paragraphs.containsKey(paragraph)) {
                    ParagraphText text = paragraphs.get(paragraph);
                    return shortened(text.original()
                            .substring(0, tagsOf(text).get(0).found.start())
                            .strip());
                }
                String text = new ParagraphText(paragraph).original().strip();
                if (!text.isEmpty()) return shortened(text);
            }
            after |= paragraph == tag.in.paragraph();
        }
        return "";
    }

    /** At most forty characters, whole words. */
    static String shortened(String words) {
        if (words.length() <= 40) return words;
        int space = words.lastIndexOf(' ', 40);
        return words.substring(0, space > 0 ? space : 40);
    }
}
