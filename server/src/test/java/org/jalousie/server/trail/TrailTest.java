package org.jalousie.server.trail;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.UUID;
import org.jalousie.core.access.Role;
import org.jalousie.core.messages.Message;
import org.jalousie.demo.Client;
import org.jalousie.server.account.SignedIn;
import org.jalousie.server.testbed.Office;
import org.jalousie.server.testbed.OfficePeople;
import org.jalousie.server.testbed.Testbed;
import org.junit.jupiter.api.Test;
import org.springframework.dao.DataAccessException;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.transaction.support.TransactionTemplate;
import tools.jackson.databind.JsonNode;

class TrailTest {
    private static final Testbed BED = Testbed.start();
    private static final Office OFFICE = new Office(BED.address());

    private static JsonNode acts(String query) {
        return OFFICE.client.get("/api/v1/trail?" + query).json();
    }

    private static List<String> said(String area) {
        return acts("by=" + Testbed.MAIL + "&area=" + area)
                .get("items")
                .valueStream()
                .map(one -> one.get("said").asString())
                .toList();
    }

    /** Somebody whose acts no other test has. */
    private static Client coordinator(String mail) {
        return OfficePeople.signedIn(BED, mail, "Co Ordinator", Role.COORDINATOR);
    }

    private static List<String> saidBy(String mail) {
        return acts("by=" + mail)
                .get("items")
                .valueStream()
                .map(one -> one.get("said").asString())
                .toList();
    }

    @Test
    void whatIsDoneToTheOfficeIsNotedWithWhoAndFromWhere() {
        String mail = "trail.office@museum.example.org";
        Client office = coordinator(mail);
        office.put("/api/v1/office/mail/colour", Map.of("colour", "#1c4740"));
        office.put(
                "/api/v1/office/mail/words",
                Map.of("occasion", "INVITATION", "language", "nl", "subject", "Lees dit", "text", ""));
        office.put(
                "/api/v1/office/mail/words",
                Map.of("occasion", "INVITATION", "language", "nl", "subject", "", "text", ""));
        assertThat(saidBy(mail))
                .containsExactly(
                        "Changed the words of mails in Dutch: Asked for a part",
                        "Changed the words of mails in Dutch: Asked for a part",
                        "Changed the colour of mails to #1c4740");
        JsonNode act = acts("by=" + mail).get("items").get(0);
        assertThat(act.get("name").asString()).isEqualTo("Co Ordinator");
        assertThat(act.get("from").asString()).isEqualTo("127.0.0.1");
        assertThat(act.get("request").asString()).isNotEmpty();
        assertThat(act.get("program").asBoolean()).isFalse();
    }

    @Test
    void whatWasRefusedIsNoAct() {
        String mail = "trail.refused@museum.example.org";
        Client office = coordinator(mail);
        assertThat(office.put("/api/v1/office/mail/colour", Map.of("colour", "no colour"))
                        .status())
                .isEqualTo(422);
        assertThat(office.put(
                                "/api/v1/office/mail/words",
                                Map.of("occasion", "INVITATION", "language", "nl", "subject", "{{nobody}}", "text", ""))
                        .status())
                .isEqualTo(422);
        assertThat(saidBy(mail)).isEmpty();
    }

    @Test
    void aProgramAndItsKeysAreNotedAndWhatTheProgramDoes() {
        String title = "Trail " + UUID.randomUUID();
        JsonNode program = OFFICE.client
                .post(
                        "/api/v1/programs",
                        Map.of(
                                "terms",
                                Map.of(
                                        "title",
                                        title,
                                        "scopes",
                                        List.of("office:write"),
                                        "forms",
                                        List.of(),
                                        "perMinute",
                                        60)))
                .json();
        String path = "/api/v1/programs/" + program.get("id").asString();
        JsonNode key =
                OFFICE.client.post(path + "/keys", Map.of("kind", "BEARER")).json();
        OFFICE.client.delete(path + "/keys/" + key.get("id").asString());
        OFFICE.client.delete(path);
        assertThat(said("programs").stream().filter(one -> one.contains(title)))
                .containsExactly(
                        "Let the program “" + title + "” in no more",
                        "Ended a key of the program “" + title + "”",
                        "Made a key for the program “" + title + "”",
                        "Let the program “" + title + "” in: office:write");
        assertThat(acts("area=programs").toString())
                .doesNotContain(key.get("secret").asString());
    }

    @Test
    void whoGaveOutAPersonsDataIsNoted() {
        String mail = "trail.person@museum.example.org";
        Client office = coordinator(mail);
        office.post("/api/v1/archive/person/file", Map.of("who", "nobody.at.all@lender.example.org"));
        assertThat(saidBy(mail))
                .containsExactly("Gave out what is kept of nobody.at.all@lender.example.org, with no agreements");
    }

    @Test
    void nobodyChangesOrRemovesAnAct() {
        note("act.office.hours");
        JdbcClient sql = BED.bean(JdbcClient.class);
        for (String change :
                List.of("update office_act set said = 'nothing'", "delete from office_act", "truncate office_act"))
            assertThatThrownBy(() -> sql.sql(change).update())
                    .as(change)
                    .isInstanceOf(DataAccessException.class)
                    .hasMessageContaining("never changed or removed");
    }

    @Test
    void anActThatIsTakenBackByItsTransactionIsNone() {
        SignedIn by = new SignedIn("trail.back@museum.example.org", "B A Ck", Set.of());
        BED.bean(TransactionTemplate.class).executeWithoutResult(status -> {
            BED.bean(Trail.class).note(by, Message.of("act.office.hours"));
            status.setRollbackOnly();
        });
        assertThat(saidBy(by.mail())).isEmpty();
    }

    private static void note(String act) {
        SignedIn by = new SignedIn("trail.many@museum.example.org", "Ma Ny", Set.of());
        BED.bean(TransactionTemplate.class)
                .executeWithoutResult(status -> BED.bean(Trail.class).note(by, Message.of(act)));
    }

    @Test
    void fiftyOneActsAreOnTwoPagesEachOnce() {
        for (int i = 0; i < 51; i++) note("act.office.logo");
        List<Long> numbers = new ArrayList<>();
        JsonNode page = acts("by=trail.many@museum.example.org");
        page.get("items").forEach(one -> numbers.add(one.get("number").asLong()));
        assertThat(numbers).hasSize(50);
        JsonNode next = acts(
                "by=trail.many@museum.example.org&after=" + page.get("next").asString());
        next.get("items").forEach(one -> numbers.add(one.get("number").asLong()));
        assertThat(numbers)
                .hasSizeGreaterThanOrEqualTo(51)
                .doesNotHaveDuplicates()
                .isSortedAccordingTo((a, b) -> Long.compare(b, a));
        JsonNode back = acts("by=trail.many@museum.example.org&before="
                + next.get("previous").asString());
        assertThat(back.get("items")).hasSize(50);
        assertThat(back.get("items").get(0).get("number").asLong()).isEqualTo(numbers.get(0));
    }
}
