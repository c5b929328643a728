package org.jalousie.server.archive.retention;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.List;
import org.jalousie.server.testbed.Office;
import org.jalousie.server.testbed.Testbed;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import org.springframework.dao.DataAccessException;
import org.springframework.jdbc.core.simple.JdbcClient;

/** There is one way in which an agreement goes; whatever else was done to it or its tombstone is refused, or shows. */
class OneWayTest {
    private static final Testbed BED = Testbed.start();
    private static final Office OFFICE = new Office(BED.address());
    private static final RetentionHand HAND = new RetentionHand(BED, OFFICE);
    private static final JdbcClient SQL = BED.bean(JdbcClient.class);

    private static String template;

    @BeforeAll
    static void aMonthForThoseThatCameToNothing() {
        template = OFFICE.publish("Loans that go one way", Office.loanWording());
        HAND.keep(template, 1, 1);
    }

    private static String over(String lender) {
        return HAND.over(template, lender);
    }

    @Test
    void theDatabaseLetsNoneGoInAnotherWay() {
        String number = over("Ben Holt");
        String events = "delete from agreement_event where agreement_id = " + RetentionHand.idOf(number);
        assertThatThrownBy(() -> SQL.sql(events).update()).isInstanceOf(DataAccessException.class);
        String stone =
                "insert into tombstone (agreement_id, number, template_id, statement, seal, events, last_hash, hash,"
                        + " destroyed_at) select a.id, a.number, a.template_id, '{}', '', %s, e.hash, e.hash, now() from agreement a"
                        + " join agreement_event e on e.agreement_id = a.id where a.number = '" + number + "' order by"
                        + " e.sequence desc limit 1";
        assertThatThrownBy(() -> SQL.sql(String.format(stone, "e.sequence")).update())
                .hasMessageContaining("nobody has confirmed");
        HAND.confirm(List.of(number), false);
        assertThatThrownBy(() -> SQL.sql(String.format(stone, "e.sequence")).update())
                .hasMessageContaining("nobody has confirmed");
        SQL.sql("update destruction set goes_at = now() where agreement_id = " + RetentionHand.idOf(number))
                .update();
        assertThatThrownBy(() -> SQL.sql(String.format(stone, "e.sequence - 1")).update())
                .hasMessageContaining("counts all events");
        SQL.sql("insert into legal_hold (id, agreement_id, reason, placed_by, placed_at) values (gen_random_uuid(), "
                        + RetentionHand.idOf(number) + ", 'a claim', 'Nora Quill', now())")
                .update();
        assertThatThrownBy(() -> SQL.sql(String.format(stone, "e.sequence")).update())
                .hasMessageContaining("a legal hold");
        SQL.sql("delete from legal_hold where agreement_id = " + RetentionHand.idOf(number))
                .update();
        HAND.root();
        HAND.awaitGone(number);
        for (String change : List.of(
                "update tombstone set statement = '{}' where number = '" + number + "'",
                "delete from tombstone where number = '" + number + "'",
                "truncate tombstone"))
            assertThatThrownBy(() -> SQL.sql(change).update()).hasMessageContaining("never changed or removed");
    }

    private static void rule(String... statements) {
        for (String table : List.of("tombstone", "agreement_event"))
            SQL.sql("alter table " + table + " disable trigger user").update();
        for (String one : statements) SQL.sql(one).update();
        for (String table : List.of("tombstone", "agreement_event"))
            SQL.sql("alter table " + table + " enable trigger user").update();
    }

    @Test
    void aTombstoneThatWasChangedLostOrForgedByWhoRulesOverTheDatabaseShows() {
        String gone = over("Ben Holt");
        HAND.go(gone);
        HAND.root();
        assertThat(HAND.findings()).noneMatch(one -> one.contains(gone));
        String kept = SQL.sql("select statement from tombstone where number = ?")
                .param(gone)
                .query(String.class)
                .single();
        rule("update tombstone set statement = replace(statement, 'Nora Quill', 'Jonas Petrie') where number = '" + gone
                + "'");
        assertThat(HAND.findings())
                .anyMatch(one -> one.contains(gone) && one.contains("isn’t under the office’s signature"));
        rule("update tombstone set hash = encode(sha256(convert_to(last_hash || chr(10) || statement, 'UTF8')), 'hex')"
                + " where number = '" + gone + "'");
        assertThat(HAND.findings()).anyMatch(one -> one.contains(gone) && one.contains("covers something else"));
        SQL.sql("create table moved_stone as select * from tombstone where number = '" + gone + "'")
                .update();
        rule("delete from tombstone where number = '" + gone + "'");
        assertThat(HAND.findings()).anyMatch(one -> one.contains(gone + " is gone"));
        rule(
                "update moved_stone set statement = '" + kept.replace("'", "''")
                        + "', hash = encode(sha256(convert_to(last_hash || chr(10) || '" + kept.replace("'", "''")
                        + "', 'UTF8')), 'hex')",
                "insert into tombstone select * from moved_stone",
                "drop table moved_stone");
        assertThat(HAND.findings()).noneMatch(one -> one.contains(gone));
    }

    @Test
    void aTombstoneOfOneThatNobodyLetGoIsntUnderTheOfficesSignature() {
        String number = over("Ben Holt");
        String other = over("Ben Holt");
        HAND.go(other);
        String id = SQL.sql("select id::text from agreement where number = ?")
                .param(number)
                .query(String.class)
                .single();
        SQL.sql("create table moved_stone as select * from tombstone").update();
        rule("insert into tombstone select '" + id + "', '" + number + "', template_id, replace(statement, '" + other
                + "', '" + number
                + "'), seal, events, last_hash, hash, destroyed_at, made_in from tombstone where number = '"
                + other + "'");
        assertThat(HAND.findings()).anyMatch(one -> one.contains(number) && one.contains("office’s signature"));
        rule("delete from tombstone where number = '" + number + "'", "drop table moved_stone");
        assertThat(HAND.findings()).noneMatch(one -> one.contains(number));
    }
}
