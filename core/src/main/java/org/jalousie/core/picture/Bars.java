package org.jalousie.core.picture;

import java.io.StringWriter;
import java.math.BigDecimal;
import java.math.MathContext;
import java.util.List;
import java.util.Locale;
import java.util.OptionalDouble;
import javax.xml.stream.XMLOutputFactory;
import javax.xml.stream.XMLStreamException;
import javax.xml.stream.XMLStreamWriter;

/**
 * Lying bars, one below the other, as a drawing (SVG 1.1) that also says in words what it shows. The parts of a bar are told apart
 * by their weave, not by colour; by day it is ink on paper, in the dark the other way round.
 *
 * @param parts what each part of a bar stands for, four at most; with {@code reach}, what the line beyond stands for, comes last
 * @param whole whether its numbers are counts, between which the axis says nothing
 */
public record Bars(String title, List<String> parts, List<Row> rows, boolean whole) {
    private static final int WIDTH = 960;
    private static final int LABELS = 250;
    private static final int FIGURES = 130;
    private static final int TOP = 64;
    private static final int SLAT = 26;
    private static final int FOOT = 34;
    private static final int LETTER = 7;
    private static final int LONGEST = (LABELS - 16) / LETTER;
    private static final List<String> WEAVES = List.of("solid", "diagonal", "plain", "dots");

    private static final String STYLE =
            "svg{color:#1d2726;background:#fffefa}text{font:13px 'Hanken Grotesk',sans-serif;fill:currentColor}"
                    + ".solid{fill:#1c4740}.plain{fill:none}.bar{stroke:#1c4740}.grid{stroke:#d9d3c3}.reach,.weave{stroke:#1c4740}"
                    + ".dot{fill:#1c4740}@media(prefers-color-scheme:dark){svg{color:#ece8dc;background:#222a29}.solid,.dot{fill:#94b982}"
                    + ".bar,.reach,.weave{stroke:#94b982}.grid{stroke:#3a4341}}";

    /**
     * One bar.
     *
     * @param parts how long each part is, none below zero
     * @param reach how far the line beyond it goes
     */
    public record Row(String label, List<Double> parts, OptionalDouble reach, String figure) {
        private double end() {
            return Math.max(
                    reach.orElse(0),
                    parts.stream().mapToDouble(Double::doubleValue).sum());
        }
    }

    /** The drawing, as XML. */
    public String svg() {
        StringWriter text = new StringWriter();
        try {
            XMLStreamWriter xml = XMLOutputFactory.newFactory().createXMLStreamWriter(text);
            draw(xml);
            xml.close();
        } catch (XMLStreamException e) {
            throw new IllegalStateException("a drawing in memory can't fail to be written", e);
        }
        return text.toString();
    }

    private void draw(XMLStreamWriter xml) throws XMLStreamException {
        int height = TOP + rows.size() * SLAT + FOOT;
        double most = rows.stream().mapToDouble(Row::end).max().orElse(0);
        double step = whole ? Math.max(1, Chart.step(most)) : Chart.step(most);
        double high = Math.max(step, Math.ceil(most / step) * step);
        begin(xml, "svg", "xmlns", "http://www.w3.org/2000/svg", "viewBox", "0 0 " + WIDTH + " " + height);
        xml.writeAttribute("role", "img");
        words(xml, "title", title);
        words(xml, "desc", said());
        words(xml, "style", STYLE);
        weaves(xml);
        legend(xml);
        for (int i = 0; i * step <= high + step / 2; i++) {
            double x = x(i * step, high);
            line(xml, "grid", x, TOP - 6, x, height - FOOT + 2);
            text(xml, x, height - FOOT + 20, "middle", plain(i * step));
        }
        int y = TOP;
        for (Row row : rows) {
            row(xml, row, y, high);
            y += SLAT;
        }
        xml.writeEndElement();
    }

    private void row(XMLStreamWriter xml, Row row, int y, double high) throws XMLStreamException {
        begin(xml, "g");
        words(xml, "title", row.label() + ": " + row.figure());
        text(xml, LABELS - 10, y + 17, "end", fitting(row.label()));
        double from = 0;
        for (int i = 0; i < row.parts().size(); i++) {
            double to = from + row.parts().get(i);
            if (to > from)
                bar(xml, WEAVES.get(i % WEAVES.size()), x(from, high), y + 5, x(to, high) - x(from, high), SLAT - 11);
            from = to;
        }
        double end = x(from, high);
        if (row.reach().isPresent()) {
            double reach = x(row.reach().getAsDouble(), high);
            line(xml, "reach", end, y + 12.5, reach, y + 12.5);
            line(xml, "reach", reach, y + 7, reach, y + 18);
            end = Math.max(end, reach);
        }
        text(xml, end + 8, y + 17, "start", row.figure());
        xml.writeEndElement();
    }

    private void legend(XMLStreamWriter xml) throws XMLStreamException {
        text(xml, 10, 20, "start", title);
        int x = LABELS;
        boolean reaches = rows.stream().anyMatch(row -> row.reach().isPresent());
        for (int i = 0; i < parts.size(); i++) {
            if (reaches && i == parts.size() - 1) {
                line(xml, "reach", x, 40, x + 22, 40);
                line(xml, "reach", x + 22, 35, x + 22, 45);
            } else bar(xml, WEAVES.get(i % WEAVES.size()), x, 33, 22, 13);
            text(xml, x + 30, 44, "start", parts.get(i));
            x += 30 + LETTER * parts.get(i).length() + 24;
        }
    }

    private void weaves(XMLStreamWriter xml) throws XMLStreamException {
        begin(xml, "defs");
        begin(xml, "pattern", "id", "diagonal", "width", "6", "height", "6", "patternUnits", "userSpaceOnUse");
        begin(xml, "path", "class", "weave", "d", "M-1 1L1 -1M0 6L6 0M5 7L7 5");
        xml.writeEndElement();
        xml.writeEndElement();
        begin(xml, "pattern", "id", "dots", "width", "5", "height", "5", "patternUnits", "userSpaceOnUse");
        begin(xml, "circle", "class", "dot", "cx", "2.5", "cy", "2.5", "r", "1");
        xml.writeEndElement();
        xml.writeEndElement();
        xml.writeEndElement();
    }

    private static void bar(XMLStreamWriter xml, String weave, double x, double y, double width, double height)
            throws XMLStreamException {
        boolean woven = weave.equals("diagonal") || weave.equals("dots");
        begin(xml, "rect", "class", woven ? "bar" : "bar " + weave, "x", number(x), "y", number(y));
        xml.writeAttribute("width", number(width));
        xml.writeAttribute("height", number(height));
        if (woven) xml.writeAttribute("fill", "url(#" + weave + ")");
        xml.writeEndElement();
    }

    private static void line(XMLStreamWriter xml, String look, double x1, double y1, double x2, double y2)
            throws XMLStreamException {
        begin(xml, "line", "class", look, "x1", number(x1), "y1", number(y1));
        xml.writeAttribute("x2", number(x2));
        xml.writeAttribute("y2", number(y2));
        xml.writeEndElement();
    }

    private static void text(XMLStreamWriter xml, double x, double y, String anchor, String words)
            throws XMLStreamException {
        begin(xml, "text", "x", number(x), "y", number(y), "text-anchor", anchor);
        xml.writeCharacters(clean(words));
        xml.writeEndElement();
    }

    private static void words(XMLStreamWriter xml, String element, String words) throws XMLStreamException {
        xml.writeStartElement(element);
        xml.writeCharacters(clean(words));
        xml.writeEndElement();
    }

    private static void begin(XMLStreamWriter xml, String element, String... attributes) throws XMLStreamException {
        xml.writeStartElement(element);
        for (int i = 0; i < attributes.length; i += 2) xml.writeAttribute(attributes[i], attributes[i + 1]);
    }

    /** What it shows, for whoever doesn't see it. */
    private String said() {
        StringBuilder said = new StringBuilder();
        for (Row row : rows)
            said.append(row.label()).append(": ").append(row.figure()).append(". ");
        return said.toString().strip();
    }

    private static double x(double value, double high) {
        return LABELS + value / high * (WIDTH - LABELS - FIGURES);
    }

    /** As much of a label as has room; letters of East Asian scripts and signs beyond take twice as much. */
    private static String fitting(String label) {
        int width = 0;
        int fits = 0;
        for (int at = 0; at < label.length(); at = label.offsetByCodePoints(at, 1)) {
            width += label.codePointAt(at) < 0x1100 ? 1 : 2;
            if (width < LONGEST) fits = label.offsetByCodePoints(at, 1);
        }
        return width <= LONGEST ? label : label.substring(0, fits).strip() + "\u2026";
    }

    /** Without what counting in halves leaves behind the sixth figure. */
    private static String plain(double number) {
        return BigDecimal.valueOf(number)
                .round(new MathContext(6))
                .stripTrailingZeros()
                .toPlainString();
    }

    private static String number(double value) {
        return String.format(Locale.ROOT, "%.1f", value);
    }

    /** What XML 1.0 can't carry is left out. */
    private static String clean(String words) {
        return words.codePoints()
                .filter(c -> c == 9 || c >= 0x20 && c != 0xFFFE && c != 0xFFFF && !(c >= 0xD800 && c <= 0xDFFF))
                .collect(StringBuilder::new, StringBuilder::appendCodePoint, StringBuilder::append)
                .toString();
    }
}
