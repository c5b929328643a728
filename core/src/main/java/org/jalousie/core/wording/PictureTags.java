package org.jalousie.core.wording;

import java.util.List;
import java.util.Set;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.w3c.dom.Element;

/** Placeholder pictures: a picture whose description is a tag is replaced by the picture of that field. */
final class PictureTags {
    private static final Pattern TAG = Pattern.compile("\\s*\\{\\{\\s*([A-Za-z][A-Za-z0-9_]*)\\s*}}\\s*");

    private PictureTags() {}

    /** Finds the names without changing anything. */
    static void find(Part part, Set<String> names) {
        for (Element properties : Word.all(part.document, "docPr")) {
            String name = name(properties);
            if (!name.isEmpty()) names.add(name);
        }
    }

    static void frame(Part part, Markers markers) {
        for (Element properties : Word.all(part.document, "docPr")) {
            String name = name(properties);
            Element run = Word.ancestor(properties, "r");
            Element box = (Element) properties.getParentNode();
            Element picture = Word.first(box, "blip");
            Element extent = Word.child(box, "extent");
            if (name.isEmpty() || run == null || picture == null || extent == null) continue;
            String words = name.replace('_', ' ');
            for (String attribute : new String[] {"descr", "title"}) {
                if (TAG.matcher(properties.getAttribute(attribute)).matches())
                    properties.setAttribute(attribute, words);
            }
            markers.wrap(
                    run,
                    run,
                    new Segment.PictureBox(
                            name,
                            Word.attribute(picture, "embed"),
                            Long.parseLong(extent.getAttribute("cx")),
                            Long.parseLong(extent.getAttribute("cy")),
                            List.of()));
        }
    }

    private static String name(Element properties) {
        for (String attribute : new String[] {"descr", "title"}) {
            Matcher matcher = TAG.matcher(properties.getAttribute(attribute));
            if (matcher.matches()) return matcher.group(1);
        }
        return "";
    }
}
