package org.jalousie.core.wording.merge;

import java.util.Arrays;
import java.util.List;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.jalousie.core.data.RichText;
import org.jalousie.core.wording.compile.Segment;
import org.jalousie.core.wording.docx.InlinePicture;
import org.jalousie.core.wording.docx.SafeXml;

/** Writes formatted text as runs and paragraphs in the look of the tag it replaces. */
final class RichRuns {
    private static final RichText.Look PLAIN = new RichText.Look(false, false, false, "");

    /** The levels that a list of the word processor has, from 0 (ISO/IEC 29500-1 §17.9.3). */
    private static final int DEEPEST = 8;

    // ISO/IEC 29500-1 §17.3.2.28 and §17.3.1.26: the children of rPr and pPr stand in a fixed order
    private static final String AFTER_ITALIC =
            "iCs|caps|smallCaps|strike|dstrike|outline|shadow|emboss|imprint|noProof|snapToGrid|vanish|webHidden|color|spacing|w|kern|position|sz|szCs|highlight|"
                    + "u|effect|bdr|shd|fitText|vertAlign|rtl|cs|em|lang|eastAsianLayout|specVanish|oMath";
    private static final String AFTER_UNDERLINE =
            "effect|bdr|shd|fitText|vertAlign|rtl|cs|em|lang|eastAsianLayout|specVanish|oMath";
    private static final String AFTER_NUMBER =
            "suppressLineNumbers|pBdr|shd|tabs|suppressAutoHyphens|kinsoku|wordWrap|overflowPunct|topLinePunct|autoSpaceDE|autoSpaceDN|bidi|adjustRightInd|snapToGrid|spacing|"
                    + "ind|contextualSpacing|mirrorIndents|suppressOverlap|jc|textDirection|textAlignment|textboxTightWrap|outlineLvl|divId|cnfStyle|rPr|sectPr|pPrChange";

    private final String part;
    private final Additions additions;

    RichRuns(String part, Additions additions) {
        this.part = part;
        this.additions = additions;
    }

    /** The text within a paragraph that holds other words too: its own paragraphs become lines. */
    void inline(String html, Segment.Slot slot, StringBuilder out) {
        boolean first = true;
        for (RichText.Block block : RichText.blocks(html)) {
            if (!first)
                out.append(slot.before())
                        .append('<')
                        .append(slot.prefix())
                        .append("br/>")
                        .append(slot.after());
            first = false;
            if (block.kind() == RichText.Kind.BULLET) run("\u2022 ", PLAIN, slot, out);
            runs(block.stretches(), slot, out);
        }
    }

    /**
     * The text as paragraphs of its own. What comes once in the paragraph of the tag (its number, a break, a bookmark, a
     * note's mark) stays at the first or the last of them.
     *
     * @param start the paragraph's beginning with its properties
     * @param further the beginning of those after the first
     * @param end the paragraph's end
     */
    void paragraphs(String html, Segment.Slot slot, String start, String further, String end, StringBuilder out) {
        ListNumbers numbers = new ListNumbers();
        List<RichText.Block> blocks = RichText.blocks(html);
        // a paragraph has one number: the first one keeps its own, and a list's mark stands in its words
        boolean numbered = hasNumber(start, slot.prefix()) || hasNumber(further, slot.prefix());
        for (int i = 0; i < blocks.size(); i++) {
            RichText.Block block = blocks.get(i);
            String begin = i == 0 ? start : further;
            boolean inWords = i == 0 && numbered;
            int list = numbers.of(block, inWords ? 2 : 1);
            if (list == 0) {
                out.append(begin);
            } else if (inWords) {
                out.append(begin);
                run(block.kind() == RichText.Kind.BULLET ? "\u2022 " : "1. ", PLAIN, slot, out);
            } else {
                out.append(listed(begin, slot.prefix(), Math.min(block.depth(), DEEPEST), list));
            }
            runs(block.stretches(), slot, out);
            out.append(i == blocks.size() - 1 ? end : "</" + slot.prefix() + "p>");
        }
    }

    private static boolean hasNumber(String start, String prefix) {
        return start.contains("<" + prefix + "numPr>");
    }

    /** Which of the file's lists each paragraph of a text belongs to; 0 for none. */
    private final class ListNumbers {
        private final int[] counted = new int[DEEPEST + 1];
        private int text;

        /** @param from what a new list counts from */
        int of(RichText.Block block, int from) {
            if (block.list() != text) Arrays.fill(counted, 0);
            text = block.list();
            if (block.kind() == RichText.Kind.PARAGRAPH) return 0;
            int depth = Math.min(block.depth(), DEEPEST);
            // what is further in under this one, or of the other kind, is another list
            Arrays.fill(counted, depth + 1, counted.length, 0);
            if (block.kind() == RichText.Kind.BULLET) {
                counted[depth] = 0;
                return additions.lists().marked();
            }
            if (counted[depth] == 0) counted[depth] = additions.lists().counted(depth, from);
            return counted[depth];
        }
    }

    private void runs(List<RichText.Stretch> stretches, Segment.Slot slot, StringBuilder out) {
        for (RichText.Stretch stretch : stretches) {
            if (stretch.look().link().isEmpty()) {
                run(stretch.text(), stretch.look(), slot, out);
                continue;
            }
            String id = additions.link(part, stretch.look().link());
            out.append('<')
                    .append(slot.prefix())
                    .append("hyperlink xmlns:r=\"" + InlinePicture.OFFICE + "\" r:id=\"")
                    .append(id)
                    .append("\">");
            run(stretch.text(), stretch.look(), slot, out);
            out.append("</").append(slot.prefix()).append("hyperlink>");
        }
    }

    private static void run(String text, RichText.Look look, Segment.Slot slot, StringBuilder out) {
        String p = slot.prefix();
        String start = slot.before();
        if (look.bold()) start = withProperty(start, p, "b", "bCs|i|" + AFTER_ITALIC, "");
        if (look.italic()) start = withProperty(start, p, "i", AFTER_ITALIC, "");
        if (look.underlined() || !look.link().isEmpty())
            start = withProperty(start, p, "u", AFTER_UNDERLINE, " " + p + "val=\"single\"");
        out.append(start);
        words(text, p, out);
        out.append(slot.after());
    }

    private static String withProperty(String run, String prefix, String name, String before, String attributes) {
        String element = "<" + prefix + name + attributes + "/>";
        if (run.contains("<" + prefix + name + "/>")) return run;
        String open = "<" + prefix + "rPr>";
        if (!run.contains(open)) return run + open + element + "</" + prefix + "rPr>";
        Matcher later = Pattern.compile("<" + prefix + "(" + before + ")[ />]").matcher(run);
        int at = later.find() ? later.start() : run.indexOf("</" + prefix + "rPr>");
        return run.substring(0, at) + element + run.substring(at);
    }

    /** The beginning of a paragraph as one of a list, at the list's own indent. */
    private static String listed(String start, String prefix, int depth, int list) {
        String number = "<" + prefix + "numPr><" + prefix + "ilvl " + prefix + "val=\"" + depth + "\"/><" + prefix
                + "numId " + prefix + "val=\"" + list + "\"/></" + prefix + "numPr>";
        String open = "<" + prefix + "pPr>";
        String begun = start.replace("<" + prefix + "pPr/>", "");
        int properties = begun.indexOf(open);
        if (properties < 0) {
            int at = begun.indexOf('>') + 1;
            return begun.substring(0, at) + open + number + "</" + prefix + "pPr>" + begun.substring(at);
        }
        int end = begun.indexOf("</" + prefix + "pPr>", properties);
        String own = begun.substring(0, end)
                .replaceAll("<" + prefix + "ind [^>]*/>", "")
                .replaceAll("(?s)<" + prefix + "numPr>.*?</" + prefix + "numPr>", "");
        Matcher later =
                Pattern.compile("<" + prefix + "(" + AFTER_NUMBER + ")[ />]").matcher(own);
        int at = later.find() ? later.start() : own.length();
        return own.substring(0, at) + number + own.substring(at) + begun.substring(end);
    }

    /** Words with their line breaks and tabs, as the content of a run. */
    static void words(String text, String prefix, StringBuilder out) {
        int at = 0;
        for (int i = 0; i <= text.length(); i++) {
            boolean end = i == text.length();
            if (!end && text.charAt(i) != '\n' && text.charAt(i) != '\t') continue;
            if (i > at) {
                out.append('<').append(prefix).append("t xml:space=\"preserve\">");
                out.append(SafeXml.escape(text.substring(at, i)));
                out.append("</").append(prefix).append("t>");
            }
            if (!end) out.append('<').append(prefix).append(text.charAt(i) == '\n' ? "br/>" : "tab/>");
            at = i + 1;
        }
    }
}
