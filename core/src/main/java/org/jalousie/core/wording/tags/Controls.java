package org.jalousie.core.wording.tags;

import java.util.ArrayList;
import java.util.List;
import java.util.Set;
import org.jalousie.core.data.Names;
import org.jalousie.core.messages.Message;
import org.jalousie.core.wording.Diagnostic;
import org.jalousie.core.wording.docx.Word;
import org.w3c.dom.Document;
import org.w3c.dom.Element;
import org.w3c.dom.Node;

/**
 * Content controls (ISO/IEC 29500-1 §17.5.2). One is a field when it shows its placeholder or when its name is a field's
 * name already; one that holds a tag is opened, so that the tag's value stands and not what the control is bound to; any
 * other stays as it is, whatever its name looks like.
 */
public final class Controls {
    private static final Set<String> NO_TEXT =
            Set.of("docPartObj", "docPartList", "citation", "bibliography", "equation", "group", "picture", "checkbox");

    private final String title;
    private final Set<String> known;
    private final List<Diagnostic> diagnostics;

    /** @param known names of fields, by which a control that shows words is still a field */
    public Controls(String title, Set<String> known, List<Diagnostic> diagnostics) {
        this.title = title;
        this.known = known;
        this.diagnostics = diagnostics;
    }

    public void intoTags(Document document) {
        List<Element> all = Word.all(document, "sdt");
        // from the inside out: a control within another is settled first
        for (int i = all.size() - 1; i >= 0; i--) settle(all.get(i));
    }

    private void settle(Element control) {
        Element properties = Word.child(control, "sdtPr");
        Element content = Word.child(control, "sdtContent");
        if (content == null || control.getParentNode() == null) return;
        if (holdsTag(content)) {
            open(control, content);
            return;
        }
        if (properties == null || NO_TEXT.stream().anyMatch(kind -> Word.child(properties, kind) != null)) return;
        boolean empty = showsPlaceholder(properties, content);
        String name = name(properties, empty);
        if (name.isEmpty()) {
            if (empty && !Names.isBlank(content.getTextContent()))
                report(
                        control,
                        "control-empty",
                        Message.of("wording.control-empty", "hint", Names.spaced(content.getTextContent())),
                        Message.of("wording.control-empty.cure"));
            return;
        }
        List<Element> paragraphs = Word.paragraphs(content);
        if (paragraphs.size() > 1 && !empty) {
            report(
                    control,
                    "control-several-paragraphs",
                    Message.of("wording.control-several", "name", name),
                    Message.of("wording.control-several.cure", "name", name));
            return;
        }
        fill(control, content, paragraphs, name);
    }

    private static boolean holdsTag(Element content) {
        String text = content.getTextContent();
        return text.contains("{{") || text.indexOf(TagReader.OWN_OPEN) >= 0;
    }

    private static boolean showsPlaceholder(Element properties, Element content) {
        if (Word.child(properties, "showingPlcHdr") != null) return true;
        boolean any = false;
        for (Element run : Word.all(content, "r")) {
            if (!Word.hasContent(run)) continue;
            Element look = Word.child(run, "rPr");
            Element style = look == null ? null : Word.child(look, "rStyle");
            if (style == null || !Word.attribute(style, "val").startsWith("Placeholder")) return false;
            any = true;
        }
        return any;
    }

    private String name(Element properties, boolean empty) {
        for (String property : List.of("tag", "alias")) {
            Element element = Word.child(properties, property);
            String words = element == null ? "" : Names.normal(Names.stripped(Word.attribute(element, "val")));
            String name = Names.isDotted(words) ? words : property.equals("alias") ? Names.from(words) : "";
            String plain = name.contains(".") ? name.substring(0, name.indexOf('.')) : name;
            if (!name.isEmpty() && (empty || known.contains(plain))) return name;
        }
        return "";
    }

    private void open(Element control, Element content) {
        boolean hint = Word.child(control, "sdtPr") != null
                && Word.child(Word.child(control, "sdtPr"), "showingPlcHdr") != null;
        if (hint) {
            for (Element style : Word.all(content, "rStyle"))
                if (Word.attribute(style, "val").startsWith("Placeholder")) Word.remove(style);
        }
        Part.Origin origin = Part.origin(control);
        for (Node child = content.getFirstChild(); child != null; child = child.getNextSibling())
            if (origin != null && child instanceof Element) Part.setOrigin(child, origin);
        List<Node> children = new ArrayList<>();
        for (Node child = content.getFirstChild(); child != null; child = child.getNextSibling()) children.add(child);
        children.forEach(child -> control.getParentNode().insertBefore(child, control));
        Word.remove(control);
    }

    /** The tag takes the place of the words, in the paragraph, cell or row that the control is round. */
    private void fill(Element control, Element content, List<Element> paragraphs, String name) {
        Element look = Word.first(content, "r");
        if (paragraphs.isEmpty()) {
            Element like = look == null ? Word.element(control, "r") : look;
            Element tag = OwnFields.tag(like, name);
            while (content.getFirstChild() != null) content.removeChild(content.getFirstChild());
            content.appendChild(tag);
        } else {
            Element first = paragraphs.get(0);
            Element tag = OwnFields.tag(look == null ? Word.element(control, "r") : look, name);
            for (Element paragraph : paragraphs) {
                for (Element child : Word.children(paragraph))
                    if (!Word.local(child).equals("pPr") && !Substance.RANGES.contains(Word.local(child)))
                        Word.remove(child);
                if (paragraph != first && paragraph.getParentNode() == first.getParentNode()) Word.remove(paragraph);
            }
            first.appendChild(tag);
        }
        open(control, content);
    }

    private void report(Element control, String code, Message message, Message cure) {
        Part.Origin origin = Part.origin(control);
        String place = Word.ancestor(control, "p") == null
                ? Part.place(Names.spaced(control.getTextContent()), 0, 0)
                : Part.around(control);
        diagnostics.add(
                new Diagnostic(code, origin == null ? title : "clause " + origin.clause(), place, message, cure));
    }
}
