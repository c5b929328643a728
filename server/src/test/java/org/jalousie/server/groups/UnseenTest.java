package org.jalousie.server.groups;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import java.util.UUID;
import org.jalousie.core.access.Role;
import org.jalousie.demo.Client;
import org.jalousie.server.testbed.Office;
import org.junit.jupiter.api.AfterAll;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import org.springframework.jdbc.core.simple.JdbcClient;
import tools.jackson.databind.JsonNode;

/**
 * Somebody who sees nothing of a template asks for everything that the description of the interface has, with the real numbers and
 * ids of what was made from it: nothing comes back that names it, and nothing can be changed.
 */
class UnseenTest {
    private static final GroupHand HAND = new GroupHand();
    private static final Office OFFICE = HAND.office;
    private static final String MARK = GroupHand.mark();
    private static final String WHO = GroupHand.mark();
    private static Client outside;
    private static Client reader;
    private static Client requester;
    private static String template;
    private static String completed;
    private static String out;
    private static String request;
    private static final Map<String, String> IDS = new HashMap<>();

    @BeforeAll
    static void somethingIsHidden() {
        outside = HAND.person("outside." + WHO, Role.COORDINATOR);
        reader = HAND.person("reader." + WHO, Role.READER);
        requester = HAND.person("requester." + WHO, Role.REQUESTER);
        template = OFFICE.publish(MARK + " staff", Office.loanWording());
        Map<String, String> values = new HashMap<>(Office.loanValues("Ida Marsh"));
        values.put("objects_description", MARK + " violone");
        completed = OFFICE.completed(template, values);
        out = OFFICE.send(OFFICE.generate(template, values));
        request = OFFICE.request(template, values);
        IDS.put("form-links", id(OFFICE.client.post("/api/v1/form-links", formLink())));
        IDS.put("views", id(OFFICE.client.post("/api/v1/archive/views", view())));
        Client.Answer run = OFFICE.client.upload(
                "/api/v1/runs?template=" + template,
                MARK + ".csv",
                ("lender_name\n" + MARK + "\n").getBytes(StandardCharsets.UTF_8));
        assertThat(run.status()).as(run.text()).isEqualTo(201);
        IDS.put("tables", run.json().get("id").asString());
        IDS.put("postroom", OFFICE.mailsAbout(completed).get(0).get("id").asString());
        IDS.put("scans", scan());
        HAND.put(template, HAND.make(MARK, nora(), nora(), nora()));
    }

    private static String scan() {
        UUID id = UUID.randomUUID();
        HAND.bed
                .bean(JdbcClient.class)
                .sql("insert into scan (id, name, file, agreement_id, brought_by, brought_at, state)"
                        + " select ?, ?, '', id, 'Nora Quill', now(), 'READ' from agreement where number = ?")
                .params(id, MARK + " scan", completed)
                .update();
        return id.toString();
    }

    private static Map<String, Object> nora() {
        return GroupHand.circle(List.of(HAND.id(org.jalousie.server.testbed.Testbed.MAIL)));
    }

    private static String id(Client.Answer answer) {
        assertThat(answer.status()).as(answer.text()).isLessThan(300);
        return answer.json().get("id").asString();
    }

    private static Map<String, Object> formLink() {
        Map<String, Object> terms = Map.of(
                "frames", List.of(),
                "thanks", "",
                "then", "THANKS",
                "document", true,
                "wording", true,
                "askerName", "lender_name",
                "askerMail", "lender_mail",
                "officeMail", "");
        return Map.of("template", template, "title", MARK + " form", "terms", terms, "colleagues", true);
    }

    private static Map<String, Object> view() {
        return Map.of("name", MARK + " view", "shared", true, "usual", false, "template", template);
    }

    @AfterAll
    static void asItWas() {
        HAND.end();
    }

    private record Operation(String method, String path, boolean file) {}

    private static List<Operation> operations() {
        List<Operation> all = new ArrayList<>();
        JsonNode paths = OFFICE.client.get("/api/v1/openapi").json().get("paths");
        paths.properties()
                .forEach(path -> path.getValue()
                        .properties()
                        .forEach(one -> all.add(new Operation(
                                one.getKey().toUpperCase(java.util.Locale.ROOT),
                                path.getKey(),
                                one.getValue()
                                        .path("requestBody")
                                        .path("content")
                                        .has("multipart/form-data")))));
        return all;
    }

    /** The address with what is hidden in it. */
    private static String filled(String path, String agreement) {
        String first = path.substring("/api/v1/".length()).split("/")[0];
        String id = path.contains("/archive/views/")
                ? IDS.get("views")
                : path.contains("/templates/{id}") ? template : IDS.getOrDefault(first, template);
        return path.replace("{number}", first.equals("requests") ? request : agreement)
                .replaceAll("\\{document}", "wording")
                .replaceAll("\\{(page|version)}", "1")
                .replaceAll("\\{party}", "lender")
                .replaceAll("\\{table}", IDS.get("tables"))
                .replaceAll("\\{(token|secret)}", "0".repeat(64))
                .replaceAll("\\{[^}]+}", id);
    }

    private static boolean isOwn(String path) {
        return path.matches(
                "/api/v1/(session|account|signing|ask|asked|openapi|people|teams|trail|office/(mail|files|calendar)).*");
    }

    @Test
    void nothingThatIsAskedForNamesIt() {
        Map<String, String> named = new TreeMap<>();
        int asked = 0;
        int known = 0;
        for (Client who : List.of(outside, reader, requester))
            for (Operation one : operations())
                for (String number : List.of(completed, out)) {
                    if (!one.method().equals("GET") || isOwn(one.path())) continue;
                    asked++;
                    if (who == outside
                            && names(OFFICE.client
                                    .get(filled(one.path(), number))
                                    .text())) known++;
                    for (String find : List.of("", "?find=" + MARK, "?template=" + template)) {
                        String address = filled(one.path(), number);
                        Client.Answer answer = who.get(address + find);
                        // what isn't let in is told with the address that was asked for
                        if (answer.status() >= 500 || names(answer.text().replace(address, "")))
                            named.put(one.path() + find, answer.status() + " " + start(answer));
                    }
                }
        assertThat(asked).isGreaterThan(300);
        assertThat(known).as("so many name it to who sees it").isGreaterThan(60);
        assertThat(named.entrySet().stream().map(Object::toString).toList()).isEmpty();
    }

    private static boolean names(String text) {
        return text.contains(MARK) || text.contains(completed) || text.contains(out) || text.contains(request);
    }

    private static String start(Client.Answer answer) {
        return answer.text().substring(0, Math.min(200, answer.text().length()));
    }

    @Test
    void nothingOfItCanBeChanged() {
        JsonNode before = OFFICE.show(out);
        Map<String, String> taken = new LinkedHashMap<>();
        for (Operation one : operations()) {
            if (one.method().equals("GET") || isOwn(one.path())) continue;
            if (!one.path()
                    .matches(".*(agreements|requests|templates|archive|tables|form-links|views|postroom|scans)/\\{.*"))
                continue;
            String path = filled(one.path(), out);
            Client.Answer answer = one.file()
                    ? outside.upload(path, "one.csv", "a\n".getBytes(StandardCharsets.UTF_8))
                    : switch (one.method()) {
                        case "PUT" -> outside.put(path, Map.of());
                        case "DELETE" -> outside.delete(path);
                        default -> outside.post(path, Map.of());
                    };
            if (answer.status() != 404 && answer.status() != 403)
                taken.put(one.toString(), answer.status() + " " + start(answer));
        }
        assertThat(taken.entrySet().stream().map(Object::toString).toList()).isEmpty();
        assertThat(OFFICE.show(out)).isEqualTo(before);
    }

    @Test
    void itsFormAndWhatWasMadeIsNotReachedByOtherWays() {
        Map<String, Object> asks =
                Map.of("template", template, "people", Map.of(), "values", Office.loanValues("Ida Marsh"));
        for (Client.Answer answer : List.of(
                outside.post("/api/v1/requests", asks),
                outside.post("/api/v1/form-links", formLink()),
                outside.upload("/api/v1/runs?template=" + template, "a.csv", "lender_name\nOne\n".getBytes()),
                outside.post("/api/v1/archive/evidence", Map.of("numbers", List.of(completed)))))
            assertThat(answer.status()).as(answer.text()).isIn(403, 404);
        // a letter of an address may be written as its number
        assertThat(outside.get("/api/v1/agreements/%41" + out.substring(1)).status())
                .isEqualTo(404);
        assertThat(outside.get("/api/v1/templates/%20" + template).status()).isIn(400, 404);
        assertThat(outside.get("/api/v1/agreements/" + out + "/").status()).isIn(403, 404);
        byte[] file = OFFICE.client
                .get("/api/v1/agreements/" + completed + "/documents/wording.pdf")
                .body();
        assertThat(OFFICE.client.upload("/api/v1/archive/check", "a.pdf", file).text())
                .contains(completed);
        assertThat(outside.upload("/api/v1/archive/check", "a.pdf", file)
                        .json()
                        .get("agreement")
                        .asString())
                .isEmpty();
        assertThat(outside.upload("/api/v1/archive/check?number=" + completed, "a.pdf", file)
                        .text())
                .doesNotContain(completed);
    }

    @Test
    void whatIsOpenIsThereForThemAsBefore() {
        String open =
                OFFICE.completed(OFFICE.publish("Open " + MARK.replace('q', 'r'), Office.loanWording()), "Bo Ash");
        assertThat(outside.get("/api/v1/agreements/" + open).status()).isEqualTo(200);
        assertThat(outside.post("/api/v1/archive/" + open + "/verification", Map.of())
                        .status())
                .isEqualTo(200);
        assertThat(reader.get("/api/v1/archive?find=" + open).text()).contains(open);
        assertThat(outside.get("/api/v1/archive/groups?by=.template").status()).isEqualTo(200);
        // what is about all of them says why it isn't for them
        Client.Answer all = outside.get("/api/v1/webhooks");
        assertThat(all.status()).isEqualTo(403);
        assertThat(all.text()).contains("some of them aren’t yours");
        assertThat(OFFICE.client.get("/api/v1/webhooks").status()).isEqualTo(200);
    }
}
