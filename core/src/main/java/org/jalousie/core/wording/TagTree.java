package org.jalousie.core.wording;

import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.Deque;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import org.jalousie.core.placement.SigningField;

/** Gathers what the tags of all parts ask for. */
final class TagTree {
    private final Set<String> fields = new LinkedHashSet<>();
    private final Set<String> conditions = new LinkedHashSet<>();
    private final Set<String> printed = new HashSet<>();
    private final Map<String, Set<String>> prints = new LinkedHashMap<>();
    private final Set<String> pictures = new LinkedHashSet<>();
    private final List<Use> uses = new ArrayList<>();

    void add(Part part) {
        Deque<List<Use>> open = new ArrayDeque<>();
        open.push(uses);
        for (Occurrence tag : part.tags) {
            if (tag.tag instanceof Tag.Value value) {
                add(value.name(), value.print(), open.peek());
            } else if (tag.tag instanceof Tag.Open section) {
                int dot = section.name().indexOf('.');
                String name = dot < 0 ? section.name() : section.name().substring(0, dot);
                fields.add(name);
                conditions.add(name);
                List<Use> inside = new ArrayList<>();
                open.peek().add(new Use(name, dot < 0 ? "" : section.name().substring(dot + 1), true, inside));
                open.push(inside);
            } else if (tag.tag instanceof Tag.Close && open.size() > 1) {
                open.pop();
            }
        }
        PictureTags.find(part, pictures);
        pictures.forEach(name -> {
            if (fields.add(name)) uses.add(new Use(name, "", false, List.of()));
        });
    }

    /** A value outside of the parts with layout, as in a file property. */
    void add(String name, String print) {
        add(name, print, uses);
    }

    private void add(String name, String print, List<Use> into) {
        into.add(new Use(name, print, false, List.of()));
        if (name.equals(".")) return;
        fields.add(name);
        printed.add(name);
        if (!print.isEmpty())
            prints.computeIfAbsent(name, n -> new LinkedHashSet<>()).add(print);
    }

    FoundTags found(Set<String> parties, Map<Integer, SigningField> boxes, Set<String> clauses) {
        conditions.removeAll(printed);
        return new FoundTags(
                List.copyOf(fields),
                conditions,
                prints,
                List.copyOf(parties),
                List.copyOf(boxes.values()),
                List.copyOf(uses),
                pictures,
                clauses);
    }
}
