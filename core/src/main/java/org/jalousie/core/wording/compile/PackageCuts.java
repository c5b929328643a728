package org.jalousie.core.wording.compile;

import java.util.ArrayList;
import java.util.List;
import org.jalousie.core.messages.Message;
import org.jalousie.core.wording.Diagnostic;
import org.jalousie.core.wording.WordFile;
import org.jalousie.core.wording.docx.PackageParts;
import org.jalousie.core.wording.docx.Word;
import org.jalousie.core.wording.tags.Part;
import org.w3c.dom.Attr;
import org.w3c.dom.Element;

/**
 * What a file had outside of itself (a linked picture, an attached template, a source of data) was cut when it was opened.
 * Here what pointed there is taken out, so that nothing dangles, and it is told what that means for the pages.
 */
final class PackageCuts {
    private static final String SETTINGS = "settings";
    private static final String APP = "docProps/app.xml";

    private PackageCuts() {}

    static void report(PackageParts pack, List<String> textParts, List<Diagnostic> diagnostics) {
        for (String part : textParts) {
            String title = Part.titleOf(pack.document(part), part);
            for (Element element : Word.all(pack.document(part), "*")) {
                for (Attr attribute : relations(element)) {
                    if (pack.relationship(part, attribute.getValue()) == null)
                        dangling(element, attribute, title, diagnostics);
                }
            }
        }
        settings(pack, diagnostics);
        if (pack.has(APP)) {
            for (Element template : Word.all(pack.document(APP), "Template"))
                template.setTextContent(template.getTextContent().replaceFirst("^.*[/\\\\]", ""));
        }
    }

    private static List<Attr> relations(Element element) {
        List<Attr> found = new ArrayList<>();
        for (int i = 0; i < element.getAttributes().getLength(); i++) {
            Attr attribute = (Attr) element.getAttributes().item(i);
            if (attribute.getNamespaceURI() != null
                    && attribute.getNamespaceURI().endsWith("/relationships")
                    && !attribute.getValue().isEmpty()) found.add(attribute);
        }
        return found;
    }

    private static void dangling(Element element, Attr attribute, String title, List<Diagnostic> diagnostics) {
        String place = Part.around(element);
        switch (Word.local(element)) {
            case "blip", "imagedata", "fill" -> {
                boolean shown = relations(element).size() > 1;
                element.removeAttributeNode(attribute);
                if (!shown)
                    diagnostics.add(new Diagnostic(
                            "outside-picture",
                            title,
                            place,
                            Message.of("wording.picture-linked"),
                            Message.of("wording.picture-linked.cure")));
            }
            case "hyperlink", "hlinkClick", "hlinkHover" -> {
                element.removeAttributeNode(attribute);
                diagnostics.add(new Diagnostic(
                        "link-nowhere",
                        title,
                        place,
                        Message.of("wording.link-nowhere"),
                        Message.of("wording.link-nowhere.cure"),
                        false));
            }
            case "subDoc" -> {
                Word.remove(element);
                diagnostics.add(new Diagnostic(
                        "outside-document",
                        title,
                        place,
                        Message.of("wording.document-linked"),
                        Message.of("wording.document-linked.cure")));
            }
            case "OLEObject" -> {
                Word.remove(element);
                diagnostics.add(new Diagnostic(
                        "outside-object",
                        title,
                        place,
                        Message.of("wording.object-linked"),
                        Message.of("wording.object-linked.cure"),
                        false));
            }
            default -> {
                element.removeAttributeNode(attribute);
                diagnostics.add(new Diagnostic(
                        "outside-part",
                        title,
                        place,
                        Message.of("wording.not-in-file", "what", Word.local(element)),
                        Message.of("wording.not-in-file.cure")));
            }
        }
    }

    /** What a program would fetch or open by itself, none of which prints. */
    private static void settings(PackageParts pack, List<Diagnostic> diagnostics) {
        String part = pack.related(WordFile.MAIN, SETTINGS);
        if (part.isEmpty()) return;
        for (String name : List.of("attachedTemplate", "mailMerge", "linkStyles", "saveThroughXslt")) {
            for (Element element : Word.all(pack.document(part), name)) {
                Word.remove(element);
                if (name.equals("linkStyles")) continue;
                diagnostics.add(new Diagnostic(
                        name.equals("mailMerge") ? "outside-data" : "outside-template",
                        "settings",
                        "",
                        name.equals("mailMerge")
                                ? Message.of("wording.merge-source")
                                : Message.of("wording.template-outside"),
                        Message.of("wording.no-matter"),
                        false));
            }
        }
    }
}
