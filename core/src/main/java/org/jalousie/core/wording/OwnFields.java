package org.jalousie.core.wording;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.w3c.dom.Document;
import org.w3c.dom.Element;
import org.w3c.dom.Node;

/**
 * Turns a word processor's own fields into tags, before tags are looked for: {@code MERGEFIELD} (ISO/IEC 29500-1
 * §17.16.5.35), simple and complex, and content controls (§17.5.2) whose tag is a field's name.
 */
final class OwnFields {
    private static final Pattern MERGEFIELD =
            Pattern.compile("\\s*MERGEFIELD\\s+(?:\"([^\"]+)\"|(\\S+)).*", Pattern.DOTALL | Pattern.CASE_INSENSITIVE);
    private static final Pattern NAME = Pattern.compile("[A-Za-z][A-Za-z0-9_]*(\\.[A-Za-z][A-Za-z0-9_]*)?");
    private static final List<String> OTHER_CONTROLS =
            List.of("docPartObj", "docPartList", "citation", "bibliography", "equation", "group", "picture");

    private OwnFields() {}

    static void intoTags(Document document) {
        controls(document);
        for (Element simple : Word.all(document, "fldSimple")) {
            mergeField(Word.attribute(simple, "instr"))
                    .ifPresent(name -> replace(simple, tagRun(simple, firstRun(simple), name)));
        }
        for (Element paragraph : Word.paragraphs(document)) complexFields(paragraph);
    }

    private static Optional<String> mergeField(String instruction) {
        Matcher matcher = MERGEFIELD.matcher(instruction);
        if (!matcher.matches()) return Optional.empty();
        String name = matcher.group(1) != null ? matcher.group(1) : matcher.group(2);
        return Optional.of(name.strip().replaceAll("[^A-Za-z0-9_.]+", "_"));
    }

    /** begin … instrText … separate … result … end, all runs of one paragraph. */
    private static void complexFields(Element paragraph) {
        List<Element> runs = new ArrayList<>();
        for (Element run : Word.all(paragraph, "r")) {
            if (Word.ancestor(run, "p") == paragraph) runs.add(run);
        }
        for (int i = 0; i < runs.size(); i++) {
            if (!fieldChar(runs.get(i)).equals("begin")) continue;
            StringBuilder instruction = new StringBuilder();
            Element look = null;
            boolean result = false;
            int end = -1;
            for (int j = i; j < runs.size() && end < 0; j++) {
                String type = fieldChar(runs.get(j));
                if (j > i && type.equals("begin")) break;
                if (type.equals("separate")) result = true;
                else if (type.equals("end")) end = j;
                else if (result && look == null) look = runs.get(j);
                Element text = Word.child(runs.get(j), "instrText");
                if (text != null) instruction.append(text.getTextContent());
            }
            Optional<String> name = mergeField(instruction.toString());
            if (end < 0 || name.isEmpty()) continue;
            Element tag = tagRun(runs.get(i), look == null ? runs.get(i) : look, name.get());
            replace(runs.get(i), tag);
            for (int j = i + 1; j <= end; j++) remove(runs.get(j));
            i = end;
        }
    }

    private static String fieldChar(Element run) {
        Element mark = Word.child(run, "fldChar");
        return mark == null ? "" : Word.attribute(mark, "fldCharType");
    }

    private static void controls(Document document) {
        for (Element control : Word.all(document, "sdt")) {
            Element properties = Word.child(control, "sdtPr");
            Element content = Word.child(control, "sdtContent");
            if (properties == null || content == null || control.getParentNode() == null) continue;
            String name = name(properties);
            if (name.isEmpty() || content.getTextContent().contains("{{")) continue;
            Element paragraph = Word.first(content, "p");
            Element look = firstRun(content);
            if (paragraph == null) {
                replace(control, tagRun(control, look, name));
            } else if (Word.local(control.getParentNode()).equals("tr") || Word.first(content, "tbl") != null) {
                continue;
            } else {
                Element tag = tagRun(control, look, name);
                for (Element run : Word.all(paragraph, "r")) remove(run);
                paragraph.appendChild(tag);
                replace(control, paragraph);
            }
        }
    }

    private static String name(Element properties) {
        for (String other : OTHER_CONTROLS) {
            if (Word.child(properties, other) != null) return "";
        }
        Element tag = Word.child(properties, "tag");
        String name = tag == null ? "" : Word.attribute(tag, "val").strip();
        return NAME.matcher(name).matches() ? name : "";
    }

    private static Element firstRun(Element within) {
        return Word.first(within, "r");
    }

    private static Element tagRun(Element like, Element look, String name) {
        Element run = Word.element(like, "r");
        Element properties = look == null ? null : Word.child(look, "rPr");
        if (properties != null) {
            Element copy = (Element) properties.cloneNode(true);
            // the grey hint in an empty control is no look of the words to come
            Element style = Word.child(copy, "rStyle");
            if (style != null && Word.attribute(style, "val").equals("PlaceholderText")) copy.removeChild(style);
            run.appendChild(copy);
        }
        Element text = Word.element(like, "t");
        Word.setText(text, TagReader.OWN_OPEN + name + TagReader.OWN_CLOSE);
        run.appendChild(text);
        return run;
    }

    private static void replace(Node old, Node by) {
        old.getParentNode().replaceChild(by, old);
    }

    private static void remove(Node node) {
        if (node.getParentNode() != null) node.getParentNode().removeChild(node);
    }
}
