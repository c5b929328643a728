package org.jalousie.core.template;

import org.jalousie.core.json.Json;
import org.jalousie.core.placement.EarlierSigningFields;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ObjectNode;

/** A template's settings as they are stored: written in today's form, and read in every form there ever was. */
public final class StoredContent {
    private StoredContent() {}

    public static String write(TemplateContent content) {
        return Json.canonical(content);
    }

    public static TemplateContent read(String stored) {
        JsonNode tree = Json.MAPPER.readTree(stored);
        if (tree instanceof ObjectNode content) {
            content.path("signingFields").forEach(field -> {
                if (field instanceof ObjectNode one) EarlierSigningFields.upcast(one);
            });
            // until the fifth schema the settings of sending were called terms
            if (content.has("terms")) content.set("sending", content.remove("terms"));
        }
        return Json.MAPPER.treeToValue(tree, TemplateContent.class);
    }
}
