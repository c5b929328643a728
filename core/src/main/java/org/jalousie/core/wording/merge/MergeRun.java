package org.jalousie.core.wording.merge;

import java.util.ArrayList;
import java.util.BitSet;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import org.jalousie.core.data.Printer;
import org.jalousie.core.wording.compile.Segment;

/** One merge over all parts: which passages were reached, how often each is being printed, names and numbers given once. */
public final class MergeRun {
    private final Printer printer;
    private final Pictures pictures;
    private final boolean everything;
    private final int[] copy;
    private final BitSet reached = new BitSet();
    private final Map<String, Segment.Note> notes;
    private final Map<String, Integer> highestNote;
    private final Map<String, List<Merge.PrintedNote>> printedNotes = new LinkedHashMap<>();
    private final Map<String, Merge> noteParts = new HashMap<>();
    private final Map<String, String> pairs = new HashMap<>();
    private final Set<String> defined = new HashSet<>();
    private final Set<String> referred = new LinkedHashSet<>();
    private final Set<String> bookmarks;
    private int lastPair = 500_000;

    /**
     * @param everything whether every passage is printed, whatever the values say
     * @param bookmarks names that the template itself has
     */
    public MergeRun(
            Printer printer,
            Pictures pictures,
            boolean everything,
            int passages,
            Map<String, Segment.Note> notes,
            Map<String, Integer> highestNote,
            Set<String> bookmarks) {
        this.bookmarks = bookmarks;
        this.printer = printer;
        this.pictures = pictures;
        this.everything = everything;
        this.copy = new int[passages];
        this.notes = notes;
        this.highestNote = new HashMap<>(highestNote);
    }

    Printer printer() {
        return printer;
    }

    Pictures pictures() {
        return pictures;
    }

    boolean everything() {
        return everything;
    }

    public BitSet reached() {
        return reached;
    }

    /** A passage is being printed. @param number how often, with this time, from 1 */
    void reach(int passage, int number) {
        reached.set(passage);
        copy[passage] = number;
    }

    void leave(int passage) {
        copy[passage] = 0;
    }

    /** A name or number for this copy of its passages: the first keeps that of the template. */
    String once(Segment.Once once) {
        StringBuilder suffix = new StringBuilder();
        for (int passage : once.passages())
            if (copy[passage] > 1) suffix.append('_').append(copy[passage]);
        if (once.kind() == Segment.Once.Kind.NAME) {
            String name = once.base() + suffix;
            // the template may have a bookmark of that name itself
            while (!suffix.isEmpty() && bookmarks.contains(name)) name += "_";
            (once.refers() ? referred : defined).add(name);
            return name;
        }
        if (suffix.isEmpty()) return once.base();
        if (once.kind() == Segment.Once.Kind.FRESH)
            return String.valueOf(pictures.additions().nextDrawing());
        return pairs.computeIfAbsent(once.base() + suffix, key -> String.valueOf(++lastPair));
    }

    /** Prints a note with its mark; returns the number that the mark gets. */
    String note(Segment.NoteMark mark, Scope scope) {
        String key = mark.part() + " " + mark.id();
        List<Merge.PrintedNote> printed = printedNotes.computeIfAbsent(key, k -> new ArrayList<>());
        String number = printed.isEmpty() ? mark.id() : String.valueOf(highestNote.merge(mark.part(), 1, Integer::sum));
        Merge merge = noteParts.computeIfAbsent(mark.part(), part -> new Merge(part, scope.outermost(), this));
        printed.add(merge.note(notes.get(key), number, scope));
        return number;
    }

    /** What was printed of a note, in order. */
    List<Merge.PrintedNote> notes(String part, String id) {
        return printedNotes.getOrDefault(part + " " + id, List.of());
    }

    /** Names that references speak of and that are printed nowhere. */
    public Set<String> missing() {
        Set<String> missing = new LinkedHashSet<>(referred);
        missing.removeAll(defined);
        return missing;
    }
}
