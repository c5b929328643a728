package org.jalousie.server.people;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.net.CookieManager;
import java.net.CookiePolicy;
import java.net.URI;
import java.net.URLEncoder;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import org.jalousie.core.json.Json;
import org.jalousie.server.testbed.Testbed;
import org.jalousie.server.testbed.Together;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.Test;
import tools.jackson.databind.JsonNode;

/** Signing in by an account elsewhere, through the protocol: discovery, code, token, signature (OpenID Connect Core 1.0 § 3.1). */
class ProviderTest {
    private static final PeopleHand HAND = new PeopleHand();
    private static final Testbed BED = HAND.bed;

    @AfterEach
    void theDirectoryIsSure() {
        BED.identity().unsure(false);
    }

    /** Somebody's browser, which goes where it is sent one step at a time. */
    private static final class Browser {
        private final HttpClient http = HttpClient.newBuilder()
                .cookieHandler(new CookieManager(null, CookiePolicy.ACCEPT_ALL))
                .build();

        HttpResponse<String> get(String address) {
            String at = address.startsWith("/") ? BED.address() + address : address;
            try {
                return http.send(HttpRequest.newBuilder(URI.create(at)).build(), HttpResponse.BodyHandlers.ofString());
            } catch (IOException e) {
                throw new IllegalStateException(e);
            } catch (InterruptedException e) {
                Thread.currentThread().interrupt();
                throw new IllegalStateException(e);
            }
        }

        String sentTo(String address) {
            HttpResponse<String> answer = get(address);
            assertThat(answer.statusCode()).as(address + " " + answer.body()).isEqualTo(302);
            return answer.headers().firstValue("Location").orElseThrow();
        }

        /** Says there who it is. @return the address by which it comes back */
        String says(String who, String subject) {
            return sentTo(sentTo("/api/v1/session/provider") + "&mail=" + URLEncoder.encode(who, StandardCharsets.UTF_8)
                    + "&name=" + subject);
        }

        JsonNode session() {
            HttpResponse<String> answer = get("/api/v1/session");
            return answer.statusCode() == 200 ? Json.MAPPER.readTree(answer.body()) : Json.MAPPER.createObjectNode();
        }
    }

    @Test
    void whoWasInvitedComesInByTheDirectoryWithoutAnyPassword() {
        String mail = PeopleHand.mail("wim");
        HAND.invite(mail, "Wim Oak", "READER");
        Browser wim = new Browser();
        assertThat(wim.sentTo(wim.says(mail.toUpperCase(Locale.ROOT), "wim-1"))).isEqualTo("/");
        assertThat(wim.session().get("mail").asString()).isEqualTo(mail);
        assertThat(wim.get("/api/v1/archive").statusCode()).isEqualTo(200);
        JsonNode shown = HAND.show(mail);
        assertThat(shown.get("person").get("standing").asString()).isEqualTo("OPEN");
        assertThat(shown.get("sessions").get(0).get("way").asString()).isEqualTo("PROVIDER");
        // it counts as more than a password
        HAND.admin.put("/api/v1/people/entry-rule", Map.of("secondFactor", List.of("READER")));
        try {
            assertThat(wim.session().get("lacksFactor").asBoolean()).isFalse();
        } finally {
            HAND.admin.put("/api/v1/people/entry-rule", Map.of("secondFactor", List.of()));
        }
    }

    @Test
    void whoHasNoAccountHereIsToldSo() {
        Browser stranger = new Browser();
        assertThat(stranger.sentTo(stranger.says("nobody.here@elsewhere.example.org", "x")))
                .isEqualTo("/sign-in?in-vain=NO_ACCOUNT");
        assertThat(stranger.session()).isEmpty();
    }

    @Test
    void anAddressThatTheDirectoryIsNotSureOfProvesNothing() {
        BED.identity().unsure(true);
        Browser liar = new Browser();
        assertThat(liar.sentTo(liar.says(Testbed.MAIL, "liar"))).isEqualTo("/sign-in?in-vain=NO_ACCOUNT");
        assertThat(liar.session()).isEmpty();
    }

    @Test
    void whoGetsAnothersAddressOneDayDoesNotGetTheirAccount() {
        String mail = PeopleHand.mail("yan");
        HAND.invite(mail, "Yan Holt", "READER");
        Browser first = new Browser();
        assertThat(first.sentTo(first.says(mail, "yan-1"))).isEqualTo("/");
        Browser second = new Browser();
        assertThat(second.sentTo(second.says(mail, "yan-2"))).isEqualTo("/sign-in?in-vain=NO_ACCOUNT");
        // the first one's address there may be another one meanwhile
        Browser moved = new Browser();
        assertThat(moved.sentTo(moved.says("yan.elsewhere@museum.example.org", "yan-1")))
                .isEqualTo("/");
        assertThat(moved.session().get("mail").asString()).isEqualTo(mail);
    }

    @Test
    void whatComesBackTwiceOrToSomebodyElseLeadsNowhere() {
        String mail = PeopleHand.mail("una");
        HAND.invite(mail, "Una Bell", "READER");
        Browser una = new Browser();
        String back = una.says(mail, "una-1");
        Browser thief = new Browser();
        assertThat(thief.sentTo(back)).isEqualTo("/sign-in?in-vain=NOT_PROVEN");
        thief.sentTo("/api/v1/session/provider");
        assertThat(thief.sentTo(back)).isEqualTo("/sign-in?in-vain=NOT_PROVEN");
        assertThat(una.sentTo(back)).isEqualTo("/");
        assertThat(una.sentTo(back)).isEqualTo("/sign-in?in-vain=NOT_PROVEN");
        assertThat(una.session().get("mail").asString()).isEqualTo(mail);
        assertThat(una.sentTo("/api/v1/session/provider/back?code=&state=")).contains("NOT_PROVEN");
    }

    @Test
    void twoWindowsOfOnePersonAreBothIn() throws Exception {
        String mail = PeopleHand.mail("ivy");
        HAND.invite(mail, "Ivy Wren", "READER");
        Browser one = new Browser();
        Browser other = new Browser();
        String first = one.says(mail, "ivy-1");
        String second = other.says(mail, "ivy-1");
        assertThat(Together.all(List.of(() -> one.sentTo(first), () -> other.sentTo(second))))
                .containsExactly("/", "/");
    }

    @Test
    void beingSentThereSignsNobodyOut() {
        String mail = PeopleHand.mail("abe");
        HAND.invite(mail, "Abe Reed", "READER");
        Browser abe = new Browser();
        assertThat(abe.sentTo(abe.says(mail, "abe-1"))).isEqualTo("/");
        abe.sentTo("/api/v1/session/provider");
        assertThat(abe.session().get("mail").asString()).isEqualTo(mail);
    }

    @Test
    void aClosedAccountStaysClosedByTheDirectoryToo() {
        String mail = PeopleHand.mail("zac");
        String path = "/api/v1/people/" + PeopleHand.id(HAND.invite(mail, "Zac Reed", "READER"));
        Browser zac = new Browser();
        assertThat(zac.sentTo(zac.says(mail, "zac-1"))).isEqualTo("/");
        HAND.admin.post(path + "/closing", Map.of());
        assertThat(zac.session()).isEmpty();
        assertThat(zac.sentTo(zac.says(mail, "zac-1"))).isEqualTo("/sign-in?in-vain=NO_ACCOUNT");
    }

    @Test
    void aDirectoryThatIsAwayIsToldAtTheDoor() {
        Browser nora = new Browser();
        String back = nora.says(Testbed.MAIL, "nora-1");
        BED.identity().close();
        try {
            assertThat(nora.sentTo(back)).isEqualTo("/sign-in?in-vain=AWAY");
            HAND.nobody().signIn(Testbed.MAIL, Testbed.PASSWORD);
        } finally {
            BED.identityUp();
        }
        assertThat(HAND.nobody()
                        .get("/api/v1/session/door")
                        .json()
                        .get("provider")
                        .asString())
                .isEqualTo("the museum’s directory");
    }
}
