package org.jalousie.server;

import static org.assertj.core.api.Assertions.assertThat;

import java.net.CookieManager;
import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.time.Duration;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeSet;
import org.jalousie.core.access.Role;
import org.jalousie.server.testbed.Office;
import org.jalousie.server.testbed.OfficePeople;
import org.jalousie.server.testbed.TestPaths;
import org.jalousie.server.testbed.Testbed;
import org.junit.jupiter.api.Test;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.ObjectNode;

/** Everything that the description of the interface offers, asked wrongly in every way: no answer says that the program failed. */
class FuzzTest {
    private static final Testbed BED = Testbed.start();
    private static final String MAIL = "fuzz@museum.example.org";
    private static final JsonMapper JSON = new JsonMapper();
    private static final Set<String> METHODS = Set.of("get", "put", "post", "delete");
    private static final List<String> WRONG_VALUES = List.of(
            "null",
            "\"\"",
            "\"\\u0000\"",
            "\"" + "x".repeat(30_000) + "\"",
            "-1",
            "2147483648",
            "1e400",
            "[]",
            "{}",
            "[null]",
            "{\"a\":null}",
            "true",
            "\"\\ud800\"",
            "1".repeat(300),
            "\"%_\\\\\"");
    private static final List<String> WRONG_PARTS = List.of(
            "00000000-0000-0000-0000-000000000000",
            "x",
            "%20",
            "..%2F..",
            "-1",
            "0",
            "2147483648",
            "%E2%82%AC",
            "'",
            "a".repeat(500));

    private final List<String> failures = new ArrayList<>();
    private final HttpClient http =
            HttpClient.newBuilder().cookieHandler(new CookieManager()).build();
    private String csrf = "";
    private int asked;

    @Test
    void noAnswerIsTheProgramsFault() throws Exception {
        Office office = new Office(BED.address());
        JsonNode template = office.bringIn("Fuzz", Office.loanWording());
        String number =
                office.generate(office.publish("Fuzz published", Office.loanWording()), Office.loanValues("Ida"));
        Map<String, String> known = new LinkedHashMap<>();
        known.put("id", template.get("id").asString());
        known.put("number", number);
        known.put("page", "1");
        known.put("position", "0");
        known.put("party", "lender");
        known.put("token", "B".repeat(43));
        known.put("file", "0".repeat(64));
        known.put("sha256", "0".repeat(64));
        OfficePeople.there(BED, MAIL, "Fu Zz", Role.values());
        signIn();
        JsonNode api = JSON.readTree(Files.readString(TestPaths.root().resolve("web/openapi.json")));
        for (Map.Entry<String, JsonNode> path : api.get("paths").properties()) {
            for (Map.Entry<String, JsonNode> operation : path.getValue().properties()) {
                if (!METHODS.contains(operation.getKey()) || path.getKey().equals("/api/v1/session")) continue;
                // right by chance, it would shut everybody out who tries the rest
                if (path.getKey().equals("/api/v1/people/entry-rule")) continue;
                operation(api, operation.getKey(), path.getKey(), operation.getValue(), known);
            }
            String right = filled(path.getKey(), known);
            for (String method : List.of("PATCH", "PUT", "DELETE", "POST"))
                ask(method, right, "application/json", "{}");
        }
        assertThat(asked).isGreaterThan(1500);
        assertThat(failures).isEmpty();
    }

    private void operation(JsonNode api, String method, String path, JsonNode operation, Map<String, String> known) {
        String right = filled(path, known);
        for (String name : known.keySet()) {
            if (!path.contains("{" + name + "}")) continue;
            for (String wrong : WRONG_PARTS) {
                Map<String, String> changed = new LinkedHashMap<>(known);
                changed.put(name, wrong);
                ask(method, filled(path, changed), "application/json", method.equals("get") ? null : "{}");
            }
        }
        for (JsonNode parameter : operation.path("parameters")) {
            if (!parameter.get("in").asString().equals("query")) continue;
            for (String wrong :
                    List.of("", "-1", "2147483647", "2147483648", "x", "%00", "%25_", "%F0%9F%8E%BB", "a".repeat(3000)))
                ask(
                        method,
                        right + "?" + parameter.get("name").asString() + "=" + wrong,
                        "application/json",
                        method.equals("get") ? null : "{}");
        }
        if (method.equals("get")) return;
        for (String type :
                List.of("text/plain", "application/xml", "multipart/form-data", "multipart/form-data; boundary=x", "x"))
            ask(method, right, type, "--x\r\n");
        for (String body : List.of(
                "",
                "{",
                "null",
                "[]",
                "3",
                "\"x\"",
                "{\"a\":".repeat(100),
                "[".repeat(5000),
                "{\"a\":1,\"a\":2}",
                "\u0000")) ask(method, right, "application/json", body);
        JsonNode content = operation.path("requestBody").path("content").path("application/json");
        if (content.isMissingNode()) return;
        JsonNode whole = example(api, content.get("schema"), 0);
        ask(method, right, "application/json", whole.toString());
        if (!(whole instanceof ObjectNode object)) return;
        for (String member : new TreeSet<>(object.propertyNames())) {
            ObjectNode without = object.deepCopy();
            without.remove(member);
            ask(method, right, "application/json", without.toString());
            for (String wrong : WRONG_VALUES) {
                String marked = object.deepCopy().put(member, "@@@").toString();
                ask(method, right, "application/json", marked.replace("\"@@@\"", wrong));
            }
        }
    }

    /** A body as the description asks for it. */
    private static JsonNode example(JsonNode api, JsonNode schema, int depth) {
        if (schema.has("$ref")) {
            String name = schema.get("$ref").asString();
            return example(
                    api, api.get("components").get("schemas").get(name.substring(name.lastIndexOf('/') + 1)), depth);
        }
        JsonNode type = schema.path("type");
        String kind = type.isArray() ? type.get(0).asString() : type.asString("object");
        if (schema.has("enum"))
            return JSON.valueToTree(schema.get("enum").get(0).asString());
        if (kind.equals("string"))
            return JSON.valueToTree(
                    schema.path("format").asString("").equals("uuid") ? "00000000-0000-0000-0000-000000000000" : "x");
        if (kind.equals("integer")) return JSON.valueToTree(0);
        if (kind.equals("boolean")) return JSON.valueToTree(true);
        if (kind.equals("array")) {
            ArrayNode list = JSON.createArrayNode();
            if (depth < 3) list.add(example(api, schema.get("items"), depth + 1));
            return list;
        }
        ObjectNode object = JSON.createObjectNode();
        schema.path("properties")
                .properties()
                .forEach(one -> object.set(one.getKey(), example(api, one.getValue(), depth + 1)));
        if (schema.has("additionalProperties")
                && depth < 3
                && schema.get("additionalProperties").isObject())
            object.set("x", example(api, schema.get("additionalProperties"), depth + 1));
        return object;
    }

    private static String filled(String path, Map<String, String> known) {
        String filled = path;
        for (Map.Entry<String, String> one : known.entrySet())
            filled = filled.replace("{" + one.getKey() + "}", one.getValue());
        return filled.replaceAll("\\{[^}]+}", "x");
    }

    private void signIn() throws Exception {
        HttpResponse<String> first = http.send(
                HttpRequest.newBuilder(URI.create(BED.address() + "/api/v1/session"))
                        .build(),
                HttpResponse.BodyHandlers.ofString());
        csrf = token(first);
        HttpResponse<String> answer = http.send(
                HttpRequest.newBuilder(URI.create(BED.address() + "/api/v1/session"))
                        .header("Content-Type", "application/json")
                        .header("X-XSRF-TOKEN", csrf)
                        .POST(HttpRequest.BodyPublishers.ofString(
                                JSON.writeValueAsString(Map.of("mail", MAIL, "password", Testbed.PASSWORD))))
                        .build(),
                HttpResponse.BodyHandlers.ofString());
        assertThat(answer.statusCode()).isEqualTo(200);
    }

    private static String token(HttpResponse<?> response) {
        return response.headers().allValues("Set-Cookie").stream()
                .filter(cookie -> cookie.startsWith("XSRF-TOKEN="))
                .map(cookie -> cookie.substring(11, cookie.indexOf(';')))
                .findFirst()
                .orElse("");
    }

    private void ask(String method, String path, String type, String body) {
        asked++;
        try {
            HttpRequest.Builder request = HttpRequest.newBuilder(URI.create(BED.address() + path))
                    .timeout(Duration.ofSeconds(40))
                    .header("X-XSRF-TOKEN", csrf);
            if (body == null)
                request.method(method.toUpperCase(java.util.Locale.ROOT), HttpRequest.BodyPublishers.noBody());
            else
                request.header("Content-Type", type)
                        .method(
                                method.toUpperCase(java.util.Locale.ROOT),
                                HttpRequest.BodyPublishers.ofString(body, StandardCharsets.UTF_8));
            HttpResponse<String> answer = http.send(request.build(), HttpResponse.BodyHandlers.ofString());
            if (answer.statusCode() == 500)
                failures.add(method + " " + path + " " + type + " "
                        + (body == null ? "" : body.substring(0, Math.min(body.length(), 300))));
        } catch (Exception e) {
            failures.add(method + " " + path + ": " + e);
        }
    }
}
