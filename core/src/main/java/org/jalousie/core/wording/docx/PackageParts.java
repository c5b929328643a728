package org.jalousie.core.wording.docx;

import java.nio.charset.StandardCharsets;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import org.w3c.dom.Document;
import org.w3c.dom.Element;

/** The parts of a package while it is being changed, with their relationships and types (ECMA-376 part 2). */
public final class PackageParts {
    static final String RELS = "http://schemas.openxmlformats.org/package/2006/relationships";
    private static final String TYPES = "[Content_Types].xml";

    private final Map<String, byte[]> bytes;
    private final Map<String, Document> open = new LinkedHashMap<>();

    public PackageParts(Map<String, byte[]> parts) {
        this.bytes = new LinkedHashMap<>(parts);
    }

    public boolean has(String part) {
        return bytes.containsKey(part);
    }

    /** All parts' names. */
    public List<String> names() {
        return List.copyOf(bytes.keySet());
    }

    /** A part's content as it was opened. */
    public String text(String part) {
        return new String(bytes.get(part), StandardCharsets.UTF_8);
    }

    /** Whether a part is XML, whatever its name ends in: programs name the file's properties in their own ways. */
    public boolean isXml(String part) {
        if (part.endsWith(".rels") || part.equals(TYPES)) return false;
        if (part.endsWith(".xml") || part.endsWith(".vml")) return true;
        byte[] start = bytes.get(part);
        int at = start.length > 2 && (start[0] & 0xFF) == 0xEF ? 3 : 0;
        return start.length > at + 5 && new String(start, at, 5, StandardCharsets.US_ASCII).equals("<?xml");
    }

    /** The part that another one relates to by a type's last word, or an empty text. */
    public String related(String part, String type) {
        String rels = relationshipsOf(part);
        if (!has(rels)) return "";
        for (Element element : Word.children(document(rels).getDocumentElement())) {
            if (!element.getAttribute("Type").endsWith("/" + type)
                    || element.getAttribute("TargetMode").equalsIgnoreCase("External")) continue;
            String name = target(part, element.getAttribute("Target"));
            if (has(name)) return name;
        }
        return "";
    }

    /** The name of the part that a relationship's target means. */
    public static String target(String part, String target) {
        if (target.startsWith("/")) return target.substring(1);
        return PackageOrder.normal(part.substring(0, part.lastIndexOf('/') + 1) + target);
    }

    /** A part as a tree that may be changed; the changes are written by {@link #finish()}. */
    public Document document(String part) {
        return open.computeIfAbsent(part, name -> SafeXml.parse(name, bytes.get(name)));
    }

    public void put(String part, byte[] content) {
        bytes.put(part, content);
    }

    public void putXml(String part, String xml, String contentType) {
        put(part, xml.getBytes(StandardCharsets.UTF_8));
        Element root = document(TYPES).getDocumentElement();
        Element type = root.getOwnerDocument().createElementNS(root.getNamespaceURI(), "Override");
        type.setAttribute("PartName", "/" + part);
        type.setAttribute("ContentType", contentType);
        root.appendChild(type);
    }

    /** Says what files with this ending are, unless that is said already. */
    public void defaultType(String extension, String contentType) {
        Element root = document(TYPES).getDocumentElement();
        for (Element element : Word.children(root)) {
            if (element.getAttribute("Extension").equalsIgnoreCase(extension)) return;
        }
        Element type = root.getOwnerDocument().createElementNS(root.getNamespaceURI(), "Default");
        type.setAttribute("Extension", extension.toLowerCase(Locale.ROOT));
        type.setAttribute("ContentType", contentType);
        root.insertBefore(type, root.getFirstChild());
    }

    static String relationshipsOf(String part) {
        return part.replaceFirst("([^/]+)$", "_rels/$1.rels");
    }

    /** The relationship with this id, or null. */
    public Element relationship(String part, String id) {
        String name = relationshipsOf(part);
        if (!has(name)) return null;
        for (Element element : Word.children(document(name).getDocumentElement())) {
            if (element.getAttribute("Id").equals(id)) return element;
        }
        return null;
    }

    /** Relates a part to a target under an id of the caller's choice, once. */
    public String relate(String part, String id, String type, String target, boolean external) {
        if (relationship(part, id) != null) return id;
        String name = relationshipsOf(part);
        if (!has(name)) put(name, ("<Relationships xmlns=\"" + RELS + "\"/>").getBytes(StandardCharsets.UTF_8));
        Document document = document(name);
        Element relationship = document.createElementNS(RELS, "Relationship");
        relationship.setAttribute("Id", id);
        relationship.setAttribute("Type", type);
        relationship.setAttribute("Target", target);
        if (external) relationship.setAttribute("TargetMode", "External");
        document.getDocumentElement().appendChild(relationship);
        return id;
    }

    /** All parts as bytes, the changed ones written anew. */
    public Map<String, byte[]> finish() {
        open.forEach((name, document) -> bytes.put(name, SafeXml.write(document).getBytes(StandardCharsets.UTF_8)));
        return bytes;
    }
}
