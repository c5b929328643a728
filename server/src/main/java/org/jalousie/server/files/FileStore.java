package org.jalousie.server.files;

import java.util.Optional;

/** Keeps files by their content. A name is the SHA-256 of the bytes in lower-case hexadecimal. */
public interface FileStore {
    /** Whether a text from outside can be a file's name at all. */
    static boolean isName(String text) {
        return text != null && text.matches("[0-9a-f]{64}");
    }

    /** The bytes as they are on the disk, whether or not they are what was kept; empty when there are none. */
    Optional<byte[]> asFound(String name);

    /** A file that can't be given out as it was kept; the message is for a person. */
    final class Damaged extends IllegalStateException {
        private final String name;

        Damaged(String message, String name) {
            super(message + " Its name is " + name + "; bring it back from the backup of the file store.");
            this.name = name;
        }

        public String name() {
            return name;
        }
    }

    /** Keeps the bytes and returns their name; keeping the same bytes twice is the same as once. */
    String keep(byte[] bytes);

    /** @throws Damaged when the file is missing or its content doesn't match its name any more */
    byte[] get(String name);
}
