package org.jalousie.core.evidence;

import eu.europa.esig.dss.enumerations.Indication;
import eu.europa.esig.dss.pades.validation.PAdESSignature;
import eu.europa.esig.dss.pades.validation.PDFDocumentAnalyzer;
import eu.europa.esig.dss.pades.validation.PDFDocumentValidator;
import eu.europa.esig.dss.pdf.modifications.DefaultPdfDifferencesFinder;
import eu.europa.esig.dss.pdf.pdfbox.PdfBoxDefaultObjectFactory;
import eu.europa.esig.dss.simplereport.SimpleReport;
import eu.europa.esig.dss.spi.signature.AdvancedSignature;
import eu.europa.esig.dss.spi.validation.CommonCertificateVerifier;
import eu.europa.esig.dss.validation.reports.Reports;
import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.List;
import java.util.stream.Collectors;

/** Checks a signed file: the cryptography with a strict policy (ETSI EN 319 102-1), and every revision against the next. */
public final class Verifier {
    private static final String POLICY = strictPolicy();

    private final TrustService trust;

    public Verifier(TrustService trust) {
        this.trust = trust;
    }

    public Verification verify(byte[] pdf) {
        List<String> findings = new ArrayList<>();
        List<Verification.SignatureCheck> checks = new ArrayList<>();
        try {
            signatures(pdf, checks, findings);
        } catch (RuntimeException e) {
            findings.add("The file can't be read as a signed document: it was damaged or is something else.");
            return new Verification(false, checks, findings);
        }
        if (checks.isEmpty()) findings.add("The file carries no signature.");
        try {
            for (Revisions.Change change : Revisions.changes(pdf)) findings.add(sentence(change, checks));
        } catch (IOException | RuntimeException e) {
            findings.add("An earlier state of the file can't be read any more: bytes of it were changed.");
        }
        return new Verification(findings.isEmpty(), checks, findings);
    }

    /** What changed, after whose signature. */
    private static String sentence(Revisions.Change change, List<Verification.SignatureCheck> checks) {
        if (change.afterSigner().isEmpty()) return change.what() + ".";
        String by = checks.stream()
                .filter(check -> check.field().equals(change.afterSigner()))
                .map(Verification.SignatureCheck::by)
                .findFirst()
                .orElse("somebody unknown");
        return change.what() + ", after the signature of " + by + " (" + change.afterSigner() + ").";
    }

    private void signatures(byte[] pdf, List<Verification.SignatureCheck> checks, List<String> findings) {
        CommonCertificateVerifier verifier = DssParts.verifier(trust);
        PDFDocumentValidator validator = new PDFDocumentValidator(DssParts.document(pdf));
        validator.setCertificateVerifier(verifier);
        // our own comparison of revisions does this faster; the library's renders every page
        PdfBoxDefaultObjectFactory factory = new PdfBoxDefaultObjectFactory();
        DefaultPdfDifferencesFinder differences = new DefaultPdfDifferencesFinder();
        differences.setMaximalPagesAmountForVisualComparison(0);
        factory.setPdfDifferencesFinder(differences);
        ((PDFDocumentAnalyzer) validator.getDocumentAnalyzer()).setPdfObjFactory(factory);
        Reports reports = validator.validateDocument(new ByteArrayInputStream(POLICY.getBytes(StandardCharsets.UTF_8)));
        SimpleReport simple = reports.getSimpleReport();
        for (AdvancedSignature signature : validator.getSignatures()) {
            String id = signature.getId();
            String field = signature instanceof PAdESSignature pades
                    ? pades.getPdfRevision().getFields().stream()
                            .map(f -> f.getFieldName())
                            .collect(Collectors.joining(", "))
                    : "";
            boolean valid = simple.getIndication(id) == Indication.TOTAL_PASSED;
            String by = simple.getSignedBy(id);
            String detail = simple.getAdESValidationErrors(id).stream()
                    .map(message -> message.getValue())
                    .collect(Collectors.joining(" "));
            String level = simple.getSignatureFormat(id) == null
                    ? ""
                    : simple.getSignatureFormat(id).toString();
            checks.add(new Verification.SignatureCheck(
                    field,
                    by == null ? "" : by,
                    simple.getBestSignatureTime(id) == null
                            ? null
                            : simple.getBestSignatureTime(id).toInstant(),
                    level,
                    valid,
                    detail));
            if (!valid)
                findings.add("The signature of " + by + " (" + field + ") does not hold: "
                        + (detail.isEmpty() ? simple.getSubIndication(id) + "." : detail));
        }
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
