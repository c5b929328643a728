package org.jalousie.core.wording;

import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.BitSet;
import java.util.HashMap;
import java.util.HashSet;
import java.util.IdentityHashMap;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Set;
import java.util.function.Function;
import org.jalousie.core.data.Field;
import org.jalousie.core.data.FieldType;
import org.jalousie.core.data.Printer;
import org.jalousie.core.data.Value;
import org.jalousie.core.placement.FieldKind;
import org.jalousie.core.placement.SigningField;

/** A Word file with its tags understood: compiled once, merged for every agreement. Immutable and safe between threads. */
public final class Wording {
    private final Map<String, byte[]> fixedParts;
    private final Map<String, List<Segment>> compiled;
    private final FoundTags found;
    private final List<Diagnostic> diagnostics;
    private final Map<Integer, SigningField> boxes;
    private final List<Passage> passages;
    private final Set<String> fonts;
    private final List<Inclusion> inclusions;

    private Wording(
            Map<String, byte[]> fixedParts,
            Map<String, List<Segment>> compiled,
            FoundTags found,
            List<Diagnostic> diagnostics,
            Map<Integer, SigningField> boxes,
            List<Passage> passages,
            Set<String> fonts,
            List<Inclusion> inclusions) {
        this.fonts = fonts;
        this.inclusions = List.copyOf(inclusions);
        this.fixedParts = fixedParts;
        this.compiled = compiled;
        this.found = found;
        this.diagnostics = List.copyOf(diagnostics);
        this.boxes = Map.copyOf(boxes);
        this.passages = List.copyOf(passages);
    }

    /** What a merge came to. @param reached numbers of the passages that were printed at least once */
    public record Merged(byte[] file, BitSet reached) {}

    /** Reads the tags of a file that includes no clauses. */
    public static Wording compile(WordFile file, Set<String> declaredParties) {
        return compile(file, declaredParties, Clauses.NONE);
    }

    /**
     * Reads the tags of a file, with the clauses that it includes.
     *
     * @param declaredParties keys of parties that the coordinator has named, besides those that the tags show
     */
    public static Wording compile(WordFile file, Set<String> declaredParties, Clauses clauses) {
        List<Diagnostic> diagnostics = new ArrayList<>();
        PackageParts pack = new PackageParts(file.parts());
        ClauseInclusion inclusion = new ClauseInclusion(pack, clauses, diagnostics);
        file.textParts().forEach(inclusion::expand);
        List<Part> parts = file.textParts().stream()
                .map(name -> new Part(name, pack.document(name)))
                .toList();
        parts.forEach(part -> Leftovers.report(part, diagnostics));
        Leftovers.comments(file.parts(), diagnostics);
        Set<String> parties = new LinkedHashSet<>();
        for (Occurrence tag : all(parts)) {
            if (tag.tag instanceof Tag.Dotted dotted
                    && FieldKind.ofTag(dotted.second()).isPresent()) parties.add(dotted.first());
        }
        Set<String> known = new HashSet<>(parties);
        known.addAll(declaredParties);
        Map<Integer, SigningField> boxes = new LinkedHashMap<>();
        Map<Occurrence, Integer> numbers = new IdentityHashMap<>();
        TagTree tree = new TagTree();
        for (Part part : parts) {
            settleDotted(part, known, boxes, numbers, diagnostics);
            tree.add(part);
        }
        Map<String, List<Segment>> compiled = new HashMap<>();
        List<Passage> passages = new ArrayList<>();
        Boxes keeper = new Boxes(pack);
        for (Part part : parts) {
            if (part.tags.isEmpty() && Word.first(part.document, "docPr") == null) continue;
            List<Diagnostic> ofPart = new ArrayList<>();
            part.tags.stream().filter(tag -> tag.tag instanceof Tag.Unreadable).forEach(tag -> {
                Tag.Unreadable unreadable = (Tag.Unreadable) tag.tag;
                ofPart.add(part.diagnostic(tag, unreadable.code(), unreadable.message(), unreadable.cure()));
            });
            compiled.put(part.name, new PartCompiler(part, ofPart, numbers, keeper, passages).compile(boxes));
            diagnostics.addAll(ofPart);
        }
        Map<String, byte[]> fixed = new LinkedHashMap<>(pack.finish());
        new PropertyTags(tree, diagnostics).compile(fixed, compiled);
        LinkTags.find(fixed, file.textParts(), tree);
        LinkTags.compile(fixed, file.textParts(), compiled);
        compiled.keySet().forEach(name -> fixed.put(name, new byte[0]));
        return new Wording(
                fixed,
                compiled,
                tree.found(parties, boxes, inclusion.included()),
                diagnostics,
                boxes,
                passages,
                Fonts.named(file.parts(), file.textParts()),
                inclusion.places());
    }

    private static List<Occurrence> all(List<Part> parts) {
        return parts.stream().flatMap(part -> part.tags.stream()).toList();
    }

    /** Decides for each dotted name whether it prints a field or keeps a place for a party. */
    private static void settleDotted(
            Part part,
            Set<String> parties,
            Map<Integer, SigningField> boxes,
            Map<Occurrence, Integer> numbers,
            List<Diagnostic> diagnostics) {
        for (Occurrence tag : part.tags) {
            if (!(tag.tag instanceof Tag.Dotted dotted)) continue;
            if (parties.contains(dotted.first())) {
                FieldKind kind = FieldKind.ofTag(dotted.second()).orElse(FieldKind.TEXT);
                String base = dotted.first() + "_" + dotted.second();
                long before = boxes.values().stream()
                        .filter(box -> box.name().equals(base) || box.name().matches(base + "_\\d+"))
                        .count();
                String name = before == 0 ? base : base + "_" + (before + 1);
                int number = boxes.size() + 1;
                String label =
                        Field.labelFor(dotted.first()) + ": " + dotted.second().replace('_', ' ');
                boxes.put(number, new SigningField(name, dotted.first(), kind, label, true));
                TightPlaces.check(part, tag, kind, diagnostics);
                numbers.put(tag, number);
            } else if (FieldType.isPrint(dotted.second())) {
                tag.tag = new Tag.Value(dotted.first(), dotted.second());
            } else {
                diagnostics.add(part.diagnostic(
                        tag,
                        "party-unknown",
                        "\u201c" + dotted.first() + "\u201d is no party of this template, and \u201c" + dotted.second()
                                + "\u201d is no way to print a field.",
                        "Correct the name, or add a party with the key " + dotted.first() + "."));
                tag.tag = new Tag.Silent();
            }
        }
    }

    /** The clauses at their places, in the order in which they were put in. */
    public List<Inclusion> inclusions() {
        return inclusions;
    }

    /** Names of the fonts that the file asks for. */
    public Set<String> fonts() {
        return fonts;
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
     * @throws IllegalArgumentException when a value can't be printed, saying which and why
     */
    public Merged merge(Map<String, Value> values, Locale language, Function<String, byte[]> pictures) {
        return merge(values, language, pictures, false);
    }

    /**
     * Makes the file that shows the wording itself: every passage once, whether its condition holds or not.
     *
     * @param labels what stands in the place of each value
     */
    public byte[] outline(Map<String, Value> labels, Locale language) {
        return merge(labels, language, file -> new byte[0], true).file();
    }

    private Merged merge(
            Map<String, Value> values, Locale language, Function<String, byte[]> pictures, boolean everything) {
        if (broken()) throw new IllegalStateException("the wording has tags that can't be read");
        Printer printer = Printer.in(language);
        Additions additions = new Additions();
        Pictures drawn = new Pictures(pictures, additions);
        BitSet reached = new BitSet();
        Map<String, byte[]> parts = new LinkedHashMap<>(fixedParts);
        compiled.forEach((name, segments) -> parts.put(
                name,
                new Merge(name, values, printer, drawn, reached, everything)
                        .run(segments)
                        .getBytes(StandardCharsets.UTF_8)));
        additions.finish(parts);
        return new Merged(WordFile.zip(parts), reached);
    }
}
