package org.jalousie.core.wording.tags;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.jalousie.core.messages.Message;
import org.jalousie.core.wording.Diagnostic;
import org.jalousie.core.wording.docx.Word;
import org.jalousie.core.wording.docx.WordFields;
import org.w3c.dom.Document;
import org.w3c.dom.Element;

/**
 * Turns a word processor's own fields into tags, before tags are looked for: {@code MERGEFIELD} (ISO/IEC 29500-1
 * §17.16.5.35) with its switches, {@code IF} (§17.16.5.22) over merge fields, content controls (§17.5.2). Fields that would
 * print what only the machine knows are given what the agreement says; those that can't be followed are reported by name.
 */
public final class OwnFields {
    /** What would ask, count or fetch while merging: the program has other ways for it, or none. */
    private static final Set<String> UNSUPPORTED = Set.of(
            "ADDRESSBLOCK",
            "GREETINGLINE",
            "ASK",
            "FILLIN",
            "SET",
            "NEXT",
            "NEXTIF",
            "SKIPIF",
            "MERGEREC",
            "MERGESEQ",
            "COMPARE",
            "DATABASE",
            "MACROBUTTON",
            "AUTOTEXT",
            "AUTOTEXTLIST",
            "GLOSSARY",
            "GOTOBUTTON",
            "IMPORT");

    /** What would bring something from outside of the file. */
    private static final Set<String> OUTSIDE =
            Set.of("INCLUDETEXT", "INCLUDEPICTURE", "INCLUDE", "LINK", "DDE", "DDEAUTO", "RD", "EMBED");

    /** Codes that may hold tags: an address, an entry of an index or a list. */
    private static final Set<String> CODE_WITH_TAGS = Set.of("HYPERLINK", "XE", "TC", "TA");

    private static final Pattern ARGUMENT =
            Pattern.compile("\\s*\\S+\\s+(?:[\"\u201c]([^\"\u201d]*)[\"\u201d]|(\\S+))\\s*(?:\\\\.*)?", Pattern.DOTALL);

    private final String title;
    private final List<Diagnostic> diagnostics;
    private final Comparisons comparisons;
    private final Map<String, String> variables;

    /**
     * @param comparisons gathers the conditions of {@code IF} fields
     * @param variables of the document, by name
     */
    public OwnFields(
            String title, Comparisons comparisons, Map<String, String> variables, List<Diagnostic> diagnostics) {
        this.title = title;
        this.variables = variables;
        this.comparisons = comparisons;
        this.diagnostics = diagnostics;
    }

    public void intoTags(Document document) {
        for (Element simple : Word.all(document, "fldSimple")) unfold(simple);
        for (WordFields.WordField field : WordFields.of(document)) settle(field, null);
    }

    /** A field in one element is written as the marks that it stands for. */
    private static void unfold(Element simple) {
        if (simple.getParentNode() == null) return;
        Element first = Word.first(simple, "r");
        List<Element> before = new ArrayList<>();
        before.add(run(simple, first, mark(simple, "begin")));
        Element code = Word.element(simple, "instrText");
        Word.setText(code, Word.attribute(simple, "instr"));
        before.add(run(simple, first, code));
        before.add(run(simple, first, mark(simple, "separate")));
        before.forEach(run -> simple.getParentNode().insertBefore(run, simple));
        simple.getParentNode().insertBefore(run(simple, first, mark(simple, "end")), simple.getNextSibling());
        Word.remove(Word.child(simple, "fldData"));
        Word.unwrap(simple);
    }

    private static Element mark(Element like, String type) {
        Element mark = Word.element(like, "fldChar");
        Word.setAttribute(mark, "fldCharType", type);
        return mark;
    }

    private static Element run(Element like, Element look, Element content) {
        Element run = Word.element(like, "r");
        Element properties = look == null ? null : Word.child(look, "rPr");
        if (properties != null) run.appendChild(properties.cloneNode(true));
        run.appendChild(content);
        return run;
    }

    /** @param within the field in whose code this one stands, or null */
    private void settle(WordFields.WordField field, WordFields.WordField within) {
        String type = field.type();
        if (type.equals("MERGEFIELD")) {
            mergeField(field, within);
        } else if (type.equals("IF")) {
            condition(field);
        } else if (type.equals("DOCVARIABLE") && field.inOneParagraph() && variables.containsKey(argument(field))) {
            asWords(field, variables.get(argument(field)));
        } else if (type.equals("QUOTE")
                && field.inOneParagraph()
                && field.inside.isEmpty()
                && !argument(field).isEmpty()) {
            asWords(field, argument(field));
        } else if (MachineFields.isOne(type)) {
            MachineFields.settle(field);
        } else if (UNSUPPORTED.contains(type)) {
            report(
                    field,
                    "field-unsupported",
                    Message.of("wording.field-unsupported", "type", type),
                    type.equals("ADDRESSBLOCK")
                            ? Message.of("wording.field-unsupported.address")
                            : type.equals("GREETINGLINE")
                                    ? Message.of("wording.field-unsupported.greeting")
                                    : Message.of("wording.field-unsupported.cure"));
        } else if (OUTSIDE.contains(type)) {
            report(
                    field,
                    "field-outside",
                    Message.of("wording.field-outside", "type", type),
                    Message.of("wording.field-outside.cure"));
        } else {
            List<WordFields.WordField> inCode = new ArrayList<>();
            for (Object one : field.code) if (one instanceof WordFields.WordField inner) inCode.add(inner);
            inCode.forEach(inner -> settle(inner, field));
            field.inside.stream().filter(inner -> !inCode.contains(inner)).forEach(inner -> settle(inner, null));
            joinCode(field);
            if (type.equals("SEQ")) counted(field);
            if (field.instruction().contains("{{") && !CODE_WITH_TAGS.contains(type)) stale(field, type);
        }
    }

    /** The converter counts only those that say how, although arabic is the usual way (ISO/IEC 29500-1 §17.16.5.55). */
    private static void counted(WordFields.WordField field) {
        if (field.instruction().contains("\\*")) return;
        for (Object one : field.code) {
            if (!(one instanceof Element leaf) || leaf.getTextContent().isBlank()) continue;
            Word.setText(leaf, leaf.getTextContent().stripTrailing() + " \\* ARABIC ");
            return;
        }
    }

    /** What such a field shows was worked out from other data, and the converter doesn't work it out anew. */
    private void stale(WordFields.WordField field, String type) {
        report(
                field,
                "field-unsupported",
                type.startsWith("=")
                        ? Message.of("wording.field-formula")
                        : Message.of("wording.field-followed", "type", type),
                type.startsWith("=")
                        ? Message.of("wording.field-formula.rule")
                        : Message.of("wording.field-formula.cure"));
    }

    /** The text that is quoted, or the variable's, stands for the field: tags in it are read like any others. */
    private static boolean asWords(WordFields.WordField field, String words) {
        return WordFields.replace(field.leaves, List.of(words(field.look(), words)));
    }

    private static String argument(WordFields.WordField field) {
        Matcher argument = ARGUMENT.matcher(field.instruction());
        if (!argument.matches()) return "";
        return argument.group(1) != null ? argument.group(1) : argument.group(2);
    }

    /** A code in several pieces that holds tags is put into the first of them. */
    private static void joinCode(WordFields.WordField field) {
        String whole = field.instruction();
        if (!whole.contains("{{")) return;
        boolean first = true;
        for (Object one : field.code) {
            if (!(one instanceof Element leaf)) continue;
            Word.setText(leaf, first ? whole : "");
            first = false;
        }
    }

    private void mergeField(WordFields.WordField field, WordFields.WordField within) {
        MergeField read = MergeField.read(field.instruction());
        if (read.name().isEmpty()) {
            report(
                    field,
                    "field-unsupported",
                    Message.of("wording.merge-field-name"),
                    Message.of("wording.merge-field-name.cure"));
            return;
        }
        read.ignored()
                .forEach(other -> report(
                        field,
                        "field-switch",
                        Message.of("wording.field-switch", "switch", other, "field", read.name()),
                        Message.of("wording.field-switch.cure", "name", read.name())));
        List<Element> runs = new ArrayList<>();
        if (within != null) {
            // in the code of another field words are code too
            Element leaf = Word.element(field.leaves.get(0), "instrText");
            Word.setText(leaf, "{{" + read.name() + (read.print().matches("[a-z_]+") ? "." + read.print() : "") + "}}");
            runs.add(run(leaf, field.look(), leaf));
            if (WordFields.replace(field.leaves, runs)) {
                within.code.set(within.code.indexOf(field), leaf);
                return;
            }
        }
        runs.addAll(tags(read, field.look()));
        if (!WordFields.replace(field.leaves, runs)) reportLayout(field, "MERGEFIELD");
    }

    static List<Element> tags(MergeField read, Element look) {
        List<Element> runs = new ArrayList<>();
        around(runs, read.name(), read.before(), look);
        runs.add(tag(look, MergeField.value(read.name(), read.print())));
        around(runs, read.name(), read.after(), look);
        return runs;
    }

    private static void around(List<Element> runs, String name, String words, Element look) {
        if (words.isEmpty()) return;
        runs.add(tag(look, "#" + name));
        runs.add(words(look, words));
        runs.add(tag(look, "/" + name));
    }

    private void condition(WordFields.WordField field) {
        List<Element> runs = field.inOneParagraph() ? comparisons.passages(field) : List.of();
        if (runs.isEmpty()) {
            report(field, "field-unsupported", Message.of("wording.field-if"), Message.of("wording.field-if.cure"));
            return;
        }
        WordFields.replace(field.leaves, runs);
    }

    private void reportLayout(WordFields.WordField field, String type) {
        report(
                field,
                "field-unsupported",
                Message.of("wording.field-cells", "type", type),
                Message.of("wording.field-cells.cure"));
    }

    private void report(WordFields.WordField field, String code, Message message, Message cure) {
        Element paragraph = Word.ancestor(field.leaves.get(0), "p");
        Part.Origin origin = Part.origin(paragraph);
        diagnostics.add(new Diagnostic(
                code, origin == null ? title : "clause " + origin.clause(), Part.around(paragraph), message, cure));
    }

    /** A run that is a tag, in the look of another one. */
    static Element tag(Element look, String content) {
        return words(look, TagReader.OWN_OPEN + content + TagReader.OWN_CLOSE);
    }

    static Element words(Element look, String words) {
        Element run = Word.element(look, "r");
        Element properties = Word.child(look, "rPr");
        if (properties != null) {
            Element copy = (Element) properties.cloneNode(true);
            // the grey hint in an empty control is no look of the words to come
            Element style = Word.child(copy, "rStyle");
            if (style != null && Word.attribute(style, "val").startsWith("Placeholder")) copy.removeChild(style);
            run.appendChild(copy);
        }
        Element text = Word.element(look, "t");
        Word.setText(text, words);
        run.appendChild(text);
        return run;
    }
}
