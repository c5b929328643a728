package org.jalousie.standins.trust;

import java.io.IOException;
import java.math.BigInteger;
import java.security.GeneralSecurityException;
import java.security.SecureRandom;
import java.time.Clock;
import java.util.Date;
import java.util.List;
import java.util.Set;
import org.bouncycastle.asn1.ASN1ObjectIdentifier;
import org.bouncycastle.asn1.DERSet;
import org.bouncycastle.asn1.cms.Attribute;
import org.bouncycastle.asn1.cms.AttributeTable;
import org.bouncycastle.asn1.cms.CMSAttributes;
import org.bouncycastle.asn1.cms.Time;
import org.bouncycastle.cert.jcajce.JcaCertStore;
import org.bouncycastle.cms.jcajce.JcaSimpleSignerInfoGeneratorBuilder;
import org.bouncycastle.operator.OperatorCreationException;
import org.bouncycastle.operator.jcajce.JcaDigestCalculatorProviderBuilder;
import org.bouncycastle.tsp.TSPAlgorithms;
import org.bouncycastle.tsp.TSPException;
import org.bouncycastle.tsp.TimeStampRequest;
import org.bouncycastle.tsp.TimeStampResponseGenerator;
import org.bouncycastle.tsp.TimeStampTokenGenerator;

/** A time-stamp authority (RFC 3161) for demonstration and tests. */
public final class TimeStampAuthority {
    private static final ASN1ObjectIdentifier POLICY = new ASN1ObjectIdentifier("1.3.6.1.4.1.55555.1");

    private final CertificateAuthority authority;
    private final Clock clock;
    private final SecureRandom random = new SecureRandom();

    public TimeStampAuthority(CertificateAuthority authority, Clock clock) {
        this.authority = authority;
        this.clock = clock;
    }

    /** @param request and result: DER, as in RFC 3161 §2.4 */
    public byte[] answer(byte[] request) throws IOException {
        try {
            Date now = Date.from(clock.instant());
            CertificateAuthority.TimeStampUnit unit = authority.timeStampUnit();
            TimeStampTokenGenerator tokens = new TimeStampTokenGenerator(
                    new JcaSimpleSignerInfoGeneratorBuilder()
                            .setSignedAttributeGenerator(new AttributeTable(
                                    new Attribute(CMSAttributes.signingTime, new DERSet(new Time(now)))))
                            .build("SHA256withECDSA", unit.key(), unit.certificate()),
                    new JcaDigestCalculatorProviderBuilder()
                            .build()
                            .get(new org.bouncycastle.asn1.x509.AlgorithmIdentifier(TSPAlgorithms.SHA256)),
                    POLICY);
            tokens.addCertificates(new JcaCertStore(List.of(unit.certificate(), authority.root())));
            tokens.setAccuracySeconds(1);
            TimeStampResponseGenerator responses = new TimeStampResponseGenerator(
                    tokens, Set.of(TSPAlgorithms.SHA256, TSPAlgorithms.SHA384, TSPAlgorithms.SHA512));
            return responses
                    .generate(new TimeStampRequest(request), new BigInteger(63, random), now)
                    .getEncoded();
        } catch (TSPException | OperatorCreationException | GeneralSecurityException e) {
            throw new IOException("the time stamp can't be made", e);
        }
    }
}
