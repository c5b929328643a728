package org.jalousie.core.wording.tags;

import java.util.ArrayList;
import java.util.List;
import org.jalousie.core.data.Names;
import org.jalousie.core.messages.Message;

/** Finds tags in the text of one paragraph. Keeps the delimiters from paragraph to paragraph of a part. */
public final class TagReader {
    /** Delimiters of tags made from a word processor's own fields: noncharacters, which nobody can type. */
    public static final char OWN_OPEN = '\ufdd0';

    public static final char OWN_CLOSE = '\ufdd1';

    /** Before and between name and print of a value whose print may be no name. */
    static final char EXACT = '\ufdd2';

    private String open = "{{";
    private String close = "}}";

    /** A tag at {@code [start, end)} of the paragraph's text. @param content what stands between the delimiters */
    public record Found(int start, int end, Tag tag, String content) {}

    public List<Found> read(String text) {
        List<Found> found = new ArrayList<>();
        int at = 0;
        int ownFirst = text.indexOf(OWN_OPEN);
        while (true) {
            int start = text.indexOf(open, at);
            int stray = text.indexOf(close, at);
            if (ownFirst >= 0 && ownFirst < at) ownFirst = text.indexOf(OWN_OPEN, at);
            if (stray >= 0 && (start < 0 || stray < start) && (ownFirst < 0 || stray < ownFirst)) {
                found.add(new Found(
                        stray,
                        stray + close.length(),
                        new Tag.Unreadable(
                                "tag-stray-end",
                                Message.of("wording.tag-stray-end"),
                                Message.of("wording.tag-stray-end.cure", "open", open, "close", close)),
                        ""));
                at = stray + close.length();
                continue;
            }
            int own = ownFirst;
            if (own >= 0 && (start < 0 || own < start)) {
                int end = text.indexOf(OWN_CLOSE, own);
                if (end < 0) {
                    ownFirst = -1;
                    continue;
                }
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
                                Message.of("wording.tag-unclosed"),
                                Message.of("wording.tag-unclosed.cure", "close", close)),
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
        String text = Names.normal(Names.stripped(content));
        if (text.isEmpty()) return unreadable(content, Message.of("wording.tag.no-name"));
        if (text.charAt(0) == EXACT) {
            int print = text.indexOf(EXACT, 1);
            return new Tag.Value(text.substring(1, print), text.substring(print + 1));
        }
        char sign = text.charAt(0);
        String rest = Names.stripped(text.substring(1));
        return switch (sign) {
            case '!' -> new Tag.Silent();
            case '=' -> delimiters(text);
            case '#', '^' ->
                Names.isDotted(rest)
                        ? new Tag.Open(rest, sign == '^')
                        : unreadable(content, Message.of("wording.tag.section-name"));
            case '/' ->
                Names.isDotted(rest) ? new Tag.Close(rest) : unreadable(content, Message.of("wording.tag.end-name"));
            case '>' -> clause(rest, content);
            case '&' -> value(rest, content);
            default -> value(text, content);
        };
    }

    // Mustache specification, partials.yml and ~dynamic-names.yml
    private Tag clause(String text, String content) {
        boolean dynamic = text.startsWith("*");
        String name = dynamic ? Names.stripped(text.substring(1)) : text;
        return Names.isName(name)
                ? new Tag.Clause(name, dynamic)
                : unreadable(content, Message.of("wording.tag.clause-name"));
    }

    private Tag value(String text, String content) {
        // Mustache specification, sections.yml "Implicit Iterator"
        if (text.equals(".")) return new Tag.Value(".", "");
        if (Names.isName(text)) return new Tag.Value(text, "");
        if (Names.isDotted(text)) {
            int dot = text.indexOf('.');
            return new Tag.Dotted(text.substring(0, dot), text.substring(dot + 1));
        }
        return unreadable(content, Message.of("wording.tag.letters"));
    }

    // Mustache specification, delimiters.yml: {{=<% %>=}}
    private Tag delimiters(String text) {
        String[] pair = text.length() > 2 && text.endsWith("=")
                ? text.substring(1, text.length() - 1).strip().split("\\s+")
                : new String[0];
        if (pair.length != 2 || pair[0].contains("=") || pair[1].contains("=")) {
            return new Tag.Unreadable(
                    "tag-delimiters", Message.of("wording.tag-delimiters"), Message.of("wording.tag-delimiters.cure"));
        }
        open = pair[0];
        close = pair[1];
        return new Tag.Silent();
    }

    private static Tag unreadable(String content, Message why) {
        return new Tag.Unreadable(
                "tag-unreadable",
                Message.of("wording.tag-unreadable", "tag", Names.spaced(content), "cause", why),
                Message.of("wording.tag-unreadable.cure"));
    }
}
