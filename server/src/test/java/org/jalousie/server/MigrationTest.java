package org.jalousie.server;

import static org.assertj.core.api.Assertions.assertThat;

import java.sql.Connection;
import java.sql.DriverManager;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.sql.Statement;
import java.util.ArrayList;
import java.util.List;
import org.flywaydb.core.Flyway;
import org.jalousie.server.testbed.Testbed;
import org.junit.jupiter.api.Test;

/** Data that an earlier version of the program stored open in this one. */
class MigrationTest {
    private static final Testbed BED = Testbed.start();

    private static List<String> rows(Connection connection, String query) throws SQLException {
        List<String> rows = new ArrayList<>();
        try (ResultSet found = connection.createStatement().executeQuery(query)) {
            while (found.next()) rows.add(found.getString(1));
        }
        return rows;
    }

    private static void upTo(String version, String url, String password) {
        Flyway.configure()
                .dataSource(url, "postgres", password)
                .target(version)
                .load()
                .migrate();
    }

    private static void template(Statement sql, String id) throws SQLException {
        sql.execute("insert into template (id, name, changed_at) values ('" + id + "', 'Loan', now())");
        sql.execute("insert into template_version (id, template_id, number, state, word_file, content, revision) values"
                + " ('" + id + "', '" + id + "', 1, 'PUBLISHED', 'ab', '{}', 1)");
    }

    @Test
    void twoAgreementsOfOneRequestAndTheirStatesComeThrough() throws Exception {
        String url = BED.newDatabase("migration");
        String password = BED.databasePassword();
        upTo("2", url, password);
        try (Connection connection = DriverManager.getConnection(url, "postgres", password);
                Statement sql = connection.createStatement()) {
            String template = "00000000-0000-0000-0000-000000000001";
            template(sql, template);
            sql.execute("insert into intake_request values ('" + template + "', 'R-1', '" + template
                    + "', '{}', '{}', 'Nora', now(), 'A-1')");
            for (int i = 1; i <= 2; i++) {
                String id = "00000000-0000-0000-0000-00000000001" + i;
                sql.execute(
                        "insert into agreement (id, number, title, template_version_id, template_name, request_number, state, since, changed_at, blind, first_reminder_days, every_days, words)"
                                + " values ('" + id + "', 'A-" + i + "', 'Loan', '" + template
                                + "', 'Loan', 'R-1', 'OUT', now(), now(), '[]', 5, 3, 'viola')");
                sql.execute("insert into agreement_event values ('" + id
                        + "', 1, 'HouseSealed', '{\"event\":{\"type\":\"HouseSealed\",\"pdf\":\"abc" + i
                        + "\"}}', 'x')");
            }
            sql.execute(
                    "insert into mail values ('" + template
                            + "', '00000000-0000-0000-0000-000000000011', 'INVITATION', 'lender', 'a@x.example.org', 's', 'SENT', now(), now())");
        }
        Flyway.configure().dataSource(url, "postgres", password).load().migrate();
        try (Connection connection = DriverManager.getConnection(url, "postgres", password)) {
            assertThat(rows(connection, "select attempt from agreement order by number"))
                    .containsExactly("1", "2");
            assertThat(rows(connection, "select attempts from intake_request")).containsExactly("2");
            assertThat(rows(connection, "select sha256 from document_state order by 1"))
                    .containsExactly("abc1", "abc2");
            assertThat(rows(
                            connection,
                            "select agreement_id from agreement_text where search @@ to_tsquery('simple', 'viola')"))
                    .hasSize(2);
            assertThat(rows(connection, "select state from mail")).containsExactly("SENT");
            assertThat(rows(connection, "select number from agreement where due_at <= now()"))
                    .containsExactlyInAnyOrder("A-1", "A-2");
        }
    }

    @Test
    void whyAnAgreementWaitsAndHowALinkCameComeThrough() throws Exception {
        String url = BED.newDatabase("reasons");
        String password = BED.databasePassword();
        upTo("24", url, password);
        String template = "00000000-0000-0000-0000-000000000001";
        try (Connection connection = DriverManager.getConnection(url, "postgres", password);
                Statement sql = connection.createStatement()) {
            template(sql, template);
            List<String> reasons =
                    List.of("false, false, false", "true, true, true", "false, true, true", "false, false, true");
            for (int i = 0; i < reasons.size(); i++) {
                String id = "00000000-0000-0000-0000-00000000001" + i;
                sql.execute(
                        "insert into agreement (id, number, title, template_version_id, template_name, request_number, state, since, changed_at, route, terms, kept_out, undelivered, asked)"
                                + " values ('" + id + "', 'A-" + i + "', 'Loan', '" + template + "', 'Loan', 'R-" + i
                                + "', 'OUT', now(), now(), '[]', '{}', " + reasons.get(i) + ")");
            }
            List<String> ways = List.of("false, false", "true, false", "false, true");
            for (int i = 0; i < ways.size(); i++)
                sql.execute("insert into link (token_hash, agreement_id, party, created_at, by_form, by_account)"
                        + " values ('h" + i + "', '00000000-0000-0000-0000-000000000010', 'lender', now(), "
                        + ways.get(i) + ")");
        }
        Flyway.configure().dataSource(url, "postgres", password).load().migrate();
        try (Connection connection = DriverManager.getConnection(url, "postgres", password)) {
            assertThat(rows(connection, "select coalesce(attention, '-') from agreement order by number"))
                    .containsExactly("-", "KEPT_OUT", "UNDELIVERED", "ASKED");
            assertThat(rows(connection, "select came_by from link order by token_hash"))
                    .containsExactly("MAIL", "FORM", "ACCOUNT");
        }
    }

    @Test
    void whatWaitedForTheDocumentsOfAnAgreementStandsInOneQueue() throws Exception {
        String url = BED.newDatabase("queues");
        String password = BED.databasePassword();
        upTo("4", url, password);
        String one = "00000000-0000-0000-0000-000000000011";
        String two = "00000000-0000-0000-0000-000000000012";
        try (Connection connection = DriverManager.getConnection(url, "postgres", password);
                Statement sql = connection.createStatement()) {
            sql.execute("alter table job_failure drop constraint job_failure_agreement_id_fkey");
            for (String task : List.of(
                    "'generate', '" + one + ":7'",
                    "'seal-party', '" + two + ":lender'",
                    "'seal-party', '" + two + ":witness'",
                    "'mail', '" + one + ":x'"))
                sql.execute(
                        "insert into scheduled_tasks (task_name, task_instance, execution_time, picked, consecutive_failures, version)"
                                + " values (" + task + ", now(), true, 3, 5)");
            for (int i = 1; i <= 2; i++)
                sql.execute("insert into job_failure values (gen_random_uuid(), 'generate', '" + one + ":" + i + "', '"
                        + one + "', 'reason " + i + "', now() + interval '" + i + " minutes')");
        }
        Flyway.configure().dataSource(url, "postgres", password).load().migrate();
        try (Connection connection = DriverManager.getConnection(url, "postgres", password)) {
            assertThat(rows(connection, "select task_name || ' ' || task_instance from scheduled_tasks order by 1"))
                    .containsExactly("mail " + one + ":x", "make-documents " + one, "seal-documents " + two);
            assertThat(rows(connection, "select task || ' ' || instance || ' ' || reason from job_failure"))
                    .containsExactly("make-documents " + one + " reason 2");
        }
    }
}
