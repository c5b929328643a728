package org.jalousie.e2e;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.ByteArrayInputStream;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Set;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.text.PDFTextStripper;
import org.apache.poi.xwpf.usermodel.XWPFDocument;
import org.apache.poi.xwpf.usermodel.XWPFParagraph;
import org.jalousie.core.data.Value;
import org.jalousie.core.wording.WordFile;
import org.jalousie.core.wording.Wording;
import org.jalousie.core.wording.write.Composer;
import org.jalousie.core.wording.write.Paper;
import org.jalousie.core.wording.write.WordDraft;
import org.jalousie.server.adapters.Converter;
import org.jalousie.server.testbed.Testbed;
import org.junit.jupiter.api.Test;

/** Lists of formatted text as the word processor's own, read by Apache POI. */
class TextListsTest {
    private static final String NESTED =
            "<ol><li>one<ol><li>in a</li><li>in b</li></ol></li><li>two<ol><li>in c</li></ol></li></ol>"
                    + "<p>between</p><ol><li>again</li></ol><ul><li>mark<ul><li>further</li></ul></li></ul>";

    private static byte[] merged(WordDraft draft, String html) {
        return merged(draft.bytes(), html);
    }

    private static byte[] merged(byte[] wording, String html) {
        return Wording.compile(WordFile.open(wording), Set.of())
                .merge(Map.of("terms", new Value.Rich(html)), Locale.UK);
    }

    /** A wording written from nothing, in which numbered clauses are the word processor's own list. */
    private static byte[] written(String html) {
        return Composer.word(
                new Composer.Composition("T", html, "", "", false, "", Paper.A4, 20), picture -> new byte[0]);
    }

    /** Each paragraph as: list, depth, how it is counted, what it begins with, words. */
    private static List<String> read(byte[] file) throws Exception {
        List<String> lines = new ArrayList<>();
        try (XWPFDocument document = new XWPFDocument(new ByteArrayInputStream(file))) {
            List<java.math.BigInteger> lists = new ArrayList<>();
            for (XWPFParagraph one : document.getParagraphs()) {
                if (one.getText().isEmpty()) continue;
                if (one.getNumID() == null || one.getNumID().signum() == 0) {
                    lines.add(one.getText());
                    continue;
                }
                if (!lists.contains(one.getNumID())) lists.add(one.getNumID());
                String start = one.getNumFmt().equals("decimal") ? " from " + one.getNumStartOverride() : "";
                lines.add((lists.indexOf(one.getNumID()) + 1) + " " + one.getNumIlvl() + " " + one.getNumFmt() + start
                        + " " + one.getText());
            }
        }
        return lines;
    }

    @Test
    void eachListCountsFromOneAndMarksAreOneList() throws Exception {
        assertThat(read(merged(new WordDraft().paragraph("{{terms}}"), NESTED)))
                .containsExactly(
                        "1 0 decimal from 1 one",
                        "2 1 decimal from 1 in a",
                        "2 1 decimal from 1 in b",
                        "1 0 decimal from 1 two",
                        "3 1 decimal from 1 in c",
                        "between",
                        "4 0 decimal from 1 again",
                        "5 0 bullet mark",
                        "5 1 bullet further");
    }

    @Test
    void aFilesOwnListsStayAndItsFilesCanBecomeTemplatesAgain() throws Exception {
        byte[] once = merged(
                written("<ol><li>First</li></ol><p>{{terms}}</p><ol><li>Second</li></ol>"), "<ol><li>a</li></ol>");
        assertThat(read(once))
                .containsExactly("1 0 decimal from null First", "2 0 decimal from 1 a", "1 0 decimal from null Second");
        byte[] again = Wording.compile(WordFile.open(once), Set.of()).merge(Map.of(), Locale.UK);
        assertThat(read(again)).isEqualTo(read(once));
    }

    @Test
    void theParagraphsOwnNumberStaysAndTheListGoesOnAtTwo() throws Exception {
        assertThat(read(merged(written("<ol><li>{{terms}}</li></ol>"), "<ol><li>a</li><li>b</li></ol><p>c</p>")))
                .containsExactly("1 0 decimal from null 1. a", "2 0 decimal from 2 b", "c");
    }

    @Test
    void aTextWithoutListsBringsNone() {
        byte[] merged = merged(new WordDraft().paragraph("{{terms}}"), "<p>a</p><p>b</p>");
        byte[] bare = new WordDraft().paragraph("{{terms}}").bytes();
        assertThat(WordFile.open(merged).parts().get("word/numbering.xml"))
                .isEqualTo(WordFile.open(bare).parts().get("word/numbering.xml"));
    }

    @Test
    void deeperThanListsGoStaysAtTheDeepest() throws Exception {
        String deep = "<ul><li>x".repeat(12) + "</li></ul>".repeat(12);
        assertThat(read(merged(new WordDraft().paragraph("{{terms}}"), deep))).endsWith("1 8 bullet x", "1 8 bullet x");
    }

    /** What stands on the page, by the converter. */
    @Test
    void thePageCountsAsTheTextDoes() throws Exception {
        byte[] pdf =
                Testbed.start().bean(Converter.class).toPdf(merged(new WordDraft().paragraph("{{terms}}"), NESTED));
        try (PDDocument document = Loader.loadPDF(pdf)) {
            String[] lines = new PDFTextStripper().getText(document).strip().split("\\s*\n\\s*");
            assertThat(lines)
                    .extracting(line -> line.replaceAll("\\s+", " "))
                    .startsWith(
                            "1. one",
                            "1. in a",
                            "2. in b",
                            "2. two",
                            "1. in c",
                            "between",
                            "1. again",
                            "\u2022 mark",
                            "\u2022 further");
        }
    }
}
