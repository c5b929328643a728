package org.jalousie.core.wording;

import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.BitSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Set;
import java.util.TreeMap;
import java.util.function.Function;
import org.jalousie.core.data.Printer;
import org.jalousie.core.data.Value;
import org.jalousie.core.messages.NotPossible;
import org.jalousie.core.parties.PartyKey;
import org.jalousie.core.placement.SigningField;
import org.jalousie.core.wording.compile.Boxes;
import org.jalousie.core.wording.compile.LastSection;
import org.jalousie.core.wording.compile.Segment;
import org.jalousie.core.wording.compile.WordingCompiler;
import org.jalousie.core.wording.docx.Fonts;
import org.jalousie.core.wording.merge.Additions;
import org.jalousie.core.wording.merge.Merge;
import org.jalousie.core.wording.merge.MergeRun;
import org.jalousie.core.wording.merge.Pictures;
import org.jalousie.core.wording.merge.Reconciliation;
import org.jalousie.core.wording.merge.Scope;

/** A Word file with its tags understood: compiled once, merged for every agreement. Immutable and safe between threads. */
public final class Wording {
    private final Map<String, byte[]> fixedParts;
    private final Map<String, List<Segment>> compiled;
    private final FoundTags found;
    private final List<Diagnostic> diagnostics;
    private final Map<Integer, SigningField> boxes;
    private final List<Passage> passages;
    private final Fonts fonts;
    private final Map<String, Segment.Note> notes;
    private final Map<String, Integer> highestNotes;
    private final boolean lastSectionMayGo;
    private final Set<Integer> onEachPage;
    private final Set<String> bookmarks;
    private final List<Inclusion> inclusions;

    public Wording(
            Parts parts,
            FoundTags found,
            List<Diagnostic> diagnostics,
            Map<Integer, SigningField> boxes,
            List<Passage> passages,
            Fonts fonts,
            List<Inclusion> inclusions) {
        this.fixedParts = parts.fixed();
        this.compiled = parts.compiled();
        this.notes = parts.notes();
        this.highestNotes = parts.highestNotes();
        this.lastSectionMayGo = parts.lastSectionMayGo();
        this.onEachPage = parts.onEachPage();
        this.bookmarks = parts.bookmarks();
        this.fonts = fonts;
        this.inclusions = List.copyOf(inclusions);
        this.found = found;
        this.diagnostics = List.copyOf(diagnostics);
        this.boxes = Map.copyOf(boxes);
        this.passages = List.copyOf(passages);
    }

    /**
     * What a merge came to.
     *
     * @param file with marks round fields whose results the word processor works out: see {@link FieldResults}
     * @param reached numbers of the passages that were printed at least once
     * @param fields how often each signing field stands in the body, by its number
     * @param printed the parts as they were printed, with what put each stretch there
     */
    public record Merged(byte[] file, BitSet reached, Map<Integer, Integer> fields, List<PrintedPart> printed) {}

    /** A part of a merged file. @param stretches of {@code xml}, by where each ends */
    public record PrintedPart(String name, String xml, List<Stretch> stretches) {}

    /** Reads the tags of a file that includes no clauses. */
    public static Wording compile(WordFile file, Set<PartyKey> declaredParties) {
        return compile(file, declaredParties, Clauses.NONE);
    }

    /** Reads the tags of a file whose fields nobody has settled yet. */
    public static Wording compile(WordFile file, Set<PartyKey> declaredParties, Clauses clauses) {
        return compile(file, declaredParties, Set.of(), clauses);
    }

    /**
     * Reads the tags of a file, with the clauses that it includes.
     *
     * @param declaredParties keys of parties that the coordinator has named, besides those that the tags show
     * @param fields names of fields that are known already: a content control of such a name is that field
     */
    public static Wording compile(WordFile file, Set<PartyKey> declaredParties, Set<String> fields, Clauses clauses) {
        return compile(file, declaredParties, fields, List.of(), clauses);
    }

    /** @param settled signing fields whose settings are known already, by which room is kept for them */
    public static Wording compile(
            WordFile file,
            Set<PartyKey> declaredParties,
            Set<String> fields,
            List<SigningField> settled,
            Clauses clauses) {
        return new WordingCompiler(file, declaredParties, fields, settled, clauses).compile();
    }

    /** The clauses at their places, in the order in which they were put in. */
    public List<Inclusion> inclusions() {
        return inclusions;
    }

    /** Names of the fonts that the file asks for. */
    public Set<String> fonts() {
        return fonts.names();
    }

    /** The scripts in which words of the file are written, each with a few of its letters. */
    public Map<String, String> scripts() {
        return fonts.scripts();
    }

    /** What the tags ask for. */
    public FoundTags found() {
        return found;
    }

    /** What can't be read, or looks like a slip. */
    public List<Diagnostic> diagnostics() {
        return diagnostics;
    }

    /** Whether a tag can't be read, so that nothing can be merged. */
    public boolean broken() {
        return diagnostics.stream().anyMatch(Diagnostic::blocks);
    }

    /** The signing fields by the number that their boxes carry through conversion. */
    public Map<Integer, SigningField> boxes() {
        return boxes;
    }

    /** Numbers of the signing fields that stand in a header or footer, and so on every page that has it. */
    public Set<Integer> onEachPage() {
        return onEachPage;
    }

    /** The stretches that print for some data only, by their number. */
    public List<Passage> passages() {
        return passages;
    }

    /**
     * Makes the Word file of one agreement whose data has no pictures.
     *
     * @see #merge(Map, Locale, Function)
     */
    public byte[] merge(Map<String, Value> values, Locale language) {
        return merge(values, language, file -> {
                    throw new IllegalArgumentException("a picture is asked for and there is no store");
                })
                .file();
    }

    /**
     * Makes the Word file of one agreement.
     *
     * @param values by field, rule and choice; absent means empty
     * @param pictures the content of a picture by its SHA-256
     * @throws IllegalStateException when the wording is {@link #broken()}
     * @throws NotPossible when a value can't be printed, saying which and why
     */
    public Merged merge(Map<String, Value> values, Locale language, Function<String, byte[]> pictures) {
        return merge(values, language, pictures, false);
    }

    /**
     * Makes the file that shows the wording itself: every passage once, whether its condition holds or not.
     *
     * @param labels what stands in the place of each value
     */
    public Merged outline(Map<String, Value> labels, Locale language) {
        return merge(labels, language, file -> new byte[0], true);
    }

    private Merged merge(
            Map<String, Value> values, Locale language, Function<String, byte[]> pictures, boolean everything) {
        if (broken()) throw new IllegalStateException("the wording has tags that can't be read");
        Additions additions = new Additions(fixedParts);
        MergeRun run = new MergeRun(
                Printer.in(language),
                new Pictures(pictures, additions),
                everything,
                passages.size(),
                notes,
                highestNotes,
                bookmarks);
        Scope root = new Scope(values);
        Map<String, byte[]> parts = new LinkedHashMap<>(fixedParts);
        Map<Integer, Integer> fields = new TreeMap<>();
        List<PrintedPart> printed = new ArrayList<>();
        compiled.forEach((name, segments) -> {
            Merge merge = new Merge(name, root, run);
            String whole = merge.run(segments);
            boolean main = name.equals(WordFile.MAIN);
            String xml = lastSectionMayGo && main ? LastSection.without(whole, merge.written()) : whole;
            byte[] bytes = xml.getBytes(StandardCharsets.UTF_8);
            Reconciliation.check(name, xml, bytes, merge.written());
            if (!boxes.isEmpty() && main) fields.putAll(Boxes.in(xml));
            parts.put(name, bytes);
            // a section that went leaves what was printed in its place, and takes only its own settings along
            printed.add(new PrintedPart(name, whole, List.copyOf(merge.stretches())));
        });
        Reconciliation.references(run.missing());
        additions.finish(parts);
        return new Merged(WordFile.zip(parts), run.reached(), fields, List.copyOf(printed));
    }

    /** What stands in every file of a template: see {@link WordingCompiler}. */
    public record Parts(
            Map<String, byte[]> fixed,
            Map<String, List<Segment>> compiled,
            Map<String, Segment.Note> notes,
            Map<String, Integer> highestNotes,
            boolean lastSectionMayGo,
            Set<Integer> onEachPage,
            Set<String> bookmarks) {}
}
