package org.jalousie.server.testbed;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import org.jalousie.demo.Client;
import tools.jackson.databind.JsonNode;

/** What the office does with watched dates in short, over HTTP. */
public final class DatesHand {
    private final Office office;

    public DatesHand(Office office) {
        this.office = office;
    }

    /** A date as it is settled, of which thirty and seven days before are told. */
    public Map<String, Object> date(String title, String kind, String from, int shift, int every) {
        Map<String, Object> date = new HashMap<>(Map.of(
                "key", "", "title", title, "kind", kind, "from", from, "shift", shift, "unit", "DAYS", "every", every));
        date.put("warn", List.of(30, 7));
        date.put("owner", true);
        date.put("mails", List.of());
        return date;
    }

    /** What a template watches. */
    public JsonNode settings(String of) {
        return office.client.get("/api/v1/archive/templates/" + of + "/dates").json();
    }

    /** Watches these, and waits until all that is complete is gone through. */
    public Client.Answer watch(String of, List<?> dates) {
        Client.Answer answer = office.client.put(
                "/api/v1/archive/templates/" + of + "/dates",
                Map.of("dates", dates, "edition", settings(of).get("edition").asInt()));
        if (answer.status() == 200)
            Wait.until("the dates of " + of, () -> settings(of).get("gone").asBoolean());
        return answer;
    }

    /** A completed loan that begins on a day; its number. */
    public String loan(String of, LocalDate start) {
        Map<String, String> values = Office.loanValues("Ida Marsh");
        values.put("start_date", start.toString());
        return office.completed(of, values);
    }

    /** The dates of an agreement. */
    public List<JsonNode> of(String number) {
        List<JsonNode> all = new ArrayList<>();
        office.client
                .get("/api/v1/archive/" + number + "/dates")
                .json()
                .get("dates")
                .forEach(all::add);
        return all;
    }

    /** A page of the list. */
    public JsonNode list(String query) {
        Client.Answer answer = office.client.get("/api/v1/archive/dates?" + query);
        assertThat(answer.status()).as(answer.text()).isEqualTo(200);
        return answer.json();
    }

    /** Does something about a date. */
    public Client.Answer act(JsonNode date, String act, Map<String, ?> body) {
        return office.client.post("/api/v1/archive/dates/" + date.get("id").asString() + "/" + act, body);
    }

    /** Puts a date on another day. */
    public Client.Answer move(JsonNode date, Object day, String note) {
        return office.client.put(
                "/api/v1/archive/dates/" + date.get("id").asString() + "/day",
                Map.of("was", date.get("day").asString(), "day", day, "note", note));
    }
}
