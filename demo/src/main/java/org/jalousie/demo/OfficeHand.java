package org.jalousie.demo;

import java.nio.charset.StandardCharsets;
import java.util.Base64;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.Supplier;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import tools.jackson.databind.JsonNode;

/** Does by HTTP what the coordinator and the participants do by hand; waits for what takes a moment. */
final class OfficeHand {
    private static final Pattern LINK = Pattern.compile("/act/([A-Za-z0-9_-]{43})");

    private final Client office;
    private final String address;

    OfficeHand(String address, String mail, String password) {
        this.address = address;
        this.office = new Client(address).signIn(mail, password);
    }

    boolean hasTemplates() {
        return ok(office.get("/api/v1/templates")).get("total").asInt() > 0;
    }

    /** A register with these columns. */
    void register(String name, Map<String, Object> terms) {
        ok(office.post("/api/v1/registers", Map.of("name", name, "terms", terms)));
    }

    void addRow(String register, Map<String, String> values) {
        ok(office.post("/api/v1/registers/" + register + "/rows", Map.of("values", values)));
    }

    /** Changes the row that a key tells from others. @param key such as {@code code:is:GREY} */
    void changeRow(String register, String key, Map<String, String> values) {
        String rows = "/api/v1/registers/" + register + "/rows";
        JsonNode row = ok(office.get(rows + "?where=" + key)).get("items").get(0);
        ok(office.put(
                rows + "/" + row.get("id").asString(),
                Map.of("revision", row.get("revision").asInt(), "values", values)));
    }

    /** Brings a table in and waits until it is looked over. Returns it as it is then. */
    JsonNode bringTable(String register, String name, String csv) {
        byte[] file = csv.getBytes(StandardCharsets.UTF_8);
        return table(
                ok(office.upload("/api/v1/registers/" + register + "/imports", name, file))
                        .get("id")
                        .asString(),
                "READY");
    }

    /** Brings a table in of which agreements are to be made, and waits until it is looked over. */
    void bringRun(String template, String name, String csv) {
        byte[] file = csv.getBytes(StandardCharsets.UTF_8);
        table(
                ok(office.upload("/api/v1/runs?template=" + template, name, file))
                        .get("id")
                        .asString(),
                "READY");
    }

    String address() {
        return address;
    }

    /** Lets a program in; returns its key. */
    String letIn(String title, String scope) {
        Map<String, Object> terms =
                Map.of("title", title, "scopes", List.of(scope), "forms", List.of(), "perMinute", 600);
        String program = ok(office.post("/api/v1/programs", Map.of("terms", terms)))
                .get("id")
                .asString();
        return ok(office.post("/api/v1/programs/" + program + "/keys", Map.of("kind", "BEARER")))
                .get("secret")
                .asString();
    }

    /** Sets a record system up; returns its id. */
    String recordSystem(Map<String, Object> terms, String credential) {
        return ok(office.post("/api/v1/record-systems", Map.of("terms", terms, "credential", credential)))
                .get("id")
                .asString();
    }

    /** The agreement that was made of a record, when it waits to be checked. */
    String madeOfRecord(String system, String key) {
        String number = waitFor("an agreement of record " + key, () -> {
            Client.Answer answer =
                    office.get("/api/v1/record-systems/" + system + "/record?key=" + Client.encoded(key));
            return Optional.of(answer)
                    .filter(one -> one.status() == 200)
                    .map(one -> one.json().get("record").get("agreement").asString())
                    .filter(one -> !one.isEmpty());
        });
        await(number, "CHECK");
        return number;
    }

    /** Does what a table was planned to do, and waits until it is done. */
    void carryOut(JsonNode table) {
        String id = table.get("id").asString();
        ok(office.post(
                "/api/v1/tables/" + id + "/carrying-out",
                Map.of("revision", table.get("revision").asInt())));
        table(id, "DONE");
    }

    private JsonNode table(String id, String state) {
        return waitFor(
                "the table to be " + state,
                () -> Optional.of(ok(office.get("/api/v1/tables/" + id)))
                        .filter(one -> one.get("state").asString().equals(state)));
    }

    /** A request whose answers are taken from rows of registers. @param rows keys of rows by question */
    String request(String template, Map<String, String> values, Map<String, Object> people, Map<String, String> rows) {
        List<Map<String, String>> taken = rows.entrySet().stream()
                .map(one -> Map.of("question", one.getKey(), "row", one.getValue()))
                .toList();
        return ok(office.post(
                        "/api/v1/requests",
                        Map.of("template", template, "values", values, "people", people, "taken", taken)))
                .get("row")
                .get("number")
                .asString();
    }

    JsonNode bringIn(String name, byte[] wording) {
        return ok(office.upload("/api/v1/templates?name=" + Client.encoded(name), "wording.docx", wording));
    }

    /** One more document of a template. */
    JsonNode bringDocument(JsonNode template, String title, byte[] file) {
        String path = "/api/v1/templates/" + template.get("id").asString() + "/documents?revision="
                + template.get("revision").asInt() + "&title=" + Client.encoded(title);
        return ok(office.upload(path, "document", file)).get("template");
    }

    JsonNode settle(JsonNode template, Object content) {
        return ok(office.put(
                "/api/v1/templates/" + template.get("id").asString() + "/content",
                Map.of("revision", template.get("revision").asInt(), "content", content)));
    }

    void bringClause(String name, byte[] wording) {
        ok(office.upload("/api/v1/clauses?name=" + name, name + ".docx", wording));
    }

    /** Lets the program draw up specimens for every case. */
    JsonNode drawUp(JsonNode template) {
        String path = "/api/v1/templates/" + template.get("id").asString();
        ok(office.post(
                path + "/specimens/drawing",
                Map.of("revision", template.get("revision").asInt())));
        waitFor(
                "specimens to be drawn up",
                () -> Optional.of(ok(office.get(path + "/specimens/drawing")))
                        .filter(work -> work.get("state").asString().equals("DONE")));
        return ok(office.get(path));
    }

    /** Says when the office works. */
    void works(JsonNode hours) {
        ok(office.put("/api/v1/office/calendar", hours));
    }

    String publish(JsonNode template) {
        String id = template.get("id").asString();
        ok(office.post(
                "/api/v1/templates/" + id + "/publication",
                Map.of("revision", template.get("revision").asInt())));
        return id;
    }

    /** Shares a form by a link. */
    void share(Map<String, Object> link) {
        ok(office.post("/api/v1/form-links", link));
    }

    String request(String template, Map<String, String> values, Map<String, Object> people) {
        return ok(office.post("/api/v1/requests", Map.of("template", template, "values", values, "people", people)))
                .get("row")
                .get("number")
                .asString();
    }

    /** Makes the agreement of a request and waits until it can be checked. */
    String generate(String request) {
        String number = ok(office.post("/api/v1/requests/" + request + "/agreement", Map.of()))
                .get("agreement")
                .asString();
        await(number, "CHECK");
        return number;
    }

    void send(String number) {
        ok(office.post("/api/v1/agreements/" + number + "/sending", Map.of()));
    }

    /** Has it signed on paper; the print waits to be fetched. */
    void takeToPaper(String number) {
        ok(office.post("/api/v1/agreements/" + number + "/paper", Map.of()));
        office.get("/api/v1/agreements/" + number + "/paper/print.pdf");
    }

    void withdraw(String number, String reason) {
        ok(office.post("/api/v1/agreements/" + number + "/withdrawal", Map.of("reason", reason)));
    }

    /** What is done in the archive. */
    MuseumPeople people() {
        return new MuseumPeople(office, address);
    }

    ArchiveHand archive() {
        return new ArchiveHand(office);
    }

    void await(String number, String state) {
        waitFor(
                number + " to be " + state,
                () -> Optional.of(ok(office.get("/api/v1/agreements/" + number)))
                        .filter(found ->
                                found.get("row").get("state").asString().equals(state)));
    }

    /** Completes details as the person whom a mail has reached. */
    void complete(String number, String mail, Map<String, String> values) {
        ok(participant().post("/api/v1/signing/" + link(number, mail) + "/details", Map.of("values", values)));
    }

    void approve(String number, String mail) {
        ok(participant().post("/api/v1/signing/" + link(number, mail) + "/approval", Map.of()));
    }

    void decline(String number, String mail, String reason) {
        ok(participant().post("/api/v1/signing/" + link(number, mail) + "/refusal", Map.of("reason", reason)));
    }

    void sign(String number, String mail, String name, Map<String, String> values) {
        Client participant = participant();
        String path = "/api/v1/signing/" + link(number, mail);
        if (participant.get(path + "/documents/wording.pdf").status() != 200)
            throw new IllegalStateException("the document can't be read");
        JsonNode page = ok(participant.get(path));
        ok(participant.post(
                path + "/consent",
                Map.of("version", page.get("consent").get("version").asString())));
        ok(participant.post(
                path + "/signature",
                Map.of(
                        "values",
                        values,
                        "mark",
                        "drawn",
                        "picture",
                        Base64.getEncoder().encodeToString(Flourish.of(name)))));
    }

    private Client participant() {
        return new Client(address);
    }

    private String link(String number, String mail) {
        return waitFor("a mail to " + mail + " about " + number, () -> {
            for (JsonNode one : ok(office.get("/api/v1/postroom")).get("items")) {
                if (!one.get("recipient").asString().equals(mail)
                        || !one.get("subject").asString().contains(number)
                        || !one.get("state").asString().equals("SENT")) continue;
                Client.Answer letter =
                        office.get("/api/v1/postroom/" + one.get("id").asString());
                Matcher found = LINK.matcher(letter.text());
                if (letter.status() == 200 && found.find()) return Optional.of(found.group(1));
            }
            return Optional.empty();
        });
    }

    static <T> T waitFor(String what, Supplier<Optional<T>> look) {
        long end = System.nanoTime() + 90_000_000_000L;
        while (System.nanoTime() < end) {
            Optional<T> found = look.get();
            if (found.isPresent()) return found.get();
            try {
                Thread.sleep(150);
            } catch (InterruptedException e) {
                Thread.currentThread().interrupt();
                throw new IllegalStateException(e);
            }
        }
        throw new IllegalStateException("Waited in vain for " + what + ".");
    }

    /** What an answer says. @throws IllegalStateException when it was refused */
    static JsonNode ok(Client.Answer answer) {
        if (answer.status() >= 300) throw new IllegalStateException("The application refused: " + answer.text());
        return answer.body().length == 0 ? null : answer.json();
    }
}
