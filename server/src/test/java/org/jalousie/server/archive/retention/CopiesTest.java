package org.jalousie.server.archive.retention;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Stream;
import org.jalousie.demo.Client;
import org.jalousie.server.adapters.Bucket;
import org.jalousie.server.testbed.BucketServer;
import org.jalousie.server.testbed.Office;
import org.jalousie.server.testbed.Testbed;
import org.jalousie.server.testbed.Wait;
import org.jalousie.server.testbed.WebShare;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ObjectNode;

/** Copies that were filed outside are taken away before an agreement goes, and nothing that is somebody else's. */
class CopiesTest {
    private static final Testbed BED = Testbed.start();
    private static final Office OFFICE = new Office(BED.address());
    private static final RetentionHand HAND = new RetentionHand(BED, OFFICE);
    private static final String FILING = "/api/v1/archive/filing";

    private static String template;

    private final List<String> made = new ArrayList<>();

    @TempDir
    Path temporary;

    @BeforeAll
    static void kept() {
        template = OFFICE.publish("Copied loans", Office.loanWording());
        HAND.keep(template, 1, 1);
        HAND.root();
    }

    @AfterEach
    void remove() {
        made.forEach(id -> OFFICE.client.delete(FILING + "/" + id));
    }

    private static String over(String lender) {
        String number = OFFICE.completed(template, lender);
        HAND.ended(60, List.of(number));
        return number;
    }

    private void target(String kind, String address) {
        Map<String, Object> terms = new HashMap<>(
                Map.of("title", "Share " + kind, "kind", kind, "address", address, "templates", List.of(template)));
        terms.put(
                "user",
                Map.of("WEBDAV", WebShare.USER, "BUCKET", BucketServer.KEY).getOrDefault(kind, ""));
        terms.put("usual", Map.of("folder", "{{lender_name}}", "name", "{{agreement_number}}"));
        terms.put("rules", List.of());
        terms.put("record", true);
        Client.Answer answer = OFFICE.client.post(
                FILING,
                Map.of(
                        "terms",
                        terms,
                        "password",
                        Map.of("WEBDAV", WebShare.PASSWORD, "BUCKET", BucketServer.SECRET)
                                .getOrDefault(kind, "")));
        assertThat(answer.status()).as(answer.text()).isEqualTo(201);
        made.add(answer.json().get("id").asString());
        Wait.until("filed", () -> {
            for (JsonNode one : OFFICE.client.get(FILING).json().get("targets"))
                if (one.get("id").asString().equals(made.get(made.size() - 1)))
                    return one.get("waiting").asInt() == 0
                            && one.get("filed").asInt() > 0
                            && !one.get("gathering").asBoolean();
            return false;
        });
    }

    private static List<String> files(Path folder) throws Exception {
        try (Stream<Path> all = Files.walk(folder)) {
            return all.filter(one -> !one.equals(folder))
                    .map(one -> folder.relativize(one).toString())
                    .sorted()
                    .toList();
        }
    }

    private static List<String> names(Bucket bucket) {
        return bucket.list("", 1_000, Optional.empty()).all().stream()
                .map(Bucket.Entry::name)
                .toList();
    }

    private static String index(Bucket bucket) {
        StringBuilder all = new StringBuilder();
        for (String name : names(bucket))
            if (name.startsWith("index/"))
                all.append(new String(bucket.get(name).orElseThrow(), StandardCharsets.UTF_8));
        return all.toString();
    }

    private static String index(Path folder) throws Exception {
        StringBuilder all = new StringBuilder();
        try (Stream<Path> files = Files.list(folder.resolve("index"))) {
            for (Path one : files.toList()) all.append(Files.readString(one));
        }
        return all.toString();
    }

    @Test
    void theyGoFromFolderAndShareAndOutOfTheIndex() throws Exception {
        String number = over("Ottilie Brand");
        String stays = OFFICE.completed(template, "Stella Fenn");
        Path folder = Files.createDirectories(BED.shares().resolve("copies"));
        Path web = Files.createDirectories(temporary.resolve("web"));
        try (WebShare share = new WebShare(web);
                BucketServer storage = new BucketServer()) {
            Bucket bucket = storage.opened("");
            target("BUCKET", storage.address() + "/papers/");
            target("FOLDER", folder.toString());
            target("WEBDAV", share.address());
            Wait.until("indexed", () -> {
                try {
                    return index(folder).contains(number)
                            && index(web).contains(number)
                            && index(bucket).contains(number);
                } catch (Exception e) {
                    return false;
                }
            });
            Files.writeString(folder.resolve("Ottilie Brand/notes.txt"), "the office's own");
            Files.writeString(web.resolve("Ottilie Brand/" + number + " - signing record.pdf"), "changed by somebody");
            bucket.put("Ottilie Brand/notes.txt", new byte[] {1});
            HAND.confirm(List.of(number), true);
            HAND.root();
            HAND.graceIsOver(number);
            HAND.awaitGone(number);
            assertThat(names(bucket))
                    .contains("Ottilie Brand/notes.txt", "Stella Fenn/" + stays + ".pdf")
                    .noneMatch(one -> one.contains(number));
            assertThat(index(bucket)).contains(stays).doesNotContain(number).doesNotContain("Ottilie");
            assertThat(files(folder)).contains("Ottilie Brand/notes.txt", "Stella Fenn/" + stays + ".pdf");
            assertThat(files(folder)).noneMatch(one -> one.contains(number));
            assertThat(files(web)).contains("Ottilie Brand/" + number + " - signing record.pdf");
            assertThat(files(web)).doesNotContain("Ottilie Brand/" + number + ".pdf");
            for (Path each : List.of(folder, web))
                assertThat(index(each)).contains(stays).doesNotContain(number).doesNotContain("Ottilie");
        }
    }

    @Test
    void anAgreementWaitsForAShareThatIsAwayAndIsWholeMeanwhile() throws Exception {
        String number = over("Wilma Brand");
        Path folder = Files.createDirectories(BED.shares().resolve("copies away"));
        target("FOLDER", folder.toString());
        Path aside = folder.resolveSibling("copies aside");
        Files.move(folder, aside);
        HAND.confirm(List.of(number), true);
        HAND.root();
        HAND.graceIsOver(number);
        Wait.until(
                "why it waits",
                () -> HAND.of(number).get("going").get("waitsFor").asString().contains("Share FOLDER"));
        assertThat(OFFICE.client
                        .post("/api/v1/archive/" + number + "/verification", Map.of())
                        .status())
                .isEqualTo(200);
        Files.move(aside, folder);
        OFFICE.client.post(FILING + "/" + made.get(0) + "/again", Map.of());
        HAND.awaitGone(number);
        assertThat(files(folder)).noneMatch(one -> one.contains(number) || one.contains("Wilma"));
    }

    @Test
    void whatStaysAfterAllIsFiledAgainWhereItWasTakenAway() throws Exception {
        String number = over("Nell Prior");
        Path there = Files.createDirectories(BED.shares().resolve("copies there"));
        Path away = Files.createDirectories(BED.shares().resolve("copies soon away"));
        target("FOLDER", there.toString());
        target("FOLDER", away.toString());
        Path aside = away.resolveSibling("copies soon aside");
        Files.move(away, aside);
        HAND.confirm(List.of(number), true);
        HAND.root();
        HAND.graceIsOver(number);
        Path copy = there.resolve("Nell Prior/" + number + ".pdf");
        Wait.until("taken away", () -> {
            HAND.look(number);
            return !Files.exists(copy);
        });
        assertThat(HAND.hold(List.of(number), "A claim").status()).isEqualTo(200);
        Wait.until("filed again", () -> Files.exists(copy));
        Files.move(aside, away);
        OFFICE.client.post(FILING + "/" + made.get(1) + "/again", Map.of());
        Wait.until("both whole", () -> {
            try {
                return index(there).contains(number)
                        && index(away).contains(number)
                        && Files.exists(away.resolve("Nell Prior/" + number + ".pdf"));
            } catch (Exception e) {
                return false;
            }
        });
        assertThat(HAND.isGone(number)).isFalse();
    }

    @Test
    void whatWasFiledByOtherTermsGoesToo() throws Exception {
        String number = over("Griet Olsen");
        Path folder = Files.createDirectories(BED.shares().resolve("copies by other terms"));
        target("FOLDER", folder.toString());
        assertThat(files(folder)).contains("Griet Olsen/" + number + " - signing record.pdf");
        JsonNode now = OFFICE.client
                .get(FILING)
                .json()
                .get("targets")
                .valueStream()
                .filter(one -> one.get("id").asString().equals(made.get(0)))
                .findFirst()
                .orElseThrow();
        ObjectNode terms = (ObjectNode) now.get("terms");
        terms.put("record", false);
        Client.Answer settled = OFFICE.client.put(
                FILING + "/" + made.get(0),
                Map.of("terms", terms, "revision", now.get("revision").asInt()));
        assertThat(settled.status()).as(settled.text()).isEqualTo(200);
        HAND.confirm(List.of(number), true);
        HAND.root();
        HAND.graceIsOver(number);
        HAND.awaitGone(number);
        assertThat(files(folder)).noneMatch(one -> one.contains("Griet"));
    }

    @Test
    void theyStayWhereThatWasWanted() throws Exception {
        String number = over("Hedda Brand");
        Path folder = Files.createDirectories(BED.shares().resolve("copies kept"));
        target("FOLDER", folder.toString());
        HAND.go(number);
        assertThat(files(folder)).contains("Hedda Brand/" + number + ".pdf");
        assertThat(HAND.list("destroyed/" + number).get("copies").asBoolean()).isFalse();
        // and nothing that is filed afterwards takes their names
        String next = OFFICE.completed(template, "Hedda Brand");
        Wait.until("filed", () -> Files.exists(folder.resolve("Hedda Brand/" + next + ".pdf")));
        assertThat(files(folder)).contains("Hedda Brand/" + number + ".pdf");
    }
}
