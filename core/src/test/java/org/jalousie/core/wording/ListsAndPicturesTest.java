package org.jalousie.core.wording;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import com.google.zxing.BinaryBitmap;
import com.google.zxing.RGBLuminanceSource;
import com.google.zxing.common.HybridBinarizer;
import java.awt.image.BufferedImage;
import java.io.ByteArrayInputStream;
import java.io.ByteArrayOutputStream;
import java.math.BigDecimal;
import java.util.Currency;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Set;
import javax.imageio.ImageIO;
import org.jalousie.core.data.Value;
import org.jalousie.core.wording.docx.InlinePicture;
import org.jalousie.core.wording.write.WordDraft;
import org.junit.jupiter.api.Test;

class ListsAndPicturesTest {
    private static final Value OBJECTS = new Value.Items(List.of(
            Map.of("title", new Value.Text("Viola"), "parts", list("name", "bow", "case")),
            Map.of("title", new Value.Text("Lute"), "fragile", new Value.YesNo(true))));

    private static Value.Items list(String name, String... values) {
        return new Value.Items(java.util.Arrays.stream(values)
                .map(value -> Map.<String, Value>of(name, new Value.Text(value)))
                .toList());
    }

    private static byte[] merged(WordDraft draft, Map<String, Value> values) {
        Wording wording = Wording.compile(WordFile.open(draft.bytes()), Set.of());
        assertThat(wording.diagnostics()).isEmpty();
        return wording.merge(values, Locale.UK, hash -> picture(40, 20)).file();
    }

    private static String text(WordDraft draft, Map<String, Value> values) {
        return DocxText.body(merged(draft, values));
    }

    private static byte[] picture(int width, int height) {
        try {
            ByteArrayOutputStream out = new ByteArrayOutputStream();
            ImageIO.write(new BufferedImage(width, height, BufferedImage.TYPE_INT_RGB), "png", out);
            return out.toByteArray();
        } catch (java.io.IOException e) {
            throw new IllegalStateException(e);
        }
    }

    @Test
    void aRowOfATableStandsOncePerItemAndCounts() {
        WordDraft draft = new WordDraft()
                .table(
                        List.of(
                                List.of("No.", "Object"),
                                List.of(
                                        "{{#objects}}{{position}}",
                                        "{{title}}{{#fragile}} (fragile){{/fragile}}{{/objects}}"),
                                List.of("Total", "{{objects.count}}")),
                        true);
        assertThat(text(draft, Map.of("objects", OBJECTS)))
                .startsWith("No.\nObject\n1\nViola\n2\nLute (fragile)\nTotal\n2");
    }

    @Test
    void itemsWithSubItemsAreNestedLists() {
        WordDraft draft = new WordDraft()
                .paragraph("{{#objects}}")
                .paragraph("{{position}}. {{title}}")
                .paragraph("{{#parts}}")
                .paragraph("{{position}}) {{name}} of {{title}}")
                .paragraph("{{/parts}}")
                .paragraph("{{/objects}}")
                .paragraph("end");
        assertThat(text(draft, Map.of("objects", OBJECTS)))
                .isEqualTo("1. Viola\n1) bow of Viola\n2) case of Viola\n2. Lute\nend");
    }

    @Test
    void aTableWithoutAnyRowIsGoneAndACellIsNeverLeftWithoutAParagraph() {
        WordDraft draft = new WordDraft()
                .paragraph("before")
                .table(List.of(List.of("{{#objects}}{{title}}", "{{position}}{{/objects}}")), true)
                .table(List.of(List.of("{{#objects}}\n{{title}}\n{{/objects}}", "x")), true);
        String xml = DocxText.xml(merged(draft, Map.of()), "word/document.xml");
        assertThat(xml.split("<w:tbl>").length - 1).isEqualTo(1);
        assertThat(xml).containsPattern("<w:p>(<w:pPr>[^!]*?</w:pPr>)</w:p></w:tc>");
        assertThat(DocxText.body(merged(draft, Map.of("objects", OBJECTS))))
                .contains("Viola\n1\nLute\n2")
                .contains("Viola\nLute\nx");
    }

    @Test
    void aCaseOfAChoiceAndAPluralAreSections() {
        String wording =
                "{{#cover.state_indemnity}}by the State{{/cover.state_indemnity}}{{^cover.state_indemnity}}by us{{/cover.state_indemnity}}, "
                        + "{{copies.words}} {{#copies.one}}copy{{/copies.one}}{{#copies.other}}copies{{/copies.other}}";
        Value one = new Value.Amount(BigDecimal.ONE);
        assertThat(text(
                        new WordDraft().paragraph(wording),
                        Map.of("cover", new Value.Text("State indemnity"), "copies", one)))
                .isEqualTo("by the State, one copy");
        Value two = new Value.Amount(new BigDecimal(2));
        assertThat(text(new WordDraft().paragraph(wording), Map.of("cover", new Value.Text("None"), "copies", two)))
                .isEqualTo("by us, two copies");
    }

    @Test
    void formattedTextKeepsTheLookOfItsTagAndAddsItsOwn() {
        WordDraft draft = new WordDraft().runs(List.of(new WordDraft.Run("<w:color w:val=\"112233\"/>", "{{terms}}")));
        byte[] merged = merged(
                draft, Map.of("terms", new Value.Rich("<p>All <b>bold</b></p><ol><li>a</li><li><u>b</u></li></ol>")));
        assertThat(DocxText.body(merged)).isEqualTo("All bold\na\nb");
        assertThat(DocxText.xml(merged, "word/document.xml"))
                .contains("<w:rPr><w:b/><w:color w:val=\"112233\"/></w:rPr><w:t xml:space=\"preserve\">bold</w:t>")
                .contains("<w:rPr><w:color w:val=\"112233\"/><w:u w:val=\"single\"/></w:rPr>")
                .containsPattern("<w:numPr><w:ilvl w:val=\"0\"/><w:numId w:val=\"\\d+\"/></w:numPr>");
    }

    @Test
    void formattedTextWithinALineStaysOneParagraphAndItsLinksLead() {
        byte[] merged = merged(
                new WordDraft().paragraph("See {{terms}} there."),
                Map.of(
                        "terms",
                        new Value.Rich("<p>one <a href=\"https://example.org/a?b&amp;c\">two</a></p><p>three</p>")));
        assertThat(DocxText.body(merged)).isEqualTo("See one two\nthree there.");
        assertThat(DocxText.xml(merged, "word/_rels/document.xml.rels"))
                .contains("Target=\"https://example.org/a?b&amp;c\" TargetMode=\"External\"");
    }

    @Test
    void aPictureStandsAtItsTagInTheWidthAskedForAndInProportion() {
        byte[] merged = merged(
                new WordDraft().paragraph("{{photo.width_60}}"), Map.of("photo", new Value.Picture("0".repeat(64))));
        // 60 mm by 30 mm, 36,000 EMU to the millimetre
        assertThat(DocxText.xml(merged, "word/document.xml")).contains("<wp:extent cx=\"2160000\" cy=\"1080000\"/>");
        assertThat(WordFile.open(merged).parts()).containsKey("word/media/jalousie-1.png");
        assertThat(DocxText.xml(merged, "[Content_Types].xml")).contains("Extension=\"png\"");
    }

    @Test
    void aPlaceholderPictureKeepsItsBoxAndIsGoneWithoutAPicture() throws Exception {
        String picture = InlinePicture.xml(
                        "http://schemas.openxmlformats.org/wordprocessingml/2006/main",
                        "rId2",
                        "",
                        720_000,
                        720_000,
                        7,
                        "x")
                .replace("descr=\"x\"", "descr=\"{{photo}}\"");
        WordDraft draft = new WordDraft().raw("<w:p><w:r>" + picture + "</w:r></w:p>");
        byte[] merged = merged(draft, Map.of("photo", new Value.Picture("0".repeat(64))));
        assertThat(DocxText.xml(merged, "word/document.xml"))
                .contains("cx=\"720000\" cy=\"720000\"", "descr=\"photo\"");
        // the file is 40 by 20 and its box is square: it is set in the middle, clear above and below
        BufferedImage boxed = ImageIO.read(
                new ByteArrayInputStream(WordFile.open(merged).parts().get("word/media/jalousie-1.png")));
        assertThat(boxed.getWidth()).isEqualTo(boxed.getHeight());
        assertThat(boxed.getRGB(boxed.getWidth() / 2, 1) >>> 24).isZero();
        assertThat(boxed.getRGB(boxed.getWidth() / 2, boxed.getHeight() / 2) >>> 24)
                .isEqualTo(255);
        assertThat(DocxText.xml(merged(draft, Map.of()), "word/document.xml")).doesNotContain("drawing");
    }

    @Test
    void aCodeReadsBackToItsText() throws Exception {
        byte[] merged = merged(
                new WordDraft().paragraph("{{reference.qr_25}}").paragraph("{{reference.code128_60}}"),
                Map.of("reference", new Value.Text("A-2027-0007")));
        Map<String, byte[]> parts = WordFile.open(merged).parts();
        assertThat(read(parts.get("word/media/jalousie-1.png"))).isEqualTo("A-2027-0007");
        assertThat(read(parts.get("word/media/jalousie-2.png"))).isEqualTo("A-2027-0007");
    }

    private static String read(byte[] png) throws Exception {
        BufferedImage image = ImageIO.read(new ByteArrayInputStream(png));
        int[] pixels = image.getRGB(0, 0, image.getWidth(), image.getHeight(), null, 0, image.getWidth());
        RGBLuminanceSource source = new RGBLuminanceSource(image.getWidth(), image.getHeight(), pixels);
        return new com.google.zxing.MultiFormatReader()
                .decode(new BinaryBitmap(new HybridBinarizer(source)))
                .getText();
    }

    @Test
    void aTextThatNoBarcodeCanCarryIsRefusedBySentence() {
        assertThatThrownBy(() -> merged(
                        new WordDraft().paragraph("{{a.code128_60}}"),
                        Map.of("a", new Value.Text("\u00e9t\u00e9\u4e2d"))))
                .hasMessageContaining("barcode");
    }

    @Test
    void aChartOfAListIsAPictureOfTheWidthAskedFor() {
        Value items = new Value.Items(List.of(
                Map.of(
                        "title",
                        new Value.Text("Viola"),
                        "value",
                        new Value.Money(Currency.getInstance("EUR"), new BigDecimal("12.50"))),
                Map.of(
                        "title",
                        new Value.Text("Lute"),
                        "value",
                        new Value.Money(Currency.getInstance("EUR"), new BigDecimal("7.00")))));
        byte[] merged = merged(
                new WordDraft().paragraph("{{objects.bars_120}}").paragraph("{{objects.lines_80}}"),
                Map.of("objects", items));
        assertThat(DocxText.xml(merged, "word/document.xml"))
                .contains("cx=\"4320000\" cy=\"2160000\"", "cx=\"2880000\"");
    }
}
