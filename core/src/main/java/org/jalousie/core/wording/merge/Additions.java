package org.jalousie.core.wording.merge;

import java.nio.charset.StandardCharsets;
import java.util.LinkedHashMap;
import java.util.Locale;
import java.util.Map;
import org.jalousie.core.picture.PictureFile;
import org.jalousie.core.wording.docx.InlinePicture;
import org.jalousie.core.wording.docx.SafeXml;

/** What one agreement adds to the package besides words: pictures, links and lists, with their relationships. */
public final class Additions {
    private static final String RELS = "http://schemas.openxmlformats.org/package/2006/relationships";

    private final Map<String, StringBuilder> relationships = new LinkedHashMap<>();
    private final Map<String, String> known = new LinkedHashMap<>();
    private final Map<String, byte[]> media = new LinkedHashMap<>();
    private final Map<String, String> names = new LinkedHashMap<>();
    private final TextLists lists;
    private int drawings = 800_000;

    /** @param file the parts that every file of the template has */
    public Additions(Map<String, byte[]> file) {
        this.lists = new TextLists(file);
    }

    TextLists lists() {
        return lists;
    }

    /** A number that no other drawing of the file has. */
    int nextDrawing() {
        return ++drawings;
    }

    /** @return the relationship by which the part shows the picture */
    String picture(String part, PictureFile picture) {
        String name = names.computeIfAbsent(
                picture.digest(), one -> "jalousie-" + (names.size() + 1) + "." + picture.extension());
        media.putIfAbsent("word/media/" + name, picture.bytes());
        return relate(part, InlinePicture.OFFICE + "/image", "media/" + name, false);
    }

    /** @return the relationship by which the part leads to the address */
    String link(String part, String address) {
        return relate(part, InlinePicture.OFFICE + "/hyperlink", address, true);
    }

    private String relate(String part, String type, String target, boolean external) {
        return known.computeIfAbsent(part + " " + target, key -> {
            String id = "jalAdd" + (known.size() + 1);
            relationships
                    .computeIfAbsent(part, p -> new StringBuilder())
                    .append("<Relationship Id=\"" + id + "\" Type=\"" + type + "\" Target=\"" + SafeXml.escape(target)
                            + "\"" + (external ? " TargetMode=\"External\"" : "") + "/>");
            return id;
        });
    }

    /** Puts everything into the package. */
    public void finish(Map<String, byte[]> parts) {
        lists.finish(parts);
        relationships.forEach((part, added) -> {
            String name = part.replaceFirst("([^/]+)$", "_rels/$1.rels");
            byte[] before = parts.get(name);
            String xml = before == null
                    ? "<Relationships xmlns=\"" + RELS + "\"></Relationships>"
                    : new String(before, StandardCharsets.UTF_8);
            parts.put(name, bytes(inserted(xml, "Relationships", added.toString())));
        });
        if (media.isEmpty()) return;
        parts.putAll(media);
        String types = new String(parts.get("[Content_Types].xml"), StandardCharsets.UTF_8);
        for (String extension : new String[] {"png", "jpeg"}) {
            if (!types.toLowerCase(Locale.ROOT).contains("extension=\"" + extension + "\""))
                types = inserted(
                        types,
                        "Types",
                        "<Default Extension=\"" + extension + "\" ContentType=\"image/" + extension + "\"/>");
        }
        parts.put("[Content_Types].xml", bytes(types));
    }

    /** Puts markup at the end of the document element, whatever prefix it has. */
    private static String inserted(String xml, String element, String markup) {
        int end = xml.lastIndexOf("</");
        if (end >= 0 && xml.substring(end).contains(element))
            return xml.substring(0, end) + markup + xml.substring(end);
        int empty = xml.lastIndexOf("/>");
        return xml.substring(0, empty) + ">" + markup + "</" + element + ">";
    }

    private static byte[] bytes(String xml) {
        return xml.getBytes(StandardCharsets.UTF_8);
    }
}
