package org.jalousie.core.wording.docx;

import java.nio.charset.StandardCharsets;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.regex.Pattern;
import org.w3c.dom.Attr;
import org.w3c.dom.Document;
import org.w3c.dom.Element;
import org.w3c.dom.Node;

/**
 * Relationships that lead out of the package (ECMA-376 part 2, §9.3). A word processor fetches what they name, except where a
 * reader has to follow a link; so what stays is told by the place where it is used, and not by what the relationship calls
 * itself.
 */
public final class Outward {
    private static final Set<String> HYPERLINK = Set.of(
            "http://schemas.openxmlformats.org/officeDocument/2006/relationships/hyperlink",
            "http://purl.oclc.org/ooxml/officeDocument/relationships/hyperlink");
    private static final Set<String> FOLLOWED = Set.of("hyperlink", "hlinkClick", "hlinkHover", "hlinkMouseOver");
    private static final Pattern ADDRESS = Pattern.compile("(?s)\\s*([A-Za-z][A-Za-z0-9+.-]*:|//|\\\\\\\\).*");

    private Outward() {}

    /** Takes out of the package what would be fetched. */
    public static void cut(Map<String, byte[]> parts) {
        for (String name : List.copyOf(parts.keySet())) {
            if (!name.endsWith(".rels")) continue;
            Document relationships = SafeXml.parse(name, parts.get(name));
            if (cut(relationships, uses(sourceOf(name), parts)))
                parts.put(name, SafeXml.write(relationships).getBytes(StandardCharsets.UTF_8));
        }
    }

    private static boolean cut(Document relationships, Map<String, Set<String>> uses) {
        List<Element> all = Word.children(relationships.getDocumentElement());
        Map<String, Integer> times = new HashMap<>();
        all.forEach(one -> times.merge(one.getAttribute("Id"), 1, Integer::sum));
        boolean any = false;
        for (Element one : all) {
            String id = one.getAttribute("Id");
            if (!leadsOut(one)) continue;
            Set<String> places = uses.getOrDefault(id, Set.of());
            boolean link = HYPERLINK.contains(one.getAttribute("Type"))
                    && times.get(id) == 1
                    && !places.isEmpty()
                    && FOLLOWED.containsAll(places);
            if (link) continue;
            Word.remove(one);
            any = true;
        }
        return any;
    }

    private static boolean leadsOut(Element relationship) {
        return relationship.getAttribute("TargetMode").strip().equalsIgnoreCase("External")
                || ADDRESS.matcher(relationship.getAttribute("Target")).matches();
    }

    /** The part whose relationships these are; empty for those of the package. */
    private static String sourceOf(String rels) {
        int folder = rels.lastIndexOf("_rels/");
        return folder < 0 ? "" : rels.substring(0, folder) + rels.substring(folder + 6, rels.length() - 5);
    }

    /** The names of the elements that use each relationship. */
    private static Map<String, Set<String>> uses(String part, Map<String, byte[]> parts) {
        Map<String, Set<String>> uses = new HashMap<>();
        byte[] bytes = parts.get(part);
        if (bytes == null || !Markup.isXml(part, bytes)) return uses;
        Document document = SafeXml.parse(part, bytes);
        Node node = document.getDocumentElement();
        while (node != null) {
            if (node instanceof Element element) {
                for (int i = 0; i < element.getAttributes().getLength(); i++) {
                    Attr attribute = (Attr) element.getAttributes().item(i);
                    String space = attribute.getNamespaceURI();
                    if (space != null && space.endsWith("/relationships"))
                        uses.computeIfAbsent(attribute.getValue(), id -> new HashSet<>())
                                .add(element.getLocalName());
                }
            }
            node = following(node);
        }
        return uses;
    }

    private static Node following(Node node) {
        if (node.getFirstChild() != null) return node.getFirstChild();
        Node at = node;
        while (at != null && at.getNextSibling() == null) at = at.getParentNode();
        return at == null ? null : at.getNextSibling();
    }
}
