package org.jalousie.core.wording;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import org.w3c.dom.Document;
import org.w3c.dom.Element;
import org.w3c.dom.Node;

/** Tags in the file's properties (title, subject, company): values only, since properties have no layout. */
final class PropertyTags {
    private static final List<String> PARTS = List.of("docProps/core.xml", "docProps/app.xml", "docProps/custom.xml");

    private PropertyTags() {}

    static void compile(
            WordFile file, Map<String, List<Segment>> compiled, FoundTags found, List<Diagnostic> diagnostics) {
        for (String name : PARTS) {
            byte[] xml = file.parts().get(name);
            if (xml == null) continue;
            Document document = SafeXml.parse(name, xml);
            Markers markers = new Markers();
            int tags = mark(document.getDocumentElement(), markers, found, diagnostics);
            if (tags > 0) compiled.put(name, markers.read(SafeXml.write(document)));
        }
    }

    private static int mark(Element element, Markers markers, FoundTags found, List<Diagnostic> diagnostics) {
        List<Element> children = new ArrayList<>();
        for (Node node = element.getFirstChild(); node != null; node = node.getNextSibling()) {
            if (node instanceof Element child) children.add(child);
        }
        if (!children.isEmpty()) {
            return children.stream()
                    .mapToInt(child -> mark(child, markers, found, diagnostics))
                    .sum();
        }
        String text = element.getTextContent();
        List<TagReader.Found> tags = new TagReader().read(text);
        if (tags.isEmpty()) return 0;
        Document document = element.getOwnerDocument();
        element.setTextContent("");
        int at = 0;
        for (TagReader.Found one : tags) {
            element.appendChild(document.createTextNode(text.substring(at, one.start())));
            at = one.end();
            if (one.tag() instanceof Tag.Value value) {
                if (!found.fields().contains(value.name())) found.fields().add(value.name());
                element.appendChild(markers.slot(document, new Segment.PlainSlot(value.name(), value.print())));
            } else if (one.tag() instanceof Tag.Dotted dotted) {
                element.appendChild(markers.slot(document, new Segment.PlainSlot(dotted.first(), dotted.second())));
            } else if (!(one.tag() instanceof Tag.Silent)) {
                diagnostics.add(new Diagnostic(
                        "tag-in-property",
                        "properties",
                        text,
                        "Only the value of a field can stand in a file property.",
                        "Open the file's properties in your word processor and correct the tag there."));
            }
        }
        element.appendChild(document.createTextNode(text.substring(at)));
        return tags.size();
    }
}
