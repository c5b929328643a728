package org.jalousie.demo;

import java.io.IOException;
import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import tools.jackson.databind.json.JsonMapper;

/** The museum's record system, whose loans become agreements: what stands in it, and how it is joined. All invented. */
final class LoanRecords {
    /** The status of a loan whose agreement is asked for. */
    static final String WANTED = "agreement wanted";

    private static final JsonMapper JSON = new JsonMapper();

    private final HttpClient http = HttpClient.newHttpClient();
    private final String address;
    private final String secret;

    /** @param secret that the system is spoken to with */
    LoanRecords(String address, String secret) {
        this.address = address;
        this.secret = secret;
    }

    private void put(String path, Object body) {
        try {
            HttpResponse<String> answer = http.send(
                    HttpRequest.newBuilder(URI.create(address + path))
                            .header("Authorization", credential())
                            .PUT(HttpRequest.BodyPublishers.ofString(JSON.writeValueAsString(body)))
                            .build(),
                    HttpResponse.BodyHandlers.ofString());
            if (answer.statusCode() >= 300)
                throw new IllegalStateException("The record system refused: " + answer.statusCode());
        } catch (IOException e) {
            throw new IllegalStateException("The record system doesn't answer.", e);
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
            throw new IllegalStateException(e);
        }
    }

    String credential() {
        return "Bearer " + secret;
    }

    /** Who is told that a loan has changed. */
    void tells(String notices, String key) {
        put("/api/notices", Map.of("address", notices, "key", key));
    }

    /** Four loans: one that is signed in the end, one that waits to be checked, one to be mended, one that nobody wants yet. */
    void fill() {
        loan("OL-2027-11", WANTED, "Stringhall Greyford", "rosamund.penhallow@people.example.org", "EUR 48000");
        loan("OL-2027-12", WANTED, "House of Reeds", "hugo.sandell@people.example.org", "EUR 9500");
        loan("OL-2027-13", WANTED, "Canal Rooms", "not known yet", "EUR 5100");
        loan("OL-2027-14", "draft", "Barge Museum", "tilda.oake@people.example.org", "EUR 12500");
    }

    private void loan(String id, String status, String house, String mail, String value) {
        Map<String, Object> record = new LinkedHashMap<>();
        record.put("title", "Strings that speak, at " + house);
        record.put("status", status);
        record.put(
                "borrower",
                Map.of(
                        "name",
                        house,
                        "address",
                        Map.of("street", "Rope Walk 12", "town", "Greyford", "postal_code", "GF2 4AB", "country", "GB"),
                        "signer",
                        Map.of("given", "Rosamund", "family", "Penhallow"),
                        "mail",
                        mail));
        record.put("exhibition", "Strings that speak");
        record.put("start_date", "2027-05-01");
        record.put("end_date", "2027-09-30");
        record.put("travels", "By art carrier");
        put(
                "/api/loans/" + id,
                Map.of(
                        "record",
                        record,
                        "rows",
                        Map.of(
                                "objects",
                                List.of(
                                        Map.of(
                                                "title",
                                                "Treble viol, unsigned, about 1690",
                                                "value",
                                                value,
                                                "has_gut",
                                                true),
                                        Map.of("title", "Bow, snakewood", "value", "EUR 1200", "has_gut", false)))));
    }

    /** How agreements are made of its loans. @param form the template of an outgoing loan */
    Map<String, Object> terms(String form) {
        Map<String, Object> place = new LinkedHashMap<>();
        place.put("address", address + "/api/");
        place.put("list", "loans?status={status}");
        place.put("items", "/loans");
        place.put("key", "/id");
        place.put("one", "loans/{id}");
        place.put("status", "/status");
        place.put("wanted", WANTED);
        place.put("everyMinutes", 5);
        place.put("notice", "/record");
        Map<String, Object> back = new LinkedHashMap<>();
        back.put(
                "statuses",
                Map.of(
                        "RECEIVED", "agreement being made",
                        "MADE", "agreement being checked",
                        "SENT", "agreement sent",
                        "SEEN", "agreement opened",
                        "COMPLETED", "agreement signed",
                        "DECLINED", "agreement declined",
                        "EXPIRED", "agreement expired",
                        "WITHDRAWN", "agreement withdrawn",
                        "FAULTY", "to be mended"));
        back.put("number", "/agreement/number");
        back.put("link", "/agreement/link");
        back.put("said", "/agreement/note");
        back.put("file", "loans/{id}/files/{name}");
        back.put("name", "{{start_date.year}}/{{borrower_name}}, {{agreement_number}}");
        back.put("signingRecord", false);
        Map<String, Object> terms = new LinkedHashMap<>();
        terms.put("title", "Loan records");
        terms.put("form", form);
        terms.put("place", place);
        terms.put("related", List.of(Map.of("name", "objects", "address", "loans/{id}/objects", "rows", "")));
        terms.put("dates", "YEAR_FIRST");
        terms.put("numbers", "POINT");
        terms.put(
                "taken",
                List.of(
                        own("exhibition", "/exhibition"),
                        own("borrower_name", "/borrower/name"),
                        own("borrower_address.street", "/borrower/address/street"),
                        own("borrower_address.town", "/borrower/address/town"),
                        own("borrower_address.postal_code", "/borrower/address/postal_code"),
                        own("borrower_address.country", "/borrower/address/country"),
                        own("borrower_signer.given", "/borrower/signer/given"),
                        own("borrower_signer.family", "/borrower/signer/family"),
                        own("borrower_mail", "/borrower/mail"),
                        own("start_date", "/start_date"),
                        own("end_date", "/end_date"),
                        own("travels", "/travels"),
                        taken("objects.title", "objects", "/title"),
                        taken("objects.value", "objects", "/value"),
                        taken("objects.has_gut", "objects", "/has_gut")));
        terms.put("back", back);
        return terms;
    }

    private static Map<String, Object> own(String field, String from) {
        return taken(field, "", from);
    }

    private static Map<String, Object> taken(String field, String rows, String from) {
        return Map.of("field", field, "rows", rows, "from", from, "text", "");
    }
}
