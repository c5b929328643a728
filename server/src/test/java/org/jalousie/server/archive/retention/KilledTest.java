package org.jalousie.server.archive.retention;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Random;
import java.util.function.Function;
import java.util.stream.Stream;
import org.jalousie.core.data.Sha256;
import org.jalousie.core.json.Json;
import org.jalousie.demo.Client;
import org.jalousie.server.adapters.Bucket;
import org.jalousie.server.testbed.BucketServer;
import org.jalousie.server.testbed.Office;
import org.jalousie.server.testbed.ServerProcess;
import org.jalousie.server.testbed.Testbed;
import org.jalousie.server.testbed.Wait;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.jdbc.datasource.DriverManagerDataSource;
import tools.jackson.databind.JsonNode;

/**
 * A server in a process of its own that is killed (SIGKILL) while it files, moves files and destroys: the next one ends what was
 * begun, and nothing is lost, twice or half there.
 */
class KilledTest {
    private static final Testbed BED = Testbed.start();
    private static final String FILING = "/api/v1/archive/filing";

    /** Other moments each time; told when it fails. */
    private final long seed = System.nanoTime();

    private final Random random = new Random(seed);

    @TempDir
    Path folder;

    private BucketServer storage;
    private Bucket filedTo;
    private Path share;
    private ServerProcess process;
    private Office office;
    private JdbcClient sql;
    private RetentionHand hand;

    @BeforeEach
    void begin() throws IOException, InterruptedException {
        storage = new BucketServer();
        filedTo = storage.opened("filed/");
        share = Files.createDirectories(BED.shares().resolve("killed"));
        List<String> settings = new ArrayList<>(List.of(
                "--spring.datasource.hikari.maximum-pool-size=8",
                "--db-scheduler.missed-heartbeats-limit=4",
                "--db-scheduler.heartbeat-interval=1s",
                "--jalousie.files=" + folder.resolve("files"),
                "--jalousie.converter.processes=1"));
        settings.addAll(BucketServer.arguments(storage.address(), "kept"));
        process = new ServerProcess(BED, "killed", settings);
        sql = JdbcClient.create(new DriverManagerDataSource(process.database(), "postgres", BED.databasePassword()));
        process.start();
        office = new Office(process.address());
        hand = new RetentionHand(sql, office);
    }

    @AfterEach
    void end() throws IOException, InterruptedException {
        process.kill();
        storage.close();
    }

    private void killedAndUpAgain(int most) throws Exception {
        Thread.sleep(random.nextInt(most));
        process.kill();
        process.start();
    }

    private void target(String kind, String at, String user, String password) {
        Map<String, Object> terms = new HashMap<>(Map.of("title", kind, "kind", kind, "address", at, "user", user));
        terms.put("usual", Map.of("folder", "{{lender_name}}", "name", "{{agreement_number}}"));
        terms.put("record", true);
        Client.Answer answer = office.client.post(FILING, Map.of("terms", terms, "password", password));
        assertThat(answer.status()).as(answer.text()).isEqualTo(201);
    }

    private void awaitFiled(int many) {
        Wait.until("all filed", () -> {
            sql.sql("update filing_target set waits_until = null").update();
            for (JsonNode one : office.client.get(FILING).json().get("targets"))
                if (one.get("filed").asInt() != many || one.get("gathering").asBoolean()) return false;
            return sql.sql("select count(*) from filing where not indexed")
                            .query(Integer.class)
                            .single()
                    == 0;
        });
    }

    @Test
    void whatWasBegunIsEndedByTheNext() throws Exception {
        String template = office.publish("Killed", Office.loanWording());
        List<String> numbers = new ArrayList<>();
        for (int i = 0; i < 4; i++) numbers.add(office.completed(template, "Ida Marsh"));
        String goes = office.completed(template, "Ottilie Brand");
        hand.keep(template, 1, 1);
        hand.ended(60, List.of(goes));
        hand.root();

        target("FOLDER", share.toString(), "", "");
        target("BUCKET", storage.address() + "/papers/filed/", BucketServer.KEY, BucketServer.SECRET);
        killedAndUpAgain(2_500);
        awaitFiled(5);
        List<String> before = inFolder(folder.resolve("files"));
        assertThat(office.client
                        .put("/api/v1/office/files", Map.of("keptIn", "BUCKET"))
                        .status())
                .isEqualTo(200);
        killedAndUpAgain(4_000);
        assertThat(hand.confirm(List.of(goes), true).status()).isEqualTo(202);
        hand.root();
        hand.graceIsOver(goes);
        killedAndUpAgain(1_500);
        hand.look(goes);
        killedAndUpAgain(3_000);
        hand.awaitGone(goes);
        awaitFiled(4);
        Wait.until(
                "all moved",
                () -> !office.client
                        .get("/api/v1/office/files")
                        .json()
                        .get("moving")
                        .asBoolean());

        whole("the folder", inShare(), path -> {
            try {
                return Files.readAllBytes(share.resolve(path));
            } catch (IOException e) {
                throw new IllegalStateException(e);
            }
        });
        whole("the bucket", inBucket(filedTo), path -> filedTo.get(path).orElseThrow());
        Bucket kept = storage.opened("kept/");
        // hashes of other things stand in events too
        List<String> needed = sql.sql("select distinct sha256 from file_reference")
                .query(String.class)
                .list();
        needed.retainAll(before);
        assertThat(needed).hasSizeGreaterThan(20);
        for (String name : needed)
            assertThat(kept.get("kept/" + name).map(Sha256::of).map(Sha256::hex))
                    .as("seed %d", seed)
                    .contains(name);
        for (String number : numbers)
            assertThat(office.client
                            .post("/api/v1/archive/" + number + "/verification", Map.of())
                            .json()
                            .path("intact")
                            .asBoolean())
                    .as("seed %d", seed)
                    .isTrue();
        assertThat(hand.findings()).as("seed %d", seed).isEmpty();
        Wait.until(
                "no work to be stuck",
                () -> sql.sql("select count(*) from scheduled_tasks where consecutive_failures > 0")
                                .query(Integer.class)
                                .single()
                        == 0);
        office.completed(template, "Ada Finch");
        awaitFiled(5);
    }

    private List<String> inShare() throws IOException {
        try (Stream<Path> all = Files.walk(share)) {
            return all.filter(Files::isRegularFile)
                    .map(one -> share.relativize(one).toString())
                    .toList();
        }
    }

    private static List<String> inFolder(Path files) throws IOException {
        try (Stream<Path> all = Files.walk(files)) {
            return all.filter(Files::isRegularFile)
                    .map(one -> one.getFileName().toString())
                    .toList();
        }
    }

    private static List<String> inBucket(Bucket bucket) {
        return bucket.list("", 1_000, Optional.empty()).all().stream()
                .map(Bucket.Entry::name)
                .toList();
    }

    /** What the indexes name is there as they say, once, and nothing else is. */
    private void whole(String where, List<String> all, Function<String, byte[]> read) {
        List<String> named = new ArrayList<>();
        List<String> numbers = new ArrayList<>();
        for (String index : all) {
            if (index.startsWith("index/")) named.add(index);
            if (!index.startsWith("index/") || !index.endsWith(".json")) continue;
            for (JsonNode agreement : Json.MAPPER.readTree(read.apply(index)).get("agreements")) {
                numbers.add(agreement.get("number").asString());
                for (JsonNode file : agreement.get("files")) {
                    String path = file.get("path").asString();
                    named.add(path);
                    assertThat(Sha256.of(read.apply(path)).hex())
                            .as("%s, seed %d", where, seed)
                            .isEqualTo(file.get("sha256").asString());
                }
            }
        }
        assertThat(numbers).as("%s, seed %d", where, seed).hasSize(4).doesNotHaveDuplicates();
        assertThat(all).as("%s, seed %d", where, seed).containsExactlyInAnyOrderElementsOf(named);
    }
}
