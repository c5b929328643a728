package org.jalousie.core.recognition;

import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.Deque;
import java.util.HashSet;
import java.util.List;
import java.util.Set;

/** What a path through a template's text says about the file. */
final class PathReading {
    /** So many words may have been set elsewhere, and are no difference. */
    private static final int FEWEST_MOVED = 4;

    private final FileText file;
    private final TemplateText template;
    private final Lattice lattice;
    private final List<List<Cut>> lines = new ArrayList<>();
    private List<Cut> line = new ArrayList<>();
    private final List<Reading.Captured> values = new ArrayList<>();
    private final List<Reading.Place> places = new ArrayList<>();
    private final Set<Integer> printed = new HashSet<>();
    private final Set<Integer> leftOut = new HashSet<>();
    private final Deque<int[]> around = new ArrayDeque<>();
    private double same;
    private int ofTemplate;
    private int ofFile;
    private int read;
    private int valueFrom = -1;
    private int boxFrom = -1;
    private boolean heldBefore = true;
    private boolean marked;
    private final List<Runnable> waiting = new ArrayList<>();

    private PathReading(FileText file, TemplateText template, Lattice lattice) {
        this.file = file;
        this.template = template;
        this.lattice = lattice;
    }

    /** Words with one fate. */
    private static final class Cut {
        private Reading.Fate fate;
        private final List<Token> tokens = new ArrayList<>();

        Cut(Reading.Fate fate) {
            this.fate = fate;
        }
    }

    /** Reads a file as one that was made from a template, whether it was or not. */
    static Reading of(FileText file, TemplateText template) {
        Lattice lattice = new Lattice(template);
        PathReading reading = new PathReading(file, template, lattice);
        for (BestPath.Step step : BestPath.of(file.words(), lattice)) reading.step(step);
        reading.settle(true);
        reading.endLine();
        reading.moved();
        return reading.result();
    }

    private void step(BestPath.Step step) {
        boolean atEnd = step.from() == lattice.length();
        if (step.word() >= 0) {
            reads(step, atEnd);
            read = step.word() + 1;
            return;
        }
        Lattice.Place place = lattice.at(step.from());
        switch (place.kind()) {
            case WORD -> missing(place.word());
            case VALUE -> endValue((TemplateText.Slot) place.part());
            case BOX -> endBox((TemplateText.Box) place.part());
            case OPEN -> {
                TemplateText.Open open = (TemplateText.Open) place.part();
                if (step.to() == place.exit()) {
                    leftOut.add(open.passage().number());
                } else {
                    printed.add(open.passage().number());
                    around.push(new int[] {open.repeats() ? 1 : 0});
                }
            }
            case CLOSE -> {
                if (step.to() == place.exit()) around.peek()[0]++;
                else around.pop();
            }
            case BREAK -> {
                endLine();
                marked = true;
                for (int at = step.from() + 1; at < step.to(); at++)
                    if (lattice.at(at).kind() == Lattice.Kind.WORD)
                        missing(lattice.at(at).word());
            }
        }
    }

    private void reads(BestPath.Step step, boolean atEnd) {
        Token word = file.words().get(step.word()).token();
        if (atEnd) {
            came(step.word(), word);
            return;
        }
        Lattice.Place place = lattice.at(step.from());
        boolean stays = step.to() == step.from();
        switch (place.kind()) {
            case WORD -> {
                if (stays) came(step.word(), word);
                else stands(step.word(), word, place.word());
            }
            case VALUE -> {
                if (valueFrom < 0) valueFrom = step.word();
                put(Reading.Fate.VALUE, word);
            }
            case BOX -> {
                if (BestPath.isFiller(word)) {
                    if (boxFrom < 0) boxFrom = step.word();
                } else {
                    came(step.word(), word);
                }
            }
            case BREAK -> {
                if (BestPath.isLabel(word)) put(Reading.Fate.SAME, word);
                else came(step.word(), word);
            }
            default -> came(step.word(), word);
        }
    }

    private void stands(int number, Token word, Token own) {
        double distance = word.distance(own);
        if (own.word()) {
            ofTemplate++;
            ofFile++;
            same += 1 - distance;
        }
        marked |= distance == 0;
        if (distance == 0) {
            put(Reading.Fate.SAME, word);
        } else {
            put(Reading.Fate.WENT, own);
            put(Reading.Fate.CAME, word);
        }
        if (own.word()) settle(distance < 0.5);
    }

    private void missing(Token own) {
        if (own.word()) {
            ofTemplate++;
            settle(false);
        }
        put(Reading.Fate.WENT, own);
    }

    private void came(int number, Token word) {
        // a header or footer of one page is none of the text
        if (file.words().get(number).edge() && template.beside().contains(word.plain())) return;
        if (word.word()) {
            ofFile++;
            settle(false);
        }
        put(Reading.Fate.CAME, word);
    }

    /** What waits for whether the words behind it are the template's own learns it. */
    private void settle(boolean held) {
        heldBefore = held;
        marked = false;
        if (!held) waiting.clear();
        waiting.forEach(Runnable::run);
        waiting.clear();
    }

    private void endValue(TemplateText.Slot slot) {
        if (valueFrom < 0) return;
        int number = values.size();
        List<Integer> items = items();
        values.add(new Reading.Captured(slot.datum(), items, valueFrom, read, false));
        Reading.Captured held = new Reading.Captured(slot.datum(), items, valueFrom, read, true);
        // two values that nothing parts can't be told apart
        boolean parted = waiting.isEmpty() || marked;
        if (!waiting.isEmpty()) settle(marked);
        if (heldBefore && parted) waiting.add(() -> values.set(number, held));
        valueFrom = -1;
        marked = false;
    }

    private void endBox(TemplateText.Box box) {
        int number = places.size();
        int from = boxFrom < 0 ? read : boxFrom;
        Reading.Place held = new Reading.Place(box.field(), from, read, true);
        places.add(new Reading.Place(box.field(), from, read, heldBefore));
        waiting.add(() -> places.set(number, held));
        boxFrom = -1;
    }

    private List<Integer> items() {
        List<Integer> items = new ArrayList<>();
        around.descendingIterator().forEachRemaining(one -> {
            if (one[0] > 0) items.add(one[0]);
        });
        return List.copyOf(items);
    }

    private void put(Reading.Fate fate, Token token) {
        if (line.isEmpty() || line.get(line.size() - 1).fate != fate) line.add(new Cut(fate));
        line.get(line.size() - 1).tokens.add(token);
    }

    private void endLine() {
        if (!line.isEmpty()) lines.add(line);
        line = new ArrayList<>();
    }

    /** Words that are missing in one place and stand in another were set elsewhere, as notes and boxes are. */
    private void moved() {
        for (List<Cut> one : lines)
            for (Cut went : one) {
                if (went.fate != Reading.Fate.WENT || went.tokens.size() < FEWEST_MOVED) continue;
                lines.stream()
                        .flatMap(List::stream)
                        .filter(came ->
                                came.fate == Reading.Fate.CAME && plain(came).equals(plain(went)))
                        .findFirst()
                        .ifPresent(came -> {
                            came.fate = Reading.Fate.SAME;
                            went.fate = null;
                            same += went.tokens.stream().filter(Token::word).count();
                        });
            }
        lines.forEach(cuts -> cuts.removeIf(cut -> cut.fate == null));
    }

    private static List<String> plain(Cut cut) {
        return cut.tokens.stream().map(Token::plain).toList();
    }

    private Reading result() {
        List<Reading.Line> said = lines.stream()
                .filter(cuts -> !cuts.isEmpty())
                .map(cuts -> new Reading.Line(cuts.stream()
                        .map(cut -> new Reading.Piece(cut.fate, Token.text(cut.tokens)))
                        .toList()))
                .toList();
        int differences = 0;
        for (List<Cut> cuts : lines) {
            boolean inside = false;
            for (Cut cut : cuts) {
                boolean differs = cut.fate == Reading.Fate.CAME || cut.fate == Reading.Fate.WENT;
                if (differs && !inside) differences++;
                inside = differs;
            }
        }
        double likeness = ofTemplate + ofFile == 0 ? 0 : 2 * same / (ofTemplate + ofFile);
        leftOut.removeAll(printed);
        return new Reading(
                said,
                likeness,
                ofTemplate,
                differences,
                List.copyOf(values),
                List.copyOf(places),
                Set.copyOf(printed),
                Set.copyOf(leftOut));
    }
}
