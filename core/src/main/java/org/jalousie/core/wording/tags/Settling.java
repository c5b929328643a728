package org.jalousie.core.wording.tags;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
import org.jalousie.core.messages.Message;
import org.jalousie.core.wording.Diagnostic;
import org.jalousie.core.wording.docx.Word;
import org.w3c.dom.Document;
import org.w3c.dom.Element;
import org.w3c.dom.Node;

/** Takes out of a part what shows nothing and would be in the way: processing instructions, comments of XML, wrappers, the cursor's bookmark. */
public final class Settling {
    private static final String CURSOR = "_GoBack";

    private Settling() {}

    /** @param part what people call the part */
    public static void settle(Document document, String part, List<Diagnostic> diagnostics) {
        List<Node> out = new ArrayList<>();
        collect(document, out);
        out.forEach(Word::remove);
        nonCharacters(document.getDocumentElement(), part, diagnostics);
        for (Element wrapper : Word.all(document, "*")) {
            String name = Word.local(wrapper);
            if ((name.equals("smartTag") || name.equals("customXml")) && Word.isOfWord(wrapper)) {
                Word.remove(Word.child(wrapper, name + "Pr"));
                Word.unwrap(wrapper);
            }
        }
        Set<String> cursors = new HashSet<>();
        for (Element start : Word.all(document, "bookmarkStart")) {
            if (!Word.attribute(start, "name").equals(CURSOR)) continue;
            cursors.add(Word.attribute(start, "id"));
            Word.remove(start);
        }
        if (cursors.isEmpty()) return;
        for (Element end : Word.all(document, "bookmarkEnd")) {
            if (cursors.contains(Word.attribute(end, "id"))) Word.remove(end);
        }
    }

    private static void collect(Node node, List<Node> out) {
        for (Node child = node.getFirstChild(); child != null; child = child.getNextSibling()) {
            if (child.getNodeType() == Node.PROCESSING_INSTRUCTION_NODE || child.getNodeType() == Node.COMMENT_NODE)
                out.add(child);
            else collect(child, out);
        }
    }

    // Unicode §23.7: U+FDD0 to U+FDEF are no characters; XML lets them through
    private static void nonCharacters(Node node, String part, List<Diagnostic> diagnostics) {
        for (int i = 0; node.getAttributes() != null && i < node.getAttributes().getLength(); i++)
            nonCharacter(node.getAttributes().item(i), part, diagnostics);
        for (Node child = node.getFirstChild(); child != null; child = child.getNextSibling()) {
            if (child.getNodeType() == Node.TEXT_NODE) nonCharacter(child, part, diagnostics);
            else nonCharacters(child, part, diagnostics);
        }
    }

    private static void nonCharacter(Node node, String part, List<Diagnostic> diagnostics) {
        String text = node.getNodeValue();
        for (int i = 0; i < text.length(); i++) {
            if (text.charAt(i) < '\ufdd0' || text.charAt(i) > '\ufdef') continue;
            diagnostics.add(new Diagnostic(
                    "no-character",
                    part,
                    Part.place(text.replaceAll("[\ufdd0-\ufdef]", "\ufffd"), i, i + 1),
                    Message.of("wording.no-character", "code", "%04X".formatted((int) text.charAt(i))),
                    Message.of("wording.no-character.cure")));
            node.setNodeValue(text.replaceAll("[\ufdd0-\ufdef]", "\ufffd"));
            return;
        }
    }
}
