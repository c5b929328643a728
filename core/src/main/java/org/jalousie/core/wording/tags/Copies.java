package org.jalousie.core.wording.tags;

import java.util.HashMap;
import java.util.IdentityHashMap;
import java.util.Map;
import org.jalousie.core.wording.docx.Word;
import org.w3c.dom.Element;
import org.w3c.dom.Node;

/** Tells the copies of one tag: word processors keep a text box twice, for newer and for older programs (ISO/IEC 29500-3 §7). */
public final class Copies {
    private final Map<Node, Integer> boxes = new IdentityHashMap<>();
    private final Map<Element, Map<Occurrence, Integer>> branches = new IdentityHashMap<>();

    /** The same for both copies of one tag; empty for a tag that stands once. */
    public String key(Occurrence tag, Part part) {
        Element branch = branch(tag.in.paragraph());
        if (branch == null) return "";
        Map<Occurrence, Integer> within = branches.computeIfAbsent(branch, key -> within(key, part));
        int box = boxes.computeIfAbsent(branch.getParentNode(), node -> boxes.size());
        return box + " " + within.get(tag) + " " + tag.found.content();
    }

    private static Map<Occurrence, Integer> within(Element branch, Part part) {
        Map<Occurrence, Integer> within = new HashMap<>();
        for (Occurrence other : part.tags) {
            if (branch(other.in.paragraph()) == branch) within.put(other, within.size());
        }
        return within;
    }

    private static Element branch(Element paragraph) {
        for (Node up = paragraph.getParentNode(); up instanceof Element element; up = up.getParentNode()) {
            boolean branch =
                    Word.local(element).equals("Choice") || Word.local(element).equals("Fallback");
            if (branch && Word.local(element.getParentNode()).equals("AlternateContent")) return element;
        }
        return null;
    }
}
