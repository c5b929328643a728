package org.jalousie.core.wording;

/** A file that cannot be taken in. The message tells the person why and what to do instead. */
public final class UnacceptableFile extends RuntimeException {
    public UnacceptableFile(String message) {
        super(message);
    }
}
