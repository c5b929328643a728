package org.jalousie.core.wording.merge;

import java.util.HashSet;
import java.util.List;
import java.util.Set;
import org.jalousie.core.wording.compile.Tally;
import org.jalousie.core.wording.tags.Part;

/** The last check of a merged part: what is in it is what was written, nothing twice that may be there once, nothing half. */
public final class Reconciliation {
    private Reconciliation() {}

    /** @throws IllegalArgumentException when the part does not come out even, saying by what */
    public static void check(String part, String xml, byte[] bytes, Tally written) {
        Tally finished = FinishedTally.of(bytes);
        List<String> differences = finished.differences(written, -1);
        if (!differences.isEmpty()) throw notWhole(part, String.join(", ", differences));
        if (finished.has(Tally.BOOKMARKS)) bookmarksOnce(part, xml);
        if (finished.has(Tally.DRAWINGS)) drawingsOnce(part, xml);
        if (finished.has(Tally.FIELD_MARKS)) fieldsWhole(part, xml);
    }

    /** @throws IllegalArgumentException when a reference leads to something that isn't printed */
    public static void references(Set<String> missing) {
        if (missing.isEmpty()) return;
        throw new IllegalArgumentException(
                "A cross-reference leads to words that are not printed with this data (the bookmark "
                        + String.join(", ", missing)
                        + "). Put the cross-reference into the same passage as what it refers to.");
    }

    private static void bookmarksOnce(String part, String xml) {
        Set<String> ids = new HashSet<>();
        Set<String> names = new HashSet<>();
        int open = 0;
        for (int at = xml.indexOf("bookmarkStart "); at >= 0; at = xml.indexOf("bookmarkStart ", at + 1)) {
            open++;
            if (!ids.add(attribute(xml, at, "id=\"")) || !names.add(attribute(xml, at, "name=\"")))
                throw notWhole(part, "a bookmark is there twice");
        }
        for (int at = xml.indexOf("bookmarkEnd "); at >= 0; at = xml.indexOf("bookmarkEnd ", at + 1)) {
            open--;
            if (!ids.contains(attribute(xml, at, "id=\""))) throw notWhole(part, "a bookmark ends that never began");
        }
        if (open != 0) throw notWhole(part, "a bookmark has one end only");
    }

    private static void drawingsOnce(String part, String xml) {
        Set<String> drawings = new HashSet<>();
        for (int at = xml.indexOf("docPr "); at >= 0; at = xml.indexOf("docPr ", at + 1)) {
            if (xml.charAt(at - 1) == '/') continue;
            if (!drawings.add(attribute(xml, at, " id=\""))) throw notWhole(part, "two drawings have the same number");
        }
    }

    private static void fieldsWhole(String part, String xml) {
        int open = 0;
        for (int at = xml.indexOf("fldCharType=\""); at >= 0; at = xml.indexOf("fldCharType=\"", at + 1)) {
            if (xml.startsWith("begin", at + 13)) open++;
            else if (xml.startsWith("end", at + 13) && --open < 0)
                throw notWhole(part, "a field ends that never began");
        }
        if (open != 0) throw notWhole(part, "a field has no end");
    }

    private static String attribute(String xml, int from, String name) {
        int at = xml.indexOf(name, from);
        if (at < 0) return "";
        int start = at + name.length();
        return xml.substring(start, xml.indexOf('"', start));
    }

    private static IllegalArgumentException notWhole(String part, String what) {
        return new IllegalArgumentException("The document doesn't come out whole in its " + Part.title(part) + " ("
                + what + "). It is not used; send the template and the data to whoever keeps this program.");
    }
}
