package org.jalousie.core.evidence;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.ByteArrayInputStream;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.time.Instant;
import java.util.LinkedHashMap;
import java.util.Map;
import java.util.function.Consumer;
import java.util.zip.CRC32;
import java.util.zip.ZipEntry;
import java.util.zip.ZipInputStream;
import java.util.zip.ZipOutputStream;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;

class EvidenceContainerTest {
    private static final TestTrust TRUST = new TestTrust();
    private static final EvidenceContainer CONTAINERS = new EvidenceContainer(TRUST);
    private static byte[] sealed;

    @BeforeAll
    static void seal() {
        Map<String, byte[]> files = new LinkedHashMap<>();
        files.put("A-2026-0001/documents/Loan of a viola d’amore.pdf", utf8("%PDF-1.7 the loan"));
        files.put("A-2026-0001/events.jsonl", utf8("{\"sequence\":1}\n"));
        files.put("A-2026-0002/documents/Ende & Öffnung.pdf", utf8("%PDF-1.7 another"));
        sealed = CONTAINERS.seal(files, Instant.now());
    }

    private static byte[] utf8(String text) {
        return text.getBytes(StandardCharsets.UTF_8);
    }

    private static Map<String, byte[]> entries(byte[] container) throws IOException {
        Map<String, byte[]> entries = new LinkedHashMap<>();
        try (ZipInputStream zip = new ZipInputStream(new ByteArrayInputStream(container))) {
            for (ZipEntry entry = zip.getNextEntry(); entry != null; entry = zip.getNextEntry())
                entries.put(entry.getName(), zip.readAllBytes());
        }
        return entries;
    }

    /** The container with its entries changed; the first stays stored and not deflated, as the standard wants it. */
    private static byte[] changed(Consumer<Map<String, byte[]>> change) throws IOException {
        Map<String, byte[]> entries = entries(sealed);
        change.accept(entries);
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        try (ZipOutputStream zip = new ZipOutputStream(out)) {
            for (Map.Entry<String, byte[]> one : entries.entrySet()) {
                ZipEntry entry = new ZipEntry(one.getKey());
                if (one.getKey().equals("mimetype")) {
                    CRC32 sum = new CRC32();
                    sum.update(one.getValue());
                    entry.setMethod(ZipEntry.STORED);
                    entry.setSize(one.getValue().length);
                    entry.setCrc(sum.getValue());
                }
                zip.putNextEntry(entry);
                zip.write(one.getValue());
            }
        }
        return out.toByteArray();
    }

    private static String found(byte[] container) {
        Verification verification = CONTAINERS.verify(container);
        assertThat(verification.intact()).isFalse();
        return verification.findings().toString();
    }

    @Test
    void itIsAnArchiveThatAnyProgramOpens() throws IOException {
        assertThat(EvidenceContainer.isOne(sealed)).isTrue();
        Map<String, byte[]> entries = entries(sealed);
        // ETSI EN 319 162-1 §A.1: the first entry tells the type, stored as it is
        assertThat(entries.keySet()).first().isEqualTo("mimetype");
        assertThat(new String(entries.get("mimetype"))).isEqualTo(EvidenceContainer.TYPE);
        assertThat(entries).containsKey("A-2026-0002/documents/Ende & Öffnung.pdf");
        assertThat(entries.get("A-2026-0001/events.jsonl")).isEqualTo(utf8("{\"sequence\":1}\n"));
    }

    @Test
    void theOfficesSignatureHoldsAndLasts() {
        Verification verification = CONTAINERS.verify(sealed);
        assertThat(verification.intact()).as(verification.findings().toString()).isTrue();
        assertThat(verification.signatures()).hasSize(1).allSatisfy(one -> {
            assertThat(one.by()).isEqualTo("Office of the museum");
            assertThat(one.level()).isEqualTo("CAdES-BASELINE-LTA");
            assertThat(one.at()).isNotNull();
        });
    }

    @Test
    void whatIsChangedTakenOutOrPutInIsFound() throws IOException {
        assertThat(changed(entries -> {}).length).isPositive();
        assertThat(CONTAINERS.verify(changed(entries -> {})).intact()).isTrue();
        found(changed(entries -> entries.put("A-2026-0001/events.jsonl", utf8("{\"sequence\":2}\n"))));
        found(changed(entries -> entries.remove("A-2026-0001/events.jsonl")));
        assertThat(found(changed(entries -> entries.put("A-2026-0003/more.pdf", utf8("%PDF-1.7 more")))))
                .contains("A-2026-0003/more.pdf");
        found(changed(entries -> entries.keySet().removeIf(name -> name.startsWith("META-INF"))));
        found(utf8("PK no archive"));
        found(new byte[0]);
    }

    @Test
    void whoIsNotTrustedHasNotSigned() {
        EvidenceContainer others = new EvidenceContainer(new TestTrust());
        assertThat(others.verify(sealed).intact()).isFalse();
    }
}
