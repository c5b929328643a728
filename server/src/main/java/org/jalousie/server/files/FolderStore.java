package org.jalousie.server.files;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardCopyOption;
import org.jalousie.core.evidence.Json;
import org.jalousie.server.Settings;
import org.springframework.stereotype.Component;

/** A file store in a folder, two levels deep. */
@Component
class FolderStore implements FileStore {
    private final Path folder;

    FolderStore(Settings settings) {
        this.folder = settings.files();
    }

    @Override
    public String keep(byte[] bytes) {
        String name = Json.sha256(bytes);
        Path file = path(name);
        try {
            if (Files.exists(file)) return name;
            Files.createDirectories(file.getParent());
            Path part = Files.createTempFile(file.getParent(), "new", ".part");
            Files.write(part, bytes);
            Files.move(part, file, StandardCopyOption.ATOMIC_MOVE);
            return name;
        } catch (IOException e) {
            throw new UncheckedIOException("The file store can't write to " + folder, e);
        }
    }

    @Override
    public byte[] get(String name) {
        try {
            byte[] bytes = Files.readAllBytes(path(name));
            if (!Json.sha256(bytes).equals(name))
                throw new IllegalStateException("the stored file " + name + " was changed on disk");
            return bytes;
        } catch (IOException e) {
            throw new IllegalStateException("the stored file " + name + " is missing", e);
        }
    }

    private Path path(String name) {
        if (!name.matches("[0-9a-f]{64}")) throw new IllegalArgumentException("not a stored file's name");
        return folder.resolve(name.substring(0, 2)).resolve(name);
    }
}
