package org.jalousie.bench;

import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.TimeUnit;
import java.util.function.UnaryOperator;
import org.jalousie.server.adapters.Converter;
import org.jalousie.server.testbed.Office;
import org.jalousie.server.testbed.Registers;
import org.jalousie.server.testbed.Testbed;
import org.junit.jupiter.api.Tag;
import org.junit.jupiter.api.Test;
import tools.jackson.databind.JsonNode;

/** A run of many rows against the bare converter with the same files, and what the rooms cost meanwhile. Prints; fails nothing, since machines differ. */
@Tag("bench")
class RunBenchTest {
    private static final Testbed BED = Testbed.start();
    private static final int ROWS = Integer.getInteger("bench.rows", 500);
    /** As many as the office keeps. */
    private static final int PROCESSES = Integer.getInteger("JALOUSIE_CONVERTERS", 2);

    private static final int WARM = Integer.getInteger("bench.warm", 4);

    private final Office office = new Office(BED.address());
    private final Registers registers = new Registers(office.client);

    static String rows(int count) {
        StringBuilder csv = new StringBuilder(
                "lender_name,objects_description,start_date,insured_value,lender_mail,museum_name,museum_mail\n");
        for (int i = 0; i < count; i++)
            csv.append("Lender ")
                    .append(i)
                    .append(",viola ")
                    .append(i)
                    .append(",2027-03-15,EUR ")
                    .append(100 + i)
                    .append(".00,l")
                    .append(i)
                    .append("@lender.example.org,Tomas Vale,tomas.vale@museum.example.org\n");
        return csv.toString();
    }

    private double room(int times) {
        double[] measured = new double[times];
        for (int i = 0; i < measured.length; i++) {
            long start = System.nanoTime();
            office.client.get("/api/v1/agreements");
            measured[i] = (System.nanoTime() - start) / 1e6;
        }
        return Arrays.stream(measured).sorted().toArray()[measured.length / 2];
    }

    private long made(String table) {
        long waiting = 0;
        for (JsonNode one :
                office.client.get("/api/v1/agreements?state=GENERATING").json().get("items"))
            if (!one.isEmpty()) waiting++;
        JsonNode now = office.client.get("/api/v1/tables/" + table).json();
        return Registers.outcomes(now).getOrDefault("DONE", 0L) - waiting;
    }

    private JsonNode table(String template) {
        return registers.ready(Registers.expect(
                        201,
                        office.client.upload(
                                "/api/v1/runs?template=" + template,
                                "rows.csv",
                                rows(ROWS).getBytes(StandardCharsets.UTF_8)))
                .get("id")
                .asString());
    }

    /** Carries a table out. @param meanwhile what is done every two seconds. Returns how many seconds it took */
    private double run(JsonNode table, Runnable meanwhile) throws InterruptedException {
        String id = table.get("id").asString();
        long start = System.nanoTime();
        office.client.post(
                "/api/v1/tables/" + id + "/carrying-out",
                Map.of("revision", table.get("revision").asInt()));
        while (made(id) < ROWS) {
            meanwhile.run();
            TimeUnit.SECONDS.sleep(2);
        }
        return (System.nanoTime() - start) / 1e9;
    }

    @Test
    void manyAgreementsOfATable() throws Exception {
        String template = office.publish("Many", Office.loanWording());
        office.generate(template, Office.loanValues("Warm"));
        room(25);
        double idle = room(25);
        // a server has been up for a while: what its machine code is made of isn't part of a run
        for (int i = 0; i < WARM; i++)
            System.out.printf(Locale.ROOT, "warming up %26.1f s%n", run(table(template), () -> {}));
        // whoever looks at it all the time takes from what it is measured by, so that is a run of its own
        JsonNode table = table(template);
        double busyBefore = Machine.busy();
        double run = run(table, () -> {});
        double busyRun = Machine.busy() - busyBefore;
        List<byte[]> files = files(table);
        System.out.printf(Locale.ROOT, "%-34s %8.1f s%n", "the processors' work for it", busyRun);
        bare(files, run, busyRun, 1, "   bar 0.9");
        // where these take all cores, what else a run does has to wait for them
        bare(files, run, busyRun, PROCESSES, "");
        print(run, "the office's own, by itself", converted(files, BED.bean(Converter.class)::toPdf), "");
        List<Double> busy = new ArrayList<>();
        run(table(template), () -> busy.add(room(3)));
        double median = busy.stream().sorted().skip(busy.size() / 2).findFirst().orElse(0.0);
        System.out.printf(
                Locale.ROOT,
                "%-34s %8.2f ms   %-42s %8.2f ms   ratio %.2f   bar 2%n",
                "a room meanwhile",
                median,
                "when nothing goes on",
                idle,
                median / idle);
    }

    /** The bare converter with so many processes. */
    private static void bare(List<byte[]> files, double run, double busyRun, int processes, String bar)
            throws Exception {
        try (BareConverter plain = BareConverter.start(processes)) {
            converted(files.subList(0, Math.min(60, files.size())), plain::toPdf);
            double before = Machine.busy();
            print(run, "bare converter, processes: " + processes, converted(files, plain::toPdf), bar);
            double busy = Machine.busy() - before;
            System.out.printf(
                    Locale.ROOT, "%-45s %-42s %8.1f s   of its work %.2f%n", "", "its work", busy, busy / busyRun);
        }
    }

    private List<byte[]> files(JsonNode table) {
        List<byte[]> files = new ArrayList<>();
        for (int page = 0; files.size() < ROWS; page++)
            for (JsonNode row : registers.rows(table, "page=" + page)) {
                String number = row.get("made").get("agreement").asString();
                files.add(office.client
                        .get("/api/v1/agreements/" + number + "/documents/wording.docx")
                        .body());
            }
        return files;
    }

    private static void print(double run, String floor, double alone, String bar) {
        System.out.printf(
                Locale.ROOT,
                "%-34s %8.1f s   %-42s %8.1f s   of its documents a minute %.2f%s%n",
                "a run of " + ROWS + " rows",
                run,
                floor,
                alone,
                alone / run,
                bar);
    }

    /** @return how many seconds it took */
    private static double converted(List<byte[]> files, UnaryOperator<byte[]> converter) throws InterruptedException {
        ExecutorService threads = Executors.newFixedThreadPool(4);
        long start = System.nanoTime();
        files.forEach(file -> threads.submit(() -> converter.apply(file)));
        threads.shutdown();
        if (!threads.awaitTermination(30, TimeUnit.MINUTES)) throw new IllegalStateException("too slow");
        return (System.nanoTime() - start) / 1e9;
    }
}
