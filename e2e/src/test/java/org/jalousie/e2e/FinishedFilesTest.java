package org.jalousie.e2e;

import static org.assertj.core.api.Assertions.assertThat;

import java.awt.image.BufferedImage;
import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.io.InputStream;
import java.math.BigDecimal;
import java.util.ArrayList;
import java.util.Currency;
import java.util.HashSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Set;
import java.util.zip.ZipEntry;
import java.util.zip.ZipInputStream;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.rendering.PDFRenderer;
import org.apache.pdfbox.text.PDFTextStripper;
import org.apache.xmlbeans.XmlError;
import org.apache.xmlbeans.XmlException;
import org.apache.xmlbeans.XmlObject;
import org.apache.xmlbeans.XmlOptions;
import org.jalousie.core.data.Value;
import org.jalousie.core.placement.FieldPlacer;
import org.jalousie.core.proof.BoxedText;
import org.jalousie.core.proof.FinishedPages;
import org.jalousie.core.proof.LayoutRisk;
import org.jalousie.core.proof.LayoutRisks;
import org.jalousie.core.wording.Clauses;
import org.jalousie.core.wording.WordFile;
import org.jalousie.core.wording.Wording;
import org.jalousie.core.wording.write.WordDraft;
import org.jalousie.server.adapters.Converter;
import org.jalousie.server.testbed.Testbed;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import org.openxmlformats.schemas.wordprocessingml.x2006.main.DocumentDocument;
import org.openxmlformats.schemas.wordprocessingml.x2006.main.FootnotesDocument;
import org.openxmlformats.schemas.wordprocessingml.x2006.main.HdrDocument;

/** Merged files as a word processor, a schema and the eye see them. */
class FinishedFilesTest {
    private static final Map<String, Value> VALUES = Map.of(
            "title", new Value.Text("a viola"),
            "lender_name", new Value.Text("Ida Marsh & Daughters"),
            "abroad", new Value.YesNo(true),
            "reference", new Value.Text("L 7/2027"),
            "items",
                    new Value.Items(List.of(
                            Map.of("name", new Value.Text("Viola"), "value", money("12500.00")),
                            Map.of("name", new Value.Text("Bow"), "value", money("900.50")))));

    private final Converter converter = Testbed.start().bean(Converter.class);

    private static Value money(String amount) {
        return new Value.Money(Currency.getInstance("EUR"), new BigDecimal(amount));
    }

    private static byte[] merged(byte[] file, Map<String, Value> values) {
        Wording wording = Wording.compile(WordFile.open(file), Set.of());
        assertThat(wording.diagnostics()).isEmpty();
        return wording.merge(values, Locale.UK);
    }

    private static String text(byte[] pdf) {
        try (PDDocument document = Loader.loadPDF(pdf)) {
            return new PDFTextStripper().getText(document);
        } catch (IOException e) {
            throw new IllegalStateException(e);
        }
    }

    /** Files written by pandoc 2.17, LibreOffice 7.4 and the JavaScript library docx 9.15, all with tags in many places. */
    @ParameterizedTest
    @ValueSource(strings = {"pandoc", "libreoffice", "javascript"})
    void filesOfOtherProducersAreMergedAndOpenedWithoutRepair(String producer) throws Exception {
        byte[] file;
        try (InputStream in = getClass().getResourceAsStream("/producers/" + producer + ".docx")) {
            file = in.readAllBytes();
        }
        byte[] merged = merged(file, VALUES);
        assertThat(text(converter.toPdf(merged)))
                .contains("Ida Marsh & Daughters", "who lives abroad", "Viola", "\u20ac900.50", "Export papers")
                .doesNotContain("{{", "}}");
        assertThat(part(merged, "word/_rels/document.xml.rels")).contains("https://example.org/L%207%2F2027");
        assertThat(complaints(merged)).isSubsetOf(complaints(file));
    }

    /** What the schemas of ECMA-376 (as Apache POI carries them) say against a file, without the places. */
    private static Set<String> complaints(byte[] file) throws Exception {
        Set<String> found = new HashSet<>();
        for (String part : List.of("word/document.xml", "word/header1.xml", "word/footnotes.xml")) {
            String xml = part(file, part);
            if (xml.isEmpty()) continue;
            List<XmlError> errors = new ArrayList<>();
            parsed(part, xml).validate(new XmlOptions().setErrorListener(errors));
            errors.forEach(error -> found.add(error.getMessage()));
        }
        return found;
    }

    private static XmlObject parsed(String part, String xml) throws XmlException {
        if (part.contains("header")) return HdrDocument.Factory.parse(xml);
        return part.contains("footnotes") ? FootnotesDocument.Factory.parse(xml) : DocumentDocument.Factory.parse(xml);
    }

    private static String part(byte[] file, String name) throws IOException {
        try (ZipInputStream zip = new ZipInputStream(new ByteArrayInputStream(file))) {
            for (ZipEntry entry = zip.getNextEntry(); entry != null; entry = zip.getNextEntry()) {
                if (entry.getName().equals(name)) return new String(zip.readAllBytes());
            }
        }
        return "";
    }

    @Test
    void formattedTextListsPicturesAndClausesKeepToTheSchema() throws Exception {
        WordDraft draft = new WordDraft()
                .runs(List.of(new WordDraft.Run("<w:color w:val=\"112233\"/><w:sz w:val=\"20\"/>", "{{terms}}")))
                .table(List.of(List.of("{{#items}}{{name}}", "{{value}}{{/items}}")), true)
                .paragraph("{{reference.qr_20}} {{items.bars_90}}")
                .paragraph("{{>care}}")
                .paragraph("{{lender.signature}}");
        WordFile clause = WordFile.open(new WordDraft()
                .heading("Care")
                .table(List.of(List.of("a", "{{title}}")), true)
                .bytes());
        Wording wording =
                Wording.compile(WordFile.open(draft.bytes()), Set.of(), new Clauses(Map.of("care", clause), Map.of()));
        Map<String, Value> values = new java.util.HashMap<>(VALUES);
        values.put(
                "sending",
                new Value.Rich(
                        "<p>a <b>b</b> <i>c</i> <u>d</u></p><ol><li>e<ul><li>f</li></ul></li></ol><p><a href=\"https://example.org\">g</a></p>"));
        assertThat(complaints(wording.merge(values, Locale.UK))).isEmpty();
        assertThat(complaints(wording.merge(Map.of(), Locale.UK))).isEmpty();
    }

    @Test
    void aMergedAgreementLooksLikeTheSameOneTypedByHand() throws Exception {
        byte[] typed = agreement("Ida Marsh", "15 March 2027", "\u20ac12,500.00", true);
        byte[] tagged = new WordDraft()
                .header("Loan by {{lender}}")
                .title("Loan agreement")
                .runs(List.of(
                        new WordDraft.Run("", "Lent by "),
                        new WordDraft.Run("<w:b/>", "{{len"),
                        new WordDraft.Run("<w:b/>", "der}}"),
                        new WordDraft.Run(
                                "", "{{#company}} of {{company}}{{/company}}, {{street}}, {{town}}, on {{day}}.")))
                .paragraph("{{#abroad}}")
                .paragraph("It crosses a border.")
                .paragraph("{{/abroad}}")
                .table(List.of(List.of("{{#items}}{{name}}", "{{value}}{{/items}}")), true)
                .paragraph("{{note}}")
                .paragraph("The end of it, {{lender}} ({{company}}).")
                .bytes();
        byte[] merged = merged(
                tagged,
                Map.of(
                        "lender", new Value.Text("Ida Marsh"),
                        "town", new Value.Text("Oudehaven"),
                        "day", new Value.Day(java.time.LocalDate.of(2027, 3, 15)),
                        "abroad", new Value.YesNo(true),
                        "items",
                                new Value.Items(List.of(
                                        Map.of("name", new Value.Text("Viola"), "value", money("12500.00")),
                                        Map.of("name", new Value.Text("Bow"), "value", money("900.00"))))));
        List<BufferedImage> expected = pictures(converter.toPdf(typed));
        List<BufferedImage> actual = pictures(converter.toPdf(merged));
        assertThat(actual).hasSameSizeAs(expected);
        for (int i = 0; i < expected.size(); i++)
            assertThat(differences(expected.get(i), actual.get(i))).isZero();
        // the comparison itself can tell: one letter more is seen
        assertThat(differences(
                        expected.get(0),
                        pictures(converter.toPdf(agreement("Ida Marshe", "15 March 2027", "\u20ac12,500.00", true)))
                                .get(0)))
                .isPositive();
    }

    private static byte[] agreement(String lender, String day, String value, boolean abroad) {
        WordDraft draft = new WordDraft()
                .header("Loan by " + lender)
                .title("Loan agreement")
                .runs(List.of(
                        new WordDraft.Run("", "Lent by "),
                        new WordDraft.Run("<w:b/>", lender),
                        new WordDraft.Run("", ", Oudehaven, on " + day + ".")));
        if (abroad) draft.paragraph("It crosses a border.");
        return draft.table(List.of(List.of("Viola", value), List.of("Bow", "\u20ac900.00")), true)
                .paragraph("The end of it, " + lender + ".")
                .bytes();
    }

    private static List<BufferedImage> pictures(byte[] pdf) throws IOException {
        try (PDDocument document = Loader.loadPDF(pdf)) {
            List<BufferedImage> pages = new ArrayList<>();
            for (int i = 0; i < document.getNumberOfPages(); i++)
                pages.add(new PDFRenderer(document).renderImageWithDPI(i, 144));
            return pages;
        }
    }

    private static long differences(BufferedImage a, BufferedImage b) {
        long count = 0;
        for (int y = 0; y < a.getHeight(); y++) {
            for (int x = 0; x < a.getWidth(); x++) if (a.getRGB(x, y) != b.getRGB(x, y)) count++;
        }
        return count;
    }

    @Test
    void aContentsListNamesTheHeadingsThatAreThereAndTheirPages() {
        String contents =
                "<w:sdt><w:sdtPr><w:docPartObj><w:docPartGallery w:val=\"Table of Contents\"/></w:docPartObj></w:sdtPr><w:sdtContent><w:p>"
                        + "<w:r><w:fldChar w:fldCharType=\"begin\"/></w:r><w:r><w:instrText xml:space=\"preserve\"> TOC \\o \"1-1\" \\h </w:instrText></w:r><w:r><w:fldChar w:fldCharType=\"separate\"/></w:r><w:r><w:t>out of date</w:t></w:r></w:p>"
                        + "<w:p><w:r><w:fldChar w:fldCharType=\"end\"/></w:r></w:p></w:sdtContent></w:sdt>";
        WordDraft draft = new WordDraft().raw(contents).heading("Objects");
        for (int i = 0; i < 60; i++) draft.paragraph("Words that fill the page.");
        draft.paragraph("{{>care}}").paragraph("{{#abroad}}").heading("Export").paragraph("{{/abroad}}");
        WordFile clause =
                WordFile.open(new WordDraft().heading("Care").paragraph("Dry.").bytes());
        Wording wording =
                Wording.compile(WordFile.open(draft.bytes()), Set.of(), new Clauses(Map.of("care", clause), Map.of()));
        String pages = text(converter.toPdf(wording.merge(Map.of(), Locale.UK)));
        String head = pages.substring(0, pages.indexOf("Words that fill"));
        assertThat(head)
                .containsPattern("Objects[.\\s]+1")
                .containsPattern("Care[.\\s]+2")
                .doesNotContain("Export", "out of date");
    }

    @Test
    void layoutRisksAreSeenOnThePages() {
        WordDraft draft = new WordDraft();
        for (int i = 0; i < 31; i++) draft.paragraph("Words that fill the page.");
        draft.raw(
                        "<w:p><w:pPr><w:pStyle w:val=\"Heading1\"/><w:keepNext w:val=\"0\"/></w:pPr><w:r><w:t>Signatures</w:t></w:r></w:p>")
                .raw("<w:p><w:r><w:br w:type=\"page\"/></w:r></w:p>")
                .raw("<w:p><w:r><w:br w:type=\"page\"/></w:r></w:p>")
                .paragraph("{{lender.signature}}");
        Wording wording = Wording.compile(WordFile.open(draft.bytes()), Set.of());
        byte[] pdf = converter.toPdf(wording.merge(Map.of(), Locale.UK));
        FieldPlacer.Placed placed = FieldPlacer.place(pdf, wording.boxes(), List.of());
        List<LayoutRisk> found = LayoutRisks.of(placed.pdf(), placed.pages());
        // the same pages, opened once for everything
        try (FinishedPages open = FinishedPages.open(pdf)) {
            assertThat(open.text()).isEqualTo(text(pdf));
            FieldPlacer.Placed again = open.place(wording.boxes(), Set.of(), Set.of(), List.of());
            assertThat(again.pages()).isEqualTo(placed.pages());
            assertThat(open.risks(again.pages())).isEqualTo(found);
        }
        assertThat(found)
                .extracting(LayoutRisk::kind)
                .contains(LayoutRisk.Kind.HEADING_AT_FOOT, LayoutRisk.Kind.EMPTY_PAGE, LayoutRisk.Kind.SIGNATURE_ALONE);
        // each is pinned to its spot: a heading at the foot, a signature at its own height
        assertThat(found)
                .allSatisfy(risk -> assertThat(risk.y())
                        .as(risk.toString())
                        .isBetween(
                                0.0, placed.pages().sizes().get(risk.page() - 1).height()));
        assertThat(found)
                .filteredOn(risk -> risk.kind() == LayoutRisk.Kind.HEADING_AT_FOOT)
                .allSatisfy(risk -> assertThat(risk.y()).isLessThan(200));
        assertThat(found)
                .filteredOn(risk -> risk.kind() == LayoutRisk.Kind.SIGNATURE_ALONE)
                .allSatisfy(risk -> assertThat(placed.pages().fields())
                        .anySatisfy(field -> assertThat(field.y() + field.height())
                                .isEqualTo(risk.y(), org.assertj.core.data.Offset.offset(0.01))));
        StringBuilder lines = new StringBuilder("first");
        for (int i = 0; i < 80; i++) lines.append("\nline ").append(i);
        byte[] table = new WordDraft()
                .table(List.of(List.of("a", lines.toString())), true)
                .bytes();
        byte[] broken = converter.toPdf(merged(table, Map.of()));
        assertThat(LayoutRisks.of(
                        broken, FieldPlacer.place(broken, Map.of(), List.of()).pages()))
                .extracting(LayoutRisk::kind)
                .contains(LayoutRisk.Kind.ROW_BROKEN);
    }

    @Test
    void wordsThatDoNotFitIntoTheirBoxAreMissed() {
        String row =
                "<w:tbl><w:tblPr><w:tblW w:w=\"3000\" w:type=\"dxa\"/></w:tblPr><w:tblGrid><w:gridCol w:w=\"3000\"/></w:tblGrid><w:tr><w:trPr><w:trHeight w:val=\"400\" w:hRule=\"exact\"/></w:trPr>"
                        + "<w:tc><w:tcPr><w:tcW w:w=\"3000\" w:type=\"dxa\"/></w:tcPr><w:p><w:r><w:t>{{note}}</w:t></w:r></w:p></w:tc></w:tr></w:tbl><w:p/>";
        byte[] tagged = new WordDraft().raw(row).bytes();
        String longNote = "Words that go on and on ".repeat(20) + "to their very last end";
        for (String note : List.of("Short", longNote)) {
            byte[] word = merged(tagged, Map.of("note", new Value.Text(note)));
            byte[] pdf = converter.toPdf(word);
            FieldPlacer.Placed placed = FieldPlacer.place(pdf, Map.of(), List.of());
            List<LayoutRisk> risks = LayoutRisks.of(pdf, placed.pages(), BoxedText.of(word));
            if (note.equals("Short")) assertThat(risks).isEmpty();
            else assertThat(risks).extracting(LayoutRisk::kind).contains(LayoutRisk.Kind.TEXT_OUTSIDE);
        }
    }

    /** A file in the shapes that Word saves: revision marks on runs, spelling marks, smart tags, fields, controls, boxes. */
    @Test
    void aFileInTheShapesThatWordSavesIsMergedAndOpenedWithoutRepair() throws Exception {
        String box = "<w:txbxContent><w:p><w:r><w:t>Box of {{lender_name}}</w:t></w:r></w:p></w:txbxContent>";
        byte[] file = new WordDraft()
                .raw(
                        "<w:p><w:r w:rsidR=\"00A1\"><w:t>{{</w:t></w:r><w:proofErr w:type=\"spellStart\"/><w:smartTag w:uri=\"urn:x\" w:element=\"place\"><w:r w:rsidR=\"00B2\"><w:rPr><w:b/></w:rPr><w:t>lender</w:t></w:r></w:smartTag>"
                                + "<w:r><w:t>_name</w:t></w:r><w:proofErr w:type=\"spellEnd\"/><w:bookmarkStart w:id=\"1\" w:name=\"here\"/><w:r><w:t xml:space=\"preserve\">}} lends </w:t></w:r><w:bookmarkEnd w:id=\"1\"/>"
                                + "<w:r><w:fldChar w:fldCharType=\"begin\"/></w:r><w:r><w:instrText xml:space=\"preserve\"> MERGEFIELD title \\\\* MERGEFORMAT </w:instrText></w:r><w:r><w:fldChar w:fldCharType=\"separate\"/></w:r><w:r><w:t>\u00abtitle\u00bb</w:t></w:r><w:r><w:fldChar w:fldCharType=\"end\"/></w:r>"
                                + "<w:r><w:t>.</w:t></w:r></w:p>")
                .raw(
                        "<w:sdt><w:sdtPr><w:alias w:val=\"Reference\"/><w:tag w:val=\"reference\"/><w:id w:val=\"77\"/><w:showingPlcHdr/><w:text/></w:sdtPr><w:sdtContent><w:p><w:r><w:t>Click here</w:t></w:r></w:p></w:sdtContent></w:sdt>")
                .raw(
                        "<w:p><w:r><w:pict><v:shape xmlns:v=\"urn:schemas-microsoft-com:vml\" id=\"b\" style=\"width:150pt;height:40pt\"><v:textbox>"
                                + box + "</v:textbox></v:shape></w:pict></w:r></w:p>")
                .table(List.of(List.of("{{#items}}{{name}}", "{{value}}{{/items}}")), true)
                .bytes();
        byte[] merged = merged(file, VALUES);
        assertThat(text(converter.toPdf(merged)))
                .contains("Ida Marsh & Daughters lends a viola.", "L 7/2027", "Box of Ida Marsh", "Viola")
                .doesNotContain("{{", "Click here", "\u00ab");
        assertThat(complaints(merged)).isSubsetOf(complaints(file));
    }
}
