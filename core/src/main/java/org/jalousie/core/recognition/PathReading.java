package org.jalousie.core.recognition;

import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.Deque;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
import java.util.stream.Collectors;

/** What a path through a template's text says about the file. */
final class PathReading {
    /** So many words may have been set elsewhere, and are no difference. */
    private static final int FEWEST_MOVED = 4;

    private static final Set<String> TRIFLES =
            Set.of(".", ",", ";", ":", "-", "\"", "'", "(", ")", "[", "]", "_", "\u2022", "\u00b7", "\u2026", "|", "*");

    /** The end of a paragraph or cell, which parts two values as a mark does. */
    private static final Token LINE_END = new Token("", "", "", false, false);

    private final List<FileText.Seen> file;
    private final Lattice lattice;
    private final List<List<Cut>> lines = new ArrayList<>();
    private List<Cut> line = new ArrayList<>();
    private final CapturedValues values = new CapturedValues();
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

    private PathReading(List<FileText.Seen> file, TemplateText template) {
        this.file = file;
        this.lattice = new Lattice(template);
        for (BestPath.Step step : BestPath.of(file, lattice)) step(step);
        values.word(true);
        endLine();
    }

    /** Words with one fate. */
    private static final class Cut {
        private Reading.Fate fate;
        private final List<Token> tokens = new ArrayList<>();
        private final List<Integer> numbers = new ArrayList<>();

        Cut(Reading.Fate fate) {
            this.fate = fate;
        }
    }

    /** Reads a file as one that was made from a template, whether it was or not. */
    static Reading of(FileText file, TemplateText template) {
        PathReading body = new PathReading(file.words(), template);
        List<Reading.Captured> all = new ArrayList<>(body.values.settled());
        all.addAll(body.beside(file, template));
        body.moved();
        body.trifles();
        return body.result(all);
    }

    /** What came at the edge of a page, and is repeated there, may be a header or footer: it is read as one. */
    private List<Reading.Captured> beside(FileText file, TemplateText template) {
        if (template.beside().isEmpty()) return List.of();
        List<FileText.Seen> edge = new ArrayList<>(file.running());
        Set<FileText.Seen> came = new HashSet<>();
        for (Cut cut : cuts(Reading.Fate.CAME))
            cut.numbers.stream().map(this.file::get).filter(FileText.Seen::edge).forEach(came::add);
        edge.addAll(came);
        edge.sort(Comparator.comparingInt(FileText.Seen::page)
                .thenComparingDouble(one -> -Math.round(one.y() / 4))
                .thenComparingDouble(FileText.Seen::x));
        PathReading other = new PathReading(edge, new TemplateText(template.beside(), List.of()));
        Set<FileText.Seen> left = other.cuts(Reading.Fate.CAME).stream()
                .flatMap(cut -> cut.numbers.stream())
                .map(edge::get)
                .collect(Collectors.toSet());
        Set<String> known = known(template);
        // a field of the word processor prints there what stands elsewhere: a title, the name of the file
        Set<Double> strange = left.stream()
                .filter(one -> one.token().word() && !known.contains(one.token().plain()))
                .map(FileText.Seen::y)
                .collect(Collectors.toSet());
        left.removeIf(one -> !strange.contains(one.y()) && file.isFarOut(one.page(), one.y()));
        came.removeAll(left);
        for (Cut cut : cuts(Reading.Fate.CAME))
            for (int i = cut.numbers.size() - 1; i >= 0; i--) {
                if (!came.contains(this.file.get(cut.numbers.get(i)))) continue;
                if (cut.tokens.get(i).word()) ofFile--;
                cut.tokens.remove(i);
                cut.numbers.remove(i);
            }
        lines.forEach(cuts -> cuts.removeIf(cut -> cut.tokens.isEmpty()));
        return other.values.settled();
    }

    /** The template's own words, and those of the values. */
    private Set<String> known(TemplateText template) {
        Set<String> known = new HashSet<>();
        template.ownWords().forEach(word -> known.add(word.plain()));
        for (Cut cut : cuts(Reading.Fate.VALUE)) cut.tokens.forEach(word -> known.add(word.plain()));
        return known;
    }

    private List<Cut> cuts(Reading.Fate fate) {
        return lines.stream()
                .flatMap(List::stream)
                .filter(cut -> cut.fate == fate)
                .toList();
    }

    private void step(BestPath.Step step) {
        if (step.word() >= 0) {
            reads(step);
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
                values.mark(LINE_END);
                for (int at = step.from() + 1; at < step.to(); at++)
                    if (lattice.at(at).kind() == Lattice.Kind.WORD)
                        missing(lattice.at(at).word());
            }
        }
    }

    private void reads(BestPath.Step step) {
        Token word = file.get(step.word()).token();
        if (step.from() == lattice.length()) {
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
                put(Reading.Fate.VALUE, step.word(), word);
            }
            case BOX -> {
                if (!BestPath.isFiller(word)) came(step.word(), word);
                else if (boxFrom < 0) boxFrom = step.word();
            }
            case BREAK -> {
                if (BestPath.isLabel(word)) put(Reading.Fate.SAME, step.word(), word);
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
        if (distance == 0) {
            put(Reading.Fate.SAME, number, word);
        } else {
            put(Reading.Fate.WENT, -1, own);
            put(Reading.Fate.CAME, number, word);
        }
        if (own.word()) values.word(distance < 0.5);
        else if (distance == 0) values.mark(own);
    }

    private void missing(Token own) {
        if (own.word()) {
            ofTemplate++;
            values.word(false);
        }
        put(Reading.Fate.WENT, -1, own);
    }

    private void came(int number, Token word) {
        if (word.word()) {
            ofFile++;
            values.word(false);
        }
        put(Reading.Fate.CAME, number, word);
    }

    private void endValue(TemplateText.Slot slot) {
        if (valueFrom < 0) return;
        List<FileText.Seen> words = file.subList(valueFrom, read);
        // what is broken over cells or paragraphs is hardly one value
        boolean whole = slot.endless()
                || words.stream()
                        .skip(1)
                        .noneMatch(one -> one.gap() == FileText.Gap.WIDE || one.gap() == FileText.Gap.PARAGRAPH);
        values.value(
                slot.datum(), items(), words.stream().map(FileText.Seen::token).toList(), whole);
        valueFrom = -1;
    }

    private void endBox(TemplateText.Box box) {
        places.add(new Reading.Place(box.field(), boxFrom < 0 ? read : boxFrom, read, values.heldBefore()));
        boxFrom = -1;
    }

    private List<Integer> items() {
        List<Integer> items = new ArrayList<>();
        around.descendingIterator().forEachRemaining(one -> {
            if (one[0] > 0) items.add(one[0]);
        });
        return List.copyOf(items);
    }

    private void put(Reading.Fate fate, int number, Token token) {
        if (line.isEmpty() || line.get(line.size() - 1).fate != fate) line.add(new Cut(fate));
        Cut cut = line.get(line.size() - 1);
        cut.tokens.add(token);
        if (number >= 0) cut.numbers.add(number);
    }

    private void endLine() {
        if (!line.isEmpty()) lines.add(line);
        line = new ArrayList<>();
    }

    /** Words that are missing in one place and stand in another were set elsewhere, as notes and boxes are. */
    private void moved() {
        for (Cut went : cuts(Reading.Fate.WENT)) {
            if (went.tokens.size() < FEWEST_MOVED) continue;
            cuts(Reading.Fate.CAME).stream()
                    .filter(came -> plain(came).equals(plain(went)))
                    .findFirst()
                    .ifPresent(came -> {
                        came.fate = Reading.Fate.SAME;
                        went.fate = null;
                        same += went.tokens.stream().filter(Token::word).count();
                    });
        }
        lines.forEach(cuts -> cuts.removeIf(cut -> cut.fate == null));
    }

    /** Marks that say nothing by themselves are shown as the file has them. */
    private void trifles() {
        for (Cut cut : cuts(Reading.Fate.CAME)) if (isTrifle(cut)) cut.fate = Reading.Fate.SAME;
        for (Cut cut : cuts(Reading.Fate.WENT)) if (isTrifle(cut)) cut.fate = null;
        lines.forEach(cuts -> cuts.removeIf(cut -> cut.fate == null));
    }

    private static boolean isTrifle(Cut cut) {
        return cut.tokens.stream().allMatch(token -> !token.word() && TRIFLES.contains(token.plain()));
    }

    private static List<String> plain(Cut cut) {
        return cut.tokens.stream().map(Token::plain).toList();
    }

    private Reading result(List<Reading.Captured> captured) {
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
        leftOut.removeAll(printed);
        return new Reading(
                said,
                ofTemplate + ofFile == 0 ? 0 : 2 * same / (ofTemplate + ofFile),
                ofTemplate,
                differences,
                captured,
                List.copyOf(places),
                Set.copyOf(printed),
                Set.copyOf(leftOut));
    }
}
