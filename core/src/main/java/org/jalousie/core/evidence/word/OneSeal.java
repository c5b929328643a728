package org.jalousie.core.evidence.word;

import java.io.ByteArrayInputStream;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.InputStream;
import java.security.GeneralSecurityException;
import java.security.cert.CertificateFactory;
import java.security.cert.X509CRL;
import java.security.cert.X509Certificate;
import java.time.Clock;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Base64;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.regex.Pattern;
import javax.xml.crypto.MarshalException;
import javax.xml.crypto.dsig.Manifest;
import javax.xml.crypto.dsig.Reference;
import javax.xml.crypto.dsig.XMLObject;
import javax.xml.crypto.dsig.XMLSignature;
import javax.xml.crypto.dsig.XMLSignatureException;
import javax.xml.crypto.dsig.dom.DOMValidateContext;
import org.apache.poi.ooxml.util.DocumentHelper;
import org.apache.poi.poifs.crypt.dsig.KeyInfoKeySelector;
import org.apache.poi.poifs.crypt.dsig.SignatureInfo;
import org.apache.xml.security.c14n.Canonicalizer;
import org.apache.xml.security.exceptions.XMLSecurityException;
import org.jalousie.core.agreement.CertificateId;
import org.jalousie.core.evidence.CertificatePath;
import org.jalousie.core.evidence.Credential;
import org.jalousie.core.evidence.TrustService;
import org.jalousie.core.evidence.Verification;
import org.jalousie.core.evidence.stamps.HashAlgorithm;
import org.jalousie.core.evidence.stamps.TimeStampToken;
import org.jalousie.core.messages.Message;
import org.w3c.dom.Document;
import org.w3c.dom.Element;
import org.w3c.dom.NodeList;
import org.xml.sax.SAXException;

/** One signature of a Word file. */
final class OneSeal {
    private static final String XMLDSIG = "http://www.w3.org/2000/09/xmldsig#";
    private static final String XADES = "http://uri.etsi.org/01903/v1.3.2#";

    /** What nothing is fetched by and no program runs in; anything else is refused before it is looked at. */
    private static final Set<String> TRANSFORMS = Set.of(
            "http://www.w3.org/TR/2001/REC-xml-c14n-20010315",
            "http://www.w3.org/2001/10/xml-exc-c14n#",
            "http://schemas.openxmlformats.org/package/2006/RelationshipTransform");

    /** RFC 9231; what is weaker is relied on no longer (ETSI TS 119 312). */
    private static final Pattern SIGNATURES = Pattern.compile("http://www\\.w3\\.org/(2001/04/xmldsig-more#(rsa|ecdsa)"
            + "-sha(256|384|512)|2007/05/xmldsig-more#sha(256|384|512)-rsa-MGF1)");

    private static final Map<String, HashAlgorithm> DIGESTS = Map.of(
            "http://www.w3.org/2001/04/xmlenc#sha256", HashAlgorithm.SHA_256,
            "http://www.w3.org/2001/04/xmldsig-more#sha384", HashAlgorithm.SHA_384,
            "http://www.w3.org/2001/04/xmlenc#sha512", HashAlgorithm.SHA_512);

    private final SignatureInfo info;
    private final String name;
    private final Document document;
    private final TrustService trust;
    private final Clock clock;

    /** @throws IOException,SAXException when the signature is no XML, or has a document type */
    OneSeal(SignatureInfo info, String name, InputStream xml, TrustService trust, Clock clock)
            throws IOException, SAXException {
        this.info = info;
        this.name = name;
        this.document = DocumentHelper.readDocument(xml);
        this.trust = trust;
        this.clock = clock;
    }

    /** @param covered takes the names of parts that are signed and as they were signed */
    void check(
            List<Verification.SignatureCheck> checks,
            List<Message> findings,
            List<Message> notes,
            Set<String> covered) {
        if (!isUsual()) {
            findings.add(Message.of("evidence.word.unusual", "part", name));
            return;
        }
        List<Message> wrong = new ArrayList<>();
        KeyInfoKeySelector keys = new KeyInfoKeySelector();
        try {
            signedParts(keys, wrong, covered);
        } catch (MarshalException | XMLSignatureException | RuntimeException e) {
            wrong.add(Message.of("evidence.word.holds-not"));
        }
        X509Certificate signer = keys.getSigner();
        String by = signer == null ? "somebody unknown" : SealLine.nameIn(signer.getSubjectX500Principal());
        Optional<Instant> at = stampedAt();
        if (document.getElementsByTagNameNS(XADES, "SignatureTimeStamp").getLength() == 0)
            notes.add(Message.of("evidence.word.own-clock", "by", by));
        else if (at.isEmpty()) wrong.add(Message.of("evidence.word.no-time", "by", by));
        if (isWeak()) wrong.add(Message.of("evidence.word.weak", "by", by));
        if (signer != null) trusted(signer, keys.getCertChain(), at.orElse(clock.instant()), by, wrong);
        checks.add(new Verification.SignatureCheck(
                name,
                by,
                at.orElse(null),
                at.isPresent() ? "XAdES-T" : "XAdES-BES",
                wrong.isEmpty(),
                "",
                signer == null ? CertificateId.NONE : Credential.idOf(signer)));
        findings.addAll(wrong);
        said("SignerRole").ifPresent(one -> notes.add(Message.of("evidence.word.role", "by", by, "role", one)));
        said("SignatureProductionPlace")
                .ifPresent(one -> notes.add(Message.of("evidence.word.place", "by", by, "place", one)));
        text("SignatureComments")
                .ifPresent(one -> notes.add(Message.of("evidence.word.comment", "by", by, "comment", one)));
    }

    private boolean isUsual() {
        if (!XMLDSIG.equals(document.getDocumentElement().getNamespaceURI())
                || !"Signature".equals(document.getDocumentElement().getLocalName())) return false;
        NodeList all = document.getElementsByTagNameNS(XMLDSIG, "*");
        for (int i = 0; i < all.getLength(); i++) {
            Element one = (Element) all.item(i);
            String kind = one.getLocalName();
            String uri = one.getAttribute("URI");
            if (kind.equals("Reference") && !uri.startsWith("#") && (!uri.startsWith("/") || uri.startsWith("//")))
                return false;
            if (Set.of("Transform", "CanonicalizationMethod").contains(kind)
                    && !TRANSFORMS.contains(one.getAttribute("Algorithm"))) return false;
            if (kind.equals("RetrievalMethod")) return false;
        }
        return document.getElementsByTagNameNS(XMLDSIG, "SignatureValue").getLength() == 1;
    }

    private boolean isWeak() {
        NodeList all = document.getElementsByTagNameNS(XMLDSIG, "*");
        for (int i = 0; i < all.getLength(); i++) {
            Element one = (Element) all.item(i);
            String algorithm = one.getAttribute("Algorithm");
            if (one.getLocalName().equals("SignatureMethod")
                    && !SIGNATURES.matcher(algorithm).matches()) return true;
            if (one.getLocalName().equals("DigestMethod") && !DIGESTS.containsKey(algorithm)) return true;
        }
        return false;
    }

    /** The signature itself, and each part under it. */
    private void signedParts(KeyInfoKeySelector keys, List<Message> wrong, Set<String> covered)
            throws MarshalException, XMLSignatureException {
        Set<String> ids = new HashSet<>();
        NodeList all = document.getElementsByTagNameNS("*", "*");
        for (int i = 0; i < all.getLength(); i++) {
            Element one = (Element) all.item(i);
            if (!one.hasAttribute("Id")) continue;
            // of two of one name nobody could say which was signed
            if (!ids.add(one.getAttribute("Id"))) throw new MarshalException("twice " + one.getAttribute("Id"));
            one.setIdAttribute("Id", true);
        }
        DOMValidateContext context = new DOMValidateContext(keys, document);
        // a document has more parts than it allows; what it forbids besides isn't there, see isUsual
        context.setProperty("org.apache.jcp.xml.dsig.secureValidation", false);
        context.setURIDereferencer(info.getUriDereferencer());
        XMLSignature signature = info.getSignatureFactory().unmarshalXMLSignature(context);
        if (!signature.validate(context)) wrong.add(Message.of("evidence.word.holds-not"));
        Set<String> signed = new HashSet<>();
        for (Reference one : signature.getSignedInfo().getReferences()) signed.add(one.getURI());
        if (!signed.contains("#" + propertiesId())) wrong.add(Message.of("evidence.word.holds-not"));
        Set<String> parts = new HashSet<>();
        for (XMLObject object : signature.getObjects()) {
            if (!signed.contains("#" + object.getId())) continue;
            for (Object content : object.getContent())
                if (content instanceof Manifest manifest)
                    for (Reference one : manifest.getReferences()) part(one, context, parts, wrong);
        }
        if (!parts.contains("/word/document.xml")) wrong.add(Message.of("evidence.word.not-the-words"));
        covered.addAll(parts);
    }

    private static void part(Reference one, DOMValidateContext context, Set<String> parts, List<Message> wrong) {
        String part = one.getURI().replaceFirst("\\?.*$", "");
        boolean holds;
        try {
            holds = one.validate(context);
        } catch (XMLSignatureException | RuntimeException e) {
            holds = false;
        }
        parts.add(part);
        if (!holds) wrong.add(Message.of("evidence.word.changed", "part", part));
    }

    private String propertiesId() {
        NodeList all = document.getElementsByTagNameNS(XADES, "SignedProperties");
        return all.getLength() == 1 ? ((Element) all.item(0)).getAttribute("Id") : "";
    }

    /** The time that the stamp over the signature proves (ETSI EN 319 132-1 §5.3). */
    private Optional<Instant> stampedAt() {
        NodeList stamps = document.getElementsByTagNameNS(XADES, "SignatureTimeStamp");
        if (stamps.getLength() != 1) return Optional.empty();
        Element stamp = (Element) stamps.item(0);
        Element method = (Element)
                stamp.getElementsByTagNameNS(XMLDSIG, "CanonicalizationMethod").item(0);
        Element token = (Element)
                stamp.getElementsByTagNameNS(XADES, "EncapsulatedTimeStamp").item(0);
        if (method == null || token == null) return Optional.empty();
        try {
            ByteArrayOutputStream value = new ByteArrayOutputStream();
            Canonicalizer.getInstance(method.getAttribute("Algorithm"))
                    .canonicalizeSubtree(
                            document.getElementsByTagNameNS(XMLDSIG, "SignatureValue")
                                    .item(0),
                            value);
            return TimeStampToken.read(
                            Base64.getMimeDecoder().decode(token.getTextContent()),
                            HashAlgorithm.SHA_256,
                            HashAlgorithm.SHA_256.hash(value.toByteArray()),
                            trust.anchors())
                    .map(TimeStampToken::at);
        } catch (XMLSecurityException | IllegalArgumentException e) {
            return Optional.empty();
        }
    }

    private void trusted(
            X509Certificate signer, List<X509Certificate> chain, Instant at, String by, List<Message> wrong) {
        try {
            if (!isSigned(signer)) wrong.add(Message.of("evidence.word.other-certificate", "by", by));
            CertificatePath.require(signer, chain, trust.anchors(), at);
            CertificateFactory lists = CertificateFactory.getInstance("X.509");
            for (byte[] one : trust.revocationLists()) {
                X509CRL list = (X509CRL) lists.generateCRL(new ByteArrayInputStream(one));
                if (list.getIssuerX500Principal().equals(signer.getIssuerX500Principal()) && list.isRevoked(signer))
                    wrong.add(Message.of("evidence.word.revoked", "by", by));
            }
        } catch (GeneralSecurityException e) {
            wrong.add(Message.of("evidence.word.not-trusted", "by", by));
        }
    }

    /** Whether the certificate is the one that the signature itself names (§5.2.2). */
    private boolean isSigned(X509Certificate signer) throws GeneralSecurityException {
        NodeList properties = document.getElementsByTagNameNS(XADES, "SignedSignatureProperties");
        if (properties.getLength() != 1) return false;
        NodeList named = ((Element) properties.item(0)).getElementsByTagNameNS(XADES, "CertDigest");
        // the first is the signer's, those that may follow are of who issued it
        if (named.getLength() == 0) return false;
        Element digest = (Element) named.item(0);
        Element method =
                (Element) digest.getElementsByTagNameNS(XMLDSIG, "DigestMethod").item(0);
        Element value =
                (Element) digest.getElementsByTagNameNS(XMLDSIG, "DigestValue").item(0);
        HashAlgorithm algorithm = method == null ? null : DIGESTS.get(method.getAttribute("Algorithm"));
        return algorithm != null
                && value != null
                && Arrays.equals(
                        Base64.getMimeDecoder().decode(value.getTextContent()), algorithm.hash(signer.getEncoded()));
    }

    private Optional<String> said(String property) {
        NodeList all = document.getElementsByTagNameNS(XADES, property);
        return all.getLength() == 0
                ? Optional.empty()
                : Optional.of(all.item(0).getTextContent().strip()).filter(one -> !one.isEmpty());
    }

    private Optional<String> text(String localName) {
        NodeList all = document.getElementsByTagNameNS("*", localName);
        return all.getLength() == 0
                ? Optional.empty()
                : Optional.of(all.item(0).getTextContent().strip()).filter(one -> !one.isEmpty());
    }
}
