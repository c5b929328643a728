package org.jalousie.bench;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.Base64;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Queue;
import java.util.Random;
import java.util.UUID;
import java.util.concurrent.ConcurrentLinkedQueue;
import java.util.concurrent.Executors;
import java.util.concurrent.ScheduledExecutorService;
import java.util.concurrent.TimeUnit;
import org.jalousie.core.evidence.SignedSample;
import org.jalousie.core.parties.PartyKey;
import org.jalousie.core.wording.write.WordDraft;
import org.jalousie.demo.Client;
import org.jalousie.server.signing.ParticipantLinks;
import org.jalousie.server.testbed.Office;
import org.jalousie.server.testbed.Testbed;
import org.jalousie.server.testbed.Wait;
import org.junit.jupiter.api.Tag;
import org.junit.jupiter.api.Test;
import org.springframework.jdbc.core.simple.JdbcClient;
import tools.jackson.databind.node.ObjectNode;

/**
 * A thousand participants who come, read and sign within ten minutes, four of each agreement and in any order: nobody sees an
 * error, and what each signed is sealed in the order in which they signed. Times are printed beside those of one who is alone.
 */
@Tag("bench")
class ParticipantsBenchTest {
    private static final Testbed BED = Testbed.start();
    private static final int PARTICIPANTS = Integer.getInteger("bench.participants", 1000);
    private static final int SECONDS = Integer.getInteger("bench.seconds", 600);
    private static final int ALONE = 20;
    private static final List<String> PARTIES = List.of("lender", "owner", "courier", "museum");

    private final Office office = new Office(BED.address());
    private final Random random = new Random(15);
    private final Queue<String> faults = new ConcurrentLinkedQueue<>();

    /** What participants waited for, in milliseconds. */
    private record Times(Queue<Double> firstAnswers, Queue<Double> acts) {
        Times() {
            this(new ConcurrentLinkedQueue<>(), new ConcurrentLinkedQueue<>());
        }
    }

    private String template() {
        WordDraft draft = new WordDraft().title("Loan agreement");
        for (int i = 1; i <= 12; i++)
            draft.clause("The parties agree with the following about {{object}}. "
                    + "Words that fill the page and say little. ".repeat(9));
        PARTIES.forEach(party -> draft.paragraph("{{" + party + ".signature}} {{" + party + ".date_signed}}"));
        var template = office.bringIn("For a thousand", draft.bytes());
        ObjectNode content = (ObjectNode) template.get("content");
        content.get("parties")
                .forEach(party -> ((ObjectNode) party)
                        .put("stage", 1)
                        .set(
                                "who",
                                Office.fixed("Ida Marsh", party.get("key").asString() + "@participants.example.org")));
        return office.publish(office.settle(template, content));
    }

    private List<String> sent(String template, int count) {
        List<String> numbers = new ArrayList<>();
        for (int i = 0; i < count; i++)
            numbers.add(office.agreementOf(office.request(template, Map.of("object", "viola " + i))));
        numbers.forEach(number -> {
            Wait.until(number + " to be made", () -> office.state(number).equals("CHECK"));
            office.send(number);
        });
        numbers.forEach(number -> Wait.until(
                "all to be asked in " + number, () -> parties(number, "Invited").size() == PARTIES.size()));
        return numbers;
    }

    /** A link for each part of these agreements. */
    private List<String> links(List<String> numbers) {
        ParticipantLinks links = BED.bean(ParticipantLinks.class);
        JdbcClient sql = BED.bean(JdbcClient.class);
        List<String> secrets = new ArrayList<>();
        for (String number : numbers) {
            UUID id = sql.sql("select id from agreement where number = ?")
                    .param(number)
                    .query(UUID.class)
                    .single();
            for (String party : PARTIES) {
                String link = links.issue(id, new PartyKey(party), 1_000);
                secrets.add(link.substring(link.lastIndexOf('/') + 1));
            }
        }
        return secrets;
    }

    /** @param thinks the longest anybody thinks before they go on, in milliseconds */
    private void visit(String secret, Times times, int thinks) throws InterruptedException {
        Client participant = new Client(BED.address());
        String path = "/api/v1/signing/" + secret;
        long start = System.nanoTime();
        expect(participant.get("/act/" + secret));
        Client.Answer page = expect(participant.get(path));
        times.firstAnswers().add((System.nanoTime() - start) / 1e6);
        expect(participant.get(path + "/documents/wording/text"));
        expect(participant.get(path + "/documents/wording.pdf"));
        TimeUnit.MILLISECONDS.sleep(1 + (int) (Math.random() * thinks));
        String version = page.json().path("consent").path("version").asString();
        expect(participant.post(path + "/consent", Map.of("version", version)));
        TimeUnit.MILLISECONDS.sleep(1 + (int) (Math.random() * thinks));
        String mark = Base64.getEncoder().encodeToString(SignedSample.mark(3));
        start = System.nanoTime();
        expect(participant.post(
                path + "/signature", Map.of("values", new HashMap<>(), "mark", "drawn", "picture", mark)));
        times.acts().add((System.nanoTime() - start) / 1e6);
    }

    private Client.Answer expect(Client.Answer answer) {
        if (answer.status() != 200) faults.add(answer.status() + " " + answer.text());
        return answer;
    }

    private static double percentile(Queue<Double> times, double share) {
        return times.stream()
                .sorted()
                .skip((long) (times.size() * share))
                .findFirst()
                .orElseThrow();
    }

    private static void print(String what, Queue<Double> many, Queue<Double> alone) {
        System.out.printf(
                Locale.ROOT,
                "%-34s p95 %6.0f ms   %-42s p95 %6.0f ms   ratio %.2f   median %.0f ms of %.0f ms%n",
                what,
                percentile(many, 0.95),
                "one who is alone",
                percentile(alone, 0.95),
                percentile(many, 0.95) / percentile(alone, 0.95),
                percentile(many, 0.5),
                percentile(alone, 0.5));
    }

    @Test
    void aThousandWithinTenMinutes() throws Exception {
        String template = template();
        Times alone = new Times();
        // once to warm up
        for (Times times : List.of(new Times(), alone))
            for (String secret : links(sent(template, ALONE / PARTIES.size()))) visit(secret, times, 1);
        List<String> numbers = sent(template, PARTICIPANTS / PARTIES.size());
        List<String> secrets = links(numbers);
        Times many = new Times();
        ScheduledExecutorService threads = Executors.newScheduledThreadPool(200);
        // the last comes early enough to think twice
        int thinks = SECONDS * 1000 / 30;
        long start = System.nanoTime();
        for (String secret : secrets)
            threads.schedule(
                    () -> {
                        try {
                            visit(secret, many, thinks);
                        } catch (InterruptedException | RuntimeException error) {
                            faults.add(error.toString());
                        }
                    },
                    random.nextInt(SECONDS * 1000 - 2 * thinks),
                    TimeUnit.MILLISECONDS);
        threads.shutdown();
        threads.awaitTermination(2L * SECONDS, TimeUnit.SECONDS);
        double seconds = (System.nanoTime() - start) / 1e9;
        numbers.forEach(number -> Wait.until(
                number + " to be completed", () -> office.state(number).equals("COMPLETED")));
        System.out.printf(
                Locale.ROOT,
                "%-34s %8.0f s   all completed after %.0f s, faults: %d %s%n",
                secrets.size() + " participants within",
                seconds,
                (System.nanoTime() - start) / 1e9,
                faults.size(),
                faults.stream().limit(3).toList());
        print("the page's first answer", many.firstAnswers(), alone.firstAnswers());
        print("the act", many.acts(), alone.acts());
        assertThat(faults).isEmpty();
        numbers.forEach(
                number -> assertThat(parties(number, "Sealed")).as(number).isEqualTo(parties(number, "Signed")));
    }

    /** Whom an agreement's events of this type are about, in order. */
    private List<String> parties(String number, String type) {
        return BED.bean(JdbcClient.class)
                .sql(
                        "select e.entry::jsonb -> 'event' ->> 'party' from agreement_event e join agreement a on a.id = e.agreement_id"
                                + " where a.number = ? and e.type = ? order by e.sequence")
                .params(number, type)
                .query(String.class)
                .list();
    }
}
