package org.jalousie.server;

import static org.assertj.core.api.Assertions.assertThat;

import com.sun.net.httpserver.HttpServer;
import java.net.InetSocketAddress;
import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Duration;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import org.jalousie.core.wording.write.WordDraft;
import org.jalousie.demo.Client;
import org.jalousie.server.testbed.KeyClient;
import org.jalousie.server.testbed.Loans;
import org.jalousie.server.testbed.Office;
import org.jalousie.server.testbed.TestClock;
import org.jalousie.server.testbed.TestPaths;
import org.jalousie.server.testbed.Testbed;
import org.jalousie.server.testbed.Wait;
import org.jalousie.standins.records.RecordStandin;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ObjectNode;

/** Record systems as they are set up, told and spoken to. */
class RecordSystemsTest {
    private static final Testbed BED = Testbed.start();
    private static final String PATH = "/api/v1/record-systems";

    private final Office office = new Office(BED.address());
    private RecordStandin records;
    private Loans loans;
    private Optional<String> made = Optional.empty();

    @BeforeEach
    void begin() throws Exception {
        Path folder = Files.createTempDirectory(BED.folder, "records");
        records = new RecordStandin(TestPaths.freePort(), folder, Loans.SECRET);
        loans = new Loans(records.address());
    }

    @AfterEach
    void end() {
        made.ifPresent(id -> office.client.delete(PATH + "/" + id));
        records.close();
        BED.bean(TestClock.class).ahead(Duration.ZERO);
    }

    private String template() {
        return office.publish("Of records " + UUID.randomUUID(), Office.loanWording());
    }

    private Client.Answer tried(Map<String, Object> terms) {
        return office.client.post(PATH, Map.of("terms", terms, "credential", "Bearer " + Loans.SECRET));
    }

    private JsonNode make(Map<String, Object> terms) {
        Client.Answer answer = tried(terms);
        assertThat(answer.status()).as(answer.text()).isEqualTo(201);
        made = Optional.of(answer.json().get("id").asString());
        return answer.json();
    }

    private String path() {
        return PATH + "/" + made.orElseThrow();
    }

    private JsonNode show() {
        return office.client.get(path()).json();
    }

    private void awaitStatus(String id, String status) {
        Wait.until(id + " to be " + status, () -> Optional.of(loans.status(id)).filter(status::equals));
    }

    private Client.Answer look(Map<String, Object> terms, String key) {
        Map<String, Object> body = new HashMap<>();
        body.put("system", null);
        body.put("terms", terms);
        body.put("credential", "Bearer " + Loans.SECRET);
        body.put("key", key);
        return office.client.post(PATH + "/looks", body);
    }

    @SuppressWarnings("unchecked")
    private static Map<String, Object> with(Map<String, Object> terms, String part, String name, Object value) {
        Map<String, Object> inner = new HashMap<>((Map<String, Object>) terms.get(part));
        inner.put(name, value);
        Map<String, Object> all = new HashMap<>(terms);
        all.put(part, inner);
        return all;
    }

    private static Map<String, Object> taken(String field, String rows, String from) {
        return Map.of("field", field, "rows", rows, "from", from, "text", "");
    }

    @Test
    void rowsThatGoWithARecordBecomeItemsAndPartsOfAnAddressOneAddress() {
        JsonNode bare = office.bringIn(
                "With objects " + UUID.randomUUID(),
                new WordDraft()
                        .paragraph("{{lender_name}}, {{lender_address}}:")
                        .paragraph("{{#objects}}")
                        .paragraph("{{title}}, {{value}}")
                        .paragraph("{{/objects}}")
                        .paragraph("{{lender.signature}}")
                        .bytes());
        ObjectNode content = (ObjectNode) bare.get("content");
        for (JsonNode field : content.get("fields"))
            if (field.get("name").asString().equals("lender_address")) ((ObjectNode) field).put("type", "ADDRESS");
        String template = office.publish(office.settle(bare, content));
        Map<String, Object> loan = Loans.loan("Ida Marsh");
        loan.put(
                "address", Map.of("street", "Mill Rise 3; rear", "town", "Oudehaven", "code", "4811 AB", "land", "NL"));
        loans.put(
                "L-1",
                loan,
                Map.of(
                        "objects",
                        List.of(
                                Map.of("title", "viola d'amore", "price", Map.of("insured", "EUR 12500")),
                                Map.of("title", "lute", "price", Map.of("insured", "EUR 900.50")))));
        Map<String, Object> terms = loans.terms(template);
        terms.put("related", List.of(Map.of("name", "things", "address", "loans/{id}/objects", "rows", "")));
        terms.put(
                "taken",
                List.of(
                        taken("lender_name", "", "/lender/name"),
                        taken("lender_mail", "", "/lender/mail"),
                        taken("lender_address.street", "", "/address/street"),
                        taken("lender_address.town", "", "/address/town"),
                        taken("lender_address.postal_code", "", "/address/code"),
                        taken("lender_address.country", "", "/address/land"),
                        taken("objects.title", "things", "/title"),
                        taken("objects.value", "things", "/price/insured")));
        JsonNode seen = look(terms, "").json();
        assertThat(seen.get("faults").size()).as(seen.toString()).isZero();
        assertThat(seen.get("related").get(0).get("values").toString()).contains("/price/insured", "EUR 12500");
        make(terms);
        awaitStatus("L-1", "agreement made");
        JsonNode request = office.client
                .get(path() + "/record?key=L-1")
                .json()
                .get("record")
                .get("request");
        JsonNode values = office.client
                .get("/api/v1/requests/" + request.asString())
                .json()
                .get("values");
        assertThat(values.get("lender_address").asString()).isEqualTo(";;Mill Rise 3\\; rear;Oudehaven;;4811 AB;NL");
        assertThat(values.get("objects").asString()).contains("viola d'amore", "lute", "900.50");
        assertThat(values.get("objects").asString().indexOf("viola"))
                .isLessThan(values.get("objects").asString().indexOf("lute"));
    }

    @Test
    void aRealRecordShowsWhatWouldComeOfItAndNothingIsTaken() {
        Map<String, Object> loan = Loans.loan("Looked at");
        loan.put("insured", "much");
        loan.put("parts", List.of(Map.of("what", "a bow")));
        loans.put("L-1", loan);
        Map<String, Object> terms = loans.terms(template());
        JsonNode seen = look(terms, "").json();
        assertThat(seen.get("key").asString()).isEqualTo("L-1");
        assertThat(seen.get("found").asInt()).isEqualTo(1);
        assertThat(seen.get("values").toString()).contains("\"/lender/name\",\"value\":\"Looked at\"");
        assertThat(seen.get("lists").toString()).isEqualTo("[\"/parts\"]");
        assertThat(seen.get("faults").size()).isEqualTo(1);
        assertThat(seen.get("faults").get(0).get("where").asString()).isEqualTo("/insured");
        assertThat(seen.get("proposed").toString()).contains("lender_name", "/lender/name");
        assertThat(loans.statuses("L-1")).containsExactly(RecordStandin.WANTED);
        // with nothing settled but where it is, it is shown as well
        terms.put("taken", List.of());
        assertThat(look(terms, "L-1").json().get("faults").size()).isPositive();
    }

    @Test
    void whatCantBeReadIsToldWhereItStands() {
        loans.put("L-1", Loans.loan("Unread"));
        Map<String, Object> terms = loans.terms(template());
        assertThat(look(with(terms, "place", "list", "nowhere?status={status}"), "")
                        .json()
                        .get("faults")
                        .toString())
                .contains("place.list", "404");
        assertThat(look(with(terms, "place", "items", "/objects"), "")
                        .json()
                        .get("faults")
                        .toString())
                .contains("place.list", "/objects");
        assertThat(look(with(terms, "place", "key", "/nothing"), "")
                        .json()
                        .get("faults")
                        .toString())
                .contains("place.list", "/nothing");
        assertThat(look(terms, "L-7").json().get("faults").toString()).contains("place.one", "L-7");
        assertThat(look(terms, "..").json().get("faults").toString()).contains("place.one");
        assertThat(look(with(terms, "place", "address", "http://10.1.2.3/"), "")
                        .json()
                        .get("faults")
                        .toString())
                .contains("place.address");
        assertThat(look(with(terms, "place", "address", "http://127.0.0.1:1/"), "")
                        .json()
                        .get("faults")
                        .toString())
                .contains("place.list");
        Client.Answer refused =
                tried(with(with(terms, "place", "address", "http://10.1.2.3/"), "back", "name", "{{no"));
        assertThat(refused.status()).isEqualTo(422);
        assertThat(refused.json().get("faults").propertyNames()).contains("place.address", "back.name");
        Map<String, Object> nowhere = new HashMap<>(terms);
        nowhere.put("form", UUID.randomUUID().toString());
        assertThat(tried(nowhere).json().get("faults").propertyNames()).containsExactly("form");
    }

    @Test
    void theCredentialGoesToNoOtherSystemAndIsNeverShown() {
        Map<String, Object> terms = loans.terms(template());
        JsonNode system = make(terms);
        assertThat(system.get("hasCredential").asBoolean()).isTrue();
        assertThat(system.toString()).doesNotContain(Loans.SECRET);
        Map<String, Object> body = new HashMap<>();
        body.put("revision", system.get("revision").asInt());
        body.put("credential", null);
        body.put("terms", with(terms, "place", "everyMinutes", 7));
        JsonNode same = office.client.put(path(), body).json();
        assertThat(same.get("hasCredential").asBoolean()).isTrue();
        assertThat(office.client.put(path(), body).status()).isEqualTo(409);
        body.put("revision", same.get("revision").asInt());
        body.put("terms", with(terms, "place", "address", "http://127.0.0.1:1/api/"));
        assertThat(office.client.put(path(), body).json().get("hasCredential").asBoolean())
                .isFalse();
        // nor is it lent to whoever looks at another system's record
        Map<String, Object> look = new HashMap<>(body);
        look.put("system", made.orElseThrow());
        look.put("key", "");
        look.remove("revision");
        look.put("terms", terms);
        loans.put("L-1", Loans.loan("Lent"));
        assertThat(office.client
                        .post(PATH + "/looks", look)
                        .json()
                        .get("faults")
                        .toString())
                .contains("401");
    }

    private KeyClient program(List<String> forms, String scope) {
        JsonNode program = office.client
                .post(
                        "/api/v1/programs",
                        Map.of(
                                "terms",
                                Map.of("title", "Records", "scopes", List.of(scope), "forms", forms, "perMinute", 600)))
                .json();
        return KeyClient.key(
                BED.address(),
                office.client
                        .post("/api/v1/programs/" + program.get("id").asString() + "/keys", Map.of("kind", "BEARER"))
                        .json()
                        .get("secret")
                        .asString());
    }

    @Test
    void aNoticeIsAWishToBeLookedAtAndNothingMore() {
        String template = template();
        make(with(loans.terms(template), "place", "everyMinutes", 1440));
        Wait.until(
                "the first look",
                () -> Optional.of(show()).filter(one -> !one.get("lookedAt").isNull()));
        loans.put("L-1", Loans.loan("Noticed"));
        String at = path() + "/notices";
        KeyClient program = program(List.of(), "records:write");
        for (int i = 0; i < 3; i++)
            assertThat(program.post(at, Map.of("record", "L-1", "status", "signed", "version", 3 - i))
                            .status())
                    .isEqualTo(202);
        awaitStatus("L-1", "agreement made");
        assertThat(program.post(at, Map.of("record", "L-99")).status()).isEqualTo(202);
        assertThat(program.post(at, Map.of("other", "L-1")).status()).isEqualTo(400);
        for (String none : List.of("x".repeat(301), "..", ".", " ", "a\nb"))
            assertThat(program.post(at, Map.of("record", none)).status())
                    .as(none)
                    .isEqualTo(400);
        assertThat(program.post(PATH + "/" + UUID.randomUUID() + "/notices", Map.of("record", "L-1"))
                        .status())
                .isEqualTo(404);
        assertThat(program.get(path()).status()).isEqualTo(403);
        assertThat(program.get(PATH).status()).isEqualTo(403);
        assertThat(program(List.of(template), "records:write")
                        .post(at, Map.of("record", "L-1"))
                        .status())
                .isEqualTo(202);
        assertThat(program(List.of(template()), "records:write")
                        .post(at, Map.of("record", "L-1"))
                        .status())
                .isEqualTo(403);
        assertThat(program(List.of(), "programs:write")
                        .post(at, Map.of("record", "L-1"))
                        .status())
                .isEqualTo(403);
        // what nothing is to be done with is not kept
        Wait.until(
                "the unknown one to be forgotten",
                () -> Optional.of(
                                office.client.get(path() + "/records?find=L-99").json())
                        .filter(one -> one.get("total").asInt() == 0));
    }

    @Test
    void faultsToOrderMakeNothingTwiceAndLoseNothing() {
        String template = template();
        loans.put("L-1", Loans.loan("Faults"));
        for (String fault : List.of("FAILS", "LOST_ANSWER", "LOST_ANSWER")) loans.order(fault, 1);
        make(loans.terms(template));
        for (int i = 0; i < 6; i++) {
            office.client.post(path() + "/trial", Map.of());
            loans.order(i % 2 == 0 ? "LOST_ANSWER" : "FAILS", 1);
        }
        Wait.until("L-1 to be made in spite of all", () -> {
            office.client.post(path() + "/trial", Map.of());
            return loans.status("L-1").equals("agreement made");
        });
        loans.orderNothing();
        assertThat(loans.statuses("L-1")).containsExactly(RecordStandin.WANTED, "agreement received", "agreement made");
        assertThat(office.client
                        .get("/api/v1/requests?template=" + template)
                        .json()
                        .get("total")
                        .asInt())
                .isEqualTo(1);
    }

    @Test
    void anHoursOutageIsOverByItself() {
        loans.put("L-1", Loans.loan("Outage"));
        make(loans.terms(template()));
        awaitStatus("L-1", "agreement made");
        for (int minutes = 1; minutes <= 61; minutes += 20) {
            loans.order("FAILS", 1_000);
            if (minutes == 1) office.send(loans.agreement("L-1"));
            BED.bean(TestClock.class).ahead(Duration.ofMinutes(minutes));
            Wait.until(
                    "a try in vain",
                    () -> Optional.of(show())
                            .filter(one -> one.get("fault").asString().contains("500")));
        }
        assertThat(show().get("counts").get("waiting").asInt()).isEqualTo(1);
        loans.orderNothing();
        BED.bean(TestClock.class).ahead(Duration.ofMinutes(64));
        awaitStatus("L-1", "agreement sent");
        Wait.until(
                "it to be well",
                () -> Optional.of(show())
                        .filter(one -> one.get("fault").asString().isEmpty()));
    }

    @Test
    void listsGoOnOverPagesHereAndThere() {
        List<String> keys = new ArrayList<>();
        for (int i = 0; i < 51; i++) {
            Map<String, Object> loan = Loans.loan("Lender " + i);
            loan.remove("insured");
            keys.add("P-" + (100 + i));
            loans.put(keys.get(i), loan);
        }
        make(loans.terms(template()));
        for (String key : keys) awaitStatus(key, "to be mended");
        JsonNode first = office.client.get(path() + "/records").json();
        assertThat(first.get("total").asInt()).isEqualTo(51);
        assertThat(first.get("items").size()).isEqualTo(50);
        assertThat(office.client
                        .get(path() + "/records?page=1")
                        .json()
                        .get("items")
                        .size())
                .isEqualTo(1);
        assertThat(office.client
                        .get(path() + "/records?which=FAULTY&find=p-15")
                        .json()
                        .get("total")
                        .asInt())
                .isEqualTo(1);
        assertThat(office.client
                        .get(path() + "/records?which=GIVEN_UP")
                        .json()
                        .get("total")
                        .asInt())
                .isZero();
        assertThat(show().get("counts").get("faulty").asInt()).isEqualTo(51);
        assertThat(office.client.get("/api/v1/today").json().get("records").toString())
                .contains(made.orElseThrow(), "\"faulty\":51");
        assertThat(office.client
                        .get(PATH + "?find=collection")
                        .json()
                        .get("total")
                        .asInt())
                .isPositive();
    }

    @Test
    void pausedNothingIsDoneAndEndedNothingEverIs() throws Exception {
        make(loans.terms(template()));
        assertThat(office.client
                        .post(path() + "/pause", Map.of())
                        .json()
                        .get("state")
                        .asString())
                .isEqualTo("PAUSED");
        loans.put("L-1", Loans.loan("Paused"));
        assertThat(office.client.post(path() + "/trial", Map.of()).status()).isEqualTo(200);
        loans.put("L-2", Loans.loan("Told"));
        java.util.concurrent.TimeUnit.SECONDS.sleep(3);
        assertThat(loans.status("L-1")).isEqualTo(RecordStandin.WANTED);
        office.client.delete(path() + "/pause");
        awaitStatus("L-1", "agreement made");
        assertThat(office.client.delete(path()).json().get("state").asString()).isEqualTo("ENDED");
        for (String what : List.of("/pause", "/trial", "/writing"))
            assertThat(office.client.post(path() + what, Map.of()).status()).isEqualTo(409);
        assertThat(show().get("hasCredential").asBoolean()).isFalse();
        // what happens to its agreements goes on without it
        String number = loans.agreement("L-1");
        office.send(number);
        assertThat(loans.status("L-1")).isEqualTo("agreement made");
    }

    @Test
    void aRecordAtWhichTheSystemFailsHoldsUpNoOther() throws Exception {
        loans.put("A-broken", Loans.loan("Broken"));
        loans.put("B-well", Loans.loan("Well"));
        HttpClient http = HttpClient.newHttpClient();
        HttpServer between = HttpServer.create(new InetSocketAddress("127.0.0.1", 0), 0);
        between.createContext("/", exchange -> {
            try (exchange) {
                String path = exchange.getRequestURI().toString();
                if (path.endsWith("/A-broken")) {
                    exchange.sendResponseHeaders(500, -1);
                    return;
                }
                HttpRequest.Builder on = HttpRequest.newBuilder(URI.create(records.address() + path))
                        .header("Authorization", "Bearer " + Loans.SECRET)
                        .method(
                                exchange.getRequestMethod(),
                                HttpRequest.BodyPublishers.ofByteArray(
                                        exchange.getRequestBody().readAllBytes()));
                byte[] body = http.send(on.build(), HttpResponse.BodyHandlers.ofByteArray())
                        .body();
                exchange.sendResponseHeaders(200, body.length);
                exchange.getResponseBody().write(body);
            } catch (InterruptedException e) {
                Thread.currentThread().interrupt();
            }
        });
        between.start();
        try {
            make(with(
                    loans.terms(template()),
                    "place",
                    "address",
                    "http://127.0.0.1:" + between.getAddress().getPort() + "/api/"));
            awaitStatus("B-well", "agreement made");
            assertThat(loans.status("A-broken")).isEqualTo(RecordStandin.WANTED);
            assertThat(office.client
                            .get(path() + "/record?key=A-broken")
                            .json()
                            .get("record")
                            .get("fault")
                            .asString())
                    .contains("500");
        } finally {
            between.stop(0);
        }
    }
}
