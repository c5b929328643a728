package org.jalousie.core.wording.tags;

import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.jalousie.core.data.Names;
import org.jalousie.core.wording.docx.Word;
import org.w3c.dom.Element;

/** A picture whose description is a tag: that of the field stands in its place. */
public final class PlaceholderPicture {
    private static final Pattern TAG = Pattern.compile("\\{\\{([^{}]*)}}");

    private PlaceholderPicture() {}

    /** The field whose picture replaces this one, by the properties of a drawing; empty for anything else. */
    public static String name(Element properties) {
        if (!Word.local(properties).equals("docPr")) return "";
        for (String attribute : new String[] {"descr", "title"}) {
            String name = of(properties.getAttribute(attribute));
            if (!name.isEmpty() && Word.first(properties.getParentNode(), "blip") != null) return name;
        }
        return "";
    }

    /** The name that a description is a tag of; empty when it is something else. */
    public static String of(String description) {
        Matcher matcher = TAG.matcher(Names.stripped(description));
        if (!matcher.matches()) return "";
        String name = Names.normal(Names.stripped(matcher.group(1)));
        return Names.isName(name) ? name : "";
    }
}
