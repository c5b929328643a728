package org.jalousie.server.testbed;

import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.StreamSupport;
import org.jalousie.demo.Client;
import tools.jackson.databind.JsonNode;

/** Registers in short, over HTTP. */
public final class Registers {
    private final Client client;

    public Registers(Client client) {
        this.client = client;
    }

    /** @param spec such as {@code town TEXT}, with {@code !} for required, {@code *} for unique, {@code > register} for related */
    public static Map<String, Object> column(String spec) {
        String[] parts = spec.split(" ");
        Map<String, Object> field = new HashMap<>();
        field.put("name", parts[0]);
        field.put("type", parts.length > 1 ? parts[1] : "TEXT");
        field.put(
                "label",
                Character.toUpperCase(parts[0].charAt(0))
                        + parts[0].substring(1).replace('_', ' '));
        field.put("required", spec.contains("!"));
        field.put("hint", "");
        field.put("choices", spec.contains("CHOICE") ? List.of(parts[2].split(",")) : List.of());
        field.put("items", List.of());
        field.put("initial", "");
        field.put("ownAnswer", false);
        field.put("files", Map.of("kinds", List.of(), "megabytes", 5));
        return Map.of(
                "field",
                field,
                "unique",
                spec.contains("*"),
                "related",
                spec.contains(">") ? spec.substring(spec.indexOf('>') + 1).strip() : "");
    }

    /** The first column is the key, and the second names a row. */
    public static Map<String, Object> terms(String title, String... columns) {
        List<Object> all = new ArrayList<>();
        for (String one : columns) all.add(column(one));
        return Map.of(
                "title",
                title,
                "columns",
                all,
                "key",
                columns[0].split(" ")[0],
                "shown",
                List.of(columns[1].split(" ")[0]));
    }

    public JsonNode create(String name, String... columns) {
        return expect(201, client.post("/api/v1/registers", Map.of("name", name, "terms", terms(name, columns))));
    }

    /** @return the new row's id */
    public String add(String register, Map<String, String> values) {
        return expect(201, client.post("/api/v1/registers/" + register + "/rows", Map.of("values", values)))
                .get("row")
                .get("id")
                .asString();
    }

    public JsonNode row(String register, String id) {
        return expect(200, client.get("/api/v1/registers/" + register + "/rows/" + id));
    }

    public Client.Answer change(String register, String id, Map<String, String> values) {
        int revision = row(register, id).get("row").get("revision").asInt();
        return client.put(
                "/api/v1/registers/" + register + "/rows/" + id, Map.of("revision", revision, "values", values));
    }

    /** Labels of the rows of a list. */
    public List<String> labels(String register, String query) {
        JsonNode items = expect(200, client.get("/api/v1/registers/" + register + "/rows?" + query))
                .get("items");
        return StreamSupport.stream(items.spliterator(), false)
                .map(one -> one.get("label").asString())
                .toList();
    }

    /** Brings a table in and waits until it is looked over. */
    public JsonNode bringIn(String register, String csv) {
        return bringIn(register, "rows.csv", csv.getBytes(StandardCharsets.UTF_8));
    }

    public JsonNode bringIn(String register, String name, byte[] file) {
        return ready(expect(201, client.upload("/api/v1/registers/" + register + "/imports", name, file))
                .get("id")
                .asString());
    }

    public JsonNode ready(String table) {
        return await(table, "READY", "REFUSED", "DONE");
    }

    public JsonNode await(String table, String... states) {
        return Wait.until(
                "the table to be " + List.of(states),
                () -> Optional.of(client.get("/api/v1/tables/" + table).json())
                        .filter(one -> List.of(states).contains(one.get("state").asString())));
    }

    /** Takes a table otherwise, and waits until it is looked over. */
    public JsonNode settle(JsonNode table, JsonNode settings) {
        String id = table.get("id").asString();
        expect(
                200,
                client.put(
                        "/api/v1/tables/" + id,
                        Map.of("revision", table.get("revision").asInt(), "settings", settings)));
        return ready(id);
    }

    public JsonNode carryOut(JsonNode table) {
        String id = table.get("id").asString();
        expect(
                200,
                client.post(
                        "/api/v1/tables/" + id + "/carrying-out",
                        Map.of("revision", table.get("revision").asInt())));
        return await(id, "DONE");
    }

    public static Map<String, Long> outcomes(JsonNode table) {
        Map<String, Long> counts = new HashMap<>();
        table.get("outcomes")
                .forEach(one -> counts.put(
                        one.get("outcome").asString(), one.get("count").asLong()));
        return counts;
    }

    public JsonNode rows(JsonNode table, String query) {
        return expect(200, client.get("/api/v1/tables/" + table.get("id").asString() + "/rows?" + query))
                .get("items");
    }

    public static JsonNode expect(int status, Client.Answer answer) {
        if (answer.status() != status) throw new IllegalStateException(answer.status() + " " + answer.text());
        return answer.json();
    }
}
