package org.jalousie.core.wording.tags;

import java.net.URLDecoder;
import java.nio.charset.StandardCharsets;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.jalousie.core.wording.docx.PackageParts;
import org.jalousie.core.wording.docx.ParagraphText;
import org.jalousie.core.wording.docx.Word;
import org.w3c.dom.Attr;
import org.w3c.dom.Element;
import org.w3c.dom.Node;

/** Characters that may hold tags, in words, attributes and addresses. */
public final class TagText {
    /** Braces as they stand, or as addresses carry them. */
    private static final Pattern ENCODED = Pattern.compile("(?:\\{|%7[Bb]){2,3}.{0,4000}?(?:}|%7[Dd]){2,3}");

    private TagText() {}

    /** Whether there can be a tag in them at all. */
    public static boolean mayHold(String text) {
        return text.contains("{{") || text.contains("%7B%7B") || text.contains("%7b%7b");
    }

    /** An address with its tags in braces as they stand; the rest stays encoded. */
    public static String decoded(String address) {
        Matcher matcher = ENCODED.matcher(address);
        StringBuilder out = new StringBuilder();
        while (matcher.find()) {
            String tag = matcher.group();
            if (tag.indexOf('%') >= 0) {
                try {
                    tag = URLDecoder.decode(tag.replace("+", "%2B"), StandardCharsets.UTF_8);
                } catch (IllegalArgumentException e) {
                    // a lone per cent sign: what stands there is no encoding and stays
                    tag = matcher.group();
                }
            }
            matcher.appendReplacement(out, Matcher.quoteReplacement(tag));
        }
        return matcher.appendTail(out).toString();
    }

    /** What an element's relationship leads to outside of the file, with tags as they stand; empty when it has none. */
    public static String address(PackageParts pack, String part, Attr attribute) {
        if (attribute.getNamespaceURI() == null || !attribute.getNamespaceURI().endsWith("/relationships")) return "";
        Element relationship = pack.relationship(part, attribute.getValue());
        if (relationship == null || !relationship.getAttribute("TargetMode").equals("External")) return "";
        String address = relationship.getAttribute("Target");
        return mayHold(address) ? decoded(address) : "";
    }

    /** Whether words stand in a paragraph of the page, and not in a drawing's or chart's own text. */
    public static boolean isInParagraph(Element words) {
        if (!Word.local(words).equals("t") || !Word.isOfWord(words)) return false;
        for (Node up = words.getParentNode(); up != null; up = up.getParentNode()) {
            if (Word.isParagraph(up)) return true;
            if (ParagraphText.holdsOthers(up)) return false;
        }
        return false;
    }
}
