package org.jalousie.server.files;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.nio.charset.StandardCharsets;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import org.jalousie.core.data.Sha256;
import org.jalousie.server.Jalousie;
import org.jalousie.server.testbed.BucketServer;
import org.jalousie.server.testbed.TestPaths;
import org.jalousie.server.testbed.Testbed;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.springframework.boot.SpringApplication;
import org.springframework.context.ConfigurableApplicationContext;

/** How a server begins, by what the operator set and by what the database says. */
class FilePlacesTest {
    private static final Testbed BED = Testbed.start();

    private final BucketServer storage = new BucketServer();

    @TempDir
    Path folder;

    @AfterEach
    void down() {
        storage.close();
    }

    @Test
    void aNewOfficeMayBeginInABucketAndAServerThatCantReachItDoesntStart() {
        String database = BED.newDatabase("bucket_first");
        Path unused = folder.resolve("unused");
        List<String> more = new ArrayList<>(List.of(
                "--spring.datasource.url=" + database,
                "--jalousie.files=" + unused,
                "--jalousie.bucket.files-in=bucket",
                "--jalousie.converter.port=" + TestPaths.freePort(),
                "--jalousie.converter.processes=1"));
        assertThatThrownBy(() -> SpringApplication.run(Jalousie.class, BED.arguments(TestPaths.freePort(), more)))
                .rootCause()
                .hasMessageContaining("JALOUSIE_BUCKET");
        more.addAll(BucketServer.arguments(storage.address(), "first"));
        try (ConfigurableApplicationContext begun =
                SpringApplication.run(Jalousie.class, BED.arguments(TestPaths.freePort(), more))) {
            Sha256 name = begun.getBean(FileStore.class).keep("the first".getBytes(StandardCharsets.UTF_8));
            assertThat(storage.opened("first/").get("kept/" + name.hex())).isPresent();
            assertThat(unused.resolve(name.hex().substring(0, 2))).doesNotExist();
        }
        List<String> elsewhere = more.stream()
                .map(one -> one.replace("files-in=bucket", "files-in=folder"))
                .filter(one -> !one.contains("bucket.address"))
                .toList();
        assertThatThrownBy(() -> SpringApplication.run(Jalousie.class, BED.arguments(TestPaths.freePort(), elsewhere)))
                .rootCause()
                .hasMessageContaining("lie in a bucket");
    }
}
