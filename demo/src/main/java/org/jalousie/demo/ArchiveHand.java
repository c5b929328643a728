package org.jalousie.demo;

import static org.jalousie.demo.OfficeHand.ok;

import java.util.List;
import java.util.Map;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;
import tools.jackson.databind.node.ObjectNode;

/** Does by HTTP what the coordinator does in the archive. */
final class ArchiveHand {
    private static final JsonMapper JSON = new JsonMapper();

    private final Client office;

    ArchiveHand(Client office) {
        this.office = office;
    }

    /** Makes some of a template's data columns of the archive. */
    void columns(String template, List<String> columns) {
        ok(office.put("/api/v1/archive/templates/" + template + "/columns", Map.of("columns", columns)));
    }

    /** Watches days of a template's agreements. @param dates as JSON, an array */
    void dates(String template, String dates) {
        String path = "/api/v1/archive/templates/" + template + "/dates";
        int edition = ok(office.get(path)).get("edition").asInt();
        ok(office.put(path, Map.of("dates", JSON.readTree(dates), "edition", edition)));
    }

    /** Keeps for everybody how the archive opens for a template: under headings. */
    void usualView(String template, String name, String group) {
        ObjectNode view = (ObjectNode) JSON.readTree("""
                {"shared":true,"usual":true,"state":"COMPLETED",
                 "view":{"find":"","endedFrom":"","endedTo":"","where":[],"columns":[],"sort":""}}""");
        ((ObjectNode) view.get("view")).put("group", group);
        ok(office.post("/api/v1/archive/views", view.put("template", template).put("name", name)));
    }

    /** Settles how long a template's agreements are kept, in months, counted from the end of the year. */
    void keptFor(String template, int completed, int inVain) {
        String path = "/api/v1/archive/templates/" + template + "/retention";
        int edition = ok(office.get(path)).get("edition").asInt();
        ok(office.put(
                path,
                Map.of("rule", Map.of("completed", completed, "inVain", inVain, "yearEnd", true), "edition", edition)));
    }

    /** Keeps an agreement until somebody lifts it. */
    void hold(String number, String reason) {
        ok(office.post("/api/v1/archive/retention/holds", Map.of("numbers", List.of(number), "reason", reason)));
    }

    /** Has everything filed to the first folder that may be filed to; to none where there is no such folder. */
    void filing() {
        JsonNode folders = ok(office.get("/api/v1/archive/filing")).get("folders");
        if (folders.isEmpty()) return;
        ObjectNode terms = (ObjectNode) JSON.readTree("""
                {"title":"The museum\u2019s share","kind":"FOLDER","user":"","templates":[],"rules":[],"record":true,
                 "usual":{"folder":"{{template_name}}/{{completed_on.year}}","name":"{{agreement_number}} {{agreement_title}}"}}""");
        terms.put("address", folders.get(0).asString());
        ok(office.post("/api/v1/archive/filing", Map.of("terms", terms, "password", "")));
    }

    /** Has a root made over everything so far and checks what is kept against it. */
    void dailyRoot() {
        ok(office.post("/api/v1/daily-roots", Map.of()));
        ok(office.post("/api/v1/daily-roots/check", Map.of()));
    }
}
