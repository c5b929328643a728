package org.jalousie.core.reading;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.OutputStream;
import java.nio.charset.StandardCharsets;
import org.apache.pdfbox.cos.COSArray;
import org.apache.pdfbox.cos.COSDictionary;
import org.apache.pdfbox.cos.COSFloat;
import org.apache.pdfbox.cos.COSInteger;
import org.apache.pdfbox.cos.COSName;
import org.apache.pdfbox.cos.COSString;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.PDPage;
import org.apache.pdfbox.pdmodel.PDResources;
import org.apache.pdfbox.pdmodel.common.PDRectangle;
import org.apache.pdfbox.pdmodel.common.PDStream;
import org.apache.pdfbox.pdmodel.documentinterchange.logicalstructure.PDStructureElement;
import org.apache.pdfbox.pdmodel.documentinterchange.logicalstructure.PDStructureNode;
import org.apache.pdfbox.pdmodel.documentinterchange.logicalstructure.PDStructureTreeRoot;
import org.apache.pdfbox.pdmodel.font.PDType1Font;
import org.apache.pdfbox.pdmodel.font.Standard14Fonts;
import org.junit.jupiter.api.Test;

/** Structures as ISO 32000-1 §14.7 and §14.8 have them, and such as should not be. */
class ReadingTextsTest {
    /** A page whose marked sequences are numbered as they are printed. */
    private static final class Sample implements AutoCloseable {
        private final PDDocument document = new PDDocument();
        private final PDPage page = new PDPage();
        private final PDStructureTreeRoot root = new PDStructureTreeRoot();
        private final StringBuilder content = new StringBuilder();
        private int number;

        Sample() {
            document.addPage(page);
            PDResources resources = new PDResources();
            resources.put(COSName.getPDFName("F1"), new PDType1Font(Standard14Fonts.FontName.HELVETICA));
            resources.put(COSName.getPDFName("F2"), new PDType1Font(Standard14Fonts.FontName.HELVETICA_BOLD));
            page.setResources(resources);
            document.getDocumentCatalog().setStructureTreeRoot(root);
        }

        int print(String font, int x, int y, String text) {
            content.append(
                    "/P <</MCID %d>> BDC BT /%s 12 Tf %d %d Td (%s) Tj ET EMC\n".formatted(number, font, x, y, text));
            return number++;
        }

        void edge(int y, String text) {
            content.append(
                    "/Artifact <</Type /Pagination>> BDC BT /F1 9 Tf 50 %d Td (%s) Tj ET EMC\n".formatted(y, text));
        }

        PDStructureElement element(String type, PDStructureNode in, int... printed) {
            PDStructureElement element = new PDStructureElement(type, in);
            element.setPage(page);
            for (int one : printed) element.appendKid(one);
            in.appendKid(element);
            return element;
        }

        ReadingText read() throws IOException {
            PDStream stream = new PDStream(document);
            try (OutputStream out = stream.createOutputStream()) {
                out.write(content.toString().getBytes(StandardCharsets.ISO_8859_1));
            }
            page.setContents(stream);
            ByteArrayOutputStream out = new ByteArrayOutputStream();
            document.save(out);
            return ReadingTexts.of(out.toByteArray());
        }

        @Override
        public void close() throws IOException {
            document.close();
        }
    }

    private static String said(Block block) {
        return String.join("", block.stretches().stream().map(Stretch::text).toList());
    }

    @Test
    void wordsAreReadInTheOrderOfTheStructureAndNotOfThePage() throws IOException {
        try (Sample sample = new Sample()) {
            int second = sample.print("F1", 50, 700, "second");
            int first = sample.print("F1", 300, 500, "first");
            sample.element("H2", sample.root, first);
            sample.element("P", sample.root, second);
            ReadingText text = sample.read();
            assertThat(text.structured()).isTrue();
            assertThat(text.blocks())
                    .extracting(Block::kind, Block::level, ReadingTextsTest::said)
                    .containsExactly(
                            org.assertj.core.groups.Tuple.tuple(Block.Kind.HEADING, 2, "first"),
                            org.assertj.core.groups.Tuple.tuple(Block.Kind.PARAGRAPH, 0, "second"));
        }
    }

    @Test
    void linesOfAParagraphAreOneWithASpaceWhereOnlyRoomIsAndNoneAfterAHyphen() throws IOException {
        try (Sample sample = new Sample()) {
            int one = sample.print("F1", 50, 700, "The lender lends twenty-");
            int two = sample.print("F1", 50, 685, "one bows");
            int three = sample.print("F1", 50, 670, "and ");
            int four = sample.print("F2", 74, 670, "no");
            int five = sample.print("F1", 90, 670, "t more");
            sample.element("P", sample.root, one, two, three, four, five);
            Block block = sample.read().blocks().get(0);
            assertThat(said(block)).isEqualTo("The lender lends twenty-one bows and not more");
            assertThat(block.stretches()).extracting(Stretch::strong).containsExactly(false, true, false);
        }
    }

    @Test
    void whatStandsApartInFrontIsAClausesNumberAndNothingElseIs() throws IOException {
        try (Sample sample = new Sample()) {
            int label = sample.print("F2", 50, 700, "2.1");
            int words = sample.print("F1", 90, 700, "The objects stay");
            int name = sample.print("F1", 50, 650, "Ida");
            int after = sample.print("F1", 120, 650, "Marsh");
            sample.element("P", sample.root, label, words);
            sample.element("P", sample.root, name, after);
            assertThat(sample.read().blocks())
                    .extracting(Block::label, ReadingTextsTest::said)
                    .containsExactly(
                            org.assertj.core.groups.Tuple.tuple("2.1", "The objects stay"),
                            org.assertj.core.groups.Tuple.tuple("", "Ida Marsh"));
        }
    }

    @Test
    void aNotesNumberIsItsMarkThoughNoRoomIsLeftAfterIt() throws IOException {
        try (Sample sample = new Sample()) {
            PDStructureElement note = sample.element("P", sample.element("Note", sample.root));
            note.appendKid(sample.print("F1", 50, 100, "1"));
            note.appendKid(sample.print("F1", 57, 100, "Of the lender"));
            assertThat(sample.read().blocks())
                    .extracting(Block::kind, Block::label, ReadingTextsTest::said)
                    .containsExactly(org.assertj.core.groups.Tuple.tuple(Block.Kind.NOTE, "1", "Of the lender"));
        }
    }

    @Test
    void listsWithinListsKeepTheirMarksAndDepth() throws IOException {
        try (Sample sample = new Sample()) {
            PDStructureElement list = sample.element("L", sample.root);
            PDStructureElement item = sample.element("LI", list);
            sample.element("Lbl", item, sample.print("F1", 50, 700, "a\\)"));
            PDStructureElement body = sample.element("LBody", item);
            sample.element("P", body, sample.print("F1", 70, 700, "outer"));
            PDStructureElement inner = sample.element("LI", sample.element("L", body));
            sample.element("LBody", inner, sample.print("F1", 90, 680, "inner"));
            assertThat(sample.read().blocks())
                    .extracting(Block::kind, Block::level, Block::label, ReadingTextsTest::said)
                    .containsExactly(
                            org.assertj.core.groups.Tuple.tuple(Block.Kind.ITEM, 1, "a)", "outer"),
                            org.assertj.core.groups.Tuple.tuple(Block.Kind.ITEM, 2, "", "inner"));
        }
    }

    @Test
    void aTableHasItsRowsItsHeadAndItsWideCells() throws IOException {
        try (Sample sample = new Sample()) {
            PDStructureElement table = sample.element("Table", sample.root);
            PDStructureElement head = sample.element("TR", sample.element("THead", table));
            sample.element("P", sample.element("TH", head), sample.print("F1", 50, 700, "No."));
            sample.element("P", sample.element("TH", head), sample.print("F1", 150, 700, "Object"));
            PDStructureElement row = sample.element("TR", table);
            PDStructureElement wide = sample.element("TD", row);
            COSDictionary spans = new COSDictionary();
            spans.setInt("ColSpan", 2);
            wide.getCOSObject().setItem(COSName.A, spans);
            sample.element("P", wide, sample.print("F1", 50, 680, "together"));
            Block block = sample.read().blocks().get(0);
            assertThat(block.rows()).hasSize(2);
            assertThat(block.rows().get(0).cells()).allMatch(Block.Cell::heading);
            assertThat(block.rows().get(1).cells()).singleElement().satisfies(cell -> {
                assertThat(cell.columns()).isEqualTo(2);
                assertThat(said(cell.blocks().get(0))).isEqualTo("together");
            });
            assertThat(block.words()).isEqualTo(" No. Object together");
        }
    }

    @Test
    void aFieldStandsWhereItsBoxIsKeptWithWhatIsFilledIn() throws IOException {
        try (Sample sample = new Sample()) {
            sample.page.getAnnotations(); // none yet
            COSDictionary widget = new COSDictionary();
            widget.setItem(COSName.TYPE, COSName.ANNOT);
            widget.setItem(COSName.SUBTYPE, COSName.WIDGET);
            widget.setItem(COSName.FT, COSName.TX);
            widget.setItem(COSName.T, new COSString("lender_vat_number"));
            widget.setItem(COSName.V, new COSString("XX 4471"));
            widget.setItem(COSName.RECT, new PDRectangle(100, 600, 80, 20).getCOSArray());
            COSDictionary foot = new COSDictionary(widget);
            foot.setItem(COSName.T, new COSString("lender_initials"));
            foot.setItem(COSName.RECT, new PDRectangle(100, 20, 80, 20).getCOSArray());
            COSArray all = new COSArray();
            all.add(widget);
            all.add(foot);
            sample.page.getCOSObject().setItem(COSName.ANNOTS, all);
            PDStructureElement line = sample.element("P", sample.root, sample.print("F1", 50, 602, "VAT"));
            PDStructureElement box = sample.element("Figure", line);
            COSArray at = new COSArray();
            for (float one : new float[] {100, 600, 180, 620}) at.add(new COSFloat(one));
            COSDictionary layout = new COSDictionary();
            layout.setItem("BBox", at);
            box.getCOSObject().setItem(COSName.A, layout);
            ReadingText text = sample.read();
            assertThat(text.blocks().get(0).stretches())
                    .extracting(Stretch::field, Stretch::text)
                    .containsExactly(
                            org.assertj.core.groups.Tuple.tuple("", "VAT"),
                            org.assertj.core.groups.Tuple.tuple("lender_vat_number", "XX 4471"));
            assertThat(text.elsewhere()).containsExactly("lender_initials");
            assertThat(text.pictures()).isEmpty();
        }
    }

    @Test
    void headsAndFeetAreToldOnceAndWhatIsSaidInsteadIsRead() throws IOException {
        try (Sample sample = new Sample()) {
            sample.edge(780, "Loan A-1");
            sample.edge(30, "Page 1");
            PDStructureElement line = sample.element("P", sample.root);
            sample.element("Span", line, sample.print("F1", 50, 700, "o-ce")).setActualText("office");
            ReadingText text = sample.read();
            assertThat(text.words()).isEqualTo("office");
            assertThat(text.edges()).containsExactly("Loan A-1", "Page 1");
        }
    }

    @Test
    void aCircleEndsAndAFileWithoutStructureSaysSo() throws IOException {
        try (Sample sample = new Sample()) {
            PDStructureElement part = sample.element("Sect", sample.root, sample.print("F1", 50, 700, "once"));
            COSArray kids = new COSArray();
            kids.add(COSInteger.ZERO);
            kids.add(part.getCOSObject());
            part.getCOSObject().setItem(COSName.K, kids);
            assertThat(sample.read().words()).isEqualTo("once");
        }
        try (PDDocument document = new PDDocument()) {
            document.addPage(new PDPage());
            ByteArrayOutputStream out = new ByteArrayOutputStream();
            document.save(out);
            assertThat(ReadingTexts.of(out.toByteArray()).structured()).isFalse();
        }
    }

    /** What is signed may not be less than what is read. */
    @Test
    void aStructureThatLeavesWordsOutIsNoText() throws IOException {
        try (Sample sample = new Sample()) {
            sample.element("P", sample.root, sample.print("F1", 50, 700, "kept"));
            sample.print("F1", 50, 680, "in no element");
            assertThat(sample.read().structured()).isFalse();
        }
        try (Sample sample = new Sample()) {
            sample.element("P", sample.root, sample.print("F1", 50, 700, "kept"));
            sample.content.append("BT /F1 12 Tf 50 680 Td (without a mark) Tj ET\n");
            assertThat(sample.read().structured()).isFalse();
        }
    }

    /** A line that only counts pages is told once; one that says something else is said, even if a number is all that differs. */
    @Test
    void noLineAtTheEdgeOfAPageIsLost() throws IOException {
        try (Sample sample = new Sample()) {
            sample.element("P", sample.root, sample.print("F1", 50, 700, "words"));
            sample.edge(780, "Loan 2026-17, 5 of 9");
            sample.edge(30, "Fee EUR 500");
            PDPage second = new PDPage();
            second.setResources(sample.page.getResources());
            PDStream stream = new PDStream(sample.document);
            try (OutputStream out = stream.createOutputStream()) {
                out.write(
                        ("/Artifact <</Type /Pagination>> BDC BT /F1 9 Tf 50 780 Td (Loan 2026-17, 6 of 9) Tj ET EMC\n"
                                        + "/Artifact <</Type /Pagination>> BDC BT /F1 9 Tf 50 30 Td (Fee EUR 900) Tj ET EMC\n")
                                .getBytes(StandardCharsets.US_ASCII));
            }
            second.setContents(stream);
            sample.document.addPage(second);
            assertThat(sample.read().edges()).containsExactly("Loan 2026-17, 5 of 9", "Fee EUR 500", "Fee EUR 900");
        }
    }

    /** What can't be told in the text keeps the whole file from being read so. */
    @Test
    void whatCannotBeReadIsNotPassedOver() throws IOException {
        try (Sample sample = new Sample()) {
            PDStructureElement line = sample.element("P", sample.root, sample.print("F1", 50, 700, "a map:"));
            sample.element("Figure", line); // a picture that doesn't tell where it stands
            assertThat(sample.read().structured()).isFalse();
        }
        try (Sample sample = new Sample()) {
            PDStructureElement line = sample.element("P", sample.root, sample.print("F1", 50, 700, "a drawing:"));
            COSDictionary within = new COSDictionary();
            within.setInt(COSName.MCID, 0);
            within.setItem(COSName.getPDFName("Stm"), new COSDictionary());
            COSArray kids = new COSArray();
            kids.add(COSInteger.ZERO);
            kids.add(within);
            line.getCOSObject().setItem(COSName.K, kids);
            assertThat(sample.read().structured()).isFalse();
        }
        try (Sample sample = new Sample()) {
            int number = sample.print("F1", 50, 700, "one");
            sample.number = number;
            sample.print("F1", 50, 680, "another of the same number");
            sample.element("P", sample.root, number);
            assertThat(sample.read().structured()).isFalse();
        }
        try (Sample sample = new Sample()) {
            COSDictionary encoding = new COSDictionary();
            COSArray differences = new COSArray();
            differences.add(COSInteger.get(65));
            differences.add(COSName.getPDFName("glyph17"));
            encoding.setItem(COSName.DIFFERENCES, differences);
            sample.page
                    .getResources()
                    .getFont(COSName.getPDFName("F2"))
                    .getCOSObject()
                    .setItem(COSName.ENCODING, encoding);
            sample.element("P", sample.root, sample.print("F2", 50, 700, "A"));
            assertThat(sample.read().structured()).isFalse();
        }
    }

    @Test
    void aPictureThatIsDescribedIsShownAndABoxOfWordsIsItsWords() throws IOException {
        try (Sample sample = new Sample()) {
            COSArray at = new COSArray();
            for (float one : new float[] {100, 600, 180, 620}) at.add(new COSFloat(one));
            COSDictionary layout = new COSDictionary();
            layout.setItem("BBox", at);
            PDStructureElement picture = sample.element("Figure", sample.element("P", sample.root));
            picture.getCOSObject().setItem(COSName.A, layout);
            picture.setAlternateDescription("the museum");
            PDStructureElement box = sample.element("Figure", sample.element("P", sample.root));
            box.getCOSObject().setItem(COSName.A, layout);
            sample.element("P", box, sample.print("F1", 110, 605, "in a box"));
            ReadingText text = sample.read();
            assertThat(text.words()).contains("in a box");
            assertThat(text.pictures()).singleElement().satisfies(one -> {
                assertThat(one.page()).isEqualTo(1);
                assertThat(one.alternative()).isEqualTo("the museum");
            });
        }
    }

    @Test
    void tablesWithinTablesWithoutEndAreCut() throws IOException {
        try (Sample sample = new Sample()) {
            PDStructureNode deepest = sample.element("Table", sample.root);
            for (int i = 0; i < 3_000; i++) deepest = sample.element(i % 2 == 0 ? "THead" : "TBody", deepest);
            sample.element("P", sample.root, sample.print("F1", 50, 700, "there"));
            // what is further down isn't known, so it can't be left out
            assertThat(sample.read().structured()).isFalse();
        }
    }

    @Test
    void whatIsWrittenFromTheRightIsReadFromTheRight() {
        // as it stands on the page, from the left: the second word first, each turned round
        Piece left = new Piece("\u05d3\u05d2", 50, 60, 700, 12, false, false, false);
        Piece right = new Piece("\u05d1\u05d0", 70, 80, 700, 12, false, false, false);
        assertThat(left.fromRight()).isTrue();
        assertThat(left.besides(right).inReadingOrder().text()).isEqualTo("\u05d0\u05d1 \u05d2\u05d3");
        assertThat(left.saying("told").inReadingOrder().text()).isEqualTo("told");
    }
}
