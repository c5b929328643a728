package org.jalousie.server;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.UUID;
import java.util.concurrent.Callable;
import javax.sql.DataSource;
import org.jalousie.core.access.Role;
import org.jalousie.demo.Client;
import org.jalousie.server.testbed.Office;
import org.jalousie.server.testbed.OfficePeople;
import org.jalousie.server.testbed.Testbed;
import org.jalousie.server.testbed.Together;
import org.jalousie.server.testbed.Wait;
import org.junit.jupiter.api.Test;
import tools.jackson.databind.JsonNode;

/** Forms that are being filled: kept as they are typed, each person's own, ended when they are handed in. */
class BegunFormsTest {
    private static final String PATH = "/api/v1/begun-forms/";

    private final Testbed bed = Testbed.start();
    private final Office office = new Office(bed.address());
    private final String template = office.publish("Begun", Office.loanWording());

    private Client.Answer keep(Client client, UUID key, Map<String, String> values) {
        return client.put(PATH + key, Map.of("template", template, "values", values, "people", Map.of()));
    }

    private List<String> listed() {
        List<String> keys = new ArrayList<>();
        JsonNode page;
        int at = 0;
        do {
            page = office.client.get("/api/v1/begun-forms?page=" + at++).json().get("items");
            page.forEach(one -> keys.add(one.get("key").asString()));
        } while (!page.isEmpty());
        return keys;
    }

    @Test
    void answersAreKeptAsTheyAreTyped() {
        UUID key = UUID.randomUUID();
        Map<String, String> typed =
                Map.of("insured_value", "EUR 12,5xx", "lender_name", "  Ida ", "start_date", "2027-");
        assertThat(keep(office.client, key, Map.of("lender_name", "I")).status())
                .isEqualTo(204);
        assertThat(keep(office.client, key, typed).status()).isEqualTo(204);
        JsonNode kept = office.client.get(PATH + key).json();
        assertThat(kept.get("values").get("insured_value").asString()).isEqualTo("EUR 12,5xx");
        assertThat(kept.get("values").get("lender_name").asString()).isEqualTo("  Ida ");
        assertThat(kept.get("template").asString()).isEqualTo(template);
        assertThat(listed().get(0)).isEqualTo(key.toString());
        assertThat(office.client
                        .get("/api/v1/begun-forms")
                        .json()
                        .get("items")
                        .get(0)
                        .get("name")
                        .asString())
                .isEqualTo("Begun");
    }

    @Test
    void whatItIsToRenewCanBeRenewed() {
        UUID key = UUID.randomUUID();
        Map<String, Object> form = new HashMap<>(Map.of("template", template, "values", Map.of(), "people", Map.of()));
        for (String none : List.of("the viola’s", "A-1999-0001", "\u0000")) {
            form.put("renews", none);
            assertThat(office.client.put(PATH + key, form).status()).as(none).isBetween(400, 422);
        }
        assertThat(office.client.get(PATH + key).status()).isEqualTo(404);
        String complete = office.completed(template, Office.loanValues("Ida Marsh"));
        form.put("renews", complete);
        assertThat(office.client.put(PATH + key, form).status()).isEqualTo(204);
        assertThat(office.client.get(PATH + key).json().get("renews").asString())
                .isEqualTo(complete);
    }

    @Test
    void handedInTheFormIsBegunNoMoreAndWhatComesLateBeginsNothing() {
        UUID key = UUID.randomUUID();
        keep(office.client, key, Map.of("lender_name", "Ida"));
        Map<String, Object> request = new HashMap<>();
        request.put("template", template);
        request.put("values", Office.loanValues("Ida Marsh"));
        request.put("people", Map.of());
        request.put("key", key);
        assertThat(office.client.post("/api/v1/requests", request).status()).isEqualTo(201);
        assertThat(office.client.get(PATH + key).status()).isEqualTo(404);
        Client.Answer late = keep(office.client, key, Map.of("lender_name", "Ida M"));
        assertThat(late.status()).isEqualTo(409);
        assertThat(late.json().get("message").get("code").asString()).isEqualTo("form.handed-in");
        assertThat(listed()).doesNotContain(key.toString());
    }

    @Test
    void oneThatWasBeingKeptWhileItWasHandedInIsNotBegun() throws Exception {
        UUID key = UUID.randomUUID();
        Map<String, Object> request = new HashMap<>();
        request.put("template", template);
        request.put("values", Office.loanValues("Ida Marsh"));
        request.put("people", Map.of());
        request.put("key", key);
        assertThat(office.client.post("/api/v1/requests", request).status()).isEqualTo(201);
        // as it is left when the two are committed one right after the other
        try (var connection = bed.bean(DataSource.class).getConnection();
                var insert =
                        connection.prepareStatement("insert into begun_form select ?, ?, id, template_id, '{}', '{}',"
                                + " now(), now() from template_version where template_id = ? limit 1")) {
            insert.setObject(1, key);
            insert.setString(2, Testbed.MAIL);
            insert.setObject(3, UUID.fromString(template));
            assertThat(insert.executeUpdate()).isEqualTo(1);
        }
        assertThat(listed()).doesNotContain(key.toString());
        assertThat(office.client.get(PATH + key).status()).isEqualTo(404);
    }

    @Test
    void aRequestWithFaultsLeavesItBegun() {
        UUID key = UUID.randomUUID();
        keep(office.client, key, Map.of("lender_name", "Ida"));
        Map<String, Object> request = new HashMap<>();
        request.put("template", template);
        request.put("values", Map.of("lender_name", "Ida"));
        request.put("people", Map.of());
        request.put("key", key);
        assertThat(office.client.post("/api/v1/requests", request).status()).isEqualTo(422);
        assertThat(office.client.get(PATH + key).status()).isEqualTo(200);
    }

    @Test
    void eachPersonSeesTheirOwn() throws Exception {
        UUID key = UUID.randomUUID();
        keep(office.client, key, Map.of("lender_name", "Ida"));
        Map<Client, List<Integer>> others = Map.of(
                new Client(bed.address()),
                List.of(401),
                account(Role.READER),
                List.of(403),
                account(Role.COORDINATOR),
                List.of(404, 204));
        others.forEach((other, refused) -> {
            assertThat(other.get(PATH + key).status()).isIn(refused);
            assertThat(keep(other, key, Map.of("lender_name", "x")).status()).isIn(refused);
            assertThat(other.delete(PATH + key).status()).isIn(refused);
        });
        assertThat(office.client
                        .get(PATH + key)
                        .json()
                        .get("values")
                        .get("lender_name")
                        .asString())
                .isEqualTo("Ida");
    }

    private Client account(Role role) {
        return OfficePeople.signedIn(bed, role.name().toLowerCase(Locale.ROOT) + "@forms.example.org", "Rea Der", role);
    }

    @Test
    void discardedItIsGoneAndTwiceIsOnce() {
        UUID key = UUID.randomUUID();
        keep(office.client, key, Map.of("lender_name", "Ida"));
        assertThat(office.client.delete(PATH + key).status()).isEqualTo(204);
        assertThat(office.client.delete(PATH + key).status()).isEqualTo(204);
        assertThat(office.client.get(PATH + key).status()).isEqualTo(404);
    }

    @Test
    void whatIsTooLongOrOfNoTemplateIsRefused() {
        assertThat(keep(office.client, UUID.randomUUID(), Map.of("lender_name", "x".repeat(2_000_001)))
                        .status())
                .isEqualTo(422);
        assertThat(office.client
                        .put(
                                PATH + UUID.randomUUID(),
                                Map.of("template", UUID.randomUUID(), "values", Map.of(), "people", Map.of()))
                        .status())
                .isEqualTo(404);
        assertThat(office.client
                        .put(PATH + "no-key", Map.of("template", template, "values", Map.of(), "people", Map.of()))
                        .status())
                .isIn(400, 404, 422);
    }

    @Test
    void twoThatKeepOneFormAtOnceKeepOne() throws Exception {
        UUID key = UUID.randomUUID();
        List<Callable<Integer>> both = new ArrayList<>();
        for (int i = 0; i < 6; i++) {
            String name = "Ida " + i;
            both.add(() -> keep(office.client, key, Map.of("lender_name", name)).status());
        }
        assertThat(Together.all(both)).allMatch(status -> status == 204 || status == 409);
        assertThat(listed().stream().filter(key.toString()::equals)).hasSize(1);
    }

    private Client colleague() {
        return OfficePeople.signedIn(bed, "pia.worth@museum.example.org", "Pia Worth", Role.COORDINATOR);
    }

    private Client.Answer mail(UUID key, String to) {
        return office.client.post(PATH + key + "/mail", Map.of("mail", to));
    }

    /** Whoever goes on with it has it, and nobody else. */
    @Test
    void itIsGoneOnWithFromAMailedLinkAlsoByAColleague() {
        Client pia = colleague();
        UUID key = UUID.randomUUID();
        keep(office.client, key, Map.of("lender_name", "Ida"));
        assertThat(mail(key, "nobody@museum.example.org").status()).isEqualTo(422);
        assertThat(mail(key, Testbed.MAIL).status()).isEqualTo(202);
        String link = Wait.until("mailed", () -> office.mailTo("Begun", Testbed.MAIL, "Go on with"));
        assertThat(link).contains("/intake/new/" + template + "?form=" + key);
        assertThat(office.client.get(PATH + key).status()).isEqualTo(200);

        assertThat(mail(key, "pia.worth@museum.example.org").status()).isEqualTo(202);
        Wait.until("mailed to a colleague", () -> office.mailTo("Begun", "pia.worth@museum.example.org", "Go on with"));
        assertThat(pia.get(PATH + key).json().get("values").get("lender_name").asString())
                .isEqualTo("Ida");
        assertThat(office.client.get(PATH + key).status()).isEqualTo(404);
        assertThat(keep(office.client, key, Map.of("lender_name", "Otto")).status())
                .isEqualTo(404);
        assertThat(mail(key, Testbed.MAIL).status()).isEqualTo(404);
    }
}
