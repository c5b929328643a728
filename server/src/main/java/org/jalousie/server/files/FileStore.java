package org.jalousie.server.files;

import java.time.Instant;
import java.util.List;
import java.util.Optional;
import org.jalousie.core.data.Sha256;

/**
 * Keeps files by their content: a file's name is the SHA-256 of its bytes. A place that doesn't answer just now is told as a
 * {@link org.jalousie.server.adapters.ServiceAway}, never as a file that is missing.
 */
public interface FileStore {
    /** The bytes as they lie there, whether or not they are what was kept; empty when there are none. */
    Optional<byte[]> asFound(Sha256 name);

    /** A file that can't be given out as it was kept; the message is for a person. */
    final class Damaged extends IllegalStateException {
        private final transient Sha256 name;

        Damaged(String message, Sha256 name) {
            super(message + " Its name is " + name + "; bring it back from the backup of the file store.");
            this.name = name;
        }

        public Sha256 name() {
            return name;
        }

        /** The bytes that were found, when they are what was kept. @throws Damaged when they aren't, or there are none */
        static byte[] unlessWhole(Optional<byte[]> found, Sha256 name) {
            byte[] bytes = found.orElseThrow(() -> new Damaged("A stored file is missing or can't be read.", name));
            if (!Sha256.of(bytes).equals(name))
                throw new Damaged("A stored file was changed or damaged where it lies.", name);
            return bytes;
        }
    }

    /** Keeps the bytes and returns their name; keeping the same bytes twice is the same as once. */
    Sha256 keep(byte[] bytes);

    /** @throws Damaged when the file is missing or its content doesn't match its name any more */
    byte[] get(Sha256 name);

    /** A picture for a document, whose name stands in the data. @throws Damaged when there is none of this name */
    default byte[] picture(String name) {
        return get(
                Sha256.read(name).orElseThrow(() -> new IllegalArgumentException("There is no picture " + name + ".")));
    }

    /** Names of files that nobody kept anew since a moment. */
    List<Sha256> untouchedSince(Instant moment);

    /**
     * Puts a file aside that nobody refers to. Kept or asked for again it comes back; else it is gone when it is put aside for
     * the second time.
     *
     * @param since nothing that was put aside after this moment is taken away for good
     */
    void putAside(Sha256 name, Instant since);

    /** Brings back a file that was put aside, if it was. */
    void bringBack(Sha256 name);
}
