package org.jalousie.server;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.time.Duration;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.concurrent.Callable;
import org.jalousie.core.wording.write.WordDraft;
import org.jalousie.demo.Client;
import org.jalousie.server.agreement.RemindersAndExpiry;
import org.jalousie.server.testbed.Office;
import org.jalousie.server.testbed.TestClock;
import org.jalousie.server.testbed.Testbed;
import org.jalousie.server.testbed.Together;
import org.jalousie.server.testbed.Wait;
import org.junit.jupiter.api.Test;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ObjectNode;

class SigningTest {
    private static final String LENDER = "ida.marsh@lender.example.org";
    private static final Testbed BED = Testbed.start();
    private final Office office = new Office(BED.address());
    private final Client participant = new Client(BED.address());

    private String sent(String name) {
        return office.send(office.generate(office.publish(name, Office.loanWording()), Office.loanValues("Ida Marsh")));
    }

    private static long events(JsonNode agreement, String words) {
        long count = 0;
        for (JsonNode entry : agreement.get("trail"))
            if (entry.get("sentence").asString().contains(words)) count++;
        return count;
    }

    @Test
    void aLinkIsWorthNothingWhenItIsWrongUsedOrEnded() {
        String number = sent("Links");
        String link = office.link(number, LENDER);
        String path = "/api/v1/signing/";
        assertThat(participant.get(path + "B".repeat(43)).status()).isEqualTo(410);
        assertThat(participant.get(path + "short").status()).isEqualTo(410);
        assertThat(participant.post(path + link + "/approval", Map.of()).text()).contains("not asked to approve");
        assertThat(office.sign(link, Map.of("lender_vat_number", "XX")).status())
                .isEqualTo(200);
        Client.Answer again = office.sign(link, Map.of("lender_vat_number", "XX"));
        assertThat(again.status()).isEqualTo(409);
        assertThat(again.text()).contains("already");
        office.sign(office.link(number, "tomas.vale@museum.example.org"), Map.of());
        office.await(number, "COMPLETED");
        assertThat(participant.get(path + link).status()).isEqualTo(410);
        assertThat(participant.get(path + link + "/documents/wording.pdf").status())
                .isEqualTo(410);
    }

    @Test
    void whatASignerHandsInIsChecked() {
        String link = office.link(sent("Checked details"), LENDER);
        assertThat(office.sign(link, Map.of()).text()).contains("Vat number is required");
        assertThat(office.sign(link, Map.of("lender_vat_number", "a\ue000"))
                        .json()
                        .get("faults")
                        .get("lender_vat_number")
                        .asString())
                .contains("can\u2019t be printed");
        assertThat(office.sign(link, Map.of("lender_vat_number", "x".repeat(201)))
                        .status())
                .isEqualTo(422);
        String signature = "/api/v1/signing/" + link + "/signature";
        assertThat(participant
                        .post(
                                signature,
                                Map.of("values", Map.of("lender_vat_number", "X"), "mark", "drawn", "picture", "AAAA"))
                        .text())
                .contains("can\u2019t be read");
        assertThat(participant
                        .post(
                                signature,
                                Map.of(
                                        "values",
                                        Map.of("lender_vat_number", "X"),
                                        "mark",
                                        "stamped",
                                        "picture",
                                        "AAAA"))
                        .status())
                .isEqualTo(422);
    }

    @Test
    void pressingTwiceAtTheSameMomentSignsOnce() throws Exception {
        String number = sent("Double press");
        String link = office.link(number, LENDER);
        participant.post("/api/v1/signing/" + link + "/consent", Map.of("version", "en-2"));
        Callable<Integer> press =
                () -> office.sign(link, Map.of("lender_vat_number", "XX")).status();
        List<Integer> statuses = Together.all(List.of(press, press));
        assertThat(statuses).containsExactlyInAnyOrder(200, 409);
        office.link(number, "tomas.vale@museum.example.org");
        assertThat(events(office.show(number), "signed (drawn)")).isEqualTo(1);
    }

    @Test
    void twoPartiesOfOneStageWhoPressAtTheSameMomentAreBothInTheFile() throws Exception {
        JsonNode template = office.bringIn(
                "Two at once",
                new WordDraft()
                        .paragraph("{{a.signature}}")
                        .paragraph("{{b.signature}}")
                        .bytes());
        ObjectNode content = (ObjectNode) template.get("content");
        content.get("parties").forEach(party -> ((ObjectNode) party).put("stage", 1));
        String id = office.publish(office.settle(template, content));
        String number = office.send(office.generate(
                id,
                Map.of(
                        "a_name",
                        "Ann Arrow",
                        "a_mail",
                        "ann@people.example.org",
                        "b_name",
                        "Ben Bow",
                        "b_mail",
                        "ben@people.example.org")));
        String first = office.link(number, "ann@people.example.org");
        String second = office.link(number, "ben@people.example.org");
        assertThat(Together.<Integer>all(List.of(
                        () -> office.sign(first, Map.of()).status(),
                        () -> office.sign(second, Map.of()).status())))
                .containsOnly(200);
        office.await(number, "COMPLETED");
        JsonNode checked = office.client
                .post("/api/v1/archive/" + number + "/verification", Map.of())
                .json()
                .get("documents")
                .get(0)
                .get("result");
        assertThat(checked.get("intact").asBoolean()).as(checked.toString()).isTrue();
        assertThat(checked.get("signatures").toString()).contains("Ann Arrow").contains("Ben Bow");
        assertThat(events(office.show(number), "was sealed into")).isEqualTo(2);
    }

    @Test
    void aDetailIsAskedForInTheWordsThatWereWrittenForIt() {
        JsonNode template = office.bringIn("Own words", Office.loanWording());
        ObjectNode content = (ObjectNode) template.get("content");
        for (JsonNode field : content.get("signingFields"))
            if (field.get("name").asString().equals("lender_vat_number"))
                ((ObjectNode) field).put("label", "For the tax office: VAT number");
        String own = office.send(
                office.generate(office.publish(office.settle(template, content)), Office.loanValues("Ida Marsh")));
        assertThat(asked(own)).containsExactly("For the tax office: VAT number");
        assertThat(asked(sent("No words of its own"))).containsExactly("Vat number");
    }

    @Test
    void aSigningFieldHasTheRoomTheCheckAndTheFirstWordsThatAreSettled() {
        JsonNode template = office.bringIn("Own settings", Office.loanWording());
        ObjectNode content = (ObjectNode) template.get("content");
        settle(content, 400, "PHONE");
        JsonNode usual = previewed(template);
        JsonNode odd = office.settle(template, content);
        assertThat(previewed(odd).get("width").asDouble())
                .isEqualTo(usual.get("width").asDouble());
        assertThat(odd.get("obstacles").toString()).contains("takes 400 \u00d7 9 mm");
        settle(content, 90, "PHONE");
        JsonNode settled = office.settle(odd, content);
        assertThat(settled.get("obstacles").toString()).doesNotContain("400");
        assertThat(previewed(settled).get("width").asDouble()).isCloseTo(90 / 25.4 * 72, within(0.1));
        String number = office.send(office.generate(office.publish(settled), Office.loanValues("Ida Marsh")));
        String link = office.link(number, LENDER);
        JsonNode page = participant.get("/api/v1/signing/" + link).json();
        assertThat(page.get("toComplete").get(0).get("type").get("preset").asString())
                .isEqualTo("+44 1632 960 018");
        JsonNode placed = vatNumber(page.get("documents").get(0).get("pages"));
        // 90 \u00d7 9 mm in PDF points of 1/72 inch (ISO 32000-1 \u00a78.3.2.3)
        assertThat(placed.get("width").asDouble()).isCloseTo(90 / 25.4 * 72, within(0.1));
        assertThat(placed.get("height").asDouble()).isCloseTo(9 / 25.4 * 72, within(0.1));
        Client.Answer refused = office.sign(link, Map.of("lender_vat_number", "ask my assistant"));
        assertThat(refused.status()).isEqualTo(422);
        assertThat(refused.json()
                        .get("faultMessages")
                        .get("lender_vat_number")
                        .get("code")
                        .asString())
                .isEqualTo("value.phone");
        assertThat(office.sign(link, Map.of("lender_vat_number", "+44 1632 960 018"))
                        .status())
                .isEqualTo(200);
    }

    private JsonNode previewed(JsonNode template) {
        String path = "/api/v1/templates/" + template.get("id").asString() + "/preview";
        return vatNumber(office.client.get(path).json().get("pages"));
    }

    private static JsonNode vatNumber(JsonNode pages) {
        for (JsonNode one : pages.get("fields"))
            if (one.get("field").get("name").asString().equals("lender_vat_number")) return one;
        throw new AssertionError("no place for the VAT number: " + pages);
    }

    private static void settle(ObjectNode content, int width, String check) {
        for (JsonNode field : content.get("signingFields")) {
            if (!field.get("name").asString().equals("lender_vat_number")) continue;
            ObjectNode type = (ObjectNode) field.get("type");
            type.put("check", check).put("preset", "+44 1632 960 018");
            ((ObjectNode) type.get("size")).put("widthMm", width).put("heightMm", 9);
        }
    }

    private List<String> asked(String number) {
        List<String> labels = new ArrayList<>();
        participant
                .get("/api/v1/signing/" + office.link(number, LENDER))
                .json()
                .get("toComplete")
                .forEach(one -> labels.add(one.get("label").asString()));
        return labels;
    }

    @Test
    void remindersAndExpiryComeWhenTheyAreDue() {
        String number = sent("In time");
        String link = office.link(number, LENDER);
        office.worksDayAndNight();
        TestClock clock = BED.bean(TestClock.class);
        try {
            clock.ahead(Duration.ofDays(5).plusHours(1));
            BED.bean(RemindersAndExpiry.class).tick();
            BED.bean(RemindersAndExpiry.class).tick();
            Wait.until("the reminder", () -> office.mailTo(number, LENDER, "Still waiting for you:"));
            assertThat(events(office.show(number), "was reminded")).isEqualTo(1);
            clock.ahead(Duration.ofDays(31));
            assertThat(participant
                            .get("/api/v1/signing/" + link)
                            .json()
                            .get("ended")
                            .asString())
                    .contains("run out");
            BED.bean(RemindersAndExpiry.class).tick();
            assertThat(office.state(number)).isEqualTo("EXPIRED");
        } finally {
            clock.ahead(Duration.ZERO);
        }
        assertThat(office.sign(link, Map.of("lender_vat_number", "XX")).text()).contains("run out");
    }

    @Test
    void correctedDataMakeTheDocumentAgainUntilItIsSent() {
        String template = office.publish("Corrected", Office.loanWording());
        String number = office.generate(template, Office.loanValues("Ida Mrsh"));
        String request = office.show(number).get("row").get("request").asString();
        assertThat(office.client
                        .put(
                                "/api/v1/requests/" + request,
                                Map.of("values", Office.loanValues("Ida Marsh"), "people", Map.of()))
                        .status())
                .isEqualTo(200);
        office.await(number, "CHECK");
        assertThat(office.show(number).get("data").toString())
                .contains("Ida Marsh")
                .doesNotContain("Mrsh");
        office.send(number);
        Client.Answer late = office.client.put(
                "/api/v1/requests/" + request, Map.of("values", Office.loanValues("Ida"), "people", Map.of()));
        assertThat(late.status()).isEqualTo(409);
        assertThat(office.client
                        .get("/api/v1/requests/" + request)
                        .json()
                        .get("values")
                        .get("lender_name")
                        .asString())
                .isEqualTo("Ida Marsh");
    }

    @Test
    void aFormWithFaultsTellsThemAllAtOnceAndKeepsNothing() {
        String template = office.publish("Form faults", Office.loanWording());
        Map<String, String> values = Office.loanValues("");
        values.put("start_date", "soon");
        values.put("nonsense", "x");
        Client.Answer answer = office.client.post(
                "/api/v1/requests", Map.of("template", template, "values", values, "people", Map.of()));
        assertThat(answer.status()).isEqualTo(422);
        assertThat(answer.json().get("faults").propertyNames())
                .containsExactlyInAnyOrder("lender_name", "start_date", "nonsense");
    }
}
