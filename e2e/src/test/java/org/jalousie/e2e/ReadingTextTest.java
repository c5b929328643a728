package org.jalousie.e2e;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.math.BigInteger;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Random;
import java.util.TreeSet;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.poi.xwpf.usermodel.BreakType;
import org.apache.poi.xwpf.usermodel.XWPFAbstractFootnoteEndnote;
import org.apache.poi.xwpf.usermodel.XWPFDocument;
import org.apache.poi.xwpf.usermodel.XWPFParagraph;
import org.apache.poi.xwpf.usermodel.XWPFRun;
import org.apache.poi.xwpf.usermodel.XWPFTable;
import org.jalousie.core.reading.Block;
import org.jalousie.core.reading.ReadingText;
import org.jalousie.core.reading.ReadingTexts;
import org.jalousie.server.adapters.Converter;
import org.jalousie.server.testbed.Testbed;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.openxmlformats.schemas.wordprocessingml.x2006.main.CTAbstractNum;
import org.openxmlformats.schemas.wordprocessingml.x2006.main.CTLvl;
import org.openxmlformats.schemas.wordprocessingml.x2006.main.CTSectPr;
import org.openxmlformats.schemas.wordprocessingml.x2006.main.STNumberFormat;

/**
 * The text that is read on a phone against the file that is signed: letter by letter in the order that poppler's {@code pdfinfo
 * -struct-text} reads from the same structure, and word by word what its {@code pdftotext} finds on the pages.
 */
class ReadingTextTest {
    private static final int DOCUMENTS = 60;
    private static final String[] WORDS =
            ("lender borrower viola lute twenty-one insured Łódź Ωμέγα naïve office affluent “quoted” co-operation £12,500.00 50 % "
                            + "conservation extraordinarily internationalised responsibilities § 7(c) e.g. museum’s O’Hara")
                    .split(" ");
    private static final Pattern QUOTED = Pattern.compile("(?m)^\\s*\"(.*)\"$");

    @TempDir
    Path folder;

    private final Converter converter = Testbed.start().bean(Converter.class);

    @Test
    void theTextIsTheFilesLetterByLetterAndWordByWord() throws IOException {
        int several = 0;
        int tables = 0;
        int items = 0;
        int notes = 0;
        for (int seed = 0; seed < DOCUMENTS; seed++) {
            byte[] pdf = converter.toPdf(document(new Random(seed)));
            ReadingText text = ReadingTexts.of(pdf);
            assertThat(text.structured()).isTrue();
            Path file = folder.resolve("reading.pdf");
            Files.write(file, pdf);
            // what goes on on another page within one element is beyond poppler
            if (pages(pdf) == 1)
                assertThat(bare(text.words()))
                        .as("document %d by its structure", seed)
                        .isEqualTo(bare(structured(file)));
            else several++;
            assertThat(words(said(file, "pdftotext", "-raw", file.toString(), "-")))
                    .as("document %d by its words", seed)
                    .containsAll(words(text.words() + " " + String.join(" ", text.edges())));
            tables += count(text, Block.Kind.TABLE);
            items += count(text, Block.Kind.ITEM);
            notes += count(text, Block.Kind.NOTE);
        }
        assertThat(List.of(tables, items, notes)).allMatch(many -> many > 20);
        assertThat(several).isLessThan(DOCUMENTS / 3);
    }

    private static int pages(byte[] pdf) throws IOException {
        try (PDDocument document = Loader.loadPDF(pdf)) {
            return document.getNumberOfPages();
        }
    }

    private static int count(ReadingText text, Block.Kind kind) {
        return (int) text.blocks().stream().filter(one -> one.kind() == kind).count();
    }

    /** Marks of symbol fonts are read as bullets, and hyphens that only break a line aren't read. */
    private static String bare(String text) {
        return text.replaceAll("[\\s\u00a0\u00ad\u2022\uf0b7]+", "");
    }

    /** Each word that there is, once, with and without what follows a hyphen at the end of its line: one that was cut or run into its neighbour would be another one. */
    private static TreeSet<String> words(String text) {
        String plain = text.replace('\f', ' ').replaceAll("[\u2022\uf0b7\u00a0\u00ad]", " ");
        TreeSet<String> words = new TreeSet<>(List.of(plain.strip().split("\\s+")));
        words.addAll(List.of(plain.replaceAll("-\\R", "-").strip().split("\\s+")));
        return words;
    }

    private static String structured(Path file) throws IOException {
        StringBuilder all = new StringBuilder();
        Matcher lines = QUOTED.matcher(said(file, "pdfinfo", "-struct-text", file.toString()));
        while (lines.find()) all.append(lines.group(1));
        return all.toString();
    }

    private static String said(Path beside, String... command) throws IOException {
        Path out = beside.resolveSibling("said.txt");
        Process process = new ProcessBuilder(command)
                .redirectOutput(out.toFile())
                .redirectError(ProcessBuilder.Redirect.DISCARD)
                .start();
        try {
            assertThat(process.waitFor()).as(command[0]).isZero();
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
            throw new IllegalStateException(e);
        }
        return Files.readString(out);
    }

    private static byte[] document(Random random) throws IOException {
        try (XWPFDocument file = new XWPFDocument()) {
            BigInteger list = list(file, random.nextBoolean());
            if (random.nextBoolean())
                file.createHeader(org.apache.poi.wp.usermodel.HeaderFooterType.DEFAULT)
                        .createParagraph()
                        .createRun()
                        .setText("Agreement of the museum");
            int parts = 2 + random.nextInt(4);
            for (int i = 0; i < parts; i++) {
                switch (random.nextInt(7)) {
                    case 0 -> heading(file, random);
                    case 1 -> item(file, list, random);
                    case 2 -> table(file, random);
                    case 3 -> note(file, random);
                    case 4 -> columns(file, random);
                    default -> words(file.createParagraph(), random, 4 + random.nextInt(25));
                }
            }
            item(file, list, random);
            table(file, random);
            note(file, random);
            ByteArrayOutputStream out = new ByteArrayOutputStream();
            file.write(out);
            return out.toByteArray();
        }
    }

    private static void heading(XWPFDocument file, Random random) {
        XWPFParagraph line = file.createParagraph();
        line.getCTP().addNewPPr().addNewOutlineLvl().setVal(BigInteger.valueOf(random.nextInt(3)));
        words(line, random, 3);
    }

    private static BigInteger list(XWPFDocument file, boolean numbered) {
        CTAbstractNum form = CTAbstractNum.Factory.newInstance();
        form.setAbstractNumId(BigInteger.ONE);
        for (int level = 0; level < 3; level++) {
            CTLvl one = form.addNewLvl();
            one.setIlvl(BigInteger.valueOf(level));
            one.addNewStart().setVal(BigInteger.ONE);
            one.addNewNumFmt().setVal(numbered ? STNumberFormat.DECIMAL : STNumberFormat.LOWER_LETTER);
            one.addNewLvlText().setVal("%" + (level + 1) + (numbered ? "." : ")"));
        }
        return file.createNumbering()
                .addNum(file.createNumbering().addAbstractNum(new org.apache.poi.xwpf.usermodel.XWPFAbstractNum(form)));
    }

    private static void item(XWPFDocument file, BigInteger list, Random random) {
        XWPFParagraph line = file.createParagraph();
        line.setNumID(list);
        line.setNumILvl(BigInteger.valueOf(random.nextInt(3)));
        words(line, random, 2 + random.nextInt(12));
    }

    private static void table(XWPFDocument file, Random random) {
        int columns = 2 + random.nextInt(2);
        XWPFTable table = file.createTable(2 + random.nextInt(4), columns);
        // wide enough for the longest word: one that is cut by the edge of its cell is two to all readers
        for (int i = 0; i < columns; i++)
            (i == 0 ? table.getCTTbl().addNewTblGrid() : table.getCTTbl().getTblGrid())
                    .addNewGridCol()
                    .setW(BigInteger.valueOf(9000 / columns));
        table.setWidth(9000);
        if (random.nextBoolean()) table.getRow(0).setRepeatHeader(true);
        table.getRows()
                .forEach(row -> row.getTableCells().forEach(cell -> {
                    words(cell.getParagraphs().get(0), random, 1 + random.nextInt(8));
                    if (random.nextInt(4) == 0) words(cell.addParagraph(), random, 2);
                }));
    }

    private static void note(XWPFDocument file, Random random) {
        XWPFParagraph line = file.createParagraph();
        words(line, random, 5);
        XWPFAbstractFootnoteEndnote note = file.createFootnote();
        words(note.createParagraph(), random, 6);
        line.addFootnoteReference(note);
    }

    private static void columns(XWPFDocument file, Random random) {
        XWPFParagraph line = file.createParagraph();
        words(line, random, 30);
        CTSectPr section = (line.getCTP().isSetPPr()
                        ? line.getCTP().getPPr()
                        : line.getCTP().addNewPPr())
                .addNewSectPr();
        section.addNewType().setVal(org.openxmlformats.schemas.wordprocessingml.x2006.main.STSectionMark.CONTINUOUS);
        section.addNewCols().setNum(BigInteger.valueOf(1 + random.nextInt(3)));
    }

    /** Most words look as those before them; poppler reads a page anew for each stretch. */
    private static void words(XWPFParagraph line, Random random, int many) {
        XWPFRun run = line.createRun();
        for (int i = 0; i < many; i++) {
            if (random.nextInt(8) == 0) {
                run = line.createRun();
                run.setBold(random.nextBoolean());
                run.setItalic(random.nextBoolean());
            }
            run.setText(WORDS[random.nextInt(WORDS.length)] + " ", run.getCTR().sizeOfTArray());
            if (random.nextInt(25) == 0) run.addBreak(BreakType.TEXT_WRAPPING);
            if (random.nextInt(25) == 0) run.addTab();
        }
    }
}
