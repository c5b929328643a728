package org.jalousie.demo;

import java.util.List;
import java.util.Map;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.ObjectNode;

/** The form by which people from outside ask for a licence: in two languages, what the office settles not asked of them. */
final class SharedForm {
    private SharedForm() {}

    /** The settings of the licence with its form arranged. */
    static ObjectNode arranged(ObjectNode content) {
        ObjectNode layout = content.putObject("layout");
        ArrayNode sections = layout.putArray("sections");
        ArrayNode who = sections.addObject().put("title", "Who asks").putArray("questions");
        question(who, "licensee_name", "HALF");
        question(who, "licensee_company", "HALF");
        question(who, "licensee_mail", "WHOLE");
        ArrayNode what = sections.addObject()
                .put("title", "Which pictures, and what for")
                .put("help", "One picture a line. The inventory number stands under each picture in the catalogue.")
                .putArray("questions");
        question(what, "pictures_description", "WHOLE").put("placeholder", "Pochette from the front, inv. 1933-17");
        question(what, "kind_of_use", "HALF");
        question(what, "number_of_copies", "HALF");
        ArrayNode office =
                sections.addObject().put("title", "Settled by the office").putArray("questions");
        for (String name : List.of("fee", "end_date", "exclusive"))
            question(office, name, "THIRD").put("visibility", "OFFICE");
        ObjectNode dutch = layout.putObject("words").putObject("nl");
        Map.of(
                        "Who asks", "Wie vraagt",
                        "Licensee\u2019s name", "Naam van de licentiehouder",
                        "Company", "Bedrijf",
                        "When the licence is for a company", "Als de licentie voor een bedrijf is",
                        "Mail address", "Mailadres",
                        "Which pictures, and what for", "Welke afbeeldingen, en waarvoor",
                        "Pictures", "Afbeeldingen",
                        "With inventory numbers", "Met inventarisnummers",
                        "Kind of use", "Soort gebruik",
                        "Copies", "Oplage")
                .forEach(dutch::put);
        return content;
    }

    private static ObjectNode question(ArrayNode questions, String field, String width) {
        return questions.addObject().put("field", field).put("width", width);
    }

    /** What is agreed about the link. @param office where its answers are mailed to */
    static Map<String, Object> link(String template, String office) {
        return Map.of(
                "template",
                template,
                "title",
                "Ask for the use of a picture",
                "colleagues",
                true,
                "terms",
                Map.of(
                        "frames",
                        List.of("https://www.museum.example.org"),
                        "thanks",
                        "",
                        "then",
                        "THANKS",
                        "document",
                        true,
                        "wording",
                        true,
                        "askerName",
                        "licensee_name",
                        "askerMail",
                        "licensee_mail",
                        "officeMail",
                        office));
    }
}
