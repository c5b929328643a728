package org.jalousie.server.archive;

import java.nio.charset.StandardCharsets;
import java.time.Clock;
import java.util.Collection;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.UUID;
import java.util.stream.Collectors;
import org.jalousie.core.agreement.Agreement;
import org.jalousie.core.agreement.AgreementNumber;
import org.jalousie.core.agreement.Document;
import org.jalousie.core.data.Sha256;
import org.jalousie.core.evidence.EventChain;
import org.jalousie.core.evidence.EvidenceContainer;
import org.jalousie.core.evidence.TrustService;
import org.jalousie.core.evidence.roots.Inclusion;
import org.jalousie.core.filing.FileNames;
import org.jalousie.core.filing.OneArchive;
import org.jalousie.core.json.Json;
import org.jalousie.core.messages.Message;
import org.jalousie.server.Refusal;
import org.jalousie.server.account.Sight;
import org.jalousie.server.agreement.Agreements;
import org.jalousie.server.archive.roots.DailyRoots;
import org.jalousie.server.archive.stamps.EvidenceRecords;
import org.jalousie.server.files.FileStore;
import org.jalousie.server.postroom.SentMails;
import org.springframework.stereotype.Service;

/** All evidence of agreements in one file under the office's signature (ASiC-E). */
@Service
class EvidenceFiles {
    /** How many agreements one container takes. */
    static final int MOST = 100;

    /** How large it may become, in bytes: it is made in memory. */
    private static final long LARGEST = 60_000_000;

    private final Agreements agreements;
    private final FileStore files;
    private final SentMails mails;
    private final DailyRoots roots;
    private final EvidenceRecords records;
    private final EvidenceContainer containers;
    private final Clock clock;
    private final Sight sight;

    EvidenceFiles(
            Agreements agreements,
            FileStore files,
            SentMails mails,
            DailyRoots roots,
            EvidenceRecords records,
            TrustService trust,
            Clock clock,
            Sight sight) {
        this.sight = sight;
        this.agreements = agreements;
        this.files = files;
        this.mails = mails;
        this.roots = roots;
        this.records = records;
        this.containers = new EvidenceContainer(trust);
        this.clock = clock;
    }

    /**
     * A container with the evidence of agreements, a folder for each.
     *
     * @throws Refusal for none or too many, for one that isn't filed, and when they are too large together
     */
    byte[] of(Collection<AgreementNumber> numbers) {
        Set<AgreementNumber> wanted = new LinkedHashSet<>(numbers);
        if (wanted.isEmpty() || wanted.size() > MOST)
            throw Refusal.malformed(Message.of("archive.evidence.how-many", "most", MOST));
        if (!sight.seesAll() && !wanted.stream().map(agreements::template).allMatch(sight::sees))
            throw Refusal.notFound(Message.of("group.not-seen"));
        Map<String, byte[]> all = new LinkedHashMap<>();
        Map<AgreementNumber, Inclusion> covered = roots.covering(wanted);
        long size = 0;
        for (AgreementNumber number : wanted) {
            Map<String, byte[]> own = of(number, Optional.ofNullable(covered.get(number)));
            size += own.values().stream().mapToLong(one -> one.length).sum();
            if (size > LARGEST)
                throw Refusal.malformed(Message.of("archive.evidence.too-large", "megabytes", LARGEST / 1_000_000));
            all.putAll(own);
        }
        return containers.seal(all, clock.instant());
    }

    private Map<String, byte[]> of(AgreementNumber number, Optional<Inclusion> covered) {
        Agreements.Filed filed = agreements.filed(number);
        Agreement agreement = filed.agreement();
        Sha256 record = agreement
                .record()
                .orElseThrow(() -> Refusal.notFound(Message.of("archive.evidence.not-filed", "number", number)));
        String folder = number + "/";
        Map<String, byte[]> own = new LinkedHashMap<>();
        UUID id = agreements.idOf(number);
        for (Document one : agreement.documents())
            putProven(own, folder + "documents/", FileNames.of(agreement, one.id(), "pdf"), id, one.pdf());
        putProven(own, folder, "signing record.pdf", id, record);
        for (Agreement.Attached one : agreement.attached())
            putProven(
                    own, folder + "attached/", one.file().name(), id, one.file().file());
        put(
                own,
                folder,
                "events.jsonl",
                lines(filed.links().stream().map(EventChain.Link::json).toList()));
        put(
                own,
                folder,
                "chain.txt",
                lines(filed.links().stream().map(EventChain.Link::hash).toList()));
        put(own, folder, "mails.json", json(mails.about(id)));
        covered.ifPresent(proof -> put(own, folder, "daily-root.json", json(proof)));
        return own;
    }

    /** A file, and beside it what proves how old it is. */
    private void putProven(Map<String, byte[]> own, String folder, String name, UUID agreement, Sha256 file) {
        put(own, folder, name, files.get(file));
        records.fileOf(agreement, file).ifPresent(record -> put(own, folder, name + ".ers", record));
    }

    private static void put(Map<String, byte[]> own, String folder, String name, byte[] bytes) {
        String plain = OneArchive.plain(name);
        String path = folder + plain;
        for (int i = 2; own.containsKey(path); i++) path = folder + i + " " + plain;
        own.put(path, bytes);
    }

    private static byte[] lines(List<String> lines) {
        return lines.stream()
                .map(one -> one + "\n")
                .collect(Collectors.joining())
                .getBytes(StandardCharsets.UTF_8);
    }

    private static byte[] json(Object value) {
        return Json.canonical(value).getBytes(StandardCharsets.UTF_8);
    }
}
