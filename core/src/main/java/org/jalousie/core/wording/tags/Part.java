package org.jalousie.core.wording.tags;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.IdentityHashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.jalousie.core.messages.Message;
import org.jalousie.core.wording.Diagnostic;
import org.jalousie.core.wording.docx.PackageParts;
import org.jalousie.core.wording.docx.ParagraphText;
import org.jalousie.core.wording.docx.Word;
import org.w3c.dom.Attr;
import org.w3c.dom.Document;
import org.w3c.dom.Element;
import org.w3c.dom.Node;
import org.w3c.dom.ProcessingInstruction;
import org.w3c.dom.Text;

/** One part of the file that holds words, with its tags found. */
public final class Part {
    /** On the nodes that a clause brought: which inclusion it was. */
    private static final String ORIGIN = "jalousie-clause";

    private static final String CLAUSE_BEGINS = "jalousie-clause-begins";
    private static final String CLAUSE_ENDS = "jalousie-clause-ends";

    public final String name;
    public final Document document;

    /** The paragraphs with tags. */
    public final Map<Element, ParagraphText> paragraphs = new LinkedHashMap<>();

    /** In the order of reading: what a text box holds stands where its box stands. */
    public final List<Occurrence> tags = new ArrayList<>();

    /** The tags, with the marks of notes between them. */
    public final List<Object> reading = new ArrayList<>();

    private final Map<ParagraphText, List<Occurrence>> byParagraph = new IdentityHashMap<>();
    private final Map<Origin, TagReader> readers = new HashMap<>();
    private final List<Element> order = new ArrayList<>();
    private final Map<Element, Integer> places = new IdentityHashMap<>();
    private final String title;
    private final PackageParts pack;

    /** A clause at one place; each place has its own. */
    public record Origin(String clause, int number) {}

    /** Characters with tags that stand in no paragraph: a description, an address. */
    public record Plain(String text) {}

    /** A picture that is to be replaced by that of a field. */
    public record Placeholder(String name) {}

    public Part(String name, Document document, PackageParts pack) {
        this.name = name;
        this.document = document;
        this.pack = pack;
        this.title = titleOf(document, name);
        read(document.getDocumentElement());
    }

    private void read(Element element) {
        plain(element);
        if (Word.isParagraph(element)) {
            paragraph(element);
            return;
        }
        for (Node child = element.getFirstChild(); child != null; child = child.getNextSibling()) {
            if (child instanceof Element next) read(next);
        }
    }

    private void paragraph(Element paragraph) {
        ParagraphText text = new ParagraphText(paragraph);
        // Mustache specification, delimiters.yml "Partial Inheritence": a clause begins with the usual delimiters
        TagReader reader = readers.computeIfAbsent(origin(paragraph), origin -> new TagReader());
        List<TagReader.Found> found = reader.read(text.original());
        if (!found.isEmpty()) paragraphs.put(paragraph, text);
        int next = 0;
        for (ParagraphText.Anchor anchor : text.anchors()) {
            for (; next < found.size() && found.get(next).start() < anchor.offset(); next++) add(text, found.get(next));
            Element element = anchor.element();
            if (Word.local(element).endsWith("Reference")) reading.add(element);
            else if (ParagraphText.holdsOthers(element)) read(element);
            else plain(element);
        }
        for (; next < found.size(); next++) add(text, found.get(next));
    }

    /** What an element itself has of tags, besides those of paragraphs. */
    private void plain(Element element) {
        String placeholder = PlaceholderPicture.name(element);
        if (!placeholder.isEmpty()) {
            reading.add(new Placeholder(placeholder));
            return;
        }
        for (int i = 0; i < element.getAttributes().getLength(); i++) {
            Attr attribute = (Attr) element.getAttributes().item(i);
            if (attribute.getValue().contains("{{")) reading.add(new Plain(attribute.getValue()));
            String address = pack == null ? "" : TagText.address(pack, name, attribute);
            if (!address.isEmpty()) reading.add(new Plain(address));
        }
        for (Node child = element.getFirstChild(); child != null; child = child.getNextSibling()) {
            if (child instanceof Text text && text.getData().contains("{{")) reading.add(new Plain(text.getData()));
        }
    }

    private void add(ParagraphText text, TagReader.Found one) {
        Occurrence tag = new Occurrence(text, one, tags.size());
        tags.add(tag);
        reading.add(tag);
        byParagraph.computeIfAbsent(text, key -> new ArrayList<>()).add(tag);
    }

    public static void setOrigin(Node node, Origin origin) {
        node.setUserData(ORIGIN, origin, null);
    }

    /** Where a clause within a line begins or ends: its runs are cut, so that no node of it stays for sure. */
    public static Node edge(Node beside, Origin origin, boolean begins) {
        return beside.getOwnerDocument()
                .createProcessingInstruction(begins ? CLAUSE_BEGINS : CLAUSE_ENDS, String.valueOf(origin.number()));
    }

    /** The edges of clauses within lines below a node, in the order of reading. */
    public static List<ProcessingInstruction> edges(Node below) {
        List<ProcessingInstruction> edges = new ArrayList<>();
        edges(below, edges);
        return edges;
    }

    private static void edges(Node below, List<ProcessingInstruction> into) {
        for (Node child = below.getFirstChild(); child != null; child = child.getNextSibling()) {
            if (child instanceof ProcessingInstruction edge
                    && (edge.getTarget().equals(CLAUSE_BEGINS)
                            || edge.getTarget().equals(CLAUSE_ENDS))) into.add(edge);
            else edges(child, into);
        }
    }

    /** Whether an edge is where its clause begins. */
    public static boolean begins(ProcessingInstruction edge) {
        return edge.getTarget().equals(CLAUSE_BEGINS);
    }

    /** Which clause a node is a block of. */
    public static Optional<Origin> ownOrigin(Node node) {
        return Optional.ofNullable((Origin) node.getUserData(ORIGIN));
    }

    /** Which clause a node came from, or null. */
    public static Origin origin(Node node) {
        for (Node up = node; up != null; up = up.getParentNode()) {
            if (up.getUserData(ORIGIN) instanceof Origin origin) return origin;
        }
        return null;
    }

    public List<Occurrence> tagsOf(ParagraphText text) {
        return byParagraph.getOrDefault(text, List.of());
    }

    /** What a person calls this part. */
    public String title() {
        return title;
    }

    /** By what the part holds, whatever its name is. */
    public static String titleOf(Document document, String name) {
        return switch (Word.local(document.getDocumentElement())) {
            case "hdr" -> "header";
            case "ftr" -> "footer";
            case "footnotes", "endnotes" -> "notes";
            default -> title(name);
        };
    }

    public static String title(String part) {
        if (part.contains("header")) return "header";
        if (part.contains("footer")) return "footer";
        return part.contains("notes") ? "notes" : "body";
    }

    public Diagnostic diagnostic(Occurrence at, String code, Message message, Message cure) {
        return new Diagnostic(code, titleAt(at.in.paragraph()), place(at), message, cure);
    }

    /** What a person calls the place of a node: the part, or the clause that brought it. */
    public String titleAt(Node node) {
        Origin origin = origin(node);
        return origin == null ? title() : "clause " + origin.clause();
    }

    /** The words around a tag. */
    public String place(Occurrence at) {
        return place(at.in.original(), at.found.start(), at.found.end());
    }

    public static String place(String text, int start, int end) {
        int from = Math.max(0, start - 40);
        int to = Math.min(text.length(), end + 40);
        String words =
                (from > 0 ? "\u2026" : "") + text.substring(from, to).strip() + (to < text.length() ? "\u2026" : "");
        return words.replace(TagReader.OWN_OPEN, '\u2039').replace(TagReader.OWN_CLOSE, '\u203a');
    }

    /** The first fixed words after a tag, in its paragraph or in those that follow; empty when another tag comes first. */
    public String wordsAfter(Occurrence tag) {
        String text = tag.in.original();
        int next = text.length();
        if (tag.index + 1 < tags.size() && tags.get(tag.index + 1).in == tag.in)
            next = tags.get(tag.index + 1).found.start();
        String words = text.substring(tag.found.end(), next).strip();
        if (!words.isEmpty() || next < text.length()) return shortened(words);
        List<Element> all = inOrder();
        for (int i = places.getOrDefault(tag.in.paragraph(), all.size()) + 1; i < all.size(); i++) {
            ParagraphText tagged = paragraphs.get(all.get(i));
            if (tagged != null) {
                return shortened(tagged.original()
                        .substring(0, tagsOf(tagged).get(0).found.start())
                        .strip());
            }
            String plain = new ParagraphText(all.get(i)).original().strip();
            if (!plain.isEmpty()) return shortened(plain);
        }
        return "";
    }

    private List<Element> inOrder() {
        if (order.isEmpty()) {
            order.addAll(Word.paragraphs(document));
            for (int i = 0; i < order.size(); i++) places.put(order.get(i), i);
        }
        return order;
    }

    /** The words of the paragraph in which a node stands. */
    public static String around(Node node) {
        Element paragraph = node instanceof Element self && Word.isParagraph(self) ? self : Word.ancestor(node, "p");
        if (paragraph == null) return "";
        String words = new ParagraphText(paragraph).original();
        return place(words, 0, Math.min(words.length(), 50));
    }

    /** At most forty characters, whole words. */
    public static String shortened(String words) {
        if (words.length() <= 40) return words;
        int space = words.lastIndexOf(' ', 40);
        return words.substring(0, space > 0 ? space : 40);
    }
}
