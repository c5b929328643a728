package org.jalousie.core.picture;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.StringReader;
import java.util.ArrayList;
import java.util.List;
import java.util.OptionalDouble;
import javax.xml.parsers.DocumentBuilderFactory;
import org.junit.jupiter.api.Test;
import org.w3c.dom.Document;
import org.w3c.dom.Element;
import org.w3c.dom.NodeList;
import org.xml.sax.InputSource;

class BarsTest {
    private static Bars.Row row(String label, double... parts) {
        return new Bars.Row(
                label,
                java.util.Arrays.stream(parts).boxed().toList(),
                OptionalDouble.empty(),
                String.valueOf(java.util.Arrays.stream(parts).sum()));
    }

    private static Document read(Bars bars) throws Exception {
        return DocumentBuilderFactory.newInstance()
                .newDocumentBuilder()
                .parse(new InputSource(new StringReader(bars.svg())));
    }

    private static List<Element> all(Document svg, String name) {
        NodeList found = svg.getElementsByTagName(name);
        List<Element> all = new ArrayList<>();
        for (int i = 0; i < found.getLength(); i++) all.add((Element) found.item(i));
        return all;
    }

    private static List<Element> bars(Document svg) {
        return all(svg, "rect").stream()
                .filter(one -> one.getParentNode().getNodeName().equals("g"))
                .toList();
    }

    private static double number(Element one, String attribute) {
        return Double.parseDouble(one.getAttribute(attribute));
    }

    @Test
    void barsAreAsLongAsTheirNumbersAndPartsFollowOneAnother() throws Exception {
        Document svg = read(new Bars("Out", List.of("a", "b"), List.of(row("one", 10, 5), row("two", 20, 0)), false));
        List<Element> bars = bars(svg);
        // a part that is nothing isn't drawn
        assertThat(bars).hasSize(3);
        double unit = number(bars.get(0), "width") / 10;
        assertThat(number(bars.get(1), "width")).isCloseTo(5 * unit, org.assertj.core.data.Offset.offset(0.11));
        assertThat(number(bars.get(2), "width")).isCloseTo(20 * unit, org.assertj.core.data.Offset.offset(0.2));
        assertThat(number(bars.get(1), "x"))
                .isCloseTo(
                        number(bars.get(0), "x") + number(bars.get(0), "width"),
                        org.assertj.core.data.Offset.offset(0.11));
        assertThat(bars.get(0).getAttribute("class")).contains("solid");
        assertThat(bars.get(1).getAttribute("fill")).isEqualTo("url(#diagonal)");
    }

    @Test
    void aLineReachesBeyondTheBar() throws Exception {
        Bars.Row row = new Bars.Row("one", List.of(2.0), OptionalDouble.of(8), "2 · 8");
        Document svg = read(new Bars("Days", List.of("half", "nine of ten"), List.of(row), false));
        Element bar = bars(svg).get(0);
        Element line = all(svg, "line").stream()
                .filter(one -> one.getParentNode().getNodeName().equals("g"))
                .findFirst()
                .orElseThrow();
        assertThat(number(line, "x1"))
                .isCloseTo(number(bar, "x") + number(bar, "width"), org.assertj.core.data.Offset.offset(0.11));
        assertThat((number(line, "x2") - number(bar, "x")) / number(bar, "width"))
                .isCloseTo(4, org.assertj.core.data.Offset.offset(0.05));
        assertThat(all(svg, "desc").get(0).getTextContent()).isEqualTo("one: 2 · 8.");
    }

    @Test
    void nothingAndNoughtsAreDrawnToo() throws Exception {
        assertThat(bars(read(new Bars("None", List.of("a"), List.of(), false)))).isEmpty();
        assertThat(bars(read(new Bars("Noughts", List.of("a"), List.of(row("one", 0)), false))))
                .isEmpty();
    }

    private static List<String> axis(double most, boolean whole) throws Exception {
        return all(read(new Bars("Axis", List.of("a"), List.of(row("one", most)), whole)), "text").stream()
                .filter(one -> one.getAttribute("text-anchor").equals("middle"))
                .map(Element::getTextContent)
                .toList();
    }

    @Test
    void theAxisCountsInWholesWhatIsCountedAndWithoutRestsWhatIsMeasured() throws Exception {
        assertThat(axis(1, true)).containsExactly("0", "1");
        assertThat(axis(7, true)).containsExactly("0", "1", "2", "3", "4", "5", "6", "7");
        assertThat(axis(0, true)).containsExactly("0", "1");
        assertThat(axis(0.7, false)).containsExactly("0", "0.1", "0.2", "0.3", "0.4", "0.5", "0.6", "0.7");
        assertThat(axis(123456789, false)).first().isEqualTo("0");
        assertThat(axis(123456789, false)).allMatch(one -> one.matches("\\d+"));
    }

    @Test
    void anyLabelIsDrawnAndALongOneCut() throws Exception {
        String hostile = "<script>alert('x')</script> & \u0000\u0007\uD800 ]]>";
        String wide = "𝄞".repeat(80);
        Document svg = read(new Bars(hostile, List.of(hostile), List.of(row(hostile, 1), row(wide, 2)), false));
        assertThat(all(svg, "script")).isEmpty();
        assertThat(all(svg, "text").stream().map(Element::getTextContent))
                .anyMatch(text -> text.startsWith("<script>"))
                .anyMatch(text -> text.startsWith("𝄞𝄞")
                        && text.endsWith("…")
                        && text.codePoints().count() == 17);
        assertThat(all(svg, "title").stream().map(Element::getTextContent)).contains(wide + ": 2.0");
    }
}
