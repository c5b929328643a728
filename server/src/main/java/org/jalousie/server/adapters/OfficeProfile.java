package org.jalousie.server.adapters;

import java.io.IOException;
import java.io.InputStream;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardCopyOption;
import java.util.List;
import java.util.Optional;

/**
 * How the word processor is set: nothing of what serves only somebody who writes in it (words that it learns while it lays out,
 * spelling, files in use, lists of recent ones), and no macros.
 */
final class OfficeProfile {
    private static final String SETTINGS = "registrymodifications.xcu";

    // Debian's libjemalloc2: what the word processor asks of memory takes a tenth of its time with the C library's own
    private static final List<Path> ALLOCATORS = List.of(
            Path.of("/usr/lib/x86_64-linux-gnu/libjemalloc.so.2"),
            Path.of("/usr/lib/aarch64-linux-gnu/libjemalloc.so.2"));

    private OfficeProfile() {}

    /** A folder with the settings that a new process takes as its own, within the lane's. */
    static Path in(Path lane) throws IOException {
        Path profile = lane.resolve("settings");
        Path user = Files.createDirectories(profile.resolve("user"));
        try (InputStream settings = OfficeProfile.class.getResourceAsStream("/office/" + SETTINGS)) {
            if (settings == null) throw new IOException("no settings for the word processor in the application");
            Files.copy(settings, user.resolve(SETTINGS), StandardCopyOption.REPLACE_EXISTING);
        }
        return profile;
    }

    /** The library for memory that is used instead of the C library's, where the machine has one. */
    static Optional<Path> allocator() {
        return ALLOCATORS.stream().filter(Files::isReadable).findFirst();
    }
}
