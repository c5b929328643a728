package org.jalousie.core.wording;

import java.util.ArrayList;
import java.util.List;
import java.util.regex.Pattern;

/** Finds tags in the text of one paragraph. Keeps the delimiters from paragraph to paragraph of a part. */
final class TagReader {
    // Mustache specification: names; narrowed to what can be a form field and a PDF field name
    private static final Pattern NAME = Pattern.compile("[A-Za-z][A-Za-z0-9_]*");
    private static final Pattern SECTION = Pattern.compile(NAME + "(\\." + NAME + ")?");

    /** Delimiters of tags made from a word processor's own fields: noncharacters, which nobody can type. */
    static final char OWN_OPEN = '\ufdd0';

    static final char OWN_CLOSE = '\ufdd1';

    private String open = "{{";
    private String close = "}}";

    /** A tag at {@code [start, end)} of the paragraph's text. @param content what stands between the delimiters */
    record Found(int start, int end, Tag tag, String content) {}

    List<Found> read(String text) {
        List<Found> found = new ArrayList<>();
        int at = 0;
        while (true) {
            int start = text.indexOf(open, at);
            int stray = text.indexOf(close, at);
            int ownFirst = text.indexOf(OWN_OPEN, at);
            if (stray >= 0 && (start < 0 || stray < start) && (ownFirst < 0 || stray < ownFirst)) {
                found.add(new Found(
                        stray,
                        stray + close.length(),
                        new Tag.Unreadable(
                                "tag-stray-end",
                                "A tag ends here that never began.",
                                "Type " + open + " before the name, or remove " + close + "."),
                        ""));
                at = stray + close.length();
                continue;
            }
            int own = text.indexOf(OWN_OPEN, at);
            if (own >= 0 && (start < 0 || own < start)) {
                int end = text.indexOf(OWN_CLOSE, own);
                String inner = text.substring(own + 1, end);
                found.add(new Found(own, end + 1, understand(inner), inner));
                at = end + 1;
                continue;
            }
            if (start < 0) return found;
            boolean triple = open.equals("{{") && text.startsWith("{{{", start);
            String end = triple ? "}}}" : close;
            int stop = text.indexOf(end, start + open.length());
            int next = text.indexOf(open, start + (triple ? 3 : open.length()));
            if (stop < 0 || next >= 0 && next < stop && !text.startsWith("=", start + open.length())) {
                found.add(new Found(
                        start,
                        start + open.length(),
                        new Tag.Unreadable(
                                "tag-unclosed",
                                "A tag begins here and does not end in the same paragraph.",
                                "Type " + close + " after the name."),
                        ""));
                at = start + open.length();
                continue;
            }
            String content = text.substring(start + (triple ? 3 : open.length()), stop);
            at = stop + end.length();
            found.add(new Found(start, at, understand(content), content));
        }
    }

    private Tag understand(String content) {
        String text = content.strip();
        if (text.isEmpty()) return unreadable(content, "it has no name");
        char sign = text.charAt(0);
        String rest = text.substring(1).strip();
        return switch (sign) {
            case '!' -> new Tag.Silent();
            case '=' -> delimiters(text);
            case '#', '^' ->
                isSection(rest) ? new Tag.Open(rest, sign == '^') : unreadable(content, "a section needs one name");
            case '/' ->
                isSection(rest)
                        ? new Tag.Close(rest)
                        : unreadable(content, "the end of a section needs the section's name");
            case '>' -> clause(rest, content);
            case '&' -> value(rest, content);
            default -> value(text, content);
        };
    }

    // Mustache specification, partials.yml and ~dynamic-names.yml
    private Tag clause(String text, String content) {
        boolean dynamic = text.startsWith("*");
        String name = dynamic ? text.substring(1).strip() : text;
        return isName(name) ? new Tag.Clause(name, dynamic) : unreadable(content, "a clause needs one name");
    }

    private Tag value(String text, String content) {
        // Mustache specification, sections.yml "Implicit Iterator"
        if (text.equals(".")) return new Tag.Value(".", "");
        if (isName(text)) return new Tag.Value(text, "");
        int dot = text.indexOf('.');
        if (dot > 0 && isName(text.substring(0, dot)) && isName(text.substring(dot + 1))) {
            return new Tag.Dotted(text.substring(0, dot), text.substring(dot + 1));
        }
        return unreadable(content, "a name has letters, digits and _ only, and begins with a letter");
    }

    // Mustache specification, delimiters.yml: {{=<% %>=}}
    private Tag delimiters(String text) {
        String[] pair = text.length() > 2 && text.endsWith("=")
                ? text.substring(1, text.length() - 1).strip().split("\\s+")
                : new String[0];
        if (pair.length != 2 || pair[0].contains("=") || pair[1].contains("=")) {
            return new Tag.Unreadable(
                    "tag-delimiters", "These delimiters can't be read.", "Write them as {{=<% %>=}}.");
        }
        open = pair[0];
        close = pair[1];
        return new Tag.Silent();
    }

    private static boolean isSection(String text) {
        return SECTION.matcher(text).matches();
    }

    private static boolean isName(String text) {
        return NAME.matcher(text).matches();
    }

    private static Tag unreadable(String content, String why) {
        return new Tag.Unreadable(
                "tag-unreadable",
                "The tag \u201c" + content.strip() + "\u201d can't be read: " + why + ".",
                "Correct the name, for example lender_name.");
    }
}
