package org.jalousie.core.filing;

import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import org.jalousie.core.data.Texts;

/** Cuts text into the words by which agreements are found; the same for what is filed and for what is asked. */
public final class SearchWords {
    private SearchWords() {}

    /** Words in lower case: letters and digits, with points and @ only inside, as in mail addresses and amounts. */
    public static List<String> of(String text) {
        return Arrays.stream(text.toLowerCase(Locale.ROOT).split("[^\\p{L}\\p{M}\\p{N}.@]+"))
                .map(word -> Texts.trimmed(word, c -> c == '.' || c == '@'))
                .filter(word -> !word.isEmpty())
                .toList();
    }
}
