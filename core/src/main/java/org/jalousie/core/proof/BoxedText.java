package org.jalousie.core.proof;

import java.util.ArrayList;
import java.util.List;
import org.jalousie.core.wording.WordFile;
import org.jalousie.core.wording.docx.ParagraphText;
import org.jalousie.core.wording.docx.SafeXml;
import org.jalousie.core.wording.docx.Word;
import org.w3c.dom.Document;
import org.w3c.dom.Element;

/** The paragraphs of a merged file that stand in boxes which do not grow: text boxes and table rows of an exact height. */
public final class BoxedText {
    private BoxedText() {}

    public static List<String> of(byte[] file) {
        WordFile opened = WordFile.open(file);
        List<String> paragraphs = new ArrayList<>();
        for (String part : opened.textParts()) {
            Document document = SafeXml.parse(part, opened.parts().get(part));
            for (Element paragraph : Word.paragraphs(document)) {
                if (!isBoxed(paragraph)) continue;
                String text = new ParagraphText(paragraph).original().strip();
                if (!text.isEmpty() && !paragraphs.contains(text)) paragraphs.add(text);
            }
        }
        return paragraphs;
    }

    private static boolean isBoxed(Element paragraph) {
        if (Word.ancestor(paragraph, "txbxContent") != null) return true;
        Element row = Word.ancestor(paragraph, "tr");
        Element height = row == null ? null : Word.first(row, "trHeight");
        return height != null && Word.attribute(height, "hRule").equals("exact");
    }
}
