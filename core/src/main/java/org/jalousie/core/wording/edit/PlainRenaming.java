package org.jalousie.core.wording.edit;

import java.util.Map;
import java.util.function.UnaryOperator;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.jalousie.core.wording.docx.PackageParts;
import org.jalousie.core.wording.docx.Word;
import org.jalousie.core.wording.docx.WordFields;
import org.jalousie.core.wording.tags.MergeField;
import org.jalousie.core.wording.tags.TagText;
import org.w3c.dom.Attr;
import org.w3c.dom.Element;
import org.w3c.dom.Node;
import org.w3c.dom.Text;

/** Renames tags where only characters stand, merge fields and content controls, all over the package. */
final class PlainRenaming {
    private static final Pattern TAG = Pattern.compile("(\\{\\{\\{?)([^{}]*)(}}}?)");
    private static final Pattern ENCODED = Pattern.compile("(?i)((?:%7B){2,3})(.*?)((?:%7D){2,3})");

    private final UnaryOperator<String> renamed;
    private final Map<String, String> names;
    private int places;

    private PlainRenaming(UnaryOperator<String> renamed, Map<String, String> names) {
        this.renamed = renamed;
        this.names = names;
    }

    /** @return how many places there were */
    static int in(PackageParts pack, UnaryOperator<String> renamed, Map<String, String> names) {
        PlainRenaming renaming = new PlainRenaming(renamed, names);
        for (String name : pack.names()) {
            boolean xml = name.endsWith(".xml") || name.endsWith(".rels") || name.endsWith(".vml");
            if (!xml || name.equals("[Content_Types].xml") || name.startsWith("word/glossary/")) continue;
            String text = pack.text(name);
            if (TagText.mayHold(text) || text.contains("MERGEFIELD") || text.contains("sdtPr"))
                renaming.element(pack.document(name).getDocumentElement());
        }
        return renaming.places;
    }

    private void element(Element element) {
        String local = Word.local(element);
        for (int i = 0; i < element.getAttributes().getLength(); i++) {
            Attr attribute = (Attr) element.getAttributes().item(i);
            String value = tags(attribute.getValue());
            if (local.equals("fldSimple") && Word.local(attribute).equals("instr")) value = mergeField(value);
            if (local.equals("tag") && Word.local(element.getParentNode()).equals("sdtPr")) value = name(value);
            if (!value.equals(attribute.getValue())) attribute.setValue(value);
        }
        for (Node child = element.getFirstChild(); child != null; child = child.getNextSibling()) {
            if (child instanceof Element inner) element(inner);
            else if (child instanceof Text text && !TagText.isInParagraph(element)) {
                String value = tags(text.getData());
                if (local.equals("instrText")) value = mergeField(value);
                if (!value.equals(text.getData())) text.setData(value);
            }
        }
    }

    private String tags(String text) {
        if (!TagText.mayHold(text)) return text;
        return replaced(ENCODED, replaced(TAG, text));
    }

    private String replaced(Pattern pattern, String text) {
        return pattern.matcher(text).replaceAll(tag -> {
            String content = renamed.apply(tag.group(2));
            if (!content.equals(tag.group(2))) places++;
            return Matcher.quoteReplacement(tag.group(1) + content + tag.group(3));
        });
    }

    private String mergeField(String code) {
        if (!WordFields.type(code).equals("MERGEFIELD")) return code;
        MergeField read = MergeField.read(code);
        String to = names.get(read.name());
        if (to == null) return code;
        places++;
        return code.replaceFirst("(?i)(MERGEFIELD\\s+)(\"[^\"]*\"|\\S+)", "$1" + Matcher.quoteReplacement(to));
    }

    private String name(String tag) {
        String to = names.get(tag);
        if (to != null) places++;
        return to == null ? tag : to;
    }
}
