package org.jalousie.core.wording.compile;

import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.Deque;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import org.jalousie.core.data.FieldType;
import org.jalousie.core.messages.Message;
import org.jalousie.core.parties.PartyKey;
import org.jalousie.core.wording.Diagnostic;
import org.jalousie.core.wording.docx.PackageParts;
import org.jalousie.core.wording.docx.SafeXml;
import org.jalousie.core.wording.docx.Word;
import org.jalousie.core.wording.tags.Part;
import org.jalousie.core.wording.tags.Settling;
import org.jalousie.core.wording.tags.Tag;
import org.jalousie.core.wording.tags.TagReader;
import org.jalousie.core.wording.tags.TagText;
import org.w3c.dom.Attr;
import org.w3c.dom.Document;
import org.w3c.dom.Element;
import org.w3c.dom.Node;
import org.w3c.dom.Text;

/**
 * Tags where only characters may stand: attributes (descriptions, tooltips, captions of tables, variables), the words of
 * charts and diagrams, codes of fields, file properties, addresses of links.
 */
final class PlainTags {
    private static final Set<String> NOT_FILLED = Set.of("[Content_Types].xml");

    private final PackageParts pack;
    private final TagTree tree;
    private final Set<PartyKey> parties;
    private final Passages passages;
    private final Set<Element> addresses = new LinkedHashSet<>();
    private int taken;

    PlainTags(PackageParts pack, TagTree tree, Set<PartyKey> parties, Passages passages) {
        this.pack = pack;
        this.tree = tree;
        this.parties = parties;
        this.passages = passages;
    }

    /**
     * The tags that are left in a part with layout, after those in its paragraphs.
     *
     * @return how many letters among its words they were
     */
    int inPart(Part part, SectionMarkers markers, List<Diagnostic> diagnostics) {
        taken = 0;
        inElement(part.document.getDocumentElement(), part.name, part.title(), markers, diagnostics);
        return taken;
    }

    /** Takes out the relationships whose addresses are made anew with each printing. */
    void forgetAddresses() {
        addresses.forEach(Word::remove);
    }

    /** The other parts of the package that hold tags. */
    void inOthers(List<String> textParts, Map<String, List<Segment>> compiled, List<Diagnostic> diagnostics) {
        for (String name : pack.names()) {
            if (textParts.contains(name) || NOT_FILLED.contains(name) || name.startsWith("word/glossary/")) continue;
            if (!pack.isXml(name) || !TagText.mayHold(pack.text(name))) continue;
            Document document = pack.document(name);
            String title = title(name);
            Settling.settle(document, title, diagnostics);
            joinDrawingRuns(document);
            SectionMarkers markers = new SectionMarkers();
            inElement(document.getDocumentElement(), name, title, markers, diagnostics);
            if (!markers.isEmpty()) compiled.put(name, markers.read(SafeXml.write(document)));
        }
    }

    /** Tags over several runs of a chart's or diagram's text (ISO/IEC 29500-1 §21.1.2.2.6) are put into the first of them. */
    private static void joinDrawingRuns(Document document) {
        for (Element paragraph : Word.all(document, "p")) {
            if (Word.isOfWord(paragraph)) continue;
            List<Element> texts = new ArrayList<>();
            for (Element run : Word.children(paragraph)) {
                Element text = Word.child(run, "t");
                if (text != null) texts.add(text);
            }
            StringBuilder all = new StringBuilder();
            texts.forEach(text -> all.append(text.getTextContent()));
            for (TagReader.Found tag : new TagReader().read(all.toString())) joinOver(texts, tag.start(), tag.end());
        }
    }

    private static void joinOver(List<Element> texts, int start, int end) {
        int at = 0;
        Element first = null;
        for (Element text : texts) {
            String content = text.getTextContent();
            int from = at;
            at += content.length();
            if (at <= start || from >= end) continue;
            if (first == null) {
                if (at >= end) return;
                first = text;
                continue;
            }
            int taken = Math.min(end, at) - from;
            first.setTextContent(first.getTextContent() + content.substring(0, taken));
            text.setTextContent(content.substring(taken));
        }
    }

    static String title(String part) {
        if (part.startsWith("docProps/") || part.contains("core-properties") || part.endsWith(".psmdcp"))
            return "properties";
        if (part.contains("/charts/")) return "chart";
        if (part.contains("/diagrams/")) return "diagram";
        if (part.endsWith("settings.xml")) return "settings";
        return Part.title(part);
    }

    private void inElement(
            Element element, String part, String title, SectionMarkers markers, List<Diagnostic> diagnostics) {
        for (int i = 0; i < element.getAttributes().getLength(); i++) {
            Attr attribute = (Attr) element.getAttributes().item(i);
            String address = TagText.address(pack, part, attribute);
            if (!address.isEmpty()) {
                List<Segment> body = segments(address, true, title, diagnostics);
                if (body == null) continue;
                addresses.add(pack.relationship(part, attribute.getValue()));
                attribute.setValue(markers.slot(new Segment.Link(body)));
            } else if (attribute.getValue().contains("{{")) {
                String filled = filled(attribute.getValue(), false, false, title, markers, diagnostics);
                attribute.setValue(filled);
            }
        }
        String local = Word.local(element);
        for (Node child = element.getFirstChild(); child != null; child = child.getNextSibling()) {
            if (child instanceof Element inner) {
                inElement(inner, part, title, markers, diagnostics);
            } else if (child instanceof Text text && text.getData().contains("{{") && !TagText.isInParagraph(element)) {
                boolean address = local.equals("instrText") && text.getData().contains("HYPERLINK");
                text.setData(filled(text.getData(), address, local.equals("t"), title, markers, diagnostics));
            }
        }
    }

    /** Whether these are words of a paragraph, whose tags have been read with the delimiters that hold there. */
    /** The text with marks in the place of its tags. */
    private String filled(
            String text,
            boolean address,
            boolean words,
            String title,
            SectionMarkers markers,
            List<Diagnostic> diagnostics) {
        StringBuilder out = new StringBuilder();
        Deque<Integer> open = new ArrayDeque<>();
        Deque<String> names = new ArrayDeque<>();
        int at = 0;
        for (TagReader.Found found : new TagReader().read(text)) {
            out.append(text, at, found.start());
            at = found.end();
            if (words) taken += Losses.letters(text.substring(found.start(), found.end()));
            if (found.tag() instanceof Tag.Open section) {
                open.push(markers.frame(passages.plain(section, title, text)));
                names.push(section.name());
                out.append(SectionMarkers.opens(open.peek()));
            } else if (found.tag() instanceof Tag.Close close) {
                if (names.isEmpty() || !names.pop().equals(close.name())) return refused(text, title, diagnostics);
                out.append(SectionMarkers.closes(open.pop()));
            } else {
                Segment value = value(found, address, words, title, text, diagnostics);
                if (value != null) out.append(markers.slot(value));
            }
        }
        if (!open.isEmpty()) return refused(text, title, diagnostics);
        return out.append(text, at, text.length()).toString();
    }

    /** An address as segments; null when its sections don't pair. */
    private List<Segment> segments(String text, boolean address, String title, List<Diagnostic> diagnostics) {
        SectionMarkers markers = new SectionMarkers();
        int before = diagnostics.size();
        boolean whole = new TagReader().read(text).size() == 1
                && new TagReader().read(text).get(0).start() == 0
                && new TagReader().read(text).get(0).end() == text.length();
        String filled = filled(text, address && !whole, false, title, markers, diagnostics);
        return diagnostics.size() > before ? null : markers.read(filled);
    }

    private Segment value(
            TagReader.Found found,
            boolean address,
            boolean words,
            String title,
            String text,
            List<Diagnostic> diagnostics) {
        if (found.tag() instanceof Tag.Value value)
            return new Segment.PlainSlot(value.name(), value.print(), address, words);
        if (found.tag() instanceof Tag.Silent) return null;
        if (found.tag() instanceof Tag.Dotted dotted
                && !parties.contains(dotted.party())
                && FieldType.isPrint(dotted.second()))
            return new Segment.PlainSlot(dotted.first(), dotted.second(), address, words);
        refused(text, title, diagnostics);
        return null;
    }

    private static String refused(String text, String title, List<Diagnostic> diagnostics) {
        diagnostics.add(new Diagnostic(
                title.equals("properties") ? "tag-in-property" : "tag-in-plain-text",
                title,
                Part.place(text, 0, Math.min(text.length(), 80)),
                Message.of("wording.characters-only"),
                Message.of("wording.characters-only.cure")));
        return text;
    }

    /** Notes what the plain text asks for. */
    void find(List<String> textParts) {
        for (String name : pack.names()) {
            if (textParts.contains(name) || NOT_FILLED.contains(name) || name.startsWith("word/glossary/")) continue;
            if (!pack.isXml(name) || !TagText.mayHold(pack.text(name))) continue;
            Document document = pack.document(name);
            joinDrawingRuns(document);
            find(document.getDocumentElement());
        }
    }

    private void find(Element element) {
        for (int i = 0; i < element.getAttributes().getLength(); i++)
            tree.addPlain(element.getAttributes().item(i).getNodeValue());
        for (Node child = element.getFirstChild(); child != null; child = child.getNextSibling()) {
            if (child instanceof Element inner) find(inner);
            else if (child instanceof Text text) tree.addPlain(text.getData());
        }
    }
}
