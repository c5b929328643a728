package org.jalousie.core.data;

import java.util.List;

/**
 * Which files an answer may be.
 *
 * @param kinds all when none is said
 * @param megabytes the largest, in millions of bytes; {@link #LARGEST} when it isn't said
 */
public record FileLimits(List<Kind> kinds, Integer megabytes) {
    /** In millions of bytes: what a person's mail can still carry. (common practice, no source) */
    public static final int LARGEST = 5;

    /** Any file that can be taken in at all. */
    public static final FileLimits NONE = new FileLimits(List.of(), LARGEST);

    public FileLimits {
        kinds = kinds == null ? List.of() : List.copyOf(kinds);
        megabytes = megabytes == null || megabytes < 1 || megabytes > LARGEST ? LARGEST : megabytes;
    }

    /** What a file is by its content, whatever it is called. */
    public enum Kind {
        PDF,
        PICTURE
    }

    public boolean allows(Kind kind) {
        return kinds.isEmpty() || kinds.contains(kind);
    }

    /** The largest in bytes. */
    public long most() {
        return megabytes * 1_000_000L;
    }
}
