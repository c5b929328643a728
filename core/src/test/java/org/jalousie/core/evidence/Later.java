package org.jalousie.core.evidence;

import eu.europa.esig.dss.enumerations.DigestAlgorithm;
import eu.europa.esig.dss.enumerations.SignatureAlgorithm;
import eu.europa.esig.dss.enumerations.SignatureLevel;
import eu.europa.esig.dss.model.InMemoryDocument;
import eu.europa.esig.dss.model.SignatureValue;
import eu.europa.esig.dss.model.ToBeSigned;
import eu.europa.esig.dss.model.x509.CertificateToken;
import eu.europa.esig.dss.pades.PAdESSignatureParameters;
import eu.europa.esig.dss.pades.SignatureFieldParameters;
import eu.europa.esig.dss.pades.signature.PAdESService;
import java.security.GeneralSecurityException;
import java.security.Signature;

/** A signature that somebody puts on a finished file with a tool of their own. */
final class Later {
    private Later() {}

    /** @param at where on the first page from its upper left corner, with width and height in points; null for invisible */
    static byte[] signed(byte[] pdf, Credential by, TrustService trust, float[] at) {
        try {
            PAdESSignatureParameters parameters = new PAdESSignatureParameters();
            parameters.setSignatureLevel(SignatureLevel.PAdES_BASELINE_T);
            parameters.setDigestAlgorithm(DigestAlgorithm.SHA256);
            parameters.setSigningCertificate(new CertificateToken(by.certificate()));
            parameters.setCertificateChain(
                    by.chain().stream().map(CertificateToken::new).toList());
            parameters.setContentSize(9000);
            if (at != null) {
                SignatureFieldParameters field = new SignatureFieldParameters();
                field.setPage(1);
                field.setOriginX(at[0]);
                field.setOriginY(at[1]);
                field.setWidth(at[2]);
                field.setHeight(at[3]);
                parameters.getImageParameters().setFieldParameters(field);
                parameters.getImageParameters().setImage(new InMemoryDocument(SignedSample.mark(3), "mark.png"));
            }
            PAdESService service = new PAdESService(DssParts.verifier(trust));
            parameters.getSignatureTimestampParameters().setDigestAlgorithm(DigestAlgorithm.SHA256);
            service.setTspSource(DssParts.timeStamps(trust));
            ToBeSigned data = service.getDataToSign(DssParts.document(pdf), parameters);
            Signature signature = Signature.getInstance("SHA256withECDSA");
            signature.initSign(by.key());
            signature.update(data.getBytes());
            return DssParts.bytes(service.signDocument(
                    DssParts.document(pdf),
                    parameters,
                    new SignatureValue(SignatureAlgorithm.ECDSA_SHA256, signature.sign())));
        } catch (GeneralSecurityException e) {
            throw new IllegalStateException(e);
        }
    }
}
