package org.jalousie.e2e;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.tuple;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Map;
import java.util.Set;
import org.jalousie.core.data.Field;
import org.jalousie.core.data.FieldName;
import org.jalousie.core.data.FieldType;
import org.jalousie.core.pdf.PageWords;
import org.jalousie.core.pdf.PdfIntake;
import org.jalousie.core.placement.Pages;
import org.jalousie.core.placement.RuledLines;
import org.jalousie.core.recognition.DataBack;
import org.jalousie.core.recognition.FileText;
import org.jalousie.core.recognition.Fingerprint;
import org.jalousie.core.recognition.Reading;
import org.jalousie.core.recognition.Recogniser;
import org.jalousie.core.recognition.TemplateText;
import org.jalousie.core.recognition.Understood;
import org.jalousie.core.template.Proposal;
import org.jalousie.core.template.TemplateContent;
import org.jalousie.core.template.TemplateDocument;
import org.jalousie.core.template.Wordings;
import org.jalousie.core.wording.WordFile;
import org.jalousie.core.wording.Wording;
import org.jalousie.core.wording.write.WordDraft;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

/**
 * One agreement set by several programs, in other type and measure, justified, hyphenated, with ligatures, with headers and numbers of
 * pages that the program adds: each is recognised, says nothing else than the template, and gives its data back.
 */
class RecognisedProducersTest {
    private static final Path FOLDER = Path.of("target/recognised");
    private static final List<String> TERMS = List.of(
            "The borrower acknowledges that the instruments are irreplaceable and keeps them in a room whose temperature and"
                    + " humidity are recorded continuously, and whose windows are sufficiently shaded.",
            "Nobody restrings, retunes or refinishes an instrument without written confirmation from the conservation"
                    + " department, which answers within three working days.",
            "Transportation is organised by a specialised carrier; the insurance certificate is delivered before the first"
                    + " crate leaves the building, and covers every circumstance whatsoever.",
            "Photographs may be published for educational purposes, provided that the official acknowledgement is printed"
                    + " beneath each of them in a size that can be read comfortably.");

    private static final Wording WORDING = compile();
    private static final TemplateContent CONTENT = content();

    private static Wording compile() {
        WordDraft draft = new WordDraft()
                .paragraph("Confirmation of a loan")
                .paragraph("{{borrower}} borrows the instruments listed below from {{starts}} until {{ends.long}}.");
        TERMS.forEach(draft::paragraph);
        draft.table(
                        List.of(
                                List.of("Instrument", "Maker", "Value"),
                                List.of("{{#objects}}{{title}}", "{{maker}}", "{{worth}}{{/objects}}")),
                        false)
                .paragraph("{{#abroad}}They cross a border, and the borrower obtains the certificates.{{/abroad}}")
                .paragraph("The fee of {{fee}} is due before collection.")
                .paragraph("For the borrower: {{borrower_side.signature}}");
        return Wording.compile(WordFile.open(draft.bytes()), Set.of());
    }

    private static Field field(String name, FieldType type) {
        return new Field(new FieldName(name), type, name, false, "", List.of());
    }

    private static TemplateContent content() {
        TemplateContent first = Proposal.first(WORDING.found());
        return first.with(
                List.of(
                        field("borrower", FieldType.TEXT),
                        field("starts", FieldType.DATE),
                        field("ends", FieldType.DATE),
                        Field.list(
                                new FieldName("objects"),
                                List.of(
                                        field("title", FieldType.TEXT),
                                        field("maker", FieldType.TEXT),
                                        field("worth", FieldType.MONEY))),
                        field("abroad", FieldType.YES_NO),
                        field("fee", FieldType.MONEY)),
                first.parties(),
                first.signingFields());
    }

    private static final List<List<String>> ROWS = List.of(
            List.of("Instrument", "Maker", "Value"),
            List.of("Tenor viol", "Henry Marsh", "EUR 5,000.00"),
            List.of("Flute in five parts", "the brothers Reed of Northam", "EUR 12,500.00"),
            List.of("Bandora", "unknown", "EUR 900.00"));

    private static String html(String style) {
        StringBuilder html = new StringBuilder("<html lang=en><meta charset=utf-8><title>Loan</title><style>")
                .append(style)
                .append(
                        "</style><h1>Confirmation of a loan</h1><p>Kestrel House of Strings borrows the instruments listed"
                                + " below from 3 March 2027 until 30 September 2027.</p><ol>");
        TERMS.forEach(term -> html.append("<li>").append(term).append("</li>"));
        html.append("</ol><table border=1>");
        ROWS.forEach(row -> {
            html.append("<tr>");
            row.forEach(cell -> html.append("<td>").append(cell).append("</td>"));
            html.append("</tr>");
        });
        return html.append("</table><p>They cross a border, and the borrower obtains the certificates.</p>"
                        + "<p>The fee of EUR 1,250.00 is due before collection.</p>"
                        + "<p>For the borrower: ____________________</p>")
                .toString();
    }

    private static byte[] word() {
        WordDraft draft = new WordDraft()
                .header("Confirmation of a loan")
                .paragraph("Confirmation of a loan")
                .paragraph("Kestrel House of Strings borrows the instruments listed below from 3 March 2027 until"
                        + " 30 September 2027.");
        TERMS.forEach(draft::clause);
        return draft.table(ROWS, true)
                .paragraph("They cross a border, and the borrower obtains the certificates.")
                .paragraph("The fee of EUR 1,250.00 is due before collection.")
                .paragraph("For the borrower: ____________________")
                .bytes();
    }

    private static String tex() {
        StringBuilder tex = new StringBuilder(
                "\\hsize=95mm \\vsize=120mm \\parindent=12pt {\\bf Confirmation of a loan}\\par Kestrel House of Strings borrows the"
                        + " instruments listed below from 3 March 2027 until 30 September 2027.\\par\n");
        TERMS.forEach(term -> tex.append(term).append("\\par\n"));
        tex.append("\\medskip\\halign{#\\hfil\\hskip40pt&#\\hfil\\hskip40pt&#\\hfil\\cr\n");
        ROWS.forEach(row -> tex.append(String.join("&", row)).append("\\cr\n"));
        return tex.append("}\\medskip They cross a border, and the borrower obtains the certificates.\\par\n"
                        + "The fee of EUR 1,250.00 is due before collection.\\par For the borrower: \\hrulefill\\bye")
                .toString();
    }

    @BeforeAll
    static void produce() throws IOException {
        Files.createDirectories(FOLDER);
        chromium(
                "chromium-narrow",
                "@page{size:A5;margin:18mm}body{font:10pt serif;text-align:justify;hyphens:auto}",
                false);
        chromium("chromium-wide", "@page{size:A5}body{font:14pt sans-serif}", true);
        Files.write(FOLDER.resolve("office.docx"), word());
        tool(
                "soffice",
                "-env:UserInstallation=" + FOLDER.resolve("profile").toUri(),
                "--headless",
                "--convert-to",
                "pdf",
                "--outdir",
                FOLDER.toString(),
                FOLDER.resolve("office.docx").toString());
        Files.writeString(FOLDER.resolve("tex.tex"), tex());
        tool(
                "pdftex",
                "-interaction=batchmode",
                "-output-directory=" + FOLDER,
                FOLDER.resolve("tex.tex").toString());
        tool(
                "pdftocairo",
                "-pdf",
                FOLDER.resolve("chromium-narrow.pdf").toString(),
                FOLDER.resolve("cairo.pdf").toString());
    }

    private static void chromium(String name, String style, boolean headers) throws IOException {
        Path page = FOLDER.resolve(name + ".html");
        Files.writeString(page, html(style));
        tool(
                "chromium",
                "--headless",
                "--no-sandbox",
                "--disable-gpu",
                headers ? "--hide-scrollbars" : "--no-pdf-header-footer",
                "--print-to-pdf=" + FOLDER.resolve(name + ".pdf"),
                page.toUri().toString());
    }

    private static void tool(String... command) {
        Tool.Said said = Tool.run(command);
        assertThat(said.code())
                .as(String.join(" ", command) + "\n" + said.words())
                .isZero();
    }

    @ParameterizedTest
    @ValueSource(strings = {"chromium-narrow", "chromium-wide", "office", "tex", "cairo"})
    void isRecognisedAndReadBack(String producer) throws IOException {
        PdfIntake.TakenIn taken = PdfIntake.take(Files.readAllBytes(FOLDER.resolve(producer + ".pdf")), "Loan", true);
        List<Pages.Size> sizes = taken.sizes().stream()
                .map(one -> new Pages.Size(one.width(), one.height()))
                .toList();
        FileText file = FileText.of(PageWords.of(taken.pdf()), sizes, RuledLines.of(taken.pdf()));
        TemplateText text = TemplateText.of(WORDING, CONTENT);
        List<Recogniser.Candidate<String>> near =
                Recogniser.nearest(file, List.of(new Recogniser.Known<>("loan", Fingerprint.of(text))), 5);
        Understood read = Understood.asWording(
                file,
                text,
                TemplateDocument.OWN_WORDING,
                Wordings.only(WORDING),
                CONTENT,
                Map.of(),
                RuledLines.of(taken.pdf()));
        assertThat(Recogniser.verdict(near.get(0), read.reading())).isEqualTo(Recogniser.Verdict.SURE);
        assertThat(read.reading().lines().stream().filter(Reading.Line::changed))
                .isEmpty();
        assertThat(read.data())
                .extracting(one -> one.field().value(), DataBack.Datum::raw, DataBack.Datum::sure)
                .containsExactly(
                        tuple("borrower", "Kestrel House of Strings", true),
                        tuple("starts", "2027-03-03", true),
                        tuple("ends", "2027-09-30", true),
                        tuple(
                                "objects",
                                "[{\"title\":\"Tenor viol\",\"maker\":\"Henry Marsh\",\"worth\":\"EUR 5000.00\"},"
                                        + "{\"title\":\"Flute in five parts\",\"maker\":\"the brothers Reed of Northam\",\"worth\":\"EUR 12500.00\"},"
                                        + "{\"title\":\"Bandora\",\"maker\":\"unknown\",\"worth\":\"EUR 900.00\"}]",
                                true),
                        tuple("abroad", "yes", true),
                        tuple("fee", "EUR 1250.00", true));
        assertThat(read.without()).isEmpty();
    }
}
