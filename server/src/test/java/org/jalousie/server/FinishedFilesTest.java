package org.jalousie.server;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.concurrent.Callable;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.text.PDFTextStripper;
import org.jalousie.core.pdf.PdfSample;
import org.jalousie.core.wording.write.WordDraft;
import org.jalousie.demo.Client;
import org.jalousie.server.testbed.Office;
import org.jalousie.server.testbed.Testbed;
import org.jalousie.server.testbed.Together;
import org.jalousie.server.testbed.Wait;
import org.junit.jupiter.api.Test;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ObjectNode;

/** Files that were made elsewhere: recognised, read, and made into agreements. */
@SuppressWarnings("unchecked")
class FinishedFilesTest {
    private static final String LENDER = "ida.marsh@lender.example.org";
    private static final List<String> TERMS = List.of(
            "The borrower keeps the instrument in a locked room whose humidity stays between forty and sixty hundredths.",
            "Nobody plays it, restrings it or opens it without the lender's leave, which is given in writing.",
            "Whatever happens to it on the way is borne by the borrower, who insures it from nail to nail.");

    private final Testbed bed = Testbed.start();
    private final Office office = new Office(bed.address());

    private static List<String> loan(String topic) {
        List<String> all = new ArrayList<>();
        all.add("Loan of one " + topic);
        all.add("{{lender_name}} ({{lender_mail}}) lends the " + topic
                + " from {{loan_from}} until {{loan_until.long}}.");
        all.addAll(TERMS);
        all.add("It is worth {{insured_value}} on the day on which the " + topic + " is handed over.");
        return all;
    }

    private String template(String name, String topic) {
        WordDraft draft = new WordDraft();
        loan(topic).forEach(draft::paragraph);
        draft.paragraph("For the lender: {{lender.signature}}").paragraph("For the house: {{officer.signature}}");
        JsonNode template = office.bringIn(name, draft.bytes());
        ObjectNode content = (ObjectNode) template.get("content");
        for (JsonNode party : content.get("parties")) {
            boolean lender = party.get("key").asString().equals("lender");
            ObjectNode from =
                    Office.source("from_fields").put("nameField", "lender_name").put("mailField", "lender_mail");
            ((ObjectNode) party)
                    .put("stage", lender ? 1 : 2)
                    .set("who", lender ? from : Office.fixed("Otto Quay", "otto.quay@museum.example.org"));
        }
        return office.publish(office.settle(template, content));
    }

    /** A loan as somebody has typed it, with room for the signatures. */
    private static byte[] typed(String topic, boolean tags) {
        WordDraft draft = new WordDraft();
        loan(topic)
                .forEach(one -> draft.paragraph(one.replace("{{lender_name}}", "Kestrel House")
                        .replace("{{lender_mail}}", LENDER)
                        .replace("{{loan_from}}", "3 March 2027")
                        .replace("{{loan_until.long}}", "30 September 2027")
                        .replace("{{insured_value}}", "\u20ac12,500.00")));
        if (tags)
            draft.paragraph("For the lender: {{lender.signature}}").paragraph("For the house: {{officer.signature}}");
        else {
            draft.paragraph("For the lender: ____________________");
            for (int i = 0; i < 5; i++) draft.paragraph("");
        }
        return draft.bytes();
    }

    private JsonNode bring(String name, byte[] file) {
        Client.Answer answer = office.client.upload("/api/v1/finished-files", name, file);
        assertThat(answer.status()).as(answer.text()).isEqualTo(201);
        String id = answer.json().get("id").asString();
        return Wait.until(
                "the file to be read",
                () -> Optional.of(show(id))
                        .filter(one -> !one.get("row").get("state").asString().equals("READING")));
    }

    private JsonNode show(String id) {
        return office.client.get("/api/v1/finished-files/" + id).json();
    }

    private static String id(JsonNode file) {
        return file.get("row").get("id").asString();
    }

    private Client.Answer make(JsonNode file, Map<String, ?> further) {
        return office.client.post("/api/v1/finished-files/" + id(file) + "/agreement", further);
    }

    private Client.Answer makeAsRead(JsonNode file) {
        return office.client.post(
                "/api/v1/finished-files/" + id(file) + "/agreement-as-read",
                Map.of("revision", file.get("row").get("revision").asInt()));
    }

    private Map<String, Object> said(JsonNode file, List<String> keep, boolean seen) {
        Map<String, String> values = new java.util.HashMap<>();
        file.get("values")
                .properties()
                .forEach(one -> values.put(one.getKey(), one.getValue().asString()));
        return new java.util.HashMap<>(Map.of(
                "values",
                values,
                "people",
                Map.of(),
                "language",
                "",
                "keep",
                keep,
                "seen",
                seen,
                "otherwise",
                false,
                "revision",
                file.get("row").get("revision").asInt()));
    }

    private String text(String number) throws IOException {
        byte[] pdf = office.client
                .get("/api/v1/agreements/" + number + "/documents/wording.pdf")
                .body();
        try (PDDocument document = Loader.loadPDF(pdf)) {
            return new PDFTextStripper().getText(document);
        }
    }

    @Test
    void aFinishedWordFileBecomesAnAgreementOfItsTemplate() throws Exception {
        template("Loan of a viol", "tenor viol");
        template("Loan of a harpsichord", "harpsichord");
        JsonNode file = bring("viol for Kestrel.docx", typed("tenor viol", true));
        JsonNode row = file.get("row");
        assertThat(row.get("template").asString()).isEqualTo("Loan of a viol");
        assertThat(row.get("likeness").asInt()).isEqualTo(100);
        assertThat(row.get("differences").asInt()).isZero();
        assertThat(row.get("ready").asBoolean()).as(file.toString()).isTrue();
        assertThat(file.get("values"))
                .hasToString(
                        "{\"lender_name\":\"Kestrel House\",\"lender_mail\":\"" + LENDER
                                + "\",\"loan_from\":\"2027-03-03\",\"loan_until\":\"2027-09-30\",\"insured_value\":\"EUR 12500.00\"}");
        String number = makeAsRead(file).json().get("agreement").asString();
        assertThat(makeAsRead(file).json().get("agreement").asString())
                .as("asked twice")
                .isEqualTo(number);
        JsonNode agreement = office.await(number, "CHECK");
        assertThat(agreement.get("row").get("title").asString()).contains("Kestrel House");
        assertThat(agreement.get("obstacles"))
                .as(agreement.get("obstacles").toString())
                .isEmpty();
        assertThat(text(number)).contains("Kestrel House", "September 2027").doesNotContain("{{");
        assertThat(show(id(file)).get("row").get("state").asString()).isEqualTo("MADE");
        office.send(number);
        assertThat(office.sign(office.link(number, LENDER), Map.of()).status()).isEqualTo(200);
        assertThat(office.sign(office.link(number, "otto.quay@museum.example.org"), Map.of())
                        .status())
                .isEqualTo(200);
        office.await(number, "COMPLETED");
    }

    @Test
    void aFileThatSaysSomethingElseIsHardToSend() {
        template("Loan of a lute", "lute");
        WordDraft draft = new WordDraft();
        loan("lute")
                .forEach(one -> draft.paragraph(one.replace("{{lender_name}}", "Kestrel House")
                        .replace("{{lender_mail}}", LENDER)
                        .replace("{{loan_from}}", "3 March 2027")
                        .replace("{{loan_until.long}}", "30 September 2027")
                        .replace("{{insured_value}}", "\u20ac12,500.00")
                        .replace("Nobody plays it", "Anybody plays it")));
        draft.paragraph("For the lender: {{lender.signature}}").paragraph("For the house: {{officer.signature}}");
        JsonNode file = bring("lute.docx", draft.bytes());
        assertThat(file.get("row").get("differences").asInt()).isEqualTo(1);
        assertThat(file.get("row").get("ready").asBoolean()).isFalse();
        assertThat(file.get("lines").toString()).contains("Anybody", "WENT");
        assertThat(makeAsRead(file).status()).isEqualTo(409);
        Client.Answer unseen = make(file, said(file, List.of(), false));
        assertThat(unseen.status()).isEqualTo(409);
        assertThat(unseen.text()).contains("One place says something else");
        assertThat(make(file, said(file, List.of(), true)).status()).isEqualTo(200);
    }

    @Test
    void partiesWithoutAPlaceAreDroppedOrKeptToBeGivenOne() {
        template("Loan of a theorbo", "theorbo");
        byte[] word = typed("theorbo", false);
        JsonNode file = bring("theorbo.docx", word);
        assertThat(file.get("row").get("without")).hasToString("[\"Officer\"]");
        JsonNode dropped = office.await(
                make(file, said(file, List.of(), true)).json().get("agreement").asString(), "CHECK");
        assertThat(dropped.get("people").toString()).contains("no place");
        JsonNode again = bring("theorbo again.docx", word);
        JsonNode kept = office.await(
                make(again, said(again, List.of("officer"), true))
                        .json()
                        .get("agreement")
                        .asString(),
                "CHECK");
        assertThat(kept.get("obstacles").toString()).contains("has no place");
    }

    @Test
    void whatBelongsToNoTemplateIsSetUpByHandAndMayBecomeATemplate() throws Exception {
        template("Loan of a gamba", "gamba");
        JsonNode file = bring("notes.pdf", PdfSample.letter("Notes", "These are quite other words than any loan has."));
        assertThat(file.get("row").get("template").asString()).isEmpty();
        assertThat(makeAsRead(file).status()).isEqualTo(409);
        Client.Answer hand = office.client.post("/api/v1/finished-files/" + id(file) + "/by-hand", Map.of());
        String template = hand.json().get("template").asString();
        assertThat(office.client.get("/api/v1/templates").text()).doesNotContain(template);
        JsonNode shown = office.client.get("/api/v1/templates/" + template).json();
        assertThat(shown.get("singleUse").asBoolean()).isTrue();
        assertThat(shown.get("content").get("documents").get(0).get("kind").asString())
                .isEqualTo("FIXED");
        assertThat(office.client
                        .post("/api/v1/templates/" + template + "/keeping", Map.of())
                        .status())
                .isEqualTo(200);
        assertThat(office.client.get("/api/v1/templates").text()).contains(template);
    }

    @Test
    void whatCantBeTakenInIsSaidAndStaysOnTheListUntilItIsTakenOff() {
        JsonNode file = bring("locked.pdf", "%PDF-1.7 nothing of the kind".getBytes(StandardCharsets.US_ASCII));
        assertThat(file.get("row").get("state").asString()).isEqualTo("REFUSED");
        assertThat(file.get("row").get("reason").asString()).isNotBlank();
        String path = "/api/v1/finished-files/" + id(file);
        assertThat(office.client.post(path + "/by-hand", Map.of()).status()).isEqualTo(409);
        assertThat(office.client.delete(path).status()).isEqualTo(204);
        assertThat(office.client.get(path).status()).isEqualTo(404);
    }

    @Test
    void twoWhoMakeTheAgreementAtOneMomentHaveMadeOne() throws Exception {
        template("Loan of a rebec", "rebec");
        JsonNode file = bring("rebec.docx", typed("rebec", true));
        List<Client.Answer> answers =
                Together.all(List.<Callable<Client.Answer>>of(() -> makeAsRead(file), () -> makeAsRead(file)));
        assertThat(answers).allMatch(one -> one.status() == 200);
        assertThat(answers.stream()
                        .map(one -> one.json().get("agreement").asString())
                        .distinct())
                .hasSize(1);
    }

    @Test
    void whatWasSeenIsWhatIsMade() {
        template("Loan of a cittern", "cittern");
        template("Loan of a mandora", "mandora");
        JsonNode file = bring("cittern.docx", typed("cittern", true));
        Map<String, Object> other = said(file, List.of(), true);
        ((Map<String, String>) other.get("values")).put("lender_name", "Somebody else");
        Client.Answer otherwise = make(file, other);
        assertThat(otherwise.status()).isEqualTo(409);
        assertThat(otherwise.text()).contains("finished.otherwise", "Lender name");

        // a colleague takes it for another template meanwhile
        JsonNode likely = file.get("candidates").get(0);
        Map<String, Object> as = Map.of(
                "version",
                likely.get("version").asString(),
                "document",
                likely.get("document").asString(),
                "revision",
                file.get("row").get("revision").asInt());
        String path = "/api/v1/finished-files/" + id(file);
        assertThat(office.client.put(path + "/template", as).status()).isEqualTo(200);
        assertThat(office.client.put(path + "/template", as).status())
                .as("it is another one now")
                .isEqualTo(409);
        assertThat(make(file, said(file, List.of(), true)).status()).isEqualTo(409);
        assertThat(makeAsRead(file).status()).as("nor from the list").isEqualTo(409);
        JsonNode now = show(id(file));
        Map<String, Object> both = said(now, List.of(), true);
        ((Map<String, String>) both.get("values")).put("lender_name", "Somebody else");
        both.put("otherwise", true);
        assertThat(make(now, both).status()).isEqualTo(200);
    }
}
