package org.jalousie.bench;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.charset.StandardCharsets;
import java.util.HashSet;
import java.util.Map;
import java.util.Random;
import java.util.concurrent.TimeUnit;
import org.jalousie.demo.Client;
import org.jalousie.server.testbed.Office;
import org.jalousie.server.testbed.Registers;
import org.jalousie.server.testbed.ServerProcess;
import org.jalousie.server.testbed.Testbed;
import org.junit.jupiter.api.Tag;
import org.junit.jupiter.api.Test;
import tools.jackson.databind.JsonNode;

/** A run whose server is killed again and again makes each agreement once. Takes some minutes, so it goes with the benches. */
@Tag("bench")
class KilledRunTest {
    private static final Testbed BED = Testbed.start();
    private static final int ROWS = Integer.getInteger("bench.rows", 500);
    private static final int KILLS = 10;

    private final Random random = new Random(14);
    private final ServerProcess server = new ServerProcess(BED, "killed");

    private Registers registers() {
        return new Registers(new Office(server.address()).client);
    }

    @Test
    void eachRowIsOneAgreementHoweverOftenTheServerIsKilled() throws Exception {
        server.start();
        Office office = new Office(server.address());
        String template = office.publish("Killed", Office.loanWording());
        JsonNode table = registers()
                .ready(Registers.expect(
                                201,
                                office.client.upload(
                                        "/api/v1/runs?template=" + template,
                                        "rows.csv",
                                        RunBenchTest.rows(ROWS).getBytes(StandardCharsets.UTF_8)))
                        .get("id")
                        .asString());
        String path = "/api/v1/tables/" + table.get("id").asString();
        office.client.post(
                path + "/carrying-out", Map.of("revision", table.get("revision").asInt()));
        for (int i = 1; i <= KILLS; i++) {
            Client client = new Office(server.address()).client;
            long wanted = (long) ROWS * i / (KILLS + 1);
            while (Registers.outcomes(client.get(path).json()).getOrDefault("DONE", 0L) < wanted)
                TimeUnit.MILLISECONDS.sleep(20);
            TimeUnit.MILLISECONDS.sleep(random.nextInt(300));
            server.kill();
            System.out.println("killed " + i + " times, " + wanted + " rows and more were done");
            server.start();
        }
        JsonNode done = registers().await(table.get("id").asString(), "DONE");
        assertThat(Registers.outcomes(done)).isEqualTo(Map.of("DONE", (long) ROWS));
        HashSet<String> agreements = new HashSet<>();
        for (int page = 0; page * 50 < ROWS; page++)
            registers()
                    .rows(done, "page=" + page)
                    .forEach(row ->
                            agreements.add(row.get("made").get("agreement").asString()));
        assertThat(agreements).hasSize(ROWS);
        Client client = new Office(server.address()).client;
        assertThat(client.get("/api/v1/requests?template=" + template)
                        .json()
                        .get("total")
                        .asInt())
                .isEqualTo(ROWS);
        assertThat(client.get("/api/v1/agreements?find=viola")
                        .json()
                        .get("total")
                        .asInt())
                .isEqualTo(ROWS);
        server.kill();
    }
}
