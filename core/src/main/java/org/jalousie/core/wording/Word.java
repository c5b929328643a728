package org.jalousie.core.wording;

import java.util.ArrayList;
import java.util.List;
import org.w3c.dom.Document;
import org.w3c.dom.Element;
import org.w3c.dom.Node;

/** Small helpers over WordprocessingML elements (ISO/IEC 29500-1 §17), in either the transitional or the strict namespace. */
final class Word {
    private Word() {}

    static String local(Node node) {
        return node.getLocalName() == null ? node.getNodeName() : node.getLocalName();
    }

    static Element child(Element parent, String name) {
        for (Node child = parent.getFirstChild(); child != null; child = child.getNextSibling()) {
            if (child instanceof Element element && local(element).equals(name)) return element;
        }
        return null;
    }

    /** All paragraphs below a node, text boxes' included, in document order. */
    static List<Element> paragraphs(Document document) {
        List<Element> found = new ArrayList<>();
        collect(document.getDocumentElement(), found);
        return found;
    }

    private static void collect(Element element, List<Element> found) {
        if (local(element).equals("p")
                && element.getNamespaceURI() != null
                && element.getNamespaceURI().contains("wordprocessingml")) {
            found.add(element);
        }
        for (Node child = element.getFirstChild(); child != null; child = child.getNextSibling()) {
            if (child instanceof Element next) collect(next, found);
        }
    }

    static boolean hasContent(Element run) {
        return hasContentBefore(run, null);
    }

    /** Whether a run holds anything but properties before the given child. */
    static boolean hasContentBefore(Element run, Node stop) {
        for (Node child = run.getFirstChild(); child != null && child != stop; child = child.getNextSibling()) {
            if (child instanceof Element element
                    && !local(element).equals("rPr")
                    && !local(element).equals("lastRenderedPageBreak")) {
                return true;
            }
        }
        return false;
    }

    static void setText(Element textElement, String text) {
        textElement.setTextContent(text);
        textElement.setAttributeNS("http://www.w3.org/XML/1998/namespace", "xml:space", "preserve");
    }

    static Element element(Element like, String name) {
        String prefix = like.getPrefix() == null ? "" : like.getPrefix() + ":";
        return like.getOwnerDocument().createElementNS(like.getNamespaceURI(), prefix + name);
    }

    static Element ancestor(Node node, String name) {
        for (Node up = node.getParentNode(); up != null; up = up.getParentNode()) {
            if (up instanceof Element element && local(element).equals(name)) return element;
        }
        return null;
    }
}
