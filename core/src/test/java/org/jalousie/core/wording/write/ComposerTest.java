package org.jalousie.core.wording.write;

import static org.assertj.core.api.Assertions.assertThat;

import java.awt.image.BufferedImage;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.util.Set;
import javax.imageio.ImageIO;
import org.jalousie.core.wording.DocxText;
import org.jalousie.core.wording.WordFile;
import org.jalousie.core.wording.Wording;
import org.junit.jupiter.api.Test;

class ComposerTest {
    private static byte[] picture(String file) {
        try {
            ByteArrayOutputStream out = new ByteArrayOutputStream();
            ImageIO.write(new BufferedImage(96, 48, BufferedImage.TYPE_INT_RGB), "png", out);
            return out.toByteArray();
        } catch (IOException e) {
            throw new IllegalStateException(e);
        }
    }

    private static byte[] word(String html, String logo) {
        return Composer.word(
                new Composer.Composition("T", html, "Header {{a}}", "Footer", true, logo, Paper.LETTER, 20),
                ComposerTest::picture);
    }

    @Test
    void whatWasWrittenIsAWordFileWithStylesListsAndTables() {
        byte[] file = word(
                "<h1>Title</h1><h2>Heading</h2><p>Some <strong>bold <u>and</u></strong> {{name}}<script>x()</script></p>"
                        + "<ol><li><p>one</p><ol><li><p>inner</p></li></ol></li><li><p>two</p></li></ol><ul><li>dot</li></ul>"
                        + "<table><tbody><tr><th><p>A</p></th><th><p>B</p></th></tr><tr><td><p>{{#items}}{{x}}</p></td><td><p>{{y}}{{/items}}</p></td></tr></tbody></table>",
                "");
        assertThat(DocxText.body(file))
                .isEqualTo(
                        "Title\nHeading\nSome bold and {{name}}\none\ninner\ntwo\ndot\nA\nB\n{{#items}}{{x}}\n{{y}}{{/items}}\n");
        String xml = DocxText.xml(file, "word/document.xml");
        assertThat(xml)
                .contains("<w:pStyle w:val=\"Heading1\"/>")
                .contains("<w:rPr><w:b/><w:u w:val=\"single\"/></w:rPr><w:t xml:space=\"preserve\">and</w:t>")
                .contains("<w:ilvl w:val=\"1\"/><w:numId w:val=\"1\"/>")
                .contains("<w:ilvl w:val=\"0\"/><w:numId w:val=\"2\"/>");
        Wording wording = Wording.compile(WordFile.open(file), Set.of());
        assertThat(wording.diagnostics()).isEmpty();
        assertThat(wording.found().fields()).contains("name", "items", "x", "y", "a");
    }

    @Test
    void picturesStandInTheBodyAndTheLogoInTheHeader() {
        String file = "a".repeat(64);
        byte[] word = word(
                "<p><img src=\"/api/v1/pictures/" + file + "\"></p><p><img src=\"https://example.org/x.png\"></p>",
                file);
        assertThat(WordFile.open(word).parts()).containsKeys("word/media/picture1.png", "word/media/picture2.png");
        assertThat(DocxText.xml(word, "word/_rels/header1.xml.rels")).contains("media/picture2.png");
        // 96 pixels at 96 to the inch are 25.4 mm
        assertThat(DocxText.xml(word, "word/document.xml")).contains("cx=\"914400\" cy=\"457200\"");
        assertThat(DocxText.xml(word, "word/footer1.xml")).contains("PAGE", "NUMPAGES");
    }

    @Test
    void thePaperAndTheMarginsAreTheOnesThatWereChosenAndAClauseGoesOnAfterATable() {
        String xml = DocxText.xml(
                word("<ol><li>one</li></ol><table><tr><td>a</td><td>b</td></tr></table><ol><li>two</li></ol>", ""),
                "word/document.xml");
        // 20 mm are 1134 twentieths of a point, and the table fills what is between the margins
        assertThat(xml)
                .contains("<w:pgSz w:w=\"12240\" w:h=\"15840\"/><w:pgMar w:top=\"1134\" w:right=\"1134\"")
                .contains("<w:tblW w:w=\"9972\" w:type=\"dxa\"/>");
        assertThat(xml.split("<w:numId w:val=\"1\"/>")).hasSize(3);
    }

    @Test
    void paperAndMarginsThatNobodyNamedAreTheUsualOnes() {
        Composer.Composition said = new Composer.Composition("T", "<p>x</p>", "", "", false, "", null, null);
        assertThat(DocxText.xml(Composer.word(said, ComposerTest::picture), "word/document.xml"))
                .contains("<w:pgSz w:w=\"11906\" w:h=\"16838\"/><w:pgMar w:top=\"1304\"");
        assertThat(new Composer.Composition("T", "", "", "", false, "", Paper.A4, 500).marginMm())
                .isEqualTo(60);
    }
}
