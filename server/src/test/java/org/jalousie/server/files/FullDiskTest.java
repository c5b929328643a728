package org.jalousie.server.files;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Clock;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Random;
import java.util.stream.Stream;
import org.jalousie.core.data.Sha256;
import org.jalousie.server.testbed.SmallDisk;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** On a disk that is full nothing is half there, what was there stays, and it goes on when there is room again. */
class FullDiskTest {
    private static final int LARGE = 300_000;

    @Test
    void whatHasNoRoomIsToldAndLeavesNothingBehind(@TempDir Path folder) {
        assertThat(SmallDisk.run(Program.class, folder, 2_000_000)).contains("it goes on");
    }

    /** Runs where the folder is a small disk. */
    static final class Program {
        private Program() {}

        public static void main(String[] arguments) throws IOException {
            Path folder = Path.of(arguments[0]);
            FolderStore store = new FolderStore(folder, Clock.systemUTC(), Optional.empty());
            List<Sha256> kept = new ArrayList<>();
            Random random = new Random(1);
            byte[] bytes = new byte[LARGE];
            boolean full = false;
            while (!full) {
                random.nextBytes(bytes);
                try {
                    kept.add(store.keep(bytes));
                } catch (UncheckedIOException e) {
                    full = true;
                    assertThat(e.getMessage()).contains("may be full");
                }
            }
            assertThat(kept).hasSizeGreaterThan(3);
            assertWhole(store, folder, kept);
            // the one that had no room has it now
            store.remove(kept.remove(0));
            kept.add(store.keep(bytes));
            assertWhole(store, folder, kept);
            System.out.println("it goes on");
        }

        private static void assertWhole(FolderStore store, Path folder, List<Sha256> kept) throws IOException {
            for (Sha256 name : kept) assertThat(store.get(name)).hasSize(LARGE);
            assertThat(store.count()).isEqualTo(kept.size());
            try (Stream<Path> all = Files.walk(folder)) {
                assertThat(all.filter(Files::isRegularFile)).hasSize(kept.size());
            }
        }
    }
}
