package org.jalousie.core.data;

import java.util.ArrayList;
import java.util.List;
import org.jsoup.Jsoup;
import org.jsoup.nodes.Document;
import org.jsoup.nodes.Element;
import org.jsoup.nodes.Node;
import org.jsoup.nodes.TextNode;
import org.jsoup.safety.Safelist;

/** Formatted text: paragraphs, bold, italic, underline, lists and links, written as HTML and nothing else. */
public final class RichText {
    private static final Safelist ALLOWED = new Safelist()
            .addTags("p", "br", "b", "strong", "i", "em", "u", "ul", "ol", "li", "a")
            .addAttributes("a", "href")
            .addProtocols("a", "href", "http", "https", "mailto");

    private static final int DEEPEST = 60;

    private RichText() {}

    /** What a stretch of words looks like. @param link the address it leads to, or empty */
    public record Look(boolean bold, boolean italic, boolean underlined, String link) {
        static final Look PLAIN = new Look(false, false, false, "");
    }

    /** Words of one look; a line break is {@code \n}. */
    public record Stretch(String text, Look look) {}

    /** How a paragraph stands: by itself, or in a list of one kind at a depth from 0. */
    public enum Kind {
        PARAGRAPH,
        BULLET,
        NUMBER
    }

    /** One paragraph. @param list counts the lists of the text, so that each can number from 1 */
    public record Block(Kind kind, int depth, int list, List<Stretch> stretches) {}

    /** The same text with everything that is not allowed taken out; scripts and styles go with their content. */
    public static String sanitised(String html) {
        Document.OutputSettings settings = new Document.OutputSettings().prettyPrint(false);
        return Jsoup.clean(html, "", ALLOWED, settings);
    }

    /** Whether a text has lists within lists, or looks within looks, deeper than anybody means. */
    static boolean tooDeep(String html) {
        int[] deepest = {0};
        Jsoup.parseBodyFragment(html).traverse((node, depth) -> deepest[0] = Math.max(deepest[0], depth));
        return deepest[0] > DEEPEST;
    }

    /** The paragraphs of a text. */
    public static List<Block> blocks(String html) {
        Reader reader = new Reader();
        Element body = Jsoup.parseBodyFragment(sanitised(html)).body();
        if (tooDeep(html)) reader.add(body.wholeText(), Look.PLAIN);
        else reader.children(body, Look.PLAIN);
        reader.end();
        return reader.blocks;
    }

    /** The words alone, a paragraph a line. */
    public static String plain(String html) {
        StringBuilder out = new StringBuilder();
        for (Block block : blocks(html)) {
            if (!out.isEmpty()) out.append('\n');
            block.stretches().forEach(one -> out.append(one.text()));
        }
        return out.toString();
    }

    private static final class Reader {
        private final List<Block> blocks = new ArrayList<>();
        private List<Stretch> open = new ArrayList<>();
        private final List<Kind> lists = new ArrayList<>();
        private int listCount;
        private int list;

        void children(Element parent, Look look) {
            for (Node node : parent.childNodes()) {
                if (node instanceof TextNode text) add(text.getWholeText().replaceAll("\\s+", " "), look);
                else if (node instanceof Element element) element(element, look);
            }
        }

        private void element(Element element, Look look) {
            switch (element.normalName()) {
                case "b", "strong" -> children(element, new Look(true, look.italic, look.underlined, look.link));
                case "i", "em" -> children(element, new Look(look.bold, true, look.underlined, look.link));
                case "u" -> children(element, new Look(look.bold, look.italic, true, look.link));
                case "a" -> children(element, new Look(look.bold, look.italic, look.underlined, element.attr("href")));
                case "br" -> add("\n", look);
                case "ul", "ol" -> {
                    end();
                    if (lists.isEmpty()) list = ++listCount;
                    lists.add(element.normalName().equals("ul") ? Kind.BULLET : Kind.NUMBER);
                    children(element, look);
                    end();
                    lists.remove(lists.size() - 1);
                }
                default -> {
                    end();
                    children(element, look);
                    end();
                }
            }
        }

        private void add(String text, Look look) {
            if (text.isEmpty() || open.isEmpty() && text.isBlank()) return;
            open.add(new Stretch(open.isEmpty() ? text.stripLeading() : text, look));
        }

        void end() {
            if (open.isEmpty()) return;
            boolean inList = !lists.isEmpty();
            Kind kind = inList ? lists.get(lists.size() - 1) : Kind.PARAGRAPH;
            blocks.add(new Block(kind, inList ? lists.size() - 1 : 0, inList ? list : 0, List.copyOf(open)));
            open = new ArrayList<>();
        }
    }
}
