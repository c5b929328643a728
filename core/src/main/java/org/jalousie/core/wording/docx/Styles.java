package org.jalousie.core.wording.docx;

import org.w3c.dom.Document;
import org.w3c.dom.Element;

/** The styles of a Word file (ISO/IEC 29500-1 §17.7). */
public final class Styles {
    private Styles() {}

    /** The style of an id, or null. */
    public static Element byId(Document styles, String id) {
        for (Element style : Word.children(styles.getDocumentElement())) {
            if (Word.local(style).equals("style")
                    && Word.attribute(style, "styleId").equals(id)) return style;
        }
        return null;
    }
}
