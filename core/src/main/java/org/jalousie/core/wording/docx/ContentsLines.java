package org.jalousie.core.wording.docx;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import org.w3c.dom.Element;
import org.w3c.dom.Node;

/** Writes the entries of a contents list as the pages have them, each in the look of the entry that stood for it, or of one like it. */
public final class ContentsLines {
    private ContentsLines() {}

    /** Whether anything changed. */
    public static boolean put(WordFields.WordField list, List<String> lines) {
        List<Element> entries = new ArrayList<>();
        for (Element leaf : list.leaves) {
            Element paragraph = Word.ancestor(leaf, "p");
            if (!entries.contains(paragraph)) entries.add(paragraph);
        }
        Element last = entries.get(entries.size() - 1);
        boolean endsAlone = entries.size() > 1 && words(last).isBlank();
        if (endsAlone) entries.remove(last);
        List<String> now =
                entries.stream().map(ContentsLines::words).map(String::strip).toList();
        List<String> wanted = lines.stream()
                .map(String::strip)
                .filter(line -> !line.isEmpty())
                .toList();
        if (now.equals(wanted)
                || wanted.isEmpty()
                || entries.stream()
                        .anyMatch(e -> e.getParentNode() != entries.get(0).getParentNode())) return false;
        Map<String, Element> byTitle = new HashMap<>();
        entries.forEach(entry -> byTitle.putIfAbsent(title(words(entry)), entry));
        Element first = entries.get(0);
        Element end = (Element) list.leaves.get(list.leaves.size() - 1).getParentNode();
        boolean endWithin = !endsAlone && Word.ancestor(end, "p") != first;
        List<Element> written = new ArrayList<>();
        for (int i = 0; i < wanted.size(); i++) {
            Element like = byTitle.getOrDefault(title(wanted.get(i)), entries.get(Math.min(i, entries.size() - 1)));
            written.add(i == 0 ? first : entry(like, first));
        }
        for (int i = 0; i < written.size(); i++) {
            Element entry = written.get(i);
            write(entry, wanted.get(i));
            if (i > 0)
                first.getParentNode().insertBefore(entry, written.get(i - 1).getNextSibling());
        }
        if (endWithin) written.get(written.size() - 1).appendChild(end);
        entries.stream().skip(1).forEach(Word::remove);
        return true;
    }

    private static String words(Element paragraph) {
        return new ParagraphText(paragraph).original();
    }

    private static String title(String line) {
        int tab = line.strip().lastIndexOf('\t');
        return (tab < 0 ? line : line.strip().substring(0, tab)).strip();
    }

    /** A copy without the list's own marks. */
    private static Element entry(Element like, Element first) {
        Element copy = (Element) like.cloneNode(true);
        if (like == first) {
            int depth = 0;
            for (Element mark : Word.all(copy, "fldChar")) {
                // the list's own beginning comes first, before any entry's
                if (depth++ < 2) Word.remove(mark.getParentNode());
            }
            Element code = Word.first(copy, "instrText");
            if (code != null) Word.remove(code.getParentNode());
        }
        return copy;
    }

    /** The line's parts between tabs take the places of the words between tabs; what is left over goes. */
    private static void write(Element entry, String line) {
        String[] parts = line.split("\t", -1);
        List<Element> words = new ArrayList<>();
        int part = 0;
        boolean written = false;
        for (Element leaf : Word.all(entry, "*")) {
            if (Word.local(leaf).equals("tab")
                    && Word.local((Node) leaf.getParentNode()).equals("r")) {
                part++;
                written = false;
            } else if (Word.local(leaf).equals("t")) {
                Word.setText(leaf, written || part >= parts.length ? "" : parts[part]);
                written = true;
                words.add(leaf);
            }
        }
        if (part == 0 && parts.length > 1 && !words.isEmpty()) Word.setText(words.get(0), String.join(" ", parts));
    }
}
