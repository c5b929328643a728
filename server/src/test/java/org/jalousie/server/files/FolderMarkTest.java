package org.jalousie.server.files;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Clock;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.concurrent.Callable;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.Future;
import java.util.stream.Stream;
import org.jalousie.core.data.Sha256;
import org.jalousie.server.Jalousie;
import org.jalousie.server.adapters.ServiceAway;
import org.jalousie.server.testbed.TestPaths;
import org.jalousie.server.testbed.Testbed;
import org.junit.jupiter.api.AfterAll;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.springframework.boot.SpringApplication;
import org.springframework.context.ConfigurableApplicationContext;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.transaction.support.TransactionTemplate;

/** A share that isn't mounted leaves an empty folder: nothing is missing there, and nothing is kept there. */
class FolderMarkTest {
    private static final Testbed BED = Testbed.start();
    private static final byte[] ONE = "a signed agreement".getBytes(StandardCharsets.UTF_8);

    @TempDir
    static Path ground;

    private static Path folder;
    private static String database;
    private static ConfigurableApplicationContext office;

    private static ConfigurableApplicationContext server() {
        return SpringApplication.run(
                Jalousie.class,
                BED.arguments(
                        TestPaths.freePort(),
                        List.of(
                                "--spring.datasource.url=" + database,
                                "--spring.datasource.hikari.maximum-pool-size=8",
                                "--jalousie.files=" + folder,
                                "--jalousie.converter.port=" + TestPaths.freePort(),
                                "--jalousie.converter.processes=1")));
    }

    @BeforeAll
    static void begin() {
        database = BED.newDatabase("marked_folder");
        folder = ground.resolve("share").resolve("files");
        office = server();
    }

    @AfterAll
    static void end() {
        office.close();
    }

    @BeforeEach
    void mounted() throws IOException {
        if (Files.exists(ground.resolve("away"))) mount();
    }

    private static void unmount() throws IOException {
        Files.move(ground.resolve("share"), ground.resolve("away"));
        Files.createDirectories(folder);
    }

    private static void mount() throws IOException {
        Files.delete(folder);
        Files.delete(ground.resolve("share"));
        Files.move(ground.resolve("away"), ground.resolve("share"));
    }

    /** As another server has it, which knows nothing yet. */
    private static FolderStore another(Path where) {
        try {
            return new FolderStore(
                    where,
                    Clock.systemUTC(),
                    Optional.of(new FolderMark(
                            office.getBean(JdbcClient.class), office.getBean(TransactionTemplate.class))));
        } catch (IOException e) {
            throw new IllegalStateException(e);
        }
    }

    private static List<Path> in(Path where) throws IOException {
        try (Stream<Path> all = Files.list(where)) {
            return all.toList();
        }
    }

    @Test
    void whileTheShareIsAwayNothingIsMissingAndNothingIsKeptBesideIt() throws IOException {
        FileStore files = office.getBean(FileStore.class);
        Sha256 name = files.keep(ONE);
        unmount();

        assertThatThrownBy(() -> files.get(name))
                .isInstanceOf(ServiceAway.class)
                .hasMessageContaining(folder.toString())
                .hasMessageContaining("mounted");
        assertThatThrownBy(() -> files.keep(ONE)).isInstanceOf(ServiceAway.class);
        assertThatThrownBy(() -> files.untouchedSince(java.time.Instant.MAX)).isInstanceOf(ServiceAway.class);
        assertThatThrownBy(() -> another(folder).keep(ONE)).isInstanceOf(ServiceAway.class);
        assertThat(in(folder)).isEmpty();

        mount();
        assertThat(files.get(name)).isEqualTo(ONE);
        assertThat(another(folder).keep(ONE)).isEqualTo(name);
    }

    @Test
    void aServerThatStartsMeanwhileWaitsForIt() throws IOException {
        Sha256 name = office.getBean(FileStore.class).keep(ONE);
        unmount();
        try (ConfigurableApplicationContext later = server()) {
            FileStore files = later.getBean(FileStore.class);
            assertThatThrownBy(() -> files.get(name)).isInstanceOf(ServiceAway.class);
            assertThat(in(folder)).isEmpty();
            mount();
            assertThat(files.get(name)).isEqualTo(ONE);
        }
    }

    @Test
    void theFolderOfAnotherOfficeIsNotTaken() throws IOException {
        Path other = Files.createDirectory(ground.resolve("other"));
        Files.writeString(other.resolve("office.txt"), "Files of the office 0\n");
        assertThatThrownBy(() -> another(other).keep(ONE)).isInstanceOf(ServiceAway.class);

        // what was brought back without the line takes it as the message says
        String line = Files.readString(folder.resolve("office.txt"));
        Files.writeString(other.resolve("office.txt"), line.strip());
        assertThat(another(other).keep(ONE)).isEqualTo(Sha256.of(ONE));
    }

    @Test
    void aFileThatIsMissingInTheRightFolderIsMissing() {
        assertThat(office.getBean(FileStore.class).asFound(Sha256.of("never kept".getBytes(StandardCharsets.UTF_8))))
                .isEmpty();
    }

    @Test
    void manyServersThatStartAtOnceLayOneMark() throws Exception {
        JdbcClient sql = office.getBean(JdbcClient.class);
        String before = Files.readString(folder.resolve("office.txt"));
        sql.sql("update file_place set folder_mark = null").update();
        Files.delete(folder.resolve("office.txt"));
        ExecutorService many = Executors.newFixedThreadPool(6);
        List<Callable<Sha256>> all = new ArrayList<>();
        for (int i = 0; i < 6; i++) {
            FolderStore one = another(folder);
            all.add(() -> one.keep(ONE));
        }
        for (Future<Sha256> one : many.invokeAll(all)) assertThat(one.get()).isEqualTo(Sha256.of(ONE));
        many.shutdown();
        String line = sql.sql("select folder_mark from file_place")
                .query(String.class)
                .single();
        assertThat(Files.readString(folder.resolve("office.txt")))
                .isEqualTo(line + "\n")
                .isNotEqualTo(before);
        // the server that has been up all the time hears of it
        assertThat(office.getBean(FileStore.class).keep(ONE)).isEqualTo(Sha256.of(ONE));
    }
}
