package org.jalousie.demo;

import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import org.jalousie.core.wording.write.WordDraft;
import tools.jackson.databind.json.JsonMapper;
import tools.jackson.databind.node.ObjectNode;

/** An outgoing loan: objects with their parts, rules over them, and clauses from the library. All invented. */
final class OutgoingLoan {
    private OutgoingLoan() {}

    static Map<String, byte[]> clauses() {
        Map<String, byte[]> clauses = new LinkedHashMap<>();
        clauses.put(
                "state_cover",
                new WordDraft()
                        .paragraph(
                                "The objects are covered by the state\u2019s indemnity for exhibitions up to {{total_value}}. The borrower reports damage within one day.")
                        .bytes());
        clauses.put(
                "borrowers_insurance",
                new WordDraft()
                        .paragraph(
                                "The borrower insures the objects nail to nail for {{total_value}} ({{total_value.words}}) and sends the policy before the objects leave the museum.")
                        .bytes());
        clauses.put(
                "care_of_gut",
                new WordDraft()
                        .heading("Care of gut strings")
                        .paragraph(
                                "Gut strings stay at playing tension only while they are played. They are slackened by a tone for transport and never replaced without the museum\u2019s word.")
                        .bytes());
        return clauses;
    }

    static byte[] wording() {
        return new WordDraft()
                .fileTitle("Outgoing loan {{agreement_number}}, {{borrower_name}}")
                .header("Museum of Bowed Strings, outgoing loan {{agreement_number}}")
                .footer("Outgoing loan to {{borrower_name}}{{#exhibition}}, \u201c{{exhibition}}\u201d{{/exhibition}}")
                .title("Agreement on an outgoing loan")
                .paragraph(
                        "The Museum of Bowed Strings, 4 Canal Yard, Oudehaven, lends {{objects.list}} to {{borrower_name}}, {{borrower_address}}, for {{loan_days.days}} from {{start_date.full}} to {{end_date.full}}.")
                .heading("Objects")
                .table(
                        List.of(
                                List.of("No.", "Object", "Insured value"),
                                List.of(
                                        "{{#objects}}{{position}}",
                                        "{{title}}{{#has_gut}}, gut strings{{/has_gut}}\n{{#parts}}\n\u2013 {{name}}\n{{/parts}}",
                                        "{{value}}{{/objects}}"),
                                List.of("", "Together", "{{total_value}}")),
                        true)
                .heading("Cover")
                .paragraph("{{>*cover}}")
                .paragraph("{{#any_gut}}")
                .paragraph("{{>care_of_gut}}")
                .paragraph("{{/any_gut}}")
                .heading("Transport")
                .clause(
                        "The objects travel {{#travels.by_courier}}with a courier of the museum, who stays until they are on show{{/travels.by_courier}}{{#travels.by_art_carrier}}with a carrier whom the museum has approved{{/travels.by_art_carrier}}. They are returned by {{return_by.long}}.")
                .clause("{{special_conditions}}")
                .heading("Signatures")
                .table(
                        List.of(
                                List.of(
                                        "For the borrower\n{{borrower_name}}",
                                        "{{borrower.signature}}\n{{borrower.full_name}}\n{{borrower.date_signed}}"),
                                List.of(
                                        "For the museum\nThe director",
                                        "{{director.signature}}\n{{director.full_name}}\n{{director.date_signed}}")),
                        true)
                .paragraph("{{agreement_number.qr_20}}")
                .bytes();
    }

    static final String SETTINGS = """
            {"language":"en-GB",
             "fields":[
              {"name":"exhibition","type":"TEXT","label":"Exhibition","required":false,"hint":"","choices":[],"items":[]},
              {"name":"borrower_name","type":"TEXT","label":"Borrower","required":true,"hint":"The house, not the person","choices":[],"items":[]},
              {"name":"borrower_address","type":"ADDRESS","label":"Borrower\u2019s address","required":true,"hint":"","choices":[],"items":[]},
              {"name":"borrower_signer","type":"NAME","label":"Who signs for the borrower","required":true,"hint":"","choices":[],"items":[]},
              {"name":"borrower_mail","type":"MAIL_ADDRESS","label":"Signer\u2019s mail address","required":true,"hint":"The link to sign goes here","choices":[],"items":[]},
              {"name":"start_date","type":"DATE","label":"Loan begins","required":true,"hint":"","choices":[],"items":[]},
              {"name":"end_date","type":"DATE","label":"Loan ends","required":true,"hint":"","choices":[],"items":[]},
              {"name":"objects","type":"ITEMS","label":"Objects","required":true,"hint":"","choices":[],"items":[
                {"name":"title","type":"TEXT","label":"Object","required":true,"hint":"With maker and date","choices":[],"items":[]},
                {"name":"value","type":"MONEY","label":"Insured value","required":true,"hint":"","choices":[],"items":[]},
                {"name":"has_gut","type":"YES_NO","label":"Has gut strings","required":false,"hint":"","choices":[],"items":[]},
                {"name":"parts","type":"ITEMS","label":"Parts","required":false,"hint":"Bows, cases, stands","choices":[],"items":[
                  {"name":"name","type":"TEXT","label":"Part","required":true,"hint":"","choices":[],"items":[]}]}]},
              {"name":"travels","type":"CHOICE","label":"How they travel","required":true,"hint":"","choices":["By courier","By art carrier"],"items":[]},
              {"name":"special_conditions","type":"RICH_TEXT","label":"Special conditions","required":false,"hint":"","choices":[],"items":[]}],
             "parties":[
              {"key":"borrower","label":"Borrower","duty":"SIGNS","stage":1,"who":{"kind":"from_fields","nameField":"borrower_signer","mailField":"borrower_mail"}},
              {"key":"director","label":"Director","duty":"SIGNS","stage":2,"who":{"kind":"fixed","name":"Helena Brandt","mail":"director@museum.example.org"}}],
             "signingFields":[],
             "sending":{"subject":"","message":"","expiryDays":30,"firstReminderDays":5,"everyDays":3,"warnDays":1},
             "rules":[
              {"name":"total_value","label":"Insured value of all objects","within":"","expression":"sum(objects.value)","gives":"MONEY"},
              {"name":"loan_days","label":"Days of the loan","within":"","expression":"end_date - start_date","gives":"NUMBER"},
              {"name":"return_by","label":"Day of return","within":"","expression":"end_date + duration(\\"P14D\\")","gives":"DATE"},
              {"name":"by_courier","label":"They travel with a courier","within":"","expression":"travels = \\"By courier\\"","gives":"YES_NO"},
              {"name":"any_gut","label":"An object has gut strings","within":"","expression":"some o in objects satisfies o.has_gut = true","gives":"YES_NO"}],
             "choices":[
              {"name":"cover","label":"Cover","cases":[
                {"label":"State indemnity","condition":"total_value >= 250000 and borrower_address.country = \\"NL\\"","clause":"state_cover"},
                {"label":"Borrower\u2019s insurance","condition":"","clause":"borrowers_insurance"}]}],
             "specimens":[]}""";

    /** The settings, with a form that makes the order to a courier, too. @param courierOrder the id of its template */
    static ObjectNode settings(String courierOrder) {
        ObjectNode settings = (ObjectNode) JsonMapper.shared().readTree(SETTINGS);
        ObjectNode layout = settings.putObject("layout");
        MuseumRegisters.lookedUp(layout.putArray("sections"));
        layout.putArray("further").addObject().put("template", courierOrder).put("when", "by_courier");
        return settings;
    }

    static Map<String, String> values() {
        Map<String, String> values = new LinkedHashMap<>();
        values.put("borrower_name", "Stringhall Greyford");
        values.put("borrower_address", ";;Rope Walk 12;Greyford;;GF2 4AB;GB");
        values.put("borrower_signer", "Penhallow;Rosamund;;Dr;");
        values.put("borrower_mail", "rosamund.penhallow@people.example.org");
        values.put("start_date", "2027-05-01");
        values.put("end_date", "2027-09-30");
        values.put("objects", """
                [{"title":"Treble viol, unsigned, about 1690","value":"EUR 48000","has_gut":"yes","parts":[{"name":"bow, snakewood"},{"name":"travelling case of 1911"}]},
                 {"title":"Kit, ivory pegs, dated 1745","value":"EUR 9500"}]""");
        values.put("travels", "By courier");
        values.put(
                "special_conditions",
                "<p>The treble viol is <b>not played</b>. The borrower lends for the show:</p><ul><li>a case with its own air</li><li>two stands</li></ul>");
        return values;
    }
}
