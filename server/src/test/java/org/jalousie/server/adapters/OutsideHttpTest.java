package org.jalousie.server.adapters;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import com.sun.net.httpserver.HttpServer;
import java.io.IOException;
import java.net.InetSocketAddress;
import java.net.URI;
import java.time.Duration;
import java.util.List;
import java.util.Map;
import java.util.concurrent.Executors;
import org.jalousie.server.Settings;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

class OutsideHttpTest {
    private static final Duration LIMIT = Duration.ofMillis(900);

    private HttpServer server;
    private OutsideHttp http = inside("127.0.0.1");

    private static OutsideHttp inside(String... allowed) {
        return new OutsideHttp(new Settings(
                "", null, null, null, null, "", null, null, List.of(), List.of(allowed), null, null, null, null, null));
    }

    @BeforeEach
    void start() throws IOException {
        server = HttpServer.create(new InetSocketAddress("127.0.0.1", 0), 0);
        server.setExecutor(Executors.newCachedThreadPool(work -> {
            Thread thread = new Thread(work);
            thread.setDaemon(true);
            return thread;
        }));
        server.createContext("/large", exchange -> {
            exchange.sendResponseHeaders(200, 0);
            byte[] some = new byte[10_000];
            for (int i = 0; i < 1_000; i++) exchange.getResponseBody().write(some);
            exchange.close();
        });
        server.createContext("/endless", exchange -> {
            exchange.sendResponseHeaders(200, 0);
            byte[] some = new byte[100];
            try {
                while (true) {
                    exchange.getResponseBody().write(some);
                    exchange.getResponseBody().flush();
                    Thread.sleep(50);
                }
            } catch (InterruptedException e) {
                Thread.currentThread().interrupt();
            }
        });
        server.createContext("/drops", exchange -> {
            exchange.sendResponseHeaders(200, 0);
            try {
                for (int i = 0; i < 100; i++) {
                    exchange.getResponseBody().write('.');
                    exchange.getResponseBody().flush();
                    Thread.sleep(100);
                }
            } catch (InterruptedException e) {
                Thread.currentThread().interrupt();
            }
        });
        server.createContext("/elsewhere", exchange -> {
            exchange.getResponseHeaders().set("Location", "/large");
            exchange.getResponseHeaders().set("Set-Cookie", "a=b");
            exchange.sendResponseHeaders(307, -1);
            exchange.close();
        });
        server.createContext("/said", exchange -> {
            byte[] said = (exchange.getRequestMethod() + " "
                            + exchange.getRequestHeaders().getFirst("Content-Type") + " "
                            + exchange.getRequestHeaders().containsKey("Cookie") + " "
                            + new String(exchange.getRequestBody().readAllBytes()))
                    .getBytes();
            exchange.sendResponseHeaders(201, said.length);
            exchange.getResponseBody().write(said);
            exchange.close();
        });
        server.start();
    }

    @AfterEach
    void stop() {
        server.stop(0);
    }

    private OutsideHttp.Answer send(String path, int most) {
        return http.send(
                new OutsideHttp.Request(
                        "POST",
                        URI.create("http://127.0.0.1:" + server.getAddress().getPort() + path),
                        Map.of("Content-Type", "application/json"),
                        "{}".getBytes()),
                LIMIT,
                most);
    }

    @Test
    void whatWasSaidComesBack() {
        send("/elsewhere", 10);
        OutsideHttp.Answer answer = send("/said", 1_000);
        assertThat(answer.status()).isEqualTo(201);
        assertThat(new String(answer.body())).isEqualTo("POST application/json false {}");
    }

    @Test
    void noMoreIsReadThanWasAskedFor() {
        long start = System.nanoTime();
        assertThat(send("/large", 100).body()).hasSize(100);
        assertThat(Duration.ofNanos(System.nanoTime() - start)).isLessThan(Duration.ofSeconds(3));
    }

    @Test
    void whatHasNoEndIsAnAnswerAllTheSame() {
        OutsideHttp.Answer answer = send("/endless", 150);
        assertThat(answer.status()).isEqualTo(200);
        assertThat(answer.body()).hasSize(150);
        assertThat(send("/said", 1_000).status()).isEqualTo(201);
    }

    @Test
    void whatComesDropByDropIsBrokenOff() {
        long start = System.nanoTime();
        assertThatThrownBy(() -> send("/drops", 1_000))
                .isInstanceOfSatisfying(
                        OutsideProblem.class,
                        problem -> assertThat(problem.said().code()).isEqualTo("outside.silent"));
        assertThat(Duration.ofNanos(System.nanoTime() - start)).isLessThan(Duration.ofSeconds(4));
    }

    @Test
    void aRedirectIsAnAnswerLikeAnyOther() {
        OutsideHttp.Answer answer = send("/elsewhere", 10);
        assertThat(answer.status()).isEqualTo(307);
        assertThat(answer.fields()).containsEntry("location", "/large");
    }

    @ParameterizedTest
    @ValueSource(
            strings = {
                "http://127.0.0.2/",
                "https://127.0.0.2/",
                "https://[::1]/",
                "https://10.1.1.1/",
                "https://169.254.169.254/",
                "http://93.184.216.34/"
            })
    void whatIsInsideOrUnencryptedIsNotSpokenTo(String address) {
        assertThatThrownBy(() -> http.check(URI.create(address)))
                .isInstanceOfSatisfying(
                        OutsideProblem.class,
                        problem -> assertThat(problem.said().code()).isIn("outside.inside", "outside.unencrypted"));
    }

    @Test
    void blocksAndNamesCanBeAllowed() {
        http = inside("10.1.0.0/16", "localhost", " ");
        http.check(URI.create("http://10.1.255.1:8080/x"));
        http.check(URI.create("http://LOCALHOST:8080/x"));
        http.check(URI.create("https://93.184.216.34/"));
        assertThatThrownBy(() -> http.check(URI.create("http://10.2.0.1/"))).isInstanceOf(OutsideProblem.class);
        assertThatThrownBy(() -> http.check(URI.create("http://127.0.0.1/"))).isInstanceOf(OutsideProblem.class);
    }

    @Test
    void nobodyAtAnAddressIsToldSo() {
        server.stop(0);
        assertThatThrownBy(() -> send("/said", 10))
                .isInstanceOf(OutsideProblem.class)
                .hasMessageContaining("connection failed");
    }
}
