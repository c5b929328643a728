package org.jalousie.demo;

import java.util.HashMap;
import java.util.List;
import java.util.Map;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/**
 * Loads the demo scenario by really doing the work: a museum that borrows historic instruments and licenses pictures of
 * them. {@code Demo ADDRESS MAIL PASSWORD RECORDS SECRET}, the last two of the record system's stand-in. Does nothing when there are templates already.
 */
public final class Demo {
    private static final String LOAN_DATES = """
            [{"key":"","title":"Loan goes back","kind":"END","from":"end_date","shift":0,"unit":"DAYS","every":0,
              "warn":[90,30,7],"owner":true,"mails":["courier.desk@museum.example.org"]},
             {"key":"","title":"Certificate of insurance is here","kind":"OTHER","from":"completed_on","shift":14,"unit":"DAYS",
              "every":0,"warn":[7],"owner":true,"mails":[]},
             {"key":"","title":"Condition is looked at","kind":"OTHER","from":"start_date","shift":0,"unit":"DAYS","every":3,
              "warn":[14],"owner":false,"mails":["conservation@museum.example.org"]}]""";
    private static final String LICENCE_DATES = """
            [{"key":"","title":"Ask whether it shall go on","kind":"NOTICE","from":"end_date","shift":-2,"unit":"MONTHS","every":0,
              "warn":[30],"owner":true,"mails":[]},
             {"key":"","title":"Licence ends","kind":"END","from":"end_date","shift":0,"unit":"DAYS","every":0,
              "warn":[30,7],"owner":true,"mails":[]}]""";

    private static final JsonMapper JSON = new JsonMapper();

    private final OfficeHand office;
    private final LoanRecords records;
    private String loan;
    private String licence;

    private Demo(OfficeHand office, LoanRecords records) {
        this.office = office;
        this.records = records;
    }

    public static void main(String[] args) {
        try {
            OfficeHand office = new OfficeHand(args[0], args[1], args[2]);
            if (office.hasTemplates()) return;
            System.out.println(
                    "Loading the demo data: five people, three registers, four templates, three clauses, seventeen requests, each taken as far as it goes, and a record system with four loans.");
            new Demo(office, new LoanRecords(args[3], args[4])).load();
        } catch (RuntimeException e) {
            System.err.println("The demo data could not be loaded whole: " + e.getMessage());
            System.exit(1);
        }
    }

    private void load() {
        office.works(JSON.readTree(Documents.HOURS));
        office.people().arrive();
        loan = office.publish(
                office.settle(office.bringIn("Incoming loan", Documents.incomingLoan()), TemplateSettings.loan()));
        licence = office.publish(
                office.settle(office.bringIn("Image licence", Documents.imageLicence()), TemplateSettings.licence()));
        office.archive()
                .columns(
                        licence,
                        List.of(
                                "licensee_company",
                                "kind_of_use",
                                "number_of_copies",
                                "end_date",
                                "fee",
                                "party.licensee"));
        office.archive()
                .columns(
                        loan,
                        List.of("objects_description", "insured_value", "start_date", "end_date", "party.lender"));
        office.archive().dates(loan, LOAN_DATES);
        office.archive().dates(licence, LICENCE_DATES);
        office.archive().keptFor(loan, 120, 6);
        office.archive().keptFor(licence, 72, 6);
        office.archive().usualView(licence, "Fees by use", "kind_of_use");
        office.share(SharedForm.link(licence, "pictures@museum.example.org"));
        registers();
        String courier = courier();
        office.people().keep("Orders for couriers", "Loans desk", "nora.quill@museum.example.org", List.of(courier));
        outgoing(courier);
        licenceDone(
                "Ruben Achterberg",
                "Harbour Light Press",
                "The cover: tenor viol by an unknown maker, inv. 1911-04",
                "book",
                "EUR 180");
        licenceDone("Sadie Lomax", "", "Three views of the Oudehaven pochette, inv. 1933-17", "exhibition", "EUR 90");
        licenceDone(
                "Pilar Quennell",
                "Quennell & Daughters",
                "Scroll of the Marsh viola d\u2019amore, inv. 2001-02",
                "advertising",
                "GBP 640");
        loanDone("Ida Marsh", "viola d\u2019amore, unsigned, about 1740, with its case", "EUR 12500");
        office.archive().dailyRoot();
        loanAt(4, "Willem Ostrander", "two baryton bows, ivory frogs replaced", "EUR 4200");
        loanAt(3, "Estate of Greta Holm", "nyckelharpa, dated 1691; three spare strings", "EUR 22000");
        loanAt(2, "Tobias Fenwick", "trumpet marine, height 191 cm", "GBP 7800");
        loanAt(1, "Lucia Farrow", "lira da braccio, restored 1978", "EUR 310000");
        String waiting = licenceOut(
                "Noor Castellan", "Northwind Broadcasting", "Films of the bow collection", "film", "EUR 1250");
        office.sign(
                waiting, mailOf("Noor Castellan"), "Noor Castellan", Map.of("licensee_invoice_reference", "NB-7731"));
        licenceOut("Jonas Petrie", "", "Portrait of the founder with bass viol", "book", "EUR 75");
        String declined = licenceOut(
                "Marta Oake", "Oake Games", "All soundhole roses, inv. 1950-01 to 1950-44", "advertising", "EUR 2900");
        office.decline(declined, mailOf("Marta Oake"), "The fee is above our budget for this year.");
        office.archive()
                .hold(declined, "Oake Games says that it had a licence by word of mouth. The lawyer wants all papers.");
        String withdrawn = office.generate(
                office.request(loan, loanValues("Hugo Sandell", "hurdy-gurdy, about 1790", "EUR 5100"), Map.of()));
        office.send(withdrawn);
        office.withdraw(withdrawn, "The exhibition was moved to next year.");
        office.generate(office.request(
                licence,
                licenceValues(
                        "Abel Thorne", "Thorne Calendars", "Twelve violas, one for each month", "book", "EUR 480"),
                Map.of()));
        office.takeToPaper(office.generate(office.request(
                licence,
                licenceValues("Edda Winter", "", "The case of the painted spinet", "book", "EUR 40"),
                Map.of())));
        office.request(
                licence,
                licenceValues("Vera Kestrel", "", "The workshop bench of 1860", "exhibition", "EUR 60"),
                Map.of());
        office.archive().dailyRoot();
        office.archive().filing();
    }

    /** The museum's own tables; the instruments come from a file, and a second file waits for three cells to be mended. */
    private void registers() {
        office.register("houses", MuseumRegisters.houses());
        MuseumRegisters.houseRows().forEach(row -> office.addRow("houses", row));
        office.register("exhibitions", MuseumRegisters.exhibitions());
        MuseumRegisters.exhibitionRows().forEach(row -> office.addRow("exhibitions", row));
        office.register("instruments", MuseumRegisters.instruments());
        office.carryOut(office.bringTable("instruments", "instruments.csv", MuseumRegisters.INSTRUMENTS));
        office.bringTable("instruments", "acquisitions-2027.csv", MuseumRegisters.ACQUISITIONS);
        office.bringRun(licence, "tideline-press.csv", MuseumRegisters.LICENCES);
    }

    /**
     * A template with rules, clauses and specimens, whose form feeds the courier's order, too; of one request two agreements wait
     * to be checked.
     */
    private void outgoing(String courierOrder) {
        OutgoingLoan.clauses().forEach(office::bringClause);
        JsonNode template = office.settle(
                office.bringIn("Outgoing loan", OutgoingLoan.wording()), OutgoingLoan.settings(courierOrder));
        String id = office.publish(office.drawUp(template));
        fromRecords(id);
        Map<String, String> values = OutgoingLoan.values();
        CourierOrder.values("Basil Thorpe", mailOf("Basil Thorpe"), "the two objects of the loan", "Greyford", true)
                .forEach(values::putIfAbsent);
        office.generate(office.request(id, values, Map.of(), Map.of("exhibition", "STS", "borrower_name", "GREY")));
        // what was taken stays, and the check tells what the register says by now
        office.changeRow("houses", "code:is:GREY", Map.of("address", ";;Rope Walk 14;Greyford;;GF2 4AB;GB"));
    }

    /** Loans of the record system become agreements; one is signed. */
    private void fromRecords(String outgoing) {
        records.fill();
        String system = office.recordSystem(records.terms(outgoing), records.credential());
        records.tells(
                office.address() + "/api/v1/record-systems/" + system + "/notices",
                office.letIn("Loan records", "records:write"));
        String number = office.madeOfRecord(system, "OL-2027-11");
        office.send(number);
        office.sign(number, "rosamund.penhallow@people.example.org", "Rosamund Penhallow", Map.of());
        office.sign(number, "director@museum.example.org", "Helena Brandt", Map.of());
        office.await(number, "COMPLETED");
        office.madeOfRecord(system, "OL-2027-12");
    }

    /** A template of several documents; one agreement is filed, and one waits to be checked. Returns its id. */
    private String courier() {
        JsonNode template = office.bringIn("Courier order", CourierOrder.wording());
        template = office.bringDocument(template, "Courier receipt", CourierOrder.receipt());
        template = office.bringDocument(template, "Terms for journeys abroad", CourierOrder.terms());
        template = office.settle(template, CourierOrder.settled(template.get("content")));
        String order = office.publish(office.settle(template, CourierOrder.settled(template.get("content"))));
        String done = office.generate(office.request(
                order,
                CourierOrder.values(
                        "Cora Reed", mailOf("Cora Reed"), "pochette, ebony, dated 1703", "Greyford Stringhall", true),
                Map.of()));
        office.send(done);
        office.sign(done, mailOf("Cora Reed"), "Cora Reed", Map.of());
        office.sign(done, "registrar@museum.example.org", "Otto Quay", Map.of());
        office.await(done, "COMPLETED");
        office.generate(office.request(
                order,
                CourierOrder.values(
                        "Basil Thorpe",
                        mailOf("Basil Thorpe"),
                        "tenor viol, unsigned, with its case of 1890",
                        "the workshop at Rope Walk 3",
                        false),
                Map.of()));
        return order;
    }

    private void licenceDone(String name, String company, String pictures, String use, String fee) {
        String number = licenceOut(name, company, pictures, use, fee);
        office.sign(
                number,
                mailOf(name),
                name,
                Map.of("licensee_invoice_reference", "R-" + Math.abs(name.hashCode() % 900 + 100)));
        office.sign(number, "pictures@museum.example.org", "Owen Tarr", Map.of());
        office.await(number, "COMPLETED");
    }

    private String licenceOut(String name, String company, String pictures, String use, String fee) {
        String number =
                office.generate(office.request(licence, licenceValues(name, company, pictures, use, fee), Map.of()));
        office.send(number);
        return number;
    }

    private void loanDone(String lender, String objects, String value) {
        String number = loanAt(4, lender, objects, value);
        office.sign(number, "director@museum.example.org", "Helena Brandt", Map.of());
        office.await(number, "COMPLETED");
    }

    /** Takes a loan to the given stage, which stays open. */
    private String loanAt(int stage, String lender, String objects, String value) {
        String number = office.generate(office.request(loan, loanValues(lender, objects, value), Map.of()));
        office.send(number);
        if (stage > 1)
            office.complete(
                    number,
                    "conservation@museum.example.org",
                    Map.of(
                            "conservator_condition",
                            "with damage",
                            "conservator_damage",
                            "one closed crack in the table",
                            "conservator_report_number",
                            "CR-2026-" + (40 + stage)));
        if (stage > 2) office.approve(number, "collections@museum.example.org");
        if (stage > 3) office.sign(number, mailOf(lender), lender, Map.of());
        return number;
    }

    private static String mailOf(String name) {
        // mail to one of them comes back, as it does in life
        String host = name.equals("Jonas Petrie") ? "@gone.example.org" : "@people.example.org";
        return name.toLowerCase(java.util.Locale.ROOT).replaceAll("[^a-z]+", ".") + host;
    }

    private static Map<String, String> loanValues(String lender, String objects, String value) {
        Map<String, String> values = new HashMap<>();
        values.put("loan_number", "L-" + (lender.length() + 2700));
        values.put("lender_name", lender);
        values.put("lender_address", "11 Mill Rise, Greyford");
        values.put("lender_mail", mailOf(lender));
        values.put("exhibition_title", "Strings that speak");
        values.put("start_date", "2027-03-15");
        values.put("end_date", "2027-09-30");
        values.put("objects_description", objects.replace("; ", "\n"));
        values.put("abroad", value.startsWith("GBP") ? "yes" : "no");
        values.put("insured_value", value);
        values.put("courier", "Veldkamp art couriers, two persons, air-sprung van");
        return values;
    }

    private static Map<String, String> licenceValues(
            String name, String company, String pictures, String use, String fee) {
        Map<String, String> values = new HashMap<>();
        values.put("licensee_name", name);
        values.put("licensee_company", company);
        values.put("licensee_mail", mailOf(name));
        values.put("pictures_description", pictures);
        values.put("kind_of_use", use);
        values.put("number_of_copies", "1500");
        values.put("end_date", "2028-12-31");
        values.put("fee", fee);
        values.put("exclusive", "no");
        return values;
    }
}
