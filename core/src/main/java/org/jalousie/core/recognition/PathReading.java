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
    private static final Set<String> TRIFLES =
            Set.of(".", ",", ";", ":", "-", "\"", "'", "(", ")", "[", "]", "_", "\u2022", "\u00b7", "\u2026", "|", "*");

    /** So much of a header's words have to stand on the pages for it to be there. */
    private static final double ENOUGH_OF_IT = 0.6;

    /** The end of a paragraph or cell, which parts two values as a mark does. */
    private static final Token LINE_END = new Token("", "", "", false, false);

    private final List<FileText.Seen> file;
    private final Lattice lattice;
    private final ReadLines lines = new ReadLines();
    private final CapturedValues values = new CapturedValues();
    private final List<Reading.Place> places = new ArrayList<>();
    private final List<Reading.Passed> passages = new ArrayList<>();
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
        lines.end();
    }

    /** Reads a file as one that was made from a template, whether it was or not. */
    static Reading of(FileText file, TemplateText template) {
        PathReading body = new PathReading(file.words(), template);
        List<Reading.Captured> all = new ArrayList<>(body.values.settled());
        all.addAll(body.beside(file, template));
        body.same += body.lines.moved();
        body.lines.trifles();
        return body.result(all);
    }

    /** What came at the edge of a page, and is repeated there, may be a header or footer: it is read as one. */
    private List<Reading.Captured> beside(FileText file, TemplateText template) {
        if (template.beside().isEmpty()) return List.of();
        List<FileText.Seen> edge = new ArrayList<>(file.running());
        Set<FileText.Seen> came = new HashSet<>();
        for (ReadLines.Cut cut : lines.cuts(Reading.Fate.CAME))
            cut.numbers().stream()
                    .map(this.file::get)
                    .filter(FileText.Seen::edge)
                    .forEach(came::add);
        edge.addAll(came);
        edge.sort(Comparator.comparingInt(FileText.Seen::page)
                .thenComparingDouble(one -> -Math.round(one.y() / 4))
                .thenComparingDouble(FileText.Seen::x));
        List<List<FileText.Seen>> ends = new ArrayList<>(List.of(
                edge.stream().filter(file::isAbove).toList(),
                edge.stream().filter(one -> !file.isAbove(one)).toList()));
        List<Reading.Captured> captured = new ArrayList<>();
        for (List<TemplateText.Part> part : template.beside()) {
            PathReading above = new PathReading(ends.get(0), new TemplateText(part, List.of(), Set.of()));
            PathReading beneath = new PathReading(ends.get(1), new TemplateText(part, List.of(), Set.of()));
            PathReading better = above.same >= beneath.same ? above : beneath;
            // one that is not on these pages, or has no words by which it could be told, explains nothing
            if (better.ofTemplate == 0 || better.same < ENOUGH_OF_IT * better.ofTemplate) continue;
            captured.addAll(better.values.settled());
            ends.set(
                    better == above ? 0 : 1,
                    better.lines.cuts(Reading.Fate.CAME).stream()
                            .flatMap(cut -> cut.numbers().stream())
                            .map(better.file::get)
                            .toList());
        }
        List<FileText.Seen> left = ends.stream().flatMap(List::stream).collect(Collectors.toCollection(ArrayList::new));
        Set<String> known = known(template);
        // a field of the word processor prints there what stands elsewhere: a title, the name of the file
        Set<Double> strange = left.stream()
                .filter(one -> one.token().word() && !known.contains(one.token().plain()))
                .map(FileText.Seen::y)
                .collect(Collectors.toSet());
        left.removeIf(one -> !strange.contains(one.y()) && file.isFarOut(one.page(), one.y()));
        left.forEach(came::remove);
        for (ReadLines.Cut cut : lines.cuts(Reading.Fate.CAME))
            for (int i = cut.numbers().size() - 1; i >= 0; i--) {
                if (!came.contains(this.file.get(cut.numbers().get(i)))) continue;
                if (cut.tokens().get(i).word()) ofFile--;
                cut.tokens().remove(i);
                cut.numbers().remove(i);
            }
        lines.clear();
        return captured;
    }

    /** The template's own words, and those of the values. */
    private Set<String> known(TemplateText template) {
        Set<String> known = new HashSet<>(template.title());
        template.ownWords().forEach(word -> known.add(word.plain()));
        for (ReadLines.Cut cut : lines.cuts(Reading.Fate.VALUE)) cut.tokens().forEach(word -> known.add(word.plain()));
        return known;
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
                boolean there = step.to() != place.exit();
                passages.add(new Reading.Passed(open.passage().number(), items(), there));
                if (there) around.push(new int[] {open.repeats() ? 1 : 0});
            }
            case CLOSE -> {
                if (step.to() == place.exit()) around.peek()[0]++;
                else around.pop();
            }
            case BREAK -> {
                lines.end();
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
                lines.put(Reading.Fate.VALUE, step.word(), word);
            }
            case BOX -> {
                if (!BestPath.isFiller(word)) came(step.word(), word);
                else if (boxFrom < 0) boxFrom = step.word();
            }
            case BREAK -> {
                if (BestPath.isLabel(word)) lines.put(Reading.Fate.SAME, step.word(), word);
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
            lines.put(Reading.Fate.SAME, number, word);
        } else {
            lines.put(Reading.Fate.WENT, -1, own);
            lines.put(Reading.Fate.CAME, number, word);
        }
        if (own.word()) values.word(distance < 0.5);
        else if (distance == 0) values.mark(own);
    }

    private void missing(Token own) {
        if (own.word()) {
            ofTemplate++;
            values.word(false);
        }
        lines.put(Reading.Fate.WENT, -1, own);
    }

    private void came(int number, Token word) {
        if (word.word()) {
            ofFile++;
            values.word(false);
        }
        lines.put(Reading.Fate.CAME, number, word);
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

    private Reading result(List<Reading.Captured> captured) {
        return new Reading(
                lines.said(),
                ofTemplate + ofFile == 0 ? 0 : 2 * same / (ofTemplate + ofFile),
                ofTemplate,
                lines.differences(),
                captured,
                List.copyOf(places),
                List.copyOf(passages));
    }
}
