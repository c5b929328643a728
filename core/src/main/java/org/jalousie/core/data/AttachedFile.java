package org.jalousie.core.data;

import java.util.Optional;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/**
 * A file that a party attached, as the answer to a signing field. The answer names the file by its hash, so that the trail
 * holds fast which one it was, and what it was called.
 *
 * @param name as the party called it, with its ending
 */
public record AttachedFile(Sha256 file, String name) {
    /** Letters of the longest name. */
    public static final int LONGEST_NAME = 100;

    private static final Pattern ANSWER = Pattern.compile("([0-9a-f]{64}) (\\S.*)");

    /** What an answer names; empty for what is no file. */
    public static Optional<AttachedFile> read(String answer) {
        Matcher found = ANSWER.matcher(answer);
        if (!found.matches() || found.group(2).length() > LONGEST_NAME) return Optional.empty();
        return Sha256.read(found.group(1)).map(file -> new AttachedFile(file, found.group(2)));
    }

    /** The answer, as it is kept. */
    public String answer() {
        return file.hex() + " " + name;
    }
}
