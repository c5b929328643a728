package org.jalousie.server;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.ByteArrayInputStream;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.concurrent.Callable;
import java.util.zip.ZipEntry;
import java.util.zip.ZipInputStream;
import java.util.zip.ZipOutputStream;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.text.PDFTextStripper;
import org.jalousie.core.data.Sha256;
import org.jalousie.core.evidence.SignedSample;
import org.jalousie.core.pdf.ArchivalCheck;
import org.jalousie.core.pdf.PdfSample;
import org.jalousie.core.wording.write.WordDraft;
import org.jalousie.demo.Client;
import org.jalousie.server.testbed.Office;
import org.jalousie.server.testbed.Testbed;
import org.jalousie.server.testbed.Together;
import org.junit.jupiter.api.Test;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.ObjectNode;

/** Several documents in one agreement: wordings, fixed pages with data and places, files that come with the agreement. */
class DocumentsTest {
    private static final String LENDER = "ida.marsh@lender.example.org";
    private static final String OFFICER = "otto.quay@museum.example.org";

    private final Testbed bed = Testbed.start();
    private final Office office = new Office(bed.address());

    private JsonNode template(String name) {
        JsonNode template = office.bringIn(
                name,
                new WordDraft()
                        .paragraph("{{lender_name}} lends a viola.{{#abroad}} It crosses a border.{{/abroad}}")
                        .paragraph("{{lender.signature}}")
                        .paragraph("{{officer.signature}}")
                        .bytes());
        ObjectNode content = (ObjectNode) template.get("content");
        for (JsonNode party : content.get("parties")) {
            boolean lender = party.get("key").asString().equals("lender");
            ((ObjectNode) party)
                    .put("stage", lender ? 1 : 2)
                    .set("who", lender ? Office.fixed("Ida Marsh", LENDER) : Office.fixed("Otto Quay", OFFICER));
        }
        return office.settle(template, content);
    }

    private Client.Answer bring(JsonNode template, String title, byte[] file, String further) {
        return office.client.upload(
                "/api/v1/templates/" + template.get("id").asString() + "/documents?revision="
                        + template.get("revision").asInt() + "&title=" + Client.encoded(title) + further,
                "file.pdf",
                file);
    }

    private JsonNode brought(JsonNode template, String title, byte[] file) {
        Client.Answer answer = bring(template, title, file, "");
        assertThat(answer.status()).as(answer.text()).isEqualTo(201);
        return answer.json().get("template");
    }

    private static ObjectNode document(JsonNode content, int position) {
        return (ObjectNode) content.get("documents").get(position);
    }

    private static void place(ObjectNode document, String field, Map<String, Object> spot) {
        ((ArrayNode) document.get("places")).addObject().put("field", field).putPOJO("spot", spot);
    }

    private static void print(ObjectNode document, String tag, String marks, Map<String, Object> spot) {
        ObjectNode place = ((ArrayNode) document.get("data")).addObject();
        place.put("tag", tag).put("marks", marks).put("points", 11).putPOJO("spot", spot);
        place.put("style", "SERIF").put("align", "LEFT").put("fit", "SHRINK");
        place.putObject("size").put("widthMm", 60).put("heightMm", 6);
    }

    private static Map<String, Object> on(int page, double left, double top) {
        return Map.of("kind", "ON_PAGE", "page", page, "left", left, "top", top);
    }

    private static Map<String, Object> by(String words, double right, double down) {
        return Map.of("kind", "BY_WORDS", "words", words, "right", right, "down", down);
    }

    private String text(String number, String document) throws IOException {
        try (PDDocument pdf = Loader.loadPDF(file(number, document))) {
            return new PDFTextStripper().getText(pdf);
        }
    }

    private byte[] file(String number, String document) {
        Client.Answer answer = office.client.get("/api/v1/agreements/" + number + "/documents/" + document + ".pdf");
        assertThat(answer.status()).isEqualTo(200);
        return answer.body();
    }

    /** The wording, a form with data and both signatures, terms that come by rule, and a slot for the condition report. */
    private JsonNode whole(String name) throws IOException {
        JsonNode template = template(name);
        template = brought(template, "Courier form", PdfSample.form());
        template = brought(template, "Customs terms", PdfSample.letter("Customs terms", "No duty is paid."));
        ObjectNode content = (ObjectNode) template.get("content");
        ObjectNode form = document(content, 1);
        place(form, "lender_signature", by("Signed by the lender", 0, 4));
        place(form, "officer_signature", on(1, 110, 200));
        print(form, "lender_name", "", by("Name of the courier:", 45, -5));
        print(form, "abroad", "yes", on(1, 150, 40));
        document(content, 2).put("when", "abroad");
        ((ArrayNode) content.get("documents"))
                .addObject()
                .put("id", "condition")
                .put("title", "Condition report")
                .put("kind", "REQUESTED")
                .put("required", true);
        ((ObjectNode) content.get("bundle")).put("contents", true);
        return office.settle(template, content);
    }

    @Test
    void severalDocumentsAreSignedInOneActAndFiledTogether() throws Exception {
        JsonNode template = whole("Several");
        assertThat(template.get("obstacles")).isEmpty();
        String id = office.publish(template);
        String number = office.generate(id, new HashMap<>(Map.of("lender_name", "Ida Marsh", "abroad", "yes")));
        JsonNode shown = office.show(number);
        assertThat(titles(shown)).containsExactly("Contents", "Several", "Courier form", "Customs terms");
        assertThat(shown.get("awaited").get(0).get("title").asString()).isEqualTo("Condition report");
        assertThat(shown.get("obstacles").toString()).contains("Condition report");
        assertThat(text(number, "document_1")).contains("Ida Marsh");

        Client.Answer came = office.client.upload(
                "/api/v1/agreements/" + number + "/documents?forDocument=condition",
                "file.pdf",
                PdfSample.letter("Condition report", "A scratch beside the bridge."));
        assertThat(came.status()).as(came.text()).isEqualTo(201);
        shown = office.await(number, "CHECK");
        assertThat(titles(shown))
                .containsExactly("Contents", "Several", "Courier form", "Customs terms", "Condition report");
        assertThat(shown.get("obstacles")).isEmpty();
        assertThat(text(number, "contents")).contains("Condition report, 1 page");

        office.send(number);
        office.sign(office.link(number, LENDER), Map.of());
        office.sign(office.link(number, OFFICER), Map.of());
        office.await(number, "COMPLETED");
        assertThat(check(number).get("intact").asBoolean())
                .as(check(number).toString())
                .isTrue();
        for (String document : List.of("contents", "wording", "document_1", "document_2", "condition")) {
            byte[] pdf = file(number, document);
            assertThat(ArchivalCheck.faults(pdf)).as(document).isEmpty();
            try (PDDocument signed = Loader.loadPDF(pdf)) {
                // the office's seal, and a signature where a party has its place
                int parties = List.of("wording", "document_1").contains(document) ? 2 : 0;
                assertThat(signed.getSignatureDictionaries().stream()
                                .filter(one -> one.getSubFilter().contains("CAdES"))
                                .toList())
                        .as(document)
                        .hasSize(1 + parties);
            }
        }
        assertThat(entries(office.client
                        .get("/api/v1/agreements/" + number + "/documents.zip")
                        .body()))
                .hasSize(6)
                .anySatisfy(name -> assertThat(name).contains("Courier form"));
        for (String document : List.of("contents", "wording", "document_1", "document_2", "condition"))
            tampered(number, document);
    }

    /** A byte that is changed in one file is found in that file, and no other is blamed. */
    private void tampered(String number, String document) throws IOException {
        byte[] whole = file(number, document);
        String name = Sha256.of(whole).hex();
        Path stored = bed.folder.resolve("files").resolve(name.substring(0, 2)).resolve(name);
        byte[] changed = whole.clone();
        changed[whole.length / 3] ^= 1;
        try {
            Files.write(stored, changed);
            JsonNode checked = check(number);
            assertThat(checked.get("intact").asBoolean()).isFalse();
            for (JsonNode one : checked.get("documents"))
                assertThat(one.get("result").get("findings").isEmpty())
                        .as(one.get("id").asString() + " when " + document + " is changed")
                        .isEqualTo(!one.get("id").asString().equals(document));
        } finally {
            Files.write(stored, whole);
        }
    }

    private JsonNode check(String number) {
        return office.client
                .post("/api/v1/archive/" + number + "/verification", Map.of())
                .json();
    }

    private static List<String> titles(JsonNode agreement) {
        List<String> titles = new ArrayList<>();
        agreement.get("documents").forEach(one -> titles.add(one.get("title").asString()));
        return titles;
    }

    private static List<String> entries(byte[] zip) throws IOException {
        List<String> names = new ArrayList<>();
        try (ZipInputStream in = new ZipInputStream(new ByteArrayInputStream(zip))) {
            for (ZipEntry entry = in.getNextEntry(); entry != null; entry = in.getNextEntry())
                names.add(entry.getName());
        }
        return names;
    }

    @Test
    void aDocumentThatComesByRuleStaysAwayWithoutIt() throws Exception {
        String number = office.generate(
                office.publish(whole("By rule")), new HashMap<>(Map.of("lender_name", "Ida Marsh", "abroad", "no")));
        assertThat(titles(office.show(number))).doesNotContain("Customs terms");
    }

    @Test
    void aPlaceThatIsLeftOpenIsGivenInTheSingleAgreement() throws Exception {
        JsonNode template = brought(template("Open"), "Receipt", PdfSample.form());
        ObjectNode content = (ObjectNode) template.get("content");
        place(document(content, 1), "lender_signature", Map.of("kind", "OPEN"));
        template = office.settle(template, content);
        assertThat(template.get("obstacles")).isEmpty();
        assertThat(template.get("advice").toString()).contains("has no place on “Receipt” yet");
        String number =
                office.generate(office.publish(template), new HashMap<>(Map.of("lender_name", "Ida", "abroad", "no")));
        assertThat(office.show(number).get("obstacles").toString()).contains("has no place on “Receipt” yet");
        Client.Answer put = office.client.post(
                "/api/v1/agreements/" + number + "/documents/document_1/places",
                Map.of("field", "lender_signature", "page", 1, "x", 80, "y", 120, "width", 150, "height", 40));
        assertThat(put.status()).as(put.text()).isEqualTo(200);
        JsonNode shown = office.await(number, "CHECK");
        assertThat(shown.get("obstacles")).isEmpty();
        JsonNode placed =
                shown.get("documents").get(1).get("pages").get("fields").get(0);
        assertThat(placed.get("x").asDouble()).isBetween(79.5, 80.5);
        // what was put there can be taken off again, and a document that goes untouched takes nothing
        assertThat(office.client
                        .delete("/api/v1/agreements/" + number + "/documents/document_1/places/lender_signature")
                        .status())
                .isEqualTo(200);
        office.await(number, "CHECK");
    }

    @Test
    void nothingComesToAnAgreementThatIsOut() throws Exception {
        String number = office.send(office.generate(
                office.publish(template("Out")), new HashMap<>(Map.of("lender_name", "Ida", "abroad", "no"))));
        assertThat(office.client
                        .upload(
                                "/api/v1/agreements/" + number + "/documents?title=Late",
                                "file.pdf",
                                PdfSample.letter("Late", "Too late."))
                        .status())
                .isEqualTo(409);
        assertThat(office.client
                        .post(
                                "/api/v1/agreements/" + number + "/documents/wording/places",
                                Map.of("field", "lender_signature", "page", 1, "x", 1, "y", 1, "width", 9, "height", 9))
                        .status())
                .isEqualTo(409);
    }

    @Test
    void aTemplateMayBeAFixedFormAlone() throws Exception {
        Client.Answer made = office.client.upload("/api/v1/templates?name=Form+alone", "file.pdf", PdfSample.form());
        assertThat(made.status()).as(made.text()).isEqualTo(201);
        JsonNode template = made.json();
        assertThat(template.get("content").get("documents")).hasSize(1);
        String id = template.get("id").asString();
        JsonNode own = office.client
                .get("/api/v1/templates/" + id + "/documents/document_1/form")
                .json();
        assertThat(own.toString()).contains("Courier", "\"kind\":\"TICK\"", "\"kind\":\"SIGNATURE\"");
        ObjectNode content = (ObjectNode) template.get("content");
        ((ArrayNode) content.get("parties"))
                .addObject()
                .put("key", "courier")
                .put("label", "Courier")
                .put("duty", "SIGNS")
                .put("stage", 1)
                .set("who", Office.fixed("Cora Reed", LENDER));
        ((ArrayNode) content.get("signingFields"))
                .addObject()
                .put("name", "courier_signature")
                .put("party", "courier")
                .put("label", "signature")
                .putObject("type")
                .put("kind", "signature");
        place(document(content, 0), "courier_signature", by("Signed by the lender", 0, 4));
        print(document(content, 0), "route", "", on(1, 60, 60));
        template = office.settle(template, content);
        assertThat(template.get("obstacles")).isEmpty();
        assertThat(template.get("content").get("fields").get(0).get("name").asString())
                .isEqualTo("route");
        String number = office.generate(office.publish(template), new HashMap<>(Map.of("route", "By rail")));
        assertThat(titles(office.show(number))).containsExactly("Form alone");
        assertThat(text(number, "document_1")).contains("By rail");
    }

    @Test
    void aNewerEditionSaysWhatMovesAndWhatLosesItsPlace() throws Exception {
        JsonNode template = whole("Editions");
        String path = "/api/v1/templates/" + template.get("id").asString() + "/documents/document_1/edition/";
        Client.Answer compared = office.client.upload(path + "comparison", "file.pdf", PdfSample.newerForm());
        assertThat(compared.status()).as(compared.text()).isEqualTo(200);
        JsonNode change = compared.json();
        assertThat(change.get("moved").toString()).contains("signature").contains("page 2");
        assertThat(change.get("lost").toString()).contains("Name of the courier:");
        assertThat(change.get("stays").asInt()).isEqualTo(2);
        Client.Answer accepted = office.client.post(
                path + "acceptance",
                Map.of(
                        "revision",
                        template.get("revision").asInt(),
                        "plain",
                        false,
                        "brought",
                        change.get("brought").asString()));
        assertThat(accepted.status()).as(accepted.text()).isEqualTo(200);
        JsonNode now = accepted.json().get("template");
        assertThat(now.get("obstacles").toString()).contains("Name of the courier:");
        assertThat(now.get("undo").asString()).contains("Courier form");
    }

    @Test
    void onlyAFixedDocumentHasEditions() throws Exception {
        JsonNode template = whole("No editions");
        String brought = Sha256.of(PdfSample.form()).hex();
        for (String document : List.of("wording", "condition")) {
            Client.Answer answer = office.client.post(
                    "/api/v1/templates/" + template.get("id").asString() + "/documents/" + document
                            + "/edition/acceptance",
                    Map.of("revision", template.get("revision").asInt(), "brought", brought, "plain", false));
            assertThat(answer.status()).as(document).isEqualTo(404);
        }
    }

    @Test
    void whatSomebodyBringsIsThereThoughItsRuleDoesntHold() throws Exception {
        JsonNode template = whole("Brought anyway");
        ObjectNode content = (ObjectNode) template.get("content");
        document(content, 3).put("when", "abroad");
        String number = office.generate(
                office.publish(office.settle(template, content)),
                new HashMap<>(Map.of("lender_name", "Ida", "abroad", "no")));
        assertThat(office.client
                        .upload(
                                "/api/v1/agreements/" + number + "/documents?forDocument=condition",
                                "file.pdf",
                                PdfSample.letter("Condition report", "A scratch."))
                        .status())
                .isEqualTo(201);
        assertThat(titles(office.await(number, "CHECK"))).contains("Condition report");
    }

    @Test
    void aProgramCantPutAFileThereThatNobodyBroughtIn() throws Exception {
        JsonNode template = template("Foreign");
        ObjectNode content = (ObjectNode) template.get("content");
        ((ArrayNode) content.get("documents"))
                .addObject()
                .put("id", "document_9")
                .put("title", "Foreign")
                .put("kind", "FIXED")
                .put("required", false)
                .put("file", "0".repeat(64));
        Map<String, Object> body = Map.of("revision", template.get("revision").asInt(), "content", content);
        assertThat(office.client
                        .put("/api/v1/templates/" + template.get("id").asString() + "/content", body)
                        .status())
                .isEqualTo(404);
    }

    @Test
    void whatCantBeTakenSaysWhyAndASignedFileGoesAlongUntouched() throws Exception {
        JsonNode template = template("Refused");
        Client.Answer signed = bring(template, "Signed", PdfSample.signed(), "");
        assertThat(signed.status()).isEqualTo(409);
        assertThat(signed.json().get("message").get("code").asString()).isEqualTo("pdf.signed");
        Client.Answer attached = bring(template, "Signed", PdfSample.signed(), "&as=UNTOUCHED");
        assertThat(attached.status()).as(attached.text()).isEqualTo(201);
        JsonNode with = attached.json().get("template");
        String number =
                office.generate(office.publish(with), new HashMap<>(Map.of("lender_name", "Ida", "abroad", "no")));
        assertThat(file(number, "document_1")).isEqualTo(PdfSample.signed());
        assertThat(bring(template("Other"), "x", new byte[] {1, 2, 3, 4, 5, 6}, "")
                        .status())
                .isEqualTo(422);
    }

    @Test
    void filesOfOfficeProgramsAndPicturesBecomePages() throws Exception {
        JsonNode template = template("Kinds of files");
        template =
                brought(template, "Letter", "{\\rtf1 The letter of the lender.}".getBytes(StandardCharsets.US_ASCII));
        template = brought(template, "Table", openDocument("spreadsheet", """
                <office:spreadsheet><table:table table:name="One"><table:table-row><table:table-cell
                 office:value-type="string"><text:p>Values of the loan</text:p></table:table-cell></table:table-row>
                </table:table></office:spreadsheet>"""));
        template = brought(template, "Slides", openDocument("presentation", """
                <office:presentation><draw:page draw:name="p1"><draw:frame svg:x="2cm" svg:y="2cm" svg:width="10cm"
                 svg:height="3cm"><draw:text-box><text:p>The route of the loan</text:p></draw:text-box></draw:frame>
                </draw:page></office:presentation>"""));
        template = brought(template, "Photo", SignedSample.mark(2));
        String number =
                office.generate(office.publish(template), new HashMap<>(Map.of("lender_name", "Ida", "abroad", "no")));
        assertThat(titles(office.show(number))).containsExactly("Kinds of files", "Letter", "Table", "Slides", "Photo");
        assertThat(text(number, "document_1")).contains("The letter of the lender");
        assertThat(text(number, "document_2")).contains("Values of the loan");
        assertThat(text(number, "document_3")).contains("The route of the loan");
        for (int i = 1; i <= 4; i++)
            assertThat(ArchivalCheck.faults(file(number, "document_" + i))).isEmpty();
    }

    private static byte[] openDocument(String kind, String body) throws IOException {
        String type = "application/vnd.oasis.opendocument." + kind;
        String names = " xmlns:office=\"urn:oasis:names:tc:opendocument:xmlns:office:1.0\""
                + " xmlns:table=\"urn:oasis:names:tc:opendocument:xmlns:table:1.0\""
                + " xmlns:text=\"urn:oasis:names:tc:opendocument:xmlns:text:1.0\""
                + " xmlns:draw=\"urn:oasis:names:tc:opendocument:xmlns:drawing:1.0\""
                + " xmlns:svg=\"urn:oasis:names:tc:opendocument:xmlns:svg-compatible:1.0\"";
        Map<String, String> parts = new LinkedHashMap<>();
        parts.put("mimetype", type);
        parts.put(
                "META-INF/manifest.xml",
                "<manifest:manifest xmlns:manifest=\"urn:oasis:names:tc:opendocument:xmlns:manifest:1.0\">"
                        + "<manifest:file-entry manifest:full-path=\"/\" manifest:media-type=\"" + type + "\"/>"
                        + "<manifest:file-entry manifest:full-path=\"content.xml\" manifest:media-type=\"text/xml\"/>"
                        + "</manifest:manifest>");
        parts.put(
                "content.xml",
                "<office:document-content" + names + " office:version=\"1.2\"><office:body>" + body
                        + "</office:body></office:document-content>");
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        try (ZipOutputStream zip = new ZipOutputStream(out)) {
            for (Map.Entry<String, String> part : parts.entrySet()) {
                zip.putNextEntry(new ZipEntry(part.getKey()));
                zip.write(part.getValue().getBytes(StandardCharsets.UTF_8));
            }
        }
        return out.toByteArray();
    }

    @Test
    void aPartySeesOnlyItsOwnDocumentsWhereTheTemplateSaysSo() throws Exception {
        JsonNode template = brought(template("Own only"), "For the office", PdfSample.form());
        template = brought(template, "For nobody", PdfSample.letter("Notes", "Of the office."));
        ObjectNode content = (ObjectNode) template.get("content");
        place(document(content, 1), "officer_signature", on(1, 110, 200));
        ((ObjectNode) content.get("bundle")).put("onlyOwn", true);
        String number = office.send(office.generate(
                office.publish(office.settle(template, content)),
                new HashMap<>(Map.of("lender_name", "Ida", "abroad", "no"))));
        String link = "/api/v1/signing/" + office.link(number, LENDER);
        Client lender = new Client(bed.address());
        assertThat(titles(lender.get(link).json())).containsExactly("Own only");
        assertThat(lender.get(link + "/documents/document_1.pdf").status()).isEqualTo(404);
        assertThat(lender.get(link + "/documents/wording.pdf").status()).isEqualTo(200);
    }

    @Test
    void twoWhoBringADocumentAtOneMomentHaveBroughtTwo() throws Exception {
        String number = office.generate(
                office.publish(template("At once")), new HashMap<>(Map.of("lender_name", "Ida", "abroad", "no")));
        Client other = new Client(bed.address()).signIn(Testbed.MAIL, Testbed.PASSWORD);
        List<Integer> answers =
                Together.all(List.of(bringing(office.client, number, "One"), bringing(other, number, "Other")));
        assertThat(answers).containsExactly(201, 201);
        office.await(number, "CHECK");
        assertThat(titles(office.show(number))).contains("One", "Other");
    }

    private static Callable<Integer> bringing(Client who, String number, String title) {
        return () -> who.upload(
                        "/api/v1/agreements/" + number + "/documents?title=" + title,
                        "file.pdf",
                        PdfSample.letter(title, "brought"))
                .status();
    }

    @Test
    void aFileThatIsNoneGoesAlongAsNothing() throws Exception {
        JsonNode template = template("No file");
        byte[] cut = "%PDF-1.7 and nothing".getBytes(StandardCharsets.US_ASCII);
        assertThat(bring(template, "Cut", cut, "&attached=true").status()).isEqualTo(422);
        assertThat(bring(template, "Cut", cut, "").status()).isEqualTo(422);
        assertThat(bring(template, "  ", PdfSample.form(), "").status()).isEqualTo(422);
    }
}
