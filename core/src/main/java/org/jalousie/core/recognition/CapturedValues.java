package org.jalousie.core.recognition;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import org.jalousie.core.wording.Origin;

/**
 * The values that a path has found, as they are found: which are held by the template's words around them, and which stand side by
 * side with nothing but a mark between.
 */
final class CapturedValues {
    /** A value by its words. @param joined whether only marks part it from the one before it */
    private static final class Value {
        private final Origin.Datum datum;
        private final List<Integer> items;
        private List<Token> tokens;
        private boolean held;
        private boolean joined;
        private List<Token> marks = List.of();

        Value(Origin.Datum datum, List<Integer> items, List<Token> tokens) {
            this.datum = datum;
            this.items = items;
            this.tokens = tokens;
        }

        List<String> plain() {
            return tokens.stream().map(Token::plain).toList();
        }
    }

    private final List<Value> all = new ArrayList<>();
    private final List<Token> marks = new ArrayList<>();
    private Value waiting;
    private boolean heldBefore = true;

    /** A word of the template was reached. @param there whether the file has it */
    void word(boolean there) {
        if (waiting != null && !there) waiting.held = false;
        waiting = null;
        heldBefore = there;
        marks.clear();
    }

    /** A mark of the template, or the end of a paragraph or cell, was passed, and is in the file. */
    void mark(Token mark) {
        marks.add(mark);
    }

    /** @param whole whether its words follow one another as those of one value do */
    void value(Origin.Datum datum, List<Integer> items, List<Token> tokens, boolean whole) {
        Value value = new Value(datum, items, tokens);
        value.held = heldBefore && whole;
        if (waiting != null) {
            value.joined = true;
            value.marks = List.copyOf(marks);
        }
        all.add(value);
        waiting = value;
        marks.clear();
    }

    boolean heldBefore() {
        return heldBefore;
    }

    /** All of them, those side by side parted as other places tell. */
    List<Reading.Captured> settled() {
        for (int i = 1; i < all.size(); i++) if (all.get(i).joined) part(all.get(i - 1), all.get(i));
        return all.stream()
                .map(one -> new Reading.Captured(one.datum, one.items, Token.text(one.tokens), one.held))
                .toList();
    }

    private void part(Value first, Value second) {
        if (second.marks.isEmpty()) {
            first.held = second.held = false;
            return;
        }
        Token mark = second.marks.get(second.marks.size() - 1);
        boolean clear = !first.plain().contains(mark.plain()) && !second.plain().contains(mark.plain());
        // a line's end is no mark that could stand in a value
        if (clear || mark.shown().isEmpty()) return;
        List<Token> both = new ArrayList<>(first.tokens);
        both.add(mark);
        both.addAll(second.tokens);
        int at = knownLength(first, both, mark);
        if (at < 0) {
            first.held = second.held = false;
            return;
        }
        first.tokens = List.copyOf(both.subList(0, at));
        second.tokens = List.copyOf(both.subList(at + 1, both.size()));
    }

    /** How many of the words are the first value's, as it stands for sure in another place; -1 where none does. */
    private int knownLength(Value first, List<Token> both, Token mark) {
        List<String> plain = both.stream().map(Token::plain).toList();
        Map<Integer, Boolean> lengths = new LinkedHashMap<>();
        for (Value other : all) {
            int length = other.tokens.size();
            boolean alone = other != first
                    && other.held
                    && !other.joined
                    && other.datum.name().equals(first.datum.name());
            if (!alone || length == 0 || length >= plain.size()) continue;
            if (plain.subList(0, length).equals(other.plain())
                    && plain.get(length).equals(mark.plain())) lengths.put(length, true);
        }
        return lengths.size() == 1 ? lengths.keySet().iterator().next() : -1;
    }
}
