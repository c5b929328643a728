package org.jalousie.bench;

import java.nio.charset.StandardCharsets;
import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import org.jalousie.server.testbed.Office;
import org.jalousie.server.testbed.Registers;
import org.jalousie.server.testbed.Testbed;
import org.junit.jupiter.api.Tag;
import org.junit.jupiter.api.Test;

/** Looking rows up and listing them among 100,000, against the same among 1,000. Prints; fails nothing, since machines differ. */
@Tag("bench")
class RegisterBenchTest {
    private static final Testbed BED = Testbed.start();
    private static final int FEW = 1_000;
    private static final int MANY = Integer.getInteger("bench.many", 100_000);
    private static final List<String> WORDS =
            List.of("viola", "harp", "flute", "drum", "baryton", "pochette", "lute", "bow", "kit", "organ");

    private final Office office = new Office(BED.address());
    private final Registers registers = new Registers(office.client);

    private void fill(String register, int rows) {
        registers.create(register, "number TEXT", "title TEXT !", "value MONEY", "made DATE", "place TEXT");
        StringBuilder csv = new StringBuilder("number,title,value,made,place\n");
        for (int i = 0; i < rows; i++)
            csv.append("O-")
                    .append(i)
                    .append(",The ")
                    .append(WORDS.get(i % 10))
                    .append(" numbered w")
                    .append(i)
                    .append(" of the museum,EUR ")
                    .append(i % 977)
                    .append(".50,17")
                    .append(10 + i % 80)
                    .append("-01-01,Room ")
                    .append(i % 40)
                    .append('\n');
        long start = System.nanoTime();
        var table = registers.bringIn(register, "rows.csv", csv.toString().getBytes(StandardCharsets.UTF_8));
        double looked = (System.nanoTime() - start) / 1e9;
        office.client.post(
                "/api/v1/tables/" + table.get("id").asString() + "/carrying-out",
                Map.of("revision", table.get("revision").asInt()));
        registers.await(table.get("id").asString(), "DONE");
        System.out.printf(
                Locale.ROOT,
                "%-44s %8.1f s looked over, %8.1f s in all%n",
                "a table of " + rows + " rows",
                looked,
                (System.nanoTime() - start) / 1e9);
    }

    /** Median milliseconds of each request, asked by turns. */
    private double[] times(List<String> paths) {
        int rounds = 60;
        double[][] measured = new double[paths.size()][rounds];
        for (int round = -20; round < rounds; round++)
            for (int i = 0; i < paths.size(); i++) {
                long start = System.nanoTime();
                int status = office.client.get(paths.get(i)).status();
                if (status != 200) throw new IllegalStateException(paths.get(i) + " " + status);
                if (round >= 0) measured[i][round] = (System.nanoTime() - start) / 1e6;
            }
        return Arrays.stream(measured)
                .mapToDouble(one -> Arrays.stream(one).sorted().toArray()[one.length / 2])
                .toArray();
    }

    @Test
    void lookingUpAmongManyRows() {
        fill("bench_few", FEW);
        fill("bench_many", MANY);
        for (String query : List.of(
                "options?find=",
                "options?find=w77",
                "options?find=viola",
                "options?find=the",
                "options?find=O-99",
                "options?find=muse+har",
                "options?find=nowhere",
                "rows?find=w77",
                "rows?find=viola",
                "rows?sort=value",
                "rows?sort=-made&page=15",
                "rows?where=place:is:Room+7&sort=title",
                "rows?where=value:from:EUR+900.00&find=harp")) {
            double[] ms =
                    times(List.of("/api/v1/registers/bench_many/" + query, "/api/v1/registers/bench_few/" + query));
            System.out.printf(
                    Locale.ROOT,
                    "%-44s %8.2f ms   %-20s %8.2f ms   ratio %.2f   bar %s%n",
                    query + " of " + MANY,
                    ms[0],
                    "of " + FEW,
                    ms[1],
                    ms[0] / ms[1],
                    query.startsWith("options") ? "3" : "-");
        }
    }
}
