package org.jalousie.server.adapters;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.net.InetAddress;
import java.net.ServerSocket;
import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import org.jalousie.server.Settings;
import org.jalousie.standins.identity.IdentityStandin;
import org.junit.jupiter.api.Test;

class IdentityProviderTest {
    private static final URI BACK = URI.create("http://127.0.0.1:1/back");

    private static IdentityProvider at(String issuer, String secret) {
        return new IdentityProvider(new Settings(
                "",
                null,
                null,
                null,
                null,
                "",
                null,
                null,
                null,
                null,
                null,
                null,
                null,
                new Settings.Identity(issuer, IdentityStandin.CLIENT, secret, "the directory"),
                null));
    }

    private static boolean isAway(Throwable thrown) {
        return ((IdentityProvider.NotProven) thrown).away();
    }

    @Test
    void oneThatTakesACallAndSaysNothingIsAwaySoon() throws Exception {
        try (ServerSocket silent = new ServerSocket(0, 5, InetAddress.getByName("127.0.0.1"))) {
            Instant before = Instant.now();
            assertThatThrownBy(() -> at("http://127.0.0.1:" + silent.getLocalPort(), "secret")
                            .ask(BACK))
                    .isInstanceOf(IdentityProvider.NotProven.class)
                    .matches(IdentityProviderTest::isAway);
            assertThat(Duration.between(before, Instant.now())).isLessThan(Duration.ofSeconds(20));
        }
    }

    @Test
    void oneThatDoesNotKnowTheApplicationProvesNobody() throws Exception {
        try (IdentityStandin standin = new IdentityStandin(0, "secret", Clock.systemUTC())) {
            IdentityProvider stranger = at(standin.address(), "another secret");
            IdentityProvider.Asked asked = stranger.ask(BACK);
            assertThat(asked.address()).contains("code_challenge_method=S256").doesNotContain(asked.verifier());
            assertThatThrownBy(() -> stranger.proven(BACK, asked, "no code"))
                    .isInstanceOf(IdentityProvider.NotProven.class)
                    .matches(thrown -> !isAway(thrown));
        }
    }

    /** Its clock runs an hour behind, so that what it says has ended already (OpenID Connect Core 1.0 § 3.1.3.7, 9). */
    @Test
    void whatHasEndedProvesNobody() throws Exception {
        Clock late = Clock.offset(Clock.systemUTC(), Duration.ofHours(-1));
        try (IdentityStandin standin = new IdentityStandin(0, "secret", late)) {
            IdentityProvider provider = at(standin.address(), "secret");
            IdentityProvider.Asked asked = provider.ask(BACK);
            String code = code(asked);
            assertThatThrownBy(() -> provider.proven(BACK, asked, code))
                    .isInstanceOf(IdentityProvider.NotProven.class)
                    .matches(thrown -> !isAway(thrown));
        }
    }

    /** Two who asked at the same time: the answer to one proves nothing for the other (nonce and verifier). */
    @Test
    void anAnswerIsForWhoAsked() throws Exception {
        try (IdentityStandin standin = new IdentityStandin(0, "secret", Clock.systemUTC())) {
            IdentityProvider provider = at(standin.address(), "secret");
            IdentityProvider.Asked one = provider.ask(BACK);
            IdentityProvider.Asked other = provider.ask(BACK);
            String code = code(one);
            assertThatThrownBy(() -> provider.proven(
                            BACK,
                            new IdentityProvider.Asked(one.address(), one.state(), other.nonce(), one.verifier()),
                            code))
                    .isInstanceOf(IdentityProvider.NotProven.class);
            assertThatThrownBy(() -> provider.proven(BACK, other, code(one)))
                    .isInstanceOf(IdentityProvider.NotProven.class);
            assertThat(provider.proven(BACK, one, code(one)).mail()).isEqualTo("nora@example.org");
        }
    }

    private static String code(IdentityProvider.Asked asked) throws Exception {
        HttpResponse<Void> answer = HttpClient.newHttpClient()
                .send(
                        HttpRequest.newBuilder(URI.create(asked.address() + "&mail=nora@example.org"))
                                .build(),
                        HttpResponse.BodyHandlers.discarding());
        String location = answer.headers().firstValue("Location").orElseThrow();
        return location.replaceFirst(".*[?&]code=([^&]*).*", "$1");
    }
}
