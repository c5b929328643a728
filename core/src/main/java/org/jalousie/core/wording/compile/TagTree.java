package org.jalousie.core.wording.compile;

import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.Deque;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import org.jalousie.core.data.FieldType;
import org.jalousie.core.parties.PartyKey;
import org.jalousie.core.placement.SigningField;
import org.jalousie.core.wording.FoundTags;
import org.jalousie.core.wording.Use;
import org.jalousie.core.wording.docx.Word;
import org.jalousie.core.wording.tags.Occurrence;
import org.jalousie.core.wording.tags.Part;
import org.jalousie.core.wording.tags.Tag;
import org.jalousie.core.wording.tags.TagReader;
import org.jalousie.core.wording.tags.TagText;
import org.w3c.dom.Element;

/** Gathers what the tags of all parts ask for, each within the sections round it: a note's tags stand where its mark stands. */
public final class TagTree {
    private final Set<String> fields = new LinkedHashSet<>();
    private final Set<String> conditions = new LinkedHashSet<>();
    private final Set<String> printed = new HashSet<>();
    private final Map<String, Set<String>> prints = new LinkedHashMap<>();
    private final Set<String> pictures = new LinkedHashSet<>();
    private final List<Use> uses = new ArrayList<>();
    private final Map<Element, List<Object>> notes = new HashMap<>();
    private final Set<Element> told = new HashSet<>();
    private final Set<PartyKey> parties;
    private Deque<List<Use>> open = new ArrayDeque<>();

    public TagTree(Set<PartyKey> parties) {
        this.parties = parties;
        open.push(uses);
    }

    /** @param parts all parts with layout, the body first */
    public void add(List<Part> parts, Notes where) {
        for (Part part : parts) {
            for (Object one : part.reading) {
                if (one instanceof Occurrence tag && Word.ancestor(tag.in.paragraph(), "footnote") != null)
                    notes.computeIfAbsent(Word.ancestor(tag.in.paragraph(), "footnote"), n -> new ArrayList<>())
                            .add(one);
                if (one instanceof Occurrence tag && Word.ancestor(tag.in.paragraph(), "endnote") != null)
                    notes.computeIfAbsent(Word.ancestor(tag.in.paragraph(), "endnote"), n -> new ArrayList<>())
                            .add(one);
            }
        }
        for (Part part : parts) {
            for (Object one : part.reading) add(one, part, where);
            close();
        }
    }

    private void add(Object one, Part part, Notes where) {
        if (one instanceof Occurrence tag) {
            Element note = Word.ancestor(tag.in.paragraph(), "footnote");
            if (note == null) note = Word.ancestor(tag.in.paragraph(), "endnote");
            if (note == null || !told.contains(note)) add(tag.tag);
        } else if (one instanceof Element mark) {
            Element note = where.noteOf(part.name, mark);
            if (note == null || !notes.containsKey(note) || !told.add(note)) return;
            for (Object inside : notes.get(note)) add(((Occurrence) inside).tag);
        } else if (one instanceof Part.Plain plain) {
            addPlain(plain.text());
        } else if (one instanceof Part.Placeholder picture && pictures.add(picture.name())) {
            if (fields.add(picture.name())) open.peek().add(new Use(picture.name(), "", false, List.of()));
        }
    }

    private void add(Tag tag) {
        if (tag instanceof Tag.Value value) {
            value(value.name(), value.print());
        } else if (tag instanceof Tag.Open section) {
            int dot = section.name().indexOf('.');
            String name = dot < 0 ? section.name() : section.name().substring(0, dot);
            fields.add(name);
            conditions.add(name);
            List<Use> inside = new ArrayList<>();
            open.peek().add(new Use(name, dot < 0 ? "" : section.name().substring(dot + 1), true, inside));
            open.push(inside);
        } else if (tag instanceof Tag.Close && open.size() > 1) {
            open.pop();
        }
    }

    private void close() {
        while (open.size() > 1) open.pop();
    }

    /** Tags among characters: a file property, an address. */
    public void addPlain(String text) {
        if (!TagText.mayHold(text)) return;
        int before = open.size();
        for (TagReader.Found found : new TagReader().read(TagText.decoded(text))) {
            if (found.tag() instanceof Tag.Dotted dotted) {
                if (!parties.contains(dotted.party()) && FieldType.isPrint(dotted.second()))
                    value(dotted.first(), dotted.second());
            } else {
                add(found.tag());
            }
        }
        while (open.size() > before) open.pop();
    }

    private void value(String name, String print) {
        open.peek().add(new Use(name, print, false, List.of()));
        if (name.equals(".") || name.startsWith(":")) return;
        fields.add(name);
        printed.add(name);
        if (!print.isEmpty())
            prints.computeIfAbsent(name, n -> new LinkedHashSet<>()).add(print);
    }

    public FoundTags found(
            Map<Integer, SigningField> boxes, Set<String> clauses, List<FoundTags.Comparison> comparisons) {
        conditions.removeAll(printed);
        return new FoundTags(
                List.copyOf(fields),
                conditions,
                prints,
                List.copyOf(parties),
                List.copyOf(boxes.values()),
                List.copyOf(uses),
                pictures,
                clauses,
                List.copyOf(comparisons));
    }
}
