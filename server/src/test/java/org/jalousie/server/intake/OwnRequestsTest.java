package org.jalousie.server.intake;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.UUID;
import org.jalousie.core.access.Role;
import org.jalousie.demo.Client;
import org.jalousie.server.testbed.Office;
import org.jalousie.server.testbed.OfficePeople;
import org.jalousie.server.testbed.Testbed;
import org.junit.jupiter.api.Test;
import org.springframework.jdbc.core.simple.JdbcClient;
import tools.jackson.databind.JsonNode;

class OwnRequestsTest {
    private static final Testbed BED = Testbed.start();
    private static final Office OFFICE = new Office(BED.address());
    private static final String TEMPLATE = OFFICE.publish("Asked by colleagues", Office.loanWording());
    private final String mark = UUID.randomUUID().toString().substring(0, 8);
    private final String mail = "asks." + mark + "@museum.example.org";

    private JsonNode share(String title, Boolean colleagues) {
        Map<String, Object> terms = Map.of(
                "frames", List.of(),
                "thanks", "",
                "then", "THANKS",
                "document", true,
                "wording", true,
                "askerName", "lender_name",
                "askerMail", "lender_mail",
                "officeMail", "");
        Map<String, Object> body = new HashMap<>(Map.of("template", TEMPLATE, "title", title, "terms", terms));
        if (colleagues != null) body.put("colleagues", colleagues);
        Client.Answer shared = OFFICE.client.post("/api/v1/form-links", body);
        assertThat(shared.status()).as(shared.text()).isEqualTo(201);
        return shared.json();
    }

    private Client requester() {
        return OfficePeople.signedIn(BED, mail, "As Ker", Role.REQUESTER);
    }

    private List<String> forms(Client who) {
        return who.get("/api/v1/own-requests/forms?find=" + mark)
                .json()
                .get("items")
                .valueStream()
                .map(one -> one.get("title").asString())
                .toList();
    }

    /** As if it had been handed in by a form. */
    private String asked(String link, String by) {
        String number = OFFICE.request(TEMPLATE, Office.loanValues("Ida Marsh"));
        BED.bean(JdbcClient.class)
                .sql(
                        "update intake_request set form_link_id = ?, asker_name = 'As Ker', asker_mail = ? where number = ?")
                .params(UUID.fromString(link), by, number)
                .update();
        return number;
    }

    @Test
    void onlyFormsForColleaguesThatAreOpenStandThere() {
        JsonNode open = share(mark + " B open", true);
        share(mark + " C for others", false);
        share(mark + " D as before", null);
        JsonNode closed = share(mark + " A closed", true);
        OFFICE.client.post("/api/v1/form-links/" + closed.get("id").asString() + "/closing", Map.of());
        Client requester = requester();
        assertThat(forms(requester))
                .contains(mark + " B open")
                .doesNotContain(mark + " C for others", mark + " D as before");
        assertThat(open.get("colleagues").asBoolean()).isTrue();
        assertThat(requester.get("/api/v1/form-links").status()).isEqualTo(403);
    }

    @Test
    void whoAsksIsKnownThereAndNobodyElseIs() {
        String address = share(mark + " known", true).get("address").asString();
        String path = "/api/v1/ask/" + address.substring(address.lastIndexOf('/') + 1);
        JsonNode page = requester().get(path).json();
        assertThat(page.get("asker").get("mail").asString()).isEqualTo(mail);
        assertThat(page.get("form").get("initials").get("lender_mail").asString())
                .isEqualTo(mail);
        assertThat(page.get("form").get("initials").get("lender_name").asString())
                .isEqualTo("As Ker");
        for (Client other : List.of(new Client(BED.address()), OFFICE.client)) {
            JsonNode seen = other.get(path).json();
            assertThat(seen.get("asker").get("mail").asString()).isEmpty();
            assertThat(seen.get("form").get("initials").has("lender_mail")).isFalse();
        }
    }

    @Test
    void whatOneAskedForStandsThereAndWhatOthersAskedForDoesNot() {
        String link = share(mark + " mine", true).get("id").asString();
        String own = asked(link, mail.toUpperCase(Locale.ROOT));
        String others = asked(link, "other." + mail);
        Client requester = requester();
        JsonNode list = requester.get("/api/v1/own-requests").json();
        assertThat(list.get("total").asInt()).isEqualTo(1);
        assertThat(list.get("items").get(0).get("number").asString()).isEqualTo(own);
        assertThat(list.get("items").get(0).get("title").asString()).isEqualTo(mark + " mine");
        assertThat(list.get("items").get(0).get("stage").asString()).isEqualTo("WAITING");
        OFFICE.agreementOf(own);
        assertThat(requester
                        .get("/api/v1/own-requests")
                        .json()
                        .get("items")
                        .get(0)
                        .get("stage")
                        .asString())
                .isEqualTo("CHECK");
        Client.Answer way = requester.post("/api/v1/own-requests/" + own + "/way-in", Map.of());
        String address = way.json().get("address").asString();
        JsonNode status = new Client(BED.address())
                .get("/api/v1/asked/" + address.substring(address.lastIndexOf('/') + 1))
                .json();
        assertThat(status.get("number").asString()).isEqualTo(own);
        assertThat(requester
                        .post("/api/v1/own-requests/" + others + "/way-in", Map.of())
                        .status())
                .isEqualTo(404);
    }

    @Test
    void fiftyOneAreOnTwoPagesTheLastFirst() {
        String link = share(mark + " many", true).get("id").asString();
        String last = "";
        for (int i = 0; i < 51; i++) last = asked(link, mail);
        Client requester = requester();
        JsonNode first = requester.get("/api/v1/own-requests").json();
        assertThat(first.get("items")).hasSize(50);
        assertThat(first.get("items").get(0).get("number").asString()).isEqualTo(last);
        assertThat(requester.get("/api/v1/own-requests?page=1").json().get("items"))
                .hasSize(1);
    }
}
