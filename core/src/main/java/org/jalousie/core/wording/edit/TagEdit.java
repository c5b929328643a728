package org.jalousie.core.wording.edit;

import java.util.Map;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.jalousie.core.data.FieldType;
import org.jalousie.core.wording.WordFile;

/** Changes of what tags say, wherever the wording has them. */
public final class TagEdit {
    private static final String BLANKS = "[\\s\u00a0]*";

    /** The content of a value's tag: marks before the name, the name, what follows a full stop, blanks after it. */
    private static final Pattern VALUE = Pattern.compile(
            "(" + BLANKS + "&?" + BLANKS + ")(\\w+)(?:\\.(\\w+))?(" + BLANKS + ")", Pattern.UNICODE_CHARACTER_CLASS);

    private TagEdit() {}

    /** Fields, rules and sections get other names. */
    public static WordingEdit.Edited rename(WordFile file, Map<String, String> names) {
        return WordingEdit.tags(file, content -> renamed(content, names), names);
    }

    private static String renamed(String content, Map<String, String> names) {
        for (Map.Entry<String, String> one : names.entrySet()) {
            String changed = content.replaceFirst(
                    "^(" + BLANKS + "[#^/&]?" + BLANKS + ")" + Pattern.quote(one.getKey()) + "(?=[\\s\u00a0.]|$)",
                    "$1" + one.getValue());
            if (!changed.equals(content)) return changed;
        }
        return content;
    }

    /**
     * A value prints in another way; sections that it decides stay as they are.
     *
     * @param print empty for the usual one
     */
    public static WordingEdit.Edited print(WordFile file, String name, String print) {
        return WordingEdit.tags(file, content -> printed(content, name, print), Map.of());
    }

    private static String printed(String content, String name, String print) {
        Matcher value = VALUE.matcher(content);
        if (!value.matches() || !value.group(2).equals(name)) return content;
        String now = value.group(3) == null ? "" : value.group(3);
        // a word after the full stop that is no print is a party's signing field
        if (!now.isEmpty() && !FieldType.isPrint(now)) return content;
        return value.group(1) + name + (print.isEmpty() ? "" : "." + print) + value.group(4);
    }

    /** A signing field becomes another party's. @param word what follows the party's key */
    public static WordingEdit.Edited handOver(WordFile file, String from, String word, String to) {
        return WordingEdit.tags(
                file,
                content -> {
                    Matcher value = VALUE.matcher(content);
                    boolean meant = value.matches() && value.group(2).equals(from) && word.equals(value.group(3));
                    return meant ? value.group(1) + to + "." + word + value.group(4) : content;
                },
                Map.of());
    }
}
