package org.jalousie.server;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.Map;
import java.util.UUID;
import org.jalousie.core.access.Role;
import org.jalousie.demo.Client;
import org.jalousie.server.testbed.OfficePeople;
import org.jalousie.server.testbed.Testbed;
import org.jalousie.server.testbed.Together;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;

class PermissionsTest {
    private static final Testbed BED = Testbed.start();

    @BeforeAll
    static void reader() {
        OfficePeople.there(BED, "reader@museum.example.org", "Rea Der", Role.READER);
    }

    @Test
    void withoutSigningInNothingOfTheOfficeIsShown() {
        Client stranger = new Client(BED.address());
        for (String path : List.of(
                "/api/v1/templates",
                "/api/v1/agreements",
                "/api/v1/archive",
                "/api/v1/today",
                "/api/v1/postroom",
                "/api/v1/requests",
                "/api/v1/clauses",
                "/api/v1/registers",
                "/api/v1/registers/lenders/options",
                "/api/v1/registers/lenders/file",
                "/api/v1/runs",
                "/api/v1/programs",
                "/api/v1/webhooks",
                "/api/v1/tables/" + UUID.randomUUID(),
                "/api/v1/tables/" + UUID.randomUUID() + "/report",
                "/api/v1/pictures/" + "a".repeat(64),
                "/api/v1/templates/" + UUID.randomUUID() + "/specimens/0/pages.pdf",
                "/api/v1/session")) {
            assertThat(stranger.get(path).status()).as(path).isEqualTo(401);
        }
        assertThat(stranger.get("/actuator/env").status()).isIn(401, 403);
    }

    @Test
    void aReaderLooksThingsUpAndChangesNothing() {
        Client reader = new Client(BED.address()).signIn("reader@museum.example.org", Testbed.PASSWORD);
        assertThat(reader.get("/api/v1/archive").status()).isEqualTo(200);
        assertThat(reader.get("/api/v1/agreements").status()).isEqualTo(200);
        for (String path : List.of(
                "/api/v1/registers",
                "/api/v1/registers/lenders/rows",
                "/api/v1/runs",
                "/api/v1/programs",
                "/api/v1/webhooks",
                "/api/v1/tables/" + UUID.randomUUID() + "/rows",
                "/api/v1/templates",
                "/api/v1/clauses",
                "/api/v1/pictures/" + "a".repeat(64),
                "/api/v1/today",
                "/api/v1/postroom",
                "/api/v1/finished-files",
                "/api/v1/begun-forms",
                "/api/v1/requests")) {
            assertThat(reader.get(path).status()).as(path).isEqualTo(403);
        }
        assertThat(reader.post("/api/v1/agreements/A-2026-0001/sending", Map.of())
                        .status())
                .isEqualTo(403);
        assertThat(reader.post("/api/v1/agreements/A-2026-0001/withdrawal", Map.of("reason", "x"))
                        .status())
                .isEqualTo(403);
        assertThat(reader.put("/api/v1/agreements/A-2026-0001/people/lender", Map.of("name", "x", "mail", "x"))
                        .status())
                .isEqualTo(403);
        assertThat(reader.post("/api/v1/requests", Map.of()).status()).isEqualTo(403);
        String template = "/api/v1/templates/" + UUID.randomUUID();
        for (String path : List.of("/proof", "/wording/acts", "/undo", "/redo", "/duplicate", "/retirement", "/return"))
            assertThat(reader.post(template + path, Map.of()).status()).as(path).isEqualTo(403);
        assertThat(reader.upload("/api/v1/clauses?name=mine", "mine.docx", new byte[] {1})
                        .status())
                .isEqualTo(403);
    }

    @Test
    void aRequestWithoutTheTokenAgainstForgeryIsRefused() {
        Client coordinator = new Client(BED.address()).signIn(Testbed.MAIL, Testbed.PASSWORD);
        assertThat(coordinator.postFromElsewhere("/api/v1/requests", Map.of()).status())
                .isEqualTo(403);
    }

    @Test
    void pagesAreServedWithAStrictPolicy() {
        Client.Answer page = new Client(BED.address()).get("/today");
        assertThat(page.status()).isEqualTo(200);
        assertThat(page.text()).doesNotContain("<script>").contains("<div id=\"root\">");
    }

    @Test
    void guessingIsSlowedDownTheSameForAccountsThatExistAndThatDoNot() throws Exception {
        for (String mail : List.of("reader@museum.example.org", "nobody@museum.example.org")) {
            List<java.util.concurrent.Callable<Integer>> guesses = new java.util.ArrayList<>();
            for (int i = 0; i < 40; i++) {
                Client guesser = new Client(BED.address());
                Map<String, String> guess = Map.of("mail", mail, "password", "guess" + i);
                guesser.get("/api/v1/session");
                guesses.add(() -> guesser.post("/api/v1/session", guess).status());
            }
            List<Integer> answers = Together.all(guesses);
            assertThat(answers).isSubsetOf(422, 429);
            // six at once, then one for every ten seconds that a slow machine takes
            assertThat(answers.stream().filter(status -> status == 422).count())
                    .as("guesses that were looked at")
                    .isBetween(1L, 12L);
        }
        assertThat(new Client(BED.address()).signIn(Testbed.MAIL, Testbed.PASSWORD))
                .isNotNull();
        Client.Answer slowed = new Client(BED.address())
                .post("/api/v1/session", Map.of("mail", "reader@museum.example.org", "password", Testbed.PASSWORD));
        assertThat(slowed.status()).isEqualTo(429);
        assertThat(slowed.text()).containsPattern("Wait \\d+ seconds?");
        Thread.sleep(11_000);
        new Client(BED.address()).signIn("reader@museum.example.org", Testbed.PASSWORD);
    }
}
