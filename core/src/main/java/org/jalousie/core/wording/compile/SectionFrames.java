package org.jalousie.core.wording.compile;

import java.util.ArrayList;
import java.util.IdentityHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.jalousie.core.messages.Message;
import org.jalousie.core.wording.Diagnostic;
import org.jalousie.core.wording.docx.ParagraphText;
import org.jalousie.core.wording.docx.Word;
import org.jalousie.core.wording.tags.Occurrence;
import org.jalousie.core.wording.tags.Part;
import org.jalousie.core.wording.tags.SectionPairs;
import org.jalousie.core.wording.tags.Substance;
import org.jalousie.core.wording.tags.Tag;
import org.w3c.dom.Element;
import org.w3c.dom.Node;

/**
 * Puts the marks of sections round what they decide: a stretch of a line, whole paragraphs, whole rows. A paragraph of tags
 * goes with its tags only when nothing else at all stands in it; a break, a symbol or a picture beside a tag belongs to the
 * side of the tag on which it stands; a mark that can't be on one side refuses the section with the cause.
 */
final class SectionFrames {
    private final Part part;
    private final SectionMarkers markers;
    private final List<Diagnostic> diagnostics;
    private final Passages passages;
    private final Map<Element, Substance> substance;
    private final Map<Occurrence, Mark> marks = new IdentityHashMap<>();
    private final Set<Element> emptied = new LinkedHashSet<>();
    private final Set<Element> kept = new LinkedHashSet<>();
    private final Set<Element> tables = new LinkedHashSet<>();

    /** Where a section's end goes at its paragraph. */
    private record Mark(int frame, boolean after) {}

    /** Whether a section's end can be placed, and on which side of its paragraph; otherwise why not. */
    private record Side(boolean after, Optional<Message> cause) {}

    SectionFrames(
            Part part,
            SectionMarkers markers,
            List<Diagnostic> diagnostics,
            Passages passages,
            Map<Element, Substance> substance) {
        this.part = part;
        this.markers = markers;
        this.diagnostics = diagnostics;
        this.passages = passages;
        this.substance = substance;
    }

    /** Tables some of whose rows depend on data. */
    Set<Element> tablesOfRows() {
        return tables;
    }

    void place(List<SectionPairs.Pair> pairs) {
        for (ParagraphText text : part.paragraphs.values()) if (holdsOnlyTags(text)) emptied.add(text.paragraph());
        pairs.forEach(this::frame);
        for (ParagraphText text : part.paragraphs.values()) putMarks(text);
    }

    /** Takes out the paragraphs and rows that held nothing but tags. */
    void takeOutEmptied() {
        for (Element element : emptied) {
            if (element.getParentNode() == null || kept.contains(element)) continue;
            if (Word.isParagraph(element)) gap(element);
            element.getParentNode().removeChild(element);
        }
    }

    private boolean holdsOnlyTags(ParagraphText text) {
        boolean tags = part.tagsOf(text).stream().allMatch(tag -> tag.isSection() || tag.isSilent());
        return tags
                && substance.get(text.paragraph()).all().compareTo(Substance.Kind.RANGE) <= 0
                && !Word.endsSection(text.paragraph());
    }

    private void frame(SectionPairs.Pair pair) {
        Segment.Section section = passages.section(part, pair.open());
        Element from = pair.open().in.paragraph();
        Element to = pair.close().in.paragraph();
        if (from == to) withinParagraph(pair, section, from);
        else if (from.getParentNode() == to.getParentNode()) paragraphs(pair, section, from, to);
        else rows(pair, section, from, to);
    }

    private void withinParagraph(SectionPairs.Pair pair, Segment.Section section, Element paragraph) {
        if (emptied.contains(paragraph)) return;
        Substance all = substance.get(paragraph);
        boolean whole = isLittle(all.before(pair.open())) && isLittle(all.after(pair.close()));
        if (whole && !Word.endsSection(paragraph)) {
            Element row = onlyCellOf(paragraph, paragraph);
            if (row != null) wrapRows(row, row, section);
            else {
                markers.wrap(paragraph, paragraph, section);
                gapAfter(paragraph);
            }
        } else if (pair.open().run.getParentNode() == pair.close().run.getParentNode()) {
            markers.wrap(pair.open().run, pair.close().run, section);
        } else {
            crossed(pair, Message.of("wording.crosses.link"));
        }
    }

    private static boolean isLittle(Substance.Kind kind) {
        return kind.compareTo(Substance.Kind.RANGE) <= 0;
    }

    private void paragraphs(SectionPairs.Pair pair, Segment.Section section, Element from, Element to) {
        Side opens = side(pair.open(), true, from);
        Side closes = side(pair.close(), false, to);
        Optional<Message> cause = opens.cause().or(closes::cause);
        if (cause.isPresent()) {
            crossed(pair, cause.get());
            return;
        }
        Element row = onlyCellOf(from, to);
        if (row != null && !opens.after()) {
            wrapRows(row, row, section);
            return;
        }
        int frame = markers.frame(section);
        marks.put(pair.open(), new Mark(frame, opens.after()));
        marks.put(pair.close(), new Mark(frame, closes.after()));
    }

    private Side side(Occurrence tag, boolean opens, Element paragraph) {
        Substance all = substance.get(paragraph);
        Substance.Kind before = all.before(tag);
        Substance.Kind after = all.after(tag);
        String name = opens ? "{{#" + nameOf(tag) + "}}" : "{{/" + nameOf(tag) + "}}";
        if (before == Substance.Kind.TEXT)
            return new Side(false, Optional.of(Message.of("wording.crosses.before", "name", name)));
        if (after == Substance.Kind.TEXT)
            return new Side(false, Optional.of(Message.of("wording.crosses.after", "name", name)));
        boolean ahead = !isLittle(after);
        boolean behind = !isLittle(before);
        if (Word.endsSection(paragraph)) {
            // a section break closes what stands before it; one at the end of a section of its own goes with it
            if (opens) behind = true;
            else if (beginsSection(tag)) behind = true;
            else ahead = true;
        }
        if (ahead && behind)
            return new Side(
                    false,
                    Optional.of(
                            Word.endsSection(paragraph)
                                    ? Message.of("wording.crosses.section-break", "name", name)
                                    : Message.of(
                                            "wording.crosses.around",
                                            "first",
                                            all.called(tag, false),
                                            "name",
                                            name,
                                            "last",
                                            all.called(tag, true))));
        return new Side(behind, Optional.empty());
    }

    /** Whether the section that ends here began where a section of the layout begins. */
    private boolean beginsSection(Occurrence close) {
        for (int i = close.index - 1, depth = 0; i >= 0; i--) {
            Tag tag = part.tags.get(i).tag;
            if (tag instanceof Tag.Close) depth++;
            else if (tag instanceof Tag.Open && depth-- == 0) {
                Node before = part.tags.get(i).in.paragraph().getPreviousSibling();
                while (before != null && !(before instanceof Element)) before = before.getPreviousSibling();
                return before == null || before instanceof Element block && Word.endsSection(block);
            }
        }
        return false;
    }

    private void rows(SectionPairs.Pair pair, Segment.Section section, Element from, Element to) {
        Element fromCell = Word.ancestor(from, "tc");
        Element toCell = Word.ancestor(to, "tc");
        Element fromRow = fromCell == null ? null : Word.ancestor(fromCell, "tr");
        Element toRow = toCell == null ? null : Word.ancestor(toCell, "tr");
        if (fromRow == null || toRow == null) {
            crossed(
                    pair,
                    fromRow == toRow
                            ? Message.of("wording.crosses.parts")
                            : Message.of("wording.crosses.one-in-table"));
        } else if (fromRow == toRow) {
            wrapRows(fromRow, fromRow, section);
            keepOne(from, fromCell);
            keepOne(to, toCell);
        } else if (fromRow.getParentNode() != toRow.getParentNode()) {
            crossed(pair, Message.of("wording.crosses.tables"));
        } else if (onlySections(fromRow) && onlySections(toRow)) {
            wrapRows(fromRow, toRow, section);
            emptied.add(fromRow);
            emptied.add(toRow);
        } else {
            crossed(pair, Message.of("wording.crosses.rows"));
        }
    }

    /** A cell's last paragraph stays, empty. */
    private void keepOne(Element paragraph, Element cell) {
        boolean other = Word.children(cell).stream()
                .anyMatch(child -> child != paragraph
                        && Word.isParagraph(child)
                        && !(emptied.contains(child) && !kept.contains(child)));
        if (!other) kept.add(paragraph);
    }

    /** The row when the paragraphs from one to the other are all that its only cell holds. */
    private Element onlyCellOf(Element from, Element to) {
        Node cell = from.getParentNode();
        if (!Word.local(cell).equals("tc") || !Word.local(cell.getParentNode()).equals("tr")) return null;
        Element row = (Element) cell.getParentNode();
        long cells = Word.children(row).stream()
                .filter(child -> !List.of("trPr", "tblPrEx").contains(Word.local(child)))
                .count();
        if (cells != 1) return null;
        List<Element> blocks = new ArrayList<>(Word.children(cell));
        blocks.removeIf(child -> Word.local(child).equals("tcPr"));
        return blocks.get(0) == from && blocks.get(blocks.size() - 1) == to ? row : null;
    }

    private void wrapRows(Element from, Element to, Segment.Section section) {
        markers.wrap(from, to, section);
        tables.add((Element) from.getParentNode());
    }

    private boolean onlySections(Element row) {
        boolean any = false;
        for (Element paragraph : Word.paragraphs(row)) {
            if (emptied.contains(paragraph)) any = true;
            else if (!new Substance(paragraph, List.of()).all().equals(Substance.Kind.NOTHING)) return false;
        }
        return any;
    }

    /** Marks of a paragraph's tags in their order; ends of ranges in a paragraph that goes are moved out between them. */
    private void putMarks(ParagraphText text) {
        Element paragraph = text.paragraph();
        Node parent = paragraph.getParentNode();
        boolean goes = emptied.contains(paragraph) && !kept.contains(paragraph);
        Node next = paragraph.getNextSibling();
        for (Object one : substance.get(paragraph).rangesAndTags()) {
            if (one instanceof Node range) {
                if (goes) parent.insertBefore(range, paragraph);
                continue;
            }
            Occurrence tag = (Occurrence) one;
            Mark mark = marks.get(tag);
            if (mark == null) continue;
            Node node = tag.tag instanceof Tag.Open
                    ? SectionMarkers.begin(part.document, mark.frame())
                    : SectionMarkers.end(part.document, mark.frame());
            parent.insertBefore(node, mark.after() ? next : paragraph);
        }
    }

    /** Remembers behind a framed paragraph that it kept tables apart, for when it isn't printed. */
    void gapAfter(Element paragraph) {
        gap(paragraph.getNextSibling().getNextSibling(), paragraph);
    }

    private void gap(Element paragraph) {
        gap(paragraph, paragraph);
    }

    /** Remembers before a place that a paragraph kept tables apart. */
    private void gap(Node place, Element paragraph) {
        Node parent = paragraph.getParentNode();
        if (Word.child((Element) parent, "tbl") == null) return;
        String prefix = PartCompiler.prefix(paragraph);
        parent.insertBefore(
                markers.place(part.document, new Segment.Gap(prefix, Continuation.empty(paragraph, prefix))), place);
    }

    private static String nameOf(Occurrence tag) {
        return tag.tag instanceof Tag.Open open ? open.name() : ((Tag.Close) tag.tag).name();
    }

    private void crossed(SectionPairs.Pair pair, Message cause) {
        String name = nameOf(pair.open());
        diagnostics.add(part.diagnostic(
                pair.open(),
                "section-crosses",
                Message.of("wording.crosses", "name", name, "cause", cause),
                Message.of("wording.crosses.cure", "name", name)));
    }
}
