package org.jalousie.core.wording.compile;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import org.jalousie.core.messages.Message;
import org.jalousie.core.wording.Diagnostic;
import org.jalousie.core.wording.Passage;
import org.jalousie.core.wording.docx.Word;
import org.jalousie.core.wording.tags.Part;
import org.jalousie.core.wording.tags.Substance;
import org.w3c.dom.Element;
import org.w3c.dom.Node;

/**
 * Sees to it that each stretch that may be left out or repeated is whole in itself: the end of a range that has its other
 * end outside is moved out; a field of the word processor that would be cut in two refuses the section.
 */
final class Balance {
    private final Part part;
    private final SectionMarkers markers;
    private final List<Diagnostic> diagnostics;
    private final Passages passages;

    Balance(Part part, SectionMarkers markers, Passages passages, List<Diagnostic> diagnostics) {
        this.part = part;
        this.markers = markers;
        this.passages = passages;
        this.diagnostics = diagnostics;
    }

    void settle() {
        List<Node> begins = new ArrayList<>();
        collect(part.document, begins);
        // from the last to the first: what leaves an inner stretch may have to leave the one around it too
        for (int i = begins.size() - 1; i >= 0; i--) settle(begins.get(i));
    }

    private void collect(Node node, List<Node> begins) {
        for (Node child = node.getFirstChild(); child != null; child = child.getNextSibling()) {
            if (child instanceof Element) collect(child, begins);
            else if (markers.beginsAt(child) instanceof Segment.Section) begins.add(child);
        }
    }

    private void settle(Node begin) {
        Node end = SectionMarkers.partner(begin);
        Map<String, Element> starts = new LinkedHashMap<>();
        List<Element> ends = new ArrayList<>();
        int depth = 0;
        boolean cut = false;
        for (Node at = begin.getNextSibling(); at != end; at = at.getNextSibling()) {
            if (!(at instanceof Element block)) continue;
            List<Element> all = new ArrayList<>(List.of(block));
            all.addAll(Word.all(block, "*"));
            for (Element element : all) {
                String name = Word.local(element);
                if (name.equals("fldChar")) {
                    String type = Word.attribute(element, "fldCharType");
                    if (type.equals("begin")) depth++;
                    else if (type.equals("end") && --depth < 0) cut = true;
                    else if (type.equals("separate") && depth == 0) cut = true;
                } else if (Substance.RANGES.contains(name)) {
                    String key = name.replaceAll("(Start|End)$", "") + " " + Word.attribute(element, "id");
                    if (name.endsWith("Start")) starts.put(key, element);
                    else if (starts.remove(key) == null) ends.add(element);
                }
            }
        }
        if (cut || depth != 0) report(begin);
        starts.values().forEach(start -> begin.getParentNode().insertBefore(start, begin));
        Node after = end.getNextSibling();
        ends.forEach(one -> end.getParentNode().insertBefore(one, after));
    }

    private void report(Node begin) {
        Passage passage = passages.all().get(((Segment.Section) markers.beginsAt(begin)).passage());
        diagnostics.add(new Diagnostic(
                "section-cuts-field",
                passage.part(),
                passage.place(),
                Message.of("wording.section-half-field", "name", passage.name()),
                Message.of("wording.section-half-field.cure")));
    }
}
