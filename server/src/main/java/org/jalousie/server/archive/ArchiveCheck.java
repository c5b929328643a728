package org.jalousie.server.archive;

import io.swagger.v3.oas.annotations.media.Schema;
import java.time.Clock;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import java.util.stream.Stream;
import org.jalousie.core.agreement.Agreement;
import org.jalousie.core.agreement.AgreementNumber;
import org.jalousie.core.agreement.Document;
import org.jalousie.core.data.AttachedFile;
import org.jalousie.core.data.Sha256;
import org.jalousie.core.evidence.Damage;
import org.jalousie.core.evidence.EventChain;
import org.jalousie.core.evidence.EvidenceRecordCheck;
import org.jalousie.core.evidence.Expected;
import org.jalousie.core.evidence.SigningRecord;
import org.jalousie.core.evidence.TrustService;
import org.jalousie.core.evidence.Verification;
import org.jalousie.core.evidence.Verifier;
import org.jalousie.core.evidence.law.LawAnswer;
import org.jalousie.core.evidence.law.LawTable;
import org.jalousie.core.messages.Message;
import org.jalousie.server.Refusal;
import org.jalousie.server.agreement.Agreements;
import org.jalousie.server.archive.roots.DailyRoots;
import org.jalousie.server.archive.stamps.EvidenceRecords;
import org.jalousie.server.archive.stamps.StampLists;
import org.jalousie.server.files.FileStore;
import org.springframework.stereotype.Service;

/** Compares what is kept of an agreement: its file, its signing record, its events and their chain. */
@Service
class ArchiveCheck {
    private static final Verification MISSING = new Verification(false, List.of(), List.of(), List.of());

    private final Agreements agreements;
    private final FileStore files;
    private final DailyRoots roots;
    private final EvidenceRecords records;
    private final StampLists stamps;
    private final Verifier verifier;
    private final EvidenceRecordCheck proofs;

    ArchiveCheck(
            Agreements agreements,
            FileStore files,
            DailyRoots roots,
            EvidenceRecords records,
            StampLists stamps,
            TrustService trust,
            Clock clock) {
        this.agreements = agreements;
        this.files = files;
        this.roots = roots;
        this.records = records;
        this.stamps = stamps;
        this.verifier = new Verifier(trust, clock);
        this.proofs = new EvidenceRecordCheck(trust, clock);
    }

    /**
     * @param intact whether all that is kept agrees
     * @param findings where file, record, events, chain and daily roots disagree
     * @param cover the newest daily root that covers it; null while there is none
     * @param stamped the archive time stamp that its files are under; null while there is none
     */
    record Checked(
            boolean intact,
            List<DocumentChecked> documents,
            VerificationView record,
            List<String> findings,
            @Schema(types = {"object", "null"}) DailyRoots.Cover cover,
            @Schema(types = {"object", "null"}) StampLists.StampStanding stamped) {}

    record DocumentChecked(String id, String title, VerificationView result) {}

    Checked check(AgreementNumber number) {
        Agreements.Filed filed = agreements.filed(number);
        Agreement agreement = filed.agreement();
        if (agreement.record().isEmpty()) throw Refusal.notFound(Message.of("agreement.no-file-yet"));
        List<Message> findings = new ArrayList<>();
        EventChain.firstBroken(filed.links())
                .ifPresent(at -> findings.add(Message.of("archive.trail-broken", "event", at)));
        findings.addAll(roots.findings(number, filed.links()));
        if (!agreement.created().number().equals(number))
            findings.add(Message.of(
                    "archive.other-events", "theirs", agreement.created().number(), "number", number));
        List<DocumentChecked> documents = agreement.documents().stream()
                .map(one ->
                        new DocumentChecked(one.id().value(), one.title(), VerificationView.of(checked(one, filed))))
                .toList();
        UUID id = agreements.idOf(number);
        Optional<byte[]> record = agreement.record().flatMap(files::asFound);
        Verification evidence = record.map(bytes -> verifier.verify(bytes, proof(id, bytes)))
                .orElse(MISSING.and(List.of(Message.of("archive.record-missing")), List.of()));
        if (record.isPresent() && !agreement.record().equals(record.map(Sha256::of)))
            evidence = evidence.and(List.of(Message.of("archive.record-changed")), List.of());
        record.ifPresent(bytes -> disagreements(bytes, number, filed, findings));
        agreement.attached().forEach(one -> attached(id, one.file(), findings));
        boolean whole = documents.stream().allMatch(one -> one.result().intact());
        return new Checked(
                findings.isEmpty() && whole && evidence.intact(),
                documents,
                VerificationView.of(evidence),
                VerificationView.said(findings),
                roots.cover(number).orElse(null),
                stamps.of(id).orElse(null));
    }

    /**
     * What answers an element of a law.
     *
     * @param section where it stands, {@code asks} what it asks for
     * @param events numbers of the events that prove it; none where a property of the files does
     */
    record LawRow(String section, String asks, LawAnswer.Standing standing, List<Integer> events, String because) {}

    List<LawRow> law(AgreementNumber number) {
        Agreements.Filed filed = agreements.filed(number);
        Agreement agreement = filed.agreement();
        if (agreement.record().isEmpty()) throw Refusal.notFound(Message.of("agreement.no-file-yet"));
        List<Verification> files = agreement.documents().stream()
                .filter(one -> one.kind().sealed())
                .flatMap(one -> Stream.concat(Stream.of(checked(one, filed)), onScreen(one, agreement).stream()))
                .toList();
        return LawTable.of(agreement, filed.history(), files).stream()
                .map(one -> new LawRow(
                        one.element().section(),
                        Message.of(one.element().asks()).toString(),
                        one.standing(),
                        one.events(),
                        one.because().toString()))
                .toList();
    }

    /** What some have signed on the screen before it was signed on paper. */
    private Optional<Verification> onScreen(Document document, Agreement agreement) {
        return agreement
                .paper()
                .flatMap(paper -> paper.printedAs(document.id()))
                .map(printed -> files.asFound(printed)
                        .map(bytes -> verifier.verify(
                                bytes, proof(agreements.idOf(agreement.created().number()), bytes)))
                        .orElse(MISSING));
    }

    private Verification checked(Document document, Agreements.Filed filed) {
        return files.asFound(document.pdf())
                .map(bytes -> stored(document, bytes, filed))
                .orElse(MISSING.and(List.of(Message.of("archive.file-missing")), List.of()));
    }

    /** The stored file by itself, against its history, and against its earlier states, which are kept too. */
    private Verification stored(Document document, byte[] bytes, Agreements.Filed filed) {
        Expected expected = Expected.of(filed.agreement(), filed.history(), document.id());
        if (bytes.length == 0) return MISSING.and(List.of(Message.of("archive.file-empty")), List.of());
        boolean same = Sha256.of(bytes).equals(document.pdf());
        // what was made elsewhere has no seal of ours; it is whole when no byte of it was changed
        UUID id = agreements.idOf(filed.agreement().created().number());
        if (!document.kind().sealed())
            return same ? unsealed(id, bytes) : MISSING.and(damage(bytes, expected), List.of());
        Verification verification = verifier.verify(bytes, proof(id, bytes), expected);
        return same ? verification : verification.and(damage(bytes, expected), List.of());
    }

    /** A file that was made elsewhere and is what it was. */
    private Verification unsealed(UUID id, byte[] bytes) {
        Verification whole = new Verification(true, List.of(), List.of(), List.of());
        Optional<byte[]> record = proof(id, bytes);
        if (record.isEmpty()) return whole;
        return proofs.provenSince(bytes, record.get())
                .map(at -> whole.and(List.of(), List.of(EvidenceRecordCheck.proves(at))))
                .orElseGet(() -> whole.and(List.of(Message.of("stamps.holds-not")), List.of()));
    }

    private void attached(UUID id, AttachedFile file, List<Message> findings) {
        Optional<byte[]> bytes =
                files.asFound(file.file()).filter(one -> Sha256.of(one).equals(file.file()));
        if (bytes.isEmpty()) findings.add(Message.of("archive.attached-changed", "name", file.name()));
        else if (!unsealed(id, bytes.get()).intact())
            findings.add(Message.of("stamps.attached-holds-not", "name", file.name()));
    }

    /** The evidence record of a file of an agreement, as it is there; empty for what isn't the archive's. */
    Optional<byte[]> proof(UUID id, byte[] bytes) {
        return records.asFound(id, Sha256.of(bytes));
    }

    /** Where a file differs from the newest state of it that is whole. */
    List<Message> damage(byte[] bytes, Expected expected) {
        List<Message> findings = new ArrayList<>();
        List<Expected.State> states = expected.states();
        for (int i = states.size() - 1; i >= 0; i--) {
            Sha256 name = states.get(i).sha256();
            Optional<byte[]> whole =
                    files.asFound(name).filter(one -> Sha256.of(one).equals(name));
            if (whole.isEmpty()) continue;
            Damage.between(bytes, whole.get()).ifPresent(findings::add);
            break;
        }
        return findings;
    }

    /** The signing record is sealed and names what it is about, so it knows when something else is pointed to. */
    private void disagreements(byte[] record, AgreementNumber number, Agreements.Filed filed, List<Message> findings) {
        SigningRecord.Subject subject = SigningRecord.subject(record);
        if (!subject.number().equals(number.value()))
            findings.add(Message.of("archive.record-of-other", "theirs", subject.number(), "number", number));
        if (!subject.documents().equals(filed.agreement().revisions())) findings.add(Message.of("archive.other-files"));
        boolean others = filed.agreement().revisions().stream()
                .flatMap(one -> files.asFound(one.pdf()).map(Sha256::of).stream())
                .anyMatch(found ->
                        subject.documents().stream().noneMatch(one -> one.pdf().equals(found)));
        if (others) findings.add(Message.of("archive.file-not-named"));
        int before = filed.links().size() - 2;
        if (before < 0 || !subject.chainHash().equals(filed.links().get(before).hash()))
            findings.add(Message.of("archive.events-not-told"));
    }
}
