package org.jalousie.server;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.net.URI;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.concurrent.TimeUnit;
import java.util.stream.Stream;
import org.jalousie.core.data.Sha256;
import org.jalousie.server.files.FileStore;
import org.jalousie.server.testbed.Office;
import org.jalousie.server.testbed.TestPaths;
import org.jalousie.server.testbed.Testbed;
import org.junit.jupiter.api.Test;
import org.springframework.boot.SpringApplication;
import org.springframework.context.ConfigurableApplicationContext;
import org.springframework.jdbc.core.simple.JdbcClient;
import tools.jackson.databind.JsonNode;

/** A backup as {@code docs/operations.md} says it is taken, brought back to another place while the office works on. */
class BackupTest {
    private static final Testbed BED = Testbed.start();

    private static void run(String program, String url, String... arguments) throws IOException, InterruptedException {
        URI address = URI.create(url.substring("jdbc:".length()));
        List<String> command = new ArrayList<>(List.of(
                program,
                "-h",
                address.getHost(),
                "-p",
                String.valueOf(address.getPort()),
                "-U",
                "postgres",
                "-d",
                address.getPath().substring(1)));
        command.addAll(List.of(arguments));
        ProcessBuilder builder = new ProcessBuilder(command).redirectErrorStream(true);
        builder.environment().put("PGPASSWORD", BED.databasePassword());
        Path said = Files.createTempFile("backup", ".txt");
        Process process = builder.redirectOutput(said.toFile()).start();
        assertThat(process.waitFor(120, TimeUnit.SECONDS)).isTrue();
        assertThat(process.exitValue()).as(Files.readString(said)).isZero();
    }

    private static void copy(Path from, Path to) throws IOException {
        try (Stream<Path> all = Files.walk(from)) {
            for (Path one : all.filter(Files::isRegularFile).toList()) {
                Path copy = to.resolve(from.relativize(one));
                Files.createDirectories(copy.getParent());
                Files.copy(one, copy);
            }
        }
    }

    @Test
    void whatIsBroughtBackIsWholeAndGoesOn() throws Exception {
        Office office = new Office(BED.address());
        String template = office.publish("Backup", Office.loanWording());
        String done = office.completed(template, "Ida Marsh");
        String out = office.send(office.generate(template, Office.loanValues("Otto Reed")));
        String link = office.link(out, "ida.marsh@lender.example.org");
        office.client.post("/api/v1/daily-roots", Map.of());

        // the database first, then the folder; the office works on between the two
        Path dump = BED.folder.resolve("backup.sql");
        String url = BED.bean(JdbcClient.class)
                .sql("select 'jdbc:postgresql://127.0.0.1:' || current_setting('port') || '/' || current_database()")
                .query(String.class)
                .single();
        run("pg_dump", url, "-f", dump.toString());
        String later = office.completed(template, "Ada Finch");
        Path files = Files.createDirectory(BED.folder.resolve("files-brought-back"));
        copy(BED.folder.resolve("files"), files);

        String restored = BED.newDatabase("brought_back");
        run("psql", restored, "-q", "-v", "ON_ERROR_STOP=1", "-f", dump.toString());
        int port = TestPaths.freePort();
        try (ConfigurableApplicationContext application = SpringApplication.run(
                Jalousie.class,
                BED.arguments(
                        port,
                        List.of(
                                "--spring.datasource.url=" + restored,
                                "--spring.datasource.hikari.maximum-pool-size=8",
                                "--jalousie.files=" + files,
                                "--jalousie.converter.port=" + TestPaths.freePort(),
                                "--jalousie.converter.processes=1")))) {
            Office back = new Office("http://127.0.0.1:" + port);
            JsonNode check =
                    back.client.post("/api/v1/daily-roots/check", Map.of()).json();
            assertThat(check.get("said")).as("every chain whole").isEmpty();
            JsonNode archived = back.client
                    .post("/api/v1/archive/" + done + "/verification", Map.of())
                    .json();
            assertThat(archived.get("intact").asBoolean())
                    .as(archived.toString())
                    .isTrue();
            assertThat(archived.get("cover").isNull()).isFalse();
            everyFileIsThere(application);
            assertThat(back.client.get("/api/v1/agreements/" + later).status()).isEqualTo(404);

            // who had a link goes on with it
            assertThat(back.sign(link, Map.of("lender_vat_number", "XX 4471")).status())
                    .isEqualTo(200);
            back.sign(back.link(out, "tomas.vale@museum.example.org"), Map.of());
            back.await(out, "COMPLETED");
            assertThat(back.client
                            .post("/api/v1/archive/" + out + "/verification", Map.of())
                            .json()
                            .get("intact")
                            .asBoolean())
                    .isTrue();
        }
    }

    private static void everyFileIsThere(ConfigurableApplicationContext application) {
        FileStore store = application.getBean(FileStore.class);
        List<String> names = application
                .getBean(JdbcClient.class)
                .sql("select distinct sha256 from file_reference")
                .query(String.class)
                .list();
        // hashes of certificates and of consents stand among them, and are no files; others' tests damage some
        List<Sha256> kept = names.stream()
                .map(Sha256::new)
                .filter(name -> BED.bean(FileStore.class)
                        .asFound(name)
                        .map(Sha256::of)
                        .filter(name::equals)
                        .isPresent())
                .toList();
        assertThat(kept).hasSizeGreaterThan(5);
        for (Sha256 name : kept) assertThat(store.asFound(name).map(Sha256::of)).hasValue(name);
    }
}
