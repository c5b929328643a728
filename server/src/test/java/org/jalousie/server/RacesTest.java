package org.jalousie.server;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.Base64;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.concurrent.Callable;
import java.util.stream.Stream;
import org.jalousie.core.agreement.Agreement;
import org.jalousie.core.agreement.AgreementNumber;
import org.jalousie.core.agreement.Entry;
import org.jalousie.core.agreement.Event;
import org.jalousie.core.evidence.EventChain;
import org.jalousie.core.evidence.SignedSample;
import org.jalousie.demo.Client;
import org.jalousie.server.agreement.Agreements;
import org.jalousie.server.testbed.Office;
import org.jalousie.server.testbed.Testbed;
import org.jalousie.server.testbed.Together;
import org.jalousie.server.testbed.Wait;
import org.junit.jupiter.api.DynamicTest;
import org.junit.jupiter.api.TestFactory;

/** Every pair of acts that may meet at one moment on one agreement. Either may win; the history is sound in any case. */
class RacesTest {
    private static final Testbed BED = Testbed.start();
    private static final int ROUNDS = 2;
    private static final String LENDER = "ida.marsh@lender.example.org";

    private final Office office = new Office(BED.address());

    /** One act on an agreement, with what it needs already fetched. Returns the answer's status. */
    private interface Act {
        Callable<Integer> on(String number, String request, String link);
    }

    private Map<String, Act> whileChecked() {
        Map<String, Act> acts = new LinkedHashMap<>();
        acts.put("send", (number, request, link) -> {
            Office own = new Office(BED.address());
            return () -> own.client
                    .post("/api/v1/agreements/" + number + "/sending", Map.of())
                    .status();
        });
        acts.put("correct the data", (number, request, link) -> {
            Office own = new Office(BED.address());
            return () -> own.client
                    .put(
                            "/api/v1/requests/" + request,
                            Map.of("values", Office.loanValues("Ann Arrow"), "people", Map.of()))
                    .status();
        });
        acts.put("name somebody", (number, request, link) -> {
            Office own = new Office(BED.address());
            return () -> own.client
                    .put("/api/v1/agreements/" + number + "/people/lender", Map.of("name", "Ben Bow", "mail", LENDER))
                    .status();
        });
        acts.put("withdraw", RacesTest::withdraw);
        acts.put("take to paper", RacesTest::takeToPaper);
        return acts;
    }

    private static Callable<Integer> withdraw(String number, String request, String link) {
        Office own = new Office(BED.address());
        return () -> own.client
                .post("/api/v1/agreements/" + number + "/withdrawal", Map.of("reason", "a mistake"))
                .status();
    }

    private static Callable<Integer> takeToPaper(String number, String request, String link) {
        Office own = new Office(BED.address());
        return () -> own.client
                .post("/api/v1/agreements/" + number + "/paper", Map.of())
                .status();
    }

    private Map<String, Act> whileOut() {
        Map<String, Act> acts = new LinkedHashMap<>();
        acts.put("sign", (number, request, link) -> {
            Client one = new Client(BED.address());
            one.post("/api/v1/signing/" + link + "/consent", Map.of("version", "en-2"));
            Map<String, Object> signature = Map.of(
                    "values",
                    Map.of("lender_vat_number", "XX 4471"),
                    "mark",
                    "drawn",
                    "picture",
                    Base64.getEncoder().encodeToString(SignedSample.mark(3)));
            return () -> one.post("/api/v1/signing/" + link + "/signature", signature)
                    .status();
        });
        acts.put("decline", (number, request, link) -> {
            Client one = new Client(BED.address());
            return () -> one.post("/api/v1/signing/" + link + "/refusal", Map.of("reason", "too dear"))
                    .status();
        });
        acts.put("withdraw", RacesTest::withdraw);
        acts.put("take to paper", RacesTest::takeToPaper);
        return acts;
    }

    @TestFactory
    Stream<DynamicTest> beforeItIsSent() {
        String template = office.publish("Races before", Office.loanWording());
        return pairs(whileChecked())
                .map(pair -> DynamicTest.dynamicTest(
                        String.join(" while others ", pair), () -> race(template, whileChecked(), pair, false)));
    }

    @TestFactory
    Stream<DynamicTest> whileItIsOut() {
        String template = office.publish("Races out", Office.loanWording());
        return pairs(whileOut())
                .map(pair -> DynamicTest.dynamicTest(
                        String.join(" while others ", pair), () -> race(template, whileOut(), pair, true)));
    }

    private static Stream<List<String>> pairs(Map<String, Act> acts) {
        List<String> names = List.copyOf(acts.keySet());
        List<List<String>> pairs = new ArrayList<>();
        for (int i = 0; i < names.size(); i++)
            for (int k = i; k < names.size(); k++) pairs.add(List.of(names.get(i), names.get(k)));
        return pairs.stream();
    }

    private void race(String template, Map<String, Act> acts, List<String> pair, boolean out) throws Exception {
        for (int round = 0; round < ROUNDS; round++) {
            String request = office.request(template, Office.loanValues("Ida Marsh"));
            String number = office.agreementOf(request);
            office.await(number, "CHECK");
            String link = out ? office.link(office.send(number), LENDER) : "";
            List<Integer> statuses = Together.all(List.of(
                    acts.get(pair.get(0)).on(number, request, link),
                    acts.get(pair.get(1)).on(number, request, link)));
            assertThat(statuses).allMatch(status -> Set.of(200, 409, 410).contains(status));
            assertThat(statuses).as("one of them at least").contains(200);
            settled(number);
            sound(number);
        }
    }

    /** Until nothing is left to do but for people. */
    private void settled(String number) {
        Wait.until(
                number + " to settle",
                () -> !Set.of("GENERATING", "SEALING").contains(office.state(number))
                        && !office.show(number)
                                .get("row")
                                .get("route")
                                .toString()
                                .contains("SEALING"));
    }

    private static void sound(String number) {
        Agreements.Filed filed = BED.bean(Agreements.class).filed(new AgreementNumber(number));
        assertThat(EventChain.firstBroken(filed.links())).isEmpty();
        List<Entry> history = filed.history();
        int changed = 1;
        int made = 0;
        for (Entry entry : history) {
            Agreement before = entry.sequence() == 1 ? null : Agreement.of(history.subList(0, entry.sequence() - 1));
            if (before != null)
                assertThat(before.state().ended())
                        .as(entry.event() + " after the end")
                        .isFalse();
            if (entry.event() instanceof Event.DataCorrected
                    || entry.event() instanceof Event.ParticipantChanged person && person.remake())
                changed = entry.sequence();
            if (entry.event() instanceof Event.Generated) made = entry.sequence();
            if (entry.event() instanceof Event.Sent)
                assertThat(made).as("what is sent is made from what is shown").isGreaterThan(changed);
        }
        assertThat(history.stream().filter(entry -> entry.event() instanceof Event.Sent))
                .hasSizeLessThan(2);
        assertThat(history.stream().filter(entry -> entry.event() instanceof Event.Signed))
                .hasSizeLessThan(2);
        assertThat(history.stream().filter(entry -> entry.event() instanceof Event.Sealed))
                .hasSizeLessThan(2);
    }
}
