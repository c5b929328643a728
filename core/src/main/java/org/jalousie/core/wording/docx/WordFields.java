package org.jalousie.core.wording.docx;

import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.Deque;
import java.util.List;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.w3c.dom.Document;
import org.w3c.dom.Element;
import org.w3c.dom.Node;

/**
 * The word processor's own complex fields of one part (ISO/IEC 29500-1 §17.16.18): from a mark that begins over the code and,
 * behind a separating mark, the result, to a mark that ends. They nest, and may lie over runs and paragraphs.
 */
public final class WordFields {
    private static final Pattern WORDS = Pattern.compile("[^\\s\"]+");

    private WordFields() {}

    /** One field; its leaves are the contents of runs from its first mark to its last. */
    public static final class WordField {
        public final List<Element> leaves = new ArrayList<>();
        public final List<Object> code = new ArrayList<>();
        public final List<WordField> inside = new ArrayList<>();
        public Element separate;
        private Element look;

        /** The code, without that of fields within it. */
        public String instruction() {
            StringBuilder text = new StringBuilder();
            for (Object one : code) if (one instanceof Element leaf) text.append(leaf.getTextContent());
            return text.toString();
        }

        public String type() {
            return WordFields.type(instruction());
        }

        /** The run whose look the result has. */
        public Element look() {
            return look == null ? (Element) leaves.get(0).getParentNode() : look;
        }

        /** The words that the field shows as the file was saved. */
        public String shown() {
            if (separate == null) return "";
            StringBuilder text = new StringBuilder();
            for (Element leaf : leaves.subList(leaves.indexOf(separate) + 1, leaves.size())) {
                if (Word.local(leaf).equals("t")) text.append(leaf.getTextContent());
            }
            return text.toString();
        }

        public boolean inOneParagraph() {
            Element first = Word.ancestor(leaves.get(0), "p");
            return leaves.stream().allMatch(leaf -> Word.ancestor(leaf, "p") == first);
        }
    }

    /** The outermost fields, in order. */
    public static List<WordField> of(Document document) {
        List<WordField> all = new ArrayList<>();
        story(document.getDocumentElement(), all);
        return all;
    }

    private static void story(Element root, List<WordField> all) {
        List<Element> leaves = new ArrayList<>();
        List<Element> boxes = new ArrayList<>();
        for (Node child = root.getFirstChild(); child != null; child = child.getNextSibling()) {
            if (child instanceof Element element) collect(element, leaves, boxes);
        }
        Deque<WordField> open = new ArrayDeque<>();
        List<WordField> found = new ArrayList<>();
        for (Element leaf : leaves) leaf(leaf, open, found);
        all.addAll(found);
        boxes.forEach(box -> story(box, all));
    }

    private static void leaf(Element leaf, Deque<WordField> open, List<WordField> found) {
        String type = Word.local(leaf).equals("fldChar") ? Word.attribute(leaf, "fldCharType") : "";
        if (type.equals("begin")) {
            WordField field = new WordField();
            if (!open.isEmpty() && open.peek().separate == null)
                open.peek().code.add(field);
            open.push(field);
        }
        open.forEach(field -> field.leaves.add(leaf));
        if (open.isEmpty()) return;
        WordField field = open.peek();
        if (type.equals("separate")) {
            field.separate = leaf;
        } else if (type.equals("end")) {
            open.pop();
            if (open.isEmpty()) found.add(field);
            else open.peek().inside.add(field);
        } else if (field.separate == null && Word.local(leaf).equals("instrText")) {
            field.code.add(leaf);
        } else if (field.separate != null && field.look == null && type.isEmpty()) {
            field.look = (Element) leaf.getParentNode();
        }
    }

    private static void collect(Element element, List<Element> leaves, List<Element> boxes) {
        String name = Word.local(element);
        if (name.equals("txbxContent") || name.equals("footnote") || name.equals("endnote")) {
            boxes.add(element);
            return;
        }
        boolean run = name.equals("r") && Word.isOfWord(element);
        for (Node child = element.getFirstChild(); child != null; child = child.getNextSibling()) {
            if (!(child instanceof Element inner) || Word.local(inner).equals("rPr")) continue;
            if (run) leaves.add(inner);
            if (!run || !List.of("t", "instrText", "fldChar").contains(Word.local(inner)))
                collect(inner, leaves, boxes);
        }
    }

    /** Puts runs in the place of some leaves; paragraphs that the leaves lay over become one. False when they can't. */
    public static boolean replace(List<Element> leaves, List<Element> runs) {
        Element first = leaves.get(0);
        Element from = Word.ancestor(first, "p");
        Element to = Word.ancestor(leaves.get(leaves.size() - 1), "p");
        if (from != to && from.getParentNode() != to.getParentNode()) return false;
        Element run = ParagraphText.splitBefore(first);
        runs.forEach(one -> run.getParentNode().insertBefore(one, run));
        Node last = leaves.get(leaves.size() - 1).getParentNode();
        List<Node> rest = new ArrayList<>();
        if (from != to) {
            ParagraphText.splitAfter(leaves.get(leaves.size() - 1));
            for (Node next = topIn(to, last).getNextSibling(); next != null; next = next.getNextSibling())
                rest.add(next);
        }
        for (Element leaf : leaves) {
            Element parent = (Element) leaf.getParentNode();
            Word.remove(leaf);
            if (!Word.hasContent(parent)) Word.remove(parent);
        }
        if (from == to) return true;
        rest.forEach(from::appendChild);
        for (Node next = from.getNextSibling(); next != null; ) {
            Node following = next.getNextSibling();
            Word.remove(next);
            if (next == to) break;
            next = following;
        }
        return true;
    }

    private static Node topIn(Element paragraph, Node node) {
        Node top = node;
        while (top.getParentNode() != paragraph) top = top.getParentNode();
        return top;
    }

    /** The first word of a field's instruction, which says of what type it is. */
    public static String type(String instruction) {
        Matcher word = WORDS.matcher(instruction);
        return word.find() ? word.group().toUpperCase(java.util.Locale.ROOT) : "";
    }
}
