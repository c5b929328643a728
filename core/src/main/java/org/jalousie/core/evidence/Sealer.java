package org.jalousie.core.evidence;

import eu.europa.esig.dss.enumerations.CertificationPermission;
import eu.europa.esig.dss.enumerations.DigestAlgorithm;
import eu.europa.esig.dss.enumerations.SignatureAlgorithm;
import eu.europa.esig.dss.enumerations.SignatureLevel;
import eu.europa.esig.dss.model.DSSDocument;
import eu.europa.esig.dss.model.InMemoryDocument;
import eu.europa.esig.dss.model.SignatureValue;
import eu.europa.esig.dss.model.ToBeSigned;
import eu.europa.esig.dss.model.x509.CertificateToken;
import eu.europa.esig.dss.pades.PAdESSignatureParameters;
import eu.europa.esig.dss.pades.signature.PAdESService;
import eu.europa.esig.dss.spi.validation.CommonCertificateVerifier;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.security.GeneralSecurityException;
import java.security.Signature;
import java.time.Instant;
import java.util.Date;
import java.util.HashMap;
import java.util.HashSet;
import java.util.Map;
import java.util.Set;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.cos.COSDictionary;
import org.apache.pdfbox.cos.COSName;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.interactive.annotation.PDAnnotationWidget;
import org.apache.pdfbox.pdmodel.interactive.annotation.PDAppearanceDictionary;
import org.apache.pdfbox.pdmodel.interactive.form.PDAcroForm;
import org.apache.pdfbox.pdmodel.interactive.form.PDField;
import org.apache.pdfbox.pdmodel.interactive.form.PDTextField;
import org.jalousie.core.messages.Catalogue;
import org.jalousie.core.parties.IdentityCheck;
import org.jalousie.core.placement.FieldPlacer;
import org.jalousie.core.proof.SpecimenMark;

/**
 * Seals and signs documents: PAdES (ETSI EN 319 142-1) in incremental updates. The office's certification seal comes first,
 * each signer's approval signature after it, long-term data and the document time stamp last.
 */
public final class Sealer {
    // a P-256 signature with its chain and time stamp fits; the space left is padding (measured: 2.6 to 3.2 kB)
    private static final int CONTENT_SIZE = 8000;

    private final TrustService trust;

    public Sealer(TrustService trust) {
        this.trust = trust;
    }

    /** The office's invisible seal: from now on only form fields may be filled and signed (ISO 32000-1 Table 254, P 2). */
    public byte[] sealByOffice(byte[] pdf, Instant at) {
        return sealByOffice(pdf, trust.officeSeal(), at);
    }

    /** @param office the office's credential, whose certificate the caller keeps a note of */
    public byte[] sealByOffice(byte[] pdf, Credential office, Instant at) {
        if (SpecimenMark.isOn(pdf)) throw new IllegalArgumentException("A specimen is never sealed or sent.");
        PAdESSignatureParameters parameters = parameters(office, at);
        parameters.setPermission(CertificationPermission.MINIMAL_CHANGES_PERMITTED);
        parameters.setReason("Issued by the office");
        parameters.getImageParameters().getFieldParameters().setFieldId(FieldPlacer.OFFICE_SEAL);
        return sign(pdf, parameters, office, service());
    }

    /** A seal on a document that has no form, such as the signing record; lifted to long-term level at once. */
    public byte[] sealRecord(byte[] pdf, Instant at) {
        PAdESSignatureParameters parameters = parameters(trust.officeSeal(), at);
        parameters.setPermission(CertificationPermission.NO_CHANGE_PERMITTED);
        parameters.setReason("Signing record of the office");
        return longTerm(sign(pdf, parameters, trust.officeSeal(), service()));
    }

    /** Puts one party's act into the document: what they completed and, for a signer, their signature over everything. */
    public byte[] put(byte[] pdf, ActInFile act, Credential signer, Instant at) {
        byte[] filled = act.values().isEmpty()
                        && act.marked().isEmpty()
                        && act.initials().isEmpty()
                ? pdf
                : fill(pdf, act);
        if (act.signature().isEmpty()) return filled;
        PAdESSignatureParameters parameters = parameters(signer, at);
        parameters.setReason(reason(act.shownBy()));
        parameters
                .getImageParameters()
                .getFieldParameters()
                .setFieldId(act.signature().get());
        byte[] mark = act.mark().orElseThrow(() -> new IllegalArgumentException("a signature needs its mark"));
        parameters.getImageParameters().setImage(new InMemoryDocument(mark, "mark.png"));
        PAdESService service = service();
        service.setPdfObjFactory(MarkDrawer.factory(mark, act.caption()));
        return sign(filled, parameters, signer, service);
    }

    private static String reason(IdentityCheck shownBy) {
        return shownBy == IdentityCheck.NONE
                ? "Signed as agreed"
                : "Signed as agreed, identity shown by " + Catalogue.ENGLISH.say(EventSentences.check(shownBy));
    }

    /** Lifts all signatures to PAdES-B-LTA: revocation data and a document time stamp (ETSI EN 319 142-1 §6). */
    public byte[] longTerm(byte[] pdf) {
        PAdESSignatureParameters parameters = new PAdESSignatureParameters();
        parameters.setSignatureLevel(SignatureLevel.PAdES_BASELINE_LTA);
        parameters.getSignatureTimestampParameters().setDigestAlgorithm(DigestAlgorithm.SHA256);
        parameters.getArchiveTimestampParameters().setDigestAlgorithm(DigestAlgorithm.SHA256);
        parameters.setIncludeVRIDictionary(false);
        return DssParts.bytes(service().extendDocument(DssParts.document(pdf), parameters));
    }

    private PAdESService service() {
        CommonCertificateVerifier verifier = DssParts.verifier(trust);
        PAdESService service = new PAdESService(verifier);
        service.setTspSource(DssParts.timeStamps(trust));
        return service;
    }

    private static PAdESSignatureParameters parameters(Credential signer, Instant at) {
        PAdESSignatureParameters parameters = new PAdESSignatureParameters();
        // revocation data goes in with every signature: a signer's certificate may have run out when the last one signs
        parameters.setSignatureLevel(SignatureLevel.PAdES_BASELINE_LT);
        parameters.getSignatureTimestampParameters().setDigestAlgorithm(DigestAlgorithm.SHA256);
        parameters.setDigestAlgorithm(DigestAlgorithm.SHA256);
        parameters.setSigningCertificate(new CertificateToken(signer.certificate()));
        parameters.setCertificateChain(
                signer.chain().stream().map(CertificateToken::new).toList());
        parameters.setIncludeVRIDictionary(false);
        parameters.setContentSize(CONTENT_SIZE);
        parameters.bLevel().setSigningDate(Date.from(at));
        return parameters;
    }

    private static byte[] sign(
            byte[] pdf, PAdESSignatureParameters parameters, Credential signer, PAdESService service) {
        try {
            DSSDocument document = DssParts.document(pdf);
            ToBeSigned data = service.getDataToSign(document, parameters);
            Signature signature = Signature.getInstance("SHA256withECDSA");
            signature.initSign(signer.key());
            signature.update(data.getBytes());
            SignatureValue value = new SignatureValue(SignatureAlgorithm.ECDSA_SHA256, signature.sign());
            return DssParts.bytes(service.signDocument(document, parameters, value));
        } catch (GeneralSecurityException e) {
            throw new IllegalStateException("the signing key can't be used", e);
        }
    }

    private static byte[] fill(byte[] pdf, ActInFile act) {
        try (PDDocument document = Loader.loadPDF(pdf)) {
            PDAcroForm form = document.getDocumentCatalog().getAcroForm();
            Set<COSDictionary> changed = new HashSet<>();
            try (WordsDrawing words = WordsDrawing.in(document)) {
                for (Map.Entry<String, String> entry : act.values().entrySet()) {
                    PDTextField field = textField(form, entry.getKey());
                    words.fill(field, entry.getValue());
                    changed.add(field.getCOSObject());
                    touchAppearance(field, changed);
                }
            }
            Map<String, byte[]> marks = new HashMap<>(act.initials());
            for (String name : act.marked()) marks.put(name, act.mark().orElseThrow());
            for (Map.Entry<String, byte[]> entry : marks.entrySet()) {
                String name = entry.getKey();
                PDTextField field = textField(form, name);
                PDAnnotationWidget widget = field.getWidgets().get(0);
                field.getCOSObject().setString(COSName.V, "marked");
                PDAppearanceDictionary appearance = new PDAppearanceDictionary();
                appearance.getCOSObject().setDirect(true);
                appearance.setNormalAppearance(MarkDrawing.draw(document, widget.getRectangle(), entry.getValue(), ""));
                widget.setAppearance(appearance);
                changed.add(field.getCOSObject());
                touchAppearance(field, changed);
            }
            ByteArrayOutputStream out = new ByteArrayOutputStream(pdf.length + 20_000);
            document.saveIncremental(out, changed);
            return out.toByteArray();
        } catch (IOException e) {
            throw new UncheckedIOException("the document can't be filled", e);
        }
    }

    private static void touchAppearance(PDTextField field, Set<COSDictionary> changed) {
        COSDictionary appearances = field.getWidgets().get(0).getAppearance().getCOSObject();
        changed.add(appearances);
        if (appearances.getDictionaryObject(COSName.N) instanceof COSDictionary normal) changed.add(normal);
    }

    private static PDTextField textField(PDAcroForm form, String name) {
        PDField field = form.getField(name);
        if (field instanceof PDTextField text) return text;
        throw new IllegalArgumentException("the document has no text field " + name);
    }
}
