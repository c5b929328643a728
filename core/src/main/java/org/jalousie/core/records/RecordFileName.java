package org.jalousie.core.records;

import java.text.Normalizer;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import java.util.function.UnaryOperator;

/** What a signed file is called in a record system: readable, and safe in every place that keeps files. */
public final class RecordFileName {
    private static final int LONGEST = 120;
    private static final String END = ".pdf";

    private RecordFileName() {}

    /**
     * @param rule with folders before the name, each ended by a slash; what a tag prints makes no folder
     * @param filled puts data in where tags stand
     * @param title of one of several files, which is said behind; empty for the only or the first one
     * @param otherwise what it is called where the rule comes to nothing
     */
    public static String of(String rule, UnaryOperator<String> filled, String title, String otherwise) {
        List<String> parts = new ArrayList<>();
        List<String> rules = Arrays.asList(rule.split("/", -1));
        for (String folder : rules.subList(0, rules.size() - 1)) {
            String name = clean(filled.apply(folder));
            if (!name.isEmpty()) parts.add(name);
        }
        String name = clean(withoutEnd(filled.apply(rules.get(rules.size() - 1))));
        if (name.isEmpty()) name = clean(otherwise);
        parts.add((title.isEmpty() ? name : clean(name + " - " + title)) + END);
        return String.join("/", parts);
    }

    private static String withoutEnd(String name) {
        String stripped = name.strip();
        return stripped.toLowerCase(Locale.ROOT).endsWith(END)
                ? stripped.substring(0, stripped.length() - END.length())
                : stripped;
    }

    private static String clean(String name) {
        String clean = Normalizer.normalize(name, Normalizer.Form.NFC)
                .replaceAll("[\\p{Cntrl}\\\\/:*?\"<>|]", " ")
                .replaceAll("\\s+", " ")
                .strip();
        if (clean.length() > LONGEST) clean = clean.substring(0, LONGEST);
        // a folder of dots alone would be another one (RFC 3986 §5.2.4)
        return clean.replaceAll("^[. ]+|[. ]+$", "");
    }
}
