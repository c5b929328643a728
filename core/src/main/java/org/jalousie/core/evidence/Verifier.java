package org.jalousie.core.evidence;

import eu.europa.esig.dss.diagnostic.TimestampWrapper;
import eu.europa.esig.dss.enumerations.Indication;
import eu.europa.esig.dss.enumerations.TimestampType;
import eu.europa.esig.dss.model.x509.CertificateToken;
import eu.europa.esig.dss.pades.validation.PAdESSignature;
import eu.europa.esig.dss.pades.validation.PDFDocumentAnalyzer;
import eu.europa.esig.dss.pades.validation.PDFDocumentValidator;
import eu.europa.esig.dss.pdf.modifications.DefaultPdfDifferencesFinder;
import eu.europa.esig.dss.pdf.pdfbox.PdfBoxDefaultObjectFactory;
import eu.europa.esig.dss.simplereport.SimpleReport;
import eu.europa.esig.dss.spi.signature.AdvancedSignature;
import eu.europa.esig.dss.validation.reports.Reports;
import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.time.Clock;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Date;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Collectors;
import org.jalousie.core.agreement.CertificateId;
import org.jalousie.core.messages.Message;
import org.jalousie.core.pdf.Opened;

/** Checks a signed file: the cryptography with a strict policy (ETSI EN 319 102-1), and every state against the next. */
public final class Verifier {
    static final String POLICY = strictPolicy();

    private final TrustService trust;
    private final Clock clock;

    public Verifier(TrustService trust) {
        this(trust, Clock.systemUTC());
    }

    /** @param clock the time at which files are checked */
    public Verifier(TrustService trust, Clock clock) {
        this.trust = trust;
        this.clock = clock;
    }

    /** Checks a file for itself: whose it is, and whether it is the whole agreement, only {@link Expected} knows. */
    public Verification verify(byte[] pdf) {
        return verify(pdf, Optional.empty());
    }

    /**
     * The same of a file that may be older than the certificates in it.
     *
     * @param record the evidence record (RFC 4998) that proves how old it is; one that doesn't hold is a finding, and no help
     */
    public Verification verify(byte[] pdf, Optional<byte[]> record) {
        if (Opened.tooLarge(pdf)) {
            return new Verification(false, List.of(), List.of(Message.of("evidence.too-large")), List.of());
        }
        List<Message> findings = new ArrayList<>();
        List<Message> notes = new ArrayList<>();
        List<Verification.SignatureCheck> checks = new ArrayList<>();
        Map<String, TimeStamp> stamps = new HashMap<>();
        Optional<Instant> since = record.flatMap(one -> new EvidenceRecordCheck(trust, clock).provenSince(pdf, one));
        since.ifPresent(at -> notes.add(EvidenceRecordCheck.proves(at)));
        if (record.isPresent() && since.isEmpty()) findings.add(Message.of("stamps.holds-not"));
        try {
            signatures(pdf, record.filter(one -> since.isPresent()), checks, stamps, findings);
        } catch (RuntimeException | StackOverflowError e) {
            findings.add(Message.of("evidence.unreadable"));
            return new Verification(false, checks, findings, notes);
        }
        if (checks.isEmpty()) findings.add(Message.of("evidence.no-signature"));
        try {
            Revisions.Result result = Revisions.of(pdf);
            for (Revisions.Change change : result.changes()) findings.add(sentence(change, checks));
            boolean stamped = false;
            for (String field : result.added()) {
                boolean usual = !stamped
                        && stamps.containsKey(field)
                        && stamps.get(field).trusted();
                stamped |= stamps.containsKey(field);
                // the first time stamp over all is part of every finished agreement
                if (!usual || result.visibleAdded().contains(field))
                    added(pdf, field, result, checks, stamps, findings, notes);
            }
        } catch (IOException | RuntimeException | StackOverflowError e) {
            findings.add(Message.of("evidence.state-unreadable"));
            findings.addAll(Damage.unreadable(pdf));
        }
        return new Verification(findings.isEmpty(), checks, findings, notes);
    }

    /** Checks a file as one of an agreement of ours. */
    public Verification verify(byte[] pdf, Expected expected) {
        return verify(pdf, Optional.empty(), expected);
    }

    /** The same of a file that may be older than the certificates in it. */
    public Verification verify(byte[] pdf, Optional<byte[]> record, Expected expected) {
        Verification alone = verify(pdf, record);
        Expected.Comparison comparison = expected.compare(pdf, alone.signatures());
        return alone.and(comparison.findings(), comparison.notes());
    }

    /** A document time stamp. @param trusted whether it is by a service that we trust, and holds */
    private record TimeStamp(String by, String at, boolean trusted) {}

    /** A signature or time stamp that was put on later is lawful when it can be trusted and covers no words. */
    private static void added(
            byte[] pdf,
            String field,
            Revisions.Result result,
            List<Verification.SignatureCheck> checks,
            Map<String, TimeStamp> stamps,
            List<Message> findings,
            List<Message> notes) {
        if (result.visibleAdded().contains(field)) {
            SignatureRoom.covers(pdf, field)
                    .ifPresent(
                            words -> findings.add(Message.of("evidence.covers-words", "field", field, "words", words)));
        }
        TimeStamp stamp = stamps.get(field);
        if (stamp != null) {
            if (stamp.trusted()) notes.add(Message.of("evidence.stamped", "by", stamp.by(), "at", stamp.at()));
            return;
        }
        checks.stream()
                .filter(check -> check.field().equals(field) && check.valid())
                .findFirst()
                .ifPresent(
                        check -> notes.add(Message.of("evidence.signature-added", "by", check.by(), "field", field)));
    }

    /** What changed, after whose signature. */
    private static Message sentence(Revisions.Change change, List<Verification.SignatureCheck> checks) {
        if (change.afterSigner().isEmpty()) return Message.of("evidence.changed", "what", change.what());
        Object by = checks.stream()
                .filter(check -> check.field().equals(change.afterSigner()))
                .<Object>map(Verification.SignatureCheck::by)
                .findFirst()
                .orElse(Message.of("evidence.by-taken-out"));
        return Message.of("evidence.changed-after", "what", change.what(), "by", by, "field", change.afterSigner());
    }

    private void signatures(
            byte[] pdf,
            Optional<byte[]> record,
            List<Verification.SignatureCheck> checks,
            Map<String, TimeStamp> stamps,
            List<Message> findings) {
        PDFDocumentValidator validator = new PDFDocumentValidator(DssParts.document(pdf));
        validator.setCertificateVerifier(DssParts.verifier(trust));
        validator.setValidationTime(Date.from(clock.instant()));
        record.ifPresent(
                one -> validator.setDetachedEvidenceRecordDocuments(List.of(EvidenceRecordCheck.document(one))));
        // our own comparison of revisions does this faster; the library's renders every page
        PdfBoxDefaultObjectFactory factory = new PdfBoxDefaultObjectFactory();
        DefaultPdfDifferencesFinder differences = new DefaultPdfDifferencesFinder();
        differences.setMaximalPagesAmountForVisualComparison(0);
        factory.setPdfDifferencesFinder(differences);
        ((PDFDocumentAnalyzer) validator.getDocumentAnalyzer()).setPdfObjFactory(factory);
        Reports reports = validator.validateDocument(new ByteArrayInputStream(POLICY.getBytes(StandardCharsets.UTF_8)));
        for (AdvancedSignature signature : validator.getSignatures())
            signature(signature, reports.getSimpleReport(), checks, findings);
        for (TimestampWrapper stamp : reports.getDiagnosticData().getTimestampList())
            timeStamp(stamp, reports, stamps, findings);
    }

    static void signature(
            AdvancedSignature signature,
            SimpleReport simple,
            List<Verification.SignatureCheck> checks,
            List<Message> findings) {
        String id = signature.getId();
        String field = signature instanceof PAdESSignature pades
                ? pades.getPdfRevision().getFields().stream()
                        .map(f -> f.getFieldName())
                        .collect(Collectors.joining(", "))
                : "";
        boolean valid = simple.getIndication(id) == Indication.TOTAL_PASSED;
        String by = Optional.ofNullable(simple.getSignedBy(id)).orElse("somebody unknown");
        String detail = simple.getAdESValidationErrors(id).stream()
                .map(message -> message.getValue())
                .collect(Collectors.joining(" "));
        CertificateToken certificate = signature.getSigningCertificateToken();
        checks.add(new Verification.SignatureCheck(
                field,
                by,
                simple.getBestSignatureTime(id) == null
                        ? null
                        : simple.getBestSignatureTime(id).toInstant(),
                simple.getSignatureFormat(id) == null
                        ? ""
                        : simple.getSignatureFormat(id).toString(),
                valid,
                detail,
                certificate == null ? CertificateId.NONE : Credential.idOf(certificate.getCertificate())));
        if (!valid)
            findings.add(Message.of(
                    "evidence.holds-not",
                    "by",
                    by,
                    "field",
                    field,
                    "cause",
                    detail.isEmpty() ? simple.getSubIndication(id) + "." : detail));
    }

    private static void timeStamp(
            TimestampWrapper stamp, Reports reports, Map<String, TimeStamp> stamps, List<Message> findings) {
        // the record has a check of its own
        if (stamp.getType() == TimestampType.EVIDENCE_RECORD_TIMESTAMP) return;
        // by itself, or by what proves that it was there while its certificate was good
        boolean trusted =
                reports.getDetailedReport().getBasicTimestampValidationIndication(stamp.getId()) == Indication.PASSED
                        || reports.getDetailedReport().getArchiveDataTimestampValidationIndication(stamp.getId())
                                == Indication.PASSED;
        String by = stamp.getSigningCertificate() == null
                ? "somebody unknown"
                : stamp.getSigningCertificate().getReadableCertificateName();
        String at = stamp.getProductionTime() == null
                ? "at no time that can be read"
                : stamp.getProductionTime().toInstant().toString();
        boolean ofDocument = stamp.getType() == TimestampType.DOCUMENT_TIMESTAMP && stamp.getPDFRevision() != null;
        String field = ofDocument ? stamp.getPDFRevision().getFirstFieldName() : "";
        if (ofDocument) stamps.put(field, new TimeStamp(by, at, trusted));
        if (!trusted)
            findings.add(
                    field.isEmpty()
                            ? Message.of("evidence.stamp-not-trusted", "by", by)
                            : Message.of("evidence.stamp-of-field-not-trusted", "by", by, "field", field));
    }

    /** The library's default policy with changes to a signed document as failures instead of warnings. */
    private static String strictPolicy() {
        try (InputStream in = Verifier.class.getResourceAsStream("/policy/constraint.xml")) {
            String policy = new String(in.readAllBytes(), StandardCharsets.UTF_8);
            for (String rule : List.of(
                    "DocMDP",
                    "FieldMDP",
                    "SigFieldLock",
                    "UndefinedChanges",
                    "PdfAnnotationOverlap",
                    "PdfPageDifference")) {
                policy = policy.replaceAll("<" + rule + " Level=\"[A-Z]+\"", "<" + rule + " Level=\"FAIL\"");
            }
            return policy;
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }
}
