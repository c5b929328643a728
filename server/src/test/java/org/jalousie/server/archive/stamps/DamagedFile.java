package org.jalousie.server.archive.stamps;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.stream.Stream;
import org.jalousie.core.data.Sha256;
import org.jalousie.server.testbed.Testbed;

/** A file of the archive that somebody who rules over the disk has changed, for a while. */
final class DamagedFile {
    private DamagedFile() {}

    static void with(Testbed bed, byte[] file, Runnable meanwhile) {
        try {
            Path there = find(bed, Sha256.of(file));
            byte[] changed = file.clone();
            changed[changed.length / 2] ^= 1;
            there.toFile().setWritable(true);
            Files.write(there, changed);
            try {
                meanwhile.run();
            } finally {
                Files.write(there, file);
            }
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    private static Path find(Testbed bed, Sha256 name) throws IOException {
        try (Stream<Path> all = Files.walk(bed.folder.resolve("files"))) {
            return all.filter(Files::isRegularFile)
                    .filter(one -> one.toString().replace("/", "").endsWith(name.hex())
                            || one.getFileName().toString().equals(name.hex()))
                    .findFirst()
                    .orElseThrow();
        }
    }
}
