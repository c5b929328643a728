package org.jalousie.e2e;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.math.BigInteger;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Set;
import java.util.function.BiConsumer;
import java.util.function.BinaryOperator;
import org.apache.poi.wp.usermodel.HeaderFooterType;
import org.apache.poi.xwpf.usermodel.BreakType;
import org.apache.poi.xwpf.usermodel.XWPFAbstractFootnoteEndnote;
import org.apache.poi.xwpf.usermodel.XWPFDocument;
import org.apache.poi.xwpf.usermodel.XWPFParagraph;
import org.apache.poi.xwpf.usermodel.XWPFTable;
import org.jalousie.core.placement.PagesText;
import org.jalousie.core.wording.AwkwardFiles;
import org.jalousie.core.wording.DocxText;
import org.jalousie.core.wording.WordFile;
import org.jalousie.core.wording.Wording;
import org.jalousie.server.adapters.Converter;
import org.jalousie.server.testbed.Testbed;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;

/** Files that Apache POI writes, each made twice: with tags, and with the words typed in their place. */
class ProducedFilesTest {
    private static final Converter CONVERTER = Testbed.start().bean(Converter.class);

    /** Puts the tag or the words, as the file is made. */
    private interface Content extends BiConsumer<XWPFDocument, BinaryOperator<String>> {}

    private static final Map<String, Content> FILES = new LinkedHashMap<>();

    static {
        FILES.put("runs in several looks", (file, is) -> {
            XWPFParagraph line = file.createParagraph();
            line.createRun().setText("By ");
            var bold = line.createRun();
            bold.setBold(true);
            bold.setText(is.apply("{{lender_", "Ida Ma"));
            var italic = line.createRun();
            italic.setItalic(is.apply("x", "").isEmpty());
            italic.setBold(true);
            italic.setText(is.apply("name}}", "rsh"));
        });
        FILES.put("a table with a row for each item", (file, is) -> {
            boolean typed = is.apply("", "x").equals("x");
            XWPFTable table = file.createTable(typed ? 3 : 2, 2);
            table.getRow(0).getCell(0).setText("No.");
            table.getRow(0).getCell(1).setText("Object");
            List<String> items = typed ? List.of("Viola", "Lute") : List.of("{{title}}{{/objects}}");
            for (int i = 0; i < items.size(); i++) {
                table.getRow(i + 1).getCell(0).setText(typed ? String.valueOf(i + 1) : "{{#objects}}{{position}}");
                table.getRow(i + 1).getCell(1).setText(items.get(i));
            }
        });
        FILES.put("cells over several columns and rows", (file, is) -> {
            XWPFTable table = file.createTable(2, 3);
            table.getRow(0).getCell(0).getCTTc().addNewTcPr().addNewGridSpan().setVal(BigInteger.valueOf(2));
            table.getRow(0).getCell(0).setText(is.apply("{{lender_name}}", "Ida Marsh"));
            table.getRow(0).removeCell(2);
            table.getRow(1).getCell(2).setText(is.apply("{{#abroad}}out{{/abroad}}", "out"));
        });
        FILES.put("header and footer", (file, is) -> {
            file.createHeader(HeaderFooterType.DEFAULT)
                    .createParagraph()
                    .createRun()
                    .setText(is.apply("Loan of {{lender_name}}", "Loan of Ida Marsh"));
            file.createFooter(HeaderFooterType.DEFAULT)
                    .createParagraph()
                    .createRun()
                    .setText(is.apply("{{start_date.iso}}", "2027-03-15"));
            file.createParagraph().createRun().setText("x");
        });
        FILES.put("a footnote", (file, is) -> {
            XWPFParagraph line = file.createParagraph();
            line.createRun().setText("A viola");
            XWPFAbstractFootnoteEndnote note = file.createFootnote();
            note.createParagraph().createRun().setText(is.apply("Of {{lender_name}}", "Of Ida Marsh"));
            line.addFootnoteReference(note);
        });
        FILES.put("an endnote beside a condition", (file, is) -> {
            XWPFParagraph line = file.createParagraph();
            line.createRun().setText(is.apply("{{#abroad}}It travels{{/abroad}}", "It travels"));
            XWPFAbstractFootnoteEndnote note = file.createEndnote();
            note.createParagraph().createRun().setText(is.apply("{{country}}", "GB"));
            line.addFootnoteReference(note);
        });
        FILES.put("a link", (file, is) -> {
            XWPFParagraph line = file.createParagraph();
            line.createHyperlinkRun("https://example.org/loans")
                    .setText(is.apply("Loans of {{lender_name}}", "Loans of Ida Marsh"));
        });
        FILES.put("a page break in the run of a tag", (file, is) -> {
            var run = file.createParagraph().createRun();
            run.setText(is.apply("{{lender_name}}", "Ida Marsh"));
            run.addBreak(BreakType.PAGE);
            file.createParagraph().createRun().setText("next");
        });
        FILES.put("a conditional page break", (file, is) -> {
            file.createParagraph().createRun().setText("a");
            var run = file.createParagraph().createRun();
            run.setText(is.apply("{{#abroad}}", ""));
            run.addBreak(BreakType.PAGE);
            file.createParagraph().createRun().setText("b");
            if (is.apply("x", "").equals("x"))
                file.createParagraph().createRun().setText("{{/abroad}}");
        });
        FILES.put("a numbered list with an empty item", (file, is) -> {
            var numbering = file.createNumbering();
            var definition = org.openxmlformats.schemas.wordprocessingml.x2006.main.CTAbstractNum.Factory.newInstance();
            definition.setAbstractNumId(BigInteger.ZERO);
            var level = definition.addNewLvl();
            level.addNewNumFmt().setVal(org.openxmlformats.schemas.wordprocessingml.x2006.main.STNumberFormat.DECIMAL);
            level.addNewLvlText().setVal("%1.");
            level.addNewStart().setVal(BigInteger.ONE);
            BigInteger id = numbering.addNum(
                    numbering.addAbstractNum(new org.apache.poi.xwpf.usermodel.XWPFAbstractNum(definition)));
            for (String words :
                    List.of("first", is.apply("{{nothing}}", ""), is.apply("{{lender_name}}", "Ida Marsh"))) {
                if (words.isEmpty()) continue;
                XWPFParagraph line = file.createParagraph();
                line.setNumID(id);
                line.createRun().setText(words);
            }
        });
        FILES.put("a merge field of the library", (file, is) -> {
            XWPFParagraph line = file.createParagraph();
            line.createRun().setText("By ");
            if (is.apply("x", "").isEmpty()) line.createRun().setText("Ida Marsh");
            else {
                var field = line.getCTP().addNewFldSimple();
                field.setInstr(" MERGEFIELD lender_name ");
                field.addNewR().addNewT().setStringValue("\u00abname\u00bb");
            }
        });
        FILES.put("a contents list over headings", (file, is) -> {
            file.createTOC();
            file.createParagraph().createRun().setText(is.apply("{{lender_name}}", "Ida Marsh"));
        });
    }

    static Set<String> names() {
        return FILES.keySet();
    }

    static byte[] made(String name, boolean typed) throws IOException {
        try (XWPFDocument file = new XWPFDocument();
                ByteArrayOutputStream out = new ByteArrayOutputStream()) {
            FILES.get(name).accept(file, (tag, words) -> typed ? words : tag);
            file.write(out);
            return out.toByteArray();
        }
    }

    private static String words(byte[] pdf) {
        return PagesText.of(pdf).replaceAll("\\s+", " ").strip();
    }

    @ParameterizedTest
    @MethodSource("names")
    void aFileOfTheLibraryIsMergedAsIfItsWordsWereTyped(String name) throws IOException {
        byte[] typed = made(name, true);
        Wording wording = Wording.compile(WordFile.open(made(name, false)), Set.of());
        assertThat(wording.diagnostics().stream().filter(one -> one.blocks())).isEmpty();
        byte[] merged = wording.merge(AwkwardFiles.values(), Locale.UK);
        assertThat(DocxText.body(merged)).isEqualTo(DocxText.body(typed));
        assertThat(words(CONVERTER.toPdf(merged))).isEqualTo(words(CONVERTER.toPdf(typed)));
    }
}
