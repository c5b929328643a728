package org.jalousie.core.evidence;

import eu.europa.esig.dss.asic.cades.ASiCWithCAdESSignatureParameters;
import eu.europa.esig.dss.asic.cades.SimpleASiCWithCAdESFilenameFactory;
import eu.europa.esig.dss.asic.cades.signature.ASiCWithCAdESService;
import eu.europa.esig.dss.asic.cades.validation.ASiCContainerWithCAdESValidator;
import eu.europa.esig.dss.enumerations.ASiCContainerType;
import eu.europa.esig.dss.enumerations.DigestAlgorithm;
import eu.europa.esig.dss.enumerations.MimeType;
import eu.europa.esig.dss.enumerations.SignatureAlgorithm;
import eu.europa.esig.dss.enumerations.SignatureLevel;
import eu.europa.esig.dss.model.DSSDocument;
import eu.europa.esig.dss.model.InMemoryDocument;
import eu.europa.esig.dss.model.SignatureValue;
import eu.europa.esig.dss.model.ToBeSigned;
import eu.europa.esig.dss.model.x509.CertificateToken;
import eu.europa.esig.dss.spi.signature.AdvancedSignature;
import eu.europa.esig.dss.validation.reports.Reports;
import java.io.ByteArrayInputStream;
import java.nio.charset.StandardCharsets;
import java.security.GeneralSecurityException;
import java.security.Signature;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Date;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeSet;
import org.jalousie.core.messages.Message;

/**
 * Files of any kind under one signature of the office's: ASiC-E with CAdES (ETSI EN 319 162-1 §4.4), at the level that lasts
 * (CAdES-B-LTA). Any program for ZIP archives opens it; the manifest in {@code META-INF} has the SHA-256 of each file.
 */
public final class EvidenceContainer {
    /** The media type of such a file (ETSI EN 319 162-1 §A.1). */
    public static final String TYPE = "application/vnd.etsi.asic-e+zip";

    private final TrustService trust;

    public EvidenceContainer(TrustService trust) {
        this.trust = trust;
    }

    /**
     * Puts files under the office's signature.
     *
     * @param files by their path in the container, one at least; none in {@code META-INF}
     */
    public byte[] seal(Map<String, byte[]> files, Instant at) {
        List<DSSDocument> documents = new ArrayList<>();
        files.forEach((path, bytes) -> documents.add(new InMemoryDocument(bytes, path, MimeType.fromFileName(path))));
        Credential office = trust.officeSeal();
        ASiCWithCAdESSignatureParameters parameters = new ASiCWithCAdESSignatureParameters();
        parameters.aSiC().setContainerType(ASiCContainerType.ASiC_E);
        parameters.setSignatureLevel(SignatureLevel.CAdES_BASELINE_LTA);
        parameters.setDigestAlgorithm(DigestAlgorithm.SHA256);
        parameters.getSignatureTimestampParameters().setDigestAlgorithm(DigestAlgorithm.SHA256);
        parameters.getArchiveTimestampParameters().setDigestAlgorithm(DigestAlgorithm.SHA256);
        parameters.setSigningCertificate(new CertificateToken(office.certificate()));
        parameters.setCertificateChain(
                office.chain().stream().map(CertificateToken::new).toList());
        parameters.bLevel().setSigningDate(Date.from(at));
        ASiCWithCAdESService service = new ASiCWithCAdESService(DssParts.verifier(trust));
        service.setTspSource(DssParts.timeStamps(trust));
        service.setAsicFilenameFactory(new SimpleASiCWithCAdESFilenameFactory());
        try {
            ToBeSigned data = service.getDataToSign(documents, parameters);
            Signature signature = Signature.getInstance("SHA256withECDSA");
            signature.initSign(office.key());
            signature.update(data.getBytes());
            SignatureValue value = new SignatureValue(SignatureAlgorithm.ECDSA_SHA256, signature.sign());
            return DssParts.bytes(service.signDocument(documents, parameters, value));
        } catch (GeneralSecurityException e) {
            throw new IllegalStateException("the office's key can't be used", e);
        }
    }

    /** Whether a file may be such a container: a ZIP archive whose first entry says so (ETSI EN 319 162-1 §A.1). */
    public static boolean isOne(byte[] file) {
        String start = new String(file, 0, Math.min(file.length, 120), StandardCharsets.ISO_8859_1);
        return start.startsWith("PK") && start.contains(TYPE);
    }

    /** Checks a container: its signatures, and that each file is in it as it was signed and none was added. */
    public Verification verify(byte[] container) {
        List<Message> findings = new ArrayList<>();
        List<Verification.SignatureCheck> checks = new ArrayList<>();
        try {
            ASiCContainerWithCAdESValidator validator =
                    new ASiCContainerWithCAdESValidator(new InMemoryDocument(container, "evidence.asice"));
            validator.setCertificateVerifier(DssParts.verifier(trust));
            Reports reports = validator.validateDocument(
                    new ByteArrayInputStream(Verifier.POLICY.getBytes(StandardCharsets.UTF_8)));
            Set<String> covered = new TreeSet<>();
            for (AdvancedSignature signature : validator.getSignatures()) {
                Verifier.signature(signature, reports.getSimpleReport(), checks, findings);
                reports.getDiagnosticData().getSignatureById(signature.getId()).getSignatureScopes().stream()
                        .map(scope -> scope.getName())
                        .forEach(covered::add);
            }
            validator.getSignedDocuments().stream()
                    .map(DSSDocument::getName)
                    .filter(name -> !covered.contains(name))
                    .forEach(name -> findings.add(Message.of("evidence.container.added", "file", name)));
        } catch (RuntimeException e) {
            findings.add(Message.of("evidence.container.unreadable"));
        }
        if (checks.isEmpty() && findings.isEmpty()) findings.add(Message.of("evidence.no-signature"));
        return new Verification(findings.isEmpty(), checks, findings, List.of());
    }
}
