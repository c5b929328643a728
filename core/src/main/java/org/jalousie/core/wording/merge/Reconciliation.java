package org.jalousie.core.wording.merge;

import java.util.HashSet;
import java.util.List;
import java.util.Set;
import org.jalousie.core.messages.Message;
import org.jalousie.core.messages.NotPossible;
import org.jalousie.core.wording.compile.Tally;
import org.jalousie.core.wording.tags.Part;

/** The last check of a merged part: what is in it is what was written, nothing twice that may be there once, nothing half. */
public final class Reconciliation {
    private Reconciliation() {}

    /** @throws NotPossible when the part does not come out even, saying by what */
    public static void check(String part, String xml, byte[] bytes, Tally written) {
        Tally finished = FinishedTally.of(bytes);
        List<Message> differences = finished.differences(written, -1);
        if (!differences.isEmpty()) throw notWhole(part, Message.list(differences));
        if (finished.has(Tally.BOOKMARKS)) bookmarksOnce(part, xml);
        if (finished.has(Tally.DRAWINGS)) drawingsOnce(part, xml);
        if (finished.has(Tally.FIELD_MARKS)) fieldsWhole(part, xml);
    }

    /** @throws NotPossible when a reference leads to something that isn't printed */
    public static void references(Set<String> missing) {
        if (missing.isEmpty()) return;
        throw new NotPossible(Message.of("merge.reference", "bookmarks", String.join(", ", missing)));
    }

    private static void bookmarksOnce(String part, String xml) {
        Set<String> ids = new HashSet<>();
        Set<String> names = new HashSet<>();
        int open = 0;
        for (int at = xml.indexOf("bookmarkStart "); at >= 0; at = xml.indexOf("bookmarkStart ", at + 1)) {
            open++;
            if (!ids.add(attribute(xml, at, "id=\"")) || !names.add(attribute(xml, at, "name=\"")))
                throw notWhole(part, Message.of("merge.whole.bookmark-twice"));
        }
        for (int at = xml.indexOf("bookmarkEnd "); at >= 0; at = xml.indexOf("bookmarkEnd ", at + 1)) {
            open--;
            if (!ids.contains(attribute(xml, at, "id=\"")))
                throw notWhole(part, Message.of("merge.whole.bookmark-end"));
        }
        if (open != 0) throw notWhole(part, Message.of("merge.whole.bookmark-half"));
    }

    private static void drawingsOnce(String part, String xml) {
        Set<String> drawings = new HashSet<>();
        for (int at = xml.indexOf("docPr "); at >= 0; at = xml.indexOf("docPr ", at + 1)) {
            if (xml.charAt(at - 1) == '/') continue;
            if (!drawings.add(attribute(xml, at, " id=\"")))
                throw notWhole(part, Message.of("merge.whole.drawing-twice"));
        }
    }

    private static void fieldsWhole(String part, String xml) {
        int open = 0;
        for (int at = xml.indexOf("fldCharType=\""); at >= 0; at = xml.indexOf("fldCharType=\"", at + 1)) {
            if (!isFieldMark(xml, at)) continue;
            String type = attribute(xml, at, "fldCharType=\"");
            if (type.equals("begin")) open++;
            else if (type.equals("end") && --open < 0) throw notWhole(part, Message.of("merge.whole.field-end"));
        }
        if (open != 0) throw notWhole(part, Message.of("merge.whole.field-half"));
    }

    /** Whether an attribute is a field's mark's own, and not words that look so, or another element's. */
    private static boolean isFieldMark(String xml, int at) {
        int tag = xml.lastIndexOf('<', at) + 1;
        int end = tag;
        while (end < at && !Character.isWhitespace(xml.charAt(end))) end++;
        String name = xml.substring(tag, end);
        return name.substring(name.indexOf(':') + 1).equals("fldChar");
    }

    private static String attribute(String xml, int from, String name) {
        int at = xml.indexOf(name, from);
        if (at < 0) return "";
        int start = at + name.length();
        return xml.substring(start, xml.indexOf('"', start));
    }

    private static NotPossible notWhole(String part, Message what) {
        return new NotPossible(Message.of("merge.not-whole", "part", Part.title(part), "cause", what));
    }
}
