package org.jalousie.core.template;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeMap;
import java.util.function.Function;
import java.util.stream.Stream;
import org.jalousie.core.data.Sha256;
import org.jalousie.core.placement.DocumentId;
import org.jalousie.core.placement.SigningField;
import org.jalousie.core.wording.Diagnostic;
import org.jalousie.core.wording.FoundTags;
import org.jalousie.core.wording.Wording;

/**
 * All wordings of a template: the one that it was made from, and those that came as further documents. They share one set of
 * data, parties and signing fields: a name means the same in each of them.
 */
public record Wordings(Wording own, List<Further> further) {
    /** A wording besides the first one. */
    public record Further(DocumentId id, String title, Wording wording) {}

    public Wordings {
        further = List.copyOf(further);
    }

    /** A wording that is the only one. */
    public static Wordings only(Wording own) {
        return new Wordings(own, List.of());
    }

    /**
     * The wordings of a template's documents.
     *
     * @param own the Word file of its first wording
     * @param compiled reads the tags of a file
     */
    public static Wordings of(Sha256 own, TemplateContent content, Function<Sha256, Wording> compiled) {
        List<Further> further = new ArrayList<>();
        for (TemplateDocument document : content.documents())
            if (document.furtherWording())
                further.add(new Further(
                        document.id(),
                        document.title(),
                        compiled.apply(document.file().orElseThrow())));
        return new Wordings(compiled.apply(own), further);
    }

    /** The wording of a document; empty for a document that is none. */
    public Optional<Wording> of(DocumentId id) {
        if (id.equals(DocumentId.WORDING)) return Optional.of(own);
        return further.stream()
                .filter(one -> one.id.equals(id))
                .map(Further::wording)
                .findFirst();
    }

    /** Whether a tag can't be read in one of them. */
    public boolean broken() {
        return all().anyMatch(Wording::broken);
    }

    /** What can't be read, or looks like a slip; where it is not the first wording's, its part begins with the document's title. */
    public List<Diagnostic> diagnostics() {
        List<Diagnostic> all = new ArrayList<>(own.diagnostics());
        for (Further one : further)
            one.wording.diagnostics().forEach(found -> all.add(found.in(one.title + ", " + found.part())));
        return all;
    }

    /** What the tags of all ask for, together. */
    public FoundTags found() {
        return further.stream().map(one -> one.wording.found()).reduce(own.found(), Wordings::together);
    }

    /** Names of the fonts that the files ask for. */
    public Set<String> fonts() {
        Set<String> fonts = new LinkedHashSet<>();
        all().forEach(one -> fonts.addAll(one.fonts()));
        return fonts;
    }

    /** The scripts in which words of the files are written, each with a few of its letters. */
    public Map<String, String> scripts() {
        Map<String, String> scripts = new TreeMap<>();
        all().forEach(one -> one.scripts().forEach(scripts::putIfAbsent));
        return scripts;
    }

    private Stream<Wording> all() {
        return Stream.concat(Stream.of(own), further.stream().map(Further::wording));
    }

    private static FoundTags together(FoundTags one, FoundTags other) {
        Set<String> conditions = joined(one.conditions(), other.conditions());
        // what one wording prints does more than decide
        conditions.removeIf(name -> prints(one, name) || prints(other, name));
        Map<String, Set<String>> prints = new LinkedHashMap<>(one.prints());
        other.prints().forEach((name, more) -> prints.merge(name, more, Wordings::joined));
        return new FoundTags(
                once(one.fields(), other.fields(), Function.identity()),
                conditions,
                prints,
                once(one.parties(), other.parties(), Function.identity()),
                once(one.signingFields(), other.signingFields(), SigningField::name),
                Stream.concat(one.uses().stream(), other.uses().stream()).toList(),
                joined(one.pictures(), other.pictures()),
                joined(one.clauses(), other.clauses()),
                once(one.comparisons(), other.comparisons(), FoundTags.Comparison::rule));
    }

    private static boolean prints(FoundTags found, String name) {
        return found.fields().contains(name) && !found.conditions().contains(name);
    }

    private static <T> Set<T> joined(Set<T> one, Set<T> other) {
        Set<T> joined = new LinkedHashSet<>(one);
        joined.addAll(other);
        return joined;
    }

    /** Those of both, the first of each name. */
    private static <T> List<T> once(List<T> one, List<T> other, Function<T, ?> name) {
        Map<Object, T> once = new LinkedHashMap<>();
        Stream.concat(one.stream(), other.stream()).forEach(each -> once.putIfAbsent(name.apply(each), each));
        return List.copyOf(once.values());
    }
}
