package org.jalousie.core.evidence;

import eu.europa.esig.dss.enumerations.DigestAlgorithm;
import eu.europa.esig.dss.enumerations.MimeTypeEnum;
import eu.europa.esig.dss.model.DSSDocument;
import eu.europa.esig.dss.model.InMemoryDocument;
import eu.europa.esig.dss.model.TimestampBinary;
import eu.europa.esig.dss.model.x509.CertificateToken;
import eu.europa.esig.dss.spi.validation.CommonCertificateVerifier;
import eu.europa.esig.dss.spi.x509.CommonTrustedCertificateSource;
import eu.europa.esig.dss.spi.x509.revocation.crl.ExternalResourcesCRLSource;
import eu.europa.esig.dss.spi.x509.tsp.TSPSource;
import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.util.List;

/** Our trust service in the shapes that the signature library asks for. */
final class DssParts {
    private DssParts() {}

    /** Trusts the service's anchors and fetches its revocation lists now. */
    static CommonCertificateVerifier verifier(TrustService trust) {
        CommonCertificateVerifier verifier = new CommonCertificateVerifier(true);
        CommonTrustedCertificateSource trusted = new CommonTrustedCertificateSource();
        trust.anchors().forEach(anchor -> trusted.addCertificate(new CertificateToken(anchor)));
        verifier.setTrustedCertSources(trusted);
        List<byte[]> lists = trust.revocationLists();
        verifier.setCrlSource(new ExternalResourcesCRLSource(
                lists.stream().map(ByteArrayInputStream::new).toArray(InputStream[]::new)));
        return verifier;
    }

    static TSPSource timeStamps(TrustService trust) {
        return new TSPSource() {
            private static final long serialVersionUID = 1L;

            @Override
            public TimestampBinary getTimeStampResponse(DigestAlgorithm algorithm, byte[] digest) {
                if (algorithm != DigestAlgorithm.SHA256)
                    throw new IllegalArgumentException("SHA-256 only, not " + algorithm);
                return new TimestampBinary(trust.timeStamp(digest));
            }
        };
    }

    static DSSDocument document(byte[] pdf) {
        return new InMemoryDocument(pdf, "agreement.pdf", MimeTypeEnum.PDF);
    }

    static byte[] bytes(DSSDocument document) {
        try (InputStream in = document.openStream()) {
            return in.readAllBytes();
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }
}
