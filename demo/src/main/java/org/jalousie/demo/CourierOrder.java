package org.jalousie.demo;

import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.util.LinkedHashMap;
import java.util.Map;
import org.jalousie.core.wording.write.WordDraft;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.ObjectNode;

/** An order to a courier with several documents: the order, the carrier's own receipt as a PDF, terms that come by rule and are a wording of their own. All invented. */
final class CourierOrder {
    private static final JsonMapper JSON = new JsonMapper();

    private CourierOrder() {}

    static byte[] wording() {
        return new WordDraft()
                .fileTitle("Courier order {{agreement_number}}")
                .header("Museum of Bowed Strings, courier order {{agreement_number}}")
                .title("Order to a courier")
                .paragraph(
                        "The Museum of Bowed Strings, 4 Canal Yard, Oudehaven, asks {{courier_name}} to carry {{instrument}} to {{destination}} on {{collected_on.full}}.")
                .heading("Duties")
                .clause("The courier stays with the instrument until it is handed over, and opens its case for nobody.")
                .clause("The courier is paid {{fee}} when the receipt is signed.")
                .heading("Signatures")
                .paragraph("{{courier.signature}}\n{{courier.full_name}}, {{courier.date_signed}}")
                .paragraph("{{registrar.signature}}\n{{registrar.full_name}}, {{registrar.date_signed}}")
                .bytes();
    }

    /** The carrier's own form. */
    static byte[] receipt() {
        try (InputStream in = CourierOrder.class.getResourceAsStream("/courier-receipt.pdf")) {
            return in.readAllBytes();
        } catch (IOException e) {
            throw new UncheckedIOException("the courier's receipt is missing", e);
        }
    }

    static byte[] terms() {
        return new WordDraft()
                .title("Terms for journeys abroad")
                .paragraph("To the order to {{courier_name}} about {{instrument}}.")
                .clause("The courier carries the customs papers to {{destination}} and shows them unasked.")
                .clause("Ivory, tortoiseshell and rosewood travel only with their certificates.")
                .paragraph("Read by the courier: {{courier.initials}}")
                .bytes();
    }

    /** @param content of the template with its three documents, as the program has proposed it */
    static JsonNode settled(JsonNode content) {
        ObjectNode settled = (ObjectNode) JSON.readTree(SETTINGS);
        settled.set("signingFields", content.get("signingFields"));
        ArrayNode documents = (ArrayNode) content.get("documents").deepCopy();
        ObjectNode receipt = (ObjectNode) documents.get(1);
        JsonNode placed = JSON.readTree(PLACED);
        receipt.set("places", placed.get("places"));
        receipt.set("data", placed.get("data"));
        ((ObjectNode) documents.get(2)).put("when", "abroad");
        if (documents.size() == 3)
            documents
                    .addObject()
                    .put("id", "requested_1")
                    .put("title", "Condition report")
                    .put("kind", "REQUESTED")
                    .put("required", false);
        settled.set("documents", documents);
        return settled;
    }

    private static final String PLACED = """
            {"places":[
              {"field":"courier_signature","spot":{"kind":"BY_WORDS","words":"Signature of the courier","right":0,"down":-23}},
              {"field":"registrar_signature","spot":{"kind":"BY_WORDS","words":"Signature of the museum","right":0,"down":-23}}],
             "data":[
              {"tag":"courier_name","marks":"","spot":{"kind":"BY_WORDS","words":"Name of the courier","right":49,"down":-4.6},"size":{"widthMm":113,"heightMm":8},"points":11,"style":"SERIF","align":"LEFT","fit":"SHRINK"},
              {"tag":"instrument","marks":"","spot":{"kind":"BY_WORDS","words":"Instrument Collected","right":49,"down":-4.6},"size":{"widthMm":113,"heightMm":8},"points":11,"style":"SERIF","align":"LEFT","fit":"SHRINK"},
              {"tag":"collected_on.long","marks":"","spot":{"kind":"BY_WORDS","words":"Collected on","right":49,"down":-4.6},"size":{"widthMm":113,"heightMm":8},"points":11,"style":"SERIF","align":"LEFT","fit":"SHRINK"},
              {"tag":"remarks","marks":"","spot":{"kind":"BY_WORDS","words":"Remarks","right":49,"down":-4.6},"size":{"widthMm":113,"heightMm":26},"points":10,"style":"SERIF","align":"LEFT","fit":"WRAP"},
              {"tag":"abroad","marks":"yes","spot":{"kind":"BY_WORDS","words":"crosses a border","right":-10.3,"down":-3.5},"size":{"widthMm":5,"heightMm":4},"points":11,"style":"SANS","align":"LEFT","fit":"SHRINK"},
              {"tag":"abroad","marks":"no","spot":{"kind":"BY_WORDS","words":"stays in","right":-10.3,"down":-3.5},"size":{"widthMm":5,"heightMm":4},"points":11,"style":"SANS","align":"LEFT","fit":"SHRINK"}]}""";

    private static final String SETTINGS = """
            {"language":"en-GB",
             "fields":[
              {"name":"courier_name","type":"TEXT","label":"Courier","required":true,"hint":"","choices":[],"items":[]},
              {"name":"courier_mail","type":"MAIL_ADDRESS","label":"Courier\u2019s mail address","required":true,"hint":"The link to sign goes here","choices":[],"items":[]},
              {"name":"instrument","type":"TEXT","label":"Instrument","required":true,"hint":"With maker and date","choices":[],"items":[]},
              {"name":"destination","type":"TEXT","label":"Where it goes","required":true,"hint":"","choices":[],"items":[]},
              {"name":"collected_on","type":"DATE","label":"Collected on","required":true,"hint":"","choices":[],"items":[]},
              {"name":"fee","type":"MONEY","label":"Fee","required":true,"hint":"","choices":[],"items":[]},
              {"name":"abroad","type":"YES_NO","label":"It crosses a border","required":true,"hint":"","choices":[],"items":[]},
              {"name":"remarks","type":"LONG_TEXT","label":"Remarks","required":false,"hint":"For the receipt","choices":[],"items":[]}],
             "parties":[
              {"key":"courier","label":"Courier","duty":"SIGNS","stage":1,"who":{"kind":"from_fields","nameField":"courier_name","mailField":"courier_mail"}},
              {"key":"registrar","label":"Registrar","duty":"SIGNS","stage":2,"who":{"kind":"fixed","name":"Otto Quay","mail":"registrar@museum.example.org"}}],
             "signingFields":[],
             "sending":{"subject":"","message":"","expiryDays":14,"firstReminderDays":3,"everyDays":3,"warnDays":1},
             "rules":[],"choices":[],"specimens":[],
             "bundle":{"contents":true,"onlyOwn":false}}""";

    static Map<String, String> values(
            String courier, String mail, String instrument, String destination, boolean abroad) {
        Map<String, String> values = new LinkedHashMap<>();
        values.put("courier_name", courier);
        values.put("courier_mail", mail);
        values.put("instrument", instrument);
        values.put("destination", destination);
        values.put("collected_on", "2027-03-14");
        values.put("fee", "EUR 640");
        values.put("abroad", abroad ? "yes" : "no");
        values.put("remarks", "The case has two locks; the second key goes by post.");
        return values;
    }
}
