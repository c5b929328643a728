package org.jalousie.core.template;

import java.util.Comparator;
import java.util.List;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.Collectors;
import org.jsoup.Jsoup;
import org.jsoup.nodes.Document;
import org.jsoup.nodes.TextNode;
import org.jsoup.select.NodeTraversor;

/**
 * Finds in free text what belongs to a person: values that are known to be a person's, mail addresses, telephone and account
 * numbers, numbers of documents, days of birth. (Which shapes these have: common practice, no source.)
 */
final class PersonalWords {
    private static final int SHORTEST = 3;
    private static final String MAIL =
            "(?<![\\p{L}\\p{N}._%+-])[\\p{L}\\p{N}._%+-]{1,64}@[\\p{L}\\p{N}-]{1,63}(?:\\.[\\p{L}\\p{N}-]{1,63}){1,8}";
    private static final String IBAN = "\\b[A-Z]{2}\\d{2}(?:[ ]?[A-Z0-9]{2,4}){3,8}\\b";
    private static final String PHONE =
            "(?<![\\p{L}\\p{N}])\\+?\\d{2,4}[ ()./-]{1,2}\\d[\\d ()./-]{4,30}\\d(?![\\p{L}\\p{N}])";
    private static final String DOCUMENT =
            "\\b(?=[A-Z0-9-]{0,40}\\d{3})(?=[A-Z0-9-]{0,40}[A-Z0-9]{6})[A-Z0-9][A-Z0-9-]{5,40}\\b";
    private static final Pattern BIRTH = Pattern.compile(
            "(?iu)(born|birth|dob|d\\.o\\.b|geboren|geboorte|geburt|geb\\.|n\u00e9e?\\b|naissance|nacid|nacimiento)([^.;\\n]{0,40}?)"
                    + "(\\d{4}-\\d{2}-\\d{2}|\\d{1,2}[./-]\\d{1,2}[./-]\\d{2,4}|\\d{1,2}\\.? \\p{L}+ \\d{4}|\\p{L}+ \\d{1,2}, \\d{4})");
    private static final Pattern SHAPES = Pattern.compile(
            "(?<mail>" + MAIL + ")|(?<iban>" + IBAN + ")|(?<phone>" + PHONE + ")|(?<document>" + DOCUMENT + ")");
    private static final Pattern DAY = Pattern.compile("\\d{4}-\\d{2}-\\d{2}|\\d{1,2}[./-]\\d{1,2}[./-]\\d{4}");

    private final Pattern known;

    /** @param values names, addresses and the like of the persons of one request */
    PersonalWords(List<String> values) {
        String any = values.stream()
                .map(String::strip)
                .filter(value -> value.length() >= SHORTEST && value.matches(".*\\p{L}{2}.*|.*\\d{4}.*"))
                .distinct()
                .sorted(Comparator.comparingInt(String::length).reversed())
                .map(value -> Pattern.quote(value).replace(" ", "\\E\\s+\\Q"))
                .collect(Collectors.joining("|"));
        this.known = any.isEmpty()
                ? Pattern.compile("(?!)")
                : Pattern.compile("(?iu)(?<![\\p{L}\\p{N}])(?:" + any + ")(?![\\p{L}\\p{N}])");
    }

    String replacedIn(String text) {
        String without = BIRTH.matcher(text)
                .replaceAll(found -> Matcher.quoteReplacement(found.group(1) + found.group(2) + "1 January 1970"));
        without = SHAPES.matcher(without).replaceAll(found -> Matcher.quoteReplacement(sample(found.group())));
        return known.matcher(without).replaceAll("Ida Marsh");
    }

    private static String sample(String found) {
        if (found.contains("@")) return "ida.marsh@example.org";
        // a day is no telephone number
        if (DAY.matcher(found).matches()) return found;
        return found.replaceAll("\\d", "0").replaceAll("[A-Z]", "X");
    }

    /** Formatted text keeps its format; a name that is set in two ways is found in each stretch only. */
    String replacedInMarkup(String html) {
        Document document = Jsoup.parseBodyFragment(html);
        document.outputSettings().prettyPrint(false);
        boolean[] changed = {false};
        NodeTraversor.traverse(
                (node, depth) -> {
                    if (node instanceof TextNode text) {
                        String without = replacedIn(text.getWholeText());
                        changed[0] |= !without.equals(text.getWholeText());
                        text.text(without);
                    } else if (node.hasAttr("href")
                            && !replacedIn(node.attr("href")).equals(node.attr("href"))) {
                        changed[0] = true;
                        node.attr("href", "https://www.example.org");
                    }
                },
                document.body());
        return changed[0] ? document.body().html() : html;
    }
}
