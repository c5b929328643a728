package org.jalousie.core.evidence;

import java.security.GeneralSecurityException;
import java.security.cert.CertPathBuilder;
import java.security.cert.CertStore;
import java.security.cert.CollectionCertStoreParameters;
import java.security.cert.PKIXBuilderParameters;
import java.security.cert.TrustAnchor;
import java.security.cert.X509CertSelector;
import java.security.cert.X509Certificate;
import java.time.Instant;
import java.util.Collection;
import java.util.Date;
import java.util.List;
import java.util.Set;
import java.util.stream.Collectors;

/** The way from a certificate to one that is trusted, as it was at some time (RFC 5280 §6). */
public final class CertificatePath {
    private CertificatePath() {}

    /** @throws GeneralSecurityException when there is none */
    public static void require(
            X509Certificate certificate, Collection<X509Certificate> others, List<X509Certificate> anchors, Instant at)
            throws GeneralSecurityException {
        Set<TrustAnchor> trusted =
                anchors.stream().map(one -> new TrustAnchor(one, null)).collect(Collectors.toSet());
        X509CertSelector wanted = new X509CertSelector();
        wanted.setCertificate(certificate);
        PKIXBuilderParameters parameters = new PKIXBuilderParameters(trusted, wanted);
        parameters.addCertStore(CertStore.getInstance("Collection", new CollectionCertStoreParameters(others)));
        parameters.setDate(Date.from(at));
        // a list that is in force today says nothing of what was good that day
        parameters.setRevocationEnabled(false);
        CertPathBuilder.getInstance("PKIX").build(parameters);
    }
}
