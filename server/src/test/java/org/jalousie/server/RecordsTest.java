package org.jalousie.server;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import org.jalousie.demo.Client;
import org.jalousie.server.testbed.Loans;
import org.jalousie.server.testbed.Office;
import org.jalousie.server.testbed.TestPaths;
import org.jalousie.server.testbed.Testbed;
import org.jalousie.server.testbed.Wait;
import org.jalousie.standins.records.RecordStandin;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import tools.jackson.databind.JsonNode;

class RecordsTest {
    private static final Testbed BED = Testbed.start();

    private final Office office = new Office(BED.address());
    private final int port = TestPaths.freePort();
    private Path folder;
    private RecordStandin records;
    private Loans loans;
    private Optional<String> made = Optional.empty();

    @BeforeEach
    void begin() throws Exception {
        folder = Files.createTempDirectory(BED.folder, "records");
        up();
    }

    private void up() {
        records = new RecordStandin(port, folder, Loans.SECRET);
        loans = new Loans(records.address());
    }

    @AfterEach
    void end() {
        made.ifPresent(id -> office.client.delete("/api/v1/record-systems/" + id));
        records.close();
    }

    private JsonNode make(Map<String, Object> terms) {
        Client.Answer answer = office.client.post(
                "/api/v1/record-systems", Map.of("terms", terms, "credential", "Bearer " + Loans.SECRET));
        assertThat(answer.status()).as(answer.text()).isEqualTo(201);
        made = Optional.of(answer.json().get("id").asString());
        return answer.json();
    }

    private String path() {
        return "/api/v1/record-systems/" + made.orElseThrow();
    }

    private JsonNode tryNow() {
        Client.Answer answer = office.client.post(path() + "/trial", Map.of());
        assertThat(answer.status()).as(answer.text()).isEqualTo(200);
        return answer.json();
    }

    private JsonNode record(String id) {
        return office.client.get(path() + "/record?key=" + Client.encoded(id)).json();
    }

    private void awaitStatus(String id, String status) {
        Wait.until(id + " to be " + status, () -> Optional.of(loans.status(id)).filter(status::equals));
    }

    private String agreementOf(String id) {
        return loans.record(id).get("agreement").get("number").asString();
    }

    private String template() {
        return office.publish("Of records " + UUID.randomUUID(), Office.loanWording());
    }

    private void sign(String number) {
        String lender = office.link(number, "ida.marsh@lender.example.org");
        new Client(BED.address()).get("/api/v1/signing/" + lender + "/documents/" + document(number) + ".pdf");
        office.sign(lender, Map.of("lender_vat_number", "XX 4471"));
        office.sign(office.link(number, "tomas.vale@museum.example.org"), Map.of());
    }

    private String document(String number) {
        return office.show(number).get("documents").get(0).get("id").asString();
    }

    @Test
    void aRecordBecomesAnAgreementAndIsToldEachStep() {
        loans.put("L-1/7 \u00fc", Loans.loan("Ida / Marsh"));
        loans.put("L-2", Map.of("status", "draft"));
        make(loans.terms(template()));
        awaitStatus("L-1/7 \u00fc", "agreement made");
        String number = agreementOf("L-1/7 \u00fc");
        assertThat(loans.record("L-1/7 \u00fc").get("agreement").get("link").asString())
                .isEqualTo(BED.address() + "/agreements/" + number);
        office.send(number);
        awaitStatus("L-1/7 \u00fc", "agreement sent");
        sign(number);
        awaitStatus("L-1/7 \u00fc", "signed");
        assertThat(loans.statuses("L-1/7 \u00fc"))
                .containsExactly(
                        "agreement wanted",
                        "agreement received",
                        "agreement made",
                        "agreement sent",
                        "agreement seen",
                        "signed");
        assertThat(loans.files("L-1/7 \u00fc")).containsExactly("Agreements/Ida Marsh, " + number + ".pdf");
        assertThat(loans.file("L-1/7 \u00fc", "Agreements/Ida Marsh, " + number + ".pdf"))
                .isEqualTo(office.client
                        .get("/api/v1/agreements/" + number + "/documents/" + document(number) + ".pdf")
                        .body());
        assertThat(loans.statuses("L-2")).containsExactly("draft");
        JsonNode found = record("L-1/7 \u00fc");
        assertThat(found.get("record").get("agreement").asString()).isEqualTo(number);
        assertThat(found.get("steps").size()).isEqualTo(5);
        assertThat(office.client.get(path()).json().get("counts").get("waiting").asInt())
                .isZero();
    }

    @Test
    void whatIsWrongIsToldThereAndTakenOnceItIsMended() {
        Map<String, Object> loan = Loans.loan("Faulty");
        loan.put("from", "in spring");
        loan.remove("insured");
        loans.put("L-1", loan);
        make(loans.terms(template()));
        awaitStatus("L-1", "to be mended");
        assertThat(loans.record("L-1").get("agreement").get("note").asString())
                .contains("Start date: ", "2027-03-15", "Insured value: ");
        JsonNode found = record("L-1").get("record");
        assertThat(found.get("taken").asString()).isEqualTo("FAULTY");
        assertThat(found.get("faults").toString()).contains("\"/from\"", "\"/insured\"");
        // looked at as it was told, it is still known what has to be mended; a later one is looked at after it
        loans.put("L-2", Loans.loan("Later"));
        tryNow();
        awaitStatus("L-2", "agreement made");
        assertThat(record("L-1").get("record").get("taken").asString()).isEqualTo("FAULTY");
        loans.change("L-1", Map.of("from", "2027-03-15", "insured", "EUR 900", "status", RecordStandin.WANTED));
        tryNow();
        awaitStatus("L-1", "agreement made");
        assertThat(loans.record("L-1").get("agreement").get("note").asString()).isEmpty();
        assertThat(record("L-1").get("record").get("faults").size()).isZero();
    }

    @Test
    void aDeclinedOneIsMadeOnceMoreWhenItIsWantedAgain() {
        loans.put("L-1", Loans.loan("Again"));
        make(loans.terms(template()));
        awaitStatus("L-1", "agreement made");
        String first = agreementOf("L-1");
        office.send(first);
        String link = office.link(first, "ida.marsh@lender.example.org");
        assertThat(new Client(BED.address())
                        .post("/api/v1/signing/" + link + "/refusal", Map.of("reason", "Too dear"))
                        .status())
                .isLessThan(300);
        awaitStatus("L-1", "declined");
        assertThat(loans.record("L-1").get("agreement").get("note").asString()).isEqualTo("Too dear");
        tryNow();
        assertThat(agreementOf("L-1")).isEqualTo(first);
        loans.change("L-1", Map.of("status", RecordStandin.WANTED));
        tryNow();
        awaitStatus("L-1", "agreement made");
        assertThat(agreementOf("L-1")).isNotEqualTo(first);
        // while one is on its way, wanting it again makes no other one
        String second = agreementOf("L-1");
        loans.change("L-1", Map.of("status", RecordStandin.WANTED));
        tryNow();
        awaitStatus("L-1", "agreement made");
        assertThat(agreementOf("L-1")).isEqualTo(second);
    }

    @Test
    void aSystemThatIsAwayIsWaitedForAndNothingIsLost() {
        loans.put("L-1", Loans.loan("Away"));
        make(loans.terms(template()));
        awaitStatus("L-1", "agreement made");
        String number = agreementOf("L-1");
        records.close();
        office.send(number);
        sign(number);
        office.await(number, "COMPLETED");
        JsonNode away = Wait.until(
                "the system to be found away",
                () -> Optional.of(office.client.get(path()).json())
                        .filter(one -> !one.get("fault").asString().isEmpty()));
        assertThat(away.get("counts").get("waiting").asInt()).isEqualTo(3);
        assertThat(away.get("triedAt").isNull()).isFalse();
        up();
        tryNow();
        awaitStatus("L-1", "signed");
        assertThat(loans.statuses("L-1")).endsWith("agreement made", "agreement sent", "agreement seen", "signed");
        assertThat(loans.files("L-1")).hasSize(1);
        assertThat(office.client.get(path()).json().get("fault").asString()).isEmpty();
    }

    @Test
    void oneThatIsWantedAgainUnmendedIsToldAgainAndItsStepsDontPileUp() {
        Map<String, Object> loan = Loans.loan("Unmended");
        loan.put("insured", List.of("EUR 5", "EUR 6"));
        loans.put("L-1", loan);
        make(loans.terms(template()));
        for (int i = 0; i < 3; i++) {
            awaitStatus("L-1", "to be mended");
            assertThat(record("L-1").get("steps").size()).isEqualTo(1);
            loans.change("L-1", Map.of("status", RecordStandin.WANTED));
            tryNow();
        }
        awaitStatus("L-1", "to be mended");
        assertThat(record("L-1").get("record").get("faults").toString()).contains("/insured", "a list");
    }
}
