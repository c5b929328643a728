package org.jalousie.server.archive.stamps;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.time.Clock;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeMap;
import java.util.zip.ZipEntry;
import java.util.zip.ZipInputStream;
import org.bouncycastle.asn1.tsp.EvidenceRecord;
import org.jalousie.core.evidence.EvidenceRecordCheck;
import org.jalousie.core.evidence.TrustService;
import org.jalousie.demo.Client;
import org.jalousie.server.testbed.Office;
import org.jalousie.server.testbed.Testbed;
import org.springframework.jdbc.core.simple.JdbcClient;
import tools.jackson.databind.JsonNode;

/** Archive time stamps as the office's hand works them. */
final class StampsHand {
    static final String STAMPS = "/api/v1/archive/stamps";
    private static final List<String> TABLES =
            List.of("archive_stamp", "stamped_file", "stamped_root", "renewed_stamp", "daily_root");

    private final Testbed bed;
    final Office office;
    final JdbcClient sql;
    private final Set<String> left;
    private final int leftWaiting;

    StampsHand(Testbed bed) {
        this.bed = bed;
        this.office = new Office(bed.address());
        this.sql = bed.bean(JdbcClient.class);
        JsonNode before = round();
        this.left = Set.copyOf(all(before));
        this.leftWaiting = before.get("waiting").asInt();
    }

    /** Does all that is due now; how all stand then. */
    JsonNode round() {
        Client.Answer answer = office.client.post(STAMPS + "/rounds", Map.of());
        assertThat(answer.status()).as(answer.text()).isEqualTo(200);
        return answer.json();
    }

    /** What is said of agreements, but for what tests before this one have left damaged. */
    List<String> said(JsonNode state) {
        return all(state).stream().filter(one -> !left.contains(one)).toList();
    }

    /** How many wait for ever, since tests before this one have left them damaged. */
    int leftWaiting() {
        return leftWaiting;
    }

    private static List<String> all(JsonNode state) {
        return state.get("said").valueStream().map(JsonNode::asString).toList();
    }

    JsonNode check(String number) {
        Client.Answer answer = office.client.post("/api/v1/archive/" + number + "/verification", Map.of());
        assertThat(answer.status()).as(answer.text()).isEqualTo(200);
        return answer.json();
    }

    /** What a file is called and what is in it. */
    static Map<String, byte[]> entries(byte[] zip) {
        Map<String, byte[]> entries = new LinkedHashMap<>();
        try (ZipInputStream in = new ZipInputStream(new ByteArrayInputStream(zip))) {
            for (ZipEntry entry = in.getNextEntry(); entry != null; entry = in.getNextEntry())
                entries.put(entry.getName(), in.readAllBytes());
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
        return entries;
    }

    /** An agreement's evidence records. */
    Map<String, byte[]> records(String number) {
        Client.Answer answer = office.client.get("/api/v1/archive/" + number + "/evidence-records.zip");
        assertThat(answer.status()).as(answer.text()).isEqualTo(200);
        return entries(answer.body());
    }

    /** The row of a stamp, among all. */
    JsonNode row(long stamp) {
        for (int page = 0; ; page++) {
            JsonNode rows =
                    office.client.get(STAMPS + "?all=true&page=" + page).json().get("items");
            for (JsonNode row : rows) if (row.get("number").asLong() == stamp) return row;
            assertThat(rows.isEmpty()).as("no stamp " + stamp).isFalse();
        }
    }

    /** The stamp that an agreement's files are under now. */
    long stampOf(String number) {
        return check(number).get("stamped").get("stamp").asLong();
    }

    Client.Answer choose(int days, String algorithm, Map<String, String> until) {
        int edition = office.client.get(STAMPS + "/state").json().get("edition").asInt();
        return choose(days, algorithm, until, edition);
    }

    Client.Answer choose(int days, String algorithm, Map<String, String> until, int edition) {
        return office.client.put(
                STAMPS + "/policy",
                Map.of(
                        "policy",
                        Map.of("renewDays", days, "algorithm", algorithm, "until", new TreeMap<>(until)),
                        "edition",
                        edition));
    }

    /** As somebody who rules over the database. */
    void rule(String statement) {
        for (String table : TABLES)
            sql.sql("alter table " + table + " disable trigger user").update();
        try {
            sql.sql(statement).update();
        } finally {
            for (String table : TABLES)
                sql.sql("alter table " + table + " enable trigger user").update();
        }
    }

    /** As if the certificates of all stamps in force ended tomorrow. */
    void endTomorrow() {
        rule("update archive_stamp set holds_until = now() + interval '1 day', stamped_at = now() - interval '300 days'"
                + " where number not in (select stamp from renewed_stamp)");
    }

    boolean proves(byte[] record, byte[] file) {
        return new EvidenceRecordCheck(bed.bean(TrustService.class), Clock.systemUTC())
                .provenSince(file, record)
                .isPresent();
    }

    byte[] agreementFile(String of) {
        String at = "/api/v1/agreements/" + of;
        String document =
                office.client.get(at).json().get("documents").get(0).get("id").asString();
        return office.client.get(at + "/documents/" + document + ".pdf").body();
    }

    /** The chains of an agreement's first evidence record, by how many stamps each has. */
    List<Integer> chains(String of) {
        EvidenceRecord record =
                EvidenceRecord.getInstance(records(of).values().iterator().next());
        List<Integer> chains = new ArrayList<>();
        for (var chain : record.getArchiveTimeStampSequence().getArchiveTimeStampChains())
            chains.add(chain.getArchiveTimestamps().length);
        return chains;
    }

    void assertIntact(String of) {
        JsonNode checked = check(of);
        assertThat(checked.get("intact").asBoolean()).as(checked.toString()).isTrue();
        assertThat(checked.get("documents").get(0).get("result").get("notes").toString())
                .contains("An archive time stamp proves");
        assertThat(checked.get("record").get("notes").toString()).contains("An archive time stamp proves");
    }
}
