package org.jalousie.core.wording.compile;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import java.util.regex.Pattern;
import org.jalousie.core.wording.tags.Occurrence;
import org.jalousie.core.wording.tags.Tag;

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
        TreeMap<Integer, Stretch> kept = new TreeMap<>();
        for (Stretch one : found) {
            Map.Entry<Integer, Stretch> before = kept.lowerEntry(one.end());
            if (before == null || before.getValue().end() <= one.start()) kept.put(one.start(), one);
        }
        return List.copyOf(kept.values());
    }

    private static void around(String text, int start, int end, List<List<String>> names, List<Stretch> found) {
        boolean first = start == 0;
        boolean afterSpace = text.startsWith(" ", start - 1);
        if (text.startsWith("(", start - 1) && text.startsWith(")", end)) {
            boolean spaced = text.startsWith(" (", start - 2);
            found.add(new Stretch(start - (spaced ? 2 : 1), start, names));
            found.add(new Stretch(end, end + 1, names));
        } else if ((first || text.startsWith(", ", start - 2)) && text.startsWith(", ", end)) {
            found.add(new Stretch(end, end + 2, names));
        } else if ((first || afterSpace || text.startsWith("\n", start - 1))
                && text.startsWith(" ", end)
                && !text.startsWith(" (", end)) {
            found.add(new Stretch(end, end + 1, names));
        } else if (afterSpace
                && !isBlankBefore(text, start)
                && (end == text.length() || text.startsWith(" (", end) || ".,;:)!?\n".indexOf(text.charAt(end)) >= 0)) {
            found.add(new Stretch(start - 1, start, names));
        }
    }

    private static boolean isBlankBefore(String text, int end) {
        for (int i = 0; i < end; i++) if (!Character.isWhitespace(text.charAt(i))) return false;
        return true;
    }

    static String name(Occurrence value) {
        return ((Tag.Value) value.tag).name();
    }
}
