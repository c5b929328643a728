package org.jalousie.bench;

import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Arrays;
import java.util.List;
import java.util.Map;
import org.jalousie.server.testbed.ManyAgreements;
import org.jalousie.server.testbed.Office;
import org.jalousie.server.testbed.Testbed;
import org.junit.jupiter.api.Tag;
import org.junit.jupiter.api.Test;
import org.springframework.jdbc.core.simple.JdbcClient;

@Tag("bench")
class TmpHoldTest {
    private static final Testbed BED = Testbed.start();
    private final Office office = new Office(BED.address());

    @Test
    void hold() throws Exception {
        String template = office.publish("Lists", Office.loanWording());
        office.client.put(
                "/api/v1/archive/templates/" + template + "/columns",
                Map.of("columns", List.of("objects_description", "abroad", "start_date", "insured_value")));
        String one = office.generate(template, Office.loanValues("Ida Marsh"));
        ManyAgreements many = new ManyAgreements(BED.bean(JdbcClient.class));
        int count = Integer.getInteger("bench.many", 100_000);
        many.copy(one, "BENCH-", count, 300);
        many.reports("BENCH-");
        Files.writeString(Path.of("/tmp/hold.ready"), template);
        Path ask = Path.of("/tmp/hold.ask");
        while (true) {
            if (Files.exists(ask)) {
                List<String> lines = Files.readAllLines(ask);
                Files.delete(ask);
                StringBuilder out = new StringBuilder();
                for (String line : lines) {
                    String path = line.strip().replace("TPL", template);
                    if (path.isEmpty()) continue;
                    int n = 20;
                    double[] t = new double[n];
                    int size = 0;
                    for (int i = -4; i < n; i++) {
                        long s = System.nanoTime();
                        size = office.client.get(path).body().length;
                        if (i >= 0) t[i] = (System.nanoTime() - s) / 1e6;
                    }
                    Arrays.sort(t);
                    out.append(String.format(
                            "%8.2f min %8.2f  %6d b  %s%n", t[n / 2], t[0], size, path.replace(template, "TPL")));
                }
                Files.writeString(Path.of("/tmp/hold.out"), out.toString());
            }
            if (Files.exists(Path.of("/tmp/hold.stop"))) return;
            Thread.sleep(100);
        }
    }
}
