package org.jalousie.server;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.concurrent.Callable;
import java.util.concurrent.atomic.AtomicInteger;
import org.jalousie.core.json.Json;
import org.jalousie.demo.Client;
import org.jalousie.server.testbed.Office;
import org.jalousie.server.testbed.Registers;
import org.jalousie.server.testbed.Testbed;
import org.jalousie.server.testbed.Together;
import org.junit.jupiter.api.Test;
import org.springframework.jdbc.core.simple.JdbcClient;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ObjectNode;

/** The office's own tables: what they hold, their rows, and what was changed in them. */
class RegistersTest {
    private static final AtomicInteger COUNT = new AtomicInteger();

    private final Testbed bed = Testbed.start();
    private final Client client = new Office(bed.address()).client;
    private final Registers registers = new Registers(client);
    private final String organisations = "organisations_" + COUNT.incrementAndGet();
    private final String people = "people_" + COUNT.get();

    private void office() {
        registers.create(
                organisations,
                "code TEXT",
                "name TEXT !",
                "town TEXT",
                "insured MONEY",
                "since DATE",
                "kind CHOICE Museum,Lender,Courier");
        registers.create(people, "mail MAIL_ADDRESS", "name NAME !", "works_for TEXT > " + organisations);
    }

    private String organisation(String code, String name, String town) {
        return registers.add(organisations, Map.of("code", code, "name", name, "town", town));
    }

    private String path(String rest) {
        return "/api/v1/registers/" + organisations + rest;
    }

    @Test
    void aRowSaysWhatItsColumnsAllowAndEachFaultIsToldAtItsColumn() {
        office();
        Client.Answer refused = client.post(
                path("/rows"),
                Map.of("values", Map.of("code", "ORG-1", "insured", "a lot", "kind", "Circus", "colour", "red")));

        assertThat(refused.status()).isEqualTo(422);
        assertThat(refused.json().get("faults").propertyNames())
                .containsExactlyInAnyOrder("name", "insured", "kind", "colour");
    }

    @Test
    void noTwoRowsHaveTheSameKeyWhateverItsCapitals() {
        office();
        String first = organisation("ORG-1", "Harbour House", "Oudehaven");

        Client.Answer second = client.post(path("/rows"), Map.of("values", Map.of("code", "org-1", "name", "Other")));
        assertThat(second.status()).isEqualTo(422);
        assertThat(second.json().get("faults").get("code").asString()).contains("Another row has “org-1” in Code");
        assertThat(registers
                        .change(organisations, first, Map.of("code", "Org-1"))
                        .status())
                .isEqualTo(200);
    }

    @Test
    void whenSeveralAddTheSameKeyAtOnceOneOfThemHasIt() throws Exception {
        office();
        List<Callable<Integer>> all = new ArrayList<>();
        for (int i = 0; i < 4; i++) {
            Client one = new Office(bed.address()).client;
            Map<String, String> values = Map.of("code", "SAME", "name", "N " + i);
            all.add(() -> one.post(path("/rows"), Map.of("values", values)).status());
        }
        List<Integer> statuses = Together.all(all);

        assertThat(statuses).filteredOn(status -> status == 201).hasSize(1);
        assertThat(statuses).filteredOn(status -> status != 201).allMatch(status -> status == 409 || status == 422);
        assertThat(registers.labels(organisations, "find=SAME")).hasSize(1);
    }

    @Test
    void aColumnThatNamesARowTakesItsKeyAndShowsWhatItIsCalled() {
        office();
        String house = organisation("ORG-7", "Harbour House", "Oudehaven");
        String ida = registers.add(
                people, Map.of("mail", "ida@lender.example.org", "name", "Ida Marsh", "works_for", "org-7"));

        JsonNode row = registers.row(people, ida).get("row");
        assertThat(row.get("related").get("works_for").get("label").asString()).isEqualTo("Harbour House");
        assertThat(row.get("values").get("works_for").asString()).isEqualTo(house);
        assertThat(registers
                        .row(organisations, house)
                        .get("namedBy")
                        .get(0)
                        .get("count")
                        .asInt())
                .isEqualTo(1);
        assertThat(registers.labels(people, "where=works_for:is:" + house)).containsExactly("Ida Marsh");

        Client.Answer unknown = client.post(
                "/api/v1/registers/" + people + "/rows",
                Map.of("values", Map.of("mail", "x@lender.example.org", "name", "X Y", "works_for", "ORG-8")));
        assertThat(unknown.json().get("faults").get("works_for").asString()).contains("no “ORG-8” in");
    }

    @Test
    void whoeverNamesARowIsFoundAndSortedByWhatItIsCalledNow() {
        office();
        String house = organisation("ORG-7", "Harbour House", "Oudehaven");
        organisation("ORG-8", "Mill House", "Oudehaven");
        registers.add(people, Map.of("mail", "ida@lender.example.org", "name", "Ida Marsh", "works_for", "ORG-7"));
        registers.add(people, Map.of("mail", "jan@lender.example.org", "name", "Jan Reed", "works_for", "ORG-8"));
        assertThat(registers.labels(people, "sort=works_for")).containsExactly("Ida Marsh", "Jan Reed");

        assertThat(registers
                        .change(organisations, house, Map.of("name", "Quay House"))
                        .status())
                .isEqualTo(200);
        assertThat(registers.labels(people, "find=quay")).containsExactly("Ida Marsh");
        assertThat(registers.labels(people, "find=harbour")).isEmpty();
        assertThat(registers.labels(people, "sort=works_for")).containsExactly("Jan Reed", "Ida Marsh");

        registers.carryOut(registers.bringIn(organisations, "Code,Name\nORG-8,Zoo House\n"));
        assertThat(registers.labels(people, "find=zoo")).containsExactly("Jan Reed");
        // nobody has changed their rows
        assertThat(client.get("/api/v1/registers/" + people + "/rows?find=zoo")
                        .json()
                        .get("items")
                        .get(0)
                        .get("revision")
                        .asInt())
                .isEqualTo(1);
    }

    @Test
    void aFileHasItsRowsByTheirKeys() {
        office();
        for (String code : List.of("ORG-5", "org-1", "ORG-3", "ORG-2", "org-4"))
            organisation(code, "House " + code.charAt(4), "Oudehaven");
        assertThat(client.get(path("/file?format=CSV")).text().lines().skip(1).map(line -> line.substring(4, 5)))
                .containsExactly("1", "2", "3", "4", "5");
    }

    @Test
    void aRowThatOthersNameIsNotTakenOutAndOneThatWasComesBack() {
        office();
        String house = organisation("ORG-7", "Harbour House", "Oudehaven");
        String ida = registers.add(
                people, Map.of("mail", "ida@lender.example.org", "name", "Ida Marsh", "works_for", "ORG-7"));

        assertThat(client.delete(path("/rows/" + house + "?revision=1")).text())
                .contains("1 row of")
                .contains("names Harbour House");
        assertThat(client.delete("/api/v1/registers/" + people + "/rows/" + ida + "?revision=1")
                        .status())
                .isEqualTo(204);
        assertThat(registers.labels(people, "")).isEmpty();
        assertThat(registers.labels(people, "gone=true")).containsExactly("Ida Marsh");
        // its key is free meanwhile
        String other = registers.add(people, Map.of("mail", "ida@lender.example.org", "name", "Ida Other"));
        String back = "/api/v1/registers/" + people + "/rows/" + ida + "/return";
        assertThat(client.post(back, Map.of()).json().get("faults").get("mail").asString())
                .contains("Another row has");
        assertThat(client.delete("/api/v1/registers/" + people + "/rows/" + other + "?revision=1")
                        .status())
                .isEqualTo(204);
        assertThat(client.post(back, Map.of()).status()).isEqualTo(200);
        assertThat(registers.labels(people, "")).containsExactly("Ida Marsh");
        assertThat(registers.row(people, ida).get("history"))
                .extracting(one -> one.get("how").asString())
                .containsExactly("BROUGHT_BACK", "TAKEN_OUT", "TYPED");
    }

    @Test
    void whatWasChangedIsWrittenDownForGood() {
        office();
        String house = organisation("ORG-7", "Harbour House", "Oudehaven");
        registers.change(organisations, house, Map.of("town", "Delft", "insured", "EUR 12500"));
        // the same once more is no change
        registers.change(organisations, house, Map.of("town", "Delft"));

        JsonNode history = registers.row(organisations, house).get("history");
        assertThat(history).hasSize(2);
        assertThat(history.get(0).get("by").asString()).isEqualTo("Nora Quill");
        assertThat(history.get(0).get("changes"))
                .extracting(one -> one.get("column").asString() + " "
                        + one.get("was").asString() + " > " + one.get("is").asString())
                .containsExactlyInAnyOrder("town Oudehaven > Delft", "insured  > €12,500.00");
        JdbcClient sql = bed.bean(JdbcClient.class);
        org.assertj.core.api.Assertions.assertThatThrownBy(
                        () -> sql.sql("delete from register_change").update())
                .hasMessageContaining("stays written down");
    }

    @Test
    void aChangeThatIsBasedOnAnEarlierRowIsRefused() {
        office();
        String house = organisation("ORG-7", "Harbour House", "Oudehaven");
        registers.change(organisations, house, Map.of("town", "Delft"));

        Client.Answer late =
                client.put(path("/rows/" + house), Map.of("revision", 1, "values", Map.of("name", "Late")));

        assertThat(late.status()).isEqualTo(409);
        assertThat(registers.labels(organisations, "")).containsExactly("Harbour House");
    }

    @Test
    void rowsAreFoundNarrowedAndSortedByAnyColumn() {
        office();
        registers.add(
                organisations,
                Map.of(
                        "code",
                        "B",
                        "name",
                        "Zoë’s Workshop",
                        "town",
                        "Delft",
                        "insured",
                        "EUR 900",
                        "since",
                        "2020-01-31",
                        "kind",
                        "Lender"));
        registers.add(
                organisations,
                Map.of(
                        "code",
                        "A",
                        "name",
                        "Harbour House",
                        "town",
                        "Oudehaven",
                        "insured",
                        "EUR 12500.50",
                        "since",
                        "1999-12-31",
                        "kind",
                        "Museum"));
        registers.add(organisations, Map.of("code", "C", "name", "Attic", "town", "Delft", "insured", "EUR 1000000"));

        assertThat(registers.labels(organisations, "")).containsExactly("Harbour House", "Zoë’s Workshop", "Attic");
        assertThat(registers.labels(organisations, "sort=insured"))
                .containsExactly("Zoë’s Workshop", "Harbour House", "Attic");
        assertThat(registers.labels(organisations, "sort=-since"))
                .containsExactly("Zoë’s Workshop", "Harbour House", "Attic");
        assertThat(registers.labels(organisations, "sort=name"))
                .containsExactly("Attic", "Harbour House", "Zoë’s Workshop");
        assertThat(registers.labels(organisations, "find=zoe+work")).containsExactly("Zoë’s Workshop");
        assertThat(registers.labels(organisations, "where=town:is:delft&sort=name"))
                .containsExactly("Attic", "Zoë’s Workshop");
        assertThat(registers.labels(organisations, "where=insured:from:EUR+1,000.00&where=insured:to:EUR+20,000.00"))
                .containsExactly("Harbour House");
        assertThat(registers.labels(organisations, "where=kind:blank")).containsExactly("Attic");
        assertThat(client.get(path("/rows?where=town:like:x")).status()).isEqualTo(400);
        assertThat(client.get(path("/rows?where=since:from:soon")).status()).isEqualTo(422);
        assertThat(client.get(path("/rows?sort=colour")).text()).contains("can be sorted by");
    }

    @Test
    void whoLooksForARowIsShownThoseWhoseNameBeginsSoFirst() {
        office();
        organisation("ORG-1", "Delft Strings", "Oudehaven");
        organisation("ORG-2", "Attic of Delft", "Utrecht");
        organisation("DEL-9", "Harbour House", "Utrecht");

        JsonNode options = client.get(path("/options?find=del")).json();

        assertThat(options)
                .extracting(one -> one.get("label").asString())
                .containsExactly("Harbour House", "Delft Strings", "Attic of Delft");
        assertThat(options.get(0).get("detail").asString()).isEqualTo("DEL-9");
        assertThat(client.get(path("/options?find=zzz")).json()).isEmpty();
    }

    private JsonNode terms() {
        return client.get(path("")).json();
    }

    private Client.Answer settle(JsonNode register, JsonNode terms) {
        return client.put(path(""), Map.of("revision", register.get("revision").asInt(), "terms", terms));
    }

    private static ObjectNode field(JsonNode terms, int column) {
        return (ObjectNode) terms.get("columns").get(column).get("field");
    }

    @Test
    void aColumnTakesAnotherTypeOnlyWhereWhatStandsInItFits() {
        office();
        organisation("ORG-1", "Harbour House", "4");
        organisation("ORG-2", "Attic", "12");
        JsonNode register = terms();
        field(register.get("terms"), 2).put("type", "NUMBER");
        assertThat(settle(register, register.get("terms")).status()).isEqualTo(200);
        // sorted as what it is now
        assertThat(registers.labels(organisations, "sort=town")).containsExactly("Harbour House", "Attic");

        register = terms();
        field(register.get("terms"), 2).put("type", "DATE");
        Client.Answer refused = settle(register, register.get("terms"));
        assertThat(refused.status()).isEqualTo(422);
        assertThat(refused.text()).contains("2 rows have something in Town that doesn’t fit");
    }

    @Test
    void aColumnBecomesUniqueOnlyWhereNothingStandsTwice() {
        office();
        organisation("ORG-1", "Harbour House", "Delft");
        organisation("ORG-2", "Attic", "delft");
        JsonNode register = terms();
        ((ObjectNode) register.get("terms").get("columns").get(2)).put("unique", true);

        assertThat(settle(register, register.get("terms")).text())
                .contains("Several rows have “")
                .contains("in Town");
        ((ObjectNode) register.get("terms").get("columns").get(2)).put("unique", false);
        ((ObjectNode) register.get("terms").get("columns").get(1)).put("unique", true);
        assertThat(settle(register, register.get("terms")).status()).isEqualTo(200);
        assertThat(client.post(path("/rows"), Map.of("values", Map.of("code", "ORG-3", "name", "ATTIC")))
                        .status())
                .isEqualTo(422);
    }

    @Test
    void aColumnThatIsLeftOutAndComesBackSaysWhatItSaid() {
        office();
        String house = organisation("ORG-1", "Harbour House", "Delft");
        JsonNode register = terms();
        JsonNode without = Json.MAPPER.readTree(register.get("terms").toString());
        ((tools.jackson.databind.node.ArrayNode) without.get("columns")).remove(2);
        assertThat(settle(register, without).status()).isEqualTo(200);
        assertThat(registers.row(organisations, house).get("row").get("values").has("town"))
                .isFalse();
        registers.change(organisations, house, Map.of("name", "Harbour"));
        assertThat(settle(terms(), register.get("terms")).status()).isEqualTo(200);

        assertThat(registers
                        .row(organisations, house)
                        .get("row")
                        .get("values")
                        .get("town")
                        .asString())
                .isEqualTo("Delft");
        assertThat(registers.labels(organisations, "where=town:is:Delft")).containsExactly("Harbour");
    }

    @Test
    void whatARegisterCannotBeIsToldBeforeThereIsOne() {
        office();
        for (Map<String, Object> terms : List.of(
                Registers.terms("", "code TEXT", "name TEXT"),
                Registers.terms("No key", "code PICTURE", "name TEXT"),
                Registers.terms("Twice", "code TEXT", "code TEXT"),
                Registers.terms("List", "code TEXT", "objects ITEMS"),
                Registers.terms("Nowhere", "code TEXT", "of TEXT > nowhere"),
                Registers.terms("Not text", "code TEXT", "of NUMBER > " + people)))
            assertThat(client.post("/api/v1/registers", Map.of("name", "other", "terms", terms))
                            .status())
                    .as(terms.toString())
                    .isEqualTo(422);
        assertThat(client.post(
                                "/api/v1/registers",
                                Map.of("name", "Not a name", "terms", Registers.terms("T", "code TEXT", "name TEXT")))
                        .status())
                .isEqualTo(422);
        assertThat(client.post(
                                "/api/v1/registers",
                                Map.of("name", people, "terms", Registers.terms("T", "code TEXT", "name TEXT")))
                        .status())
                .isEqualTo(409);
    }

    @Test
    void theHistoryOfARowHasNoEndAfterFiftyChanges() {
        office();
        String house = organisation("ORG-7", "Harbour House", "Oudehaven");
        for (int i = 1; i <= 51; i++) registers.change(organisations, house, Map.of("town", "Town " + i));

        assertThat(registers.row(organisations, house).get("history")).hasSize(50);
        JsonNode earlier =
                client.get(path("/rows/" + house + "/history?page=1")).json();
        assertThat(earlier)
                .extracting(one -> one.get("changes").get(0).get("is").asString())
                .contains("Town 1")
                .hasSize(2);
    }

    @Test
    void aRowIsNeverNamedThatIsTakenOutAtTheSameMoment() throws Exception {
        office();
        for (int i = 0; i < 6; i++) {
            String code = "RACE-" + i;
            String house = organisation(code, "House " + i, "Delft");
            String mail = "race" + i + "@lender.example.org";
            Client one = new Office(bed.address()).client;
            Client other = new Office(bed.address()).client;
            List<Integer> statuses = Together.all(List.of(
                    () -> one.delete(path("/rows/" + house + "?revision=1")).status(),
                    () -> other.post(
                                    "/api/v1/registers/" + people + "/rows",
                                    Map.of("values", Map.of("mail", mail, "name", "R " + i(mail), "works_for", code)))
                            .status()));
            boolean out =
                    registers.row(organisations, house).get("row").get("gone").asBoolean();
            boolean named = !registers.labels(people, "where=mail:is:" + mail).isEmpty();
            assertThat(out && named).as(statuses.toString()).isFalse();
            assertThat(out || named).as(statuses.toString()).isTrue();
        }
    }

    private static String i(String mail) {
        return mail.substring(4, 5);
    }

    @Test
    void lettersBeyondTheUsualAreFoundByTheirBeginning() {
        office();
        organisation("ORG-1", "Bow \ud83c\udfbb house", "Delft");

        assertThat(client.get(path("/options?find=bow")).json()).hasSize(1);
    }
}
