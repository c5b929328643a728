package org.jalousie.core.evidence.word;

import org.apache.poi.poifs.crypt.dsig.SignatureInfo;
import org.apache.poi.poifs.crypt.dsig.facets.XAdESSignatureFacet;
import org.etsi.uri.x01903.v13.QualifyingPropertiesType;
import org.etsi.uri.x01903.v13.SignedPropertiesType;
import org.w3c.dom.Document;
import org.w3c.dom.Element;
import org.w3c.dom.Node;

/** Signed properties that say where it was signed, too (SignatureProductionPlace, ETSI EN 319 132-1 §5.2.5). */
final class PlacedProperties extends XAdESSignatureFacet {
    private static final String XADES = "http://uri.etsi.org/01903/v1.3.2#";

    private final String place;

    PlacedProperties(String place) {
        this.place = place;
    }

    @Override
    protected SignedPropertiesType createSignedProperties(SignatureInfo info, QualifyingPropertiesType properties) {
        SignedPropertiesType signed = super.createSignedProperties(info, properties);
        if (place.isEmpty()) return signed;
        Node of = signed.getSignedSignatureProperties().getDomNode();
        Document document = of.getOwnerDocument();
        Element city = document.createElementNS(XADES, "City");
        city.appendChild(document.createTextNode(place));
        Element where = document.createElementNS(XADES, "SignatureProductionPlace");
        where.appendChild(city);
        // the schema has it before the role
        of.insertBefore(where, role(of));
        return signed;
    }

    private static Node role(Node of) {
        for (Node one = of.getFirstChild(); one != null; one = one.getNextSibling())
            if ("SignerRole".equals(one.getLocalName())) return one;
        return null;
    }
}
