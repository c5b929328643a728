package org.jalousie.bench;

import jakarta.persistence.EntityManagerFactory;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import org.hibernate.SessionFactory;
import org.hibernate.stat.Statistics;
import org.jalousie.core.wording.write.WordDraft;
import org.jalousie.server.testbed.Office;
import org.jalousie.server.testbed.Testbed;
import org.junit.jupiter.api.Tag;
import org.junit.jupiter.api.Test;

/** What the running application costs: as ratios and counts. Prints; fails nothing, since machines differ. */
@Tag("bench")
class ServerBenchTest {
    private static final Testbed BED = Testbed.start();
    private static final int TEMPLATES = 200;

    private final Office office = new Office(BED.address());

    /** Median milliseconds of each request, asked by turns. */
    private double[] times(int rounds, List<String> paths) {
        double[][] measured = new double[paths.size()][rounds];
        for (int round = -30; round < rounds; round++) {
            for (int i = 0; i < paths.size(); i++) {
                long start = System.nanoTime();
                office.client.get(paths.get(i));
                if (round >= 0) measured[i][round] = (System.nanoTime() - start) / 1e6;
            }
        }
        return Arrays.stream(measured)
                .mapToDouble(one -> Arrays.stream(one).sorted().toArray()[one.length / 2])
                .toArray();
    }

    @Test
    void pollingAnAgreementThatIsBeingMade() {
        String number = office.generate(office.publish("Polled", Office.loanWording()), Office.loanValues("Ida Marsh"));
        double[] ms = times(200, List.of("/api/v1/agreements/" + number, "/api/v1/session"));
        System.out.printf(
                Locale.ROOT,
                "%-34s %8.2f ms   %-42s %8.2f ms   ratio %.2f   bar %s%n",
                "polling an agreement",
                ms[0],
                "asking who is signed in",
                ms[1],
                ms[0] / ms[1],
                "5");
    }

    @Test
    void statementsOfEachList() {
        Statistics statistics = BED.bean(EntityManagerFactory.class)
                .unwrap(SessionFactory.class)
                .getStatistics();
        for (String list : List.of("today", "templates", "clauses", "requests", "agreements", "archive", "postroom")) {
            long least = Long.MAX_VALUE;
            for (int round = 0; round < 8; round++) {
                statistics.clear();
                office.client.get("/api/v1/" + list);
                least = Math.min(least, statistics.getPrepareStatementCount());
            }
            System.out.printf(Locale.ROOT, "%-34s %8d statements%n", "the list " + list, least);
        }
    }

    @Test
    void memoryWithManyTemplatesInUse() {
        String first = office.publish("In use", Office.loanWording());
        office.client.get("/api/v1/templates/" + first + "/form");
        long before = used();
        List<String> templates = new ArrayList<>();
        for (int i = 0; i < TEMPLATES; i++) {
            // each with words of its own, as templates have
            byte[] wording = new WordDraft()
                    .title("Agreement of kind " + i)
                    .clause("{{lender_name}} agrees with the following. " + ("Words of kind " + i + ". ").repeat(300))
                    .paragraph("{{lender.signature}}")
                    .bytes();
            templates.add(office.publish("In use " + i, wording));
        }
        templates.forEach(id -> office.client.get("/api/v1/templates/" + id + "/form"));
        long after = used();
        System.out.printf(
                Locale.ROOT,
                "%-34s %8.2f MB   %-42s %8.2f MB   a template %.2f MB   bar 250 MB in all%n",
                "memory with " + TEMPLATES + " templates in use",
                after / 1e6,
                "with one",
                before / 1e6,
                (after - before) / 1e6 / TEMPLATES);
    }

    private static long used() {
        long least = Long.MAX_VALUE;
        for (int i = 0; i < 5; i++) {
            System.gc();
            Runtime runtime = Runtime.getRuntime();
            least = Math.min(least, runtime.totalMemory() - runtime.freeMemory());
        }
        return least;
    }
}
