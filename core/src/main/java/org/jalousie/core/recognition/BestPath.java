package org.jalousie.core.recognition;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.Collections;
import java.util.List;

/**
 * The path through a template's text that explains a file's words best (A. Viterbi 1967; what is far worse than the best so far is
 * let go, B. Lowerre 1976). A word of the template that is in the file costs nothing, words that are missing, or are there and
 * shouldn't be, cost one each; a value costs a little for each word, so that it is never preferred to the template's own words.
 */
final class BestPath {
    private static final double WORD = 1;
    private static final double MARK = 0.2;
    private static final double LABEL = 0.04;
    private static final double FILLER = 0.02;
    private static final double LEFT_OUT = 0.3;
    private static final double ONCE_MORE = 0.05;
    private static final double NO_VALUE = 0.4;

    /** A paragraph or cell that ends within a line of words, or a value that goes on over a wide gap. */
    private static final double RUN_ON = 0.5;

    /** A value of one line that goes on in the next paragraph. */
    private static final double OVER_PARAGRAPHS = 3;

    /** How much worse than the best a path may be and still be followed. */
    private static final float BEAM = 20;

    private final List<FileText.Seen> file;
    private final Lattice lattice;
    private final float[] costs;
    private final float[] next;
    private final int[] from;
    private final int[] nextFrom;
    private final List<int[]> rows = new ArrayList<>();
    private int low;
    private int high;
    private int nextLow;
    private int nextHigh;

    private BestPath(List<FileText.Seen> file, Lattice lattice) {
        this.file = file;
        this.lattice = lattice;
        int size = lattice.length() + 1;
        this.costs = new float[size];
        this.next = new float[size];
        this.from = new int[size];
        this.nextFrom = new int[size];
        Arrays.fill(costs, Float.MAX_VALUE);
        Arrays.fill(next, Float.MAX_VALUE);
    }

    /** One step. @param word the number of the file's word that it reads, or -1; {@code from} and {@code to} are places */
    record Step(int word, int from, int to) {}

    static List<Step> of(List<FileText.Seen> file, Lattice lattice) {
        BestPath path = new BestPath(file, lattice);
        path.forward();
        return path.back();
    }

    private void forward() {
        costs[0] = 0;
        from[0] = -1;
        for (int word = 0; word <= file.size(); word++) {
            float limit = limit();
            boolean apart = word == file.size() || file.get(word).gap() != FileText.Gap.BLANK;
            within(limit, apart ? 0 : RUN_ON);
            rows.add(kept(limit));
            if (word == file.size()) return;
            read(file.get(word), limit);
            turn();
        }
    }

    private float limit() {
        float best = Float.MAX_VALUE;
        for (int at = low; at <= high; at++) best = Math.min(best, costs[at]);
        return best + BEAM;
    }

    /** Follows what is passed without reading a word, as often as a passage that repeats leads back. */
    private void within(float limit, double breaking) {
        int start = low;
        while (start >= 0) {
            int again = -1;
            for (int at = start; at <= high && at < lattice.length(); at++) {
                float cost = costs[at];
                if (cost > limit) continue;
                Lattice.Place place = lattice.at(at);
                switch (place.kind()) {
                    case WORD -> pass(at, at + 1, cost + (place.word().word() ? WORD : MARK));
                    case VALUE -> pass(at, place.exit(), cost + (place.inside() ? 0 : NO_VALUE));
                    case BOX -> pass(at, at + 1, cost);
                    case OPEN -> {
                        pass(at, at + 1, cost);
                        pass(at, place.exit(), cost + LEFT_OUT);
                    }
                    case CLOSE -> {
                        pass(at, at + 1, cost);
                        if (place.exit() >= 0 && pass(at, place.exit(), cost + ONCE_MORE))
                            again = again < 0 ? place.exit() : Math.min(again, place.exit());
                    }
                    case BREAK -> {
                        pass(at, at + 1, cost + breaking);
                        if (place.exit() >= 0) pass(at, place.exit(), cost + place.skipped());
                    }
                }
            }
            start = again;
        }
    }

    private boolean pass(int source, int to, double sum) {
        // as exact as it is kept: else the same sum could be less than itself for ever
        float cost = (float) sum;
        if (cost >= costs[to]) return false;
        costs[to] = cost;
        from[to] = source << 1;
        low = Math.min(low, to);
        high = Math.max(high, to);
        return true;
    }

    private void read(FileText.Seen seen, float limit) {
        Token word = seen.token();
        nextLow = Integer.MAX_VALUE;
        nextHigh = -1;
        double extra = word.word() ? WORD : MARK;
        for (int at = low; at <= high; at++) {
            float cost = costs[at];
            if (cost > limit) continue;
            if (at == lattice.length()) {
                take(at, at, cost + extra);
                continue;
            }
            Lattice.Place place = lattice.at(at);
            switch (place.kind()) {
                case WORD -> {
                    take(at, at + 1, cost + changed(word, place.word()));
                    take(at, at, cost + extra);
                }
                case VALUE -> {
                    double inside = ofValue(seen, (TemplateText.Slot) place.part(), place.inside());
                    if (place.endless()) take(at, at, cost + inside + 0.05);
                    else if (at + 1 < place.exit()) take(at, at + 1, cost + inside);
                }
                case BOX -> take(at, at, cost + (isFiller(word) ? FILLER : extra));
                case BREAK -> take(at, at, cost + (isLabel(word) ? LABEL : extra));
                default -> take(at, at, cost + extra);
            }
        }
    }

    private static double changed(Token word, Token own) {
        double distance = word.distance(own);
        return distance < 1 ? distance : word.word() == own.word() ? (word.word() ? 1.2 : 0.3) : 1.3;
    }

    private static double ofValue(FileText.Seen seen, TemplateText.Slot slot, boolean further) {
        Token word = seen.token();
        double over = !further
                ? 0
                : switch (seen.gap()) {
                    case WIDE -> RUN_ON;
                    case PARAGRAPH -> slot.endless() ? 0.2 : OVER_PARAGRAPHS;
                    default -> 0;
                };
        if (!word.word()) return 0.08 + over;
        boolean figures = word.shown().codePoints().anyMatch(Character::isDigit);
        return (slot.figures() && !figures ? 0.5 : 0.1) + over;
    }

    /** What stands where somebody is to sign. */
    static boolean isFiller(Token word) {
        return !word.word() || word.plain().isEmpty() || word.shown().chars().allMatch(c -> c == '_');
    }

    /** The number or bullet of a paragraph is drawn by the word processor and not in its text. */
    static boolean isLabel(Token word) {
        return !word.word() || word.plain().matches("\\p{N}{1,3}|\\p{L}|[ivxlcdm]{1,6}");
    }

    private void take(int source, int to, double sum) {
        float cost = (float) sum;
        if (cost >= next[to]) return;
        next[to] = cost;
        nextFrom[to] = source << 1 | 1;
        nextLow = Math.min(nextLow, to);
        nextHigh = Math.max(nextHigh, to);
    }

    /** The next row becomes this one. */
    private void turn() {
        Arrays.fill(costs, low, high + 1, Float.MAX_VALUE);
        for (int at = nextLow; at <= nextHigh; at++) {
            costs[at] = next[at];
            from[at] = nextFrom[at];
            next[at] = Float.MAX_VALUE;
        }
        low = nextLow;
        high = nextHigh;
    }

    /** The places that are reached, each with where from; in order, so that one can be looked up. */
    private int[] kept(float limit) {
        int count = 0;
        for (int at = low; at <= high; at++) if (costs[at] <= limit) count++;
        int[] kept = new int[2 * count];
        int i = 0;
        for (int at = low; at <= high; at++) {
            if (costs[at] > limit) continue;
            kept[i] = at;
            kept[count + i++] = from[at];
        }
        return kept;
    }

    private List<Step> back() {
        int end = lattice.length();
        int[] last = rows.get(rows.size() - 1);
        int at = end;
        List<Step> steps = new ArrayList<>();
        if (Arrays.binarySearch(last, 0, last.length / 2, end) < 0) {
            // the rest of the template is too much to be missing: the path that came farthest is taken
            at = last[last.length / 2 - 1];
            for (int rest = end; rest > at; rest--) steps.add(new Step(-1, rest - 1, rest));
        }
        int word = file.size();
        while (true) {
            int[] row = rows.get(word);
            int source = row[row.length / 2 + Arrays.binarySearch(row, 0, row.length / 2, at)];
            if (source < 0) break;
            boolean reads = (source & 1) == 1;
            if (reads) word--;
            steps.add(new Step(reads ? word : -1, source >> 1, at));
            at = source >> 1;
        }
        Collections.reverse(steps);
        return steps;
    }
}
