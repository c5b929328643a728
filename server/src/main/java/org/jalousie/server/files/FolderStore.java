package org.jalousie.server.files;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.ByteBuffer;
import java.nio.channels.FileChannel;
import java.nio.file.Files;
import java.nio.file.NoSuchFileException;
import java.nio.file.Path;
import java.nio.file.StandardCopyOption;
import java.nio.file.StandardOpenOption;
import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.util.Optional;
import java.util.stream.Stream;
import org.jalousie.core.evidence.Json;
import org.jalousie.server.Settings;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.boot.context.event.ApplicationReadyEvent;
import org.springframework.context.event.EventListener;
import org.springframework.stereotype.Component;

/**
 * A file store in a folder, two levels deep. What is kept is on the disk before its name is given out, even through a power
 * cut: written, synced, renamed, and the folder synced.
 */
@Component
class FolderStore implements FileStore {
    private static final Logger LOG = LoggerFactory.getLogger(FolderStore.class);
    private static final Duration ABANDONED = Duration.ofHours(1);

    private final Path folder;
    private final Clock clock;

    FolderStore(Settings settings, Clock clock) throws IOException {
        this.folder = settings.files();
        this.clock = clock;
        Files.createDirectories(folder);
    }

    @Override
    public String keep(byte[] bytes) {
        String name = Json.sha256(bytes);
        Path file = path(name);
        try {
            if (isWhole(file, name)) return name;
            Files.createDirectories(file.getParent());
            Path part = Files.createTempFile(file.getParent(), "new", ".part");
            try {
                write(part, bytes);
                Files.move(part, file, StandardCopyOption.ATOMIC_MOVE, StandardCopyOption.REPLACE_EXISTING);
            } finally {
                Files.deleteIfExists(part);
            }
            sync(file.getParent());
            return name;
        } catch (IOException e) {
            throw new UncheckedIOException("The file store can't write to its folder; it may be full.", e);
        }
    }

    /** A file of the right name with other content, such as an empty one after a power cut, is written anew. */
    private static boolean isWhole(Path file, String name) throws IOException {
        try {
            return Json.sha256(Files.readAllBytes(file)).equals(name);
        } catch (NoSuchFileException e) {
            return false;
        }
    }

    private static void write(Path part, byte[] bytes) throws IOException {
        try (FileChannel channel = FileChannel.open(part, StandardOpenOption.WRITE)) {
            ByteBuffer all = ByteBuffer.wrap(bytes);
            while (all.hasRemaining()) channel.write(all);
            channel.force(true);
        }
    }

    private static void sync(Path directory) throws IOException {
        try (FileChannel channel = FileChannel.open(directory, StandardOpenOption.READ)) {
            channel.force(true);
        }
    }

    @Override
    public byte[] get(String name) {
        try {
            byte[] bytes = Files.readAllBytes(path(name));
            if (!Json.sha256(bytes).equals(name))
                throw new Damaged("A stored file was changed or damaged on the disk.", name);
            return bytes;
        } catch (IOException e) {
            throw new Damaged("A stored file is missing or can't be read.", name);
        }
    }

    @Override
    public Optional<byte[]> asFound(String name) {
        try {
            return Optional.of(Files.readAllBytes(path(name)));
        } catch (IOException e) {
            return Optional.empty();
        }
    }

    /** Takes away what a program that was stopped while writing has left. */
    @EventListener(ApplicationReadyEvent.class)
    void sweep() {
        Instant limit = clock.instant().minus(ABANDONED);
        try (Stream<Path> all = Files.walk(folder, 2)) {
            for (Path part :
                    all.filter(file -> file.toString().endsWith(".part")).toList()) {
                if (Files.getLastModifiedTime(part).toInstant().isBefore(limit)) Files.deleteIfExists(part);
            }
        } catch (IOException e) {
            LOG.warn("the file store's folder can't be swept");
        }
    }

    private Path path(String name) {
        if (!FileStore.isName(name)) throw new IllegalArgumentException("not a stored file's name");
        return folder.resolve(name.substring(0, 2)).resolve(name);
    }
}
