package org.jalousie.server.registers;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.stream.Collectors;
import org.jalousie.core.data.Printer;
import org.jalousie.core.data.SortKey;
import org.jalousie.core.data.Value;
import org.jalousie.core.filing.SearchWords;
import org.jalousie.core.registers.RegisterTerms;

/** What rows of registers are called, read as, and found by. */
final class RowWords {
    // a tsvector holds at most 1 MB
    private static final int MOST_WORDS = 100_000;

    private RowWords() {}

    /** What a row is called where it stands alone. */
    static String label(RegisterTerms terms, RowRead read) {
        return terms.naming().stream()
                .map(name -> read.targets().containsKey(name)
                        ? read.targets().get(name).label()
                        : Optional.ofNullable(read.values().get(name))
                                .map(RowWords::printed)
                                .orElse(""))
                .filter(part -> !part.isBlank())
                .collect(Collectors.joining(", "));
    }

    /** As lists show a value. */
    static String printed(Value value) {
        if (value instanceof Value.Attached file) return file.file().name();
        return Printer.in(Locale.UK).print(value, "").strip();
    }

    /** What a row is found by. */
    static String found(RowRead read) {
        List<String> words = new ArrayList<>();
        read.values().forEach((name, value) -> {
            if (value instanceof Value.Picture) return;
            RowRead.RelatedRow target = read.targets().get(name);
            words.addAll(SearchWords.of(SortKey.folded(target != null ? target.label() : printed(value))));
        });
        String all = String.join(" ", words);
        return all.length() > MOST_WORDS ? all.substring(0, MOST_WORDS) : all;
    }
}
