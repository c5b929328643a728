package org.jalousie.core.wording.docx;

import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.regex.Pattern;
import org.jalousie.core.placement.FieldLink;
import org.w3c.dom.Document;
import org.w3c.dom.Element;

/**
 * Links to the address that the program keeps for its signing fields. A file may bring some, as an agreement of ours does that
 * is made a template of; they would be taken for the boxes of fields, so they lose their number and their name, and lead
 * nowhere.
 */
public final class OwnLinks {
    /** What the relationships of boxes are called, before the box's number. */
    public static final String RELATIONSHIP = "jalField";

    private static final String NOWHERE = FieldLink.HOST + "/of-another-file/";

    /** The instruction of a field, in one piece or as an attribute (ISO/IEC 29500-1 §17.16.23 and §17.16.19). */
    private static final Pattern INSTRUCTION = Pattern.compile(
            "(?i)(<(?:\\w+:)?instrText\\b[^>]*>[^<]*|\\binstr\\s*=[^>]*?)" + Pattern.quote(FieldLink.HOST) + "/");

    private static final Pattern TRACE = Pattern.compile("(?i)" + Pattern.quote(FieldLink.HOST) + "|" + RELATIONSHIP);

    private OwnLinks() {}

    /** Makes all of them harmless. */
    public static void cut(Map<String, byte[]> parts) {
        List<String> all = parts.keySet().stream()
                .filter(name -> name.endsWith(".rels") || name.endsWith(".xml"))
                .toList();
        // hardly any file has them, and files may be large
        if (all.stream().noneMatch(name -> TRACE.matcher(text(parts, name)).find())) return;
        String renamed = unused(parts, all);
        for (String name : all) {
            String text = text(parts, name);
            String harmless = INSTRUCTION
                    .matcher(text.replace("\"" + RELATIONSHIP, "\"" + renamed))
                    .replaceAll("$1" + NOWHERE);
            if (!harmless.equals(text)) parts.put(name, harmless.getBytes(StandardCharsets.UTF_8));
            if (name.endsWith(".rels")) relationships(name, parts);
        }
    }

    /** A file may have been brought back before. */
    private static String unused(Map<String, byte[]> parts, List<String> names) {
        String renamed = "was" + RELATIONSHIP;
        while (isUsed(renamed, parts, names)) renamed = "was" + renamed;
        return renamed;
    }

    private static boolean isUsed(String id, Map<String, byte[]> parts, List<String> names) {
        return names.stream().anyMatch(name -> text(parts, name).contains("\"" + id));
    }

    private static String text(Map<String, byte[]> parts, String name) {
        return new String(parts.get(name), StandardCharsets.UTF_8);
    }

    private static void relationships(String name, Map<String, byte[]> parts) {
        Document relationships = SafeXml.parse(name, parts.get(name));
        boolean any = false;
        for (Element one : Word.children(relationships.getDocumentElement())) {
            if (!one.getAttribute("Target").toLowerCase(Locale.ROOT).contains(FieldLink.HOST)) continue;
            one.setAttribute("Target", "https://" + NOWHERE);
            any = true;
        }
        if (any) parts.put(name, SafeXml.write(relationships).getBytes(StandardCharsets.UTF_8));
    }
}
