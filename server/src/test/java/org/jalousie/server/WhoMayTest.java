package org.jalousie.server;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.TreeMap;
import java.util.stream.Stream;
import org.jalousie.core.access.Role;
import org.jalousie.demo.Client;
import org.jalousie.server.testbed.OfficePeople;
import org.jalousie.server.testbed.TestPaths;
import org.jalousie.server.testbed.Testbed;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import tools.jackson.databind.JsonNode;

/**
 * Who may make which request: every operation of the description is tried by everybody, and what came of it is the table in {@code
 * docs/permissions.md}. A new operation, or one that somebody else may use from now on, changes the table, where it is looked at.
 * With {@code -Dpermissions.update=true} it is written anew.
 */
class WhoMayTest {
    private static final Testbed BED = Testbed.start();
    private static final Path TABLE = TestPaths.root().resolve("docs/permissions.md");
    private static final String HEAD = """
            # Who may make which request

            Written by `WhoMayTest`, which tries every operation of the description as everybody. *by link*: whoever has the link that was mailed to them, signed in or not. What a program with a key may do is told by its scopes, in [api.md](api.md).

            | request | nobody signed in | approver | requester | reader | coordinator | administrator |
            |---|---|---|---|---|---|---|
            """;

    /** What changes the office for all tests beside this one, or signs who tries out; they have tests of their own. */
    private static final String NOT_TRIED_BY_WHO_MAY = "(PUT|POST|DELETE) /api/v1/office/(?!files).*";

    private static Client approver;
    private static Client requester;
    private static Client reader;
    private static Client coordinator;
    private static Client administrator;

    @BeforeAll
    static void peopleAreThere() {
        approver = OfficePeople.signedIn(BED, "approves@who.example.org", "Ap Prover", Role.APPROVER);
        requester = OfficePeople.signedIn(BED, "asks@who.example.org", "Re Quester", Role.REQUESTER);
        reader = OfficePeople.signedIn(BED, "looks@who.example.org", "Lou Ker", Role.READER);
        coordinator = OfficePeople.signedIn(BED, "coordinates@who.example.org", "Co Ordinator", Role.COORDINATOR);
        administrator = OfficePeople.signedIn(BED, "administers@who.example.org", "Ad Ministrator", Role.ADMINISTRATOR);
    }

    private record Operation(String method, String path, boolean file) {
        @Override
        public String toString() {
            return method + " " + path;
        }

        boolean byLink() {
            return path.startsWith("/api/v1/signing/")
                    || path.startsWith("/api/v1/ask/")
                    || path.startsWith("/api/v1/asked/");
        }

        boolean mayBy(Client client) {
            String address = path.replace("{number}", path.contains("daily-roots") ? "999999" : "A-1999-0001")
                    .replaceAll("\\{(token|secret)\\}", "0".repeat(64))
                    .replaceAll("\\{[^}]+\\}", "00000000-0000-0000-0000-000000000000");
            Client.Answer answer = file
                    ? client.upload(address, "nothing.txt", new byte[0])
                    : switch (method) {
                        case "GET" -> client.get(address);
                        case "PUT" -> client.put(address, Map.of());
                        case "DELETE" -> client.delete(address);
                        default -> client.post(address, Map.of());
                    };
            return answer.status() != 401 && answer.status() != 403;
        }
    }

    private static List<Operation> operations() {
        List<Operation> all = new ArrayList<>();
        JsonNode paths = new Client(BED.address()).get("/api/v1/openapi").json().get("paths");
        for (Map.Entry<String, JsonNode> path : new TreeMap<>(entries(paths)).entrySet())
            for (Map.Entry<String, JsonNode> one : entries(path.getValue()).entrySet()) {
                JsonNode content = one.getValue().path("requestBody").path("content");
                all.add(new Operation(
                        one.getKey().toUpperCase(Locale.ROOT), path.getKey(), content.has("multipart/form-data")));
            }
        return all;
    }

    private static Map<String, JsonNode> entries(JsonNode node) {
        Map<String, JsonNode> entries = new TreeMap<>();
        node.properties().forEach(one -> entries.put(one.getKey(), one.getValue()));
        return entries;
    }

    private static String row(Operation one) {
        if (one.byLink()) return cells(one, Collections.nCopies(6, "by link"));
        if (one.path().startsWith("/api/v1/session") && !one.toString().equals("GET /api/v1/session"))
            return cells(one, Collections.nCopies(6, "yes"));
        boolean kept = one.toString().matches(NOT_TRIED_BY_WHO_MAY);
        return cells(
                one,
                Stream.of(new Client(BED.address()), approver, requester, reader, coordinator, administrator)
                        .map(client -> kept && (client == coordinator || client == administrator)
                                ? "yes"
                                : said(one.mayBy(client)))
                        .toList());
    }

    private static String said(boolean may) {
        return may ? "yes" : "no";
    }

    private static String cells(Operation one, List<String> said) {
        return "| `" + one + "` | " + String.join(" | ", said) + " |";
    }

    @Test
    void everyRequestIsTriedByEverybody() throws IOException {
        List<Operation> operations = operations();
        assertThat(operations).hasSizeGreaterThan(250);
        String table = HEAD
                + String.join("\n", operations.stream().map(WhoMayTest::row).toList()) + "\n";
        if (Boolean.getBoolean("permissions.update")) Files.writeString(TABLE, table);
        // line by line, so that what differs is told and not all of it
        assertThat(table.lines().toList())
                .isEqualTo(Files.readString(TABLE).lines().toList());
    }

    /** @param column from 1 for nobody */
    private static boolean mayBy(String row, int column) {
        return row.split("\\|")[column + 1].strip().equals("yes");
    }

    @Test
    void theTableSaysThatNobodyReadsOrChangesWithoutBeingLetIn() throws IOException {
        List<String> rows;
        try (Stream<String> lines = Files.lines(TABLE)) {
            rows = lines.filter(one -> one.startsWith("| `")).toList();
        }
        assertThat(rows.stream().filter(one -> one.contains("` | yes |")))
                .allMatch(one -> one.contains("/api/v1/session") || one.contains("/api/v1/openapi"));
        // a reader changes nothing but their own views and account; these look at something that is sent along, or lead
        // to
        // their own part
        assertThat(rows.stream().filter(one -> one.matches(".*`(POST|PUT|DELETE) .*") && mayBy(one, 4)))
                .allMatch(
                        one -> one.matches(
                                ".*/api/v1/(session.*|account.*|archive/check|archive/evidence|archive/views|archive/views/\\{id\\}|archive/\\{number\\}/verification|mine/\\{number\\}/way-in)`.*"));
        // who approves or asks sees what is theirs, and nothing else
        assertThat(rows.stream().filter(one -> mayBy(one, 2)))
                .allMatch(one -> one.matches(".*/api/v1/(session|account|mine|openapi).*"));
        assertThat(rows.stream().filter(one -> mayBy(one, 3)))
                .allMatch(one -> one.matches(".*/api/v1/(session|account|mine|openapi|own-requests).*"));
        // nobody but an administrator says who may come in, or sees what was done
        assertThat(rows.stream().filter(one -> one.contains("/api/v1/people") || one.contains("/api/v1/trail")))
                .isNotEmpty()
                .allMatch(one -> mayBy(one, 6) && !mayBy(one, 5) && !mayBy(one, 4));
        assertThat(rows.stream().filter(one -> one.contains("/api/v1/signing/") || one.contains("/api/v1/ask")))
                .allMatch(one -> one.contains("| by link | by link | by link | by link | by link | by link |"));
    }

    @Test
    void aLinkThatIsNoneShowsNothing() {
        assertThat(new Client(BED.address())
                        .get("/api/v1/signing/" + "0".repeat(64))
                        .status())
                .isIn(404, 410);
        assertThat(coordinator.get("/api/v1/asked/" + "0".repeat(64)).status()).isIn(404, 410);
    }
}
