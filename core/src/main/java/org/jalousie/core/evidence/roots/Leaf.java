package org.jalousie.core.evidence.roots;

import java.nio.charset.StandardCharsets;
import java.util.Comparator;
import org.jalousie.core.data.Sha256;
import org.jalousie.core.json.Json;

/**
 * How far an agreement had come when a root was made.
 *
 * @param agreement its number
 * @param events how many it had
 * @param hash of the last of them, in which all before it are
 */
public record Leaf(String agreement, int events, Sha256 hash) {
    /** The order of a root's leaves: by number, character by character, wherever the program runs. */
    public static final Comparator<Leaf> ORDER = Comparator.comparing(Leaf::agreement);

    /** What is hashed: its canonical JSON (RFC 8785) in UTF-8. */
    public byte[] bytes() {
        return Json.canonical(this).getBytes(StandardCharsets.UTF_8);
    }
}
