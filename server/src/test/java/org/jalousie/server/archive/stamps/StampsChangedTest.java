package org.jalousie.server.archive.stamps;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.List;
import java.util.Map;
import org.jalousie.server.testbed.Office;
import org.jalousie.server.testbed.Testbed;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import tools.jackson.databind.JsonNode;

/** What is kept of archive time stamps shows when somebody who rules over the database changes it. */
class StampsChangedTest {
    private static final Testbed BED = Testbed.start();
    private static StampsHand hand;
    private static String number;

    @BeforeAll
    static void oneThatIsStamped() {
        hand = new StampsHand(BED);
        number = hand.office.completed(hand.office.publish("Stamps changed", Office.loanWording()), "Ida Marsh");
        // more than one leaf, so that there is a way to the stamp
        root();
        hand.round();
    }

    private static void root() {
        assertThat(hand.office.client.post("/api/v1/daily-roots", Map.of()).status())
                .isEqualTo(201);
    }

    @ParameterizedTest
    @CsvSource(delimiter = '|', textBlock = """
            the way to the stamp   | update stamped_file set path = set_byte(path, length(path) - 1, get_byte(path, length(path) - 1) # 1) where length(path) > 0 and agreement_id = %s
            the way to the renewal | update renewed_stamp set path = set_byte(path, length(path) - 1, get_byte(path, length(path) - 1) # 1) where length(path) > 0
            the token              | update archive_stamp set token = set_byte(token, length(token) - 9, get_byte(token, length(token) - 9) # 1)
            another's token        | update archive_stamp set token = (select token from daily_root where number = 1)
            no token at all        | update archive_stamp set token = ''
            """)
    void whatIsChangedOfTheStampsIsFound(String what, String statement) {
        // another stamp, so that there is a way to the renewal of both
        root();
        hand.round();
        hand.endTomorrow();
        hand.round();
        hand.sql.sql("create table kept_stamps as select * from archive_stamp").update();
        hand.sql.sql("create table kept_files as select * from stamped_file").update();
        hand.sql.sql("create table kept_renewed as select * from renewed_stamp").update();
        try {
            hand.rule(statement.formatted("(select id from agreement where number = '" + number + "')"));
            JsonNode checked = hand.check(number);
            assertThat(checked.get("intact").asBoolean()).as(what).isFalse();
            // one that was changed keeps no other from being renewed
            hand.endTomorrow();
            hand.round();
            assertThat(checked.toString()).contains("archive time stamps don’t hold");
        } finally {
            hand.rule("update archive_stamp s set token = k.token from kept_stamps k where k.number = s.number");
            hand.rule("update stamped_file s set path = k.path from kept_files k where k.agreement_id = s.agreement_id"
                    + " and k.file = s.file and k.stamp = s.stamp");
            hand.rule("update renewed_stamp s set path = k.path from kept_renewed k where k.stamp = s.stamp");
            for (String table : List.of("kept_stamps", "kept_files", "kept_renewed"))
                hand.sql.sql("drop table " + table).update();
        }
        hand.assertIntact(number);
    }

    @Test
    void theDatabaseRefusesToChangeThem() {
        hand.endTomorrow();
        hand.round();
        for (String table : List.of("archive_stamp", "stamped_file", "stamped_root", "renewed_stamp")) {
            String column = table.equals("archive_stamp") ? "token" : "path";
            assertThatThrownBy(() -> hand.sql
                            .sql("update " + table + " set " + column + " = ''")
                            .update())
                    .hasStackTraceContaining("never changed or removed");
            assertThatThrownBy(() -> hand.sql.sql("delete from " + table).update())
                    .hasStackTraceContaining("never changed or removed");
            assertThatThrownBy(
                            () -> hand.sql.sql("truncate " + table + " cascade").update())
                    .hasStackTraceContaining("never changed or removed");
        }
    }
}
