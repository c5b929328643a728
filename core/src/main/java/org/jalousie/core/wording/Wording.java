package org.jalousie.core.wording;

import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.IdentityHashMap;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Set;
import org.jalousie.core.data.Field;
import org.jalousie.core.data.FieldType;
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

    private Wording(
            Map<String, byte[]> fixedParts,
            Map<String, List<Segment>> compiled,
            FoundTags found,
            List<Diagnostic> diagnostics,
            Map<Integer, SigningField> boxes) {
        this.fixedParts = fixedParts;
        this.compiled = compiled;
        this.found = found;
        this.diagnostics = List.copyOf(diagnostics);
        this.boxes = Map.copyOf(boxes);
    }

    /**
     * Reads the tags of a file.
     *
     * @param declaredParties keys of parties that the coordinator has named, besides those that the tags show
     */
    public static Wording compile(WordFile file, Set<String> declaredParties) {
        List<Part> parts = file.textParts().stream()
                .map(name -> new Part(name, file.parts().get(name)))
                .toList();
        List<Diagnostic> diagnostics = new ArrayList<>();
        Set<String> parties = new LinkedHashSet<>();
        for (Occurrence tag : all(parts)) {
            if (tag.tag instanceof Tag.Dotted dotted
                    && FieldKind.ofTag(dotted.second()).isPresent()) parties.add(dotted.first());
        }
        Set<String> known = new HashSet<>(parties);
        known.addAll(declaredParties);
        Map<Integer, SigningField> boxes = new LinkedHashMap<>();
        Map<Occurrence, Integer> numbers = new IdentityHashMap<>();
        for (Part part : parts) settleDotted(part, known, boxes, numbers, diagnostics);
        FoundTags found = found(parts, parties, boxes);
        Map<String, byte[]> fixed = new LinkedHashMap<>(file.parts());
        Boxes keeper = new Boxes(fixed);
        Map<String, List<Segment>> compiled = new HashMap<>();
        for (Part part : parts) {
            if (part.tags.isEmpty()) continue;
            List<Diagnostic> ofPart = new ArrayList<>();
            part.tags.stream().filter(tag -> tag.tag instanceof Tag.Unreadable).forEach(tag -> {
                Tag.Unreadable unreadable = (Tag.Unreadable) tag.tag;
                ofPart.add(part.diagnostic(tag, unreadable.code(), unreadable.message(), unreadable.cure()));
            });
            List<Segment> segments = new PartCompiler(part, ofPart, numbers, keeper).compile(boxes);
            diagnostics.addAll(ofPart);
            compiled.put(part.name, segments);
        }
        PropertyTags.compile(file, compiled, found, diagnostics);
        keeper.finish();
        compiled.keySet().forEach(name -> fixed.put(name, new byte[0]));
        return new Wording(fixed, compiled, found, diagnostics, boxes);
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

    private static FoundTags found(List<Part> parts, Set<String> parties, Map<Integer, SigningField> boxes) {
        Set<String> fields = new LinkedHashSet<>();
        Set<String> conditions = new LinkedHashSet<>();
        Map<String, Set<String>> prints = new LinkedHashMap<>();
        for (Occurrence tag : all(parts)) {
            if (tag.tag instanceof Tag.Value value) {
                fields.add(value.name());
                if (!value.print().isEmpty())
                    prints.computeIfAbsent(value.name(), n -> new LinkedHashSet<>())
                            .add(value.print());
            } else if (tag.tag instanceof Tag.Open open) {
                fields.add(open.name());
                conditions.add(open.name());
            }
        }
        Set<String> printed = new HashSet<>();
        all(parts).forEach(tag -> {
            if (tag.tag instanceof Tag.Value value) printed.add(value.name());
        });
        conditions.removeAll(printed);
        return new FoundTags(
                new ArrayList<>(fields), conditions, prints, List.copyOf(parties), List.copyOf(boxes.values()));
    }

    /** What the tags ask for. */
    public FoundTags found() {
        return found;
    }

    /** What can't be read; a wording with any can't be merged. */
    public List<Diagnostic> diagnostics() {
        return diagnostics;
    }

    /** The signing fields by the number that their boxes carry through conversion. */
    public Map<Integer, SigningField> boxes() {
        return boxes;
    }

    /**
     * Makes the Word file of one agreement.
     *
     * @param values by field name; absent means empty
     * @throws IllegalStateException when the wording has diagnostics
     * @throws IllegalArgumentException when a value holds a character that no document can carry
     */
    public byte[] merge(Map<String, Value> values, Locale language) {
        if (!diagnostics.isEmpty()) throw new IllegalStateException("the wording has tags that can't be read");
        Merge merge = new Merge(values, language);
        Map<String, byte[]> parts = new LinkedHashMap<>(fixedParts);
        compiled.forEach((name, segments) -> parts.put(name, merge.run(segments).getBytes(StandardCharsets.UTF_8)));
        return WordFile.zip(parts);
    }
}
