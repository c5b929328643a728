package org.jalousie.server;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Duration;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.UUID;
import java.util.concurrent.Callable;
import java.util.stream.Stream;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.text.PDFTextStripper;
import org.jalousie.core.data.Sha256;
import org.jalousie.core.evidence.SignedSample;
import org.jalousie.core.wording.write.WordDraft;
import org.jalousie.demo.Client;
import org.jalousie.server.agreement.RemindersAndExpiry;
import org.jalousie.server.files.FileStore;
import org.jalousie.server.testbed.Office;
import org.jalousie.server.testbed.TestClock;
import org.jalousie.server.testbed.Testbed;
import org.jalousie.server.testbed.Together;
import org.jalousie.server.testbed.Wait;
import org.junit.jupiter.api.Test;
import tools.jackson.databind.JsonNode;

/** The life of an agreement when things happen at the same moment, too late, or after its end. */
class LifeTest {
    private static final String LENDER = "ida.marsh@lender.example.org";
    private static final Testbed BED = Testbed.start();
    private final Office office = new Office(BED.address());
    private final Client participant = new Client(BED.address());

    private String text(String number) throws IOException {
        try (PDDocument document = Loader.loadPDF(office.client
                .get("/api/v1/agreements/" + number + "/documents/wording.pdf")
                .body())) {
            return new PDFTextStripper().getText(document);
        }
    }

    @Test
    void tenPressesMakeOneAgreementOfARequest() throws Exception {
        String request =
                office.request(office.publish("Ten presses", Office.loanWording()), Office.loanValues("Ida Marsh"));
        List<Callable<String>> presses = new ArrayList<>();
        for (int i = 0; i < 10; i++) {
            Office own = new Office(BED.address());
            presses.add(() -> own.client
                    .post("/api/v1/requests/" + request + "/agreement", Map.of())
                    .json()
                    .get("agreement")
                    .asString());
        }
        assertThat(new HashSet<>(Together.all(presses))).hasSize(1);
    }

    @Test
    void aFormSentTwiceWithItsKeyIsOneRequest() throws Exception {
        String template = office.publish("Sent twice", Office.loanWording());
        Map<String, Object> form = Map.of(
                "template",
                template,
                "values",
                Office.loanValues("Ida Marsh"),
                "people",
                Map.of(),
                "key",
                UUID.randomUUID().toString());
        List<Callable<Client.Answer>> sendings = new ArrayList<>();
        for (int i = 0; i < 4; i++) {
            Office own = new Office(BED.address());
            sendings.add(() -> own.client.post("/api/v1/requests", form));
        }
        Set<String> numbers = new HashSet<>();
        for (Client.Answer answer : Together.all(sendings)) {
            if (answer.status() == 201)
                numbers.add(answer.json().get("row").get("number").asString());
            else assertThat(answer.status()).isEqualTo(409);
        }
        numbers.add(office.client
                .post("/api/v1/requests", form)
                .json()
                .get("row")
                .get("number")
                .asString());
        assertThat(numbers).hasSize(1);
    }

    @Test
    void aFormSentAgainWithChangedAnswersHasTheLastOnes() {
        String template = office.publish("Sent again", Office.loanWording());
        String key = UUID.randomUUID().toString();
        String first = sent(template, key, "Ida Mrsh");
        assertThat(sent(template, key, "Ida Marsh")).isEqualTo(first);
        JsonNode request = office.client.get("/api/v1/requests/" + first).json();
        assertThat(request.get("values").toString()).contains("Ida Marsh").doesNotContain("Mrsh");
        String number = office.agreementOf(first);
        assertThat(sent(template, key, "Ida Marsch")).isEqualTo(first);
        assertThat(office.await(number, "CHECK").get("row").get("title").asString())
                .isEqualTo("Sent again: Ida Marsch");
    }

    private String sent(String template, String key, String lender) {
        return office.request(
                Map.of("template", template, "values", Office.loanValues(lender), "people", Map.of(), "key", key));
    }

    @Test
    void whatIsCorrectedWhileTheDocumentIsMadeStandsInIt() throws Exception {
        String template = office.publish("Overtaken", Office.loanWording());
        for (int round = 0; round < 4; round++) {
            String request = office.request(template, Office.loanValues("Ida Mrsh"));
            String number = office.agreementOf(request);
            Thread.sleep(120L * round); // at another moment of the conversion each time
            Client.Answer corrected = office.client.put(
                    "/api/v1/requests/" + request,
                    Map.of("values", Office.loanValues("Ida Marsh " + round), "people", Map.of()));
            assertThat(corrected.status()).as(corrected.text()).isEqualTo(200);
            JsonNode made = office.await(number, "CHECK");
            assertThat(text(number)).contains("Ida Marsh " + round).doesNotContain("Mrsh");
            assertThat(made.get("row").get("title").asString()).isEqualTo("Overtaken: Ida Marsh " + round);
        }
    }

    @Test
    void aPersonWhoWasNamedByHandStaysWhenSomethingElseIsCorrectedAndIsFound() {
        String request =
                office.request(office.publish("Renamed", Office.loanWording()), Office.loanValues("Ida Marsh"));
        String number = office.agreementOf(request);
        office.await(number, "CHECK");
        office.client.put(
                "/api/v1/agreements/" + number + "/people/lender",
                Map.of("name", "Ottokar Zwiebelfisch", "mail", "ottokar@lender.example.org"));
        JsonNode renamed = office.await(number, "CHECK");
        assertThat(renamed.get("row").get("title").asString()).isEqualTo("Renamed: Ottokar Zwiebelfisch");
        Map<String, String> values = Office.loanValues("Ida Marsh");
        values.put("objects_description", "a theorbo");
        office.client.put("/api/v1/requests/" + request, Map.of("values", values, "people", Map.of()));
        office.await(number, "CHECK");
        office.send(number);
        String link = office.link(number, "ottokar@lender.example.org");
        assertThat(office.mailTo(number, "ottokar@lender.example.org", "").orElseThrow())
                .contains("Dear Ottokar Zwiebelfisch", "Renamed: Ottokar Zwiebelfisch");
        office.sign(link, Map.of("lender_vat_number", "QX77123Z"));
        for (String find : List.of("zwiebelfisch", "QX77123Z", "theorbo"))
            assertThat(office.client
                            .get("/api/v1/agreements?find=" + find)
                            .json()
                            .get("items")
                            .toString())
                    .as(find)
                    .contains(number);
    }

    @Test
    void twoPeopleNamedAtTheSameMomentAreBothNamed() throws Exception {
        String template = office.publish("Both named", Office.loanWording());
        for (int round = 0; round < 5; round++) {
            Map<String, String> values = Office.loanValues("Ida Marsh");
            values.put("objects_description", "a cithrinchen, " + round);
            String number = office.agreementOf(office.request(template, values));
            Office other = new Office(BED.address());
            Thread.sleep(200L * round); // at another moment of the conversion each time
            String path = "/api/v1/agreements/" + number + "/people/";
            Map<String, String> lender = Map.of("name", "Ann Arrow", "mail", "ann@lender.example.org");
            Map<String, String> museum = Map.of("name", "Ben Bow", "mail", "ben@museum.example.org");
            List<Integer> statuses = Together.all(List.of(
                    () -> office.client.put(path + "lender", lender).status(),
                    () -> other.client.put(path + "museum", museum).status()));
            assertThat(statuses).containsOnly(200);
            JsonNode named = office.await(number, "CHECK");
            assertThat(named.get("people").toString()).contains("Ann Arrow", "Ben Bow");
            assertThat(named.get("row").get("title").asString()).isEqualTo("Both named: Ann Arrow");
            assertThat(office.client
                            .get("/api/v1/agreements?find=cithrinchen")
                            .json()
                            .toString())
                    .as("found by the words of its document")
                    .contains(number);
        }
    }

    @Test
    void nothingIsSentThatWasChangedSinceItWasLookedAt() {
        String request =
                office.request(office.publish("Looked at", Office.loanWording()), Office.loanValues("Ida Marsh"));
        String number = office.agreementOf(request);
        int seen = office.await(number, "CHECK").get("trail").size();
        Map<String, String> values = Office.loanValues("Ida Marsh");
        values.put("insured_value", "EUR 99000");
        office.client.put("/api/v1/requests/" + request, Map.of("values", values, "people", Map.of()));
        office.await(number, "CHECK");
        Client.Answer sent = office.client.post("/api/v1/agreements/" + number + "/sending", Map.of("events", seen));
        assertThat(sent.status()).isEqualTo(409);
        assertThat(sent.text()).contains("changed since you looked");
        office.send(number);
    }

    @Test
    void theAnswersOfAnAgreementThatEndedAreUsedAgain() {
        String request =
                office.request(office.publish("Once more", Office.loanWording()), Office.loanValues("Ida Marsh"));
        String first = office.agreementOf(request);
        office.await(first, "CHECK");
        office.client.post("/api/v1/agreements/" + first + "/withdrawal", Map.of("reason", "the wrong viola"));
        Map<String, String> values = Office.loanValues("Ida Marsh");
        values.put("objects_description", "the right viola");
        assertThat(office.client
                        .put("/api/v1/requests/" + request, Map.of("values", values, "people", Map.of()))
                        .status())
                .isEqualTo(200);
        String second = office.agreementOf(request);
        assertThat(second).isNotEqualTo(first);
        assertThat(office.agreementOf(request)).isEqualTo(second);
        assertThat(office.await(second, "CHECK").get("data").toString()).contains("the right viola");
        assertThat(office.state(first)).isEqualTo("WITHDRAWN");
    }

    @Test
    void aSealThatComesAfterTheWithdrawalInvitesNobodyAndNoCertificateIsAskedFor() throws Exception {
        String number = office.send(
                office.generate(office.publish("Late seal", Office.loanWording()), Office.loanValues("Ida Marsh")));
        String link = office.link(number, LENDER);
        List<Callable<Integer>> both = List.of(
                () -> office.sign(link, Map.of("lender_vat_number", "XX")).status(), () -> {
                    Thread.sleep(60);
                    return new Office(BED.address())
                            .client
                            .post("/api/v1/agreements/" + number + "/withdrawal", Map.of("reason", "a mistake"))
                            .status();
                });
        List<Integer> statuses = Together.all(both);
        if (statuses.get(1) == 200) {
            office.mailTo(number, LENDER, "Withdrawn");
            Thread.sleep(1500);
            String trail = office.show(number).get("trail").toString();
            int end = trail.indexOf("was withdrawn");
            assertThat(trail.substring(end)).doesNotContain("invited").doesNotContain("sealed");
        }
    }

    @Test
    void anInvitationThatWaitsWhenTheAgreementEndsNeverGoesOut() {
        String number =
                office.generate(office.publish("Waiting mail", Office.loanWording()), Office.loanValues("Ida Marsh"));
        BED.mailDown();
        try {
            office.send(number);
            Wait.until(
                    "the invitation",
                    () -> office.show(number).get("trail").toString().contains("was invited"));
            office.mailWaits();
            office.client.post("/api/v1/agreements/" + number + "/withdrawal", Map.of("reason", "a mistake"));
        } finally {
            BED.mailUp();
        }
        Wait.until("the mail about the end", () -> office.mailTo(number, LENDER, "Withdrawn"));
        Wait.until("the invitation to be let go", () -> mails(number).contains("NOT_NEEDED"));
        assertThat(office.mailTo(number, LENDER, "Your part")).isEmpty();
    }

    private String mails(String number) {
        return office.mailsAbout(number).stream()
                .map(mail -> mail.get("state").asString())
                .toList()
                .toString();
    }

    @Test
    void detailsAreNotAskedForWhenSomebodyMayHaveSigned() {
        JsonNode template = office.bringIn(
                "Late details",
                new WordDraft()
                        .paragraph("{{lender.signature}}")
                        .paragraph("{{clerk.note}}")
                        .bytes());
        String id = template.get("id").asString();
        var content = (tools.jackson.databind.node.ObjectNode) template.get("content");
        ((tools.jackson.databind.node.ArrayNode) content.get("parties"))
                .addObject()
                .put("key", "clerk")
                .put("label", "Clerk")
                .put("duty", "COMPLETES")
                .put("stage", 2)
                .set("who", Office.fixed("Cleo Clerk", "cleo@museum.example.org"));
        JsonNode settled = office.settle(template, content);
        assertThat(settled.get("obstacles").toString()).contains("before anybody signs");
        assertThat(office.client
                        .post(
                                "/api/v1/templates/" + id + "/publication",
                                Map.of("revision", settled.get("revision").asInt()))
                        .status())
                .isEqualTo(409);
    }

    @Test
    void aNameThatCannotBePrintedIsToldBeforeSending() {
        for (String name : List.of("Ida \ue000", "Ida \ud83c\udfbb")) {
            Map<String, String> values = Office.loanValues(name);
            String number = office.generate(office.publish("Names " + name.hashCode(), Office.loanWording()), values);
            assertThat(office.show(number).get("obstacles").toString()).contains("no font of this machine");
            assertThat(office.client
                            .post("/api/v1/agreements/" + number + "/sending", Map.of())
                            .status())
                    .isEqualTo(409);
        }
        String decomposed = office.generate(
                office.publish("Composed", Office.loanWording()), Office.loanValues("Zoe\u0308 Le\u0301ger"));
        assertThat(office.show(decomposed).get("obstacles").size()).isZero();
    }

    @Test
    void aPictureIsKeptOnlyForASignatureThatWasTaken() throws Exception {
        Map<String, Object> body = Map.of(
                "values",
                Map.of(),
                "mark",
                "drawn",
                "picture",
                java.util.Base64.getEncoder().encodeToString(SignedSample.mark(13)));
        assertThat(participant
                        .post("/api/v1/signing/" + "B".repeat(43) + "/signature", body)
                        .status())
                .isEqualTo(410);
        String number = office.send(
                office.generate(office.publish("Picture kept", Office.loanWording()), Office.loanValues("Ida Marsh")));
        String link = office.link(number, LENDER);
        assertThat(participant
                        .post("/api/v1/signing/" + link + "/signature", body)
                        .status())
                .isEqualTo(409); // no consent, and a required detail is blank
        assertThat(stored(Sha256.of(SignedSample.mark(13)).hex())).isFalse();
    }

    private static boolean stored(String name) throws IOException {
        try (Stream<Path> all = Files.walk(BED.folder.resolve("files"))) {
            return all.anyMatch(file -> file.getFileName().toString().equals(name));
        }
    }

    @Test
    void anAddressInAHeaderIsNotBelieved() throws Exception {
        String number = office.send(
                office.generate(office.publish("Headers", Office.loanWording()), Office.loanValues("Ida Marsh")));
        String link = office.link(number, LENDER);
        HttpClient.newHttpClient()
                .send(
                        HttpRequest.newBuilder(URI.create(
                                        BED.address() + "/api/v1/signing/" + link + "/documents/wording.pdf"))
                                .header("X-Forwarded-For", "203.0.113.77")
                                .header("Forwarded", "for=203.0.113.77")
                                .build(),
                        HttpResponse.BodyHandlers.discarding());
        String trail = office.show(number).get("trail").toString();
        assertThat(trail).contains("127.0.0.1").doesNotContain("203.0.113.77");
    }

    @Test
    void aStoredFileThatIsEmptyOrChangedIsWrittenAnew() throws Exception {
        FileStore files = BED.bean(FileStore.class);
        byte[] bytes = "a file for the store".getBytes(java.nio.charset.StandardCharsets.UTF_8);
        Sha256 name = files.keep(bytes);
        Path file =
                BED.folder.resolve("files").resolve(name.hex().substring(0, 2)).resolve(name.hex());
        for (byte[] spoiled :
                List.of(new byte[0], "something else".getBytes(java.nio.charset.StandardCharsets.UTF_8))) {
            Files.write(file, spoiled);
            org.assertj.core.api.Assertions.assertThatThrownBy(() -> files.get(name))
                    .isInstanceOf(FileStore.Damaged.class);
            assertThat(files.keep(bytes)).isEqualTo(name);
            assertThat(files.get(name)).isEqualTo(bytes);
        }
    }

    @Test
    void publishingAndChangingAtTheSameMomentLeaveWhatWasPublished() throws Exception {
        for (int round = 0; round < 3; round++) {
            JsonNode template = office.bringIn("Publish and edit " + round, Office.loanWording());
            String id = template.get("id").asString();
            int revision = template.get("revision").asInt();
            var content = (tools.jackson.databind.node.ObjectNode) template.get("content");
            ((tools.jackson.databind.node.ObjectNode) content.get("sending")).put("subject", "changed");
            Office other = new Office(BED.address());
            List<Integer> statuses = Together.all(List.of(
                    () -> office.client
                            .post("/api/v1/templates/" + id + "/publication", Map.of("revision", revision))
                            .status(),
                    () -> other.client
                            .put(
                                    "/api/v1/templates/" + id + "/content",
                                    Map.of("revision", revision, "content", content))
                            .status()));
            assertThat(statuses).containsExactlyInAnyOrder(200, 409);
            boolean published = statuses.get(0) == 200;
            String subject = office.client
                    .get("/api/v1/templates/" + id)
                    .json()
                    .get("content")
                    .get("sending")
                    .get("subject")
                    .asString();
            assertThat(subject.equals("changed")).isEqualTo(!published);
        }
    }

    @Test
    void theDateOfSigningIsPrintedInTheLanguageOfTheTemplate() throws Exception {
        JsonNode template = office.bringIn("Nederlands", Office.loanWording());
        var content = (tools.jackson.databind.node.ObjectNode) template.get("content");
        content.put("language", "nl");
        String id = office.publish(office.settle(template, content));
        String number = office.completed(id, "Ida Marsh");
        try (PDDocument document = Loader.loadPDF(office.client
                .get("/api/v1/agreements/" + number + "/documents/wording.pdf")
                .body())) {
            String date = document.getDocumentCatalog()
                    .getAcroForm()
                    .getField("lender_date_signed")
                    .getValueAsString();
            assertThat(date)
                    .isEqualTo(java.time.LocalDate.now(java.time.ZoneId.of("Europe/Paris"))
                            .format(java.time.format.DateTimeFormatter.ofPattern(
                                    "d MMMM yyyy", java.util.Locale.forLanguageTag("nl"))));
        }
    }

    @Test
    void nobodyIsInvitedWhenTheTimeHasRunOutBeforeTheSealIsMade() {
        String number = office.send(
                office.generate(office.publish("Too late", Office.loanWording()), Office.loanValues("Ida Marsh")));
        String link = office.link(number, LENDER);
        TestClock clock = BED.bean(TestClock.class);
        try {
            clock.ahead(Duration.ofDays(31));
            assertThat(office.sign(link, Map.of("lender_vat_number", "XX")).status())
                    .isEqualTo(409);
            BED.bean(RemindersAndExpiry.class).tick();
        } finally {
            clock.ahead(Duration.ZERO);
        }
        assertThat(office.state(number)).isEqualTo("EXPIRED");
        assertThat(office.show(number).get("trail").toString()).doesNotContain("Tomas Vale (Museum) was invited");
    }
}
