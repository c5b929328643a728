package org.jalousie.core.proof;

import java.util.List;
import org.jalousie.core.wording.WordFile;
import org.jalousie.core.wording.docx.PackageParts;
import org.jalousie.core.wording.docx.Word;
import org.w3c.dom.Element;
import org.w3c.dom.Node;

/** Marks a merged Word file as a specimen: a red line at the head of the body and of every header. */
public final class SpecimenWord {
    private SpecimenWord() {}

    /** @param name of the specimen */
    public static byte[] marked(byte[] file, String name) {
        WordFile opened = WordFile.open(file);
        PackageParts pack = new PackageParts(opened.parts());
        for (String part : opened.textParts()) {
            Element root = pack.document(part).getDocumentElement();
            Element holder = Word.local(root).equals("document") ? Word.child(root, "body") : root;
            if (holder == null || List.of("footnotes", "endnotes", "ftr").contains(Word.local(holder))) continue;
            Node first = holder.getFirstChild();
            holder.insertBefore(line(holder, "SPECIMEN \u2013 test data, not an agreement \u2013 " + name), first);
        }
        return WordFile.of(pack.finish()).bytes();
    }

    private static Element line(Element like, String words) {
        Element paragraph = Word.element(like, "p");
        Element run = Word.element(like, "r");
        Element properties = Word.element(like, "rPr");
        properties.appendChild(Word.element(like, "b"));
        Element colour = Word.element(like, "color");
        Word.setAttribute(colour, "val", "9B2C2C");
        properties.appendChild(colour);
        run.appendChild(properties);
        Element text = Word.element(like, "t");
        Word.setText(text, words);
        run.appendChild(text);
        paragraph.appendChild(run);
        return paragraph;
    }
}
