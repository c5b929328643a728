package org.jalousie.core.recognition;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Set;

/** The words of a file and of its template as a path has met them, paragraph by paragraph, each with what became of it. */
final class ReadLines {
    /** So many words may have been set elsewhere, and are no difference. */
    private static final int FEWEST_MOVED = 4;

    private static final Set<String> TRIFLES =
            Set.of(".", ",", ";", ":", "-", "\"", "'", "(", ")", "[", "]", "_", "\u2022", "\u00b7", "\u2026", "|", "*");

    private final List<List<Cut>> lines = new ArrayList<>();
    private List<Cut> line = new ArrayList<>();

    /** Words with one fate. */
    static final class Cut {
        private Reading.Fate fate;
        private final List<Token> tokens = new ArrayList<>();
        private final List<Integer> numbers = new ArrayList<>();

        private Cut(Reading.Fate fate) {
            this.fate = fate;
        }

        /** They can be taken out. */
        List<Token> tokens() {
            return tokens;
        }

        /** Which of the file's words they are; none for those that went. */
        List<Integer> numbers() {
            return numbers;
        }
    }

    void put(Reading.Fate fate, int number, Token token) {
        if (line.isEmpty() || line.get(line.size() - 1).fate != fate) line.add(new Cut(fate));
        Cut cut = line.get(line.size() - 1);
        cut.tokens.add(token);
        if (number >= 0) cut.numbers.add(number);
    }

    void end() {
        if (!line.isEmpty()) lines.add(line);
        line = new ArrayList<>();
    }

    List<Cut> cuts(Reading.Fate fate) {
        return lines.stream()
                .flatMap(List::stream)
                .filter(cut -> cut.fate == fate)
                .toList();
    }

    /** Leaves out what nothing is left of. */
    void clear() {
        lines.forEach(cuts -> cuts.removeIf(cut -> cut.fate == null || cut.tokens.isEmpty()));
    }

    /** Words that are missing in one place and stand in another were set elsewhere, as notes and boxes are. Returns how many. */
    long moved() {
        long words = 0;
        for (Cut went : cuts(Reading.Fate.WENT)) {
            if (went.tokens.size() < FEWEST_MOVED) continue;
            Optional<Cut> there = cuts(Reading.Fate.CAME).stream()
                    .filter(came -> plain(came).equals(plain(went)))
                    .findFirst();
            if (there.isEmpty()) continue;
            there.get().fate = Reading.Fate.SAME;
            went.fate = null;
            words += went.tokens.stream().filter(Token::word).count();
        }
        clear();
        return words;
    }

    /** Marks that say nothing by themselves are shown as the file has them. */
    void trifles() {
        for (Cut cut : cuts(Reading.Fate.CAME)) if (isTrifle(cut)) cut.fate = Reading.Fate.SAME;
        for (Cut cut : cuts(Reading.Fate.WENT)) if (isTrifle(cut)) cut.fate = null;
        clear();
    }

    private static boolean isTrifle(Cut cut) {
        return cut.tokens.stream().allMatch(token -> !token.word() && TRIFLES.contains(token.plain()));
    }

    private static List<String> plain(Cut cut) {
        return cut.tokens.stream().map(Token::plain).toList();
    }

    /** How many places differ. */
    int differences() {
        int differences = 0;
        for (List<Cut> cuts : lines) {
            boolean inside = false;
            for (Cut cut : cuts) {
                if (isChange(cut) && !inside) differences++;
                inside = isChange(cut);
            }
        }
        return differences;
    }

    List<Reading.Line> said() {
        return lines.stream()
                .filter(cuts -> !cuts.isEmpty())
                .map(ReadLines::line)
                .toList();
    }

    /** What took each other's place is told as one: first all that went, then all that came. */
    private static Reading.Line line(List<Cut> cuts) {
        List<Reading.Piece> pieces = new ArrayList<>();
        for (int from = 0, to; from < cuts.size(); from = to) {
            to = from + 1;
            if (!isChange(cuts.get(from))) {
                pieces.add(piece(cuts.get(from).fate, cuts.get(from).tokens));
                continue;
            }
            while (to < cuts.size() && isChange(cuts.get(to))) to++;
            for (Reading.Fate fate : List.of(Reading.Fate.WENT, Reading.Fate.CAME)) {
                List<Token> all = cuts.subList(from, to).stream()
                        .filter(cut -> cut.fate == fate)
                        .flatMap(cut -> cut.tokens.stream())
                        .toList();
                if (!all.isEmpty()) pieces.add(piece(fate, all));
            }
        }
        return new Reading.Line(pieces);
    }

    private static boolean isChange(Cut cut) {
        return cut.fate == Reading.Fate.WENT || cut.fate == Reading.Fate.CAME;
    }

    private static Reading.Piece piece(Reading.Fate fate, List<Token> tokens) {
        return new Reading.Piece(fate, (tokens.get(0).spaced() ? " " : "") + Token.text(tokens));
    }
}
