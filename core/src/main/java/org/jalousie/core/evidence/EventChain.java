package org.jalousie.core.evidence;

import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.Optional;
import org.jalousie.core.agreement.Entry;
import org.jalousie.core.data.Sha256;
import org.jalousie.core.json.Json;

/** The chain that ties each event of an agreement to the one before: a changed, lost or added event breaks it. */
public final class EventChain {
    /** What the first event is tied to. */
    public static final String START = "0".repeat(64);

    private EventChain() {}

    /** An event as it is stored: its canonical JSON, and the SHA-256 of the previous hash, a line feed and that JSON. */
    public record Link(String json, String hash) {}

    public static Link link(String previousHash, Entry entry) {
        String json = Json.canonical(entry);
        return new Link(json, chained(previousHash, json));
    }

    public static Entry read(String json) {
        return Json.MAPPER.treeToValue(EarlierEntries.upcast(Json.MAPPER.readTree(json)), Entry.class);
    }

    /** The place of the first link that doesn't hold, from 1; empty when the chain is whole. */
    public static Optional<Integer> firstBroken(List<Link> links) {
        String previous = START;
        for (int i = 0; i < links.size(); i++) {
            Link link = links.get(i);
            if (!chained(previous, link.json()).equals(link.hash())
                    || read(link.json()).sequence() != i + 1) return Optional.of(i + 1);
            previous = link.hash();
        }
        return Optional.empty();
    }

    /** The hash that ties what is written to the hash before. */
    public static String chained(String previous, String json) {
        return Sha256.of((previous + "\n" + json).getBytes(StandardCharsets.UTF_8))
                .hex();
    }
}
