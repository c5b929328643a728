package org.jalousie.core.wording.clause;

import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.Deque;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.jalousie.core.data.LookAlike;
import org.jalousie.core.messages.Message;
import org.jalousie.core.wording.Clauses;
import org.jalousie.core.wording.Diagnostic;
import org.jalousie.core.wording.Inclusion;
import org.jalousie.core.wording.docx.PackageParts;
import org.jalousie.core.wording.docx.ParagraphText;
import org.jalousie.core.wording.docx.Word;
import org.jalousie.core.wording.tags.Occurrence;
import org.jalousie.core.wording.tags.Part;
import org.jalousie.core.wording.tags.Substance;
import org.jalousie.core.wording.tags.Tag;
import org.jalousie.core.wording.tags.TagReader;
import org.w3c.dom.Element;
import org.w3c.dom.Node;

/**
 * Puts clauses in the place of their tags, before any other tag is looked at: {@code {{>name}}} brings the clause, {@code
 * {{>*choice}}} every clause that the choice may name, each as a section of its case.
 */
public final class ClauseInclusion {
    private static final int DEEPEST = 8;

    private final PackageParts parts;
    private final Clauses clauses;
    private final List<Diagnostic> diagnostics;
    private final Set<String> included = new LinkedHashSet<>();
    private final List<Inclusion> places = new ArrayList<>();
    private int inclusions;

    public ClauseInclusion(PackageParts parts, Clauses clauses, List<Diagnostic> diagnostics) {
        this.parts = parts;
        this.clauses = clauses;
        this.diagnostics = diagnostics;
    }

    /** Names of the clauses that tags ask for. */
    public Set<String> included() {
        return included;
    }

    /** Each clause at each of its places. */
    public List<Inclusion> places() {
        return places;
    }

    /** Expands all clause tags of a part. */
    public void expand(String part) {
        expand(part, List.of(parts.document(part).getDocumentElement()), new ArrayDeque<>());
    }

    private void expand(String part, List<Element> below, Deque<String> open) {
        TagReader reader = new TagReader();
        for (Element root : below) {
            for (Element paragraph : Word.paragraphs(root)) {
                ParagraphText text = new ParagraphText(paragraph);
                List<TagReader.Found> found = reader.read(text.original()).stream()
                        .filter(one -> clause(one.tag()).isPresent())
                        .toList();
                for (int i = found.size() - 1; i >= 0; i--) include(part, paragraph, text, found.get(i), open);
            }
        }
    }

    /** Which clause a tag brings; empty for one that brings none. */
    private Optional<Tag.Clause> clause(Tag tag) {
        if (tag instanceof Tag.Clause clause) return Optional.of(clause);
        boolean answers = tag instanceof Tag.Dotted dotted
                && dotted.first().equals(Clauses.ANSWERS_TAG)
                && dotted.second().equals("block");
        return answers && clauses.library().containsKey(Clauses.ANSWERS)
                ? Optional.of(new Tag.Clause(Clauses.ANSWERS, false))
                : Optional.empty();
    }

    private void include(
            String part, Element paragraph, ParagraphText text, TagReader.Found found, Deque<String> open) {
        Tag.Clause tag = clause(found.tag()).orElseThrow();
        String whole = text.original();
        String place = Part.place(whole, found.start(), found.end());
        Map<String, String> cases = new LinkedHashMap<>();
        if (tag.dynamic()) {
            Map<String, String> byCase = clauses.byChoice().get(tag.name());
            if (byCase == null || byCase.isEmpty()) {
                report(
                        "clause-choice",
                        part,
                        open,
                        place,
                        Message.of("clause.no-choice", "name", tag.name()),
                        Message.of("clause.no-choice.cure"));
                return;
            }
            byCase.forEach((key, clause) -> cases.put(tag.name() + "." + key, clause));
        } else {
            cases.put("", tag.name());
        }
        cases.values().stream().filter(one -> !one.equals(Clauses.ANSWERS)).forEach(included::add);
        boolean alone = (whole.substring(0, found.start()) + whole.substring(found.end())).isBlank();
        Element run = text.isolate(found.start(), found.end());
        List<Element> brought = new ArrayList<>();
        for (Map.Entry<String, String> one : cases.entrySet()) {
            if (!usable(one.getValue(), part, place, open)) return;
            Part.Origin origin = new Part.Origin(one.getValue(), ++inclusions);
            ClauseImport clause =
                    new ClauseImport(parts, part, clauses.library().get(one.getValue()), origin, diagnostics);
            List<Element> blocks = clause.blocks(paragraph);
            clause.left()
                    .forEach(what -> diagnostics.add(new Diagnostic(
                            "clause-part",
                            "clause " + origin.clause(),
                            place,
                            Message.of("clause.left", "what", what),
                            Message.of("clause.left.cure"))));
            places.add(new Inclusion(one.getValue(), begins(blocks)));
            expandInside(part, blocks, one.getValue(), open);
            if (alone) putBlocks(paragraph, place(paragraph, run, text, found), blocks, one.getKey());
            else if (!putRuns(run, blocks, one.getKey(), origin)) {
                report(
                        "clause-inline",
                        part,
                        open,
                        place,
                        Message.of("clause.in-line", "clause", one.getValue()),
                        Message.of("clause.in-line.cure"));
                return;
            }
            brought.addAll(blocks);
        }
        Word.remove(run);
        if (alone) removeEmptied(paragraph);
    }

    private static String begins(List<Element> blocks) {
        for (Element block : blocks) {
            for (Element paragraph : Word.paragraphs(block)) {
                String words = new ParagraphText(paragraph).original();
                int tag = words.indexOf("{{");
                String fixed = (tag < 0 ? words : words.substring(0, tag)).strip();
                if (!fixed.isEmpty()) return Part.shortened(fixed);
            }
        }
        return "";
    }

    /** Clauses inside a clause; the blocks are not in the tree yet, so tags that stand alone need a parent for a while. */
    private void expandInside(String part, List<Element> blocks, String name, Deque<String> open) {
        if (blocks.isEmpty()) return;
        Element holder = Word.element(blocks.get(0), "clause");
        blocks.forEach(holder::appendChild);
        open.push(name);
        expand(part, List.of(holder), open);
        open.pop();
        blocks.clear();
        blocks.addAll(Word.children(holder));
    }

    private boolean usable(String name, String part, String place, Deque<String> open) {
        if (open.contains(name) || open.size() >= DEEPEST) {
            report(
                    "clause-cycle",
                    part,
                    open,
                    place,
                    Message.of("clause.circle", "name", name),
                    Message.of("clause.circle.cure"));
            return false;
        }
        if (clauses.library().containsKey(name)) return true;
        report(
                "clause-unknown",
                part,
                open,
                place,
                Message.of("clause.unknown", "name", name),
                LookAlike.of(name, clauses.library().keySet())
                        .map(like -> Message.of("clause.unknown.meant", "name", like))
                        .orElse(Message.of("clause.unknown.cure")));
        return false;
    }

    /** Before the tag's paragraph, or behind it when a break or the like stands before the tag in it. */
    private static Node place(Element paragraph, Element run, ParagraphText text, TagReader.Found found) {
        Occurrence tag = new Occurrence(text, found, 0);
        tag.run = run;
        boolean behind = new Substance(paragraph, List.of(tag)).before(tag).compareTo(Substance.Kind.RANGE) > 0
                || Word.endsSection(paragraph);
        return behind ? paragraph.getNextSibling() : paragraph;
    }

    private static void putBlocks(Element paragraph, Node place, List<Element> blocks, String section) {
        Node parent = paragraph.getParentNode();
        if (!section.isEmpty()) parent.insertBefore(tagParagraph(paragraph, "#" + section), place);
        blocks.forEach(block -> parent.insertBefore(block, place));
        if (!section.isEmpty()) parent.insertBefore(tagParagraph(paragraph, "/" + section), place);
    }

    private static boolean putRuns(Element run, List<Element> blocks, String section, Part.Origin origin) {
        List<Element> paragraphs =
                blocks.stream().filter(block -> Word.local(block).equals("p")).toList();
        if (paragraphs.size() != 1 || blocks.size() != 1) return false;
        Node parent = run.getParentNode();
        if (!section.isEmpty()) parent.insertBefore(tagRun(run, "#" + section), run);
        settleTags(paragraphs.get(0));
        parent.insertBefore(Part.edge(run, origin, true), run);
        Node next = paragraphs.get(0).getFirstChild();
        while (next != null) {
            Node child = next;
            next = child.getNextSibling();
            boolean properties =
                    child instanceof Element element && Word.local(element).equals("pPr");
            if (!properties) parent.insertBefore(child, run);
        }
        parent.insertBefore(Part.edge(run, origin, false), run);
        if (!section.isEmpty()) parent.insertBefore(tagRun(run, "/" + section), run);
        return true;
    }

    /** Within a line the agreement's delimiters would hold for the clause's tags too: they are made independent of them. */
    private static void settleTags(Element paragraph) {
        ParagraphText text = new ParagraphText(paragraph);
        List<TagReader.Found> found = new TagReader().read(text.original());
        for (int i = found.size() - 1; i >= 0; i--) {
            if (found.get(i).tag() instanceof Tag.Unreadable) continue;
            Element run = text.isolate(found.get(i).start(), found.get(i).end());
            if (found.get(i).tag() instanceof Tag.Silent) continue;
            Element own = Word.element(run, "t");
            Word.setText(own, TagReader.OWN_OPEN + found.get(i).content() + TagReader.OWN_CLOSE);
            run.appendChild(own);
        }
    }

    private static Element tagParagraph(Element like, String content) {
        Element paragraph = Word.element(like, "p");
        paragraph.appendChild(tagRun(like, content));
        return paragraph;
    }

    private static Element tagRun(Element like, String content) {
        Element run = Word.element(like, "r");
        Element text = Word.element(like, "t");
        Word.setText(text, TagReader.OWN_OPEN + content + TagReader.OWN_CLOSE);
        run.appendChild(text);
        return run;
    }

    /** A paragraph that held nothing but the tag goes; ends of ranges in it stay where it stood. */
    private static void removeEmptied(Element paragraph) {
        boolean last = Word.local(paragraph.getParentNode()).equals("tc")
                && Word.children(paragraph.getParentNode()).stream()
                        .noneMatch(
                                other -> other != paragraph && Word.local(other).equals("p"));
        Substance.Kind left = new Substance(paragraph, List.of()).all();
        if (Word.endsSection(paragraph) || last || left.compareTo(Substance.Kind.RANGE) > 0) return;
        for (Element range : Word.all(paragraph, "*")) {
            if (Substance.RANGES.contains(Word.local(range)))
                paragraph.getParentNode().insertBefore(range, paragraph);
        }
        Word.remove(paragraph);
    }

    private void report(String code, String part, Deque<String> open, String place, Message message, Message cure) {
        String title = open.isEmpty() ? Part.titleOf(parts.document(part), part) : "clause " + open.peek();
        diagnostics.add(new Diagnostic(code, title, place, message, cure));
    }
}
