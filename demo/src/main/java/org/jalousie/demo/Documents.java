package org.jalousie.demo;

import java.util.List;
import org.jalousie.core.wording.write.WordDraft;

/** The museum's wordings, as Word files with tags. All people, places and objects are invented. */
public final class Documents {
    /** When the museum works. */
    static final String HOURS = """
            {"revision":0,"workingDays":["MONDAY","TUESDAY","WEDNESDAY","THURSDAY","FRIDAY"],"opens":"08:30:00","closes":"17:30:00",
             "holidays":[{"day":"2026-12-25","name":"Christmas Day","everyYear":true},
                         {"day":"2026-12-26","name":"Second Christmas Day","everyYear":true},
                         {"day":"2027-01-01","name":"New Year","everyYear":true},
                         {"day":"2027-03-29","name":"Easter Monday","everyYear":false},
                         {"day":"2027-05-14","name":"Founders’ Day","everyYear":true}]}""";

    private Documents() {}

    /** An incoming loan: the conservator completes the condition, collections approve, the lender signs, then the director. */
    public static byte[] incomingLoan() {
        return new WordDraft()
                .fileTitle("Loan agreement {{loan_number}}, {{lender_name}}")
                .header("Museum of Bowed Strings, loan {{loan_number}}")
                .footer("Loan agreement with {{lender_name}}")
                .title("Agreement on an incoming loan")
                .paragraph(
                        "between {{lender_name}}, {{lender_address}} (\u201cthe lender\u201d), and the Museum of Bowed Strings, 4 Canal Yard, Oudehaven (\u201cthe museum\u201d).")
                .heading("Objects and period")
                .clause(
                        "The lender lends the museum the objects listed below for the exhibition \u201c{{exhibition_title}}\u201d, from {{start_date.long}} to {{end_date.long}}.")
                .paragraph("{{objects_description}}")
                .clause(
                        "The objects stay the property of the lender. {{#abroad}}They cross a border; the museum obtains the export papers and pays for them.{{/abroad}}")
                .heading("Care, insurance and transport")
                .clause(
                        "The museum keeps the objects at 48 to 55 % relative humidity and 18 to 21 \u00b0C, under lock and watch, and lets nobody play them without the lender\u2019s word.")
                .clause(
                        "The museum insures the objects nail to nail for {{insured_value}} ({{insured_value.code}}) at its own cost.")
                .clause("Transport is by {{courier}}. Any damage is reported within one day of its discovery.")
                .heading("Condition on arrival")
                .table(
                        List.of(
                                List.of("Condition, as the conservator found it", "{{conservator.condition}}"),
                                List.of("What was found", "{{conservator.damage}}"),
                                List.of("Report kept under", "{{conservator.report_number}}")),
                        true)
                .heading("Signatures")
                .table(
                        List.of(
                                List.of(
                                        "For the lender\n{{lender_name}}",
                                        "{{lender.signature}}\n{{lender.full_name}} {{lender.date_signed}}"),
                                List.of(
                                        "For the museum\nThe director",
                                        "{{director.signature}}\n{{director.full_name}} {{director.date_signed}}")),
                        true)
                .bytes();
    }

    /** A licence to reproduce pictures: the licensee signs first, the museum countersigns. */
    public static byte[] imageLicence() {
        return new WordDraft()
                .fileTitle("Image licence, {{licensee_name}}")
                .header("Museum of Bowed Strings, picture desk")
                .footer("Image licence for {{licensee_name}}")
                .title("Image licence")
                .paragraph(
                        "The Museum of Bowed Strings allows {{licensee_name}}{{#licensee_company}}, {{licensee_company}},{{/licensee_company}} to reproduce the pictures named here.")
                .table(
                        List.of(
                                List.of("Pictures", "{{pictures_description}}"),
                                List.of("Use", "{{kind_of_use}}"),
                                List.of("Copies", "{{number_of_copies}}"),
                                List.of("Until", "{{end_date}}"),
                                List.of("Fee", "{{fee}}")),
                        true)
                .clause(
                        "The credit line reads \u201cMuseum of Bowed Strings, Oudehaven\u201d and stands beside each picture.")
                .clause("The pictures are not altered, cropped or coloured without the museum\u2019s word.")
                .clause(
                        "{{#exclusive}}The museum allows no one else this use before the date above.{{/exclusive}}{{^exclusive}}The licence is not exclusive.{{/exclusive}}")
                .heading("Signatures")
                .table(
                        List.of(
                                List.of(
                                        "Licensee",
                                        "{{licensee.signature}}\n{{licensee.date_signed}}\nInvoice reference {{licensee.invoice_reference}}"),
                                List.of("Museum, picture desk", "{{museum.signature}}\n{{museum.date_signed}}")),
                        true)
                .bytes();
    }
}
