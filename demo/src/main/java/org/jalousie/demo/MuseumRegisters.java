package org.jalousie.demo;

import java.util.List;
import java.util.Map;
import tools.jackson.databind.json.JsonMapper;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.ObjectNode;

/** The museum's own tables: the houses that it deals with, its exhibitions, its instruments. */
final class MuseumRegisters {
    /** Instruments as the stores keep them, with three rows that have to be mended. */
    static final String INSTRUMENTS = """
            Inv. no.;Instrument;Made;Insured for;Gut strings;Exhibition
            1911-04;Tenor viol by an unknown maker;1680;EUR 64.000,00;ja;STS
            1933-17;Oudehaven pochette, ebony;1703;EUR 9.500,00;nee;STS
            1950-01;Rose of a lute, pear wood;1720;EUR 1.250,00;nee;
            1962-11;Baryton with carved head;1755;EUR 88.000,00;ja;STS
            1978-02;Bow, snakewood, clip-in frog;1690;EUR 4.200,00;nee;DAN
            1987-09;Hurdy-gurdy, ivory and ebony;1790;EUR 5.100,00;ja;DAN
            1999-30;Kit, ivory pegs;1745;EUR 9.500,00;nee;DAN
            2001-02;Marsh viola d\u2019amore;1740;EUR 12.500,00;ja;STS
            """;

    /** What came in last spring, as the stores wrote it down. */
    static final String ACQUISITIONS = """
            Inv. no.;Instrument;Made;Insured for;Gut strings;Exhibition
            2027-01;Lira da braccio, restored 1978;1540;EUR 310.000,00;ja;STS
            2027-02;Trumpet marine;1720;7.800;nee;
            2027-03;;1691;EUR 22.000,00;nee;DAN
            2027-04;Nyckelharpa;1691;EUR 22.000,00;nee;ABC
            2001-02;Marsh viola d\u2019amore;1740;EUR 14.000,00;ja;STS
            """;

    /** Licences that a publisher has asked for in one file; one row has to be mended. */
    static final String LICENCES = """
            Licensee\u2019s name,Company,Mail address,Pictures,Kind of use,Copies,Licence ends,Fee,Exclusive
            Ines Corvo,Tideline Press,ines.corvo@people.example.org,Tenor viol inv. 1911-04,book,2500,2029-12-31,EUR 140.00,no
            Per Lindqvist,Tideline Press,per.lindqvist@people.example.org,Baryton inv. 1962-11,exhibition,1,2028-06-30,EUR 60.00,no
            Odile Marchand,,odile.marchand@people.example.org,Oudehaven pochette inv. 1933-17,postcard,5000,2029-12-31,EUR 95.00,no
            """;

    private MuseumRegisters() {}

    static Map<String, Object> houses() {
        return register(
                "Houses",
                List.of("name"),
                column("code", "TEXT", "Code", false, ""),
                column("name", "TEXT", "House", true, ""),
                column("address", "ADDRESS", "Address", false, ""),
                column("signer", "NAME", "Who signs", false, ""),
                column("mail", "MAIL_ADDRESS", "Mail address", false, ""));
    }

    static Map<String, Object> exhibitions() {
        return register(
                "Exhibitions",
                List.of("title"),
                column("code", "TEXT", "Code", false, ""),
                column("title", "TEXT", "Exhibition", true, ""),
                column("house", "TEXT", "House", false, "houses"),
                column("opens", "DATE", "Opens", false, ""),
                column("closes", "DATE", "Closes", false, ""));
    }

    static Map<String, Object> instruments() {
        return register(
                "Instruments",
                List.of("title"),
                column("number", "TEXT", "Inv. no.", false, ""),
                column("title", "TEXT", "Instrument", true, ""),
                column("made", "TEXT", "Made", false, ""),
                column("value", "MONEY", "Insured for", false, ""),
                column("gut", "YES_NO", "Gut strings", false, ""),
                column("exhibition", "TEXT", "Exhibition", false, "exhibitions"));
    }

    static List<Map<String, String>> houseRows() {
        return List.of(
                Map.of(
                        "code", "GREY",
                        "name", "Stringhall Greyford",
                        "address", ";;Rope Walk 12;Greyford;;GF2 4AB;GB",
                        "signer", "Penhallow;Rosamund;;Dr;",
                        "mail", "rosamund.penhallow@people.example.org"),
                Map.of(
                        "code", "HARB",
                        "name", "Harbour House Oudehaven",
                        "address", ";;Canal Yard 9;Oudehaven;;4811 AB;NL",
                        "signer", "Quist;Adriaan;;;",
                        "mail", "adriaan.quist@people.example.org"),
                Map.of(
                        "code", "NORD",
                        "name", "Nordlicht-Saal",
                        "address", ";;Am Speicher 3;Seehafen;;20457;DE",
                        "signer", "Holm;Greta;;;",
                        "mail", "greta.holm@people.example.org"));
    }

    static List<Map<String, String>> exhibitionRows() {
        return List.of(
                Map.of(
                        "code",
                        "STS",
                        "title",
                        "Strings that speak",
                        "house",
                        "GREY",
                        "opens",
                        "2027-05-01",
                        "closes",
                        "2027-09-30"),
                Map.of(
                        "code",
                        "DAN",
                        "title",
                        "Music for dancing",
                        "house",
                        "NORD",
                        "opens",
                        "2027-10-15",
                        "closes",
                        "2028-01-31"));
    }

    /** A form's questions that are answered from these registers. @param sections of the form, which are added to */
    static void lookedUp(ArrayNode sections) {
        ArrayNode what = sections.addObject().put("title", "For what").putArray("questions");
        ObjectNode exhibition = what.addObject().put("field", "exhibition");
        ObjectNode shows = exhibition.putObject("lookup").put("register", "exhibitions");
        fills(shows, "title", "exhibition", "opens", "start_date", "closes", "end_date");
        ObjectNode things = shows.putArray("rows")
                .addObject()
                .put("register", "instruments")
                .put("by", "exhibition")
                .put("list", "objects");
        fills(things, "title", "title", "value", "value", "gut", "has_gut");
        what.addObject().put("field", "start_date").put("width", "HALF");
        what.addObject().put("field", "end_date").put("width", "HALF");
        ArrayNode whom = sections.addObject().put("title", "To whom").putArray("questions");
        ObjectNode houses = whom.addObject()
                .put("field", "borrower_name")
                .putObject("lookup")
                .put("register", "houses");
        fills(
                houses,
                "name",
                "borrower_name",
                "address",
                "borrower_address",
                "signer",
                "borrower_signer",
                "mail",
                "borrower_mail");
        for (String field : List.of("borrower_address", "borrower_signer", "borrower_mail"))
            whom.addObject().put("field", field);
        ArrayNode objects =
                sections.addObject().put("title", "Objects and journey").putArray("questions");
        ObjectNode list = objects.addObject().put("field", "objects");
        list.putArray("totals").add("value");
        fills(
                list.putObject("lookup").put("register", "instruments"),
                "title",
                "title",
                "value",
                "value",
                "gut",
                "has_gut");
        for (String field : List.of("travels", "special_conditions"))
            objects.addObject().put("field", field);
    }

    /** @param pairs columns and what they fill, by turns */
    private static void fills(ObjectNode of, String... pairs) {
        ArrayNode fills = of.putArray("fills");
        for (int i = 0; i < pairs.length; i += 2)
            fills.addObject().put("column", pairs[i]).put("field", pairs[i + 1]);
    }

    private static Map<String, Object> register(String title, List<String> shown, ObjectNode... columns) {
        return Map.of(
                "title",
                title,
                "columns",
                List.of(columns),
                "key",
                columns[0].get("field").get("name").asString(),
                "shown",
                shown);
    }

    private static ObjectNode column(String name, String type, String label, boolean required, String related) {
        ObjectNode column = JsonMapper.shared().createObjectNode();
        ObjectNode field = column.putObject("field")
                .put("name", name)
                .put("type", type)
                .put("label", label)
                .put("required", required)
                .put("hint", "")
                .put("initial", "")
                .put("ownAnswer", false);
        field.putArray("choices");
        field.putArray("items");
        field.putObject("files").put("megabytes", 5).putArray("kinds");
        return column.put("unique", false).put("related", related);
    }
}
