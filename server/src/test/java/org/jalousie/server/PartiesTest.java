package org.jalousie.server;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.interactive.form.PDField;
import org.apache.pdfbox.text.PDFTextStripper;
import org.jalousie.core.wording.write.WordDraft;
import org.jalousie.demo.Client;
import org.jalousie.server.testbed.Office;
import org.jalousie.server.testbed.Testbed;
import org.jalousie.server.testbed.Wait;
import org.junit.jupiter.api.Test;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ObjectNode;

/** Who takes part in an agreement, and who acts in whose place. */
class PartiesTest {
    private static final String IDA = "ida.marsh@lender.example.org";
    private static final String NORA = "nora@museum.example.org";
    private static final Testbed BED = Testbed.start();
    private final Office office = new Office(BED.address());
    private final Client anybody = new Client(BED.address());

    /** A template of a lender and a museum, with whatever is changed about it. */
    private String template(String name, WordDraft wording, java.util.function.Consumer<ObjectNode> change) {
        JsonNode template = office.bringIn(name, wording.bytes());
        ObjectNode content = (ObjectNode) template.get("content");
        change.accept(content);
        // what was proposed for people who don't come from the form
        content.withArray("fields").removeIf(PartiesTest::ofTheHouse);
        JsonNode settled = office.settle(template, content);
        assertThat(settled.get("obstacles")).isEmpty();
        return office.publish(settled);
    }

    private static boolean ofTheHouse(JsonNode field) {
        return field.get("name").asString().matches("(museum|witness)_(name|mail)");
    }

    private static ObjectNode party(ObjectNode content, String key) {
        for (JsonNode one : content.get("parties"))
            if (one.get("key").asString().equals(key)) return (ObjectNode) one;
        throw new AssertionError("no party " + key);
    }

    private static WordDraft wording() {
        return new WordDraft()
                .paragraph("{{lender_name}} lends a viola, of interest: {{valuable}}.")
                .paragraph("Found: {{lender.finding}}")
                .paragraph("{{lender.signature}}")
                .paragraph("{{museum.signature}}")
                .paragraph("Witness: {{witness.signature}}");
    }

    private static Map<String, String> values(String valuable) {
        return Map.of("lender_name", "Ida Marsh", "lender_mail", IDA, "valuable", valuable);
    }

    private static void museumAndWitness(ObjectNode content) {
        party(content, "museum").set("who", Office.fixed("Nora Hill", NORA));
        party(content, "witness").set("who", Office.fixed("Wim Post", "wim@museum.example.org"));
        for (JsonNode field : content.get("fields"))
            if (field.get("name").asString().equals("valuable")) ((ObjectNode) field).put("type", "YES_NO");
    }

    private byte[] pdf(String number) {
        return office.client
                .get("/api/v1/agreements/" + number + "/documents/wording.pdf")
                .body();
    }

    private static List<String> fields(byte[] pdf) throws IOException {
        try (PDDocument document = Loader.loadPDF(pdf)) {
            return document.getDocumentCatalog().getAcroForm().getFields().stream()
                    .map(PDField::getPartialName)
                    .toList();
        }
    }

    private String record(String number) throws IOException {
        try (PDDocument document = Loader.loadPDF(office.client
                .get("/api/v1/agreements/" + number + "/record.pdf")
                .body())) {
            return new PDFTextStripper().getText(document).replaceAll("\\s+", " ");
        }
    }

    @Test
    void aPartThatComesWithARuleIsThereOnlyWhenItHolds() throws IOException {
        String template = template("By rule", wording(), content -> {
            museumAndWitness(content);
            party(content, "witness").put("neededWhen", "valuable");
        });
        String without = office.generate(template, values("no"));
        JsonNode check = office.show(without);
        assertThat(check.get("people").findValuesAsString("absence"))
                .contains("Witness takes no part, since this doesn’t hold: Valuable");
        assertThat(fields(pdf(without))).doesNotContain("witness_signature").contains("museum_signature");
        office.send(without);
        assertThat(office.sign(office.link(without, IDA), Map.of("lender_finding", "sound"))
                        .status())
                .isEqualTo(200);
        assertThat(office.sign(office.link(without, NORA), Map.of()).status()).isEqualTo(200);
        JsonNode completed = office.await(without, "COMPLETED");
        assertThat(completed.get("row").get("route")).hasSize(2);
        assertThat(record(without)).contains("Witness takes no part");
        assertThat(office.findings(without)).isEmpty();
        String with = office.generate(template, values("yes"));
        assertThat(fields(pdf(with))).contains("witness_signature");
        assertThat(office.show(with).get("row").get("route")).hasSize(3);
    }

    @Test
    void anOptionalPartIsLeftOutUntilSomebodyIsNamedForIt() throws IOException {
        String template = template("Optional", wording(), content -> {
            museumAndWitness(content);
            party(content, "witness").put("optional", true).set("who", Office.source("chosen_at_use"));
        });
        String number = office.generate(template, values("no"));
        assertThat(office.show(number).get("obstacles")).isEmpty();
        assertThat(fields(pdf(number))).doesNotContain("witness_signature");
        Client.Answer named = office.client.put(
                "/api/v1/agreements/" + number + "/people/witness",
                Map.of("name", "Wim Post", "mail", "wim@museum.example.org"));
        assertThat(named.status()).as(named.text()).isEqualTo(200);
        office.await(number, "CHECK");
        assertThat(fields(pdf(number))).contains("witness_signature");
        assertThat(office.show(number).get("row").get("route")).hasSize(3);
    }

    @Test
    void aPartWhosePassageIsLeftOutDropsOut() {
        WordDraft wording = new WordDraft()
                .paragraph("{{lender_name}} lends a viola.")
                .paragraph("{{lender.signature}}")
                .paragraph("{{#valuable}}")
                .paragraph("Witness: {{witness.signature}}")
                .paragraph("{{/valuable}}");
        String template = template(
                "Left out",
                wording,
                content -> party(content, "witness").set("who", Office.fixed("Wim Post", "wim@museum.example.org")));
        String number = office.generate(template, values("no"));
        JsonNode check = office.show(number);
        assertThat(check.get("obstacles")).isEmpty();
        assertThat(check.get("people").findValuesAsString("absence"))
                .contains("Witness takes no part: the documents have no place for it.");
        office.send(number);
        assertThat(office.sign(office.link(number, IDA), Map.of()).status()).isEqualTo(200);
        office.await(number, "COMPLETED");
        assertThat(office.mailsAbout(number))
                .noneMatch(mail -> mail.get("recipient").asString().equals("wim@museum.example.org"));
    }

    @Test
    void onePersonWithTwoPartsIsAskedOnceAndActsOnce() {
        String template = template("Twice one person", wording(), content -> {
            museumAndWitness(content);
            // she completes nothing beside a signature: the director and the witness are both of the house
            party(content, "museum").put("stage", 2);
            party(content, "witness").put("stage", 3).set("who", Office.fixed("nora  hill", "Nora@museum.example.org"));
        });
        String number = office.send(office.generate(template, values("no")));
        assertThat(office.sign(office.link(number, IDA), Map.of("lender_finding", "sound"))
                        .status())
                .isEqualTo(200);
        String link = office.link(number, NORA);
        JsonNode page = anybody.get("/api/v1/signing/" + link).json();
        assertThat(page.get("parts")).hasSize(2);
        assertThat(page.get("label").asString()).isEqualTo("Museum, Witness");
        assertThat(Wait.until("the mail", () -> office.mailTo(number, NORA, "")))
                .contains("as Museum, Witness");
        assertThat(office.sign(link, Map.of()).status()).isEqualTo(200);
        office.await(number, "COMPLETED");
        List<String> asked = new ArrayList<>();
        for (JsonNode mail : office.mailsAbout(number))
            if (mail.get("kind").asString().equals("INVITATION"))
                asked.add(mail.get("recipient").asString());
        assertThat(asked).containsExactlyInAnyOrder(IDA, NORA);
        assertThat(office.findings(number)).isEmpty();
    }

    @Test
    void onePersonForBothSidesIsPointedOutAndNotJoined() {
        String template = template("Both sides", wording(), content -> {
            museumAndWitness(content);
            party(content, "museum").set("who", Office.fixed("Ida Marsh", IDA));
            party(content, "witness").put("neededWhen", "valuable");
        });
        String number = office.generate(template, values("no"));
        assertThat(office.show(number).get("warnings").toString())
                .contains("Ida Marsh would sign for both sides: as Lender and as Museum");
        office.send(number);
        assertThat(office.sign(office.link(number, IDA), Map.of("lender_finding", "sound"))
                        .status())
                .isEqualTo(200);
        Wait.until(
                "the second part",
                () -> java.util.Optional.of(office.show(number))
                        .filter(one -> one.get("row")
                                .get("route")
                                .get(1)
                                .get("standing")
                                .asString()
                                .equals("TURN")));
    }

    @Test
    void peopleAreOneOfAListOrWhoeverSends() {
        ObjectNode list = Office.source("one_of");
        list.putArray("people")
                .add(Office.person("Nora Hill", NORA))
                .add(Office.person("Owen Tarr", "owen@museum.example.org"));
        String template = template("From a list", wording(), content -> {
            museumAndWitness(content);
            party(content, "museum").set("who", list);
            party(content, "witness").set("who", Office.source("who_sends"));
        });
        JsonNode form =
                office.client.get("/api/v1/templates/" + template + "/form").json();
        assertThat(form.get("chosen").get(0).get("people")).hasSize(2);
        Map<String, Object> stranger = Map.of(
                "template",
                template,
                "values",
                values("no"),
                "people",
                Map.of("museum", Map.of("name", "Somebody", "mail", "else@museum.example.org")));
        assertThat(office.client
                        .post("/api/v1/requests", stranger)
                        .json()
                        .get("faults")
                        .get("museum.name")
                        .asString())
                .contains("Choose one of them");
        String usual = office.generate(template, values("no"));
        assertThat(mails(usual)).contains(NORA, Testbed.MAIL);
        String chosen = office.agreementOf(office.request(Map.of(
                "template",
                template,
                "values",
                values("no"),
                "people",
                Map.of("museum", Map.of("name", "Owen Tarr", "mail", "owen@museum.example.org")))));
        office.await(chosen, "CHECK");
        assertThat(mails(chosen)).contains("owen@museum.example.org");
    }

    private List<String> mails(String number) {
        return office.show(number).get("people").findValuesAsString("mail");
    }
}
