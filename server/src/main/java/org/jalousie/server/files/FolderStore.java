package org.jalousie.server.files;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.ByteBuffer;
import java.nio.channels.FileChannel;
import java.nio.file.DirectoryIteratorException;
import java.nio.file.DirectoryStream;
import java.nio.file.Files;
import java.nio.file.NoSuchFileException;
import java.nio.file.Path;
import java.nio.file.StandardCopyOption;
import java.nio.file.StandardOpenOption;
import java.nio.file.attribute.FileTime;
import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Stream;
import org.jalousie.core.data.Sha256;
import org.jalousie.server.Settings;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.boot.context.event.ApplicationReadyEvent;
import org.springframework.context.event.EventListener;
import org.springframework.stereotype.Component;

/**
 * A file store in a folder, two levels deep. What is kept is on the disk before its name is given out, even through a power
 * cut: written, synced, renamed, and the folder synced.
 */
@Component
class FolderStore implements FilePlace {
    private static final Logger LOG = LoggerFactory.getLogger(FolderStore.class);
    private static final Duration ABANDONED = Duration.ofHours(1);
    private static final String ASIDE = "aside";

    /** A disk has folders of its own at its root, and people lay others beside. */
    private static final String OURS = "{aside,[0-9a-f][0-9a-f]}";

    private final Path folder;
    private final Clock clock;
    private final Optional<FolderMark> mark;

    @Autowired
    FolderStore(Settings settings, Clock clock, FolderMark mark) throws IOException {
        this(settings.files(), clock, Optional.of(mark));
    }

    /** @param mark by which the folder is known; empty where it needs none */
    FolderStore(Path folder, Clock clock, Optional<FolderMark> mark) throws IOException {
        this.folder = folder;
        this.clock = clock;
        this.mark = mark;
        Files.createDirectories(folder);
    }

    @Override
    public Sha256 keep(byte[] bytes) {
        Sha256 name = Sha256.of(bytes);
        Path file = path(name);
        mark();
        try {
            broughtBack(name);
            if (isWhole(file, name)) {
                touch(file);
                return name;
            }
            Files.createDirectories(file.getParent());
            Path part = Files.createTempFile(file.getParent(), "new", ".part");
            try {
                write(part, bytes);
                touch(part);
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

    /** Files are kept here from now on. @throws org.jalousie.server.adapters.ServiceAway when it isn't the office's folder */
    void mark() {
        mark.ifPresent(it -> it.laid(folder));
    }

    /** None are kept here any more, and none are left. */
    void unmark() {
        mark.ifPresent(it -> it.away(folder));
    }

    private void touch(Path file) throws IOException {
        Files.setLastModifiedTime(file, FileTime.from(clock.instant()));
    }

    /** A file of the right name with other content, such as an empty one after a power cut, is written anew. */
    private static boolean isWhole(Path file, Sha256 name) throws IOException {
        try {
            return Sha256.of(Files.readAllBytes(file)).equals(name);
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
    public byte[] get(Sha256 name) {
        return Damaged.unlessWhole(asFound(name), name);
    }

    @Override
    public Optional<byte[]> asFound(Sha256 name) {
        try {
            return Optional.of(read(name));
        } catch (IOException e) {
            mark.ifPresent(it -> it.require(folder));
            return Optional.empty();
        }
    }

    private byte[] read(Sha256 name) throws IOException {
        try {
            return Files.readAllBytes(path(name));
        } catch (NoSuchFileException e) {
            broughtBack(name);
            // where there was nothing to bring back, another one may have been first
            return Files.readAllBytes(path(name));
        }
    }

    /** Brings a file back that was put aside, if it was. */
    private void broughtBack(Sha256 name) throws IOException {
        if (!Files.exists(aside(name))) return;
        try {
            Files.createDirectories(path(name).getParent());
            Files.move(aside(name), path(name), StandardCopyOption.ATOMIC_MOVE);
            touch(path(name));
        } catch (NoSuchFileException e) {
            LOG.debug("another one was first to bring a file back");
        }
    }

    @Override
    public void bringBack(Sha256 name) {
        try {
            broughtBack(name);
        } catch (IOException e) {
            throw new UncheckedIOException("The file store can't write to its folder.", e);
        }
    }

    @Override
    public List<Sha256> untouchedSince(Instant moment) {
        List<Sha256> names = new ArrayList<>();
        walk((file, name) -> {
            try {
                if (Files.getLastModifiedTime(file).toInstant().isBefore(moment)) names.add(name);
            } catch (NoSuchFileException e) {
                LOG.debug("a file was taken away while the store was looked through");
            }
            return true;
        });
        return names;
    }

    private interface Looked {
        /** @return whether it goes on */
        boolean at(Path file, Sha256 name) throws IOException;
    }

    /** Looks at each file that is there, without asking the disk about any: one may be taken away meanwhile. */
    private void walk(Looked looked) {
        mark.ifPresent(it -> it.require(folder));
        try (DirectoryStream<Path> folders = Files.newDirectoryStream(folder, OURS)) {
            for (Path one : folders) {
                if (!Files.isDirectory(one)) continue;
                try (DirectoryStream<Path> files = Files.newDirectoryStream(one)) {
                    for (Path file : files) {
                        Optional<Sha256> name = Sha256.read(file.getFileName().toString());
                        // what somebody else laid there can't be asked for by its name
                        boolean ours = name.filter(it -> file.equals(path(it)) || file.equals(aside(it)))
                                .isPresent();
                        if (ours && !looked.at(file, name.get())) return;
                    }
                }
            }
        } catch (IOException | DirectoryIteratorException e) {
            throw new UncheckedIOException("The file store's folder can't be read.", new IOException(e));
        }
    }

    @Override
    public void putAside(Sha256 name, Instant since) {
        try {
            Path aside = aside(name);
            if (Files.exists(aside)) {
                if (Files.getLastModifiedTime(aside).toInstant().isBefore(since)) Files.deleteIfExists(aside);
                return;
            }
            Files.createDirectories(aside.getParent());
            Files.move(path(name), aside, StandardCopyOption.ATOMIC_MOVE);
            touch(aside);
        } catch (NoSuchFileException e) {
            LOG.debug("a file that should be put aside is gone");
        } catch (IOException e) {
            throw new UncheckedIOException("The file store can't write to its folder.", e);
        }
    }

    @Override
    public String said() {
        return folder.toString();
    }

    @Override
    public List<Sha256> some(int most, Set<Sha256> but) {
        List<Sha256> names = new ArrayList<>();
        walk((file, name) -> {
            if (!but.contains(name)) names.add(name);
            return names.size() < most;
        });
        return names;
    }

    @Override
    public long count() {
        long[] count = new long[1];
        walk((file, name) -> ++count[0] > 0);
        return count[0];
    }

    @Override
    public void remove(Sha256 name) {
        try {
            Files.deleteIfExists(path(name));
            Files.deleteIfExists(aside(name));
        } catch (IOException e) {
            throw new UncheckedIOException("The file store can't write to its folder.", e);
        }
    }

    private Path aside(Sha256 name) {
        return folder.resolve(ASIDE).resolve(name.hex());
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

    private Path path(Sha256 name) {
        return folder.resolve(name.hex().substring(0, 2)).resolve(name.hex());
    }
}
