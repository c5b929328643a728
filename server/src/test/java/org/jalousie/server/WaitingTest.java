package org.jalousie.server;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.net.ServerSocket;
import java.net.Socket;
import java.time.Duration;
import java.util.ArrayList;
import java.util.List;
import java.util.concurrent.CopyOnWriteArrayList;
import java.util.concurrent.CountDownLatch;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.Future;
import java.util.concurrent.TimeUnit;
import java.util.concurrent.atomic.AtomicInteger;
import org.jalousie.core.messages.Message;
import org.jalousie.demo.Client;
import org.jalousie.server.adapters.Converter;
import org.jalousie.server.testbed.Office;
import org.jalousie.server.testbed.TestPaths;
import org.jalousie.server.testbed.Testbed;
import org.jalousie.server.testbed.Wait;
import org.junit.jupiter.api.Test;
import org.springframework.boot.builder.SpringApplicationBuilder;
import org.springframework.context.ConfigurableApplicationContext;
import org.springframework.context.support.GenericApplicationContext;
import tools.jackson.databind.JsonNode;

/** While many wait for the word processor, nobody else does: four connections to the database are enough for all. */
class WaitingTest {
    private static final Testbed BED = Testbed.start();
    private static final int WAITERS = 12;

    private final CountDownLatch released = new CountDownLatch(1);
    private final AtomicInteger waiting = new AtomicInteger();

    /** Says nothing until it is told to. */
    private Converter.Made hang(byte[] word) {
        waiting.incrementAndGet();
        try {
            released.await(2, TimeUnit.MINUTES);
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
        }
        throw new Converter.ConversionFailed(Message.of("conversion.no-pages"), false, null);
    }

    @Test
    void whatDoesNotNeedTheWordProcessorGoesOn() throws Exception {
        String url = BED.newDatabase("waiting");
        int port = TestPaths.freePort();
        ExecutorService threads = Executors.newFixedThreadPool(WAITERS);
        try (ConfigurableApplicationContext application = new SpringApplicationBuilder(Jalousie.class)
                .initializers(context -> ((GenericApplicationContext) context)
                        .registerBean("hanging", Converter.class, () -> this::hang, bean -> bean.setPrimary(true)))
                .run(BED.arguments(
                        port,
                        List.of(
                                "--spring.datasource.url=" + url,
                                "--spring.datasource.hikari.maximum-pool-size=4",
                                "--spring.datasource.hikari.connection-timeout=4000",
                                "--jalousie.converter.port=" + TestPaths.freePort(),
                                "--jalousie.converter.processes=1")))) {
            assertThat(application.isRunning()).isTrue();
            Office office = new Office("http://127.0.0.1:" + port);
            JsonNode template = office.bringIn("Waiting", Office.loanWording());
            String id = office.publish(template);
            List<Future<Integer>> previews = new ArrayList<>();
            for (int i = 0; i < WAITERS; i++) {
                Office own = new Office("http://127.0.0.1:" + port);
                previews.add(threads.submit(() -> own.client
                        .get("/api/v1/templates/" + id + "/preview.pdf")
                        .status()));
            }
            String number = office.agreementOf(office.request(id, Office.loanValues("Ida Marsh")));
            Wait.until("all to wait", () -> waiting.get() > WAITERS);
            for (int round = 0; round < 3; round++) {
                for (String path : List.of("/api/v1/today", "/api/v1/templates", "/api/v1/agreements/" + number)) {
                    long began = System.nanoTime();
                    Client.Answer answer = office.client.get(path);
                    assertThat(answer.status()).as(path).isEqualTo(200);
                    assertThat(Duration.ofNanos(System.nanoTime() - began))
                            .as(path)
                            .isLessThan(Duration.ofSeconds(4));
                }
                office.request(id, Office.loanValues("Round " + round));
            }
            released.countDown();
            for (Future<Integer> one : previews) assertThat(one.get()).isEqualTo(503);
        } finally {
            released.countDown();
            threads.shutdown();
        }
    }

    /** The trust service takes the connection and says nothing. */
    @Test
    void whatDoesNotNeedTheTrustServiceGoesOn() throws Exception {
        String url = BED.newDatabase("waiting_trust");
        int port = TestPaths.freePort();
        List<Socket> held = new CopyOnWriteArrayList<>();
        try (ServerSocket silent = new ServerSocket(0)) {
            Thread accepting = new Thread(() -> {
                try {
                    while (true) held.add(silent.accept());
                } catch (IOException e) {
                    Thread.currentThread().interrupt();
                }
            });
            accepting.setDaemon(true);
            accepting.start();
            try (ConfigurableApplicationContext application = new SpringApplicationBuilder(Jalousie.class)
                    .run(BED.arguments(
                            port,
                            List.of(
                                    "--spring.datasource.url=" + url,
                                    "--spring.datasource.hikari.maximum-pool-size=4",
                                    "--spring.datasource.hikari.connection-timeout=4000",
                                    "--jalousie.trust.address=http://127.0.0.1:" + silent.getLocalPort(),
                                    "--jalousie.converter.port=" + TestPaths.freePort(),
                                    "--jalousie.converter.processes=1")))) {
                assertThat(application.isRunning()).isTrue();
                Office office = new Office("http://127.0.0.1:" + port);
                String id = office.publish("Silent trust", Office.loanWording());
                for (int i = 0; i < 6; i++) office.send(office.generate(id, Office.loanValues("Lender " + i)));
                Wait.until("the jobs to wait", () -> !held.isEmpty());
                for (int round = 0; round < 3; round++) {
                    for (String path : List.of("/api/v1/today", "/api/v1/templates", "/api/v1/agreements")) {
                        long began = System.nanoTime();
                        assertThat(office.client.get(path).status()).as(path).isEqualTo(200);
                        assertThat(Duration.ofNanos(System.nanoTime() - began))
                                .as(path)
                                .isLessThan(Duration.ofSeconds(4));
                    }
                }
                JsonNode agreements = office.client.get("/api/v1/agreements").json();
                assertThat(agreements.toString()).contains("OUT");
            }
        }
    }
}
