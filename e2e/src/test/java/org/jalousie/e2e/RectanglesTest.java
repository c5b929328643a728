package org.jalousie.e2e;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.awt.Color;
import java.awt.image.BufferedImage;
import java.io.ByteArrayInputStream;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Set;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.zip.ZipEntry;
import java.util.zip.ZipInputStream;
import java.util.zip.ZipOutputStream;
import javax.imageio.ImageIO;
import org.jalousie.core.placement.FieldPlacer;
import org.jalousie.core.placement.PlacedField;
import org.jalousie.core.wording.DocxText;
import org.jalousie.core.wording.WordFile;
import org.jalousie.core.wording.Wording;
import org.jalousie.core.wording.write.Paper;
import org.jalousie.core.wording.write.WordDraft;
import org.jalousie.server.adapters.Converter;
import org.jalousie.server.testbed.Testbed;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/**
 * Where signing fields stand, against what poppler sees on the same pages: the picture that keeps a field's room is given a
 * colour, and its pixels are measured ({@code pdftoppm}); the word before it ends where it begins ({@code pdftotext -bbox}).
 */
class RectanglesTest {
    private static final Converter CONVERTER = Testbed.start().bean(Converter.class);
    private static final double HALF_A_POINT = 0.5;
    private static final int DOTS_PER_INCH = 288;
    private static final double POINT = DOTS_PER_INCH / 72.0;
    private static final List<String> PLACES = List.of("par", "lst", "cel", "hdr", "ftr", "col", "two", "box", "rtl");

    private static WordFile wording(Paper paper, boolean landscape, int lines) {
        WordDraft draft =
                new WordDraft().paper(paper, 22).header("HDR{{lender.hdr}}").footer("FTR{{lender.ftr}}");
        for (int i = 0; i < lines; i++) draft.paragraph("Clause " + i + ": the object is kept dry.");
        WordFile file = WordFile.open(draft.paragraph("PAR{{lender.par}} and more words of the line")
                .clause("LST{{lender.lst}}")
                .table(List.of(List.of("Lender", "CEL{{lender.cel}}")), true)
                .raw(
                        "<w:p><w:pPr><w:bidi/></w:pPr><w:r><w:rPr><w:rtl/></w:rPr><w:t>\u05d4\u05e9\u05d5\u05d0\u05dc\u05d4 </w:t></w:r>"
                                + "<w:r><w:t>RTL</w:t></w:r><w:r><w:t>{{lender.rtl}}</w:t></w:r></w:p>")
                .raw("""
                        <w:p><w:r><w:pict xmlns:v="urn:schemas-microsoft-com:vml"><v:shape style="width:300pt;height:60pt" \
                        type="#_x0000_t202"><v:textbox><w:txbxContent><w:p><w:r><w:t>BOX{{lender.box}}</w:t></w:r></w:p>\
                        </w:txbxContent></v:textbox></v:shape></w:pict></w:r></w:p>""")
                .raw("<w:p><w:pPr><w:sectPr><w:type w:val=\"continuous\"/>" + section(paper, landscape)
                        + "</w:sectPr></w:pPr></w:p>")
                .paragraph("COL{{lender.col}}")
                .raw("<w:p><w:r><w:br w:type=\"column\"/></w:r><w:r><w:t>TWO{{lender.two}}</w:t></w:r></w:p>")
                .raw("<w:p><w:pPr><w:sectPr><w:type w:val=\"continuous\"/>" + section(paper, landscape)
                        + "<w:cols w:num=\"2\" w:space=\"400\"/></w:sectPr></w:pPr></w:p>")
                .paragraph("SIG{{lender.signature}}")
                .bytes());
        String pages = DocxText.xml(file.bytes(), "word/document.xml");
        String last =
                pages.substring(pages.lastIndexOf("<w:pgSz"), pages.indexOf("/>", pages.lastIndexOf("<w:pgSz")) + 2);
        String turned = section(paper, landscape);
        return DocxText.replaced(file, "word/document.xml", last, turned.substring(0, turned.indexOf("/>") + 2));
    }

    private static String section(Paper paper, boolean landscape) {
        String[] size = paper == Paper.A4 ? new String[] {"11906", "16838"} : new String[] {"12240", "15840"};
        String turned = landscape
                ? "<w:pgSz w:w=\"" + size[1] + "\" w:h=\"" + size[0] + "\" w:orient=\"landscape\"/>"
                : "<w:pgSz w:w=\"" + size[0] + "\" w:h=\"" + size[1] + "\"/>";
        return turned
                + "<w:pgMar w:top=\"1247\" w:right=\"1247\" w:bottom=\"1247\" w:left=\"1247\" w:header=\"680\" w:footer=\"567\" w:gutter=\"0\"/>";
    }

    @ParameterizedTest
    @CsvSource({
        "A4, false, 0",
        "A4, false, 1",
        "A4, false, 5",
        "A4, false, 50",
        "A4, true, 0",
        "A4, true, 5",
        "A4, true, 50",
        "LETTER, false, 0",
        "LETTER, false, 1",
        "LETTER, false, 50",
        "LETTER, true, 5"
    })
    void aFieldIsWhereItsPixelsAre(Paper paper, boolean landscape, int lines) throws IOException {
        Wording wording = Wording.compile(wording(paper, landscape, lines), Set.of());
        assertThat(wording.diagnostics()).isEmpty();
        byte[] pdf = CONVERTER.toPdf(coloured(wording.merge(Map.of(), Locale.UK)));
        Path file = Path.of("target/rectangles-" + paper + landscape + lines + ".pdf");
        Files.write(file, pdf);
        List<PlacedField> fields = FieldPlacer.place(pdf, wording.boxes(), wording.onEachPage(), Set.of(), List.of())
                .pages()
                .fields();
        assertThat(fields.stream().map(one -> one.field().name().replaceFirst("lender_(...).*", "$1")))
                .containsAll(PLACES);
        Map<String, List<double[]>> words = words(file);
        Map<Integer, BufferedImage> pages = new HashMap<>();
        for (PlacedField field : fields) {
            String name = field.field().name();
            BufferedImage page = pages.computeIfAbsent(field.page(), number -> page(file, number));
            double[] seen = pixels(page, field);
            assertThat(seen[0]).as("left of " + name).isEqualTo(field.x(), within(HALF_A_POINT));
            assertThat(seen[1]).as("foot of " + name).isEqualTo(field.y(), within(HALF_A_POINT));
            assertThat(seen[2]).as("right of " + name).isEqualTo(field.x() + field.width(), within(HALF_A_POINT));
            assertThat(seen[3]).as("top of " + name).isEqualTo(field.y() + field.height(), within(HALF_A_POINT));
            String place = name.replaceFirst("lender_(...).*", "$1");
            double edge = place.equals("rtl") ? field.x() + field.width() : field.x();
            assertThat(words.get(field.page() + place.toUpperCase(Locale.ROOT)))
                    .as("the word beside " + name)
                    .anySatisfy(word ->
                            assertThat(place.equals("rtl") ? word[0] : word[1]).isEqualTo(edge, within(HALF_A_POINT)));
        }
    }

    /** The file with the unseen picture of the fields in red. */
    private static byte[] coloured(byte[] merged) throws IOException {
        BufferedImage red = new BufferedImage(1, 1, BufferedImage.TYPE_INT_RGB);
        red.setRGB(0, 0, Color.RED.getRGB());
        ByteArrayOutputStream png = new ByteArrayOutputStream();
        ImageIO.write(red, "png", png);
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        int pictures = 0;
        // the package is written anew as it is: opened as a wording it would lose its links
        try (ZipInputStream from = new ZipInputStream(new ByteArrayInputStream(merged));
                ZipOutputStream to = new ZipOutputStream(out)) {
            for (ZipEntry part = from.getNextEntry(); part != null; part = from.getNextEntry()) {
                boolean picture = part.getName().endsWith(".png");
                to.putNextEntry(new ZipEntry(part.getName()));
                to.write(picture ? png.toByteArray() : from.readAllBytes());
                if (picture) pictures++;
            }
        }
        assertThat(pictures).isPositive();
        return out.toByteArray();
    }

    private static BufferedImage page(Path pdf, int number) {
        Path out = Path.of(pdf.toString().replace(".pdf", "-" + number));
        Tool.run(
                "pdftoppm",
                "-r",
                String.valueOf(DOTS_PER_INCH),
                "-f",
                String.valueOf(number),
                "-l",
                String.valueOf(number),
                "-singlefile",
                "-png",
                pdf.toString(),
                out.toString());
        try {
            return ImageIO.read(Path.of(out + ".png").toFile());
        } catch (IOException e) {
            throw new IllegalStateException(e);
        }
    }

    /** Left, foot, right and top of the red around a field's middle, in points from the page's lower left corner. */
    private static double[] pixels(BufferedImage page, PlacedField field) {
        int x = (int) ((field.x() + field.width() / 2) * POINT);
        int y = page.getHeight() - (int) ((field.y() + field.height() / 2) * POINT);
        assertThat(isRed(page, x, y))
                .as("red in the middle of " + field.field().name())
                .isTrue();
        int left = x;
        int right = x;
        int top = y;
        int foot = y;
        while (isRed(page, left - 1, y)) left--;
        while (isRed(page, right + 1, y)) right++;
        while (isRed(page, x, top - 1)) top--;
        while (isRed(page, x, foot + 1)) foot++;
        return new double[] {
            left / POINT, (page.getHeight() - foot - 1) / POINT, (right + 1) / POINT, (page.getHeight() - top) / POINT
        };
    }

    private static boolean isRed(BufferedImage page, int x, int y) {
        if (x < 0 || y < 0 || x >= page.getWidth() || y >= page.getHeight()) return false;
        Color color = new Color(page.getRGB(x, y));
        return color.getRed() > 200 && color.getGreen() < 100 && color.getBlue() < 100;
    }

    /** Left and right of each word, by its page and what it says. */
    private static Map<String, List<double[]>> words(Path pdf) {
        Map<String, List<double[]>> words = new HashMap<>();
        Pattern word = Pattern.compile(
                "<word xMin=\"([0-9.]+)\" yMin=\"[0-9.]+\" xMax=\"([0-9.]+)\" yMax=\"[0-9.]+\">(\\w+)</word>");
        int page = 0;
        for (String line :
                Tool.run("pdftotext", "-bbox", pdf.toString(), "-").words().split("\n")) {
            if (line.contains("<page ")) page++;
            Matcher found = word.matcher(line);
            if (found.find())
                words.computeIfAbsent(page + found.group(3), any -> new java.util.ArrayList<>())
                        .add(new double[] {Double.parseDouble(found.group(1)), Double.parseDouble(found.group(2))});
        }
        return words;
    }
}
