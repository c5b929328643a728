package org.jalousie.server;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.Duration;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import java.util.concurrent.Callable;
import org.jalousie.core.wording.write.WordDraft;
import org.jalousie.demo.Client;
import org.jalousie.server.postroom.Returns;
import org.jalousie.server.testbed.Office;
import org.jalousie.server.testbed.TestClock;
import org.jalousie.server.testbed.Testbed;
import org.jalousie.server.testbed.Together;
import org.jalousie.server.testbed.Wait;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.Test;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.ObjectNode;

/** Mail that comes back, or that a mail server refuses at once: of an agreement that is out, and of one that is signed. */
class ReturnedMailTest {
    private static final String LENDER = "ida.marsh@lender.example.org";
    private static final String NEW_LENDER = "ida.marsh@new.example.org";

    private final Testbed bed = Testbed.start();
    private final Office office = new Office(bed.address());
    private final TestClock clock = bed.bean(TestClock.class);

    @AfterEach
    void now() {
        clock.ahead(Duration.ZERO);
    }

    private String out(String lenderMail) {
        Map<String, String> values = new HashMap<>(Office.loanValues("Ida Marsh"));
        values.put("lender_mail", lenderMail);
        return office.send(office.generate(office.publish("Returned", Office.loanWording()), values));
    }

    @Test
    void mailThatComesBackBreaksTheSlatUntilTheAddressIsMended() {
        String number = out("ida.marsh@gone.example.org");
        String late = out("ida.marsh@late.example.org");
        String before = office.link(number, "ida.marsh@gone.example.org");
        office.link(late, "ida.marsh@late.example.org");
        bed.bean(Returns.class).read();
        assertThat(office.slat(number, "lender").get("undelivered").isNull()).isFalse();
        // what is only late may still come
        assertThat(office.slat(late, "lender").get("undelivered").isNull()).isTrue();
        assertThat(office.client.get("/api/v1/today").json().get("undelivered").toString())
                .contains(number)
                .doesNotContain(late);
        JsonNode part = office.show(number).get("people").get(0);
        assertThat(part.get("undelivered").asString()).contains("5.1.1", "no such mailbox");
        assertThat(office.mailsAbout(number).stream()
                        .filter(one -> one.get("state").asString().equals("RETURNED")))
                .singleElement()
                .satisfies(one -> assertThat(one.get("because").asString()).contains("5.1.1"));
        Wait.until(
                "the office to be told",
                () -> office.mailTo(number, "office@museum.example.org", "A mail came back")
                        .filter(text -> text.contains("ida.marsh@gone.example.org") && text.contains("/agreements/")));
        // nobody is reminded at an address that takes no mail
        clock.ahead(Duration.ofHours(1));
        assertThat(office.client
                        .post("/api/v1/agreements/" + number + "/people/lender/reminder", Map.of("reason", ""))
                        .text())
                .contains("Correct the address");
        int events = office.show(number).get("trail").size();
        bed.bean(Returns.class).read();
        assertThat(office.show(number).get("trail")).hasSize(events);

        assertThat(office.client
                        .put(
                                "/api/v1/agreements/" + number + "/people/lender",
                                Map.of("name", "Ida Marsh", "mail", NEW_LENDER, "another", false))
                        .status())
                .isEqualTo(200);
        assertThat(office.slat(number, "lender").get("undelivered").isNull()).isTrue();
        assertThat(office.client.get("/api/v1/today").json().get("undelivered").toString())
                .doesNotContain(number);
        assertThat(new Client(bed.address()).get("/api/v1/signing/" + before).status())
                .isEqualTo(410);
        assertThat(office.sign(office.link(number, NEW_LENDER), Map.of("lender_vat_number", "XX 4471"))
                        .status())
                .isEqualTo(200);
    }

    @Test
    void aSignedCopyThatComesBackStandsInTodayUntilItIsSentOnceMore() throws Exception {
        JsonNode template = office.bringIn(
                "Copies back", new WordDraft().paragraph("{{lender.signature}}").bytes());
        ObjectNode content = (ObjectNode) template.get("content");
        ((ObjectNode) content.get("parties").get(0)).set("who", Office.fixed("Ida Marsh", LENDER));
        for (String host : List.of("gone", "refused"))
            ((ArrayNode) content.get("parties"))
                    .addObject()
                    .put("key", host)
                    .put("label", host)
                    .put("duty", "RECEIVES_COPY")
                    .put("stage", 1)
                    .set("who", Office.fixed("Sana Wick", "sana.wick@" + host + ".example.org"));
        String number = office.send(office.generate(office.publish(office.settle(template, content)), Map.of()));
        office.sign(office.link(number, LENDER), Map.of());
        office.await(number, "COMPLETED");
        String path = "/api/v1/agreements/" + number + "/returned-copies";
        // one is refused at once, the other one comes back
        String refused = copyBack(number, "sana.wick@refused.example.org");
        String again = path + "/" + copyBack(number, "sana.wick@gone.example.org");
        assertThat(office.show(number).get("troubles")).isEmpty();
        assertThat(office.client.get("/api/v1/today").json().get("copies").toString())
                .contains(number);
        assertThat(office.client.post(again, Map.of("mail", "nowhere")).status())
                .isEqualTo(422);
        assertThat(office.client
                        .post(path + "/" + UUID.randomUUID(), Map.of("mail", NEW_LENDER))
                        .status())
                .isEqualTo(404);
        Callable<Integer> press = () -> office.client
                .post(again, Map.of("mail", "sana.wick@insurer.example.org"))
                .status();
        assertThat(Together.all(List.of(press, press))).containsExactlyInAnyOrder(204, 409);
        assertThat(office.client
                        .post(path + "/" + refused, Map.of("mail", "other@refused.example.org"))
                        .status())
                .isEqualTo(204);
        // that is no better, and told again
        copyBack(number, "other@refused.example.org");
        assertThat(office.client.get(path).json()).hasSize(1);
        assertThat(Wait.until(
                        "the copy that was sent once more",
                        () -> office.mailTo(number, "sana.wick@insurer.example.org", "")))
                .contains(".pdf");
        assertThat(office.mailsAbout(number).stream()
                        .filter(mail -> mail.get("recipient").asString().equals("sana.wick@insurer.example.org")))
                .hasSize(1);
    }

    /** A mailbox passes on to one that is gone: the report names an address that we never wrote to. */
    @Test
    void aReportNamesTheAddressThatAMailWasPassedOnTo() throws Exception {
        String number = out("ida.marsh@forwards.example.org");
        String link = office.link(number, "ida.marsh@forwards.example.org");
        bed.bean(Returns.class).read();
        assertThat(office.slat(number, "lender").get("undelivered").isNull()).isFalse();
        assertThat(office.show(number).get("people").get(0).get("undelivered").asString())
                .contains("ida.marsh@forwards.example.org");
        // the mail reached her after all
        assertThat(office.sign(link, Map.of("lender_vat_number", "XX 4471")).status())
                .isEqualTo(200);
        assertThat(office.slat(number, "lender").get("undelivered").isNull()).isTrue();
        assertThat(office.client.get("/api/v1/today").json().get("undelivered").toString())
                .doesNotContain(number);
    }

    @Test
    void aMailboxForReturnsThatIsAwayIsToldInToday() {
        bed.mailDown();
        try {
            bed.bean(Returns.class).read();
            assertThat(office.client.get("/api/v1/today").json().get("notices").toString())
                    .contains("The mailbox for mail that comes back");
        } finally {
            bed.mailUp();
        }
        bed.bean(Returns.class).read();
        assertThat(office.client.get("/api/v1/today").json().get("notices").toString())
                .doesNotContain("The mailbox for mail that comes back");
    }

    @Test
    void anAddressThatIsRefusedAtOnceIsToldTheSameWay() {
        String number = out("ida.marsh@refused.example.org");
        Wait.until(
                "the slat to break",
                () -> !office.slat(number, "lender").get("undelivered").isNull());
        assertThat(office.show(number).get("troubles")).isEmpty();
        assertThat(office.show(number).get("people").get(0).get("undelivered").asString())
                .contains("ida.marsh@refused.example.org");
    }

    /** Which mail a copy came back by. */
    private String copyBack(String number, String recipient) {
        return Wait.until("the copy to " + recipient + " to come back", () -> {
            bed.bean(Returns.class).read();
            return office.client
                    .get("/api/v1/agreements/" + number + "/returned-copies")
                    .json()
                    .valueStream()
                    .filter(one -> one.get("recipient").asString().equals(recipient))
                    .peek(one -> assertThat(one.get("because").asString()).isNotBlank())
                    .map(one -> one.get("mail").asString())
                    .findFirst();
        });
    }
}
