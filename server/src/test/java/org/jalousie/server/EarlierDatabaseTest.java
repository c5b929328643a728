package org.jalousie.server;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.io.InputStream;
import java.nio.file.Files;
import java.nio.file.Path;
import java.sql.Connection;
import java.sql.DriverManager;
import java.time.Clock;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import java.util.zip.ZipEntry;
import java.util.zip.ZipInputStream;
import org.jalousie.core.parties.PartyKey;
import org.jalousie.server.signing.ParticipantLinks;
import org.jalousie.server.testbed.Office;
import org.jalousie.server.testbed.TestPaths;
import org.jalousie.server.testbed.Testbed;
import org.jalousie.server.testbed.Wait;
import org.jalousie.standins.trust.TrustStandin;
import org.junit.jupiter.api.Test;
import org.springframework.boot.SpringApplication;
import org.springframework.context.ConfigurableApplicationContext;
import org.springframework.jdbc.core.simple.JdbcClient;
import tools.jackson.databind.JsonNode;

/**
 * The demo's database as an earlier version of the program left it: every trail is whole, every agreement is shown, and what
 * is out is signed to its end. Of the files those of two agreements are kept with it, and those of all templates. The
 * agreement that is signed runs out in 2096: its event of sending, and the chain from there on, were made so when it was kept.
 */
class EarlierDatabaseTest {
    private static final Testbed BED = Testbed.start();

    private static Path unpacked(String name) throws IOException {
        Path folder = Files.createDirectories(BED.folder.resolve(name));
        try (InputStream in = EarlierDatabaseTest.class.getResourceAsStream("/earlier/" + name + ".zip");
                ZipInputStream zip = new ZipInputStream(in)) {
            for (ZipEntry entry = zip.getNextEntry(); entry != null; entry = zip.getNextEntry()) {
                Path file = folder.resolve(entry.getName());
                Files.createDirectories(file.getParent());
                Files.write(file, zip.readAllBytes());
            }
        }
        return folder;
    }

    @Test
    void theDemoOfTheThirdSchemaOpensAndGoesOn() throws Exception {
        Path folder = unpacked("demo-v3");
        String url = BED.newDatabase("earlier");
        try (Connection connection = DriverManager.getConnection(url, "postgres", BED.databasePassword())) {
            connection.createStatement().execute(Files.readString(folder.resolve("demo.sql")));
        }
        int port = TestPaths.freePort();
        String address = "http://127.0.0.1:" + port;
        try (TrustStandin trust =
                        new TrustStandin(TestPaths.freePort(), folder.resolve("trust"), "secret", Clock.systemUTC());
                ConfigurableApplicationContext application = SpringApplication.run(
                        Jalousie.class,
                        BED.arguments(
                                port,
                                List.of(
                                        "--spring.datasource.url=" + url,
                                        "--spring.datasource.hikari.maximum-pool-size=8",
                                        "--jalousie.files=" + folder.resolve("files"),
                                        "--jalousie.trust.address=" + trust.address(),
                                        "--jalousie.converter.port=" + TestPaths.freePort(),
                                        "--jalousie.converter.processes=1")))) {
            Office office = new Office(address, "open-the-slats");
            Map<String, Integer> events = new HashMap<>();
            JdbcClient sql = application.getBean(JdbcClient.class);
            sql.sql(
                            "select number, (select count(*) from agreement_event e where e.agreement_id = a.id) from agreement a")
                    .query((row, i) -> events.put(row.getString(1), row.getInt(2)))
                    .list();
            assertThat(events).hasSize(14);
            events.forEach((number, count) -> whole(office.show(number), count));
            assertThat(office.client.get("/api/v1/agreements?find=jonas").json().toString())
                    .contains("A-2026-0011");
            intact(office, "A-2026-0004");
            // whom it waits for is told from the events at the start, though no version before kept it
            assertThat(sql.sql(
                                    "select w.mail from waited_for w join agreement a on a.id = w.agreement_id where a.number = 'A-2026-0011'")
                            .query(String.class)
                            .list())
                    .isNotEmpty();
            UUID id = sql.sql("select id from agreement where number = 'A-2026-0011'")
                    .query(UUID.class)
                    .single();
            String own = application.getBean(ParticipantLinks.class).issue(id, new PartyKey("licensee"), 0);
            String link = own.substring(own.lastIndexOf('/') + 1);
            assertThat(office.sign(link, Map.of("licensee_invoice_reference", "PO-9"))
                            .status())
                    .isEqualTo(200);
            office.sign(office.link("A-2026-0011", "pictures@museum.example.org"), Map.of());
            office.await("A-2026-0011", "COMPLETED");
            intact(office, "A-2026-0011");
            assertThat(office.client
                            .get("/api/v1/templates")
                            .json()
                            .get("total")
                            .asInt())
                    .isEqualTo(3);
            // reports count what had ended, though no version before did
            int ended = sql.sql(
                            "select count(*) from agreement where state in ('COMPLETED', 'DECLINED', 'WITHDRAWN', 'EXPIRED')")
                    .query(Integer.class)
                    .single();
            Wait.until(
                    "all that ended to be counted",
                    () -> ended
                            == sql.sql("select count(*) from ended_agreement")
                                    .query(Integer.class)
                                    .single());
            assertThat(office.client.get("/api/v1/archive/reports/times").json())
                    .isNotEmpty();
        }
    }

    private static void whole(JsonNode shown, int events) {
        assertThat(shown.get("chainBrokenAt").isNull()).as(shown.toString()).isTrue();
        // time may have brought a reminder or the end since they were counted
        assertThat(shown.get("trail").size()).isGreaterThanOrEqualTo(events);
        assertThat(shown.get("row").get("title").asString()).isNotBlank();
        assertThat(shown.get("row").get("route").size()).isPositive();
        assertThat(shown.get("people").size()).isPositive();
    }

    private static void intact(Office office, String number) {
        JsonNode checked = office.client
                .post("/api/v1/archive/" + number + "/verification", Map.of())
                .json();
        assertThat(checked.get("intact").asBoolean()).as(checked.toString()).isTrue();
    }
}
