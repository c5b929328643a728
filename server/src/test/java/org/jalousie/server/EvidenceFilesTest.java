package org.jalousie.server;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.stream.IntStream;
import java.util.zip.ZipEntry;
import java.util.zip.ZipInputStream;
import org.jalousie.core.data.Sha256;
import org.jalousie.core.evidence.roots.Inclusion;
import org.jalousie.core.json.Json;
import org.jalousie.demo.Client;
import org.jalousie.server.testbed.Office;
import org.jalousie.server.testbed.Testbed;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import tools.jackson.databind.JsonNode;

/** All evidence of an agreement in one file that can be checked elsewhere. */
class EvidenceFilesTest {
    private static final Testbed BED = Testbed.start();
    private static Office office;
    private static String template;
    private static String first;
    private static String second;

    @BeforeAll
    static void complete() {
        office = new Office(BED.address());
        template = office.publish("Evidence", Office.loanWording());
        first = office.completed(template, "Ida Marsh");
        second = office.completed(template, "Otto Reed");
    }

    private static Map<String, byte[]> entries(byte[] container) throws IOException {
        Map<String, byte[]> entries = new LinkedHashMap<>();
        try (ZipInputStream zip = new ZipInputStream(new ByteArrayInputStream(container))) {
            for (ZipEntry entry = zip.getNextEntry(); entry != null; entry = zip.getNextEntry())
                entries.put(entry.getName(), zip.readAllBytes());
        }
        return entries;
    }

    private static JsonNode check(byte[] container) {
        Client.Answer answer = office.client.upload("/api/v1/archive/check", "evidence.asice", container);
        assertThat(answer.status()).as(answer.text()).isEqualTo(200);
        return answer.json().get("result");
    }

    @Test
    void itHasDocumentsRecordEventsMailsAndTheRoot() throws IOException {
        office.client.post("/api/v1/daily-roots", Map.of());
        Client.Answer answer = office.client.get("/api/v1/archive/" + first + "/evidence.asice");
        assertThat(answer.status()).isEqualTo(200);
        Map<String, byte[]> entries = entries(answer.body());
        byte[] pdf = office.client
                .get("/api/v1/agreements/" + first + "/documents/wording.pdf")
                .body();
        assertThat(entries.entrySet().stream()
                        .filter(one -> one.getKey().startsWith(first + "/documents/"))
                        .map(one -> Sha256.of(one.getValue())))
                .containsExactly(Sha256.of(pdf));
        assertThat(entries.get(first + "/signing record.pdf"))
                .isEqualTo(office.client
                        .get("/api/v1/agreements/" + first + "/record.pdf")
                        .body());
        String events = new String(entries.get(first + "/events.jsonl"), StandardCharsets.UTF_8);
        assertThat(events.lines()).hasSize(office.show(first).get("trail").size());
        Inclusion root = Json.MAPPER.readValue(entries.get(first + "/daily-root.json"), Inclusion.class);
        assertThat(root.holds()).isTrue();
        String chain = new String(entries.get(first + "/chain.txt"), StandardCharsets.UTF_8);
        assertThat(chain.lines().skip(root.leaf().events() - 1L).findFirst())
                .hasValue(root.leaf().hash().hex());
        JsonNode mails = Json.MAPPER.readTree(entries.get(first + "/mails.json"));
        assertThat(mails.toString()).contains("ida.marsh@lender.example.org").doesNotContain("/act/");
        JsonNode result = check(answer.body());
        assertThat(result.get("intact").asBoolean()).as(result.toString()).isTrue();
        assertThat(result.get("signatures").get(0).get("by").asString()).isEqualTo("Museum of Bowed Strings");
    }

    @Test
    void severalHaveAFolderEach() throws IOException {
        office.client.post("/api/v1/daily-roots", Map.of());
        byte[] container = office.client
                .post("/api/v1/archive/evidence", Map.of("numbers", List.of(first, second, first)))
                .body();
        assertThat(entries(container).keySet())
                .contains(first + "/events.jsonl", second + "/events.jsonl")
                .noneMatch(name -> name.contains("2 events"));
        for (String one : List.of(first, second)) {
            Inclusion root = Json.MAPPER.readValue(entries(container).get(one + "/daily-root.json"), Inclusion.class);
            assertThat(root.holds()).isTrue();
            assertThat(root.leaf().agreement()).isEqualTo(one);
        }
        assertThat(check(container).get("intact").asBoolean()).isTrue();
        container[container.length / 2] ^= 1;
        assertThat(check(container).get("intact").asBoolean()).isFalse();
    }

    @Test
    void whatIsNotFiledOrTooMuchIsRefusedWithAReason() {
        String open = office.generate(template, Office.loanValues("Ada Finch"));
        office.await(open, "CHECK");
        Client.Answer notFiled = office.client.get("/api/v1/archive/" + open + "/evidence.asice");
        assertThat(notFiled.status()).isEqualTo(404);
        assertThat(notFiled.text()).contains(open + " isn’t filed yet");
        assertThat(office.client
                        .get("/api/v1/archive/A-1999-0001/evidence.asice")
                        .status())
                .isEqualTo(404);
        assertThat(office.client.post("/api/v1/archive/evidence", Map.of()).status())
                .isEqualTo(400);
        List<String> many = IntStream.range(0, 101).mapToObj(i -> "A-2026-" + i).toList();
        assertThat(office.client
                        .post("/api/v1/archive/evidence", Map.of("numbers", many))
                        .text())
                .contains("between one and 100");
    }
}
