package org.jalousie.server;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.Duration;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Stream;
import org.jalousie.server.testbed.Office;
import org.jalousie.server.testbed.TestClock;
import org.jalousie.server.testbed.Testbed;
import org.jalousie.server.testbed.Wait;
import org.junit.jupiter.api.Test;
import tools.jackson.databind.JsonNode;

/** An hour without mail, trust service and word processor, with agreements in every state: all go on by themselves afterwards. */
class OutageTest {
    private static final String LENDER = "ida.marsh@lender.example.org";
    private static final String MUSEUM = "tomas.vale@museum.example.org";
    private static final Testbed BED = Testbed.start();
    private final Office office = new Office(BED.address());

    private volatile boolean away;

    /** Ends the word processor again and again, as long as it is to be away. */
    private Thread killer() {
        Thread killer = new Thread(() -> {
            while (away) {
                try (Stream<ProcessHandle> all = ProcessHandle.current().descendants()) {
                    all.filter(one -> one.info().commandLine().orElse("").contains("soffice"))
                            .forEach(ProcessHandle::destroyForcibly);
                }
                try {
                    Thread.sleep(150);
                } catch (InterruptedException e) {
                    return;
                }
            }
        });
        killer.setDaemon(true);
        killer.start();
        return killer;
    }

    @Test
    void allGoOnByThemselves() throws Exception {
        String template = office.publish("Outage", Office.loanWording());
        List<String> toSend = new ArrayList<>();
        Map<String, String> toSign = new LinkedHashMap<>();
        Map<String, String> toCountersign = new LinkedHashMap<>();
        for (int i = 0; i < 5; i++) {
            toSend.add(office.generate(template, Office.loanValues("Ida Marsh")));
            String out = office.send(office.generate(template, Office.loanValues("Ida Marsh")));
            toSign.put(out, office.link(out, LENDER));
            String half = office.send(office.generate(template, Office.loanValues("Ida Marsh")));
            office.sign(office.link(half, LENDER), Map.of("lender_vat_number", "XX"));
            toCountersign.put(half, office.link(half, MUSEUM));
        }
        String withdrawn = office.send(office.generate(template, Office.loanValues("Ida Marsh")));
        office.link(withdrawn, LENDER);
        TestClock clock = BED.bean(TestClock.class);
        List<String> toMake = new ArrayList<>();
        BED.mailDown();
        BED.trustDown();
        away = true;
        Thread killer = killer();
        try {
            for (int i = 0; i < 5; i++)
                toMake.add(office.agreementOf(office.request(template, Office.loanValues("Ida Marsh"))));
            office.client.post("/api/v1/agreements/" + withdrawn + "/withdrawal", Map.of("reason", "a mistake"));
            toSend.forEach(office::send);
            toSign.values().forEach(link -> office.sign(link, Map.of("lender_vat_number", "XX")));
            toCountersign.values().forEach(link -> office.sign(link, Map.of()));
            for (int minutes = 5; minutes <= 60; minutes += 5) {
                clock.ahead(Duration.ofMinutes(minutes));
                Thread.sleep(900);
            }
            JsonNode today = Wait.until(
                    "the notices",
                    () -> Optional.of(office.client.get("/api/v1/today").json())
                            .filter(one -> Stream.of("The trust service", "The word processor", "The mail server")
                                    .allMatch(one.get("notices").toString()::contains)));
            assertThat(today.get("failed").get("items").toString())
                    .doesNotContain(toMake.get(0))
                    .doesNotContain(toSend.get(0));
            assertThat(office.state(toMake.get(0))).isEqualTo("GENERATING");
        } finally {
            away = false;
            killer.join();
            BED.mailUp();
            BED.trustUp();
        }
        try {
            clock.ahead(Duration.ofMinutes(66));
            toMake.forEach(number -> office.await(number, "CHECK"));
            toCountersign.keySet().forEach(number -> office.await(number, "COMPLETED"));
            toSend.forEach(number -> office.link(number, LENDER));
            toSign.keySet().forEach(number -> office.link(number, MUSEUM));
            Wait.until("the mail about the end", () -> office.mailTo(withdrawn, LENDER, "Withdrawn"));
            Wait.until(
                    "the notices to go",
                    () -> office.client
                            .get("/api/v1/today")
                            .json()
                            .get("notices")
                            .isEmpty());
        } finally {
            clock.ahead(Duration.ZERO);
        }
    }
}
