package org.jalousie.core.wording.compile;

import java.util.ArrayList;
import java.util.Collection;
import java.util.IdentityHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import org.jalousie.core.placement.SigningField;
import org.jalousie.core.wording.Diagnostic;
import org.jalousie.core.wording.docx.ParagraphText;
import org.jalousie.core.wording.docx.SafeXml;
import org.jalousie.core.wording.docx.Word;
import org.jalousie.core.wording.tags.Occurrence;
import org.jalousie.core.wording.tags.Part;
import org.jalousie.core.wording.tags.SectionPairs;
import org.jalousie.core.wording.tags.Substance;
import org.jalousie.core.wording.tags.Tag;
import org.w3c.dom.Element;
import org.w3c.dom.Node;
import org.w3c.dom.ProcessingInstruction;

/** Turns one part with its tags into a tree of segments. */
final class PartCompiler {
    /** What can't be left without a paragraph. */
    private static final Set<String> MUST_HOLD = Set.of("tc", "txbxContent", "hdr", "ftr", "footnote", "endnote");

    private final Part part;
    private final SectionMarkers markers = new SectionMarkers();
    private final List<Diagnostic> diagnostics;
    private final Map<Occurrence, Integer> boxNumbers;
    private final Boxes boxes;
    private final Passages passages;
    private final Notes notes;
    private final Map<Element, Substance> substance = new IdentityHashMap<>();

    PartCompiler(
            Part part,
            List<Diagnostic> diagnostics,
            Map<Occurrence, Integer> boxNumbers,
            Boxes boxes,
            Passages passages,
            Notes notes) {
        this.part = part;
        this.diagnostics = diagnostics;
        this.boxNumbers = boxNumbers;
        this.boxes = boxes;
        this.passages = passages;
        this.notes = notes;
    }

    List<Segment> compile(Map<Integer, SigningField> fields, PlainTags plain, Bookmarks bookmarks) {
        List<SectionPairs.Pair> pairs = SectionPairs.match(part, diagnostics);
        if (!diagnostics.isEmpty()) return List.of();
        Tally before = Losses.tally(part);
        for (ParagraphText text : part.paragraphs.values()) cut(text, fields);
        for (ParagraphText text : part.paragraphs.values())
            substance.put(text.paragraph(), new Substance(text.paragraph(), part.tagsOf(text)));
        SectionFrames frames = new SectionFrames(part, markers, diagnostics, passages, substance);
        frames.place(pairs);
        if (!diagnostics.isEmpty()) return List.of();
        clauses();
        lines(frames);
        PictureTags.frame(part, markers, diagnostics);
        holders(frames);
        part.tags.stream().filter(tag -> tag.isSection() || tag.isSilent()).forEach(tag -> Word.remove(tag.run));
        frames.takeOutEmptied();
        new Balance(part, markers, passages, diagnostics).settle();
        notes.frame(part, markers);
        bookmarks.makeUnique(part, markers);
        int taken = plain.inPart(part, markers, diagnostics);
        if (!diagnostics.isEmpty()) return List.of();
        List<Segment> segments = markers.read(SafeXml.write(part.document));
        Losses.report(part, before, taken, segments, diagnostics);
        return segments;
    }

    /** Isolates every tag of a paragraph, and the words that only serve its values. */
    private void cut(ParagraphText text, Map<Integer, SigningField> fields) {
        List<Occurrence> tags = part.tagsOf(text);
        List<Occurrence> values =
                tags.stream().filter(tag -> tag.tag instanceof Tag.Value).toList();
        List<ServingWords.Stretch> stretches = ServingWords.find(text.original(), values);
        Collection<Integer> places = new ArrayList<>();
        tags.forEach(tag -> places.addAll(List.of(tag.found.start(), tag.found.end())));
        stretches.forEach(stretch -> places.addAll(List.of(stretch.start(), stretch.end())));
        text.cutAt(places);
        for (ServingWords.Stretch stretch : stretches) {
            for (Element run : text.cut(stretch.start(), stretch.end()))
                markers.wrap(run, run, new Segment.Serving(stretch.groups(), List.of()));
        }
        for (Occurrence tag : tags) {
            tag.run = text.isolate(tag.found.start(), tag.found.end());
            fill(tag, fields);
        }
    }

    private void fill(Occurrence tag, Map<Integer, SigningField> fields) {
        if (tag.tag instanceof Tag.Value value) {
            markers.wrap(tag.run, tag.run, new Segment.Slot(value.name(), value.print(), prefix(tag.run), "", ""));
        } else if (tag.tag instanceof Tag.Dotted) {
            int number = boxNumbers.get(tag);
            boxes.put(part.name, tag.run, number, fields.get(number).type().size());
        }
    }

    /** Marks where clauses stand, inside whatever decides them and outside of what they hold. */
    private void clauses() {
        for (ProcessingInstruction edge : Part.edges(part.document)) {
            int place = Integer.parseInt(edge.getData()) - 1;
            edge.getParentNode()
                    .replaceChild(markers.place(part.document, new Segment.ClauseMark(place, Part.begins(edge))), edge);
        }
        for (Element block : Word.all(part.document.getDocumentElement(), "*")) {
            Part.ownOrigin(block).ifPresent(origin -> {
                Node parent = block.getParentNode();
                parent.insertBefore(
                        markers.place(part.document, new Segment.ClauseMark(origin.number() - 1, true)), block);
                parent.insertBefore(
                        markers.place(part.document, new Segment.ClauseMark(origin.number() - 1, false)),
                        block.getNextSibling());
            });
        }
    }

    /** Paragraphs of nothing but values go when all are empty; one value of several paragraphs may make more of them. */
    private void lines(SectionFrames frames) {
        for (ParagraphText text : part.paragraphs.values()) {
            Element paragraph = text.paragraph();
            List<Occurrence> tags = part.tagsOf(text);
            if (!tags.stream().allMatch(tag -> tag.tag instanceof Tag.Value)
                    || Word.endsSection(paragraph)
                    || !rest(text.original(), tags).matches("[\\s\u00a0,;]*")) continue;
            boolean stays = !substance.get(paragraph).onlyWords();
            if (stays && tags.size() > 1) continue;
            List<String> names = tags.stream().map(ServingWords::name).toList();
            String further = Continuation.of(paragraph, boxes.parts());
            markers.wrap(paragraph, paragraph, new Segment.Line(names, further, stays, List.of()));
            if (!stays) frames.gapAfter(paragraph);
        }
    }

    private static String rest(String whole, List<Occurrence> tags) {
        StringBuilder rest = new StringBuilder();
        int at = 0;
        for (Occurrence tag : tags) {
            rest.append(whole, at, tag.found.start());
            at = tag.found.end();
        }
        return rest.append(whole.substring(at)).toString();
    }

    /** Frames what must not be left empty, round everything else: cells and the like that hold sections, tables of rows. */
    private void holders(SectionFrames frames) {
        for (Element table : frames.tablesOfRows()) {
            if (Word.local(table).equals("tbl"))
                markers.wrap(table, table, new Segment.Table(prefix(table), List.of()));
        }
        Set<Element> cells = new LinkedHashSet<>();
        Set<Node> seen = new LinkedHashSet<>();
        for (Occurrence tag : part.tags) {
            if (!tag.isSection() && !(tag.tag instanceof Tag.Value)) continue;
            for (Node up = tag.in.paragraph().getParentNode();
                    up instanceof Element holder && seen.add(holder);
                    up = up.getParentNode()) {
                if (MUST_HOLD.contains(Word.local(holder))) cells.add(holder);
            }
        }
        for (Element cell : cells) {
            Node first = cell.getFirstChild();
            while (first != null && Word.local(first).equals("tcPr")) first = first.getNextSibling();
            if (first != null)
                markers.wrap(first, cell.getLastChild(), new Segment.Cell(prefix(cell), filler(cell), List.of()));
        }
    }

    /** An empty paragraph in the look of the cell's last one. */
    private static String filler(Element cell) {
        Element last = null;
        for (Element child : Word.children(cell)) if (Word.isParagraph(child)) last = child;
        return Continuation.empty(last, prefix(cell));
    }

    static String prefix(Element element) {
        return element.getPrefix() == null ? "" : element.getPrefix() + ":";
    }
}
