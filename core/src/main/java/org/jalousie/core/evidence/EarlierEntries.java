package org.jalousie.core.evidence;

import org.jalousie.core.agreement.Actor;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ObjectNode;

/**
 * Entries as earlier versions of the program stored them, brought into today's form while they are read. What is stored is
 * never rewritten, so that its hashes stay valid.
 */
final class EarlierEntries {
    private static final String OFFICE = "office:";
    private static final String PARTY = "party:";

    private EarlierEntries() {}

    static JsonNode upcast(JsonNode stored) {
        if (stored instanceof ObjectNode entry && entry.path("actor").isString()) actor(entry);
        return stored;
    }

    /** Until the fifth schema an actor was a string, and where it came from stood beside it. */
    private static void actor(ObjectNode entry) {
        String said = entry.get("actor").asString();
        String from = entry.path("from").asString("");
        Actor actor = said.startsWith(OFFICE)
                ? new Actor.Coordinator("", said.substring(OFFICE.length()))
                : said.startsWith(PARTY)
                        ? new Actor.Participant(said.substring(PARTY.length()), Actor.Proof.MAILED_LINK, from)
                        : Actor.PROGRAM;
        entry.set("actor", Json.MAPPER.valueToTree(actor));
        entry.remove("from");
    }
}
