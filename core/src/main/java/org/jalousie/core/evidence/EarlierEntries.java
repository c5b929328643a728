package org.jalousie.core.evidence;

import java.util.List;
import org.jalousie.core.agreement.Actor;
import org.jalousie.core.agreement.Document;
import org.jalousie.core.json.Json;
import org.jalousie.core.parties.PartyKey;
import org.jalousie.core.placement.DocumentId;
import org.jalousie.core.placement.EarlierSigningFields;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ArrayNode;
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
        if (!(stored instanceof ObjectNode entry)) return stored;
        if (entry.path("actor").isString()) actor(entry);
        if (entry.path("event") instanceof ObjectNode event) {
            event.path("participants").forEach(EarlierEntries::participant);
            participant(event.path("participant"));
            documents(event);
        }
        return entry;
    }

    /** Until the fifth schema an actor was a string, and where it came from stood beside it. */
    private static void actor(ObjectNode entry) {
        String said = entry.get("actor").asString();
        String from = entry.path("from").asString("");
        Actor actor;
        if (said.startsWith(OFFICE)) {
            actor = new Actor.Coordinator("", said.substring(OFFICE.length()));
        } else if (said.startsWith(PARTY)) {
            actor = PartyKey.read(said.substring(PARTY.length()))
                    .<Actor>map(party -> new Actor.Participant(party, Actor.Proof.MAILED_LINK, from))
                    .orElse(new Actor.Unknown(said));
        } else {
            actor = said.equals("program") ? Actor.PROGRAM : new Actor.Unknown(said);
        }
        entry.set("actor", Json.MAPPER.valueToTree(actor));
        entry.remove("from");
    }

    /** Until the fifth schema a participant had a name and a mail address, and was no person. */
    private static void participant(JsonNode node) {
        if (!(node instanceof ObjectNode participant) || participant.has("person")) return;
        ObjectNode person = participant.putObject("person");
        for (String part : List.of("name", "mail")) person.set(part, participant.remove(part));
    }

    /** Until the fifth schema an agreement had one document, which had no name. */
    private static void documents(ObjectNode event) {
        if (!event.has("pdf")) return;
        JsonNode pdf = event.remove("pdf");
        if (event.path("type").asString().equals("Generated")) {
            event.path("pages").path("fields").forEach(placed -> {
                if (placed.path("field") instanceof ObjectNode field) EarlierSigningFields.upcast(field);
            });
            ObjectNode document = ((ArrayNode) event.putArray("documents")).addObject();
            document.put("id", DocumentId.WORDING.value());
            document.put("title", "");
            document.put("kind", Document.Kind.GENERATED.name());
            document.set("word", event.remove("word"));
            document.set("pdf", pdf);
            document.set("pages", event.remove("pages"));
            return;
        }
        if (event.path("type").asString().equals("HouseSealed")) event.put("type", "OfficeSealed");
        ObjectNode revision = event.putArray("revisions").addObject();
        revision.put("document", DocumentId.WORDING.value());
        revision.set("pdf", pdf);
    }
}
