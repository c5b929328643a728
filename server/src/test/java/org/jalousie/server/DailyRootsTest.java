package org.jalousie.server;

import static org.assertj.core.api.Assertions.assertThat;

import java.sql.Connection;
import java.sql.SQLException;
import java.sql.Statement;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.concurrent.CompletableFuture;
import javax.sql.DataSource;
import org.assertj.core.api.Assertions;
import org.jalousie.core.data.Sha256;
import org.jalousie.core.evidence.TrustService;
import org.jalousie.core.evidence.roots.Inclusion;
import org.jalousie.core.evidence.stamps.TimeStampToken;
import org.jalousie.core.json.Json;
import org.jalousie.demo.Client;
import org.jalousie.server.testbed.Office;
import org.jalousie.server.testbed.Testbed;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import tools.jackson.databind.JsonNode;

/** Whatever is lost or changed after a daily root, also by who rules over the database, shows against it. */
class DailyRootsTest {
    private static final Testbed BED = Testbed.start();
    private static Office office;
    private static String template;
    private static String first;
    /** The root that covered it first: others may have been made before. */
    private static int root;

    @BeforeAll
    static void twoAgreements() {
        office = new Office(BED.address());
        template = office.publish("Roots", Office.loanWording());
        first = office.generate(template, Office.loanValues("Ida Marsh"));
        office.await(first, "CHECK");
        office.await(office.generate(template, Office.loanValues("Otto Reed")), "CHECK");
        root = make().get("number").asInt();
    }

    private static JsonNode make() {
        Client.Answer answer = office.client.post("/api/v1/daily-roots", Map.of());
        assertThat(answer.status()).as(answer.text()).isEqualTo(201);
        return answer.json();
    }

    private static List<String> check() {
        Client.Answer answer = office.client.post("/api/v1/daily-roots/check", Map.of());
        assertThat(answer.status()).as(answer.text()).isEqualTo(200);
        List<String> said = new ArrayList<>();
        answer.json().get("said").forEach(one -> said.add(one.asString()));
        assertThat(answer.json().get("findings").asInt()).isEqualTo(said.size());
        return said;
    }

    private static void sql(String... statements) throws SQLException {
        try (Connection connection = BED.bean(DataSource.class).getConnection();
                Statement statement = connection.createStatement()) {
            for (String one : statements) statement.execute(one);
        }
    }

    /** As somebody who rules over the database. */
    private static final List<String> TABLES = List.of("agreement_event", "daily_root", "daily_root_leaf");

    private static void rule(String statement) throws SQLException {
        for (String table : TABLES) sql("alter table " + table + " disable trigger user");
        sql(statement);
        for (String table : TABLES) sql("alter table " + table + " enable trigger user");
    }

    private static String id(String number) {
        return "(select id from agreement where number = '" + number + "')";
    }

    @Test
    void aRootCoversAllAndIsProvenToAnybody() {
        JsonNode made = make();
        assertThat(made.get("agreements").asInt()).isGreaterThanOrEqualTo(2);
        assertThat(made.get("stampedBy").asString()).contains("CN=");
        JsonNode again = make();
        assertThat(again.get("number").asInt()).isEqualTo(made.get("number").asInt() + 1);
        assertThat(again.get("changed").asInt()).isZero();
        assertThat(again.get("root").asString()).isEqualTo(made.get("root").asString());

        Client.Answer answer = office.client.get("/api/v1/archive/" + first + "/inclusion");
        Inclusion proof = Json.MAPPER.readValue(answer.body(), Inclusion.class);
        assertThat(proof.holds()).isTrue();
        assertThat(proof.leaf().agreement()).isEqualTo(first);
        assertThat(TimeStampToken.read(
                        proof.timeStamp(),
                        proof.root().hash(),
                        BED.bean(TrustService.class).anchors()))
                .isPresent();
        long number = proof.root().number();
        byte[] statement =
                office.client.get("/api/v1/daily-roots/" + number + ".json").body();
        assertThat(Sha256.of(statement)).isEqualTo(proof.root().hash());
        assertThat(office.client.get("/api/v1/daily-roots/" + number + ".tst").body())
                .isEqualTo(proof.timeStamp());
        assertThat(check()).isEmpty();
        assertThat(office.client.get("/api/v1/daily-roots/9999.json").status()).isEqualTo(404);
    }

    @Test
    void whatHappensAfterARootIsLawfulAndCoveredByTheNext() {
        String third = office.generate(template, Office.loanValues("Ada Finch"));
        office.await(third, "CHECK");
        assertThat(office.client.get("/api/v1/archive/" + third + "/inclusion").status())
                .isEqualTo(404);
        assertThat(make().get("changed").asInt()).isEqualTo(1);
        office.client.post("/api/v1/agreements/" + third + "/withdrawal", Map.of("reason", "Another one"));
        assertThat(check()).isEmpty();
        assertThat(office.client.get("/api/v1/archive/" + third + "/inclusion").status())
                .isEqualTo(200);
        assertThat(make().get("changed").asInt()).isEqualTo(1);
    }

    private static String filled(String text) {
        return text.replace("{first}", first).replace("{root}", String.valueOf(root));
    }

    @ParameterizedTest
    @CsvSource(delimiter = '|', textBlock = """
            the last event removed      | delete from agreement_event e where agreement_id = %s and sequence = (select max(sequence) from agreement_event where agreement_id = e.agreement_id) | Events of {first} are gone
            all events removed          | delete from agreement_event where agreement_id = %s | Events of {first} are gone
            an event changed            | update agreement_event set entry = replace(entry, 'Ida', 'Eva') where agreement_id = %s | The trail of {first} is broken at event 1
            an event out of the middle  | delete from agreement_event where agreement_id = %s and sequence = 1 | The trail of {first} is broken at event 2
            the whole agreement renamed | update agreement set number = 'A-1999-0001' where id = %s | {first} is gone
            a leaf removed              | delete from daily_root_leaf where agreement = '{first}' | Root {root} isn’t the one
            a leaf changed              | update daily_root_leaf set events = 1 where agreement = '{first}' | Root {root} isn’t the one
            a root removed              | with gone as (delete from daily_root_leaf where root = {root}) delete from daily_root where number = {root} | Root {root} is gone
            a root rewritten            | update daily_root set statement = replace(statement, '"number":', '"x":1,"number":') where number = {root} | The time stamp of root {root} doesn’t hold
            a token of another root     | update daily_root set token = (select token from daily_root where number = {root} + 1) where number = {root} | The time stamp of root {root} doesn’t hold
            """)
    void whatWasTouchedIsNamed(String kind, String statement, String told) throws SQLException {
        make();
        for (String table : TABLES) sql("create table kept_" + table + " as select * from " + table);
        sql("create table kept_agreement as select id, number from agreement");
        try {
            rule(filled(statement.replace("%s", id(first))));
            assertThat(String.join("\n", check())).as(kind).contains(filled(told));
            JsonNode today = office.client.get("/api/v1/today").json();
            assertThat(today.get("roots")).hasSize(1);
        } finally {
            rule("truncate daily_root, daily_root_leaf, agreement_event");
            for (String table : List.of("agreement_event", "daily_root", "daily_root_leaf"))
                rule("insert into " + table + " select * from kept_" + table);
            sql("update agreement a set number = k.number from kept_agreement k where a.id = k.id");
            for (String table : TABLES) sql("drop table kept_" + table);
            sql("drop table kept_agreement");
        }
        assertThat(check()).isEmpty();
        assertThat(office.client.get("/api/v1/today").json().get("roots")).isEmpty();
    }

    @Test
    void aTrailRewrittenFromTheBeginningIsFoundAtTheAgreementToo() throws SQLException {
        String done = office.completed(template, "Ida Marsh");
        JsonNode before = office.client
                .post("/api/v1/archive/" + done + "/verification", Map.of())
                .json();
        assertThat(before.get("cover").isNull()).isTrue();
        make();
        JsonNode covered = office.client
                .post("/api/v1/archive/" + done + "/verification", Map.of())
                .json();
        assertThat(covered.get("intact").asBoolean()).isTrue();
        assertThat(covered.get("cover").get("at").asString()).isNotEmpty();
        sql("create table kept_event as select * from agreement_event where agreement_id = " + id(done));
        try {
            rule("delete from agreement_event where agreement_id = " + id(done)
                    + " and sequence = (select max(sequence) from kept_event)");
            // what is left is a chain without a break
            assertThat(check()).hasSize(1).first().asString().contains("Events of " + done + " are gone");
        } finally {
            rule("insert into agreement_event select * from kept_event on conflict do nothing");
            sql("drop table kept_event");
        }
    }

    @Test
    void theDatabaseRefusesToChangeThem() {
        for (String statement : List.of(
                "update daily_root set token = ''",
                "delete from daily_root_leaf",
                "truncate daily_root_leaf",
                "truncate daily_root cascade"))
            Assertions.assertThatThrownBy(() -> sql(statement)).hasMessageContaining("never changed or removed");
    }

    @Test
    void twoAtOnceMakeNoGapAndNoFork() {
        List<CompletableFuture<JsonNode>> made = new ArrayList<>();
        for (int i = 0; i < 6; i++) made.add(CompletableFuture.supplyAsync(DailyRootsTest::make));
        made.forEach(CompletableFuture::join);
        assertThat(check()).isEmpty();
    }

    @Test
    void aTrustServiceThatIsAwayIsToldAndNothingIsKept() {
        int before =
                office.client.get("/api/v1/daily-roots").json().get("total").asInt();
        BED.trustDown();
        try {
            assertThat(office.client.post("/api/v1/daily-roots", Map.of()).status())
                    .isEqualTo(503);
        } finally {
            BED.trustUp();
        }
        assertThat(office.client.get("/api/v1/daily-roots").json().get("total").asInt())
                .isEqualTo(before);
        make();
        assertThat(check()).isEmpty();
    }

    @Test
    void aLongListIsWalkedByKeys() {
        for (int i = 0; i < 52; i++) make();
        JsonNode page = office.client.get("/api/v1/daily-roots").json();
        assertThat(page.get("items")).hasSize(50);
        assertThat(page.get("previous").isNull()).isTrue();
        JsonNode older = office.client
                .get("/api/v1/daily-roots?after=" + page.get("next").asString())
                .json();
        assertThat(older.get("items").get(0).get("number").asInt())
                .isEqualTo(page.get("items").get(49).get("number").asInt() - 1);
        assertThat(older.get("page").asInt()).isEqualTo(1);
        JsonNode back = office.client
                .get("/api/v1/daily-roots?before=" + older.get("previous").asString())
                .json();
        assertThat(back.get("items")).isEqualTo(page.get("items"));
        assertThat(office.client.get("/api/v1/daily-roots?after=x").status()).isEqualTo(400);
    }
}
