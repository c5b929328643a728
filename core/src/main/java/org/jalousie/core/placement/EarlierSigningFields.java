package org.jalousie.core.placement;

import org.jalousie.core.data.Field;
import org.jalousie.core.json.Json;
import tools.jackson.databind.node.ObjectNode;

/** Signing fields as earlier versions of the program stored them, brought into today's form while they are read. */
public final class EarlierSigningFields {
    private EarlierSigningFields() {}

    /** Until the fifth schema a field had the name of its kind, and its label began with the party's name. */
    public static void upcast(ObjectNode field) {
        if (!field.path("kind").isString()) return;
        String kind = field.get("kind").asString().toLowerCase(java.util.Locale.ROOT);
        SigningFieldType type = SigningFieldTypes.named(kind)
                .orElseGet(() -> new TextPlace(field.path("required").asBoolean(true), ""));
        field.set("type", Json.MAPPER.valueToTree(type));
        String party = Field.labelFor(field.path("party").asString("")) + ": ";
        String label = field.path("label").asString("");
        if (label.startsWith(party)) field.put("label", label.substring(party.length()));
        field.remove("kind");
        field.remove("required");
    }
}
