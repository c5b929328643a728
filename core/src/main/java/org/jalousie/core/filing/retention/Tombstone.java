package org.jalousie.core.filing.retention;

import java.time.Instant;
import java.time.LocalDate;
import org.jalousie.core.agreement.State;
import org.jalousie.core.data.Sha256;
import org.jalousie.core.evidence.EventChain;
import org.jalousie.core.evidence.roots.Leaf;
import org.jalousie.core.json.Json;

/**
 * What stays of an agreement that was destroyed at the end of its retention. It takes the place of all events before it as
 * the last one of their chain, so that a daily root covers it as it covered them.
 *
 * @param number the agreement's
 * @param template the title of its template then
 * @param how the state in which it ended
 * @param created when it was made, {@code ended} when it ended
 * @param keptUntil the last day on which it had to be kept
 * @param rule by which that is so
 * @param events how many it had
 * @param lastHash of the last of them, in which all before it are
 * @param confirmedBy who confirmed that it is destroyed, and {@code confirmedAt} when
 * @param copies whether its copies that were filed outside were taken away before
 * @param destroyedAt when it was destroyed
 */
public record Tombstone(
        String number,
        String template,
        State how,
        Instant created,
        Instant ended,
        LocalDate keptUntil,
        RetentionRule rule,
        int events,
        Sha256 lastHash,
        String confirmedBy,
        Instant confirmedAt,
        boolean copies,
        Instant destroyedAt) {
    /** As it is kept: its canonical JSON (RFC 8785). */
    public String statement() {
        return Json.canonical(this);
    }

    /** @throws RuntimeException when somebody has made it unreadable */
    public static Tombstone read(String statement) {
        return Json.MAPPER.readValue(statement, Tombstone.class);
    }

    /** Ties it to the last event, as any event is tied to the one before. */
    public Sha256 hash() {
        return new Sha256(EventChain.chained(lastHash.hex(), statement()));
    }

    /** What roots cover from now on. */
    public Leaf leaf() {
        return new Leaf(number, events + 1, hash());
    }
}
