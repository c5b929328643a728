package org.jalousie.server.archive;

import java.time.Clock;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import org.jalousie.core.agreement.Agreement;
import org.jalousie.core.agreement.AgreementNumber;
import org.jalousie.core.agreement.Document;
import org.jalousie.core.data.Sha256;
import org.jalousie.core.evidence.EvidenceContainer;
import org.jalousie.core.evidence.Expected;
import org.jalousie.core.evidence.SigningRecord;
import org.jalousie.core.evidence.TrustService;
import org.jalousie.core.evidence.Verification;
import org.jalousie.core.evidence.Verifier;
import org.jalousie.core.evidence.word.WordSealCheck;
import org.jalousie.core.messages.Message;
import org.jalousie.core.placement.DocumentId;
import org.jalousie.server.Refusal;
import org.jalousie.server.account.Sight;
import org.jalousie.server.agreement.Agreements;
import org.jalousie.server.archive.trust.TrustedStore;
import org.springframework.stereotype.Service;

/** Checks files that somebody brings: ours, whole or changed, and others'. */
@Service
class FileCheck {
    private final Agreements agreements;
    private final ArchiveCheck archive;
    private final TrustService trust;
    private final TrustedStore trusted;
    private final Clock clock;
    private final Verifier verifier;
    private final EvidenceContainer containers;
    private final Sight sight;

    FileCheck(
            Agreements agreements,
            ArchiveCheck archive,
            TrustService trust,
            TrustedStore trusted,
            Clock clock,
            Sight sight) {
        this.sight = sight;
        this.agreements = agreements;
        this.archive = archive;
        this.trust = trust;
        this.trusted = trusted;
        this.clock = clock;
        this.verifier = new Verifier(trust);
        this.containers = new EvidenceContainer(trust);
    }

    /**
     * @param agreement whose file it is; empty when it is none that is known here
     * @param coverage what each signature and time stamp covers, in the order in which they were made
     */
    record FileChecked(String agreement, VerificationView result, List<CoverageView> coverage) {}

    /**
     * Checks a file that somebody brings.
     *
     * @param number the agreement that it should be; empty to find out
     */
    FileChecked check(byte[] pdf, Optional<AgreementNumber> number) {
        if (EvidenceContainer.isOne(pdf))
            return new FileChecked("", VerificationView.of(containers.verify(pdf)), List.of());
        if (WordSealCheck.mayBe(pdf)) return word(pdf);
        if (pdf.length < 5 || !Arrays.equals(pdf, 0, 4, new byte[] {'%', 'P', 'D', 'F'}, 0, 4))
            throw Refusal.invalid(Message.of("archive.no-pdf"));
        Optional<AgreementNumber> whose =
                number.or(() -> agreements.numberWith(Expected.statesOf(pdf))).filter(this::isSeen);
        if (whose.isEmpty()) return checkedRecord(pdf).orElseGet(() -> foreign(pdf));
        Agreements.Filed filed = agreements.filed(whose.get());
        Agreement agreement = filed.agreement();
        DocumentId document = Expected.documentOf(filed.history(), Expected.statesOf(pdf))
                .or(() -> agreement.documents().stream().findFirst().map(Document::id))
                .orElse(DocumentId.WORDING);
        Expected expected = Expected.of(agreement, filed.history(), document);
        Verification verification = verifier.verify(pdf, archive.proof(agreements.idOf(whose.get()), pdf), expected);
        return new FileChecked(
                whose.get().value(),
                VerificationView.of(
                        number.isEmpty() ? verification : verification.and(archive.damage(pdf, expected), List.of())),
                CoverageView.of(pdf));
    }

    /** A file that says that it is a signing record of ours. */
    private Optional<FileChecked> checkedRecord(byte[] pdf) {
        if (!SigningRecord.isOne(pdf)) return Optional.empty();
        Optional<AgreementNumber> said =
                AgreementNumber.read(SigningRecord.subject(pdf).number());
        return said.flatMap(agreements::known).filter(this::isSeen).map(number -> {
            boolean kept = agreements
                    .filed(number)
                    .agreement()
                    .record()
                    .filter(Sha256.of(pdf)::equals)
                    .isPresent();
            Verification alone = verifier.verify(pdf, archive.proof(agreements.idOf(number), pdf));
            return new FileChecked(
                    number.value(),
                    VerificationView.of(
                            kept
                                    ? alone.and(
                                            List.of(), List.of(Message.of("archive.is-record-of", "number", number)))
                                    : alone.and(
                                            List.of(Message.of("archive.other-record", "number", number)), List.of())),
                    CoverageView.of(pdf));
        });
    }

    /** To whoever doesn't see an agreement its files are like any others. */
    private boolean isSeen(AgreementNumber number) {
        return sight.seesAll() || sight.sees(agreements.template(number));
    }

    /** A Word file, whoever has signed it. */
    private FileChecked word(byte[] docx) {
        Verification verification = new WordSealCheck(trusted.with(trust), clock).verify(docx);
        return new FileChecked("", VerificationView.of(verification), List.of());
    }

    /** A file from elsewhere: more certificates are trusted for it than for what is ours. */
    private FileChecked foreign(byte[] pdf) {
        Verification verification = new Verifier(trusted.with(trust)).verify(pdf);
        return new FileChecked(
                "",
                VerificationView.of(verification.and(List.of(), List.of(Message.of("archive.unknown-file")))),
                CoverageView.of(pdf));
    }
}
