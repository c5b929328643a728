package org.jalousie.core.wording.docx;

import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import org.jalousie.core.wording.WordFile;
import org.w3c.dom.Document;
import org.w3c.dom.Element;

/**
 * The order of a package (ECMA-376 part 2): which part is what is told by types and relationships, not by names. The body is
 * put under its usual name, and signatures of the package go, since they hold for no agreement made from it.
 */
public final class PackageOrder {
    private static final String TYPES = "[Content_Types].xml";
    private static final String ROOT = "_rels/.rels";
    private static final Set<String> TEXT = Set.of("header+xml", "footer+xml", "footnotes+xml", "endnotes+xml");

    private PackageOrder() {}

    public static Map<String, byte[]> settled(Map<String, byte[]> parts) {
        if (!parts.containsKey(TYPES) || !parts.containsKey(ROOT)) return parts;
        Map<String, byte[]> settled = new LinkedHashMap<>(parts);
        withoutSignatures(settled);
        String main = main(settled);
        if (!main.isEmpty() && !main.equals(WordFile.MAIN) && !settled.containsKey(WordFile.MAIN))
            rename(settled, main);
        return settled;
    }

    private static String main(Map<String, byte[]> parts) {
        for (Element relationship : relationships(SafeXml.parse(ROOT, parts.get(ROOT)))) {
            if (!relationship.getAttribute("Type").endsWith("/officeDocument")) continue;
            String target = relationship.getAttribute("Target").replaceFirst("^/", "");
            return parts.containsKey(target) ? target : "";
        }
        return "";
    }

    private static void rename(Map<String, byte[]> parts, String main) {
        String folder = main.substring(0, main.lastIndexOf('/') + 1);
        parts.put(WordFile.MAIN, parts.remove(main));
        String rels = PackageParts.relationshipsOf(main);
        if (parts.containsKey(rels)) {
            Document document = SafeXml.parse(rels, parts.remove(rels));
            for (Element relationship : relationships(document)) {
                String target = relationship.getAttribute("Target");
                if (!relationship.getAttribute("TargetMode").equalsIgnoreCase("External") && !target.startsWith("/"))
                    relationship.setAttribute("Target", "/" + normal(folder + target));
            }
            parts.put(PackageParts.relationshipsOf(WordFile.MAIN), bytes(document));
        }
        Document root = SafeXml.parse(ROOT, parts.get(ROOT));
        for (Element relationship : relationships(root)) {
            if (relationship.getAttribute("Target").replaceFirst("^/", "").equals(main))
                relationship.setAttribute("Target", WordFile.MAIN);
        }
        parts.put(ROOT, bytes(root));
        Document types = SafeXml.parse(TYPES, parts.get(TYPES));
        for (Element type : Word.children(types.getDocumentElement())) {
            if (type.getAttribute("PartName").equalsIgnoreCase("/" + main))
                type.setAttribute("PartName", "/" + WordFile.MAIN);
        }
        parts.put(TYPES, bytes(types));
    }

    /** A path without steps up. */
    static String normal(String path) {
        List<String> steps = new ArrayList<>();
        for (String step : path.split("/")) {
            if (step.equals("..") && !steps.isEmpty()) steps.remove(steps.size() - 1);
            else if (!step.equals(".") && !step.isEmpty()) steps.add(step);
        }
        return String.join("/", steps);
    }

    public static boolean isSigned(Map<String, byte[]> parts) {
        return parts.keySet().stream().anyMatch(name -> name.startsWith("_xmlsignatures/"));
    }

    private static void withoutSignatures(Map<String, byte[]> parts) {
        if (!isSigned(parts)) return;
        parts.keySet().removeIf(name -> name.startsWith("_xmlsignatures/"));
        Document root = SafeXml.parse(ROOT, parts.get(ROOT));
        relationships(root).stream()
                .filter(one -> one.getAttribute("Type").contains("/digital-signature"))
                .forEach(Word::remove);
        parts.put(ROOT, bytes(root));
        Document types = SafeXml.parse(TYPES, parts.get(TYPES));
        Word.children(types.getDocumentElement()).stream()
                .filter(one -> one.getAttribute("PartName").startsWith("/_xmlsignatures/"))
                .forEach(Word::remove);
        parts.put(TYPES, bytes(types));
    }

    public static List<String> textParts(Map<String, byte[]> parts) {
        List<String> found = new ArrayList<>(List.of(WordFile.MAIN));
        Document types = SafeXml.parse(TYPES, parts.get(TYPES));
        for (Element type : Word.children(types.getDocumentElement())) {
            String content = type.getAttribute("ContentType");
            String name = type.getAttribute("PartName").replaceFirst("^/", "");
            boolean text = TEXT.stream().anyMatch(kind -> content.endsWith("." + kind));
            if (text && parts.containsKey(name) && !found.contains(name) && !name.startsWith("word/glossary/"))
                found.add(name);
        }
        return found;
    }

    private static List<Element> relationships(Document document) {
        return Word.children(document.getDocumentElement());
    }

    private static byte[] bytes(Document document) {
        return SafeXml.write(document).getBytes(StandardCharsets.UTF_8);
    }
}
