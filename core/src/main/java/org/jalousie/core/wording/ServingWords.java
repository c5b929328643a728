package org.jalousie.core.wording;

import java.util.ArrayList;
import java.util.List;
import java.util.regex.Pattern;

/**
 * Finds the spaces, commas and brackets that only serve a value, so that they can go when it is empty:
 * "{{street}}, {{town}}" without a town prints no comma, "Dr {{title}} Marsh" without a title no double space.
 */
final class ServingWords {
    private static final Pattern SEPARATOR = Pattern.compile("[,;]?[ \u00a0]|[,;]|\n");

    private ServingWords() {}

    /** A stretch of a paragraph's text that prints only when each group has a value that is not empty. */
    record Stretch(int start, int end, List<List<String>> groups) {}

    /** @param values the value tags of one paragraph from left to right; {@code text} is its text before any cutting */
    static List<Stretch> find(String text, List<Occurrence> values) {
        List<Stretch> found = new ArrayList<>();
        int i = 0;
        while (i < values.size()) {
            List<String> names = new ArrayList<>(List.of(name(values.get(i))));
            int last = i;
            while (last + 1 < values.size()) {
                int from = values.get(last).found.end();
                int to = values.get(last + 1).found.start();
                if (!SEPARATOR.matcher(text.substring(from, to)).matches()) break;
                found.add(new Stretch(from, to, List.of(List.copyOf(names), List.of(name(values.get(last + 1))))));
                names.add(name(values.get(++last)));
            }
            around(text, values.get(i).found.start(), values.get(last).found.end(), List.of(List.copyOf(names)), found);
            i = last + 1;
        }
        return withoutOverlaps(found);
    }

    /** Words between two values may serve both; the first one claims them. */
    private static List<Stretch> withoutOverlaps(List<Stretch> found) {
        List<Stretch> kept = new ArrayList<>();
        for (Stretch one : found) {
            if (kept.stream().noneMatch(other -> one.start() < other.end() && other.start() < one.end())) kept.add(one);
        }
        return kept;
    }

    private static void around(String text, int start, int end, List<List<String>> names, List<Stretch> found) {
        String before = text.substring(0, start);
        String after = text.substring(end);
        if (before.endsWith("(") && after.startsWith(")")) {
            boolean spaced = before.endsWith(" (");
            found.add(new Stretch(start - (spaced ? 2 : 1), start, names));
            found.add(new Stretch(end, end + 1, names));
        } else if ((before.isEmpty() || before.endsWith(", ")) && after.startsWith(", ")) {
            found.add(new Stretch(end, end + 2, names));
        } else if ((before.isEmpty() || before.endsWith(" ") || before.endsWith("\n"))
                && after.startsWith(" ")
                && !after.startsWith(" (")) {
            found.add(new Stretch(end, end + 1, names));
        } else if (before.endsWith(" ")
                && !before.isBlank()
                && (after.isEmpty() || after.startsWith(" (") || ".,;:)!?\n".indexOf(after.charAt(0)) >= 0)) {
            found.add(new Stretch(start - 1, start, names));
        }
    }

    static String name(Occurrence value) {
        return ((Tag.Value) value.tag).name();
    }
}
