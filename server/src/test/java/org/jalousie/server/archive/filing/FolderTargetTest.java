package org.jalousie.server.archive.filing;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.io.IOException;
import java.nio.file.AccessDeniedException;
import java.nio.file.FileSystemException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Duration;
import org.jalousie.server.testbed.SmallDisk;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

class FolderTargetTest {
    @TempDir
    Path folder;

    @Test
    void whatIsThereStaysAndTheSameIsKnown() throws Exception {
        FolderTarget target = new FolderTarget(folder, Duration.ofSeconds(10));
        assertThat(target.put("a/b.pdf", new byte[] {1})).isEqualTo(FilingTarget.Put.WRITTEN);
        assertThat(target.put("a/b.pdf", new byte[] {1})).isEqualTo(FilingTarget.Put.SAME);
        assertThat(target.put("a/b.pdf", new byte[] {2})).isEqualTo(FilingTarget.Put.OTHER);
        Files.createDirectory(folder.resolve("c.pdf"));
        assertThat(target.put("c.pdf", new byte[] {2})).isEqualTo(FilingTarget.Put.OTHER);
        target.replace("a/b.pdf", new byte[] {3});
        assertThat(folder.resolve("a/b.pdf")).hasBinaryContent(new byte[] {3});
        try (var left = Files.list(folder.resolve("a"))) {
            assertThat(left).hasSize(1);
        }
        assertThatThrownBy(() -> target.put("../out.pdf", new byte[] {1}))
                .isInstanceOf(FilingTarget.Away.class)
                .hasMessageContaining("leads out");
    }

    @Test
    void aFolderInThePlaceOfAFileIsTold() throws Exception {
        Files.writeString(folder.resolve("a"), "a file where a folder belongs");
        assertThatThrownBy(() -> new FolderTarget(folder, Duration.ofSeconds(10)).put("a/b.pdf", new byte[] {1}))
                .isInstanceOf(FilingTarget.Away.class);
        assertThatThrownBy(() ->
                        new FolderTarget(folder.resolve("gone"), Duration.ofSeconds(10)).put("b.pdf", new byte[] {1}))
                .hasMessageContaining("mounted");
    }

    @Test
    void aShareThatIsFullKeepsWhatIsThereAndNothingHalf() {
        assertThat(SmallDisk.run(OnAFullShare.class, folder, 1_100_000)).contains("it goes on");
    }

    /** Runs where the share is a small disk. */
    static final class OnAFullShare {
        private OnAFullShare() {}

        public static void main(String[] arguments) throws IOException {
            Path share = Path.of(arguments[0]);
            FolderTarget target = new FolderTarget(share, Duration.ofSeconds(10));
            byte[] bytes = new byte[200_000];
            int filed = 0;
            FilingTarget.Away full = null;
            while (full == null) {
                try {
                    target.put("loans/" + filed + ".pdf", bytes);
                    filed++;
                } catch (FilingTarget.Away away) {
                    full = away;
                }
            }
            assertThat(full).hasMessageContaining("No space left");
            byte[] index = {1, 2, 3};
            target.replace("loans/0.pdf", index);
            String last = "loans/" + filed + ".pdf";
            assertThat(share.resolve(last)).doesNotExist();
            assertThat(target.put(last, bytes)).isEqualTo(FilingTarget.Put.WRITTEN);
            assertThatThrownBy(() -> target.replace("loans/0.pdf", bytes)).isInstanceOf(FilingTarget.Away.class);
            assertThat(share.resolve("loans/0.pdf")).hasBinaryContent(index);
            try (var all = Files.list(share.resolve("loans"))) {
                assertThat(all).hasSize(filed + 1);
            }
            System.out.println("it goes on");
        }
    }

    @Test
    void whatTheMachineSaysIsSaidWithoutItsPaths() {
        assertThat(FolderTarget.said(new IOException("No space left on device")).toString())
                .contains("No space left on device");
        assertThat(FolderTarget.said(new FileSystemException("/srv/Ida Marsh.pdf", null, "Stale file handle"))
                        .toString())
                .contains("Stale file handle")
                .doesNotContain("Ida");
        assertThat(FolderTarget.said(new AccessDeniedException("/srv/Ida Marsh.pdf"))
                        .toString())
                .contains("may not be written")
                .doesNotContain("Ida");
        assertThat(FolderTarget.said(new IllegalStateException("/srv/Ida Marsh.pdf"))
                        .toString())
                .doesNotContain("Ida");
    }
}
