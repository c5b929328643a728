package org.jalousie.server;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.sql.Connection;
import java.sql.Statement;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Map;
import javax.sql.DataSource;
import org.jalousie.core.agreement.Actor;
import org.jalousie.core.agreement.AgreementNumber;
import org.jalousie.core.agreement.Entry;
import org.jalousie.core.agreement.Event;
import org.jalousie.core.agreement.Revision;
import org.jalousie.core.data.Sha256;
import org.jalousie.core.evidence.EventChain;
import org.jalousie.core.evidence.Expected;
import org.jalousie.core.evidence.Tampering;
import org.jalousie.core.evidence.TrustService;
import org.jalousie.core.evidence.Verifier;
import org.jalousie.core.evidence.law.LawElement;
import org.jalousie.core.parties.PartyKey;
import org.jalousie.core.placement.DocumentId;
import org.jalousie.demo.Client;
import org.jalousie.server.agreement.Agreements;
import org.jalousie.server.testbed.Office;
import org.jalousie.server.testbed.Testbed;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import tools.jackson.databind.JsonNode;

/** The archive compares file, signing record, events and chain, and says which of them disagree. */
class ArchiveCheckTest {
    private static final Testbed BED = Testbed.start();
    private static Office office;
    private static String first;
    private static String second;

    @BeforeAll
    static void complete() {
        office = new Office(BED.address());
        String template = office.publish("Archive", Office.loanWording());
        first = office.completed(template, "Ida Marsh");
        second = office.completed(template, "Ida Marsh");
    }

    private static JsonNode check(String number) {
        Client.Answer answer = office.client.post("/api/v1/archive/" + number + "/verification", Map.of());
        assertThat(answer.status()).as(answer.text()).isEqualTo(200);
        return answer.json();
    }

    private static byte[] pdf(String number) {
        return office.client
                .get("/api/v1/agreements/" + number + "/documents/wording.pdf")
                .body();
    }

    private static JsonNode checkFile(byte[] pdf, String number) {
        Client.Answer answer = office.client.upload("/api/v1/archive/check?number=" + number, "agreement.pdf", pdf);
        assertThat(answer.status()).as(answer.text()).isEqualTo(200);
        return answer.json();
    }

    private static Path stored(byte[] bytes) {
        String name = Sha256.of(bytes).hex();
        return BED.folder.resolve("files").resolve(name.substring(0, 2)).resolve(name);
    }

    private static JsonNode document(JsonNode checked) {
        return checked.get("documents").get(0).get("result");
    }

    @Test
    void whatWasNotTouchedAgrees() {
        JsonNode checked = check(first);
        assertThat(checked.get("intact").asBoolean()).as(checked.toString()).isTrue();
        assertThat(checked.get("findings")).isEmpty();
        for (JsonNode one : document(checked).get("signatures"))
            assertThat(one.get("certificate").get("sha256").asString()).hasSize(64);
    }

    @Test
    void whatAnswersTheLawIsLookedAtNow() {
        JsonNode law = office.client.get("/api/v1/archive/" + first + "/law").json();
        assertThat(law).hasSize(LawElement.values().length);
        for (JsonNode one : law) {
            String section = one.get("section").asString();
            // these two came by the link alone, and never opened the pages
            String expected = section.equals(LawElement.EIDAS_CONTROL.section())
                    ? "PARTLY"
                    : section.equals(LawElement.ESIGN_ACCESS.section())
                                    || section.equals(LawElement.UETA_EFFECT.section())
                            ? "UNMET"
                            : "MET";
            assertThat(one.get("standing").asString()).as(one.toString()).isEqualTo(expected);
        }
        assertThat(office.client.get("/api/v1/archive/A-1999-0001/law").status())
                .isEqualTo(404);
    }

    @Test
    void aStoredFileThatIsChangedEmptyOrGoneIsAFindingAndNoError() throws Exception {
        byte[] whole = pdf(first);
        Path file = stored(whole);
        byte[] changed = whole.clone();
        changed[whole.length / 3] ^= 1;
        try {
            Files.write(file, changed);
            assertThat(document(check(first)).get("findings").toString())
                    .contains("The first changed byte is number " + (whole.length / 3 + 1));
            Files.write(file, new byte[0]);
            assertThat(document(check(first)).get("findings").toString()).contains("is empty");
            Files.delete(file);
            JsonNode gone = check(first);
            assertThat(gone.get("intact").asBoolean()).isFalse();
            assertThat(document(gone).get("findings").toString()).contains("is missing");
            assertThat(office.client
                            .get("/api/v1/agreements/" + first + "/documents/wording.pdf")
                            .status())
                    .isEqualTo(503);
        } finally {
            Files.write(file, whole);
        }
        assertThat(check(first).get("intact").asBoolean()).isTrue();
    }

    @Test
    void aRecordThatIsChangedOrGoneIsAFinding() throws Exception {
        byte[] whole =
                office.client.get("/api/v1/agreements/" + first + "/record.pdf").body();
        Path file = stored(whole);
        try {
            byte[] changed = whole.clone();
            changed[whole.length / 2] ^= 1;
            Files.write(file, changed);
            assertThat(check(first).get("record").get("intact").asBoolean()).isFalse();
            Files.delete(file);
            assertThat(check(first).get("record").get("findings").toString()).contains("is missing");
        } finally {
            Files.write(file, whole);
        }
    }

    @Test
    void eventsThatWereMadeToPointToAnotherAgreementsFileAreFoundEvenWithTheChainMadeAnew() throws Exception {
        Sha256 other = Sha256.of(pdf(second));
        List<String[]> before = events(first);
        try {
            rewrite(before, other, false);
            assertThat(check(first).get("findings").toString())
                    .contains("The trail is broken at event")
                    .contains("name different files");
            rewrite(before, other, true);
            JsonNode rechained = check(first);
            assertThat(rechained.get("findings").toString())
                    .doesNotContain("is broken")
                    .contains("name different files");
            assertThat(document(rechained).get("findings").toString())
                    .contains("was not made with the certificate that was issued for Ida Marsh");
        } finally {
            restore(before);
        }
        assertThat(check(first).get("intact").asBoolean()).isTrue();
    }

    @Test
    void anEventThatWasChangedIsToldByTheRecordToo() throws Exception {
        List<String[]> before = events(first);
        try {
            List<String[]> changed = new ArrayList<>();
            String previous = EventChain.START;
            for (String[] row : before) {
                Entry entry = EventChain.read(row[2]);
                if (entry.event() instanceof Event.Signed signed
                        && signed.party().value().equals("lender"))
                    entry = new Entry(
                            entry.sequence(),
                            entry.at(),
                            new Actor.Participant(
                                    new PartyKey("lender"), Actor.Proof.MAILED_LINK, "203.0.113.9, elsewhere"),
                            signed);
                EventChain.Link link = EventChain.link(previous, entry);
                previous = link.hash();
                changed.add(new String[] {row[0], row[1], link.json(), link.hash()});
            }
            restore(changed);
            assertThat(check(first).get("findings").toString())
                    .contains("The events are not those of which the signing record tells");
        } finally {
            restore(before);
        }
    }

    /** Rows of an agreement: its id, the number of the event, its JSON and hash. */
    private static List<String[]> events(String number) throws Exception {
        List<String[]> rows = new ArrayList<>();
        try (Connection connection = BED.bean(DataSource.class).getConnection();
                var found = connection
                        .createStatement()
                        .executeQuery(
                                "select e.agreement_id, e.sequence, e.entry, e.hash from agreement_event e join agreement a on a.id = e.agreement_id where a.number = '"
                                        + number + "' order by e.sequence")) {
            while (found.next())
                rows.add(new String[] {found.getString(1), found.getString(2), found.getString(3), found.getString(4)});
        }
        return rows;
    }

    private static void rewrite(List<String[]> rows, Sha256 pdf, boolean chainAnew) throws Exception {
        List<String[]> changed = new ArrayList<>(rows);
        String[] last = rows.get(rows.size() - 1).clone();
        Entry entry = EventChain.read(last[2]);
        Event.Completed completed = (Event.Completed) entry.event();
        EventChain.Link link = EventChain.link(
                rows.get(rows.size() - 2)[3],
                new Entry(
                        entry.sequence(),
                        entry.at(),
                        entry.actor(),
                        new Event.Completed(List.of(new Revision(DocumentId.WORDING, pdf)), completed.record())));
        last[2] = link.json();
        if (chainAnew) last[3] = link.hash();
        changed.set(changed.size() - 1, last);
        restore(changed);
    }

    /** As somebody who rules over the database. */
    private static void restore(List<String[]> rows) throws Exception {
        try (Connection connection = BED.bean(DataSource.class).getConnection();
                Statement statement = connection.createStatement()) {
            statement.execute("alter table agreement_event disable trigger agreement_event_append_only");
            try (var update = connection.prepareStatement(
                    "update agreement_event set entry = ?, hash = ? where agreement_id = ?::uuid and sequence = ?")) {
                for (String[] row : rows) {
                    update.setString(1, row[2]);
                    update.setString(2, row[3]);
                    update.setString(3, row[0]);
                    update.setInt(4, Integer.parseInt(row[1]));
                    update.executeUpdate();
                }
            }
            statement.execute("alter table agreement_event enable trigger agreement_event_append_only");
        }
    }

    @Test
    void aFileFromElsewhereIsToldWhoseItIs() {
        byte[] whole = pdf(first);
        JsonNode own = checkFile(whole, "");
        assertThat(own.get("agreement").asString()).isEqualTo(first);
        assertThat(own.get("result").get("intact").asBoolean())
                .as(own.toString())
                .isTrue();
        int cut = new String(whole, StandardCharsets.ISO_8859_1).indexOf("%%EOF", whole.length / 2);
        byte[] earlier = Arrays.copyOf(whole, cut + 5);
        JsonNode known = checkFile(earlier, "");
        assertThat(known.get("agreement").asString()).isEqualTo(first);
        assertThat(known.get("result").get("intact").asBoolean()).isFalse();
        JsonNode swapped = checkFile(pdf(second), first);
        assertThat(swapped.get("result").get("findings").toString()).contains("This is not the file of " + first);
        JsonNode foreign = checkFile(org.jalousie.core.evidence.SignedSample.placed(), "");
        assertThat(foreign.get("agreement").asString()).isEmpty();
        assertThat(office.client
                        .upload("/api/v1/archive/check", "x.pdf", "no pdf".getBytes(StandardCharsets.UTF_8))
                        .status())
                .isEqualTo(422);
    }

    /** Kinds of tampering on a file of the application's own, made by the word processor and signed over HTTP. */
    @Test
    void tamperingWithAFiledAgreementIsFound() {
        Agreements.Filed filed = BED.bean(Agreements.class).filed(new AgreementNumber(first));
        Expected expected = Expected.of(filed.agreement(), filed.history(), DocumentId.WORDING);
        TrustService trust = BED.bean(TrustService.class);
        Verifier verifier = new Verifier(trust);
        byte[] whole = pdf(first);
        Map<String, byte[]> kinds = Tampering.of(whole, "lender_vat_number", "lender_signature", "museum_signature");
        List<String> missed = kinds.entrySet().parallelStream()
                // all of them are tried on a file made in core's tests; here a sixth, another one for each file
                .filter(kind -> Math.floorMod(kind.getKey().hashCode() + whole.length, 6) == 0)
                .filter(kind -> verifier.verify(kind.getValue()).intact()
                        || verifier.verify(Tampering.stamped(kind.getValue(), trust), expected)
                                .intact())
                .map(Map.Entry::getKey)
                .toList();
        assertThat(missed).isEmpty();
        String text = new String(whole, StandardCharsets.ISO_8859_1);
        for (int cut = text.indexOf("%%EOF"); cut + 7 < whole.length; cut = text.indexOf("%%EOF", cut + 1)) {
            byte[] earlier = Arrays.copyOf(whole, cut + 6);
            assertThat(verifier.verify(earlier, expected).intact())
                    .as("cut at " + cut)
                    .isFalse();
            assertThat(verifier.verify(Tampering.stamped(earlier, trust), expected)
                            .intact())
                    .as("cut at " + cut + " and stamped")
                    .isFalse();
        }
    }
}
