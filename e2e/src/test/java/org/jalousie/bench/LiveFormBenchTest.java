package org.jalousie.bench;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.concurrent.Callable;
import org.jalousie.core.wording.write.WordDraft;
import org.jalousie.server.adapters.Converter;
import org.jalousie.server.testbed.Office;
import org.jalousie.server.testbed.Testbed;
import org.jalousie.server.testbed.Together;
import org.junit.jupiter.api.Tag;
import org.junit.jupiter.api.Test;

/** From answers as they are typed to the changed page, against the bare warm conversion of the same document. */
@Tag("bench")
class LiveFormBenchTest {
    private static final int ROUNDS = 25;
    private static final Testbed BED = Testbed.start();

    private final Office office = new Office(BED.address());

    /** Four pages, as a loan agreement has. */
    private static byte[] wording() {
        WordDraft draft = new WordDraft().title("Agreement on a loan").paragraph("{{lender_name}} lends {{what}}.");
        for (int i = 1; i <= 24; i++)
            draft.clause("Clause " + i + ". {{lender_name}} keeps {{what}} as the museum asks. "
                    + "The parties tell each other of whatever may matter to it. ".repeat(6));
        return draft.paragraph("{{lender.signature}}").bytes();
    }

    private double ask(String path, String name) {
        Map<String, Object> body = new HashMap<>();
        body.put("values", Map.of("lender_name", name, "what", "a viola"));
        body.put("language", "en-GB");
        body.put("document", "");
        long start = System.nanoTime();
        office.client.post(path, body);
        return (System.nanoTime() - start) / 1e6;
    }

    @Test
    void fromAPauseToTheChangedPage() throws Exception {
        String id = office.publish("Live bench", wording());
        String path = "/api/v1/templates/" + id + "/form/pages";
        String number = office.generate(
                id, Map.of("lender_name", "Ida Marsh", "what", "a viola", "lender_mail", "ida@lender.example.org"));
        byte[] word = office.client
                .get("/api/v1/agreements/" + number + "/documents/wording.docx")
                .body();
        Converter converter = BED.bean(Converter.class);
        double[] live = new double[ROUNDS];
        double[] bare = new double[ROUNDS];
        for (int round = -5; round < ROUNDS; round++) {
            double asked = ask(path, "Ida Marsh " + round);
            long start = System.nanoTime();
            converter.toPdf(word);
            double converted = (System.nanoTime() - start) / 1e6;
            if (round < 0) continue;
            live[round] = asked;
            bare[round] = converted;
        }
        print("a changed page beside its form", median(live), "bare warm conversion", median(bare), "1.3");

        List<Callable<Double>> ten = new ArrayList<>();
        for (int i = 0; i < 10; i++) {
            String name = "Typist " + i;
            ten.add(() -> {
                double[] each = new double[6];
                for (int k = 0; k < each.length; k++) each[k] = ask(path, name + " " + k);
                return median(each);
            });
        }
        double[] together = Together.all(ten).stream().mapToDouble(one -> one).toArray();
        print("the same, ten typing at once", median(together), "bare warm conversion", median(bare), "10");
    }

    private static double median(double[] all) {
        return Arrays.stream(all).sorted().toArray()[all.length / 2];
    }

    private static void print(String what, double ms, String floor, double floorMs, String bar) {
        System.out.printf(
                Locale.ROOT,
                "%-34s %8.2f ms   %-42s %8.2f ms   ratio %.2f   bar %s%n",
                what,
                ms,
                floor,
                floorMs,
                ms / floorMs,
                bar);
    }
}
