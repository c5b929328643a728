package org.jalousie.server.files;

/** Keeps files by their content. A name is the SHA-256 of the bytes in lower-case hexadecimal. */
public interface FileStore {
    /** Keeps the bytes and returns their name; keeping the same bytes twice is the same as once. */
    String keep(byte[] bytes);

    /** @throws IllegalStateException when the file is missing or its content doesn't match its name any more */
    byte[] get(String name);
}
