package org.jalousie.core.wording.tags;

import java.util.ArrayList;
import java.util.IdentityHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import org.jalousie.core.data.Names;
import org.jalousie.core.messages.Message;
import org.jalousie.core.wording.docx.Word;
import org.w3c.dom.Element;
import org.w3c.dom.Node;

/**
 * What a paragraph holds besides its section tags, in order, and what of it stands before and after each of them. Whatever
 * is not known to be nothing counts as something.
 */
public final class Substance {
    /** From nothing to words; an end of a range may be moved out of its paragraph, anything above may not. */
    public enum Kind {
        NOTHING,
        RANGE,
        MARK,
        CONTENT,
        TEXT
    }

    // ISO/IEC 29500-1 §17.3.3, §17.13, §17.18: what has no width and is no content
    private static final Set<String> NOTHING = Set.of(
            "pPr",
            "rPr",
            "proofErr",
            "lastRenderedPageBreak",
            "sdtPr",
            "sdtEndPr",
            "smartTagPr",
            "customXmlPr",
            "tab",
            "ptab",
            "softHyphen");

    public static final Set<String> RANGES = Set.of(
            "bookmarkStart",
            "bookmarkEnd",
            "permStart",
            "permEnd",
            "commentRangeStart",
            "commentRangeEnd",
            "moveFromRangeStart",
            "moveFromRangeEnd",
            "moveToRangeStart",
            "moveToRangeEnd",
            "customXmlInsRangeStart",
            "customXmlInsRangeEnd",
            "customXmlDelRangeStart",
            "customXmlDelRangeEnd",
            "customXmlMoveFromRangeStart",
            "customXmlMoveFromRangeEnd",
            "customXmlMoveToRangeStart",
            "customXmlMoveToRangeEnd");

    private static final Set<String> MARKS = Set.of(
            "fldChar",
            "instrText",
            "delInstrText",
            "commentReference",
            "annotationRef",
            "del",
            "moveFrom",
            "delText",
            "footnoteRef",
            "endnoteRef");

    private static final Set<String> WRAPPERS = Set.of(
            "r", "hyperlink", "smartTag", "customXml", "sdt", "sdtContent", "ins", "moveTo", "dir", "bdo", "fldSimple");

    private record Entry(Node node, Kind kind, Occurrence tag) {}

    private final List<Entry> entries = new ArrayList<>();
    private final Map<Element, Occurrence> runs = new IdentityHashMap<>();
    private final Map<Occurrence, Integer> places = new IdentityHashMap<>();
    private final Kind[] before;
    private final Kind[] after;

    /** @param tags those of the paragraph, each isolated in its run */
    public Substance(Element paragraph, List<Occurrence> tags) {
        tags.forEach(tag -> runs.put(tag.run, tag));
        collect(paragraph);
        before = new Kind[entries.size() + 1];
        after = new Kind[entries.size() + 1];
        before[0] = Kind.NOTHING;
        for (int i = 0; i < entries.size(); i++)
            before[i + 1] = most(before[i], entries.get(i).kind());
        after[entries.size()] = Kind.NOTHING;
        for (int i = entries.size() - 1; i >= 0; i--)
            after[i] = most(after[i + 1], entries.get(i).kind());
    }

    private static Kind most(Kind a, Kind b) {
        return a.compareTo(b) >= 0 ? a : b;
    }

    private void collect(Node parent) {
        for (Node child = parent.getFirstChild(); child != null; child = child.getNextSibling()) {
            if (!(child instanceof Element element)) continue;
            Occurrence tag = runs.get(element);
            if (tag != null) {
                places.put(tag, entries.size());
                entries.add(new Entry(element, tag.isSection() || tag.isSilent() ? Kind.NOTHING : Kind.TEXT, tag));
                continue;
            }
            Kind kind = kind(element);
            if (kind == null) collect(element);
            else if (kind != Kind.NOTHING) entries.add(new Entry(element, kind, null));
        }
    }

    /** Null for what only wraps other things. */
    private static Kind kind(Element element) {
        String name = Word.local(element);
        if (!Word.isOfWord(element)) return Kind.CONTENT;
        if (NOTHING.contains(name)) return Kind.NOTHING;
        if (RANGES.contains(name)) return Kind.RANGE;
        if (MARKS.contains(name)) return Kind.MARK;
        if (WRAPPERS.contains(name)) return null;
        if (name.equals("br") || name.equals("cr"))
            return List.of("page", "column").contains(Word.attribute(element, "type")) ? Kind.MARK : Kind.NOTHING;
        if (name.equals("t")) return Names.isBlank(element.getTextContent()) ? Kind.NOTHING : Kind.TEXT;
        return name.equals("noBreakHyphen") ? Kind.TEXT : Kind.CONTENT;
    }

    /** The most that stands before a tag in its paragraph. */
    public Kind before(Occurrence tag) {
        return before[places.get(tag)];
    }

    /** The most that stands after a tag in its paragraph. */
    public Kind after(Occurrence tag) {
        return after[places.get(tag) + 1];
    }

    /** The most that stands anywhere in the paragraph. */
    public Kind all() {
        return after[0];
    }

    /** Whether everything that stands here is words. */
    public boolean onlyWords() {
        return entries.stream().allMatch(entry -> entry.kind() == Kind.TEXT || entry.kind() == Kind.NOTHING);
    }

    /** Ends of ranges and tags, in their order: all that a paragraph of tags holds. */
    public List<Object> rangesAndTags() {
        List<Object> all = new ArrayList<>();
        entries.forEach(entry -> all.add(entry.tag() != null ? entry.tag() : entry.node()));
        return all;
    }

    /** What the first thing of a kind above a range's end is, as people call it. */
    public Message called(Occurrence tag, boolean ahead) {
        int place = places.get(tag);
        for (int i = 0; i < entries.size(); i++) {
            Entry entry = entries.get(i);
            boolean here = ahead ? i > place : i < place;
            if (here && entry.kind().compareTo(Kind.RANGE) > 0) return called(entry);
        }
        return Message.of("wording.thing.something");
    }

    private static Message called(Entry entry) {
        if (entry.kind() == Kind.TEXT) return Message.of("wording.thing.words");
        return switch (Word.local(entry.node())) {
            case "fldChar", "instrText" -> Message.of("wording.thing.field-end");
            case "br" -> Message.of("wording.thing.break");
            case "drawing", "pict", "AlternateContent" -> Message.of("wording.thing.picture");
            case "footnoteReference", "endnoteReference" -> Message.of("wording.thing.note");
            case "sym" -> Message.of("wording.thing.symbol");
            case "oMath", "oMathPara" -> Message.of("wording.thing.equation");
            case "object" -> Message.of("wording.thing.object");
            default -> Message.of("wording.thing.other");
        };
    }
}
