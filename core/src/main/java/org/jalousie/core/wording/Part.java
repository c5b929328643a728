package org.jalousie.core.wording;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import org.w3c.dom.Document;
import org.w3c.dom.Element;

/** One part of the file that holds words, with its tags found. */
final class Part {
    final String name;
    final Document document;
    final Map<Element, ParagraphText> paragraphs = new LinkedHashMap<>();
    final List<Occurrence> tags = new ArrayList<>();

    Part(String name, byte[] xml) {
        this.name = name;
        this.document = SafeXml.parse(name, xml);
        TagReader reader = new TagReader();
        for (Element paragraph : Word.paragraphs(document)) {
            ParagraphText text = new ParagraphText(paragraph);
            List<TagReader.Found> found = reader.read(text.original());
            if (found.isEmpty()) continue;
            paragraphs.put(paragraph, text);
            found.forEach(one -> tags.add(new Occurrence(text, one)));
        }
    }

    List<Occurrence> tagsOf(ParagraphText text) {
        return tags.stream().filter(tag -> tag.in == text).toList();
    }

    /** What a person calls this part. */
    String title() {
        if (name.contains("header")) return "header";
        if (name.contains("footer")) return "footer";
        return name.contains("notes") ? "notes" : "body";
    }

    Diagnostic diagnostic(Occurrence at, String code, String message, String cure) {
        String text = at.in.original();
        int from = Math.max(0, at.found.start() - 40);
        int to = Math.min(text.length(), at.found.end() + 40);
        String place =
                (from > 0 ? "\u2026" : "") + text.substring(from, to).strip() + (to < text.length() ? "\u2026" : "");
        return new Diagnostic(code, title(), place, message, cure);
    }
}
