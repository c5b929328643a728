package org.jalousie.core.wording;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import org.jalousie.core.placement.SigningField;
import org.w3c.dom.Element;
import org.w3c.dom.Node;

/** Turns one part with its tags into a tree of segments. */
final class PartCompiler {
    /** What can't be left without a paragraph. */
    private static final Set<String> MUST_HOLD = Set.of("tc", "txbxContent", "hdr", "ftr", "footnote", "endnote");

    private final Part part;
    private final Markers markers = new Markers();
    private final List<Diagnostic> diagnostics;
    private final Map<Occurrence, Integer> boxNumbers;
    private final Boxes boxes;
    private final List<Passage> passages;
    private final Map<Element, Boolean> standalone = new HashMap<>();
    private final Set<Element> rowTables = new LinkedHashSet<>();

    PartCompiler(
            Part part,
            List<Diagnostic> diagnostics,
            Map<Occurrence, Integer> boxNumbers,
            Boxes boxes,
            List<Passage> passages) {
        this.part = part;
        this.diagnostics = diagnostics;
        this.boxNumbers = boxNumbers;
        this.boxes = boxes;
        this.passages = passages;
    }

    List<Segment> compile(Map<Integer, SigningField> fields) {
        List<SectionPairs.Pair> pairs = SectionPairs.match(part, diagnostics);
        if (!diagnostics.isEmpty()) return List.of();
        part.paragraphs.forEach((element, text) -> standalone.put(element, holdsOnlySections(text)));
        List<WholeLine> lines = new ArrayList<>();
        for (ParagraphText text : part.paragraphs.values()) lines.addAll(cut(text, fields));
        Set<Element> emptied = new LinkedHashSet<>();
        Map<Occurrence, Integer> byParagraph = new HashMap<>();
        for (SectionPairs.Pair pair : pairs) frame(pair, emptied, byParagraph);
        placeParagraphMarks(byParagraph);
        lines.forEach(line -> markers.wrap(line.paragraph, line.paragraph, new Segment.Line(line.names, List.of())));
        PictureTags.frame(part, markers);
        holders();
        part.tags.stream()
                .filter(tag -> tag.isSection() || tag.isSilent())
                .forEach(tag -> tag.run.getParentNode().removeChild(tag.run));
        part.paragraphs.keySet().stream().filter(standalone::get).forEach(emptied::add);
        emptied.forEach(PartCompiler::removeOrEmpty);
        if (!diagnostics.isEmpty()) return List.of();
        return markers.read(SafeXml.write(part.document));
    }

    private record WholeLine(Element paragraph, List<String> names) {}

    private boolean holdsOnlySections(ParagraphText text) {
        StringBuilder rest = new StringBuilder(text.original());
        List<Occurrence> tags = part.tagsOf(text);
        for (int i = tags.size() - 1; i >= 0; i--) {
            if (!tags.get(i).isSection() && !tags.get(i).isSilent()) return false;
            rest.delete(tags.get(i).found.start(), tags.get(i).found.end());
        }
        return rest.toString().isBlank() && !holdsDrawing(text.paragraph()) && !endsSection(text.paragraph());
    }

    /** Isolates every tag of a paragraph, from right to left so that the places to the left stay true. */
    private List<WholeLine> cut(ParagraphText text, Map<Integer, SigningField> fields) {
        List<Occurrence> tags = part.tagsOf(text);
        String whole = text.original();
        List<Occurrence> values =
                tags.stream().filter(tag -> tag.tag instanceof Tag.Value).toList();
        List<ServingWords.Stretch> stretches = ServingWords.find(whole, values);
        List<Object> work = new ArrayList<>(tags);
        work.addAll(stretches);
        work.sort(Comparator.comparingInt(PartCompiler::startOf).reversed());
        for (Object item : work) {
            if (item instanceof Occurrence tag) {
                tag.run = text.isolate(tag.found.start(), tag.found.end());
                fill(tag, fields);
            } else if (item instanceof ServingWords.Stretch stretch) {
                List<Element> runs = text.cut(stretch.start(), stretch.end());
                Node first = runs.get(0);
                Node last = runs.get(runs.size() - 1);
                if (first.getParentNode() == last.getParentNode()) {
                    markers.wrap(first, last, new Segment.Serving(stretch.groups(), List.of()));
                }
            }
        }
        boolean onlyValues = !values.isEmpty()
                && values.size() == tags.size()
                && rest(whole, tags).matches("[\\s,;]*")
                && removable(text.paragraph())
                && !holdsDrawing(text.paragraph());
        return onlyValues
                ? List.of(new WholeLine(
                        text.paragraph(),
                        values.stream().map(ServingWords::name).toList()))
                : List.of();
    }

    private static int startOf(Object item) {
        return item instanceof Occurrence tag ? tag.found.start() : ((ServingWords.Stretch) item).start();
    }

    private static String rest(String whole, List<Occurrence> tags) {
        StringBuilder rest = new StringBuilder(whole);
        for (int i = tags.size() - 1; i >= 0; i--)
            rest.delete(tags.get(i).found.start(), tags.get(i).found.end());
        return rest.toString();
    }

    private void fill(Occurrence tag, Map<Integer, SigningField> fields) {
        if (tag.tag instanceof Tag.Value value) {
            markers.wrap(tag.run, tag.run, new Segment.Slot(value.name(), value.print(), prefix(tag.run), "", ""));
        } else if (tag.tag instanceof Tag.Dotted) {
            int number = boxNumbers.get(tag);
            boxes.put(part.name, tag.run, number, fields.get(number).kind());
        }
    }

    private void frame(SectionPairs.Pair pair, Set<Element> emptied, Map<Occurrence, Integer> byParagraph) {
        Tag.Open open = (Tag.Open) pair.open().tag;
        passages.add(new Passage(
                passages.size(),
                open.name(),
                open.inverted(),
                part.title(),
                part.place(pair.open()),
                part.wordsAfter(pair.open())));
        Segment.Section section = new Segment.Section(passages.size() - 1, open.name(), open.inverted(), List.of());
        Element from = pair.open().in.paragraph();
        Element to = pair.close().in.paragraph();
        Element fromRow = Word.ancestor(from, "tr");
        Element toRow = Word.ancestor(to, "tr");
        if (from == to) {
            frameWithinParagraph(pair, section, from);
        } else if (standalone.get(from) && standalone.get(to) && from.getParentNode() == to.getParentNode()) {
            int number = markers.frame(section);
            byParagraph.put(pair.open(), number);
            byParagraph.put(pair.close(), number);
        } else if (fromRow != null && fromRow == toRow) {
            wrapRows(fromRow, fromRow, section);
            standalone.put(from, false);
            standalone.put(to, false);
        } else if (fromRow != null
                && toRow != null
                && fromRow.getParentNode() == toRow.getParentNode()
                && onlySections(fromRow)
                && onlySections(toRow)) {
            wrapRows(fromRow, toRow, section);
            emptied.add(fromRow);
            emptied.add(toRow);
        } else {
            crossed(pair);
        }
    }

    private void frameWithinParagraph(SectionPairs.Pair pair, Segment.Section section, Element paragraph) {
        String text = pair.open().in.original();
        boolean whole = text.substring(0, pair.open().found.start()).isBlank()
                && text.substring(pair.close().found.end()).isBlank();
        Element row = Word.ancestor(paragraph, "tr");
        if (whole && removable(paragraph)) {
            markers.wrap(paragraph, paragraph, section);
        } else if (whole && row != null && isOnlyCell(paragraph, row)) {
            wrapRows(row, row, section);
        } else if (pair.open().run.getParentNode() == pair.close().run.getParentNode()) {
            markers.wrap(pair.open().run, pair.close().run, section);
        } else {
            crossed(pair);
        }
    }

    /** A row of one cell that holds nothing but the section is a row of a list. */
    private static boolean isOnlyCell(Element paragraph, Element row) {
        return paragraph.getParentNode().getParentNode() == row
                && Word.children(row).stream()
                                .filter(cell -> Word.local(cell).equals("tc"))
                                .count()
                        == 1;
    }

    private void wrapRows(Element from, Element to, Segment.Section section) {
        markers.wrap(from, to, section);
        rowTables.add((Element) from.getParentNode());
    }

    /** Frames what must not be left empty, round everything else: cells and the like that hold sections, tables of rows. */
    private void holders() {
        for (Element table : rowTables) {
            if (Word.local(table).equals("tbl"))
                markers.wrap(table, table, new Segment.Table(prefix(table), List.of()));
        }
        Set<Element> cells = new LinkedHashSet<>();
        for (Occurrence tag : part.tags) {
            if (!tag.isSection() && !(tag.tag instanceof Tag.Value)) continue;
            for (Node up = tag.in.paragraph().getParentNode(); up instanceof Element holder; up = up.getParentNode()) {
                if (MUST_HOLD.contains(Word.local(holder))) cells.add(holder);
            }
        }
        for (Element cell : cells) {
            Node first = cell.getFirstChild();
            while (first != null && Word.local(first).equals("tcPr")) first = first.getNextSibling();
            if (first != null) markers.wrap(first, cell.getLastChild(), new Segment.Cell(prefix(cell), List.of()));
        }
    }

    private static String prefix(Element element) {
        return element.getPrefix() == null ? "" : element.getPrefix() + ":";
    }

    private void crossed(SectionPairs.Pair pair) {
        String name = ((Tag.Open) pair.open().tag).name();
        diagnostics.add(part.diagnostic(
                pair.open(),
                "section-crosses",
                "The section " + name
                        + " begins and ends in different places of the layout (a cell, a paragraph, a link).",
                "Put {{#" + name + "}} and {{/" + name
                        + "}} each in a paragraph of its own, or both in the same paragraph."));
    }

    private boolean onlySections(Element row) {
        boolean any = false;
        for (Map.Entry<Element, ParagraphText> entry : part.paragraphs.entrySet()) {
            if (Word.ancestor(entry.getKey(), "tr") != row) continue;
            if (!standalone.get(entry.getKey())) return false;
            any = true;
        }
        return any && row.getTextContent().isBlank();
    }

    /** Marks of standalone paragraphs go before them in the order of their tags. */
    private void placeParagraphMarks(Map<Occurrence, Integer> byParagraph) {
        for (Occurrence tag : part.tags) {
            Integer number = byParagraph.get(tag);
            if (number == null) continue;
            Element paragraph = tag.in.paragraph();
            paragraph
                    .getParentNode()
                    .insertBefore(
                            tag.tag instanceof Tag.Open
                                    ? Markers.begin(part.document, number)
                                    : Markers.end(part.document, number),
                            paragraph);
        }
    }

    private static boolean removable(Element paragraph) {
        return !endsSection(paragraph);
    }

    private static boolean holdsDrawing(Element paragraph) {
        return Word.first(paragraph, "drawing") != null || Word.first(paragraph, "pict") != null;
    }

    private static boolean endsSection(Element paragraph) {
        Element properties = Word.child(paragraph, "pPr");
        return properties != null && Word.child(properties, "sectPr") != null;
    }

    private static void removeOrEmpty(Element element) {
        boolean row = Word.local(element).equals("tr");
        if (row || removable(element)) {
            if (element.getParentNode() != null) element.getParentNode().removeChild(element);
        }
    }
}
