package org.jalousie.core.wording.compile;

import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.IdentityHashMap;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import org.jalousie.core.data.FieldType;
import org.jalousie.core.messages.Message;
import org.jalousie.core.parties.PartyKey;
import org.jalousie.core.placement.SigningField;
import org.jalousie.core.placement.SigningFieldType;
import org.jalousie.core.placement.SigningFieldTypes;
import org.jalousie.core.wording.Clauses;
import org.jalousie.core.wording.Diagnostic;
import org.jalousie.core.wording.FieldResults;
import org.jalousie.core.wording.WordFile;
import org.jalousie.core.wording.Wording;
import org.jalousie.core.wording.clause.ClauseInclusion;
import org.jalousie.core.wording.docx.Fonts;
import org.jalousie.core.wording.docx.PackageParts;
import org.jalousie.core.wording.docx.ParagraphText;
import org.jalousie.core.wording.docx.Renumbering;
import org.jalousie.core.wording.docx.Word;
import org.jalousie.core.wording.tags.Comparisons;
import org.jalousie.core.wording.tags.Controls;
import org.jalousie.core.wording.tags.Copies;
import org.jalousie.core.wording.tags.Occurrence;
import org.jalousie.core.wording.tags.OwnFields;
import org.jalousie.core.wording.tags.Part;
import org.jalousie.core.wording.tags.Settling;
import org.jalousie.core.wording.tags.Tag;
import org.jalousie.core.wording.tags.TagReader;
import org.w3c.dom.Document;
import org.w3c.dom.Element;

/** Makes a {@link Wording} of a Word file: clauses put in, the word processor's own fields read as tags, every part compiled. */
public final class WordingCompiler {
    private final WordFile file;
    private final Set<PartyKey> declaredParties;
    private final Set<String> fields;
    private final List<SigningField> settled;
    private final PackageParts pack;
    private final Clauses clauses;
    private final List<Diagnostic> diagnostics = new ArrayList<>();
    private final Map<Integer, SigningField> boxes = new LinkedHashMap<>();
    private final Map<Occurrence, Integer> numbers = new IdentityHashMap<>();
    private final Map<String, Integer> copies = new HashMap<>();
    private final Map<String, Integer> names = new HashMap<>();
    private final Set<String> taken = new HashSet<>();
    private final Set<Integer> onEachPage = new HashSet<>();
    private final Copies twins = new Copies();

    public WordingCompiler(
            WordFile file,
            Set<PartyKey> declaredParties,
            Set<String> fields,
            List<SigningField> settled,
            Clauses clauses) {
        this.file = file;
        this.declaredParties = declaredParties;
        this.fields = fields;
        this.settled = settled;
        this.clauses = clauses;
        this.pack = new PackageParts(file.parts());
    }

    public Wording compile() {
        ClauseInclusion inclusion = new ClauseInclusion(pack, clauses, diagnostics);
        List<String> textParts = file.textParts();
        for (String name : textParts) {
            Document document = pack.document(name);
            Settling.settle(document, Part.titleOf(document, name), diagnostics);
        }
        textParts.forEach(inclusion::expand);
        Comparisons comparisons = new Comparisons();
        textParts.forEach(name -> settle(name, comparisons));
        if (file.wasSigned()) diagnostics.add(Leftovers.signature());
        PackageCuts.report(pack, textParts, diagnostics);
        Renumbering.of(pack, textParts);
        Contents.settle(pack, diagnostics);
        List<Part> parts = textParts.stream()
                .map(name -> new Part(name, pack.document(name), pack))
                .toList();
        parts.forEach(part -> Leftovers.report(part, diagnostics));
        parts.forEach(part -> Leftovers.halfFields(part, diagnostics));
        Leftovers.comments(pack, diagnostics);
        Leftovers.deepTables(parts, diagnostics);
        Element body = Word.child(pack.document(WordFile.MAIN).getDocumentElement(), "body");
        boolean lastSectionMayGo = body != null && LastSection.holdsSomething(body);
        Set<PartyKey> parties = parties(parts);
        Set<PartyKey> known = new HashSet<>(parties);
        known.addAll(declaredParties);
        parts.forEach(part -> settleDotted(part, known));
        TagTree tree = new TagTree(parties);
        Notes notes = new Notes(pack);
        tree.add(parts, notes);
        Passages passages = new Passages(twins);
        PlainTags plain = new PlainTags(pack, tree, known, passages);
        plain.find(textParts);
        Map<String, List<Segment>> compiled = new LinkedHashMap<>();
        Bookmarks bookmarks = new Bookmarks();
        Boxes keeper = new Boxes(pack);
        for (Part part : parts) {
            List<Diagnostic> ofPart = new ArrayList<>();
            part.tags.stream().filter(tag -> tag.tag instanceof Tag.Unreadable).forEach(tag -> {
                Tag.Unreadable unreadable = (Tag.Unreadable) tag.tag;
                ofPart.add(part.diagnostic(tag, unreadable.code(), unreadable.message(), unreadable.cure()));
            });
            compiled.put(
                    part.name,
                    new PartCompiler(part, ofPart, numbers, keeper, passages, notes).compile(boxes, plain, bookmarks));
            diagnostics.addAll(ofPart);
        }
        bookmarks.report(diagnostics);
        plain.forgetAddresses();
        plain.inOthers(textParts, compiled, diagnostics);
        Map<String, byte[]> fixed = new LinkedHashMap<>(pack.finish());
        if (diagnostics.stream().noneMatch(Diagnostic::blocks)) LastLook.over(fixed, compiled, diagnostics);
        // a part that is always the same needs no merging
        compiled.entrySet()
                .removeIf(part -> !part.getKey().equals(WordFile.MAIN)
                        && part.getValue().stream().allMatch(Segment.Literal.class::isInstance)
                        && settled(part.getKey(), part.getValue(), fixed));
        compiled.keySet().forEach(name -> fixed.put(name, new byte[0]));
        return new Wording(
                new Wording.Parts(
                        fixed,
                        compiled,
                        notesOf(compiled),
                        notes.highest(),
                        lastSectionMayGo,
                        Set.copyOf(onEachPage),
                        bookmarks.names()),
                tree.found(boxes, inclusion.included(), comparisons.found()),
                Diagnostic.once(diagnostics),
                boxes,
                passages.all(),
                Fonts.in(file.parts(), textParts),
                inclusion.places());
    }

    private static boolean settled(String name, List<Segment> literals, Map<String, byte[]> fixed) {
        if (literals.isEmpty()) return false;
        StringBuilder xml = new StringBuilder();
        literals.forEach(literal -> xml.append(((Segment.Literal) literal).xml()));
        fixed.put(name, xml.toString().getBytes(StandardCharsets.UTF_8));
        return true;
    }

    private void settle(String name, Comparisons comparisons) {
        Document document = pack.document(name);
        String title = Part.titleOf(document, name);
        new OwnFields(title, comparisons, variables(), diagnostics).intoTags(document);
        Set<String> known = new HashSet<>(fields);
        for (Element paragraph : Word.paragraphs(document)) known.addAll(namesIn(paragraph));
        new Controls(title, known, diagnostics).intoTags(document);
        if (name.equals(WordFile.MAIN)) FieldResults.mark(document);
    }

    /** The document's variables (ISO/IEC 29500-1 §17.15.1.33). */
    private Map<String, String> variables() {
        Map<String, String> variables = new HashMap<>();
        String settings = pack.related(WordFile.MAIN, "settings");
        if (settings.isEmpty()) return variables;
        for (Element one : Word.all(pack.document(settings), "docVar"))
            variables.put(Word.attribute(one, "name"), Word.attribute(one, "val"));
        return variables;
    }

    private static List<String> namesIn(Element paragraph) {
        List<String> names = new ArrayList<>();
        for (TagReader.Found found : new TagReader().read(new ParagraphText(paragraph).original())) {
            if (found.tag() instanceof Tag.Value value) names.add(value.name());
            if (found.tag() instanceof Tag.Dotted dotted) names.add(dotted.first());
            if (found.tag() instanceof Tag.Open open) names.add(open.name());
        }
        return names;
    }

    private static Set<PartyKey> parties(List<Part> parts) {
        Set<PartyKey> parties = new LinkedHashSet<>();
        for (Part part : parts) {
            for (Occurrence tag : part.tags) {
                if (tag.tag instanceof Tag.Dotted dotted
                        && SigningFieldTypes.named(dotted.second()).isPresent()) parties.add(dotted.party());
            }
        }
        return parties;
    }

    private static Map<String, Segment.Note> notesOf(Map<String, List<Segment>> compiled) {
        Map<String, Segment.Note> notes = new HashMap<>();
        compiled.forEach((part, segments) -> segments.forEach(segment -> {
            if (segment instanceof Segment.Note note) notes.put(part + " " + note.id(), note);
        }));
        return notes;
    }

    /** Decides for each dotted name whether it prints a field or keeps a place for a party. */
    private void settleDotted(Part part, Set<PartyKey> parties) {
        for (Occurrence tag : part.tags) {
            if (!(tag.tag instanceof Tag.Dotted dotted)) continue;
            if (parties.contains(dotted.party())) {
                signingField(part, tag, dotted);
            } else if (FieldType.isPrint(dotted.second())) {
                tag.tag = new Tag.Value(dotted.first(), dotted.second());
            } else {
                diagnostics.add(part.diagnostic(
                        tag,
                        "party-unknown",
                        Message.of("wording.party-unknown", "party", dotted.first(), "print", dotted.second()),
                        Message.of("wording.party-unknown.cure", "party", dotted.first())));
                tag.tag = new Tag.Silent();
            }
        }
    }

    private void signingField(Part part, Occurrence tag, Tag.Dotted dotted) {
        String copy = twins.key(tag, part);
        if (copies.containsKey(copy)) {
            numbers.put(tag, copies.get(copy));
            return;
        }
        SigningFieldType type = SigningFieldTypes.ofTag(dotted.second());
        String base = dotted.first() + "_" + dotted.second();
        int count = names.merge(base, 1, Integer::sum);
        String name = count == 1 ? base : base + "_" + count;
        while (!taken.add(name)) name = base + "_" + names.merge(base, 1, Integer::sum);
        int number = boxes.size() + 1;
        String label = dotted.second().replace('_', ' ');
        if (List.of("header", "footer").contains(part.title())) onEachPage.add(number);
        SigningField box = settled(new SigningField(name, dotted.party(), label, type));
        boxes.put(number, box);
        TightPlaces.check(part, tag, box, diagnostics);
        numbers.put(tag, number);
        if (!copy.isEmpty()) copies.put(copy, number);
    }

    /** The field with the settings that the coordinator has given it; a size that is half typed is not tried on the page. */
    private SigningField settled(SigningField found) {
        return settled.stream()
                .filter(one -> one.name().equals(found.name())
                        && one.type().standsFor(found.type())
                        && one.type().size().fitsAPage())
                .findFirst()
                .orElse(found);
    }
}
