package org.jalousie.server.archive;

import io.swagger.v3.oas.annotations.media.Schema;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;
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
import org.jalousie.core.evidence.law.LawAnswer;
import org.jalousie.core.evidence.law.LawTable;
import org.jalousie.core.messages.Message;
import org.jalousie.server.Refusal;
import org.jalousie.server.agreement.Agreements;
import org.jalousie.server.archive.roots.DailyRoots;
import org.jalousie.server.files.FileStore;
import org.springframework.stereotype.Service;

/** Compares what is kept of an agreement: its file, its signing record, its events and their chain. */
@Service
class ArchiveCheck {
    private static final Verification MISSING = new Verification(false, List.of(), List.of(), List.of());

    private final Agreements agreements;
    private final FileStore files;
    private final DailyRoots roots;
    private final Verifier verifier;

    ArchiveCheck(Agreements agreements, FileStore files, DailyRoots roots, TrustService trust) {
        this.agreements = agreements;
        this.files = files;
        this.roots = roots;
        this.verifier = new Verifier(trust);
    }

    /**
     * @param intact whether all that is kept agrees
     * @param findings where file, record, events, chain and daily roots disagree
     * @param cover the newest daily root that covers it; null while there is none
     */
    record Checked(
            boolean intact,
            List<DocumentChecked> documents,
            VerificationView record,
            List<String> findings,
            @Schema(types = {"object", "null"}) DailyRoots.Cover cover) {}

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
                VerificationView.said(findings),
                roots.cover(number).orElse(null));
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
                .map(printed -> files.asFound(printed).map(verifier::verify).orElse(MISSING));
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
