package org.jalousie.server;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.file.Path;
import java.time.Clock;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Stream;
import org.jalousie.demo.Client;
import org.jalousie.server.testbed.Office;
import org.jalousie.server.testbed.TestPaths;
import org.jalousie.server.testbed.Testbed;
import org.jalousie.server.testbed.Wait;
import org.jalousie.standins.trust.TrustStandin;
import org.junit.jupiter.api.Test;
import tools.jackson.databind.JsonNode;

/** What the world does to a program: servers that are down, processes that are killed. Nothing lost, nothing twice. */
class TroubleTest {
    private static final String LENDER = "ida.marsh@lender.example.org";
    private static final Testbed BED = Testbed.start();
    private final Office office = new Office(BED.address());

    @Test
    void mailThatWaitsWhileTheMailServerIsDownIsToldOnceAndGoesOutByItself() {
        String template = office.publish("Mail down", Office.loanWording());
        String number = office.generate(template, Office.loanValues("Ida Marsh"));
        String other = office.generate(template, Office.loanValues("Ida Marsh"));
        BED.mailDown();
        try {
            office.send(number);
            office.send(other);
            JsonNode today = Wait.until(
                    "the notice in Today",
                    () -> Optional.of(office.client.get("/api/v1/today").json())
                            .filter(one -> one.get("notices").size() == 1
                                    && one.get("notices").get(0).get("waiting").asInt() >= 2));
            assertThat(today.get("notices").toString()).contains("The mail server");
            assertThat(today.get("failed").get("items").toString()).doesNotContain(number);
            assertThat(office.state(number)).isEqualTo("OUT");
        } finally {
            BED.mailUp();
        }
        office.link(number, LENDER);
        office.link(other, LENDER);
        Wait.until(
                "the notice to go",
                () -> office.client.get("/api/v1/today").json().get("notices").isEmpty());
        assertThat(office.mailsAbout(number)).hasSize(1);
    }

    @Test
    void aKilledOfficeProcessDelaysADocumentAndLosesNone() {
        String template = office.publish("Office killed", Office.loanWording());
        List<String> requests = new ArrayList<>();
        for (int i = 0; i < 4; i++) {
            requests.add(office.request(template, Office.loanValues("Lender " + i)));
        }
        List<String> numbers = requests.stream().map(office::agreementOf).toList();
        assertThat(killOffice()).isPositive();
        numbers.forEach(number -> office.await(number, "CHECK"));
        numbers.forEach(number -> assertThat(office.show(number)
                        .get("trail")
                        .toString()
                        .split("The document \u201cOffice killed\u201d was made", -1))
                .hasSize(2));
    }

    private static long killOffice() {
        try (Stream<ProcessHandle> all = ProcessHandle.current().descendants()) {
            return all.filter(process -> process.info().command().orElse("").contains("soffice"))
                    .filter(ProcessHandle::destroyForcibly)
                    .count();
        }
    }

    @Test
    void aServerKilledBetweenSigningAndSealingGoesOnWhereItWas() throws Exception {
        String database = BED.newDatabase("crash");
        Path trustFolder = BED.folder.resolve("trust-crash");
        int trustPort = TestPaths.freePort();
        int port = TestPaths.freePort();
        TrustStandin trust = new TrustStandin(trustPort, trustFolder, "secret", Clock.systemUTC());
        Process first = server(port, database, trustPort);
        String number;
        try {
            Office there = officeAt(port);
            number = there.send(
                    there.generate(there.publish("Crash", Office.loanWording()), Office.loanValues("Ida Marsh")));
            String link = there.link(number, LENDER);
            trust.close(); // from here on nothing can be sealed
            assertThat(there.sign(link, Map.of("lender_vat_number", "XX 4471")).status())
                    .isEqualTo(200);
        } finally {
            List<ProcessHandle> children = first.descendants().toList();
            first.destroyForcibly().waitFor(); // SIGKILL
            children.forEach(ProcessHandle::destroyForcibly); // its office process would outlive it
        }
        Process second = server(port, database, trustPort);
        try (TrustStandin again = new TrustStandin(trustPort, trustFolder, "secret", Clock.systemUTC())) {
            Office there = officeAt(port);
            there.sign(there.link(number, "tomas.vale@museum.example.org"), Map.of());
            JsonNode agreement = there.await(number, "COMPLETED");
            assertThat(agreement.get("trail").toString().split("Ida Marsh \\(Lender\\) signed", -1))
                    .hasSize(2);
            assertThat(agreement.get("trail").toString().split("The act of Ida Marsh", -1))
                    .hasSize(2);
            assertThat(agreement.get("chainBrokenAt").isNull()).isTrue();
            JsonNode checked = there.client
                    .post("/api/v1/archive/" + number + "/verification", Map.of())
                    .json()
                    .get("documents")
                    .get(0)
                    .get("result");
            assertThat(checked.get("intact").asBoolean()).as(checked.toString()).isTrue();
            assertThat(again.address()).contains(String.valueOf(trustPort));
        } finally {
            second.destroy();
            second.waitFor();
        }
    }

    private static Process server(int port, String database, int trustPort) throws java.io.IOException {
        List<String> command = new ArrayList<>(List.of(
                "java",
                "-Xmx512m",
                "-XX:TieredStopAtLevel=1",
                "-cp",
                System.getProperty("surefire.test.class.path", System.getProperty("java.class.path")),
                "org.jalousie.server.Jalousie"));
        command.addAll(List.of(BED.arguments(
                port,
                List.of(
                        "--spring.datasource.url=" + database,
                        "--jalousie.trust.address=http://127.0.0.1:" + trustPort,
                        "--jalousie.retries.most=30",
                        "--jalousie.converter.port=" + TestPaths.freePort(),
                        "--spring.datasource.hikari.maximum-pool-size=8"))));
        return new ProcessBuilder(command)
                .redirectErrorStream(true)
                .redirectOutput(Path.of("target/crash-server.log").toFile())
                .start();
    }

    private static Office officeAt(int port) {
        Client health = new Client("http://127.0.0.1:" + port);
        return Wait.until("the server to start", () -> {
            try {
                return health.get("/actuator/health").status() == 200
                        ? Optional.of(new Office("http://127.0.0.1:" + port))
                        : Optional.empty();
            } catch (IllegalStateException e) {
                return Optional.empty();
            }
        });
    }
}
