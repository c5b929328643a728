package org.jalousie.core.evidence;

import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.security.GeneralSecurityException;
import java.security.cert.CertificateException;
import java.security.cert.CertificateFactory;
import java.security.cert.X509Certificate;
import java.util.ArrayList;
import java.util.Base64;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import javax.xml.XMLConstants;
import javax.xml.parsers.DocumentBuilderFactory;
import javax.xml.parsers.ParserConfigurationException;
import org.jalousie.core.data.Sha256;
import org.w3c.dom.Element;
import org.w3c.dom.Node;
import org.w3c.dom.NodeList;
import org.xml.sax.SAXException;

/** Reads certificates to trust from a file: one or several in PEM or DER, or a trusted list of the EU (ETSI TS 119 612). */
public final class TrustedCertificates {
    private static final String LIST = "http://uri.etsi.org/02231/v2#";

    /** Services whose certificates issue signing certificates or time stamps (ETSI TS 119 612 §5.5.1.1). */
    private static final Set<String> SERVICES = Set.of(
            "http://uri.etsi.org/TrstSvc/Svctype/CA/QC",
            "http://uri.etsi.org/TrstSvc/Svctype/CA/PKC",
            "http://uri.etsi.org/TrstSvc/Svctype/TSA/QTST",
            "http://uri.etsi.org/TrstSvc/Svctype/TSA");

    /** States in which a service is trusted (ETSI TS 119 612 §5.5.4). */
    private static final Set<String> GRANTED = Set.of(
            "http://uri.etsi.org/TrstSvc/TrustedList/Svcstatus/granted",
            "http://uri.etsi.org/TrstSvc/TrustedList/Svcstatus/recognisedatnationallevel");

    private TrustedCertificates() {}

    /**
     * The certificates in a file, each once.
     *
     * @throws Unreadable when there is none in it
     */
    public static List<X509Certificate> read(byte[] file) throws Unreadable {
        String start = new String(file, 0, Math.min(file.length, 400), StandardCharsets.UTF_8).strip();
        Map<Sha256, X509Certificate> all = new LinkedHashMap<>();
        try {
            List<X509Certificate> found =
                    start.startsWith("<") || start.startsWith("\uFEFF<") ? list(file) : plain(file);
            for (X509Certificate one : found) all.putIfAbsent(Sha256.of(one.getEncoded()), one);
        } catch (GeneralSecurityException | IOException | SAXException | ParserConfigurationException e) {
            throw new Unreadable(e);
        }
        if (all.isEmpty()) throw new Unreadable(null);
        return List.copyOf(all.values());
    }

    /** A file with no certificate in it. */
    public static final class Unreadable extends Exception {
        private static final long serialVersionUID = 1L;

        Unreadable(Throwable cause) {
            super("no certificate can be read", cause);
        }
    }

    private static List<X509Certificate> plain(byte[] file) throws CertificateException {
        return CertificateFactory.getInstance("X.509").generateCertificates(new ByteArrayInputStream(file)).stream()
                .map(X509Certificate.class::cast)
                .toList();
    }

    private static List<X509Certificate> list(byte[] file)
            throws ParserConfigurationException, IOException, SAXException, CertificateException {
        DocumentBuilderFactory factory = DocumentBuilderFactory.newInstance();
        factory.setNamespaceAware(true);
        factory.setFeature(XMLConstants.FEATURE_SECURE_PROCESSING, true);
        factory.setFeature("http://apache.org/xml/features/disallow-doctype-decl", true);
        List<X509Certificate> found = new ArrayList<>();
        NodeList services = factory.newDocumentBuilder()
                .parse(new ByteArrayInputStream(file))
                .getElementsByTagNameNS(LIST, "ServiceInformation");
        for (int i = 0; i < services.getLength(); i++) {
            Element service = (Element) services.item(i);
            if (!SERVICES.contains(text(service, "ServiceTypeIdentifier"))
                    || !GRANTED.contains(text(service, "ServiceStatus"))) continue;
            NodeList certificates = service.getElementsByTagNameNS(LIST, "X509Certificate");
            for (int k = 0; k < certificates.getLength(); k++)
                found.addAll(plain(Base64.getMimeDecoder()
                        .decode(certificates.item(k).getTextContent().strip())));
        }
        return found;
    }

    private static String text(Element element, String name) {
        Node node = element.getElementsByTagNameNS(LIST, name).item(0);
        return node == null ? "" : node.getTextContent().strip();
    }
}
