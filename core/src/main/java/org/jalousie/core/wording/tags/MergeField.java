package org.jalousie.core.wording.tags;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.jalousie.core.data.Names;

/**
 * A merge field's code (ISO/IEC 29500-1 §17.16.5.35 and §17.16.4).
 *
 * @param print how the value prints, in this program's words or as a picture: {@code @d MMMM yyyy}, {@code #,##0.00}
 * @param before words that print before a value that isn't empty
 * @param after words that print after it
 * @param ignored switches that can't be followed
 */
public record MergeField(String name, String print, String before, String after, List<String> ignored) {
    private static final Pattern TOKEN = Pattern.compile("\"([^\"]*)\"|\u201c([^\u201d]*)\u201d|(\\S+)");

    private static final Map<String, String> FORMATS = Map.ofEntries(
            Map.entry("upper", "upper"),
            Map.entry("lower", "lower"),
            Map.entry("caps", "*caps"),
            Map.entry("firstcap", "*firstcap"),
            Map.entry("cardtext", "words"),
            Map.entry("dollartext", "words"),
            Map.entry("ordtext", "ordinal_words"),
            Map.entry("ordinal", "ordinal"),
            Map.entry("arabic", ""),
            Map.entry("mergeformat", ""),
            Map.entry("mergeformatinet", ""),
            Map.entry("charformat", ""));

    public static MergeField read(String code) {
        List<String> words = new ArrayList<>();
        // a backslash may be written twice (ISO/IEC 29500-1 §17.16.2)
        Matcher token = TOKEN.matcher(code.replace("\\\\", "\\"));
        while (token.find()) {
            words.add(
                    token.group(1) != null ? token.group(1) : token.group(2) != null ? token.group(2) : token.group(3));
        }
        String name = "";
        String print = "";
        String before = "";
        String after = "";
        List<String> ignored = new ArrayList<>();
        for (int i = 1; i < words.size(); i++) {
            String word = words.get(i);
            if (!word.startsWith("\\") || word.length() < 2) {
                if (name.isEmpty()) name = word;
                continue;
            }
            char sign = Character.toLowerCase(word.charAt(1));
            String argument = word.length() > 2 ? word.substring(2) : i + 1 < words.size() ? words.get(i + 1) : "";
            if (word.length() == 2 && "@#*bf".indexOf(sign) >= 0) i++;
            switch (sign) {
                case '@' -> print = "@" + argument;
                case '#' -> print = "#" + argument;
                case 'b' -> before = argument;
                case 'f' -> after = argument;
                case '*' -> {
                    String known = FORMATS.get(argument.toLowerCase(Locale.ROOT));
                    if (known == null) ignored.add("\\* " + argument);
                    else if (!known.isEmpty() && print.isEmpty()) print = known;
                    else if (!known.isEmpty()) ignored.add("\\* " + argument);
                }
                case 'm' -> {}
                default -> ignored.add(word);
            }
        }
        String plain = Names.isDotted(name) ? name : Names.from(name);
        return new MergeField(plain, print, before, after, ignored);
    }

    /** What stands between a tag's delimiters for a value and its print, when the print may be no name. */
    static String value(String name, String print) {
        if (print.isEmpty() && Names.isDotted(name)) return name;
        if (Names.isName(print) && Names.isName(name)) return name + "." + print;
        return TagReader.EXACT + name + TagReader.EXACT + print;
    }
}
