package org.jalousie.core.paper;

import static org.assertj.core.api.Assertions.assertThat;

import java.awt.Graphics2D;
import java.awt.geom.Rectangle2D;
import java.awt.image.BufferedImage;
import java.util.ArrayList;
import java.util.List;
import java.util.function.BiConsumer;
import org.jalousie.core.pdf.PageWords;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;

/** Pages go through a printer and a scanner, both simulated. What is put in is a page; what is looked at is what was found on it. */
class ComparisonTest {
    private static final BiConsumer<Integer, Graphics2D> NOBODY = (page, pen) -> {};
    private static final BiConsumer<Integer, Graphics2D> BOTH = (page, pen) -> {
        if (page != 1) return;
        Scanner.sign(pen, 90, 530);
        Scanner.sign(pen, 340, 532);
    };
    private static final PaperPrint.Printed PRINTED = PaperSample.printed(PaperSample.document());
    private static final List<PrintedPage> PAGES = List.of(PrintedPage.of(PRINTED, 1), PrintedPage.of(PRINTED, 2));

    private static ScannedPage.Look look(Scanner scanner, byte[] paper, int page, BiConsumer<Integer, Graphics2D> pen) {
        return new ScannedPage(scanner.scan(paper, page, pen), List.of()).against(PAGES.get(page - 1));
    }

    private static List<String> told(ScannedPage.Look look) {
        return look.findings().stream()
                .map(one -> one.kind() + (one.text().isEmpty() ? "" : " " + one.text()))
                .toList();
    }

    @ParameterizedTest
    @CsvSource({"good,0", "good,1", "good,2", "good,3", "poor,0", "poor,1", "poor,2", "poor,3"})
    void whatWasSignedAndNothingElseIsFoundHoweverItLay(String kind, int quarters) {
        Scanner scanner = (kind.equals("good") ? Scanner.GOOD : Scanner.POOR).turned(quarters);
        ScannedPage.Look first = look(scanner, PRINTED.pdf(), 1, BOTH);
        assertThat(told(first)).isEmpty();
        ScannedPage.Look second = look(scanner, PRINTED.pdf(), 2, BOTH);
        assertThat(told(second)).containsExactly("IN_PLACE Signature of Ida Marsh", "IN_PLACE Signature of Tomas Vale");
        assertThat(second.upright()).isEqualTo((4 - quarters) % 4);
    }

    @Test
    void manyScansOfTheSamePaperRaiseNoAlarm() {
        List<String> alarms = new ArrayList<>();
        for (int i = 0; i < 12; i++) {
            Scanner scanner =
                    new Scanner(-2 + i * 0.35, 0.96 + i * 0.006, i * 0.04, 2 + i, i % 2 == 0 ? 200 : 300, 0, i);
            alarms.addAll(told(look(scanner, PRINTED.pdf(), 1, NOBODY)));
        }
        assertThat(alarms).isEmpty();
    }

    @ParameterizedTest
    @ValueSource(strings = {"0", "1", "2", "3", "4", "6", "7", "8", "9"})
    void aPageWithAnotherDigitIsFoundOnGoodAndPoorScans(String digit) {
        PageWords.Word sum = PageWords.of(PRINTED.pdf()).places("12,500").get(0);
        byte[] other = PaperSample.printed(PaperSample.document("12,500", "12," + digit + "00"))
                .pdf();
        for (Scanner scanner : List.of(Scanner.GOOD, Scanner.POOR, Scanner.POOR.turned(1))) {
            ScannedPage.Look look = look(scanner, other, 1, NOBODY);
            // in a wide letter a stroke of another one may also count as written, at the same place
            assertThat(told(look)).as("%s: %s", scanner, look.findings()).startsWith("CHANGED 12,500");
            assertThat(look.findings())
                    .as("%s", scanner)
                    .allSatisfy(one -> assertThat(new Rectangle2D.Double(one.x(), one.y(), one.width(), one.height())
                                    .intersects(sum.x(), sum.y(), sum.width(), sum.height()))
                            .isTrue());
        }
    }

    @Test
    void otherWordsAreFoundAtTheirLine() {
        byte[] other = PaperSample.printed(PaperSample.document("is not played", "is now played"))
                .pdf();
        ScannedPage.Look look = look(Scanner.POOR, other, 1, NOBODY);
        assertThat(told(look)).startsWith("CHANGED not").contains("CHANGED played,", "WRITTEN");
        assertThat(look.findings().get(0).y()).isBetween(650.0, 760.0);
    }

    @Test
    void whatIsStruckOutAndWrittenBesideIsFound() {
        PageWords.Word sum = PageWords.of(PRINTED.pdf()).places("12,500").get(0);
        ScannedPage.Look look = look(Scanner.GOOD, PRINTED.pdf(), 1, (page, pen) -> {
            if (page != 0) return;
            double y = 842 - sum.y() - 3;
            pen.draw(new java.awt.geom.Line2D.Double(sum.x(), y, sum.x() + sum.width(), y - 1));
            pen.drawString("9,000", (float) sum.x() + 330, (float) y);
        });
        assertThat(told(look)).contains("CHANGED 12,500", "WRITTEN");
    }

    @Test
    void whatIsCoveredIsFound() {
        ScannedPage.Look look = look(Scanner.GOOD, PRINTED.pdf(), 2, (page, pen) -> {
            if (page != 1) return;
            Scanner.sign(pen, 90, 530);
            Scanner.sign(pen, 340, 532);
            pen.setColor(java.awt.Color.WHITE);
            pen.fillRect(60, 730, 480, 25); // the ruled line at the foot
        });
        assertThat(told(look)).contains("CHANGED").hasSize(3);
    }

    @Test
    void anEmptyPlaceIsToldByWhoseItIs() {
        ScannedPage.Look look = look(Scanner.POOR, PRINTED.pdf(), 2, (page, pen) -> {
            if (page == 1) Scanner.sign(pen, 90, 530);
        });
        assertThat(look.findings())
                .filteredOn(one -> one.kind() == Finding.Kind.EMPTY)
                .singleElement()
                .satisfies(one -> {
                    assertThat(one.party()).isEqualTo("museum");
                    assertThat(one.x()).isEqualTo(320);
                });
    }

    @Test
    void anotherPageIsNotTakenForThisOne() {
        ScannedPage.Look look =
                new ScannedPage(Scanner.GOOD.scan(PaperSample.another(), 1, NOBODY), List.of()).against(PAGES.get(1));
        assertThat(look.same()).isFalse();
        assertThat(told(look)).containsExactly("OTHER_PAGE");
    }

    @ParameterizedTest
    @ValueSource(ints = {0, 1, 2, 3})
    void aPageWhoseMarkIsTornOffIsComparedAllTheSame(int quarters) {
        Scanner scanner = Scanner.POOR.turned(quarters);
        BufferedImage scan = scanner.scan(PRINTED.pdf(), 2, (page, pen) -> {
            pen.setColor(java.awt.Color.WHITE);
            pen.fillRect(500, 760, 95, 82);
            pen.setColor(java.awt.Color.BLACK);
            if (page == 1) Scanner.sign(pen, 90, 530);
        });
        ScannedPage page = new ScannedPage(scan, List.of());
        assertThat(page.marks()).isEmpty();
        assertThat(page.alike(PAGES.get(1))).isGreaterThan(page.alike(PAGES.get(0)) + 0.2);
        assertThat(told(page.against(PAGES.get(1)))).contains("IN_PLACE Signature of Ida Marsh");
    }

    @Test
    void theTextOfTheScannersProgramIsComparedToo() {
        List<PageWords.Word> words = PageWords.of(PRINTED.pdf()).all().stream()
                .filter(one -> one.page() == 1)
                .map(one -> one.text().equals("12,500")
                        ? new PageWords.Word("72,500", 1, one.x(), one.y(), one.width(), one.height())
                        : one)
                .toList();
        BufferedImage scan = Scanner.GOOD.scan(PRINTED.pdf(), 1, NOBODY);
        assertThat(new ScannedPage(scan, words).against(PAGES.get(0)).findings())
                .isNotEmpty()
                .allSatisfy(one -> {
                    assertThat(one.kind()).isEqualTo(Finding.Kind.READS_OTHERWISE);
                    assertThat(one.text()).isEqualTo("12,500");
                    assertThat(one.instead()).isEqualTo("72,500");
                });
    }

    @Test
    void whatIsNoPageIsToldAsBlankOrOther() {
        BufferedImage white = new BufferedImage(1654, 2339, BufferedImage.TYPE_BYTE_GRAY);
        Graphics2D pen = white.createGraphics();
        pen.setColor(java.awt.Color.WHITE);
        pen.fillRect(0, 0, 1654, 2339);
        assertThat(new ScannedPage(white, List.of()).blank()).isTrue();
        assertThat(new ScannedPage(white, List.of()).against(PAGES.get(0)).same())
                .isFalse();
        pen.setColor(java.awt.Color.BLACK);
        pen.fillRect(0, 0, 1654, 2339);
        assertThat(new ScannedPage(white, List.of()).against(PAGES.get(0)).same())
                .isFalse();
        BufferedImage tiny = new BufferedImage(3, 3, BufferedImage.TYPE_INT_ARGB);
        assertThat(new ScannedPage(tiny, List.of()).against(PAGES.get(0)).same())
                .isFalse();
    }
}
