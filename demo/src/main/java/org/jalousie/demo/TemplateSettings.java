package org.jalousie.demo;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import tools.jackson.databind.json.JsonMapper;
import tools.jackson.databind.node.ObjectNode;

/** What is settled of the incoming loan and of the image licence. */
final class TemplateSettings {
    private static final JsonMapper JSON = new JsonMapper();

    private TemplateSettings() {}

    static Object loan() {
        return settings(
                """
                {"parties": [
                  {"key":"conservator","label":"Conservator","duty":"COMPLETES","stage":1,"who":{"kind":"fixed","name":"Mirjam Sool","mail":"conservation@museum.example.org"}},
                  {"key":"collections","label":"Head of collections","duty":"APPROVES","stage":2,"who":{"kind":"fixed","name":"Edwin Larch","mail":"collections@museum.example.org"}},
                  {"key":"lender","label":"Lender","duty":"SIGNS","stage":3,"who":{"kind":"from_fields","nameField":"lender_name","mailField":"lender_mail"}},
                  {"key":"director","label":"Director","duty":"SIGNS","stage":4,"who":{"kind":"fixed","name":"Helena Brandt","mail":"director@museum.example.org"}}],
                 "signingFields": [
                  {"name":"conservator_condition","party":"conservator","label":"condition","sameAs":"",
                   "type":{"kind":"choice","required":true,"hint":"As you found it on unpacking","options":["sound","with damage"],"preset":"","size":{"widthMm":60,"heightMm":6}},
                   "when":{"field":"","answer":""}},
                  {"name":"conservator_damage","party":"conservator","label":"damage","sameAs":"",
                   "type":{"kind":"text","required":true,"hint":"Kind and place","check":"ANY","preset":"","size":{"widthMm":80,"heightMm":6}},
                   "when":{"field":"conservator_condition","answer":"with damage"}}],
                 "message":"Please read the agreement for “{{exhibition_title}}” to its end; the courier comes when all have signed, before {{start_date}}."}""",
                List.of(
                        field("loan_number", "TEXT", "Loan number", true, "As in the loans book", List.of()),
                        field("lender_name", "TEXT", "Lender\u2019s name", true, "", List.of()),
                        field("lender_address", "TEXT", "Lender\u2019s address", true, "", List.of()),
                        field(
                                "lender_mail",
                                "MAIL_ADDRESS",
                                "Lender\u2019s mail address",
                                true,
                                "The link to sign goes here",
                                List.of()),
                        field("exhibition_title", "TEXT", "Exhibition", true, "", List.of()),
                        field("start_date", "DATE", "Loan begins", true, "", List.of()),
                        field("end_date", "DATE", "Loan ends", true, "", List.of()),
                        field(
                                "objects_description",
                                "LONG_TEXT",
                                "Objects",
                                true,
                                "One a line, with maker and date",
                                List.of()),
                        field("abroad", "YES_NO", "The objects cross a border", true, "", List.of()),
                        field("insured_value", "MONEY", "Insured value", true, "", List.of()),
                        field("courier", "TEXT", "Courier", true, "", List.of())));
    }

    static Object licence() {
        return SharedForm.arranged(settings(
                """
                {"parties": [
                  {"key":"licensee","label":"Licensee","duty":"SIGNS","stage":1,"who":{"kind":"from_fields","nameField":"licensee_name","mailField":"licensee_mail"}},
                  {"key":"museum","label":"Museum","duty":"SIGNS","stage":2,"who":{"kind":"fixed","name":"Owen Tarr","mail":"pictures@museum.example.org"}}],
                 "message":""}""",
                List.of(
                        field("licensee_name", "TEXT", "Licensee\u2019s name", true, "", List.of()),
                        field(
                                "licensee_company",
                                "TEXT",
                                "Company",
                                false,
                                "When the licence is for a company",
                                List.of()),
                        field("licensee_mail", "MAIL_ADDRESS", "Mail address", true, "", List.of()),
                        field(
                                "pictures_description",
                                "LONG_TEXT",
                                "Pictures",
                                true,
                                "With inventory numbers",
                                List.of()),
                        field(
                                "kind_of_use",
                                "CHOICE",
                                "Kind of use",
                                true,
                                "",
                                List.of("book", "exhibition", "film", "advertising")),
                        field("number_of_copies", "NUMBER", "Copies", true, "", List.of()),
                        field("end_date", "DATE", "Licence ends", true, "", List.of()),
                        field("fee", "MONEY", "Fee", true, "", List.of()),
                        field("exclusive", "YES_NO", "Exclusive", true, "", List.of()))));
    }

    private static ObjectNode settings(String partiesAndMessage, List<Map<String, Object>> fields) {
        ObjectNode given = (ObjectNode) JSON.readTree(partiesAndMessage);
        ObjectNode content = JSON.createObjectNode();
        content.put("language", "en-GB");
        content.set("fields", JSON.valueToTree(fields));
        content.set("parties", given.get("parties"));
        content.set("signingFields", given.withArray("signingFields"));
        content.set(
                "sending",
                JSON.valueToTree(Map.of(
                        "subject",
                        "",
                        "message",
                        given.get("message").asString(),
                        "expiryDays",
                        30,
                        "firstReminderDays",
                        5,
                        "everyDays",
                        3,
                        "warnDays",
                        1,
                        "acting",
                        Map.of("handOver", true, "secondPress", false))));
        return content;
    }

    private static Map<String, Object> field(
            String name, String type, String label, boolean required, String hint, List<String> choices) {
        return Map.of(
                "name",
                name,
                "type",
                type,
                "label",
                label,
                "required",
                required,
                "hint",
                hint,
                "choices",
                new ArrayList<>(choices));
    }
}
