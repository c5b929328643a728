package org.jalousie.server.archive.person;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import java.util.zip.ZipEntry;
import java.util.zip.ZipInputStream;
import org.jalousie.core.access.Role;
import org.jalousie.core.json.Json;
import org.jalousie.demo.Client;
import org.jalousie.server.testbed.Office;
import org.jalousie.server.testbed.OfficePeople;
import org.jalousie.server.testbed.Registers;
import org.jalousie.server.testbed.Testbed;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import tools.jackson.databind.JsonNode;

/** What is kept of a person is found across all rooms and given out, and nothing of anybody else with it. */
class PersonTest {
    private static final Testbed BED = Testbed.start();
    private static final Office OFFICE = new Office(BED.address());
    private static final String PERSON = "/api/v1/archive/person";

    private static String template;

    @BeforeAll
    static void published() {
        template = OFFICE.publish("Loans of persons", Office.loanWording());
    }

    private static JsonNode find(String who) {
        Client.Answer answer = OFFICE.client.post(PERSON + "/search", Map.of("who", who));
        assertThat(answer.status()).as(answer.text()).isEqualTo(200);
        return answer.json();
    }

    private static Map<String, byte[]> file(String who) throws IOException {
        Client.Answer answer = OFFICE.client.post(PERSON + "/file", Map.of("who", who));
        assertThat(answer.status()).isEqualTo(200);
        Map<String, byte[]> all = new TreeMap<>();
        try (ZipInputStream zip = new ZipInputStream(new ByteArrayInputStream(answer.body()))) {
            for (ZipEntry one = zip.getNextEntry(); one != null; one = zip.getNextEntry())
                all.put(one.getName(), zip.readAllBytes());
        }
        return all;
    }

    private static JsonNode agreementOf(JsonNode found, String number) {
        return found.get("agreements")
                .valueStream()
                .filter(one -> one.get("number").asString().equals(number))
                .findFirst()
                .orElseThrow(() -> new AssertionError(number + " isn't in " + found));
    }

    @Test
    void aPartyIsGivenWhatIsTheirsAndTheAgreementThatTheySigned() throws Exception {
        String number = OFFICE.completed(template, "Cordula Weiss");
        JsonNode one = agreementOf(find("cordula WEISS"), number);
        assertThat(one.get("parts").valueStream().map(JsonNode::asString).toList())
                .hasSize(1);
        assertThat(one.get("acts").asInt()).isGreaterThan(1);
        assertThat(find("cordula WEISS").get("mails").asInt()).isPositive();
        Map<String, byte[]> file = file("Cordula Weiss");
        JsonNode person = Json.MAPPER.readTree(file.get("person.json"));
        JsonNode own = agreementOf(person, number);
        String text = own.toString();
        assertThat(text)
                .contains("Cordula Weiss")
                .contains("ida.marsh@lender.example.org")
                .contains("XX 4471")
                .doesNotContain("Tomas Vale")
                .doesNotContain("tomas.vale@museum.example.org");
        List<String> copies =
                own.get("files").valueStream().map(JsonNode::asString).toList();
        assertThat(copies)
                .isNotEmpty()
                .allSatisfy(name -> assertThat(new String(file.get(name), 0, 5, StandardCharsets.US_ASCII))
                        .isEqualTo("%PDF-"));
        assertThat(own.get("mails").size()).isPositive();
        // their act, told by another party's, would be somebody else's
        assertThat(own.get("acts")
                        .valueStream()
                        .map(act -> act.get("actor").get("party").asString())
                        .distinct()
                        .toList())
                .containsExactly("lender");
    }

    @Test
    void whoHadAPartBeforeSomebodyElseIsFoundByTheMailThatTheyGot() {
        String number = OFFICE.send(OFFICE.generate(template, Office.loanValues("Ida Marsh")));
        OFFICE.link(number, "ida.marsh@lender.example.org");
        Client.Answer other = OFFICE.client.put(
                "/api/v1/agreements/" + number + "/people/lender",
                Map.of("name", "Lou Perrin", "mail", "lou.perrin@lender.example.org", "another", true));
        assertThat(other.status()).as(other.text()).isLessThan(300);
        OFFICE.link(number, "lou.perrin@lender.example.org");
        JsonNode before = agreementOf(find("ida.marsh@lender.example.org"), number);
        assertThat(before.get("parts").size()).isEqualTo(1);
        JsonNode now = agreementOf(find("lou.perrin@lender.example.org"), number);
        assertThat(now.get("parts").size()).isEqualTo(1);
        assertThat(find("lou.perrin@lender.example.org").get("mails").asInt()).isPositive();
    }

    @Test
    void whoIsOnlyNamedIsGivenThatAndNoCopy() throws Exception {
        Map<String, String> values = Office.loanValues("Ida Marsh");
        values.put("objects_description", "a viol, to be brought by Fenella Strout");
        String number = OFFICE.completed(template, values);
        JsonNode one = agreementOf(find("Fenella Strout"), number);
        assertThat(one.get("parts").isEmpty()).isTrue();
        assertThat(one.get("data").asInt()).isEqualTo(1);
        Map<String, byte[]> file = file("Fenella Strout");
        assertThat(file.keySet()).containsExactly("person.json");
        assertThat(new String(file.get("person.json"), StandardCharsets.UTF_8))
                .contains("Fenella Strout")
                .doesNotContain("Ida Marsh");
        // words in another order are somebody else
        assertThat(find("Strout Fenella").get("agreements").isEmpty()).isTrue();
        assertThat(find("Fenella Strou").get("agreements").isEmpty()).isTrue();
    }

    @Test
    void aNameThatSeveralMayHaveGivesNothingOut() {
        String first = OFFICE.send(OFFICE.generate(template, Office.loanValues("Robin Grey")));
        OFFICE.link(first, "ida.marsh@lender.example.org");
        assertThat(find("Robin Grey").get("doubtful").asBoolean()).isFalse();
        String second = OFFICE.send(OFFICE.generate(template, Office.loanValues("Ida Marsh")));
        OFFICE.client.put(
                "/api/v1/agreements/" + second + "/people/lender",
                Map.of("name", "Robin Grey", "mail", "robin.grey@other.example.org", "another", true));
        JsonNode found = find("robin grey");
        assertThat(found.get("doubtful").asBoolean()).isTrue();
        assertThat(found.get("called").size()).isEqualTo(2);
        Client.Answer file = OFFICE.client.post(PERSON + "/file", Map.of("who", "Robin Grey"));
        assertThat(file.status()).isEqualTo(409);
        assertThat(file.text()).contains("Several people may be called");
        JsonNode one = find("robin.grey@other.example.org");
        assertThat(one.get("doubtful").asBoolean()).isFalse();
        assertThat(one.get("agreements")
                        .valueStream()
                        .map(row -> row.get("number").asString())
                        .toList())
                .containsExactly(second);
    }

    @Test
    void requestsAndRowsOfRegistersAreFound() {
        Registers registers = new Registers(OFFICE.client);
        String request = OFFICE.request(template, Office.loanValues("Benedicta Orme"));
        assertThat(find("Benedicta Orme").get("requests").toString()).contains(request);
        String register = "persons_of_all";
        registers.create(register, "mail TEXT", "name TEXT !");
        registers.add(register, Map.of("name", "Benedicta Orme", "mail", "bene@people.example.org"));
        JsonNode found = find("bene@people.example.org");
        assertThat(found.get("rows").size()).isEqualTo(1);
        assertThat(found.get("rows").get(0).get("register").asString()).isEqualTo("persons_of_all");
        assertThat(find("Benedicta Orme").get("rows").size()).isEqualTo(1);
        OFFICE.agreementOf(request);
        assertThat(find("Benedicta Orme").get("requests").isEmpty()).isTrue();
        assertThat(find("Benedicta Orme").get("agreements").size()).isEqualTo(1);
    }

    @Test
    void anAccountIsGivenOutWithNothingByWhichSomebodyComesIn() throws IOException {
        String mail = "perdita.lane@museum.example.org";
        OfficePeople.signedIn(BED, mail, "Perdita Lane", Role.READER);
        assertThat(find("Perdita Lane").get("colleague").asBoolean()).isTrue();
        String kept = new String(file(mail).get("person.json"), StandardCharsets.UTF_8);
        JsonNode account = Json.MAPPER.readTree(kept).get("accounts").get(0);
        assertThat(account.get("roles").toString()).isEqualTo("[\"READER\"]");
        assertThat(account.get("places")).hasSize(1);
        assertThat(kept).doesNotContainIgnoringCase("bcrypt").doesNotContainIgnoringCase("secret");
    }

    @Test
    void somebodyOfTheOfficeIsOneAndWhatIsTooShortIsNobody() {
        assertThat(find("nora.quill@museum.example.org").get("colleague").asBoolean())
                .isTrue();
        assertThat(find("Zebedee Nobody").get("colleague").asBoolean()).isFalse();
        for (String who : List.of("", "ab", "x".repeat(201)))
            assertThat(OFFICE.client
                            .post(PERSON + "/search", Map.of("who", who))
                            .status())
                    .isEqualTo(422);
        assertThat(OFFICE.client.post(PERSON + "/search", Map.of()).status()).isEqualTo(400);
        // what would be an operator of a search is a letter here
        for (String who : List.of("a & b", "':*", "%%%", "(((", "\\\\\\", "<->"))
            assertThat(OFFICE.client
                            .post(PERSON + "/search", Map.of("who", who))
                            .status())
                    .as(who)
                    .isEqualTo(200);
    }
}
