package org.jalousie.core.evidence;

import static org.assertj.core.api.Assertions.assertThat;

import java.awt.image.BufferedImage;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.OutputStream;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Instant;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.cos.COSName;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.PDPage;
import org.apache.pdfbox.pdmodel.PDResources;
import org.apache.pdfbox.pdmodel.common.PDRectangle;
import org.apache.pdfbox.pdmodel.common.PDStream;
import org.apache.pdfbox.pdmodel.interactive.annotation.PDAppearanceStream;
import org.apache.pdfbox.rendering.PDFRenderer;
import org.apache.pdfbox.text.PDFTextStripper;
import org.jalousie.core.parties.PartyKey;
import org.jalousie.core.pdf.ArchivalForm;
import org.jalousie.core.placement.BoxSize;
import org.jalousie.core.placement.FieldPlacer;
import org.jalousie.core.placement.SignaturePlace;
import org.jalousie.core.placement.SigningField;
import org.jalousie.core.placement.TextCheck;
import org.jalousie.core.placement.TextPlace;
import org.junit.jupiter.api.Test;

/** Names of all the world in signing fields, under signatures and in the files that are checked. */
class ScriptsTest {
    private static final TestTrust TRUST = new TestTrust();

    static final List<String> NAMES = List.of(
            "\u0141ukasz \u014cta-Nguy\u1ec5n",
            "\u0394\u03ae\u03bc\u03b7\u03c4\u03c1\u03b1 \u0391\u03c1\u03b3\u03c5\u03c1\u03bf\u03cd",
            "\u05d3\u05d5\u05d3 \u05d1\u05df-\u05e2\u05de\u05d9",
            "\u0645\u062d\u0645\u062f \u0627\u0644\u0623\u062d\u0645\u062f",
            "\u0915\u094d\u0937\u0947\u0924\u094d\u0930\u093f \u0936\u0930\u094d\u092e\u093e",
            "\u738b\u5c0f\u660e");

    private static final int DEVANAGARI = 4;

    @Test
    void namesOfAnyScriptAreFilledInSignedAndIntact() throws IOException {
        byte[] finished = signed();
        Files.write(Path.of("target/scripts.pdf"), finished);
        Verification result = new Verifier(TRUST).verify(finished);
        assertThat(result.findings()).isEmpty();
        assertThat(result.signatures())
                .extracting(Verification.SignatureCheck::by)
                .contains(NAMES.get(3));
        try (PDDocument document = Loader.loadPDF(finished)) {
            BufferedImage page = new PDFRenderer(document).renderImage(0, 2);
            for (int i = 0; i < NAMES.size(); i++) {
                String field = "lender_name" + i;
                assertThat(document.getDocumentCatalog()
                                .getAcroForm()
                                .getField(field)
                                .getValueAsString())
                        .isEqualTo(NAMES.get(i));
                assertThat(ink(page, 72, 700 - 40 * i)).as(NAMES.get(i)).isBetween(80, 4000);
            }
        }
    }

    /** Each letter comes from a font that is in the file, and the text that readers take from it is the name. */
    @Test
    void whatIsDrawnSaysWhatItIs() throws IOException {
        try (PDDocument document = Loader.loadPDF(signed())) {
            for (int i = 0; i < NAMES.size(); i++) {
                PDAppearanceStream drawn = document.getDocumentCatalog()
                        .getAcroForm()
                        .getField("lender_name" + i)
                        .getWidgets()
                        .get(0)
                        .getNormalAppearanceStream();
                for (COSName font : drawn.getResources().getFontNames())
                    assertThat(drawn.getResources().getFont(font).isEmbedded()).isTrue();
                PDPage page = new PDPage(new PDRectangle(170, 17));
                page.setResources(new PDResources());
                COSName name = page.getResources().add(drawn);
                PDStream show = new PDStream(document);
                try (OutputStream out = show.createOutputStream()) {
                    out.write(("/" + name.getName() + " Do").getBytes(StandardCharsets.US_ASCII));
                }
                page.setContents(show);
                document.addPage(page);
                PDFTextStripper stripper = new PDFTextStripper();
                stripper.setStartPage(document.getNumberOfPages());
                String text = stripper.getText(document).strip();
                // letters that are written before the one they follow are told for the whole word, which this reader
                // leaves out
                if (i != DEVANAGARI) assertThat(text).isEqualTo(NAMES.get(i));
                else assertThat(drawn.getCOSObject().toTextString()).contains("/ActualText <FEFF0915094D0937");
            }
        }
    }

    private static int ink(BufferedImage page, int x, int y) {
        int dark = 0;
        for (int px = 2 * x; px < 2 * (x + 170); px++)
            for (int py = 2 * (842 - y - 17); py < 2 * (842 - y) - 3; py++)
                if ((page.getRGB(px, py) & 0xff) < 128) dark++;
        return dark;
    }

    private static byte[] signed() throws IOException {
        Map<Integer, SigningField> boxes = new LinkedHashMap<>();
        PartyKey lender = new PartyKey("lender");
        boxes.put(1, new SigningField("lender_signature", lender, "signature", new SignaturePlace()));
        Map<String, String> values = new LinkedHashMap<>();
        byte[] converted;
        try (PDDocument document = new PDDocument()) {
            ArchivalForm.declare(document, "Names");
            PDPage page = new PDPage(PDRectangle.A4);
            document.addPage(page);
            SignedSample.link(page, 1, 72, 300, 170, 45);
            for (int i = 0; i < NAMES.size(); i++) {
                SignedSample.link(page, i + 2, 72, 700 - 40 * i, 170, 17);
                boxes.put(
                        i + 2,
                        new SigningField(
                                "lender_name" + i,
                                lender,
                                "name",
                                new TextPlace(true, "", new BoxSize(60, 6), TextCheck.ANY, "")));
                values.put("lender_name" + i, NAMES.get(i));
            }
            ByteArrayOutputStream out = new ByteArrayOutputStream();
            document.save(out);
            converted = out.toByteArray();
        }
        Sealer sealer = new Sealer(TRUST);
        Instant now = Instant.now();
        byte[] sealed = sealer.sealByOffice(
                FieldPlacer.place(converted, boxes, SignedSample.PARTIES).pdf(), now);
        String caption = String.join(", ", NAMES.subList(2, 6));
        ActInFile act = new ActInFile(
                values, Set.of(), Optional.of("lender_signature"), Optional.of(SignedSample.mark(0)), caption);
        byte[] put = sealer.put(sealed, act, TRUST.credentialFor(NAMES.get(3), "m@lender.example.org"), now);
        return sealer.longTerm(put);
    }
}
