package org.jalousie.core.data;

import java.util.List;
import java.util.Map;

/** Reads an English number in words. */
final class SpokenNumber {
    private static final List<String> SMALL = List.of(
            "zero one two three four five six seven eight nine ten eleven twelve thirteen fourteen fifteen sixteen seventeen eighteen nineteen"
                    .split(" "));
    private static final List<String> TENS =
            List.of("- - twenty thirty forty fifty sixty seventy eighty ninety".split(" "));
    private static final Map<String, Long> SCALES = Map.of(
            "thousand", 1_000L, "million", 1_000_000L, "billion", 1_000_000_000L, "trillion", 1_000_000_000_000L);

    private SpokenNumber() {}

    static long read(String words) {
        long total = 0;
        long group = 0;
        for (String word : words.split("[ -]")) {
            if (SMALL.contains(word)) group += SMALL.indexOf(word);
            else if (TENS.contains(word)) group += TENS.indexOf(word) * 10L;
            else if (word.equals("hundred")) group *= 100;
            else if (SCALES.containsKey(word)) {
                total += group * SCALES.get(word);
                group = 0;
            } else throw new IllegalArgumentException(word + " in " + words);
        }
        return total + group;
    }
}
