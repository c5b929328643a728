package org.jalousie.server;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.Collectors;
import org.jalousie.core.json.Json;
import org.jalousie.server.testbed.KeyClient;
import org.jalousie.server.testbed.Office;
import org.jalousie.server.testbed.Receiver;
import org.jalousie.server.testbed.TestPaths;
import org.jalousie.server.testbed.Testbed;
import org.jalousie.server.testbed.Wait;
import org.junit.jupiter.api.Test;
import tools.jackson.databind.JsonNode;

/** docs/api.md lists what the description of the interface has, and its examples do what they say. */
class ApiDocumentTest {
    private static final Testbed BED = Testbed.start();
    private static final Path FILE = TestPaths.root().resolve("docs/api.md");
    private static final String GENERATED = "## All operations\n";
    private static final Pattern EXAMPLE =
            Pattern.compile("```http\n(.*?)```\\s*```json ?([0-9]{3})\n(.*?)```", Pattern.DOTALL);

    @Test
    void allOperationsAreListed() throws Exception {
        String document = Files.readString(FILE);
        String head = document.substring(0, document.indexOf(GENERATED));
        String now = head + GENERATED + operations();
        if (Boolean.getBoolean("openapi.update")) Files.writeString(FILE, now);
        assertThat(now)
                .as("run ./jalousie api after changing the interface to the outside")
                .isEqualTo(Files.readString(FILE));
    }

    private static String operations() throws Exception {
        JsonNode paths = Json.MAPPER
                .readTree(Files.readString(TestPaths.root().resolve("web/openapi.json")))
                .get("paths");
        Map<String, List<String>> rooms = new TreeMap<>();
        paths.propertyStream()
                .forEach(path -> path.getValue().propertyStream().forEach(operation -> {
                    String at = path.getKey().replace("/api/v1", "");
                    rooms.computeIfAbsent(at.split("/")[1], room -> new ArrayList<>())
                            .add(line(at, operation.getKey().toUpperCase(java.util.Locale.ROOT), operation.getValue()));
                }));
        StringBuilder all = new StringBuilder(
                "\nAddresses begin with `/api/v1`. In bold: the scopes that a key needs; without them it is no operation for keys."
                        + " Shapes of bodies and answers are in the description, by these names.\n");
        rooms.forEach((room, lines) -> all.append("\n### ")
                .append(room)
                .append("\n\n")
                .append(lines.stream().sorted().collect(Collectors.joining("\n")))
                .append('\n'));
        return all.toString();
    }

    private static String line(String at, String method, JsonNode operation) {
        List<String> more = new ArrayList<>();
        String asked = operation
                .path("parameters")
                .valueStream()
                .filter(one -> one.get("in").asString().equals("query"))
                .map(one -> one.get("name").asString() + (one.get("required").asBoolean() ? "" : "?"))
                .collect(Collectors.joining(", "));
        if (!asked.isEmpty()) more.add("asked by `" + asked + "`");
        shape(operation.path("requestBody")).ifPresent(one -> more.add("takes `" + one + "`"));
        operation
                .get("responses")
                .propertyStream()
                .findFirst()
                .ifPresent(answer -> more.add("answers " + answer.getKey()
                        + shape(answer.getValue()).map(one -> " `" + one + "`").orElse("")));
        String scopes = operation
                .path("security")
                .valueStream()
                .filter(one -> one.has("key"))
                .map(one -> one.get("key").valueStream().map(JsonNode::asString).collect(Collectors.joining(" and ")))
                .filter(one -> !one.isEmpty())
                .collect(Collectors.joining(" or "));
        return "- `" + method + " " + at + "` "
                + operation
                        .get("description")
                        .asString(operation.path("summary").asString(""))
                + (scopes.isEmpty() ? "" : " **" + scopes + "**") + "; " + String.join("; ", more);
    }

    private static java.util.Optional<String> shape(JsonNode holder) {
        JsonNode content = holder.path("content");
        if (content.isMissingNode() || content.isEmpty()) return java.util.Optional.empty();
        Map.Entry<String, JsonNode> first = content.properties().iterator().next();
        JsonNode schema = first.getValue().path("schema");
        String name = schema.path("$ref").asString("");
        if (name.isEmpty() && schema.path("type").asString("").equals("array"))
            name = schema.path("items").path("$ref").asString("") + "[]";
        if (name.length() < 3) return java.util.Optional.of(first.getKey());
        return java.util.Optional.of(name.substring(name.lastIndexOf('/') + 1));
    }

    @Test
    void theExamplesDoWhatTheySay() throws Exception {
        Office office = new Office(BED.address());
        String template = office.publish("Examples", Office.loanWording());
        JsonNode program = office.client
                .post(
                        "/api/v1/programs",
                        Map.of(
                                "terms",
                                Map.of(
                                        "title",
                                        "Examples",
                                        "scopes",
                                        List.of("intake:write", "agreements:write", "programs:write"),
                                        "forms",
                                        List.of(),
                                        "perMinute",
                                        600)))
                .json();
        KeyClient key = KeyClient.key(
                BED.address(),
                office.client
                        .post("/api/v1/programs/" + program.get("id").asString() + "/keys", Map.of("kind", "BEARER"))
                        .json()
                        .get("secret")
                        .asString());
        String document = Files.readString(FILE);
        Map<String, String> known = new HashMap<>(Map.of("template", template));
        int run = 0;
        try (Receiver receiver = new Receiver()) {
            known.put("receiver", receiver.address());
            Matcher examples = EXAMPLE.matcher(document.substring(0, document.indexOf(GENERATED)));
            while (examples.find()) {
                run(key, examples.group(1), Integer.parseInt(examples.group(2)), examples.group(3), known);
                run++;
            }
        }
        assertThat(run).isGreaterThanOrEqualTo(6);
    }

    /** @param known what earlier answers said, by the names that stand in braces */
    private static void run(KeyClient key, String asked, int status, String said, Map<String, String> known) {
        String text = filled(asked, known);
        String[] parts = text.split("\n\n", 2);
        String[] lines = parts[0].split("\n");
        String[] first = lines[0].split(" ", 2);
        KeyClient client = key;
        for (int i = 1; i < lines.length; i++) {
            String[] field = lines[i].split(": ", 2);
            if (!List.of("Authorization", "Content-Type").contains(field[0])) client = client.with(field[0], field[1]);
        }
        String number = known.get("agreement");
        // whoever reads the examples takes a moment between them
        if (number != null)
            Wait.until(
                    "it is made", () -> !new Office(BED.address()).state(number).equals("GENERATING"));
        KeyClient.Answer answer = client.send(first[0], first[1].strip(), parts.length > 1 ? parts[1].strip() : "");
        assertThat(answer.status()).as(asked + "\n" + answer.body()).isEqualTo(status);
        if (said.isBlank()) return;
        has(answer.json(), Json.MAPPER.readTree(said), asked, known);
    }

    private static String filled(String text, Map<String, String> known) {
        Matcher names = Pattern.compile("\\{([a-z]+)}").matcher(text);
        StringBuilder filled = new StringBuilder();
        while (names.find())
            names.appendReplacement(
                    filled, Matcher.quoteReplacement(known.getOrDefault(names.group(1), names.group())));
        names.appendTail(filled);
        return filled.toString();
    }

    /** All that an example shows is in the answer; what stands in braces is whatever came, and known from then on. */
    private static void has(JsonNode came, JsonNode shown, String where, Map<String, String> known) {
        if (shown.isObject()) {
            Map<String, JsonNode> parts = new LinkedHashMap<>();
            shown.propertyStream().forEach(one -> parts.put(one.getKey(), one.getValue()));
            parts.forEach((name, part) -> {
                assertThat(came.has(name)).as(where + " answers " + name).isTrue();
                has(came.get(name), part, where + " " + name, known);
            });
        } else if (shown.isString() && shown.asString().matches("\\{[a-z]+}")) {
            String name = shown.asString().substring(1, shown.asString().length() - 1);
            assertThat(came.asString("")).as(where).isNotEmpty();
            known.put(name, came.asString());
        } else if (shown.isString()) {
            assertThat(came.asString("")).as(where).isEqualTo(filled(shown.asString(), known));
        } else {
            assertThat(came).as(where).isEqualTo(shown);
        }
    }
}
