package org.jalousie.bench;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.File;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.Future;
import java.util.concurrent.TimeUnit;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.jalousie.demo.Client;
import org.jalousie.server.testbed.Loans;
import org.jalousie.server.testbed.Office;
import org.jalousie.server.testbed.ServerProcess;
import org.jalousie.server.testbed.TestPaths;
import org.jalousie.server.testbed.Testbed;
import org.jalousie.standins.records.RecordStandin;
import org.junit.jupiter.api.Tag;
import org.junit.jupiter.api.Test;
import tools.jackson.databind.JsonNode;

/**
 * Records on their way to signed agreements and back, while either side is killed again and again and much else goes wrong: each
 * ends with one agreement, the right status and one file. Takes some minutes, so it goes with the benches.
 */
@Tag("bench")
class RecordRoundTripTest {
    private static final Testbed BED = Testbed.start();
    private static final int KILLS = Integer.getInteger("bench.kills", 30);
    private static final int RECORDS = 16;
    private static final Pattern MAILED = Pattern.compile("/act/([A-Za-z0-9_-]{43})");
    private static final List<String> FAULTS = List.of("SLOW", "FAILS", "LOST_ANSWER", "TWICE", "OUT_OF_ORDER");

    private final Random random = new Random(22);
    private final ServerProcess server = new ServerProcess(BED, "roundtrip");
    private final int recordPort = TestPaths.freePort();
    private final Path folder;
    private final Loans loans = new Loans("http://127.0.0.1:" + recordPort);
    private Process records;
    private Office office;

    RecordRoundTripTest() throws IOException {
        folder = Files.createTempDirectory(BED.folder, "records");
    }

    private void startRecords() throws IOException, InterruptedException {
        records = new ProcessBuilder(
                        Path.of(System.getProperty("java.home"), "bin", "java").toString(),
                        "-Xmx128m",
                        "-cp",
                        System.getProperty("java.class.path"),
                        RecordStandin.class.getName(),
                        String.valueOf(recordPort),
                        folder.toString(),
                        Loans.SECRET)
                .redirectErrorStream(true)
                .redirectOutput(
                        ProcessBuilder.Redirect.appendTo(new File(BED.folder.toFile(), "roundtrip-records.log")))
                .start();
        for (int i = 0; i < 100; i++) {
            try {
                if (loans.send("GET", "/", null).statusCode() == 200) return;
            } catch (IllegalStateException e) {
                TimeUnit.MILLISECONDS.sleep(100);
            }
        }
        throw new IllegalStateException("the record system doesn't start");
    }

    private interface Act<T> {
        T now() throws Exception;
    }

    /** Does something as soon as both sides are there, as a person would who tries again. */
    private static <T> T patiently(Act<T> act) throws Exception {
        for (int i = 0; ; i++) {
            try {
                T done = act.now();
                if (done != null) return done;
            } catch (RuntimeException | IOException | AssertionError e) {
                if (i > 1_200) throw e;
            }
            if (i > 1_200) throw new IllegalStateException("nothing came of it");
            TimeUnit.MILLISECONDS.sleep(500);
        }
    }

    private static String lender(int i) {
        return "lender-" + i + "@lender.example.org";
    }

    /** What people do with one agreement until it is signed, or declined. */
    private Void life(int i) throws Exception {
        String number = patiently(() -> {
            JsonNode agreement = loans.record("L-" + i).get("agreement");
            return agreement == null || agreement.path("number").asString("").isEmpty()
                    ? null
                    : agreement.get("number").asString();
        });
        patiently(() -> office.state(number).equals("CHECK") ? number : null);
        patiently(() -> {
            if (office.state(number).equals("CHECK")) office.send(number);
            return number;
        });
        String link = patiently(
                () -> office.mailTo(number, lender(i), "").isPresent() ? office.link(number, lender(i)) : null);
        if (i % 6 == 5) {
            patiently(() -> {
                new Client(server.address()).post("/api/v1/signing/" + link + "/refusal", Map.of("reason", "Too dear"));
                return office.state(number).equals("DECLINED") ? number : null;
            });
            return null;
        }
        String museum = "tomas.vale@museum.example.org";
        patiently(() -> {
            if (office.state(number).equals("COMPLETED")) return number;
            office.sign(link, Map.of("lender_vat_number", "XX 4471"));
            office.mailTo(number, museum, "Your part is asked for")
                    .map(MAILED::matcher)
                    .filter(Matcher::find)
                    .ifPresent(found -> office.sign(found.group(1), Map.of()));
            return null;
        });
        return null;
    }

    private JsonNode letIn() {
        JsonNode program = office.client
                .post(
                        "/api/v1/programs",
                        Map.of(
                                "terms",
                                Map.of(
                                        "title",
                                        "Records",
                                        "scopes",
                                        List.of("records:write"),
                                        "forms",
                                        List.of(),
                                        "perMinute",
                                        600)))
                .json();
        return office.client
                .post("/api/v1/programs/" + program.get("id").asString() + "/keys", Map.of("kind", "BEARER"))
                .json();
    }

    @Test
    void eachRecordEndsWithOneAgreementTheRightStatusAndOneFile() throws Exception {
        startRecords();
        server.start();
        office = new Office(server.address());
        String template = office.publish("Round trip", Office.loanWording());
        Client.Answer system = office.client.post(
                "/api/v1/record-systems",
                Map.of("terms", loans.terms(template), "credential", "Bearer " + Loans.SECRET));
        assertThat(system.status()).as(system.text()).isEqualTo(201);
        String id = system.json().get("id").asString();
        loans.notices(
                server.address() + "/api/v1/record-systems/" + id + "/notices",
                letIn().get("secret").asString());
        ExecutorService people = Executors.newFixedThreadPool(4);
        List<Future<Void>> lives = new ArrayList<>();
        for (int i = 0; i < RECORDS; i++) {
            int one = i;
            lives.add(people.submit(() -> {
                Map<String, Object> loan = Loans.loan("Lender " + one);
                loan.put("lender", Map.of("name", "Lender " + one, "mail", lender(one)));
                patiently(() -> {
                    // somebody whose answer was lost looks first
                    if (loans.send("GET", "/desk/api/loans/L-" + one, null).statusCode() == 404)
                        loans.put("L-" + one, loan);
                    return one;
                });
                return life(one);
            }));
        }
        for (int i = 1; i <= KILLS; i++) {
            TimeUnit.MILLISECONDS.sleep(500 + random.nextInt(4_000));
            String fault = FAULTS.get(random.nextInt(FAULTS.size()));
            int times = 1 + random.nextInt(3);
            try {
                loans.order(fault, times);
            } catch (IllegalStateException e) {
                System.out.println("no fault ordered: " + e.getMessage());
            }
            TimeUnit.MILLISECONDS.sleep(random.nextInt(1_500));
            boolean ours = random.nextBoolean();
            if (ours) {
                server.kill();
                TimeUnit.MILLISECONDS.sleep(random.nextInt(500));
                server.start();
            } else {
                records.destroyForcibly().waitFor();
                TimeUnit.MILLISECONDS.sleep(random.nextInt(3_000));
                startRecords();
            }
            System.out.println("kill " + i + ": " + (ours ? "the server" : "the record system") + ", after " + times
                    + " times " + fault);
        }
        loans.orderNothing();
        for (Future<Void> life : lives) life.get();
        Map<String, String> ends = new LinkedHashMap<>();
        for (int i = 0; i < RECORDS; i++) {
            String key = "L-" + i;
            String wanted = i % 6 == 5 ? "declined" : "signed";
            patiently(() -> loans.status(key).equals(wanted) ? key : null);
            ends.put(key, wanted);
        }
        HashSet<String> agreements = new HashSet<>();
        for (String key : ends.keySet()) {
            String number = loans.record(key).get("agreement").get("number").asString();
            assertThat(agreements.add(number)).as(key).isTrue();
            List<String> files = loans.files(key);
            if (ends.get(key).equals("declined")) {
                assertThat(files).as(key).isEmpty();
                continue;
            }
            assertThat(files).as(key).hasSize(1);
            String document =
                    office.show(number).get("documents").get(0).get("id").asString();
            assertThat(loans.file(key, files.get(0)))
                    .as(key)
                    .isEqualTo(office.client
                            .get("/api/v1/agreements/" + number + "/documents/" + document + ".pdf")
                            .body());
            assertThat(loans.statuses(key)).as(key).endsWith("signed");
        }
        assertThat(office.client
                        .get("/api/v1/requests?template=" + template)
                        .json()
                        .get("total")
                        .asInt())
                .isEqualTo(RECORDS);
        System.out.println(KILLS + " kills, " + RECORDS + " records: one agreement each, the right status, one file");
        server.kill();
        records.destroyForcibly();
        people.shutdownNow();
    }
}
