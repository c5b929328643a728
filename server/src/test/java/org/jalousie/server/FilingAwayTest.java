package org.jalousie.server;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.sql.Connection;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.concurrent.CompletableFuture;
import java.util.stream.Stream;
import javax.sql.DataSource;
import org.jalousie.core.data.Sha256;
import org.jalousie.core.json.Json;
import org.jalousie.demo.Client;
import org.jalousie.server.testbed.Office;
import org.jalousie.server.testbed.Testbed;
import org.jalousie.server.testbed.Wait;
import org.jalousie.server.testbed.WebShare;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.springframework.jdbc.core.simple.JdbcClient;
import tools.jackson.databind.JsonNode;

/** Completed agreements are filed to folders and shares: once, whole, by name, with an index; whatever breaks meanwhile. */
class FilingAwayTest {
    private static final Testbed BED = Testbed.start();
    private static final Office OFFICE = new Office(BED.address());
    private static final String FILING = "/api/v1/archive/filing";

    private static String template;
    private static final List<String> NUMBERS = new ArrayList<>();

    private final List<String> made = new ArrayList<>();

    @TempDir
    Path temporary;

    @BeforeAll
    static void complete() {
        template = OFFICE.publish("Filed loans", Office.loanWording());
        for (String objects : List.of("a lute", "a lute", "a harp/lyre: \"old\"")) {
            Map<String, String> values = Office.loanValues("Ida Marsh");
            values.put("objects_description", objects);
            NUMBERS.add(OFFICE.completed(template, values));
        }
    }

    @AfterEach
    void remove() {
        made.forEach(id -> OFFICE.client.delete(FILING + "/" + id));
    }

    private static Map<String, Object> terms(String kind, String address, String folder, String name) {
        return new HashMap<>(Map.of(
                "title",
                "Share",
                "kind",
                kind,
                "address",
                address,
                "user",
                kind.equals("WEBDAV") ? WebShare.USER : "",
                "templates",
                List.of(template),
                "usual",
                Map.of("folder", folder, "name", name),
                "rules",
                List.of(),
                "record",
                true));
    }

    private Client.Answer make(Map<String, Object> terms, String password) {
        Client.Answer answer = OFFICE.client.post(FILING, Map.of("terms", terms, "password", password));
        if (answer.status() == 201) made.add(answer.json().get("id").asString());
        return answer;
    }

    private JsonNode target() {
        for (JsonNode one : OFFICE.client.get(FILING).json().get("targets"))
            if (one.get("id").asString().equals(made.get(made.size() - 1))) return one;
        throw new AssertionError("no target");
    }

    private void awaitFiled(int count) {
        Wait.until("filed", () -> {
            JsonNode now = target();
            return now.get("filed").asInt() == count
                    && now.get("waiting").asInt() == 0
                    && !now.get("gathering").asBoolean()
                    && indexed();
        });
    }

    private boolean indexed() {
        return BED.bean(JdbcClient.class)
                        .sql("select count(*) from filing where not indexed and target_id = cast(? as uuid)")
                        .param(made.get(made.size() - 1))
                        .query(Integer.class)
                        .single()
                == 0;
    }

    private static List<String> files(Path folder) throws IOException {
        try (Stream<Path> all = Files.walk(folder)) {
            return all.filter(Files::isRegularFile)
                    .map(one -> folder.relativize(one).toString())
                    .filter(one -> !one.startsWith("index/"))
                    .sorted()
                    .toList();
        }
    }

    private Path folder(String name) throws IOException {
        return Files.createDirectories(BED.shares().resolve(name));
    }

    /** Everything that the index names is there as it says. */
    private static void assertWhole(Path folder, int agreements) throws IOException {
        List<Path> indexes;
        try (Stream<Path> all = Files.list(folder.resolve("index"))) {
            indexes = all.toList();
        }
        int found = 0;
        List<String> named = new ArrayList<>();
        for (Path index : indexes) {
            if (!index.toString().endsWith(".json")) continue;
            for (JsonNode agreement :
                    Json.MAPPER.readTree(Files.readString(index)).get("agreements")) {
                found++;
                assertThat(agreement.get("data").get("lender_name").asString()).isEqualTo("Ida Marsh");
                for (JsonNode file : agreement.get("files")) {
                    named.add(file.get("path").asString());
                    byte[] bytes =
                            Files.readAllBytes(folder.resolve(file.get("path").asString()));
                    assertThat(Sha256.of(bytes).hex())
                            .isEqualTo(file.get("sha256").asString());
                }
            }
        }
        assertThat(found).isEqualTo(agreements);
        assertThat(files(folder)).containsExactlyInAnyOrderElementsOf(named);
    }

    @Test
    void agreementsAreFiledByTheirDataAndNoneUnderAnothersName() throws Exception {
        Path folder = folder("by data");
        Files.createDirectories(folder.resolve("2027/Loans"));
        Files.writeString(folder.resolve("2027/Loans/A HARP lyre old.pdf"), "somebody else's");
        String out = OFFICE.send(OFFICE.generate(template, Office.loanValues("Not Yet")));
        make(terms("FOLDER", folder.toString(), "{{start_date.year}}/Loans", "{{objects_description}}"), "");
        awaitFiled(3);
        assertThat(files(folder))
                .containsExactlyInAnyOrder(
                        "2027/Loans/A HARP lyre old.pdf",
                        "2027/Loans/a lute.pdf",
                        "2027/Loans/a lute - signing record.pdf",
                        "2027/Loans/a lute (2).pdf",
                        "2027/Loans/a lute (2) - signing record.pdf",
                        "2027/Loans/a harp lyre old.pdf",
                        "2027/Loans/a harp lyre old - signing record.pdf");
        String csv = Files.list(folder.resolve("index"))
                .filter(one -> one.toString().endsWith(".csv"))
                .map(FilingAwayTest::read)
                .reduce("", String::concat);
        assertThat(csv)
                .contains("number,title,template,completed,people,file,what,sha256")
                .contains("Ida Marsh");
        // what is completed from now on follows by itself
        assertThat(OFFICE.state(out)).isEqualTo("OUT");
        NUMBERS.add(OFFICE.completed(template, Office.loanValues("Ida Marsh")));
        awaitFiled(NUMBERS.size());
    }

    private static String read(Path file) {
        try {
            return Files.readString(file);
        } catch (IOException e) {
            throw new java.io.UncheckedIOException(e);
        }
    }

    @Test
    void aShareThatIsGoneIsWaitedForAndNeverMade() throws Exception {
        Path folder = BED.shares().resolve("not mounted");
        make(terms("FOLDER", folder.toString(), "", "{{agreement_number}}"), "");
        Wait.until("the fault", () -> !target().get("fault").asString().isEmpty());
        assertThat(target().get("fault").asString()).contains("isn’t there");
        assertThat(folder).doesNotExist();
        Files.createDirectories(folder);
        OFFICE.client.post(FILING + "/" + made.get(0) + "/again", Map.of());
        awaitFiled(NUMBERS.size());
        assertWhole(folder, NUMBERS.size());
        assertThat(target().get("fault").asString()).isEmpty();
        // what somebody has deleted comes back, and nothing else changes
        List<String> before = files(folder);
        Files.delete(folder.resolve(before.get(0)));
        OFFICE.client.post(FILING + "/" + made.get(0) + "/again?everything=true", Map.of());
        awaitFiled(NUMBERS.size());
        assertThat(files(folder)).isEqualTo(before);
    }

    @Test
    void aTargetIsMadeWhenNoCompletionIsUnderWay() throws Exception {
        Path folder = folder("meanwhile");
        CompletableFuture<Client.Answer> making;
        try (Connection completion = BED.bean(DataSource.class).getConnection()) {
            completion.setAutoCommit(false);
            // what is completed now doesn't see a target that comes, and isn't seen by it before it has ended
            completion.createStatement().execute("select pg_advisory_xact_lock_shared(hashtext('filing targets'))");
            making = CompletableFuture.supplyAsync(
                    () -> make(terms("FOLDER", folder.toString(), "", "{{agreement_number}}"), ""));
            Thread.sleep(700);
            assertThat(making).isNotDone();
            completion.rollback();
        }
        assertThat(making.get().status()).isEqualTo(201);
        awaitFiled(NUMBERS.size());
    }

    @Test
    void whatWasFiledIsFiledAnewAtAnotherPlace() throws Exception {
        Path before = folder("before the move");
        Path after = folder("after the move");
        make(terms("FOLDER", before.toString(), "", "{{template_name}}"), "");
        awaitFiled(NUMBERS.size());
        Map<String, Object> settled = new HashMap<>();
        settled.put("revision", 0);
        settled.put("terms", terms("FOLDER", after.toString(), "", "{{template_name}}"));
        settled.put("password", null);
        assertThat(OFFICE.client.put(FILING + "/" + made.get(0), settled).status())
                .isEqualTo(200);
        assertThat(OFFICE.client.put(FILING + "/" + made.get(0), settled).status())
                .isEqualTo(409);
        Wait.until(
                "filed anew",
                () -> target().get("waiting").asInt() == 0
                        && target().get("filed").asInt() == NUMBERS.size()
                        && indexed());
        assertWhole(after, NUMBERS.size());
        assertThat(files(after)).isEqualTo(files(before));
    }

    @Test
    void aServerThatStopsAtAnyMomentGoesOnWhereItWas() throws Exception {
        Path folder = folder("stopped");
        make(terms("FOLDER", folder.toString(), "", "{{template_name}}"), "");
        awaitFiled(NUMBERS.size());
        List<String> before = files(folder);
        // before it was noted that files are there; with half a file beside them; and before the index
        JdbcClient sql = BED.bean(JdbcClient.class);
        byte[] first = Files.readAllBytes(folder.resolve(before.get(0)));
        Path half = folder.resolve("." + Sha256.of(first).hex().substring(0, 24) + ".part");
        Files.write(half, java.util.Arrays.copyOf(first, 100));
        Files.delete(folder.resolve(before.get(0)));
        sql.sql("update filing set state = 'WAITING', next_at = changed_at, entry = null, indexed = true"
                        + " where target_id = cast(? as uuid)")
                .param(made.get(0))
                .update();
        Wait.until("filed again", () -> target().get("filed").asInt() == NUMBERS.size() && indexed());
        assertThat(files(folder)).isEqualTo(before);
        assertThat(half).doesNotExist();
        assertWhole(folder, NUMBERS.size());
    }

    @Test
    void aShareOfTheWebMayBreakAtEveryRequest() throws Exception {
        try (WebShare share = new WebShare(temporary)) {
            make(
                    terms("WEBDAV", share.address(), "{{template_name}}/é {{start_date.year}}", "{{agreement_number}}"),
                    "wrong");
            Wait.until("the fault", () -> target().get("fault").asString().contains("401"));
            Map<String, Object> settled = new HashMap<>();
            settled.put("revision", 0);
            settled.put(
                    "terms",
                    terms(
                            "WEBDAV",
                            share.address(),
                            "{{template_name}}/é {{start_date.year}}",
                            "{{agreement_number}}"));
            settled.put("password", WebShare.PASSWORD);
            share.answering = 507;
            share.failing.set(0);
            assertThat(OFFICE.client.put(FILING + "/" + made.get(0), settled).status())
                    .isEqualTo(200);
            Wait.until("no room", () -> target().get("fault").asString().contains("no room"));
            OFFICE.client.post(FILING + "/" + made.get(0) + "/again", Map.of());
            awaitFiled(NUMBERS.size());
            assertWhole(temporary, NUMBERS.size());
            JdbcClient sql = BED.bean(JdbcClient.class);
            for (int at : List.of(0, 1, 2, 3, 7, 18)) {
                share.answering = at % 2 == 0 ? 0 : 503;
                String all = made.get(0);
                OFFICE.client.delete(FILING + "/" + all);
                made.clear();
                try (Stream<Path> files = Files.walk(temporary)) {
                    for (Path file :
                            files.sorted(java.util.Comparator.reverseOrder()).toList())
                        if (!file.equals(temporary)) Files.delete(file);
                }
                share.failing.set(at);
                make(terms("WEBDAV", share.address(), "{{template_name}}", "{{agreement_title}}"), WebShare.PASSWORD);
                Wait.until("broken", () -> share.failing.get() < 0);
                sql.sql("update filing_target set waits_until = null").update();
                Wait.until("all filed", () -> {
                    sql.sql("update filing_target set waits_until = null").update();
                    return target().get("filed").asInt() == NUMBERS.size() && indexed();
                });
                assertWhole(temporary, NUMBERS.size());
            }
        }
    }

    @Test
    void whatCantBeIsSaid() throws Exception {
        for (Map<String, Object> wrong : List.of(
                terms("FOLDER", "/etc", "", "x"),
                terms("FOLDER", BED.shares() + "/../elsewhere", "", "x"),
                terms("FOLDER", "relative", "", "x"),
                terms("WEBDAV", "ftp://127.0.0.1/", "", "x"),
                terms("WEBDAV", "http://a:b@127.0.0.1/", "", "x"),
                terms("WEBDAV", "https://10.0.0.1/", "", "x"),
                terms("FOLDER", BED.shares() + "/x", "{{open", "x"),
                terms("FOLDER", BED.shares() + "/x", "{{lendr_name}}", "x"),
                terms("FOLDER", BED.shares() + "/x", "", ""),
                terms("FOLDER", BED.shares() + "/x", "", "a/b"))) {
            Client.Answer answer = make(wrong, "");
            assertThat(answer.status()).as(wrong.toString()).isEqualTo(422);
            assertThat(answer.json().get("faults").isEmpty())
                    .as(wrong.toString())
                    .isFalse();
        }
        // a link that somebody has put into the folder leads nowhere else
        Path folder = folder("linked");
        Path outside = Files.createDirectories(temporary.resolve("outside"));
        Files.createSymbolicLink(folder.resolve("Filed loans"), outside);
        make(terms("FOLDER", folder.toString(), "{{template_name}}", "x"), "");
        Wait.until("the fault", () -> !target().get("fault").asString().isEmpty());
        assertThat(files(outside)).isEmpty();
    }

    @Test
    void whereAgreementsWouldGoIsShownBefore() {
        Client.Answer preview = OFFICE.client.post(
                FILING + "/preview", terms("FOLDER", "", "{{start_date.year}}", "{{objects_description}}"));
        List<String> paths = new ArrayList<>();
        preview.json().forEach(row -> paths.add(row.get("paths").get(0).asString()));
        assertThat(paths).contains("2027/a lute.pdf", "2027/a lute (2).pdf", "2027/a harp lyre old.pdf");
    }
}
