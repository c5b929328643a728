package org.jalousie.core.wording.edit;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import org.jalousie.core.messages.Message;
import org.jalousie.core.wording.WordFile;
import org.jalousie.core.wording.docx.InlinePicture;
import org.jalousie.core.wording.docx.PackageParts;
import org.jalousie.core.wording.docx.ParagraphText;
import org.jalousie.core.wording.docx.Word;
import org.jalousie.core.wording.tags.TagReader;
import org.w3c.dom.Document;
import org.w3c.dom.Element;

/** A tag at the foot of every page: in all footers that the pages of a Word file have (ISO/IEC 29500-1 §17.10). */
public final class EveryPage {
    private static final String BODY = "word/document.xml";
    private static final String FOOTER = InlinePicture.OFFICE + "/footer";
    private static final String FOOTER_TYPE =
            "application/vnd.openxmlformats-officedocument.wordprocessingml.footer+xml";

    private final PackageParts pack;
    private final String tag;
    private final Set<String> done = new HashSet<>();
    private int places;

    private EveryPage(PackageParts pack, String tag) {
        this.pack = pack;
        this.tag = tag;
    }

    /**
     * A party's initials at the foot of every page, at the right; footers that have them stay as they are.
     *
     * @throws EditRefused when every page has them
     */
    public static WordingEdit.Edited initials(WordFile file, String party) {
        WordingEdit edit = new WordingEdit(file, Map.of());
        EveryPage everywhere = new EveryPage(edit.pack, "{{" + party + ".initials}}");
        everywhere.all();
        if (everywhere.places == 0) throw new EditRefused(Message.of("edit.on-every-page-already"));
        return edit.done(everywhere.places);
    }

    private void all() {
        Document body = pack.document(BODY);
        boolean even = pack.has("word/settings.xml")
                && isOn(Word.first(pack.document("word/settings.xml"), "evenAndOddHeaders"));
        Set<String> known = new HashSet<>();
        for (Element section : Word.all(body, "sectPr")) {
            List<String> kinds = new ArrayList<>(List.of("default"));
            if (isOn(Word.child(section, "titlePg"))) kinds.add("first");
            if (even) kinds.add("even");
            for (String kind : kinds) {
                Element reference = reference(section, kind);
                // a section without a footer of a kind has that of the one before it
                if (reference == null && known.contains(kind)) continue;
                known.add(kind);
                put(reference == null ? newFooter(section, kind) : partOf(reference));
            }
        }
    }

    /** Whether a setting that is on or off is there and on (ISO/IEC 29500-1 §17.17.4). */
    private static boolean isOn(Element setting) {
        return setting != null && !Set.of("0", "false", "off").contains(Word.attribute(setting, "val"));
    }

    private static Element reference(Element section, String kind) {
        return Word.children(section).stream()
                .filter(one -> Word.local(one).equals("footerReference")
                        && Word.attribute(one, "type").equals(kind))
                .findFirst()
                .orElse(null);
    }

    private String partOf(Element reference) {
        Element relationship = pack.relationship(BODY, Word.attribute(reference, "id"));
        return relationship == null ? "" : PackageParts.target(BODY, relationship.getAttribute("Target"));
    }

    private void put(String footer) {
        if (!pack.has(footer) || !done.add(footer)) return;
        Element root = pack.document(footer).getDocumentElement();
        for (Element paragraph : Word.paragraphs(root)) {
            for (TagReader.Found found : new TagReader().read(new ParagraphText(paragraph).original()))
                if (("{{" + found.content().strip() + "}}").equals(tag)) return;
        }
        Element paragraph = Word.element(root, "p");
        Element properties = Word.element(root, "pPr");
        Element right = Word.element(root, "jc");
        Word.setAttribute(right, "val", "right");
        properties.appendChild(right);
        paragraph.appendChild(properties);
        Element run = Word.element(root, "r");
        Element words = Word.element(root, "t");
        Word.setText(words, tag);
        run.appendChild(words);
        paragraph.appendChild(run);
        root.appendChild(paragraph);
        places++;
    }

    private String newFooter(Element section, String kind) {
        int number = 1;
        while (pack.has("word/footer" + number + ".xml")) number++;
        String name = "footer" + number + ".xml";
        Element like = pack.document(BODY).getDocumentElement();
        pack.putXml("word/" + name, "<w:ftr xmlns:w=\"" + like.getNamespaceURI() + "\"/>", FOOTER_TYPE);
        String id = pack.relate(BODY, "rIdEveryPage" + number, FOOTER, name, false);
        Element reference = Word.element(section, "footerReference");
        Word.setAttribute(reference, "type", kind);
        reference.setAttributeNS(InlinePicture.OFFICE, "r:id", id);
        // references stand first in a section's properties (ISO/IEC 29500-1 §17.6.17)
        section.insertBefore(reference, section.getFirstChild());
        return "word/" + name;
    }
}
