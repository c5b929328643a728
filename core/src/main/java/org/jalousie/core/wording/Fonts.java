package org.jalousie.core.wording;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeSet;
import org.w3c.dom.Element;

/** The fonts that a Word file names. */
final class Fonts {
    private Fonts() {}

    /** Names from runs and styles, by attribute {@code ascii} and {@code hAnsi}, and the theme's Latin fonts if it is used. */
    static Set<String> named(Map<String, byte[]> parts, List<String> textParts) {
        Set<String> names = new TreeSet<>();
        List<String> where = new ArrayList<>(textParts);
        where.add("word/styles.xml");
        boolean theme = false;
        for (String part : where) {
            if (!parts.containsKey(part)) continue;
            for (Element fonts : Word.all(SafeXml.parse(part, parts.get(part)), "rFonts")) {
                for (String attribute : List.of("ascii", "hAnsi")) {
                    String name = Word.attribute(fonts, attribute);
                    if (!name.isBlank()) names.add(name);
                    theme |= !Word.attribute(fonts, attribute + "Theme").isEmpty();
                }
            }
        }
        byte[] themePart = parts.get("word/theme/theme1.xml");
        if (theme && themePart != null) {
            for (Element font : Word.all(SafeXml.parse("word/theme/theme1.xml", themePart), "latin")) {
                if (!font.getAttribute("typeface").isBlank()) names.add(font.getAttribute("typeface"));
            }
        }
        return names;
    }
}
