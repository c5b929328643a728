package org.jalousie.server.archive.filing;

import java.io.IOException;
import java.nio.ByteBuffer;
import java.nio.channels.FileChannel;
import java.nio.file.AccessDeniedException;
import java.nio.file.DirectoryNotEmptyException;
import java.nio.file.FileAlreadyExistsException;
import java.nio.file.FileSystemException;
import java.nio.file.Files;
import java.nio.file.LinkOption;
import java.nio.file.Path;
import java.nio.file.StandardCopyOption;
import java.nio.file.StandardOpenOption;
import java.time.Duration;
import java.util.Arrays;
import java.util.Set;
import java.util.concurrent.CompletableFuture;
import java.util.concurrent.ExecutionException;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.TimeUnit;
import java.util.concurrent.TimeoutException;
import org.jalousie.core.data.Sha256;
import org.jalousie.core.messages.Message;

/**
 * A folder of the machine, which may be a mounted share. A file is written beside its place, synced, and moved there. A folder
 * that isn't there is never made: where a share isn't mounted, its files would lie under it.
 */
final class FolderTarget implements FilingTarget {
    /** A share that has gone may never answer; whoever waits for it is let go. */
    private static final ExecutorService HANDS = Executors.newCachedThreadPool(work -> {
        Thread thread = new Thread(work, "filing-folder");
        thread.setDaemon(true);
        return thread;
    });

    private final Path root;
    private final Duration limit;

    FolderTarget(Path root, Duration limit) {
        this.root = root;
        this.limit = limit;
    }

    private interface Work<T> {
        T run() throws IOException;
    }

    private <T> T inTime(Work<T> work) {
        CompletableFuture<T> done = new CompletableFuture<>();
        HANDS.execute(() -> {
            try {
                done.complete(work.run());
            } catch (IOException | RuntimeException e) {
                done.completeExceptionally(e);
            }
        });
        try {
            return done.get(limit.toMillis(), TimeUnit.MILLISECONDS);
        } catch (TimeoutException e) {
            throw new Away(Message.of("filing.folder-silent", "seconds", limit.toSeconds()), e);
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
            throw new Away(Message.of("filing.stopped"), e);
        } catch (ExecutionException e) {
            throw e.getCause() instanceof Away away ? away : new Away(said(e.getCause()), e.getCause());
        }
    }

    /** What went wrong, in words of the machine where there are any; its paths say who has signed what, and are left out. */
    static Message said(Throwable cause) {
        if (cause instanceof AccessDeniedException) return Message.of("filing.folder-denied");
        String said = cause instanceof FileSystemException refused ? refused.getReason() : cause.getMessage();
        return Message.of(
                "filing.folder-refuses",
                "kind",
                cause instanceof IOException && said != null
                        ? said
                        : cause.getClass().getSimpleName());
    }

    private Path real() throws IOException {
        if (!Files.isDirectory(root)) throw new Away(Message.of("filing.folder-gone"), null);
        return root.toRealPath();
    }

    /** Where a file belongs; its folders are there then. */
    private Path place(String path) throws IOException {
        Path real = real();
        Path place = real.resolve(path).normalize();
        if (!place.startsWith(real) || place.equals(real)) throw new Away(Message.of("filing.leads-out"), null);
        Files.createDirectories(place.getParent());
        // somebody may have put a link there that leads elsewhere
        if (!place.getParent().toRealPath().startsWith(real)) throw new Away(Message.of("filing.leads-out"), null);
        return place;
    }

    @Override
    public Put put(String path, byte[] bytes) {
        return inTime(() -> {
            Path place = place(path);
            if (Files.exists(place, LinkOption.NOFOLLOW_LINKS)) return compared(place, bytes);
            Path part = part(place, bytes);
            try {
                // fails where something has come there meanwhile
                Files.move(part, place);
            } catch (FileAlreadyExistsException e) {
                Files.deleteIfExists(part);
                return compared(place, bytes);
            }
            sync(place.getParent());
            return Put.WRITTEN;
        });
    }

    private static Put compared(Path place, byte[] bytes) throws IOException {
        boolean same = Files.isRegularFile(place, LinkOption.NOFOLLOW_LINKS)
                && Files.size(place) == bytes.length
                && Arrays.equals(Files.readAllBytes(place), bytes);
        return same ? Put.SAME : Put.OTHER;
    }

    @Override
    public void replace(String path, byte[] bytes) {
        inTime(() -> {
            Path place = place(path);
            Files.move(part(place, bytes), place, StandardCopyOption.ATOMIC_MOVE, StandardCopyOption.REPLACE_EXISTING);
            sync(place.getParent());
            return Put.WRITTEN;
        });
    }

    @Override
    public void takeAway(String path, Set<Sha256> ours) {
        inTime(() -> {
            Path real = real();
            Path place = real.resolve(path).normalize();
            if (!place.startsWith(real) || !Files.isRegularFile(place, LinkOption.NOFOLLOW_LINKS)) return false;
            // a link may lead elsewhere, where nothing is ours
            if (!place.getParent().toRealPath().startsWith(real)) return false;
            if (!ours.contains(Sha256.of(Files.readAllBytes(place)))) return false;
            Files.delete(place);
            sync(place.getParent());
            for (Path folder = place.getParent(); !folder.equals(real); folder = folder.getParent())
                if (!emptied(folder)) break;
            return true;
        });
    }

    /** Takes a folder away that has nothing in it. */
    private static boolean emptied(Path folder) throws IOException {
        try {
            Files.delete(folder);
            return true;
        } catch (DirectoryNotEmptyException e) {
            return false;
        }
    }

    /** Its name follows from what is in it, so one that was left when the server stopped is written over by the next try. */
    private static Path part(Path place, byte[] bytes) throws IOException {
        Path part = place.resolveSibling("." + Sha256.of(bytes).hex().substring(0, 24) + ".part");
        try {
            try (FileChannel channel = FileChannel.open(
                    part,
                    StandardOpenOption.CREATE,
                    StandardOpenOption.WRITE,
                    StandardOpenOption.TRUNCATE_EXISTING,
                    LinkOption.NOFOLLOW_LINKS)) {
                ByteBuffer all = ByteBuffer.wrap(bytes);
                while (all.hasRemaining()) channel.write(all);
                channel.force(true);
            }
        } catch (IOException e) {
            Files.deleteIfExists(part);
            throw e;
        }
        return part;
    }

    private static void sync(Path directory) {
        try (FileChannel channel = FileChannel.open(directory, StandardOpenOption.READ)) {
            channel.force(true);
        } catch (IOException e) {
            // some shares have no folders that can be synced; the file itself was
            return;
        }
    }
}
