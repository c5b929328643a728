package org.jalousie.core.recognition;

import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.Deque;
import java.util.List;

/**
 * A template's text as a row of places, through which a path leads for every text that can be made from it. A value is as many
 * places as it may have words.
 */
final class Lattice {
    enum Kind {
        WORD,
        VALUE,
        BOX,
        OPEN,
        CLOSE,
        BREAK
    }

    /**
     * One place.
     *
     * @param exit where a value ends, a passage that is left out goes on, a paragraph that is left out goes on, or a passage that
     *     repeats begins again; -1 for nowhere
     * @param inside whether at least one word of the value has been read
     * @param endless whether the value may go on here
     * @param skipped what it costs to leave a paragraph out
     */
    record Place(Kind kind, TemplateText.Part part, int exit, boolean inside, boolean endless, double skipped) {
        Place to(int other) {
            return new Place(kind, part, other, inside, endless, skipped);
        }

        Place to(int other, double cost) {
            return new Place(kind, part, other, inside, endless, cost);
        }

        Token word() {
            return ((TemplateText.Word) part).token();
        }
    }

    private final List<Place> places = new ArrayList<>();

    Lattice(TemplateText text) {
        Deque<Integer> open = new ArrayDeque<>();
        for (TemplateText.Part part : text.parts()) {
            if (part instanceof TemplateText.Word) {
                add(Kind.WORD, part);
            } else if (part instanceof TemplateText.Slot slot) {
                int first = places.size();
                int exit = first + slot.most() + 1;
                for (int at = first; at < exit; at++)
                    places.add(new Place(Kind.VALUE, part, exit, at > first, slot.endless() && at == exit - 1, 0));
            } else if (part instanceof TemplateText.Box) {
                add(Kind.BOX, part);
            } else if (part instanceof TemplateText.Open) {
                open.push(places.size());
                add(Kind.OPEN, part);
            } else if (part instanceof TemplateText.Close && !open.isEmpty()) {
                int start = open.pop();
                boolean repeats = ((TemplateText.Open) places.get(start).part()).repeats();
                places.set(start, places.get(start).to(places.size() + 1));
                places.add(new Place(Kind.CLOSE, part, repeats ? start + 1 : -1, false, false, 0));
            } else if (part instanceof TemplateText.Break) {
                add(Kind.BREAK, part);
            }
        }
        skips();
    }

    private void add(Kind kind, TemplateText.Part part) {
        places.add(new Place(kind, part, -1, false, false, 0));
    }

    /** A paragraph may be left out as a whole, for less than each of its words costs. */
    private void skips() {
        for (int at = 0; at < places.size(); at++) {
            if (places.get(at).kind() != Kind.BREAK) continue;
            int end = at + 1;
            int words = 0;
            for (; end < places.size() && isPlain(places.get(end).kind()); end++)
                if (places.get(end).kind() == Kind.WORD
                        && places.get(end).word().word()) words++;
            if (words > 2) places.set(at, places.get(at).to(end, 0.8 + 0.08 * words));
        }
    }

    private static boolean isPlain(Kind kind) {
        return kind == Kind.WORD || kind == Kind.VALUE || kind == Kind.BOX;
    }

    /** How many places there are; the end is behind the last. */
    int length() {
        return places.size();
    }

    Place at(int place) {
        return places.get(place);
    }
}
