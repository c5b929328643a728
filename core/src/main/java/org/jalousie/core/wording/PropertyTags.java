package org.jalousie.core.wording;

import java.util.List;
import java.util.Map;
import org.w3c.dom.Document;
import org.w3c.dom.Element;

/**
 * Tags where only characters may stand: the file's properties (title, subject, company) and the addresses of links.
 */
final class PropertyTags {
    private static final List<String> PROPERTIES =
            List.of("docProps/core.xml", "docProps/app.xml", "docProps/custom.xml");

    private final TagTree tree;
    private final List<Diagnostic> diagnostics;

    PropertyTags(TagTree tree, List<Diagnostic> diagnostics) {
        this.tree = tree;
        this.diagnostics = diagnostics;
    }

    /** @param parts the finished package, of which parts with tags are compiled */
    void compile(Map<String, byte[]> parts, Map<String, List<Segment>> compiled) {
        for (String name : PROPERTIES) {
            byte[] xml = parts.get(name);
            if (xml == null) continue;
            Document document = SafeXml.parse(name, xml);
            Markers markers = new Markers();
            int tags = elements(document.getDocumentElement(), markers);
            if (tags > 0) compiled.put(name, markers.read(SafeXml.write(document)));
        }
    }

    private int elements(Element element, Markers markers) {
        List<Element> children = Word.children(element);
        if (!children.isEmpty())
            return children.stream().mapToInt(child -> elements(child, markers)).sum();
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
                tree.add(value.name(), value.print());
                element.appendChild(markers.slot(document, new Segment.PlainSlot(value.name(), value.print(), false)));
            } else if (one.tag() instanceof Tag.Dotted dotted) {
                tree.add(dotted.first(), dotted.second());
                element.appendChild(
                        markers.slot(document, new Segment.PlainSlot(dotted.first(), dotted.second(), false)));
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
