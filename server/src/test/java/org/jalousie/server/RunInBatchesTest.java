package org.jalousie.server;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeSet;
import org.jalousie.core.json.Json;
import org.jalousie.core.wording.write.WordDraft;
import org.jalousie.server.testbed.Office;
import org.jalousie.server.testbed.Registers;
import org.jalousie.server.testbed.Testbed;
import org.junit.jupiter.api.Test;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ObjectNode;

/** Rows are carried out several at once: what can't be made of one takes nothing from the others. */
class RunInBatchesTest {
    private static final Testbed BED = Testbed.start();
    private static final Office OFFICE = new Office(BED.address());
    private static final Registers REGISTERS = new Registers(OFFICE.client);
    private static final String LENDERS = "lenders_in_batches";
    private static final int ROWS = 25;
    // two of one batch, the last of the second, the first of the third
    private static final Set<Integer> GONE = Set.of(3, 4, 19, 20);

    private static String template() {
        JsonNode made = OFFICE.bringIn(
                "In batches",
                new WordDraft()
                        .paragraph("{{lender_name}} lends from {{start_date}}.")
                        .paragraph("{{lender.signature}}")
                        .bytes());
        ObjectNode content = (ObjectNode) made.get("content");
        Map<String, Object> lookup = Map.of(
                "register",
                LENDERS,
                "fills",
                List.of(Map.of("column", "mail", "field", "lender_mail")),
                "rows",
                List.of());
        content.set(
                "layout",
                Json.MAPPER.valueToTree(Map.of(
                        "sections",
                        List.of(Map.of("questions", List.of(Map.of("field", "lender_name", "lookup", lookup)))))));
        return OFFICE.publish(OFFICE.settle(made, content));
    }

    @Test
    void aRowThatCanNotBeMadeAnyMoreIsToldAndTheOthersOfItsBatchAreMade() {
        REGISTERS.create(LENDERS, "code TEXT", "name TEXT !", "mail MAIL_ADDRESS");
        List<String> ids = new ArrayList<>();
        StringBuilder csv = new StringBuilder("Lender name, a row of " + LENDERS + ";start_date\n");
        for (int i = 0; i < ROWS; i++) {
            ids.add(REGISTERS.add(
                    LENDERS, Map.of("code", "B-" + i, "name", "Lender " + i, "mail", "b" + i + "@people.example.org")));
            csv.append("B-").append(i).append(";2027-04-03\n");
        }
        String template = template();
        JsonNode table = REGISTERS.ready(Registers.expect(
                        201,
                        OFFICE.client.upload(
                                "/api/v1/runs?template=" + template,
                                "rows.csv",
                                csv.toString().getBytes()))
                .get("id")
                .asString());
        assertThat(Registers.outcomes(table)).isEqualTo(Map.of("NEW", (long) ROWS));
        GONE.forEach(one -> assertThat(OFFICE.client
                        .delete("/api/v1/registers/" + LENDERS + "/rows/" + ids.get(one) + "?revision=1")
                        .status())
                .isLessThan(300));

        JsonNode done = REGISTERS.carryOut(table);

        assertThat(done.get("state").asString()).isEqualTo("DONE");
        assertThat(Registers.outcomes(done))
                .isEqualTo(Map.of("DONE", (long) ROWS - GONE.size(), "FAULTY", (long) GONE.size()));
        Set<Integer> faulty = new TreeSet<>();
        Set<String> agreements = new TreeSet<>();
        for (JsonNode row : REGISTERS.rows(done, "")) {
            if (row.get("outcome").asString().equals("DONE"))
                agreements.add(row.get("made").get("agreement").asString());
            else {
                faulty.add(row.get("number").asInt() - 2);
                assertThat(row.get("faults").propertyNames()).isNotEmpty();
            }
        }
        assertThat(faulty).isEqualTo(new TreeSet<>(GONE));
        assertThat(agreements).hasSize(ROWS - GONE.size());
        assertThat(OFFICE.client
                        .get("/api/v1/requests?template=" + template)
                        .json()
                        .get("total")
                        .asInt())
                .as("nothing of what was tried together is left over")
                .isEqualTo(ROWS - GONE.size());
        agreements.forEach(one -> OFFICE.await(one, "CHECK"));
    }
}
