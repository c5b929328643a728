package org.jalousie.server.testbed;

import java.io.IOException;
import java.net.URI;
import java.net.URLEncoder;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import org.jalousie.core.json.Json;
import org.jalousie.standins.records.RecordStandin;
import tools.jackson.databind.JsonNode;

/** The record system as somebody works with it who is there, and the terms under which its loans become agreements. */
public final class Loans {
    public static final String SECRET = "records-secret";

    /** The statuses that are written back. */
    public static final Map<String, String> STATUSES = Map.of(
            "RECEIVED", "agreement received",
            "MADE", "agreement made",
            "SENT", "agreement sent",
            "SEEN", "agreement seen",
            "COMPLETED", "signed",
            "DECLINED", "declined",
            "EXPIRED", "expired",
            "WITHDRAWN", "withdrawn",
            "FAULTY", "to be mended");

    private final HttpClient http = HttpClient.newHttpClient();
    private final String address;

    /** @param address of the record system */
    public Loans(String address) {
        this.address = address;
    }

    public HttpResponse<byte[]> send(String method, String path, Object body) {
        try {
            return http.send(
                    HttpRequest.newBuilder(URI.create(address + path))
                            .header("Authorization", "Bearer " + SECRET)
                            .method(
                                    method,
                                    body == null
                                            ? HttpRequest.BodyPublishers.noBody()
                                            : HttpRequest.BodyPublishers.ofString(Json.MAPPER.writeValueAsString(body)))
                            .build(),
                    HttpResponse.BodyHandlers.ofByteArray());
        } catch (IOException e) {
            throw new IllegalStateException(e);
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
            throw new IllegalStateException(e);
        }
    }

    private JsonNode json(String method, String path, Object body) {
        HttpResponse<byte[]> answer = send(method, path, body);
        if (answer.statusCode() / 100 != 2)
            throw new IllegalStateException(method + " " + path + ": " + answer.statusCode());
        return answer.body().length == 0 ? Json.MAPPER.nullNode() : Json.MAPPER.readTree(answer.body());
    }

    private static String encoded(String text) {
        return URLEncoder.encode(text, StandardCharsets.UTF_8).replace("+", "%20");
    }

    /** A loan as somebody writes it down, which the agreement is asked for. */
    public static Map<String, Object> loan(String lender) {
        Map<String, Object> loan = new LinkedHashMap<>();
        loan.put("status", RecordStandin.WANTED);
        loan.put("lender", new HashMap<>(Map.of("name", lender, "mail", "ida.marsh@lender.example.org")));
        loan.put("objects_text", "a viola d'amore");
        loan.put("from", "2027-03-15");
        loan.put("insured", "EUR 12500");
        return loan;
    }

    public void put(String id, Map<String, Object> record, Map<String, Object> rows) {
        json("PUT", "/desk/api/loans/" + encoded(id), Map.of("record", record, "rows", rows));
    }

    public void put(String id, Map<String, Object> record) {
        put(id, record, Map.of());
    }

    public void change(String id, Map<String, Object> patch) {
        json("PATCH", "/desk/api/loans/" + encoded(id), patch);
    }

    public JsonNode record(String id) {
        return json("GET", "/desk/api/loans/" + encoded(id), null);
    }

    public String status(String id) {
        return record(id).get("status").asString();
    }

    /** The number of the agreement that was made of it last. */
    public String agreement(String id) {
        return record(id).get("agreement").get("number").asString();
    }

    /** The statuses that it has had, each once in a row. */
    public List<String> statuses(String id) {
        List<String> all = new ArrayList<>();
        for (JsonNode one : json("GET", "/desk/api/loans/" + encoded(id) + "/history", null)) {
            String status = one.get("status").asString();
            if (all.isEmpty() || !all.get(all.size() - 1).equals(status)) all.add(status);
        }
        return all;
    }

    public List<String> files(String id) {
        List<String> names = new ArrayList<>();
        json("GET", "/desk/api/loans/" + encoded(id) + "/files", null).forEach(one -> names.add(one.asString()));
        return names;
    }

    public byte[] file(String id, String name) {
        return send("GET", "/desk/api/loans/" + encoded(id) + "/files/" + encoded(name), null)
                .body();
    }

    /** What goes wrong with the next requests, or notices. */
    public void order(String fault, int times) {
        json("POST", "/api/faults", Map.of("kind", fault, "times", times));
    }

    public void orderNothing() {
        json("DELETE", "/api/faults", null);
    }

    public void notices(String to, String key) {
        json("PUT", "/api/notices", Map.of("address", to, "key", key));
    }

    private static Map<String, Object> taken(String field, String from, String text) {
        return Map.of("field", field, "rows", "", "from", from, "text", text);
    }

    /** How loan agreements are made of its loans. */
    public Map<String, Object> terms(String form) {
        Map<String, Object> place = new HashMap<>();
        place.put("address", address + "/api/");
        place.put("list", "loans?status={status}");
        place.put("items", "/loans");
        place.put("key", "/id");
        place.put("one", "loans/{id}");
        place.put("status", "/status");
        place.put("wanted", RecordStandin.WANTED);
        place.put("everyMinutes", 1);
        place.put("notice", "/record");
        Map<String, Object> back = new HashMap<>();
        back.put("statuses", STATUSES);
        back.put("number", "/agreement/number");
        back.put("link", "/agreement/link");
        back.put("said", "/agreement/note");
        back.put("file", "loans/{id}/files/{name}");
        back.put("name", "Agreements/{{lender_name}}, {{agreement_number}}");
        back.put("signingRecord", false);
        Map<String, Object> terms = new HashMap<>();
        terms.put("title", "Collection");
        terms.put("form", form);
        terms.put("place", place);
        terms.put("related", List.of());
        terms.put("dates", "YEAR_FIRST");
        terms.put("numbers", "POINT");
        terms.put(
                "taken",
                List.of(
                        taken("lender_name", "/lender/name", ""),
                        taken("objects_description", "/objects_text", ""),
                        taken("start_date", "/from", ""),
                        taken("insured_value", "/insured", ""),
                        taken("lender_mail", "/lender/mail", ""),
                        taken("museum_name", "", "Tomas Vale"),
                        taken("museum_mail", "", "tomas.vale@museum.example.org")));
        terms.put("back", back);
        return terms;
    }
}
