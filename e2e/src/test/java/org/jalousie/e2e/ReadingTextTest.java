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
import java.util.concurrent.TimeUnit;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.Collectors;
import java.util.stream.Stream;
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
import org.jalousie.core.reading.Stretch;
import org.jalousie.server.adapters.Converter;
import org.jalousie.server.testbed.Testbed;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.openxmlformats.schemas.wordprocessingml.x2006.main.CTAbstractNum;
import org.openxmlformats.schemas.wordprocessingml.x2006.main.CTLvl;
import org.openxmlformats.schemas.wordprocessingml.x2006.main.CTSectPr;
import org.openxmlformats.schemas.wordprocessingml.x2006.main.STNumberFormat;
import org.openxmlformats.schemas.wordprocessingml.x2006.main.STSectionMark;

/**
 * The text that is read on a phone against what was written, and against the file that is signed: letter by letter in the order that poppler's {@code pdfinfo
 * -struct-text} reads from the same structure, and word by word what its {@code pdftotext} finds on the pages.
 */
class ReadingTextTest {
    private static final int DOCUMENTS = 60;

    /** Poppler takes ten seconds for the structure of some of them, so every sixth is compared with it. */
    private static final int EACH = 6;

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
            Source source = new Source(new Random(seed));
            byte[] pdf = converter.toPdf(source.document());
            ReadingText text = ReadingTexts.of(pdf);
            assertThat(text.structured()).isTrue();
            Path file = folder.resolve("reading.pdf");
            Files.write(file, pdf);
            assertThat(bare(said(text, false)))
                    .as("document %d as it was written", seed)
                    .isEqualTo(bare(source.written.toString()));
            assertThat(bare(said(text, true)))
                    .as("the notes of document %d as they were written", seed)
                    .isEqualTo(bare(source.notes.toString()));
            // what goes on on another page within one element is beyond poppler
            if (pages(pdf) > 1) several++;
            else if (seed % EACH == 0)
                assertThat(bare(text.words()))
                        .as("document %d by its structure", seed)
                        .isEqualTo(bare(structured(file)));
            TreeSet<String> found = words(said(file, "pdftotext", "-raw", file.toString(), "-"));
            // poppler writes the number of a note and its first word as one when the document has no room between them
            List.copyOf(found).forEach(word -> found.add(word.replaceFirst("^\\d{1,2}(?=\\D)", "")));
            assertThat(found)
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

    /** What is said in the notes, or in everything else, without the marks of lists. */
    private static String said(ReadingText text, boolean notes) {
        return text.blocks().stream()
                .filter(one -> notes == (one.kind() == Block.Kind.NOTE))
                .map(ReadingTextTest::said)
                .collect(Collectors.joining());
    }

    private static String said(Block block) {
        return Stream.concat(
                        block.stretches().stream().map(Stretch::text),
                        block.rows().stream()
                                .flatMap(row -> row.cells().stream())
                                .flatMap(cell -> cell.blocks().stream())
                                .map(ReadingTextTest::said))
                .collect(Collectors.joining());
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
            assertThat(process.waitFor(2, TimeUnit.MINUTES)).as(command[0]).isTrue();
            assertThat(process.exitValue()).as(command[0]).isZero();
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
            throw new IllegalStateException(e);
        } finally {
            process.destroyForcibly();
        }
        return Files.readString(out);
    }

    /** A document and what is written in it. */
    private static final class Source {
        private final Random random;
        private final StringBuilder written = new StringBuilder();
        private final StringBuilder notes = new StringBuilder();
        private StringBuilder into = written;
        private int noted;

        Source(Random random) {
            this.random = random;
        }

        byte[] document() throws IOException {
            try (XWPFDocument file = new XWPFDocument()) {
                BigInteger list = list(file, random.nextBoolean());
                if (random.nextBoolean())
                    file.createHeader(org.apache.poi.wp.usermodel.HeaderFooterType.DEFAULT)
                            .createParagraph()
                            .createRun()
                            .setText("Agreement of the museum");
                int parts = 1 + random.nextInt(3);
                for (int i = 0; i < parts; i++) {
                    switch (random.nextInt(7)) {
                        case 0 -> heading(file);
                        case 1 -> item(file, list);
                        case 2 -> table(file);
                        case 3 -> note(file);
                        case 4 -> columns(file);
                        default -> words(file.createParagraph(), 4 + random.nextInt(25));
                    }
                }
                item(file, list);
                table(file);
                note(file);
                ByteArrayOutputStream out = new ByteArrayOutputStream();
                file.write(out);
                return out.toByteArray();
            }
        }

        private void heading(XWPFDocument file) {
            XWPFParagraph line = file.createParagraph();
            line.getCTP().addNewPPr().addNewOutlineLvl().setVal(BigInteger.valueOf(random.nextInt(3)));
            words(line, 3);
        }

        private BigInteger list(XWPFDocument file, boolean numbered) {
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
                    .addNum(file.createNumbering()
                            .addAbstractNum(new org.apache.poi.xwpf.usermodel.XWPFAbstractNum(form)));
        }

        private void item(XWPFDocument file, BigInteger list) {
            XWPFParagraph line = file.createParagraph();
            line.setNumID(list);
            line.setNumILvl(BigInteger.valueOf(random.nextInt(3)));
            words(line, 2 + random.nextInt(12));
        }

        private void table(XWPFDocument file) {
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
                        words(cell.getParagraphs().get(0), 1 + random.nextInt(8));
                        if (random.nextInt(4) == 0) words(cell.addParagraph(), 2);
                    }));
        }

        private void note(XWPFDocument file) {
            XWPFParagraph line = file.createParagraph();
            words(line, 5);
            XWPFAbstractFootnoteEndnote note = file.createFootnote();
            into = notes;
            words(note.createParagraph(), 6);
            into = written;
            written.append(++noted);
            line.addFootnoteReference(note);
        }

        /** A section of its own: what stands before it, tables among it, has the whole width. */
        private void columns(XWPFDocument file) {
            section(file.createParagraph(), 1);
            XWPFParagraph line = file.createParagraph();
            words(line, 30);
            section(line, 1 + random.nextInt(3));
        }

        private static void section(XWPFParagraph last, int columns) {
            CTSectPr section = (last.getCTP().isSetPPr()
                            ? last.getCTP().getPPr()
                            : last.getCTP().addNewPPr())
                    .addNewSectPr();
            section.addNewType().setVal(STSectionMark.CONTINUOUS);
            section.addNewCols().setNum(BigInteger.valueOf(columns));
        }

        /** Most words look as those before them; poppler reads a page anew for each stretch. */
        private void words(XWPFParagraph line, int many) {
            XWPFRun run = line.createRun();
            for (int i = 0; i < many; i++) {
                if (random.nextInt(8) == 0) {
                    run = line.createRun();
                    run.setBold(random.nextBoolean());
                    run.setItalic(random.nextBoolean());
                }
                String word = WORDS[random.nextInt(WORDS.length)];
                into.append(word);
                run.setText(word + " ", run.getCTR().sizeOfTArray());
                if (random.nextInt(25) == 0) run.addBreak(BreakType.TEXT_WRAPPING);
                if (random.nextInt(25) == 0) run.addTab();
            }
        }
    }
}
