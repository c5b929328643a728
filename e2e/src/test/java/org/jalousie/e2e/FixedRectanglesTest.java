package org.jalousie.e2e;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.awt.image.BufferedImage;
import java.io.ByteArrayOutputStream;
import java.io.File;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Set;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.Stream;
import javax.imageio.ImageIO;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.PDPage;
import org.apache.pdfbox.pdmodel.PDPageContentStream;
import org.apache.pdfbox.pdmodel.common.PDRectangle;
import org.apache.pdfbox.util.Matrix;
import org.jalousie.core.parties.PartyKey;
import org.jalousie.core.pdf.PageWords;
import org.jalousie.core.pdf.PdfIntake;
import org.jalousie.core.pdf.PicturePage;
import org.jalousie.core.picture.PictureFile;
import org.jalousie.core.placement.DocumentPlace;
import org.jalousie.core.placement.FixedPages;
import org.jalousie.core.placement.PlacedField;
import org.jalousie.core.placement.SignaturePlace;
import org.jalousie.core.placement.SigningField;
import org.jalousie.core.placement.Spot;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.Arguments;
import org.junit.jupiter.params.provider.MethodSource;

/**
 * What hangs on words, and what stands on a page, stands there within half a point, in PDFs of five producers (LibreOffice,
 * Chromium, pdfTeX, Cairo, and a page as from a scanner), turned, cropped, in units of their own, with pages of several sizes. Where
 * the words are is told by poppler of each file as it was before it was taken in.
 */
class FixedRectanglesTest {
    private static final String PHRASE = "Signed by the lender";
    private static final SigningField FIELD =
            new SigningField("lender_signature", new PartyKey("lender"), "signature", new SignaturePlace());
    private static final Path FOLDER = Path.of("target/fixed");
    private static final Pattern WORD =
            Pattern.compile("xMin=\"([0-9.]+)\" yMin=\"([0-9.]+)\" xMax=\"([0-9.]+)\" yMax=\"([0-9.]+)\">([^<]*)<");

    /** How a page is turned, cut and measured. */
    record Way(int rotation, boolean cropped, float unit, boolean secondPage) {}

    private static final List<Way> WAYS = List.of(
            new Way(0, false, 1, false),
            new Way(90, false, 1, false),
            new Way(180, false, 1, true),
            new Way(270, false, 1, false),
            new Way(0, true, 1, true),
            new Way(90, true, 1, false),
            new Way(180, true, 2, false),
            new Way(270, true, 0.5f, true));

    @BeforeAll
    static void produce() throws IOException {
        Files.createDirectories(FOLDER);
        Path html = FOLDER.resolve("page.html");
        Files.writeString(
                html,
                "<meta charset=utf-8><style>@page{size:A5;margin:15mm}</style><h1>A form</h1><p>Nothing else is said here.</p>"
                        + "<p style='margin-top:60mm'>" + PHRASE + "</p>");
        tool(
                "chromium",
                "--headless",
                "--no-sandbox",
                "--disable-gpu",
                "--no-pdf-header-footer",
                "--print-to-pdf=" + FOLDER.resolve("chromium.pdf"),
                html.toUri().toString());
        tool(
                "pdftocairo",
                "-pdf",
                FOLDER.resolve("chromium.pdf").toString(),
                FOLDER.resolve("cairo.pdf").toString());
        Files.writeString(
                FOLDER.resolve("libreoffice.rtf"),
                "{\\rtf1 A form\\par Nothing else is said here.\\par\\par\\par\\par " + PHRASE + "\\par}");
        tool(
                "soffice",
                "-env:UserInstallation=" + FOLDER.resolve("office").toUri(),
                "--headless",
                "--convert-to",
                "pdf",
                "--outdir",
                FOLDER.toString(),
                FOLDER.resolve("libreoffice.rtf").toString());
        Files.writeString(
                FOLDER.resolve("tex.tex"),
                "\\pdfpagewidth=150mm \\pdfpageheight=210mm \\hsize=110mm \\nopagenumbers A form\\par Nothing else is said here.\\par\\vskip 60mm "
                        + PHRASE + "\\bye");
        tool(
                "pdftex",
                "-interaction=batchmode",
                "-output-directory=" + FOLDER,
                FOLDER.resolve("tex.tex").toString());
        tool(
                "pdftoppm",
                "-r",
                "100",
                "-png",
                "-singlefile",
                FOLDER.resolve("tex.pdf").toString(),
                FOLDER.resolve("scan").toString());
        Files.write(
                FOLDER.resolve("scanner.pdf"),
                PicturePage.of(PictureFile.read(Files.readAllBytes(FOLDER.resolve("scan.png")))));
    }

    private static void tool(String... command) {
        Tool.Said said = Tool.run(command);
        assertThat(said.code())
                .as(String.join(" ", command) + "\n" + said.words())
                .isZero();
    }

    static Stream<Arguments> files() {
        return Stream.of("libreoffice", "chromium", "tex", "cairo", "scanner")
                .flatMap(producer -> WAYS.stream().map(way -> Arguments.of(producer, way)));
    }

    @ParameterizedTest
    @MethodSource("files")
    void rectanglesAndAnchorsStandWhereTheyBelong(String producer, Way way) throws IOException {
        Path original = FOLDER.resolve(producer + "-" + way.rotation() + way.cropped() + way.unit() + ".pdf");
        Files.write(original, varied(Files.readAllBytes(FOLDER.resolve(producer + ".pdf")), way));
        PdfIntake.TakenIn taken = PdfIntake.take(Files.readAllBytes(original), "Form", false);
        assertThat(taken.archival()).isTrue();
        Path upright = FOLDER.resolve("upright-" + original.getFileName());
        Files.write(upright, taken.pdf());
        looksAlike(original, upright, way);

        boolean hasWords = !producer.equals("scanner");
        Spot spot = hasWords ? new Spot.ByWords(PHRASE, 10, -25) : new Spot.OnPage(1, 40, 50);
        PageWords words = PageWords.of(taken.pdf());
        List<PlacedField> placed = FixedPages.make(
                        new FixedPages.Sheet(
                                taken.pdf(), () -> words, List.of(new DocumentPlace(FIELD.name(), spot)), List.of()),
                        Map.of(FIELD.name(), FIELD),
                        place -> "",
                        Set.of(),
                        List.of())
                .pages()
                .fields();
        assertThat(placed).hasSize(1);
        PlacedField at = placed.get(0);
        assertThat(at.page()).isEqualTo(1);
        double height = taken.sizes().get(0).height();
        double mm = 72 / 25.4;
        if (!hasWords) {
            assertThat(at.x()).isEqualTo(40 * mm, within(0.5));
            assertThat(height - at.y() - at.height()).isEqualTo(50 * mm, within(0.5));
            return;
        }
        double[] word = seen(original, way, "Signed");
        assertThat(at.x()).as("from where the words begin").isEqualTo(word[0] * way.unit() + 10 * mm, within(0.5));
        // the line that letters stand on is told by poppler through the word's own box, which is the same in every way
        double[] plain = seen(FOLDER.resolve(producer + ".pdf"), new Way(0, false, 1, false), "Signed");
        double line = line(producer);
        double expected = (word[1] + (line - plain[1])) * way.unit() - 25 * mm;
        assertThat(height - at.y() - at.height())
                .as("from the line they stand on")
                .isEqualTo(expected, within(0.5));
    }

    /** Where a word's line is on the page as its producer made it, from the top: by its content, before anything was done to it. */
    private static double line(String producer) throws IOException {
        byte[] pdf = Files.readAllBytes(FOLDER.resolve(producer + ".pdf"));
        try (PDDocument document = Loader.loadPDF(pdf)) {
            double height = document.getPage(0).getMediaBox().getHeight();
            double[] found = new double[1];
            new org.apache.pdfbox.text.PDFTextStripper() {
                @Override
                protected void writeString(String text, List<org.apache.pdfbox.text.TextPosition> letters) {
                    if (text.contains("Signed"))
                        found[0] = letters.get(0).getTextMatrix().getTranslateY();
                }
            }.getText(document);
            return height - found[0];
        }
    }

    /** A word as poppler sees it: left, top, right, bottom, in points from the upper left corner of what is shown. */
    private static double[] seen(Path pdf, Way way, String text) throws IOException {
        Path out = FOLDER.resolve("words.html");
        tool("pdftotext", "-bbox", "-cropbox", "-f", "1", "-l", "1", pdf.toString(), out.toString());
        Matcher word = WORD.matcher(Files.readString(out));
        while (word.find()) {
            if (word.group(5).equals(text))
                return new double[] {
                    Double.parseDouble(word.group(1)),
                    Double.parseDouble(word.group(2)),
                    Double.parseDouble(word.group(3)),
                    Double.parseDouble(word.group(4))
                };
        }
        throw new AssertionError("poppler finds no " + text + " in " + pdf + " " + way);
    }

    /** The same page, seen the same, but told in another way. */
    private static byte[] varied(byte[] pdf, Way way) throws IOException {
        try (PDDocument document = Loader.loadPDF(pdf)) {
            PDPage page = document.getPage(0);
            float wide = page.getMediaBox().getWidth();
            float high = page.getMediaBox().getHeight();
            Matrix told = switch (way.rotation()) {
                case 90 -> new Matrix(0, 1, -1, 0, high, 0);
                case 180 -> new Matrix(-1, 0, 0, -1, wide, high);
                case 270 -> new Matrix(0, -1, 1, 0, 0, wide);
                default -> new Matrix();
            };
            boolean upright = way.rotation() % 180 == 0;
            float width = upright ? wide : high;
            float height = upright ? high : wide;
            float left = way.cropped() ? 37 : 0;
            float low = way.cropped() ? -53 : 0;
            told = Matrix.concatenate(Matrix.getTranslateInstance(left, low), told);
            try (PDPageContentStream out =
                    new PDPageContentStream(document, page, PDPageContentStream.AppendMode.PREPEND, true, false)) {
                out.transform(told);
            }
            if (way.cropped()) {
                page.setMediaBox(new PDRectangle(left - 30, low - 20, width + 80, height + 60));
                page.setCropBox(new PDRectangle(left, low, width, height));
            } else {
                page.setMediaBox(new PDRectangle(width, height));
                page.setCropBox(new PDRectangle(width, height));
            }
            page.setRotation(way.rotation());
            page.setUserUnit(way.unit());
            if (way.secondPage()) document.addPage(new PDPage(PDRectangle.A3));
            ByteArrayOutputStream out = new ByteArrayOutputStream();
            document.save(out);
            return out.toByteArray();
        }
    }

    /** Poppler draws both alike; of a page's unit it takes no notice. */
    private static void looksAlike(Path original, Path upright, Way way) throws IOException {
        BufferedImage before = drawn(original, 72);
        BufferedImage after = drawn(upright, 72 / way.unit());
        assertThat(after.getWidth()).isBetween(before.getWidth() - 1, before.getWidth() + 1);
        assertThat(after.getHeight()).isBetween(before.getHeight() - 1, before.getHeight() + 1);
        List<int[]> lost = new ArrayList<>();
        int dark = 0;
        for (int y = 2; y < Math.min(before.getHeight(), after.getHeight()) - 2; y++) {
            for (int x = 2; x < Math.min(before.getWidth(), after.getWidth()) - 2; x++) {
                if ((before.getRGB(x, y) & 255) > 100) continue;
                dark++;
                boolean found = false;
                for (int d = 0; d < 9; d++) found |= (after.getRGB(x + d % 3 - 1, y + d / 3 - 1) & 255) < 180;
                if (!found) lost.add(new int[] {x, y});
            }
        }
        assertThat(dark).isGreaterThan(20);
        assertThat(lost.size()).as("points of the drawing that are gone").isLessThan(dark / 50 + 1);
    }

    private static BufferedImage drawn(Path pdf, float dots) throws IOException {
        String to = FOLDER.resolve("drawn").toString();
        tool(
                "pdftoppm",
                "-cropbox",
                "-r",
                String.format(Locale.ROOT, "%.1f", dots),
                "-f",
                "1",
                "-l",
                "1",
                "-singlefile",
                "-png",
                pdf.toString(),
                to);
        return ImageIO.read(new File(to + ".png"));
    }
}
