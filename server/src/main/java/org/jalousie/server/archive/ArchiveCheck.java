package org.jalousie.server.archive;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import org.jalousie.core.agreement.Agreement;
import org.jalousie.core.agreement.AgreementNumber;
import org.jalousie.core.agreement.Document;
import org.jalousie.core.agreement.DocumentId;
import org.jalousie.core.data.Sha256;
import org.jalousie.core.evidence.Damage;
import org.jalousie.core.evidence.EventChain;
import org.jalousie.core.evidence.Expected;
import org.jalousie.core.evidence.SigningRecord;
import org.jalousie.core.evidence.TrustService;
import org.jalousie.core.evidence.Verification;
import org.jalousie.core.evidence.Verifier;
import org.jalousie.core.messages.Message;
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
    record Checked(boolean intact, List<DocumentChecked> documents, Verification record, List<String> findings) {}

    record DocumentChecked(String id, String title, Verification result) {}

    /** @param agreement whose file it is; empty when it is none that is known here */
    record FileChecked(String agreement, Verification result) {}

    Checked check(AgreementNumber number) {
        Agreements.Filed filed = agreements.filed(number);
        Agreement agreement = filed.agreement();
        if (agreement.record().isEmpty()) throw Refusal.notFound(Message.of("agreement.no-file-yet"));
        List<String> findings = new ArrayList<>();
        EventChain.firstBroken(filed.links())
                .ifPresent(at -> findings.add("The trail is broken at event " + at
                        + ": an event was changed, added or removed after it was written."));
        if (!agreement.created().number().equals(number))
            findings.add("The events are those of " + agreement.created().number() + ", not of " + number + ".");
        List<DocumentChecked> documents = agreement.documents().stream()
                .map(one -> new DocumentChecked(one.id().value(), one.title(), checked(one, filed)))
                .toList();
        Optional<byte[]> record = agreement.record().flatMap(files::asFound);
        Verification evidence = record.map(verifier::verify)
                .orElse(MISSING.and(List.of("The signing record is missing from the file store."), List.of()));
        if (record.isPresent() && !agreement.record().equals(record.map(Sha256::of)))
            evidence = evidence.and(
                    List.of("It is not the signing record that was filed; its bytes were changed."), List.of());
        record.ifPresent(bytes -> disagreements(bytes, number, filed, findings));
        boolean whole = documents.stream().allMatch(one -> one.result().intact());
        return new Checked(findings.isEmpty() && whole && evidence.intact(), documents, evidence, findings);
    }

    private Verification checked(Document document, Agreements.Filed filed) {
        return files.asFound(document.pdf())
                .map(bytes -> stored(document, bytes, filed))
                .orElse(MISSING.and(List.of("The agreement's file is missing from the file store."), List.of()));
    }

    /** The stored file by itself, against its history, and against its earlier states, which are kept too. */
    private Verification stored(Document document, byte[] bytes, Agreements.Filed filed) {
        Expected expected = Expected.of(filed.agreement(), filed.history(), document.id());
        if (bytes.length == 0)
            return MISSING.and(List.of("The agreement's file is empty in the file store."), List.of());
        boolean same = Sha256.of(bytes).equals(document.pdf());
        // what was made elsewhere has no seal of ours; it is whole when no byte of it was changed
        if (!document.kind().sealed())
            return same
                    ? new Verification(true, List.of(), List.of(), List.of())
                    : MISSING.and(damage(bytes, expected), List.of());
        Verification verification = verifier.verify(bytes, expected);
        return same ? verification : verification.and(damage(bytes, expected), List.of());
    }

    private List<String> damage(byte[] bytes, Expected expected) {
        List<String> findings = new ArrayList<>();
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
    private void disagreements(byte[] record, AgreementNumber number, Agreements.Filed filed, List<String> findings) {
        SigningRecord.Subject subject = SigningRecord.subject(record);
        if (!subject.number().equals(number.value()))
            findings.add("The signing record is about " + subject.number() + ", not about " + number + ".");
        if (!subject.documents().equals(filed.agreement().revisions()))
            findings.add("The events and the signing record name different files as the agreement.");
        boolean others = filed.agreement().revisions().stream()
                .flatMap(one -> files.asFound(one.pdf()).map(Sha256::of).stream())
                .anyMatch(found ->
                        subject.documents().stream().noneMatch(one -> one.pdf().equals(found)));
        if (others) findings.add("The file in the file store is not the one that the signing record names.");
        int before = filed.links().size() - 2;
        if (before < 0 || !subject.chainHash().equals(filed.links().get(before).hash()))
            findings.add("The events are not those of which the signing record tells.");
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
                    verifier.verify(pdf)
                            .and(
                                    List.of(),
                                    List.of(
                                            "No state of this file is known here. It is none of this office's agreements, or it was changed from the beginning on.")));
        Agreements.Filed filed = agreements.filed(whose.get());
        Agreement agreement = filed.agreement();
        DocumentId document = Expected.documentOf(filed.history(), Expected.statesOf(pdf))
                .or(() -> agreement.documents().stream().findFirst().map(Document::id))
                .orElse(DocumentId.WORDING);
        Expected expected = Expected.of(agreement, filed.history(), document);
        Verification verification = verifier.verify(pdf, expected);
        return new FileChecked(
                whose.get().value(),
                number.isEmpty() ? verification : verification.and(damage(pdf, expected), List.of()));
    }
}
