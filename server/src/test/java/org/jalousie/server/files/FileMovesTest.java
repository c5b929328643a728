package org.jalousie.server.files;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Clock;
import java.time.Duration;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.concurrent.Callable;
import java.util.concurrent.CompletableFuture;
import java.util.stream.IntStream;
import org.jalousie.core.data.Sha256;
import org.jalousie.demo.Client;
import org.jalousie.server.Jalousie;
import org.jalousie.server.adapters.ServiceAway;
import org.jalousie.server.testbed.BucketServer;
import org.jalousie.server.testbed.Office;
import org.jalousie.server.testbed.Relay;
import org.jalousie.server.testbed.TestPaths;
import org.jalousie.server.testbed.Testbed;
import org.jalousie.server.testbed.Together;
import org.jalousie.server.testbed.Wait;
import org.junit.jupiter.api.AfterAll;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.springframework.boot.SpringApplication;
import org.springframework.context.ConfigurableApplicationContext;
import org.springframework.jdbc.core.simple.JdbcClient;
import tools.jackson.databind.JsonNode;

/** Files of an office that go from a folder to a bucket and back, while two servers work. */
class FileMovesTest {
    private static final Testbed BED = Testbed.start();
    private static final String FILES = "/api/v1/office/files";

    @TempDir
    static Path folder;

    private static BucketServer storage;
    private static Relay way;
    private static ConfigurableApplicationContext one;
    private static ConfigurableApplicationContext two;
    private static Office office;
    private static Office beside;

    @BeforeAll
    static void up() {
        storage = new BucketServer();
        way = new Relay(storage.port());
        String database = BED.newDatabase("moving");
        int port = TestPaths.freePort();
        int other = TestPaths.freePort();
        one = server(port, database, 16);
        two = server(other, database, 4);
        office = new Office("http://127.0.0.1:" + port);
        beside = new Office("http://127.0.0.1:" + other);
    }

    private static ConfigurableApplicationContext server(int port, String database, int connections) {
        List<String> more = new ArrayList<>(List.of(
                "--spring.datasource.url=" + database,
                "--spring.datasource.hikari.maximum-pool-size=" + connections,
                "--spring.datasource.hikari.connection-timeout=40000",
                "--jalousie.files=" + folder.resolve("files"),
                "--jalousie.converter.port=" + TestPaths.freePort(),
                "--jalousie.converter.processes=1"));
        more.addAll(BucketServer.arguments(way.address(), "office"));
        return SpringApplication.run(Jalousie.class, BED.arguments(port, more));
    }

    @BeforeEach
    void inTheFolder() {
        way.now(Relay.Way.THROUGH);
        moved("FOLDER");
    }

    @AfterAll
    static void down() {
        two.close();
        one.close();
        way.close();
        storage.close();
    }

    private static FilePlace folderPlace() throws IOException {
        return new FolderStore(folder.resolve("files"), Clock.systemUTC(), Optional.empty());
    }

    private static FilePlace bucketPlace() {
        return new BucketStore(storage.opened("office/"), "the bucket");
    }

    private static JsonNode state() {
        return office.client.get(FILES).json();
    }

    /** Chooses a place, and goes on until all is there. */
    private static void moved(String place) {
        Wait.until(
                "the place to be chosen",
                () -> office.client.put(FILES, Map.of("keptIn", place)).status() == 200);
        Wait.until("all files to be moved", () -> {
            one.getBean(FileMoves.class).round();
            return !state().get("moving").asBoolean();
        });
        assertThat(state().get("keptIn").asString()).isEqualTo(place);
    }

    private static void intact(Office at, String number) {
        JsonNode check = at.client
                .post("/api/v1/archive/" + number + "/verification", Map.of())
                .json();
        assertThat(check.path("intact").asBoolean()).as(check.toString()).isTrue();
    }

    @Test
    void filesMoveThereAndBackWhileEverybodyWorks() throws Exception {
        String template = office.publish("Moving", Office.loanWording());
        String before = office.completed(template, "Ida Marsh");
        Sha256 damaged = folderPlace().keep("damaged since".getBytes(StandardCharsets.UTF_8));
        Path lies =
                folder.resolve("files").resolve(damaged.hex().substring(0, 2)).resolve(damaged.hex());
        Files.writeString(lies, "somebody was here");
        long there = folderPlace().count();

        CompletableFuture<String> meanwhile =
                CompletableFuture.supplyAsync(() -> beside.completed(template, "Otto Reed"));
        moved("BUCKET");
        String during = meanwhile.join();
        // what the other server kept before it knew comes after
        one.getBean(JdbcClient.class)
                .sql("update file_place set looked_at = null")
                .update();
        one.getBean(FileMoves.class).round();

        Path mark = folder.resolve("files").resolve("office.txt");
        assertThat(folderPlace().some(9, Set.of())).containsExactly(damaged);
        assertThat(mark).as("something is left that could be missed").exists();
        assertThat(state().get("stuck")).hasSize(1);
        assertThat(state().get("moved").asLong()).isGreaterThanOrEqualTo(there - 1);
        assertThat(state().get("toMove").asLong()).isGreaterThanOrEqualTo(there);
        for (Office at : List.of(office, beside)) for (String number : List.of(before, during)) intact(at, number);
        String after = beside.completed(template, "Ada Finch");
        intact(office, after);
        assertThat(folderPlace().count()).isEqualTo(1);
        assertThat(office.client.get("/api/v1/trail").text()).contains("the bucket");

        // brought back from the backup it comes after the others
        Files.writeString(lies, "damaged since");
        one.getBean(JdbcClient.class)
                .sql("update file_place set looked_at = null")
                .update();
        one.getBean(FileMoves.class).round();
        assertThat(folderPlace().count()).isZero();
        assertThat(state().get("stuck")).isEmpty();
        assertThat(mark).doesNotExist();

        // the same again changes nothing
        assertThat(office.client
                        .put(FILES, Map.of("keptIn", "BUCKET"))
                        .json()
                        .get("moving")
                        .asBoolean())
                .isFalse();
        moved("FOLDER");
        assertThat(bucketPlace().count()).isZero();
        assertThat(mark).exists();
        for (String number : List.of(before, during, after)) intact(beside, number);
    }

    @Test
    void aMoveThatBreaksGoesOnAndLosesNothing() throws Exception {
        FilePlace from = folderPlace();
        List<Sha256> names = IntStream.range(0, 450)
                .mapToObj(i -> from.keep(("kept before " + i).getBytes(StandardCharsets.UTF_8)))
                .toList();
        assertThat(office.client.put(FILES, Map.of("keptIn", "BUCKET")).status())
                .isEqualTo(200);
        FileMoves moves = one.getBean(FileMoves.class);
        FileStore store = one.getBean(FileStore.class);
        CompletableFuture<Void> running = CompletableFuture.runAsync(moves::round);
        Wait.until("some to be there", () -> bucketPlace().count() > 20);
        way.now(Relay.Way.CUT);
        running.join();
        way.now(Relay.Way.THROUGH);
        Wait.until("it to answer", () -> answers(store, names.get(0)));
        for (Sha256 name : names)
            assertThat(store.asFound(name).map(Sha256::of)).contains(name);
        way.now(Relay.Way.CUT);
        Sha256 late = from.keep("kept late".getBytes(StandardCharsets.UTF_8));
        lookAgain();
        assertThat(from.get(late)).isNotEmpty();
        assertThat(state().get("fault").asString()).contains("connection failed");
        assertThat(state().get("moving").asBoolean()).isTrue();
        way.now(Relay.Way.THROUGH);
        Wait.until("all to be there", () -> {
            moves.round();
            return !state().get("moving").asBoolean();
        });
        assertThat(state().get("fault").asString()).isEmpty();
        assertThat(from.some(9, Set.of())).doesNotContainAnyElementsOf(names);
        for (Sha256 name : names) assertThat(bucketPlace().get(name)).isNotEmpty();
        // turned round in the middle of it
        List<Callable<Object>> both = List.of(
                () -> office.client.put(FILES, Map.of("keptIn", "FOLDER")),
                () -> beside.client.put(FILES, Map.of("keptIn", "FOLDER")));
        Together.all(both);
        CompletableFuture<Void> back = CompletableFuture.runAsync(moves::round);
        Wait.until("some to be back", () -> from.count() > 20);
        office.client.put(FILES, Map.of("keptIn", "BUCKET"));
        back.join();
        for (Sha256 name : names)
            assertThat(store.asFound(name).map(Sha256::of)).contains(name);
        moved("FOLDER");
        assertThat(bucketPlace().count()).isZero();
        for (Sha256 name : names) assertThat(from.get(name)).isNotEmpty();
    }

    /** As it does each hour. */
    private static void lookAgain() {
        one.getBean(JdbcClient.class)
                .sql("update file_place set looked_at = null")
                .update();
        one.getBean(FileMoves.class).round();
    }

    private static boolean answers(FileStore store, Sha256 name) {
        try {
            return store.asFound(name).isPresent();
        } catch (ServiceAway e) {
            return false;
        }
    }

    @Test
    void whileTheStorageIsSilentTheOfficeWorksOnAndNothingIsToldAsMissing() throws Exception {
        String template = office.publish("Silent", Office.loanWording());
        String number = office.completed(template, "Ida Marsh");
        moved("BUCKET");
        String check = "/api/v1/archive/" + number + "/verification";
        way.now(Relay.Way.SILENT);
        try {
            List<Callable<Client.Answer>> many = new ArrayList<>();
            for (int i = 0; i < 8; i++) many.add(() -> beside.client.post(check, Map.of()));
            CompletableFuture<List<Client.Answer>> asked = CompletableFuture.supplyAsync(() -> together(many));
            for (Client.Answer answer : asked.join()) {
                assertThat(answer.status()).as(answer.text()).isEqualTo(503);
                assertThat(answer.text())
                        .contains("The storage that the files lie in can’t be reached")
                        .doesNotContain("missing");
            }
            // it is known now: one asks and waits, the others are told at once, by a pool of four connections
            List<Callable<Duration>> known = new ArrayList<>();
            for (int i = 0; i < 6; i++) known.add(() -> told(check));
            CompletableFuture<List<Duration>> waits = CompletableFuture.supplyAsync(() -> together(known));
            for (int i = 0; i < 12; i++)
                assertThat(beside.client.get("/api/v1/templates").status()).isEqualTo(200);
            assertThat(waits.join())
                    .filteredOn(one -> one.compareTo(Duration.ofSeconds(10)) < 0)
                    .hasSizeGreaterThanOrEqualTo(5);
            Client.Answer away = office.client.put(FILES, Map.of("keptIn", "BUCKET"));
            assertThat(away.status()).isEqualTo(409);
        } finally {
            way.now(Relay.Way.THROUGH);
        }
        Wait.until("it to be back", () -> beside.client.post(check, Map.of()).status() == 200);
        intact(beside, number);
        moved("FOLDER");
    }

    /** How long it took until it was told that the storage is away. */
    private static Duration told(String check) {
        long start = System.nanoTime();
        assertThat(beside.client.post(check, Map.of()).status()).isEqualTo(503);
        return Duration.ofNanos(System.nanoTime() - start);
    }

    private static <T> List<T> together(List<Callable<T>> all) {
        try {
            return Together.all(all);
        } catch (Exception e) {
            throw new IllegalStateException(e);
        }
    }

    @Test
    void onlyAdministratorsChooseAndOnlyWhatIsSet() {
        assertThat(office.client.put(FILES, Map.of("keptIn", "SHELF")).status()).isEqualTo(409);
        assertThat(office.client.put(FILES, Map.of()).status()).isEqualTo(400);
        Client.Answer unset = new Office(BED.address()).client.put(FILES, Map.of("keptIn", "BUCKET"));
        assertThat(unset.status()).isEqualTo(409);
        assertThat(unset.text()).contains("JALOUSIE_BUCKET");
        assertThat(state().get("places")).hasSize(2);
        assertThat(state().toString()).doesNotContain(BucketServer.SECRET);
    }
}
