package org.jalousie.core.wording.docx;

import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import org.w3c.dom.Element;

/** Gives drawings and bookmarks numbers of their own, since clauses bring theirs along and some programs write one twice. */
public final class Renumbering {
    private Renumbering() {}

    public static void of(PackageParts pack, List<String> textParts) {
        int drawing = 0;
        int bookmark = 0;
        for (String part : textParts) {
            Map<String, String> open = new HashMap<>();
            Set<String> names = new HashSet<>();
            for (Element element : Word.all(pack.document(part), "*")) {
                switch (Word.local(element)) {
                    case "docPr" -> Word.replaceAttribute(element, "id", String.valueOf(++drawing));
                    case "bookmarkStart" -> {
                        // of two bookmarks of one name the first holds (ISO/IEC 29500-1 §17.13.6.2)
                        if (!names.add(Word.attribute(element, "name"))) {
                            Word.remove(element);
                            continue;
                        }
                        String number = String.valueOf(++bookmark);
                        open.put(Word.attribute(element, "id"), number);
                        Word.replaceAttribute(element, "id", number);
                    }
                    case "bookmarkEnd" -> {
                        String number = open.remove(Word.attribute(element, "id"));
                        if (number == null) Word.remove(element);
                        else Word.replaceAttribute(element, "id", number);
                    }
                    default -> {}
                }
            }
            for (Element start : Word.all(pack.document(part), "bookmarkStart")) {
                if (open.containsValue(Word.attribute(start, "id"))) end(start);
            }
        }
    }

    /** A bookmark without an end ends where it begins. */
    private static void end(Element start) {
        Element end = Word.element(start, "bookmarkEnd");
        Word.setAttribute(end, "id", Word.attribute(start, "id"));
        start.getParentNode().insertBefore(end, start.getNextSibling());
    }
}
