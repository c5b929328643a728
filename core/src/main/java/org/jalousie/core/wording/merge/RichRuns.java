package org.jalousie.core.wording.merge;

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
    private static final int INDENT = 360;
    // ISO/IEC 29500-1 §17.3.2.28 and §17.3.1.26: the children of rPr and pPr stand in a fixed order
    private static final String AFTER_ITALIC =
            "iCs|caps|smallCaps|strike|dstrike|outline|shadow|emboss|imprint|noProof|snapToGrid|vanish|webHidden|color|spacing|w|kern|position|sz|szCs|highlight|"
                    + "u|effect|bdr|shd|fitText|vertAlign|rtl|cs|em|lang|eastAsianLayout|specVanish|oMath";
    private static final String AFTER_UNDERLINE =
            "effect|bdr|shd|fitText|vertAlign|rtl|cs|em|lang|eastAsianLayout|specVanish|oMath";
    private static final String AFTER_INDENT =
            "contextualSpacing|mirrorIndents|suppressOverlap|jc|textDirection|textAlignment|textboxTightWrap|outlineLvl|divId|cnfStyle|rPr|sectPr|pPrChange";

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
        int[] counts = new int[10];
        int list = 0;
        List<RichText.Block> blocks = RichText.blocks(html);
        for (int i = 0; i < blocks.size(); i++) {
            RichText.Block block = blocks.get(i);
            String begin = i == 0 ? start : further;
            if (block.kind() == RichText.Kind.PARAGRAPH) {
                out.append(begin);
            } else {
                if (block.list() != list) counts = new int[10];
                list = block.list();
                int depth = Math.min(block.depth(), 8);
                counts[depth + 1] = 0;
                out.append(indented(begin, slot.prefix(), depth));
                String mark = block.kind() == RichText.Kind.BULLET ? "\u2022" : ++counts[depth] + ".";
                run(mark + "\t", PLAIN, slot, out);
            }
            runs(block.stretches(), slot, out);
            out.append(i == blocks.size() - 1 ? end : "</" + slot.prefix() + "p>");
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

    private static String indented(String start, String prefix, int depth) {
        String indent = "<" + prefix + "ind " + prefix + "left=\"" + INDENT * (depth + 1) + "\" " + prefix
                + "hanging=\"" + INDENT + "\"/>";
        String open = "<" + prefix + "pPr>";
        int properties = start.indexOf(open);
        if (properties < 0) {
            int begun = start.indexOf('>') + 1;
            return start.substring(0, begun) + open + indent + "</" + prefix + "pPr>" + start.substring(begun);
        }
        int end = start.indexOf("</" + prefix + "pPr>", properties);
        String own = start.substring(0, end).replaceAll("<" + prefix + "ind [^>]*/>", "");
        Matcher later =
                Pattern.compile("<" + prefix + "(" + AFTER_INDENT + ")[ />]").matcher(own);
        int at = later.find() ? later.start() : own.length();
        return own.substring(0, at) + indent + own.substring(at) + start.substring(end);
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
