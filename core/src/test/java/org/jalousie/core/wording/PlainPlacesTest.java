package org.jalousie.core.wording;

import static org.assertj.core.api.Assertions.assertThat;
import static org.jalousie.core.wording.AwkwardFiles.p;
import static org.jalousie.core.wording.AwkwardFiles.t;

import java.awt.image.BufferedImage;
import java.io.ByteArrayOutputStream;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Set;
import javax.imageio.ImageIO;
import org.jalousie.core.data.Value;
import org.jalousie.core.wording.docx.InlinePicture;
import org.jalousie.core.wording.write.WordDraft;
import org.junit.jupiter.api.Test;

/** Tags where only characters stand, and pictures that take another's place. */
class PlainPlacesTest {
    private static final String CHART =
            "<c:chartSpace xmlns:c=\"http://schemas.openxmlformats.org/drawingml/2006/chart\" xmlns:a=\"http://schemas.openxmlformats.org/drawingml/2006/main\"><c:chart><c:title><c:tx><c:rich><a:p><a:r><a:t>Loans of {{len</a:t></a:r><a:r><a:t>der_name}}</a:t></a:r></a:p></c:rich></c:tx></c:title><c:cat><c:strCache><c:pt idx=\"0\"><c:v>{{country}}</c:v></c:pt></c:strCache></c:cat></c:chart></c:chartSpace>";

    private static byte[] withLink(String body, String address) {
        return Zips.changed(
                new WordDraft().raw(body).bytes(),
                "word/_rels/document.xml.rels",
                xml -> xml.replace(
                        "</Relationships>",
                        "<Relationship Id=\"rId9\" Type=\"" + InlinePicture.OFFICE + "/hyperlink\" Target=\"" + address
                                + "\" TargetMode=\"External\"/></Relationships>"));
    }

    private static String link(String words) {
        return "<w:hyperlink r:id=\"rId9\">" + t(words) + "</w:hyperlink>";
    }

    private static Wording compile(byte[] file) {
        Wording wording = Wording.compile(WordFile.open(file), Set.of());
        assertThat(wording.diagnostics()).isEmpty();
        return wording;
    }

    @Test
    void aChartsTitleAndCategoriesAreFilled() {
        byte[] file = new WordDraft()
                .raw(p(t("x")))
                .attach(
                        "document.xml",
                        "rId70",
                        "chart",
                        "charts/chart1.xml",
                        CHART.getBytes(),
                        "application/vnd.openxmlformats-officedocument.drawingml.chart+xml")
                .bytes();
        Wording wording = compile(file);
        assertThat(wording.found().fields()).containsExactly("lender_name", "country");
        String chart = DocxText.xml(wording.merge(AwkwardFiles.VALUES, Locale.UK), "word/charts/chart1.xml");
        assertThat(chart).contains("Loans of Ida Marsh", "<c:v>GB</c:v>").doesNotContain("{{");
    }

    @Test
    void addressesMayHavePrintsAndSections() {
        String address =
                "https://example.org/%7B%7Bstart_date.iso%7D%7D%7B%7B%23abroad%7D%7D?abroad=1%7B%7B/abroad%7D%7D";
        Wording wording = compile(withLink(p(link("here")), address));
        String rels = DocxText.xml(wording.merge(AwkwardFiles.VALUES, Locale.UK), "word/_rels/document.xml.rels");
        assertThat(rels).contains("https://example.org/2027-03-15?abroad=1").doesNotContain("%7B");
    }

    @Test
    void anAddressInAListIsThatOfEachItemAndProposedWithinIt() {
        Wording wording = compile(withLink(
                p(t("{{#objects}}")) + p(link("{{title}}")) + p(t("{{/objects}}")), "https://example.org/{{title}}"));
        assertThat(wording.found().uses())
                .singleElement()
                .satisfies(
                        list -> assertThat(list.inside()).extracting(Use::name).containsOnly("title"));
        assertThat(DocxText.xml(wording.merge(AwkwardFiles.VALUES, Locale.UK), "word/_rels/document.xml.rels"))
                .contains("https://example.org/Viola\"", "https://example.org/Lute\"");
    }

    @Test
    void aWholeAddressStaysAnAddress() {
        Wording wording = compile(withLink(p(link("site")), "{{site}}"));
        assertThat(DocxText.xml(
                        wording.merge(Map.of("site", new Value.Text("https://example.org/a?b=c&d")), Locale.UK),
                        "word/_rels/document.xml.rels"))
                .contains("Target=\"https://example.org/a?b=c&amp;d\"");
    }

    @Test
    void anAddressFromDataRunsNothing() {
        Wording wording = compile(withLink(p(link("site")), "{{site}}"));
        assertThat(DocxText.xml(
                        wording.merge(Map.of("site", new Value.Text("javascript:alert(1)")), Locale.UK),
                        "word/_rels/document.xml.rels"))
                .doesNotContain("javascript");
    }

    private static byte[] png(int width, int height) {
        try (ByteArrayOutputStream out = new ByteArrayOutputStream()) {
            ImageIO.write(new BufferedImage(width, height, BufferedImage.TYPE_INT_RGB), "png", out);
            return out.toByteArray();
        } catch (java.io.IOException e) {
            throw new IllegalStateException(e);
        }
    }

    @Test
    void aPlaceholdersCropAndLinesGoAndItsRunKeepsItsWords() {
        String picture =
                "<w:r><w:t xml:space=\"preserve\">Shown: </w:t><w:drawing><wp:inline xmlns:wp=\"http://schemas.openxmlformats.org/drawingml/2006/wordprocessingDrawing\"><wp:extent cx=\"720000\" cy=\"720000\"/><wp:docPr id=\"5\" name=\"p\" descr=\"{{photo}}\"/><a:graphic xmlns:a=\"http://schemas.openxmlformats.org/drawingml/2006/main\"><a:graphicData uri=\"http://schemas.openxmlformats.org/drawingml/2006/picture\"><pic:pic xmlns:pic=\"http://schemas.openxmlformats.org/drawingml/2006/picture\"><pic:blipFill><a:blip r:embed=\"rId71\"><a:extLst><a:ext uri=\"{96DAC541-7B7A-43D3-8B79-37D633B846F1}\"><asvg:svgBlip xmlns:asvg=\"http://schemas.microsoft.com/office/drawing/2016/SVG/main\" r:embed=\"rId71\"/></a:ext></a:extLst></a:blip><a:srcRect l=\"20000\"/><a:stretch><a:fillRect l=\"-5000\"/></a:stretch></pic:blipFill></pic:pic></a:graphicData></a:graphic></wp:inline></w:drawing><w:t>, so</w:t></w:r>";
        byte[] file = new WordDraft()
                .raw(p(picture))
                .attach("document.xml", "rId71", "image", "media/old.png", png(4, 4), "image/png")
                .bytes();
        Wording wording = compile(file);
        byte[] with = wording.merge(Map.of("photo", new Value.Picture("a".repeat(64))), Locale.UK, name -> png(40, 40))
                .file();
        assertThat(DocxText.xml(with, "word/document.xml"))
                .doesNotContain("srcRect", "svgBlip", "-5000", "rId71")
                .contains("<a:fillRect/>");
        assertThat(DocxText.body(with)).isEqualTo("Shown: , so");
        assertThat(DocxText.body(wording.merge(Map.of(), Locale.UK))).isEqualTo("Shown: , so");
    }

    @Test
    void onePhotoInFiveItemsIsStoredOnce() {
        Wording wording = compile(new WordDraft()
                .paragraph("{{#objects}}{{photo.width_20}}{{/objects}}")
                .bytes());
        Map<String, Value> item = Map.of("photo", new Value.Picture("b".repeat(64)));
        byte[] merged = wording.merge(
                        Map.of("objects", new Value.Items(List.of(item, item, item, item, item))),
                        Locale.UK,
                        name -> png(30, 20))
                .file();
        assertThat(Zips.parts(merged).keySet().stream().filter(name -> name.startsWith("word/media/")))
                .hasSize(1);
        assertThat(DocxText.xml(merged, "word/document.xml").split("<w:drawing"))
                .hasSize(6);
    }

    @Test
    void theScriptsOfTheWordsAndTheFontsOfTheirSlotsAreTold() {
        Wording wording = compile(new WordDraft()
                .runs(List.of(new WordDraft.Run(
                        "<w:rFonts w:ascii=\"Carlito\" w:eastAsia=\"Old Museum Song\" w:cs=\"Old Museum Naskh\"/>",
                        "Loan \u501f\u7528 \u0639\u0642\u062f")))
                .bytes());
        assertThat(wording.scripts()).containsOnlyKeys("Han", "Arabic");
        assertThat(wording.fonts()).contains("Old Museum Song", "Old Museum Naskh");
        assertThat(compile(new WordDraft()
                                .runs(List.of(new WordDraft.Run("<w:rFonts w:eastAsia=\"Old Museum Song\"/>", "Loan")))
                                .bytes())
                        .fonts())
                .doesNotContain("Old Museum Song");
    }

    @Test
    void fieldsThatTellOfTheMachineLeaveNoPathAnywhere() {
        byte[] file = Zips.added(
                new WordDraft().raw(p(t("{{lender_name}}"))).bytes(),
                "docProps/app.xml",
                "<Properties xmlns=\"http://schemas.openxmlformats.org/officeDocument/2006/extended-properties\"><Template>C:\\Users\\clerk\\Loans.dotx</Template></Properties>");
        byte[] merged = compile(file).merge(AwkwardFiles.VALUES, Locale.UK);
        assertThat(new String(Zips.parts(merged).get("docProps/app.xml")))
                .contains(">Loans.dotx<")
                .doesNotContain("clerk");
    }

    @Test
    void propertiesUnderAnotherNameAreFilled() {
        String properties =
                "<?xml version=\"1.0\"?><coreProperties xmlns=\"http://schemas.openxmlformats.org/package/2006/metadata/core-properties\" xmlns:dc=\"http://purl.org/dc/elements/1.1/\"><dc:title>Loan by {{lender_name}}</dc:title></coreProperties>";
        String name = "package/services/metadata/core-properties/a1.psmdcp";
        byte[] merged = compile(Zips.added(new WordDraft().paragraph("x").bytes(), name, properties))
                .merge(AwkwardFiles.VALUES, Locale.UK);
        assertThat(new String(Zips.parts(merged).get(name))).contains("Loan by Ida Marsh");
    }
}
