package org.jalousie.server.archive;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import org.jalousie.core.agreement.Agreement;
import org.jalousie.core.agreement.AgreementNumber;
import org.jalousie.core.agreement.Document;
import org.jalousie.core.data.Sha256;
import org.jalousie.core.evidence.Damage;
import org.jalousie.core.evidence.EventChain;
import org.jalousie.core.evidence.Expected;
import org.jalousie.core.evidence.SigningRecord;
import org.jalousie.core.evidence.TrustService;
import org.jalousie.core.evidence.Verification;
import org.jalousie.core.evidence.Verifier;
import org.jalousie.core.messages.Message;
import org.jalousie.core.placement.DocumentId;
import org.jalousie.server.Refusal;
import org.jalousie.server.agreement.Agreements;
import org.jalousie.server.files.FileStore;
import org.springframework.stereotype.Service;

/** Compares what is kept of an agreement: its file, its signing record, its events and their chain. */
@Service
class ArchiveCheck {
    private static final Verification MISSING = new Verification(false, List.of(), List.of(), List.of());

    private final Agreements agreements;
    private final FileStore files;
    private final Verifier verifier;

    ArchiveCheck(Agreements agreements, FileStore files, TrustService trust) {
        this.agreements = agreements;
        this.files = files;
        this.verifier = new Verifier(trust);
    }

    /**
     * @param intact whether all that is kept agrees
     * @param findings where file, record, events and chain disagree
     */
    record Checked(boolean intact, List<DocumentChecked> documents, VerificationView record, List<String> findings) {}

    record DocumentChecked(String id, String title, VerificationView result) {}

    /** @param agreement whose file it is; empty when it is none that is known here */
    record FileChecked(String agreement, VerificationView result) {}

    Checked check(AgreementNumber number) {
        Agreements.Filed filed = agreements.filed(number);
        Agreement agreement = filed.agreement();
        if (agreement.record().isEmpty()) throw Refusal.notFound(Message.of("agreement.no-file-yet"));
        List<Message> findings = new ArrayList<>();
        EventChain.firstBroken(filed.links())
                .ifPresent(at -> findings.add(Message.of("archive.trail-broken", "event", at)));
        if (!agreement.created().number().equals(number))
            findings.add(Message.of(
                    "archive.other-events", "theirs", agreement.created().number(), "number", number));
        List<DocumentChecked> documents = agreement.documents().stream()
                .map(one ->
                        new DocumentChecked(one.id().value(), one.title(), VerificationView.of(checked(one, filed))))
                .toList();
        Optional<byte[]> record = agreement.record().flatMap(files::asFound);
        Verification evidence = record.map(verifier::verify)
                .orElse(MISSING.and(List.of(Message.of("archive.record-missing")), List.of()));
        if (record.isPresent() && !agreement.record().equals(record.map(Sha256::of)))
            evidence = evidence.and(List.of(Message.of("archive.record-changed")), List.of());
        record.ifPresent(bytes -> disagreements(bytes, number, filed, findings));
        agreement.attached().stream()
                .map(Agreement.Attached::file)
                .filter(one -> !files.asFound(one.file()).map(Sha256::of).equals(Optional.of(one.file())))
                .forEach(one -> findings.add(Message.of("archive.attached-changed", "name", one.name())));
        boolean whole = documents.stream().allMatch(one -> one.result().intact());
        return new Checked(
                findings.isEmpty() && whole && evidence.intact(),
                documents,
                VerificationView.of(evidence),
                VerificationView.said(findings));
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
        if (!document.kind().sealed())
            return same
                    ? new Verification(true, List.of(), List.of(), List.of())
                    : MISSING.and(damage(bytes, expected), List.of());
        Verification verification = verifier.verify(bytes, expected);
        return same ? verification : verification.and(damage(bytes, expected), List.of());
    }

    private List<Message> damage(byte[] bytes, Expected expected) {
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

    /**
     * Checks a file that somebody brings.
     *
     * @param number the agreement that it should be; empty to find out
     */
    FileChecked check(byte[] pdf, Optional<AgreementNumber> number) {
        if (pdf.length < 5 || !Arrays.equals(pdf, 0, 4, new byte[] {'%', 'P', 'D', 'F'}, 0, 4))
            throw Refusal.invalid(Message.of("archive.no-pdf"));
        Optional<AgreementNumber> whose = number.or(() -> agreements.numberWith(Expected.statesOf(pdf)));
        if (whose.isEmpty())
            return new FileChecked(
                    "",
                    VerificationView.of(
                            verifier.verify(pdf).and(List.of(), List.of(Message.of("archive.unknown-file")))));
        Agreements.Filed filed = agreements.filed(whose.get());
        Agreement agreement = filed.agreement();
        DocumentId document = Expected.documentOf(filed.history(), Expected.statesOf(pdf))
                .or(() -> agreement.documents().stream().findFirst().map(Document::id))
                .orElse(DocumentId.WORDING);
        Expected expected = Expected.of(agreement, filed.history(), document);
        Verification verification = verifier.verify(pdf, expected);
        return new FileChecked(
                whose.get().value(),
                VerificationView.of(
                        number.isEmpty() ? verification : verification.and(damage(pdf, expected), List.of())));
    }
}
