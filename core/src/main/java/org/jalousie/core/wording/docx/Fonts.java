package org.jalousie.core.wording.docx;

import com.ibm.icu.lang.UScript;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeMap;
import java.util.TreeSet;
import org.w3c.dom.Document;
import org.w3c.dom.Element;

/**
 * The fonts that a Word file names, and the scripts in which its words are written.
 *
 * @param names of fonts that some of its words would be set in
 * @param scripts by the name of the script (Unicode Annex 24), a few of the letters; Latin is not told
 */
public record Fonts(Set<String> names, Map<String, String> scripts) {
    private static final int LETTERS = 8;
    private static final Set<String> EAST_ASIAN = Set.of("Han", "Hiragana", "Katakana", "Hangul", "Bopomofo", "Yi");
    private static final Set<String> COMPLEX = Set.of(
            "Arabic",
            "Hebrew",
            "Thai",
            "Lao",
            "Khmer",
            "Myanmar",
            "Devanagari",
            "Bengali",
            "Gurmukhi",
            "Gujarati",
            "Oriya",
            "Tamil",
            "Telugu",
            "Kannada",
            "Malayalam",
            "Sinhala",
            "Tibetan",
            "Syriac",
            "Thaana",
            "Mongolian");

    /** Names from runs and styles in the slots that the words call for, and the theme's fonts where it is used (§17.3.2.26). */
    public static Fonts in(Map<String, byte[]> parts, List<String> textParts) {
        Map<String, String> scripts = new TreeMap<>();
        List<Document> documents = new ArrayList<>();
        for (String part : textParts) {
            Document document = SafeXml.parse(part, parts.get(part));
            documents.add(document);
            for (Element text : Word.all(document, "t")) scripts(text.getTextContent(), scripts);
        }
        List<String> slots = new ArrayList<>(List.of("ascii", "hAnsi"));
        if (scripts.keySet().stream().anyMatch(EAST_ASIAN::contains)) slots.add("eastAsia");
        if (scripts.keySet().stream().anyMatch(COMPLEX::contains)) slots.add("cs");
        if (parts.containsKey("word/styles.xml"))
            documents.add(SafeXml.parse("word/styles.xml", parts.get("word/styles.xml")));
        Set<String> names = new TreeSet<>();
        Set<String> themed = new TreeSet<>();
        for (Document document : documents) {
            for (Element fonts : Word.all(document, "rFonts")) {
                for (String slot : slots) {
                    String name = Word.attribute(fonts, slot);
                    if (!name.isBlank()) names.add(name);
                    boolean ofTheme = !Word.attribute(fonts, slot + "Theme").isEmpty()
                            || slot.equals("cs")
                                    && !Word.attribute(fonts, "cstheme").isEmpty();
                    if (ofTheme) themed.add(slot);
                }
            }
        }
        byte[] theme = parts.get("word/theme/theme1.xml");
        if (theme != null && !themed.isEmpty()) {
            Document document = SafeXml.parse("word/theme/theme1.xml", theme);
            for (String slot : themed) {
                String element = slot.equals("eastAsia") ? "ea" : slot.equals("cs") ? "cs" : "latin";
                for (Element font : Word.all(document, element)) {
                    if (!font.getAttribute("typeface").isBlank()) names.add(font.getAttribute("typeface"));
                }
            }
        }
        return new Fonts(names, scripts);
    }

    private static void scripts(String text, Map<String, String> found) {
        text.codePoints().forEach(letter -> {
            int script = UScript.getScript(letter);
            if (script == UScript.LATIN || script == UScript.COMMON || script == UScript.INHERITED) return;
            String name = UScript.getName(script);
            String known = found.getOrDefault(name, "");
            String one = Character.toString(letter);
            if (known.codePointCount(0, known.length()) < LETTERS && !known.contains(one)) found.put(name, known + one);
        });
    }
}
