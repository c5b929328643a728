package org.jalousie.core.evidence;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.nio.charset.StandardCharsets;
import java.security.cert.X509Certificate;
import java.util.Base64;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

class TrustedCertificatesTest {
    private static final X509Certificate ONE = new TestTrust().anchors().get(0);
    private static final X509Certificate OTHER = new TestTrust().anchors().get(0);
    private static final String SERVICE = "http://uri.etsi.org/TrstSvc/Svctype/";
    private static final String STATUS = "http://uri.etsi.org/TrstSvc/TrustedList/Svcstatus/";

    private static String base64(X509Certificate certificate) throws Exception {
        return Base64.getMimeEncoder().encodeToString(certificate.getEncoded());
    }

    private static byte[] pem(X509Certificate... certificates) throws Exception {
        StringBuilder text = new StringBuilder("Bag Attributes\n    friendlyName: ours\n");
        for (X509Certificate one : certificates)
            text.append("-----BEGIN CERTIFICATE-----\n").append(base64(one)).append("\n-----END CERTIFICATE-----\n");
        return text.toString().getBytes(StandardCharsets.UTF_8);
    }

    private static String service(String type, String status, X509Certificate certificate) throws Exception {
        return "<TSPService><ServiceInformation><ServiceTypeIdentifier>" + SERVICE + type
                + "</ServiceTypeIdentifier><ServiceName><Name xml:lang=\"en\">A service</Name></ServiceName>"
                + "<ServiceDigitalIdentity><DigitalId><X509Certificate>" + base64(certificate)
                + "</X509Certificate></DigitalId></ServiceDigitalIdentity><ServiceStatus>" + STATUS + status
                + "</ServiceStatus></ServiceInformation></TSPService>";
    }

    /** The form of ETSI TS 119 612 §5, with what is read of it. */
    private static byte[] list(String... services) {
        return ("<?xml version=\"1.0\" encoding=\"UTF-8\"?><TrustServiceStatusList xmlns=\"http://uri.etsi.org/02231/v2#\">"
                        + "<TrustServiceProviderList><TrustServiceProvider><TSPServices>" + String.join("", services)
                        + "</TSPServices></TrustServiceProvider></TrustServiceProviderList></TrustServiceStatusList>")
                .getBytes(StandardCharsets.UTF_8);
    }

    @Test
    void theyAreReadInPemAndInDerEachOnce() throws Exception {
        assertThat(TrustedCertificates.read(pem(ONE, OTHER, ONE))).containsExactly(ONE, OTHER);
        assertThat(TrustedCertificates.read(ONE.getEncoded())).containsExactly(ONE);
    }

    @Test
    void ofATrustedListThoseOfGrantedServicesThatSignOrStampAreRead() throws Exception {
        assertThat(TrustedCertificates.read(
                        list(service("CA/QC", "granted", ONE), service("TSA/QTST", "granted", OTHER))))
                .containsExactly(ONE, OTHER);
        assertThat(TrustedCertificates.read(
                        list(service("CA/QC", "withdrawn", ONE), service("CA/QC", "granted", OTHER))))
                .containsExactly(OTHER);
        assertThatThrownBy(() -> TrustedCertificates.read(list(service("EDS/Q", "granted", ONE))))
                .isInstanceOf(TrustedCertificates.Unreadable.class);
    }

    @ParameterizedTest
    @ValueSource(
            strings = {
                "",
                "no certificate",
                "<html></html>",
                "<!DOCTYPE a [<!ENTITY x SYSTEM \"file:///etc/passwd\">]><a>&x;</a>",
                "<TrustServiceStatusList",
                "-----BEGIN CERTIFICATE-----\nAAAA\n-----END CERTIFICATE-----\n"
            })
    void whatHasNoneIsSaid(String file) {
        assertThatThrownBy(() -> TrustedCertificates.read(file.getBytes(StandardCharsets.UTF_8)))
                .isInstanceOf(TrustedCertificates.Unreadable.class);
    }
}
