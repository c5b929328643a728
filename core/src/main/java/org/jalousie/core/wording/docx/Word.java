package org.jalousie.core.wording.docx;

import java.util.ArrayList;
import java.util.List;
import org.w3c.dom.Attr;
import org.w3c.dom.Document;
import org.w3c.dom.Element;
import org.w3c.dom.Node;

/** Small helpers over WordprocessingML elements (ISO/IEC 29500-1 §17), in either the transitional or the strict namespace. */
public final class Word {
    private Word() {}

    public static String local(Node node) {
        return node.getLocalName() == null ? node.getNodeName() : node.getLocalName();
    }

    public static Element child(Element parent, String name) {
        for (Node child = parent.getFirstChild(); child != null; child = child.getNextSibling()) {
            if (child instanceof Element element && local(element).equals(name)) return element;
        }
        return null;
    }

    /** All paragraphs below a node, text boxes' included, in document order. */
    public static List<Element> paragraphs(Document document) {
        return paragraphs(document.getDocumentElement());
    }

    /** All paragraphs from an element down, itself included. */
    public static List<Element> paragraphs(Element from) {
        List<Element> found = new ArrayList<>();
        collect(from, found);
        return found;
    }

    public static boolean isParagraph(Node node) {
        return local(node).equals("p") && isOfWord(node);
    }

    /** Whether a node is of WordprocessingML and not of a drawing, an equation or a program's own additions. */
    public static boolean isOfWord(Node node) {
        return node.getNamespaceURI() != null
                && node.getNamespaceURI().contains("wordprocessingml")
                && !node.getNamespaceURI().contains("microsoft");
    }

    private static void collect(Element element, List<Element> found) {
        if (isParagraph(element)) found.add(element);
        for (Node child = element.getFirstChild(); child != null; child = child.getNextSibling()) {
            if (child instanceof Element next) collect(next, found);
        }
    }

    public static boolean hasContent(Element run) {
        return firstContent(run) != null;
    }

    /** Whether a run holds anything but properties before the given child. */
    static boolean hasContentBefore(Element run, Node stop) {
        for (Node child = stop.getPreviousSibling(); child != null; child = child.getPreviousSibling()) {
            if (child instanceof Element element
                    && !local(element).equals("rPr")
                    && !local(element).equals("lastRenderedPageBreak")) {
                return true;
            }
        }
        return false;
    }

    /** A run's properties, which stand first in it (ISO/IEC 29500-1 §17.3.2.28), or null. */
    static Element properties(Element run) {
        for (Node child = run.getFirstChild(); child != null; child = child.getNextSibling()) {
            if (child instanceof Element first) return local(first).equals("rPr") ? first : null;
        }
        return null;
    }

    /** The first child of a run that is no property, or null. */
    static Node firstContent(Element run) {
        for (Node child = run.getFirstChild(); child != null; child = child.getNextSibling()) {
            if (child instanceof Element element
                    && !local(element).equals("rPr")
                    && !local(element).equals("lastRenderedPageBreak")) return child;
        }
        return null;
    }

    public static void setText(Element textElement, String text) {
        textElement.setTextContent(text);
        textElement.setAttributeNS("http://www.w3.org/XML/1998/namespace", "xml:space", "preserve");
    }

    public static Element element(Element like, String name) {
        String prefix = like.getPrefix() == null ? "" : like.getPrefix() + ":";
        return like.getOwnerDocument().createElementNS(like.getNamespaceURI(), prefix + name);
    }

    public static Element ancestor(Node node, String name) {
        for (Node up = node.getParentNode(); up != null; up = up.getParentNode()) {
            if (up instanceof Element element && local(element).equals(name)) return element;
        }
        return null;
    }

    /** All elements of a local name, or with {@code *} all, below a node, in document order; the list stands while the tree changes. */
    public static List<Element> all(Node below, String name) {
        List<Element> found = new ArrayList<>();
        collect(below, name, found);
        return found;
    }

    private static void collect(Node node, String name, List<Element> found) {
        for (Node child = node.getFirstChild(); child != null; child = child.getNextSibling()) {
            if (!(child instanceof Element element)) continue;
            if (name.equals("*") || local(element).equals(name)) found.add(element);
            collect(element, name, found);
        }
    }

    /** The first element of a local name below a node, or null. */
    public static Element first(Node below, String name) {
        for (Node child = below.getFirstChild(); child != null; child = child.getNextSibling()) {
            if (!(child instanceof Element element)) continue;
            if (local(element).equals(name)) return element;
            Element inner = first(element, name);
            if (inner != null) return inner;
        }
        return null;
    }

    /** Puts an element's content into its place. */
    public static void unwrap(Element element) {
        Node parent = element.getParentNode();
        while (element.getFirstChild() != null) parent.insertBefore(element.getFirstChild(), element);
        parent.removeChild(element);
    }

    /** Takes a node out of the tree, if it is in one. */
    public static void remove(Node node) {
        if (node != null && node.getParentNode() != null) node.getParentNode().removeChild(node);
    }

    /** The children that are elements. */
    public static List<Element> children(Node parent) {
        List<Element> found = new ArrayList<>();
        for (Node child = parent.getFirstChild(); child != null; child = child.getNextSibling()) {
            if (child instanceof Element element) found.add(element);
        }
        return found;
    }

    /** An attribute by its local name, whichever prefix the file gives its namespace; empty when absent. */
    public static String attribute(Element element, String name) {
        for (int i = 0; i < element.getAttributes().getLength(); i++) {
            Node attribute = element.getAttributes().item(i);
            if (local(attribute).equals(name)) return attribute.getNodeValue();
        }
        return "";
    }

    public static void removeAttribute(Element element, String name) {
        for (int i = element.getAttributes().getLength() - 1; i >= 0; i--) {
            Attr attribute = (Attr) element.getAttributes().item(i);
            if (local(attribute).equals(name)) element.removeAttributeNode(attribute);
        }
    }

    /** Changes an attribute that is there, by its local name. */
    public static void replaceAttribute(Element element, String name, String value) {
        for (int i = 0; i < element.getAttributes().getLength(); i++) {
            Node attribute = element.getAttributes().item(i);
            if (local(attribute).equals(name)) attribute.setNodeValue(value);
        }
    }

    /** Sets an attribute of the element's own namespace. */
    public static void setAttribute(Element element, String name, String value) {
        String prefix = element.getPrefix() == null ? "" : element.getPrefix() + ":";
        element.setAttributeNS(element.getNamespaceURI(), prefix + name, value);
    }

    /** Whether a section of pages ends with a paragraph (ISO/IEC 29500-1 §17.6.18). */
    public static boolean endsSection(Element paragraph) {
        Element properties = child(paragraph, "pPr");
        return properties != null && child(properties, "sectPr") != null;
    }
}
